import { ink } from '../look/theme';
import { dayOfYear } from '../look/words';

/** A due date by ink, shape and word. */
export function Due({
  due,
  state,
  by,
}: {
  due: string | null;
  state: 'none' | 'past' | 'soon' | 'in date';
  /** The interval that ends before the certificate is due. */
  by: string | null;
}) {
  const colour = { none: ink.qualified, past: ink.void, soon: ink.qualified, 'in date': ink.text }[state];
  const sign = { none: '△', past: '✕', soon: '△', 'in date': '' }[state];
  return (
    <span style={{ color: colour, fontWeight: state === 'in date' ? 400 : 650, whiteSpace: 'nowrap' }}>
      <span aria-hidden="true">{sign} </span>
      {due ? dayOfYear(`${due}T12:00:00Z`) : 'no certificate'}
      {state === 'past' && ', past'}
      {state === 'soon' && ', soon'}
      {by && <div style={{ fontWeight: 400, color: ink.soft, fontSize: '0.84rem' }}>interval of {by}</div>}
    </span>
  );
}

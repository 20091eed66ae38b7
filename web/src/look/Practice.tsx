import { ink } from './theme';

/** Beside whatever leans on a practice unit: it is judged as any other, and never signed. */
export function Practice() {
  return (
    <span
      style={{
        border: `1px dashed ${ink.soft}`,
        color: ink.soft,
        padding: '0 7px',
        fontSize: '0.86rem',
        fontStyle: 'italic',
        whiteSpace: 'nowrap',
      }}
      title="For trying and teaching: judged as any other, never signed."
    >
      practice
    </span>
  );
}

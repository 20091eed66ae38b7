import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { flagOf, rowsOf } from '../bench/answers';
import { Values } from '../checks/Values';
import { ink } from '../look/theme';
import { isFilled, isMeasured, type Row } from '../look/values';
import { moment } from '../look/words';
import { checkOf } from './checks';
import { preparedOf, shown } from './prepared';
import type { Waiting } from './store';

const words = (value: Row[string] | undefined): string =>
  isMeasured(value) ? `${value.value} ${value.unit}` : typeof value === 'string' ? value : '';

/** What was answered, step by step: what was read, chosen and adjusted. */
function Answered({ draft }: { draft: Schemas['Draft'] }) {
  const { answers } = draft;
  const lines = draft.procedure.steps.flatMap((step) => {
    const rows = step.kind === 'readings' ? rowsOf(answers, step.into) : [];
    const read = rows
      .map((row) =>
        step.columns
          .map((column) => words(row[column.name]))
          .filter((one) => one !== '')
          .join(' '),
      )
      .filter((one) => one !== '');
    const asked = step.fields
      .filter((field) => isFilled(answers[field.name]))
      .map((field) => `${field.label} ${words(answers[field.name] as Row[string])}`);
    const flag = step.kind === 'adjust' ? answers[flagOf(step)] : undefined;
    const said = [
      ...read,
      ...asked,
      ...(typeof flag === 'boolean' ? [flag ? 'adjusted' : 'left as it is'] : []),
      ...(step.kind === 'reference' && answers.reference ? [answers.reference] : []),
    ];
    return said.length > 0 ? [{ title: step.title, said: said.join('; ') }] : [];
  });
  return (
    <dl className="fn-live">
      <dt>made</dt>
      <dd>{answers.at ? moment(answers.at) : 'nothing read yet'}</dd>
      {lines.map((line) => (
        <div key={line.title} style={{ display: 'contents' }}>
          <dt>{line.title}</dt>
          <dd style={{ overflowWrap: 'anywhere' }}>{line.said}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What is on this device. */
export function Mine({ one }: { one: Waiting }) {
  const mine = useQuery({
    queryKey: ['away', 'mine', one.request],
    queryFn: async () => {
      const check = await checkOf(one);
      return check && shown(check, await preparedOf(check.instrument), 0);
    },
  });
  return mine.data ? <Answered draft={mine.data} /> : null;
}

function HalfDone({ id }: { id: string }) {
  const draft = useQuery({
    queryKey: ['draft', id],
    queryFn: () => answer(api.GET('/api/bench/drafts/{id}', { params: { path: { id } } })),
  });
  return draft.data ? <Answered draft={draft.data} /> : null;
}

function Recorded({ id }: { id: string }) {
  const check = useQuery({
    queryKey: ['check', id],
    queryFn: () => answer(api.GET('/api/checks/{id}', { params: { path: { id } } })),
  });
  return check.data ? <Values check={check.data} /> : null;
}

/** What somebody else did meanwhile, and where it stands. */
export function Theirs({ id, said }: { id: string; said: string }) {
  const what = said.split(' of ')[0] ?? '';
  const place =
    what === 'check' ? `/checks/${id}` : what === 'half-done check' ? `/bench/${id}` : `/runs/${id}`;
  return (
    <div style={{ borderTop: `1px solid ${ink.faint}`, padding: '6px 0' }}>
      {what === 'intervention' ? (
        <b>{said}</b>
      ) : (
        <Link to={place} style={{ fontWeight: 650 }}>
          {said}
        </Link>
      )}
      {what === 'check' && <Recorded id={id} />}
      {what === 'half-done check' && <HalfDone id={id} />}
    </div>
  );
}

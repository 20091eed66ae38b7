import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { localOf } from '../look/words';
import { Choice, Field, Form } from './Form';

type Unit = Schemas['NewInterval']['unit'];
const units: Unit[] = ['hours', 'days', 'months', 'years'];

/** How often something is wanted of one instrument or one reference, in place of what the policy says. */
export function SetInterval({
  owner,
  id,
  routines,
  set,
  onClose,
}: {
  owner: 'instruments' | 'references';
  id: string;
  /** What it can be set for. */
  routines: string[];
  /** Those that were set before. */
  set: Schemas['OwnInterval'][];
  onClose: () => void;
}) {
  const [routine, setRoutine] = useState(routines[0] ?? '');
  const [every, setEvery] = useState('');
  const [unit, setUnit] = useState<Unit>('months');
  const [since, setSince] = useState(() => localOf(new Date()).slice(0, 10));
  const [source, setSource] = useState('');
  const add = useChange(async () => {
    const init = { params: { path: { id } }, body: { routine, every, unit, since, source } };
    return owner === 'references'
      ? answer<unknown>(api.POST('/api/kit/references/{id}/intervals', init))
      : answer<unknown>(api.POST('/api/kit/instruments/{id}/intervals', init));
  }, onClose);
  return (
    <Form
      title={`An interval for ${id}`}
      action="Set the interval"
      problem={add.error}
      busy={add.isPending}
      onClose={onClose}
      onSubmit={() => add.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        It holds in place of the policy&rsquo;s from that day on, and what was judged by it is worked out
        again. Results say whose interval it is. The manual stands above both.
      </p>
      {set.length > 0 && (
        <ul style={{ gridColumn: '1 / -1', margin: 0, paddingLeft: 20 }}>
          {set.map((one, place) => (
            <li key={place}>
              {one.routine}: {one.every} {one.unit} since {one.since}, {one.by}: {one.source}
            </li>
          ))}
        </ul>
      )}
      <Choice
        label="What"
        value={routine}
        set={setRoutine}
        among={routines}
        problem={add.error?.of('routine')}
      />
      <Field
        label="Every"
        value={every}
        set={setEvery}
        problem={add.error?.of('every')}
        help="A whole number"
        required
      />
      <Choice
        label="In"
        value={unit}
        set={(chosen) => setUnit(units.find((one) => one === chosen) ?? 'months')}
        among={units}
        problem={add.error?.of('unit')}
        help="All but hours end with the last day"
      />
      <Field
        label="Since"
        type="date"
        value={since}
        set={setSince}
        problem={add.error?.of('since')}
        help="The first day on which it holds"
        required
      />
      <div style={{ gridColumn: '1 / -1', display: 'grid' }}>
        <Field
          label="Source"
          value={source}
          set={setSource}
          problem={add.error?.of('source')}
          help="Such as the manual and its page; it is printed with every result that it weighs on"
          required
        />
      </div>
    </Form>
  );
}

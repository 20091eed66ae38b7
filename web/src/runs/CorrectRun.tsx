import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useAsOpened, useChange } from '../api/hooks';
import { Field, Form } from '../kit/Form';
import { isoOf, localOf } from '../look/words';

type Run = Schemas['Run'];

/** What was said when a run started, and was wrong; what is right supersedes it, and both are told on its result. */
export function CorrectRun({ run, onClose }: { run: Run; onClose: () => void }) {
  const seen = useAsOpened(run.learned.length);
  const zone = run.campaign?.zone;
  const written = useAsOpened({
    person: run.person,
    task: run.task,
    place: run.place,
    instrument: run.instrument,
    start: localOf(new Date(run.start), zone),
    stop: run.stop ? localOf(new Date(run.stop), zone) : '',
  });
  const [typed, setTyped] = useState(written);
  const [reason, setReason] = useState('');
  const put = (name: keyof typeof written) => (value: string) => setTyped({ ...typed, [name]: value });
  const correct = useChange(
    () =>
      answer(
        api.POST('/api/runs/{id}/facts', {
          params: { path: { id: run.id } },
          body: {
            seen,
            reason,
            ...Object.fromEntries(
              (['person', 'task', 'place', 'instrument'] as const)
                .filter((name) => typed[name] !== written[name])
                .map((name) => [name, typed[name]]),
            ),
            ...(typed.start !== written.start ? { start: isoOf(typed.start, zone) } : {}),
            ...(typed.stop !== written.stop ? { stop: isoOf(typed.stop, zone) } : {}),
          },
        }),
      ),
    onClose,
  );
  const said = (name: string) => correct.error?.of(name);
  return (
    <Form
      title={`Correct run ${run.id}`}
      action="Keep the correction"
      problem={correct.error}
      busy={correct.isPending}
      onClose={onClose}
      onSubmit={() => correct.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        What is changed here supersedes what was written; both stand on the result, with the reason. A signed
        result is marked: evidence has changed.
      </p>
      <Field label="Person" value={typed.person} set={put('person')} problem={said('person')} required />
      <Field label="Task" value={typed.task} set={put('task')} problem={said('task')} required />
      <Field label="Place" value={typed.place} set={put('place')} problem={said('place')} />
      <TextField
        select
        label="Instrument"
        value={typed.instrument}
        onChange={(event) => put('instrument')(event.target.value)}
        error={said('instrument') !== undefined}
        helperText={said('instrument') ?? 'Another moves the run with everything in it'}
      >
        {[written.instrument, ...run.alike].map((one) => (
          <MenuItem key={one} value={one}>
            {one}
          </MenuItem>
        ))}
      </TextField>
      <Field
        label="Started, local time"
        type="datetime-local"
        value={typed.start}
        set={put('start')}
        problem={said('start') ?? said('Started')}
        required
      />
      {written.stop && (
        <Field
          label="Stopped, local time"
          type="datetime-local"
          value={typed.stop}
          set={put('stop')}
          problem={said('stop') ?? said('Stopped')}
          required
        />
      )}
      <Field label="What was wrong" value={reason} set={setReason} problem={said('reason')} required />
    </Form>
  );
}

/** A run that was begun in error: it stays on record, and its instrument was free. */
export function WithdrawRun({ run, onClose }: { run: Run; onClose: () => void }) {
  const [reason, setReason] = useState('');
  const withdraw = useChange(
    () =>
      answer(api.POST('/api/runs/{id}/withdrawal', { params: { path: { id: run.id } }, body: { reason } })),
    onClose,
  );
  return (
    <Form
      title={`Withdraw run ${run.id}`}
      action="Withdraw"
      problem={withdraw.error}
      busy={withdraw.isPending}
      onClose={onClose}
      onSubmit={() => withdraw.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        It was begun in error and measured nothing. It stays on record under the results of its campaign, and
        cannot be taken up again. One that brought something home only a hygienist withdraws.
      </p>
      <Field
        label="What was wrong"
        value={reason}
        set={setReason}
        problem={withdraw.error?.of('reason')}
        required
      />
    </Form>
  );
}

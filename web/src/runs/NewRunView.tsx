import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { answer, api } from '../api/client';
import { useBench, useCampaigns, useChange, useSession, useUnit } from '../api/hooks';
import { wait } from '../away/outbox';
import { usePrepared } from '../away/prepared';
import { isReached } from '../away/reach';
import { useBeginCheck } from '../bench/useBeginCheck';
import { FitWords } from '../look/FitWords';
import { Loading, Told } from '../look/Told';
import { filled, type Entry, type Values } from '../look/values';
import { isoOf, localOf } from '../look/words';
import { ChooseCampaign } from './ChooseCampaign';
import { RunDetails, runOf } from './RunDetails';

/** What is asked when a run begins; the rest is known when it is over. */
const before = (entries: Entry[]): Entry[] =>
  entries.filter((entry) => entry.asked !== 'end').map((entry) => ({ ...entry, rows: before(entry.rows) }));

/** What is likely the same again with the next run of a unit. */
const repeated = (entries: Entry[]): Entry[] => entries.filter((entry) => entry.asked === 'start');

const keyOf = (unit: string) => `footnote.run.${unit}`;

const keepForNext = (unit: string, values: Values) => {
  try {
    window.sessionStorage.setItem(keyOf(unit), JSON.stringify(values));
  } catch {
    // Without storage everything is written anew.
  }
};

/** What was written with the run before on that unit, while this window is open. */
const ofRunBefore = (unit: string): Values | null => {
  try {
    const kept: unknown = JSON.parse(window.sessionStorage.getItem(keyOf(unit)) ?? 'null');
    return typeof kept === 'object' && kept !== null && Object.keys(kept).length > 0
      ? (kept as Values)
      : null;
  } catch {
    return null;
  }
};

/** Unit, person, task, place, start, and what its family asks: what stands on the clipboard when somebody is wired. */
export function NewRunView() {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const campaigns = useCampaigns();
  const bench = useBench();
  const session = useSession();
  const [form, setForm] = useState({
    instrument: search.get('instrument') ?? '',
    campaign: '',
    start: localOf(new Date()),
    stop: '',
    person: '',
    task: '',
    place: '',
    plannedMinutes: null as string | null,
    shiftMinutes: '480',
    shift: '',
    despite: '',
  });
  const [values, setValues] = useState<Values>({});
  const campaign = form.campaign || (campaigns.data?.campaigns.at(-1)?.id ?? '');
  const unit = bench.data?.units.find((one) => one.id === form.instrument);
  const asked = useUnit(form.instrument);
  // A run that is over is written down with all that it showed.
  const handedOut = usePrepared().data?.find((one) => one.id === form.instrument)?.unit;
  const whole = asked.data ?? handedOut;
  const entries = form.stop ? (whole?.run ?? []) : before(whole?.run ?? []);
  const planned = form.plannedMinutes ?? whole?.usualMinutes?.toString() ?? '';
  const earlier = ofRunBefore(form.instrument);
  const begin = useBeginCheck();
  const body = {
    ...filled(entries, values),
    ...runOf({ ...form, plannedMinutes: planned }, isoOf),
    instrument: form.instrument,
    campaign,
    ...(!form.stop && form.despite.trim() ? { despite: form.despite.trim() } : {}),
  };
  const start = useChange(
    async () => {
      const person = session.data?.user?.code;
      if (!isReached() && person !== undefined) {
        await wait({
          person,
          kind: 'run',
          about: form.instrument,
          words: `a run of ${form.instrument}, ${form.person}, ${form.task}`,
          path: '/api/runs',
          body,
          isTimed: true,
        });
        return null;
      }
      return answer(api.POST('/api/runs', { body }));
    },
    (run) => {
      keepForNext(form.instrument, filled(repeated(entries), values));
      void navigate(run === null ? '/outbox' : `/runs/${run.id}`);
    },
  );
  // A run that is over is written down as it was.
  const unfit = !form.stop && unit?.fit && unit.fit.state !== 'fit' ? unit.fit : null;
  // The server says by the campaign's own policy; what the bench shows is asked before it has to.
  const asksWhy =
    !form.stop && ((unfit !== null && !unfit.stays) || start.error?.of('despite') !== undefined);
  if (campaigns.isPending || bench.isPending) {
    return <Loading />;
  }
  // Without them nothing can be chosen; what asks for them again on a form that comes and goes would ask for ever.
  if (!campaigns.data || !bench.data) {
    return <Told problem={campaigns.error ?? bench.error} />;
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        start.mutate(undefined);
      }}
      style={{ maxWidth: 760, display: 'grid', gap: 16 }}
    >
      <h1 className="fn-title" style={{ margin: 0 }}>
        Start a run
      </h1>
      <TextField
        select
        required
        label="Instrument"
        value={form.instrument}
        onChange={(event) => setForm({ ...form, instrument: event.target.value })}
        error={start.error?.of('instrument') !== undefined}
        helperText={start.error?.of('instrument')}
      >
        {bench.data.units.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.id}, {one.model}
            {one.running ? ' (running)' : one.hold.length > 0 ? ' (waits for a check)' : ''}
          </MenuItem>
        ))}
      </TextField>
      {unit && (
        <p style={{ margin: 0 }}>
          Made where there was no screen?{' '}
          <Link to={`/runs/paper/${encodeURIComponent(unit.id)}`}>Copy the sheet, with both checks</Link>
        </p>
      )}
      {unit && unit.hold.length > 0 && (
        <p style={{ margin: 0 }}>
          A run before the check closes it shares the bracket of {unit.hold.join(', ')}.
        </p>
      )}
      {unit && unfit && (
        <div role="status" style={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 16 }}>
          <div style={{ flex: '1 1 300px' }}>
            <FitWords fit={unfit} />
          </div>
          <Button variant="outlined" onClick={() => begin.mutate({ unit: unit.id })}>
            Check {unit.id} now
          </Button>
        </div>
      )}
      {asksWhy && (
        <TextField
          label="Why it goes out all the same"
          required
          value={form.despite}
          error={start.error?.of('despite') !== undefined}
          helperText={
            start.error?.of('despite') ??
            'Stands on the result. What is against the instrument weighs by its own rule'
          }
          onChange={(event) => setForm({ ...form, despite: event.target.value })}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      )}
      <ChooseCampaign value={campaign} set={(chosen) => setForm({ ...form, campaign: chosen })} />
      <RunDetails
        form={{ ...form, plannedMinutes: planned }}
        set={(change) => setForm({ ...form, ...change })}
        entries={entries}
        values={values}
        setValues={setValues}
        problem={start.error}
      >
        {earlier && (
          <button
            type="button"
            className="fn-link"
            style={{ gridColumn: '1 / -1', justifySelf: 'start' }}
            onClick={() => setValues({ ...values, ...earlier })}
          >
            Take over from the run before: {repeated(entries).filter((one) => earlier[one.name]).length}{' '}
            answers
          </button>
        )}
      </RunDetails>
      <Told problem={start.error} />
      <div>
        <Button type="submit" variant="contained" disabled={start.isPending} sx={{ minHeight: 48 }}>
          Start the run
        </Button>
      </div>
    </form>
  );
}

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useSession } from '../api/hooks';
import { useOutbox, wait } from '../away/outbox';
import { isReached } from '../away/reach';
import { Entries } from '../look/Entries';
import { Told } from '../look/Told';
import { filled, type Values } from '../look/values';
import { ink } from '../look/theme';
import { isoOf, localOf, plural } from '../look/words';

const grades = ['typed', 'read back', 'photographed', 'estimated'];

/** Totals as the record has them: one that stands for each criterion lies a step deeper, under its name. */
function placed(typed: Record<string, string>, grade: string): Pick<Schemas['NewFacts'], 'totals'> {
  const totals: NonNullable<Schemas['NewFacts']['totals']> = {};
  for (const [name, value] of Object.entries(typed)) {
    const [first = '', criterion] = name.split('/');
    const reading = { value: value.trim(), provenance: grade };
    if (reading.value !== '') {
      totals[first] = criterion === undefined ? reading : { ...totals[first], [criterion]: reading };
    }
  }
  return Object.keys(totals).length > 0 ? { totals } : {};
}

/** What is written down when a unit comes back: stop, clock, remarks, and totals where there is no log. */
export function Learn({ run }: { run: Schemas['Run'] }) {
  const [form, setForm] = useState({
    stop: run.stop ? '' : localOf(new Date()),
    clock: '',
    timer: '',
    pauseFrom: '',
    pauseTo: '',
    remark: '',
    note: '',
    grade: 'typed',
    shift: '',
    reason: '',
  });
  const [totals, setTotals] = useState<Record<string, string>>({});
  const [values, setValues] = useState<Values>({});
  const session = useSession();
  const outbox = useOutbox();
  const path = `/api/runs/${encodeURIComponent(run.id)}/facts`;
  const waiting = (outbox.data ?? []).filter((one) => one.path === path).length;
  const learn = useChange(async (body: Schemas['NewFacts']): Promise<unknown> => {
    const person = session.data?.user?.code;
    // What waits on this device was said before it.
    const told = { ...body, seen: run.learned.length + waiting };
    return !isReached() && person !== undefined
      ? wait({
          person,
          kind: 'word on a run',
          about: run.instrument,
          words: `${body.stop ? 'the stop' : 'a word'} of ${run.id}`,
          path,
          body: told,
          isTimed: true,
        })
      : answer(api.POST('/api/runs/{id}/facts', { params: { path: { id: run.id } }, body: told }));
  });
  const body: Schemas['NewFacts'] = {
    ...filled(run.family.entries, values, run.family.values),
    ...(form.reason ? { reason: form.reason } : {}),
    ...(form.stop ? { stop: isoOf(form.stop) } : {}),
    ...(form.clock.trim() ? { clockOffsetSeconds: form.clock.trim() } : {}),
    ...(form.timer.trim() ? { timerMinutes: form.timer.trim() } : {}),
    ...(form.shift.trim() ? { shift: form.shift.trim() } : {}),
    ...(form.pauseFrom && form.pauseTo
      ? { pauses: [{ from: isoOf(form.pauseFrom), to: isoOf(form.pauseTo) }] }
      : {}),
    ...(form.remark ? { remarks: [{ kind: form.remark, note: form.note }] } : {}),
    ...placed(totals, form.grade),
  };
  const nothing = Object.keys(body).filter((name) => name !== 'reason').length === 0;
  const field = (
    name: keyof typeof form,
    label: string,
    more: { type?: string; server?: string; help?: string; decimal?: boolean } = {},
  ) => (
    <TextField
      label={label}
      type={more.type ?? 'text'}
      value={form[name]}
      error={learn.error?.of(more.server ?? name) !== undefined}
      helperText={learn.error?.of(more.server ?? name) ?? more.help}
      onChange={(event) => setForm({ ...form, [name]: event.target.value })}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: more.decimal ? { inputMode: 'decimal' } : {} }}
    />
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        learn.mutate(body);
      }}
      style={{ marginTop: 18 }}
    >
      <h2>{run.stop ? 'Add run notes' : 'Stop the run'}</h2>
      <div
        style={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fit, minmax(190px, 1fr))',
          gap: 14,
          maxWidth: 1000,
        }}
      >
        {field('stop', run.stop ? 'Another stop, local time' : 'Stop, local time', {
          type: 'datetime-local',
        })}
        {field('clock', 'Instrument’s clock, instrument − true, s', {
          server: 'clockOffsetSeconds',
          help: 'Note it before the clock is synced',
          decimal: true,
        })}
        {field('timer', 'Instrument’s own timer, min', { server: 'timerMinutes', decimal: true })}
        {field('shift', 'Name of the shift', {
          help: 'Runs of one name are one shift, whatever their times',
        })}
        {field('pauseFrom', 'A pause from', { type: 'datetime-local', server: 'from' })}
        {field('pauseTo', 'The pause to', { type: 'datetime-local', server: 'to' })}
        <TextField
          select
          label="Remark"
          value={form.remark}
          onChange={(event) => setForm({ ...form, remark: event.target.value })}
          slotProps={{ inputLabel: { shrink: true } }}
        >
          <MenuItem value="">none</MenuItem>
          {run.family.remarks.map((kind) => (
            <MenuItem key={kind} value={kind}>
              {kind}
            </MenuItem>
          ))}
        </TextField>
        {form.remark !== '' && field('note', 'What happened')}
      </div>
      {run.family.entries.length > 0 && (
        <div
          style={{
            display: 'grid',
            gridTemplateColumns: 'repeat(auto-fit, minmax(250px, 1fr))',
            gap: 14,
            maxWidth: 1000,
            margin: '16px 0',
          }}
        >
          <Entries
            entries={run.family.entries}
            values={values}
            given={run.family.values}
            put={(change) => setValues({ ...values, ...change })}
            problem={(name) => learn.error?.of(name)}
          />
        </div>
      )}
      {run.family.totals.length > 0 && (
        <details
          style={{ margin: '12px 0' }}
          open={run.totals.length === 0 && run.log === null && run.stop !== null}
        >
          <summary style={{ cursor: 'pointer', fontWeight: 600 }}>
            Totals from the display, where there is no log
          </summary>
          <div
            style={{
              display: 'grid',
              gridTemplateColumns: 'repeat(auto-fit, minmax(170px, 1fr))',
              gap: 14,
              maxWidth: 1000,
              marginTop: 12,
            }}
          >
            {run.family.totals.map((total) => (
              <TextField
                key={total.name}
                label={`${total.label}, ${total.units[0] ?? ''}`}
                value={totals[total.name] ?? ''}
                onChange={(event) => setTotals({ ...totals, [total.name]: event.target.value })}
                error={learn.error?.of(`${total.name}/value`) !== undefined}
                helperText={learn.error?.of(`${total.name}/value`)}
                slotProps={{ inputLabel: { shrink: true }, htmlInput: { inputMode: 'decimal' } }}
              />
            ))}
            <TextField
              select
              label="How they came"
              value={form.grade}
              onChange={(event) => setForm({ ...form, grade: event.target.value })}
            >
              {grades.map((grade) => (
                <MenuItem key={grade} value={grade}>
                  {grade}
                </MenuItem>
              ))}
            </TextField>
          </div>
        </details>
      )}
      {(run.stop || run.totals.length > 0 || run.family.shown.length > 0) &&
        field('reason', 'Why, where it changes what was written', {
          help: 'What was written before stays on record',
        })}
      <Told problem={learn.error} />
      {waiting > 0 && (
        <p style={{ color: ink.qualified, margin: '4px 0' }}>
          {plural(waiting, 'word')} on this run {waiting === 1 ? 'waits' : 'wait'} in the outbox.
        </p>
      )}
      <Button
        type="submit"
        variant="contained"
        disabled={nothing || learn.isPending}
        sx={{ minHeight: 48, mt: 1 }}
      >
        {run.stop ? 'Add' : 'Stop the run'}
      </Button>
    </form>
  );
}

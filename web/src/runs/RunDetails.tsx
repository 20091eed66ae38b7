import TextField from '@mui/material/TextField';
import type { Refusal } from '../api/client';
import { Entries } from '../look/Entries';
import type { Entry, Values } from '../look/values';

/** What every run tells, as text. */
export interface RunForm {
  start: string;
  stop: string;
  person: string;
  task: string;
  place: string;
  plannedMinutes: string;
  shiftMinutes: string;
  shift: string;
}

interface Props {
  form: RunForm;
  set: (change: Partial<RunForm>) => void;
  entries: Entry[];
  values: Values;
  setValues: (values: Values) => void;
  problem: Refusal | null;
  /** The run is over: its end is asked as its beginning is. */
  isOver?: boolean;
  children?: React.ReactNode;
}

/** Person, task, place, times, and what the family of the instrument asks of a run. */
export function RunDetails({
  form,
  set,
  entries,
  values,
  setValues,
  problem,
  isOver = false,
  children,
}: Props) {
  const field = (
    name: keyof RunForm,
    label: string,
    more: { required?: boolean; type?: string; help?: string } = {},
  ) => (
    <TextField
      label={label}
      required={more.required ?? false}
      type={more.type ?? 'text'}
      value={form[name]}
      error={problem?.of(name) !== undefined}
      helperText={problem?.of(name) ?? more.help}
      onChange={(event) => set({ [name]: event.target.value })}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
  return (
    <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(220px, 1fr))', gap: 16 }}>
      {field('person', 'Person', { required: true, help: 'A code, not a name' })}
      {field('task', 'Task', { required: true })}
      {field('place', 'Place')}
      {field('start', 'Start, local time', { required: true, type: 'datetime-local' })}
      {field('stop', isOver ? 'Stop, local time' : 'Stop, where it is over', {
        type: 'datetime-local',
        required: isOver,
      })}
      {field('plannedMinutes', 'Planned, minutes')}
      {field('shiftMinutes', 'Working day, minutes', { help: 'What the run stands for' })}
      {entries.length > 0 && field('shift', 'Name of the shift', { help: 'Where its day does not say it' })}
      {children}
      <Entries
        entries={entries}
        values={values}
        put={(change) => setValues({ ...values, ...change })}
        problem={(name) => problem?.of(name)}
      />
    </div>
  );
}

/** As the server takes it: what was left empty is not sent. */
export const runOf = (form: RunForm, iso: (local: string) => string) => ({
  person: form.person,
  task: form.task,
  place: form.place,
  shiftMinutes: form.shiftMinutes,
  start: iso(form.start),
  ...(form.stop ? { stop: iso(form.stop) } : {}),
  ...(form.plannedMinutes.trim() ? { plannedMinutes: form.plannedMinutes.trim() } : {}),
  ...(form.shift.trim() ? { shift: form.shift.trim() } : {}),
});

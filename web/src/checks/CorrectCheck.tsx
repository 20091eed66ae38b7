import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { Field } from '../kit/Form';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { isoOf, localOf } from '../look/words';

type Check = Schemas['Check'];
type Value = Check['values'][number];

/** What was written wrongly is typed rightly beside it, all at once; what was written stays. */
export function CorrectCheck({
  check,
  onClose,
  onDone,
}: {
  check: Check;
  onClose: () => void;
  onDone: (made: string) => void;
}) {
  const [typed, setTyped] = useState<Record<string, string | boolean>>({});
  const [wrong, setWrong] = useState<string[]>([]);
  const [at, setAt] = useState('');
  const [unit, setUnit] = useState('');
  const [reason, setReason] = useState('');
  const [how, setHow] = useState('');
  const correct = useChange(
    () =>
      answer(
        api.POST('/api/checks/{id}/correction', {
          params: { path: { id: check.id } },
          body: {
            changes: { ...typed, ...(at ? { '/at': isoOf(at, check.zone) } : {}) },
            ...(unit ? { instrument: unit } : {}),
            reason,
            how,
          },
        }),
      ),
    (made) => onDone(made.id),
  );
  const problem = (path: string) => correct.error?.problem.fields.find((one) => one.field === path)?.problem;
  const put = (path: string, value: string | boolean | undefined) =>
    setTyped((before) => {
      const others = Object.entries(before).filter(([one]) => one !== path);
      return Object.fromEntries(value === undefined ? others : [...others, [path, value]]);
    });
  const chosen = check.hows.find((one) => one.value === how);
  return (
    <form
      aria-label={`Correct ${check.id}`}
      style={{ border: `1px solid ${ink.rule}`, padding: '12px 16px', margin: '6px 0 14px' }}
      onSubmit={(event) => {
        event.preventDefault();
        correct.mutate(undefined);
      }}
    >
      <p style={{ margin: '0 0 10px' }}>
        Choose what was written wrongly and type what is right. Another check is made in its place, both stay
        on record, and every result that rests on it is judged again; a signed one is marked.
        {check.adjusted && ' The instrument was adjusted by it: say only what is known to be right.'}
      </p>
      <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(250px, 1fr))', gap: 14 }}>
        <TextField
          select
          label="What was written wrongly"
          value=""
          onChange={({ target: { value } }) => setWrong([...wrong, value])}
          helperText={wrong.length > 0 ? 'Choose more of them' : 'A reading, a pressure, what was adjusted'}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">choose</MenuItem>
          {[...check.values]
            .sort((a, b) => Number(a.isName) - Number(b.isName))
            .filter((one) => !wrong.includes(one.path))
            .map((one) => (
              <MenuItem key={one.path} value={one.path}>
                {one.label}: {one.shown}
              </MenuItem>
            ))}
        </TextField>
        {check.values
          .filter((one) => wrong.includes(one.path))
          .map((one) => (
            <Corrected
              key={one.path}
              of={one}
              typed={typed[one.path]}
              put={put}
              problem={problem(one.path)}
            />
          ))}
        <Field
          label="Made on, local time"
          type="datetime-local"
          value={at}
          set={setAt}
          problem={problem('/at')}
          help={`written: ${localOf(new Date(check.at), check.zone).replace('T', ' ')}`}
        />
        <TextField
          select
          label="Made of instrument"
          value={unit}
          onChange={(event) => setUnit(event.target.value)}
          error={problem('/instrument') !== undefined}
          helperText={problem('/instrument') ?? 'The check moves with everything in it'}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">{check.instrument.id}, as written</MenuItem>
          {check.alike.map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
        </TextField>
        <Field
          label="What was wrong"
          value={reason}
          set={setReason}
          problem={problem('/reason')}
          help="Stands beside both ever after"
          required
        />
        <TextField
          select
          required
          label="How is it known what is right"
          value={how}
          onChange={(event) => setHow(event.target.value)}
          error={problem('/how') !== undefined}
          helperText={
            problem('/how') ??
            (chosen && !chosen.witnessed
              ? 'Only one person’s word: a result that stands by it alone is qualified'
              : undefined)
          }
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">choose</MenuItem>
          {check.hows.map((one) => (
            <MenuItem key={one.value} value={one.value}>
              {one.words}
            </MenuItem>
          ))}
        </TextField>
      </div>
      <Told problem={correct.error} />
      <div style={{ display: 'flex', gap: 8, marginTop: 10 }}>
        <Button type="submit" variant="contained" disabled={correct.isPending}>
          Keep the correction
        </Button>
        <Button onClick={onClose}>Leave it as it is</Button>
      </div>
    </form>
  );
}

function Corrected({
  of,
  typed,
  put,
  problem,
}: {
  of: Value;
  typed: string | boolean | undefined;
  put: (path: string, value: string | boolean | undefined) => void;
  problem: string | undefined;
}) {
  const written = `written: ${of.shown}`;
  const choices =
    typeof of.value === 'boolean'
      ? [
          { value: 'true', words: 'yes' },
          { value: 'false', words: 'no' },
        ]
      : of.choices;
  const shared = {
    label: of.isDecimal && of.unit ? `${of.label}, ${of.unit}` : of.label,
    value: typed === undefined ? '' : String(typed),
    error: problem !== undefined,
    helperText: problem ?? written,
  };
  if (choices.length > 0 && !of.isDecimal) {
    return (
      <TextField
        {...shared}
        select
        onChange={({ target: { value } }) =>
          put(of.path, value === '' ? undefined : typeof of.value === 'boolean' ? value === 'true' : value)
        }
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      >
        <MenuItem value="">as written</MenuItem>
        {choices.map((one) => (
          <MenuItem key={one.value} value={one.value}>
            {one.words}
          </MenuItem>
        ))}
      </TextField>
    );
  }
  return (
    <TextField
      {...shared}
      onChange={({ target: { value } }) => put(of.path, value === '' ? undefined : value)}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: of.isDecimal ? { inputMode: 'decimal' } : {} }}
    />
  );
}

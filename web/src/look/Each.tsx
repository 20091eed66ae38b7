import TextField from '@mui/material/TextField';
import { ink } from './theme';
import type { Entry, Values } from './values';

interface Props {
  entry: Entry;
  value: unknown;
  put: (change: Values) => void;
  problem: ((name: string) => string | undefined) | undefined;
}

/** One number for each of several names, side by side. A row copied from a sheet or a file is spread over them. */
export function Each({ entry, value, put, problem }: Props) {
  const values: Record<string, string> =
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? (value as Record<string, string>)
      : {};
  const spread = (from: number, text: string): boolean => {
    const numbers = text.trim().split(/[\t;\n ]+/);
    if (numbers.length < 2) {
      return false;
    }
    const names = entry.choices.slice(from, from + numbers.length).map((choice) => choice.value);
    put({
      [entry.name]: {
        ...values,
        ...Object.fromEntries(names.map((name, place) => [name, numbers[place] ?? ''])),
      },
    });
    return true;
  };
  const whole = problem?.(entry.name);
  return (
    <fieldset style={{ gridColumn: '1 / -1', border: 0, padding: 0, margin: 0, minWidth: 0 }}>
      <legend>
        {entry.label}
        {entry.units[0] ? `, ${entry.units[0]}` : ''}
      </legend>
      <div style={{ color: whole ? ink.void : ink.soft, fontSize: '0.86rem', marginBottom: 8 }}>
        {whole ?? entry.help}
      </div>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8 }}>
        {entry.choices.map((choice, place) => {
          const said = problem?.(`${entry.name}/${choice.value}`);
          return (
            <TextField
              key={choice.value}
              label={choice.words}
              value={values[choice.value] ?? ''}
              error={said !== undefined}
              helperText={said}
              onChange={(event) => put({ [entry.name]: { ...values, [choice.value]: event.target.value } })}
              onPaste={(event) => {
                if (spread(place, event.clipboardData.getData('text'))) {
                  event.preventDefault();
                }
              }}
              slotProps={{ inputLabel: { shrink: true }, htmlInput: { inputMode: 'decimal' } }}
              sx={{ width: 88 }}
            />
          );
        })}
      </div>
    </fieldset>
  );
}

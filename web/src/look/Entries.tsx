import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useKit, useLibrary } from '../api/hooks';
import { ink } from './theme';
import { Each } from './Each';
import {
  asked,
  isFilled,
  isMeasured,
  rememberedUnit,
  rememberUnit,
  type Entry,
  type Row,
  type Values,
} from './values';

interface Props {
  entries: Entry[];
  values: Values;
  /** What was answered before: it may decide what is asked. */
  given?: Values;
  put: (change: Values) => void;
  /** What the server said of a field. */
  problem?: ((name: string) => string | undefined) | undefined;
  /** Large enough for a gloved thumb. */
  large?: boolean;
  /** One row of a table. */
  inRow?: boolean;
}

/** Fields as the server declares them: a family of instruments needs no form of its own. */
export function Entries({ entries, values, given = {}, put, problem, large = false, inRow = false }: Props) {
  return (
    <>
      {asked(entries, { ...given, ...values }).map((entry) => (
        <One
          key={entry.name}
          entry={entry}
          value={values[entry.name]}
          put={put}
          problem={problem}
          large={large}
          inRow={inRow}
        />
      ))}
    </>
  );
}

interface OneProps {
  entry: Entry;
  value: unknown;
  put: (change: Values) => void;
  problem: ((name: string) => string | undefined) | undefined;
  large: boolean;
  inRow: boolean;
  label?: string;
}

function One({ entry, value, put, problem, large, inRow, label = entry.label }: OneProps) {
  const said = problem?.(entry.name) ?? problem?.(`${entry.name}/value`);
  const shared = {
    label,
    required: entry.required,
    error: said !== undefined,
    helperText: said ?? (entry.help || undefined),
    ...(large ? { sx: { minWidth: 210 } } : {}),
  };
  const text = typeof value === 'string' ? value : '';
  switch (entry.kind) {
    case 'decimal':
    case 'text':
      return (
        <TextField
          {...shared}
          label={entry.kind === 'decimal' && entry.units[0] ? `${label}, ${entry.units[0]}` : label}
          value={text}
          multiline={inRow && entry.kind === 'text'}
          // A text of a table grows over several lines, and is one line all the same.
          onChange={(event) => put({ [entry.name]: event.target.value.replace(/\s*\n\s*/g, ' ') })}
          slotProps={{
            inputLabel: { shrink: true },
            htmlInput: entry.kind === 'decimal' ? { inputMode: 'decimal' } : {},
          }}
        />
      );
    case 'measured':
      return <MeasuredField entry={entry} value={value} put={put} shared={shared} />;
    case 'choice':
      return (
        <TextField
          {...shared}
          select
          value={text}
          onChange={(event) => put({ [entry.name]: event.target.value })}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">{entry.required ? 'choose' : 'not said'}</MenuItem>
          {entry.choices.map((choice) => (
            <MenuItem key={choice.value} value={choice.value}>
              {choice.words}
            </MenuItem>
          ))}
          {text !== '' && !entry.choices.some((choice) => choice.value === text) && (
            <MenuItem value={text}>{text}, not one of these</MenuItem>
          )}
        </TextField>
      );
    case 'named':
      return <NamedField entry={entry} text={text} put={put} shared={shared} />;
    case 'several': {
      const chosen = Array.isArray(value) ? (value as string[]) : [];
      return (
        <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
          <legend>{label}</legend>
          {entry.choices.map((choice) => (
            <FormControlLabel
              key={choice.value}
              label={choice.words}
              control={
                <Checkbox
                  checked={chosen.includes(choice.value)}
                  onChange={(event) =>
                    put({
                      [entry.name]: event.target.checked
                        ? [...chosen, choice.value]
                        : chosen.filter((one) => one !== choice.value),
                    })
                  }
                />
              }
            />
          ))}
        </fieldset>
      );
    }
    case 'flag':
      return (
        <div>
          <FormControlLabel
            label={label}
            control={
              <Checkbox
                checked={value === true}
                onChange={(event) => put({ [entry.name]: event.target.checked })}
              />
            }
          />
          {shared.helperText && <FormHelperText error={shared.error}>{shared.helperText}</FormHelperText>}
        </div>
      );
    case 'each':
      return <Each entry={entry} value={value} put={put} problem={problem} />;
    case 'rows':
      return (
        <RowsField
          entry={entry}
          rows={Array.isArray(value) ? (value as Row[]) : []}
          put={put}
          problem={problem}
        />
      );
  }
}

type Shared = Pick<OneProps, 'label'> & {
  required: boolean;
  error: boolean;
  helperText: string | undefined;
};

function MeasuredField({
  entry,
  value,
  put,
  shared,
}: {
  entry: Entry;
  value: unknown;
  put: (change: Values) => void;
  shared: Shared;
}) {
  const measured = isMeasured(value) ? value : { value: '', unit: rememberedUnit(entry) };
  return (
    <div style={{ display: 'flex', alignItems: 'flex-start' }}>
      <TextField
        {...shared}
        value={measured.value}
        onChange={(event) => put({ [entry.name]: { ...measured, value: event.target.value } })}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { inputMode: 'decimal' } }}
        sx={{ flex: 1, minWidth: 120 }}
      />
      <TextField
        select
        aria-label={`${shared.label ?? entry.label}, unit`}
        value={measured.unit}
        onChange={(event) => {
          rememberUnit(entry.name, event.target.value);
          put({ [entry.name]: { ...measured, unit: event.target.value } });
        }}
        slotProps={{ select: { inputProps: { 'aria-label': `${shared.label ?? entry.label}, unit` } } }}
        sx={{ width: 104 }}
      >
        {entry.units.map((unit) => (
          <MenuItem key={unit} value={unit}>
            {unit}
          </MenuItem>
        ))}
      </TextField>
    </div>
  );
}

function NamedField({
  entry,
  text,
  put,
  shared,
}: {
  entry: Entry;
  text: string;
  put: (change: Values) => void;
  shared: Shared;
}) {
  const names = useNames(entry.of);
  return (
    <TextField
      {...shared}
      select
      value={names.some((name) => name.value === text) ? text : ''}
      onChange={(event) => put({ [entry.name]: event.target.value })}
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
    >
      <MenuItem value="">{names.length === 0 ? 'none in the kit' : 'none'}</MenuItem>
      {names.map((name) => (
        <MenuItem key={name.value} value={name.value}>
          {name.words}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** The references of a kind, the entries of a shelf, or the units of a family. */
function useNames(of: string): { value: string; words: string }[] {
  const [where = '', which = ''] = of.split(':');
  const kit = useKit(where !== 'library');
  const library = useLibrary(where === 'library');
  switch (where) {
    case 'reference':
      return (kit.data?.references ?? [])
        .filter((one) => one.kind === which)
        .map((one) => ({ value: one.id, words: `${one.id}, ${one.model}` }));
    case 'family':
      return (kit.data?.instruments ?? [])
        .filter((one) => one.family === which)
        .map((one) => ({ value: one.id, words: `${one.id}, ${one.model}` }));
    default:
      return (library.data?.shelves.find((shelf) => shelf.id === which)?.items ?? []).map((one) => ({
        value: one.code,
        words: one.code === one.name ? one.name : `${one.name} (${one.code})`,
      }));
  }
}

function RowsField({
  entry,
  rows,
  put,
  problem,
}: {
  entry: Entry;
  rows: Row[];
  put: (change: Values) => void;
  problem: ((name: string) => string | undefined) | undefined;
}) {
  const shown = rows.length > 0 ? rows : [{}];
  const said = problem?.(entry.name);
  return (
    <fieldset style={{ gridColumn: '1 / -1', border: 0, padding: 0, margin: 0 }}>
      <legend>{entry.label}</legend>
      {entry.help && <div style={{ color: ink.soft, fontSize: '0.86rem' }}>{entry.help}</div>}
      {said && <FormHelperText error>{said}</FormHelperText>}
      {shown.map((row, place) => (
        <div
          key={place}
          style={{
            display: 'grid',
            gridTemplateColumns: 'repeat(auto-fit, minmax(170px, 1fr))',
            gap: 10,
            marginTop: 10,
            paddingBottom: 10,
            ...(entry.rows.length > 6 ? { borderBottom: `1px solid ${ink.rule}` } : {}),
          }}
        >
          <Entries
            inRow
            // Nothing of a row that was left empty is wanted.
            entries={
              Object.values(row).some(isFilled)
                ? entry.rows
                : entry.rows.map((one) => ({ ...one, required: false }))
            }
            values={row}
            problem={(name) => problem?.(`${entry.name}/${place}/${name}`)}
            put={(change) =>
              put({
                [entry.name]: shown.map((one, i) => (i === place ? ({ ...one, ...change } as Row) : one)),
              })
            }
          />
        </div>
      ))}
      <button type="button" className="fn-link" onClick={() => put({ [entry.name]: [...shown, {}] })}>
        Another
      </button>
      {shown.length > 1 && (
        <button
          type="button"
          className="fn-link"
          style={{ marginLeft: 16 }}
          onClick={() => put({ [entry.name]: shown.slice(0, -1) })}
        >
          Without the last
        </button>
      )}
    </fieldset>
  );
}

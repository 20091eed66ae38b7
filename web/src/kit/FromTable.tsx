import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useForms } from '../api/hooks';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { plural } from '../look/words';
import { Form } from './Form';
import { type Rows, rowsOf, typedRows } from './table';

type Looked = Schemas['LookedAt'];
type Asked = Schemas['UnitTable'];

const NONE = -1;

/**
 * Units of one family, or for a steward references of one kind, out of a file: its columns are chosen, every line is looked at, and then
 * all of them are registered.
 */
export function KitFromTable({ steward, onClose }: { steward: boolean; onClose: () => void }) {
  const forms = useForms();
  if (!forms.data) {
    return null;
  }
  const kinds = [
    ...forms.data.families.map((one) => ({ title: one.title, of: { family: one.id } })),
    ...(steward ? forms.data.references : []).map((one) => ({ title: one.title, of: { kind: one.id } })),
  ];
  return <OfKinds kinds={kinds} onClose={onClose} />;
}

interface Kind {
  title: string;
  of: { family: string } | { kind: string };
}

function OfKinds({ kinds, onClose }: { kinds: Kind[]; onClose: () => void }) {
  const [kind, setKind] = useState<Kind | null>(null);
  const [rows, setRows] = useState<Rows | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  const look = useChange((wanted: Asked) => answer(api.POST('/api/kit/table/look', { body: wanted })));
  const again = (wanted: Asked) => {
    setAsked(wanted);
    look.mutate(wanted);
  };
  const read = useChange(rowsOf, (found) => {
    setRows(found);
    again({ ...kind?.of, rows: found });
  });
  const [header = []] = rows ?? [];
  const columns = asked?.columns ?? look.data?.columns ?? {};
  return (
    <Keep asked={asked} looked={look.data} title="Kit out of a table" onClose={onClose}>
      <TextField
        select
        required
        label="What they are"
        value={kind?.title ?? ''}
        onChange={(event) => {
          const chosen = kinds.find((one) => one.title === event.target.value) ?? null;
          setKind(chosen);
          if (rows !== null && chosen !== null) {
            again({ ...chosen.of, rows });
          }
        }}
      >
        {kinds.map((one) => (
          <MenuItem key={one.title} value={one.title}>
            {one.title}
          </MenuItem>
        ))}
      </TextField>
      <label>
        Choose the file{' '}
        <input
          type="file"
          accept=".csv,.txt,.tsv,.xlsx"
          disabled={kind === null || read.isPending}
          style={{ maxWidth: '100%' }}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) {
              read.mutate(file);
            }
          }}
        />
      </label>
      <p style={{ gridColumn: '1 / -1', margin: 0, color: ink.soft }}>
        A CSV file, or the first sheet of an .xlsx: one line for each, the first line names the columns. A
        certificate has room for one row of values; more of them are added at the reference.
      </p>
      <div style={{ gridColumn: '1 / -1' }}>
        <Told problem={read.error ?? look.error} />
      </div>
      {rows !== null &&
        look.data?.fields.map((field) => (
          <TextField
            key={field.name}
            select
            label={field.label}
            required={field.required}
            value={columns[field.name] ?? NONE}
            onChange={(event) => {
              const chosen = Number(event.target.value);
              const others = Object.fromEntries(
                Object.entries(columns).filter(([name]) => name !== field.name),
              );
              again({
                ...kind?.of,
                rows,
                columns: chosen === NONE ? others : { ...others, [field.name]: chosen },
              });
            }}
          >
            <MenuItem value={NONE}>in no column</MenuItem>
            {header.map((name, place) => (
              <MenuItem key={place} value={place}>
                {name === '' ? `column ${place + 1}` : name}
              </MenuItem>
            ))}
          </TextField>
        ))}
    </Keep>
  );
}

/** Several units like one that is there: their numbers alone are typed. */
export function UnitsLike({ id, onClose }: { id: string; onClose: () => void }) {
  const [text, setText] = useState('');
  const [asked, setAsked] = useState<Asked | null>(null);
  const look = useChange((wanted: Asked) => answer(api.POST('/api/kit/table/look', { body: wanted })));
  return (
    <Keep asked={asked} looked={look.data} title={`More like ${id}`} onClose={onClose}>
      <TextField
        label="Asset numbers, a line for each"
        multiline
        minRows={4}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => {
          const rows = typedRows(text);
          const wanted = { like: id, headless: true, columns: { id: 0, serial: 1 }, rows };
          setAsked(rows.length === 0 ? null : wanted);
          if (rows.length > 0) {
            look.mutate(wanted);
          }
        }}
        helperText="Behind a comma the serial number, where it is known"
        sx={{ gridColumn: '1 / -1' }}
      />
      <p style={{ gridColumn: '1 / -1', margin: 0, color: ink.soft }}>
        Model and whatever else was registered of {id} is taken over; certificates are not.
      </p>
      <div style={{ gridColumn: '1 / -1' }}>
        <Told problem={look.error} />
      </div>
    </Keep>
  );
}

/** What the lines come to, and the press that registers them: those that cannot be are left out by name, or nothing is kept. */
function Keep({
  asked,
  looked,
  title,
  onClose,
  children,
}: {
  asked: Asked | null;
  looked: Looked | undefined;
  title: string;
  onClose: () => void;
  children: React.ReactNode;
}) {
  const keep = useChange((body: Asked) => answer(api.POST('/api/kit/table', { body })), onClose);
  const items = asked === null ? [] : (looked?.items ?? []);
  const bad = items.filter((one) => one.problems.length > 0);
  const good = items.length - bad.length;
  const left = bad.length === 0 ? '' : `, leave out ${bad.length}`;
  return (
    <Form
      title={title}
      action={good === 0 ? 'Register' : `Register ${good}${left}`}
      wide
      problem={keep.error}
      busy={keep.isPending || asked === null || good === 0}
      onClose={onClose}
      onSubmit={() => {
        if (asked !== null) {
          keep.mutate({ ...asked, leaveOut: bad.map((one) => one.line) });
        }
      }}
    >
      {children}
      {items.length > 0 && (
        <section aria-label="Lines" aria-live="polite" style={{ gridColumn: '1 / -1' }}>
          <p style={{ margin: 0, fontWeight: 600 }}>
            {plural(items.length, 'line')}: {good} can be registered
            {bad.length > 0 && <span style={{ color: ink.void }}>, {bad.length} cannot</span>}.
          </p>
          {bad.length > 0 && (
            <ul style={{ margin: '4px 0', paddingLeft: 18, maxHeight: 220, overflowY: 'auto' }}>
              {bad.map((one) => (
                <li key={one.line}>
                  <b>
                    Line {one.line}
                    {one.id !== '' && `, ${one.id}`}
                  </b>
                  :{' '}
                  {one.problems
                    .map(
                      (problem) =>
                        `${looked?.fields.find((field) => field.name === problem.field)?.label ?? problem.field}: ${problem.problem}`,
                    )
                    .join(' ')}
                </li>
              ))}
            </ul>
          )}
          {bad.length > 0 && (
            <p style={{ margin: 0, color: ink.soft }}>
              Correct them in the file and choose it again, or register the others: what is left out is said
              here and kept nowhere.
            </p>
          )}
        </section>
      )}
    </Form>
  );
}

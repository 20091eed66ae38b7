import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useLaboratory, useLibrary } from '../api/hooks';
import { Field, Form } from '../kit/Form';

type State = Schemas['Report']['blankCorrected'];

const states: { value: State; words: string }[] = [
  { value: 'no', words: 'no, it is still to be done' },
  { value: 'yes', words: 'yes, it is done' },
  { value: 'unknown', words: 'not known: ask' },
];

/** Whether the laboratory already corrected is asked, never assumed. */
export function asked(
  blank: State | '',
  setBlank: (state: State) => void,
  desorption: State | '',
  setDesorption: (state: State) => void,
) {
  const one = (label: string, value: State | '', set: (state: State) => void) => (
    <TextField
      key={label}
      select
      required
      label={label}
      value={value}
      onChange={(event) => {
        const chosen = states.find((state) => state.value === event.target.value);
        if (chosen) {
          set(chosen.value);
        }
      }}
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
    >
      <MenuItem value="" disabled>
        ask the laboratory
      </MenuItem>
      {states.map((state) => (
        <MenuItem key={state.value} value={state.value}>
          {state.words}
        </MenuItem>
      ))}
    </TextField>
  );
  return [
    one('Did the laboratory subtract blanks?', blank, setBlank),
    one('Did it correct for desorption?', desorption, setDesorption),
  ];
}

export interface Head {
  number: string;
  laboratory: string;
  received: string;
  reason: string;
  blankCorrected: State | '';
  desorptionCorrected: State | '';
}

export const noHead: Head = {
  number: '',
  laboratory: '',
  received: '',
  reason: '',
  blankCorrected: '',
  desorptionCorrected: '',
};

/** What a report says of all its rows. */
export function HeadFields({
  head,
  set,
  problem,
}: {
  head: Head;
  set: (head: Head) => void;
  problem: (name: string) => string | undefined;
}) {
  return (
    <>
      <Field
        label="Number of the report"
        value={head.number}
        set={(number) => set({ ...head, number })}
        problem={problem('number')}
        required
      />
      <Field
        label="Laboratory"
        value={head.laboratory}
        set={(laboratory) => set({ ...head, laboratory })}
        problem={problem('laboratory')}
        required
      />
      <Field
        label="Received"
        type="date"
        value={head.received}
        set={(received) => set({ ...head, received })}
        problem={problem('received')}
        required
      />
      <Field
        label="Why, where it replaces an earlier report"
        value={head.reason}
        set={(reason) => set({ ...head, reason })}
        problem={problem('reason')}
      />
      {asked(
        head.blankCorrected,
        (blankCorrected) => set({ ...head, blankCorrected }),
        head.desorptionCorrected,
        (desorptionCorrected) => set({ ...head, desorptionCorrected }),
      )}
    </>
  );
}

type Row = Schemas['ReportRow'];

const noRow = (medium = ''): Row => ({ medium, analyte: '', front: '', unit: 'µg' });
const columns = [
  ['front', 'Mass, or front'],
  ['back', 'Back section'],
  ['quantitation', 'LOQ'],
  ['desorption', 'Desorption'],
] as const;

/** A report typed row by row, beginning with the media that are awaited. */
export function TypeReport({ onClose }: { onClose: () => void }) {
  const laboratory = useLaboratory();
  const library = useLibrary();
  const [head, setHead] = useState(noHead);
  const [rows, setRows] = useState<Row[]>(() => {
    const awaited = (laboratory.data?.awaited ?? []).slice(0, 12).map((one) => noRow(one.medium));
    return awaited.length > 0 ? awaited : [noRow()];
  });
  const substances = library.data?.shelves.find((shelf) => shelf.id === 'substances')?.items ?? [];
  const written = rows.filter((row) => row.front.trim() !== '' || (row.back ?? '').trim() !== '');
  const type = useChange(
    () =>
      answer(
        api.POST('/api/laboratory/reports', {
          body: {
            ...head,
            blankCorrected: head.blankCorrected || 'unknown',
            desorptionCorrected: head.desorptionCorrected || 'unknown',
            rows: written,
          },
        }),
      ),
    onClose,
  );
  const change = (place: number, part: Partial<Row>) =>
    setRows(rows.map((row, i) => (i === place ? { ...row, ...part } : row)));
  const said = (row: Row, name: string) =>
    written.includes(row) ? type.error?.of(`rows/${written.indexOf(row)}/${name}`) : undefined;
  return (
    <Form
      title="Type a report"
      action={`Keep ${written.length} rows`}
      problem={type.error}
      busy={type.isPending || written.length === 0}
      wide
      onClose={onClose}
      onSubmit={() => type.mutate(undefined)}
    >
      <HeadFields head={head} set={setHead} problem={(name) => type.error?.of(name)} />
      <div style={{ gridColumn: '1 / -1', overflowX: 'auto' }}>
        <table className="fn-table">
          <thead>
            <tr>
              <th>Medium</th>
              <th>Substance</th>
              {columns.map(([name, label]) => (
                <th key={name}>{label}</th>
              ))}
              <th>Unit</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, place) => (
              <tr key={place}>
                <td>
                  <TextField
                    value={row.medium}
                    error={said(row, 'medium') !== undefined}
                    helperText={said(row, 'medium')}
                    onChange={(event) => change(place, { medium: event.target.value })}
                    slotProps={{ htmlInput: { 'aria-label': `medium, row ${place + 1}` } }}
                    sx={{ width: 120 }}
                  />
                </td>
                <td>
                  <TextField
                    select
                    value={row.analyte}
                    error={said(row, 'analyte') !== undefined}
                    helperText={said(row, 'analyte')}
                    onChange={(event) => change(place, { analyte: event.target.value })}
                    slotProps={{
                      select: { inputProps: { 'aria-label': `substance, row ${place + 1}` } },
                    }}
                    sx={{ width: 160 }}
                  >
                    {substances.map((one) => (
                      <MenuItem key={one.code} value={one.code}>
                        {one.name}
                      </MenuItem>
                    ))}
                  </TextField>
                </td>
                {columns.map(([name, label]) => (
                  <td key={name}>
                    <TextField
                      value={row[name] ?? ''}
                      error={said(row, name) !== undefined}
                      helperText={said(row, name)}
                      onChange={(event) => change(place, { [name]: event.target.value })}
                      slotProps={{
                        htmlInput: { inputMode: 'decimal', 'aria-label': `${label}, row ${place + 1}` },
                      }}
                      sx={{ width: 96 }}
                    />
                  </td>
                ))}
                <td>
                  <TextField
                    select
                    value={row.unit ?? 'µg'}
                    onChange={(event) => change(place, { unit: event.target.value })}
                    slotProps={{ select: { inputProps: { 'aria-label': `unit, row ${place + 1}` } } }}
                    sx={{ width: 84 }}
                  >
                    <MenuItem value="µg">µg</MenuItem>
                    <MenuItem value="mg">mg</MenuItem>
                  </TextField>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <button
          type="button"
          className="fn-link"
          onClick={() => setRows([...rows, noRow(rows.at(-1)?.medium)])}
        >
          Another row
        </button>
      </div>
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        &ldquo;&lt;5&rdquo; is less than 5. Blanks are signed: a filter can lose mass. A row without a mass is
        left out.
      </p>
    </Form>
  );
}

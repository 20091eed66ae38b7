import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { afterEvidence, answer, api, refusedHere, type Schemas } from '../api/client';
import { useChange, useLibrary } from '../api/hooks';
import { Form } from '../kit/Form';
import { ink } from '../look/theme';
import { plural } from '../look/words';
import { sendReport, type Kept } from './sendReport';
import { HeadFields, noHead } from './TypeReport';

type Mapping = Schemas['ReportMapping'];

/** Reads a laboratory's table: which column holds what is guessed or remembered, and a person confirms. */
export function ReadReport({ onClose }: { onClose: () => void }) {
  const library = useLibrary();
  const [head, setHead] = useState(noHead);
  const [file, setFile] = useState<File | null>(null);
  const [mapping, setMapping] = useState<Mapping | null>(null);
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null);
  const [kept, setKept] = useState<Kept | null>(null);
  const look = useChange(
    async (chosen: File) =>
      answer(
        api.POST('/api/laboratory/preview', {
          body: '',
          bodySerializer: () => chosen.slice(0, 200_000),
          headers: { 'Content-Type': 'text/plain', 'X-Laboratory': encodeURIComponent(head.laboratory) },
        }),
      ),
    (preview) => setMapping(preview.mapping),
  );
  const send = useChange<File | null, Kept>(
    async (file) => {
      if (!file || !mapping) {
        throw refusedHere('Choose the file first.');
      }
      return sendReport(file, { ...head, mapping, file: file.name }, setProgress);
    },
    (done) => {
      setKept(done);
      void afterEvidence();
    },
  );
  const substances = library.data?.shelves.find((shelf) => shelf.id === 'substances')?.items ?? [];
  const column = (place: number) => mapping?.columns.find((one) => one.place === place);
  const assign = (place: number, field: string, analyte: string | null) =>
    mapping &&
    setMapping({
      ...mapping,
      columns: [
        ...mapping.columns.filter((one) => one.place !== place),
        ...(field === '' ? [] : [{ place, field, analyte }]),
      ],
    });
  if (kept) {
    return (
      <Form
        title="The report is kept"
        action="Good"
        problem={null}
        busy={false}
        onClose={onClose}
        onSubmit={onClose}
      >
        <p style={{ gridColumn: '1 / -1', margin: 0 }}>
          {plural(kept.rows, 'row')} of {file?.name} are in the logbook, the file with them, byte for byte.
          {kept.unmatched.length > 0 && (
            <b style={{ color: ink.qualified, display: 'block' }}>
              Neither a sample nor a blank of this logbook: {kept.unmatched.join(', ')}. They are kept;
              correct the number of the medium on the run, or keep the blank.
            </b>
          )}
        </p>
      </Form>
    );
  }
  const preview = look.data;
  return (
    <Form
      title="Read a report from a file"
      action="Keep the report"
      problem={send.error ?? look.error}
      busy={send.isPending || mapping === null}
      wide
      onClose={onClose}
      onSubmit={() => send.mutate(file)}
    >
      <HeadFields head={head} set={setHead} problem={(name) => send.error?.of(name)} />
      <div style={{ gridColumn: '1 / -1' }}>
        <label>
          Choose the CSV file{' '}
          <input
            type="file"
            accept=".csv,.txt,.tsv,text/*"
            onChange={(event) => {
              const chosen = event.target.files?.[0];
              if (chosen) {
                setFile(chosen);
                look.mutate(chosen);
              }
            }}
          />
        </label>{' '}
        {preview && (
          <span style={{ color: ink.soft }}>
            {preview.remembered
              ? 'Read as the last file of this laboratory was.'
              : 'A guess from its head: confirm which column holds what.'}
          </span>
        )}
      </div>
      {preview && mapping && (
        <>
          <div style={{ gridColumn: '1 / -1', overflowX: 'auto' }}>
            <table className="fn-table" style={{ width: 'auto' }}>
              <thead>
                <tr>
                  {preview.header.map((title, place) => (
                    <th key={place} style={{ verticalAlign: 'bottom' }}>
                      <div>{title || `column ${place + 1}`}</div>
                      <TextField
                        select
                        value={column(place)?.field ?? ''}
                        onChange={(event) =>
                          assign(place, event.target.value, column(place)?.analyte ?? null)
                        }
                        slotProps={{
                          select: {
                            displayEmpty: true,
                            inputProps: { 'aria-label': `what ${title || `column ${place + 1}`} holds` },
                          },
                        }}
                        sx={{ width: 150 }}
                      >
                        <MenuItem value="">nothing wanted</MenuItem>
                        {preview.fields.map((field) => (
                          <MenuItem key={field.value} value={field.value}>
                            {field.words}
                          </MenuItem>
                        ))}
                      </TextField>
                      {['front', 'back', 'quantitation', 'detection', 'desorption'].includes(
                        column(place)?.field ?? '',
                      ) && (
                        <TextField
                          select
                          value={column(place)?.analyte ?? ''}
                          onChange={(event) =>
                            assign(place, column(place)?.field ?? '', event.target.value || null)
                          }
                          slotProps={{
                            select: {
                              displayEmpty: true,
                              inputProps: { 'aria-label': `substance of ${title || `column ${place + 1}`}` },
                            },
                          }}
                          sx={{ width: 150, mt: 0.5 }}
                        >
                          <MenuItem value="">of the row&rsquo;s substance</MenuItem>
                          {substances.map((one) => (
                            <MenuItem key={one.code} value={one.code}>
                              of {one.name}
                            </MenuItem>
                          ))}
                        </TextField>
                      )}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {preview.rows.slice(0, 6).map((cells, i) => (
                  <tr key={i}>
                    {preview.header.map((_, place) => (
                      <td key={place} className="fn-figure">
                        {cells[place]}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <TextField
            select
            label="Masses are in"
            value={mapping.unit}
            onChange={(event) => setMapping({ ...mapping, unit: event.target.value })}
            helperText="Where no column says it"
          >
            <MenuItem value="µg">µg</MenuItem>
            <MenuItem value="mg">mg</MenuItem>
          </TextField>
        </>
      )}
      {progress && send.isPending && (
        <div style={{ gridColumn: '1 / -1' }} aria-live="polite">
          <LinearProgress
            variant="determinate"
            aria-label="Rows kept"
            value={(100 * progress.done) / Math.max(1, progress.of)}
          />
          {progress.done} of {plural(progress.of, 'row')}
        </div>
      )}
      {send.error && send.error.problem.fields.length > 1 && (
        <ul style={{ gridColumn: '1 / -1', margin: 0, color: ink.void, maxHeight: 150, overflowY: 'auto' }}>
          {send.error.problem.fields.map((one) => (
            <li key={one.field + one.problem}>
              {one.field.replace(/^\/line\/(\d+)\//, 'line $1, ')}: {one.problem}
            </li>
          ))}
        </ul>
      )}
    </Form>
  );
}

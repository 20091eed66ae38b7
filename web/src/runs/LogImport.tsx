import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Refusal, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { sendFile } from '../api/sendFile';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { isoOf, localOf } from '../look/words';

type Preview = Schemas['LogPreview'];
type Format = Schemas['LogFormat'];

const HEAD = 60_000;
const LARGEST = 64 * 1024 * 1024;

/** The log of a run from a file: what its columns are is guessed, shown, and said by a person. */
export function LogImport({ run }: { run: Schemas['Run'] }) {
  const [file, setFile] = useState<File | null>(null);
  const [preview, setPreview] = useState<Preview | null>(null);
  const [format, setFormat] = useState<Format | null>(null);
  const [begin, setBegin] = useState(() => localOf(new Date(run.start)));
  const [reason, setReason] = useState('');
  const [tooLarge, setTooLarge] = useState<Error | null>(null);
  const look = useChange(
    async (chosen: File) =>
      answer(
        api.POST('/api/runs/log-preview', {
          params: { query: { run: run.id } },
          body: await chosen.slice(0, HEAD).text(),
          bodySerializer: (text) => text,
          headers: { 'Content-Type': 'text/plain' },
        }),
      ),
    (seen) => {
      setPreview(seen);
      setFormat(seen.format);
    },
  );
  const read = useChange(
    async () => {
      const how = { ...format, ...(needsStart ? { start: isoOf(begin) } : {}) };
      return sendFile(`/api/runs/${run.id}/log`, file, {
        'X-Log-Format': how,
        'X-Log-Name': file?.name ?? '',
        'X-Reason': reason,
      });
    },
    () => {
      setFile(null);
      setPreview(null);
    },
  );
  const needsStart = format !== null && (format.time.length === 0 || format.dateOrder === undefined);
  const choose = (chosen: File | undefined) => {
    setPreview(null);
    look.reset();
    read.reset();
    setTooLarge(null);
    setFile(chosen ?? null);
    if (chosen && chosen.size > LARGEST) {
      setTooLarge(
        new Error(
          `${chosen.name} has ${Math.round(chosen.size / 1024 / 1024)} MB; a log is at most 64 MB. Nothing was sent.`,
        ),
      );
    } else if (chosen) {
      look.mutate(chosen);
    }
  };
  const kindOf = (place: number) =>
    format?.time.includes(place) ? 'time' : valueOf(format?.columns.find((column) => column.place === place));
  const say = (place: number, kind: string) => {
    if (!format) {
      return;
    }
    const columns = format.columns.filter((column) => column.place !== place);
    const time = format.time.filter((one) => one !== place);
    if (kind === 'time') {
      setFormat({ ...format, columns, time: [...time, place].sort((a, b) => a - b) });
    } else if (kind === '') {
      setFormat({ ...format, columns, time });
    } else {
      const header = preview?.header[place];
      setFormat({
        ...format,
        time,
        columns: [...columns, { place, ...kindIn(kind), ...(header ? { header } : {}) }].sort(
          (a, b) => a.place - b.place,
        ),
      });
    }
  };
  const averages = format?.columns.filter((column) => column.kind === 'Lavg') ?? [];
  return (
    <section>
      <h2>{run.log ? 'Another log in its place' : 'Read its log'}</h2>
      <p style={{ margin: '0 0 6px', color: ink.soft }}>
        A CSV file in whatever delimiter, decimal sign and header. The file is kept byte for byte with its
        SHA-256; clear the instrument&rsquo;s memory only afterwards.
      </p>
      <input
        type="file"
        aria-label="Log file"
        accept=".csv,.txt,.tsv,text/*"
        onChange={(event) => choose(event.target.files?.[0])}
      />
      <Told problem={tooLarge ?? look.error} />
      {preview && format && (
        <>
          <div style={{ overflowX: 'auto', margin: '10px 0' }}>
            <table className="fn-table" style={{ width: 'auto' }}>
              <caption style={{ textAlign: 'left', color: ink.soft }}>What each column holds</caption>
              <thead>
                <tr>
                  {(preview.rows[0] ?? []).map((_, place) => (
                    <th key={place}>
                      <div>{preview.header[place] ?? `column ${place + 1}`}</div>
                      <TextField
                        select
                        value={kindOf(place)}
                        onChange={(event) => say(place, event.target.value)}
                        slotProps={{
                          select: {
                            displayEmpty: true,
                            SelectDisplayProps: { 'aria-label': `Column ${place + 1} holds` },
                          },
                        }}
                        sx={{ minWidth: 130 }}
                      >
                        <MenuItem value="">not used</MenuItem>
                        <MenuItem value="time">time stamp</MenuItem>
                        {preview.kinds.map((kind) => (
                          <MenuItem key={valueOf(kind)} value={valueOf(kind)}>
                            {kind.channel ? `${kind.kind} of ${kind.words}` : `${kind.kind}: ${kind.words}`}
                          </MenuItem>
                        ))}
                      </TextField>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {preview.rows.slice(0, 5).map((row, i) => (
                  <tr key={i}>
                    {row.map((cell, place) => (
                      <td
                        key={place}
                        className="fn-figure"
                        style={{ color: kindOf(place) === '' ? ink.soft : ink.text }}
                      >
                        {cell}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <div style={{ display: 'flex', flexWrap: 'wrap', gap: 14, alignItems: 'center' }}>
            <TextField
              select
              label="Parted by"
              value={format.delimiter}
              onChange={(event) => setFormat({ ...format, delimiter: event.target.value })}
              sx={{ minWidth: 120 }}
            >
              {[
                [',', 'comma'],
                [';', 'semicolon'],
                ['\t', 'tab'],
                ['|', 'bar'],
              ].map(([sign = '', word = '']) => (
                <MenuItem key={word} value={sign}>
                  {word}
                </MenuItem>
              ))}
            </TextField>
            <TextField
              select
              label="Decimal sign"
              value={format.decimal}
              onChange={(event) => setFormat({ ...format, decimal: event.target.value })}
              sx={{ minWidth: 120 }}
            >
              <MenuItem value=".">point</MenuItem>
              <MenuItem value=",">comma</MenuItem>
            </TextField>
            {format.time.length > 0 && (
              <TextField
                select
                label="Dates read"
                value={format.dateOrder ?? ''}
                onChange={(event) => {
                  setFormat(withDates(format, event.target.value));
                }}
                sx={{ minWidth: 160 }}
                slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
              >
                <MenuItem value="">no date</MenuItem>
                <MenuItem value="ymd">year month day</MenuItem>
                <MenuItem value="dmy">day month year</MenuItem>
                <MenuItem value="mdy">month day year</MenuItem>
              </TextField>
            )}
            <TextField
              label="First data line"
              type="number"
              value={format.skip + 1}
              onChange={(event) =>
                setFormat({ ...format, skip: Math.max(0, Number(event.target.value) - 1) })
              }
              sx={{ width: 130 }}
            />
            <TextField
              label="Interval, s"
              value={format.stepSeconds ?? ''}
              placeholder={format.time.length > 0 ? 'from the times' : ''}
              onChange={(event) => {
                const step = Number(event.target.value.replace(',', '.'));
                setFormat(withStep(format, step));
              }}
              sx={{ width: 140 }}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            {needsStart && (
              <TextField
                label="Log began, instrument’s clock"
                type="datetime-local"
                value={begin}
                onChange={(event) => setBegin(event.target.value)}
                slotProps={{ inputLabel: { shrink: true } }}
              />
            )}
            <FormControlLabel
              control={
                <Checkbox
                  checked={format.stampAtEnd ?? false}
                  onChange={(event) => setFormat({ ...format, stampAtEnd: event.target.checked })}
                />
              }
              label="a stamp marks the end of its interval"
            />
            {averages.map((column) => (
              <TextField
                key={column.place}
                label="Exchange rate of the average"
                value={column.exchangeRate ?? ''}
                required
                onChange={(event) =>
                  setFormat({
                    ...format,
                    columns: format.columns.map((one) =>
                      one.place === column.place ? { ...one, exchangeRate: event.target.value } : one,
                    ),
                  })
                }
              />
            ))}
            {run.log && (
              <TextField
                label="Why another log"
                required
                value={reason}
                onChange={(event) => setReason(event.target.value)}
              />
            )}
          </div>
          <Faults problem={read.error} />
          <Button
            variant="contained"
            sx={{ mt: 1.5, minHeight: 48 }}
            disabled={read.isPending || format.columns.length === 0}
            onClick={() => read.mutate(undefined)}
          >
            {read.isPending ? 'Reading…' : 'Read the log'}
          </Button>
        </>
      )}
    </section>
  );
}

/** What is wrong with a file, line by line. */
function Faults({ problem }: { problem: Refusal | null }) {
  const lines = (problem?.problem.fields ?? []).filter((one) => one.field.startsWith('/log/line/'));
  return (
    <>
      <Told problem={problem} />
      {lines.length > 1 && (
        <ul style={{ margin: '4px 0', color: ink.void }}>
          {lines.slice(0, 10).map((one) => (
            <li key={one.field}>
              line {one.field.replace('/log/line/', '')}: {one.problem}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** A kind with its channel as one value of the list, and back. */
const valueOf = (column: { kind: string; channel?: string } | undefined) =>
  column ? (column.channel ? `${column.kind}:${column.channel}` : column.kind) : '';

function kindIn(value: string): Pick<Schemas['LogColumn'], 'kind' | 'channel'> {
  const [kind = '', channel] = value.split(':');
  return { kind: kind as Schemas['LogColumn']['kind'], ...(channel ? { channel } : {}) };
}

function withDates(format: Format, order: string): Format {
  const rest = { ...format };
  delete rest.dateOrder;
  return order === 'ymd' || order === 'dmy' || order === 'mdy' ? { ...rest, dateOrder: order } : rest;
}

function withStep(format: Format, step: number): Format {
  const rest = { ...format };
  delete rest.stepSeconds;
  return step > 0 ? { ...rest, stepSeconds: step } : rest;
}

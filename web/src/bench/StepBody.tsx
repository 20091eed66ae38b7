import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../api/client';
import { Entries } from '../look/Entries';
import { TakeFile, useKeepFile } from '../look/Files';
import { Told } from '../look/Told';
import { isMeasured, rememberedUnit, rememberUnit, type Entry, type Row } from '../look/values';
import { ink } from '../look/theme';
import { useNow } from '../look/useNow';
import { areAlike, beganNow, flagOf, rowsOf } from './answers';
import { Stopwatch } from './Stopwatch';
import { useAwake } from './useAwake';
import type { Answers } from './useDraft';
import { secondsLeft, secondsSince, secondsUntilNow } from './wait';
import { grade } from '../look/words';

interface Props {
  step: Schemas['Step'];
  draft: Schemas['Draft'];
  answers: Answers;
  put: (change: Partial<Answers>) => void;
  onEnter: () => void;
  /** Keeps a photo of a reading where no server answers; null where one does. */
  keepPhoto?: ((file: File, place: string) => Promise<void>) | null;
  /** A source is connected: the reading waits for no keys. */
  comes?: boolean;
  /** The clock of the step stands above what comes by itself. */
  clockIsAbove?: boolean;
  /** The timer of a wait that is shown has run out. */
  onOver?: () => void;
  /** A choice that is all that the step asks goes on by itself. */
  onChosen: (change: Partial<Answers>) => void;
}

/** What can hurt somebody at a step. */
export function Mind({ step }: { step: Schemas['Step'] }) {
  return (
    step.caution && (
      <p style={{ borderLeft: `4px solid ${ink.void}`, padding: '2px 0 2px 10px', margin: '0 0 14px' }}>
        <b>Mind:</b> {step.caution.words}
      </p>
    )
  );
}

/** Keys to press, in the words of the model sheet. */
export function Press({ step }: { step: Schemas['Step'] }) {
  return (
    <>
      {step.press.map((press) => (
        <p key={press} style={{ margin: '0 0 10px' }}>
          <b>Press:</b> {press}
        </p>
      ))}
    </>
  );
}

/** What a step asks, by its kind and by the fields that the server declares for it. */
export function StepBody(props: Props) {
  const { step, answers, put, draft } = props;
  const said = (name: string) => draft.problems.find((one) => one.field.endsWith(`/${name}`))?.problem;
  const fields = step.fields.length > 0 && (
    <div
      style={{ display: 'flex', flexWrap: 'wrap', gap: 14, marginTop: 12 }}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && event.target instanceof HTMLInputElement) {
          event.preventDefault();
          props.onEnter();
        }
      }}
    >
      <Entries entries={step.fields} values={answers} put={put} problem={said} large />
      {draft.taken
        .filter((one) => step.fields.some((field) => field.name === one.field))
        .map((one) => (
          <span key={one.field} style={{ flexBasis: '100%', fontSize: '0.88rem', color: ink.soft }}>
            {step.fields.find((field) => field.name === one.field)?.label}:{' '}
            <OnLine how={one.how} line={one.line} />
          </span>
        ))}
    </div>
  );
  switch (step.kind) {
    case 'reference':
      return (
        <>
          <ChooseReference {...props} />
          {fields}
        </>
      );
    case 'wait':
      return <Wait key={step.id} {...props} />;
    case 'readings':
      return (
        <>
          <Readings {...props} />
          {fields}
        </>
      );
    case 'adjust':
      return <Adjusted {...props} />;
    default:
      return fields || null;
  }
}

function ChooseReference({ step, draft, answers, put, onChosen }: Props) {
  const choose = step.fields.length === 0 ? onChosen : put;
  return (
    <div role="radiogroup" aria-label="Reference" style={{ display: 'grid', gap: 6 }}>
      {draft.references.length === 0 && (
        <p>
          Nothing that this instrument could be checked against is registered. A steward adds it under Kit.
        </p>
      )}
      {draft.references.map((reference) => {
        const settings =
          reference.settings.length > 0 ? reference.settings : [{ value: '', words: `Use ${reference.id}` }];
        return (
          <div
            key={reference.id}
            style={{
              borderTop: `1px solid ${ink.rule}`,
              paddingTop: 6,
              display: 'flex',
              flexWrap: 'wrap',
              alignItems: 'center',
              columnGap: 18,
            }}
          >
            <div style={{ flex: '1 1 260px' }}>
              <b>{reference.id}</b>{' '}
              <span style={{ color: ink.soft }}>
                {reference.model}, {reference.about}
              </span>
              {reference.problems.map((problem) => (
                <div key={problem} style={{ color: ink.qualified, fontWeight: 600 }}>
                  {problem}
                </div>
              ))}
            </div>
            <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8, marginTop: 4 }}>
              {settings.map((setting) => {
                const on = answers.reference === reference.id && (answers.setting ?? '') === setting.value;
                return (
                  <Button
                    key={setting.value}
                    role="radio"
                    aria-checked={on}
                    variant={on ? 'contained' : 'outlined'}
                    onClick={() => choose({ reference: reference.id, setting: setting.value })}
                    sx={{ minHeight: 48 }}
                  >
                    {setting.words}
                  </Button>
                );
              })}
            </div>
          </div>
        );
      })}
    </div>
  );
}

function Wait({ step, answers, onOver }: Props) {
  const began = answers.waits?.[step.id] !== undefined;
  const now = useNow(began);
  const left = secondsLeft(step, answers, now);
  useAwake(began && left > 0);
  // It goes on by itself where it ran out before somebody's eyes; what was over when the page was opened is for a person to judge.
  const ran = useRef(false);
  const over = began && left === 0;
  useEffect(() => {
    if (began && !over) {
      ran.current = true;
    } else if (over && ran.current) {
      onOver?.();
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the time is up
  }, [began, over]);
  if (answers.fromPaper === true) {
    return <p>Done where the sheet says that it was waited for; skip it where it says nothing.</p>;
  }
  return (
    <div style={{ display: 'flex', alignItems: 'center', gap: 18 }}>
      <span className="fn-figure" style={{ fontSize: '3rem', minWidth: 90 }} aria-live="off">
        {left} s
      </span>
      <span>
        {!began
          ? 'Start the timer when it has begun.'
          : left > 0
            ? 'Waiting.'
            : 'Time is up. Go on where it stands still; skip where it does not.'}
      </span>
    </div>
  );
}

const grades = ['typed', 'read back', 'photographed', "from the unit's file", 'transcribed', 'estimated'];

/** Whether a row was taken from lines that are kept with the check. */
const wasTaken = (row: Row) =>
  typeof row.line === 'string' &&
  (row.provenance === 'from the instrument' || row.provenance === 'simulated');

const text = (value: Row[string] | undefined) => (typeof value === 'string' ? value : '');

/** How a value came, and the kept file with the line that it stands on. */
function OnLine({ how, line }: { how: string; line: string }) {
  const [file, number] = line.split(':');
  return (
    <a href={`/api/files/${file}`} target="_blank" rel="noreferrer" style={{ fontSize: '0.88rem' }}>
      {grade(how)}, line {number}
    </a>
  );
}

/** A reading as it was taken from a line: nothing of it is typed; what the source does not say may be. */
function Taken({
  row,
  columns,
  taken,
  open,
  strike,
  put,
  onEnter,
}: {
  row: Row;
  columns: Entry[];
  /** The columns that a source fills. */
  taken: string[];
  /** Whether what a source does not say is asked beside it. */
  open: boolean;
  strike: () => void;
  put: (change: Row) => void;
  onEnter: () => void;
}) {
  const struck = typeof row.struck === 'string' ? row.struck : null;
  const shown = (column: Entry) => {
    const value = row[column.name];
    if (isMeasured(value)) {
      return `${value.value} ${value.unit}`;
    }
    if (typeof value !== 'string' || value === '') {
      return null;
    }
    const words = column.choices.find((one) => one.value === value)?.words ?? value;
    return column.kind === 'decimal' && column.units[0] ? `${words} ${column.units[0]}` : words;
  };
  return (
    <div
      style={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 14,
        alignItems: 'center',
        borderBottom: `1px solid ${ink.faint}`,
        opacity: struck === null ? 1 : 0.65,
      }}
    >
      {columns.map((column) => {
        if (open && column.kind !== 'choice' && !taken.includes(column.name)) {
          return (
            <Cell
              key={column.name}
              column={column}
              number={null}
              value={row[column.name]}
              first={false}
              width={56}
              problem={undefined}
              put={(value) => put({ [column.name]: value })}
              onEnter={onEnter}
              onStamp={null}
            />
          );
        }
        const words = shown(column);
        return words === null ? null : (
          <span key={column.name}>
            {columns.length > 1 && column.kind !== 'choice' && (
              <span style={{ color: ink.soft, fontSize: '0.88rem' }}>{column.label} </span>
            )}
            <b className={column.kind === 'choice' ? undefined : 'fn-figure'}>{words}</b>
          </span>
        );
      })}
      <OnLine how={text(row.provenance)} line={text(row.line)} />
      <span style={{ flex: 1 }} />
      {struck !== null && <span style={{ color: ink.qualified }}>struck out: {struck}</span>}
      <Button size="small" onClick={strike}>
        {struck === null ? 'Strike out' : 'Let it count'}
      </Button>
    </div>
  );
}

/** The photo of a display: it is kept with the half-done check, and the reading is photographed. */
function PhotoOf({
  draft,
  place,
  taken,
  keepHere,
}: {
  draft: string;
  place: string;
  taken: () => void;
  keepHere: Props['keepPhoto'];
}) {
  const keep = useKeepFile('draft', draft, taken);
  const take = (file: File) =>
    keepHere ? void keepHere(file, place).then(taken) : keep.mutate({ file, place });
  return (
    <>
      <TakeFile camera words="Photo" busy={keep.isPending} take={take} />
      <Told problem={keep.error} />
    </>
  );
}

/** The clock of a gas: it begins with a press, and tells how long the gas has been on; one key stamps a reading with it. */
export function Clock({ step, answers, put }: Pick<Props, 'step' | 'answers' | 'put'>) {
  const began = answers.waits?.[step.id];
  const now = useNow(began !== undefined);
  useAwake(began !== undefined);
  const start = () => put(beganNow(answers, step.id));
  return (
    <div style={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 14 }}>
      <Button variant={began === undefined ? 'contained' : 'outlined'} onClick={start} sx={{ minHeight: 48 }}>
        {began === undefined ? 'Gas is on: start the clock' : 'Start the clock anew'}
      </Button>
      {began !== undefined && (
        <span>
          <span className="fn-figure" style={{ fontSize: '1.6rem' }} aria-live="off">
            {secondsSince(began, now)} s
          </span>{' '}
          <span style={{ color: ink.soft }}>
            since gas is on. Key <b>s</b> stamps a reading; three within twenty seconds show the plateau.
          </span>
        </span>
      )}
    </div>
  );
}

/** Rows of readings: the first column large, how each came, and a way to strike one out with its reason. */
function Readings({
  step,
  draft,
  answers,
  put,
  onEnter,
  comes = false,
  clockIsAbove = false,
  keepPhoto = null,
}: Props) {
  const list = rowsOf(answers, step.into);
  const empty: Row = { provenance: answers.fromPaper === true ? 'transcribed' : 'typed' };
  const begun: Row[] = list.length > 0 ? list : step.presets.map((preset) => ({ ...empty, ...preset }));
  const shown =
    begun.length >= step.rows ? begun : [...begun, ...Array<Row>(step.rows - begun.length).fill(empty)];
  const main = step.columns.findIndex((column) => column.kind !== 'choice');
  const change = (place: number, part: Row) =>
    put({ [step.into]: shown.map((reading, i) => (i === place ? { ...reading, ...part } : reading)) });
  const strike = (place: number, reading: Row) => {
    if (typeof reading.struck === 'string') {
      const rest = Object.fromEntries(Object.entries(reading).filter(([name]) => name !== 'struck'));
      put({ [step.into]: shown.map((one, i) => (i === place ? rest : one)) });
      return;
    }
    const reason = window.prompt('Why does this reading not count? It stays on record, struck out.');
    if (reason !== null && reason.trim() !== '') {
      change(place, { struck: reason.trim() });
    }
  };
  const several = step.columns.length > 1;
  // In a table of readings the row at hand alone shows what can be done with it.
  const [active, setActive] = useState(0);
  const clocked = step.clocked && answers.fromPaper !== true;
  // A volume in so many seconds is timed by hand; on a sheet of paper it was.
  const timed =
    !step.clocked && answers.fromPaper !== true && step.columns.some((column) => column.name === 'seconds');
  const gasOn = clocked ? answers.waits?.[step.id] : undefined;
  const stamp = (place: number) => {
    if (gasOn !== undefined) {
      change(place, { seconds: String(secondsUntilNow(gasOn)) });
    }
  };
  return (
    <div style={{ display: 'grid', gap: 10 }}>
      {clocked && !clockIsAbove && <Clock step={step} answers={answers} put={put} />}
      {timed && <Stopwatch row={active} stopped={(seconds) => change(active, { seconds })} />}
      {shown.map((reading, place) => {
        const struck = typeof reading.struck === 'string' ? reading.struck : null;
        if (wasTaken(reading)) {
          return (
            <Taken
              key={place}
              row={reading}
              columns={step.columns}
              taken={[...step.feeds.map((feed) => feed.column), ...(step.clocked ? ['seconds'] : [])]}
              open={
                step.presets.length === 0 || shown.findIndex((one) => areAlike(step, one, reading)) === place
              }
              strike={() => strike(place, reading)}
              put={(part) => change(place, part)}
              onEnter={onEnter}
            />
          );
        }
        return (
          <div
            key={place}
            onFocusCapture={() => setActive(place)}
            style={{ display: 'flex', flexWrap: 'wrap', gap: 10, opacity: struck === null ? 1 : 0.65 }}
          >
            {step.columns.map((column, at) => (
              <Cell
                key={column.name}
                column={column}
                number={shown.length > 1 && at === main ? place + 1 : null}
                value={reading[column.name]}
                first={place === 0 && at === main && draft.version > 0 && !comes}
                width={several ? (step.columns.length > 3 ? 64 : 100) : 150}
                problem={
                  draft.problems.find((one) => one.field.endsWith(`/${step.into}/${place}/${column.name}`))
                    ?.problem
                }
                put={(value) => change(place, { [column.name]: value })}
                onEnter={onEnter}
                onStamp={gasOn !== undefined && at === main ? () => stamp(place) : null}
              />
            ))}
            <TextField
              select
              label="How it came"
              value={typeof reading.provenance === 'string' ? reading.provenance : empty.provenance}
              onChange={(event) => change(place, { provenance: event.target.value })}
              sx={{ minWidth: several ? 104 : 180, ...asHighAsAReading(!several) }}
            >
              {grades
                .filter((one) => one !== 'photographed' || draft.hasPhoto || reading.provenance === one)
                // What a record of before says stays sayable of it.
                .concat(reading.provenance === 'stand-in' ? ['stand-in'] : [])
                .map((one) => (
                  <MenuItem key={one} value={one}>
                    {grade(one)}
                  </MenuItem>
                ))}
            </TextField>
            {(!several || place === active || struck !== null) && (
              <>
                {(draft.version > 0 || keepPhoto) && (
                  <PhotoOf
                    draft={draft.id}
                    keepHere={keepPhoto}
                    place={`${step.into}/${place}`}
                    taken={() => change(place, { provenance: 'photographed' })}
                  />
                )}
                {gasOn !== undefined && (
                  <Button onClick={() => stamp(place)} sx={{ minHeight: 48 }}>
                    Stamp&nbsp;<span className="fn-key">(s)</span>
                  </Button>
                )}
                {(shown.length > 1 || struck !== null) && (
                  <Button onClick={() => strike(place, reading)} sx={{ minHeight: 48 }}>
                    {struck === null ? 'Strike out' : 'Let it count'}
                  </Button>
                )}
              </>
            )}
            {struck !== null && (
              <span style={{ alignSelf: 'center', color: ink.qualified }}>struck out: {struck}</span>
            )}
          </div>
        );
      })}
      <div>
        <Button size="small" onClick={() => put({ [step.into]: [...shown, empty] })}>
          Another reading
        </Button>
        {clocked && step.presets.length > 0 && (
          <Button
            size="small"
            onClick={() =>
              put({ [step.into]: [...shown, ...step.presets.map((preset) => ({ ...empty, ...preset }))] })
            }
          >
            Read all again
          </Button>
        )}
      </div>
    </div>
  );
}

function Cell({
  column,
  number,
  value,
  first,
  width,
  problem,
  put,
  onEnter,
  onStamp,
}: {
  column: Entry;
  number: number | null;
  value: Row[string] | undefined;
  first: boolean;
  width: number;
  problem: string | undefined;
  put: (value: Row[string]) => void;
  onEnter: () => void;
  /** Where a clock runs: what the key s does in the reading. */
  onStamp: (() => void) | null;
}) {
  const label = `${column.label}${number === null ? '' : ` ${number}`}${
    column.kind === 'decimal' && column.units[0] ? ` ${column.units[0]}` : ''
  }`;
  const measured =
    column.kind === 'measured'
      ? isMeasured(value)
        ? value
        : { value: '', unit: rememberedUnit(column) }
      : null;
  if (column.kind === 'choice') {
    return (
      <TextField
        select
        label={column.label}
        value={typeof value === 'string' ? value : ''}
        error={problem !== undefined}
        helperText={problem}
        onChange={(event) => put(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
        sx={{
          minWidth: 96,
          '& .MuiSelect-select': { fontSize: '1.2rem', fontWeight: 650 },
          ...asHighAsAReading(width > 100),
        }}
      >
        {column.choices.map((choice) => (
          <MenuItem key={choice.value} value={choice.value}>
            {choice.words}
          </MenuItem>
        ))}
      </TextField>
    );
  }
  return (
    <span style={{ display: 'inline-flex' }}>
      <TextField
        label={label}
        value={measured ? measured.value : typeof value === 'string' ? value : ''}
        autoFocus={first}
        error={problem !== undefined}
        helperText={problem}
        onChange={(event) => put(measured ? { ...measured, value: event.target.value } : event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            onEnter();
          } else if (event.key === 's' && onStamp) {
            event.preventDefault();
            onStamp();
          }
        }}
        slotProps={{
          inputLabel: { shrink: true },
          htmlInput: {
            inputMode: 'decimal',
            style: { fontSize: width > 100 ? '1.9rem' : '1.35rem', width, padding: '10px 14px' },
          },
        }}
      />
      {measured && (
        <TextField
          select
          value={measured.unit}
          onChange={(event) => {
            rememberUnit(column.name, event.target.value);
            put({ ...measured, unit: event.target.value });
          }}
          slotProps={{ select: { inputProps: { 'aria-label': `${label}, unit` } } }}
          sx={{ width: 100, ...asHighAsAReading(width > 100) }}
        >
          {column.units.map((unit) => (
            <MenuItem key={unit} value={unit}>
              {unit}
            </MenuItem>
          ))}
        </TextField>
      )}
    </span>
  );
}

/** What stands beside a reading is as high as it is. */
const asHighAsAReading = (large: boolean) => ({ '& .MuiInputBase-root': { minHeight: large ? 64 : 51 } });

function Adjusted({ step, answers, onChosen }: Props) {
  const flag = flagOf(step);
  const said = answers[flag];
  return (
    <ToggleButtonGroup
      exclusive
      aria-label="Was the instrument adjusted?"
      value={typeof said === 'boolean' ? (said ? 'yes' : 'no') : null}
      onChange={(_, value: string | null) =>
        onChosen({ [flag]: value === null ? said === true : value === 'yes' })
      }
    >
      <ToggleButton value="no" sx={{ minHeight: 56, px: 3 }}>
        Left as it is
      </ToggleButton>
      <ToggleButton value="yes" sx={{ minHeight: 56, px: 3 }}>
        Adjusted
      </ToggleButton>
    </ToggleButtonGroup>
  );
}

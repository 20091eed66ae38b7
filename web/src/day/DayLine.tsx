import { useNavigate } from 'react-router';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { clock } from '../look/words';
import type { Hours } from './hours';

/** Percent of the day's width from which words fit. */
const FITS = 5;

/** Checks and runs of one unit along the hours, as brackets. */
export function DayLine({ unit, hours }: { unit: Schemas['DayUnit']; hours: Hours }) {
  const navigate = useNavigate();
  // A check that cannot be used neither opens nor closes.
  const usable = unit.checks.filter((check) => check.usable);
  const opens = (at: string) => {
    const next = usable.find((check) => check.at > at)?.at;
    return unit.runs.some((run) => run.start >= at && (next === undefined || run.start < next));
  };
  const closes = (at: string) => {
    const before = usable.filter((check) => check.at < at).at(-1)?.at;
    return unit.runs.some(
      (run) => run.stop !== null && run.stop <= at && (before === undefined || run.stop > before),
    );
  };
  return (
    <div style={{ position: 'relative', height: 44 }}>
      {hours.ticks.map((tick) => (
        <i
          key={tick.word}
          style={{
            position: 'absolute',
            left: `${tick.percent}%`,
            top: 0,
            bottom: 0,
            borderLeft: `1px solid ${ink.faint}`,
          }}
        />
      ))}
      {unit.planned.map((planned) => (
        <Planned
          key={planned.plan + planned.from}
          planned={planned}
          hours={hours}
          named={unit.runs.length === 0}
        />
      ))}
      {unit.runs.map((run) => {
        const left = hours.percent(run.start);
        const right = run.stop ? hours.percent(run.stop) : 100;
        const verdict = run.worked?.verdict;
        const open = run.worked?.bracket.state === 'open';
        return (
          <span key={run.id}>
            <button
              type="button"
              onClick={() => void navigate(`/results/${run.id}`)}
              aria-label={`${run.id}: ${run.person}, ${run.task}, ${clock(run.start)} to ${run.stop ? clock(run.stop) : 'now'}`}
              style={{
                position: 'absolute',
                left: `${left}%`,
                width: `${Math.max(1, right - left)}%`,
                top: 4,
                height: 36,
                border: 0,
                background: 'none',
                padding: 0,
                cursor: 'pointer',
                font: 'inherit',
                textAlign: 'left',
                overflow: 'hidden',
              }}
            >
              <span
                style={{
                  display: 'block',
                  padding: '0 10px',
                  color: ink.text,
                  fontSize: '0.82rem',
                  whiteSpace: 'nowrap',
                  overflow: 'hidden',
                  textOverflow: 'ellipsis',
                }}
              >
                {/* A measurement of minutes is a mark on the line: its words do not fit, its name is read out. */}
                {right - left >= FITS ? (
                  <>
                    <b>{run.person}</b> {run.task}
                  </>
                ) : (
                  '\u00a0'
                )}
              </span>
              <span
                style={{
                  display: 'block',
                  marginTop: 4,
                  borderTop: `3px ${verdict === 'void' ? 'double' : run.stop ? 'solid' : 'dashed'} ${verdict ? ink[verdict] : ink.text}`,
                }}
              />
            </button>
            {open && run.stop && <Mark at={right + 0.9} sign="]" dotted label="check after is missing" />}
          </span>
        );
      })}
      {unit.checks.map((check) => {
        const x = hours.percent(check.at);
        const sign = !check.usable
          ? '×'
          : closes(check.at) && opens(check.at)
            ? ']['
            : opens(check.at)
              ? '['
              : closes(check.at)
                ? ']'
                : '|';
        return (
          <Mark
            key={check.id}
            at={x}
            sign={sign}
            dotted={false}
            label={`check at ${clock(check.at)}${check.adjusted ? ', adjusted' : ''}`}
            dot={check.adjusted}
          />
        );
      })}
    </div>
  );
}

/** As it was planned, under what is done: on and warming up, both checks, and measuring between. */
function Planned({
  planned,
  hours,
  named,
}: {
  planned: Schemas['PlannedUnit'];
  hours: Hours;
  /** Where no run says it. */
  named: boolean;
}) {
  const stretch = (from: string, to: string): React.CSSProperties => ({
    position: 'absolute',
    bottom: 2,
    left: `${hours.percent(from)}%`,
    width: `${Math.max(0.3, hours.percent(to) - hours.percent(from))}%`,
  });
  const words = [
    `Planned: ${planned.person}, ${planned.task}`,
    `on ${clock(planned.on)}`,
    `check ${clock(planned.check)}`,
    `measuring ${clock(planned.from)} to ${clock(planned.to)}`,
    `check after ${clock(planned.after)}`,
  ].join(', ');
  return (
    <span
      role="img"
      aria-label={words}
      style={{ position: 'absolute', left: 0, right: 0, bottom: 0, height: 10, pointerEvents: 'none' }}
    >
      <i style={{ ...stretch(planned.on, planned.check), borderTop: `2px dotted ${ink.rule}` }} />
      <i style={{ ...stretch(planned.check, planned.from), borderTop: `1px solid ${ink.rule}` }} />
      <i style={{ ...stretch(planned.from, planned.to), borderTop: `4px solid ${ink.rule}` }} />
      {named && (
        <span
          style={{
            ...stretch(planned.from, planned.to),
            bottom: 12,
            padding: '0 10px',
            color: ink.soft,
            fontSize: '0.82rem',
            whiteSpace: 'nowrap',
            overflow: 'hidden',
          }}
        >
          {planned.person} {planned.task}
        </span>
      )}
      <i style={{ ...stretch(planned.to, planned.until), borderTop: `1px solid ${ink.rule}` }} />
    </span>
  );
}

function Mark({
  at,
  sign,
  dotted,
  label,
  dot = false,
}: {
  at: number;
  sign: string;
  dotted: boolean;
  label: string;
  dot?: boolean;
}) {
  const stroke = {
    fill: 'none',
    stroke: dotted ? ink.open : ink.text,
    strokeWidth: 2,
    ...(dotted ? { strokeDasharray: '2 3' } : {}),
  };
  return (
    <svg
      role="img"
      aria-label={label}
      width="22"
      height="34"
      viewBox="0 0 22 34"
      style={{ position: 'absolute', left: `calc(${at}% - 11px)`, top: 5, pointerEvents: 'none' }}
    >
      <title>{label}</title>
      {sign.includes(']') && <path d={sign === '][' ? 'M3 3h5v28H3' : 'M8 3h5v28H8'} {...stroke} />}
      {sign.includes('[') && <path d={sign === '][' ? 'M19 3h-5v28h5' : 'M14 3H9v28h5'} {...stroke} />}
      {sign === '|' && <path d="M11 8v18" {...stroke} />}
      {sign === '×' && <path d="M6 12l10 10M16 12 6 22" stroke={ink.void} strokeWidth="2" />}
      {dot && <circle cx="11" cy="2.6" r="2.2" fill={ink.qualified} />}
    </svg>
  );
}

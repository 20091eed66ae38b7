import type { Schemas } from '../api/client';
import { isDeviation } from '../look/history';
import { ink } from '../look/theme';
import { minus, shortDay, signed } from '../look/words';

type History = Schemas['InstrumentPage']['histories'][number];
/** What is drawn of a history: where it is off, or a trend of something else. */
type Drawn = Pick<History, 'unit' | 'points'> & Partial<History>;

const TOP = 16;
const BOTTOM = 132;

/** A step of 1, 2 or 5 that divides a span into about three. */
export function stepOf(span: number): number {
  const rough = span / 3;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].find((one) => one * power >= rough * 0.999) ?? 10;
  return step * power;
}

/** How a unit was found (dot) and left (dash) at every check, in order; an adjustment is the step between them. */
export function DriftPicture({ history, about = 'Deviation' }: { history: Drawn; about?: string }) {
  const seen = history.points.filter((point) => point.found !== null || point.left !== null);
  if (seen.length === 0) {
    return <p style={{ color: ink.soft }}>No usable check yet.</p>;
  }
  const values = seen.flatMap((point) => [point.found, point.left]).filter((value) => value !== null);
  // A deviation is drawn around zero, a flow around the flows that were seen.
  const around = about === 'Deviation' && isDeviation(history.unit);
  const most = Math.max(0.5, ...values.map((value) => Math.abs(value))) * 1.15;
  const [least, highest] = [Math.min(...values), Math.max(...values)];
  const slack = Math.max((highest - least) * 0.25, Math.abs(highest) * 0.02, 1e-6);
  const [low, high] = around
    ? [-most, most]
    : [least < 0 ? least - slack : Math.max(0, least - slack), highest + slack];
  const step = around && history.unit === 'dB' ? 0.5 : stepOf(high - low);
  const decimals = Math.max(0, Math.ceil(-Math.log10(step)));
  const lines: number[] = [];
  for (let level = Math.ceil(low / step) * step; level <= high + step / 1e6; level += step) {
    lines.push(level);
  }
  const x = (i: number) => 66 + (894 * (i + 0.5)) / seen.length;
  const y = (value: number) => BOTTOM - ((BOTTOM - TOP) * (value - low)) / (high - low);
  const word = (value: number) => (around ? signed(value.toFixed(2)) : value.toFixed(Math.max(2, decimals)));
  const last = seen.at(-1)?.found;
  return (
    <svg
      viewBox="0 0 1000 160"
      width="100%"
      role="img"
      aria-label={`${about} at ${seen.length} checks, the last ${
        last === null || last === undefined ? 'unknown' : `${word(last)} ${history.unit}`
      } as found`}
      style={{ maxWidth: 1000, display: 'block' }}
    >
      {lines.map((level) => {
        const zero = Math.abs(level) < step / 1e6;
        return (
          <g key={level}>
            <path
              d={`M66 ${y(level)}H960`}
              stroke={zero ? ink.text : ink.rule}
              strokeDasharray={zero ? 'none' : '4 4'}
            />
            <text x="58" y={y(level) + 4} fontSize="12" textAnchor="end" fill={ink.soft}>
              {zero
                ? `0 ${history.unit}`
                : around
                  ? signed(level.toFixed(1))
                  : minus(level.toFixed(decimals))}
            </text>
          </g>
        );
      })}
      {seen.map((point, i) => {
        const before = seen[i - 1]?.left;
        return (
          <g key={point.check}>
            {before !== null && before !== undefined && point.found !== null && point.drift !== null && (
              <path
                d={`M${x(i - 1)} ${y(before)}L${x(i)} ${y(point.found)}`}
                stroke={ink.soft}
                strokeWidth="1.2"
              />
            )}
            {point.adjustment !== null && point.found !== null && point.left !== null && (
              <path
                d={`M${x(i)} ${y(point.found)}V${y(point.left)}`}
                stroke={ink.qualified}
                strokeWidth="2.4"
              />
            )}
            {point.found !== null && (
              <circle cx={x(i)} cy={y(point.found)} r="4" fill={ink.text}>
                <title>{`${point.check}: found ${point.found.toFixed(3)} ${history.unit}`}</title>
              </circle>
            )}
            {point.adjustment !== null && point.left !== null && (
              <path d={`M${x(i) - 6} ${y(point.left)}h12`} stroke={ink.qualified} strokeWidth="2.4" />
            )}
            <text x={x(i)} y="152" fontSize="11" textAnchor="middle" fill={ink.soft}>
              {seen.length <= 16 || i % Math.ceil(seen.length / 16) === 0 ? shortDay(point.at) : ''}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

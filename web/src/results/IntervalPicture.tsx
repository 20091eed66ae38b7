import type { Schemas } from '../api/client';
import { ink } from '../look/theme';

/** The drift interval as a bar, the reported value as a dot, the limit as a line across. */
export function IntervalPicture({
  result,
  limit,
}: {
  result: Schemas['Result'];
  limit: Schemas['LimitOutcome'];
}) {
  const low = Number(result.lowest?.shown ?? result.value.shown);
  const high = Number(result.highest?.shown ?? result.value.shown);
  const at = Number(limit.value);
  const value = Number(result.value.shown);
  const all = [low, high, at, value].filter(Number.isFinite);
  const from = Math.min(...all);
  const span = Math.max(Math.max(...all) - from, 1e-9);
  const x = (v: number) => 14 + (162 * (v - from)) / span;
  return (
    <svg
      width="190"
      height="30"
      viewBox="0 0 190 30"
      role="img"
      aria-label={`drift interval ${result.lowest?.shown ?? 'unknown'} to ${result.highest?.shown ?? 'unknown'}, limit ${limit.value}`}
    >
      <path d="M6 20h178" stroke={ink.rule} />
      {result.lowest && (
        <path d={`M${x(low)} 20H${Math.max(x(high), x(low) + 2)}`} stroke={ink.text} strokeWidth="5" />
      )}
      <circle cx={x(value)} cy="20" r="4" fill={ink.page} stroke={ink.text} strokeWidth="1.8" />
      <path
        d={`M${x(at)} 10v18`}
        stroke={ink.void}
        strokeWidth="1.8"
        strokeDasharray={limit.comparator === '>' ? 'none' : '3 2'}
      />
      <text x={Math.min(Math.max(x(at), 16), 174)} y="8" fontSize="10" textAnchor="middle" fill={ink.void}>
        {limit.value}
      </text>
    </svg>
  );
}

import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { shortDay } from '../look/words';

/** How a unit was found (dot) and left (dash) at every check, in order; an adjustment is the step between them. */
export function DriftPicture({ points }: { points: Schemas['HistoryPoint'][] }) {
  const seen = points.filter((point) => point.found !== null || point.left !== null);
  if (seen.length === 0) {
    return <p style={{ color: ink.soft }}>No usable check yet.</p>;
  }
  const most =
    Math.max(0.5, ...seen.flatMap((point) => [Math.abs(point.found ?? 0), Math.abs(point.left ?? 0)])) * 1.15;
  const x = (i: number) => 60 + (900 * (i + 0.5)) / seen.length;
  const y = (value: number) => 70 - (55 * value) / most;
  return (
    <svg
      viewBox="0 0 1000 160"
      width="100%"
      role="img"
      aria-label={`Deviation at ${seen.length} checks, the last ${seen.at(-1)?.found?.toFixed(2) ?? 'unknown'} dB as found`}
      style={{ maxWidth: 1000, display: 'block' }}
    >
      {[-0.5, 0, 0.5].map((level) => (
        <g key={level}>
          <path
            d={`M60 ${y(level)}H960`}
            stroke={level === 0 ? ink.text : ink.rule}
            strokeDasharray={level === 0 ? 'none' : '4 4'}
          />
          <text x="52" y={y(level) + 4} fontSize="12" textAnchor="end" fill={ink.soft}>
            {level > 0 ? '+0.5' : level < 0 ? '−0.5' : '0 dB'}
          </text>
        </g>
      ))}
      {seen.map((point, i) => {
        const before = seen[i - 1];
        return (
          <g key={point.check}>
            {before?.left !== null &&
              before?.left !== undefined &&
              point.found !== null &&
              point.drift !== null && (
                <path
                  d={`M${x(i - 1)} ${y(before.left)}L${x(i)} ${y(point.found)}`}
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
                <title>{`${point.check}: found ${point.found.toFixed(2)} dB`}</title>
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

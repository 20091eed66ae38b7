import type { Schemas } from '../api/client';
import { digitsOf } from '../look/history';
import { ink } from '../look/theme';
import { shortDay, signed } from '../look/words';

type Charted = Pick<Schemas['Trend']['channels'][number], 'chart' | 'points' | 'unit'>;

const TOP = 14;
const BOTTOM = 112;

/** The control chart of a unit or a reference: its checks in order, what is ordinary for it shaded, what was not by a larger open dot. */
export function ControlPicture({ of }: { of: Charted }) {
  const { chart, points, unit } = of;
  if (!chart) {
    return null;
  }
  const values = [chart.lower, chart.upper, ...points.map((one) => one.value)];
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const slack = Math.max((most - least) * 0.12, 1e-6);
  const y = (value: number) =>
    BOTTOM - ((BOTTOM - TOP) * (value - least + slack)) / (most - least + 2 * slack);
  const x = (place: number) => 96 + (864 * (place + 0.5)) / points.length;
  const told = (value: number) => signed(value.toFixed(digitsOf(unit)));
  const out = points.filter((one) => one.out).length;
  return (
    <svg
      viewBox="0 0 1000 140"
      width="100%"
      role="img"
      aria-label={`Control chart of ${points.length} checks, ${out === 0 ? 'none' : out} out of the ordinary`}
      style={{ maxWidth: 1000, display: 'block' }}
    >
      <rect x="96" width="864" y={y(chart.upper)} height={y(chart.lower) - y(chart.upper)} fill={ink.faint} />
      {[chart.upper, chart.centre, chart.lower].map((level) => (
        <g key={level}>
          <path
            d={`M96 ${y(level)}H960`}
            stroke={ink.rule}
            strokeDasharray={level === chart.centre ? 'none' : '4 4'}
          />
          {(level !== chart.centre || y(chart.lower) - y(chart.upper) > 40) && (
            <text x="88" y={y(level) + 4} fontSize="12" textAnchor="end" fill={ink.soft}>
              {told(level)} {unit}
            </text>
          )}
        </g>
      ))}
      <polyline
        points={points.map((one, place) => `${x(place)},${y(one.value)}`).join(' ')}
        fill="none"
        stroke={ink.soft}
        strokeWidth="1.2"
      />
      {points.map((one, place) => (
        <g key={one.check}>
          <circle
            cx={x(place)}
            cy={y(one.value)}
            r={one.out ? 7 : 4}
            fill={one.out ? ink.page : ink.text}
            stroke={one.out ? ink.qualified : 'none'}
            strokeWidth="2.4"
          >
            <title>{`${one.check}: ${told(one.value)} ${unit}${one.out ? ', out of the ordinary' : ''}`}</title>
          </circle>
          <text x={x(place)} y="134" fontSize="11" textAnchor="middle" fill={ink.soft}>
            {points.length <= 16 || place % Math.ceil(points.length / 16) === 0 ? shortDay(one.at) : ''}
          </text>
        </g>
      ))}
    </svg>
  );
}

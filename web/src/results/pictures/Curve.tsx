import type { Schemas } from '../../api/client';
import { ink } from '../../look/theme';
import { minus, signed } from '../../look/words';

/** The calibration curve that a sampler's gauge is read by: points, line, and how far each point lies off it. */
export function Curve({ page }: { page: Schemas['ResultPage'] }) {
  const { family, figures } = page.assessment;
  if (family.kind !== 'flow' || family.curve === null) {
    return null;
  }
  const { curve } = family;
  const shown = (id: string) => figures.find((one) => one.id === id);
  const slope = Number(shown(curve.slope)?.value);
  const intercept = Number(shown(curve.intercept)?.value);
  const flows = curve.points.map((point) => point.flow);
  const responses = curve.points.map((point) => point.response);
  const [left, right] = [Math.min(...flows), Math.max(...flows)];
  const [low, high] = [Math.min(...responses), Math.max(...responses)];
  const x = (flow: number) => 60 + (400 * (flow - left)) / (right - left || 1);
  const y = (response: number) => 150 - (120 * (response - low)) / (high - low || 1);
  return (
    <section aria-labelledby="curve">
      <h2 id="curve" style={{ margin: '18px 0 2px' }}>
        Calibration {curve.check}
      </h2>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 24, alignItems: 'flex-start' }}>
        <svg
          viewBox="0 0 520 190"
          width="520"
          role="img"
          aria-label={`Gauge against flow, ${curve.points.length} points`}
        >
          <path
            d={`M${x(left)} ${y(slope * left + intercept)}L${x(right)} ${y(slope * right + intercept)}`}
            stroke={ink.soft}
            strokeWidth="1.4"
          />
          {curve.points.map((point) => (
            <circle key={point.flow} cx={x(point.flow)} cy={y(point.response)} r="4" fill={ink.text} />
          ))}
          {[left, right].map((flow) => (
            <text key={flow} x={x(flow)} y="178" fontSize="12" textAnchor="middle" fill={ink.soft}>
              {flow.toFixed(3)}
            </text>
          ))}
          <text x="260" y="178" fontSize="12" textAnchor="middle" fill={ink.soft}>
            flow at 298 K and 760 mmHg, m³/min
          </text>
        </svg>
        <table className="fn-table" style={{ width: 'auto' }}>
          <tbody>
            {(
              [
                ['slope', curve.slope],
                ['intercept', curve.intercept],
                ['correlation r', curve.correlation],
              ] as const
            ).map(([name, id]) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <td className="num fn-figure">{minus(shown(id)?.shown ?? '')}</td>
              </tr>
            ))}
            {curve.points.map((point, place) => (
              <tr key={point.flow}>
                <th scope="row">point {place + 1}, off the line</th>
                <td className="num fn-figure">{signed(point.residualPercent.toFixed(1))} %</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

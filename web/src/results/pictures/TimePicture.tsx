import { useSeries } from '../../api/hooks';
import type { Schemas } from '../../api/client';
import { ink } from '../../look/theme';
import { clock } from '../../look/words';

const WIDTH = 1000;
const HEIGHT = 120;

/** The run in time: its brackets, its log as a band of lowest to highest with the energy mean, what was left out. */
export function TimePicture({ page }: { page: Schemas['ResultPage'] }) {
  const { run, assessment, campaign } = page;
  const { family } = assessment;
  const leftOut = family.kind === 'noise' ? family.leftOut : [];
  const knocks = family.kind === 'noise' ? family.knocks : [];
  const acoustic = family.kind === 'noise';
  const series = useSeries(run.id, run.hasLog && acoustic);
  const start = Date.parse(run.start);
  const stop = run.stop ? Date.parse(run.stop) : start + 8 * 3_600_000;
  const span = stop - start;
  const from = start - span * 0.06;
  const to = stop + span * 0.06;
  const x = (at: number) => (WIDTH * (at - from)) / (to - from);
  const data = series.data;
  const begin = data?.start ? Date.parse(data.start) : 0;
  const step = 1000 * (data?.stepSeconds ?? 0);
  const points = (data?.points ?? []).flatMap((point, i) =>
    point && point.length === 3
      ? [{ x: x(begin + (i + 0.5) * step), low: point[0] ?? 0, mean: point[1] ?? 0, high: point[2] ?? 0 }]
      : [],
  );
  const bottom = 50;
  const top = Math.max(110, ...points.map((point) => point.high));
  const y = (level: number) =>
    HEIGHT - 18 - ((HEIGHT - 30) * (Math.max(level, bottom) - bottom)) / (top - bottom);
  const band =
    points.length > 1
      ? `M${points.map((p) => `${p.x.toFixed(1)} ${y(p.high).toFixed(1)}`).join('L')}L${[...points]
          .reverse()
          .map((p) => `${p.x.toFixed(1)} ${y(p.low).toFixed(1)}`)
          .join('L')}Z`
      : '';
  const mean =
    points.length > 1 ? `M${points.map((p) => `${p.x.toFixed(1)} ${y(p.mean).toFixed(1)}`).join('L')}` : '';
  const hour = 3_600_000;
  const ticks: number[] = [];
  for (let at = Math.ceil(start / hour) * hour; at <= stop; at += hour) {
    ticks.push(at);
  }
  // Channels are drawn one by one, each with its own scale.
  if (family.kind === 'gas') {
    return null;
  }
  // Where there are bands and no level through time, the bands are the picture.
  if (acoustic && family.spectrum && points.length === 0) {
    return null;
  }
  const label = `${clock(run.start, campaign.zone)} to ${run.stop ? clock(run.stop, campaign.zone) : 'now'}`;
  return (
    <figure style={{ margin: '4px 0 0' }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="img"
        aria-label={`The run in time, ${label}${run.hasLog ? ', with its log' : ', without a log'}`}
        style={{ display: 'block' }}
      >
        {run.hasLog &&
          acoustic &&
          [60, 70, 80, 90, 100].map((level) => (
            <g key={level}>
              <path d={`M${x(start)} ${y(level)}H${x(stop)}`} stroke={ink.faint} />
              <text x={x(start) - 6} y={y(level) + 3.5} fontSize="10" textAnchor="end" fill={ink.soft}>
                {level}
              </text>
            </g>
          ))}
        {ticks.map((at) => (
          <text key={at} x={x(at)} y={HEIGHT - 4} fontSize="10.5" textAnchor="middle" fill={ink.soft}>
            {clock(new Date(at).toISOString(), campaign.zone)}
          </text>
        ))}
        {band && <path d={band} fill={ink.rule} />}
        {mean && <path d={mean} fill="none" stroke={ink.text} strokeWidth="1.1" />}
        {!run.hasLog && family.kind === 'noise' && (
          <>
            <path d={`M${x(start)} ${HEIGHT / 2}H${x(stop)}`} stroke={ink.text} strokeWidth="2.5" />
            <text
              x={x((start + stop) / 2)}
              y={HEIGHT / 2 - 10}
              textAnchor="middle"
              fontSize="12"
              fill={ink.soft}
            >
              no log
            </text>
          </>
        )}
        {(family.kind === 'flow' || family.kind === 'particle' || family.kind === 'plain') && (
          <ResponseLine family={family} figures={assessment.figures} x={x} from={start} to={stop} />
        )}
        {leftOut.map((out) => (
          <g key={out.from}>
            <rect
              x={x(Date.parse(out.from))}
              y="8"
              width={Math.max(3, x(Date.parse(out.to)) - x(Date.parse(out.from)))}
              height={HEIGHT - 26}
              fill={ink.qualified}
              opacity="0.28"
            />
            <path
              d={`M${x(Date.parse(out.from))} 8v${HEIGHT - 26}`}
              stroke={ink.qualified}
              strokeWidth="1.5"
            />
          </g>
        ))}
        {knocks.map((knock) => (
          <path key={knock.at} d={`M${x(Date.parse(knock.at))} 4l4 7h-8z`} fill={ink.void} />
        ))}
        {assessment.bracket.between.map((check) => (
          <path
            key={check.check}
            d={`M${x(Date.parse(check.at))} 6v${HEIGHT - 24}`}
            stroke={ink.text}
            strokeWidth="1.6"
            strokeDasharray="5 3"
          />
        ))}
        <path
          d={`M${x(start) - 22} 6h-10v${HEIGHT - 24}h10`}
          fill="none"
          stroke={ink.text}
          strokeWidth="3"
          {...(assessment.bracket.pre ? {} : { strokeDasharray: '3 5', stroke: ink.open })}
        />
        <path
          d={`M${x(stop) + 22} 6h10v${HEIGHT - 24}h-10`}
          fill="none"
          stroke={ink.text}
          strokeWidth="3"
          {...(assessment.bracket.post ? {} : { strokeDasharray: '3 5', stroke: ink.open })}
        />
      </svg>
      <figcaption style={{ color: ink.soft, fontSize: '0.82rem' }}>
        {family.kind === 'plain' && 'Line: the response, interpolated along the bracket. '}
        {family.kind === 'flow' &&
          'Line: the flow, interpolated along the bracket, L/min; bar: when it ran. '}
        {run.hasLog && acoustic
          ? 'Band: lowest to highest level of each stretch, line: its energy mean, dB(A). '
          : ''}
        {leftOut.length > 0 && 'Shaded: left out of the exposure. '}
        {knocks.length > 0 && 'Triangle: a peak without a rise of level. '}
        Brackets: the checks before and after{assessment.bracket.post ? '' : '; dotted: still missing'}.
      </figcaption>
    </figure>
  );
}

/** The response along the bracket, and the stretches in which air was drawn. */
function ResponseLine({
  family,
  figures,
  x,
  from,
  to,
}: {
  family: Pick<Schemas['FlowFamily'], 'response'> & Partial<Pick<Schemas['FlowFamily'], 'stretches'>>;
  figures: Schemas['Figure'][];
  x: (at: number) => number;
  from: number;
  to: number;
}) {
  const knots = family.response.map((knot) => {
    const figure = figures.find((one) => one.id === knot.figure);
    return {
      at: Math.min(Math.max(Date.parse(knot.at), from), to),
      flow: Number(figure?.value ?? 'NaN'),
      shown: figure?.shown ?? '',
      check: knot.check,
      end: knot.end,
    };
  });
  const flows = knots.map((knot) => knot.flow).filter((flow) => Number.isFinite(flow));
  const low = Math.min(...flows);
  const high = Math.max(...flows);
  // What did not move is a line in the middle, whatever its value.
  const slack = Math.max(high - low, Math.abs(high) * 0.04, 0.001);
  const y = (flow: number) => 78 - (52 * (flow - low + slack / 2)) / (high - low + slack);
  const line = [
    ...(knots[0] ? [`${x(from)} ${y(knots[0].flow)}`] : []),
    ...knots.map((knot) => `${x(knot.at)} ${y(knot.flow)}`),
    ...(knots.at(-1) ? [`${x(to)} ${y(knots.at(-1)?.flow ?? low)}`] : []),
  ];
  return (
    <>
      {(family.stretches ?? []).map((stretch) => (
        <rect
          key={stretch.from}
          x={x(Date.parse(stretch.from))}
          y="90"
          width={Math.max(2, x(Date.parse(stretch.to)) - x(Date.parse(stretch.from)))}
          height="7"
          fill={ink.rule}
        />
      ))}
      {line.length > 1 && <path d={`M${line.join('L')}`} fill="none" stroke={ink.text} strokeWidth="1.8" />}
      {knots.map((knot, i) => (
        <g key={`${knot.check}-${knot.end}`}>
          <circle cx={x(knot.at)} cy={y(knot.flow)} r="4" fill={ink.text} />
          <text
            x={x(knot.at)}
            y={y(knot.flow) - 9}
            fontSize="12"
            textAnchor={i === 0 ? 'start' : i === knots.length - 1 ? 'end' : 'middle'}
            fill={ink.text}
          >
            {knot.shown}
          </text>
        </g>
      ))}
    </>
  );
}

import type { Schemas } from '../../api/client';
import { ink } from '../../look/theme';

const [LEFT, RIGHT, TOP, BOTTOM] = [52, 960, 14, 218];

/**
 * The octave bands as a staircase: each tread a band with its drift interval as a bar, the permissible level as a hatched
 * line above or below it, and between the two by how much it fails.
 */
export function SpectrumPicture({ page }: { page: Schemas['ResultPage'] }) {
  const { family, figures } = page.assessment;
  const spectrum = family.kind === 'noise' ? family.spectrum : undefined;
  if (!spectrum) {
    return null;
  }
  const bands = spectrum.bands.map((one) => {
    const figure = figures.find((candidate) => candidate.id === one.level);
    return { ...one, value: figure ? Number(figure.value) : null, shown: figure?.shown ?? null };
  });
  const all = bands
    .flatMap((one) => [one.value, one.permissible, one.low, one.high])
    .filter((value) => value !== null);
  const low = Math.floor((Math.min(...all) - 4) / 10) * 10;
  const high = Math.ceil((Math.max(...all) + 4) / 10) * 10;
  const width = (RIGHT - LEFT) / bands.length;
  const x = (place: number) => LEFT + width * place;
  const y = (level: number) => BOTTOM - ((BOTTOM - TOP) * (level - low)) / (high - low);
  const lines = Array.from({ length: (high - low) / 10 + 1 }, (_, i) => low + 10 * i);
  const failing = bands.filter((one) => one.fails);
  const summary = bands
    .filter((one) => one.value !== null)
    .map((one) => `${one.words} ${one.shown ?? ''} dB`)
    .join(', ');
  return (
    <section aria-labelledby="spectrum">
      <h2 id="spectrum" style={{ margin: '18px 0 2px' }}>
        Octave bands, {spectrum.statistic} of each
        {spectrum.permissible && <>, against {spectrum.permissible}</>}
      </h2>
      <svg
        viewBox="0 0 1000 250"
        width="100%"
        role="img"
        aria-label={`${summary}. ${
          spectrum.permissible === null
            ? 'No permissible levels were chosen.'
            : failing.length === 0
              ? 'No measured band lies above its permissible level.'
              : `Above the permissible level: ${failing.map((one) => one.words).join(', ')}.`
        }`}
        style={{ maxWidth: 1000, display: 'block' }}
      >
        {lines.map((level) => (
          <g key={level}>
            <path d={`M${LEFT} ${y(level)}H${RIGHT}`} stroke={ink.faint} />
            <text x={LEFT - 8} y={y(level) + 4} fontSize="12" textAnchor="end" fill={ink.soft}>
              {level}
            </text>
          </g>
        ))}
        {bands.map((one, place) => {
          const [from, to] = [x(place) + 10, x(place + 1) - 10];
          const middle = (from + to) / 2;
          const { fails } = one;
          return (
            <g key={one.band}>
              {one.permissible !== null && (
                <>
                  <path
                    d={`M${from - 6} ${y(one.permissible)}H${to + 6}`}
                    stroke={ink.void}
                    strokeWidth="1.6"
                  />
                  {[0, 1, 2, 3, 4, 5].map((tooth) => (
                    <path
                      key={tooth}
                      d={`M${from - 4 + (tooth * (to - from + 4)) / 5} ${y(one.permissible ?? 0)}l6 -6`}
                      stroke={ink.void}
                      strokeWidth="1"
                    />
                  ))}
                </>
              )}
              {one.low !== null && one.high !== null && one.high - one.low > 0 && (
                <path
                  d={`M${middle} ${y(one.low)}V${y(one.high)}`}
                  stroke={ink.text}
                  strokeWidth="7"
                  opacity="0.35"
                />
              )}
              {one.value !== null && (
                <>
                  <path d={`M${from} ${y(one.value)}H${to}`} stroke={ink.text} strokeWidth="3" />
                  {fails && (
                    <path
                      d={`M${middle} ${y(one.value)}V${y(one.permissible ?? 0)}`}
                      stroke={ink.void}
                      strokeWidth="2.4"
                    />
                  )}
                  <text
                    x={middle}
                    y={y(one.value) + (fails ? -7 : 16)}
                    fontSize="12.5"
                    textAnchor="middle"
                    fontWeight={fails ? 700 : 400}
                    fill={fails ? ink.void : ink.text}
                  >
                    {fails ? `${one.shown ?? ''} (${one.over ?? ''})` : one.shown}
                  </text>
                </>
              )}
              {one.value === null && one.permissible !== null && (
                <text x={middle} y={BOTTOM - 8} fontSize="12" textAnchor="middle" fill={ink.qualified}>
                  not measured
                </text>
              )}
              <text x={middle} y="240" fontSize="12" textAnchor="middle" fill={ink.soft}>
                {one.words}
              </text>
            </g>
          );
        })}
      </svg>
    </section>
  );
}

import { ink } from '../look/theme';
import { minus } from '../look/words';

interface Point {
  at: number;
  value: string;
}

const WIDTH = 480;
const HEIGHT = 60;
const EDGE = 6;
/** The stretch that is judged, ms. */
const JUDGED = 20_000;

/** The step of the last digit that a value is written with. */
const step = (value: string) => 10 ** -(value.split('.')[1]?.length ?? 0);

/**
 * What a channel showed in the last minutes. The twenty seconds that are judged are shaded, and set the scale: what crept in them
 * is seen, and what came before runs off the edge.
 */
export function Trace({ points, words, isJudged }: { points: Point[]; words: string; isJudged: boolean }) {
  const last = points.at(-1);
  const first = points[0];
  if (!last || !first) {
    return <div style={{ height: HEIGHT }} />;
  }
  const since = isJudged ? last.at - JUDGED : first.at;
  const values = points.filter((one) => one.at >= since).map((one) => Number(one.value));
  const least = 5 * step(last.value);
  const spare = Math.max(0, least - (Math.max(...values) - Math.min(...values))) / 2;
  const low = Math.min(...values) - spare;
  const high = Math.max(...values) + spare;
  const from = Math.min(first.at, since);
  const x = (at: number) => (last.at === from ? WIDTH : ((at - from) / (last.at - from)) * WIDTH);
  const y = (value: number) =>
    EDGE + ((high - Math.min(high, Math.max(low, value))) / (high - low)) * (HEIGHT - 2 * EDGE);
  const path = points.map((one) => `${x(one.at).toFixed(1)},${y(Number(one.value)).toFixed(1)}`).join(' ');
  const decimals = last.value.split('.')[1]?.length ?? 0;
  return (
    <div style={{ display: 'flex', gap: 8, alignItems: 'stretch' }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={words}
        style={{
          flex: 1,
          minWidth: 0,
          height: HEIGHT,
          background: ink.page,
          borderBottom: `1px solid ${ink.rule}`,
        }}
      >
        {isJudged && <rect x={x(since)} width={WIDTH - x(since)} height={HEIGHT} fill={ink.faint} />}
        <polyline
          points={path}
          fill="none"
          stroke={ink.text}
          strokeWidth="1.6"
          vectorEffect="non-scaling-stroke"
          strokeLinejoin="round"
        />
      </svg>
      <div
        aria-hidden="true"
        style={{
          display: 'flex',
          flexDirection: 'column',
          justifyContent: 'space-between',
          fontSize: '0.76rem',
          color: ink.soft,
          minWidth: 44,
        }}
      >
        <span>{minus(high.toFixed(decimals))}</span>
        <span>{minus(low.toFixed(decimals))}</span>
      </div>
    </div>
  );
}

import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { useReadings } from '../../api/hooks';
import type { Schemas } from '../../api/client';
import { ink } from '../../look/theme';
import { clock, minus, plural } from '../../look/words';
import { band, within, type Band, type View } from './band';

const WIDTH = 1000;
const HEIGHT = 190;
const LEFT = 46;
const BOTTOM = 22;

type Family = Schemas['Assessment']['family'];

/** What is drawn of one channel or size: its name, what stands beside it, what is not in the sums, where checks lie. */
interface Channel {
  channel: string;
  words: string;
  about: string;
  leftOut: Schemas['Span'][];
  response: { at: string; check: string }[];
}

function channelsOf(family: Family): Channel[] {
  if (family.kind === 'gas' && family.log) {
    return family.channels.map((one) => ({
      ...one,
      words: one.channel,
      about: `${one.substance ?? one.senses}${one.lamp ? `, lamp ${one.lamp} eV` : ''}`,
    }));
  }
  if (family.kind === 'particle' && family.log) {
    const { leftOut, channels } = family.log;
    return channels.map((one) => ({ ...one, about: '', leftOut, response: family.response }));
  }
  return [];
}

/** The log of one channel at a time: as the unit indicated, with the response taken out, limits, and what was left out. */
export function LogPicture({ page }: { page: Schemas['ResultPage'] }) {
  const { family } = page.assessment;
  const channels = channelsOf(family);
  return channels[0] ? <Channels page={page} channels={channels} first={channels[0].channel} /> : null;
}

function Channels({
  page,
  channels,
  first,
}: {
  page: Schemas['ResultPage'];
  channels: Channel[];
  first: string;
}) {
  const { family, results, headline } = page.assessment;
  const main = results.find((result) => result.key === headline);
  const named = main?.channel ?? main?.key.replace(/^count:/, '');
  const [channel, setChannel] = useState(
    channels.some((one) => one.channel === named) ? (named ?? first) : first,
  );
  const shown = channels.find((one) => one.channel === channel);
  return (
    <section aria-labelledby="log" style={{ marginTop: 10 }}>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 14, alignItems: 'center' }}>
        <h2 id="log" style={{ margin: 0 }}>
          Log
        </h2>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Channel"
          value={channel}
          onChange={(_, chosen: string | null) => chosen !== null && setChannel(chosen)}
        >
          {channels.map((one) => (
            <ToggleButton key={one.channel} value={one.channel} sx={{ textTransform: 'none', px: 2 }}>
              {one.words}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <span style={{ color: ink.soft }}>
          {shown?.about}
          {family.kind === 'gas' &&
            family.alarms !== null &&
            ` · alarm marked in ${plural(family.alarms, 'interval')}`}
        </span>
      </div>
      {shown && <Log key={channel} page={page} channel={shown} />}
    </section>
  );
}

function Log({ page, channel }: { page: Schemas['ResultPage']; channel: Channel }) {
  const asked = useReadings(page.run.id, channel.channel);
  const length = asked.data?.logged.length ?? 0;
  const [view, setView] = useState<View | null>(null);
  const [grab, setGrab] = useState<{ x: number; from: View } | null>(null);
  const seen = view ?? { from: 0, to: Math.max(1, length) };
  const data = asked.data;
  const { from, to } = seen;
  const [logged, corrected] = useMemo(
    () =>
      [data?.logged, data?.corrected].map((values) => band(values ?? [], { from, to }, WIDTH - LEFT)) as [
        Band,
        Band,
      ],
    [data, from, to],
  );
  if (asked.isPending) {
    return <p style={{ color: ink.soft, minHeight: HEIGHT }}>Reading the log …</p>;
  }
  if (!data) {
    return <p style={{ color: ink.soft }}>The log of this channel could not be read.</p>;
  }
  const values = [...logged, ...corrected].flatMap((one) => (one ? [one.low, one.high] : []));
  const limits = data.limits.filter((one) => one.value > 0);
  const top =
    Math.max(
      1,
      ...values,
      ...limits.filter((one) => one.value * 1000 < 3 * Math.max(1, ...values)).map((one) => one.value * 1000),
    ) * 1.06;
  const low = Math.min(0, ...values);
  const y = (value: number) => HEIGHT - BOTTOM - ((HEIGHT - BOTTOM - 10) * (value - low)) / (top - low);
  const x = (index: number) => LEFT + ((WIDTH - LEFT) * (index - seen.from)) / (seen.to - seen.from);
  const begin = Date.parse(data.start);
  const at = (index: number) => new Date(begin + index * 1000 * data.stepSeconds).toISOString();
  const index = (moment: string) => (Date.parse(moment) - begin) / (1000 * data.stepSeconds);
  const zone = page.campaign.zone;
  const zoom = (factor: number, around = (seen.from + seen.to) / 2) =>
    setView(
      within(
        { from: around - (around - seen.from) * factor, to: around + (seen.to - around) * factor },
        length,
      ),
    );
  const pan = (share: number) => {
    const by = (seen.to - seen.from) * share;
    setView(within({ from: seen.from + by, to: seen.to + by }, length));
  };
  // A reading is as wide as its interval: only where more than that is missing does the line break.
  const apart = Math.max(3, (1.6 * (WIDTH - LEFT)) / (seen.to - seen.from));
  const path = (bands: Band) => {
    const points = bands.flatMap((one, i) => (one ? [{ x: LEFT + i, ...one }] : []));
    return points
      .map(
        (p, i) =>
          `${i === 0 || p.x - (points[i - 1]?.x ?? 0) > apart ? 'M' : 'L'}${p.x} ${y(p.high).toFixed(1)}L${p.x} ${y(p.low).toFixed(1)}`,
      )
      .join('');
  };
  const marks = [0, 0.25, 0.5, 0.75, 1].map((share) => seen.from + share * (seen.to - seen.from));
  const highest = Math.max(...values);
  return (
    <>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="img"
        tabIndex={0}
        aria-label={`Log of ${channel.words} from ${clock(at(seen.from), zone)} to ${clock(at(seen.to), zone)}, highest ${(highest / 1000).toFixed(1)} ${data.unit}. Arrow keys move, plus and minus zoom.`}
        style={{ display: 'block', cursor: 'grab', touchAction: 'none', marginTop: 6 }}
        onKeyDown={(event) => {
          const step: Record<string, () => void> = {
            ArrowLeft: () => pan(-0.2),
            ArrowRight: () => pan(0.2),
            '+': () => zoom(0.5),
            '-': () => zoom(2),
          };
          const act = step[event.key];
          if (act) {
            event.preventDefault();
            event.stopPropagation();
            act();
          }
        }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setGrab({ x: event.clientX, from: seen });
        }}
        onPointerMove={(event) => {
          if (grab) {
            const width = event.currentTarget.getBoundingClientRect().width;
            const by = ((grab.x - event.clientX) / width) * (grab.from.to - grab.from.from);
            setView(within({ from: grab.from.from + by, to: grab.from.to + by }, length));
          }
        }}
        onPointerUp={() => setGrab(null)}
        onDoubleClick={() => zoom(0.5)}
      >
        {[0, 0.5, 1].map((share) => {
          const value = (share * top) / 1.06;
          return (
            <g key={share}>
              <path d={`M${LEFT} ${y(value)}H${WIDTH}`} stroke={ink.faint} />
              <text x={LEFT - 6} y={y(value) + 3.5} fontSize="10.5" textAnchor="end" fill={ink.soft}>
                {minus((value / 1000).toFixed(top < 20000 ? 1 : 0))}
              </text>
            </g>
          );
        })}
        {channel.leftOut.map((out) => {
          const [left, right] = [Math.max(LEFT, x(index(out.from))), Math.min(WIDTH, x(index(out.to)))];
          return right > left ? (
            <rect
              key={out.from}
              x={left}
              y="6"
              width={Math.max(2, right - left)}
              height={HEIGHT - BOTTOM - 6}
              fill={ink.qualified}
              opacity="0.22"
            />
          ) : null;
        })}
        {limits.map((limit) =>
          limit.value * 1000 <= top ? (
            <g key={limit.title}>
              <path
                d={`M${LEFT} ${y(limit.value * 1000)}H${WIDTH}`}
                stroke={ink.void}
                strokeDasharray="7 4"
              />
              <text
                x={WIDTH - 4}
                y={y(limit.value * 1000) - 4}
                fontSize="11"
                textAnchor="end"
                fill={ink.void}
              >
                {limit.title} {data.unit}
              </text>
            </g>
          ) : null,
        )}
        <path d={path(logged)} fill="none" stroke={ink.rule} strokeWidth="1.6" />
        {data.corrected && <path d={path(corrected)} fill="none" stroke={ink.text} strokeWidth="1" />}
        {channel.response.map((knot, i) => {
          const place = x(index(knot.at));
          return place >= LEFT && place <= WIDTH ? (
            <path
              key={`${knot.check}${i}`}
              d={`M${place} 6v${HEIGHT - BOTTOM - 6}`}
              stroke={ink.text}
              strokeDasharray="5 3"
            />
          ) : null;
        })}
        {marks.map((mark, i) => (
          <text
            key={i}
            x={Math.min(WIDTH - 18, Math.max(LEFT + 4, x(mark)))}
            y={HEIGHT - 6}
            fontSize="10.5"
            textAnchor="middle"
            fill={ink.soft}
          >
            {clock(at(mark), zone)}
          </text>
        ))}
      </svg>
      <div className="fn-noprint" style={{ display: 'flex', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
        <Button size="small" onClick={() => zoom(0.5)}>
          Closer
        </Button>
        <Button size="small" onClick={() => zoom(2)}>
          Wider
        </Button>
        <Button size="small" onClick={() => pan(-0.5)}>
          ← earlier
        </Button>
        <Button size="small" onClick={() => pan(0.5)}>
          later →
        </Button>
        <Button size="small" disabled={view === null} onClick={() => setView(null)}>
          Whole log
        </Button>
        <span style={{ color: ink.soft, fontSize: '0.86rem' }}>
          Grey: as indicated{data.corrected ? '; black: with the response of each moment taken out' : ''}
          {channel.leftOut.length > 0 && '; shaded: not in the sums'}; dashed upright: a check.
        </span>
      </div>
    </>
  );
}

import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { Channel } from '../source/Channel';
import { Frame } from '../source/Frame';
import { hasPorts } from '../source/port';
import { USUAL_BAUD, usePort } from '../source/usePort';
import type { useSource } from '../source/useSource';

const EVERY = 500;

interface Printed {
  channel: string;
  value: string;
  unit: string;
}

/** An open line, as docs/formats.md has it; null where it is another. */
const read = (text: string): Printed | null => {
  try {
    const line = JSON.parse(text) as Record<string, unknown>;
    return typeof line.channel === 'string' && typeof line.value === 'string'
      ? { channel: line.channel, value: line.value, unit: typeof line.in === 'string' ? line.in : '' }
      : null;
  } catch {
    return null;
  }
};

/** What an instrument prints while no server answers: it is shown, and judged by nobody. */
export function AwaySource({
  step,
  source,
}: {
  step: Schemas['Step'];
  source: ReturnType<typeof useSource>;
}) {
  const port = source.source?.kind === 'port' ? source.source.port : null;
  const { open, problem } = usePort(source.choose);
  const [, setTick] = useState(0);
  useEffect(() => {
    const timer = port ? window.setInterval(() => setTick((tick) => tick + 1), EVERY) : undefined;
    return () => window.clearInterval(timer);
  }, [port]);
  if (!port) {
    return hasPorts() ? (
      <p style={{ margin: '0 0 12px' }}>
        <Button
          variant="outlined"
          sx={{ minHeight: 44 }}
          onClick={() => open('', () => Promise.resolve(USUAL_BAUD))}
        >
          Look at a serial port
        </Button>{' '}
        {problem !== null && <span style={{ color: ink.void }}>{problem}</span>}
      </p>
    ) : null;
  }
  const lines = port.lines.printed();
  const wanted = [...new Set(step.feeds.map((feed) => feed.channel))];
  const shown = lines.flatMap(({ text, at }) => {
    const one = read(text);
    return one && wanted.includes(one.channel) ? [{ ...one, at }] : [];
  });
  return (
    <Frame>
      {wanted.map((channel) => {
        const points = shown.filter((one) => one.channel === channel);
        const last = points.at(-1);
        return (
          <Channel
            key={channel}
            name={channel}
            value={last?.value ?? null}
            unit={last?.unit ?? ''}
            points={points}
            isJudged={false}
            steady={null}
            words=""
            large={false}
          />
        );
      })}
      {shown.length === 0 && (
        <p style={{ margin: 0 }}>
          Printed last: <code>{lines.at(-1)?.text ?? 'nothing yet'}</code>
        </p>
      )}
      <p style={{ color: ink.qualified, margin: '6px 0 0' }}>
        Judged when back on line: whether it stands still is nobody&rsquo;s word now.
        {step.kind !== 'wait' && ' Write down what it shows.'}
      </p>
      {port.gone !== null && <p style={{ color: ink.void, margin: '6px 0 0' }}>{port.gone}</p>}
      <Button size="small" onClick={() => source.choose(null)}>
        Let it go
      </Button>
    </Frame>
  );
}

import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { minus } from '../look/words';
import { hasPorts, OpenPort } from '../source/port';
import { Frame } from '../source/Frame';
import { Trace } from '../source/Trace';
import type { useSource } from '../source/useSource';

/** Baud of a port where nobody can look up another. */
const BAUD = 9600;
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
  const [problem, setProblem] = useState<string | null>(null);
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
          onClick={() =>
            void OpenPort.chosen(BAUD)
              .then((opened) => source.choose({ kind: 'port', port: opened, profile: '' }))
              .catch((refused: unknown) =>
                setProblem(refused instanceof Error ? refused.message : 'The port could not be opened.'),
              )
          }
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
          <div key={channel} className="fn-channel">
            <div>
              <b>{channel}</b>
              <div className="fn-figure" style={{ fontSize: '1.35rem' }}>
                {last ? minus(last.value) : '–'}{' '}
                <span style={{ fontSize: '0.95rem', color: ink.soft }}>{last?.unit}</span>
              </div>
            </div>
            <Trace points={points} isJudged={false} words={`${channel} over the last minutes`} />
          </div>
        );
      })}
      {shown.length === 0 && (
        <p style={{ margin: 0 }}>
          Printed last: <code>{lines.at(-1)?.text ?? 'nothing yet'}</code>
        </p>
      )}
      <p style={{ color: ink.qualified, margin: '6px 0 0' }}>
        Judged when back on line: whether it stands still is nobody&rsquo;s word now. Write down what it
        shows.
      </p>
      {port.gone !== null && <p style={{ color: ink.void, margin: '6px 0 0' }}>{port.gone}</p>}
      <Button size="small" onClick={() => source.choose(null)}>
        Let it go
      </Button>
    </Frame>
  );
}

import { describe, expect, it, vi } from 'vitest';
import { Refusal } from '../api/client';
import { sendReport } from './sendReport';

/** A body that comes in pieces, cut wherever the network cuts it. */
const inPieces = (...pieces: string[]) =>
  new ReadableStream<Uint8Array>({
    start(controller) {
      const encoder = new TextEncoder();
      pieces.forEach((piece) => controller.enqueue(encoder.encode(piece)));
      controller.close();
    },
  });

const answers = (response: Response | Error) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(() => (response instanceof Error ? Promise.reject(response) : Promise.resolve(response))),
  );

const send = (progress = vi.fn()) => sendReport(new Blob(['x']), { number: 'W 1' }, progress);

const refusal = async () => {
  const refused: unknown = await send().catch((problem: unknown) => problem);
  expect(refused).toBeInstanceOf(Refusal);
  return refused as Refusal;
};

describe('a report on its way', () => {
  it('tells the progress and what was kept, however the lines are cut', async () => {
    answers(
      new Response(
        inPieces(
          '{"done":100,"of":2',
          '50}\n{"done":250,"of":250}\n{"report":"R","ro',
          'ws":250,"unmatched":["X"]}\n',
        ),
      ),
    );
    const progress = vi.fn();
    expect(await send(progress)).toEqual({ report: 'R', rows: 250, unmatched: ['X'] });
    expect(progress.mock.calls).toEqual([[{ done: 100, of: 250 }], [{ done: 250, of: 250 }]]);
    const header = (vi.mocked(fetch).mock.calls[0]?.[1]?.headers ?? {}) as Record<string, string>;
    expect(JSON.parse(decodeURIComponent(header['X-Report'] ?? ''))).toEqual({ number: 'W 1' });
  });

  it('waits where somebody else writes, and goes on by itself', async () => {
    vi.useFakeTimers();
    const outcomes = [
      new Response('{}', { status: 503, headers: { 'Retry-After': '2' } }),
      new Response('{"report":"R","rows":1,"unmatched":[]}\n'),
    ];
    const asked = vi.fn(() => Promise.resolve(outcomes.shift()));
    vi.stubGlobal('fetch', asked);
    const kept = send();
    await vi.advanceTimersByTimeAsync(1_900);
    expect(asked).toHaveBeenCalledTimes(1);
    await vi.advanceTimersByTimeAsync(200);
    vi.useRealTimers();
    expect(await kept).toEqual({ report: 'R', rows: 1, unmatched: [] });
    expect(asked).toHaveBeenCalledTimes(2);
  });

  it('says what was refused before anything was kept, line by line', async () => {
    answers(
      new Response(
        JSON.stringify({
          detail: 'The report was not kept.',
          fields: [{ field: '/line/3/front', problem: 'is missing.' }],
        }),
        { status: 422 },
      ),
    );
    const refused = await refusal();
    expect(refused.message).toBe('The report was not kept.');
    expect(refused.of('line/3/front')).toBe('is missing.');
  });

  it('says a fault that came while rows were kept', async () => {
    answers(
      new Response(
        inPieces(
          '{"done":100,"of":250}\n{"problem":"Say why.","fields":[{"field":"/reason","problem":"say why"}]}\n',
        ),
      ),
    );
    expect((await refusal()).of('reason')).toBe('say why');
  });

  it('takes nothing for kept when the server breaks off, is not there, or says nothing readable', async () => {
    answers(new Response(inPieces('{"done":100,"of":250}\n')));
    expect((await refusal()).message).toContain('Nothing was kept');
    answers(new Error('refused'));
    expect((await refusal()).message).toContain('not reached');
    answers(new Response('<html>', { status: 502 }));
    expect((await refusal()).message).toContain('502');
  });
});

import { afterEach, describe, expect, it, vi } from 'vitest';
import { answer, api, Refusal, type Problem } from './client';

const problem: Problem = {
  type: 'about:blank',
  title: 'Not accepted',
  status: 422,
  detail: 'Nothing was saved. Stop: must be after the start.',
  fields: [
    { field: '/stop', problem: 'must be after the start.' },
    { field: '/acoustic/asFound/0/value', problem: 'is not a decimal number.' },
  ],
};

describe('a refusal', () => {
  const refusal = new Refusal(problem);

  it('reads as what was said', () => {
    expect(refusal.message).toBe(problem.detail);
  });

  it('finds what was said of a field by the end of its path', () => {
    expect(refusal.of('stop')).toBe('must be after the start.');
    expect(refusal.of('asFound/0/value')).toBe('is not a decimal number.');
    expect(refusal.of('top')).toBeUndefined();
    expect(refusal.of('start')).toBeUndefined();
  });
});

describe('an answer', () => {
  it('is its data', async () => {
    await expect(answer(Promise.resolve({ data: 7, response: new Response() }))).resolves.toBe(7);
  });

  it('is a refusal with the words of the server', async () => {
    const asked = Promise.resolve({ error: problem, response: new Response(null, { status: 422 }) });
    await expect(answer(asked)).rejects.toMatchObject({ problem, message: problem.detail });
  });

  it('is a refusal in words of its own where the server said nothing', async () => {
    const asked = Promise.resolve({ error: '', response: new Response(null, { status: 502 }) });
    await expect(answer(asked)).rejects.toThrow('The server answered 502.');
  });

  it('says that what was typed is still there where the server was not reached', async () => {
    await expect(answer(Promise.reject(new TypeError('refused')))).rejects.toThrow(
      'What you typed is still here',
    );
  });
});

describe('a change', () => {
  afterEach(() => vi.unstubAllGlobals());
  const asked = (...outcomes: (Response | Error)[]) => {
    const ids: (string | null)[] = [];
    vi.stubGlobal('fetch', (request: Request) => {
      ids.push(request.headers.get('X-Request-Id'));
      const outcome = outcomes.shift() ?? new Response('{}');
      return outcome instanceof Error ? Promise.reject(outcome) : Promise.resolve(outcome);
    });
    return ids;
  };
  const send = (reason: string) =>
    api
      .POST('/api/bench/checks/{id}/set-aside', {
        baseUrl: 'http://localhost/',
        params: { path: { id: 'C-1' } },
        body: { reason },
        fetch: (request: Request) => fetch(request),
      })
      .catch(() => undefined);

  it('that was sent again after its answer was lost carries the same identifier, any other its own', async () => {
    const ids = asked(new TypeError('lost'));
    await send('a slip');
    await send('another');
    await send('a slip');
    await send('a slip');
    expect(ids[0]).toMatch(/^[0-9a-f]{32}$/);
    expect(ids[2]).toBe(ids[0]);
    expect(new Set(ids).size).toBe(3);
  });
});

describe('a server that is busy', () => {
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  const busy = () => new Response('{}', { status: 503, headers: { 'Retry-After': '3' } });

  it('is asked again after as long as it says, as the same request', async () => {
    vi.useFakeTimers();
    const ids: (string | null)[] = [];
    const outcomes = [busy(), busy(), Response.json({ user: null })];
    vi.stubGlobal('fetch', (request: Request) => {
      ids.push(request.headers.get('X-Request-Id'));
      return Promise.resolve(outcomes.shift());
    });
    const asked = api.POST('/api/session/begin', {
      baseUrl: 'http://here.invalid',
      body: { name: 'x', password: 'y' },
    });
    await vi.advanceTimersByTimeAsync(5_900);
    expect(ids).toHaveLength(2);
    await vi.advanceTimersByTimeAsync(200);
    expect((await asked).response.status).toBe(200);
    expect(new Set(ids).size).toBe(1);
    expect(ids[0]).not.toBeNull();
  });

  it('is told to the person in the end', async () => {
    vi.useFakeTimers();
    vi.stubGlobal('fetch', () => Promise.resolve(busy()));
    const asked = api.GET('/api/day', { baseUrl: 'http://here.invalid' });
    await vi.advanceTimersByTimeAsync(20_000);
    expect((await asked).response.status).toBe(503);
  });
});

import { QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { queries, type Schemas } from '../api/client';
import { step } from '../tests/fixtures';
import { lost, met } from './reach';
import { shelves } from './store';
import { useHalfDone } from './useHalfDone';

const server = vi.hoisted(() => ({ GET: vi.fn(), PUT: vi.fn(), POST: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const draft = {
  id: 'd1',
  version: 4,
  startedBy: 'T-1',
  typedBy: [],
  standIn: null,
  round: null,
  hasPhoto: false,
  startedAt: '2026-03-02T08:00:00+00:00',
  unit: { id: 'D', model: 'M' },
  procedure: {
    id: 'acoustic-check',
    title: 'Acoustic check',
    steps: [step('as-found', 'readings', { into: 'asFound' })],
  },
  sheets: [],
  references: [],
  answers: {
    reference: 'A',
    steps: { stopped: 'done' },
    stepTimes: { stopped: '2026-03-02T08:01:00+00:00' },
  },
  taken: [],
  problems: [],
  live: { lines: [], questions: [], said: [], policy: '', closes: [] },
} as unknown as Schemas['Draft'];

beforeEach(async () => {
  const db = await shelves();
  for (const name of ['checks', 'outbox', 'made', 'prepared', 'kept'] as const) {
    await db.clear(name);
  }
  queries.clear();
  queries.setQueryData(['session'], { zone: null, user: { name: 't', code: 'T-1', roles: [] } });
  window.localStorage.clear();
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.reject(new TypeError('no network'))),
  );
  server.GET.mockImplementation(() => Promise.resolve({ data: draft, response: new Response() }));
  server.PUT.mockImplementation(() => Promise.reject(new TypeError('no network')));
  met(new Response());
});
const hook = () =>
  renderHook(() => useHalfDone('d1'), {
    wrapper: ({ children }) => <QueryClientProvider client={queries}>{children}</QueryClientProvider>,
  });
const kept = async () => (await shelves()).get('checks', 'd1');

test('a half-done check of the server goes on on this device, and its moments are those of the device', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft?.version).toBe(4));
  act(() => lost());
  act(() => result.current.put({ steps: { stopped: 'done', reference: 'done' } }));
  await waitFor(async () =>
    expect((await kept())?.answers.steps).toEqual({ stopped: 'done', reference: 'done' }),
  );
  await waitFor(() => expect(result.current.away.check).not.toBeNull());
  expect(server.PUT).not.toHaveBeenCalled();
  expect((await kept())?.answers.at).toBeUndefined();

  act(() => result.current.put({ asFound: [{ value: '114.1', provenance: 'typed' }] }));
  await waitFor(async () => expect((await kept())?.answers.asFound).toHaveLength(1));
  const check = await kept();
  expect(check).toMatchObject({
    instrument: 'D',
    procedure: 'acoustic-check',
    from: { id: 'd1', version: 4 },
  });
  // When the first reading was made, and when each step was: what the server had noted stays.
  expect(Date.parse(check?.answers.at ?? '')).toBeGreaterThan(Date.now() - 60_000);
  expect(check?.answers.stepTimes?.['stopped']).toBe('2026-03-02T08:01:00+00:00');
  expect(Object.keys(check?.answers.stepTimes ?? {})).toEqual(['stopped', 'reference']);
  expect(result.current.answers.asFound).toHaveLength(1);
});

test('accepted without a network it waits in the outbox, behind its photo', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft?.version).toBe(4));
  act(() => lost());
  act(() => result.current.put({ asFound: [{ value: '114.1', provenance: 'photographed' }] }));
  await waitFor(() => expect(result.current.away.check).not.toBeNull());
  await act(() =>
    result.current.away.keepPhoto(new File(['x'], 'd.png', { type: 'image/png' }), 'asFound/0'),
  );
  await waitFor(() => expect(result.current.draft?.hasPhoto).toBe(true));
  await act(() => result.current.accept());
  const waiting = await (await shelves()).getAll('outbox');
  expect(waiting.map((one) => one.kind)).toEqual(['photo', 'check', 'acceptance']);
  expect(waiting[2]?.after).toEqual([waiting[1]?.request, waiting[0]?.request]);
  expect((await kept())?.closed).toBe('accepted');
});

test('with a network nothing of it stays on this device', async () => {
  server.PUT.mockImplementation((_: string, { body }: { body: { answers: object } }) =>
    Promise.resolve({ data: { ...draft, version: 5, answers: body.answers }, response: new Response() }),
  );
  const { result } = hook();
  await waitFor(() => expect(result.current.draft?.version).toBe(4));
  act(() => result.current.put({ remarks: 'x' }));
  await waitFor(() => expect(result.current.draft?.version).toBe(5));
  expect(await kept()).toBeUndefined();
});

test('an answer that this device could not keep is said', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft?.version).toBe(4));
  act(() => lost());
  act(() => result.current.put({ remarks: 'x' }));
  await waitFor(() => expect(result.current.away.check).not.toBeNull());
  const db = await shelves();
  const full = vi.spyOn(db, 'put').mockRejectedValueOnce(new Error('no room'));
  act(() => result.current.put({ remarks: 'xy' }));
  await waitFor(() => expect(result.current.problem?.message).toContain('no room'));
  expect(result.current.answers.remarks).toBe('xy');
  full.mockRestore();
  act(() => result.current.put({ remarks: 'xyz' }));
  await waitFor(() => expect(result.current.problem).toBeNull());
});

test('what is answered just as it was brought follows it to the server', async () => {
  server.PUT.mockImplementation((_: string, { body }: { body: { answers: object } }) =>
    Promise.resolve({ data: { ...draft, version: 6, answers: body.answers }, response: new Response() }),
  );
  const { result } = hook();
  await waitFor(() => expect(result.current.draft?.version).toBe(4));
  act(() => lost());
  act(() => result.current.put({ remarks: 'x' }));
  await waitFor(() => expect(result.current.away.check).not.toBeNull());
  // Brought, and this window has not heard of it yet.
  const db = await shelves();
  const request = result.current.away.check?.request ?? '';
  await db.put('made', {
    request,
    person: 'T-1',
    at: Date.now(),
    made: { id: 'd1', version: 5 },
    local: 'd1',
  });
  await db.delete('checks', 'd1');
  act(() => result.current.put({ remarks: 'xy' }));
  act(() => met(new Response()));
  await waitFor(() => expect(server.PUT).toHaveBeenCalled());
  expect(server.PUT.mock.lastCall?.[1]).toMatchObject({ body: { answers: { remarks: 'xy' } } });
  await waitFor(() => expect(result.current.answers.remarks).toBe('xy'));
  expect(await kept()).toBeUndefined();
});

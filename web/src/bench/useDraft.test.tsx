import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import { useDraft } from './useDraft';

const server = vi.hoisted(() => ({ GET: vi.fn(), PUT: vi.fn() }));

vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const draft = (version: number, answers: Record<string, unknown> = {}) => ({
  id: 'd1',
  version,
  startedBy: 'T-1',
  typedBy: [{ by: 'T-1', fields: ['reference'] }],
  startedAt: '2026-11-18T07:00:00+00:00',
  unit: { id: 'D', model: 'M', microphone: null, selfAdjusting: false, hold: [], running: null },
  procedure: { title: '', steps: [] },
  references: [],
  answers,
  taken: [],
  problems: [],
  live: {
    expected: null,
    asFound: null,
    asLeft: null,
    drift: null,
    driftKept: null,
    driftLimit: '',
    since: null,
    policy: '',
    closes: [],
  },
});

const good = (data: unknown) => ({ data, response: new Response() });
const bad = (error: { status: number; detail: string }) => ({
  error: { type: '', title: '', fields: [], ...error },
  response: new Response(null, { status: error.status }),
});

interface Sent {
  version: number;
  answers: Record<string, unknown>;
}

let sent: Sent[];
let respond: (put: Sent) => unknown;

beforeEach(() => {
  const store = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => store.set(key, value),
    removeItem: (key: string) => store.delete(key),
  });
  Object.defineProperty(window, 'localStorage', { value: globalThis.localStorage, configurable: true });
  sent = [];
  respond = (put) => good(draft(put.version + 1, put.answers));
  server.GET.mockImplementation(() => Promise.resolve(good(draft(sent.length + 1))));
  server.PUT.mockImplementation((_path: string, { body }: { body: Sent }) => {
    sent.push(body);
    return Promise.resolve().then(() => respond(body));
  });
});

const hook = () => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return renderHook(() => useDraft('d1'), {
    wrapper: ({ children }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>,
  });
};

it('sends every answer with all before it, one after another', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft).toBeDefined());
  act(() => result.current.put({ nominal: '114' }));
  act(() => result.current.put({ reference: 'AC-01' }));
  expect(result.current.answers).toEqual({ nominal: '114', reference: 'AC-01' });
  await waitFor(() => expect(sent.at(-1)?.answers).toEqual({ nominal: '114', reference: 'AC-01' }));
  expect(sent.map((put) => put.version)).toEqual(sent.map((_, place) => place + 1));
  await waitFor(() => expect(window.localStorage.getItem('footnote.draft.d1')).toBeNull());
});

it('keeps in the browser what was answered while an earlier answer was on its way', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft).toBeDefined());
  const arrive: (() => void)[] = [];
  respond = (put) =>
    new Promise((done) => arrive.push(() => done(good(draft(put.version + 1, put.answers)))));
  act(() => result.current.put({ nominal: '114' }));
  await waitFor(() => expect(arrive).toHaveLength(1));
  act(() => result.current.put({ reference: 'AC-01' }));
  await act(() => Promise.resolve(arrive[0]?.()));
  await waitFor(() => expect(arrive).toHaveLength(2));
  // A lid that closes now loses nothing.
  expect(window.localStorage.getItem('footnote.draft.d1')).toContain('AC-01');
  await act(() => Promise.resolve(arrive[1]?.()));
  await waitFor(() => expect(window.localStorage.getItem('footnote.draft.d1')).toBeNull());
});

it('keeps what was typed while the server does not answer, and sends it again', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft).toBeDefined());
  respond = () => Promise.reject(new TypeError('no connection'));
  act(() => result.current.put({ nominal: '114' }));
  await waitFor(() => expect(result.current.problem?.message).toContain('not reached'));
  expect(result.current.answers).toEqual({ nominal: '114' });
  expect(window.localStorage.getItem('footnote.draft.d1')).toContain('114');
  respond = (put) => good(draft(put.version + 1, put.answers));
  await act(() => result.current.again());
  await waitFor(() => expect(result.current.problem).toBeNull());
  expect(window.localStorage.getItem('footnote.draft.d1')).toBeNull();
});

it('takes up what an earlier tab could not send', async () => {
  window.localStorage.setItem('footnote.draft.d1', JSON.stringify({ nominal: '94' }));
  const { result } = hook();
  await waitFor(() => expect(result.current.draft).toBeDefined());
  expect(result.current.answers).toEqual({ nominal: '94' });
  await waitFor(() => expect(sent.map((put) => put.answers)).toEqual([{ nominal: '94' }]));
  await waitFor(() => expect(window.localStorage.getItem('footnote.draft.d1')).toBeNull());
  act(() => result.current.put({ reference: 'AC-01' }));
  await waitFor(() => expect(sent.at(-1)?.answers).toEqual({ nominal: '94', reference: 'AC-01' }));
});

it('says that somebody else answered meanwhile, and keeps what was typed', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft).toBeDefined());
  respond = () => bad({ status: 409, detail: 'answered elsewhere meanwhile' });
  act(() => result.current.put({ nominal: '114' }));
  await waitFor(() => expect(result.current.problem?.problem.status).toBe(409));
  expect(result.current.answers).toEqual({ nominal: '114' });
});

it('keeps what somebody else answered beside what was typed here', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft).toBeDefined());
  respond = () => bad({ status: 409, detail: 'answered elsewhere meanwhile' });
  server.GET.mockImplementation(() =>
    Promise.resolve(good(draft(7, { reference: 'AC-02', nominal: '94', steps: { stopped: 'done' } }))),
  );
  act(() => result.current.put({ nominal: '114', steps: { reference: 'done' } }));
  const both = { reference: 'AC-02', nominal: '114', steps: { stopped: 'done', reference: 'done' } };
  await waitFor(() => expect(result.current.answers).toEqual(both));
  respond = (put) => good(draft(put.version + 1, put.answers));
  await act(() => result.current.again());
  expect(sent.at(-1)).toMatchObject({ version: 7, answers: both });
});

it('sends what is answered after nothing was to send, such as what an accept was refused for', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft).toBeDefined());
  await act(async () => {
    await result.current.seen();
  });
  act(() => result.current.put({ asFound: [{ value: '114.0' }] }));
  await waitFor(() => expect(sent).toHaveLength(1));
});

it('goes on from what the server answered itself', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft).toBeDefined());
  act(() => result.current.put({ remarks: 'before' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  act(() => result.current.replace(draft(7, { remarks: 'before', asFound: ['taken'] }) as never));
  act(() => result.current.put({ adjusted: false }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent[1]).toEqual({
    version: 7,
    answers: { remarks: 'before', asFound: ['taken'], adjusted: false },
  });
});

it('keeps what was typed while the server took a reading, and sends it beside that', async () => {
  const { result } = hook();
  await waitFor(() => expect(result.current.draft).toBeDefined());
  let arrive: (value: unknown) => void = () => undefined;
  respond = () => new Promise((resolve) => (arrive = resolve));
  act(() => result.current.put({ remarks: 'typed meanwhile' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  respond = (put) => good(draft(put.version + 1, put.answers));
  act(() => result.current.replace(draft(7, { asFound: ['taken'] }) as never));
  expect(result.current.answers).toEqual({ asFound: ['taken'], remarks: 'typed meanwhile' });
  // What was on its way was of an older version: it is refused, and sent again beside what the server took.
  act(() => arrive(bad({ status: 409, detail: 'answered elsewhere' })));
  await waitFor(() =>
    expect(sent.at(-1)?.answers).toEqual({ asFound: ['taken'], remarks: 'typed meanwhile' }),
  );
  await waitFor(() => expect(window.localStorage.getItem('footnote.draft.d1')).toBeNull());
});

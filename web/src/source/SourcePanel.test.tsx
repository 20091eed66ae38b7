import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { entry, step } from '../tests/fixtures';
import { SourcePanel } from './SourcePanel';
import { joined } from './useSource';

const server = vi.hoisted(() => ({ GET: vi.fn(), PUT: vi.fn(), POST: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const heard = (more: Partial<Schemas['Heard']> = {}, channel: object = {}): Schemas['Heard'] => ({
  now: '2026-03-02T08:00:30.000Z',
  simulated: true,
  every: 10,
  channels: [
    {
      channel: 'level',
      in: 'dB',
      value: '114.0',
      steady: true,
      isJudged: true,
      words: 'stands still: within 0.2 dB over 20 s',
      points: [{ at: '2026-03-02T08:00:29.000Z', value: '114.0' }],
      ...channel,
    },
  ],
  others: [],
  unread: { count: 0, last: [] },
  refusals: [],
  ...more,
});
const draft = { id: 'd1', version: 3, standIn: null } as unknown as Schemas['Draft'];
const reads = step('as-found', 'readings', {
  into: 'asFound',
  columns: [entry('value', 'decimal')],
  feeds: [{ channel: 'level', column: 'value' }],
});
const replace = vi.fn();

const shown = (
  from: Schemas['Heard'] | null,
  missing = 1,
  leave: (() => void) | null = null,
  at: Schemas['Step'] = reads,
) => (
  <QueryClientProvider client={new QueryClient()}>
    <SourcePanel
      draft={draft}
      step={at}
      source={{
        source: null,
        standIn: true,
        connected: true,
        heard: from,
        points: {},
        problem: null,
        choose: vi.fn(),
        told: () => ({ kind: 'stand-in' }),
      }}
      seen={() => Promise.resolve(3)}
      replace={replace}
      missing={missing}
      toSet={at.eachSet ? '114 dB 250 Hz' : null}
      leave={leave}
    />
  </QueryClientProvider>
);

beforeEach(() => {
  vi.clearAllMocks();
  server.POST.mockResolvedValue({ data: { id: 'd1', version: 4 }, response: new Response() });
});

it('takes what stands still by one key, once', async () => {
  render(shown(heard()));
  fireEvent.keyDown(document.body, { key: 't' });
  await waitFor(() => expect(replace).toHaveBeenCalledTimes(1));
  expect(server.POST).toHaveBeenCalledWith('/api/bench/drafts/{id}/take', {
    params: { path: { id: 'd1' } },
    body: { version: 3, step: 'as-found', source: { kind: 'stand-in' }, anyway: false },
  });
});

it('does not take what moves, what is not known, or what is of another', () => {
  for (const from of [
    heard({}, { steady: false }),
    heard({}, { steady: null }),
    heard({}, { value: null, steady: null }),
    heard({ refusals: ['These are lines of another.'] }),
    null,
  ]) {
    const { unmount } = render(shown(from));
    fireEvent.keyDown(document.body, { key: 't' });
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /^Take it.\(t\)/ }).disabled).toBe(true);
    unmount();
  }
  expect(server.POST).not.toHaveBeenCalled();
});

it('lets a person take what moves, and says so to the server', async () => {
  render(shown(heard({}, { steady: false })));
  fireEvent.click(screen.getByRole('button', { name: 'Take it though it moves' }));
  await waitFor(() => expect(server.POST).toHaveBeenCalled());
  expect((server.POST.mock.calls[0]?.[1] as { body: { anyway: boolean } }).body.anyway).toBe(true);
});

it('takes the replicates that follow by itself, each after its interval, until it is stopped', async () => {
  const view = render(shown(heard(), 3));
  fireEvent.keyDown(document.body, { key: 't' });
  await screen.findByText(/3 readings more follow by themselves, 10 s apart/);
  const later = Date.now() + 10_500;
  vi.spyOn(Date, 'now').mockReturnValue(later);
  view.rerender(shown(heard({ now: '2026-03-02T08:00:41.000Z' }), 2));
  await waitFor(() => expect(server.POST).toHaveBeenCalledTimes(2));
  fireEvent.click(await screen.findByRole('button', { name: 'Stop' }));
  vi.spyOn(Date, 'now').mockReturnValue(later + 60_000);
  view.rerender(shown(heard({ now: '2026-03-02T08:00:52.000Z' }), 1));
  expect(server.POST).toHaveBeenCalledTimes(2);
  vi.restoreAllMocks();
});

it('lets none follow where a person sets each, and says what is set next', async () => {
  const each = { ...reads, eachSet: true };
  const view = render(shown(heard({ every: null }), 3, null, each));
  expect(screen.getByText(/what stood there before is not taken/).textContent).toContain('114 dB 250 Hz');
  fireEvent.keyDown(document.body, { key: 't' });
  await waitFor(() => expect(replace).toHaveBeenCalledTimes(1));
  vi.spyOn(Date, 'now').mockReturnValue(Date.now() + 60_000);
  view.rerender(shown(heard({ every: null, now: '2026-03-02T08:01:41.000Z' }), 2, null, each));
  expect(server.POST).toHaveBeenCalledTimes(1);
  vi.restoreAllMocks();
});

it('shows what is waited for, and takes nothing of it', () => {
  render(shown(heard(), 0, null, { ...reads, kind: 'wait' }));
  expect(screen.getByText(/stands still/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: /Take it/ })).toBeNull();
  fireEvent.keyDown(document.body, { key: 't' });
  expect(server.POST).not.toHaveBeenCalled();
});

it('says what could not be read, and what is printed besides', () => {
  render(
    shown(heard({ others: ['peak'], unread: { count: 2, last: [{ line: 7, problem: 'shows "OL"' }] } })),
  );
  expect(screen.getByText('2 lines could not be read')).toBeTruthy();
  expect(screen.getByText(/Line 7 shows "OL"/)).toBeTruthy();
  expect(screen.getByText('Printed too, not asked here: peak.')).toBeTruthy();
});

it('joins a trace without telling a moment twice', () => {
  const once = joined({}, heard());
  expect(joined(once, heard())['level']).toEqual([
    { at: Date.parse('2026-03-02T08:00:29.000Z'), value: '114.0' },
  ]);
});

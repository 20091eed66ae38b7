import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { localOf } from '../look/words';
import { pick, press, refuse, sent, serve, show, type, valueOf } from '../tests/served';
import { LeaveOut } from './LeaveOut';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const run = {
  learned: [],
  id: 'R-1',
  start: '2026-11-24T08:00:00+00:00',
  stop: '2026-11-24T16:00:00+00:00',
  shiftMinutes: 480,
  restOfDay: null,
  declaration: null,
} as unknown as Schemas['Run'];
const looked = (kind: string, what: string, from: string | null, to: string | null = from) => ({
  kind,
  what,
  why: 'it stands on no record',
  by: 'noise.tone-removed',
  taken: kind === 'by rule',
  from,
  to,
  otherwise: null,
});
const noon = ['2026-11-24T12:00:00+00:00', '2026-11-24T12:01:00+00:00'] as const;
const page = (altered: object[], between: object[] = []) => ({
  assessment: { bracket: { between }, results: [{ altered }, { altered }] },
});
const open = (result: object, what: Partial<Schemas['Run']> = {}, log = true) => {
  serve(server, { '/api/results/{run}': result });
  show(<LeaveOut run={{ ...run, ...what }} log={log} />);
};

beforeEach(() => vi.clearAllMocks());
afterEach(cleanup);

describe('what a hygienist leaves out or in', () => {
  it('offers each stretch that looks like a check once, whatever number of results it touches', async () => {
    open(
      page([
        looked('by rule', 'a tone of 114.0 dB', ...noon),
        looked('offered', 'a steady level of 94.0 dB', '2026-11-24T13:00:00+00:00'),
        looked('recorded check', 'a tone on record', '2026-11-24T14:00:00+00:00'),
        looked('assumed', 'that the rest was like it', null),
      ]),
    );
    expect(await screen.findAllByText(/a tone of 114.0 dB/)).toHaveLength(1);
    expect(screen.getByText(/is out by rule/)).toBeTruthy();
    expect(screen.getByText(/stays in: it stands on no record/)).toBeTruthy();
    expect(screen.queryByText(/a tone on record/)).toBeNull();
    expect(screen.queryByText(/that the rest was like it/)).toBeNull();
  });

  it('takes its times over and sends it as work that stays in, with the reason', async () => {
    open(page([looked('by rule', 'a tone of 114.0 dB', ...noon)]));
    fireEvent.click(await screen.findByRole('button', { name: 'It was work: in' }));
    expect(valueOf(/^From, local time/)).toBe(localOf(new Date(noon[0])));
    expect(valueOf(/^To, local time/)).toBe(localOf(new Date(noon[1])));
    type(/^Reason/, 'a press beside it');
    press('Leave it in');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    const body = sent(server.POST).body as Schemas['NewFacts'];
    expect(body.exclusions).toBeUndefined();
    expect(body.leftIn?.[0]?.reason).toBe('a press beside it');
    expect(new Date(body.leftIn?.[0]?.from ?? '').toISOString()).toBe('2026-11-24T12:00:00.000Z');
    expect(new Date(body.leftIn?.[0]?.to ?? '').toISOString()).toBe('2026-11-24T12:01:00.000Z');
  });

  it('sends a check as left out, and keeps what was typed where it is refused', async () => {
    open(page([looked('offered', 'a steady level of 94.0 dB', ...noon)]));
    fireEvent.click(await screen.findByRole('button', { name: 'It was a check: out' }));
    type(/^Reason/, 'noon check, not on record');
    refuse(server.POST, 'Nothing was changed.', { '/exclusions/0/to': 'must be after the beginning.' });
    press('Leave it out');
    expect(await screen.findByText('Nothing was changed.')).toBeTruthy();
    expect(valueOf(/^Reason/)).toBe('noon check, not on record');
    expect(sent(server.POST).body).toMatchObject({ exclusions: [{ reason: 'noon check, not on record' }] });
  });

  it('asks no stretch of what has none', () => {
    open(page([]), {}, false);
    expect(screen.queryByText(/Leave a stretch out/)).toBeNull();
    expect(screen.getByText('The rest of the working day')).toBeTruthy();
  });
});

describe('the rest of the day', () => {
  it('is asked only where a working day was stated, and is said with how that is known', async () => {
    open(page([]), { shiftMinutes: null });
    expect(screen.queryByText('The rest of the working day')).toBeNull();
    cleanup();
    open(page([]));
    pick(/What was not sampled/, 'without exposure');
    type(/How that is known/, 'he was at a desk');
    press('Say so');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toEqual({
      seen: 0,
      restOfDay: { was: 'nothing', reason: 'he was at a desk' },
    });
  });

  it('says why where it was said otherwise before', async () => {
    open(page([]), { restOfDay: { was: 'nothing', reason: 'x', by: 'H-1' } });
    pick(/What was not sampled/, 'like what was sampled');
    type(/How that is known/, 'the foreman says so');
    press('Say so');
    await waitFor(() =>
      expect(sent(server.POST).body).toEqual({
        seen: 0,
        restOfDay: { was: 'as sampled', reason: 'the foreman says so' },
        reason: 'the foreman says so',
      }),
    );
  });
});

describe('a segment', () => {
  it('is declared up to the first check in between, and once only', async () => {
    const between = [
      { check: 'C-2', at: '2026-11-24T12:00:00+00:00' },
      { check: 'C-3', at: '2026-11-24T14:00:00+00:00' },
    ];
    open(page([], between));
    const why = await screen.findByLabelText(/The segment up to C-2 is representative/);
    fireEvent.change(why, { target: { value: 'the same work all day' } });
    fireEvent.click(within(why.closest('form') as HTMLElement).getByRole('button', { name: 'Declare' }));
    await waitFor(() =>
      expect(sent(server.POST).body).toEqual({
        seen: 0,
        declaration: { check: 'C-2', reason: 'the same work all day' },
      }),
    );
    cleanup();
    open(page([], between), { declaration: { check: 'C-2', reason: 'x', by: 'H-1' } });
    await waitFor(() => expect(server.GET).toHaveBeenCalled());
    expect(screen.queryByRole('button', { name: 'Declare' })).toBeNull();
  });
});

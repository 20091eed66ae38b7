import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { press, sent, serve, type Server, show } from '../tests/served';
import { chime, isSilent } from './chime';
import { Timers } from './Timers';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const timer = (id: string, elapsed: number, more: object = {}) => ({
  id,
  unit: `U-${id}`,
  words: 'warming up',
  seconds: 300,
  elapsed,
  by: 'T-1',
  draft: null,
  ...more,
});
const tones = vi.fn();
const audio = () => ({
  createOscillator: () => ({
    frequency: { value: 0 },
    connect: () => ({ connect: vi.fn() }),
    start: tones,
    stop: vi.fn(),
  }),
  createGain: () => ({ gain: { value: 0 } }),
  destination: null,
  currentTime: 0,
  close: () => Promise.resolve(),
});

beforeEach(() => {
  window.localStorage.clear();
  tones.mockClear();
  vi.useFakeTimers({ shouldAdvanceTime: true });
  vi.stubGlobal('AudioContext', function AudioContext() {
    return audio();
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

it('tells of several at once, by the clock of the server, and is heard once when one is over', async () => {
  serve(server, {
    '/api/bench/timers': { timers: [timer('a', 295), timer('b', 10, { draft: 'd1', words: 'steady' })] },
  });
  show(<Timers records />);
  expect(await screen.findByText('0:05')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'U-b steady' }).getAttribute('href')).toBe('/bench/d1');
  expect(screen.getByText('4:50')).toBeTruthy();
  expect(tones).not.toHaveBeenCalled();
  await act(() => vi.advanceTimersByTimeAsync(6000));
  expect(screen.getByText('is over')).toBeTruthy();
  await act(() => vi.advanceTimersByTimeAsync(3000));
  expect(tones).toHaveBeenCalledTimes(2);
});

it('can be silent, and stays so', async () => {
  serve(server, { '/api/bench/timers': { timers: [timer('a', 301)] } });
  show(<Timers records />);
  await screen.findByRole('button', { name: 'Sound is on' });
  press('Sound is on');
  expect(isSilent()).toBe(true);
  tones.mockClear();
  chime();
  expect(tones).not.toHaveBeenCalled();
});

it('is put away by whoever records; the wait of a check is not', async () => {
  serve(server, {
    '/api/bench/timers': { timers: [timer('a', 0), timer('b', 0, { draft: 'd1' })] },
  });
  show(<Timers records />);
  fireEvent.click(await screen.findByRole('button', { name: 'Put away: U-a warming up' }));
  await waitFor(() => expect(sent(server.POST).params?.path).toEqual({ id: 'a' }));
  expect(screen.queryByRole('button', { name: /Put away: U-b/ })).toBeNull();
});

it('takes no room where nothing is waited for', async () => {
  serve(server, { '/api/bench/timers': { timers: [] } });
  show(<Timers records={false} />);
  await waitFor(() => expect(server.GET).toHaveBeenCalled());
  expect(screen.queryByLabelText('Timers')).toBeNull();
});

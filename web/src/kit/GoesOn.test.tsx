import { screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { serve, type Server, showAt } from '../tests/served';
import { BeforeUse, GoesOn } from './GoesOn';
import { SharedGoesOn } from './SharedGoesOn';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const channel = (name: string, more: Partial<Schemas['Trend']['channels'][number]> = {}) => ({
  channel: name,
  unit: 'dB',
  isFound: true,
  points: [0.1, 0, 0.9].map((value, place) => ({
    check: `C-${place}`,
    at: `2026-03-0${place + 1}T08:00:00+00:00`,
    value,
    out: value > 0.5,
  })),
  chart: { centre: 0.1, lower: -0.3, upper: 0.5 },
  words: ['It was found off by +0.10 dB on average.', 'At C-2 it was found off by +0.90 dB.'],
  now: ['At C-2 it was found off by +0.90 dB.'],
  learned: ['Found off by more than 0.5 dB at 1 of 5 checks, in 40 days in service.'],
  ...more,
});
const trend = (...channels: Schemas['Trend']['channels']): Schemas['Trend'] => ({
  policy: 'Standard',
  channels,
});

it('draws what is out of the ordinary, and says what is to be known first', async () => {
  serve(server, { '/api/kit/instruments/{id}/trend': trend(channel('')) });
  showAt('/', '/', <GoesOn unit="D" channel="" />);
  await screen.findByRole('img', { name: 'Control chart of 3 checks, 1 out of the ordinary' });
  expect(screen.getByText('C-2: +0.90 dB, out of the ordinary')).toBeTruthy();
  expect(screen.getByText('At C-2 it was found off by +0.90 dB.').style.fontWeight).toBe('600');
  expect(screen.getByText('It was found off by +0.10 dB on average.').style.fontWeight).toBe('');
  screen.getByRole('heading', { name: 'What that teaches of its intervals' });
  screen.getByText('Found off by more than 0.5 dB at 1 of 5 checks, in 40 days in service.');
});

it('draws no chart of too few checks, and still says so', async () => {
  const few = channel('', { chart: null, words: ['So far there are 3.'], now: [], isFound: false });
  serve(server, { '/api/kit/instruments/{id}/trend': trend(few) });
  showAt('/', '/', <GoesOn unit="D" channel="" />);
  await screen.findByText('So far there are 3.');
  expect(screen.queryByRole('img')).toBeNull();
  expect(screen.getByRole('heading', { name: /How it moves/ })).toBeTruthy();
});

it('names the channel before it is used, and says nothing where it goes on as ever', async () => {
  serve(server, {
    '/api/kit/instruments/{id}/trend': trend(
      channel('CO', { now: [] }),
      channel('PID', { now: ['It creeps.'] }),
    ),
  });
  showAt('/', '/', <BeforeUse unit="G" />);
  expect(await screen.findByText('PID: It creeps.')).toBeTruthy();
  expect(screen.queryByText(/CO/)).toBeNull();
});

it('tells of a reference what its units share, and says where they never did', async () => {
  const shared = { ...channel(''), of: 'noise dosimeter', words: ['4 of 4 units moved alike by +0.40 dB.'] };
  serve(server, { '/api/kit/references/{id}/trend': { channels: [shared] } });
  const first = showAt('/', '/', <SharedGoesOn reference="AC-01" />);
  expect(await screen.findByText('4 of 4 units moved alike by +0.40 dB.')).toBeTruthy();
  expect(screen.getByRole('heading', { name: 'noise dosimeter' })).toBeTruthy();
  expect(screen.getByRole('img', { name: /Control chart of 3 checks/ })).toBeTruthy();
  first.unmount();
  serve(server, { '/api/kit/references/{id}/trend': { channels: [] } });
  showAt('/', '/', <SharedGoesOn reference="AC-02" />);
  expect(await screen.findByText(/Never yet were three units checked on it/)).toBeTruthy();
});

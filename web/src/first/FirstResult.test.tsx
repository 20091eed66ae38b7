import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { serve, sent, showAt, where } from '../tests/served';
import { FirstResult } from './FirstResult';
import { nextOf } from './steps';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

type Way = Schemas['FirstResult'];
type Step = Way['steps'][number];
const ALL: Step['id'][] = [
  'people',
  'campaign',
  'unit',
  'reference',
  'check',
  'run',
  'stop',
  'after',
  'shown',
  'sign',
];

const way = (done: number, more: Partial<Way> = {}, one: Partial<Step> = {}): Way => ({
  steps: ALL.map((id, at) => ({
    id,
    done: at > 0 && at <= done,
    optional: id === 'people',
    may: true,
    who: ['steward'],
    lacks: [],
    ...(at === done + 1 ? one : {}),
  })),
  unit: 'DM-01',
  run: 'R-1',
  kinds: ['acoustic-calibrator'],
  verdict: null,
  ...more,
});

const open = async (told: Way) => {
  serve(server, { '/api/first-result': told }, { id: 'D-1' });
  showAt('/kit', '/kit', <FirstResult />);
  await screen.findByText(/Your first result/);
};

beforeEach(() => window.sessionStorage.clear());

it('passes over what may wait once something behind it is done', () => {
  expect(nextOf(way(0).steps)?.id).toBe('people');
  expect(nextOf(way(1).steps)?.id).toBe('unit');
  expect(nextOf(way(9).steps)).toBeUndefined();
});

it('leads to where the next step is done, with the kind of reference that serves', async () => {
  await open(way(2));
  expect(screen.getByText('Your first result: 2 of 9 done')).toBeTruthy();
  const link = screen.getByRole<HTMLAnchorElement>('link', {
    name: 'Register what DM-01 is checked against',
  });
  expect(link.getAttribute('href')).toBe('/kit?add=reference&kind=acoustic-calibrator');
});

it('begins the check itself, and says what is still against the unit', async () => {
  await open(way(3, {}, { lacks: ['Its last check was 0.9 dB off.'] }));
  expect(screen.getByText('Its last check was 0.9 dB off.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Check DM-01 before use' }));
  await waitFor(() => expect(where()).toBe('/bench/D-1'));
  expect(sent(server.POST).params?.path).toEqual({ instrument: 'DM-01' });
});

it('names who may, where one may not', async () => {
  await open(way(8, { verdict: 'qualified' }, { may: false, who: ['hygienist'] }));
  expect(screen.getByText('qualified')).toBeTruthy();
  expect(screen.getByText('Judge and sign the result: a hygienist does it')).toBeTruthy();
  expect(screen.queryByRole('link')).toBeNull();
});

it('shows all steps, and can be put away', async () => {
  await open(way(0));
  fireEvent.click(screen.getByRole('button', { name: 'All steps' }));
  expect(screen.getAllByRole('listitem')).toHaveLength(10);
  // What may wait holds nothing up.
  expect(screen.getByRole('link', { name: 'Begin a campaign' })).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Hide' }));
  expect(screen.queryByText(/Your first result/)).toBeNull();
});

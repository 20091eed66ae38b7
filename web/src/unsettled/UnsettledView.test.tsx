import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { reader, sent, serve, type Server, showAt, technician, where } from '../tests/served';
import { UnsettledCount } from './UnsettledCount';
import { UnsettledView } from './UnsettledView';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const against = (title: string, more: Partial<Schemas['Against']> = {}): Schemas['Against'] => ({
  title,
  channel: null,
  seen: 'It was seen.',
  verdict: 'open',
  cure: null,
  advice: null,
  evidence: [],
  ...more,
});
const run = (id: string, why: Schemas['UnsettledRun']['why'], all: Schemas['Against'][], more = {}) => ({
  run: id,
  instrument: 'DM-1',
  person: 'W-01',
  task: 'Sawing',
  start: '2026-11-29T08:00:00+00:00',
  verdict: 'open',
  why,
  by: null,
  against: all,
  ...more,
});
const lift = (at: 'bench' | 'run' | 'laboratory' | 'check' | 'kit') => ({
  evidence: `what is at the ${at}`,
  until: 'any time',
  at,
});
const some = {
  from: '2026-11-29',
  to: '',
  today: '2026-11-30',
  zone: 'UTC',
  of: 9,
  beyond: 0,
  runs: [
    run('R-1', 'pressing', [
      against('Nothing to be done', { advice: 'Measure again.' }),
      against('No check after', { cure: lift('bench') }),
    ]),
    run('R-2', 'says otherwise', [], { by: 'H-1', verdict: 'valid' }),
    run('R-3', 'curable', [
      against('Wrong cylinder', { channel: 'CO', cure: lift('check'), evidence: ['C-7'] }),
      against('Wrong cylinder', { channel: 'H2S', seen: 'Another.', cure: lift('check'), evidence: ['C-7'] }),
      against('No number', { cure: lift('laboratory') }),
    ]),
  ],
};
const open = async (who: unknown, what: object = some) => {
  serve(server, { '/api/unsettled': what, '/api/session': who }, { id: 'D-9' });
  showAt('/', '/', <UnsettledView />);
  await screen.findByRole('heading', { name: 'Not settled yet' });
};

it('says what is against each, and leads to where it is mended in one press', async () => {
  await open(technician);
  screen.getByText('3 runs · 9 on these days');
  const now = within(screen.getByRole('region', { name: 'Now' }));
  // What would lift something stands first.
  expect(now.getAllByRole('listitem')[1]?.textContent).toContain('Lifts it: what is at the bench, any time.');
  now.getByText('Measure again.');
  fireEvent.click(now.getByRole('button', { name: 'Check DM-1' }));
  await waitFor(() => expect(sent(server.POST).path).toBe('/api/bench/{instrument}/check'));
  cleanup();
  await open(reader);
  expect(screen.queryByRole('button', { name: 'Check DM-1' })).toBeNull();
  screen.getByText('CO, H2S: Wrong cylinder');
  expect(screen.getByRole('link', { name: 'C-7' }).getAttribute('href')).toBe('/checks/C-7');
  expect(screen.getByRole('link', { name: 'Laboratory' }).getAttribute('href')).toBe('/laboratory');
  expect(screen.getByRole('link', { name: 'Look and decide' }).getAttribute('href')).toBe('/results/R-2');
  screen.getByText(/decided by H-1/);
});

it('asks for other days, and says what was not looked at', async () => {
  await open(reader, { ...some, beyond: 1, runs: [] });
  screen.getByText(/1 run of these days was not looked at/);
  screen.getByText('Everything of these days stands');
  const from = screen.getByLabelText('From');
  fireEvent.change(from, { target: { value: '2026-11-01' } });
  fireEvent.keyDown(from, { key: 'Enter' });
  await waitFor(() => expect(where()).toBe('/?from=2026-11-01&to='));
  expect(server.GET).toHaveBeenLastCalledWith('/api/unsettled', {
    params: { query: { from: '2026-11-01' } },
  });
});

it('is counted where there is anything', async () => {
  serve(server, { '/api/unsettled': some });
  showAt('/', '/', <UnsettledCount />);
  expect((await screen.findByRole('link', { name: '3 runs not settled' })).getAttribute('href')).toBe(
    '/unsettled',
  );
});

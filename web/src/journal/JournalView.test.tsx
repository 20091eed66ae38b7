import { screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import { pick, press, serve, type Server, showAt, type, where } from '../tests/served';
import { JournalView } from './JournalView';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const entry = {
  sequence: 7,
  at: '2026-11-24T07:30:00+00:00',
  actor: 'T-1',
  kind: 'check recorded',
  sentence: 'T-1 accepted a check of DM-03.',
  payload: '{"instrument":"DM-03"}',
  rows: ['check_record C-00041'],
  rowCount: 9,
  hash: 'abcdef0123456789',
};

let fault: string | null;
beforeEach(() => {
  fault = null;
  serve(server, {
    '/api/journal': { entries: [entry], isAll: true, actors: ['S-1', 'T-1'] },
    '/api/journal/verify': () => ({ entries: 7, fault }),
  });
});

it('is verified at a press, and says where it does not hold', async () => {
  showAt('/journal', '/journal', <JournalView />);
  await screen.findByText('T-1 accepted a check of DM-03.');
  press('Verify the chain');
  await waitFor(() => expect(screen.getByRole('status').textContent).toMatch(/^It holds: 7 entries/));
  fault = 'entry 5 does not follow entry 4';
  press('Verify the chain');
  await waitFor(() =>
    expect(screen.getByRole('status').textContent).toBe('It does not hold: entry 5 does not follow entry 4'),
  );
});

it('reads as sentences, with the raw line behind each', async () => {
  showAt('/journal', '/journal', <JournalView />);
  const line = (await screen.findByText('T-1 accepted a check of DM-03.')).closest('details');
  expect(line?.textContent).toContain('{"instrument":"DM-03"}');
  expect(line?.textContent).toContain('Binds 9 rows of evidence: check_record C-00041 …');
  expect(line?.textContent).toContain('SHA-256 abcdef0123456789');
});

it('keeps what is chosen in the address, and asks for that', async () => {
  showAt('/journal', '/journal?day=2026-11-24', <JournalView />);
  await screen.findByText('T-1 accepted a check of DM-03.');
  pick('By', 'T-1');
  type('About', 'DM-03');
  press('Look');
  await waitFor(() => expect(where()).toBe('/journal?day=2026-11-24&person=T-1&about=DM-03'));
  await waitFor(() =>
    expect(server.GET).toHaveBeenLastCalledWith('/api/journal', {
      params: { query: { day: '2026-11-24', person: 'T-1', about: 'DM-03' } },
    }),
  );
});

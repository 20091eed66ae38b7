import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type Schemas } from '../api/client';
import { refuse, sent, serve, show, type Server, valueOf } from '../tests/served';
import { CorrectRun, WithdrawRun } from './CorrectRun';

vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: { GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() },
}));
const server = api as unknown as Server;

const run = {
  id: 'R-1',
  instrument: 'NX-01',
  campaign: { id: 'C', title: 'Campaign', zone: 'Europe/London' },
  start: '2026-07-17T07:00:00+00:00',
  stop: '2026-07-17T15:00:00+00:00',
  person: 'W-01',
  task: 'sawing',
  place: '',
  learned: [],
  alike: ['NX-02'],
} as unknown as Schemas['Run'];

describe('a run that was written wrongly', () => {
  beforeEach(() => vi.clearAllMocks());

  it('sends only what is another, in the time of the site', async () => {
    serve(server, {}, run);
    const onClose = vi.fn();
    show(<CorrectRun run={run} onClose={onClose} />);
    expect(valueOf(/Started, local time/)).toBe('2026-07-17T08:00');
    fireEvent.change(screen.getByLabelText(/Started, local time/), { target: { value: '2026-07-17T08:30' } });
    fireEvent.change(screen.getByLabelText(/^Person/), { target: { value: 'W-07' } });
    fireEvent.change(screen.getByLabelText(/What was wrong/), { target: { value: 'sheets mixed up' } });
    refuse(server.POST, 'Nothing was changed.', { '/start': 'run R-2 is on this instrument at that time.' });
    fireEvent.click(screen.getByRole('button', { name: 'Keep the correction' }));
    expect(await screen.findByText(/R-2 is on this instrument/)).toBeTruthy();
    expect(valueOf(/^Person/)).toBe('W-07');
    fireEvent.click(screen.getByRole('button', { name: 'Keep the correction' }));
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(sent(server.POST).body).toEqual({
      seen: 0,
      reason: 'sheets mixed up',
      person: 'W-07',
      start: '2026-07-17T08:30:00+01:00',
    });
  });

  it('is withdrawn with a reason, and says who may where it may not', async () => {
    serve(server, {}, run);
    const onClose = vi.fn();
    show(<WithdrawRun run={run} onClose={onClose} />);
    fireEvent.change(screen.getByLabelText(/What was wrong/), { target: { value: 'nobody wore it' } });
    refuse(server.POST, 'only a hygienist withdraws it.', {}, 403);
    fireEvent.click(screen.getByRole('button', { name: 'Withdraw' }));
    expect(await screen.findByText('only a hygienist withdraws it.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Withdraw' }));
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/runs/{id}/withdrawal',
      body: { reason: 'nobody wore it' },
    });
  });
});

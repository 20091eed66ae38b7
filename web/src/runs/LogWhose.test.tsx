import { cleanup, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { pick, press, refuse, sent, serve, show, type, valueOf } from '../tests/served';
import { LogWhose } from './LogWhose';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));
afterEach(cleanup);

const run = { id: 'R-1', logWord: null, learned: [] as Schemas['Run']['learned'] } as Schemas['Run'];
const doubt = { rule: 'log.whose', seen: 'The file day.csv is the log of run R-2 too.' };
const found = (...findings: { rule: string; seen: string }[]) =>
  serve(server, { '/api/results/{run}': { assessment: { findings } } });

describe('whose log it is', () => {
  it('is not asked where nothing speaks against it', async () => {
    found({ rule: 'run.short', seen: 'Shorter than planned.' });
    show(<LogWhose run={run} decides />);
    await waitFor(() => expect(server.GET).toHaveBeenCalled());
    expect(screen.queryByRole('heading')).toBeNull();
  });

  it('is told to everybody and settled by those who decide', async () => {
    found(doubt);
    show(<LogWhose run={run} decides={false} />);
    expect((await screen.findByRole('status')).textContent).toBe(doubt.seen);
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('sends the word with its reason, and keeps what was typed when it is refused', async () => {
    found(doubt);
    show(<LogWhose run={run} decides />);
    await screen.findByRole('status');
    pick(/this log/i, 'is not of this run');
    type(/how that is known/i, 'the wrong dock');
    refuse(server.POST, 'Not taken: somebody was faster.');
    press('Say whose it is');
    expect(await screen.findByText(/somebody was faster/)).toBeTruthy();
    expect(valueOf(/how that is known/i)).toBe('the wrong dock');
    expect(sent(server.POST).body).toEqual({ seen: 0, logWord: { isOwn: false, reason: 'the wrong dock' } });
  });

  it('says why where an earlier word is taken back', async () => {
    found(doubt);
    show(<LogWhose run={{ ...run, logWord: { isOwn: false, reason: 'x', by: 'H-1' } }} decides />);
    await screen.findByRole('status');
    pick(/this log/i, 'is of this run');
    type(/how that is known/i, 'looked again');
    press('Say whose it is');
    await waitFor(() =>
      expect(sent(server.POST).body).toEqual({
        seen: 0,
        logWord: { isOwn: true, reason: 'looked again' },
        reason: 'looked again',
      }),
    );
  });
});

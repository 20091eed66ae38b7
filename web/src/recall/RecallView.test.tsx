import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { hygienist, reader, sent, serve, showAt, steward } from '../tests/served';
import { RecallView } from './RecallView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const asked: Schemas['WhatIfAsked'] = {
  id: 'w-1',
  owner: 'references' as const,
  recalled: 'AC-01',
  recall: { since: '2026-03-01T00:00:00+00:00', reason: 'came back louder', error: '0.3' },
  by: 'S-1',
  at: '2026-11-30T09:00:00+00:00',
};
const done: Schemas['WhatIf'] = {
  asked,
  state: { state: 'done', what: 'judged', done: 2, of: 2, words: '' },
  head: {
    owner: 'references' as const,
    recalled: 'AC-01',
    errorUnit: 'dB',
    recall: asked.recall,
    checks: [{ check: 'C-1', instrument: 'DM-01', at: '2026-03-02T07:30:00+00:00' }],
    runs: { unchanged: 1, 'number changed': 0, 'verdict changed': 1 },
    results: { unchanged: 14, 'number changed': 0, 'verdict changed': 1 },
    reports: [
      {
        report: 'RP-00001',
        edition: 1,
        title: 'Noise',
        askedBy: 'The council',
        campaign: 'c',
        site: 'Mill',
        runs: ['R-1'],
      },
    ],
  },
};
const run = (id: string, more: Partial<Schemas['WhatIfRuns']['runs'][number]> = {}) => ({
  run: id,
  campaign: 'c',
  instrument: 'DM-01',
  person: 'W-01',
  task: 'sawing',
  start: '2026-03-02T08:00:00+00:00',
  state: 'unchanged',
  decided: null,
  unchanged: 15,
  results: [],
  ...more,
});
const runs = {
  page: 1,
  pageSize: 100,
  runs: [
    run('R-1', {
      state: 'verdict changed',
      decided: { verdict: 'valid', by: 'H-1' },
      unchanged: 14,
      results: [
        {
          key: 'laeq',
          title: 'Equivalent level',
          channel: '',
          unit: 'dB(A)',
          state: 'verdict changed',
          was: '84.8',
          is: '85.1',
          evenly: '84.9',
          wasVerdict: 'valid',
          isVerdict: 'corrected',
          limits: [{ title: 'limit 85 dB(A)', was: 'not reached, robust', is: 'reached, undecided' }],
        },
      ],
    }),
    run('R-2'),
  ],
};

const open = async (who: unknown, what: unknown = done) => {
  serve(server, {
    '/api/recalls/{id}': what,
    '/api/recalls/{id}/runs': runs,
    '/api/recalls/{id}/letters': { letters: [{ to: 'The council', about: 'c', text: 'Dear council' }] },
    '/api/session': who,
  });
  showAt('/recalls/:id', '/recalls/w-1', <RecallView />);
  await screen.findByRole('heading', { name: /^What recalling \w+-01/ });
};

describe('what a recall would change', () => {
  it('shows both values, the straight line and what would be said of limits, and changes nothing', async () => {
    await open(steward);
    const line = (await screen.findByText('Equivalent level')).closest('tr');
    expect(line?.textContent).toContain('84.8');
    expect(line?.textContent).toContain('85.1');
    expect(line?.textContent).toContain('84.9');
    expect(line?.textContent).toContain('not reached, robust → reached, undecided');
    expect(
      screen.getByText(
        /1 with another verdict or another word on a limit, 0 with another number alone, 1 unchanged/,
      ),
    ).toBeTruthy();
    expect(screen.getByRole('link', { name: 'RP-00001, edition 1' })).toBeTruthy();
    expect(screen.getByText(/Nothing is changed yet/)).toBeTruthy();
    expect(server.POST).not.toHaveBeenCalled();
  });

  it('is made by a steward, with the words that were looked at', async () => {
    await open(steward);
    fireEvent.click(await screen.findByRole('button', { name: 'Recall AC-01' }));
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/kit/references/{id}/recalls',
      params: { path: { id: 'AC-01' } },
      body: { since: asked.recall.since, reason: 'came back louder', error: '0.3' },
    });
    expect(await screen.findByText(/AC-01 is recalled/)).toBeTruthy();
  });

  it('recalls a unit itself, of which no error is told', async () => {
    const unit = {
      owner: 'instruments' as const,
      recalled: 'DM-01',
      recall: { since: asked.recall.since, reason: 'its microphone was torn' },
    };
    await open(steward, {
      ...done,
      asked: { ...asked, ...unit },
      head: { ...(done.head as NonNullable<typeof done.head>), ...unit },
    });
    expect(screen.getByText(/what it showed meanwhile would show nothing/)).toBeTruthy();
    expect(screen.getByText(/1 check of it then/)).toBeTruthy();
    fireEvent.click(await screen.findByRole('button', { name: 'Recall DM-01' }));
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/kit/instruments/{id}/recalls',
      params: { path: { id: 'DM-01' } },
      body: { since: asked.recall.since, reason: 'its microphone was torn' },
    });
  });

  it('drafts letters for a hygienist, who cannot make the recall', async () => {
    await open(hygienist);
    await screen.findByText('Equivalent level');
    expect(screen.queryByRole('button', { name: 'Recall AC-01' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /Draft letters/ }));
    const letters = screen.getByRole('heading', { name: 'Letters' }).closest('section');
    expect(await within(letters as HTMLElement).findByDisplayValue('Dear council')).toBeTruthy();
  });

  it('says how far it is while it is worked out, and why it failed', async () => {
    await open(reader, {
      ...done,
      head: null,
      state: { state: 'running', what: 'judged', done: 40, of: 200, words: '' },
    });
    expect(screen.getByRole('status').textContent).toContain('40 of 200 runs judged');
  });
});

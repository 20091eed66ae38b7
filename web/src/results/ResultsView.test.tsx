import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { pick, press, serve, showAt, where } from '../tests/served';
import { ResultsView } from './ResultsView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const value = (
  key: string,
  shown: string,
  more: Partial<Schemas['LedgerResult']> = {},
): Schemas['LedgerResult'] => ({
  key,
  title: `title of ${key}`,
  column: null,
  shown,
  unit: 'dB(A)',
  verdict: 'valid',
  drift: { shown: '-0.20', unit: 'dB' },
  crossed: false,
  undecided: false,
  ...more,
});
const row = (
  run: string,
  results: Schemas['LedgerResult'][],
  more: Partial<Schemas['LedgerRow']> = {},
): Schemas['LedgerRow'] => ({
  run,
  instrument: 'SL-01',
  practice: false,
  person: 'T-1',
  task: `task of ${run}`,
  place: '',
  start: '2026-11-24T10:05:00+00:00',
  stop: null,
  bracket: { state: 'closed', pre: null, post: null, between: 0 },
  drift: { shown: '-0.20', unit: 'dB' },
  standing: null,
  headline: results[0]?.key ?? null,
  results,
  verdict: 'valid',
  finding: null,
  findings: 0,
  cure: null,
  decision: null,
  ...more,
});
const rows = [
  row('S-1', [
    value('room', '1.6', { unit: 'dB', crossed: true, title: 'Worst band' }),
    value('room:500', '41.6', { unit: 'dB', crossed: true }),
  ]),
  row(
    'S-2',
    [
      value('laeq', '97.2'),
      value('lex8h', '84.9', { undecided: true }),
      value('lcpeak', '121.4', { unit: 'dB(C)', column: 'Peak dB(C)' }),
      value('dose:pel', '96', { column: 'Dose % 90/5/90' }),
    ],
    {
      verdict: 'qualified',
      finding: 'Samples of a task',
      findings: 1,
    },
  ),
  row('S-3', [], { drift: null, standing: { stand: 4, of: 5 } }),
];

const open = async (
  at = '/results',
  what: object = { total: 120, waiting: 0, page: 1, pageSize: 50, rows, withdrawn: [] },
) => {
  serve(server, {
    '/api/results': what,
    '/api/campaigns': { campaigns: [{ id: 'c', title: 'Rooms' }] },
    '/api/search/names': { persons: ['W-01', 'W-02'], tasks: ['Sawing'], families: [] },
    '/api/kit': { instruments: [{ id: 'DM-1' }], references: [] },
    '/api/package': { state: 'none', what: '', done: 0, of: 0, words: '', made: null, bytes: null },
  });
  showAt('/results', at, <ResultsView />);
  await screen.findByRole('heading', { name: 'Results' });
  await waitFor(() => expect(screen.queryByText('Loading')).toBeNull());
};
const line = async (run: string) =>
  (await screen.findByRole('link', { name: run })).closest('tr') as HTMLElement;
const key = (name: string) => fireEvent.keyDown(document.body, { key: name });

describe('the ledger', () => {
  it('tells a margin with its sign, what crosses a limit and what drift could turn', async () => {
    await open();
    const room = await line('S-1');
    expect(room.textContent).toContain('+1.6');
    expect(room.textContent).toContain('Worst band');
    expect(room.querySelectorAll('[aria-label="crosses a limit "]')).toHaveLength(2);
    const sample = await line('S-2');
    expect(sample.textContent).toContain('97.2');
    expect(sample.querySelector('[aria-label="undecided "]')).not.toBeNull();
    expect(sample.textContent).toContain('84.9');
    expect(sample.textContent).toContain('−0.20 dB');
    expect(screen.getByRole('columnheader', { name: 'Peak dB(C)' })).toBeTruthy();
    expect(screen.getByRole('columnheader', { name: 'Dose % 90/5/90' })).toBeTruthy();
    expect((await line('S-3')).textContent).toContain('4 of 5 stand');
  });

  it('is walked by keys, and a page turned', async () => {
    await open();
    expect((await line('S-1')).getAttribute('aria-current')).toBe('true');
    key('k');
    expect((await line('S-1')).getAttribute('aria-current')).toBe('true');
    key('j');
    key('ArrowDown');
    key('j');
    expect((await line('S-3')).getAttribute('aria-current')).toBe('true');
    expect(document.activeElement).toBe(await line('S-3'));
    key('b');
    expect(where()).toBe('/results');
    key('n');
    await waitFor(() => expect(where()).toBe('/results?page=2'));
    await line('S-1');
    key('Enter');
    await waitFor(() => expect(where()).toBe('/results/S-1'));
  });

  it('is narrowed by choice, which begins at its first page', async () => {
    await open('/results?page=2');
    pick('Campaign', 'Rooms');
    await waitFor(() => expect(where()).toBe('/results?campaign=c'));
    pick('Proposed', 'void');
    await waitFor(() => expect(where()).toBe('/results?campaign=c&verdict=void'));
    expect(server.GET).toHaveBeenLastCalledWith('/api/results', {
      params: { query: { campaign: 'c', verdict: 'void' } },
    });
    expect(screen.getByRole('link', { name: 'CSV' }).getAttribute('href')).toBe(
      '/api/results.csv?campaign=c&verdict=void',
    );
    expect(screen.getByRole('link', { name: 'CSV with decimal commas' }).getAttribute('href')).toBe(
      '/api/results.csv?campaign=c&verdict=void&decimal=comma',
    );
    press('Data package');
    expect(await screen.findByRole('heading', { name: 'Data package of c' })).toBeTruthy();
    press('Close');
    expect(screen.getByText(/page 1 of 3/)).toBeTruthy();
    press('Next page');
    await waitFor(() => expect(where()).toContain('page=2'));
  });

  it('is narrowed by words, person and days, and all of it is taken away at once', async () => {
    await open();
    const words = screen.getByLabelText('With the words');
    fireEvent.change(words, { target: { value: 'saw hall' } });
    fireEvent.keyDown(words, { key: 'Enter' });
    await waitFor(() => expect(where()).toBe('/results?text=saw+hall'));
    press('Person, unit, days');
    const from = await screen.findByLabelText('From');
    fireEvent.change(from, { target: { value: '2026-11-18' } });
    // A day half typed asks nothing yet.
    expect(where()).toBe('/results?text=saw+hall');
    fireEvent.blur(from);
    await waitFor(() => expect(where()).toBe('/results?text=saw+hall&from=2026-11-18'));
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Person' }));
    fireEvent.click(await screen.findByRole('option', { name: 'W-02' }));
    await waitFor(() => expect(where()).toContain('person=W-02'));
    expect(server.GET).toHaveBeenLastCalledWith('/api/results', {
      params: { query: { text: 'saw hall', from: '2026-11-18', person: 'W-02' } },
    });
    press('Show all');
    await waitFor(() => expect(where()).toBe('/results'));
  });

  it('says why it is empty', async () => {
    await open('/results?verdict=void', {
      total: 0,
      waiting: 0,
      page: 1,
      pageSize: 50,
      rows: [],
      withdrawn: [],
    });
    expect(await screen.findByText(/No run answers this choice/)).toBeTruthy();
    cleanup();
    await open('/results', { total: 0, waiting: 0, page: 1, pageSize: 50, rows: [], withdrawn: [] });
    expect(await screen.findByRole('link', { name: 'Start a run' })).toBeTruthy();
  });
});

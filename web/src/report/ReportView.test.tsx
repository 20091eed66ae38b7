import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import {
  hygienist,
  press,
  reader,
  refuse,
  sent,
  serve,
  showAt,
  technician,
  type,
  where,
} from '../tests/served';
import { ReportView } from './ReportView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));
vi.stubGlobal('scrollTo', vi.fn());

const parts = [
  { part: 'front', title: 'Summary' },
  { part: 'section:stands', title: 'Results that stand' },
  { part: 'run:R-1', title: 'R-1: W-01, sawing' },
];
const draft: Schemas['ClientReport'] = {
  id: 'RP-00001',
  campaign: 'c',
  asked: { title: 'Noise in the mill', askedBy: 'The council', campaign: 'c' },
  by: 'H-1',
  at: '2026-11-30T09:00:00+00:00',
  draft: { digest: 'a'.repeat(64), parts },
  runs: [{ run: 'R-1', person: 'W-01', instrument: 'DM-01', task: 'sawing', day: '2026-11-17', in: true }],
  remarks: [],
  editions: [],
  changedSince: [],
};
const remark: Schemas['ReportRemark'] = {
  id: 7,
  block: 'front/title',
  words: 'Noise in the mill',
  text: 'Name the hall.',
  by: 'T-1',
  at: '2026-11-30T10:00:00+00:00',
  settled: null,
};
const edition: Schemas['ReportEdition'] = {
  edition: 1,
  digest: 'b'.repeat(64),
  by: 'H-1',
  at: '2026-11-30T11:00:00+00:00',
  address: 'https://footnote.example/r/abc',
  why: '',
  changes: [],
  printed: [],
  parts,
};

const notPacked = { state: 'none', what: '', done: 0, of: 0, words: '', made: null, bytes: null };

const open = async (who: unknown, report = draft, at = '/reports/RP-00001', packing: object = notPacked) => {
  serve(
    server,
    {
      '/api/reports/{id}': report,
      '/api/reports/{id}/part': (asked?: { params?: { query?: Record<string, string> } }) => ({
        part: asked?.params?.query?.part ?? '',
        title: '',
        blocks: [
          {
            id: `${asked?.params?.query?.part ?? ''}/title`,
            html: `<p>says ${asked?.params?.query?.part ?? ''}</p>`,
          },
        ],
      }),
      '/api/reports/{id}/print': { state: 'none', what: '', done: 0, of: 0, words: '', isThere: false },
      '/api/package': packing,
      '/api/campaigns': { campaigns: [], shipped: { criteria: [], limits: [] } },
      '/api/session': who,
    },
    report,
  );
  showAt('/reports/:id', at, <ReportView />);
  await screen.findByText(/^says /);
};

describe('a report', () => {
  it('is read part by part, and says that it is a draft', async () => {
    await open(reader);
    expect(screen.getByText('Draft: not signed, not issued.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Sign and issue' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Remark' })).toBeNull();
    press(/^R-1/);
    expect(await screen.findByText('says run:R-1')).toBeTruthy();
    expect(where()).toBe('/reports/RP-00001?part=run%3AR-1');
  });

  it('is packed with its evidence, and fetched as it was when it was packed', async () => {
    await open(reader);
    press('Pack');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/package',
      params: { query: { report: 'RP-00001', files: 'with' } },
    });
    cleanup();
    await open(reader, draft, undefined, { ...notPacked, state: 'running', what: 'drawn', done: 3, of: 13 });
    expect(await screen.findByText(/3 of 13 runs drawn/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Pack' })).toBeNull();
    cleanup();
    await open(reader, draft, undefined, {
      ...notPacked,
      state: 'failed',
      words: '2 of these runs could not be worked out.',
      made: '2026-11-30T16:00:00Z',
      bytes: 1250000,
    });
    const there = await screen.findByRole('link', { name: /^ZIP of 30 Nov/ });
    expect(there.getAttribute('href')).toBe('/api/package/zip?report=RP-00001&files=with');
    expect(there.parentElement?.textContent).toContain('1.3 MB');
    expect(screen.getByText('2 of these runs could not be worked out.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Pack anew' })).toBeTruthy();
  });

  it('takes a remark on a paragraph, and keeps what was typed where it is refused', async () => {
    await open(technician);
    press('Remark');
    type('Remark on this paragraph', 'Name the hall.');
    refuse(server.POST, 'Not kept.', { '/text': 'is missing.' });
    press('Keep the remark');
    expect(await screen.findByText('is missing.')).toBeTruthy();
    expect(screen.getByDisplayValue('Name the hall.')).toBeTruthy();
    press('Keep the remark');
    await waitFor(() => expect(screen.queryByLabelText('Remark on this paragraph')).toBeNull());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/reports/{id}/remarks',
      body: { block: 'front/title', text: 'Name the hall.' },
    });
  });

  it('shows remarks where they belong, also those on what is no longer said, and settles them', async () => {
    await open(hygienist, {
      ...draft,
      remarks: [remark, { ...remark, id: 8, block: 'front/gone', text: 'On what went.' }],
    });
    expect(screen.getByText('2 remarks not settled.')).toBeTruthy();
    expect(screen.getByText(/On a paragraph that is no longer there/)).toBeTruthy();
    const said = screen.getByText('Name the hall.').closest('.fn-remark');
    fireEvent.click(within(said as HTMLElement).getByRole('button', { name: 'Settle' }));
    type('How it is settled', 'On the cover.');
    press('It is settled');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      params: { path: { id: 'RP-00001', remark: '7' } },
      body: { text: 'On the cover.' },
    });
  });

  it('is signed as it was read, over nothing that is not told before', async () => {
    await open(hygienist, { ...draft, remarks: [remark] });
    press('Sign and issue');
    const dialog = screen.getByRole('dialog');
    expect(dialog.textContent).toContain('1 run, in sections: Results that stand.');
    expect(dialog.textContent).toContain('1 remark is not settled');
    fireEvent.click(within(dialog).getByRole('button', { name: 'Sign and issue' }));
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/reports/{id}/editions',
      body: { digest: 'a'.repeat(64), after: 0 },
    });
  });

  it('says what changed since it was issued, and asks why another edition follows', async () => {
    await open(hygienist, {
      ...draft,
      editions: [edition],
      changedSince: ['R-1: 84.8 dB(A), valid, now 85.1 dB(A), corrected.'],
    });
    expect(screen.getByText(/Evidence has changed since edition 1/)).toBeTruthy();
    press('Sign edition 2');
    const dialog = screen.getByRole('dialog');
    expect(dialog.textContent).toContain('now 85.1 dB(A), corrected');
    type(/^Why it follows edition 1/, 'The calibrator was recalled.');
    fireEvent.click(within(dialog).getByRole('button', { name: 'Sign and issue' }));
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toMatchObject({ after: 1, why: 'The calibrator was recalled.' });
  });

  it('shows an edition as it was issued, without what would change it', async () => {
    await open(
      hygienist,
      { ...draft, editions: [edition], remarks: [remark] },
      '/reports/RP-00001?edition=1',
    );
    expect(screen.getByText('RP-00001, edition 1')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Sign/ })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Remark' })).toBeNull();
    expect(screen.queryByText('Name the hall.')).toBeNull();
    expect(screen.getByRole('link', { name: 'https://footnote.example/r/abc' })).toBeTruthy();
  });
});

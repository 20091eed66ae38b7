import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { figure, noise, page, result } from '../tests/pages';
import { hygienist, reader, sent, serve, showAt, where } from '../tests/served';
import { ResultView } from './ResultView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const limit: Schemas['LimitOutcome'] = {
  id: 'l',
  title: 'margin',
  figure: 'f1',
  value: '0',
  unit: 'dB',
  comparator: '>',
  scope: 'nobody in it',
  source: 'App. D',
  mark: 'published',
  crossed: true,
  words: 'exceeded',
  robustness: 'robust',
  causes: [],
  statement: 'Exceeded: every value that it could have lies on that side.',
  figures: [],
  tippingPoint: null,
  tippingWords: 'It turns if the unit read 1.60 dB too high.',
  confidence: null,
};
const band = (name: string, level: string | null, permissible: number | null, more: object = {}) => ({
  band: name,
  words: `${name} Hz`,
  level,
  low: null,
  high: null,
  permissible,
  over: null,
  fails: false,
  ...more,
});
const spectrum: NonNullable<Schemas['NoiseFamily']['spectrum']> = {
  statistic: 'maximum',
  permissible: 'Audiometric room',
  bands: [
    band('250', 'f2', null, { low: 42.8, high: 43 }),
    band('500', 'f1', 40, { over: '+1.6', fails: true }),
    band('1000', null, 40),
  ],
};
const cell = (shown: string, id: string | null = null) => ({ shown, figure: id, noted: id !== null });
const room = page({
  headline: 'room',
  results: [
    result('room', '1.6', 'f3', {
      title: 'Worst band against Audiometric room',
      notes: ['The room fails at 500 Hz by 1.6 dB.'],
      limits: [limit],
      breakdown: {
        title: 'Band by band',
        columns: ['Band', 'Measured, dB', 'Above it by, dB', 'Verdict of the band'],
        rows: [
          [cell('500 Hz'), cell('41.6'), cell('+1.6', 'f3'), cell('fails by 1.6 dB')],
          [cell('1 kHz'), cell('not measured'), cell(''), cell('not judged')],
        ],
      },
    }),
    result('la-bands', '41.5', 'f4', { notes: ['Made of the maximum of each band.'] }),
  ],
  figures: [
    figure('f1', 'L_500', '41.6'),
    figure('f2', 'L_250', '43.0'),
    figure('f3', 'ΔL_max', '1.6'),
    figure('f4', 'L_A', '41.5'),
  ],
  family: noise({ spectrum }),
});

const open = async (what: Schemas['ResultPage'], who: unknown = reader) => {
  serve(server, {
    '/api/results/{run}': what,
    '/api/session': who,
    '/api/runs/{id}/series': { start: null, stepSeconds: null, points: [] },
  });
  showAt('/results/:run', '/results/S-1', <ResultView />);
  await screen.findByRole('heading', { name: `${what.run.person}, ${what.run.task}` });
};

describe('the page of a room', () => {
  it('says in a sentence whether it fails, with the sign of its margin', async () => {
    await open(room);
    expect(screen.getAllByText('The room fails at 500 Hz by 1.6 dB.')).toHaveLength(1);
    expect(screen.getByText('+1.6', { selector: 'b' })).toBeTruthy();
    expect(screen.getByText('Made of the maximum of each band.')).toBeTruthy();
    expect(screen.getAllByText(/margin 0 dB exceeded/)).toHaveLength(2);
  });

  it('draws the bands against their levels, and says in words what is drawn', async () => {
    await open(room);
    const picture = screen.getByRole('img', {
      name: /^250 Hz 43.0 dB, 500 Hz 41.6 dB. Above the permissible level: 500 Hz/,
    });
    expect(picture.textContent).toContain('41.6 (+1.6)');
    expect(picture.textContent).toContain('not measured');
    expect(
      screen.getByRole('heading', { name: 'Octave bands, maximum of each, against Audiometric room' }),
    ).toBeTruthy();
    // The run in time has nothing to draw beside its bands.
    expect(screen.queryByRole('img', { name: /^The run in time/ })).toBeNull();
  });

  it('draws bands without permissible levels, and none where there are none', async () => {
    const bare = { ...spectrum, permissible: null, bands: [band('250', 'f2', null)] };
    await open({ ...room, assessment: { ...room.assessment, family: noise({ spectrum: bare }) } });
    expect(screen.getByRole('img', { name: /No permissible levels were chosen/ })).toBeTruthy();
    cleanup();
    await open({ ...room, assessment: { ...room.assessment, family: noise() } });
    expect(screen.queryByRole('heading', { name: /^Octave bands/ })).toBeNull();
    expect(screen.getByRole('img', { name: /^The run in time/ })).toBeTruthy();
  });

  it('has a note in the margin for every figure that its table cites', async () => {
    await open(room);
    const table = screen.getByRole('region', { name: 'Band by band' });
    const rows = within(table).getAllByRole('row');
    expect(rows[1]?.textContent).toContain('fails by 1.6 dB');
    expect(rows[2]?.textContent).toContain('not measured–not judged');
    for (const mark of within(table).getAllByRole('button', { name: /^note/ })) {
      expect(document.getElementById(mark.getAttribute('aria-controls') ?? '')).not.toBeNull();
    }
    expect(within(table).getByRole('columnheader', { name: 'Measured, dB' }).className).toBe('num');
    expect(within(table).getByRole('columnheader', { name: 'Verdict of the band' }).className).toBe('');
  });
});

const noCheck: Schemas['Finding'] = {
  rule: 'bracket.no-post-check',
  title: 'No check after the run',
  seen: 'No check has followed the run yet.',
  limit: null,
  source: 'common practice',
  mark: 'common practice',
  severity: 'void',
  verdict: 'open',
  cure: { evidence: 'a check of SL-01, as found, closes this run', until: 'before the unit is adjusted' },
  advice: null,
  evidence: ['S-1'],
  channel: null,
  results: [],
  figures: [],
};

describe('the page of a sample', () => {
  const day = page(
    {
      headline: 'laeq',
      verdict: 'qualified',
      results: [
        result('laeq', '97.2', 'f1'),
        result('lex8h', '92.4', 'f2', {
          title: 'Daily noise exposure level by tasks',
          inherited: 'valid',
          uncertainty: { figure: 'f3', shown: '2.41' },
          notes: ['Sampling is not in it for Break.'],
          breakdown: {
            title: 'Task by task',
            columns: ['Task', 'Samples', 'L_m, dB(A)'],
            rows: [[cell('Ripping'), cell('S-1, S-2'), cell('96.7', 'f4')]],
          },
        }),
      ],
      figures: [
        figure('f1', 'L_Aeq', '97.2'),
        figure('f2', 'L_EX,8h', '92.4'),
        figure('f3', 'U', '2.41', { meaning: 'expanded uncertainty with sampling, one-sided 95 %' }),
        figure('f4', 'L_m', '96.7'),
      ],
    },
    { run: { ...room.run, person: 'W-02', task: 'Ripping' } },
  );

  it('has its own number, and beside it the day that it is part of', async () => {
    await open(day);
    const beside = screen.getByText(/Daily noise exposure level by tasks/, { selector: 'p' });
    expect(beside.textContent).toContain('92.4');
    expect(beside.textContent).toContain('U = 2.41 dB');
    expect(beside.textContent).toContain('with sampling, one-sided 95 %');
    expect(screen.getByText('Sampling is not in it for Break.')).toBeTruthy();
    expect(within(screen.getByRole('region', { name: 'Task by task' })).getByText('S-2')).toBeTruthy();
  });

  it('is walked and decided by keys, by those who may', async () => {
    await open(day, hygienist);
    await screen.findByRole('button', { name: 'Sign as qualified (s)' });
    fireEvent.keyDown(document.body, { key: 's' });
    fireEvent.click(
      within(await screen.findByRole('dialog')).getByRole('button', { name: 'Sign as qualified' }),
    );
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toMatchObject({ kind: 'sign', digest: 'seen' });
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    fireEvent.keyDown(document.body, { key: 'j' });
    await waitFor(() => expect(where()).toBe('/results/S-2'));
    cleanup();
    await open(day, reader);
    fireEvent.keyDown(document.body, { key: 's' });
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(screen.queryByRole('button', { name: /^Sign as/ })).toBeNull();
  });

  it('that is open may be voided and never signed; what cures it is said', async () => {
    await open(page({ verdict: 'open', findings: [noCheck] }), hygienist);
    const sign = await screen.findByRole<HTMLButtonElement>('button', { name: 'Sign what stands (s)' });
    expect(sign.disabled).toBe(true);
    fireEvent.keyDown(document.body, { key: 's' });
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(
      screen
        .getAllByText('a check of SL-01, as found, closes this run')
        .map((one) => one.parentElement?.textContent),
    ).toEqual(Array(2).fill(expect.stringContaining('before the unit is adjusted')));
    expect(screen.getByText('No number yet')).toBeTruthy();
    fireEvent.keyDown(document.body, { key: 'v' });
    expect(await screen.findByRole('dialog')).toBeTruthy();
  });

  it('that is open in part may be signed for what stands; the dialog names what waits', async () => {
    await open(
      page({
        verdict: 'open',
        results: [result('stel', '12', 'f1'), result('twa', '3', 'f2', { verdict: 'open', title: 'TWA' })],
      }),
      hygienist,
    );
    expect(await screen.findByText(/1 of 2 results wait/)).toBeTruthy();
    fireEvent.keyDown(document.body, { key: 's' });
    const dialog = await screen.findByRole('dialog');
    expect(dialog.textContent).toContain('title of stel: 12 dB');
    expect(dialog.textContent).toContain('Waiting, since open: TWA. A later decision adds them.');
  });

  it('strikes what is void, and names what was removed with the number without it', async () => {
    const removed = {
      kind: 'by rule',
      what: 'a tone of 114.0 dB',
      why: 'it stands at a calibrator',
      by: 'noise.tone-removed',
      taken: true,
      from: '2026-11-24T12:00:00+00:00',
      to: '2026-11-24T12:01:00+00:00',
      otherwise: { figure: 'f2', shown: '91.9' },
    } as const;
    await open(
      page({
        headline: 'laeq',
        verdict: 'void',
        results: [result('laeq', '91.2', 'f1', { verdict: 'void', altered: [removed] })],
        figures: [],
      }),
      reader,
    );
    const section = (await screen.findByRole('heading', { name: 'Removed, filled in, assumed' }))
      .parentElement;
    expect(section?.textContent).toContain('taken out by rule: a tone of 114.0 dB');
    expect(section?.textContent).toContain('91.2 dB; with it 91.9 dB');
    expect(document.querySelectorAll('s').length).toBeGreaterThan(1);
    expect(document.querySelector('header b.fn-figure')).toBeNull();
  });

  it('says with a note what to do about it: there is nothing to save', async () => {
    const note: Schemas['Finding'] = {
      ...noCheck,
      title: 'Background near',
      seen: 'Too near the background: 63 Hz.',
      severity: 'note',
      verdict: 'valid',
      cure: null,
      advice: 'Switch off what else sounds.',
    };
    await open(page({ findings: [note] }));
    expect(screen.queryByRole('heading', { name: 'What can still save it' })).toBeNull();
    expect(screen.getByText('Background near.').parentElement?.textContent).toBe(
      'note Background near. Too near the background: 63 Hz. Switch off what else sounds.',
    );
    cleanup();
    await open(page({ findings: [note, { ...note, severity: 'qualified', verdict: 'qualified' }] }));
    expect(screen.getByRole('heading', { name: 'What can still save it' })).toBeTruthy();
    expect(screen.getAllByText(/Switch off what else sounds\.$/)).toHaveLength(2);
  });
});

it('keeps what is typed where the page cannot be asked for again', async () => {
  await open(room, hygienist);
  fireEvent.click(await screen.findByRole('button', { name: /^Void/ }));
  const reason = await screen.findByRole('textbox', { name: /^Reason/ });
  fireEvent.change(reason, { target: { value: 'a doubt' } });
  server.GET.mockRejectedValue(new Error('nothing answers'));
  const before = server.GET.mock.calls.length;
  window.dispatchEvent(new Event('visibilitychange'));
  await waitFor(() => expect(server.GET.mock.calls.length).toBeGreaterThan(before));
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(screen.getByDisplayValue('a doubt')).toBeTruthy();
});

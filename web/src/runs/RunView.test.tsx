import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import {
  hygienist,
  pick,
  press,
  reader,
  refuse,
  sent,
  serve,
  showAt,
  technician,
  type,
  valueOf,
  where,
} from '../tests/served';
import { RunView } from './RunView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const run: Schemas['Run'] = {
  id: 'R-1',
  instrument: 'DM-01',
  campaign: { id: 'c', title: 'Noise', zone: 'UTC' },
  start: '2026-11-24T08:00:00+00:00',
  stop: '2026-11-24T16:00:00+00:00',
  person: 'W-01',
  task: 'sawing',
  place: '',
  plannedMinutes: 480,
  shiftMinutes: 480,
  shift: 'early',
  family: {
    id: 'noise-dosimeter',
    entries: [],
    values: {},
    shown: [{ label: 'Windscreen', shown: 'on', flag: false }],
    totals: [],
    remarks: [],
  },
  clockOffsetSeconds: 75,
  timerMinutes: 470,
  totals: [
    { label: 'L_Aeq', value: '91.2', unit: 'dB(A)', provenance: 'typed' },
    { label: 'Dose 90/5/90', value: '96', unit: '%', provenance: 'typed' },
  ],
  remarks: [{ kind: 'fell', at: '2026-11-24T10:00:00+00:00', note: 'off the bench' }],
  pauses: [{ from: '2026-11-24T12:00:00+00:00', to: '2026-11-24T12:30:00+00:00' }],
  exclusions: [
    { from: '2026-11-24T13:00:00+00:00', to: '2026-11-24T13:10:00+00:00', reason: 'talk', by: 'H-1' },
  ],
  leftIn: [
    { from: '2026-11-24T14:00:00+00:00', to: '2026-11-24T14:01:00+00:00', reason: 'a saw', by: 'H-1' },
  ],
  restOfDay: { was: 'nothing', reason: 'at a desk', by: 'H-1' },
  logWord: null,
  ofPlace: false,
  declaration: { check: 'C-2', reason: 'same work', by: 'H-1' },
  log: {
    id: 'l',
    name: 'day.csv',
    sha256: 'abc',
    size: 9,
    start: '',
    stepSeconds: 1,
    length: 28800,
    remarks: ['the first interval of the log, 23 s of 60'],
    columns: ['LAeq', 'LCpeak'],
  },
  corrections: [],
  withdrawn: null,
  alike: [],
  learned: [{ fields: ['stop', 'totals'], reason: 'came home', by: 'T-1', at: '2026-11-24T16:10:00+00:00' }],
};
const preview = {
  format: {
    delimiter: ';',
    decimal: ',',
    skip: 1,
    columns: [{ place: 1, kind: 'LAeq', header: 'LAeq' }],
    time: [0],
    dateOrder: 'ymd',
  },
  header: ['Time', 'LAeq', 'Battery'],
  rows: [['2026-11-24 08:00:00', '80,1', '92']],
  kinds: [
    { kind: 'LAeq', channel: '', words: 'equivalent level' },
    { kind: 'Lavg', channel: '', words: 'average' },
    { kind: 'band', channel: '500', words: '500 Hz band' },
  ],
};
const tone = { from: '2026-11-24T09:00:00+00:00', to: '2026-11-24T09:00:30+00:00', mean: 94.02 };
const result = {
  assessment: {
    bracket: { between: [{ check: 'C-2', at: '' }] },
    results: [
      {
        altered: [
          {
            kind: 'offered',
            what: 'a steady level of 94.0 dB',
            why: 'it lasts too long',
            by: 'noise.tone-removed',
            taken: false,
            from: '2026-11-24T09:00:00+00:00',
            to: '2026-11-24T09:04:00+00:00',
            otherwise: null,
          },
        ],
      },
    ],
    family: { kind: 'noise', tones: [tone] },
  },
};

const open = async (who: unknown, what: Partial<Schemas['Run']> = {}) => {
  serve(
    server,
    {
      '/api/session': who,
      '/api/runs/{id}': { ...run, ...what },
      '/api/kit/forms': { families: [{ id: 'noise-dosimeter', keepsLog: true }] },
      '/api/campaigns': { campaigns: [] },
      '/api/results/{run}': result,
    },
    { id: 'D-1', version: 3, answers: { steps: {} } },
  );
  showAt('/runs/:id', '/runs/R-1', <RunView />);
  await screen.findByRole('heading', { name: 'W-01, sawing' });
};

const choose = (file: File) =>
  fireEvent.change(screen.getByLabelText('Log file'), { target: { files: [file] } });

describe('a run', () => {
  it('shows everything that was written and learned of it', async () => {
    await open(reader);
    const row = (name: string) => screen.getByRole('rowheader', { name }).parentElement?.textContent ?? '';
    expect(row('Instrument’s clock')).toContain('75 s (instrument − true)');
    expect(row('Totals')).toContain('L_Aeq 91.2 dB(A), typed · Dose 90/5/90 96 %, typed');
    expect(row('Log')).toContain('28800 intervals of 1 s, LAeq, LCpeak');
    expect(row('Log')).toContain('SHA-256 abc');
    expect(row('Remark')).toContain('fell at 10:00: off the bench');
    expect(row('Left out')).toContain('13:00 to 13:10: talk (H-1)');
    expect(row('Stays in')).toContain('14:00 to 14:01: a saw (H-1)');
    expect(row('Rest of the day')).toContain('without exposure: at a desk (H-1)');
    expect(row('Log')).toContain('left out: the first interval of the log, 23 s of 60');
    expect(row('Declared')).toContain('segment up to C-2');
    expect(row('Windscreen')).toContain('on');
    expect(row('Shift')).toContain('early');
    expect(screen.getByText(/T-1: stop, totals/).textContent).toContain('came home');
  });

  it('lets a reader change nothing, and only a hygienist leave a stretch out', async () => {
    await open(reader);
    expect(screen.queryByLabelText('Log file')).toBeNull();
    expect(screen.queryByRole('heading', { name: 'Leave a stretch out, or in' })).toBeNull();
    cleanup();
    await open(technician);
    expect(await screen.findByLabelText('Log file')).toBeTruthy();
    expect(screen.queryByRole('heading', { name: 'Leave a stretch out, or in' })).toBeNull();
    cleanup();
    await open(hygienist, { declaration: null });
    await screen.findByRole('heading', { name: 'Leave a stretch out, or in' });
    fireEvent.click(await screen.findByRole('button', { name: 'It was work: in' }));
    expect(valueOf(/^From, local time/)).toMatch(/:00$/);
    expect(screen.getByRole('button', { name: 'Leave it in' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'It was a check: out' }));
    type(/^From, local time/, '2026-11-24T13:00');
    type(/^To, local time/, '2026-11-24T13:10');
    type(/^Reason/, 'a talk');
    refuse(server.POST, 'Nothing was kept.', { '/exclusions/0/to': 'must be after the beginning.' });
    press('Leave it out');
    expect(await screen.findByText('must be after the beginning.')).toBeTruthy();
    expect(valueOf(/^Reason/)).toBe('a talk');
    type(/The segment up to C-2 is representative/, 'same work');
    press('Declare');
    await waitFor(() =>
      expect(sent(server.POST).body).toEqual({ seen: 1, declaration: { check: 'C-2', reason: 'same work' } }),
    );
  });

  it('offers a tone in the log as a check in between', async () => {
    await open(technician);
    press(
      await screen.findByRole('button', { name: 'Take as a check in between' }).then(() => /Take as a check/),
    );
    await waitFor(() => expect(where()).toBe('/bench/D-1'));
    expect(sent(server.PUT).body).toMatchObject({
      version: 3,
      answers: {
        at: tone.from,
        adjusted: false,
        asFound: [{ value: '94.02', provenance: "from the unit's file" }],
      },
    });
  });
});

describe('a log that is read', () => {
  it('is guessed, told by a person, and sent whole', async () => {
    const fetched = vi.fn(() => Promise.resolve({ ok: true, json: () => Promise.resolve({}) }));
    vi.stubGlobal('fetch', fetched);
    await open(technician, { log: null });
    server.POST.mockImplementation(() => Promise.resolve({ data: preview, response: new Response() }));
    choose(new File(['Time;LAeq;Battery\n'], 'Tag 1.csv'));
    await screen.findByText('80,1');
    pick('Column 3 holds', 'band of 500 Hz band');
    pick('Column 2 holds', 'Lavg: average');
    type(/Exchange rate of the average/, '5');
    type('First data line', '3');
    type('Interval, s', '0,5');
    press('Read the log');
    await waitFor(() => expect(fetched).toHaveBeenCalled());
    const [path, asked] = fetched.mock.lastCall as unknown as [string, { headers: Record<string, string> }];
    expect(path).toBe('/api/runs/R-1/log');
    expect(decodeURIComponent(asked.headers['X-Log-Name'] ?? '')).toBe('Tag 1.csv');
    expect(JSON.parse(decodeURIComponent(asked.headers['X-Log-Format'] ?? ''))).toEqual({
      ...preview.format,
      skip: 2,
      stepSeconds: 0.5,
      columns: [
        { place: 1, kind: 'Lavg', header: 'LAeq', exchangeRate: '5' },
        { place: 2, kind: 'band', channel: '500', header: 'Battery' },
      ],
    });
  });

  it('asks for its start where its times have no date, and why where there is a log already', async () => {
    const fetched = vi.fn(() => Promise.resolve({ ok: true, json: () => Promise.resolve({}) }));
    vi.stubGlobal('fetch', fetched);
    await open(technician);
    server.POST.mockImplementation(() => Promise.resolve({ data: preview, response: new Response() }));
    choose(new File(['x'], 'day.csv'));
    await screen.findByText('80,1');
    pick('Dates read', 'no date');
    type(/Log began/, '2026-11-24T08:00');
    type(/Why another log/, 'the first was of another day');
    press('Read the log');
    await waitFor(() => expect(fetched).toHaveBeenCalled());
    const [, asked] = fetched.mock.lastCall as unknown as [string, { headers: Record<string, string> }];
    expect(JSON.parse(decodeURIComponent(asked.headers['X-Log-Format'] ?? ''))).toHaveProperty('start');
    expect(decodeURIComponent(asked.headers['X-Reason'] ?? '')).toBe('the first was of another day');
  });

  it('tells faults by their line, and a file that is too large without sending it', async () => {
    const problem = {
      title: 'No',
      status: 422,
      detail: 'The log was not kept.',
      fields: [
        { field: '/log/line/7', problem: '"x" is no level.' },
        { field: '/log/line/9', problem: 'is before the line above.' },
      ],
    };
    vi.stubGlobal(
      'fetch',
      vi.fn(() => Promise.resolve({ ok: false, status: 422, json: () => Promise.resolve(problem) })),
    );
    await open(technician, { log: null });
    server.POST.mockImplementation(() => Promise.resolve({ data: preview, response: new Response() }));
    choose(new File(['x'], 'day.csv'));
    await screen.findByText('80,1');
    press('Read the log');
    expect(await screen.findByText('line 7: "x" is no level.')).toBeTruthy();
    expect(screen.getByText('line 9: is before the line above.')).toBeTruthy();
    expect(screen.getByText('80,1')).toBeTruthy();
    const large = new File(['x'], 'year.csv');
    Object.defineProperty(large, 'size', { value: 65 * 1024 * 1024 });
    server.POST.mockClear();
    choose(large);
    expect(await screen.findByText(/year.csv has 65 MB; a log is at most 64 MB/)).toBeTruthy();
    expect(server.POST).not.toHaveBeenCalled();
  });
});

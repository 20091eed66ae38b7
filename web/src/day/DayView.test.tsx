import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { BenchView } from '../bench/BenchView';
import { pick, press, reader, refuse, sent, serve, showAt, technician, where } from '../tests/served';
import { DayView } from './DayView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const unit = (id: string, next: string, more: object = {}) => ({
  id,
  family: 'noise-dosimeter',
  model: 'Wren 2',
  about: '',
  next,
  hold: [],
  running: null,
  fit: null,
  draft: null,
  checks: [],
  runs: [],
  planned: [],
  ...more,
});
const run = (id: string, worked: object | null) => ({
  id,
  start: '2026-11-24T08:00:00+00:00',
  stop: '2026-11-24T16:00:00+00:00',
  person: 'W-01',
  task: 'sawing',
  worked,
});
const worked = {
  verdict: 'qualified',
  bracket: { state: 'closed', pre: null, post: null, between: 0 },
  standing: { stand: 4, of: 5 },
};
const units = [
  unit('DM-01', 'check it', { hold: ['R-1', 'R-2'], runs: [run('R-1', worked), run('R-9', null)] }),
  unit('DM-02', 'stop the run', { running: 'R-3' }),
  unit('DM-03', 'start a run', {
    checks: [{ id: 'C-1', at: '2026-11-24T07:30:00+00:00', usable: true, adjusted: false }],
  }),
  unit('DM-04', 'done for the day', { draft: { id: 'D', by: 'T-1' } }),
  unit('DM-05', 'check it'),
];
const day = {
  date: '2026-11-24',
  today: '2026-11-27',
  before: '2026-11-20',
  after: '2026-11-25',
  units,
  campaign: { title: 'Noise', site: 'Mill' },
  zone: 'Europe/London',
  plans: [],
  waiting: 0,
};

const open = async (who: unknown, what: object = day) => {
  serve(server, { '/api/day': what, '/api/session': who }, { id: 'D-1' });
  showAt('/', '/?date=2026-11-24', <DayView />);
  await waitFor(() => expect(server.GET).toHaveBeenCalledWith('/api/session'));
};

describe('the day', () => {
  it('says first what must not be adjusted, and what is next, unit by unit', async () => {
    await open(technician);
    expect(
      await screen.findByText('Do not adjust DM-01: a check before you touch it closes 2 runs.'),
    ).toBeTruthy();
    const line = (id: string) => within(screen.getByRole('link', { name: id }).closest('tr') as HTMLElement);
    expect(line('DM-01').getByRole('link', { name: 'R-1, qualified' }).textContent).toContain('4 of 5');
    expect((await screen.findByRole('link', { name: 'stop the run' })).getAttribute('href')).toBe(
      '/runs/R-3',
    );
    expect(screen.getByRole('link', { name: 'start a run' }).getAttribute('href')).toBe(
      '/runs/new?instrument=DM-03',
    );
    expect(line('DM-04').getByText('done for the day')).toBeTruthy();
    // What rests stands in one line.
    expect(screen.getByRole('button', { name: 'DM-05, check it' })).toBeTruthy();
    press('check it');
    await waitFor(() => expect(where()).toBe('/bench/D-1'));
    expect(sent(server.POST).params?.path).toEqual({ instrument: 'DM-01' });
  });

  it('says that runs are still being worked out, and asks again until they are', async () => {
    await open(technician, { ...day, waiting: 3 });
    expect(await screen.findByText(/^3 runs of this day are still being worked out/)).toBeTruthy();
    serve(server, { '/api/day': day, '/api/session': technician });
    await waitFor(() => expect(screen.queryByText(/still being worked out/)).toBeNull(), { timeout: 3000 });
  });

  it('counts the verdicts of a unit that measured often, and marks what is too short for words', async () => {
    const short = (n: number, verdict: string) => ({
      ...run(`S-${n}`, { ...worked, verdict, standing: null }),
      start: `2026-11-24T0${n}:00:00+00:00`,
      stop: `2026-11-24T0${n}:06:00+00:00`,
    });
    const often = [1, 2, 3, 4, 5].map((n) => short(n, n === 5 ? 'void' : 'valid'));
    await open(technician, { ...day, units: [unit('SL-02', 'done for the day', { runs: often })] });
    const valid = await screen.findByRole('link', { name: 'SL-02, 4 valid' });
    expect(valid.getAttribute('href')).toBe('/results?instrument=SL-02&verdict=valid');
    expect(screen.getByRole('link', { name: 'SL-02, 1 void' })).toBeTruthy();
    expect(screen.queryByRole('link', { name: 'S-1, valid' })).toBeNull();
    expect(screen.getByRole('button', { name: /^S-1: W-01, sawing/ }).textContent).not.toContain('sawing');
  });

  it('says today what may go out, what is checked first and what stays', async () => {
    const against = (state: string, ...words: string[]) => ({
      fit: { state, stays: false, until: null, against: words },
    });
    await open(technician, {
      ...day,
      units: [
        unit('GM-01', 'check before use', {
          ...against('check first', 'It was left off.'),
          draft: null,
          runs: [run('R-1', worked)],
        }),
        unit('GM-02', 'held', against('held', 'It did not answer.')),
        unit('GM-03', 'start a run', against('fit')),
        unit('GM-04', 'check before use', against('check first')),
      ],
    });
    expect(await screen.findByText('It was left off.')).toBeTruthy();
    const group = (words: string) => within(screen.getByText(`${words}:`).closest('p') as HTMLElement);
    expect(group('Held').getByRole('button', { name: 'GM-02, held' })).toBeTruthy();
    expect(group('Check before they go out').getByRole('button', { name: /GM-04/ })).toBeTruthy();
    expect(group('Fit to go out').getByRole('button', { name: 'GM-03, start a run' })).toBeTruthy();
    press('GM-03, start a run');
    await waitFor(() => expect(where()).toBe('/runs/new?instrument=GM-03'));
  });

  it('offers a reader nothing to do, and turns from day to day', async () => {
    await open(reader);
    expect(await screen.findByRole('link', { name: 'DM-05' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'check it' })).toBeNull();
    expect(screen.queryByRole('link', { name: 'Start a run' })).toBeNull();
    press(/Day before/);
    await waitFor(() => expect(where()).toBe('/?date=2026-11-20'));
  });

  it('goes to any day that is typed, and back to today', async () => {
    await open(technician);
    const field = await screen.findByLabelText('Day');
    fireEvent.change(field, { target: { value: '' } });
    fireEvent.blur(field);
    fireEvent.change(field, { target: { value: '2026-10-02' } });
    expect(where()).toBe('/?date=2026-11-24');
    fireEvent.blur(field);
    await waitFor(() => expect(where()).toBe('/?date=2026-10-02'));
    fireEvent.click(await screen.findByRole('button', { name: 'Today' }));
    await waitFor(() => expect(where()).toBe('/?date=2026-11-27'));
  });

  it('says where all is done, where something is left, and where there is nothing yet', async () => {
    await open(technician, { ...day, units: [unit('DM-04', 'done for the day')] });
    expect(await screen.findByText('Every bracket of the day is closed.')).toBeTruthy();
    cleanup();
    await open(technician, { ...day, campaign: null, units: [unit('DM-03', 'start a run')] });
    expect(await screen.findByText('1 instrument of 1 still to do.')).toBeTruthy();
    expect(screen.getByText(/no campaign yet/)).toBeTruthy();
    cleanup();
    await open(technician, { ...day, units: [] });
    expect(await screen.findByText('No instrument is registered yet')).toBeTruthy();
  });
});

describe('the bench', () => {
  const at = (id: string, more: object = {}) => ({
    id,
    family: '',
    model: 'Wren 2',
    about: '',
    hold: [],
    running: null,
    draft: null,
    lastCheck: null,
    fit: null,
    procedures: [{ id: 'a', title: 'Check' }],
    ...more,
  });
  const all = [
    at('DM-01', { lastCheck: { id: 'C', at: '2026-11-24T07:30:00+00:00', reference: null } }),
    at('DM-02', { running: 'R-3' }),
    at('DM-03', { hold: ['R-1'] }),
    at('DM-04', {
      draft: { id: 'D', by: 'T-2', startedAt: '' },
      procedures: [
        { id: 'a', title: 'Check' },
        { id: 'b', title: 'Bump test' },
      ],
    }),
    at('DM-05', {
      procedures: [
        { id: 'a', title: 'Check' },
        { id: 'b', title: 'Bump test' },
      ],
    }),
  ];
  const shift = {
    reference: 'AC-02',
    when: '2026-11-24 morning',
    unit: 'dB',
    shared: -0.3,
    units: ['DM-01', 'DM-02', 'DM-03'],
    own: [{ unit: 'DM-01', own: 0.1 }],
  };
  const bench = async (who: unknown, what: object) => {
    serve(server, { '/api/bench': what, '/api/session': who }, { id: 'D-1' });
    showAt('/bench', '/bench', <BenchView />);
    await waitFor(() => expect(server.GET).toHaveBeenCalledWith('/api/session'));
  };

  it('sets first what is half done and what waits, and says what the whole row moved by', async () => {
    await bench(technician, { units: all, shifts: [shift] });
    await screen.findByRole('heading', { name: 'Bench' });
    const order = screen
      .getAllByRole('row')
      .slice(1)
      .map((row) => row.querySelector('a')?.textContent);
    expect(order).toEqual(['DM-04', 'DM-03', 'DM-02', 'DM-01', 'DM-05']);
    expect(
      screen.getByRole('heading', { name: 'Shift shared by the row: AC-02, 2026-11-24 morning' }),
    ).toBeTruthy();
    expect(screen.getByText(/3 instruments moved together by/).textContent).toContain('−0.30 dB');
    expect(screen.getByRole('row', { name: /DM-03/ }).textContent).toContain(
      'do not adjust: as found closes R-1',
    );
    expect(screen.getByRole('row', { name: /DM-01/ }).textContent).toContain('no reference');
    expect(await screen.findByRole('button', { name: 'Go on (T-2)' })).toBeTruthy();
    pick('Other checks', 'Bump test');
    await waitFor(() =>
      expect(sent(server.POST).params).toMatchObject({
        path: { instrument: 'DM-05' },
        query: { procedure: 'b' },
      }),
    );
  });

  it('says what was refused, and where there is nothing', async () => {
    await bench(technician, { units: [at('DM-01')], shifts: [] });
    refuse(server.POST, 'This unit is no longer in the kit.', {}, 404);
    press(await screen.findByRole('button', { name: 'Check' }).then(() => 'Check'));
    expect(await screen.findByText('This unit is no longer in the kit.')).toBeTruthy();
    cleanup();
    await bench(reader, { units: [], shifts: [] });
    expect(await screen.findByText('No instrument to check yet')).toBeTruthy();
  });
});

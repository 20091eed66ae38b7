import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import {
  pick,
  press,
  reader,
  refuse,
  sent,
  serve,
  showAt,
  steward,
  technician,
  type,
  valueOf,
  where,
  row,
} from '../tests/served';
import { UnitView } from './UnitView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const point = (
  check: string,
  found: number,
  left: number,
  drift: number | null,
  adjustment: number | null,
) => ({
  at: '2026-11-24T08:00:00+00:00',
  check,
  found,
  left,
  drift,
  adjustment,
});
const history = (channel: string, more: object = {}) => ({
  channel,
  unit: 'dB',
  driftUnit: 'dB',
  shows: 'off by',
  points: [point('C-1', 0.1, 0, null, -0.1), point('C-2', 0.2, 0.2, 0.2, null)],
  trends: [],
  ...more,
});
const check = (id: string, more: object = {}) => ({
  id,
  at: '2026-11-24T08:00:00+00:00',
  by: 'T-1',
  reference: 'AC-04',
  adjusted: false,
  setAside: null,
  brokenOff: false,
  ...more,
});
const unit = {
  id: 'SL-01',
  family: 'sound-level-meter',
  familyTitle: 'sound level meter',
  model: 'Heron 1',
  about: 'class 1',
  due: '2027-04-21',
  dueInterval: null,
  dueState: 'in date',
  intervals: [],
  settable: ['laboratory calibration'],
  fit: { state: 'fit', stays: false, until: '2026-11-25T16:10:00+00:00', against: [] },
  routines: [],
  channels: [],
  traits: [],
  run: [],
  histories: [
    history('', {
      trends: [
        {
          title: 'Stored factor',
          unit: 'dB',
          points: [point('C-1', -25.3, -25.4, null, -0.1), point('C-2', -25.4, -25.9, 0, -0.5)],
          since: -0.6,
          certified: '2026-04-21',
        },
      ],
    }),
  ],
  procedures: [
    { id: 'acoustic-check', title: 'Check' },
    { id: 'other', title: 'Another way' },
  ],
  interventions: [
    {
      id: 'I-1',
      at: '2026-11-20T08:00:00+00:00',
      kind: 'repaired',
      by: 'T-1',
      note: 'new cap',
      channel: null,
    },
  ],
  checks: [
    check('C-3', { setAside: 'bad seal' }),
    check('C-2'),
    check('C-1', { adjusted: true, reference: null }),
    check('C-0', { brokenOff: true }),
  ],
  written: { model: 'Heron 1' },
  corrections: [],
  recalls: [],
  certificates: [
    { number: 'SL-26-019', laboratory: 'County', issued: '2026-04-21', due: '2027-04-21', values: [] },
  ],
};

const open = async (who: unknown, what: object = {}) => {
  serve(
    server,
    {
      '/api/kit/instruments/{id}': { ...unit, ...what },
      '/api/session': who,
      '/api/kit/forms': {
        families: [{ id: 'sound-level-meter', interventions: ['repaired', 'microphone exchanged'] }],
      },
    },
    { id: 'D-7' },
  );
  showAt('/kit/:id', '/kit/SL-01', <UnitView />);
  await screen.findByRole('heading', { name: 'SL-01' });
};

describe('one unit through time', () => {
  it('shows how it was found and left, what was done, and what it stores', async () => {
    await open(reader);
    expect(row(/^C-2/).textContent).toContain('+0.20');
    expect(row(/^C-1/).textContent).toContain('none');
    expect(row(/^C-1/).textContent).toContain('−0.10');
    expect(row(/^C-3/).textContent).toContain('set aside: bad seal');
    expect(row(/^C-0/).textContent).toContain('broken off');
    expect(screen.getByText(/repaired/).textContent).toContain('new cap');
    expect(screen.getByText(/SL-26-019/)).toBeTruthy();
    const trend = screen.getByRole('region', { name: 'Stored factor' });
    expect(trend.textContent).toContain('Since the certificate of 2026-04-21 it moved by −0.60 dB');
    expect(
      within(trend).getByRole('img', { name: /^Stored factor at 2 checks, the last -25.40 dB/ }),
    ).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('turns from one channel to another, and begins any of its checks', async () => {
    await open(technician, {
      channels: ['CO', 'PID'],
      traits: [{ label: 'CO', shown: 'carbon monoxide', flag: false }],
      histories: [history('CO'), history('PID', { unit: '%', points: [point('C-2', 7.5, 7.5, 7.5, null)] })],
    });
    expect(screen.getByText('carbon monoxide')).toBeTruthy();
    expect(row(/^C-2/).textContent).toContain('+0.20');
    press('PID');
    expect(row(/^C-2/).textContent).toContain('+7.5');
    press('Another way');
    await waitFor(() => expect(where()).toBe('/bench/D-7'));
    expect(sent(server.POST)).toMatchObject({
      params: { path: { instrument: 'SL-01' }, query: { procedure: 'other' } },
    });
  });

  const done = (channel: string, more: object = {}) => ({
    channel,
    evidence: 'C-2',
    at: '2026-11-24T08:00:00+00:00',
    until: '2026-11-25T08:00:00+00:00',
    over: false,
    ...more,
  });
  const routine = (name: string, every: string, times: object[]) => ({
    routine: name,
    every,
    own: false,
    source: 'the manual.',
    mark: 'common practice',
    done: times,
  });

  it('tells what is wanted again and again, channels of one check in one line', async () => {
    await open(reader, {
      routines: [
        routine('bump test', '24 hours', [
          done('CO'),
          done('PID'),
          done('H2S', { evidence: 'C-0', at: '2026-11-01T08:00:00+00:00', over: true }),
        ]),
        routine('laboratory calibration', '2 years', [
          done('', { evidence: 'L-1', at: '2025-04-21T00:00:00+01:00', until: '2027-04-21T23:59:59+01:00' }),
        ]),
        routine('calibration', '1 month', [done('', { evidence: null, at: null, until: null })]),
      ],
    });
    expect(screen.getByText(/fit to go out until/)).toBeTruthy();
    const lines = screen.getAllByRole('row').map((line) => line.textContent);
    expect(lines.find((line) => line.startsWith('Bump test'))).toContain('C-2 (CO, PID)');
    expect(lines.find((line) => line.includes('C-0 (H2S)'))).toMatch(/past/);
    const laboratory = lines.find((line) => line.startsWith('Laboratory calibration'));
    expect(laboratory).toContain('2 years21 Apr 2025, L-121 Apr 2027the manual (common practice)');
    expect(lines.find((line) => line.startsWith('Calibration'))).toContain('never–');
  });

  it('has a steward set an interval, and keeps what was typed where it is refused', async () => {
    await open(technician);
    expect(screen.queryByRole('button', { name: 'Set an interval' })).toBeNull();
    cleanup();
    const earlier = { routine: 'laboratory calibration', every: '3', unit: 'years', since: '2026-01-01' };
    await open(steward, { intervals: [{ ...earlier, source: 'the manual', by: 'S-1' }] });
    press('Set an interval');
    await screen.findByRole('dialog');
    expect(
      screen.getByText('laboratory calibration: 3 years since 2026-01-01, S-1: the manual'),
    ).toBeTruthy();
    type(/^Every/, '1.5');
    pick(/^In/, 'years');
    type(/^Since/, '2026-11-01');
    type(/^Source/, 'the manual, page 12');
    refuse(server.POST, 'Nothing was kept.', { '/every': 'must be a whole number of years from 1 to 100.' });
    press('Set the interval');
    expect(await screen.findByText(/must be a whole number/)).toBeTruthy();
    expect(valueOf(/^Source/)).toBe('the manual, page 12');
    type(/^Every/, '1');
    press('Set the interval');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/kit/instruments/{id}/intervals',
      params: { path: { id: 'SL-01' } },
      body: {
        routine: 'laboratory calibration',
        every: '1',
        unit: 'years',
        since: '2026-11-01',
        source: 'the manual, page 12',
      },
    });
  });

  it('writes down what was done to it, which ends its brackets', async () => {
    await open(technician);
    press('Service or repair');
    await screen.findByText(/ends every open bracket of the instrument for good/);
    await waitFor(() => expect(server.GET).toHaveBeenCalledWith('/api/kit/forms'));
    await waitFor(() => expect(screen.getByRole('combobox', { name: 'What' }).textContent).toBe('repaired'));
    pick('What', 'microphone exchanged');
    type('Note', 'membrane torn');
    refuse(server.POST, 'Nothing was kept.', { '/at': 'lies in the future.' });
    press('Write it down');
    expect(await screen.findByText('lies in the future.')).toBeTruthy();
    expect(valueOf('Note')).toBe('membrane torn');
    press('Write it down');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent(server.POST).body).toMatchObject({ kind: 'microphone exchanged', note: 'membrane torn' });
  });

  it('sets a check aside with its reason, never one at which it was adjusted', async () => {
    await open(technician);
    expect(within(row(/^C-1/)).queryByRole('button')).toBeNull();
    within(row(/^C-2/)).getByRole('button', { name: 'Set aside' }).click();
    await screen.findByRole('dialog');
    type(/^Reason/, 'bad seal');
    press('Set aside');
    await waitFor(() => expect(sent(server.POST).path).toBe('/api/bench/checks/{id}/set-aside'));
    expect(sent(server.POST)).toMatchObject({
      params: { path: { id: 'C-2' } },
      body: { reason: 'bad seal' },
    });
  });
});

import { cleanup, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { entry } from '../tests/fixtures';
import { pick, press, refuse, sent, serve, show, type, valueOf } from '../tests/served';
import { Learn } from './Learn';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const level = entry('equivalentLevel', 'decimal', { label: 'L_Aeq', units: ['dB(A)'] });
const run = (more: Partial<Schemas['Run']> = {}): Schemas['Run'] => ({
  id: 'R-1',
  instrument: 'DM-01',
  campaign: { id: 'c', title: 'Noise', zone: 'UTC' },
  start: '2026-11-24T08:00:00+00:00',
  stop: null,
  person: 'W-01',
  task: 'sawing',
  place: '',
  plannedMinutes: null,
  shiftMinutes: null,
  shift: null,
  family: {
    id: 'noise-dosimeter',
    entries: [],
    values: {},
    shown: [],
    totals: [level, entry('doses/pel', 'decimal', { label: 'Dose 90/5/90', units: ['%'] })],
    remarks: ['fell', 'other'],
  },
  clockOffsetSeconds: null,
  timerMinutes: null,
  totals: [],
  remarks: [],
  pauses: [],
  exclusions: [],
  leftIn: [],
  restOfDay: null,
  logWord: null,
  ofPlace: false,
  declaration: null,
  log: null,
  corrections: [],
  withdrawn: null,
  alike: [],
  learned: [],
  ...more,
});
const stopped = (more: Partial<Schemas['Run']> = {}) => run({ stop: '2026-11-24T16:00:00+00:00', ...more });
const meter = (values: Record<string, unknown>) => ({
  id: 'sound-level-meter',
  entries: [
    entry('measures', 'choice', { label: 'What it measures', choices: [{ value: 'room', words: 'a room' }] }),
    entry('fileStart', 'text', { label: 'Start by the unit', only: { entry: 'measures', values: ['room'] } }),
  ],
  values,
  shown: [],
  totals: [level],
  remarks: ['other'],
});

beforeEach(() => serve(server, {}));
describe('what is learned of a run', () => {
  it('stops it, with the clock, a pause and a remark', async () => {
    show(<Learn run={run()} />);
    type('Stop, local time', '2026-11-24T16:05');
    type(/Instrument’s clock/, ' 75 ');
    type('A pause from', '2026-11-24T12:00');
    expect(server.POST).not.toHaveBeenCalled();
    type('The pause to', '2026-11-24T12:30');
    pick('Remark', 'fell');
    type('What happened', 'off the bench');
    press('Stop the run');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    const { path, params, body } = sent(server.POST);
    expect([path, params?.path?.['id']]).toEqual(['/api/runs/{id}/facts', 'R-1']);
    expect(body).toMatchObject({
      clockOffsetSeconds: '75',
      remarks: [{ kind: 'fell', note: 'off the bench' }],
    });
    expect(body).toHaveProperty('pauses.0.to');
    expect(body).toHaveProperty('stop');
    expect(body).not.toHaveProperty('totals');
  });

  it('takes the totals that its family asks, with how they came', async () => {
    show(<Learn run={stopped()} />);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Add' }).disabled).toBe(true);
    type('L_Aeq, dB(A)', ' 91,2 ');
    await screen.findByLabelText('Dose 90/5/90, %');
    type('Dose 90/5/90, %', '96');
    pick('How they came', 'read back');
    press('Add');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toEqual({
      seen: 0,
      totals: {
        equivalentLevel: { value: '91,2', provenance: 'read back' },
        doses: { pel: { value: '96', provenance: 'read back' } },
      },
    });
    cleanup();
    show(<Learn run={stopped({ family: meter({}) })} />);
    expect(screen.getByLabelText('L_Aeq, dB(A)')).toBeTruthy();
    expect(screen.queryByLabelText('Dose 90/5/90, %')).toBeNull();
    cleanup();
    show(<Learn run={stopped({ family: { ...meter({}), totals: [] } })} />);
    expect(screen.queryByLabelText('L_Aeq, dB(A)')).toBeNull();
  });

  it('asks by what was answered when it was started', async () => {
    show(<Learn run={stopped({ family: meter({}) })} />);
    expect(screen.queryByLabelText('Start by the unit')).toBeNull();
    cleanup();
    show(<Learn run={stopped({ family: meter({ measures: 'room' }) })} />);
    type('Start by the unit', '10:05:31');
    press('Add');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toEqual({ seen: 0, fileStart: '10:05:31' });
  });

  it('says at its field what was refused, and keeps what was typed', async () => {
    show(
      <Learn
        run={stopped({ totals: [{ label: 'L_Aeq', value: '90', unit: 'dB(A)', provenance: 'typed' }] })}
      />,
    );
    type('L_Aeq, dB(A)', 'loud');
    refuse(server.POST, 'Nothing was kept.', {
      '/totals/equivalentLevel/value': 'is no number.',
      '/reason': 'say why.',
    });
    press('Add');
    expect(await screen.findByText('is no number.')).toBeTruthy();
    expect(screen.getByText('say why.')).toBeTruthy();
    expect(screen.getByText('Nothing was kept.')).toBeTruthy();
    expect(valueOf('L_Aeq, dB(A)')).toBe('loud');
  });
});

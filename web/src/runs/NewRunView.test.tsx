import { cleanup, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { entry } from '../tests/fixtures';
import { pick, press, refuse, sent, serve, showAt, type, valueOf, where } from '../tests/served';
import { NewRunView } from './NewRunView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const kinds = [
  { value: 'spot', words: 'a place' },
  { value: 'room', words: 'a room' },
];
const meter = [
  entry('measures', 'choice', { label: 'What it measures', choices: kinds }),
  entry('setDelay', 'decimal', { label: 'Start delay, as set' }),
  entry('notedStart', 'text', {
    label: 'Start noted by hand',
    asked: 'once',
    only: { entry: 'measures', values: ['room'] },
  }),
  entry('bands', 'each', {
    label: 'Octave bands',
    asked: 'end',
    only: { entry: 'measures', values: ['room'] },
    choices: [
      { value: '500', words: '500 Hz' },
      { value: '1000', words: '1 kHz' },
    ],
  }),
];
const units = [
  {
    id: 'SL-01',
    family: 'sound-level-meter',
    model: 'Heron 1',
    hold: ['S-00001'],
    running: false,
    fit: null,
  },
  { id: 'DM-01', family: 'noise-dosimeter', model: 'Wren 2', hold: [], running: true, fit: null },
  {
    id: 'DM-02',
    family: 'noise-dosimeter',
    model: 'Wren 2',
    hold: [],
    running: false,
    fit: { state: 'check first', stays: false, until: null, against: ['It was left +0.60 dB off.'] },
  },
];

beforeEach(() => {
  window.sessionStorage.clear();
  serve(
    server,
    {
      '/api/campaigns': { campaigns: [{ id: 'c', title: 'Rooms', site: 'Mill' }], shipped: {} },
      '/api/bench': { units, shifts: [] },
      '/api/kit/instruments/{id}': (asked: { params: { path: { id: string } } }) => ({
        id: asked.params.path.id,
        family: units.find((one) => one.id === asked.params.path.id)?.family,
        run: asked.params.path.id === 'SL-01' ? meter : [],
        usualMinutes: asked.params.path.id === 'SL-01' ? null : 480,
      }),
    },
    { id: 'S-00009' },
  );
});
const open = async (unit: string) => {
  showAt('/runs/new', `/runs/new?instrument=${unit}`, <NewRunView />);
  await screen.findByLabelText(/^Person/);
  await waitFor(() =>
    expect(server.GET).toHaveBeenCalledWith('/api/kit/instruments/{id}', expect.anything()),
  );
};
const fill = () => {
  type(/^Person/, 'T-1');
  type(/^Task/, 'survey');
};

describe('a run that is started', () => {
  it('is planned for as long as the family says, or for as long as it takes', async () => {
    await open('DM-01');
    await waitFor(() => expect(valueOf('Planned, minutes')).toBe('480'));
    fill();
    press('Start the run');
    await waitFor(() => expect(where()).toBe('/runs/S-00009'));
    expect(sent(server.POST).body).toMatchObject({
      instrument: 'DM-01',
      campaign: 'c',
      plannedMinutes: '480',
    });
    cleanup();
    await open('SL-01');
    await screen.findByLabelText('Start delay, as set');
    expect(valueOf('Planned, minutes')).toBe('');
    expect(screen.getByText(/shares the bracket of S-00001/)).toBeTruthy();
    fill();
    press('Start the run');
    await waitFor(() => expect(server.POST).toHaveBeenCalledTimes(2));
    expect(sent(server.POST).body).not.toHaveProperty('plannedMinutes');
  });

  it('asks once why a unit goes out that is not fit to, and offers the check', async () => {
    await open('DM-02');
    expect(screen.getByText('It was left +0.60 dB off.')).toBeTruthy();
    const why = screen.getByRole<HTMLInputElement>('textbox', { name: /^Why it goes out all the same/ });
    expect(why.required).toBe(true);
    fill();
    type(/^Why it goes out all the same/, 'nothing else at hand');
    press('Start the run');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toMatchObject({ despite: 'nothing else at hand' });
    cleanup();
    await open('DM-02');
    // One that is over is written down as it was.
    type(/^Stop, where it is over/, '2026-11-24T10:03');
    expect(screen.queryByLabelText(/^Why it goes out all the same/)).toBeNull();
    cleanup();
    await open('DM-02');
    press('Check DM-02 now');
    await waitFor(() => expect(where()).toBe('/bench/S-00009'));
  });

  it('asks what fits what it measures, and what is read at the end only where it is over', async () => {
    await open('SL-01');
    await screen.findByLabelText('Start delay, as set');
    expect(screen.queryByLabelText('Start noted by hand')).toBeNull();
    pick(/^What it measures/, 'a room');
    expect(screen.getByLabelText('Start noted by hand')).toBeTruthy();
    expect(screen.queryByLabelText('500 Hz')).toBeNull();
    type(/^Stop, where it is over/, '2026-11-24T10:03');
    type('500 Hz', ' 41,6 ');
    fill();
    press('Start the run');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toMatchObject({ measures: 'room', bands: { '500': '41,6' } });
    expect(sent(server.POST).body).toHaveProperty('stop');
  });

  it('keeps what was typed where the server refuses, and says it at its field', async () => {
    await open('SL-01');
    await screen.findByLabelText('Start delay, as set');
    pick(/^What it measures/, 'a room');
    type('Start noted by hand', 'noon');
    fill();
    refuse(server.POST, 'Nothing was kept.', { '/notedStart': 'is not a time of day.' });
    press('Start the run');
    expect(await screen.findByText('is not a time of day.')).toBeTruthy();
    expect(valueOf('Start noted by hand')).toBe('noon');
    expect(where()).toContain('/runs/new');
  });

  it('takes over from the run before what does not differ, unit by unit', async () => {
    await open('SL-01');
    await screen.findByLabelText('Start delay, as set');
    expect(screen.queryByRole('button', { name: /Take over/ })).toBeNull();
    pick(/^What it measures/, 'a room');
    type('Start delay, as set', '30');
    type('Start noted by hand', '10:05');
    fill();
    press('Start the run');
    await waitFor(() => expect(where()).toBe('/runs/S-00009'));
    cleanup();
    await open('SL-01');
    press(
      await screen
        .findByRole('button', { name: /Take over from the run before: 2 answers/ })
        .then(() => /Take over/),
    );
    expect(valueOf('Start delay, as set')).toBe('30');
    expect(valueOf('Start noted by hand')).toBe('');
    cleanup();
    await open('DM-01');
    expect(screen.queryByRole('button', { name: /Take over/ })).toBeNull();
  });
});

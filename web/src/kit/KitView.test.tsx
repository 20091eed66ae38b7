import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { entry } from '../tests/fixtures';
import {
  pick,
  press,
  reader,
  refuse,
  sent,
  serve,
  show,
  steward,
  technician,
  type,
  valueOf,
  row,
} from '../tests/served';
import { KitView } from './KitView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const certificate = (number: string, issued: string, values: unknown[] = []) => ({
  number,
  laboratory: 'County',
  issued,
  due: '2027-03-04',
  values,
});
const level = (nominal: string) => ({
  nominal,
  certified: nominal + '.02',
  uncertainty: '0.15',
  frequency: '1000',
});
const reference = (id: string, more: object = {}) => ({
  id,
  kind: 'acoustic-calibrator',
  kindTitle: 'Acoustic calibrator',
  model: 'Fork',
  about: 'adapters 1/2 in',
  constants: [],
  valueUnit: 'dB',
  errorUnit: 'dB',
  nominal: 'level',
  beside: [entry('frequency', 'decimal', { label: 'Frequency', units: ['Hz'] })],
  certificates: [],
  written: {},
  corrections: [],
  recalls: [],
  due: null,
  dueInterval: null,
  dueState: 'none',
  intervals: [],
  settable: ['laboratory calibration'],
  lastUse: null,
  left: null,
  ...more,
});
const kit = {
  references: [
    reference('AC-01', {
      certificates: [
        certificate('old', '2025-03-04', [level('94')]),
        certificate('F-2217', '2026-03-04', ['94', '104', '114', '124', '134'].map(level)),
      ],
      due: '2027-03-04',
      dueState: 'in date',
      lastUse: '2026-11-24T08:00:00+00:00',
    }),
    reference('AC-03', {
      due: '2026-10-01',
      dueState: 'past',
      recalls: [{ since: '2026-09-01T00:00:00+00:00', reason: '0.3 dB low', place: 0, takenBack: null }],
    }),
    reference('CY-01', {
      kind: 'bottle',
      errorUnit: '',
      kindTitle: 'Cylinder of calibration gas',
      about: '',
      left: '40 L, 80 min',
      constants: [{ label: 'Isobutylene', shown: '100 ppm', flag: false }],
      due: '2026-12-01',
      dueState: 'soon',
    }),
  ],
  instruments: [
    {
      id: 'SL-01',
      family: 'sound-level-meter',
      familyTitle: 'sound level meter',
      model: 'Heron 1',
      about: 'class 1',
      due: '2027-04-21',
      dueInterval: '1 year',
      dueState: 'in date',
      lastCheck: null,
    },
    {
      id: 'DM-08',
      family: 'noise-dosimeter',
      familyTitle: 'noise dosimeter',
      model: 'Wren 2',
      about: '',
      due: null,
      dueInterval: null,
      dueState: 'none',
      lastCheck: '2026-11-19T07:26:00+00:00',
    },
  ],
};
const forms = {
  ofAnyUnit: [],
  families: [
    {
      id: 'noise-dosimeter',
      title: 'noise dosimeter',
      entries: [],
      run: [],
      interventions: [],
      keepsLog: true,
    },
    {
      id: 'sound-level-meter',
      title: 'sound level meter',
      entries: [
        entry('class', 'choice', {
          label: 'Class',
          required: true,
          choices: [{ value: '1', words: 'class 1' }],
        }),
      ],
      run: [],
      interventions: [],
      keepsLog: true,
    },
  ],
  references: [
    {
      id: 'acoustic-calibrator',
      title: 'Acoustic calibrator',
      entries: [],
      constants: [],
      valueUnit: 'dB',
      nominal: 'level',
      beside: [entry('frequency', 'decimal', { label: 'Frequency', units: ['Hz'] })],
      table: true,
    },
    {
      id: 'bottle',
      title: 'Cylinder of calibration gas',
      entries: [entry('size', 'decimal', { label: 'Size' })],
      constants: [entry('accuracy', 'decimal', { label: 'Accuracy' })],
      valueUnit: '',
      nominal: '',
      beside: [],
      table: false,
    },
  ],
  shelves: [
    {
      id: 'set-ups',
      title: 'Set-ups of units',
      one: 'set-up',
      entries: [entry('interval', 'decimal', { label: 'Log interval' })],
    },
  ],
};
const library = {
  shelves: [
    {
      id: 'set-ups',
      title: 'Set-ups of units',
      one: 'set-up',
      items: [
        {
          code: 'room',
          name: 'Room',
          by: '',
          traits: [{ label: 'Log interval', shown: '1 s', flag: false }],
        },
      ],
    },
  ],
};

const open = async (who: unknown, what: unknown = kit) => {
  serve(
    server,
    {
      '/api/kit': what,
      '/api/session': who,
      '/api/kit/forms': forms,
      '/api/kit/library': library,
      '/api/kit/references/{id}/what-if': { asked: [] },
    },
    { asked: { id: 'w-1' } },
  );
  show(<KitView />);
  await screen.findByRole('heading', { name: 'References' });
  await screen.findByRole('heading', { name: 'Set-ups of units' });
};

describe('the kit', () => {
  it('shows the newest certificate, what is past and soon, and what was recalled', async () => {
    await open(reader);
    expect(row(/^AC-01/).textContent).toContain('F-2217');
    expect(row(/^AC-01/).textContent).toContain('94: 94.02 ± 0.15 dB, 1000 Hz');
    expect(row(/^AC-01/).textContent).toContain('and 1 more');
    expect(row(/^AC-03/).textContent).toContain('recalled since');
    expect(row(/^AC-03/).textContent).toContain(', past');
    expect(row(/^CY-01/).textContent).toContain('Left: 40 L, 80 min');
    expect(row(/^CY-01/).textContent).toContain('isobutylene 100 ppm');
    expect(row(/^CY-01/).textContent).toContain(', soon');
    expect(row(/^SL-01/).textContent).toContain('sound level meter, class 1');
    expect(row(/^SL-01/).textContent).toContain('interval of 1 year');
    expect(row(/^DM-08/).textContent).toContain('none');
    expect(screen.queryByRole('button', { name: /Register|Add|Recall|interval/ })).toBeNull();
  });

  it('says so where there is nothing yet', async () => {
    await open(technician, { references: [], instruments: [] });
    expect(screen.getByText(/No reference yet/)).toBeTruthy();
    expect(screen.getByText('No instrument yet.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Register a reference' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Register an instrument' })).toBeTruthy();
  });

  it('registers a unit of any family by what that family asks', async () => {
    await open(technician);
    press('Register an instrument');
    await screen.findByRole('dialog');
    type(/^Asset number/, 'SL-09');
    type(/^Model code/, 'Heron 9');
    expect(screen.queryByLabelText(/^Class/)).toBeNull();
    pick(/^Family/, 'sound level meter');
    pick(/^Class/, 'class 1');
    refuse(server.POST, 'Nothing was kept.', { '/id': 'is taken.' });
    press('Register');
    expect(await screen.findByText('is taken.')).toBeTruthy();
    expect(valueOf(/^Model code/)).toBe('Heron 9');
    press('Register');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/kit/instruments',
      body: { id: 'SL-09', model: 'Heron 9', family: 'sound-level-meter', class: '1', certificates: [] },
    });
  });

  it('registers a reference with what its kind lives from', async () => {
    await open(steward);
    press('Register a reference');
    await screen.findByRole('dialog');
    pick(/^Kind/, 'Cylinder of calibration gas');
    type(/^Asset number/, 'CY-09');
    type(/^Model code/, 'mix');
    type('Size', '34');
    type(/^Certificate number/, 'CY-26-9');
    type(/^Laboratory/, 'Gases');
    type(/^Issued/, '2026-01-01');
    type(/^Due/, '2027-01-01');
    type('Accuracy', '2');
    press('Register');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toMatchObject({
      id: 'CY-09',
      kind: 'bottle',
      size: '34',
      certificates: [{ number: 'CY-26-9', accuracy: '2', values: [] }],
    });
  });

  it('adds a certificate with its table, and recalls, as a steward only', async () => {
    await open(steward);
    fireEvent.click(within(row(/^AC-01/)).getByRole('button', { name: 'Add certificate' }));
    await screen.findByRole('dialog');
    type(/^Certificate number/, 'F-9');
    type(/^Laboratory/, 'County');
    type(/^Issued/, '2026-11-01');
    type(/^Due/, '2027-11-01');
    type(/^Level/, '114');
    type(/^Certified/, '114,03');
    press(/^Add/);
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).params?.path).toMatchObject({ id: 'AC-01' });
    expect(sent(server.POST).body).toMatchObject({
      number: 'F-9',
      values: [{ nominal: '114', certified: '114.03' }],
    });
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    fireEvent.click(within(row(/^AC-01/)).getByRole('button', { name: 'Recall' }));
    type(/^Not to be trusted since/, '2026-11-18T00:00');
    type(/^What was found/, 'came back 0.3 dB low');
    type(/^Found wrong on/, '2026-11-24T00:00');
    pick(/^How far it was off/, 'is known');
    type(/^True value less the certified one, dB/, '-0,3');
    press('See what it would change');
    await waitFor(() => expect(sent(server.POST).path).toBe('/api/kit/references/{id}/what-if'));
    expect(sent(server.POST).body).toMatchObject({ reason: 'came back 0.3 dB low', error: '-0,3' });
    expect((sent(server.POST).body as { until: string }).until).toMatch(/^2026-11-2[34]T/);
  });

  it('recalls without a number where nobody knows it, and where nothing could be taken out', async () => {
    await open(steward);
    fireEvent.click(within(row(/^AC-01/)).getByRole('button', { name: 'Recall' }));
    type(/^Not to be trusted since/, '2026-11-18T00:00');
    type(/^What was found/, 'it rattles');
    pick(/^How far it was off/, 'is not known');
    expect(screen.getByText(/No limit of a result that used it/)).toBeTruthy();
    refuse(server.POST, 'Nothing was kept.', { '/since': 'lies in the future.' });
    press('See what it would change');
    expect(await screen.findByText('lies in the future.')).toBeTruthy();
    expect(valueOf(/^What was found/)).toBe('it rattles');
    expect(sent(server.POST).body).toMatchObject({ error: null });
    press('Cancel');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    fireEvent.click(within(row(/^CY-01/)).getByRole('button', { name: 'Recall' }));
    expect(screen.getByRole('combobox', { name: /^How far it was off/ }).textContent).toBe('is not known');
  });

  it('sets how often a laboratory is to see a reference', async () => {
    await open(steward);
    fireEvent.click(within(row(/^AC-01/)).getByRole('button', { name: 'Set an interval' }));
    await screen.findByRole('dialog');
    type(/^Every/, '6');
    type(/^Source/, 'the manual');
    press('Set the interval');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/kit/references/{id}/intervals',
      params: { path: { id: 'AC-01' } },
      body: { every: '6', unit: 'months' },
    });
  });
});

describe('the library', () => {
  const file = (text: string) =>
    fireEvent.change(screen.getByLabelText('From a file'), {
      target: { files: [new File([text], 'set-up.json')] },
    });

  it('gives an entry as a file, and adds one of its own', async () => {
    await open(technician);
    expect(screen.getByRole('link', { name: 'JSON of Room' }).getAttribute('href')).toBe(
      '/api/kit/library/set-ups/room',
    );
    press('Add a set-up');
    await screen.findByRole('dialog');
    type(/^Code/, 'day');
    type(/^Name/, 'Day');
    type('Log interval', '1');
    refuse(server.POST, 'Nothing was kept.', { '/code': 'this code is taken.' });
    press('Add it');
    expect(await screen.findByText('this code is taken.')).toBeTruthy();
    press('Add it');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent(server.POST)).toMatchObject({
      params: { path: { shelf: 'set-ups' } },
      body: { code: 'day', name: 'Day', interval: '1' },
    });
  });

  it('takes an entry in from its file, and keeps what was typed where the file is none', async () => {
    await open(technician);
    press('Add a set-up');
    await screen.findByRole('dialog');
    type(/^Code/, 'mine');
    file('not json');
    expect(await screen.findByText(/set-up.json is no entry of a library/)).toBeTruthy();
    file('[1, 2]');
    expect(valueOf(/^Code/)).toBe('mine');
    file(JSON.stringify({ code: 'day', name: 'Day', interval: '0.5', unknown: 'x' }));
    await waitFor(() => expect(valueOf(/^Code/)).toBe('day'));
    expect([valueOf(/^Name/), valueOf('Log interval')]).toEqual(['Day', '0.5']);
    press('Add it');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toEqual({ code: 'day', name: 'Day', interval: '0.5' });
  });
});

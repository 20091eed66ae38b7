import { entry } from './fixtures';

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
/** A calibrator in date, one that is past, and a cylinder. */
export const kit = {
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
      written: { serial: '0077' },
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
      traits: [{ label: 'Serial number', shown: '20417', flag: false }],
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
      traits: [],
      due: null,
      dueInterval: null,
      dueState: 'none',
      lastCheck: '2026-11-19T07:26:00+00:00',
    },
  ],
};
export const forms = {
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
export const library = {
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

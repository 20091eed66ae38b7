import { screen, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { serve, showAt, technician } from '../tests/served';
import { FieldSheetsView } from './FieldSheetsView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const at = (clock: string) => `2026-12-02T${clock}:00+00:00`;
const step = (id: string, kind: string, more: object = {}) => ({
  id,
  kind,
  title: `Title of ${id}`,
  instruction: `Do ${id}.`,
  why: '',
  caution: null,
  required: true,
  seconds: null,
  rows: 1,
  fields: [],
  columns: [],
  presets: [],
  ...more,
});
const sheet = {
  action: 'not more than 0.5 dB, by Standard',
  address: 'http://footnote.example/kit/D-1',
  square: '<svg/>',
  check: {
    id: 'D-1',
    policy: 'Standard',
    limits: [],
    checks: [
      {
        procedure: { id: 'p', title: 'Acoustic check' },
        steps: [
          step('warm', 'wait', { seconds: 300 }),
          step('read', 'readings', { rows: 3, columns: [{ label: 'Shown' }] }),
          step('tones', 'readings', { columns: [{ label: 'Shown' }], presets: [{ tone: '114 @ 250' }] }),
          step('saved', 'confirm', { caution: { words: 'Mind your ears.', mark: 'own' } }),
        ],
        walks: [
          { reference: '', setting: '', steps: [0], live: null },
          { reference: 'AC-01', setting: '114', steps: [0, 1, 2, 3], live: null },
        ],
      },
    ],
  },
};
const task = (wanted: string, unit: string) => ({
  wanted,
  unit,
  model: 'Wren 2',
  person: 'W-01',
  task: 'sawing',
  place: 'Hall',
  by: 'T-1',
  from: at('07:00'),
  to: at('15:00'),
});
const activity = (kind: string, from: string) => ({
  kind,
  wanted: '1',
  unit: 'D-1',
  from: at(from),
  reference: 'AC-01',
});

it('is a page for each unit: what is expected, lines for both checks, cautions, a code', async () => {
  serve(server, {
    '/api/session': technician,
    '/api/plans/{id}': {
      id: 'DP-1',
      version: 2,
      day: '2026-12-02',
      zone: 'UTC',
      tasks: [task('1', 'D-1'), task('2', 'D-9')],
      activities: [
        activity('switch on', '06:24'),
        activity('pre-check', '06:25'),
        activity('post-check', '15:25'),
      ],
    },
    '/api/plans/{id}/sheets': { at: at('04:00'), units: [sheet] },
  });
  showAt('/plan/:id/sheets', '/plan/DP-1/sheets', <FieldSheetsView />);
  const page = await screen.findByRole('article', { name: 'Sheet of D-1' });
  const rows = within(page)
    .getAllByRole('row')
    .map((row) => row.textContent);
  expect(rows).toContain('Planned06:2406:2507:0015:0015:25');
  expect(rows).toContain('waited, at least 300 sbeforeafter');
  expect(rows.filter((row) => row.startsWith('Shown'))).toHaveLength(3);
  expect(rows).toContain('114 @ 250beforeafter');
  expect(rows).toContain('donebeforeafter');
  expect(page.textContent).toContain('found off by: not more than 0.5 dB, by Standard');
  expect(page.textContent).toContain('Acoustic check, on AC-01: before and after');
  expect(page.textContent).toContain('Mind your ears.');
  expect(within(page).getByRole('img', { name: 'Code that opens D-1' })).toBeTruthy();
  // What went out of use since is said, and has no page.
  expect(screen.getByText('D-9 is out of use: there is no sheet for it.')).toBeTruthy();
});

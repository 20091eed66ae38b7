import { fireEvent, screen, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { serve, type Server, showAt } from '../tests/served';
import { DatesView } from './DatesView';
import { groupsOf, weekOf } from './weeks';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const item = (
  id: string,
  day: string | null,
  more: Partial<Schemas['DueItem']> = {},
): Schemas['DueItem'] => ({
  owner: 'instruments',
  id,
  model: 'QX',
  what: 'laboratory calibration',
  channels: [],
  until: day === null ? null : `${day}T23:59:59+00:00`,
  day,
  own: false,
  daily: false,
  state: day === null ? 'none' : 'in date',
  evidence: 'L-1',
  every: '',
  source: '',
  laboratory: true,
  weighs: 'qualified',
  holdsUp: [id],
  minutes: null,
  assumed: false,
  note: '',
  ...more,
});
const dates = (items: Schemas['DueItem'][], more: Partial<Schemas['Dates']> = {}): Schemas['Dates'] => ({
  today: '2026-12-31',
  zone: 'UTC',
  known: true,
  waiting: 0,
  over: 1,
  soon: 1,
  soonDays: 45,
  items,
  ...more,
});

it('puts what falls due into weeks that begin on Monday, over the end of a year', () => {
  const items = [
    item('never', null),
    item('past', '2026-12-30', { state: 'past' }),
    item('shelf', '2026-12-30', { state: 'before use', daily: true }),
    item('unused', null, { state: 'before use', daily: true }),
    item('sunday', '2027-01-03'),
    item('monday', '2027-01-04'),
    item('far', '2027-02-21'),
    item('later', '2027-02-22'),
  ];
  expect(groupsOf(items, '2026-12-31').map((group) => [group.title, group.days, group.items[0]?.id])).toEqual(
    [
      ['Over', '', 'past'],
      ['Before use', 'every day', 'shelf'],
      ['This week', '28 Dec to 3 Jan', 'sunday'],
      ['Next week', '4 Jan to 10 Jan', 'monday'],
      ['In 7 weeks', '15 Feb to 21 Feb', 'far'],
      ['Later', '', 'later'],
      ['Never done', '', 'never'],
    ],
  );
});

it('knows the week of a day, over the end of a year and of a month', () => {
  expect(weekOf('2026-12-31')).toEqual({ from: '2026-12-28', to: '2027-01-03' });
  expect(weekOf('2027-01-03')).toEqual({ from: '2026-12-28', to: '2027-01-03' });
  expect(weekOf('2027-01-04')).toEqual({ from: '2027-01-04', to: '2027-01-10' });
});

it('says what waits for each, and shows the bench alone where that is asked', async () => {
  serve(server, {
    '/api/dates': dates([
      item('DM-01', '2026-12-30', { state: 'past' }),
      item('MG-01', '2027-01-01', {
        laboratory: false,
        what: 'bump test',
        channels: ['CO', 'H2S'],
        every: '24 hours',
        evidence: 'C-7',
      }),
      item('AC-01', '2027-03-01', {
        owner: 'references',
        holdsUp: ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'],
      }),
    ]),
  });
  showAt('/', '/', <DatesView />);
  const over = within(await screen.findByRole('region', { name: 'Over' }));
  over.getByText('A run that begins later is qualified.');
  expect(over.getByRole('link', { name: 'DM-01' }).getAttribute('href')).toBe('/kit/DM-01');
  screen.getByText(
    'What is checked on it later is qualified. Last checked on it: A, B, C, D, E, F and 2 more.',
  );
  expect(screen.getByRole('link', { name: 'As a table' }).getAttribute('href')).toBe('/api/dates.csv');
  fireEvent.click(screen.getByRole('button', { name: 'At the bench' }));
  expect(screen.queryByText('DM-01')).toBeNull();
  screen.getByText(/bump test of CO, H2S/);
  expect(screen.getByRole('link', { name: 'C-7' }).getAttribute('href')).toBe('/checks/C-7');
});

it('says why there is nothing', async () => {
  serve(server, { '/api/dates': dates([], { known: false, over: 0, soon: 0 }) });
  showAt('/', '/', <DatesView />);
  await screen.findByText(/no campaign names one yet/);
});

it('shows what the site has dated itself, samples that wait, and how long a check takes', async () => {
  serve(server, {
    '/api/dates': dates([
      item('DM-01', '2027-01-01', {
        what: 'exchange: filter',
        laboratory: false,
        evidence: '',
        weighs: null,
      }),
      item('CY-01', '2027-01-02', {
        owner: 'references',
        holdsUp: ['GM-01'],
        note: 'Another one is ordered: today',
      }),
      item('CY-02', '2027-01-02', {
        owner: 'references',
        what: 'exchange: ring',
        laboratory: false,
        weighs: null,
        evidence: '',
      }),
      item('T-17', '2027-01-03', {
        owner: 'samples',
        what: 'analysis',
        evidence: 'R-9',
        weighs: null,
        holdsUp: [],
        note: 'W-01, gluing',
      }),
      item('GM-01', '2027-01-03', { what: 'bump test', laboratory: false, minutes: 12, evidence: 'C-1' }),
      item('DM-02', '2027-01-03', { note: 'It is lost.' }),
      item('GM-02', '2027-01-03', { what: 'bump test', laboratory: false, minutes: 12, assumed: true }),
    ]),
  });
  showAt('/dates', '/dates', <DatesView />);
  const line = async (id: string) =>
    (await screen.findByRole('link', { name: id })).closest('li')?.textContent;
  expect(await line('DM-01')).toContain('exchange: filter');
  expect(await line('CY-01')).toContain('Last checked on it: GM-01. Another one is ordered: today');
  expect(await line('CY-02')).not.toContain('last checked');
  expect(await line('T-17')).toContain('analysis, as long as the sample holds by its method');
  expect(await line('T-17')).toContain('W-01, gluing');
  expect(screen.getByRole('link', { name: 'T-17' }).getAttribute('href')).toBe('/results/R-9');
  expect(await line('GM-01')).toContain('takes 12 min');
  expect(await line('GM-01')).not.toContain('about');
  expect(await line('DM-02')).toContain('A run that begins later is qualified. It is lost.');
  expect(await line('GM-02')).toContain('takes about 12 min');
});

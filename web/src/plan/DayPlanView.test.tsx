import { fireEvent, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { pick, press, reader, refuse, sent, serve, showAt, technician, where } from '../tests/served';
import { entry } from '../tests/fixtures';
import { DayPlanView } from './DayPlanView';
import { NewPlanView } from './NewPlanView';
import { PlansView } from './PlansView';
import { hourOf, insteadOf, sent as asSent, waysOf } from './asked';
import { axisOf, hasMoved } from './axis';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const demands = [
  entry('levelsTo', 'decimal', { label: 'Levels up to' }),
  entry('class', 'choice', { label: 'Class', choices: [{ value: '1', words: 'class 1' }] }),
];
const at = (clock: string) => `2026-12-02T${clock}:00+00:00`;
const asked = {
  day: '2026-12-02',
  campaign: 'C',
  base: 'Office',
  crew: [{ name: 'T-1', from: '05:00', to: '17:00' }],
  ways: [{ one: 'Office', other: 'Machine hall', minutes: '10' }],
  handling: { switchOn: '1', fit: '5', takeOff: '5', notSooner: '30' },
  wanted: [
    { person: 'W-01', task: 'sawing', place: 'Machine hall', family: 'f', from: '07:00', to: '15:00' },
    {
      person: 'W-02',
      task: 'sawing',
      place: 'Machine hall',
      family: 'f',
      from: '07:00',
      to: '15:00',
      unit: 'D-2',
    },
  ],
};
const step = (kind: string, from: string, to: string, more: object = {}) => ({
  kind,
  wanted: '1',
  unit: 'D-1',
  by: 'T-1',
  place: 'Office',
  from: at(from),
  to: at(to),
  nowFrom: at(from),
  nowTo: at(to),
  reference: null,
  because: `because ${kind}`,
  done: false,
  evidence: '',
  ...more,
});
const plan = (more: object = {}) => ({
  id: 'DP-00001',
  version: 1,
  by: 'hygienist',
  at: at('04:00'),
  day: '2026-12-02',
  campaign: 'C',
  zone: 'UTC',
  today: '2026-12-01',
  now: '2026-12-01T10:00:00+00:00',
  asked,
  tasks: [
    {
      wanted: '1',
      person: 'W-01',
      task: 'sawing',
      place: 'Machine hall',
      family: 'f',
      from: at('07:00'),
      to: at('15:00'),
      unit: 'D-1',
      model: 'Wren 2',
      by: 'T-1',
      late: 0,
      lead: null,
      charged: null,
      sources: ['Check 9 min: assumed.'],
      notes: [],
    },
  ],
  activities: [
    step('switch on', '06:34', '06:35'),
    step('pre-check', '06:35', '06:44', { reference: 'AC-01' }),
    step('fit', '06:55', '07:00', { place: 'Machine hall' }),
    step('take off', '15:00', '15:05', { place: 'Machine hall' }),
    step('post-check', '15:15', '15:24', { reference: 'AC-01' }),
  ],
  journeys: [
    { by: 'T-1', from: 'Office', to: 'Machine hall', leaves: at('06:45'), arrives: at('06:55') },
    { by: 'T-1', from: 'Machine hall', to: 'Office', leaves: at('15:05'), arrives: at('15:15') },
  ],
  short: [
    {
      wanted: '2',
      words: 'W-02, sawing',
      why: ['D-2: Its certificate ended.'],
      nearest: 'D-3 can measure it.',
      kind: 'other unit',
      instead: '07:00',
    },
  ],
  over: [],
  every: true,
  budget: [],
  samples: [],
  packing: [{ id: 'D-1', model: 'Wren 2', with: ['case'], missing: ['windscreen'] }],
  figures: [],
  ...more,
});
const show = (served: object, user = technician, otherwise = false) => {
  const answers = { '/api/plans/{id}': served, '/api/plans/{id}/otherwise': { otherwise } };
  const form = { entries: [], families: [], demands: [] };
  const all = { '/api/session': user, ...answers, '/api/campaigns': { campaigns: [] }, '/api/plan': form };
  serve(server, all, served);
  showAt('/plan/:id', '/plan/DP-00001', <DayPlanView />);
};

describe('a planned day', () => {
  it('says when somebody must switch something on, what does not go, and why each line stands where it does', async () => {
    show(plan());
    expect((await screen.findByRole('region', { name: 'To pack' })).textContent).toContain(
      'D-1 Wren 2, with case, missing: windscreen',
    );
    expect((await screen.findByText(/First switch-on at/)).textContent).toBe(
      'First switch-on at 06:34: D-1, by T-1.',
    );
    const short = screen.getByRole('region', { name: 'What does not go as it is wanted' });
    expect(short.textContent).toContain('W-02, sawing. D-3 can measure it.');
    expect(short.textContent).toContain('D-2: Its certificate ended.');
    const lines = within(screen.getByRole('region', { name: 'The day of T-1' })).getAllByRole('row');
    expect(lines.map((line) => line.textContent)).toEqual([
      '06:34Switch on D-1because switch on',
      '06:35Check D-1 on AC-01because pre-check',
      '06:45to Machine hall, there at 06:55',
      '06:55Fit D-1 to W-01, start itbecause fit',
      '15:00Stop D-1, take it off W-01because take off',
      '15:05to Office, there at 15:15',
      '15:15Check D-1 after, on AC-01because post-check',
    ]);
    expect(
      screen.getByRole('img', { name: /^Planned: on 06:34, check 06:35, measuring 07:00 to 15:00/ }),
    ).toBeTruthy();
  });

  it('shows what was done beside what was planned, and leads to it', async () => {
    show(
      plan({
        activities: plan().activities.map((one) =>
          one.kind === 'fit'
            ? { ...one, done: true, evidence: 'run-1', nowFrom: at('07:20'), nowTo: at('07:25') }
            : one,
        ),
      }),
    );
    const done = await screen.findByRole('link', { name: /Fit D-1 to W-01/ });
    expect(done.getAttribute('href')).toBe('/results/run-1');
    expect(done.closest('tr')?.textContent).toContain('06:55 07:20');
    expect(screen.getByRole('img', { name: /^Now: .* measuring 07:25/ })).toBeTruthy();
  });

  it('is wanted otherwise at one press, and planned again', async () => {
    show(plan());
    await screen.findByRole('button', { name: 'Want it so' });
    press('Want it so');
    expect(screen.getByRole('group', { name: 'Measurement 2' }).textContent).not.toContain('D-2');
    // What was typed is sent by its form, and not before that is there.
    const again = screen.getByRole<HTMLButtonElement>('button', { name: 'Plan it again' });
    await vi.waitFor(() => expect(again.disabled).toBe(false));
    press('Plan it again');
    await vi.waitFor(() => expect(server.POST).toHaveBeenCalled());
    const { body } = sent(server.POST);
    expect(body).toMatchObject({ version: '1', asked: { wanted: [{}, { person: 'W-02', from: '07:00' }] } });
  });

  it('says what nobody knows, and when the kit has changed', async () => {
    show(
      plan({
        short: [],
        every: false,
        over: ['T-1 is there until 17:00, and is done at 17:10.'],
        budget: [{ reference: 'CY-01', checks: 2, isEnough: null, after: null }],
        samples: [
          {
            wanted: '1',
            usable: false,
            media: 1,
            words: ['10 % of the limit cannot be quantified so.'],
            lines: [],
            holds: '2026-12-09T15:00:00+00:00',
          },
        ],
      }),
      reader,
      true,
    );
    expect((await screen.findByRole('status')).textContent).toContain('the kit has changed');
    const short = screen.getByRole('region', { name: 'What does not go as it is wanted' }).textContent;
    expect(short).toContain('is done at 17:10');
    expect(short).toContain('no check says how much gas is left, and 2 checks want it');
    expect(short).toContain('10 % of the limit cannot be quantified so.');
    expect(screen.getByText(/another may be better/)).toBeTruthy();
    expect(screen.getByRole('region', { name: 'What the times rest on' }).textContent).toContain(
      'to be analysed by Wed, 9 Dec 2026, 15:00',
    );
    expect(screen.queryByRole('button', { name: 'Plan it again' })).toBeNull();
  });

  it('has nothing to say where everything goes', async () => {
    show(plan({ short: [] }));
    expect(await screen.findByText(/Everything goes as it is wanted/)).toBeTruthy();
  });
});

describe('what is asked of a day', () => {
  it('begins as the last one was, asks the ways between its places, and names what is wrong', async () => {
    serve(
      server,
      {
        '/api/session': technician,
        '/api/plans': { items: [{ id: 'DP-00001', day: '2026-12-02' }], today: '2026-12-03' },
        '/api/plans/{id}': plan(),
        '/api/campaigns': { campaigns: [{ id: 'C', title: 'Noise', site: 'Mill' }] },
        '/api/kit': { instruments: [{ id: 'D-1', family: 'f', familyTitle: 'dosimeter' }], references: [] },
        '/api/bench': { units: [] },
        '/api/plan': { entries: [], families: [], demands: [{ family: 'f', entries: demands }] },
        '/api/runs/names': { persons: ['W-01'], tasks: ['sawing'], families: [] },
      },
      plan({ id: 'DP-00002' }),
    );
    showAt('/plan/new', '/plan/new', <NewPlanView />);
    const row = await screen.findByRole('group', { name: 'Measurement 1' });
    const type = (name: RegExp, value: string) =>
      fireEvent.change(within(row).getByRole('combobox', { name }), { target: { value } });
    type(/Person/, 'W-05');
    type(/Task/, 'sanding');
    type(/Place/, 'Attic');
    pick('Instrument', 'dosimeter');
    press('The unit must');
    const must = within(row).getByRole('group', { name: 'What the unit must be able to' });
    fireEvent.change(within(must).getByRole('textbox', { name: /Levels up to/ }), {
      target: { value: '130' },
    });
    const from = within(row).getByRole('textbox', { name: /From/ });
    fireEvent.change(from, { target: { value: '730' } });
    fireEvent.blur(from);
    fireEvent.change(screen.getByRole('textbox', { name: 'Office to Attic, minutes' }), {
      target: { value: '12' },
    });
    refuse(server.POST, 'Not accepted', { '/wanted/0/from': 'must be an hour such as 07:30.' });
    press('Plan it');
    expect(await screen.findByText('must be an hour such as 07:30.')).toBeTruthy();
    press('Plan it');
    expect(sent(server.POST).body).toMatchObject({
      day: '2026-12-03',
      crew: asked.crew,
      ways: [{ one: 'Office', other: 'Attic', minutes: '12' }],
      wanted: [
        {
          person: 'W-05',
          task: 'sanding',
          place: 'Attic',
          family: 'f',
          from: '07:30',
          to: '15:00',
          demands: { levelsTo: '130' },
        },
      ],
    });
    await vi.waitFor(() => expect(where()).toBe('/plan/DP-00002'));
  });

  it('is sent without what nobody settled', () => {
    const [wanted] = asked.wanted;
    const row = {
      person: '',
      task: '',
      place: '',
      family: '',
      from: '',
      to: '',
      ...wanted,
      unit: '',
      by: '',
      sample: {},
    };
    const form = { entries: [], families: [], demands: [{ family: 'dosimeter', entries: demands }] };
    expect(asSent({ ...asked, wanted: [row] }, form).wanted).toEqual([wanted]);
    const demanding = { ...row, demands: { levelsTo: ' 130 ', class: '' } };
    expect(
      asSent({ ...asked, wanted: [{ ...demanding, family: 'dosimeter' }] }, form).wanted[0],
    ).toMatchObject({
      demands: { levelsTo: '130' },
    });
    expect(waysOf({ ...asked, base: 'Attic' })).toEqual([
      { one: 'Attic', other: 'Machine hall', minutes: '' },
    ]);
    expect(['7', '730', '7:30', '07.30', 'noon'].map(hourOf)).toEqual([
      '07:00',
      '07:30',
      '07:30',
      '07:30',
      'noon',
    ]);
    const later = { wanted: '2', words: '', why: [], nearest: '', kind: 'later' as const, instead: '12:05' };
    expect(insteadOf(asked, later).wanted[1]).toMatchObject({ unit: 'D-2', from: '12:05' });
  });
});

describe('the plans', () => {
  it('keep what is ahead apart from what is over', async () => {
    const head = (id: string, day: string, short: number) => ({
      id,
      day,
      short,
      version: 2,
      by: 'hygienist',
      at: at('04:00'),
      campaign: 'C',
      wanted: 3,
    });
    serve(server, {
      '/api/session': technician,
      '/api/plans': {
        items: [head('DP-2', '2026-12-04', 1), head('DP-1', '2026-12-01', 0)],
        today: '2026-12-03',
      },
    });
    showAt('/plan', '/plan', <PlansView />);
    expect((await screen.findByRole('region', { name: 'Today and ahead' })).textContent).toContain(
      '1 not as wanted',
    );
    expect(screen.getByRole('region', { name: 'Over' }).textContent).toContain('planned 2 times');
  });

  it('say what a plan is for where there is none', async () => {
    serve(server, { '/api/session': reader, '/api/plans': { items: [], today: '2026-12-03' } });
    showAt('/plan', '/plan', <PlansView />);
    expect(await screen.findByText('No day is planned')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Plan a day' })).toBeNull();
  });
});

describe('the axis of a plan', () => {
  it('spans whole hours, and what became of it', () => {
    const activities = plan().activities as Parameters<typeof axisOf>[0];
    expect(hasMoved(activities)).toBe(false);
    const axis = axisOf(activities);
    expect(axis.percent(at('06:00'))).toBe(0);
    expect(axis.percent(at('16:00'))).toBe(100);
    expect(axis.percent(at('11:00'))).toBe(50);
  });
});

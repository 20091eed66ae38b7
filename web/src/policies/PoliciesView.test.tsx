import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import {
  hygienist,
  pick,
  press,
  reader,
  refuse,
  sent,
  serve,
  show,
  showAt,
  steward,
  type,
  valueOf,
  row,
} from '../tests/served';
import { PoliciesView } from './PoliciesView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const rule = (title: string, value: string, severity = 'void') => ({
  title,
  severity,
  source: 'ISO 9612',
  mark: 'from memory',
  limits: { drift: { value, unit: 'dB' } },
});
const version = (id: string, name: string, rules: object, more: object = {}) => ({
  key: `${id}-1`,
  version: 1,
  newest: true,
  data: {
    id,
    name,
    version: 1,
    summary: 'both ends',
    reported: { offset: 'indicated', flow: 'between' },
    choices: { unsampledTime: 'zero', startOfDayOnly: 'never' },
    rules,
    ...more,
  },
});
const policies = {
  policies: [
    version('standard', 'Standard', {
      'noise.drift': rule('Acoustic drift', '0.5'),
      'gas.span-drift': rule('Span drift', '10', 'qualified'),
      'reference.laboratory-due': {
        ...rule('Laboratory', '1', 'qualified'),
        limits: {
          'acoustic-calibrator': { value: '1', unit: 'years' },
          'low volume': { value: '3', unit: 'months' },
        },
      },
    }),
    version(
      'survey',
      'Survey',
      {
        'noise.drift': rule('Acoustic drift', '1.0'),
        'gas.span-drift': { ...rule('Span drift', '10', 'off'), limits: [] },
      },
      { choices: { unsampledTime: 'zero', startOfDayOnly: 'where it stayed' } },
    ),
    { ...version('standard', 'Standard', {}), key: 'standard-0', newest: false },
  ],
  groups: { noise: 'Noise', gas: 'Gas and vapour monitors' },
  limits: { 'acoustic-calibrator': 'acoustic calibrator' },
  questions: [
    {
      of: 'reported',
      name: 'flow',
      title: 'Volumes are reported',
      answers: [
        { value: 'indicated', words: 'as indicated' },
        { value: 'between', words: 'interpolated' },
        { value: 'cautious', words: 'at the cautious end' },
      ],
    },
    {
      of: 'choices',
      name: 'startOfDayOnly',
      title: 'A check at the start of the day is enough',
      answers: [
        { value: 'never', words: 'never' },
        { value: 'where it stayed', words: 'for a unit that stayed in one quiet place' },
      ],
    },
  ],
};
const limit = {
  id: 'eu-upper',
  title: 'upper action value',
  quantity: 'lex8h',
  value: '85',
  unit: 'dB(A)',
  comparator: '>=',
  scope: 'at the ear',
  source: 'Directive',
  mark: 'published',
};
const criterion = {
  id: 'pel',
  name: '90/5/90',
  level: '90',
  exchangeRate: '5',
  threshold: '90',
  source: 's',
  mark: 'published',
};
const conditions = (id: string, name: string) => ({
  id,
  name,
  conditions: {},
  source: 'choice',
  mark: 'own',
});
const campaigns = {
  campaigns: [
    {
      id: 'SM',
      title: 'Noise',
      site: 'Mill',
      zone: 'UTC',
      runs: 13,
      version: 3,
      policy: 'standard-1',
      policyChanged: true,
      criteria: [criterion, conditions('a', '20 °C')],
      limits: [limit],
      quantities: [{ value: 'lex8h', words: 'L_EX,8h', unit: 'dB(A)', of: 'noise dosimeter' }],
    },
  ],
  shipped: {
    criteria: [criterion, conditions('a', '20 °C'), conditions('b', 'as sampled')],
    limits: [limit, { ...limit, id: 'peak', title: 'peak', value: '140' }],
  },
};

const open = async (who: unknown, what: object = campaigns, all: object = policies) => {
  serve(server, { '/api/policies': all, '/api/campaigns': what, '/api/session': who });
  show(<PoliciesView />);
  await screen.findByRole('heading', { name: 'Policies' });
};

describe('policies side by side', () => {
  it('shows limits, weights and ways of working, and what differs from the first', async () => {
    await open(reader);
    expect(row(/^Laboratory/).textContent).toContain(
      'qualified: acoustic calibrator 1 year, low volume 3 months',
    );
    const drift = within(row(/^Acoustic drift/)).getAllByRole('cell');
    expect(drift.map((cell) => cell.textContent)).toEqual([
      'Acoustic drift',
      'void: 0.5 dB',
      'void: 1.0 dB',
      'ISO 9612 (to be confirmed)',
    ]);
    expect(drift[1]?.style.fontWeight).toBe('400');
    expect(drift[2]?.style.fontWeight).toBe('700');
    expect(row(/^Span drift/).textContent).toContain('off');
    expect(screen.getByText('Gas and vapour monitors')).toBeTruthy();
    expect(row(/^A check at the start of the day is enough/).textContent).toContain(
      'for a unit that stayed in one quiet place',
    );
    expect(row(/^Volumes are reported/).textContent).toContain('interpolated');
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('appear with the first campaign', async () => {
    await open(
      hygienist,
      { campaigns: [], shipped: { criteria: [], limits: [] } },
      { policies: [], groups: {}, limits: {}, questions: [] },
    );
    expect(
      screen.getByText(
        'No policy yet: those that come with Footnote are taken over with the first campaign.',
      ),
    ).toBeTruthy();
    expect(screen.getByText(/No campaign yet/)).toBeTruthy();
  });

  it('are copied and changed by a steward; what is refused is said and kept', async () => {
    await open(steward);
    fireEvent.click((await screen.findAllByRole('button', { name: 'Copy and change' }))[0] as HTMLElement);
    type(/^Code/, 'house');
    expect(valueOf(/^acoustic calibrator, not more than, years/)).toBe('1');
    type(/^drift, not more than, dB/, '0,3x');
    pick('A check at the start of the day is enough', 'for a unit that stayed in one quiet place');
    pick('Span drift weighs', 'void');
    type('Source of Span drift', 'our own');
    refuse(server.POST, 'Nothing was kept.', { '/rules/noise.drift/limits/drift/value': 'is no number.' });
    press('Add as a new version');
    expect(await screen.findByText('Nothing was kept.')).toBeTruthy();
    type(/^drift, not more than, dB/, '0,3');
    press('Add as a new version');
    await waitFor(() => expect(screen.getByRole('heading', { name: 'Policies' })).toBeTruthy());
    expect(sent(server.POST).body).toMatchObject({
      basedOn: 'standard-1',
      id: 'house',
      choices: { startOfDayOnly: 'where it stayed' },
      rules: {
        'noise.drift': { limits: { drift: { value: '0,3' } }, mark: 'own' },
        'gas.span-drift': { severity: 'void', source: 'our own' },
      },
    });
  });
});

describe('campaigns', () => {
  it('say what they are judged by, and that it was changed', async () => {
    await open(hygienist);
    expect(screen.getByText(/13 runs/)).toBeTruthy();
    expect(screen.getByText('The policy was changed after results were seen.')).toBeTruthy();
    expect(screen.getByText(/90\/5\/90, 20 °C · 1 limit: upper action value >= 85 dB\(A\)/)).toBeTruthy();
    await screen.findByRole('button', { name: 'Criteria and limits' });
    pick('Judged by', 'Survey 1');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/campaigns/{id}/policy',
      params: { path: { id: 'SM' } },
      body: { policy: 'survey-1' },
    });
  });

  const noise = {
    id: 'noise-eu',
    agent: 'Noise',
    title: 'European Union',
    source: 'Directive',
    oneOf: '',
    holds: ['upper action value ≥ 85 dB(A)'],
  };
  const at = (id: string) => ({
    id,
    agent: 'Air samples',
    title: `Volumes stated at ${id}`,
    source: 'choice',
    oneOf: 'conditions',
    holds: [id],
  });
  const beginnings = { sets: [noise, at('25 °C'), at('20 °C')], zones: ['Europe/London', 'UTC'] };
  const begin = async () => {
    serve(server, {
      '/api/policies': policies,
      '/api/campaigns': campaigns,
      '/api/session': hygienist,
      '/api/campaigns/beginnings': beginnings,
    });
    showAt('/policies', '/policies?add=campaign', <PoliciesView />);
    await screen.findByLabelText(/^Title/);
  };

  it('begin at a site, against what comes with Footnote; what is refused is said and kept', async () => {
    await begin();
    type(/^Code/, 'N-1');
    type(/^Title/, 'Next');
    type(/^Site/, 'Loft');
    type(/^Find by agent/, 'noise upper');
    expect(screen.queryByRole('checkbox', { name: /25 °C/ })).toBeNull();
    fireEvent.click(screen.getByRole('checkbox', { name: /European Union/ }));
    type(/^Find by agent/, '');
    fireEvent.click(screen.getByRole('checkbox', { name: /25 °C/ }));
    // Only one of the conditions holds.
    fireEvent.click(screen.getByRole('checkbox', { name: /20 °C/ }));
    refuse(server.POST, 'Nothing was kept.', { '/zone': 'is no time zone.' });
    press('Begin');
    expect(await screen.findByText('is no time zone.')).toBeTruthy();
    expect(valueOf(/^Title/)).toBe('Next');
    expect(sent(server.POST).body).toEqual({
      id: 'N-1',
      title: 'Next',
      site: 'Loft',
      zone: 'UTC',
      sets: ['noise-eu', '20 °C'],
    });
  });

  it('begin like an earlier one', async () => {
    await begin();
    type(/^Code/, 'N-2');
    type(/^Title/, 'Again');
    type(/^Site/, 'Mill');
    pick('Criteria, limits and policy', /as of SM/);
    expect(screen.queryByRole('checkbox', { name: /European Union/ })).toBeNull();
    press('Begin');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toMatchObject({ id: 'N-2', like: 'SM' });
    expect(sent(server.POST).body).not.toHaveProperty('sets');
  });

  it('measure against shipped and own criteria and limits; conditions exclude each other', async () => {
    await open(hygienist);
    press(
      await screen.findByRole('button', { name: 'Criteria and limits' }).then(() => 'Criteria and limits'),
    );
    const box = (name: RegExp) => screen.getByRole<HTMLInputElement>('checkbox', { name });
    expect([box(/20 °C/).checked, box(/as sampled/).checked]).toEqual([true, false]);
    fireEvent.click(box(/as sampled/));
    expect([box(/20 °C/).checked, box(/as sampled/).checked]).toEqual([false, true]);
    fireEvent.click(box(/upper action value/));
    fireEvent.click(box(/^peak/));
    type('Own criterion, name', 'House 85/4');
    type('Level, dB', '85');
    type('Exchange rate', '4');
    type(/^Source/, 'our own', 0);
    press('Add criterion');
    type('Own limit, title', 'Half of it');
    fireEvent.mouseDown(screen.getByLabelText('Quantity: type its name'));
    fireEvent.click(screen.getByRole('option', { name: /dose by house-85-4/ }));
    pick('Crossed when', 'equal or greater');
    type(/^Value/, '50');
    type(/^Source/, 'our own', 1);
    press('Add limit');
    // Another changes them, and the page behind the form is asked for again: that is not what was seen here.
    serve(server, {
      '/api/policies': policies,
      '/api/campaigns': {
        ...campaigns,
        campaigns: [{ ...campaigns.campaigns[0], version: 4, title: 'Renamed' }],
      },
      '/api/session': hygienist,
    });
    window.dispatchEvent(new Event('visibilitychange'));
    expect(await screen.findByText(/Renamed, Mill/)).toBeTruthy();
    press('Save');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    const body = sent(server.POST).body as {
      version: number;
      criteria: { id: string }[];
      limits: { id: string; quantity: string; comparator: string; unit: string }[];
    };
    expect(body.version).toBe(3);
    expect(body.criteria.map((one) => one.id)).toEqual(['pel', 'b', 'house-85-4']);
    expect(body.limits.map((one) => one.id)).toEqual(['peak', 'half-of-it']);
    expect(body.limits[1]).toMatchObject({ quantity: 'dose:house-85-4', comparator: '>=', unit: '%' });
  });
});

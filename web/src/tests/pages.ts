import type { Schemas } from '../api/client';

/** For tests: a figure without inputs. */
export const figure = (
  id: string,
  symbol: string,
  shown: string,
  more: Partial<Schemas['Figure']> = {},
): Schemas['Figure'] => ({
  id,
  symbol,
  meaning: `meaning of ${symbol}`,
  value: shown,
  floor: null,
  shown,
  unit: 'dB',
  equation: null,
  inputs: [],
  origin: null,
  ...more,
});

/** For tests: a result with one answer. */
export const result = (
  key: string,
  shown: string,
  id: string,
  more: Partial<Schemas['Result']> = {},
): Schemas['Result'] => ({
  key,
  title: `title of ${key}`,
  unit: 'dB',
  channel: null,
  verdict: 'valid',
  drift: null,
  inherited: null,
  reported: 'indicated',
  value: { figure: id, shown },
  indicated: { figure: id, shown },
  pre: null,
  post: null,
  between: null,
  lowest: null,
  highest: null,
  uncertainty: null,
  notes: [],
  altered: [],
  also: [],
  limits: [],
  ...more,
});

export const noise = (more: Partial<Schemas['NoiseFamily']> = {}): Schemas['NoiseFamily'] => ({
  kind: 'noise',
  response: [],
  tones: [],
  flatStretches: [],
  overloads: [],
  knocks: [],
  leftOut: [],
  seconds: 0,
  largestEverDrift: null,
  cumulativeAdjustment: null,
  ...more,
});

/** For tests: a result page of one run between two checks. */
export const page = (
  assessment: Partial<Schemas['Assessment']>,
  more: Partial<Schemas['ResultPage']> = {},
): Schemas['ResultPage'] => ({
  run: {
    id: 'S-1',
    instrument: 'SL-01',
    start: '2026-11-24T10:05:00+00:00',
    stop: '2026-11-24T10:07:30+00:00',
    person: 'T-1',
    task: 'Room survey',
    place: 'Voicing room',
    hasLog: false,
  },
  campaign: { id: 'c', title: 'Rooms', site: 'Mill', zone: 'UTC', policyChanged: false },
  assessment: {
    run: 'S-1',
    instrument: 'SL-01',
    policy: { id: 'standard', name: 'Standard', version: 1 },
    verdict: 'valid',
    channels: [],
    headline: null,
    bracket: {
      state: 'closed',
      pre: null,
      post: null,
      between: [],
      runs: ['S-1'],
      passedOver: [],
      broken: null,
    },
    results: [],
    drifts: [],
    drift: null,
    findings: [],
    family: noise(),
    figures: [],
    ...assessment,
  },
  digest: 'seen',
  checks: [],
  schools: [],
  decisions: [],
  changedSinceSigning: null,
  neighbours: { previous: 'S-0', next: 'S-2' },
  ...more,
});

import { afterEach, expect, test, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { shown } from './prepared';
import type { AwayCheck, Prepared } from './store';

const step = (id: string): Schemas['Step'] => ({ id, title: id }) as unknown as Schemas['Step'];
const live = (said: string): Schemas['LiveSheet'] => ({
  lines: [],
  questions: [],
  said: [said],
  policy: 'Standard',
  closes: [],
});
const prepared = {
  id: 'PM-01',
  at: '2026-03-02T08:00:00.000Z',
  shape: 's',
  unit: {
    id: 'PM-01',
    draft: null,
    policy: 'Standard',
    run: [],
    usualMinutes: null,
    limits: [],
    checks: [
      {
        unit: { id: 'PM-01' },
        procedure: { id: 'flow-check', title: 'Flow check' },
        sheets: [],
        references: [
          {
            id: 'FP-01',
            model: 'm',
            about: 'a',
            settings: [],
            against: [
              { from: '2026-03-02T08:00:00+00:00', problems: [] },
              { from: '2026-03-03T00:00:00+00:00', problems: ['Its certificate was due on 2 Mar 2026.'] },
            ],
          },
        ],
        steps: [step('reference'), step('air'), step('as-found')],
        walks: [
          { reference: '', setting: '', steps: [0, 2], live: live('nothing chosen') },
          { reference: 'FP-01', setting: '', steps: [0, 2], live: live('a meter') },
          { reference: 'SB-01', setting: 'wide', steps: [0, 1, 2], live: live('a film') },
        ],
      },
    ],
  },
} as unknown as Prepared;
const check: AwayCheck = {
  id: 'away-1',
  person: 'T-1',
  instrument: 'PM-01',
  procedure: 'flow-check',
  sheets: [],
  begun: '2026-03-02T08:05:00.000Z',
  from: null,
  answers: {},
  request: 'c0ffee',
  heard: null,
  closed: null,
};
afterEach(() => vi.useRealTimers());

test('the steps are those that were handed out for what is chosen', () => {
  const steps = (answers: AwayCheck['answers']) =>
    shown({ ...check, answers }, prepared, 0)?.procedure.steps.map((one) => one.id);
  expect(steps({})).toEqual(['reference', 'as-found']);
  expect(steps({ reference: 'SB-01', setting: 'wide' })).toEqual(['reference', 'air', 'as-found']);
  // What was not handed out is asked as if nothing were chosen.
  expect(steps({ reference: 'SB-01', setting: 'narrow' })).toEqual(['reference', 'as-found']);
  expect(shown({ ...check, answers: { reference: 'FP-01' } }, prepared, 0)?.live.said).toEqual(['a meter']);
});

test('a certificate that ends while the network is away speaks against its reference', () => {
  vi.useFakeTimers();
  const at = (now: string) => {
    vi.setSystemTime(new Date(now));
    return shown(check, prepared, 0)?.references[0]?.problems;
  };
  expect(at('2026-03-02T23:59:59Z')).toEqual([]);
  expect(at('2026-03-03T00:00:01Z')).toEqual(['Its certificate was due on 2 Mar 2026.']);
});

test('a half-done check that began with other model sheets keeps its own steps', () => {
  const from = {
    procedure: { id: 'flow-check', title: 'x', steps: [step('old')] },
  } as unknown as AwayCheck['from'];
  const steps = (one: AwayCheck) => shown(one, prepared, 0)?.procedure.steps.map((asked) => asked.id);
  expect(steps({ ...check, from, sheets: ['S-1'] })).toEqual(['old']);
  expect(steps({ ...check, from })).toEqual(['reference', 'as-found']);
  expect(shown(check, null, 0)).toBeNull();
});

test('a photo that waits lets a reading be photographed', () => {
  expect([shown(check, prepared, 0)?.hasPhoto, shown(check, prepared, 1)?.hasPhoto]).toEqual([false, true]);
});

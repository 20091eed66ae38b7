import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { hoursOf } from './hours';

const unit = (checks: string[]): Schemas['DayUnit'] => ({
  id: 'D',
  model: 'M',
  practice: false,
  runs: [],
  checks: checks.map((at) => ({ id: at, at, adjusted: false, usable: true })),
  hold: [],
  running: null,
  draft: null,
  lastCheck: null,
  fit: null,
  next: '',
  planned: [],
});

it('spans seven to seventeen, and more where something happened', () => {
  const usual = hoursOf([], '2026-11-18');
  expect([usual.percent('2026-11-18T07:00:00+00:00'), usual.percent('2026-11-18T17:00:00+00:00')]).toEqual([
    0, 100,
  ]);
  const early = hoursOf([unit(['2026-11-18T04:30:00+01:00'])], '2026-11-18');
  expect(early.percent('2026-11-18T04:00:00+01:00')).toBe(0);
});

it('keeps what lies on other days at the edge', () => {
  expect(hoursOf([], '2026-11-18').percent('2026-11-17T08:00:00+00:00')).toBeLessThan(0);
});

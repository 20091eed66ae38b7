import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { isOver, secondsLeft } from './wait';

const step: Schemas['Step'] = {
  id: 'steady',
  kind: 'wait',
  title: '',
  instruction: '',
  why: '',
  caution: null,
  required: true,
  seconds: 10,
  when: null,
  into: '',
  rows: 1,
  clocked: false,
  fields: [],
  columns: [],
  presets: [],
  feeds: [],
  eachSet: false,
  isOwn: false,
  press: [],
  reasons: [],
};

it('waits from the moment that was kept, whatever became of the tab', () => {
  const began = Date.parse('2026-11-18T07:00:00Z');
  const answers = { waits: { steady: new Date(began).toISOString() } };
  expect(secondsLeft(step, {}, began)).toBe(10);
  expect([0, 400, 1000, 9999, 10_000, 60_000].map((ms) => secondsLeft(step, answers, began + ms))).toEqual([
    10, 10, 9, 1, 0, 0,
  ]);
  expect(isOver(step, {})).toBe(false);
  expect(isOver(step, answers)).toBe(true);
});

import { expect, it } from 'vitest';
import { band, within } from './band';

it('keeps the extremes of every column, whatever the zoom', () => {
  const values = Array.from({ length: 86_400 }, (_, i) => (i === 50_000 ? 9_000 : i % 100));
  const whole = band(values, { from: 0, to: 86_400 }, 950);
  expect(Math.max(...whole.map((one) => one?.high ?? 0))).toBe(9_000);
  expect(whole.every((one) => one !== null && one.low <= one.high)).toBe(true);
  const near = band(values, { from: 49_990, to: 50_010 }, 950);
  expect(near.filter((one) => one !== null)).toHaveLength(20);
  expect(near.some((one) => one?.low === 9_000)).toBe(true);
});

it('leaves gaps empty', () => {
  expect(band([1, null, 3], { from: 0, to: 3 }, 3)).toEqual([{ low: 1, high: 1 }, null, { low: 3, high: 3 }]);
  expect(band([], { from: 0, to: 1 }, 2)).toEqual([null, null]);
});

it('stays inside the log', () => {
  expect(within({ from: -50, to: 50 }, 1000)).toEqual({ from: 0, to: 100 });
  expect(within({ from: 990, to: 1090 }, 1000)).toEqual({ from: 900, to: 1000 });
  expect(within({ from: 500, to: 501 }, 1000)).toEqual({ from: 495.5, to: 505.5 });
  expect(within({ from: -900, to: 1900 }, 1000)).toEqual({ from: 0, to: 1000 });
});

import { describe, expect, it } from 'vitest';
import { clock, isoOf, localOf, minus, plural, shortDay, signed } from './words';

describe('numbers as they are printed', () => {
  it('carry a true minus and their sign', () => {
    expect([signed('-0.70'), signed('0.40'), signed('0.00'), minus('-3')]).toEqual([
      '−0.70',
      '+0.40',
      '0.00',
      '−3',
    ]);
  });
});

describe('times', () => {
  it('are shown at the site, not where the browser stands', () => {
    expect(clock('2026-07-01T08:00:00+00:00', 'Europe/London')).toBe('09:00');
    expect(shortDay('2026-11-17T23:30:00+00:00', 'Asia/Tokyo')).toBe('18 Nov');
  });

  it('go from a field to a moment with its offset and back', () => {
    const local = localOf(new Date('2026-11-17T08:05:00Z'));
    expect(new Date(isoOf(local)).toISOString()).toBe('2026-11-17T08:05:00.000Z');
    expect(isoOf(local)).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:00[+-]\d\d:\d\d$/);
  });
});

it('counts in words', () => {
  expect([plural(1, 'run'), plural(2, 'run'), plural(0, 'entry', 'entries')]).toEqual([
    '1 run',
    '2 runs',
    '0 entries',
  ]);
});

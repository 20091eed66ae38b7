import { describe, expect, it } from 'vitest';
import { atSite } from './site';
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

  it('are typed by the clocks of the site, whatever the browser has', () => {
    // By the zone's own rules (IANA tz): +05:45 in Kathmandu, −03:30 in St John's in winter.
    expect(isoOf('2026-11-17T08:05', 'Asia/Kathmandu')).toBe('2026-11-17T08:05:00+05:45');
    expect(isoOf('2026-01-17T08:05', 'America/St_Johns')).toBe('2026-01-17T08:05:00-03:30');
    expect(localOf(new Date('2026-11-17T02:20:00Z'), 'Asia/Kathmandu')).toBe('2026-11-17T08:05');
    // The hour that is there twice is its first; from the next on the winter's offset holds.
    expect(isoOf('2026-10-25T01:30', 'Europe/London')).toBe('2026-10-25T01:30:00+01:00');
    expect(isoOf('2026-10-25T02:30', 'Europe/London')).toBe('2026-10-25T02:30:00+00:00');
    expect(isoOf('2026-03-29T02:30', 'Europe/London')).toBe('2026-03-29T02:30:00+01:00');
  });

  it('are those of the site where nothing else is named', () => {
    atSite('Pacific/Auckland');
    expect([clock('2026-11-17T20:05:00Z'), localOf(new Date('2026-11-17T20:05:00Z'))]).toEqual([
      '09:05',
      '2026-11-18T09:05',
    ]);
  });
});

it('counts in words', () => {
  expect([plural(1, 'run'), plural(2, 'run'), plural(0, 'entry', 'entries')]).toEqual([
    '1 run',
    '2 runs',
    '0 entries',
  ]);
});

import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { DriftPicture, stepOf } from './DriftPicture';

const point = (
  check: string,
  found: number | null,
  left: number | null,
  drift: number | null = null,
): Schemas['HistoryPoint'] => ({
  at: '2026-11-18T07:00:00+00:00',
  check,
  found,
  left,
  drift,
  adjustment: found !== null && left !== null && found !== left ? left - found : null,
});

it('divides a span by 1, 2 or 5', () => {
  expect([0.12, 0.3, 0.5, 3, 14].map(stepOf)).toEqual([0.05, 0.1, 0.2, 1, 5]);
});

it('draws deviations around zero and flows around the flows that were seen', () => {
  const { container, rerender } = render(
    <DriftPicture
      history={{
        channel: '',
        unit: 'dB',
        driftUnit: 'dB',
        shows: 'off by',
        points: [point('a', 0.2, 0.2), point('b', -0.4, 0, -0.6)],
      }}
    />,
  );
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
    'Deviation at 2 checks, the last −0.40 dB as found',
  );
  expect(screen.getByText('0 dB')).toBeTruthy();
  expect(container.querySelectorAll('circle')).toHaveLength(2);
  rerender(
    <DriftPicture
      about="Flow"
      history={{
        channel: '',
        unit: 'L/min',
        driftUnit: '%',
        shows: 'flow',
        points: [point('a', 2.008, 2.008), point('b', 1.867, 1.867, -7.02)],
      }}
    />,
  );
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
    'Flow at 2 checks, the last 1.87 L/min as found',
  );
  expect(screen.getByText('2.0')).toBeTruthy();
  expect(screen.queryByText(/^0/)).toBeNull();
  const [first, second] = [...container.querySelectorAll('circle')].map((dot) =>
    Number(dot.getAttribute('cy')),
  );
  expect(second).toBeGreaterThan(first ?? Infinity);
});

it('says so where no check can be used', () => {
  render(
    <DriftPicture
      history={{
        channel: '',
        unit: 'dB',
        driftUnit: 'dB',
        shows: 'off by',
        points: [point('a', null, null)],
      }}
    />,
  );
  expect(screen.getByText('No usable check yet.')).toBeTruthy();
});

import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { Curve } from './pictures/Curve';
import { TimePicture } from './pictures/TimePicture';

const figure = (id: string, value: string, shown = value): Schemas['Figure'] => ({
  id,
  symbol: 'Q',
  meaning: '',
  value,
  floor: null,
  shown,
  unit: 'L/min',
  equation: null,
  inputs: [],
  origin: null,
});

const page = (
  family: Schemas['Assessment']['family'],
  figures: Schemas['Figure'][],
): Schemas['ResultPage'] => ({
  run: {
    id: 'A-1',
    instrument: 'PM-01',
    start: '2026-11-19T08:00:00+00:00',
    stop: '2026-11-19T16:00:00+00:00',
    person: 'W-01',
    task: '',
    place: '',
    hasLog: false,
    practice: false,
  },
  campaign: { id: 'c', title: '', site: '', zone: 'UTC', policyChanged: false },
  assessment: {
    run: 'A-1',
    instrument: 'PM-01',
    policy: { id: 'standard', name: 'Standard', version: 1 },
    verdict: 'valid',
    channels: [],
    bracket: { state: 'closed', pre: null, post: null, between: [], runs: [], passedOver: [], broken: null },
    headline: null,
    results: [],
    drifts: [],
    drift: null,
    findings: [],
    family,
    figures,
  },
  digest: '',
  checks: [],
  schools: [],
  decisions: [],
  elsewhere: [],
  changedSinceSigning: null,
  neighbours: { previous: null, next: null },
});

const flow = (more: Partial<Schemas['FlowFamily']> = {}): Schemas['FlowFamily'] => ({
  kind: 'flow',
  response: [],
  stretches: [],
  largestEverDrift: null,
  curve: null,
  ...more,
});

const draw = (child: React.ReactNode) =>
  render(<QueryClientProvider client={new QueryClient()}>{child}</QueryClientProvider>);

it('draws the flow along the bracket and the stretches in which air was drawn', () => {
  const knot = (at: string, check: string, end: string, id: string) => ({
    at,
    check,
    end,
    assumed: false,
    figure: id,
  });
  const { container } = draw(
    <TimePicture
      page={page(
        flow({
          response: [
            knot('2026-11-19T08:00:00+00:00', 'a', 'as left', 'f1'),
            knot('2026-11-19T16:00:00+00:00', 'b', 'as found', 'f2'),
          ],
          stretches: [
            { from: '2026-11-19T08:00:00+00:00', to: '2026-11-19T12:00:00+00:00' },
            { from: '2026-11-19T12:30:00+00:00', to: '2026-11-19T16:00:00+00:00' },
          ],
        }),
        [figure('f1', '2.012'), figure('f2', '1.987')],
      )}
    />,
  );
  expect(container.querySelectorAll('rect')).toHaveLength(2);
  expect(screen.getByText('2.012')).toBeTruthy();
  const [first, last] = [...container.querySelectorAll('circle')].map((dot) =>
    Number(dot.getAttribute('cy')),
  );
  expect(last).toBeGreaterThan(first ?? Infinity);
  expect(screen.queryByText('totals only, no log')).toBeNull();
});

it('draws the line of a family without a picture of its own, where nothing moved too', () => {
  const at = (time: string, check: string, end: string) => ({
    at: `2026-11-19T${time}:00+00:00`,
    check,
    end,
    assumed: false,
    figure: check,
  });
  const response = [at('08:00', 'a', 'as left'), at('16:00', 'b', 'as found')];
  const { container } = draw(
    <TimePicture page={page({ kind: 'plain', response }, [figure('a', '-0.20'), figure('b', '-0.20')])} />,
  );
  expect(container.querySelectorAll('circle')).toHaveLength(2);
  expect(container.innerHTML).not.toContain('NaN');
  expect(screen.getByText(/the response, interpolated along the bracket/)).toBeTruthy();
});

it('draws no line where no check shows a flow', () => {
  const { container } = draw(<TimePicture page={page(flow(), [])} />);
  expect(container.querySelectorAll('circle')).toHaveLength(0);
  expect(container.innerHTML).not.toContain('NaN');
});

it('shows a calibration with its points and how far each lies off the line', () => {
  const curve = {
    check: 'k',
    slope: 'm',
    intercept: 'b',
    correlation: 'r',
    points: [
      { flow: 0.2, response: 5.1, residualPercent: 1.24 },
      { flow: 0.25, response: 6.9, residualPercent: -0.5 },
      { flow: 0.3, response: 8.7, residualPercent: -0.7 },
    ],
  };
  const figures = [figure('m', '35.908'), figure('b', '-2.066'), figure('r', '0.9969')];
  const { container, rerender } = draw(<Curve page={page(flow({ curve }), figures)} />);
  expect(container.querySelectorAll('circle')).toHaveLength(3);
  expect(screen.getByText('−2.066')).toBeTruthy();
  expect(screen.getByText('+1.2 %')).toBeTruthy();
  rerender(<Curve page={page(flow(), figures)} />);
  expect(container.querySelectorAll('circle')).toHaveLength(0);
});

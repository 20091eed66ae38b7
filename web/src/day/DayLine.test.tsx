import { render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { DayLine } from './DayLine';
import { hoursOf } from './hours';

const at = (time: string) => `2026-11-18T${time}:00+00:00`;

const unit = (part: Partial<Schemas['DayUnit']>): Schemas['DayUnit'] => ({
  id: 'D',
  model: 'M',
  practice: false,
  runs: [],
  checks: [],
  hold: [],
  running: null,
  draft: null,
  lastCheck: null,
  fit: null,
  next: '',
  planned: [],
  ...part,
});

const check = (time: string, part: Partial<Schemas['DayUnit']['checks'][number]> = {}) => ({
  id: time,
  at: at(time),
  adjusted: false,
  usable: true,
  ...part,
});

const run = (from: string, to: string | null, verdict: Schemas['Verdict'] = 'valid'): Schemas['DayRun'] => ({
  id: `run ${from}`,
  start: at(from),
  stop: to === null ? null : at(to),
  person: 'W-01',
  task: 'planing',
  place: '',
  worked: {
    verdict,
    bracket: { state: verdict === 'open' ? 'open' : 'closed', pre: null, post: null, between: 0 },
    standing: null,
  },
});

/** The signs that are drawn, by the shapes of their paths. */
const signs = (part: Partial<Schemas['DayUnit']>) => {
  const one = unit(part);
  render(
    <MemoryRouter>
      <DayLine unit={one} hours={hoursOf([one], '2026-11-18')} />
    </MemoryRouter>,
  );
  return screen.getAllByRole('img').map((sign) => {
    const paths = [...sign.querySelectorAll('path')].map((path) => path.getAttribute('d') ?? '');
    return paths
      .map((d) =>
        /^M(8|3) 3h5/.test(d) ? ']' : /^M(14|19) 3/.test(d) ? '[' : d.startsWith('M11 8') ? '|' : '×',
      )
      .join('');
  });
};

it('opens before a run and closes after it', () => {
  expect(signs({ checks: [check('07:30'), check('16:30')], runs: [run('08:00', '16:00')] })).toEqual([
    '[',
    ']',
  ]);
});

it('closes and opens at a check between two runs', () => {
  expect(
    signs({
      checks: [check('07:30'), check('12:00'), check('16:30')],
      runs: [run('08:00', '11:45'), run('12:30', '16:00')],
    }),
  ).toEqual(['[', '][', ']']);
});

it('lets a check that cannot be used neither open nor close', () => {
  expect(
    signs({
      checks: [check('07:30'), check('16:10', { usable: false }), check('16:20')],
      runs: [run('08:00', '16:00')],
    }),
  ).toEqual(['[', '×', ']']);
});

it('dots the end that is missing', () => {
  expect(signs({ checks: [check('07:30')], runs: [run('08:00', '16:00', 'open')], hold: ['run'] })).toEqual([
    ']',
    '[',
  ]);
  expect(screen.getByRole('img', { name: 'check after is missing' })).toBeTruthy();
});

it('leads to the result of a run', () => {
  signs({ checks: [check('07:30', { adjusted: true })], runs: [run('08:00', null)] });
  expect(screen.getByRole('button', { name: /W-01, planing, 08:00 to now/ })).toBeTruthy();
  expect(screen.getByRole('img', { name: /check at .*adjusted/ })).toBeTruthy();
});

it('draws what is planned under what is done, and names it until a run does', () => {
  const planned = {
    plan: 'DP-1',
    person: 'W-07',
    task: 'voicing',
    on: at('06:23'),
    check: at('06:33'),
    from: at('07:00'),
    to: at('15:00'),
    after: at('15:10'),
    until: at('15:20'),
  };
  const shown = (runs: Schemas['DayRun'][]) => {
    const one = unit({ planned: [planned], runs });
    const hours = hoursOf([one], '2026-11-18');
    // The axis begins with what is planned.
    expect(hours.percent(at('06:00'))).toBe(0);
    return render(
      <MemoryRouter>
        <DayLine unit={one} hours={hours} />
      </MemoryRouter>,
    );
  };
  const { unmount } = shown([]);
  const words =
    /^Planned: W-07, voicing, on 06:23, check 06:33, measuring 07:00 to 15:00, check after 15:10$/;
  expect(screen.getByRole('img', { name: words }).textContent).toBe('W-07 voicing');
  unmount();
  shown([run('07:20', '15:00')]);
  expect(screen.getByRole('img', { name: words }).textContent).toBe('');
});

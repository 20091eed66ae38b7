import type { Schemas } from '../api/client';

type Activity = Schemas['DayActivity'];

const HOUR = 3_600_000;

export interface Axis {
  percent: (at: string) => number;
  ticks: { at: string; percent: number }[];
}

/** The hours that a plan spans, with what became of it, and a little at both ends. */
export function axisOf(activities: Activity[]): Axis {
  const all = activities
    .flatMap((one) => [one.from, one.to, one.nowFrom, one.nowTo])
    .map((at) => Date.parse(at));
  const from = Math.floor(Math.min(...all) / HOUR) * HOUR;
  const to = Math.ceil(Math.max(...all) / HOUR) * HOUR;
  const percent = (at: number) => (100 * (at - from)) / Math.max(HOUR, to - from);
  const every = (to - from > 13 * HOUR ? 2 : 1) * HOUR;
  const ticks = [];
  for (let at = from + every; at < to; at += every) {
    ticks.push({ at: new Date(at).toISOString(), percent: percent(at) });
  }
  return { percent: (at) => percent(Date.parse(at)), ticks };
}

/** Where a measurement stands on the axis: each step as planned, or as it was done or is to be expected. */
export const stepsOf = (activities: Activity[], wanted: string, now: boolean) => {
  const of = (kind: Activity['kind']) => {
    const found = activities.find((one) => one.wanted === wanted && one.kind === kind);
    return (
      found && { from: now ? found.nowFrom : found.from, to: now ? found.nowTo : found.to, done: found.done }
    );
  };
  return {
    on: of('switch on'),
    before: of('pre-check'),
    fit: of('fit'),
    off: of('take off'),
    after: of('post-check'),
  };
};

/** Whether anything is otherwise than it was planned. */
export const hasMoved = (activities: Activity[]) =>
  activities.some((one) => one.done || one.from !== one.nowFrom || one.to !== one.nowTo);

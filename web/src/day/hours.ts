import type { Schemas } from '../api/client';

export interface Hours {
  percent: (at: string) => number;
  ticks: { word: string; percent: number }[];
}

/** The hours that the day's line spans: all that happened or is planned, and at least seven to seventeen. */
export function hoursOf(units: Schemas['DayUnit'][], date: string): Hours {
  // Moments come with the site's own offset, so its wall clock can be read off their text.
  const hourOf = (at: string) => {
    const days = (Date.parse(`${at.slice(0, 10)}T00:00:00Z`) - Date.parse(`${date}T00:00:00Z`)) / 86_400_000;
    return Math.min(24, Math.max(0, 24 * days + Number(at.slice(11, 13)) + Number(at.slice(14, 16)) / 60));
  };
  const all = units.flatMap((unit) => [
    ...unit.checks.map((check) => check.at),
    ...unit.runs.flatMap((run) => [run.start, ...(run.stop ? [run.stop] : [])]),
    ...unit.planned.flatMap((planned) => [planned.on, planned.until]),
  ]);
  const found = all.map(hourOf);
  const from = Math.floor(Math.min(7, ...found));
  const to = Math.ceil(Math.max(17, ...found));
  const percent = (hour: number) => (100 * (hour - from)) / (to - from);
  const every = to - from > 13 ? 2 : 1;
  const ticks = [];
  for (let hour = from + 1; hour < to; hour += every) {
    ticks.push({ word: String(hour), percent: percent(hour) });
  }
  return { percent: (at) => percent(hourOf(at)), ticks };
}

import type { Schemas } from '../api/client';

type Item = Schemas['DueItem'];

/** So many weeks from today on are told one by one; what lies behind them is told together. */
const WEEKS = 8;

export interface Group {
  title: string;
  /** The days of a week; nothing where it is none. */
  days: string;
  items: Item[];
}

const DAY = 86_400_000;
const short = (at: number) =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(at);

/** Monday of the week of a day, as a time in UTC. */
const mondayOf = (day: string): number => {
  const at = Date.parse(`${day}T00:00:00Z`);
  return at - ((new Date(at).getUTCDay() + 6) % 7) * DAY;
};

/** The first and the last day of the week of a day: Monday and Sunday. */
export const weekOf = (day: string): { from: string; to: string } => {
  const monday = mondayOf(day);
  const written = (at: number) => new Date(at).toISOString().slice(0, 10);
  return { from: written(monday), to: written(monday + 6 * DAY) };
};

/**
 * What falls due, in the order in which somebody must see to it: what is over, what is done before a unit goes out, then week by week, and
 * what was never done last.
 */
export function groupsOf(items: Item[], today: string): Group[] {
  const monday = mondayOf(today);
  const groups: Group[] = [];
  const put = (title: string, days: string, item: Item) => {
    const last = groups.find((group) => group.title === title);
    if (last) {
      last.items.push(item);
    } else {
      groups.push({ title, days, items: [item] });
    }
  };
  for (const item of items.filter((one) => one.state === 'past')) {
    put('Over', '', item);
  }
  for (const item of items.filter((one) => one.state === 'before use')) {
    put('Before use', 'every day', item);
  }
  const ahead = items.filter((one) => one.state !== 'past' && one.state !== 'before use');
  for (const item of ahead) {
    if (item.day !== null) {
      const week = mondayOf(item.day);
      const weeks = Math.round((week - monday) / (7 * DAY));
      if (weeks >= WEEKS) {
        put('Later', '', item);
      } else {
        const title = weeks === 0 ? 'This week' : weeks === 1 ? 'Next week' : `In ${weeks} weeks`;
        put(title, `${short(week)} to ${short(week + 6 * DAY)}`, item);
      }
    }
  }
  for (const item of ahead.filter((one) => one.day === null)) {
    put('Never done', '', item);
  }
  return groups;
}

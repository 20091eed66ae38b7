import { zoneOfSite } from './site';

/** In the zone that is named, else in that of the site, wherever the browser stands. */
const zoneOf = (zone = zoneOfSite()) => (zone ? { timeZone: zone } : {});

export const clock = (at: string, zone?: string) =>
  new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', ...zoneOf(zone) }).format(
    new Date(at),
  );

export const clockToTheSecond = (at: string, zone?: string) =>
  new Intl.DateTimeFormat('en-GB', { timeStyle: 'medium', ...zoneOf(zone) }).format(new Date(at));

export const day = (at: string, zone?: string) =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    ...zoneOf(zone),
  }).format(new Date(at));

export const shortDay = (at: string, zone?: string) =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', ...zoneOf(zone) }).format(new Date(at));

/** A day of any year, without its name. */
export const dayOfYear = (at: string) => `${shortDay(at)} ${at.slice(0, 4)}`;

export const moment = (at: string, zone?: string) => `${shortDay(at, zone)} ${clock(at, zone)}`;

/** A signed number with a true minus, as printed. */
export const signed = (shown: string) =>
  shown.startsWith('-') ? `−${shown.slice(1)}` : /^0(\.0+)?$/.test(shown) ? shown : `+${shown}`;

/** The value of a result: a margin is told with its sign. */
export const told = (key: string, shown: string): string => (key === 'room' ? signed(shown) : minus(shown));

export const minus = (shown: string) => shown.replace(/^-/, '−');

/** A source that nobody has held against its text yet says so to whoever reads it. */
export const unconfirmed = (source: string) => source.replace(/from memory/g, 'to be confirmed');

/** How a reading came, as it is said; the record keeps its own key. */
export const grade = (provenance: string) => provenance.replace(/^from the unit's/, "from the instrument's");

export const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`;

/** How far the clocks of a zone are ahead of UTC at a moment, min. */
const offsetAt = (at: number, zone: string | undefined): number => {
  const parts = new Intl.DateTimeFormat('en-GB', {
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    hourCycle: 'h23',
    ...zoneOf(zone),
  }).formatToParts(at);
  const part = (type: string) => Number(parts.find((one) => one.type === type)?.value);
  const there = Date.UTC(part('year'), part('month') - 1, part('day'), part('hour'), part('minute'));
  return Math.round((there - Math.floor(at / 60_000) * 60_000) / 60_000);
};

const twoDigits = (n: number) => String(Math.floor(Math.abs(n))).padStart(2, '0');

/** The ISO moment of a date and time by the clocks of the site; of an hour that is there twice, the first. */
export const isoOf = (local: string, zone?: string): string => {
  const whole = local.length === 16 ? `${local}:00` : local;
  const asIfUtc = Date.parse(`${whole}Z`);
  // By the offset of the day before: on a day whose clocks go back it is the first of the two hours.
  const before = offsetAt(asIfUtc - 86_400_000, zone);
  const offset = offsetAt(asIfUtc - before * 60_000, zone);
  return `${whole}${offset < 0 ? '-' : '+'}${twoDigits(offset / 60)}:${twoDigits(offset % 60)}`;
};

/** A moment as a date-time field wants it, by the clocks of the site. */
export const localOf = (at: Date, zone?: string): string =>
  new Date(at.getTime() + offsetAt(at.getTime(), zone) * 60_000).toISOString().slice(0, 16);

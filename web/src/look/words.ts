const zoneOf = (zone?: string) => (zone ? { timeZone: zone } : {});

export const clock = (at: string, zone?: string) =>
  new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', ...zoneOf(zone) }).format(
    new Date(at),
  );

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

/** A moment that the server tells in the zone of the site, to be shown as it stands there. */
export const ofTheSite = (at: string) => at.slice(0, 19);

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

/** The ISO moment of a local date and time at the place where the browser stands. */
export const isoOf = (local: string): string => {
  const date = new Date(local);
  const offset = -date.getTimezoneOffset();
  const two = (n: number) => String(Math.floor(Math.abs(n))).padStart(2, '0');
  return `${local.length === 16 ? `${local}:00` : local}${offset < 0 ? '-' : '+'}${two(offset / 60)}:${two(offset % 60)}`;
};

/** A moment as a date-time field wants it, in local time. */
export const localOf = (at: Date): string => {
  const two = (n: number) => String(n).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${two(at.getHours())}:${two(at.getMinutes())}`;
};

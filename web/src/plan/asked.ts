import type { Schemas } from '../api/client';
import { type Entry, filled, type Values } from '../look/values';

export type DayAsked = Schemas['DayAsked'];
export type WantedRow = DayAsked['wanted'][number];

/** Every pair of places that somebody may go between, with the minutes that were typed for it. */
export function waysOf(asked: DayAsked): DayAsked['ways'] {
  const places = [...new Set([asked.base, ...asked.wanted.map((one) => one.place)])].filter(
    (one) => one !== '',
  );
  return places.flatMap((one, at) =>
    places
      .slice(at + 1)
      .map(
        (other) =>
          asked.ways.find(
            (way) => (way.one === one && way.other === other) || (way.one === other && way.other === one),
          ) ?? { one, other, minutes: '' },
      ),
  );
}

/** A line like the one before: the next is mostly of the same kind, at the same hours. */
export const nextRow = (rows: WantedRow[]): WantedRow => {
  const last = rows.at(-1);
  return last === undefined
    ? { person: '', task: '', place: '', family: '', from: '07:00', to: '15:00' }
    : {
        person: '',
        task: last.task,
        place: last.place,
        family: last.family,
        from: last.from,
        to: last.to,
        ...(last.demands === undefined ? {} : { demands: last.demands }),
      };
};

/** What a plan begins with: people, places and hands as they were the last time. */
export const beginning = (day: string, campaign: string, by: string, last?: DayAsked): DayAsked => ({
  day,
  campaign,
  base: last?.base ?? 'Workshop',
  crew: last?.crew ?? [{ name: by, from: '06:00', to: '17:00' }],
  ways: last?.ways ?? [],
  handling: last?.handling ?? { switchOn: '1', fit: '5', takeOff: '5', notSooner: '30' },
  wanted: [nextRow([])],
});

/** As it is sent: without what is settled by nobody or was left empty, and with the ways that its places make. */
export const sent = (asked: DayAsked, form: Schemas['PlanForm']): DayAsked => ({
  ...asked,
  ways: waysOf(asked).filter((way) => way.minutes !== ''),
  wanted: asked.wanted.map(({ unit, by, sample, demands, ...row }) => ({
    ...row,
    ...(unit === undefined || unit === '' ? {} : { unit }),
    ...(by === undefined || by === '' ? {} : { by }),
    ...written('sample', form.entries, sample),
    ...written('demands', form.demands.find((one) => one.family === row.family)?.entries ?? [], demands),
  })),
});

/** What was written into the fields of a form; nothing where all of them are empty. */
const written = (name: 'sample' | 'demands', entries: Entry[], values: Values = {}) => {
  const told = filled(entries, values);
  return Object.keys(told).length === 0 ? {} : { [name]: told };
};

/** An hour as it is written, such as 07:30, of one that was typed in haste: 7:30, 730, 7. */
export const hourOf = (typed: string): string => {
  const found = /^(\d{1,2})(?:[:.]?(\d{2}))?$/.exec(typed.trim());
  return found === null ? typed : `${(found[1] ?? '').padStart(2, '0')}:${found[2] ?? '00'}`;
};

/** The same with what is nearest in the place of what cannot be done. */
export const insteadOf = (asked: DayAsked, short: Schemas['DayPlan']['short'][number]): DayAsked => ({
  ...asked,
  wanted: asked.wanted.map((row, at) =>
    String(at + 1) === short.wanted
      ? { ...row, ...(short.kind === 'other unit' ? { unit: '' } : {}), from: short.instead ?? row.from }
      : row,
  ),
});

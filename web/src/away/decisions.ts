import { answer, api } from '../api/client';
import { checkOf, closing, photosOf, storeCheck } from './checks';
import { decide, letGo, wait } from './outbox';
import { shelves, type AwayCheck, type Waiting } from './store';
import { tellAll } from './windows';

const SEEN = '/seen/';

/** What was done meanwhile, by its identifier and in words, where that is why something was refused. */
export const meanwhile = (one: Waiting) =>
  (one.refused?.fields ?? [])
    .filter(({ field }) => field.startsWith(SEEN))
    .map(({ field, problem }) => ({ id: field.slice(SEEN.length), words: problem }));

/** Whether the half-done check that it went on with is another by now. */
export const isOvertaken = (one: Waiting) =>
  one.refused?.fields.some(({ field }) => field === '/draft') ?? false;
/** Whether the clock of this device was off. */
export const isOff = (one: Waiting) => one.refused?.fields.some(({ field }) => field === '/clock') ?? false;

const looked = (one: Waiting) => ({
  ...one.body,
  seen: [...((one.body?.seen as string[] | undefined) ?? []), ...meanwhile(one).map((thing) => thing.id)],
});

/** Both stand: this one is brought beside what was done meanwhile. */
export const bringBeside = (one: Waiting) => decide(one, { body: looked(one) });

const change = async (one: Waiting, how: (check: AwayCheck) => AwayCheck) => {
  const check = await checkOf(one);
  if (check) {
    await storeCheck(how(check));
  }
};

/** It does not go on with the other half-done check any more. */
export async function bringAsItsOwn(one: Waiting): Promise<void> {
  await change(one, (check) => ({ ...check, from: null }));
  await decide(one, { body: looked(one) });
}

/** Its moments stand, or the moment at which it was made is said by a person. */
export async function saysTheTime(one: Waiting, why: string, at: string | null): Promise<void> {
  if (at !== null) {
    await change(one, (check) => ({ ...check, answers: { ...check.answers, at } }));
  }
  await decide(one, { why });
}

/** It is at the server already, in other words: neither the check nor what hangs on it is brought. */
export async function forgetCheck(one: Waiting): Promise<void> {
  const db = await shelves();
  const check = await checkOf(one);
  if (check) {
    await db.delete('checks', check.id);
    await tellAll('check');
  }
  for (const other of await db.getAll('outbox')) {
    if (other.after.includes(one.request) && other.seq !== undefined) {
      await db.delete('outbox', other.seq);
    }
  }
  await letGo(one);
}

/** It is kept as a check that was broken off: it shows nothing, and nothing of it is lost. */
export async function breakOffInstead(one: Waiting, reason: string): Promise<void> {
  const db = await shelves();
  await change(one, (check) => ({ ...check, from: null, closed: 'broken off' }));
  for (const other of await db.getAll('outbox')) {
    if (other.after.includes(one.request) && other.kind !== 'photo' && other.seq !== undefined) {
      await db.delete('outbox', other.seq);
    }
  }
  await wait(closing(one, photosOf(await db.getAll('outbox'), one), 'broken off', reason));
  await decide(one, { body: looked(one) });
}

/** Another value in the place of a refused one, by its path. */
export async function correct(one: Waiting, values: Record<string, string>): Promise<void> {
  const body = structuredClone(one.body ?? {});
  for (const [path, value] of Object.entries(values)) {
    const names = path.split('/').slice(1);
    const last = names.pop();
    let place: Record<string, unknown> = body;
    for (const name of names) {
      const next = place[name];
      place[name] = typeof next === 'object' && next !== null ? next : {};
      place = place[name] as Record<string, unknown>;
    }
    if (last !== undefined) {
      place[last] = value;
    }
  }
  await decide(one, { body });
}

/** What others said of the run meanwhile was looked at: this stands beside it. */
export async function sayBeside(one: Waiting): Promise<void> {
  const id = decodeURIComponent(one.path.split('/')[3] ?? '');
  const run = await answer(api.GET('/api/runs/{id}', { params: { path: { id } } }));
  await decide(one, { body: { ...one.body, seen: run.learned.length } });
}

/** The value that stands at a path, where it is a text. */
export function standsAt(one: Waiting, path: string): string {
  let place: unknown = one.body;
  for (const name of path.split('/').slice(1)) {
    place =
      typeof place === 'object' && place !== null ? (place as Record<string, unknown>)[name] : undefined;
  }
  return typeof place === 'string' ? place : '';
}

import { useQuery } from '@tanstack/react-query';
import { answer, api, queries, type Schemas } from '../api/client';
import { shape, shelves, type AwayCheck, type Prepared } from './store';

/** So many are asked for in one go: each takes the server a moment. */
const AT_ONCE = 3;
/** After so long it is asked for again, ms. */
const STALE = 15 * 60_000;
const PICKED = 'footnote.picked';

/** The units that a person wants at hand without a network. */
export const picked = (): string[] => {
  try {
    const list: unknown = JSON.parse(window.localStorage.getItem(PICKED) ?? '[]');
    return Array.isArray(list) ? list.filter((one): one is string => typeof one === 'string') : [];
  } catch {
    return [];
  }
};
export const pick = (units: string[]) => window.localStorage.setItem(PICKED, JSON.stringify(units));

const all = async (): Promise<Prepared[]> =>
  (await (await shelves()).getAll('prepared')).filter((one) => one.shape === shape);

/** What is at hand on this device. */
export const usePrepared = () =>
  useQuery({ queryKey: ['away', 'prepared'], queryFn: all, staleTime: Infinity });

export const preparedOf = async (id: string): Promise<Prepared | null> => {
  const found = await (await shelves()).get('prepared', id);
  return found?.shape === shape ? found : null;
};

/** Has the checks of units handed out, those that are not at hand or were handed out long ago. */
export async function prepare(units: string[], anew = false): Promise<void> {
  const db = await shelves();
  const known = new Map((await all()).map((one) => [one.id, one]));
  const wanted = units.filter(
    (id) => anew || Date.now() - Date.parse(known.get(id)?.at ?? '1970-01-01') > STALE,
  );
  for (let at = 0; at < wanted.length; at += AT_ONCE) {
    const ids = wanted.slice(at, at + AT_ONCE);
    const told = await answer(
      api.GET('/api/bench/prepared', { params: { query: { units: ids.join(',') } } }),
    );
    // By the clock of this device: it is asked how long ago it was.
    const now = new Date().toISOString();
    for (const unit of told.units) {
      await db.put('prepared', { id: unit.id, at: now, shape, unit });
      if (unit.draft && queries.getQueryData(['draft', unit.draft.id]) === undefined) {
        queries.setQueryData(['draft', unit.draft.id], unit.draft);
      }
    }
    await queries.invalidateQueries({ queryKey: ['away', 'prepared'] });
  }
  // What is not wanted any more, and what is out of use, goes.
  for (const id of known.keys()) {
    if (!units.includes(id)) {
      await db.delete('prepared', id);
    }
  }
  await queries.invalidateQueries({ queryKey: ['away', 'prepared'] });
}

/** What speaks against a reference by now: the last that has begun. */
const problemsOf = (against: Schemas['PreparedCheck']['references'][number]['against'], now: number) =>
  against.filter((one) => Date.parse(one.from) <= now).at(-1)?.problems ?? against[0]?.problems ?? [];

/** The check as the bench shows one: its steps as they were handed out for what is chosen; nothing is worked out here. */
export function shown(check: AwayCheck, prepared: Prepared | null, photos: number): Schemas['Draft'] | null {
  const asked = prepared?.unit.checks.find((one) => one.procedure.id === check.procedure);
  const own = {
    id: check.id,
    version: check.from?.version ?? 0,
    startedBy: check.from?.startedBy ?? check.person,
    typedBy: check.from?.typedBy ?? [],
    standIn: null,
    round: null,
    hasPhoto: photos > 0 || check.from?.hasPhoto === true,
    startedAt: check.begun,
    answers: check.answers,
    taken: [],
    problems: [],
  };
  const sheets = asked?.sheets.map((one) => one.code).join() ?? '';
  // One that began with other model sheets is walked with those to its end.
  if (!prepared || !asked || (check.from && sheets !== check.sheets.join())) {
    return check.from ? { ...check.from, ...own } : null;
  }
  const now = Date.now();
  const chosen = (one: (typeof asked.walks)[number]) =>
    one.reference === (check.answers.reference ?? '') && one.setting === (check.answers.setting ?? '');
  const walk = asked.walks.find(chosen) ?? asked.walks[0];
  const steps = (walk?.steps ?? []).flatMap((place) => asked.steps[place] ?? []);
  return {
    ...own,
    unit: asked.unit,
    procedure: { ...asked.procedure, steps },
    sheets: asked.sheets,
    references: asked.references.map(({ against, ...one }) => ({
      ...one,
      problems: problemsOf(against, now),
    })),
    live: walk?.live ?? { lines: [], questions: [], said: [], policy: prepared.unit.policy, closes: [] },
  };
}

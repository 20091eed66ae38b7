import { useEffect, useRef } from 'react';
import { queries, type Schemas } from '../api/client';
import { beforehand } from '../api/hooks';
import { mayRecord } from '../shell/roles';
import { keep } from './kept';
import { isLeaving, leave } from './leaving';
import { deliver, wait, useOutbox } from './outbox';
import { picked, prepare } from './prepared';
import { useReach } from './reach';
import { shelves } from './store';
import { bringing } from './checks';

/** So long after a page was opened what it shows is prepared: whoever looks something up is not held up by it, ms. */
const LATER = 6000;
const EVERY = 5 * 60_000;
const RETRY = 20_000;
/** So many units are prepared at most, as the server has it. */
export const MOST = 30;

/** What is half done on this device goes to the server, and is gone on with there. */
async function bringHalfDone(person: string): Promise<void> {
  const db = await shelves();
  const waiting = new Set((await db.getAll('outbox')).map((one) => one.request));
  for (const check of await db.getAll('checks')) {
    if (check.person === person && !waiting.has(check.request)) {
      await wait(bringing(check));
    }
  }
}

/** The units that somebody wants at hand, and those that the day shows. */
function wantedUnits(): string[] {
  const day = queries
    .getQueriesData<Schemas['Day']>({ queryKey: ['day'] })
    .flatMap(([, shown]) => shown?.units.map((unit) => unit.id) ?? []);
  const bench = queries.getQueryData<Schemas['Bench']>(['bench']);
  const open = (bench?.units ?? [])
    .filter((unit) => unit.draft !== null || unit.hold.length > 0 || unit.running !== null)
    .map((unit) => unit.id);
  return [...new Set([...picked(), ...day, ...open])].slice(0, MOST);
}

/** The checks of the wanted units, and what runs: whoever stops one without a network finds it. */
export async function fetchAll(anew = false): Promise<void> {
  const bench = await queries.query({ ...beforehand.bench, staleTime: EVERY });
  await queries.query({ ...beforehand.campaigns, staleTime: EVERY });
  await queries.query({ ...beforehand.kit, staleTime: EVERY });
  await queries.query({ ...beforehand.library, staleTime: EVERY });
  for (const { running } of bench.units) {
    if (running !== null) {
      await queries.query({ ...beforehand.run(running), staleTime: EVERY });
    }
  }
  await prepare(wantedUnits(), anew);
  await keep();
}

/** Keeps what may be wanted without a network at hand, and sends what was made without one. */
export function useAway(user: Schemas['User'] | null): void {
  const { reached } = useReach();
  const outbox = useOutbox();
  const person = user?.code ?? null;
  const records = mayRecord(user ?? undefined);
  const waiting = (outbox.data ?? []).filter((one) => one.person === person && one.refused === null).length;
  const before = useRef(reached);
  useEffect(() => {
    const isBack = reached && !before.current;
    before.current = reached;
    if (reached && isLeaving()) {
      void leave();
    }
    if (isBack) {
      // What was shown meanwhile is of before.
      void queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'away' });
    }
  }, [reached]);
  useEffect(() => {
    if (!reached || person === null || !records) {
      return undefined;
    }
    const bring = () =>
      void bringHalfDone(person)
        .then(() => deliver(person))
        .catch(() => undefined);
    bring();
    // Where the server was busy it is tried again.
    const timer = waiting > 0 ? window.setInterval(bring, RETRY) : undefined;
    return () => window.clearInterval(timer);
  }, [reached, person, records, waiting]);
  useEffect(() => {
    if (!reached || person === null || !records) {
      return undefined;
    }
    const again = () => void fetchAll().catch(() => undefined);
    const first = window.setTimeout(again, LATER);
    const then = window.setInterval(again, EVERY);
    return () => {
      window.clearTimeout(first);
      window.clearInterval(then);
    };
  }, [reached, person, records]);
}

import { dehydrate, hydrate, type DehydratedState, type Query } from '@tanstack/react-query';
import { queries, type Schemas } from '../api/client';
import { atSite } from '../look/site';
import { shape, shelves } from './store';

/** What is shown again where no server answers, by what was asked. */
const SHOWN = [
  'session',
  'day',
  'bench',
  'timers',
  'draft',
  'run',
  'check',
  'kit',
  'campaigns',
  'forms',
  'library',
  'policies',
  'sources',
  'equations',
  'files',
  'result',
  'ledger',
];
/** What is older is shown no more, ms. */
const OLDEST = 7 * 86_400_000;
const EVERY = 1000;

const isKept = (query: Query) =>
  query.state.data !== undefined &&
  SHOWN.includes(String(query.queryKey[0])) &&
  Date.now() - query.state.dataUpdatedAt < OLDEST;

export const whoIsIn = (): string | null =>
  queries.getQueryData<Schemas['Session']>(['session'])?.user?.code ?? null;

/** Keeps what was seen, so that it is shown again without a network. */
export async function keep(): Promise<void> {
  const person = whoIsIn();
  if (person === null) {
    return;
  }
  const state = dehydrate(queries, { shouldDehydrateQuery: isKept, shouldDehydrateMutation: () => false });
  const db = await shelves();
  // A function cannot be kept, and none is wanted: it is the data that is shown again.
  await db.put('kept', {
    id: 'kept',
    person,
    shape,
    at: Date.now(),
    state: JSON.parse(JSON.stringify(state)),
  });
}

/** Brings back what was seen at the last visit; nothing where another release keeps another contract. */
export async function restore(): Promise<void> {
  try {
    const kept = await (await shelves()).get('kept', 'kept');
    if (kept?.shape === shape) {
      hydrate(queries, kept.state as DehydratedState);
      // Who is in may be another by now, and what was seen a moment ago may have changed: it is shown, and asked again.
      void queries.invalidateQueries({ refetchType: 'none' });
      atSite(queries.getQueryData<Schemas['Session']>(['session'])?.zone ?? null);
    }
  } catch {
    // Without a store the application needs the network, as any page does.
  }
  let timer: number | undefined;
  queries.getQueryCache().subscribe(({ type, query }) => {
    // What is typed on this device is kept elsewhere, and moves nothing here.
    if (type === 'updated' && isKept(query as Query)) {
      timer ??= window.setTimeout(() => {
        timer = undefined;
        void keep().catch(() => undefined);
      }, EVERY);
    }
  });
}

/** What somebody else saw on this device is not shown; what is on the screen is asked for anew. */
export async function keepOnlyOf(person: string | null): Promise<void> {
  if (person === null) {
    return;
  }
  const before = whoIsIn();
  if (before !== null && before !== person) {
    await startAnew();
    return;
  }
  // Whose session ran out left what they saw: nobody waits for the store to say so.
  void keptOf().then((kept) => (kept !== null && kept !== person ? startAnew() : undefined));
}

const startAnew = async (): Promise<void> => {
  const seen = { predicate: (query: Query) => query.queryKey[0] !== 'session' };
  queries.removeQueries({ ...seen, type: 'inactive' });
  // One that is looked at and only taken away would be waited for for ever.
  void queries.resetQueries({ ...seen, type: 'active' });
  await empty();
};

/** Whoever leaves leaves nothing behind but what waits to be sent. */
export async function forget(): Promise<void> {
  queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
  await empty();
}

/** Whose sight was kept last; null where nothing is. */
const keptOf = async (): Promise<string | null> => {
  try {
    return (await (await shelves()).get('kept', 'kept'))?.person ?? null;
  } catch {
    return null;
  }
};

const empty = async (): Promise<void> => {
  try {
    const db = await shelves();
    await Promise.all([db.clear('kept'), db.clear('prepared')]);
  } catch {
    // There was nothing.
  }
};

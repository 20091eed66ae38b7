import { useQuery } from '@tanstack/react-query';
import { afterEvidence, queries, Refusal, unansweredId, type Problem } from '../api/client';
import { identifier } from '../api/identifier';
import { answered, post } from '../api/sendFile';
import { keepUnsent } from '../bench/useDraft';
import { checkOf } from './checks';
import { isReached, lastHeard, met } from './reach';
import { tellAll } from './windows';
import { shelves, type AwayCheck, type Made, type Waiting } from './store';

const KEPT_ALREADY = 'urn:footnote:kept-already';
/** How long what was made is remembered, so that what is made later can refer to it, ms. */
const REMEMBERED = 31 * 86_400_000;

type New = Pick<Waiting, 'person' | 'kind' | 'about' | 'words' | 'path'> &
  Partial<Pick<Waiting, 'body' | 'file' | 'after' | 'isTimed' | 'heard' | 'request'>>;

const changed = () => tellAll('outbox');

/** Everything that waits on this device, whosever it is. */
export const useOutbox = () =>
  useQuery({
    queryKey: ['away', 'outbox'],
    queryFn: async () => (await shelves()).getAll('outbox'),
    staleTime: Infinity,
  });

/** Puts something in; it is kept before this ends, and sent as soon as the server answers. */
export async function wait(one: New): Promise<Waiting> {
  const waiting: Waiting = {
    body: {},
    file: null,
    after: [],
    isTimed: false,
    heard: lastHeard(),
    // Where it was sent and its answer was lost, it is the same request.
    request: unansweredId(one.path, one.body) ?? identifier(),
    at: new Date().toISOString(),
    why: '',
    refused: null,
    ...one,
  };
  const seq = await (await shelves()).add('outbox', waiting);
  // A browser that needs room throws away what nobody asked it to hold.
  if ('storage' in window.navigator) {
    void window.navigator.storage.persist().catch(() => false);
  }
  await changed();
  return { ...waiting, seq };
}

/** What a person decided of something that waits: it is tried again as it stands now. */
export async function decide(one: Waiting, change: Partial<Waiting>): Promise<void> {
  await (await shelves()).put('outbox', { ...one, ...change, refused: null });
  await changed();
}

/** Lets something go, by the word of whoever made it. */
export async function letGo(one: Waiting): Promise<void> {
  if (one.seq !== undefined) {
    await (await shelves()).delete('outbox', one.seq);
  }
  await changed();
}

/** A reference to what another request made, such as {=6f3a.id}. */
const REFERENCE = /\{=([0-9a-f]+)\.(\w+)\}/g;

/** With what other requests made in the place of references to it; a whole value keeps its kind. */
export function resolved(value: unknown, made: Map<string, Record<string, unknown>>): unknown {
  if (typeof value === 'string') {
    const whole = /^\{=([0-9a-f]+)\.(\w+)\}$/.exec(value);
    if (whole) {
      return made.get(whole[1] ?? '')?.[whole[2] ?? ''] ?? value;
    }
    return value.replaceAll(REFERENCE, (text, request: string, field: string) => {
      const found = made.get(request)?.[field];
      return typeof found === 'string' || typeof found === 'number' ? String(found) : text;
    });
  }
  if (Array.isArray(value)) {
    return value.map((one) => resolved(one, made));
  }
  return typeof value === 'object' && value !== null
    ? Object.fromEntries(Object.entries(value).map(([name, one]) => [name, resolved(one, made)]))
    : value;
}

/** What later requests may refer to, of what one made. */
const told = (body: unknown): Record<string, unknown> =>
  typeof body === 'object' && body !== null
    ? Object.fromEntries(Object.entries(body).filter(([name]) => ['id', 'version', 'check'].includes(name)))
    : {};

/** A check as it stands when it is sent: it may have been answered since it was put in. */
const brought = (check: AwayCheck, seen: unknown[]) => ({
  instrument: check.instrument,
  procedure: check.procedure,
  sheets: check.sheets,
  begun: check.begun,
  ...(check.from ? { draft: check.from.id, version: check.from.version } : {}),
  answers: check.answers,
  seen,
});

/** Whatever the server answers, it is there. */
const heard = async (asked: Promise<Response>): Promise<Response> => {
  const response = await asked;
  met(response);
  return response;
};

const send = async (
  one: Waiting,
  check: AwayCheck | null,
  made: Map<string, Record<string, unknown>>,
): Promise<unknown> => {
  const path = String(resolved(one.path, made));
  if (one.file) {
    const { blob, name, place } = one.file;
    const type = blob.type || 'application/octet-stream';
    return answered(heard(post(path, blob, { 'X-File': { name, place } }, type)));
  }
  const body = resolved(one.body, made) as Record<string, unknown>;
  // What this device brought itself is nothing that another did.
  const own = [...made.values()].flatMap((thing) =>
    [thing.id, thing.check].filter((id) => typeof id === 'string'),
  );
  const seen = [...((body.seen as string[] | undefined) ?? []), ...own];
  const clock = { sent: new Date().toISOString(), why: one.why, ...(one.heard ? { heard: one.heard } : {}) };
  return answered(
    heard(
      fetch(path, {
        method: 'POST',
        body: JSON.stringify(check ? brought(check, seen) : body),
        headers: {
          'Content-Type': 'application/json',
          'X-Requested-With': 'footnote',
          'X-Request-Id': one.request,
          ...(one.isTimed ? { 'X-Device-Clock': encodeURIComponent(JSON.stringify(clock)) } : {}),
        },
      }),
    ),
  );
};

const changedSince = (sent: AwayCheck, latest: AwayCheck) =>
  JSON.stringify(sent.answers) !== JSON.stringify(latest.answers);

/** Whether it says nothing of what was asked: it is tried again later. */
const isPassing = ({ status }: Problem) => status === 0 || status === 401 || status === 429 || status >= 500;

/** What a request refers to was let go, or closed by somebody else before it came. */
const orphaned: Problem = {
  type: 'about:blank',
  title: 'Nothing to refer to',
  status: 409,
  detail:
    'What this belongs to is not there any more, or was closed elsewhere. Look at the unit, and let this go.',
  fields: [],
};

/** Sends what waits of a person, in the order in which it was made; what hangs on something refused waits for a person. */
async function sendAll(person: string): Promise<void> {
  const db = await shelves();
  const made = new Map(
    (await db.getAll('made')).filter((one) => one.person === person).map((one) => [one.request, one.made]),
  );
  let sent = 0;
  for (let goesOn = true; goesOn;) {
    goesOn = false;
    const stuck = new Set<string>();
    const mine = (await db.getAll('outbox')).filter((any) => any.person === person);
    const waiting = new Set(mine.map((any) => any.request));
    for (const one of mine) {
      // What was let go is waited for no more.
      const hangs =
        stuck.has(`about ${one.about}`) ||
        one.after.some((request) => !made.has(request) && waiting.has(request));
      const isOrphan =
        !hangs && JSON.stringify([resolved(one.path, made), resolved(one.body, made)]).includes('{=');
      if (isOrphan && one.refused === null) {
        await db.put('outbox', { ...one, refused: orphaned });
      }
      if (one.refused !== null || hangs || isOrphan) {
        // What refers to something later has its turn after it; what is refused holds up all that is of the same unit.
        if (one.refused !== null) {
          stuck.add(`about ${one.about}`);
        }
        continue;
      }
      const check = one.kind === 'check' ? await checkOf(one) : null;
      try {
        await done(one, told(await send(one, check, made)), check);
        goesOn = true;
      } catch (problem) {
        const refusal = problem instanceof Refusal ? problem.problem : null;
        if (refusal?.type === KEPT_ALREADY) {
          await done(one, { id: refusal.made, check: refusal.made }, check);
          goesOn = true;
        } else if (refusal === null || isPassing(refusal)) {
          if (refusal?.status === 401) {
            // The session has ended: the form to sign in is what is wanted now.
            void queries.invalidateQueries({ queryKey: ['session'] });
          }
          return finished();
        } else {
          stuck.add(`about ${one.about}`);
          await db.put('outbox', { ...one, refused: refusal });
        }
      }
    }
  }
  return finished();

  async function finished(): Promise<void> {
    await changed();
    if (sent > 0) {
      await afterEvidence();
    }
  }

  async function done(one: Waiting, what: Record<string, unknown>, check: AwayCheck | null): Promise<void> {
    made.set(one.request, what);
    const record: Made = {
      request: one.request,
      person,
      at: Date.now(),
      made: what,
      local: check?.id ?? null,
    };
    const both = db.transaction(['made', 'outbox', 'checks'], 'readwrite');
    await both.objectStore('made').put(record);
    if (one.seq !== undefined) {
      await both.objectStore('outbox').delete(one.seq);
    }
    // The server has it now: it is gone on with there, and with what was answered while it was on its way.
    if (check) {
      const latest = await both.objectStore('checks').get(check.id);
      await both.objectStore('checks').delete(check.id);
      if (latest && typeof what.id === 'string' && changedSince(check, latest)) {
        keepUnsent(what.id, latest.answers);
      }
    }
    await both.done;
    sent += 1;
  }
}

const tidy = async () => {
  const db = await shelves();
  for (const one of await db.getAll('made')) {
    if (Date.now() - one.at > REMEMBERED) {
      await db.delete('made', one.request);
    }
  }
};

/** The half-done check at the server that one of this device was brought as; null where it was not. */
export const broughtAs = async (local: string): Promise<string | null> => {
  const made = (await (await shelves()).getAll('made')).find(
    (one) => one.local === local || one.request === local,
  );
  return typeof made?.made.id === 'string' ? made.made.id : null;
};

let sending: Promise<void> | null = null;

/** Sends what waits, in one window at a time. */
export function deliver(person: string): Promise<void> {
  const all = async () => {
    await sendAll(person);
    await tidy();
  };
  // What is put in while others are on their way is sent after them.
  const before = sending ?? Promise.resolve();
  const mine: Promise<void> = before
    .then(async () => {
      if (isReached()) {
        await ('locks' in navigator ? navigator.locks.request('footnote-outbox', all) : all());
      }
    })
    .catch(() => undefined)
    .finally(() => {
      if (sending === mine) {
        sending = null;
      }
    });
  sending = mine;
  return mine;
}

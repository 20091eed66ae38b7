import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { identifier } from '../api/identifier';
import type { Answers } from '../bench/useDraft';
import { whoIsIn } from './kept';
import { preparedOf } from './prepared';
import { lastHeard } from './reach';
import { shelves, type AwayCheck, type Waiting } from './store';
import { tellAll } from './windows';

const MINE = 'away-';
/** Whether a half-done check began on a device, and the server may not know of it yet. */
export const isOfDevice = (id: string) => id.startsWith(MINE);

/** The checks that are walked on this device. */
export const useAwayChecks = () =>
  useQuery({
    queryKey: ['away', 'check', 'all'],
    queryFn: async () => (await shelves()).getAll('checks'),
    staleTime: Infinity,
  });

export async function storeCheck(check: AwayCheck): Promise<void> {
  await (await shelves()).put('checks', check);
  await tellAll('check');
}

/** The check of this device that a request brings. */
export const checkOf = async ({ request }: Pick<Waiting, 'request'>): Promise<AwayCheck | null> =>
  (await (await shelves()).getAll('checks')).find((check) => check.request === request) ?? null;

const begun = (told: Omit<AwayCheck, 'request' | 'heard' | 'closed'>): AwayCheck => ({
  ...told,
  request: identifier(),
  heard: lastHeard(),
  closed: null,
});

/** Begins a check of a unit on this device; null where it was not handed out, or nobody is known to be in. */
export async function beginAway(instrument: string, procedure?: string): Promise<AwayCheck | null> {
  const prepared = await preparedOf(instrument);
  const asked = prepared?.unit.checks.find(
    (one) => procedure === undefined || one.procedure.id === procedure,
  );
  const person = whoIsIn();
  if (!asked || person === null) {
    return null;
  }
  const check = begun({
    id: MINE + identifier(),
    person,
    instrument,
    procedure: asked.procedure.id,
    sheets: asked.sheets.map((one) => one.code),
    begun: new Date().toISOString(),
    from: null,
    answers: { procedure: asked.procedure.id },
  });
  await storeCheck(check);
  return check;
}

/** A half-done check of the server is gone on with on this device. */
export const takenOver = (draft: Schemas['Draft'], answers: Answers, person: string): AwayCheck =>
  begun({
    id: draft.id,
    person,
    instrument: draft.unit.id,
    procedure: draft.procedure.id,
    sheets: draft.sheets.map((one) => one.code),
    begun: new Date(draft.startedAt).toISOString(),
    from: draft,
    answers,
  });

/** What a check is put into the outbox as. */
export const bringing = (check: AwayCheck) => ({
  person: check.person,
  kind: 'check' as const,
  about: check.instrument,
  words: `a check of ${check.instrument}`,
  path: '/api/bench/away',
  request: check.request,
  body: { seen: [] },
  heard: check.heard,
  isTimed: true,
});

/** The photos among what waits that go with a check. */
export const photosOf = (waiting: Waiting[], { request }: Pick<Waiting, 'request'>) =>
  waiting.filter((one) => one.kind === 'photo' && one.after.includes(request));

/** How a check ends once it was brought and its photos are there. */
export const closing = (
  { person, request, about }: Pick<Waiting, 'person' | 'request' | 'about'>,
  photos: Waiting[],
  how: 'accepted' | 'broken off',
  reason = '',
) => ({
  person,
  kind: how === 'accepted' ? ('acceptance' as const) : ('breaking off' as const),
  about,
  words: how === 'accepted' ? 'its acceptance' : `broken off: ${reason || 'without a reason'}`,
  path: `/api/bench/drafts/{=${request}.id}/${how === 'accepted' ? 'accept' : 'break-off'}`,
  body: { version: `{=${request}.version}`, ...(how === 'accepted' ? {} : { reason }) },
  after: [request, ...photos.map((photo) => photo.request)],
});

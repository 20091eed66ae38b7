import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { queries, type Schemas } from '../api/client';
import { rowsOf } from '../bench/answers';
import type { Answers } from '../bench/useDraft';
import { isFilled } from '../look/values';
import { whoIsIn } from './kept';
import { useOutbox, wait } from './outbox';
import { preparedOf, shown } from './prepared';
import { lastHeard } from './reach';
import { identifier, shelves, type AwayCheck } from './store';

const MINE = 'away-';
/** Whether a half-done check began on a device, and the server may not know of it yet. */
export const isOfDevice = (id: string) => id.startsWith(MINE);

const changed = () => queries.invalidateQueries({ queryKey: ['away', 'check'] });

/** The checks that are walked on this device. */
export const useAwayChecks = () =>
  useQuery({
    queryKey: ['away', 'check', 'all'],
    queryFn: async () => (await shelves()).getAll('checks'),
    staleTime: Infinity,
    networkMode: 'always',
  });

const store = async (check: AwayCheck) => {
  await (await shelves()).put('checks', check);
  await changed();
};

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
  const check: AwayCheck = {
    id: MINE + identifier(),
    person,
    instrument,
    procedure: asked.procedure.id,
    sheets: asked.sheets.map((one) => one.code),
    begun: new Date().toISOString(),
    from: null,
    answers: { procedure: asked.procedure.id },
    request: identifier(),
    heard: lastHeard(),
    closed: null,
  };
  await store(check);
  return check;
}

/** A half-done check of the server is gone on with on this device. */
const takenOver = (draft: Schemas['Draft'], answers: Answers, person: string): AwayCheck => ({
  id: draft.id,
  person,
  instrument: draft.unit.id,
  procedure: draft.procedure.id,
  sheets: draft.sheets.map((one) => one.code),
  begun: new Date(draft.startedAt).toISOString(),
  from: draft,
  answers,
  request: identifier(),
  heard: lastHeard(),
  closed: null,
});

type Moments = Record<string, string>;

/** When each step was confirmed and each timer started, by the clock of this device. */
const stamped = (before: Answers, after: Answers, steps: Schemas['Step'][]): Answers => {
  const now = new Date().toISOString();
  const moments = (
    was: Record<string, string> | undefined,
    is: Record<string, string> | undefined,
    known: Moments | undefined,
  ): Moments =>
    Object.fromEntries(
      Object.entries(is ?? {}).map(([step, state]) => [
        step,
        was?.[step] === state ? (known?.[step] ?? now) : now,
      ]),
    );
  const read = steps.some(
    (step) =>
      (step.kind === 'readings' &&
        rowsOf(after, step.into).some((row) => Object.values(row).some((value) => isFilled(value)))) ||
      (step.kind === 'adjust' && after[step.into || 'adjusted'] === true),
  );
  return {
    ...after,
    ...(read && after.at === undefined ? { at: now } : {}),
    ...(after.fromPaper === true
      ? {}
      : {
          stepTimes: moments(before.steps, after.steps, before.stepTimes),
          stepWaits: moments(before.waits, after.waits, before.stepWaits),
        }),
  };
};

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

/** A check that is walked on this device, where there is one of that name. */
export function useAwayCheck(id: string) {
  const found = useQuery({
    queryKey: ['away', 'check', id],
    queryFn: async () => {
      const check = (await (await shelves()).get('checks', id)) ?? null;
      return check && { check, prepared: await preparedOf(check.instrument) };
    },
    staleTime: Infinity,
    networkMode: 'always',
  });
  const outbox = useOutbox();
  const [answers, setAnswers] = useState<Answers | null>(null);
  const latest = useRef<AwayCheck | null>(null);
  const saving = useRef<Promise<void>>(Promise.resolve());
  const check = found.data?.check ?? null;
  useEffect(() => {
    latest.current ??= check;
  }, [check]);
  const photos = (outbox.data ?? []).filter(
    (one) => one.kind === 'photo' && check !== null && one.after.includes(check.request),
  );
  const now = check && { ...check, answers: answers ?? check.answers };
  const draft = now ? shown(now, found.data?.prepared ?? null, photos.length) : null;

  const save = useCallback((next: AwayCheck) => {
    latest.current = next;
    setAnswers(next.answers);
    saving.current = saving.current.then(() => store(next)).catch(() => undefined);
    return saving.current;
  }, []);
  const put = useCallback(
    (change: Partial<Answers>, steps: Schemas['Step'][]) => {
      const before = latest.current;
      if (before) {
        void save({
          ...before,
          answers: stamped(before.answers, { ...before.answers, ...change }, steps),
        });
      }
    },
    [save],
  );
  const takeOver = useCallback(
    (from: Schemas['Draft'], known: Answers, change: Partial<Answers>) => {
      const person = whoIsIn();
      if (person !== null) {
        const taken = takenOver(from, known, person);
        void save({ ...taken, answers: stamped(known, { ...known, ...change }, from.procedure.steps) });
      }
    },
    [save],
  );
  /** Closes it: it is brought, and then accepted or broken off, once the server answers. */
  const close = useCallback(
    async (how: 'accepted' | 'broken off', reason = '') => {
      await saving.current;
      const last = latest.current;
      if (!last) {
        return;
      }
      await save({ ...last, closed: how });
      const waiting = await (await shelves()).getAll('outbox');
      // It may wait there already, where the server was back for a moment.
      if (!waiting.some((one) => one.request === last.request)) {
        await wait(bringing(last));
      }
      const photos = waiting.filter((one) => one.kind === 'photo' && one.after.includes(last.request));
      await wait({
        person: last.person,
        kind: how === 'accepted' ? 'acceptance' : 'breaking off',
        about: last.instrument,
        words: how === 'accepted' ? 'its acceptance' : `broken off: ${reason || 'without a reason'}`,
        path: `/api/bench/drafts/{=${last.request}.id}/${how === 'accepted' ? 'accept' : 'break-off'}`,
        body: { version: `{=${last.request}.version}`, ...(how === 'accepted' ? {} : { reason }) },
        after: [last.request, ...photos.map((one) => one.request)],
      });
    },
    [save],
  );
  const keepPhoto = useCallback(async (file: File, place: string) => {
    const last = latest.current;
    if (last) {
      await wait({
        person: last.person,
        kind: 'photo',
        about: last.instrument,
        words: `a photo, ${file.name}`,
        path: `/api/files?of=draft&id={=${last.request}.id}`,
        file: { blob: file, name: file.name, place },
        after: [last.request],
      });
    }
  }, []);
  return {
    isPending: found.isPending,
    check: now,
    prepared: found.data?.prepared ?? null,
    draft,
    photos,
    put,
    takeOver,
    close,
    keepPhoto,
  };
}

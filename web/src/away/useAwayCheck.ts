import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { refusedHere, type Refusal, type Schemas } from '../api/client';
import { flagOf, rowsOf } from '../bench/answers';
import { keepUnsent, type Answers } from '../bench/useDraft';
import { isFilled } from '../look/values';
import { bringing, closing, photosOf, storeCheck, takenOver } from './checks';
import { whoIsIn } from './kept';
import { useOutbox, wait } from './outbox';
import { preparedOf, shown } from './prepared';
import { tellAll } from './windows';
import { shelves, type AwayCheck } from './store';

type Noted = Record<string, string> | undefined;

/** When each step was confirmed and each timer started, by the clock of this device. */
const stamped = (before: Answers, after: Answers, steps: Schemas['Step'][]): Answers => {
  const now = new Date().toISOString();
  const noted = (was: Noted, is: Noted, known: Noted) =>
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
      (step.kind === 'adjust' && after[flagOf(step)] === true),
  );
  return {
    ...after,
    ...(read && after.at === undefined ? { at: now } : {}),
    ...(after.fromPaper === true
      ? {}
      : {
          stepTimes: noted(before.steps, after.steps, before.stepTimes),
          stepWaits: noted(before.waits, after.waits, before.stepWaits),
        }),
  };
};

const notKept = (fault: unknown) =>
  refusedHere(
    `This device did not keep the last answer (${
      fault instanceof Error ? fault.message : 'no reason is known'
    }). Write it down elsewhere until the network is back; it is still on your screen.`,
  );

/** The moments that were noted, in one window or another. */
const moments = (kept: Answers, now: Answers): Partial<Answers> => ({
  ...(now.at === undefined ? {} : { at: kept.at ?? now.at }),
  ...(now.stepTimes ? { stepTimes: { ...kept.stepTimes, ...now.stepTimes } } : {}),
  ...(now.stepWaits ? { stepWaits: { ...kept.stepWaits, ...now.stepWaits } } : {}),
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
  });
  const outbox = useOutbox();
  const [answers, setAnswers] = useState<Answers | null>(null);
  const latest = useRef<AwayCheck | null>(null);
  const saving = useRef<Promise<void>>(Promise.resolve());
  const unsaved = useRef(0);
  const [problem, setProblem] = useState<Refusal | null>(null);
  const check = found.data?.check ?? null;
  useEffect(() => {
    // What another window answered stands here too, once nothing of this one is on its way.
    if (unsaved.current === 0) {
      latest.current = check;
      setAnswers(null);
    }
  }, [check]);
  const photos = check === null ? [] : photosOf(outbox.data ?? [], check);
  const now = check && { ...check, answers: answers ?? check.answers };
  const draft = now ? shown(now, found.data?.prepared ?? null, photos.length) : null;

  /** Shown at once, and written over what is kept: of what another window answered meanwhile nothing is lost. */
  const save = useCallback((next: AwayCheck, change: Partial<Answers>) => {
    latest.current = next;
    setAnswers(next.answers);
    unsaved.current += 1;
    saving.current = saving.current
      .then(async () => {
        const db = await shelves();
        const kept = await db.get('checks', next.id);
        const brought = kept ? undefined : (await db.get('made', next.request))?.made.id;
        if (typeof brought === 'string') {
          // The server got it a moment ago: this follows it there.
          keepUnsent(brought, next.answers);
          await tellAll('check');
          return;
        }
        const both = kept
          ? { ...kept.answers, ...change, ...moments(kept.answers, next.answers) }
          : next.answers;
        await storeCheck({ ...next, answers: both });
        setProblem(null);
      })
      .catch((fault: unknown) => setProblem(notKept(fault)))
      .finally(() => {
        unsaved.current -= 1;
      });
    return saving.current;
  }, []);
  const put = useCallback(
    (change: Partial<Answers>, steps: Schemas['Step'][]) => {
      const before = latest.current;
      if (before) {
        void save(
          { ...before, answers: stamped(before.answers, { ...before.answers, ...change }, steps) },
          change,
        );
      }
    },
    [save],
  );
  const takeOver = useCallback(
    (from: Schemas['Draft'], known: Answers, change: Partial<Answers>) => {
      const person = whoIsIn();
      if (person !== null) {
        const taken = takenOver(from, known, person);
        const answers = stamped(known, { ...known, ...change }, from.procedure.steps);
        void save({ ...taken, answers }, change);
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
      await save({ ...last, closed: how }, {});
      const waiting = await (await shelves()).getAll('outbox');
      // It may wait there already, where the server was back for a moment.
      if (!waiting.some((one) => one.request === last.request)) {
        await wait(bringing(last));
      }
      await wait(closing({ ...last, about: last.instrument }, photosOf(waiting, last), how, reason));
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
    problem,
    put,
    takeOver,
    close,
    keepPhoto,
  };
}

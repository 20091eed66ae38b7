import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { answer, api, Refusal, type Schemas } from '../api/client';

export type Answers = Schemas['Answers'];
type Draft = Schemas['Draft'];

const kept = (id: string) => `footnote.draft.${id}`;

const unsent = (id: string): Answers | null => {
  try {
    const text = window.localStorage.getItem(kept(id));
    return text === null ? null : (JSON.parse(text) as Answers);
  } catch {
    return null;
  }
};

/** Answers that the server does not have yet: they are sent when the half-done check is opened. */
export const keepUnsent = (id: string, answers: Answers) =>
  window.localStorage.setItem(kept(id), JSON.stringify(answers));

/** What somebody else answered, with what this person answered in its place; steps that either confirmed stay confirmed. */
const beside = (theirs: Answers, own: Partial<Answers>): Answers => ({
  ...theirs,
  ...own,
  ...(own.steps ? { steps: { ...theirs.steps, ...own.steps } } : {}),
  ...(own.stepReasons ? { stepReasons: { ...theirs.stepReasons, ...own.stepReasons } } : {}),
});

const at = (answers: Answers, name: string): unknown =>
  Object.entries(answers).find(([key]) => key === name)?.[1];

/** What the server answered now stands above an older answer that is still on its way. */
const told = async (cache: QueryClient, draft: Draft) => {
  await cache.cancelQueries({ queryKey: ['draft', draft.id] });
  cache.setQueryData(['draft', draft.id], draft);
};

/**
 * A half-done check. Every answer goes to the server at once; what has not arrived is kept in the browser as well and
 * sent when the server answers again, so that neither a closed lid nor a restarted server loses anything.
 */
export function useDraft(id: string, enabled = true) {
  const cache = useQueryClient();
  const key = ['draft', id];
  const query = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET('/api/bench/drafts/{id}', { params: { path: { id } } })),
    enabled,
    staleTime: Infinity,
    refetchOnWindowFocus: false,
  });
  const [answers, setAnswers] = useState<Answers | null>(() => unsent(id));
  const [problem, setProblem] = useState<Refusal | null>(null);
  const version = useRef(0);
  const sending = useRef<Promise<void> | null>(null);
  const next = useRef<Answers | null>(answers);
  const latest = useRef<Answers | null>(answers);
  /** What was answered here since the server had all of it. */
  const mine = useRef<Partial<Answers>>(answers ?? {});
  const data = query.data;

  const drain = useCallback(async () => {
    // By the time that it ends it is known to be under way, even where there was nothing to send.
    await Promise.resolve();
    const waits = () => next.current !== null;
    for (let body = next.current; body !== null; body = next.current) {
      next.current = null;
      const from = version.current;
      try {
        const draft: Draft = await answer(
          api.PUT('/api/bench/drafts/{id}', {
            params: { path: { id } },
            body: { version: from, answers: body },
          }),
        );
        // What the server answered meanwhile to something else may be newer.
        if (draft.version >= version.current) {
          version.current = draft.version;
          await told(cache, draft);
        }
        // What was answered while this was on its way has not arrived yet, and stays in the browser.
        if (!waits()) {
          window.localStorage.removeItem(kept(id));
          mine.current = {};
        }
        setProblem(null);
      } catch (refused) {
        const isOld = refused instanceof Refusal && refused.problem.status === 409 && version.current > from;
        if (isOld && waits()) {
          // The server took something for this very page meanwhile: what waits is beside that already.
          continue;
        }
        // What was typed waits for the next try; where somebody else answered meanwhile, theirs is fetched and stays beside it.
        next.current ??= body;
        setProblem(refused instanceof Refusal ? refused : null);
        if (refused instanceof Refusal && refused.problem.status === 409) {
          await cache.invalidateQueries({ queryKey: ['draft', id] });
          const theirs = cache.getQueryData<Draft>(['draft', id]);
          if (theirs) {
            version.current = Math.max(version.current, theirs.version);
            const both = beside(theirs.answers, mine.current);
            latest.current = both;
            next.current = both;
            keepUnsent(id, both);
            setAnswers(both);
          }
        }
        break;
      }
    }
    sending.current = null;
  }, [cache, id]);
  const send = useCallback(() => (sending.current ??= drain()), [drain]);

  const first = useRef(true);
  useEffect(() => {
    // What was answered elsewhere on this device since it was opened.
    const left = enabled && next.current === null ? unsent(id) : null;
    if (left) {
      next.current = left;
      latest.current = left;
      mine.current = left;
      setAnswers(left);
      void send();
    }
  }, [enabled, id, send]);
  useEffect(() => {
    if (data) {
      version.current = Math.max(version.current, data.version);
      // What an earlier visit could not send is sent before anything rests on it.
      if (first.current && next.current !== null) {
        void send();
      }
      first.current = false;
    }
  }, [data, send]);

  /** The version that is on the screen, once everything typed has arrived. */
  const seen = useCallback(async () => {
    await send();
    return version.current;
  }, [send]);

  const put = useCallback(
    (change: Partial<Answers>) => {
      const all = { ...(latest.current ?? data?.answers ?? {}), ...change };
      latest.current = all;
      next.current = all;
      mine.current = { ...mine.current, ...change };
      keepUnsent(id, all);
      setAnswers(all);
      void send();
    },
    [data, id, send],
  );

  /**
   * What the server answered itself, such as readings that it took: it is what stands here too. What was typed meanwhile and has not
   * arrived stays beside it and is sent, but where the server has answered the same.
   */
  const replace = useCallback(
    (draft: Draft) => {
      const before = cache.getQueryData<Draft>(['draft', id])?.answers ?? {};
      const theirs = draft.answers;
      const waits = next.current !== null || sending.current !== null;
      const own = Object.entries(waits ? mine.current : {}).filter(
        ([name]) => JSON.stringify(at(theirs, name)) === JSON.stringify(at(before, name)),
      );
      const both = beside(theirs, Object.fromEntries(own));
      version.current = Math.max(version.current, draft.version);
      latest.current = both;
      mine.current = Object.fromEntries(own);
      next.current = own.length === 0 ? null : both;
      if (own.length === 0) {
        window.localStorage.removeItem(kept(id));
      } else {
        keepUnsent(id, both);
      }
      void told(cache, draft);
      setAnswers(both);
      if (own.length > 0) {
        void send();
      }
    },
    [cache, id, send],
  );

  /** What is gone on with elsewhere is not sent from here. */
  const handOver = useCallback(() => {
    next.current = null;
    latest.current = null;
    mine.current = {};
    window.localStorage.removeItem(kept(id));
    setAnswers(null);
  }, [id]);

  return {
    query,
    draft: data,
    answers: answers ?? data?.answers ?? {},
    put,
    replace,
    problem,
    again: send,
    seen,
    handOver,
  };
}

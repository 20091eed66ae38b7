import { answer, api } from '../api/client';
import { useDraft, type Answers } from '../bench/useDraft';
import { isOfDevice } from './checks';
import { useAwayCheck } from './useAwayCheck';
import { useReach } from './reach';

/** A half-done check, wherever it is kept: at the server, or on this device while no server answers. */
export function useHalfDone(id: string) {
  const away = useAwayCheck(id);
  const server = useDraft(id, !away.isPending && away.check === null && !isOfDevice(id));
  const { reached } = useReach();
  const path = { params: { path: { id } } };
  if (away.check !== null || isOfDevice(id)) {
    const steps = away.draft?.procedure.steps ?? [];
    return {
      ...server,
      away,
      isPending: away.isPending,
      draft: away.draft ?? undefined,
      answers: away.check?.answers ?? {},
      put: (change: Partial<Answers>) => away.put(change, steps),
      problem: away.problem,
      again: () => Promise.resolve(away.put({}, steps)),
      accept: (): Promise<unknown> => away.close('accepted'),
      breakOff: (reason: string): Promise<unknown> => away.close('broken off', reason),
    };
  }
  /** Where nobody answers it is gone on with here. */
  const here = (change: Partial<Answers>) => {
    if (reached || !server.draft) {
      return false;
    }
    away.takeOver(server.draft, server.answers, change);
    server.handOver();
    return true;
  };
  return {
    ...server,
    away,
    isPending: server.query.isPending,
    put: (change: Partial<Answers>) => {
      if (!here(change)) {
        server.put(change);
      }
    },
    accept: async (): Promise<unknown> =>
      here({})
        ? away.close('accepted')
        : answer(
            api.POST('/api/bench/drafts/{id}/accept', { ...path, body: { version: await server.seen() } }),
          ),
    breakOff: async (reason: string): Promise<unknown> =>
      here({})
        ? away.close('broken off', reason)
        : answer(
            api.POST('/api/bench/drafts/{id}/break-off', {
              ...path,
              body: { version: await server.seen(), reason },
            }),
          ),
  };
}

import { useNavigate } from 'react-router';
import { answer, api, queries, Refusal, refusedHere, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { isReached } from '../away/reach';
import { beginAway } from '../away/checks';

interface Asked {
  unit: string;
  procedure?: string;
}

/** The half-done check of a unit that was open when the server was last heard. */
const lastOpen = (unit: string): string | null =>
  queries.getQueryData<Schemas['Bench']>(['bench'])?.units.find((one) => one.id === unit)?.draft?.id ?? null;

/** On this device, with what was handed out for it. */
async function away({ unit, procedure }: Asked): Promise<{ id: string }> {
  const open = lastOpen(unit);
  if (open !== null) {
    return { id: open };
  }
  const check = await beginAway(unit, procedure);
  if (check === null) {
    throw refusedHere(
      `The checks of ${unit} are not on this device: they are handed out while there is a network. ` +
        'Write it on paper, and copy it later.',
    );
  }
  return check;
}

/** Begins a check of a unit by one of its procedures, or goes on with the half-done one. */
export function useBeginCheck() {
  const navigate = useNavigate();
  return useChange(
    async ({ unit, procedure }: Asked): Promise<{ id: string }> => {
      const asked = { unit, ...(procedure === undefined ? {} : { procedure }) };
      if (!isReached()) {
        return away(asked);
      }
      try {
        return await answer(
          api.POST('/api/bench/{instrument}/check', {
            params: { path: { instrument: unit }, query: procedure === undefined ? {} : { procedure } },
          }),
        );
      } catch (refused) {
        if (refused instanceof Refusal && refused.problem.status === 0) {
          return away(asked);
        }
        throw refused;
      }
    },
    (draft) => void navigate(`/bench/${draft.id}`),
  );
}

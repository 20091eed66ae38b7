import { useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { useChange } from '../api/hooks';

/** Begins a check of a unit by one of its procedures, or goes on with the half-done one. */
export function useBeginCheck() {
  const navigate = useNavigate();
  return useChange(
    ({ unit, procedure }: { unit: string; procedure?: string }) =>
      answer(
        api.POST('/api/bench/{instrument}/check', {
          params: { path: { instrument: unit }, query: procedure === undefined ? {} : { procedure } },
        }),
      ),
    (draft) => void navigate(`/bench/${draft.id}`),
  );
}

import { useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { useChange } from '../api/hooks';

/** Begins a check of a unit, or goes on with the half-done one. */
export function useBeginCheck() {
  const navigate = useNavigate();
  return useChange(
    (instrument: string) =>
      answer(api.POST('/api/bench/{instrument}/check', { params: { path: { instrument } } })),
    (draft) => void navigate(`/bench/${draft.id}`),
  );
}

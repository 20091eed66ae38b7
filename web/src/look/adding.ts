import { useSearchParams } from 'react-router';

/** What is being added, which stands in the address: a guide leads to it, and it is gone from there once it is closed. */
export function useAdding(): [string | null, (what: string | null) => void] {
  const [search, setSearch] = useSearchParams();
  const setAdding = (what: string | null) => {
    const next = new URLSearchParams(search);
    next.delete('kind');
    next.delete('add');
    if (what !== null) {
      next.set('add', what);
    }
    setSearch(next, { replace: true });
  };
  return [search.get('add'), setAdding];
}

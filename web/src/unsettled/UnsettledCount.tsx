import { Link } from 'react-router';
import { useUnsettled } from '../api/hooks';
import { ink } from '../look/theme';
import { plural } from '../look/words';

/** How many runs of the last days are not settled, where any is not. */
export function UnsettledCount() {
  const runs = useUnsettled('', '').data?.runs ?? [];
  if (runs.length === 0) {
    return null;
  }
  const pressing = runs.some((run) => run.why === 'pressing');
  return (
    <Link to="/unsettled" style={pressing ? { color: ink.void } : undefined}>
      {plural(runs.length, 'run')} not settled
    </Link>
  );
}

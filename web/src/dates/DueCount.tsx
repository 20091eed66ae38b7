import { Link } from 'react-router';
import { useDates } from '../api/hooks';
import { ink } from '../look/theme';

/** How much of the kit falls due, where anything does: nothing that calls for attention by itself. */
export function DueCount() {
  const { over, soon, soonDays } = useDates().data ?? { over: 0, soon: 0, soonDays: 0 };
  if (over + soon === 0) {
    return null;
  }
  const parts = [
    ...(over > 0 ? [`${over} over`] : []),
    ...(soon > 0 ? [`${soon} within ${soonDays} days`] : []),
  ];
  return (
    <Link to="/dates" style={over > 0 ? { color: ink.void } : undefined}>
      Dates: {parts.join(', ')}
    </Link>
  );
}

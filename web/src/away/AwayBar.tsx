import { Link } from 'react-router';
import { clock, plural } from '../look/words';
import { useOutbox } from './outbox';
import { useReach } from './reach';

/** That no server answers, and what waits for it or for a decision; nothing on an ordinary day. */
export function AwayBar({ person }: { person: string }) {
  const { reached, since } = useReach();
  const outbox = useOutbox();
  const mine = (outbox.data ?? []).filter((one) => one.person === person);
  const refused = mine.filter((one) => one.refused !== null).length;
  if (reached && mine.length === 0) {
    return null;
  }
  return (
    <div className={reached ? 'fn-away' : 'fn-away fn-away-off'} role="status">
      <div>
        {!reached && (
          <span>
            <b>No network since {since === null ? 'now' : clock(new Date(since).toISOString())}.</b> What is
            shown is of the last visit. What you do is kept on this device, and judged when it is back.{' '}
          </span>
        )}
        {mine.length > 0 && (
          <Link to="/outbox">
            {refused > 0
              ? `${plural(refused, 'thing')} in the outbox ${refused === 1 ? 'waits' : 'wait'} for your decision`
              : `${plural(mine.length, 'thing')} in the outbox`}
          </Link>
        )}
      </div>
    </div>
  );
}

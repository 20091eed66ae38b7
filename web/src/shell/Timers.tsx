import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../api/client';
import { useChange, useTimers } from '../api/hooks';
import { ink } from '../look/theme';
import { useNow } from '../look/useNow';
import { beSilent, chime, isSilent } from './chime';

/** Minutes and seconds: "3:07". */
const left = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** What is waited for, of all units, wherever one is; each is heard once when it is over. */
export function Timers({ records }: { records: boolean }) {
  const timers = useTimers();
  const running = timers.data?.timers ?? [];
  const now = useNow(running.length > 0);
  const [silent, setSilent] = useState(isSilent);
  const heard = useRef(new Set<string>());
  const end = useChange((id: string) =>
    answer(api.POST('/api/bench/timers/{id}/end', { params: { path: { id } } })),
  );
  // By the clock of the server, since a telephone's may be another.
  const since = (now - timers.dataUpdatedAt) / 1000;
  const shown = running.map((timer) => ({
    ...timer,
    left: Math.max(0, Math.ceil(timer.seconds - timer.elapsed - since)),
  }));
  const over = shown.filter((timer) => timer.left === 0).map((timer) => timer.id);
  const said = over.join('|');
  useEffect(() => {
    const fresh = over.filter((id) => !heard.current.has(id));
    fresh.forEach((id) => heard.current.add(id));
    if (fresh.length > 0) {
      chime();
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- when another is over
  }, [said]);
  if (shown.length === 0) {
    return null;
  }
  return (
    <section aria-label="Timers" className="fn-timers fn-noprint">
      {shown.map((timer) => (
        <span key={timer.id} style={{ display: 'inline-flex', alignItems: 'center', gap: 6 }}>
          <Link
            to={timer.draft === null ? `/kit/${timer.unit}` : `/bench/${timer.draft}`}
            style={{
              color: timer.left === 0 ? ink.valid : ink.text,
              fontWeight: timer.left === 0 ? 700 : 400,
            }}
          >
            {timer.unit} {timer.words}
          </Link>{' '}
          <span className="fn-figure" aria-live="off">
            {timer.left === 0 ? 'is over' : left(timer.left)}
          </span>
          {records && timer.draft === null && (
            <Button
              size="small"
              aria-label={`Put away: ${timer.unit} ${timer.words}`}
              sx={{ minWidth: 0, minHeight: 32 }}
              onClick={() => end.mutate(timer.id)}
            >
              ✕
            </Button>
          )}
        </span>
      ))}
      <Button
        size="small"
        aria-pressed={!silent}
        sx={{ minWidth: 0, minHeight: 32 }}
        onClick={() => {
          beSilent(!silent);
          setSilent(!silent);
        }}
      >
        {silent ? 'Sound is off' : 'Sound is on'}
      </Button>
    </section>
  );
}

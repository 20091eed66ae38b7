import { Fragment } from 'react';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { clock, dayOfYear } from '../look/words';
import { Source } from '../results/notes';

type Routine = Schemas['Routine'];
type Done = Routine['done'][number];

/** What is wanted of an instrument again and again: how often, when it was last done, until when that counts, and who says so. */
export function Routines({ routines }: { routines: Routine[] }) {
  return (
    <div style={{ overflowX: 'auto' }}>
      <table className="fn-table" style={{ minWidth: 720 }}>
        <thead>
          <tr>
            <th>What</th>
            <th>Every</th>
            <th>Last done</th>
            <th>Counts until</th>
            <th>Source</th>
          </tr>
        </thead>
        <tbody>
          {routines.map((routine) => (
            <Fragment key={routine.routine}>
              {together(routine.done).map((done, place, all) => (
                <tr key={done.channels}>
                  {place === 0 && (
                    <>
                      <td rowSpan={all.length}>
                        {routine.routine.replace(/^./, (one) => one.toUpperCase())}
                      </td>
                      <td rowSpan={all.length} className="fn-figure">
                        {routine.every}
                      </td>
                    </>
                  )}
                  <td>
                    {done.at === null ? 'never' : `${told(done.at)}, ${done.evidence ?? ''}`}
                    {all.length > 1 && <span style={{ color: ink.soft }}> ({done.channels})</span>}
                  </td>
                  <td style={done.over ? { color: ink.void, fontWeight: 650 } : {}}>
                    {done.until === null ? '–' : told(done.until)}
                    {done.over && ', past'}
                  </td>
                  {place === 0 && (
                    <td rowSpan={all.length} style={{ color: ink.soft, fontSize: '0.86rem', maxWidth: 420 }}>
                      <Source source={routine.source} mark={routine.mark} />
                    </td>
                  )}
                </tr>
              ))}
            </Fragment>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Channels of which the same is told stand in one line. */
function together(done: Done[]): (Done & { channels: string })[] {
  const lines = new Map<string, Done & { channels: string }>();
  for (const one of done) {
    const key = `${one.evidence ?? ''} ${one.until ?? ''}`;
    const line = lines.get(key);
    lines.set(key, { ...one, channels: line ? `${line.channels}, ${one.channel}` : one.channel });
  }
  return [...lines.values()];
}

/** What begins or ends with a day of the site is told by the day; the hours are the site's, whatever the browser's. */
function told(at: string): string {
  const hour = clock(at);
  return hour === '00:00' || hour === '23:59' ? dayOfYear(at) : `${dayOfYear(at)} ${hour}`;
}

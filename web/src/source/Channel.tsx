import { ink } from '../look/theme';
import { minus } from '../look/words';
import { Trace } from './Trace';
import type { Points } from './useSource';

const states = {
  still: { sign: '▬', colour: ink.valid },
  moves: { sign: '≈', colour: ink.qualified },
  waits: { sign: '…', colour: ink.soft },
};

/** One channel of a source: what it shows, its trace, and what it was judged to do. */
export function Channel({
  name,
  value,
  unit,
  points,
  isJudged,
  steady,
  words,
  large,
}: {
  name: string;
  value: string | null;
  unit: string;
  points: Points[string];
  isJudged: boolean;
  /** Null: not known yet, or judged by nobody. */
  steady: boolean | null;
  words: string;
  large: boolean;
}) {
  const state = !isJudged ? null : steady === null ? 'waits' : steady ? 'still' : 'moves';
  return (
    <div className="fn-channel">
      <div>
        <b>{name}</b>
        <div className="fn-figure" style={{ fontSize: large ? '2rem' : '1.35rem', whiteSpace: 'nowrap' }}>
          {value === null ? '–' : minus(value)}{' '}
          <span style={{ fontSize: '0.95rem', color: ink.soft }}>{unit}</span>
        </div>
      </div>
      <div style={{ minWidth: 0 }}>
        <Trace points={points} isJudged={isJudged} words={`${name} over the last minutes`} />
        {words !== '' && (
          <div style={{ color: state === null ? ink.soft : states[state].colour, fontSize: '0.9rem' }}>
            {state !== null && <span aria-hidden="true">{states[state].sign} </span>}
            {words}
          </div>
        )}
      </div>
    </div>
  );
}

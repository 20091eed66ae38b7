import { useState } from 'react';
import { useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useRound } from '../api/hooks';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { clock, signed } from '../look/words';
import { RoundCard, type Turn } from './RoundCard';
import { RoundEnd } from './RoundEnd';
import { RoundReference } from './RoundReference';
import { SharedShift } from './SharedShift';

type RoundUnit = Schemas['Round']['units'][number];

/** The turn that a unit waits for: first every unit is read, then each is adjusted or left; null where it waits for nothing. */
const turnOf = (unit: RoundUnit): Turn | null =>
  unit.draft === null ? null : !unit.isRead ? 'read' : !unit.isSettled ? 'settle' : null;

/** A row of units on one reference: each read before any is adjusted, what they share shown between. */
export function RoundView() {
  const { id = '' } = useParams();
  const round = useRound(id);
  const [chosen, setChosen] = useState<string | null>(null);
  if (round.data === undefined) {
    return <Lacking of={[round]} />;
  }
  const { units } = round.data;
  const open = units.filter((unit) => unit.draft !== null);
  const isTurn = (turn: Turn) => (unit: RoundUnit) => turnOf(unit) === turn;
  const next = units.find(isTurn('read')) ?? units.find(isTurn('settle'));
  const at = open.find((unit) => unit.id === chosen) ?? next;
  const unread = units.filter(isTurn('read')).length;
  return (
    <>
      <h1 className="fn-title" style={{ margin: 0 }}>
        Round of {units.length}
      </h1>
      <p style={{ color: ink.soft, margin: '0 0 8px' }}>
        {round.data.title}
        {round.data.reference && ` against ${round.data.reference}`} · begun by {round.data.startedBy},{' '}
        {clock(round.data.startedAt)} · {unread > 0 ? `${unread} to read` : 'all are read'}
      </p>
      {unread === 0 && open.length > 0 && round.data.shift && <SharedShift shift={round.data.shift} />}
      <div className="fn-check">
        <ol className="fn-steps fn-row" aria-label="Units">
          {units.map((unit) => (
            <li key={unit.id}>
              <button
                type="button"
                aria-current={unit.id === at?.id ? 'step' : undefined}
                disabled={unit.draft === null}
                onClick={() => setChosen(unit.id)}
              >
                <span aria-hidden="true" style={{ width: 18, display: 'inline-block', color: ink.valid }}>
                  {turnOf(unit) === 'read' ? '' : '✓'}
                </span>
                {unit.id} <span style={{ color: ink.soft }}>{stateOf(unit, round.data.unit)}</span>
              </button>
            </li>
          ))}
        </ol>
        {round.data.reference === null && open[0]?.draft ? (
          <RoundReference key={open[0].draft} round={round.data} draft={open[0].draft} />
        ) : at?.draft ? (
          <RoundCard
            key={`${at.draft} ${turnOf(at) ?? ''}`}
            round={round.data}
            unit={at}
            id={at.draft}
            onDone={() => setChosen(null)}
          />
        ) : (
          <RoundEnd round={round.data} />
        )}
      </div>
    </>
  );
}

const stateOf = (unit: RoundUnit, measure: string): string => {
  const moved = unit.drift === null ? '' : `, ${signed(unit.drift.toFixed(2))} ${measure}`;
  if (unit.draft === null) {
    return unit.check === null ? 'put away' : `${unit.check}${moved}`;
  }
  return unit.isRead ? `${unit.isSettled ? 'ready' : 'read'}${moved}` : 'to read';
};

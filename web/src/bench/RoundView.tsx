import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useRound } from '../api/hooks';
import { Loading, Told } from '../look/Told';
import { ink } from '../look/theme';
import { clock, plural, signed } from '../look/words';
import { useKeys } from '../shell/keys';
import { lacks } from './answers';
import { Live } from './Live';
import { SharedShift } from './SharedShift';
import { Mind, StepBody } from './StepBody';
import { type Answers, useDraft } from './useDraft';
import { isOver } from './wait';

type Round = Schemas['Round'];
type RoundUnit = Round['units'][number];
type Turn = 'read' | 'settle';

/** The turn that a unit waits for: first every unit is read, then each is adjusted or left; null where it waits for nothing. */
const turnOf = (unit: RoundUnit): Turn | null =>
  unit.draft === null ? null : !unit.isRead ? 'read' : !unit.isSettled ? 'settle' : null;

/** A row of units on one reference: each read before any is adjusted, what they share shown between. */
export function RoundView() {
  const { id = '' } = useParams();
  const round = useRound(id);
  const [chosen, setChosen] = useState<string | null>(null);
  if (round.isPending) {
    return <Loading />;
  }
  if (round.isError) {
    return <Told problem={round.error} />;
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
          <Reference key={open[0].draft} round={round.data} draft={open[0].draft} />
        ) : at?.draft ? (
          <Turned
            key={`${at.draft} ${turnOf(at) ?? ''}`}
            round={round.data}
            unit={at}
            id={at.draft}
            onDone={() => setChosen(null)}
          />
        ) : (
          <Finish round={round.data} />
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

/** The reference is chosen once, for all units that nothing was read of yet. */
function Reference({ round, draft: id }: { round: Round; draft: string }) {
  const { query, draft, answers } = useDraft(id);
  const choose = useChange(({ reference, setting }: { reference: string; setting?: string }) =>
    answer(
      api.POST('/api/bench/rounds/{id}/reference', {
        params: { path: { id: round.id } },
        body: { reference, ...(setting === undefined ? {} : { setting }) },
      }),
    ),
  );
  const step = draft?.procedure.steps.find((one) => one.kind === 'reference');
  if (!draft || !step) {
    return query.isError ? <Told problem={query.error} /> : <Loading />;
  }
  const take = ({ reference, setting }: Partial<Answers>) => {
    if (reference !== undefined) {
      choose.mutate({ reference, ...(setting === undefined ? {} : { setting }) });
    }
  };
  return (
    <section>
      <h2 className="fn-title" style={{ fontSize: '1.5rem', margin: '0 0 2px' }}>
        {step.title}, for all {round.units.length}
      </h2>
      <p style={{ fontSize: '1.08rem', margin: '2px 0' }}>{step.instruction}</p>
      <p style={{ color: ink.soft, margin: '0 0 14px' }}>{step.why}</p>
      <Mind step={step} />
      <StepBody
        step={{ ...step, fields: [] }}
        draft={draft}
        answers={answers}
        put={take}
        onChosen={take}
        onEnter={() => undefined}
        onOver={() => undefined}
      />
      <Told problem={choose.error} />
    </section>
  );
}

/** One unit and its turn: what is asked of it stands on one card, and one press confirms what the card says. */
function Turned({
  round,
  unit,
  id,
  onDone,
}: {
  round: Round;
  unit: RoundUnit;
  id: string;
  onDone: () => void;
}) {
  const cache = useQueryClient();
  const { query, draft, answers, put, problem, again, seen } = useDraft(id);
  const [left, setLeft] = useState<string[]>([]);
  const heading = useRef<HTMLHeadingElement>(null);
  const turn: Turn = unit.isRead ? 'settle' : 'read';
  const ready = draft !== undefined;
  useEffect(() => {
    if (document.activeElement?.tagName !== 'INPUT') {
      heading.current?.focus({ preventScroll: true });
    }
  }, [ready]);
  const done = answers.steps ?? {};
  const of = (given: Answers) =>
    (draft?.procedure.steps ?? []).filter(
      (step) =>
        round.untilAdjusted.includes(step.id) === (turn === 'read') &&
        (step.when === null || given[step.when] === true),
    );
  const steps = of(answers);
  const bodies = steps.filter((step) => step.kind !== 'confirm');
  const confirmed = steps.filter((step) => step.kind === 'confirm');
  const timer = bodies.find((step) => step.kind === 'wait' && done[step.id] === undefined);
  const begun = timer === undefined || answers.waits?.[timer.id] !== undefined;
  /** Taken out by the person, or readings that a procedure offers and nobody took. */
  const isLeft = (step: Schemas['Step'], given: Answers) =>
    left.includes(step.id) ||
    (!step.required && step.kind === 'readings' && lacks(step, given, draft?.references ?? []) !== null);
  const missing = (given: Answers): string | null => {
    for (const step of of(given)) {
      const wanted = isLeft(step, given) ? null : lacks(step, given, draft?.references ?? []);
      if (wanted !== null) {
        return wanted;
      }
    }
    return null;
  };
  const settle = async (change: Partial<Answers>) => {
    const given = { ...answers, ...change };
    const now = of(given).filter((step) => done[step.id] === undefined);
    const together = now.filter((step) => !isLeft(step, given)).map((step) => step.id);
    put({
      ...change,
      steps: {
        ...done,
        ...Object.fromEntries(now.map((step) => [step.id, isLeft(step, given) ? 'skipped' : 'done'])),
      },
      ...(together.length > 1 ? { together: [...(answers.together ?? []), { steps: together }] } : {}),
    });
    await seen();
    await cache.invalidateQueries({ queryKey: ['round', round.id] });
    onDone();
  };
  const go = () => {
    if (!begun) {
      put({ waits: { ...(answers.waits ?? {}), [timer.id]: new Date().toISOString() } });
    } else if (missing(answers) === null && (timer === undefined || isOver(timer, answers))) {
      void settle({});
    }
  };
  useKeys({
    Enter: (event) => {
      if (!(event.target instanceof HTMLButtonElement)) {
        event.preventDefault();
        go();
      }
    },
  });
  if (!draft) {
    return query.isError ? <Told problem={query.error} /> : <Loading />;
  }
  const reference = draft.references.find((one) => one.id === answers.reference);
  const lacking = missing(answers);
  const place = round.units.findIndex((one) => one.id === unit.id) + 1;
  return (
    <>
      <section aria-label={unit.id} style={{ minHeight: 330 }}>
        <h2
          ref={heading}
          tabIndex={-1}
          className="fn-title"
          style={{ fontSize: '1.5rem', margin: '0 0 2px', outline: 'none' }}
        >
          {unit.id} <span style={{ color: ink.soft }}>{unit.model}</span>, {place} of {round.units.length}:{' '}
          {turn === 'read' ? 'as found' : 'adjust or leave'}
        </h2>
        {draft.unit.hold.length > 0 && turn === 'read' && (
          <p style={{ margin: '2px 0', color: ink.qualified, fontWeight: 650 }}>
            Do not adjust before the value as found is written: it closes{' '}
            {plural(draft.unit.hold.length, 'run')} ({draft.unit.hold.join(', ')}).
          </p>
        )}
        {reference?.problems.map((one) => (
          <p key={one} style={{ margin: '2px 0', color: ink.qualified, fontWeight: 600 }}>
            {reference.id}: {one}
          </p>
        ))}
        <Told problem={problem} />
        {problem && (
          <Button onClick={() => void again()} size="small">
            Send again
          </Button>
        )}
        {confirmed.length > 0 && (
          <Together steps={confirmed} left={left} setLeft={setLeft} done={done} turn={turn} />
        )}
        {bodies.map((step) => (
          <div key={step.id} style={{ margin: '12px 0' }}>
            {step.kind === 'reference' ? (
              step.fields.length > 0 && (
                <details>
                  <summary style={{ padding: '10px 0' }}>{step.title}: what else this unit was told</summary>
                  <StepBody
                    step={{ ...step, kind: 'entries' }}
                    draft={draft}
                    answers={answers}
                    put={put}
                    onChosen={put}
                    onEnter={go}
                    onOver={() => undefined}
                  />
                </details>
              )
            ) : (
              <>
                <b>{step.title}.</b> {step.instruction}
                <Mind step={step} />
                <div style={{ marginTop: 6 }}>
                  <StepBody
                    step={step}
                    draft={draft}
                    answers={answers}
                    put={put}
                    onEnter={go}
                    onChosen={(change) => {
                      if (missing({ ...answers, ...change }) === null) {
                        void settle(change);
                      } else {
                        put(change);
                      }
                    }}
                    onOver={() => undefined}
                  />
                </div>
              </>
            )}
          </div>
        ))}
        <div className="fn-done">
          {begun && lacking !== null && (
            <p style={{ color: ink.soft, margin: 0, flexBasis: '100%' }}>{lacking}</p>
          )}
          <Button
            variant="contained"
            disabled={begun && lacking !== null}
            onClick={go}
            sx={{ minHeight: 56, minWidth: 220, fontSize: '1.05rem' }}
          >
            {begun ? 'Done, next unit' : 'Start the timer'} <span className="fn-key">⏎</span>
          </Button>
          <Button component={Link} to={`/bench/${id}`} sx={{ minHeight: 56 }}>
            Step by step
          </Button>
        </div>
      </section>
      <aside
        style={{ borderLeft: `1px solid ${ink.rule}`, paddingLeft: 18 }}
        aria-label="What the check shows so far"
        aria-live="polite"
      >
        <Live draft={draft} />
      </aside>
    </>
  );
}

/** What the one press confirms besides the reading; what was not done is taken out, and is a finding. */
function Together({
  steps,
  left,
  setLeft,
  done,
  turn,
}: {
  steps: Schemas['Step'][];
  left: string[];
  setLeft: (left: string[]) => void;
  done: Record<string, string>;
  turn: Turn;
}) {
  return (
    <fieldset style={{ border: 0, margin: '6px 0', padding: 0 }}>
      <legend style={{ color: ink.soft, padding: 0 }}>
        {turn === 'read' ? 'Done with it confirms together:' : 'The next press confirms together:'}
      </legend>
      {steps.map((step) => (
        <div key={step.id}>
          <label style={{ display: 'flex', gap: 10, alignItems: 'center', minHeight: 36 }}>
            <input
              type="checkbox"
              checked={!left.includes(step.id)}
              disabled={done[step.id] !== undefined}
              style={{ width: 20, height: 20, flexShrink: 0 }}
              onChange={() =>
                setLeft(left.includes(step.id) ? left.filter((one) => one !== step.id) : [...left, step.id])
              }
            />
            <span>
              {step.instruction}
              {left.includes(step.id) && <b style={{ color: ink.qualified }}> skipped: a finding</b>}
            </span>
          </label>
          <Mind step={step} />
        </div>
      ))}
    </fieldset>
  );
}

/** All are read and settled: one press makes a check of each, each by itself. */
function Finish({ round }: { round: Round }) {
  const navigate = useNavigate();
  const [refused, setRefused] = useState<{ unit: string; why: string }[]>([]);
  const open = round.units.filter((unit) => unit.draft !== null);
  const accept = useChange(
    async () => {
      const not: { unit: string; why: string }[] = [];
      for (const unit of open) {
        try {
          await answer(
            api.POST('/api/bench/drafts/{id}/accept', {
              params: { path: { id: unit.draft ?? '' } },
              body: { version: unit.version },
            }),
          );
        } catch (problem) {
          not.push({ unit: unit.id, why: problem instanceof Error ? problem.message : '' });
        }
      }
      return not;
    },
    (not) => {
      setRefused(not);
      if (not.length === 0) {
        void navigate('/bench');
      }
    },
  );
  useKeys({
    Enter: (event) => {
      if (!(event.target instanceof HTMLButtonElement) && open.length > 0) {
        event.preventDefault();
        accept.mutate(undefined);
      }
    },
  });
  return (
    <section>
      <h2 className="fn-title" style={{ fontSize: '1.5rem', margin: '0 0 2px' }}>
        {open.length > 0 ? 'Accept' : 'This round is over'}
      </h2>
      {open.length > 0 && (
        <p style={{ fontSize: '1.08rem' }}>
          Each becomes evidence by itself and closes what it can close. None is changed afterwards; a faulty
          one can be corrected or set aside, with a reason.
        </p>
      )}
      <div style={{ overflowX: 'auto' }}>
        <table className="fn-table">
          <thead>
            <tr>
              <th>Unit</th>
              <th className="num">Moved by, {round.unit}</th>
              <th>Adjusted</th>
              <th>Skipped</th>
              <th>Check</th>
            </tr>
          </thead>
          <tbody>
            {round.units.map((unit) => (
              <tr key={unit.id}>
                <td>{unit.id}</td>
                <td className="num fn-figure">{unit.drift === null ? '–' : signed(unit.drift.toFixed(2))}</td>
                <td>{unit.adjusted === null ? '–' : unit.adjusted ? 'adjusted' : 'left as it is'}</td>
                <td style={{ color: ink.qualified }}>{unit.skipped.join(', ')}</td>
                <td>
                  {unit.check ? (
                    <Link to={`/checks/${unit.check}`}>{unit.check}</Link>
                  ) : unit.draft ? (
                    'ready'
                  ) : (
                    'put away'
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {refused.map((one) => (
        <p key={one.unit} role="alert" style={{ color: ink.void, margin: '6px 0' }}>
          <Link to={`/bench/${round.units.find((unit) => unit.id === one.unit)?.draft ?? ''}`}>
            {one.unit}
          </Link>
          : {one.why}
        </p>
      ))}
      <div className="fn-done">
        {open.length > 0 ? (
          <Button
            variant="contained"
            disabled={accept.isPending}
            onClick={() => accept.mutate(undefined)}
            sx={{ minHeight: 56, minWidth: 220, fontSize: '1.05rem' }}
          >
            Accept {plural(open.length, 'check')} <span className="fn-key">⏎</span>
          </Button>
        ) : (
          <Button component={Link} to="/bench" variant="outlined" sx={{ minHeight: 56 }}>
            To the bench
          </Button>
        )}
      </div>
    </section>
  );
}

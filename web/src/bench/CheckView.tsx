import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useEffect, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { AwayPhotos, Brought, JudgedLater, WaitsToBeBrought } from '../away/AtTheBench';
import { AwaySource } from '../away/AwaySource';
import { isOfDevice } from '../away/checks';
import { useHalfDone } from '../away/useHalfDone';
import { useChange } from '../api/hooks';
import { Files } from '../look/Files';
import { Loading, Told } from '../look/Told';
import { ink } from '../look/theme';
import { isoOf, localOf } from '../look/words';
import { BeforeUse } from '../kit/GoesOn';
import { Practice } from '../look/Practice';
import { SourcePanel } from '../source/SourcePanel';
import { useSource } from '../source/useSource';
import {
  askedSteps,
  beganNow,
  flagOf,
  isAllFed,
  isAllTaken,
  lacks,
  lacksItsTime,
  readingsMissing,
  toSet,
} from './answers';
import { useKeys } from '../shell/keys';
import { isOver } from './wait';
import { Hold, Unsent } from './HalfDone';
import { Live } from './Live';
import { NotApplicable } from './NotApplicable';
import { isPhone } from './phone';
import { OfTheModel } from './OfTheModel';
import { Clock, Mind, Press, StepBody } from './StepBody';

const marks: Record<string, string> = { done: '✓', skipped: '–', 'not applicable': '○' };

/** Steps that may not apply to a unit: what is read never is one of them. */
const mayNotApply = ['confirm', 'entries', 'wait'];

/** The place of a reading in words: "As found, 1". */
const placeIn = (steps: Schemas['Step'][]) => (place: string) => {
  const [into, row] = place.split('/');
  const step = steps.find((one) => one.into === into || one.id === into);
  return step ? step.title + (row === undefined ? '' : `, ${Number(row) + 1}`) : place;
};

/** A check walked step by step: one step large, one key to go on, and beside it what the check will mean. */
export function CheckView() {
  const { id = '' } = useParams();
  return <Walk key={id} id={id} />;
}

function Walk({ id }: { id: string }) {
  const navigate = useNavigate();
  const half = useHalfDone(id);
  const { query, draft, answers, put: keep, replace, problem, again, seen, away } = half;
  const isAway = away.check !== null;
  const [chosen, setChosen] = useState<number | null>(null);
  // On a small screen the list of steps is folded.
  const [listed, setListed] = useState(false);
  const body = useRef<HTMLElement>(null);
  const accept = useChange<undefined, unknown>(
    () => half.accept(),
    () => void navigate('/bench'),
  );
  const breakOff = useChange<string, unknown>(
    (reason) => half.breakOff(reason),
    () => void navigate('/bench'),
  );
  const put = (change: Parameters<typeof keep>[0]) => {
    // What was refused may be what is being corrected: it is said again where it still holds.
    accept.reset();
    keep(change);
  };
  const done = answers.steps ?? {};
  const steps = askedSteps(draft?.procedure.steps ?? [], answers);
  const first = steps.findIndex((step) => done[step.id] === undefined);
  const at = Math.min(chosen ?? (first === -1 ? steps.length : first), steps.length);
  const step = steps[at];
  const source = useSource(draft, answers.fromPaper === true || isAway ? undefined : step);
  const ready = draft !== undefined;
  useEffect(() => {
    body.current?.focus({ preventScroll: true });
    if (isPhone()) {
      body.current?.parentElement?.scrollIntoView();
    }
  }, [at, ready]);
  const settle = (state: 'done' | 'skipped' | 'not applicable', reasons = {}) => {
    if (!step) {
      accept.mutate(undefined);
      return;
    }
    if (step.kind === 'wait' && state === 'done' && answers.fromPaper !== true) {
      if (answers.waits?.[step.id] === undefined) {
        put(beganNow(answers, step.id));
        return;
      }
      if (!isOver(step, answers)) {
        return;
      }
    }
    // Done anew, a step moves to the end: the order in which steps were done is part of the record.
    const rest = Object.fromEntries(Object.entries(done).filter(([known]) => known !== step.id));
    put({ steps: done[step.id] === state ? done : { ...rest, [step.id]: state }, ...reasons });
    setChosen(at + 1);
  };
  const next = steps[at + 1];
  // What comes by itself comes once the gas is on.
  const hasClock = step?.clocked === true && source.connected && answers.fromPaper !== true;
  /** One press for the ordinary day: the reading is taken, and the unit is left as it is. */
  const leave = (read: Schemas['Step'], adjust: Schemas['Step']) => (taken: Schemas['Draft']) => {
    put({
      [flagOf(adjust)]: false,
      steps: { ...taken.answers.steps, [read.id]: 'done', [adjust.id]: 'done' },
      together: [...(taken.answers.together ?? []), { steps: [read.id, adjust.id] }],
    });
    setChosen(null);
  };
  // With a source on the line one sees what happens: the time begins as the step does.
  const startsItself =
    step?.kind === 'wait' &&
    done[step.id] === undefined &&
    answers.waits?.[step.id] === undefined &&
    answers.fromPaper !== true &&
    source.connected;
  const start = useRef(() => {});
  useEffect(() => {
    start.current = () => step && put(beganNow(answers, step.id));
  });
  useEffect(() => {
    if (startsItself) {
      start.current();
    }
  }, [startsItself]);
  // The server notes the moment of the first reading; a person may say another.
  const made = answers.at ?? draft?.answers.at;
  const missing = step
    ? lacks(step, answers, draft?.references ?? [])
    : lacksItsTime(answers, made, draft?.startedAt ?? '');
  useKeys({
    Enter: (event) => {
      if (!(event.target instanceof HTMLButtonElement) && missing === null) {
        event.preventDefault();
        settle('done');
      }
    },
    x: () => step && settle('skipped'),
    y: () => at > 0 && setChosen(at - 1),
  });
  if (half.isPending) {
    return <Loading />;
  }
  if (isOfDevice(id) && !isAway) {
    return <Brought id={id} />;
  }
  if (!draft) {
    return <Told problem={query.error} />;
  }
  if (away.check?.closed) {
    return <WaitsToBeBrought unit={draft.unit.id} closed={away.check.closed} />;
  }
  const { unit } = draft;
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 16 }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          {unit.id}
        </h1>
        {unit.practice && <Practice />}
        <span style={{ color: ink.soft }}>
          {draft.procedure.title} · {unit.model}
          <span className="fn-about">{unit.about && `, ${unit.about}`}</span> · begun by {draft.startedBy}
          {draft.typedBy.length > 1 && `, typed by ${draft.typedBy.map((one) => one.by).join(' and ')}`}
        </span>
        <Button
          size="small"
          aria-pressed={answers.fromPaper === true}
          variant={answers.fromPaper === true ? 'contained' : 'text'}
          onClick={() => put({ fromPaper: answers.fromPaper !== true })}
        >
          From paper
        </Button>
      </div>
      <Hold unit={unit} />
      {!isAway && <BeforeUse unit={unit.id} />}
      <Unsent problem={problem} again={again} />
      <div className="fn-check">
        <button type="button" className="fn-count" aria-expanded={listed} onClick={() => setListed(!listed)}>
          {at + 1} of {steps.length + 1} {listed ? '▴' : '▾'}
        </button>
        <ol className={listed ? 'fn-steps fn-steps-open' : 'fn-steps'} aria-label="Steps">
          {steps.map((one, place) => (
            <li key={one.id}>
              <button
                type="button"
                aria-current={place === at ? 'step' : undefined}
                onClick={() => {
                  setChosen(place);
                  setListed(false);
                }}
              >
                <span
                  aria-hidden="true"
                  style={{
                    width: 18,
                    display: 'inline-block',
                    color: done[one.id] === 'done' ? ink.valid : ink.qualified,
                  }}
                >
                  {marks[done[one.id] ?? ''] ?? ''}
                </span>
                {one.title}
                {done[one.id] === 'skipped' && <span style={{ color: ink.qualified }}> skipped</span>}
                {done[one.id] === 'not applicable' && (
                  <span style={{ color: ink.soft }}> does not apply</span>
                )}
              </button>
            </li>
          ))}
          <li>
            <button
              type="button"
              aria-current={at === steps.length ? 'step' : undefined}
              onClick={() => setChosen(steps.length)}
            >
              <span style={{ width: 18, display: 'inline-block' }} />
              Accept
            </button>
          </li>
        </ol>
        <section
          ref={body}
          tabIndex={-1}
          aria-describedby="step-title"
          aria-live="polite"
          style={{ minHeight: 330, outline: 'none' }}
        >
          <h2 id="step-title" style={{ fontSize: '1.5rem', margin: '0 0 2px' }} className="fn-title">
            {step ? step.title : 'Accept'}
          </h2>
          {step ? (
            <>
              <p style={{ fontSize: '1.08rem', margin: '2px 0' }}>{step.instruction}</p>
              <p style={{ color: ink.soft, margin: '0 0 14px' }}>{step.why}</p>
              <Mind step={step} />
              <Press step={step} />
              {hasClock && <Clock step={step} answers={answers} put={put} />}
              {isAway && step.feeds.length > 0 && answers.fromPaper !== true && (
                <AwaySource key={step.id} step={step} source={source} />
              )}
              {!isAway && step.feeds.length > 0 && answers.fromPaper !== true && (
                <SourcePanel
                  key={step.id}
                  draft={draft}
                  step={step}
                  source={source}
                  seen={seen}
                  missing={readingsMissing(step, answers)}
                  toSet={toSet(step, answers)}
                  leave={
                    isAllFed(step) && !step.eachSet && next?.kind === 'adjust' && done[next.id] === undefined
                      ? leave(step, next)
                      : null
                  }
                  replace={(taken) => {
                    replace(taken);
                    if (
                      readingsMissing(step, answers) > 0 &&
                      isAllTaken(step, taken.answers) &&
                      done[step.id] === undefined
                    ) {
                      settle('done');
                    }
                  }}
                />
              )}
              <StepBody
                step={step}
                draft={draft}
                answers={answers}
                put={put}
                comes={source.connected && step.feeds.length > 0}
                clockIsAbove={hasClock}
                keepPhoto={isAway ? away.keepPhoto : null}
                onEnter={() => missing === null && settle('done')}
                onChosen={(change) => settle('done', change)}
                onOver={() => done[step.id] === undefined && settle('done')}
              />
            </>
          ) : (
            <p style={{ fontSize: '1.08rem' }}>
              The check becomes evidence and closes what it can close. It is never changed afterwards; a
              faulty one can be corrected or set aside, with a reason.
              {Object.values(done).includes('skipped') && ' Steps that were skipped are findings.'}
              {isAway && ' It is kept on this device and brought when the server answers; it is judged then.'}
            </p>
          )}
          {!step && isAway && (
            <AwayPhotos photos={away.photos} keep={away.keepPhoto} placeOf={placeIn(steps)} />
          )}
          {!step && !isAway && <Files of="draft" id={draft.id} adds placeOf={placeIn(steps)} />}
          {((!step && made !== undefined) || answers.fromPaper === true) && (
            <TextField
              label="When it was made, local time"
              type="datetime-local"
              value={made === undefined ? '' : localOf(new Date(made))}
              onChange={(event) => event.target.value && put({ at: isoOf(event.target.value) })}
              helperText={
                answers.fromPaper === true
                  ? 'The time on the sheet'
                  : 'The moment of the first reading; change it where the check is typed in later'
              }
              sx={{ mt: 2 }}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          )}
          <Told problem={accept.error} />
          <div className="fn-done">
            {missing !== null && <p style={{ color: ink.soft, margin: 0, flexBasis: '100%' }}>{missing}</p>}
            <Button
              variant="contained"
              disabled={missing !== null || accept.isPending}
              onClick={() => settle('done')}
              sx={{ minHeight: 56, minWidth: 220, fontSize: '1.05rem' }}
            >
              {!step
                ? 'Accept the check'
                : step.kind === 'wait' && answers.fromPaper !== true && answers.waits?.[step.id] === undefined
                  ? 'Start the timer'
                  : 'Done, go on'}
              &nbsp;<span className="fn-key">⏎</span>
            </Button>
            {step && (
              <Button onClick={() => settle('skipped')} sx={{ minHeight: 56 }} color="warning">
                Skip&nbsp;<span className="fn-key">(x)</span>
              </Button>
            )}
            {step && mayNotApply.includes(step.kind) && (
              <NotApplicable
                key={step.id}
                reason={answers.stepReasons?.[step.id] ?? ''}
                offered={step.reasons}
                settle={(reason) =>
                  settle('not applicable', {
                    stepReasons: { ...(answers.stepReasons ?? {}), [step.id]: reason },
                  })
                }
              />
            )}
            {at > 0 && (
              <Button onClick={() => setChosen(at - 1)} sx={{ minHeight: 56 }}>
                Step back&nbsp;<span className="fn-key">(y)</span>
              </Button>
            )}
          </div>
        </section>
        <Live draft={draft}>
          {isAway && <JudgedLater prepared={away.prepared} />}
          <OfTheModel sheets={draft.sheets} />
          <Button
            color="warning"
            size="small"
            sx={{ mt: 3 }}
            onClick={() => {
              const reason = window.prompt(
                'Why is the check broken off? What was read so far is kept as a broken-off check.',
              );
              if (reason !== null) {
                breakOff.mutate(reason);
              }
            }}
          >
            Break off
          </Button>
          <Told problem={breakOff.error} />
        </Live>
      </div>
    </>
  );
}

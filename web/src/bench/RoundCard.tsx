import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { Lacking } from '../look/Told';
import { BeforeUse } from '../kit/GoesOn';
import { Practice } from '../look/Practice';
import { ink } from '../look/theme';
import { SourcePanel } from '../source/SourcePanel';
import { useSource } from '../source/useSource';
import { useNow } from '../look/useNow';
import { useKeys } from '../shell/keys';
import { askedSteps, beganNow, lacks, readingsMissing, toSet } from './answers';
import { Hold, Unsent } from './HalfDone';
import { Live } from './Live';
import { isPhone } from './phone';
import { OfTheModel } from './OfTheModel';
import { Clock, Mind, Press, StepBody } from './StepBody';
import { Tick, turned } from './Tick';
import { type Answers, useDraft } from './useDraft';
import { secondsLeft } from './wait';

type Round = Schemas['Round'];

/** First every unit is read, then each is adjusted or left. */
export type Turn = 'read' | 'settle';

/** One unit and its turn: what is asked of it stands on one card, and one press confirms what the card says. */
export function RoundCard({
  round,
  unit,
  id,
  onDone,
}: {
  round: Round;
  unit: Round['units'][number];
  id: string;
  onDone: () => void;
}) {
  const cache = useQueryClient();
  const { query, draft, answers, put, replace, problem, again, seen } = useDraft(id);
  const [left, setLeft] = useState<string[]>([]);
  const heading = useRef<HTMLHeadingElement>(null);
  const turn: Turn = unit.isRead ? 'settle' : 'read';
  const ready = draft !== undefined;
  useEffect(() => {
    if (document.activeElement?.tagName !== 'INPUT') {
      heading.current?.focus({ preventScroll: true });
    }
    if (isPhone()) {
      heading.current?.scrollIntoView();
    }
  }, [ready]);
  const done = answers.steps ?? {};
  const of = (given: Answers) =>
    askedSteps(draft?.procedure.steps ?? [], given).filter(
      (step) => unit.untilAdjusted.includes(step.id) === (turn === 'read'),
    );
  const steps = of(answers);
  const bodies = steps.filter((step) => step.kind !== 'confirm');
  const confirmed = steps.filter((step) => step.kind === 'confirm');
  // What follows the reading is asked behind it: alarms sound when the gas is on.
  const reading = steps.findLastIndex((step) => step.kind === 'readings' || step.kind === 'adjust');
  const before = confirmed.filter((step) => steps.indexOf(step) < reading || reading === -1);
  const afterwards = confirmed.filter((step) => !before.includes(step));
  const timer = bodies.find((step) => step.kind === 'wait' && done[step.id] === undefined);
  const begun = timer === undefined || answers.waits?.[timer.id] !== undefined;
  const now = useNow(timer !== undefined && begun);
  const waits = timer !== undefined && begun ? secondsLeft(timer, answers, now) : 0;
  // What comes by itself stands at what is waited for, then at each reading in its turn.
  const fed =
    timer && timer.feeds.length > 0 && (!begun || waits > 0)
      ? timer
      : bodies.find(
          (step) => step.feeds.length > 0 && step.kind !== 'wait' && readingsMissing(step, answers) > 0,
        );
  const source = useSource(draft, fed);
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
      put(beganNow(answers, timer.id));
    } else if (missing(answers) === null && waits === 0) {
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
    return <Lacking of={[query]} />;
  }
  const reference = draft.references.find((one) => one.id === answers.reference);
  const lacking = missing(answers) ?? (waits > 0 ? `${waits} s more until it is waited for.` : null);
  const hasClock = (step: Schemas['Step']) => step.clocked && source.connected;
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
        {draft.unit.practice && <Practice />}
        {turn === 'read' && <Hold unit={draft.unit} />}
        {turn === 'read' && <BeforeUse unit={draft.unit.id} />}
        {reference?.problems.map((one) => (
          <p key={one} style={{ margin: '2px 0', color: ink.qualified, fontWeight: 600 }}>
            {reference.id}: {one}
          </p>
        ))}
        <Unsent problem={problem} again={again} />
        {before.length > 0 && (
          <Together steps={before} left={left} setLeft={setLeft} done={done} turn={turn} />
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
                  />
                </details>
              )
            ) : (
              <>
                <b>{step.title}.</b> {step.instruction}
                <Mind step={step} />
                <Press step={step} />
                <div style={{ marginTop: 6 }}>
                  {hasClock(step) && <Clock step={step} answers={answers} put={put} />}
                  {step.id === fed?.id && (
                    <SourcePanel
                      key={step.id}
                      draft={draft}
                      step={step}
                      source={source}
                      seen={seen}
                      replace={replace}
                      missing={readingsMissing(step, answers)}
                      toSet={toSet(step, answers)}
                      leave={null}
                    />
                  )}
                  <StepBody
                    step={step}
                    draft={draft}
                    answers={answers}
                    put={put}
                    comes={step.id === fed?.id && source.connected}
                    clockIsAbove={hasClock(step)}
                    onEnter={go}
                    onChosen={(change) => {
                      if (missing({ ...answers, ...change }) === null) {
                        void settle(change);
                      } else {
                        // What is read next was read after it: when it was adjusted is known from now on.
                        put({ ...change, steps: { ...done, [step.id]: 'done' } });
                      }
                    }}
                  />
                </div>
              </>
            )}
          </div>
        ))}
        {afterwards.length > 0 && (
          <Together steps={afterwards} left={left} setLeft={setLeft} done={done} turn={turn} />
        )}
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
            {begun ? 'Done, next unit' : 'Start the timer'}&nbsp;<span className="fn-key">⏎</span>
          </Button>
          <Button component={Link} to={`/bench/${id}`} sx={{ minHeight: 56 }}>
            Step by step
          </Button>
        </div>
      </section>
      <Live draft={draft}>
        <OfTheModel sheets={draft.sheets} />
      </Live>
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
          <Tick
            on={!left.includes(step.id)}
            disabled={done[step.id] !== undefined}
            turn={() => setLeft(turned(left, step.id))}
          >
            {step.instruction}
            {left.includes(step.id) && <b style={{ color: ink.qualified }}> skipped: a finding</b>}
          </Tick>
          <Mind step={step} />
          <Press step={step} />
        </div>
      ))}
    </fieldset>
  );
}

import Button from '@mui/material/Button';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useBeginCheck } from '../bench/useBeginCheck';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { nextOf, wordsOf } from './steps';

type Way = Schemas['FirstResult'];
type Step = Way['steps'][number];

/** What does a step: a link to where it is done, or the check itself; who may, where one may not. */
export function DoStep({ way, step, plain = false }: { way: Way; step: Step; plain?: boolean }) {
  const begin = useBeginCheck();
  const { title, to } = wordsOf(step.id, way);
  if (!step.may) {
    return (
      <span style={{ color: ink.soft }}>
        {title}: a {step.who.join(' or ')} does it
      </span>
    );
  }
  const look = { variant: plain ? 'text' : 'contained', size: 'small' } as const;
  return (
    <>
      {to === null ? (
        <Button
          {...look}
          disabled={begin.isPending || way.unit === null}
          onClick={() => way.unit !== null && begin.mutate({ unit: way.unit })}
        >
          {title}
        </Button>
      ) : (
        <Button {...look} component={Link} to={to}>
          {title}
        </Button>
      )}
      <Told problem={begin.error} />
    </>
  );
}

/** Every step from an empty logbook to the first signed result. */
export function FirstSteps({ way }: { way: Way }) {
  const next = nextOf(way.steps);
  // What may wait holds nothing up.
  const needed = way.steps.find((step) => !step.done && !step.optional);
  return (
    <ol className="fn-first" aria-label="To the first signed result">
      {way.steps.map((step) => {
        const { title, about } = wordsOf(step.id, way);
        return (
          <li key={step.id} aria-current={step === next ? 'step' : undefined}>
            <div>
              <span style={{ color: step.done ? ink.soft : ink.text, fontWeight: step === next ? 650 : 400 }}>
                {title}
              </span>
              {step.done && <span style={{ color: ink.soft }}> ✓ done</span>}
              {step.optional && !step.done && <span style={{ color: ink.soft }}> · may wait</span>}
            </div>
            {step === next && (
              <div style={{ display: 'grid', justifyItems: 'start', gap: 6, padding: '2px 0 8px' }}>
                <span style={{ color: ink.soft }}>{about}</span>
                <DoStep way={way} step={step} />
              </div>
            )}
            {step !== next && (step === needed || (step.optional && !step.done)) && (
              <DoStep way={way} step={step} plain />
            )}
            <Lacks of={step.lacks} />
          </li>
        );
      })}
    </ol>
  );
}

/** What is still against a step. */
export function Lacks({ of }: { of: string[] }) {
  return of.length === 0 ? null : (
    <ul style={{ margin: '2px 0', paddingLeft: 18, color: ink.qualified, fontSize: '0.92rem' }}>
      {of.map((one) => (
        <li key={one}>{one}</li>
      ))}
    </ul>
  );
}

import Button from '@mui/material/Button';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { useFirstResult } from '../api/hooks';
import { VerdictSign } from '../look/VerdictSign';
import { ink } from '../look/theme';
import { DoStep, FirstSteps, Lacks } from './FirstSteps';
import { nextOf } from './steps';

const HIDDEN = 'footnote.first';
const isHidden = () => window.sessionStorage.getItem(HIDDEN) === 'hidden';

/** Above every view, until somebody has signed a result: how far it is, and what comes next. */
export function FirstResult() {
  const way = useFirstResult().data;
  const [whole, setWhole] = useState(false);
  const [hidden, setHidden] = useState(isHidden);
  const at = useLocation();
  // The day of an empty logbook is this list already.
  if (!way || hidden || way.steps.length === 0 || (at.pathname === '/' && way.unit === null)) {
    return null;
  }
  const next = nextOf(way.steps);
  const needed = way.steps.filter((step) => !step.optional);
  const done = needed.filter((step) => step.done).length;
  return (
    <section aria-label="To the first signed result" className="fn-noprint fn-way">
      <div>
        <div style={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '4px 14px' }}>
          <span style={{ color: ink.soft }}>
            Your first result: {done} of {needed.length} done
          </span>
          {way.verdict !== null && <VerdictSign verdict={way.verdict} />}
          {next && <DoStep way={way} step={next} />}
          <span style={{ flex: 1 }} />
          <Button size="small" aria-expanded={whole} onClick={() => setWhole(!whole)}>
            {whole ? 'Next step alone' : 'All steps'}
          </Button>
          <Button
            size="small"
            onClick={() => {
              window.sessionStorage.setItem(HIDDEN, 'hidden');
              setHidden(true);
            }}
          >
            Hide
          </Button>
        </div>
        {whole ? <FirstSteps way={way} /> : next && <Lacks of={next.lacks} />}
      </div>
    </section>
  );
}

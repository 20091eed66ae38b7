import Button from '@mui/material/Button';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { minus } from '../look/words';
import { Named, type Cite } from './notes';

type Altered = Schemas['Altered'];
type Result = Schemas['Result'];

const words: Record<Altered['kind'], string> = {
  'recorded check': 'taken out',
  'by rule': 'taken out by rule',
  'by a person': 'left out',
  offered: 'stays in',
  'left in': 'stays in',
  'could not be applied': 'stays in',
  pause: 'paused',
  'part interval': 'not in the log',
  corrected: 'corrected',
  assumed: 'assumed',
};

const key = (one: Altered) => `${one.kind} ${one.what} ${one.why} ${one.by}`;

/** How many numbers are shown before somebody asks for all. */
const SHOWN = 4;

/** What was removed from what was measured, filled in or assumed, or is offered to be: why, by whom, and the numbers otherwise. */
export function removed({
  results,
  cite,
  all,
  setAll,
}: {
  results: Result[];
  cite: Cite;
  all: boolean;
  setAll: (all: boolean) => void;
}) {
  const found = new Map<
    string,
    { altered: Altered; numbers: { result: Result; other: Schemas['Shown'] }[] }
  >();
  for (const result of results) {
    for (const altered of result.altered) {
      const one = found.get(key(altered)) ?? { altered, numbers: [] };
      if (altered.otherwise && altered.otherwise.shown !== result.value.shown) {
        one.numbers.push({ result, other: altered.otherwise });
      }
      found.set(key(altered), one);
    }
  }
  if (found.size === 0) {
    return null;
  }
  const long = [...found.values()].some((one) => one.numbers.length > SHOWN);
  return (
    <section aria-labelledby="removed">
      <h2 id="removed" style={{ margin: '18px 0 2px' }}>
        Removed, filled in, assumed
      </h2>
      {[...found.values()].map(({ altered, numbers }) => (
        <div key={key(altered)} style={{ borderTop: `1px solid ${ink.faint}`, padding: '5px 0' }}>
          <b>{words[altered.kind]}</b>: {altered.what}; {altered.why}{' '}
          <span style={{ color: ink.soft }}>
            (
            {['by a person', 'left in', 'corrected'].includes(altered.kind)
              ? altered.by
              : `rule ${altered.by}`}
            ).
          </span>
          {numbers.slice(0, all ? undefined : SHOWN).map(({ result, other }) => (
            <div key={result.key} style={{ paddingLeft: 18, fontSize: '0.92rem' }}>
              <Named title={result.title} />{' '}
              <span className="fn-figure">
                {minus(result.value.shown)} {result.unit}
              </span>
              ; {altered.kind === 'corrected' ? 'as first written' : altered.taken ? 'with it' : 'without it'}{' '}
              <span className="fn-figure">
                {minus(other.shown)} {result.unit}
                {cite(other.figure)}
              </span>
            </div>
          ))}
          {numbers.length === 0 && altered.from !== null && (
            <div style={{ paddingLeft: 18, fontSize: '0.92rem', color: ink.soft }}>
              No number that is shown changes by it.
            </div>
          )}
        </div>
      ))}
      {long && (
        <Button size="small" className="fn-noprint" onClick={() => setAll(!all)}>
          {all ? 'Fewer numbers' : 'All numbers'}
        </Button>
      )}
    </section>
  );
}

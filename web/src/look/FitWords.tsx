import type { Schemas } from '../api/client';
import { ink } from './theme';
import { moment } from './words';

/** Whether a unit may go out, and what is against it. */
export function FitWords({ fit }: { fit: Schemas['Fit'] }) {
  if (fit === null) {
    return <span style={{ color: ink.soft }}>not judged yet</span>;
  }
  if (fit.state === 'fit') {
    return (
      <span style={{ color: ink.soft }}>
        fit to go out{fit.until === null ? '' : ` until ${moment(fit.until)}`}
      </span>
    );
  }
  return (
    <div style={{ color: fit.state === 'held' ? ink.void : ink.qualified }}>
      <b>{fit.state === 'held' ? 'held' : 'check first'}</b>
      {fit.against.map((one) => (
        <div key={one} style={{ fontSize: '0.86rem' }}>
          {one}
        </div>
      ))}
    </div>
  );
}

import type { Refusal } from '../api/client';
import { ink } from './theme';

/** What went wrong, in a line of its own that is read out. */
export function Told({ problem }: { problem: Refusal | Error | null }) {
  return (
    <div role="alert" style={{ color: ink.void, fontWeight: 600, minHeight: problem ? '1.4em' : 0 }}>
      {problem?.message}
    </div>
  );
}

export function Loading() {
  return (
    <p aria-live="polite" style={{ color: ink.soft }}>
      Reading the logbook…
    </p>
  );
}

/**
 * What stands in the place of what was asked for and is not there: why not, or that it is awaited. What is there once stays where it only
 * could not be asked for again: what is open on it, and typed, is not lost.
 */
export function Lacking({ of }: { of: { error: Error | null }[] }) {
  const refused = of.find((one) => one.error !== null);
  return refused ? <Told problem={refused.error} /> : <Loading />;
}

/** What a view says before there is anything in it. */
export function Empty({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <div style={{ maxWidth: 560, margin: '48px 0', borderTop: `1px solid ${ink.text}`, paddingTop: 12 }}>
      <h2 style={{ fontFamily: 'inherit', margin: '0 0 6px' }}>{title}</h2>
      <div style={{ color: ink.soft }}>{children}</div>
    </div>
  );
}

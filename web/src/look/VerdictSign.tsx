import { ink } from './theme';
import type { Schemas } from '../api/client';

type Verdict = Schemas['Verdict'];

const shapes: Record<Verdict, React.ReactNode> = {
  valid: <circle cx="8" cy="8" r="5.5" fill="currentColor" />,
  corrected: (
    <>
      <circle cx="8" cy="8" r="5.2" fill="none" stroke="currentColor" strokeWidth="1.6" />
      <path d="M8 2.8a5.2 5.2 0 0 1 0 10.4z" fill="currentColor" />
    </>
  ),
  qualified: (
    <path d="M8 2.6 14 13H2z" fill="none" stroke="currentColor" strokeWidth="1.8" strokeLinejoin="round" />
  ),
  open: <path d="M9 3H3v10h6" fill="none" stroke="currentColor" strokeWidth="1.9" />,
  void: <path d="M3 3l10 10M13 3 3 13" stroke="currentColor" strokeWidth="2.2" />,
};

/** A verdict by ink, shape and word. */
export function VerdictSign({ verdict }: { verdict: Verdict }) {
  return (
    <span style={{ color: ink[verdict], fontWeight: 650, whiteSpace: 'nowrap' }}>
      <svg
        width="14"
        height="14"
        viewBox="0 0 16 16"
        aria-hidden="true"
        style={{ verticalAlign: '-1.5px', marginRight: 5 }}
      >
        {shapes[verdict]}
      </svg>
      {verdict}
    </span>
  );
}

import { Fragment } from 'react';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { VerdictSign } from '../look/VerdictSign';
import { minus, signed } from '../look/words';

/** What a half-done check shows so far, what it asks back, and what it will close. */
export function Live({ draft, children }: { draft: Schemas['Draft']; children?: React.ReactNode }) {
  const { live } = draft;
  return (
    <aside
      style={{ borderLeft: `1px solid ${ink.rule}`, paddingLeft: 18 }}
      aria-label="What the check shows so far"
      aria-live="polite"
    >
      <dl className="fn-live">
        {live.lines.map((one) => (
          <Fragment key={one.label}>
            <dt>{one.label}</dt>
            <dd style={{ color: one.kept === false ? ink.void : ink.text }}>
              {one.shown === null
                ? '–'
                : `${one.signed ? signed(one.shown) : minus(one.shown)} ${one.unit}`.trim()}
            </dd>
          </Fragment>
        ))}
      </dl>
      {live.lines
        .filter((one) => one.kept !== null)
        .map((one) => (
          <p
            key={one.label}
            style={{
              margin: '4px 0',
              color: one.kept === false ? ink.void : ink.soft,
              fontSize: '0.9rem',
            }}
          >
            {one.kept === false ? '✕' : '✓'} {one.label}: {one.kept === false ? 'beyond' : 'within'} the limit
            of {live.policy}, {minus(one.limit)}.
          </p>
        ))}
      {live.said.map((one) => (
        <p key={one} style={{ margin: '4px 0', color: ink.soft, fontSize: '0.9rem' }}>
          ✓ {one}
        </p>
      ))}
      {live.questions.map((question) => (
        <p key={question} style={{ margin: '6px 0', color: ink.qualified, fontWeight: 600 }}>
          {question}
        </p>
      ))}
      {live.closes.length > 0 && (
        <>
          <h3 style={{ margin: '14px 0 2px' }}>This check closes</h3>
          {live.closes.map((closed) => (
            <div key={closed.run} style={{ padding: '4px 0', borderBottom: `1px solid ${ink.faint}` }}>
              <VerdictSign verdict={closed.verdict} /> {closed.run}, {closed.person}
              <div style={{ color: ink.soft, fontSize: '0.86rem' }}>{closed.finding ?? closed.task}</div>
            </div>
          ))}
        </>
      )}
      {draft.problems.map((one) => (
        <p key={one.field} style={{ color: ink.void, margin: '6px 0' }}>
          {one.problem}
        </p>
      ))}
      {children}
    </aside>
  );
}

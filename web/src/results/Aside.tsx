import type { Schemas } from '../api/client';
import { VerdictSign } from '../look/VerdictSign';
import { ink } from '../look/theme';
import { dayOfYear, minus, moment } from '../look/words';

type Page = Schemas['ResultPage'];
type School = Schemas['School'];

/** The same evidence under every policy, side by side: for reading, not for choosing. */
export function Schools({ schools }: { schools: Page['schools'] }) {
  return (
    <section aria-labelledby="schools">
      <h2 id="schools" style={{ margin: '18px 0 2px' }}>
        Each policy
      </h2>
      <div style={{ overflowX: 'auto' }}>
        <table className="fn-table" style={{ minWidth: 560 }}>
          <thead>
            <tr>
              <th>Policy</th>
              <th>Proposes</th>
              <th>Reports</th>
              <th>Because of</th>
            </tr>
          </thead>
          <tbody>
            {schools.map(({ key, chosen, assessment }) => {
              const main = assessment.results.find((result) => result.key === assessment.headline);
              const weighty = assessment.findings.filter((finding) => finding.severity !== 'note');
              return (
                <tr key={key}>
                  <td>
                    {assessment.policy.name} {assessment.policy.version}
                    {chosen && <b> (this campaign)</b>}
                  </td>
                  <td>
                    <VerdictSign verdict={assessment.verdict} />
                  </td>
                  <td>
                    {main ? (
                      <span className="fn-figure">{`${minus(main.shown)} ${main.unit}, ${main.reported}`}</span>
                    ) : (
                      'no number'
                    )}
                  </td>
                  <td style={{ color: ink.soft }}>
                    {weighty.length === 0
                      ? 'none'
                      : weighty
                          .map((finding) => `${finding.title}${finding.limit ? ` (${finding.limit})` : ''}`)
                          .join('; ')}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}

const decidedWords = { sign: 'signed as', void: 'voided:', overrule: 'overruled to' };

/** Who decided what, and why. */
function WhoDecided({
  decision: { by, kind, verdict, proposed, reason },
  on,
}: {
  decision: Pick<Page['elsewhere'][number], 'by' | 'kind' | 'verdict' | 'proposed' | 'reason'>;
  on: string;
}) {
  return (
    <>
      {by} on {on} {decidedWords[kind]} <VerdictSign verdict={verdict} />
      {kind !== 'sign' && <> against the proposal {proposed}</>}.{reason && <> &ldquo;{reason}&rdquo;</>}
    </>
  );
}

/** What people decided, the newest first; every one stays. */
export function Decided({ page }: { page: Page }) {
  if (page.decisions.length === 0) {
    return null;
  }
  return (
    <section aria-labelledby="decided">
      <h2 id="decided" style={{ margin: '18px 0 2px' }}>
        Decided
      </h2>
      {page.decisions.map((decision, place) => (
        <p key={decision.id} style={{ margin: '4px 0', paddingTop: 4, borderTop: `1px solid ${ink.faint}` }}>
          <WhoDecided decision={decision} on={moment(decision.at, page.campaign.zone)} />{' '}
          {decision.waiting.length > 0 && (
            <span>
              It covers {decision.covers.map((one) => one.title).join(', ')}. Waiting:{' '}
              {decision.waiting.map((one) => one.title).join(', ')}.{' '}
            </span>
          )}
          {place > 0 && <span style={{ color: ink.soft }}>Superseded. </span>}
          <span style={{ color: ink.soft, fontSize: '0.84rem' }}>
            Policy {decision.policy}.{' '}
            <a href={`/api/results/${page.run.id}/decision/${decision.id}`} target="_blank" rel="noreferrer">
              Snapshot
            </a>{' '}
            <span style={{ overflowWrap: 'anywhere' }}>{decision.snapshotDigest.slice(0, 16)}…</span>
          </span>
        </p>
      ))}
    </section>
  );
}

/** What other logbooks decided of a run that came from there: told, and signing nothing here. */
export function DecidedElsewhere({ page }: { page: Page }) {
  if (page.elsewhere.length === 0) {
    return null;
  }
  return (
    <section aria-labelledby="elsewhere">
      <h2 id="elsewhere" style={{ margin: '18px 0 2px' }}>
        Decided in another logbook
      </h2>
      <p style={{ margin: '0 0 4px', color: ink.soft }}>It came with the run, and signs nothing here.</p>
      {page.elsewhere.map((one) => (
        <p
          key={`${one.logbook} ${one.at} ${one.by}`}
          style={{ margin: '4px 0', paddingTop: 4, borderTop: `1px solid ${ink.faint}` }}
        >
          <WhoDecided decision={one} on={dayOfYear(one.at)} />{' '}
          {one.same ? (
            'The same is said here as was decided then.'
          ) : (
            <b style={{ color: ink.qualified }}>Something else is said here than was decided then.</b>
          )}{' '}
          <span style={{ color: ink.soft, fontSize: '0.84rem' }}>
            Policy {one.policy}. Logbook {one.logbook.slice(0, 16)}…
          </span>
        </p>
      ))}
    </section>
  );
}

const because = {
  evidence: 'Evidence has come since signing.',
  policy: 'The policy has changed since signing; no evidence has come.',
  release: 'Judged otherwise by a new release of the rules; no evidence has come.',
};

/** It says something else than what was signed, and why: old against new; it waits for a person. */
export function Changed({ changes }: { changes: NonNullable<Page['changedSinceSigning']> }) {
  const one = (school: School) => {
    const main = school.results.find((result) => result.key === school.headline);
    return (
      <>
        <VerdictSign verdict={school.verdict} />
        {main && (
          <span className="fn-figure">
            , {minus(main.shown)} {main.unit}
          </span>
        )}
      </>
    );
  };
  return (
    <div
      role="status"
      style={{
        borderTop: `3px double ${ink.void}`,
        borderBottom: `1px solid ${ink.rule}`,
        padding: '8px 0',
        marginBottom: 12,
      }}
    >
      <b style={{ color: ink.void }}>{because[changes.because]}</b> Signed: {one(changes.was)}. Now:{' '}
      {one(changes.is)}. The signed snapshot stands until a person decides again.
    </div>
  );
}

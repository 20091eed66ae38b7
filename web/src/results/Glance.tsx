import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { Named } from './notes';

type Page = Schemas['ResultPage'];

const FINDINGS = 2;
const LIMITS = 4;

/** What stands, what weighs on it, what would still save it: before anything of it is explained. */
export function Glance({ assessment }: { assessment: Page['assessment'] }) {
  const weighty = assessment.findings.filter((finding) => finding.verdict !== 'valid');
  const cure = weighty.find((finding) => finding.cure !== null)?.cure;
  const outcomes = assessment.results
    .flatMap((result) => result.limits.map((limit) => ({ result, limit })))
    .sort(
      (a, b) =>
        Number(b.result.key === assessment.headline) - Number(a.result.key === assessment.headline) ||
        Number(b.limit.crossed) - Number(a.limit.crossed),
    );
  return (
    <dl className="fn-glance">
      <dt>Why</dt>
      <dd>
        {weighty.length === 0 && 'Nothing weighs on it.'}
        {weighty.slice(0, FINDINGS).map((finding) => (
          <div key={finding.rule + (finding.channel ?? '') + finding.seen}>
            <b>
              {finding.channel && `${finding.channel}: `}
              {finding.title}.
            </b>{' '}
            {finding.seen}
          </div>
        ))}
        {weighty.length > FINDINGS && (
          <div>
            <a href="#findings">{weighty.length - FINDINGS} more</a>
          </div>
        )}
      </dd>
      {cure && (
        <>
          <dt>Would save it</dt>
          <dd>
            <b>{cure.evidence}</b>, {cure.until}.
          </dd>
        </>
      )}
      {outcomes.length > 0 && (
        <>
          <dt>Limits</dt>
          <dd>
            {outcomes.slice(0, LIMITS).map(({ result, limit }) => (
              <div key={result.key + limit.id}>
                <b style={{ color: limit.crossed ? ink.void : ink.text }}>
                  {limit.title} {limit.value} {limit.unit} {limit.words}
                </b>
                {result.key !== assessment.headline && (
                  <>
                    , <Named title={result.title} />
                  </>
                )}
                <span style={{ color: limit.robustness === 'robust' ? ink.soft : ink.qualified }}>
                  {limit.robustness === 'undecided' ? ' ≷ undecided: ' : ': '}
                  {limit.statement.replace(/^[^:]*: /, '')}
                </span>
              </div>
            ))}
            {outcomes.length > LIMITS && (
              <div>
                <a href="#limits">{outcomes.length - LIMITS} more</a>
              </div>
            )}
          </dd>
        </>
      )}
    </dl>
  );
}

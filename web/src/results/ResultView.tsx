import Button from '@mui/material/Button';
import { Fragment, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useResult, useSession } from '../api/hooks';
import type { Schemas } from '../api/client';
import { BracketSign } from '../look/BracketSign';
import { Lacking } from '../look/Told';
import { Practice } from '../look/Practice';
import { VerdictSign } from '../look/VerdictSign';
import { ink } from '../look/theme';
import { clock, day, minus, moment, signed, told } from '../look/words';
import { useKeys } from '../shell/keys';
import { mayDecide } from '../shell/roles';
import { Changed, Decided, DecidedElsewhere, Schools } from './Aside';
import { Decide, type Deciding } from './Decide';
import { Glance } from './Glance';
import { IntervalPicture } from './IntervalPicture';
import { type Cite, line, Named, NoteBook, Source, Symbol } from './notes';
import { breakdownTable } from './Breakdown';
import { removed } from './Removed';
import { Curve } from './pictures/Curve';
import { Pictures } from './pictures/Pictures';
import { Typesetting } from './Typeset';

type Page = Schemas['ResultPage'];
type Result = Schemas['Result'];

/** Why this number stands: the page, and its margin. */
export function ResultView() {
  const { run = '' } = useParams();
  const asked = useResult(run);
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  return (
    <Typesetting>
      <Sheet key={run} page={asked.data} />
    </Typesetting>
  );
}

function Sheet({ page }: { page: Page }) {
  const navigate = useNavigate();
  const session = useSession();
  const [opened, setOpened] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const [deciding, setDeciding] = useState<Deciding | null>(null);
  const { assessment, run, campaign, neighbours } = page;
  const zone = campaign.zone;
  const decides = mayDecide(session.data?.user);
  const waiting = assessment.results.filter((one) => one.verdict === 'open');
  // What is not open may be signed; the rest waits for a later decision.
  const signs =
    !run.practice && (assessment.verdict !== 'open' || waiting.length < assessment.results.length);
  const go = (to: string | null) => to && void navigate(`/results/${to}`);
  useKeys({
    j: () => go(neighbours.next),
    k: () => go(neighbours.previous),
    u: () => void navigate('/results'),
    s: () => decides && signs && setDeciding('sign'),
    v: () => decides && !run.practice && setDeciding('void'),
    o: () => decides && signs && setDeciding('overrule'),
  });
  const book = new NoteBook(assessment.figures);
  const row = (build: Parameters<typeof line>[3], extra?: Parameters<typeof line>[4]) =>
    line(book, opened, setOpened, build, extra);
  const main = assessment.results.find((result) => result.key === assessment.headline);
  const besides = [...new Set(assessment.results.flatMap((one) => (one === main ? [] : one.notes)))].filter(
    (note) => !main?.notes.includes(note),
  );
  // A note costs the result nothing, so there is nothing to save it from: what to do about it stands with the note.
  const cures = assessment.findings.filter(
    (finding) => finding.verdict !== 'valid' && (finding.cure !== null || finding.advice !== null),
  );
  const graph = { ...assessment.bracket, between: assessment.bracket.between.length };
  const last = page.decisions[0];
  const ever = 'largestEverDrift' in assessment.family ? assessment.family.largestEverDrift : null;
  return (
    <article>
      <div
        className="fn-noprint"
        style={{ display: 'flex', gap: 14, alignItems: 'baseline', flexWrap: 'wrap', marginBottom: 8 }}
      >
        <Link to="/results">Results</Link>
        <span style={{ color: ink.soft }}>/ {run.id}</span>
        <span style={{ flex: 1 }} />
        <Link to={`/runs/${run.id}`}>Run and log</Link>
        <Button size="small" disabled={!neighbours.previous} onClick={() => go(neighbours.previous)}>
          ← before (k)
        </Button>
        <Button size="small" disabled={!neighbours.next} onClick={() => go(neighbours.next)}>
          next (j) →
        </Button>
        <Button size="small" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      {page.changedSinceSigning && <Changed changes={page.changedSinceSigning} />}
      {row(
        (cite) => (
          <header>
            <h1 className="fn-title" style={{ margin: 0, overflowWrap: 'anywhere' }}>
              {run.person}, {run.task} {run.practice && <Practice />}
            </h1>
            <p style={{ margin: '2px 0 10px', color: ink.soft }}>
              {run.id} · {run.instrument} · {run.place || 'no place'} · {day(run.start, zone)},{' '}
              {clock(run.start, zone)} to {run.stop ? clock(run.stop, zone) : 'now'} · {campaign.site},{' '}
              {campaign.title}
            </p>
            <p style={{ fontSize: '1.35rem', margin: '0 0 6px' }} className="fn-title">
              <BracketSign bracket={graph} struck={(last?.verdict ?? assessment.verdict) === 'void'} />{' '}
              {main ? (
                <>
                  <Symbol text={book.figure(main.value.figure)?.symbol ?? ''} /> ={' '}
                  <Standing verdict={main.verdict}>{told(main.key, main.value.shown)}</Standing> {main.unit}
                  {cite(main.value.figure)}{' '}
                  {main.verdict !== assessment.verdict && (
                    <span style={{ fontSize: '1rem' }}>
                      <VerdictSign verdict={main.verdict} />
                    </span>
                  )}
                  {main.uncertainty && (
                    <span style={{ fontSize: '1rem', color: ink.soft }}>
                      {' '}
                      U = {main.uncertainty.shown} dB{cite(main.uncertainty.figure)}{' '}
                      {book.figure(main.uncertainty.figure)?.meaning.replace('expanded uncertainty ', '')}
                    </span>
                  )}
                </>
              ) : (
                'No number yet'
              )}
            </p>
            {assessment.results
              .filter((one) => one !== main && one.inherited && one.breakdown)
              .map((one) => (
                <p key={one.key} style={{ margin: '0 0 6px' }}>
                  <Named title={one.title} />: <Symbol text={book.figure(one.value.figure)?.symbol ?? ''} /> ={' '}
                  <b className="fn-figure">{minus(one.value.shown)}</b> {one.unit}
                  {cite(one.value.figure)}
                  {one.uncertainty && (
                    <>
                      , U = {one.uncertainty.shown} dB{cite(one.uncertainty.figure)}{' '}
                      {book.figure(one.uncertainty.figure)?.meaning.replace('expanded uncertainty ', '')}
                    </>
                  )}
                </p>
              ))}
            {main?.key === 'room' && main.notes[0] && (
              <p style={{ margin: '0 0 6px', fontWeight: 650 }}>{main.notes[0]}</p>
            )}
            <p style={{ margin: '0 0 12px' }}>
              Proposed <VerdictSign verdict={assessment.verdict} /> under {assessment.policy.name}, version{' '}
              {assessment.policy.version}.{' '}
              {last ? (
                <>
                  Decided <VerdictSign verdict={last.verdict} /> by {last.by} on {moment(last.at, zone)}.
                </>
              ) : run.practice ? (
                'It is practice: judged as any other, and never signed.'
              ) : (
                'Not decided yet.'
              )}
            </p>
            {assessment.channels.length > 1 && (
              <p style={{ margin: '0 0 12px' }}>
                {assessment.channels.filter((one) => one.verdict !== 'void').length} of{' '}
                {assessment.channels.length} stand:{' '}
                {assessment.channels.map((one) => (
                  <span
                    key={one.channel}
                    style={{ display: 'inline-block', marginRight: 14, whiteSpace: 'nowrap' }}
                  >
                    {one.channel}{' '}
                    {one.bracket && (
                      <BracketSign
                        bracket={{ ...one.bracket, between: one.bracket.between.length }}
                        struck={one.verdict === 'void'}
                      />
                    )}{' '}
                    <VerdictSign verdict={one.verdict} />
                  </span>
                ))}
              </p>
            )}
            <Glance assessment={assessment} />
            {decides && !run.practice && (
              <div
                className="fn-noprint"
                style={{ display: 'flex', gap: 10, marginBottom: 14, flexWrap: 'wrap' }}
              >
                <Button
                  variant={assessment.verdict === 'open' ? 'outlined' : 'contained'}
                  disabled={!signs}
                  onClick={() => setDeciding('sign')}
                >
                  {assessment.verdict === 'open' ? 'Sign what stands' : `Sign as ${assessment.verdict}`} (s)
                </Button>
                <Button variant="outlined" color="error" onClick={() => setDeciding('void')}>
                  Void (v)
                </Button>
                <Button variant="outlined" disabled={!signs} onClick={() => setDeciding('overrule')}>
                  Overrule (o)
                </Button>
                {waiting.length > 0 && (
                  <span style={{ color: ink.soft, alignSelf: 'center' }}>
                    {signs
                      ? `${waiting.length} of ${assessment.results.length} results wait: open may be voided, never signed.`
                      : 'Open may be voided, never signed.'}
                  </span>
                )}
              </div>
            )}
          </header>
        ),
        (cite) => (
          <>
            {main?.notes.map((note, place) =>
              main.key === 'room' && place === 0 ? null : (
                <div className="fn-note" key={note}>
                  {note}
                  {main.noteFigures[place]?.map((id) => (
                    <Fragment key={id}>{cite(id)}</Fragment>
                  ))}
                </div>
              ),
            )}
            {campaign.policyChanged && (
              <div className="fn-note" style={{ color: ink.qualified }}>
                The campaign&rsquo;s policy was changed after results were seen.
              </div>
            )}
          </>
        ),
      )}
      <Pictures page={page} />
      {assessment.results.map(
        (result) =>
          result.breakdown && (
            <section key={result.key} aria-label={result.breakdown.title}>
              {row((cite) => result.breakdown && breakdownTable({ breakdown: result.breakdown, cite }))}
            </section>
          ),
      )}
      <section aria-labelledby="answers">
        {row((cite) => (
          <>
            <h2 id="answers" style={{ margin: '18px 0 2px' }}>
              Corrected results
            </h2>
            <div style={{ overflowX: 'auto' }}>
              <table className="fn-table">
                <thead>
                  <tr>
                    <th>Quantity</th>
                    <th className="num">indicated</th>
                    <th className="num">pre</th>
                    <th className="num">post</th>
                    <th className="num">interpolated</th>
                    <th className="num">drift interval</th>
                    <th>Verdict</th>
                  </tr>
                </thead>
                <tbody>
                  {assessment.results.map((result, place) => (
                    <Fragment key={result.key}>
                      {assessment.channels.length > 1 &&
                        result.channel !== null &&
                        result.channel !== assessment.results[place - 1]?.channel && (
                          <tr>
                            <th colSpan={7} style={{ paddingTop: 12 }}>
                              {result.channel}
                            </th>
                          </tr>
                        )}
                      <tr>
                        <td>
                          <Named title={result.title} />{' '}
                          <span style={{ color: ink.soft }}>{result.unit}</span>
                          {result.also
                            .filter((other) => other.shown !== result.value.shown)
                            .map((other) => (
                              <div key={other.words} style={{ color: ink.soft, fontSize: '0.84rem' }}>
                                {other.words}: <span className="fn-figure">{minus(other.shown)}</span>
                                {cite(other.figure)}
                              </div>
                            ))}
                        </td>
                        {(['indicated', 'pre', 'post', 'between'] as const).map((name) => (
                          <td key={name} className="num">
                            <Answer
                              shown={result[name]}
                              reported={result.reported === name}
                              struck={result.verdict === 'void'}
                            >
                              {result[name] && name === (result.indicated ? 'indicated' : result.reported)
                                ? cite(result[name].figure)
                                : null}
                            </Answer>
                          </td>
                        ))}
                        <td className="num fn-figure">
                          {result.lowest && result.highest
                            ? `${minus(result.lowest.shown)} to ${minus(result.highest.shown)}`
                            : '–'}
                          {result.reported === 'cautious' && (
                            <div style={{ fontWeight: 700, textDecoration: 'underline' }}>
                              cautious: {minus(result.value.shown)}
                              {cite(result.value.figure)}
                            </div>
                          )}
                        </td>
                        <td style={{ whiteSpace: 'nowrap' }}>
                          <VerdictSign verdict={result.verdict} />
                        </td>
                      </tr>
                    </Fragment>
                  ))}
                </tbody>
              </table>
            </div>
            {besides.map((note) => (
              <p key={note} style={{ fontSize: '0.86rem', margin: '4px 0 0' }}>
                {note}
              </p>
            ))}
            <p style={{ color: ink.soft, fontSize: '0.86rem', margin: '4px 0 0' }}>
              Underlined: the answer that {assessment.policy.name} reports. Drift interval: the smallest and
              largest by every check of the bracket; it is about drift only.
            </p>
          </>
        ))}
      </section>
      {row((cite) => removed({ results: assessment.results, cite, all, setAll }))}
      <Curve page={page} />
      <Limits results={assessment.results} row={row} />
      <section aria-labelledby="drift">
        {row((cite) => (
          <>
            <h2 id="drift" style={{ margin: '18px 0 2px' }}>
              Drift and evidence
            </h2>
            <p style={{ margin: '2px 0 6px' }}>
              {assessment.drifts.length === 0
                ? 'No drift can be told: one end of the bracket is missing. '
                : assessment.drifts.map((id) => {
                    const figure = book.figure(id);
                    return (
                      <span key={id}>
                        {figure?.meaning}:{' '}
                        <b className="fn-figure">
                          {signed(figure?.shown ?? '')} {figure?.unit}
                        </b>
                        {cite(id)}.{' '}
                      </span>
                    );
                  })}
              {ever && (
                <>
                  The most this instrument has ever drifted:{' '}
                  <span className="fn-figure">
                    {signed(book.figure(ever)?.shown ?? '')} {book.figure(ever)?.unit}
                  </span>
                  {cite(ever)}.
                </>
              )}
            </p>
            <Evidence page={page} />
          </>
        ))}
      </section>
      <section aria-labelledby="findings">
        <h2 id="findings" style={{ margin: '18px 0 2px' }}>
          Findings
        </h2>
        {assessment.findings.length === 0 && <p style={{ margin: 0 }}>None.</p>}
        {assessment.findings.map((finding, i) => (
          <div key={i}>
            {row(
              (cite) => (
                <p style={{ margin: '4px 0', padding: '4px 0', borderTop: `1px solid ${ink.faint}` }}>
                  {finding.verdict === 'valid' ? (
                    <span style={{ color: ink.soft }}>note</span>
                  ) : (
                    <VerdictSign verdict={finding.verdict} />
                  )}{' '}
                  <b>
                    {finding.channel && `${finding.channel}: `}
                    {finding.title}.
                  </b>{' '}
                  {finding.seen}
                  {finding.figures.map((id) => (
                    <Fragment key={id}>{cite(id)}</Fragment>
                  ))}{' '}
                  {finding.verdict === 'valid' && <Remedy finding={finding} />}
                </p>
              ),
              <div className="fn-note" style={{ paddingTop: 8 }}>
                {finding.limit && <>Limit: {finding.limit}. </>}
                <Source source={finding.source} mark={finding.mark} />
              </div>,
            )}
          </div>
        ))}
      </section>
      {cures.length > 0 && (
        <section aria-labelledby="save">
          <h2 id="save" style={{ margin: '18px 0 2px' }}>
            What can still save it
          </h2>
          {cures.map((finding, i) => (
            <p key={i} style={{ margin: '2px 0' }}>
              <Remedy finding={finding} />
            </p>
          ))}
        </section>
      )}
      <Schools schools={page.schools} />
      <Decided page={page} />
      <DecidedElsewhere page={page} />
      {deciding && <Decide page={page} kind={deciding} onClose={() => setDeciding(null)} />}
    </article>
  );
}

function Remedy({ finding }: { finding: Schemas['Finding'] }) {
  if (finding.cure === null) {
    return finding.advice;
  }
  return (
    <>
      <b>{finding.cure.evidence}</b>, {finding.cure.until}.
    </>
  );
}

/** A void number is struck, never bold. */
function Standing({ verdict, children }: { verdict: Schemas['Verdict']; children: React.ReactNode }) {
  return verdict === 'void' ? (
    <s className="fn-figure" style={{ color: ink.soft }}>
      {children}
    </s>
  ) : (
    <b className="fn-figure">{children}</b>
  );
}

function Answer({
  shown,
  reported,
  struck,
  children,
}: {
  shown: Schemas['Shown'] | null;
  reported: boolean;
  struck: boolean;
  children: React.ReactNode;
}) {
  return shown ? (
    <span
      className="fn-figure"
      style={
        reported && !struck ? { fontWeight: 700, textDecoration: 'underline', textUnderlineOffset: 3 } : {}
      }
    >
      {struck ? <s>{minus(shown.shown)}</s> : minus(shown.shown)}
      {children}
    </span>
  ) : (
    <span style={{ color: ink.soft }}>–</span>
  );
}

function Limits({
  results,
  row,
}: {
  results: Result[];
  row: (build: (cite: Cite) => React.ReactNode, extra?: React.ReactNode) => React.ReactNode;
}) {
  const outcomes = results.flatMap((result) => result.limits.map((limit) => ({ result, limit })));
  if (outcomes.length === 0) {
    return null;
  }
  return (
    <section aria-labelledby="limits">
      <h2 id="limits" style={{ margin: '18px 0 2px' }}>
        Against limits
      </h2>
      {outcomes.map(({ result, limit }) => (
        <Fragment key={limit.id + result.key}>
          {row(
            (cite) => (
              <div
                style={{
                  borderTop: `1px solid ${ink.faint}`,
                  padding: '5px 0',
                  display: 'grid',
                  gridTemplateColumns: 'minmax(0, 1fr) 190px',
                  columnGap: 14,
                  alignItems: 'center',
                }}
              >
                <div>
                  <Named title={result.title} />{' '}
                  <b style={{ color: limit.crossed ? ink.void : ink.text }}>
                    {limit.title} {limit.value} {limit.unit} {limit.words}
                  </b>
                  .
                  <div style={limit.robustness === 'robust' ? {} : { color: ink.qualified }}>
                    {limit.robustness === 'undecided' && '≷ '}
                    {limit.statement}
                  </div>
                  <div style={{ color: ink.soft, fontSize: '0.86rem' }}>
                    {limit.tippingWords}
                    {limit.figures.map((id) => (
                      <Fragment key={id}>{cite(id)}</Fragment>
                    ))}
                  </div>
                  {limit.confidence && (
                    <div style={{ color: ink.soft, fontSize: '0.86rem' }}>
                      By sampling and analysis: {limit.confidence.words}.
                    </div>
                  )}
                </div>
                <IntervalPicture result={result} limit={limit} />
              </div>
            ),
            <div className="fn-note" style={{ paddingTop: 6 }}>
              <Source source={limit.source} mark={limit.mark} />, {limit.scope}
            </div>,
          )}
        </Fragment>
      ))}
    </section>
  );
}

function Evidence({ page }: { page: Page }) {
  if (page.checks.length === 0) {
    return <p style={{ color: ink.soft }}>No check is named.</p>;
  }
  // Checks of one bracket may have been noted differently: every heading of any of them.
  const labels = [...new Set(page.checks.flatMap((check) => check.cells.map((cell) => cell.label)))];
  return (
    <div style={{ overflowX: 'auto' }}>
      <table className="fn-table">
        <thead>
          <tr>
            <th>Check</th>
            <th>When, by whom</th>
            <th>Reference</th>
            {labels.map((label) => (
              <th key={label}>{label}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {page.checks.map((check) => (
            <tr
              key={check.id}
              style={check.setAside ? { textDecoration: 'line-through', color: ink.soft } : {}}
            >
              <td style={{ whiteSpace: 'nowrap' }}>
                <Link to={`/checks/${check.id}`}>{check.id}</Link>
              </td>
              <td>
                {moment(check.at, page.campaign.zone)}, {check.by}
              </td>
              <td>{check.reference ?? 'none'}</td>
              {labels.map((label) => {
                const shown = check.cells.find((cell) => cell.label === label)?.shown ?? '';
                return (
                  <td
                    key={label}
                    className="fn-figure"
                    style={{ whiteSpace: shown.length > 12 ? 'normal' : 'nowrap' }}
                  >
                    {minus(shown) || '–'}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

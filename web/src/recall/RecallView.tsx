import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import {
  goesOn,
  useChange,
  useLetters,
  useSession,
  useWhatIf,
  useWhatIfRuns,
  type Owner,
} from '../api/hooks';
import { Lacking, Told } from '../look/Told';
import { VerdictSign } from '../look/VerdictSign';
import { ink } from '../look/theme';
import { dayOfYear, minus, moment, plural, signed } from '../look/words';
import { mayLead, maySteward } from '../shell/roles';

type WhatIf = Schemas['WhatIf'];
type Run = Schemas['WhatIfRuns']['runs'][number];
type Result = Schemas['WhatIfResult'];

/** What a recall would change, before it is made; and then it is made. */
export function RecallView() {
  const { id = '' } = useParams();
  const asked = useWhatIf(id);
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  return <Sheet told={asked.data} />;
}

function Sheet({ told }: { told: WhatIf }) {
  const session = useSession();
  const { asked, state, head } = told;
  const { recall, recalled, owner } = asked;
  return (
    <article>
      <div style={{ display: 'flex', gap: 14, alignItems: 'baseline' }}>
        <Link to="/kit">Kit</Link>
        <span style={{ color: ink.soft }}>/ {recalled}</span>
      </div>
      <h1 className="fn-title" style={{ margin: '4px 0 2px', overflowWrap: 'anywhere' }}>
        What recalling {recalled} would change
      </h1>
      <p style={{ margin: '0 0 6px' }}>
        {recall.reason}. Not to be trusted since {dayOfYear(recall.since)}
        {recall.until ? `, found on ${dayOfYear(recall.until)}` : ''};{' '}
        {owner === 'instruments'
          ? 'what it showed meanwhile would show nothing.'
          : recall.error === undefined
            ? 'how far it was off is not known.'
            : `off by ${signed(recall.error)} ${head?.errorUnit ?? ''}.`}{' '}
        <span style={{ color: ink.soft }}>
          Asked by {asked.by}, {moment(asked.at)}.
        </span>
      </p>
      <p style={{ margin: '0 0 10px', fontWeight: 650 }}>
        Nothing is changed yet: these are the numbers that would be.
      </p>
      {goesOn(state) && (
        <p role="status">
          {state.of > 0 ? `${state.done} of ${state.of} runs judged` : 'Looking for what leaned on it'} …
        </p>
      )}
      {state.state === 'failed' && <Told problem={new Error(state.words)} />}
      {head && (
        <>
          <Sums head={head} />
          {maySteward(session.data?.user) && <Make told={told} />}
          <Reports head={head} />
          <Runs
            id={asked.id}
            owner={owner}
            total={Object.values(head.runs).reduce((sum, one) => sum + one, 0)}
          />
          {mayLead(session.data?.user) && <Letters id={asked.id} />}
        </>
      )}
    </article>
  );
}

function Sums({ head }: { head: NonNullable<WhatIf['head']> }) {
  const line = (counts: Schemas['WhatIfCounts'], one: string) => {
    const all = Object.values(counts).reduce((sum, count) => sum + count, 0);
    const [verdicts, numbers] = [counts['verdict changed'], counts['number changed']];
    return [
      `${plural(all, one)}: ${verdicts} with another verdict or another word on a limit`,
      `${numbers} with another number alone`,
      `${counts.unchanged} unchanged`,
    ].join(', ');
  };
  return (
    <dl className="fn-glance">
      <dt>Checks</dt>
      <dd>
        {plural(head.checks.length, 'check')} {head.owner === 'references' ? 'leaned on it' : 'of it then'}
        {head.checks.length > 0 && (
          <>
            , from {moment(head.checks[0]?.at ?? '')} to {moment(head.checks.at(-1)?.at ?? '')}
          </>
        )}
      </dd>
      <dt>Runs</dt>
      <dd>{line(head.runs, 'run')}</dd>
      <dt>Results</dt>
      <dd>{line(head.results, 'result')}</dd>
    </dl>
  );
}

/** Making it is one press more: it was looked at. */
function Make({ told }: { told: WhatIf }) {
  const { owner, recalled, recall } = told.asked;
  const [made, setMade] = useState(false);
  const make = useChange(
    async () => {
      const params = { path: { id: recalled } };
      const { since, until, reason, error } = recall;
      const body = { since, ...(until ? { until } : {}), reason };
      await (owner === 'references'
        ? answer(
            api.POST('/api/kit/references/{id}/recalls', { params, body: { ...body, error: error ?? null } }),
          )
        : answer(api.POST('/api/kit/instruments/{id}/recalls', { params, body })));
    },
    () => setMade(true),
  );
  return (
    <div style={{ margin: '4px 0 12px' }}>
      {made ? (
        <p role="status" style={{ fontWeight: 650 }}>
          {recalled} is recalled. Every result that leaned on it is judged again; what was signed is marked:
          evidence has changed.
        </p>
      ) : (
        <Button
          variant="contained"
          color="error"
          disabled={make.isPending}
          onClick={() => make.mutate(undefined)}
        >
          Recall {recalled}
        </Button>
      )}
      <Told problem={make.error} />
    </div>
  );
}

function Reports({ head }: { head: NonNullable<WhatIf['head']> }) {
  return (
    <section aria-labelledby="reports">
      <h2 id="reports">Issued reports that tell of them</h2>
      {head.reports.length === 0 && <p style={{ color: ink.soft }}>None.</p>}
      {head.reports.map((one) => (
        <p key={one.report} style={{ margin: '2px 0', overflowWrap: 'anywhere' }}>
          <Link to={`/reports/${one.report}`}>
            {one.report}, edition {one.edition}
          </Link>
          : {one.title}, for <b>{one.askedBy}</b>; {plural(one.runs.length, 'run')} of it:{' '}
          {one.runs.join(', ')}
        </p>
      ))}
    </section>
  );
}

function Runs({ id, owner, total }: { id: string; owner: Owner; total: number }) {
  const [search, setSearch] = useSearchParams();
  const page = Math.max(1, Number(search.get('page') ?? '1') || 1);
  const asked = useWhatIfRuns(id, page);
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  const { runs, pageSize } = asked.data;
  const pages = Math.max(1, Math.ceil(total / pageSize));
  const groupOf = (run: Run | undefined) => (run ? `${run.campaign}, ${run.person}` : null);
  return (
    <section aria-labelledby="runs">
      <h2 id="runs">By campaign and person</h2>
      {runs.length === 0 && <p style={{ color: ink.soft }}>No run rests on it in that time.</p>}
      <div style={{ overflowX: 'auto' }}>
        <table className="fn-table">
          <thead>
            <tr>
              <th>Run</th>
              <th>Result</th>
              <th className="num">as it stands</th>
              <th className="num">{owner === 'references' ? 'whole error' : 'as it would be'}</th>
              <th className="num">{owner === 'references' && 'straight line'}</th>
              <th>Verdict</th>
              <th>Limits</th>
            </tr>
          </thead>
          {runs.map((run, place) => (
            <Lines
              key={run.run}
              run={run}
              group={groupOf(run) === groupOf(runs[place - 1]) ? null : groupOf(run)}
            />
          ))}
        </table>
      </div>
      {pages > 1 && (
        <div style={{ display: 'flex', gap: 12, alignItems: 'center', marginTop: 8 }}>
          <Button disabled={page <= 1} onClick={() => setSearch({ page: String(page - 1) })}>
            Page before
          </Button>
          page {page} of {pages}
          <Button disabled={page >= pages} onClick={() => setSearch({ page: String(page + 1) })}>
            Next page
          </Button>
        </div>
      )}
    </section>
  );
}

function Lines({ run, group }: { run: Run; group: string | null }) {
  return (
    <tbody>
      {group !== null && (
        <tr>
          <th colSpan={7} scope="rowgroup" style={{ paddingTop: 12 }}>
            {group}
          </th>
        </tr>
      )}
      <tr>
        <td colSpan={7} style={{ borderBottom: 0 }}>
          <Link to={`/results/${run.run}`}>{run.run}</Link>, {run.task}, {run.instrument}, {moment(run.start)}
          : <b style={{ color: run.state === 'unchanged' ? ink.soft : ink.qualified }}>{run.state}</b>
          {run.decided && (
            <>
              ; decided <VerdictSign verdict={run.decided.verdict as Schemas['Verdict']} /> by{' '}
              {run.decided.by}
            </>
          )}
          {run.unchanged > 0 && (
            <span style={{ color: ink.soft }}>; {plural(run.unchanged, 'result')} unchanged</span>
          )}
        </td>
      </tr>
      {run.results.map((result) => (
        <Line key={result.key} result={result} />
      ))}
    </tbody>
  );
}

function Line({ result }: { result: Result }) {
  return (
    <tr>
      <td />
      <td>
        {result.title}
        {result.channel && `, ${result.channel}`} <span style={{ color: ink.soft }}>{result.unit}</span>
      </td>
      <td className="num fn-figure">{minus(result.was) || 'none'}</td>
      <td className="num fn-figure">
        <b>{minus(result.is) || 'none'}</b>
      </td>
      <td className="num fn-figure">{minus(result.evenly)}</td>
      <td style={{ whiteSpace: 'nowrap' }}>
        {result.wasVerdict && <VerdictSign verdict={result.wasVerdict as Schemas['Verdict']} />}
        {result.isVerdict !== result.wasVerdict && result.isVerdict && (
          <>
            {' → '}
            <VerdictSign verdict={result.isVerdict as Schemas['Verdict']} />
          </>
        )}
      </td>
      <td>
        {result.limits.map((limit) => (
          <div key={limit.title}>
            {limit.title}: {limit.was || 'nothing said'} → <b>{limit.is}</b>
          </div>
        ))}
      </td>
    </tr>
  );
}

/** Letters as drafts: a person reads them, and sends them or does not. */
function Letters({ id }: { id: string }) {
  const [open, setOpen] = useState(false);
  const asked = useLetters(id, open);
  return (
    <section aria-labelledby="letters">
      <h2 id="letters">Letters</h2>
      {!open && <Button onClick={() => setOpen(true)}>Draft letters to those who hold the results</Button>}
      {open && asked.isError && <Told problem={asked.error} />}
      {asked.data?.letters.length === 0 && (
        <p style={{ color: ink.soft }}>Nobody holds a number that changes.</p>
      )}
      {asked.data?.letters.map((letter) => (
        <div key={letter.about + letter.to} style={{ margin: '0 0 14px' }}>
          <TextField
            label={`To ${letter.to}, ${letter.about}`}
            value={letter.text}
            multiline
            fullWidth
            slotProps={{ input: { readOnly: true } }}
          />
          <Button size="small" onClick={() => void navigator.clipboard.writeText(letter.text)}>
            Copy
          </Button>
        </div>
      ))}
    </section>
  );
}

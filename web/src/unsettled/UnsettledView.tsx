import Button from '@mui/material/Button';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useSession, useUnsettled } from '../api/hooks';
import { useBeginCheck } from '../bench/useBeginCheck';
import { Typed } from '../look/Asked';
import { Empty, Lacking, Told } from '../look/Told';
import { ink } from '../look/theme';
import { moment, plural } from '../look/words';
import { VerdictSign } from '../look/VerdictSign';
import { mayRecord } from '../shell/roles';

type Run = Schemas['UnsettledRun'];
type Against = Schemas['Against'];

const GROUPS: [Run['why'], string, string][] = [
  ['pressing', 'Now', 'Of any day: what happens next to the unit may end what still saves it.'],
  ['says otherwise', 'Decided, and otherwise now', 'Evidence came after the decision.'],
  ['curable', 'Can be lifted at any time', 'It stands better as soon as somebody brings this.'],
  ['lost', 'Nothing lifts it', 'Void it or sign what stands, and measure again where it is needed.'],
  ['qualified', 'Stands with its qualification', 'Nothing lifts that; nobody has signed it so yet.'],
];

/** What of the last days could not be stood up for, why, and where somebody mends it. */
export function UnsettledView() {
  const [search, setSearch] = useSearchParams();
  const asked = useUnsettled(search.get('from') ?? '', search.get('to') ?? '');
  const begin = useBeginCheck();
  const session = useSession();
  const choose = (name: 'from' | 'to', value: string) => {
    const next = new URLSearchParams({ from: asked.data?.from ?? '', to: asked.data?.to ?? '' });
    next.set(name, value);
    setSearch(next, { replace: true });
  };
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  const { runs, of, beyond, from, to } = asked.data;
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: '6px 18px', alignItems: 'center' }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          Not settled yet
        </h1>
        <span style={{ color: ink.soft }}>
          {plural(runs.length, 'run')} · {of} on these days
        </span>
        <span style={{ flex: 1 }} />
        <Typed label="From" type="date" value={from} set={(value) => choose('from', value)} />
        <Typed label="Through" type="date" value={to} set={(value) => choose('to', value)} />
      </div>
      {beyond > 0 && (
        <p role="status" style={{ color: ink.qualified, fontWeight: 600 }}>
          {plural(beyond, 'run')} of these days {beyond === 1 ? 'was' : 'were'} not looked at: choose fewer
          days.
        </p>
      )}
      <Told problem={begin.error} />
      {runs.length === 0 &&
        (of === 0 ? (
          <Empty title="No run on these days">Choose others above.</Empty>
        ) : (
          <Empty title="Everything of these days stands">
            What is valid or corrected waits for its signature in{' '}
            <Link to="/results?decided=no">Results</Link>.
          </Empty>
        ))}
      {GROUPS.map(([why, title, words]) => {
        const some = runs.filter((run) => run.why === why);
        return some.length === 0 ? null : (
          <section key={why} aria-label={title} className="fn-dates">
            <h2 style={{ margin: 0, color: why === 'pressing' ? ink.void : ink.text }}>
              {title}
              <span style={{ display: 'block', fontSize: '0.82rem', fontWeight: 400, color: ink.soft }}>
                {words}
              </span>
            </h2>
            <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
              {some.map((run) => (
                <Line
                  key={run.run}
                  run={run}
                  check={
                    mayRecord(session.data?.user) ? () => begin.mutate({ unit: run.instrument }) : undefined
                  }
                />
              ))}
            </ul>
          </section>
        );
      })}
    </>
  );
}

/** Channels of which the same is said, and lifted alike, are told together. */
function alike(against: Against[]): { one: Against; channels: string[] }[] {
  const groups = new Map<string, { one: Against; channels: string[] }>();
  against.forEach((one, place) => {
    const key =
      one.channel === null ? String(place) : JSON.stringify([one.title, one.cure, one.advice, one.evidence]);
    const group = groups.get(key) ?? { one, channels: [] };
    groups.set(key, {
      ...group,
      channels: one.channel === null ? group.channels : [...group.channels, one.channel],
    });
  });
  return [...groups.values()];
}

function Line({ run, check }: { run: Run; check: (() => void) | undefined }) {
  // What would lift something stands before what nothing lifts.
  const against = [...run.against].sort((a, b) => Number(a.cure === null) - Number(b.cure === null));
  return (
    <li className="fn-unsettled">
      <span style={{ minWidth: 0 }}>
        <Link to={`/results/${encodeURIComponent(run.run)}`} style={{ fontWeight: 650 }}>
          {run.run}
        </Link>{' '}
        <VerdictSign verdict={run.verdict} />
        <span style={{ display: 'block', color: ink.soft, fontSize: '0.86rem' }}>
          {run.instrument} · {run.person}, {run.task}
          <br />
          {moment(run.start)}
          {run.by !== null && ` · decided by ${run.by}`}
        </span>
      </span>
      <ul style={{ listStyle: 'none', margin: 0, padding: 0, minWidth: 0 }}>
        {alike(against).map(({ one, channels }) => (
          <li key={`${one.title} ${channels.join(' ')} ${one.seen}`} className="fn-unsettled-one">
            <span>
              <b style={{ fontWeight: 600 }}>
                {channels.length > 0 && `${channels.join(', ')}: `}
                {one.title}
              </b>{' '}
              <span style={{ color: ink.soft }}>
                {channels.length > 1 ? 'What was seen of each stands with the result.' : one.seen}
              </span>
              <span style={{ display: 'block' }}>
                {one.cure ? (
                  <>
                    Lifts it: <b style={{ fontWeight: 600 }}>{one.cure.evidence}</b>, {one.cure.until}.
                  </>
                ) : (
                  (one.advice ?? '')
                )}
              </span>
            </span>
            <Mend run={run} one={one} check={check} />
          </li>
        ))}
        {run.why === 'says otherwise' && (
          <li className="fn-unsettled-one">
            <span>What was decided was of other evidence.</span>
            <Link to={`/results/${encodeURIComponent(run.run)}`}>Look and decide</Link>
          </li>
        )}
      </ul>
    </li>
  );
}

/** Where it is mended, one press away. */
function Mend({ run, one, check }: { run: Run; one: Against; check: (() => void) | undefined }) {
  const place = one.cure?.at;
  if (place === 'bench') {
    return check ? (
      <Button size="small" variant="outlined" onClick={check}>
        Check {run.instrument}
      </Button>
    ) : (
      <span />
    );
  }
  const to = {
    run: [`/runs/${encodeURIComponent(run.run)}`, 'Run and log'],
    laboratory: ['/laboratory', 'Laboratory'],
    check: [`/checks/${encodeURIComponent(one.evidence[0] ?? '')}`, one.evidence[0] ?? ''],
    kit: ['/kit', 'Kit'],
  } as const;
  const [path, word] = place === undefined ? ['', ''] : to[place];
  return path === '' ? <span /> : <Link to={path}>{word}</Link>;
}

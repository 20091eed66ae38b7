import Button from '@mui/material/Button';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useDay, useFirstResult, useSession } from '../api/hooks';
import { FirstSteps } from '../first/FirstSteps';
import { mayRecord } from '../shell/roles';
import { clock, day, plural } from '../look/words';
import { Typed } from '../look/Asked';
import { FitWords } from '../look/FitWords';
import { Empty, Lacking, Told } from '../look/Told';
import { VerdictSign } from '../look/VerdictSign';
import { Practice } from '../look/Practice';
import { ink } from '../look/theme';
import { DueCount } from '../dates/DueCount';
import { weekOf } from '../dates/weeks';
import { UnsettledCount } from '../unsettled/UnsettledCount';
import { DayLine } from './DayLine';
import { hoursOf } from './hours';
import { useBeginCheck } from '../bench/useBeginCheck';

/** Runs of a unit whose verdicts are told one by one; more of them are counted. */
const FEW = 4;

/** How often each verdict stands among many runs; nothing where there are few. */
function many(runs: Schemas['DayUnit']['runs']): [Schemas['Verdict'], number][] {
  const counts = new Map<Schemas['Verdict'], number>();
  for (const run of runs.length > FEW ? runs : []) {
    if (run.worked) {
      counts.set(run.worked.verdict, (counts.get(run.worked.verdict) ?? 0) + 1);
    }
  }
  return [...counts];
}

/** What must happen today, next first: unit by unit, brackets along the hours. */
export function DayView() {
  const [search, setSearch] = useSearchParams();
  const asked = useDay(search.get('date'));
  const session = useSession();
  const begin = useBeginCheck();
  const navigate = useNavigate();
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  const { date, today, before, after, units, campaign, zone, plans, waiting: unworked } = asked.data;
  const records = mayRecord(session.data?.user);
  if (units.length === 0) {
    return <NothingYet />;
  }
  const hours = hoursOf(units, date);
  const waiting = units.filter((unit) => unit.next !== 'done for the day');
  const held = units.filter((unit) => unit.hold.length > 0);
  const busy = (unit: (typeof units)[number]) =>
    unit.runs.length > 0 ||
    unit.checks.length > 0 ||
    unit.hold.length > 0 ||
    unit.running !== null ||
    unit.draft !== null ||
    unit.planned.length > 0;
  // A unit on which nothing happens stands in one line with the others, so that the day fits the screen.
  const shown = units.some(busy) ? units.filter(busy) : units;
  const resting = units.filter((unit) => !shown.includes(unit));
  const stands = (state: string) => resting.filter((unit) => unit.fit?.state === state);
  const groups = (
    [
      ['Held', stands('held')],
      ['Fit to go out', stands('fit')],
      ['Check before they go out', stands('check first')],
      ['Nothing on this day', resting.filter((unit) => unit.fit === null)],
    ] as const
  ).filter(([, some]) => some.length > 0);
  return (
    <>
      <div
        style={{
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'baseline',
          gap: '6px 18px',
          marginBottom: 4,
        }}
      >
        <h1 style={{ font: 'inherit', margin: 0 }}>
          <span className="fn-figure" style={{ fontSize: '1.7rem', fontWeight: 500 }}>
            {day(`${date}T12:00:00Z`, 'UTC')}
          </span>
        </h1>
        <span style={{ color: ink.soft }}>
          {campaign ? `${campaign.site}, ${campaign.title}` : 'no campaign yet'} · {zone}
        </span>
        <DueCount />
        <UnsettledCount />
        <Link to={`/results?${new URLSearchParams(weekOf(date)).toString()}`}>Results of its week</Link>
        {plans.map((id) => (
          <Link key={id} to={`/plan/${id}`}>
            Plan {id}
          </Link>
        ))}
        <span style={{ flex: 1 }} />
        <Typed
          label="Day"
          type="date"
          value={date}
          set={(chosen) => chosen !== '' && setSearch({ date: chosen })}
        />
        <Button disabled={date === today} onClick={() => setSearch({ date: today })}>
          Today
        </Button>
        <Button disabled={before === null} onClick={() => before !== null && setSearch({ date: before })}>
          ← Day before
        </Button>
        <Button disabled={after === null} onClick={() => after !== null && setSearch({ date: after })}>
          Day after →
        </Button>
        {records && (
          <Button variant="outlined" component={Link} to="/runs/new">
            Start a run
          </Button>
        )}
      </div>
      <p
        style={{
          margin: '0 0 10px',
          color: held.length > 0 ? ink.qualified : ink.soft,
          fontWeight: held.length > 0 ? 600 : 400,
        }}
      >
        {held.length > 0
          ? `Do not adjust ${held.map((unit) => unit.id).join(', ')}: a check before you touch ${held.length === 1 ? 'it' : 'them'} closes ${plural(
              held.reduce((sum, unit) => sum + unit.hold.length, 0),
              'run',
            )}.`
          : waiting.length === 0
            ? 'Every bracket of the day is closed.'
            : `${plural(waiting.length, 'instrument')} of ${units.length} still to do.`}
      </p>
      {unworked > 0 && (
        <p role="status" style={{ margin: '0 0 10px', color: ink.qualified }}>
          {plural(unworked, 'run')} of this day {unworked === 1 ? 'is' : 'are'} still being worked out; the
          verdicts below are not all there is.
        </p>
      )}
      <Told problem={begin.error} />
      <div style={{ overflowX: 'auto' }}>
        <table className="fn-table fn-day">
          <caption className="fn-hidden">
            Instruments of the day with their checks and runs along the hours
          </caption>
          <thead>
            <tr>
              <th style={{ width: 92 }}>Instrument</th>
              <th style={{ width: 158 }}>Next</th>
              <th aria-label="Hours of the day">
                <div style={{ position: 'relative', height: 18 }}>
                  {hours.ticks.map((tick) => (
                    <span
                      key={tick.word}
                      style={{
                        position: 'absolute',
                        left: `${tick.percent}%`,
                        transform: 'translateX(-50%)',
                        fontWeight: 400,
                      }}
                    >
                      {tick.word}
                    </span>
                  ))}
                </div>
              </th>
              <th style={{ width: 118 }}>Proposed</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((unit) => (
              <tr key={unit.id}>
                <td>
                  <Link to={`/kit/${unit.id}`} style={{ fontWeight: 650, textDecoration: 'none' }}>
                    {unit.id}
                  </Link>
                  <div style={{ color: ink.soft, fontSize: '0.8rem' }}>
                    {unit.model} {unit.practice && <Practice />}
                  </div>
                </td>
                <td style={{ fontSize: '0.92rem' }}>
                  {!records || unit.next === 'done for the day' ? (
                    <span style={{ color: unit.next === 'done for the day' ? ink.soft : ink.text }}>
                      {unit.next}
                    </span>
                  ) : unit.next === 'stop the run' ? (
                    <Link to={`/runs/${unit.running ?? ''}`}>{unit.next}</Link>
                  ) : unit.next === 'start a run' ? (
                    <Link to={`/runs/new?instrument=${unit.id}`}>{unit.next}</Link>
                  ) : (
                    <button type="button" className="fn-link" onClick={() => begin.mutate({ unit: unit.id })}>
                      {unit.next}
                    </button>
                  )}
                  {unit.hold.length > 0 && (
                    <div style={{ color: ink.qualified, fontSize: '0.8rem', fontWeight: 650 }}>
                      do not adjust
                    </div>
                  )}
                  {(unit.fit !== null || date === today) &&
                    ['check before use', 'held'].includes(unit.next) && <FitWords fit={unit.fit} />}
                  {unit.planned.map((planned) => (
                    <div key={planned.plan + planned.from} style={{ color: ink.soft, fontSize: '0.8rem' }}>
                      planned: on {clock(planned.on)}
                    </div>
                  ))}
                </td>
                <td style={{ padding: 0 }}>
                  <DayLine unit={unit} hours={hours} />
                </td>
                <td style={{ fontSize: '0.88rem' }}>
                  {many(unit.runs).map(([verdict, count]) => (
                    <div key={verdict}>
                      <Link
                        to={`/results?instrument=${unit.id}&verdict=${verdict}`}
                        style={{ textDecoration: 'none', display: 'inline-block', padding: '3px 0' }}
                        aria-label={`${unit.id}, ${count} ${verdict}`}
                      >
                        <VerdictSign verdict={verdict} />{' '}
                        <span style={{ color: ink.text, whiteSpace: 'nowrap' }}>× {count}</span>
                      </Link>
                    </div>
                  ))}
                  {(unit.runs.length > FEW ? [] : unit.runs).map((run) =>
                    run.worked ? (
                      <div key={run.id}>
                        <Link
                          to={`/results/${run.id}`}
                          style={{ textDecoration: 'none', display: 'inline-block', padding: '3px 0' }}
                          aria-label={`${run.id}, ${run.worked.verdict}`}
                        >
                          <VerdictSign verdict={run.worked.verdict} />
                          {run.worked.standing &&
                            run.worked.standing.stand < run.worked.standing.of &&
                            run.worked.standing.of > 1 && (
                              <span style={{ color: ink.text }}>
                                {' '}
                                {run.worked.standing.stand} of {run.worked.standing.of}
                              </span>
                            )}
                        </Link>
                      </div>
                    ) : null,
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {groups.map(([words, some]) => (
        <p key={words} style={{ margin: '10px 0 0' }}>
          <span style={{ color: words === 'Held' ? ink.void : ink.soft }}>{words}: </span>
          {some.map((unit, i) => (
            <span key={unit.id} style={{ display: 'inline-block', marginRight: 5 }}>
              {records ? (
                <button
                  type="button"
                  className="fn-link"
                  aria-label={`${unit.id}, ${unit.next}`}
                  onClick={() =>
                    unit.next === 'start a run'
                      ? void navigate(`/runs/new?instrument=${unit.id}`)
                      : begin.mutate({ unit: unit.id })
                  }
                >
                  {unit.id}
                </button>
              ) : (
                <Link to={`/kit/${unit.id}`}>{unit.id}</Link>
              )}
              {i < some.length - 1 && ','}
            </span>
          ))}
        </p>
      ))}
      <p style={{ color: ink.soft, fontSize: '0.85rem' }}>
        <b className="fn-figure">[</b> check before, as left · line: the run · <b className="fn-figure">]</b>{' '}
        check after, as found · dotted: still missing · crossed: a check that cannot be used
        {shown.some((unit) => unit.planned.length > 0) && ' · pale, at the foot: as it was planned'}
      </p>
    </>
  );
}

/** Before there is anything to have a day with: what leads there. */
function NothingYet() {
  const way = useFirstResult();
  if (way.data === undefined) {
    return <Lacking of={[way]} />;
  }
  return way.data.steps.length === 0 ? (
    <Empty title="No instrument is registered yet">
      A steward registers references and instruments under <Link to="/kit">Kit</Link>; then the day begins on
      the <Link to="/bench">Bench</Link>.
    </Empty>
  ) : (
    <div style={{ maxWidth: 720 }}>
      <h1 className="fn-title">To the first signed result</h1>
      <p style={{ color: ink.soft, marginTop: 0 }}>
        The logbook is empty. These steps lead to a number that somebody stands up for; each says what it
        needs, and what it rests on can be read before: the <Link to="/policies">policies</Link>, with the
        source of every limit.
      </p>
      <FirstSteps way={way.data} />
    </div>
  );
}

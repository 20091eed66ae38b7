import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useDayPlan, usePlannedOtherwise, useSession } from '../api/hooks';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { clock, day, plural } from '../look/words';
import { line, NoteBook, Value } from '../results/notes';
import { Typesetting } from '../results/Typeset';
import { mayRecord } from '../shell/roles';
import { AskDay } from './AskDay';
import { type DayAsked, insteadOf } from './asked';
import { MemberDay } from './MemberDay';
import { Timeline } from './Timeline';

type Plan = Schemas['DayPlan'];

/** A day as it was planned: what does not go, when what begins and why, and what became of it. */
export function DayPlanView() {
  const { id = '' } = useParams();
  const asked = useDayPlan(id);
  const otherwise = usePlannedOtherwise(id);
  const session = useSession();
  const navigate = useNavigate();
  const [again, setAgain] = useState<Plan | null>(null);
  const make = useChange(
    (body: { version: string; asked: DayAsked }) =>
      answer(api.POST('/api/plans/{id}', { params: { path: { id } }, body })),
    () => setAgain(null),
  );
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  const plan = asked.data;
  const may = mayRecord(session.data?.user);
  if (again !== null) {
    return (
      <>
        <h1 className="fn-title" style={{ margin: '0 0 14px' }}>
          {day(`${again.day}T12:00:00Z`, 'UTC')}, planned again
        </h1>
        <AskDay
          first={again.asked}
          word="Plan it again"
          busy={make.isPending}
          problem={make.error}
          plan={(wanted) => make.mutate({ version: String(again.version), asked: wanted })}
        />
        <Button size="small" onClick={() => setAgain(null)}>
          Leave it as it is
        </Button>
      </>
    );
  }
  const first = plan.activities[0];
  return (
    <Typesetting>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: '4px 14px', alignItems: 'baseline' }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          {day(`${plan.day}T12:00:00Z`, 'UTC')}
        </h1>
        <span style={{ color: ink.soft }}>
          {plan.id}, {plan.campaign} · {plural(plan.tasks.length, 'measurement')} · {plan.zone}
        </span>
        <span style={{ flex: 1 }} />
        {plan.tasks.length > 0 && (
          <Button size="small" onClick={() => void navigate(`/plan/${id}/sheets`)}>
            Field sheets
          </Button>
        )}
        {may && (
          <Button size="small" onClick={() => setAgain(plan)}>
            Plan it again
          </Button>
        )}
      </div>
      {first && (
        <p style={{ margin: '8px 0', fontSize: '1.15rem' }}>
          First switch-on at <b className="fn-figure">{clock(first.from, plan.zone)}</b>: {first.unit}, by{' '}
          {first.by}.
        </p>
      )}
      {otherwise.data?.otherwise === true && (
        <p role="status" style={{ margin: '6px 0', color: ink.qualified, fontWeight: 600 }}>
          Since this was planned the kit has changed: planned again, the day would be another.
        </p>
      )}
      <Short
        plan={plan}
        take={may ? (short) => setAgain({ ...plan, asked: insteadOf(plan.asked, short) }) : null}
      />
      {plan.tasks.length > 0 && <Timeline plan={plan} />}
      <div className="fn-plan-days">
        {plan.asked.crew.map((one) => (
          <MemberDay key={one.name} plan={plan} name={one.name} />
        ))}
      </div>
      <Packing plan={plan} />
      <Rests plan={plan} />
      <p style={{ color: ink.soft, maxWidth: 760 }}>
        {plan.every
          ? 'The best of every order: nobody sooner than needed, then the first switch-on as late as it can be, then the least waiting.'
          : 'The best of the orders that were tried: with so many measurements another may be better.'}{' '}
        Planned by {plan.by}, {clock(plan.at, plan.zone)} on {day(plan.at, plan.zone)}
        {plan.version > 1 && `, version ${plan.version}`}. It looks at the kind of a unit, what it must be
        able to where somebody said so, whether it may go out, its reference and its battery, and takes the
        minutes that were typed for granted; set-ups are for whoever plans to look at, and a second cylinder
        is not counted. The manual, local rules and whoever is there stand above it.
      </p>
    </Typesetting>
  );
}

/** What does not go as it was wanted, each with what does. */
function Short({ plan, take }: { plan: Plan; take: ((short: Plan['short'][number]) => void) | null }) {
  const useless = plan.samples.filter((one) => !one.usable);
  const lacking = plan.budget.filter((one) => one.isEnough !== true);
  if (plan.short.length + plan.over.length + useless.length + lacking.length === 0) {
    return (
      <p style={{ margin: '6px 0', color: ink.valid, fontWeight: 600 }}>
        <span aria-hidden="true">✓ </span>Everything goes as it is wanted.
      </p>
    );
  }
  const title = (wanted: string) => {
    const row = plan.asked.wanted[Number(wanted) - 1];
    return row ? `${row.person}, ${row.task}` : wanted;
  };
  return (
    <section aria-labelledby="short" className="fn-plan-short">
      <h2 id="short">What does not go as it is wanted</h2>
      <ul>
        {plan.short.map((one) => (
          <li key={one.wanted}>
            <b>{one.words}.</b> {one.nearest}
            {take !== null && one.instead !== null && (
              <Button size="small" onClick={() => take(one)}>
                Want it so
              </Button>
            )}
            <small>{one.why.join(' ')}</small>
          </li>
        ))}
        {plan.over.map((words) => (
          <li key={words}>{words}</li>
        ))}
        {useless.map((one) => (
          <li key={`sample ${one.wanted}`}>
            <b>{title(one.wanted)}.</b> {one.words[0]}
            <small>{one.words.slice(1).join(' ')}</small>
          </li>
        ))}
        {lacking.map((one) => (
          <li key={one.reference}>
            <Link to={`/references/${encodeURIComponent(one.reference)}`}>{one.reference}</Link>:{' '}
            {one.isEnough === null
              ? `no check says how much gas is left, and ${plural(one.checks, 'check')} want it.`
              : `not enough gas for ${plural(one.checks, 'check')}. Order, or take another.`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What goes along. */
function Packing({ plan }: { plan: Plan }) {
  if (plan.packing.length === 0) {
    return null;
  }
  return (
    <section aria-labelledby="packing">
      <h2 id="packing">To pack</h2>
      <ul style={{ columns: '300px', margin: 0, paddingLeft: 18 }}>
        {plan.packing.map((one) => (
          <li key={one.id}>
            <b>{one.id}</b> {one.model}
            {one.with.length > 0 && `, with ${one.with.join(', ')}`}
            {one.missing.length > 0 && <b style={{ color: ink.void }}>, missing: {one.missing.join(', ')}</b>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What the times rest on, number by number. */
function Rests({ plan }: { plan: Plan }) {
  const book = new NoteBook(plan.figures);
  const [opened, setOpened] = useState<string | null>(null);
  const noted = (key: string, words: (cite: (id: string) => React.ReactNode) => React.ReactNode) => (
    <div key={key}>
      {line(book, opened, setOpened, (cite) => (
        <div className="fn-plan-rest">{words(cite)}</div>
      ))}
    </div>
  );
  return (
    <section aria-labelledby="rests">
      <h2 id="rests">What the times rest on</h2>
      {plan.tasks.map((task) =>
        noted(task.wanted, (cite) => (
          <>
            <b>
              <Link to={`/kit/${encodeURIComponent(task.unit)}`}>{task.unit}</Link>
            </b>{' '}
            {task.model}
            {task.lead && (
              <>
                {' '}
                is on <Value of={task.lead} />
                {cite(task.lead.figure)} before it is wanted.
              </>
            )}
            <small>
              {task.sources.join(' ')}
              {task.charged !== null && ` Charged again at ${clock(task.charged, plan.zone)}.`}
              {task.notes.length > 0 && ` Look at: ${task.notes.join(' ')}`}
            </small>
          </>
        )),
      )}
      {plan.budget.flatMap((one) =>
        one.after === null
          ? []
          : [
              noted(one.reference, (cite) => (
                <>
                  <b>{one.reference}</b>: <Value of={one.after ?? { symbol: '', shown: '', unit: '' }} />
                  {cite(one.after?.figure ?? '')} of gas left after {plural(one.checks, 'check')}.
                </>
              )),
            ],
      )}
      {plan.samples.map((sample) => (
        <p key={`holds ${sample.wanted}`} style={{ margin: '4px 0' }}>
          {plan.asked.wanted[Number(sample.wanted) - 1]?.person}:{' '}
          {sample.holds === null ? (
            <span style={{ color: ink.soft }}>how long its sample holds the method does not say.</span>
          ) : (
            <>
              its sample is to be analysed by{' '}
              <b className="fn-figure">
                {day(sample.holds, plan.zone)}, {clock(sample.holds, plan.zone)}
              </b>
              , as its method says.
            </>
          )}
        </p>
      ))}
      {plan.samples.flatMap((sample) =>
        sample.lines.map((one) =>
          noted(`${sample.wanted} ${one.figure}`, (cite) => (
            <>
              {plan.asked.wanted[Number(sample.wanted) - 1]?.person}: {one.meaning} <Value of={one} />
              {cite(one.figure)}
            </>
          )),
        ),
      )}
    </section>
  );
}

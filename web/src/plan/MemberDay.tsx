import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { clock } from '../look/words';

type Plan = Schemas['DayPlan'];
type Activity = Schemas['DayActivity'];

const DOES: Record<Activity['kind'], (one: Activity, person: string) => string> = {
  'switch on': (one) => `Switch on ${one.unit}`,
  'pre-check': (one) => `Check ${one.unit} on ${one.reference ?? ''}`,
  fit: (one, person) => `Fit ${one.unit} to ${person}, start it`,
  'take off': (one, person) => `Stop ${one.unit}, take it off ${person}`,
  'post-check': (one) => `Check ${one.unit} after, on ${one.reference ?? ''}`,
};

const leadsTo = (one: Activity) =>
  one.evidence === ''
    ? null
    : one.kind === 'pre-check' || one.kind === 'post-check'
      ? `/checks/${encodeURIComponent(one.evidence)}`
      : `/results/${encodeURIComponent(one.evidence)}`;

/** The day of one person, line by line: when, what, and why then. */
export function MemberDay({ plan, name }: { plan: Plan; name: string }) {
  const own = plan.activities.filter((one) => one.by === name);
  const ways = plan.journeys.filter((one) => one.by === name);
  if (own.length === 0) {
    return <p style={{ color: ink.soft }}>{name} has nothing to do.</p>;
  }
  const person = (one: Activity) => plan.tasks.find((task) => task.wanted === one.wanted)?.person ?? '';
  const lines = [
    ...own.map((one) => ({ at: one.from, key: `${one.wanted} ${one.kind}`, one, way: null })),
    ...ways.map((way) => ({ at: way.leaves, key: `${way.leaves} ${way.to}`, one: null, way })),
  ].toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at));
  return (
    <section aria-label={`The day of ${name}`} className="fn-plan-day">
      <h2>{name}</h2>
      <table>
        <tbody>
          {lines.map(({ key, at, one, way }) => {
            if (one === null) {
              return (
                <tr key={key} style={{ color: ink.soft }}>
                  <td className="fn-figure">{clock(at, plan.zone)}</td>
                  <td colSpan={2}>
                    to {way.to}, there at {clock(way.arrives, plan.zone)}
                  </td>
                </tr>
              );
            }
            const to = leadsTo(one);
            const moved = clock(one.from, plan.zone) !== clock(one.nowFrom, plan.zone);
            const words = DOES[one.kind](one, person(one));
            return (
              <tr key={key}>
                <td className="fn-figure">
                  {moved ? (
                    <>
                      <s style={{ color: ink.soft }}>{clock(one.from, plan.zone)}</s>{' '}
                      <b style={{ color: one.done ? ink.text : ink.qualified }}>
                        {clock(one.nowFrom, plan.zone)}
                      </b>
                    </>
                  ) : (
                    clock(one.from, plan.zone)
                  )}
                </td>
                <td>
                  {one.done && <span aria-label="done">✓ </span>}
                  {to === null ? words : <Link to={to}>{words}</Link>}
                </td>
                <td style={{ color: ink.soft, fontSize: '0.88rem' }}>{one.because}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

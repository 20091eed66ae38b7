import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { clock } from '../look/words';
import { type Axis, axisOf, hasMoved, stepsOf } from './axis';

type Plan = Schemas['DayPlan'];
type Steps = ReturnType<typeof stepsOf>;

/** Each measurement along the hours: as it was planned, and under it as it was done or is to be expected. */
export function Timeline({ plan }: { plan: Plan }) {
  const axis = axisOf(plan.activities);
  const moved = hasMoved(plan.activities);
  return (
    <figure className="fn-plan-lines" aria-label="The day along the hours">
      <div className="fn-plan-hours" aria-hidden="true">
        {axis.ticks.map((tick) => (
          <span key={tick.at} style={{ left: `${tick.percent}%` }}>
            {clock(tick.at, plan.zone)}
          </span>
        ))}
      </div>
      {plan.tasks.map((task) => (
        <div key={task.wanted} className="fn-plan-row">
          <span>
            <b>{task.unit}</b> {task.person}
            <small>
              {task.task}, {task.place}
            </small>
          </span>
          <div style={{ position: 'relative', height: moved ? 46 : 30 }}>
            {axis.ticks.map((tick) => (
              <i key={tick.at} className="fn-plan-tick" style={{ left: `${tick.percent}%` }} />
            ))}
            <Line
              axis={axis}
              steps={stepsOf(plan.activities, task.wanted, false)}
              top={4}
              zone={plan.zone}
              what="planned"
            />
            {moved && (
              <Line
                axis={axis}
                steps={stepsOf(plan.activities, task.wanted, true)}
                top={24}
                zone={plan.zone}
                what="now"
              />
            )}
            {plan.day === plan.today && (
              <i
                className="fn-plan-now"
                style={{ left: `${Math.min(100, Math.max(0, axis.percent(plan.now)))}%` }}
              />
            )}
          </div>
        </div>
      ))}
      <figcaption>
        Dotted: on and warming up. [ check before, line: measuring, ] check after.
        {moved && ' Above as planned; below as it was done, and paler as it is to be expected.'}
      </figcaption>
    </figure>
  );
}

function Line({
  axis,
  steps,
  top,
  zone,
  what,
}: {
  axis: Axis;
  steps: Steps;
  top: number;
  zone: string;
  what: 'planned' | 'now';
}) {
  const { on, before, fit, off, after } = steps;
  if (!on || !before || !fit || !off || !after) {
    return null;
  }
  const ahead = (done: boolean) => (what === 'now' && !done ? 0.45 : 1);
  const colour = what === 'planned' ? ink.soft : ink.text;
  const stretch = (from: string, to: string): React.CSSProperties => ({
    position: 'absolute',
    left: `${axis.percent(from)}%`,
    width: `${Math.max(0.3, axis.percent(to) - axis.percent(from))}%`,
  });
  const words = [
    `${what === 'planned' ? 'Planned' : 'Now'}: on ${clock(on.from, zone)}`,
    `check ${clock(before.from, zone)}`,
    `measuring ${clock(fit.to, zone)} to ${clock(off.from, zone)}`,
    `check after ${clock(after.from, zone)}`,
  ].join(', ');
  return (
    <div
      role="img"
      aria-label={words}
      title={words}
      style={{ position: 'absolute', inset: 0, top, height: 16 }}
    >
      <i
        style={{
          ...stretch(on.from, before.from),
          top: 7,
          borderTop: `2px dotted ${colour}`,
          opacity: ahead(on.done),
        }}
      />
      <i
        className="fn-plan-check"
        style={{
          ...stretch(before.from, before.to),
          borderRight: 0,
          borderColor: colour,
          opacity: ahead(before.done),
        }}
      />
      <i style={{ ...stretch(before.to, fit.to), top: 8, borderTop: `1px solid ${ink.rule}` }} />
      <i
        style={{
          ...stretch(fit.to, off.from),
          top: 6,
          borderTop: `4px solid ${colour}`,
          opacity: ahead(off.done),
        }}
      />
      <i style={{ ...stretch(off.from, after.from), top: 8, borderTop: `1px solid ${ink.rule}` }} />
      <i
        className="fn-plan-check"
        style={{
          ...stretch(after.from, after.to),
          borderLeft: 0,
          borderColor: colour,
          opacity: ahead(after.done),
        }}
      />
    </div>
  );
}

import Button from '@mui/material/Button';
import { useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useDayPlan, useFieldSheets } from '../api/hooks';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { clock, day } from '../look/words';

type Plan = Schemas['DayPlan'];
type Task = Schemas['DayTask'];
type Sheet = Schemas['FieldSheets']['units'][number];
type Step = Schemas['Step'];

/** One page for each unit of a plan, for a place without a screen: the steps, what is expected, lines to write on. */
export function FieldSheetsView() {
  const { id = '' } = useParams();
  const plan = useDayPlan(id);
  const sheets = useFieldSheets(id);
  if (plan.data === undefined || sheets.data === undefined) {
    return <Lacking of={[plan, sheets]} />;
  }
  const { data } = plan;
  const units = sheets.data.units;
  return (
    <>
      <div className="fn-noprint" style={{ display: 'flex', gap: 14, alignItems: 'baseline' }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          Field sheets, {day(`${data.day}T12:00:00Z`, 'UTC')}
        </h1>
        <span style={{ flex: 1 }} />
        <Button variant="contained" size="small" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <p className="fn-noprint" style={{ color: ink.soft, maxWidth: 760 }}>
        One page for each unit. What is written by hand comes back through <i>From paper</i>, at the check and
        at the run of that unit; the code opens it.
      </p>
      {data.tasks.map((task) => {
        const sheet = units.find((one) => one.check.id === task.unit);
        return sheet === undefined ? (
          <p key={task.wanted} style={{ color: ink.void }}>
            {task.unit} is out of use: there is no sheet for it.
          </p>
        ) : (
          <Page key={task.wanted} plan={data} task={task} sheet={sheet} />
        );
      })}
    </>
  );
}

function Page({ plan, task, sheet }: { plan: Plan; task: Task; sheet: Sheet }) {
  const of = (kind: Schemas['DayActivity']['kind']) =>
    plan.activities.find((one) => one.wanted === task.wanted && one.kind === kind);
  const at = (kind: Schemas['DayActivity']['kind']) => clock(of(kind)?.from ?? task.from, plan.zone);
  const check = sheet.check.checks[0];
  const reference = of('pre-check')?.reference ?? '';
  const walk = check?.walks.find((one) => one.reference === reference) ?? check?.walks[0];
  const steps = (walk?.steps ?? []).flatMap((place) => check?.steps[place] ?? []);
  const cautions = steps.flatMap((step) => (step.caution ? [step.caution.words] : []));
  return (
    <article className="fn-sheet-page" aria-label={`Sheet of ${task.unit}`}>
      <header>
        <div>
          <h2>
            {task.unit} · {task.person}
          </h2>
          <p>
            {task.task}, {task.place} · {day(task.from, plan.zone)} · {task.by} · {plan.id}.{plan.version}
          </p>
        </div>
        <img
          className="fn-square"
          alt={`Code that opens ${task.unit}`}
          src={`data:image/svg+xml,${encodeURIComponent(sheet.square)}`}
        />
      </header>
      <table className="fn-sheet-times">
        <thead>
          <tr>
            <th />
            <th>Switch on</th>
            <th>Check before</th>
            <th>Begins</th>
            <th>Ends</th>
            <th>Check after</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Planned</th>
            <td>{at('switch on')}</td>
            <td>{at('pre-check')}</td>
            <td>{clock(task.from, plan.zone)}</td>
            <td>{clock(task.to, plan.zone)}</td>
            <td>{at('post-check')}</td>
          </tr>
          <tr>
            <th scope="row">Done at</th>
            <td />
            <td />
            <td />
            <td />
            <td />
          </tr>
          <tr>
            <th scope="row">By</th>
            <td />
            <td />
            <td />
            <td />
            <td />
          </tr>
        </tbody>
      </table>
      <p className="fn-sheet-limits">
        {task.model}
        {sheet.action !== null &&
          ` · found off by: ${sheet.action}. Beyond that, do not adjust before somebody has looked.`}
      </p>
      <h3>
        {check?.procedure.title}, on {reference}: before and after
      </h3>
      <ol>
        {steps.map((step) => (
          <li key={step.id}>
            <b>{step.title}.</b> {step.instruction}
            <Lines step={step} />
          </li>
        ))}
      </ol>
      {cautions.length > 0 && (
        <aside>
          <b>Caution.</b> {[...new Set(cautions)].join(' ')} The manual and the rules of the site stand above
          this sheet.
        </aside>
      )}
      <p className="fn-sheet-remarks">
        What was seen: paused, taken off, knocked, rain, visitors, other work
      </p>
    </article>
  );
}

/** What is written down at a step, twice: before and after. */
function Lines({ step }: { step: Step }) {
  const named = step.fields.filter((one) => one.kind !== 'rows').map((one) => one.label);
  const [reading] = step.columns;
  const rows =
    reading === undefined
      ? []
      : step.presets.length > 0
        ? step.presets.map((preset) => Object.values(preset).map(String).join(' '))
        : Array.from({ length: Math.max(1, step.rows) }, (_, at) => `${reading.label} ${at + 1}`);
  const tick =
    step.kind === 'confirm'
      ? ['done']
      : step.kind === 'wait'
        ? [`waited, at least ${step.seconds ?? 0} s`]
        : [];
  const lines = [...tick, ...named, ...rows];
  return lines.length === 0 ? null : (
    <table className="fn-sheet-lines">
      <tbody>
        {lines.map((words, at) => (
          <tr key={`${at} ${words}`}>
            <td>{words}</td>
            <td>before</td>
            <td>after</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

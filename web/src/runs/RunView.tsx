import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useForms, useRun, useSession } from '../api/hooks';
import type { Schemas } from '../api/client';
import { Files } from '../look/Files';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { clock, day, grade, moment } from '../look/words';
import { mayDecide, mayRecord } from '../shell/roles';
import { CorrectRun, WithdrawRun } from './CorrectRun';
import { LeaveOut } from './LeaveOut';
import { Learn } from './Learn';
import { LogImport } from './LogImport';
import { LogWhose } from './LogWhose';
import { Tones } from './Tones';

type Run = Schemas['Run'];

/** A run: what was written when it started, and everything learned since. */
export function RunView() {
  const { id = '' } = useParams();
  const asked = useRun(id);
  const session = useSession();
  const forms = useForms();
  const [open, setAsked] = useState<'correct' | 'withdraw' | null>(null);
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  const run = asked.data;
  const zone = run.campaign?.zone;
  const records = mayRecord(session.data?.user) && !run.withdrawn;
  const keepsLog = forms.data?.families.find((family) => family.id === run.family.id)?.keepsLog ?? false;
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 14, alignItems: 'baseline' }}>
        <h1 className="fn-title" style={{ margin: 0, overflowWrap: 'anywhere' }}>
          {run.person}, {run.task}
        </h1>
        <span style={{ flex: 1 }} />
        {records && (
          <>
            <Button onClick={() => setAsked('correct')}>Correct</Button>
            <Button onClick={() => setAsked('withdraw')}>Withdraw</Button>
          </>
        )}
        {!run.withdrawn && (
          <Button component={Link} to={`/results/${run.id}`} variant="outlined">
            Result page
          </Button>
        )}
      </div>
      <p style={{ color: ink.soft, margin: '2px 0 12px' }}>
        {run.id} · <Link to={`/kit/${run.instrument}`}>{run.instrument}</Link> · {run.place || 'no place'} ·{' '}
        {day(run.start, zone)}, {clock(run.start, zone)} to {run.stop ? clock(run.stop, zone) : 'now'}
        {run.campaign && ` · ${run.campaign.title}`}
      </p>
      {run.withdrawn && (
        <p style={{ borderLeft: `3px solid ${ink.void}`, paddingLeft: 12 }}>
          <b>Withdrawn</b> by {run.withdrawn.by}, {moment(run.withdrawn.at, zone)}: {run.withdrawn.reason}. It
          counts in no result; what was written of it stays.
        </p>
      )}
      <Facts run={run} />
      {run.corrections.map((one) => (
        <p key={one.what + one.at} style={{ margin: '2px 0' }}>
          {one.what}: <s>{shownOf(one.was, zone)}</s> <b>{shownOf(one.is, zone)}</b>, corrected by {one.by},{' '}
          {moment(one.at, zone)}: {one.reason}
        </p>
      ))}
      {records && <Learn key={`learn-${run.learned.length}`} run={run} />}
      {records && keepsLog && run.stop && <LogImport run={run} />}
      {records && run.log && <Tones run={run} />}
      {run.log && <LogWhose run={run} decides={mayDecide(session.data?.user)} />}
      {mayDecide(session.data?.user) && run.stop && !run.withdrawn && <LeaveOut run={run} log={keepsLog} />}
      {open === 'correct' && <CorrectRun run={run} onClose={() => setAsked(null)} />}
      {open === 'withdraw' && <WithdrawRun run={run} onClose={() => setAsked(null)} />}
      <h2>Photos and documents</h2>
      <Files of="run" id={run.id} adds={records} zone={zone} />
      <h2>Learned</h2>
      {run.learned.length === 0 && <p style={{ color: ink.soft }}>Nothing since it was written down.</p>}
      {run.learned.map((fact) => (
        <p key={fact.at + fact.fields.join()} style={{ margin: '2px 0' }}>
          {moment(fact.at, zone)}, {fact.by}: {fact.fields.join(', ')}
          {fact.reason && <> &ldquo;{fact.reason}&rdquo;</>}
        </p>
      ))}
    </>
  );
}

/** A corrected value; moments by the clocks of the site. */
const shownOf = (value: string | undefined, zone?: string) =>
  value === undefined ? 'nothing' : /^\d{4}-\d\d-\d\dT/.test(value) ? moment(value, zone) : value;

function Facts({ run }: { run: Run }) {
  const zone = run.campaign?.zone;
  const rows: [string, React.ReactNode][] = [
    ['Planned', run.plannedMinutes ? `${run.plannedMinutes} min` : 'not said'],
    ['Working day', run.shiftMinutes ? `${run.shiftMinutes} min` : 'as long as it ran'],
    [
      'Instrument’s clock',
      run.clockOffsetSeconds === null
        ? 'offset not noted'
        : `${run.clockOffsetSeconds} s (instrument − true)`,
    ],
  ];
  if (run.timerMinutes !== null) {
    rows.push(['Instrument’s own timer', `${run.timerMinutes} min`]);
  }
  if (run.shift) {
    rows.push(['Shift', run.shift]);
  }
  if (run.ofPlace) {
    rows.push(['Of', "a place, nobody's exposure"]);
  }
  for (const trait of run.family.shown) {
    rows.push([trait.label, trait.shown]);
  }
  if (run.totals.length > 0) {
    const said = run.totals.map((one) => `${one.label} ${one.value} ${one.unit}, ${grade(one.provenance)}`);
    rows.push(['Totals', said.join(' · ')]);
  }
  if (run.log) {
    rows.push([
      'Log',
      <>
        <a href={`/api/runs/${run.id}/log`}>{run.log.name}</a>, {run.log.length} intervals of{' '}
        {run.log.stepSeconds} s, {run.log.columns.join(', ')}
        {run.log.remarks.length > 0 && `; left out: ${run.log.remarks.join('; ')}`}
        <div style={{ color: ink.soft, fontSize: '0.84rem', overflowWrap: 'anywhere' }}>
          SHA-256 {run.log.sha256}, kept byte for byte
        </div>
      </>,
    ]);
  }
  for (const remark of run.remarks) {
    rows.push([
      'Remark',
      `${remark.kind}${remark.at ? ` at ${clock(remark.at, zone)}` : ''}${remark.note ? `: ${remark.note}` : ''}`,
    ]);
  }
  for (const pause of run.pauses) {
    rows.push(['Pause', `${clock(pause.from, zone)} to ${clock(pause.to, zone)}`]);
  }
  for (const out of run.exclusions) {
    rows.push([
      'Left out',
      `${clock(out.from, zone)} to ${clock(out.to, zone)}: ${out.reason} (${out.by ?? ''})`,
    ]);
  }
  for (const stays of run.leftIn) {
    rows.push([
      'Stays in',
      `${clock(stays.from, zone)} to ${clock(stays.to, zone)}: ${stays.reason} (${stays.by ?? ''})`,
    ]);
  }
  if (run.restOfDay) {
    const { was, reason, by } = run.restOfDay;
    const like = was === 'nothing' ? 'without exposure' : 'like what was sampled';
    rows.push(['Rest of the day', `${like}: ${reason} (${by ?? ''})`]);
  }
  if (run.logWord) {
    const { isOwn, reason, by } = run.logWord;
    rows.push(['Log is', `${isOwn ? 'of this run' : 'not of this run'}: ${reason} (${by ?? ''})`]);
  }
  if (run.declaration) {
    rows.push([
      'Declared',
      `segment up to ${run.declaration.check} is representative: ${run.declaration.reason}`,
    ]);
  }
  return (
    <table className="fn-table" style={{ maxWidth: 880 }}>
      <tbody>
        {rows.map(([name, value], i) => (
          <tr key={i}>
            <th scope="row" style={{ width: 190, borderBottom: `1px solid ${ink.faint}` }}>
              {name}
            </th>
            <td>{value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

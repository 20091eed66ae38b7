import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useCheck } from '../api/hooks';
import { Loading, Told } from '../look/Told';
import { ink } from '../look/theme';
import { VerdictSign } from '../look/VerdictSign';
import { clock, day, minus, moment } from '../look/words';
import { CorrectCheck } from './CorrectCheck';

type Check = Schemas['Check'];

/** A check as it is on record: one page, to be printed and kept with the instrument. */
export function RecordedCheckView() {
  const { id = '' } = useParams();
  const asked = useCheck(id);
  if (asked.isPending) {
    return <Loading />;
  }
  if (asked.isError) {
    return <Told problem={asked.error} />;
  }
  return <Page key={asked.data.id} check={asked.data} />;
}

function Page({ check }: { check: Check }) {
  const [correcting, setCorrecting] = useState(false);
  const navigate = useNavigate();
  const unit = check.instrument;
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'baseline' }}>
        <h1 className="fn-title" style={{ margin: 0, overflowWrap: 'anywhere' }}>
          Check {check.id} of {unit.id}
        </h1>
        <span style={{ flex: 1 }} />
        <span className="fn-noprint" style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
          {check.mayCorrect === null && !correcting && (
            <Button variant="outlined" onClick={() => setCorrecting(true)}>
              Correct or move
            </Button>
          )}
          <Button variant="outlined" onClick={() => window.print()}>
            Print
          </Button>
        </span>
      </div>
      <p style={{ color: ink.soft, margin: '2px 0 10px' }}>
        {check.procedure} · {day(check.at, check.zone)}, {clock(check.at, check.zone)} ({check.zone}) ·{' '}
        {check.who} · <Link to={`/kit/${unit.id}`}>{unit.id}</Link>, {unit.model}
        {unit.serial ? `, serial number ${unit.serial}` : ''}
      </p>
      <Standing check={check} />
      {correcting && (
        <CorrectCheck
          check={check}
          onClose={() => setCorrecting(false)}
          onDone={(made) => void navigate(`/checks/${made}`)}
        />
      )}
      {check.mayCorrect !== null && check.replacedBy === null && check.setAside === null && (
        <p className="fn-noprint" style={{ color: ink.soft, margin: '4px 0' }}>
          {check.mayCorrect}
        </p>
      )}
      <div className="fn-two">
        <div>
          <h2>Written down</h2>
          <Values check={check} />
          {check.remarks && <p>&ldquo;{check.remarks}&rdquo;</p>}
          <h2>Comes to</h2>
          <table className="fn-table">
            <tbody>
              {check.cells.map((cell) => (
                <tr key={cell.label}>
                  <th scope="row">{cell.label}</th>
                  <td className="fn-figure">{minus(cell.shown) || '–'}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Runs check={check} />
        </div>
        <div>
          <h2>Against</h2>
          <References check={check} />
          <h2>Steps</h2>
          <Steps check={check} />
        </div>
      </div>
      <p className="fn-noprint">
        <Link to={`/journal?about=${check.id}`}>What the journal says of it</Link>
      </p>
    </>
  );
}

/** Whether it counts, and what stands in its place or it in whose. */
function Standing({ check }: { check: Check }) {
  return (
    <>
      {check.replacedBy && (
        <Word strong>
          It counts for nothing any more:{' '}
          <Link to={`/checks/${check.replacedBy.check}`}>{check.replacedBy.check}</Link> stands in its place
          {check.replacedBy.instrument !== check.instrument.id && `, of ${check.replacedBy.instrument}`}.
          <Why said={check.replacedBy} zone={check.zone} />
        </Word>
      )}
      {check.inPlaceOf && (
        <Word>
          It stands in the place of{' '}
          <Link to={`/checks/${check.inPlaceOf.check}`}>{check.inPlaceOf.check}</Link>
          {check.inPlaceOf.instrument !== check.instrument.id &&
            `, which was written for ${check.inPlaceOf.instrument}`}
          .
          <Why said={check.inPlaceOf} zone={check.zone} />
        </Word>
      )}
      {check.setAside && (
        <Word strong>
          Set aside by {check.setAside.by}, {moment(check.setAside.at, check.zone)}: {check.setAside.reason}
        </Word>
      )}
      {check.brokenOff && <Word strong>It was broken off.</Word>}
    </>
  );
}

function Word({ strong = false, children }: { strong?: boolean; children: React.ReactNode }) {
  return (
    <div
      style={{
        borderLeft: `3px solid ${strong ? ink.void : ink.qualified}`,
        padding: '2px 0 2px 12px',
        margin: '6px 0 10px',
      }}
    >
      {children}
    </div>
  );
}

function Why({ said, zone }: { said: Schemas['CheckReplacement']; zone: string }) {
  return (
    <>
      <div style={{ color: ink.soft }}>
        {said.by}, {moment(said.at, zone)}: {said.reason} ({said.how})
      </div>
      {said.changes.map((change) => (
        <div key={change.label}>
          {change.label}: <s>{minus(change.was) || 'nothing'}</s>{' '}
          <b className="fn-figure">{minus(change.is) || 'taken back'}</b>
        </div>
      ))}
    </>
  );
}

function Values({ check }: { check: Check }) {
  const shown = check.values.filter((one) => !one.isName);
  return (
    <table className="fn-table">
      <tbody>
        {shown.map((one) => (
          <tr key={one.path}>
            <th scope="row">{one.label}</th>
            <td className="fn-figure">{minus(one.shown)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function References({ check }: { check: Check }) {
  if (check.references.length === 0) {
    return <p style={{ color: ink.soft }}>No reference.</p>;
  }
  return (
    <>
      {check.references.map((reference) => (
        <p key={reference.id} style={{ margin: '2px 0 8px' }}>
          <b>{reference.id}</b>, {reference.kind}, {reference.model}
          <br />
          {reference.certificate
            ? `certificate ${reference.certificate.number} of ${reference.certificate.laboratory}, issued ${reference.certificate.issued}, due ${reference.certificate.due}`
            : 'no certificate on that day'}
          {reference.recalled && <span style={{ color: ink.void }}>, recalled: {reference.recalled}</span>}
        </p>
      ))}
    </>
  );
}

const states: Record<string, string> = {
  done: '✓ done',
  skipped: '✗ skipped',
  'not applicable': '– not applicable',
};

function Steps({ check }: { check: Check }) {
  return (
    <table className="fn-table">
      <tbody>
        {check.steps
          .filter((step) => step.state !== null || step.required)
          .map((step) => (
            <tr key={step.id}>
              <th scope="row">{step.title}</th>
              <td style={{ color: step.state === 'done' ? ink.text : ink.qualified }}>
                {step.state === null ? 'nothing was said' : (states[step.state] ?? step.state)}
                {step.reason && `: ${step.reason}`}
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}

function Runs({ check }: { check: Check }) {
  return (
    <>
      <h2>Rests on it</h2>
      {check.runs.length === 0 && <p style={{ color: ink.soft }}>No run.</p>}
      {check.runs.map((run) => (
        <p key={run.run} style={{ margin: '2px 0' }}>
          {run.how === 'opens' ? '[ opens' : run.how === 'closes' ? '] closes' : '• lies in'}{' '}
          <Link to={`/results/${run.run}`}>{run.run}</Link>, {run.person}, {run.task},{' '}
          {moment(run.start, check.zone)} <VerdictSign verdict={run.verdict} />
        </p>
      ))}
    </>
  );
}

import Button from '@mui/material/Button';
import { Fragment, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useCheck, useSession } from '../api/hooks';
import { Files } from '../look/Files';
import { Lacking } from '../look/Told';
import { digitsOf, isDeviation } from '../look/history';
import { ink } from '../look/theme';
import { VerdictSign } from '../look/VerdictSign';
import { clock, clockToTheSecond, day, minus, moment, signed } from '../look/words';
import { mayRecord } from '../shell/roles';
import { CorrectCheck } from './CorrectCheck';
import { Label } from './Label';
import { Values } from './Values';

type Check = Schemas['Check'];

/** A check as it is on record: one page, to be printed and kept with the instrument. */
export function RecordedCheckView() {
  const { id = '' } = useParams();
  const asked = useCheck(id);
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  return <Page key={asked.data.id} check={asked.data} />;
}

function Page({ check }: { check: Check }) {
  const [correcting, setCorrecting] = useState(false);
  const [labelled, setLabelled] = useState(false);
  const navigate = useNavigate();
  const records = mayRecord(useSession().data?.user);
  const unit = check.instrument;
  return (
    <div className="fn-record">
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
          {check.replacedBy === null && check.setAside === null && !check.brokenOff && (
            <Button variant="outlined" aria-pressed={labelled} onClick={() => setLabelled(!labelled)}>
              {labelled ? 'No label' : 'Label'}
            </Button>
          )}
          <Button variant="outlined" onClick={() => window.print()}>
            {labelled ? 'Print the label' : 'Print'}
          </Button>
        </span>
      </div>
      <p style={{ color: ink.soft, margin: '2px 0 10px' }}>
        {check.procedure} · {day(check.at, check.zone)}, {clock(check.at, check.zone)} ({check.zone}) ·{' '}
        {check.who} · <Link to={`/kit/${unit.id}`}>{unit.id}</Link>, {unit.model}
        {unit.serial ? `, serial number ${unit.serial}` : ''}
      </p>
      {check.away !== null && <p style={{ margin: '2px 0', color: ink.soft }}>{check.away}</p>}
      {labelled && <Label check={check} />}
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
          <ComesTo check={check} />
          <h2>Photos and documents</h2>
          <Files of="check" id={check.id} adds={check.replacedBy === null && records} zone={check.zone} />
          <Runs check={check} />
        </div>
        <div>
          <h2>Against</h2>
          <References check={check} />
          <h2>Steps</h2>
          <Steps check={check} />
          {check.round.length > 0 && (
            <p style={{ color: ink.soft, margin: '6px 0' }}>
              Checked in one round, one after the other: {check.round.join(', ')}.
            </p>
          )}
        </div>
      </div>
      <p className="fn-noprint">
        <Link to={`/journal?about=${check.id}`}>What the journal says of it</Link>
      </p>
    </div>
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

/** What the check says of its instrument. */
function ComesTo({ check }: { check: Check }) {
  if (check.comesTo.length === 0) {
    return null;
  }
  const shown = (value: number | null, unit: string, sign = true) => {
    if (value === null) {
      return '–';
    }
    const text = value.toFixed(digitsOf(unit));
    return `${sign ? signed(text) : minus(text)} ${unit}`;
  };
  return (
    <>
      <h2>Comes to</h2>
      <div style={{ overflowX: 'auto' }}>
        <table className="fn-table">
          <thead>
            <tr>
              {check.comesTo.some((one) => one.channel !== '') && <th>Channel</th>}
              <th className="num">Found, {check.comesTo[0]?.shows}</th>
              <th className="num">Left</th>
              <th className="num">Drift since the check before</th>
              <th className="num">Adjusted by</th>
            </tr>
          </thead>
          <tbody>
            {check.comesTo.map((one) => {
              const deviates = isDeviation(one.unit);
              return (
                <tr key={one.channel}>
                  {check.comesTo.some((other) => other.channel !== '') && <td>{one.channel}</td>}
                  <td className="num fn-figure">{shown(one.found, one.unit, deviates)}</td>
                  <td className="num fn-figure">{shown(one.left, one.unit, deviates)}</td>
                  <td className="num fn-figure">{shown(one.drift, one.driftUnit)}</td>
                  <td className="num fn-figure">{shown(one.adjustment, one.unit)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </>
  );
}

const certificateOf = ({ certificate }: Check['references'][number]) =>
  certificate === null
    ? 'no certificate on that day'
    : `certificate ${certificate.number} of ${certificate.laboratory}, ` +
      `issued ${certificate.issued}, due ${certificate.due}`;

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
          {certificateOf(reference)}
          {reference.recalled && <span style={{ color: ink.void }}>, recalled: {reference.recalled}</span>}
        </p>
      ))}
    </>
  );
}

/** What was done stands in one line; whatever else became of a step has its own. */
function Steps({ check }: { check: Check }) {
  const done = check.steps.filter((step) => step.state === 'done');
  return (
    <>
      {check.steps
        .filter((step) => step.state !== 'done')
        .map((step) => (
          <p key={step.id} style={{ margin: '2px 0', color: ink.qualified }}>
            {step.state === 'not applicable' ? '–' : '✗'} <b>{step.title}</b>:{' '}
            {step.state ?? 'nothing was said of it'}
            {step.reason && `, ${step.reason}`}
            <OwnValues step={step} />
          </p>
        ))}
      {done.some((step) => step.at !== null) ? (
        <>
          <Timed steps={done} zone={check.zone} />
          {check.took !== null && (
            <p style={{ margin: '2px 0', color: ink.soft }}>
              Took {check.took < 100 ? `${check.took} s` : `${Math.round(check.took / 60)} min`}.
            </p>
          )}
        </>
      ) : (
        <p style={{ margin: '2px 0' }}>
          {done.map((step, place) => (
            <Fragment key={step.id}>
              <span style={{ whiteSpace: 'nowrap' }}>
                <span aria-hidden="true">✓ </span>
                {step.title}
                <OwnValues step={step} />
                {place < done.length - 1 && ','}
              </span>{' '}
            </Fragment>
          ))}
        </p>
      )}
    </>
  );
}

/** When each was confirmed, in the order of time: what one press confirmed together stands in one line, and says so. */
function Timed({ steps, zone }: { steps: Check['steps']; zone: string }) {
  const presses: Check['steps'][] = [];
  for (const step of steps) {
    const press = presses.find((one) => one.some((other) => step.together.includes(other.id)));
    if (press) {
      press.push(step);
    } else {
      presses.push([step]);
    }
  }
  const when = (press: Check['steps']) => press[0]?.at ?? '';
  presses.sort((a, b) => when(a).localeCompare(when(b)));
  return (
    <table style={{ borderSpacing: 0 }}>
      <tbody>
        {presses.map((press) => (
          <tr key={press[0]?.id}>
            <td
              className="fn-figure"
              style={{ verticalAlign: 'top', paddingRight: 10, whiteSpace: 'nowrap' }}
            >
              {when(press) === '' ? '' : clockToTheSecond(when(press), zone)}
            </td>
            <td>
              {press
                .map((step) => step.title + (step.waited === null ? '' : ` (waited ${step.waited} s)`))
                .join(', ')}
              {press.map((step) => (
                <OwnValues key={step.id} step={step} />
              ))}
              {press.length > 1 && <span style={{ color: ink.soft }}> by one press</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What was written down at a step of a model sheet; outside of what the sheet calls usual it stands out. */
function OwnValues({ step }: { step: Check['steps'][number] }) {
  return (
    <>
      {step.sheet !== '' && <span style={{ color: ink.soft }}> ({step.sheet})</span>}
      {step.values.map((value) => (
        <div
          key={value.words}
          style={value.isUnusual ? { color: ink.qualified, fontWeight: 600 } : { color: ink.soft }}
        >
          {value.words}
        </div>
      ))}
    </>
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

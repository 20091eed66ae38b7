import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { Fragment, useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useForms, useSession, useUnit } from '../api/hooks';
import { BeginTimer } from '../bench/BeginTimer';
import { useBeginCheck } from '../bench/useBeginCheck';
import { Files } from '../look/Files';
import { FitWords } from '../look/FitWords';
import { digitsOf, isDeviation } from '../look/history';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { isoOf, localOf, moment, signed } from '../look/words';
import { mayRecord, maySteward } from '../shell/roles';
import { AddCertificate } from './AddCertificate';
import { Certificates } from './Certificates';
import { CorrectedWords, CorrectKit } from './CorrectKit';
import { DriftPicture } from './DriftPicture';
import { Due } from './Due';
import { Choice, Form } from './Form';
import { GoesOn } from './GoesOn';
import { Recall } from './Recall';
import { Recalled } from './Recalled';
import { UnitsLike } from './FromTable';
import { KitWord } from './KitWord';
import { Retire, RetiredWords } from './Retire';
import { Routines } from './Routines';
import { Serial } from './Serial';
import { SetInterval } from './SetInterval';

/** One unit through time: how it was found and left at every check, what was done to it. */
export function UnitView() {
  const { id = '' } = useParams();
  const asked = useUnit(id);
  const session = useSession();
  const begin = useBeginCheck();
  const [retiring, setRetiring] = useState(false);
  const [recalling, setRecalling] = useState(false);
  const [correcting, setCorrecting] = useState(false);
  const forms = useForms();
  const [waiting, setWaiting] = useState(false);
  const [like, setLike] = useState(false);
  const [adding, setAdding] = useState(false);
  const [doing, setDoing] = useState(false);
  const [timing, setTiming] = useState(false);
  const [aside, setAside] = useState<string | null>(null);
  const [channel, setChannel] = useState('');
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  const unit = asked.data;
  const records = mayRecord(session.data?.user);
  const history = unit.histories.find((one) => one.channel === channel) ?? unit.histories[0];
  if (!history) {
    return null;
  }
  const deviates = isDeviation(history.unit);
  const points = new Map(history.points.map((point) => [point.check, point]));
  const about = deviates ? 'Deviation' : history.shows.replace(/^./, (letter) => letter.toUpperCase());
  const digits = digitsOf(history.unit);
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 14, alignItems: 'baseline' }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          {unit.id}
        </h1>
        <span style={{ color: ink.soft }}>
          {unit.familyTitle} {unit.model}
          {unit.about && `, ${unit.about}`}
          <Serial written={unit.written} /> ·{' '}
          {unit.due === null ? (
            'no laboratory certificate'
          ) : (
            <>
              certificate <Due due={unit.due} state={unit.dueState} by={unit.dueInterval} />
            </>
          )}
        </span>
        <span style={{ flex: 1 }} />
        {records && (
          <>
            {unit.procedures.map((procedure, i) => (
              <Button
                key={procedure.id}
                variant={i === 0 ? 'outlined' : 'text'}
                onClick={() => begin.mutate({ unit: unit.id, procedure: procedure.id })}
              >
                {i === 0 ? 'Check' : procedure.title}
              </Button>
            ))}
            <Button onClick={() => setDoing(true)}>Service or repair</Button>
            <Button onClick={() => setAdding(true)}>Add certificate</Button>
            {maySteward(session.data?.user) && (
              <>
                <Button onClick={() => setTiming(true)}>Set an interval</Button>
                <Button onClick={() => setCorrecting(true)}>Typed in wrongly</Button>
                <Button color="error" onClick={() => setRecalling(true)}>
                  Recall
                </Button>
                <Button onClick={() => setRetiring(true)}>
                  {unit.retired ? 'Take back into use' : 'Take out of use'}
                </Button>
              </>
            )}
            {unit.retired === null && (
              <>
                <Button aria-expanded={waiting} onClick={() => setWaiting(!waiting)}>
                  A timer
                </Button>
                <Button onClick={() => setLike(true)}>More like it</Button>
              </>
            )}
          </>
        )}
      </div>
      {unit.channels.length > 0 && (
        <dl style={{ margin: '10px 0 0', display: 'grid', gridTemplateColumns: '70px 1fr', rowGap: 3 }}>
          {unit.traits
            .filter((trait) => unit.channels.includes(trait.label))
            .map((trait) => (
              <Fragment key={trait.label}>
                <dt style={{ fontWeight: 650 }}>{trait.label}</dt>
                <dd style={{ margin: 0, color: ink.soft }}>{trait.shown}</dd>
              </Fragment>
            ))}
        </dl>
      )}
      {unit.recalls.map((recall) => (
        <Recalled
          key={recall.place}
          owner="instruments"
          id={unit.id}
          recall={recall}
          takesBack={maySteward(session.data?.user)}
        />
      ))}
      {recalling && <Recall owner="instruments" id={unit.id} onClose={() => setRecalling(false)} />}
      <CorrectedWords corrections={unit.corrections} />
      {correcting && forms.data && (
        <CorrectKit
          owner="instruments"
          id={unit.id}
          written={unit.written}
          entries={forms.data.families.find((family) => family.id === unit.family)?.entries ?? []}
          onClose={() => setCorrecting(false)}
        />
      )}
      {unit.retired && (
        <p style={{ margin: '4px 0' }}>
          <RetiredWords retired={unit.retired} />
        </p>
      )}
      {retiring && (
        <Retire
          owner="instruments"
          id={unit.id}
          back={unit.retired !== null}
          onClose={() => setRetiring(false)}
        />
      )}
      {like && <UnitsLike id={unit.id} onClose={() => setLike(false)} />}
      {waiting && <BeginTimer units={[unit]} onStarted={() => setWaiting(false)} />}
      <h2>To go out</h2>
      <FitWords fit={unit.fit} />
      <KitWord owner="instruments" id={unit.id} says={records} />
      {unit.routines.length > 0 && (
        <>
          <h2>Intervals</h2>
          <Routines routines={unit.routines} />
        </>
      )}
      <h2>{about} through time</h2>
      {unit.channels.length > 1 && (
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Channel"
          value={history.channel}
          onChange={(_, chosen: string | null) => chosen !== null && setChannel(chosen)}
        >
          {unit.channels.map((one) => (
            <ToggleButton key={one} value={one} sx={{ textTransform: 'none', px: 2 }}>
              {one}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      <DriftPicture history={history} about={about} />
      <GoesOn unit={unit.id} channel={history.channel} />
      {history.trends.map((trend) => (
        <section key={trend.title} aria-label={trend.title}>
          <h2>{trend.title} through time</h2>
          <DriftPicture history={trend} about={trend.title} />
          {trend.since !== null && (
            <p style={{ margin: '2px 0', color: ink.soft }}>
              Since {trend.certified ? `the certificate of ${trend.certified}` : 'its first check'} it moved
              by{' '}
              <b className="fn-figure">
                {signed(trend.since.toFixed(2))} {trend.unit}
              </b>
              . A slow walk means an ageing microphone, a jump means damage.
            </p>
          )}
        </section>
      ))}
      <h2>Checks</h2>
      {unit.checks.length === 0 && <p style={{ color: ink.soft }}>Never checked.</p>}
      {unit.checks.length > 0 && (
        <div style={{ overflowX: 'auto' }}>
          <table className="fn-table" style={{ minWidth: 640 }}>
            <thead>
              <tr>
                <th>Check</th>
                <th>When, by whom</th>
                <th>Reference</th>
                <th className="num">
                  {history.shows === 'off by' ? 'Found off by' : `Found, ${history.shows}`}, {history.unit}
                </th>
                <th className="num">Drift {history.driftUnit}</th>
                <th className="num">Adjusted by {history.unit}</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {unit.checks.map((check) => {
                const point = points.get(check.id);
                const cell = (value: number | null | undefined, places: number, sign = true) =>
                  value === null || value === undefined
                    ? '–'
                    : sign
                      ? signed(value.toFixed(places))
                      : value.toFixed(places);
                return (
                  <tr
                    key={check.id}
                    style={check.replacedBy ? { textDecoration: 'line-through', color: ink.soft } : {}}
                  >
                    <td>
                      <Link to={`/checks/${check.id}`}>{check.id}</Link>
                    </td>
                    <td>
                      {moment(check.at)}, {check.by}
                    </td>
                    <td>{check.reference ?? 'none'}</td>
                    <td className="num fn-figure">{cell(point?.found, digits, deviates)}</td>
                    <td className="num fn-figure">{cell(point?.drift, 2)}</td>
                    <td className="num fn-figure">{cell(point?.adjustment, digits)}</td>
                    <td>
                      {check.replacedBy ? (
                        <>
                          in its place: <Link to={`/checks/${check.replacedBy}`}>{check.replacedBy}</Link>
                        </>
                      ) : check.setAside ? (
                        <span style={{ color: ink.void }}>set aside: {check.setAside}</span>
                      ) : check.brokenOff ? (
                        'broken off'
                      ) : (
                        records &&
                        !check.adjusted && (
                          <Button size="small" onClick={() => setAside(check.id)}>
                            Set aside
                          </Button>
                        )
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
      {unit.interventions.length > 0 && (
        <>
          <h2>Done to it</h2>
          {unit.interventions.map((event) => (
            <p key={event.id} style={{ margin: '2px 0' }}>
              {moment(event.at)}, {event.by}: {event.kind}
              {event.channel && `, ${event.channel}`}
              {event.note && <> &ldquo;{event.note}&rdquo;</>}
            </p>
          ))}
        </>
      )}
      <h2>Photos and documents</h2>
      <Files of="instrument" id={unit.id} adds={mayRecord(session.data?.user)} />
      <h2>Certificates</h2>
      <Certificates owner="instruments" id={unit.id} certificates={unit.certificates} corrects={records} />
      <p>
        <Link to={`/results?instrument=${unit.id}`}>Its results</Link>
      </p>
      {adding && <AddCertificate owner="instruments" id={unit.id} onClose={() => setAdding(false)} />}
      {timing && (
        <SetInterval
          owner="instruments"
          id={unit.id}
          routines={unit.settable}
          set={unit.intervals}
          onClose={() => setTiming(false)}
        />
      )}
      {doing && <Done unit={unit} onClose={() => setDoing(false)} />}
      {aside && <SetAside id={aside} onClose={() => setAside(null)} />}
    </>
  );
}

function Done({ unit, onClose }: { unit: Schemas['InstrumentPage']; onClose: () => void }) {
  const { id } = unit;
  const forms = useForms();
  const interventions = forms.data?.families.find((family) => family.id === unit.family)?.interventions ?? [];
  const [kind, setKind] = useState('repaired');
  const [channel, setChannel] = useState('');
  const [note, setNote] = useState('');
  const [at, setAt] = useState(() => localOf(new Date()));
  const tell = useChange(
    () =>
      answer(
        api.POST('/api/bench/{instrument}/interventions', {
          params: { path: { instrument: id } },
          body: { kind, note, at: isoOf(at), ...(channel ? { channel } : {}) },
        }),
      ),
    onClose,
  );
  return (
    <Form
      title={`Something was done to ${id}`}
      action="Write it down"
      problem={tell.error}
      busy={tell.isPending}
      onClose={onClose}
      onSubmit={() => tell.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0, color: ink.qualified, fontWeight: 600 }}>
        This ends every open bracket of {channel || 'the instrument'} for good.
      </p>
      <Choice label="What" value={kind} set={setKind} among={interventions} />
      {unit.channels.length > 0 && (
        <TextField
          select
          label="Of"
          value={channel}
          onChange={(event) => setChannel(event.target.value)}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">the whole instrument</MenuItem>
          {unit.channels.map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
        </TextField>
      )}
      <TextField
        label="When, local time"
        type="datetime-local"
        value={at}
        onChange={(event) => setAt(event.target.value)}
        error={tell.error?.of('at') !== undefined}
        helperText={tell.error?.of('at')}
      />
      <TextField label="Note" value={note} onChange={(event) => setNote(event.target.value)} />
    </Form>
  );
}

function SetAside({ id, onClose }: { id: string; onClose: () => void }) {
  const [reason, setReason] = useState('');
  const set = useChange(
    () =>
      answer(api.POST('/api/bench/checks/{id}/set-aside', { params: { path: { id } }, body: { reason } })),
    onClose,
  );
  return (
    <Form
      title={`Set check ${id} aside`}
      action="Set aside"
      problem={set.error}
      busy={set.isPending}
      onClose={onClose}
      onSubmit={() => set.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        The check shows nothing of the instrument: a bad seal, a wrong adapter, a wrong level. It stays on
        record and is passed over.
      </p>
      <TextField
        label="Reason"
        required
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        sx={{ gridColumn: '1 / -1' }}
      />
    </Form>
  );
}

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Link } from 'react-router';
import { useBench, useSession } from '../api/hooks';
import { AtHand } from '../away/AtHand';
import { usePrepared } from '../away/prepared';
import { useReach } from '../away/reach';
import { useAwayChecks } from '../away/checks';
import { FitWords } from '../look/FitWords';
import { Empty, Loading, Told } from '../look/Told';
import { Practice } from '../look/Practice';
import { ink } from '../look/theme';
import { moment } from '../look/words';
import { mayRecord } from '../shell/roles';
import { BeginRound } from './BeginRound';
import { BeginTimer } from './BeginTimer';
import { SharedShift } from './SharedShift';
import { useBeginCheck } from './useBeginCheck';

/** What is begun with several units at once. */
const tools = [
  { name: 'round', words: 'A round' },
  { name: 'timer', words: 'A timer' },
  { name: 'away', words: 'Without a network' },
] as const;

/** Which unit to check; holds, half-done checks, and what moved together. */
export function BenchView() {
  const bench = useBench();
  const session = useSession();
  const begin = useBeginCheck();
  const here = useAwayChecks();
  const atHand = usePrepared();
  const { reached } = useReach();
  const [tool, setTool] = useState<(typeof tools)[number]['name'] | null>(null);
  if (bench.isPending) {
    return <Loading />;
  }
  if (!bench.data) {
    return <Told problem={bench.error} />;
  }
  const records = mayRecord(session.data?.user);
  // What waits for a check stands first.
  const weight = (unit: (typeof bench.data.units)[number]) =>
    unit.draft ? 0 : unit.hold.length > 0 ? 1 : unit.running ? 2 : 3;
  const person = session.data?.user?.code;
  const isHere = (unit: string) =>
    (here.data ?? []).findLast((check) => check.instrument === unit && check.person === person);
  // Without a network a check is walked with what was handed out, or it is half done already.
  const mayBegin = (unit: (typeof bench.data.units)[number]) =>
    reached || unit.draft !== null || (atHand.data ?? []).some((one) => one.id === unit.id);
  const units = [...bench.data.units].sort((a, b) => weight(a) - weight(b));
  if (bench.data.units.length === 0) {
    return (
      <Empty title="No instrument to check yet">
        Register instruments and references under <Link to="/kit">Kit</Link>.
      </Empty>
    );
  }
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '0 10px' }}>
        <h1 style={{ margin: '0 12px 4px 0' }} className="fn-title">
          Bench
        </h1>
        {records && (
          <>
            {tools.map((one) => (
              <Button
                key={one.name}
                variant={tool === one.name ? 'contained' : 'text'}
                aria-expanded={tool === one.name}
                sx={{ minHeight: 44 }}
                onClick={() => setTool(tool === one.name ? null : one.name)}
              >
                {one.words}
              </Button>
            ))}
          </>
        )}
      </div>
      {tool === 'round' && <BeginRound units={units} />}
      {tool === 'away' && <AtHand units={units} />}
      {tool === 'timer' && <BeginTimer units={units} onStarted={() => setTool(null)} />}
      {bench.data.shifts.map((shift) => (
        <SharedShift key={shift.reference + shift.when} shift={shift} />
      ))}
      <Told problem={begin.error} />
      <div style={{ overflowX: 'auto' }}>
        <table className="fn-table fn-bench">
          <thead>
            <tr>
              <th>Instrument</th>
              <th>What it is</th>
              <th>Last check</th>
              <th>To go out</th>
              <th aria-label="Action" />
            </tr>
          </thead>
          <tbody>
            {units.map((unit) => (
              <tr key={unit.id}>
                <td>
                  <Link to={`/kit/${unit.id}`} style={{ fontWeight: 650, textDecoration: 'none' }}>
                    {unit.id}
                  </Link>{' '}
                  <span style={{ color: ink.soft }}>{unit.model}</span> {unit.practice && <Practice />}
                </td>
                <td className="fn-what" style={{ color: ink.soft, fontSize: '0.86rem', maxWidth: 380 }}>
                  {unit.about}
                </td>
                <td>
                  {unit.lastCheck ? (
                    <>
                      {moment(unit.lastCheck.at)},{' '}
                      <span style={{ whiteSpace: 'nowrap' }}>
                        {unit.lastCheck.reference ?? 'no reference'}
                      </span>
                    </>
                  ) : (
                    'never'
                  )}
                </td>
                <td>
                  {unit.running ? (
                    <span>running: {unit.running}</span>
                  ) : unit.hold.length > 0 ? (
                    <b style={{ color: ink.qualified }}>
                      do not adjust: as found closes{' '}
                      {unit.hold.map((run, i) => (
                        <span key={run} style={{ whiteSpace: 'nowrap' }}>
                          {i > 0 && ', '}
                          {run}
                        </span>
                      ))}
                    </b>
                  ) : null}
                  {!unit.running && <FitWords fit={unit.fit} />}
                </td>
                <td style={{ textAlign: 'right', whiteSpace: 'nowrap' }}>
                  {records && mayBegin(unit) && !unit.draft && unit.procedures.length > 1 && (
                    <TextField
                      select
                      label="Other checks"
                      value=""
                      onChange={(event) => begin.mutate({ unit: unit.id, procedure: event.target.value })}
                      sx={{ width: 150, mr: 1, textAlign: 'left' }}
                    >
                      {unit.procedures.slice(1).map((one) => (
                        <MenuItem key={one.id} value={one.id}>
                          {one.title}
                        </MenuItem>
                      ))}
                    </TextField>
                  )}
                  {records && unit.draft?.round && (
                    <Button
                      component={Link}
                      to={`/bench/rounds/${unit.draft.round}`}
                      variant="contained"
                      sx={{ minHeight: 48, minWidth: 150 }}
                    >
                      Round ({unit.draft.by})
                    </Button>
                  )}
                  {records && isHere(unit.id) !== undefined && (
                    <Button
                      component={Link}
                      to={`/bench/${isHere(unit.id)?.id}`}
                      variant="contained"
                      sx={{ minHeight: 48, minWidth: 150 }}
                    >
                      {isHere(unit.id)?.closed ? 'In the outbox' : 'Go on (here)'}
                    </Button>
                  )}
                  {records && !mayBegin(unit) && <span style={{ color: ink.soft }}>not on this device</span>}
                  {records && mayBegin(unit) && !unit.draft?.round && isHere(unit.id) === undefined && (
                    <Button
                      variant={unit.draft ? 'contained' : 'outlined'}
                      onClick={() => begin.mutate({ unit: unit.id })}
                      sx={{ minHeight: 48, minWidth: 150 }}
                    >
                      {unit.draft ? `Go on (${unit.draft.by})` : 'Check'}
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

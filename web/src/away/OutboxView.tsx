import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { useSession } from '../api/hooks';
import { Empty, Loading, Told } from '../look/Told';
import { ink } from '../look/theme';
import { isoOf, moment } from '../look/words';
import { Mine, Theirs } from './Beside';
import {
  breakOffInstead,
  bringAsItsOwn,
  bringBeside,
  correct,
  forgetCheck,
  isOff,
  isOvertaken,
  meanwhile,
  sayBeside,
  saysTheTime,
  standsAt,
} from './decisions';
import { broughtAs, decide, letGo, useOutbox } from './outbox';
import { useReach } from './reach';
import type { Waiting } from './store';
import { WaitsHere } from './WaitsHere';

/** What is asked or offered of one thing, in a row. */
const asked = { display: 'flex', flexWrap: 'wrap', gap: 10, alignItems: 'center', margin: '8px 0' } as const;

/** What was made without a network and is not at the server yet, and what waits for a decision. */
export function OutboxView() {
  const outbox = useOutbox();
  const session = useSession();
  const { reached } = useReach();
  const person = session.data?.user?.code ?? '';
  if (outbox.isPending) {
    return <Loading />;
  }
  const mine = (outbox.data ?? []).filter((one) => one.person === person);
  return (
    <>
      <h1 className="fn-title" style={{ margin: 0 }}>
        Outbox
      </h1>
      <WaitsHere but={person} />
      {mine.length === 0 ? (
        <Empty title="Nothing waits">
          What you do without a network is kept here until the server has it. Nobody else sends it.
        </Empty>
      ) : (
        <>
          <p style={{ color: ink.soft, margin: '2px 0 10px', maxWidth: 760 }}>
            Kept on this device and sent in this order
            {reached
              ? '. What was refused waits for you; what hangs on it waits with it.'
              : ' when the server answers.'}
          </p>
          <ol style={{ listStyle: 'none', padding: 0, margin: 0, maxWidth: 980 }}>
            {mine.map((one) => (
              <li key={one.seq} style={{ borderTop: `1px solid ${ink.rule}`, padding: '8px 0' }}>
                <div style={{ display: 'flex', flexWrap: 'wrap', columnGap: 12, alignItems: 'baseline' }}>
                  <b>{one.words}</b>
                  <span style={{ color: ink.soft }}>{moment(one.at)}</span>
                  <span style={{ flex: 1 }} />
                  <span style={{ color: one.refused ? ink.void : ink.soft }}>
                    {one.refused ? '✕ refused' : reached ? 'waits its turn' : 'waits for the network'}
                  </span>
                </div>
                {one.refused && <Refused one={one} />}
                {one.refused === null && one.kind === 'run' && <Over run={one} />}
              </li>
            ))}
          </ol>
        </>
      )}
    </>
  );
}

/** What was refused: why, what stands beside it, and what can be decided. */
function Refused({ one }: { one: Waiting }) {
  const [reason, setReason] = useState('');
  const others = meanwhile(one);
  const isCheck = one.kind === 'check';
  const press = { minHeight: 44 };
  return (
    <div style={{ borderLeft: `4px solid ${ink.void}`, paddingLeft: 12, margin: '6px 0' }}>
      <p style={{ margin: '2px 0 8px', fontWeight: 600, color: ink.void }}>{one.refused?.detail}</p>
      {isCheck && (
        <div style={{ display: 'flex', flexWrap: 'wrap', gap: 24, alignItems: 'flex-start' }}>
          <div style={{ flex: '1 1 300px' }}>
            <h2 style={{ margin: '0 0 4px', fontSize: '1rem' }}>On this device</h2>
            <Mine one={one} />
          </div>
          {others.length > 0 && (
            <div style={{ flex: '1 1 300px' }}>
              <h2 style={{ margin: '0 0 4px', fontSize: '1rem' }}>Meanwhile</h2>
              {others.map((other) => (
                <Theirs key={other.id} id={other.id} said={other.words} />
              ))}
            </div>
          )}
        </div>
      )}
      {isOff(one) && <Off one={one} />}
      {one.kind === 'word on a run' && one.refused?.status === 409 && <Said one={one} />}
      {(one.kind === 'run' || (one.kind === 'word on a run' && one.refused?.status !== 409)) && (
        <Correct one={one} />
      )}
      {one.kind === 'acceptance' && <GoOn one={one} />}
      {isCheck && !isOff(one) && (
        <div style={asked}>
          {others.length > 0 && (
            <Button variant="contained" sx={press} onClick={() => void bringBeside(one)}>
              Both stand: bring mine
            </Button>
          )}
          {isOvertaken(one) && (
            <Button variant="contained" sx={press} onClick={() => void bringAsItsOwn(one)}>
              Bring mine as a check of its own
            </Button>
          )}
          {others.length === 0 && !isOvertaken(one) && (
            <Button variant="outlined" sx={press} onClick={() => void decide(one, {})}>
              Send again
            </Button>
          )}
        </div>
      )}
      {isCheck && (
        <div style={asked}>
          <TextField
            size="small"
            label="Or why mine shows nothing"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            sx={{ flex: '1 1 240px', maxWidth: 420 }}
          />
          <Button
            color="warning"
            sx={press}
            disabled={reason.trim() === ''}
            onClick={() => void breakOffInstead(one, reason.trim())}
          >
            Keep mine as broken off
          </Button>
        </div>
      )}
      {(!isCheck || isOvertaken(one)) && (
        <Button
          color="warning"
          sx={press}
          onClick={() => {
            if (window.confirm(`Let ${one.words} go? It is on this device alone.`)) {
              void (isCheck ? forgetCheck(one) : letGo(one));
            }
          }}
        >
          Let it go
        </Button>
      )}
    </div>
  );
}

/** The clock of this device was off: a person says when it was made, or why the moments stand. */
function Off({ one }: { one: Waiting }) {
  const [why, setWhy] = useState('');
  const [at, setAt] = useState('');
  return (
    <div style={asked}>
      <TextField
        size="small"
        label="Why its moments stand, or how you know the right one"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        sx={{ flex: '1 1 320px', maxWidth: 460 }}
      />
      {one.kind === 'check' && (
        <TextField
          size="small"
          type="datetime-local"
          label="When it was made, where that is wrong"
          value={at}
          onChange={(event) => setAt(event.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      )}
      <Button
        variant="contained"
        disabled={why.trim() === ''}
        sx={{ minHeight: 44 }}
        onClick={() => void saysTheTime(one, why.trim(), at === '' ? null : isoOf(at))}
      >
        Send it so
      </Button>
    </div>
  );
}

/** Somebody said something of the run meanwhile. */
function Said({ one }: { one: Waiting }) {
  const [problem, setProblem] = useState<Error | null>(null);
  return (
    <p style={{ margin: '4px 0' }}>
      <Link to={one.path.replace('/api', '').replace('/facts', '')}>Look at the run</Link>{' '}
      <Button
        variant="contained"
        sx={{ minHeight: 44 }}
        onClick={() =>
          void sayBeside(one).catch((refused: unknown) =>
            setProblem(refused instanceof Error ? refused : new Error('The run was not reached.')),
          )
        }
      >
        Both stand: send mine
      </Button>
      <Told problem={problem} />
    </p>
  );
}

/** Fields that were refused, to be written anew. */
function Correct({ one }: { one: Waiting }) {
  const [values, setValues] = useState<Record<string, string>>({});
  const fields = (one.refused?.fields ?? []).filter(({ field }) => field !== '/clock');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void correct(one, values);
      }}
      style={asked}
    >
      {fields.map(({ field, problem }) => (
        <TextField
          key={field}
          size="small"
          label={field.slice(field.lastIndexOf('/') + 1)}
          helperText={problem}
          value={values[field] ?? standsAt(one, field)}
          onChange={(event) => setValues({ ...values, [field]: event.target.value })}
          sx={{ flex: '1 1 260px' }}
        />
      ))}
      <Button type="submit" variant="outlined" sx={{ minHeight: 44 }}>
        Send again
      </Button>
    </form>
  );
}

/** A check that is at the server and cannot be accepted as it stands: it is gone on with there. */
function GoOn({ one }: { one: Waiting }) {
  const request = one.after[0] ?? '';
  const draft = useQuery({
    queryKey: ['away', 'brought', request],
    queryFn: () => broughtAs(request),
  });
  return draft.data ? (
    <p style={{ margin: '4px 0' }}>
      <Link to={`/bench/${draft.data}`}>Go on with the check</Link>, mend it there and accept it; then let
      this go.
    </p>
  ) : null;
}

/** A run that was begun here and is over before the server knows of it. */
function Over({ run }: { run: Waiting }) {
  const [stop, setStop] = useState('');
  return (
    <div style={asked}>
      <TextField
        size="small"
        type="datetime-local"
        label="It is over: stop, local time"
        value={stop}
        onChange={(event) => setStop(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Button
        disabled={stop === ''}
        sx={{ minHeight: 44 }}
        onClick={() => void decide(run, { body: { ...run.body, stop: isoOf(stop) } })}
      >
        Write it down
      </Button>
    </div>
  );
}

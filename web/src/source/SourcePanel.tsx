import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useRef, useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { useAwake } from '../bench/useAwake';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { plural } from '../look/words';
import { useKeys } from '../shell/keys';
import { Channel } from './Channel';
import { ChooseSource } from './ChooseSource';
import { Frame } from './Frame';
import type { useSource } from './useSource';

const named = (source: ReturnType<typeof useSource>['source'], standIn: boolean): string => {
  switch (source?.kind) {
    case 'port':
      return 'the serial port';
    case 'file':
      return source.name;
    case 'pasted':
      return 'the pasted lines';
    default:
      return standIn ? 'the stand-in' : '';
  }
};

/** What a source shows at a step: its trace, whether it stands still, what is waited for; one key takes it. */
export function SourcePanel({
  draft,
  step,
  source,
  seen,
  replace,
  missing,
  toSet,
  leave,
}: {
  draft: Schemas['Draft'];
  step: Schemas['Step'];
  source: ReturnType<typeof useSource>;
  /** The version that is on the screen, once everything typed has arrived. */
  seen: () => Promise<number>;
  /** The half-done check as the server has it now. */
  replace: (draft: Schemas['Draft']) => void;
  /** So many of the readings that the step wants are still missing. */
  missing: number;
  /** What a person sets before the next reading is taken; null: nothing. */
  toSet: string | null;
  /** Where the next step asks whether it was adjusted: takes the reading, and says that it is left as it is. */
  leave: ((draft: Schemas['Draft']) => void) | null;
}) {
  const { heard, points } = source;
  const path = { id: draft.id };
  const connect = useChange(
    async (told: { connected: boolean; fault: string }) =>
      answer(
        api.PUT('/api/bench/drafts/{id}/stand-in', {
          params: { path },
          body: { version: await seen(), ...told },
        }),
      ),
    replace,
  );
  const take = useChange(async (anyway: boolean) => {
    const from = source.told() ?? { kind: 'port' as const, lines: '' };
    return answer(
      api.POST('/api/bench/drafts/{id}/take', {
        params: { path },
        body: { version: await seen(), step: step.id, source: from, anyway },
      }),
    );
  }, replace);
  useAwake(source.connected);
  const channels = heard?.channels ?? [];
  const judged = channels.filter((one) => one.isJudged);
  // While something is waited for it is looked at, and nothing is taken.
  const takes = step.kind !== 'wait';
  const ready =
    takes &&
    channels.some((one) => one.value !== null) &&
    judged.every((one) => one.steady === true) &&
    heard?.refusals.length === 0;
  const any = channels.some((one) => one.value !== null) && heard?.refusals.length === 0;
  // Replicates follow by themselves, each after its interval, until the step has what it wants.
  const [next, setNext] = useState<number | null>(null);
  const every = heard?.every ?? null;
  const takeIt = (anyway: boolean) => {
    if (!take.isPending) {
      take.mutate(anyway, {
        onSuccess: () => setNext(missing > 1 && every !== null ? Date.now() + every * 1000 : null),
      });
    }
  };
  const due = useRef(takeIt);
  useEffect(() => {
    due.current = takeIt;
  });
  const stamp = heard?.now;
  const follows = next !== null && missing > 0;
  useEffect(() => {
    if (follows && ready && Date.now() >= next) {
      due.current(false);
    }
  }, [follows, next, ready, stamp]);
  const mayLeave = leave !== null && missing === 1;
  const takeAndLeave = () => {
    if (ready && mayLeave && !take.isPending) {
      take.mutate(false, { onSuccess: (taken) => leave(taken) });
    }
  };
  useKeys({ t: () => (ready ? takeIt(false) : undefined), l: takeAndLeave });
  if (!source.connected) {
    return (
      <>
        <ChooseSource
          draft={draft}
          choose={source.choose}
          connect={() => connect.mutate({ connected: true, fault: '' })}
        />
        <Told problem={connect.error} />
      </>
    );
  }
  const waiting = judged.filter((one) => one.steady !== true);
  return (
    <Frame>
      <div style={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 10 }}>
        <span style={{ color: ink.soft }}>From {named(source.source, source.standIn)}</span>
        {draft.standIn && source.source === null && (
          <TextField
            select
            size="small"
            label="What is wrong with it"
            value={draft.standIn.fault ?? ''}
            onChange={(event) => connect.mutate({ connected: true, fault: event.target.value })}
            sx={{ minWidth: 150, maxWidth: 360 }}
            slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
          >
            <MenuItem value="">nothing</MenuItem>
            {draft.standIn.faults.map((one) => (
              <MenuItem key={one.id} value={one.id}>
                {one.words}
              </MenuItem>
            ))}
          </TextField>
        )}
        <span style={{ flex: 1 }} />
        <Button
          size="small"
          onClick={() =>
            source.source === null ? connect.mutate({ connected: false, fault: '' }) : source.choose(null)
          }
        >
          Let it go
        </Button>
      </div>
      {channels.map((one) => (
        <Channel
          key={one.channel}
          name={one.channel}
          value={one.value}
          unit={one.in}
          points={points[one.channel] ?? []}
          isJudged={one.isJudged}
          steady={one.steady}
          words={one.words}
          large={channels.length <= 2}
        />
      ))}
      {heard?.refusals.map((one) => (
        <p key={one} style={{ color: ink.void, margin: '6px 0', fontWeight: 600 }}>
          {one} Nothing of it can be taken.
        </p>
      ))}
      {heard && heard.unread.count > 0 && (
        <details>
          <summary style={{ color: ink.qualified, padding: '4px 0' }}>
            {plural(heard.unread.count, 'line')} could not be read
          </summary>
          {heard.unread.last.map((one) => (
            <div key={one.line} style={{ fontSize: '0.88rem' }}>
              Line {one.line} {one.problem}
            </div>
          ))}
        </details>
      )}
      {heard && heard.others.length > 0 && (
        <p style={{ color: ink.soft, margin: '4px 0', fontSize: '0.88rem' }}>
          Printed too, not asked here: {heard.others.join(', ')}.
        </p>
      )}
      {source.problem !== null && <p style={{ color: ink.void, margin: '6px 0' }}>{source.problem}</p>}
      {toSet !== null && (
        <p style={{ margin: '6px 0 0' }}>
          Next: <b>{toSet}</b>. Set it first; what stood there before is not taken.
        </p>
      )}
      {takes && (
        <div style={{ display: 'flex', flexWrap: 'wrap', gap: 10, alignItems: 'center', marginTop: 8 }}>
          <Button
            variant="contained"
            disabled={!ready || take.isPending}
            onClick={() => takeIt(false)}
            sx={{ minHeight: 56, minWidth: 160, fontSize: '1.05rem' }}
          >
            Take it&nbsp;<span className="fn-key">(t)</span>
          </Button>
          {mayLeave && (
            <Button
              variant="outlined"
              disabled={!ready || take.isPending}
              onClick={takeAndLeave}
              sx={{ minHeight: 56, fontSize: '1.05rem' }}
            >
              Take it, left as it is&nbsp;<span className="fn-key">(l)</span>
            </Button>
          )}
          {any && !ready && (
            <Button
              color="warning"
              disabled={take.isPending}
              onClick={() => takeIt(true)}
              sx={{ minHeight: 48 }}
            >
              Take it though it moves
            </Button>
          )}
          {follows && (
            <span style={{ color: ink.soft }}>
              {plural(missing, 'reading')} more {missing === 1 ? 'follows' : 'follow'} by{' '}
              {missing === 1 ? 'itself' : 'themselves'}
              {every !== null && every > 0 && `, ${every} s apart`}.{' '}
              <Button size="small" onClick={() => setNext(null)}>
                Stop
              </Button>
            </span>
          )}
          {!follows && waiting.length > 0 && channels.length > 1 && (
            <span style={{ color: ink.soft }}>Waits for {waiting.map((one) => one.channel).join(', ')}.</span>
          )}
        </div>
      )}
      <Told problem={take.error ?? connect.error} />
    </Frame>
  );
}

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useResult } from '../api/hooks';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { isoOf, localOf } from '../look/words';
import { Word } from './Word';

type Altered = Schemas['Altered'];

/**
 * A hygienist leaves a stretch out of what was measured, or says that one stays in; says what the rest of the day was; or
 * declares the segment up to a good check representative.
 */
export function LeaveOut({ run, log }: { run: Schemas['Run']; log: boolean }) {
  const result = useResult(run.id);
  const [stretch, setStretch] = useState({
    from: localOf(new Date(run.start)),
    to: localOf(new Date(run.start)),
  });
  const [stays, setStays] = useState(false);
  const [reason, setReason] = useState('');
  const [why, setWhy] = useState('');
  const learn = useChange((body: Schemas['NewFacts']) =>
    answer(
      api.POST('/api/runs/{id}/facts', {
        params: { path: { id: run.id } },
        body: { ...body, seen: run.learned.length },
      }),
    ),
  );
  const between = result.data?.assessment.bracket.between ?? [];
  const looks = [
    ...new Map(
      (result.data?.assessment.results ?? [])
        .flatMap((one) => one.altered)
        .filter((one) => one.from !== null && (one.kind === 'offered' || one.kind === 'by rule'))
        .map((one) => [`${one.what} ${one.from}`, one]),
    ).values(),
  ];
  const take = (one: Altered, isIn: boolean) => {
    setStretch({ from: localOf(new Date(one.from ?? '')), to: localOf(new Date(one.to ?? '')) });
    setStays(isIn);
  };
  const time = (name: 'from' | 'to', label: string) => (
    <TextField
      label={label}
      type="datetime-local"
      value={stretch[name]}
      onChange={(event) => setStretch({ ...stretch, [name]: event.target.value })}
      required
      error={learn.error?.of(name) !== undefined}
      helperText={learn.error?.of(name)}
      slotProps={{ htmlInput: { step: 1 }, inputLabel: { shrink: true } }}
    />
  );
  return (
    <section>
      {log && (
        <>
          <h2>Leave a stretch out, or in</h2>
          {looks.map((one) => (
            <div
              key={`${one.what} ${one.from}`}
              style={{ display: 'flex', gap: 10, flexWrap: 'wrap', alignItems: 'baseline', margin: '2px 0' }}
            >
              <span>
                {one.what}{' '}
                <span style={{ color: ink.soft }}>
                  {one.taken ? 'is out by rule' : 'stays in'}: {one.why}.
                </span>
              </span>
              <Button size="small" onClick={() => take(one, false)}>
                It was a check: out
              </Button>
              <Button size="small" onClick={() => take(one, true)}>
                It was work: in
              </Button>
            </div>
          ))}
          <form
            onSubmit={(event) => {
              event.preventDefault();
              const said = [{ from: isoOf(stretch.from), to: isoOf(stretch.to), reason }];
              learn.mutate(stays ? { leftIn: said } : { exclusions: said });
            }}
            style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'start', marginTop: 10 }}
          >
            {time('from', 'From, local time')}
            {time('to', 'To, local time')}
            <TextField
              select
              label="It"
              value={stays ? 'in' : 'out'}
              onChange={(event) => setStays(event.target.value === 'in')}
              sx={{ minWidth: 130 }}
            >
              <MenuItem value="out">is left out</MenuItem>
              <MenuItem value="in">stays in</MenuItem>
            </TextField>
            <TextField
              label="Reason"
              value={reason}
              onChange={(event) => setReason(event.target.value)}
              required
              sx={{ minWidth: 240 }}
            />
            <Button type="submit" variant="outlined" disabled={learn.isPending}>
              {stays ? 'Leave it in' : 'Leave it out'}
            </Button>
          </form>
        </>
      )}
      {run.shiftMinutes && (
        <>
          <h2>The rest of the working day</h2>
          <Word
            label="What was not sampled was"
            choices={[
              ['as sampled', 'like what was sampled'],
              ['nothing', 'without exposure'],
            ]}
            action="Say so"
            busy={learn.isPending}
            send={(chosen, because) =>
              learn.mutate({
                restOfDay: { was: chosen === 'nothing' ? 'nothing' : 'as sampled', reason: because },
                ...(run.restOfDay ? { reason: because } : {}),
              })
            }
          />
        </>
      )}
      {between.length > 0 && !run.declaration && log && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            learn.mutate({ declaration: { check: between[0]?.check ?? '', reason: why } });
          }}
          style={{ display: 'flex', flexWrap: 'wrap', gap: 12, marginTop: 12 }}
        >
          <TextField
            label={`The segment up to ${between[0]?.check ?? ''} is representative, because`}
            value={why}
            onChange={(event) => setWhy(event.target.value)}
            required
            sx={{ minWidth: 420 }}
          />
          <Button type="submit" variant="outlined">
            Declare
          </Button>
        </form>
      )}
      <Told problem={learn.error} />
    </section>
  );
}

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useResult } from '../api/hooks';
import { Told } from '../look/Told';
import { isoOf, localOf } from '../look/words';

/** A hygienist leaves a stretch out of the exposure, or declares the segment up to a good check representative. */
export function LeaveOut({ run }: { run: Schemas['Run'] }) {
  const result = useResult(run.id);
  const [from, setFrom] = useState(() => localOf(new Date(run.start)));
  const [to, setTo] = useState(() => localOf(new Date(run.start)));
  const [reason, setReason] = useState('');
  const [why, setWhy] = useState('');
  const learn = useChange((body: Schemas['NewFacts']) =>
    answer(api.POST('/api/runs/{id}/facts', { params: { path: { id: run.id } }, body })),
  );
  const between = result.data?.assessment.bracket.between ?? [];
  return (
    <section>
      <h2>Leave a stretch out</h2>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          learn.mutate({ exclusions: [{ from: isoOf(from), to: isoOf(to), reason }] });
        }}
        style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'start' }}
      >
        <TextField
          label="From, local time"
          type="datetime-local"
          value={from}
          onChange={(event) => setFrom(event.target.value)}
          required
        />
        <TextField
          label="To, local time"
          type="datetime-local"
          value={to}
          onChange={(event) => setTo(event.target.value)}
          required
          error={learn.error?.of('to') !== undefined}
          helperText={learn.error?.of('to')}
        />
        <TextField
          label="Reason"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          required
          sx={{ minWidth: 260 }}
        />
        <Button type="submit" variant="outlined" disabled={learn.isPending}>
          Leave it out
        </Button>
      </form>
      {between.length > 0 && !run.declaration && (
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

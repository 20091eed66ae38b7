import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useResult } from '../api/hooks';
import { Told } from '../look/Told';

/** What speaks against the log being of this run, and a hygienist's word on it. Nothing where nothing does. */
export function LogWhose({ run, decides }: { run: Schemas['Run']; decides: boolean }) {
  const result = useResult(run.id);
  const [own, setOwn] = useState('');
  const [why, setWhy] = useState('');
  const learn = useChange((body: Schemas['NewFacts']) =>
    answer(api.POST('/api/runs/{id}/facts', { params: { path: { id: run.id } }, body })),
  );
  const doubts = (result.data?.assessment.findings ?? []).filter((finding) => finding.rule === 'log.whose');
  if (doubts.length === 0) {
    return null;
  }
  return (
    <section>
      <h2>Whose log it is</h2>
      {doubts.map((doubt) => (
        <p
          key={doubt.seen}
          role="status"
          style={{ margin: '2px 0 10px', maxWidth: 880, overflowWrap: 'anywhere' }}
        >
          {doubt.seen}
        </p>
      ))}
      {decides && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            learn.mutate({
              logWord: { isOwn: own === 'own', reason: why },
              ...(run.logWord ? { reason: why } : {}),
            });
          }}
          style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'start' }}
        >
          <TextField
            select
            label="This log"
            value={own}
            required
            onChange={(event) => setOwn(event.target.value)}
            sx={{ minWidth: 220 }}
          >
            <MenuItem value="own">is of this run</MenuItem>
            <MenuItem value="other">is not of this run</MenuItem>
          </TextField>
          <TextField
            label="How that is known"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
            required
            sx={{ minWidth: 260 }}
          />
          <Button type="submit" variant="outlined" disabled={learn.isPending}>
            Say whose it is
          </Button>
        </form>
      )}
      <Told problem={learn.error} />
    </section>
  );
}

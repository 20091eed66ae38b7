import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { answer, api, type Refusal, type Schemas } from '../api/client';
import { useJournal } from '../api/hooks';
import { Loading, Told } from '../look/Told';
import { ink } from '../look/theme';
import { moment, plural } from '../look/words';

type Entry = Schemas['Journal']['entries'][number];

/** Every change, the newest first; each line's hash covers the one before and the rows of evidence that it wrote. */
export function JournalView() {
  const [asked, ask] = useSearchParams();
  const choice = Object.fromEntries(
    ['day', 'person', 'about', 'before'].flatMap((name) => {
      const value = asked.get(name) ?? '';
      return value === '' ? [] : [[name, value]];
    }),
  );
  const journal = useJournal(choice);
  const verify = useMutation<Schemas['JournalState'], Refusal>({
    mutationFn: () => answer(api.GET('/api/journal/verify')),
  });
  const set = (name: string, value: string) =>
    ask((old) => {
      const next = new URLSearchParams(old);
      next.delete('before');
      next.delete(name);
      if (value !== '') {
        next.set(name, value);
      }
      return next;
    });
  const entries = journal.data?.entries ?? [];
  const last = entries.at(-1);
  return (
    <>
      <div style={{ display: 'flex', gap: 16, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          Journal
        </h1>
        <Button variant="outlined" onClick={() => verify.mutate()} disabled={verify.isPending}>
          Verify the chain
        </Button>
        <span role="status" style={{ color: verify.data?.fault ? ink.void : ink.valid, fontWeight: 600 }}>
          {verify.data &&
            (verify.data.fault
              ? `It does not hold: ${verify.data.fault}`
              : `It holds: ${verify.data.entries} entries, and every row of evidence that they bind`)}
        </span>
        <Told problem={verify.error} />
      </div>
      <Choose choice={choice} actors={journal.data?.actors ?? []} set={set} />
      {journal.isPending && <Loading />}
      <Told problem={journal.error} />
      {journal.data && entries.length === 0 && <p>No line of the journal is like that.</p>}
      {entries.length > 0 && (
        <ol style={{ listStyle: 'none', margin: '12px 0 0', padding: 0 }}>
          {entries.map((entry) => (
            <Line key={entry.sequence} entry={entry} />
          ))}
        </ol>
      )}
      {last && journal.data?.isAll === false && (
        <Button sx={{ mt: 1 }} onClick={() => ask({ ...choice, before: String(last.sequence) })}>
          Lines before
        </Button>
      )}
      {choice['before'] !== undefined && (
        <Button sx={{ mt: 1, ml: 1 }} onClick={() => set('before', '')}>
          The newest
        </Button>
      )}
    </>
  );
}

/** Of which day, by whom, about what; it stands in the address. */
function Choose({
  choice,
  actors,
  set,
}: {
  choice: Record<string, string>;
  actors: string[];
  set: (name: string, value: string) => void;
}) {
  const [about, setAbout] = useState(choice['about'] ?? '');
  return (
    <form
      aria-label="Which lines"
      style={{ display: 'flex', flexWrap: 'wrap', gap: 12, marginTop: 14, alignItems: 'center' }}
      onSubmit={(event) => {
        event.preventDefault();
        set('about', about.trim());
      }}
    >
      <TextField
        label="Day"
        type="date"
        size="small"
        value={choice['day'] ?? ''}
        onChange={(event) => set('day', event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <TextField
        select
        label="By"
        size="small"
        value={choice['person'] ?? ''}
        onChange={(event) => set('person', event.target.value)}
        sx={{ minWidth: 140 }}
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      >
        <MenuItem value="">anybody</MenuItem>
        {[...new Set([...actors, choice['person'] ?? ''])]
          .filter((one) => one !== '')
          .map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
      </TextField>
      <TextField
        label="About"
        size="small"
        value={about}
        placeholder="DM-03, R-00012, C-00041"
        onChange={(event) => setAbout(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Button type="submit" variant="outlined">
        Look
      </Button>
      {Object.keys(choice).length > 0 && (
        <Button
          onClick={() => {
            setAbout('');
            for (const name of Object.keys(choice)) {
              set(name, '');
            }
          }}
        >
          Everything
        </Button>
      )}
    </form>
  );
}

function Line({ entry }: { entry: Entry }) {
  return (
    <li style={{ borderTop: `1px solid ${ink.rule}`, padding: '7px 0' }}>
      <details>
        <summary
          style={{
            display: 'grid',
            gridTemplateColumns: '56px 118px minmax(0, 1fr)',
            gap: 10,
            cursor: 'pointer',
          }}
        >
          <span className="fn-figure" style={{ color: ink.soft, textAlign: 'right' }}>
            {entry.sequence}
          </span>
          <span style={{ color: ink.soft }}>{moment(entry.at)}</span>
          <span style={{ overflowWrap: 'anywhere' }}>{entry.sentence}</span>
        </summary>
        <div
          style={{
            padding: '6px 0 4px 66px',
            fontSize: '0.88rem',
            color: ink.soft,
            overflowWrap: 'anywhere',
          }}
        >
          <div>
            {entry.kind}, {entry.at}, {entry.actor}
          </div>
          <pre style={{ whiteSpace: 'pre-wrap', margin: '4px 0' }}>{entry.payload}</pre>
          {entry.rowCount > 0 && (
            <div>
              Binds {plural(entry.rowCount, 'row')} of evidence: {entry.rows.join(', ')}
              {entry.rowCount > entry.rows.length && ' …'}
            </div>
          )}
          <div>SHA-256 {entry.hash}</div>
        </div>
      </details>
    </li>
  );
}

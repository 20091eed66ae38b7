import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api } from '../api/client';
import { useChange, useSources } from '../api/hooks';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { unconfirmed } from '../look/words';

/** What the shipped equations and rules name from memory, and who held it against its text. */
export function Sources({ stewards }: { stewards: boolean }) {
  const sources = useSources();
  const [open, setOpen] = useState<string | null>(null);
  if (!sources.data || sources.data.fromMemory.length === 0) {
    return null;
  }
  return (
    <section aria-labelledby="sources">
      <h2 id="sources" style={{ marginTop: 26 }}>
        Sources to be confirmed
      </h2>
      <p style={{ margin: '0 0 8px', color: ink.soft }}>
        Named by whoever wrote the equation or rule, and not held against the text yet. A steward who has the
        publication confirms it; from then on every note says by which edition.
      </p>
      <table className="fn-table">
        <thead>
          <tr>
            <th>Source</th>
            <th>Used by</th>
            <th>Confirmed</th>
          </tr>
        </thead>
        <tbody>
          {sources.data.fromMemory.map(({ source, names }) => {
            const done = sources.data.confirmed.find((one) => one.source === source);
            return (
              <tr key={source}>
                <th scope="row">{unconfirmed(source)}</th>
                <td style={{ color: ink.soft }}>
                  {names.length > 4
                    ? `${names.slice(0, 4).join(', ')} and ${names.length - 4} more`
                    : names.join(', ')}
                </td>
                <td>
                  {done
                    ? `${done.edition}${done.clause ? `, ${done.clause}` : ''}, ${done.on} by ${done.by} `
                    : 'to be confirmed '}
                  {stewards && open !== source && (
                    <Button size="small" onClick={() => setOpen(source)} aria-label={`Confirm ${source}`}>
                      {done ? 'Confirm anew' : 'Confirm'}
                    </Button>
                  )}
                  {open === source && <Confirm source={source} onClose={() => setOpen(null)} />}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function Confirm({ source, onClose }: { source: string; onClose: () => void }) {
  const [edition, setEdition] = useState('');
  const [clause, setClause] = useState('');
  const [on, setOn] = useState(new Date().toISOString().slice(0, 10));
  const confirm = useChange(
    () => answer(api.POST('/api/sources', { body: { source, edition, clause, on } })),
    onClose,
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        confirm.mutate(undefined);
      }}
      style={{ display: 'flex', gap: 8, flexWrap: 'wrap', alignItems: 'center', marginTop: 6 }}
    >
      <TextField label="Edition" size="small" value={edition} onChange={(e) => setEdition(e.target.value)} />
      <TextField label="Clause" size="small" value={clause} onChange={(e) => setClause(e.target.value)} />
      <TextField
        label="Read on"
        type="date"
        size="small"
        value={on}
        onChange={(e) => setOn(e.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Button type="submit" variant="contained" size="small">
        Save
      </Button>
      <Button size="small" onClick={onClose}>
        Cancel
      </Button>
      {confirm.isError && <Told problem={confirm.error} />}
    </form>
  );
}

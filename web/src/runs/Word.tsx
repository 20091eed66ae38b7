import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

interface Props {
  /** What is said, such as "This log". */
  label: string;
  /** What it may be said to be: value and words. */
  choices: [string, string][];
  action: string;
  busy: boolean;
  send: (chosen: string, reason: string) => void;
}

/** A person's word on a run: what it is, and how that is known. Neither goes without the other. */
export function Word({ label, choices, action, busy, send }: Props) {
  const [chosen, setChosen] = useState('');
  const [reason, setReason] = useState('');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        send(chosen, reason);
      }}
      style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'start' }}
    >
      <TextField
        select
        label={label}
        value={chosen}
        required
        onChange={(event) => setChosen(event.target.value)}
        sx={{ minWidth: 280 }}
      >
        {choices.map(([value, words]) => (
          <MenuItem key={value} value={value}>
            {words}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="How that is known"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        required
        sx={{ minWidth: 260 }}
      />
      <Button type="submit" variant="outlined" disabled={busy}>
        {action}
      </Button>
    </form>
  );
}

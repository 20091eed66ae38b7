import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

/** A step that does not apply to this unit or this day is told so with a reason, and then weighs nothing. */
export function NotApplicable({
  reason,
  offered,
  settle,
}: {
  reason: string;
  /** Reasons that the model sheet offers: each is one press. */
  offered: string[];
  settle: (reason: string) => void;
}) {
  const [asked, setAsked] = useState(false);
  const [why, setWhy] = useState(reason);
  if (!asked) {
    return (
      <Button onClick={() => setAsked(true)} sx={{ minHeight: 56 }}>
        Does not apply …
      </Button>
    );
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        settle(why.trim());
      }}
      style={{ display: 'flex', flexWrap: 'wrap', gap: 8, alignItems: 'center', flexBasis: '100%' }}
    >
      <TextField
        label="Why it does not apply"
        value={why}
        autoFocus
        required
        onChange={(event) => setWhy(event.target.value)}
        sx={{ minWidth: 280 }}
      />
      {offered.map((one) => (
        <Button key={one} onClick={() => settle(one)} sx={{ minHeight: 48 }}>
          {one}
        </Button>
      ))}
      <Button type="submit" variant="outlined" disabled={why.trim() === ''} sx={{ minHeight: 56 }}>
        Does not apply
      </Button>
    </form>
  );
}

import TextField from '@mui/material/TextField';
import type { Refusal } from '../api/client';

/** Why something on record is said otherwise: it stands beside it ever after. */
export function Reason({
  label,
  value,
  set,
  refusal,
}: {
  label: string;
  value: string;
  set: (value: string) => void;
  refusal: Refusal | null;
}) {
  return (
    <TextField
      label={label}
      value={value}
      onChange={(event) => set(event.target.value)}
      error={refusal?.of('reason') !== undefined}
      helperText={refusal?.of('reason')}
      required
      multiline
      sx={{ gridColumn: '1 / -1' }}
    />
  );
}

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { Told } from '../look/Told';
import type { Refusal } from '../api/client';

interface Props {
  title: string;
  action: string;
  problem: Refusal | null;
  busy: boolean;
  /** For tables. */
  wide?: boolean;
  onClose: () => void;
  onSubmit: () => void;
  children: React.ReactNode;
}

/** A dialog with fields; what was typed stays when the server refuses. */
export function Form({ title, action, problem, busy, wide = false, onClose, onSubmit, children }: Props) {
  return (
    <Dialog open onClose={onClose} maxWidth={wide ? 'lg' : 'sm'} fullWidth aria-labelledby="form-title">
      <form
        // The fields scroll; what ends the form stays in sight.
        style={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}
        onSubmit={(event) => {
          event.preventDefault();
          onSubmit();
        }}
      >
        <DialogTitle id="form-title">{title}</DialogTitle>
        <DialogContent
          sx={{
            display: 'grid',
            gridTemplateColumns: 'repeat(auto-fit, minmax(200px, 1fr))',
            gap: 2,
            // Room for the label of the first row, which the title takes away.
            '&&': { pt: 1 },
          }}
        >
          {children}
        </DialogContent>
        <div style={{ padding: '0 24px' }}>
          <Told problem={problem} />
        </div>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={busy}>
            {action}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  set: (value: string) => void;
  among: readonly string[];
  problem?: string | undefined;
  help?: string;
}

/** One of several words that say themselves. */
export function Choice({ label, value, set, among, problem, help }: ChoiceProps) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => set(event.target.value)}
      error={problem !== undefined}
      helperText={problem ?? help}
    >
      {among.map((one) => (
        <MenuItem key={one} value={one}>
          {one}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface FieldProps {
  label: string;
  value: string;
  set: (value: string) => void;
  problem?: string | undefined;
  help?: string;
  required?: boolean;
  type?: string;
}

export function Field({ label, value, set, problem, help, required = false, type = 'text' }: FieldProps) {
  return (
    <TextField
      label={label}
      value={value}
      required={required}
      type={type}
      onChange={(event) => set(event.target.value)}
      error={problem !== undefined}
      helperText={problem ?? help}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}

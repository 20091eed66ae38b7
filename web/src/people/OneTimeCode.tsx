import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { Schemas } from '../api/client';
import { serif } from '../look/theme';

/** A code is shown once: nobody can look it up afterwards. */
export function OneTimeCode({ made, onClose }: { made: Schemas['Invited']; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="code-title">
      <DialogTitle id="code-title">One-time code for {made.name}</DialogTitle>
      <DialogContent>
        <p style={{ fontFamily: serif, fontSize: '1.7rem', letterSpacing: '0.05em', margin: '0 0 12px' }}>
          {made.oneTimeCode}
        </p>
        <p style={{ margin: 0 }}>
          By it {made.name} chooses a password, once, within seven days. It is shown now and never again; tell
          it to nobody else.
        </p>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          I have noted it
        </Button>
      </DialogActions>
    </Dialog>
  );
}

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useState } from 'react';
import { keysAct, switchKeys } from './keys';

const sheet: [string, [string, string][]][] = [
  [
    'Anywhere',
    [
      ['?', 'this sheet'],
      ['/', 'search'],
      ['g d', 'Day'],
      ['g b', 'Bench'],
      ['g r', 'Results'],
      ['g o', 'Reports'],
      ['g a', 'Laboratory'],
      ['g n', 'Plan'],
      ['g t', 'Dates'],
      ['g k', 'Kit'],
      ['g p', 'Policies'],
      ['g l', 'Journal'],
    ],
  ],
  [
    'Results',
    [
      ['j or ↓', 'next line'],
      ['k or ↑', 'line before'],
      ['Enter', 'open the result'],
      ['n', 'next page'],
      ['b', 'page before'],
    ],
  ],
  [
    'A result',
    [
      ['j', 'next result'],
      ['k', 'result before'],
      ['s', 'sign'],
      ['v', 'void'],
      ['o', 'overrule'],
      ['u', 'back to Results'],
    ],
  ],
  [
    'A check on the bench',
    [
      ['Enter', 'confirm the step and go on'],
      ['x', 'skip the step'],
      ['t', 'take what comes by itself'],
      ['l', 'take it, and leave the unit as it is'],
      ['y', 'step back'],
    ],
  ],
];

export function KeySheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [act, setAct] = useState(keysAct);
  return (
    <Dialog open={open} onClose={onClose} maxWidth="md" aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, columnGap: 5 }}>
        {sheet.map(([where, keys]) => (
          <section key={where}>
            <h3 style={{ margin: '10px 0 4px' }}>{where}</h3>
            <table>
              <tbody>
                {keys.map(([key, does]) => (
                  <tr key={key}>
                    <th scope="row" style={{ textAlign: 'left', paddingRight: 18, whiteSpace: 'nowrap' }}>
                      <kbd>{key}</kbd>
                    </th>
                    <td>{does}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        ))}
      </DialogContent>
      <DialogActions sx={{ justifyContent: 'space-between', px: 3 }}>
        <FormControlLabel
          control={
            <Switch
              checked={act}
              onChange={(_, on) => {
                switchKeys(on);
                setAct(on);
              }}
            />
          }
          label="Single letters act"
        />
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

import MenuItem from '@mui/material/MenuItem';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useLibrary } from '../api/hooks';
import { Practice } from '../look/Practice';
import { ink } from '../look/theme';

/** A laboratory that answers for practice media: its table is saved, and read in as any other. */
export function StandInLaboratory({ custody }: { custody: Schemas['Custody'] }) {
  const library = useLibrary();
  const substances = library.data?.shelves.find((shelf) => shelf.id === 'substances')?.items ?? [];
  const [substance, setSubstance] = useState('');
  const [fault, setFault] = useState('');
  const asked = new URLSearchParams({ substance, ...(fault === '' ? {} : { fault }) });
  return (
    <section
      aria-label={custody.standIn.title}
      className="fn-noprint"
      style={{ borderTop: `1px solid ${ink.rule}`, margin: '24px 0 0', padding: '10px 0' }}
    >
      <p style={{ margin: '0 0 10px' }}>
        <Practice /> {custody.standIn.title}: of the media of practice units alone. Save its table, and read
        it in under <Link to="/laboratory">Laboratory</Link>.
      </p>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'center' }}>
        <TextField
          select
          label="Analysed for"
          value={substance}
          onChange={(event) => setSubstance(event.target.value)}
          sx={{ minWidth: 220 }}
        >
          {substances.map((one) => (
            <MenuItem key={one.code} value={one.code}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="What goes wrong"
          value={fault}
          onChange={(event) => setFault(event.target.value)}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
          sx={{ minWidth: 220, maxWidth: 380 }}
        >
          <MenuItem value="">whatever comes</MenuItem>
          {custody.standIn.faults.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.words}
            </MenuItem>
          ))}
        </TextField>
        {substance === '' ? (
          <Button variant="contained" disabled sx={{ minHeight: 48 }}>
            Save its table
          </Button>
        ) : (
          <Button
            component="a"
            variant="contained"
            sx={{ minHeight: 48 }}
            download="stand-in-laboratory.csv"
            href={`/api/campaigns/${encodeURIComponent(custody.campaign.id)}/custody/stand-in?${asked.toString()}`}
          >
            Save its table
          </Button>
        )}
      </div>
    </section>
  );
}

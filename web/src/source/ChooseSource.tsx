import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useLibrary } from '../api/hooks';
import { TakeFile } from '../look/Files';
import { ink } from '../look/theme';
import { hasPorts } from './port';
import { USUAL_BAUD, usePort } from './usePort';
import type { Source } from './useSource';

/** The library that says how lines are read which are no open lines. */
const PROFILES = 'line-profiles';

/** Where a step's readings are to come from: the keys, unless somebody says otherwise. */
export function ChooseSource({
  draft,
  choose,
  connect,
}: {
  draft: Schemas['Draft'];
  choose: (source: Source) => void;
  connect: () => void;
}) {
  const library = useLibrary();
  const profiles = library.data?.shelves.find((shelf) => shelf.id === PROFILES)?.items ?? [];
  const [profile, setProfile] = useState('');
  const [pasting, setPasting] = useState<string | null>(null);
  const { standIn } = draft;
  const { open, problem } = usePort(choose);
  const baud = async () => {
    if (profile === '') {
      return USUAL_BAUD;
    }
    const entry: Record<string, unknown> = await answer(
      api.GET('/api/kit/library/{shelf}/{code}', { params: { path: { shelf: PROFILES, code: profile } } }),
    );
    return Number(entry['baud'] ?? USUAL_BAUD);
  };
  const dropped = async (file: File | undefined) => {
    if (file) {
      choose({ kind: 'file', bytes: new Uint8Array(await file.arrayBuffer()), name: file.name, profile });
    }
  };
  return (
    <details style={{ margin: '0 0 14px' }} open={standIn !== null}>
      <summary style={{ padding: '6px 0', color: ink.press, cursor: 'pointer' }}>
        Let it come by itself
      </summary>
      <div
        style={{ display: 'flex', flexWrap: 'wrap', gap: 10, alignItems: 'center' }}
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault();
          void dropped(event.dataTransfer.files[0]);
        }}
      >
        {standIn && (
          <Button variant="contained" sx={{ minHeight: 48 }} onClick={connect}>
            Connect its stand-in
          </Button>
        )}
        {hasPorts() && (
          <Button variant="outlined" sx={{ minHeight: 48 }} onClick={() => open(profile, baud)}>
            From a serial port
          </Button>
        )}
        <TakeFile any words="From a file of lines" busy={false} take={(file) => void dropped(file)} />
        <Button
          variant="outlined"
          sx={{ minHeight: 48 }}
          onClick={() => setPasting(pasting === null ? '' : null)}
        >
          Paste lines
        </Button>
        {profiles.length > 0 && (
          <TextField
            select
            label="Its lines are"
            value={profile}
            onChange={(event) => setProfile(event.target.value)}
            sx={{ minWidth: 180 }}
            slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
          >
            <MenuItem value="">open lines</MenuItem>
            {profiles.map((one) => (
              <MenuItem key={one.code} value={one.code}>
                {one.name}
              </MenuItem>
            ))}
          </TextField>
        )}
        {pasting !== null && (
          <div style={{ flexBasis: '100%', display: 'grid', gap: 8 }}>
            <TextField
              multiline
              minRows={3}
              maxRows={8}
              label="Lines that the instrument printed"
              value={pasting}
              onChange={(event) => setPasting(event.target.value)}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <Button
              variant="contained"
              disabled={pasting.trim() === ''}
              sx={{ justifySelf: 'start', minHeight: 48 }}
              onClick={() =>
                choose({
                  kind: 'pasted',
                  bytes: new TextEncoder().encode(pasting),
                  name: 'pasted lines',
                  profile,
                })
              }
            >
              Read these lines
            </Button>
          </div>
        )}
        {problem !== null && <p style={{ color: ink.void, margin: 0, flexBasis: '100%' }}>{problem}</p>}
      </div>
    </details>
  );
}

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { answer, api } from '../api/client';
import { goesOn, usePacking, useChange, type PackageAsked } from '../api/hooks';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { moment } from '../look/words';

const size = (bytes: number) =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

const doing: Record<string, string> = { read: 'runs read', drawn: 'runs drawn' };

/** Evidence, results and the script that works them out again as one ZIP: packed beside, and fetched when it is done. */
export function Package({ of }: { of: Omit<PackageAsked, 'files'> }) {
  const [files, setFiles] = useState(true);
  const asked: PackageAsked = { ...of, files: files ? 'with' : 'without' };
  const packing = usePacking(asked);
  const pack = useChange(() => answer(api.POST('/api/package', { params: { query: asked } })));
  const told = packing.data;
  const isUnderWay = goesOn(told);
  return (
    <div aria-live="polite" style={{ display: 'grid', justifyItems: 'start' }}>
      <FormControlLabel
        control={<Checkbox size="small" checked={files} onChange={(_, on) => setFiles(on)} />}
        label="with photos and documents"
      />
      {told?.made && (
        <div>
          <a href={`/api/package/zip?${new URLSearchParams(asked).toString()}`}>ZIP of {moment(told.made)}</a>
          {told.bytes !== null && <span style={{ color: ink.soft }}>, {size(told.bytes)}</span>}
        </div>
      )}
      {told && !isUnderWay && (
        <Button size="small" disabled={pack.isPending} onClick={() => pack.mutate(undefined)}>
          {told.made ? 'Pack anew' : 'Pack'}
        </Button>
      )}
      {told && isUnderWay && (
        <div>{told.of > 0 ? `${told.done} of ${told.of} ${doing[told.what] ?? 'runs'}` : 'begun'} …</div>
      )}
      {told?.state === 'failed' && <Told problem={new Error(told.words)} />}
      <Told problem={pack.error ?? packing.error} />
    </div>
  );
}

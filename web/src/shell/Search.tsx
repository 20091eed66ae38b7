import Autocomplete from '@mui/material/Autocomplete';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../api/client';
import { useFound } from '../api/hooks';
import { Told } from '../look/Told';
import { ink } from '../look/theme';

type Found = Schemas['Search']['found'][number];
interface Place {
  kind: string;
  id: string;
  words: string;
  to: string;
}

/** So long somebody stops typing before it is looked for, ms. */
const PAUSE = 150;

const KINDS: Record<Found['kind'], string> = {
  instrument: 'instrument',
  reference: 'reference',
  run: 'result',
  check: 'check',
  person: 'results of a person',
  task: 'results of a task',
  campaign: 'results of a campaign',
  report: 'report',
};
const placeOf = (found: Found): Place => {
  const id = encodeURIComponent(found.id);
  const to = {
    instrument: `/kit/${id}`,
    reference: `/references/${id}`,
    run: `/results/${id}`,
    check: `/checks/${id}`,
    person: `/results?person=${id}`,
    task: `/results?task=${id}`,
    campaign: `/results?campaign=${id}`,
    report: `/reports/${id}`,
  }[found.kind];
  return { ...found, kind: KINDS[found.kind], to };
};

/** One field that finds whatever has a name; Enter opens the nearest. */
export function Search({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const [wanted, setWanted] = useState('');
  useEffect(() => {
    const pause = window.setTimeout(() => setWanted(text), PAUSE);
    return () => window.clearTimeout(pause);
  }, [text]);
  const found = useFound(wanted);
  // Until the answer to what stands in the field is there, nothing can be chosen: Enter would open what was looked for before.
  const isAnswered = wanted === text && found.data !== undefined;
  const places: Place[] =
    isAnswered && text.trim() !== ''
      ? [
          ...found.data.found.map(placeOf),
          {
            kind: 'all of them',
            id: `Results with “${text.trim()}”`,
            words: '',
            to: `/results?text=${encodeURIComponent(text.trim())}`,
          },
        ]
      : [];
  return (
    <Dialog
      open
      onClose={onClose}
      maxWidth="sm"
      fullWidth
      aria-labelledby="search-title"
      sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' } }}
    >
      <DialogTitle id="search-title" className="fn-hidden">
        Search
      </DialogTitle>
      <DialogContent sx={{ '&&': { pt: 2.5 } }}>
        <Autocomplete<Place, false, false, true>
          freeSolo
          open={text.trim() !== ''}
          autoHighlight
          clearOnBlur={false}
          options={places}
          filterOptions={(all) => all}
          loading={!isAnswered}
          loadingText="Looking…"
          inputValue={text}
          value={null}
          onInputChange={(_, typed, why) => {
            if (why !== 'reset') {
              setText(typed);
            }
          }}
          getOptionLabel={(one) => (typeof one === 'string' ? one : one.id)}
          getOptionKey={(one) => (typeof one === 'string' ? one : one.to)}
          onChange={(_, chosen) => {
            // Enter without a choice opens the nearest.
            const place = typeof chosen === 'string' ? places[0] : chosen;
            if (place) {
              onClose();
              void navigate(place.to);
            }
          }}
          renderOption={({ key, ...props }, one) => (
            <li key={key} {...props}>
              <span style={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>
                <b>{one.id}</b> <span style={{ color: ink.soft }}>{one.words}</span>
              </span>
              <span style={{ color: ink.soft, fontSize: '0.84rem', marginLeft: 14 }}>{one.kind}</span>
            </li>
          )}
          renderInput={(params) => (
            <TextField
              {...params}
              autoFocus
              label="Search"
              helperText="Units, references, serial numbers, certificates, runs, people, tasks, checks, samples, reports"
            />
          )}
        />
        <Told problem={found.error} />
      </DialogContent>
    </Dialog>
  );
}

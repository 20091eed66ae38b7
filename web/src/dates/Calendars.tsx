import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useCalendars, useChange, useKit } from '../api/hooks';
import { OneOf } from '../look/Asked';
import { Lacking, Told } from '../look/Told';
import { ink } from '../look/theme';
import { day } from '../look/words';

type Address = Schemas['CalendarAddress'];
type By = Address['by'];

const OF: Record<By, string> = {
  '': 'Everything that falls due',
  laboratory: 'What a laboratory does',
  bench: 'What is done at the bench',
  person: 'The planned days of a person',
};
const DONE_BY = (['laboratory', 'bench', 'person'] as const).map((by) => [by, OF[by]] as const);
const isBy = (word: string): word is By => word in OF;

/** Addresses under which calendars ask for what falls due: one is made, told once, and ended. */
export function Calendars({ first, onClose }: { first: string; onClose: () => void }) {
  const asked = useCalendars();
  const kit = useKit();
  const [title, setTitle] = useState('Dates of the kit');
  const [by, setBy] = useState<By>(isBy(first) ? first : '');
  const [chosen, setChosen] = useState<string[]>([]);
  const [of, setOf] = useState('');
  const make = useChange(() =>
    answer(
      api.POST('/api/calendars', { body: by === 'person' ? { title, by, of } : { title, by, kit: chosen } }),
    ),
  );
  const end = useChange((id: number) =>
    answer(api.POST('/api/calendars/{id}/end', { params: { path: { id } } })),
  );
  const ids = [
    ...(kit.data?.instruments ?? []).map((one) => one.id),
    ...(kit.data?.references ?? []).map((one) => one.id),
  ];
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="calendars-title">
      <DialogTitle id="calendars-title">Dates in a calendar</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2, '&&': { pt: 1 } }}>
        {make.data ? (
          <Made made={make.data} />
        ) : (
          <form
            style={{ display: 'grid', gap: 16 }}
            onSubmit={(event) => {
              event.preventDefault();
              make.mutate(undefined);
            }}
          >
            <p style={{ margin: 0 }}>
              A calendar program subscribes to an address and asks again every few hours. Whoever has the
              address reads these dates without signing in, and nothing else.
            </p>
            <TextField
              label="Name of the calendar"
              value={title}
              required
              onChange={(event) => setTitle(event.target.value)}
              error={make.error?.of('title') !== undefined}
              helperText={make.error?.of('title')}
            />
            <OneOf
              label="Of what"
              value={by}
              set={(value) => setBy(isBy(value) ? value : '')}
              options={DONE_BY}
              all={OF['']}
            />
            {by === 'person' ? (
              <TextField
                label="Who, as plans name that person"
                value={of}
                required
                onChange={(event) => setOf(event.target.value)}
                error={make.error?.of('of') !== undefined}
                helperText={make.error?.of('of')}
              />
            ) : (
              <Autocomplete
                multiple
                options={ids}
                value={chosen}
                onChange={(_, some) => setChosen(some)}
                renderInput={(params) => (
                  <TextField
                    {...params}
                    label="Of these units and references alone"
                    error={make.error?.of('kit') !== undefined}
                    helperText={make.error?.of('kit') ?? 'Empty: all of them'}
                  />
                )}
              />
            )}
            <Told problem={make.error} />
            <Button type="submit" variant="contained" disabled={make.isPending}>
              Make an address
            </Button>
          </form>
        )}
        <section aria-labelledby="answering">
          <h3 id="answering" style={{ margin: '0 0 4px' }}>
            Addresses that answer
          </h3>
          {asked.data === undefined ? (
            <Lacking of={[asked]} />
          ) : asked.data.items.length === 0 ? (
            <p style={{ margin: 0, color: ink.soft }}>None.</p>
          ) : (
            <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
              {asked.data.items.map((one) => (
                <li
                  key={one.id}
                  style={{
                    display: 'flex',
                    gap: 12,
                    alignItems: 'baseline',
                    borderTop: `1px solid ${ink.rule}`,
                  }}
                >
                  <span style={{ flex: 1, overflowWrap: 'anywhere' }}>
                    <b>{one.title}</b>
                    <br />
                    <span style={{ color: ink.soft, fontSize: '0.88rem' }}>
                      {OF[one.by]}
                      {one.of !== '' && `: ${one.of}`}
                      {one.kit.length > 0 && ` of ${one.kit.join(', ')}`} · {one.person}, {day(one.madeAt)}
                    </span>
                  </span>
                  <Button
                    size="small"
                    color="error"
                    disabled={end.isPending}
                    aria-label={`End ${one.title}`}
                    onClick={() => end.mutate(one.id)}
                  >
                    End
                  </Button>
                </li>
              ))}
            </ul>
          )}
          <Told problem={end.error} />
        </section>
      </DialogContent>
      <DialogActions>
        {make.data && <Button onClick={() => make.reset()}>Make another</Button>}
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

/** The one time that an address can be read. */
function Made({ made: { address, square } }: { made: Schemas['CalendarMade'] }) {
  return (
    <div style={{ display: 'flex', flexWrap: 'wrap', gap: 18 }}>
      <img
        alt="The address as a code for a camera"
        src={`data:image/svg+xml,${encodeURIComponent(square)}`}
        style={{ width: 168, height: 168, background: '#fff' }}
      />
      <div style={{ flex: '1 1 220px', display: 'grid', gap: 8, alignContent: 'start' }}>
        <p role="status" style={{ margin: 0, fontWeight: 600 }}>
          It is told now, and never again: it is kept nowhere.
        </p>
        <TextField
          label="Address"
          value={address}
          multiline
          slotProps={{ input: { readOnly: true } }}
          onFocus={(event) => event.target.select()}
        />
        {'clipboard' in navigator && (
          <Button onClick={() => void navigator.clipboard.writeText(address)}>Copy</Button>
        )}
        <p style={{ margin: 0, color: ink.soft }}>
          Give it to the calendar program as a calendar from the network. Lost, or in wrong hands: end it
          below.
        </p>
      </div>
    </div>
  );
}

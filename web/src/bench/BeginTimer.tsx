import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api } from '../api/client';
import { useChange } from '../api/hooks';
import { Told } from '../look/Told';
import { ChooseUnits } from './ChooseUnits';
import { OneOf } from './OneOf';

type What = 'charging' | 'warm-up' | 'soak';

const whats: { value: What; words: string; minutes: string }[] = [
  { value: 'warm-up', words: 'Warming up', minutes: '5' },
  { value: 'soak', words: 'Coming to room temperature', minutes: '30' },
  { value: 'charging', words: 'Charging', minutes: '240' },
];

/** What units are waited for before anybody checks them; several at once, seen from everywhere. */
export function BeginTimer({
  units,
  onStarted,
}: {
  units: { id: string; model: string }[];
  onStarted: () => void;
}) {
  const [what, setWhat] = useState<What | null>(null);
  const [minutes, setMinutes] = useState('');
  const [chosen, setChosen] = useState<string[]>(units.length === 1 ? units.map((unit) => unit.id) : []);
  const start = useChange(
    (kind: What) => answer(api.POST('/api/bench/timers', { body: { units: chosen, what: kind, minutes } })),
    onStarted,
  );
  return (
    <section aria-label="A timer" style={{ margin: '4px 0 14px' }}>
      <OneOf
        label="A timer:"
        options={whats}
        chosen={what}
        choose={(value) => {
          setWhat(value);
          setMinutes(whats.find((one) => one.value === value)?.minutes ?? '');
        }}
      />
      {what !== null && (
        <>
          {units.length > 1 && <ChooseUnits units={units} chosen={chosen} setChosen={setChosen} />}
          <div style={{ display: 'flex', gap: 8, alignItems: 'center', marginTop: 8 }}>
            <TextField
              label="Minutes"
              value={minutes}
              onChange={(event) => setMinutes(event.target.value)}
              error={start.error?.of('minutes') !== undefined}
              helperText={start.error?.of('minutes') ?? 'as the manual says'}
              slotProps={{ htmlInput: { inputMode: 'decimal' } }}
              sx={{ width: 150 }}
            />
            <Button
              variant="contained"
              sx={{ minHeight: 48 }}
              disabled={chosen.length === 0 || start.isPending}
              onClick={() => start.mutate(what)}
            >
              {chosen.length === 0 ? 'Choose a unit' : 'Start'}
            </Button>
          </div>
          <Told problem={start.error} />
        </>
      )}
    </section>
  );
}

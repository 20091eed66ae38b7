import Button from '@mui/material/Button';
import { useState } from 'react';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { moment } from '../look/words';
import { useChange } from '../api/hooks';
import { ChooseUnits } from '../bench/ChooseUnits';
import { pick, picked, usePrepared } from './prepared';
import { fetchAll, MOST } from './useAway';
import { useReach } from './reach';

/** Which units can be checked on this device without a network, and a way to have others handed out. */
export function AtHand({ units }: { units: { id: string; model: string }[] }) {
  const prepared = usePrepared();
  const { reached } = useReach();
  const [chosen, setChosen] = useState<string[]>(picked);
  const at = (prepared.data ?? []).map((one) => one.at).sort()[0];
  const fetchThem = useChange(async () => {
    pick(chosen);
    await fetchAll(true);
  });
  return (
    <section aria-label="Without a network" style={{ margin: '4px 0 14px', maxWidth: 900 }}>
      <p style={{ margin: '4px 0' }}>
        On this device:{' '}
        {prepared.data && prepared.data.length > 0 ? (
          <>
            <b>{prepared.data.map((one) => one.id).join(', ')}</b>{' '}
            <span style={{ color: ink.soft }}>
              handed out {at === undefined ? '' : moment(at)}
              {prepared.data.length > 1 && ' or later'}
            </span>
          </>
        ) : (
          'nothing yet'
        )}
        .
      </p>
      <p style={{ margin: '4px 0', color: ink.soft }}>
        Units that the day shows come by themselves. Choose what else is to be at hand, {MOST} in all.
      </p>
      <ChooseUnits units={units} chosen={chosen} setChosen={setChosen} />
      <div style={{ marginTop: 8 }}>
        <Button
          variant="contained"
          sx={{ minHeight: 48 }}
          disabled={!reached || fetchThem.isPending || chosen.length > MOST}
          onClick={() => fetchThem.mutate(undefined)}
        >
          {fetchThem.isPending ? 'Handing out …' : 'Have them at hand'}
        </Button>
        {chosen.length > MOST && <span style={{ color: ink.void }}> {MOST} at most.</span>}
      </div>
      <Told problem={fetchThem.error} />
    </section>
  );
}

import Button from '@mui/material/Button';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { Told } from '../look/Told';
import { ChooseUnits } from './ChooseUnits';
import { OneOf } from './OneOf';

/** Which units of a row are checked one after the other on one reference. */
export function BeginRound({ units }: { units: Schemas['BenchLine'][] }) {
  const navigate = useNavigate();
  const [procedure, setProcedure] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string[]>([]);
  const begin = useChange(
    (body: { units: string[]; procedure: string }) => answer(api.POST('/api/bench/rounds', { body })),
    (round) => void navigate(`/bench/rounds/${round.id}`),
  );
  const inARow = (unit: Schemas['BenchLine']) => unit.procedures.filter((one) => one.inARow);
  const free = units.filter((unit) => unit.running === null && (unit.draft?.round ?? null) === null);
  const titles = new Map<string, { title: string; units: Schemas['BenchLine'][] }>();
  for (const unit of free) {
    for (const one of inARow(unit)) {
      const known = titles.get(one.id) ?? { title: one.title, units: [] };
      titles.set(one.id, { ...known, units: [...known.units, unit] });
    }
  }
  const several = [...titles].filter(([, one]) => one.units.length > 1);
  if (several.length === 0) {
    return <p>There are no two units that are checked alike and are free.</p>;
  }
  const at = procedure === null ? undefined : titles.get(procedure);
  return (
    <section aria-label="A round" style={{ margin: '4px 0 14px' }}>
      <OneOf
        label="Several units on one reference:"
        options={several.map(([value, one]) => ({ value, words: one.title }))}
        chosen={procedure}
        choose={(value) => {
          setProcedure(value);
          setChosen([]);
        }}
      />
      {at && procedure !== null && (
        <>
          <ChooseUnits units={at.units} chosen={chosen} setChosen={setChosen} />
          <Button
            variant="contained"
            sx={{ minHeight: 48 }}
            disabled={chosen.length < 2 || begin.isPending}
            onClick={() => begin.mutate({ units: chosen, procedure })}
          >
            {chosen.length < 2 ? 'Choose two or more' : `Begin the round of ${chosen.length}`}
          </Button>
          <Button
            sx={{ minHeight: 48, ml: 1 }}
            onClick={() => setChosen(at.units.map((unit) => unit.id))}
            disabled={chosen.length === at.units.length}
          >
            All {at.units.length}
          </Button>
          <Told problem={begin.error} />
        </>
      )}
    </section>
  );
}

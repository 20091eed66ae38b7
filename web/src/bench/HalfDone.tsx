import Button from '@mui/material/Button';
import type { Refusal, Schemas } from '../api/client';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { plural } from '../look/words';

/** That the next reading closes runs, and is gone once the unit is adjusted. */
export function Hold({ unit }: { unit: Schemas['BenchUnit'] }) {
  return unit.hold.length > 0 ? (
    <p style={{ margin: '4px 0', color: ink.qualified, fontWeight: 650 }}>
      Do not adjust before the value as found is written: it closes {plural(unit.hold.length, 'run')} (
      {unit.hold.join(', ')}).
    </p>
  ) : null;
}

/** Why an answer has not arrived, and a way to send it again. */
export function Unsent({ problem, again }: { problem: Refusal | null; again: () => Promise<void> }) {
  return (
    <>
      <Told problem={problem} />
      {problem && (
        <Button onClick={() => void again()} size="small">
          Send again
        </Button>
      )}
    </>
  );
}

import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { useAwake } from './useAwake';

/** Measures how long a volume takes, and writes it where the readings ask for seconds: tenths, as a hand on a button can. */
export function Stopwatch({ row, stopped }: { row: number; stopped: (seconds: string) => void }) {
  const began = useRef(0);
  const [runs, setRuns] = useState(false);
  useAwake(runs);
  return (
    <Button
      variant="outlined"
      sx={{ minHeight: 48, justifySelf: 'start' }}
      onClick={() => {
        if (runs) {
          stopped(((performance.now() - began.current) / 1000).toFixed(1));
        } else {
          began.current = performance.now();
        }
        setRuns(!runs);
      }}
    >
      {runs ? `Stop: seconds of reading ${row + 1}` : `Stopwatch for reading ${row + 1}`}
    </Button>
  );
}

import { useState } from 'react';
import { OpenPort } from './port';
import type { Source } from './useSource';

/** Baud of a port where no line profile says otherwise. */
export const USUAL_BAUD = 9600;

/** Opens a serial port that a person picks, and says why it could not be opened. */
export function usePort(choose: (source: Source) => void) {
  const [problem, setProblem] = useState<string | null>(null);
  const open = async (profile: string, baud: () => Promise<number>) => {
    try {
      choose({ kind: 'port', port: await OpenPort.chosen(await baud()), profile });
      setProblem(null);
    } catch (refused) {
      setProblem(refused instanceof Error ? refused.message : 'The port could not be opened.');
    }
  };
  return {
    open: (profile: string, baud: () => Promise<number>) => void open(profile, baud),
    problem,
  };
}

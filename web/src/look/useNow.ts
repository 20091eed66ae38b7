import { useEffect, useState } from 'react';

/** The time by the browser's clock, told again four times a second while something runs by it. */
export function useNow(runs: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!runs) {
      return undefined;
    }
    const timer = window.setInterval(() => setNow(Date.now()), 250);
    return () => window.clearInterval(timer);
  }, [runs]);
  return now;
}

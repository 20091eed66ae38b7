import { useEffect } from 'react';

/** Keeps the screen lit while a timer runs, where the browser can; it goes out by itself where the page is left. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) {
      return undefined;
    }
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const hold = async () => {
      try {
        const got = await navigator.wakeLock.request('screen');
        if (over) {
          await got.release();
        } else {
          lock = got;
        }
      } catch {
        // A low battery or a page that nobody looks at: the timer runs all the same.
      }
    };
    // The lock is lost when the page is out of sight, and taken again when it is back.
    const again = () => {
      if (document.visibilityState === 'visible') {
        void hold();
      }
    };
    void hold();
    document.addEventListener('visibilitychange', again);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [wanted]);
}

const KEPT = 'footnote.silent';

/** Whether a timer that is over may be heard; kept in the browser. */
export const isSilent = (): boolean => {
  try {
    return window.localStorage.getItem(KEPT) === 'yes';
  } catch {
    return false;
  }
};

export const beSilent = (silent: boolean): void => {
  try {
    window.localStorage.setItem(KEPT, silent ? 'yes' : 'no');
  } catch {
    // A browser that keeps nothing is loud again next time.
  }
};

/** Two short tones; nothing where the browser has no sound, or lets none be made before it was touched. */
export function chime(): void {
  if (isSilent() || typeof window.AudioContext === 'undefined') {
    return;
  }
  const sound = new window.AudioContext();
  for (const [at, frequency] of [
    [0, 660],
    [0.25, 880],
  ] as const) {
    const tone = sound.createOscillator();
    const loud = sound.createGain();
    tone.frequency.value = frequency;
    loud.gain.value = 0.15;
    tone.connect(loud).connect(sound.destination);
    tone.start(sound.currentTime + at);
    tone.stop(sound.currentTime + at + 0.2);
  }
  window.setTimeout(() => void sound.close(), 1000);
}

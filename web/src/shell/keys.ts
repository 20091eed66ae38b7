import { useEffect, useRef } from 'react';

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) ||
    target.getAttribute('role') === 'combobox');

/** Calls for a key pressed outside of fields and dialogs; the key as KeyboardEvent.key names it. */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>) {
  const held = useRef(keys);
  useEffect(() => {
    held.current = keys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        typing(event.target) ||
        document.querySelector('[role="dialog"]')
      ) {
        return;
      }
      const call = held.current[event.key];
      if (call) {
        call(event);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

import { useLayoutEffect, useRef } from 'react';

const ELSEWHERE =
  'input, textarea, select, [contenteditable], [role="combobox"], [role="listbox"], [role="menu"], [role="dialog"]';
const HEADINGS = 'h1, h2, h3, h4, h5, h6';

const SWITCH = 'footnote.keys';

/** Whether single letters act at all: some people's voices or tremors press them unmeant. */
export const keysAct = () => window.localStorage.getItem(SWITCH) !== 'off';

export const switchKeys = (on: boolean) => window.localStorage.setItem(SWITCH, on ? 'on' : 'off');

/**
 * Calls for a key pressed outside of fields, menus and dialogs, for a letter outside of headings too; the key as
 * KeyboardEvent.key names it. A key that is heard does nothing else: the letter that opens a dialog must not land in its
 * first field.
 */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>) {
  const held = useRef(keys);
  // Before it is painted: a key pressed at once belongs to what is seen, never to the step before it.
  useLayoutEffect(() => {
    held.current = keys;
  });
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        (event.target instanceof Element && event.target.closest(ELSEWHERE)) ||
        document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]') ||
        (event.key.length === 1 && event.target instanceof Element && event.target.closest(HEADINGS)) ||
        (event.key.length === 1 && event.key !== '?' && !keysAct())
      ) {
        return;
      }
      const call = held.current[event.key];
      if (call) {
        if (event.key.length === 1) {
          event.preventDefault();
        }
        call(event);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

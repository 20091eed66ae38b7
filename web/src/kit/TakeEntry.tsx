import { useState } from 'react';
import { ink } from '../look/theme';
import type { Values } from '../look/values';

export interface TakenEntry {
  code: string;
  name: string;
  /** What else it says. */
  rest: Values;
}

/** An entry of a library that was kept as JSON fills the form; what is none leaves it as it is. */
export function TakeEntry({
  words,
  refusal,
  take,
}: {
  words: string;
  /** What a file is not, and what was kept: "is no model sheet. What stands here was kept." */
  refusal: string;
  take: (entry: TakenEntry) => void;
}) {
  const [unread, setUnread] = useState<string | null>(null);
  const read = async (file: File | undefined) => {
    if (!file) {
      return;
    }
    try {
      const entry: unknown = JSON.parse(await file.text());
      if (typeof entry !== 'object' || entry === null || Array.isArray(entry)) {
        throw new SyntaxError('no object');
      }
      const { code, name, ...rest } = entry as Values;
      take({ code: typeof code === 'string' ? code : '', name: typeof name === 'string' ? name : '', rest });
      setUnread(null);
    } catch {
      setUnread(`${file.name} ${refusal}`);
    }
  };
  return (
    <div style={{ gridColumn: '1 / -1' }}>
      <input
        type="file"
        aria-label="From a file"
        accept=".json,application/json"
        style={{ maxWidth: '100%' }}
        onChange={(event) => void read(event.target.files?.[0])}
      />{' '}
      <span style={{ color: unread ? ink.void : ink.soft }}>{unread ?? words}</span>
    </div>
  );
}

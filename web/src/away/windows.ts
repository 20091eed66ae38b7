import { queries } from '../api/client';

type What = 'check' | 'outbox';

const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('footnote-away');
const reread = (what: What) => queries.invalidateQueries({ queryKey: ['away', what] });

channel?.addEventListener('message', ({ data }: MessageEvent<What>) => void reread(data));

/** Something on this device is another now: every window that shows it reads it again. */
export function tellAll(what: What): Promise<void> {
  channel?.postMessage(what);
  return reread(what);
}

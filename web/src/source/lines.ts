/** So long lines are held, ms: the server is sent what it keeps with a check. */
const HELD = 120_000;
/** And no more than so many bytes of them. */
const MOST = 200_000;

interface Line {
  bytes: Uint8Array;
  at: number;
}

/** The lines that came through a port, byte for byte, each with the moment at which it was complete. */
export class ArrivedLines {
  private lines: Line[] = [];
  private open: number[] = [];
  private size = 0;

  /** @param now ms, of a clock that does not jump */
  add(chunk: Uint8Array, now: number): void {
    for (const byte of chunk) {
      // A return that no line feed follows ends a line as well.
      if (this.open.at(-1) === 13 && byte !== 10) {
        this.end(now);
      }
      this.open.push(byte);
      if (byte === 10) {
        this.end(now);
      }
    }
    while (this.lines[0] && (now - this.lines[0].at > HELD || this.size > MOST)) {
      this.size -= this.lines[0].bytes.length;
      this.lines.shift();
    }
  }

  private end(now: number): void {
    const bytes = Uint8Array.from(this.open);
    this.lines.push({ bytes, at: now });
    this.size += bytes.length;
    this.open = [];
  }

  isEmpty(): boolean {
    return this.lines.length === 0;
  }

  /** As they are shown where nobody judges them. */
  printed(): { text: string; at: number }[] {
    const decoder = new TextDecoder();
    return this.lines.map(({ bytes, at }) => ({ text: decoder.decode(bytes).trim(), at }));
  }

  /** As the server is sent them. */
  sent(now: number): { lines: string; ago: number[] } {
    return {
      lines: base64(this.lines.flatMap((line) => Array.from(line.bytes))),
      ago: this.lines.map((line) => Math.max(0, Math.round(now - line.at))),
    };
  }
}

/** Bytes as text that JSON can carry. */
export const base64 = (bytes: ArrayLike<number>): string => {
  let text = '';
  for (let at = 0; at < bytes.length; at += 1) {
    text += String.fromCharCode(bytes[at] ?? 0);
  }
  return window.btoa(text);
};

import { expect, it } from 'vitest';
import { ArrivedLines } from './lines';

const bytes = (text: string) => new TextEncoder().encode(text);
const text = (lines: ArrivedLines, now: number) => {
  const sent = lines.sent(now);
  return [window.atob(sent.lines), sent.ago];
};

it('knows when each line was complete, however it came in parts', () => {
  const lines = new ArrivedLines();
  lines.add(bytes('11'), 0);
  expect(lines.isEmpty()).toBe(true);
  lines.add(bytes('4.0\r'), 10);
  lines.add(bytes('\n114'), 20);
  lines.add(bytes('.1\n'), 1020);
  expect(text(lines, 2020)).toEqual(['114.0\r\n114.1\n', [2000, 1000]]);
});

it('takes a return alone for the end of a line, and keeps empty lines: their numbers are those of the server', () => {
  const lines = new ArrivedLines();
  lines.add(bytes('a\rb\r\n\nc'), 0);
  expect(text(lines, 0)).toEqual(['a\rb\r\n\n', [0, 0, 0]]);
});

it('keeps bytes as they are, whatever they mean', () => {
  const lines = new ArrivedLines();
  lines.add(Uint8Array.from([0xff, 0x00, 0xe9, 10]), 0);
  expect(Array.from(window.atob(lines.sent(0).lines), (one) => one.charCodeAt(0))).toEqual([
    0xff, 0x00, 0xe9, 10,
  ]);
});

it('lets go of what is older than two minutes, and of what is too much', () => {
  const lines = new ArrivedLines();
  lines.add(bytes('old\n'), 0);
  lines.add(bytes('new\n'), 120_001);
  expect(text(lines, 120_001)).toEqual(['new\n', [0]]);
  lines.add(bytes(`${'x'.repeat(150_000)}\n`), 120_002);
  lines.add(bytes(`${'y'.repeat(150_000)}\n`), 120_003);
  expect(text(lines, 120_003)[1]).toEqual([0]);
});

import { join } from 'node:path';
import { type BrowserContext } from '@playwright/test';

/** How far the clock of these tests goes ahead of the machine's, ms; their servers follow the same one. */
const AHEAD = 1000 * Number(process.env['FOOTNOTE_CLOCK_AHEAD'] ?? 0);

export const now = () => new Date(Date.now() + AHEAD);

/** Whatever is opened in this context lives by that clock as well. */
export const followClock = async (context: BrowserContext): Promise<BrowserContext> => {
  await context.addInitScript(`globalThis.clockAhead = ${AHEAD}`);
  await context.addInitScript({ path: join(__dirname, '../../tools/moved-clock.js') });
  return context;
};

import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test as plain } from '@playwright/test';
import { followClock, now } from './clock';
import { address } from './servers';

export const PASSWORD = 'sallow-mill-2026';

/** A test on its worker's own server and by the clock of the tests. */
export const test = plain.extend({
  baseURL: async ({ browserName: _ }, use, info) => use(address(info.parallelIndex)),
  context: async ({ context }, use) => use(await followClock(context)),
});

/** Signs in by keyboard alone. */
export async function signIn(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Name').waitFor();
  await page.keyboard.type(name);
  await page.keyboard.press('Tab');
  await page.keyboard.type(PASSWORD);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('navigation', { name: 'Views' })).toBeVisible();
}

export async function signOut(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
}

/** The accessibility faults that axe can find, by WCAG 2.2 AA. */
export async function isAccessible(page: Page, what: string): Promise<string[]> {
  const found = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  return found.violations.map(
    (fault) => `${what}: ${fault.id} at ${fault.nodes.map((node) => node.target.join(' ')).join(', ')}`,
  );
}

/** How many pixels of the page are cut off sideways. */
export async function cutOff(page: Page): Promise<number> {
  return page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
}

process.env['TZ'] = 'Europe/London';
const twoDigits = (n: number) => String(n).padStart(2, '0');
/** A moment as a field of date and time takes it. */
export const local = (at: Date) =>
  `${at.getFullYear()}-${twoDigits(at.getMonth() + 1)}-${twoDigits(at.getDate())}T${twoDigits(at.getHours())}:${twoDigits(at.getMinutes())}`;
/** So many hours ago. */
export const hours = (n: number) => new Date(now().getTime() - n * 3_600_000);

/** Chooses from a list. */
export const choose = async (page: Page, label: string | RegExp, option: string | RegExp) => {
  await page.getByLabel(label).first().click();
  await page.getByRole('option', { name: option, exact: typeof option === 'string' }).click();
};

/** The smallest picture there is: one white point, as PNG. */
export const PICTURE = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABAQAAAAA3bvkkAAAACklEQVQImWNoAAAAggCByxOyYQAAAABJRU5ErkJggg==',
  'base64',
);

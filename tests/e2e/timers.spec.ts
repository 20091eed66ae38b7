import { expect, type Page } from '@playwright/test';
import { choose, isAccessible, signIn, test } from './person';

const title = (page: Page, name: string) => page.getByRole('heading', { name, exact: true });

/** One reading of each channel, stamped by the clock of the gas. */
async function stamp(page: Page, from: number, values: string[]): Promise<void> {
  for (const [place, value] of values.entries()) {
    const cell = page.getByLabel(/^Reads/).nth(from + place);
    await cell.fill(value);
    await cell.press('s');
  }
}

/** Timers of the unit, the clock of the gas, the plateau, and an end by a reading: nothing is guessed. */
test('a monitor is checked by its timers and ends by a reading', async ({ page }) => {
  await page.clock.install();
  await signIn(page, 'technician');
  await page.goto('/bench');
  await page.getByRole('button', { name: 'A timer' }).click();
  const panel = page.getByRole('region', { name: 'A timer', exact: true });
  await panel.getByRole('button', { name: 'Warming up' }).click();
  await panel.getByRole('checkbox', { name: 'GM-03' }).check();
  await panel.getByRole('checkbox', { name: 'VM-03' }).check();
  expect(await isAccessible(page, 'a timer')).toEqual([]);
  await panel.getByRole('button', { name: 'Start', exact: true }).click();
  // It is seen from everywhere, and says when it is over.
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  const timers = page.getByRole('region', { name: 'Timers' });
  await expect(timers.getByText('GM-03 warming up')).toBeVisible();
  await expect(timers.getByText('VM-03 warming up')).toBeVisible();
  await timers.getByRole('button', { name: 'Sound is on' }).click();
  await expect(timers.getByRole('button', { name: 'Sound is off' })).toBeVisible();
  expect(await isAccessible(page, 'timers')).toEqual([]);

  await page.goto('/bench');
  await page.getByRole('row', { name: /GM-03/ }).getByRole('button', { name: 'Check' }).click();
  await expect(title(page, 'Warm up')).toBeVisible();
  // The check waits by the timer of its unit, which began before it.
  await expect(page.getByText('Waiting.')).toBeVisible();
  await page.clock.fastForward(310_000);
  await expect(title(page, 'Pump')).toBeVisible();
  await page.keyboard.press('Enter');
  await choose(page, /^Zeroed in/, 'outdoor air');
  await page.getByRole('button', { name: /Done, go on/ }).click();
  await expect(title(page, 'Zero as found')).toBeVisible();
  for (const [place, value] of ['20,9', '0', '0', '0', '0,1'].entries()) {
    await page
      .getByLabel(/^Reads/)
      .nth(place)
      .fill(value);
  }
  await page
    .getByLabel(/^Reads/)
    .last()
    .press('Enter');
  await page.getByRole('button', { name: 'Left as it is' }).click();
  await page.getByRole('radio', { name: 'Use CY-01' }).click();
  await page.getByLabel('Pressure of the cylinder', { exact: true }).fill('18');
  await page.getByRole('button', { name: /Done, go on/ }).click();

  // Readings are stamped; what still moves is said, and so is what stands.
  await expect(title(page, 'Mix as found')).toBeVisible();
  await page.getByRole('button', { name: /start the clock/ }).click();
  const rounds = [
    ['18,4', '41', '30', '15'],
    ['18,0', '50', '50', '25'],
    ['18,0', '50', '50', '25'],
    ['18,0', '50', '50', '25'],
  ];
  for (const [at, values] of rounds.entries()) {
    if (at > 0) {
      await page.getByRole('button', { name: 'Read all again' }).click();
    }
    await page.clock.fastForward(at === 1 ? 40_000 : 5_000);
    await stamp(page, at * values.length, values);
    if (at === 2) {
      await expect(page.getByText('CO as found is not on a plateau yet: it still moves.')).toBeVisible();
    }
  }
  await expect(page.getByText('CO as found stands still: on a plateau.')).toBeVisible();
  await page
    .getByLabel(/^Reads/)
    .last()
    .press('Enter');
  await page.getByRole('button', { name: 'Left as it is' }).click();
  await choose(page, /^Cylinder of isobutylene/, /CY-02/);
  await page.getByRole('button', { name: /Done, go on/ }).click();
  await expect(title(page, 'Isobutylene as found')).toBeVisible();
  await page
    .getByLabel(/^Reads/)
    .nth(0)
    .fill('1');
  await page
    .getByLabel(/^Reads/)
    .nth(1)
    .fill('99,6');
  await page
    .getByLabel(/^Reads/)
    .nth(1)
    .press('Enter');
  await page.getByRole('button', { name: 'Left as it is' }).click();
  for (const step of ['Saved', 'Gas off']) {
    await expect(title(page, step)).toBeVisible();
    await page.keyboard.press('Enter');
  }
  await expect(title(page, 'Back to zero')).toBeVisible();
  for (const [place, value] of ['20,9', '0', '14', '0', '0,1'].entries()) {
    await page
      .getByLabel(/^Reads/)
      .nth(place)
      .fill(value);
  }
  await expect(page.getByText('CO is not back yet: wait on in clean air and read it again.')).toBeVisible();
  await page
    .getByLabel(/^Reads/)
    .nth(2)
    .fill('0');
  await expect(page.getByText(/CO is not back yet/)).toHaveCount(0);
  await page
    .getByLabel(/^Reads/)
    .nth(2)
    .press('Enter');
  await expect(title(page, 'Measuring again')).toBeVisible();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(page.getByRole('heading', { name: 'Bench', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'GM-03', exact: true }).click();
  await page
    .getByRole('link', { name: /^C-\d+$/ })
    .first()
    .click();
  await expect(page.getByText('Back in clean air')).toBeVisible();
});

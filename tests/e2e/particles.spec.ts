import { expect, type Page } from '@playwright/test';
import { choose, hours, isAccessible, local, signIn, signOut, test } from './person';

const title = (page: Page, name: string) => page.getByRole('heading', { name, exact: true });

/** From the brush to the open inlet: two flows, and what clean air counts in ten minutes by size. */
async function check(page: Page, made: Date, flows: string[], blank: string[]): Promise<void> {
  const goOn = page.getByRole('button', { name: /Done, go on/ });
  await page.goto('/bench');
  await page.getByRole('row', { name: /PC-01/ }).getByRole('button', { name: 'Check' }).click();
  await expect(title(page, 'Clean')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(title(page, 'Cell and laser')).toBeVisible();
  await page.getByLabel(/^Cell/).first().fill('96');
  await page.getByLabel(/^Laser/).fill('101');
  await goOn.click();
  await expect(title(page, 'Flow standard')).toBeVisible();
  await page.getByRole('radio', { name: 'Use FS-01' }).click();
  await expect(title(page, 'Flow as found')).toBeVisible();
  for (const [place, flow] of flows.entries()) {
    await page.getByRole('textbox', { name: /^Flow/ }).nth(place).fill(flow);
  }
  await page.getByRole('textbox', { name: /^Flow/ }).last().press('Enter');
  await expect(title(page, 'Adjust flow')).toBeVisible();
  await page.getByRole('button', { name: 'Left as it is', exact: true }).click();
  await expect(title(page, 'Clean air')).toBeVisible();
  await page
    .getByLabel(/^Counted for/)
    .first()
    .fill('10');
  for (const [place, count] of blank.entries()) {
    await page
      .getByLabel(/^Counts/)
      .nth(place)
      .fill(count);
  }
  await goOn.click();
  await expect(title(page, 'Inlet open')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(title(page, 'Accept')).toBeVisible();
  await page.getByLabel('When it was made, local time').fill(local(made));
  await page.waitForTimeout(400);
  expect(await isAccessible(page, 'the bench of a counter')).toEqual([]);
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
}

/** Particles by size, from clean air before to clean air after; a log that cannot be is refused and nothing is lost. */
test('a counter from clean air to a signed count by size', async ({ page }) => {
  test.setTimeout(180_000);
  const start = hours(3);
  await signIn(page, 'technician');
  await check(page, hours(3.5), ['2,83', '2,83'], ['20', '6', '2', '0']);

  await page.goto('/runs/new?instrument=PC-01');
  await choose(page, /^Campaign/, /Particles and dust/);
  await page.getByLabel('Person').fill('W-10');
  await page.getByLabel('Task', { exact: false }).first().fill('Soldering small pipes');
  await page.getByLabel('Start, local time').fill(local(start));
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByRole('heading', { name: /W-10/ })).toBeVisible();
  await page.getByLabel('Stop, local time').fill(local(hours(1)));
  await page.getByLabel(/Instrument’s clock/).fill('0');
  await page.getByRole('button', { name: 'Stop the run' }).click();
  await expect(page.getByRole('row', { name: /Instrument’s clock/ })).toContainText('0 s');

  const at = (i: number) => new Date(Math.floor(start.getTime() / 60_000) * 60_000 + i * 60_000);
  const rows = (count: string) =>
    Array.from({ length: 120 }, (_, i) => {
      const [day = '', time = ''] = local(at(i)).split('T');
      return `${day} ${time}:00;${i === 60 ? count : '28300'};2830;283;28`;
    });
  const log = (count: string) => Buffer.from(`Time;0.3 um;0.5 um;1.0 um;5.0 um\n${rows(count).join('\n')}\n`);
  const file = page.getByLabel('Log file');
  const read = async (count: string) => {
    await file.setInputFiles({ name: 'seams.csv', mimeType: 'text/csv', buffer: log(count) });
    await expect(page.getByRole('combobox', { name: 'Column 2 holds' })).toContainText('0.3');
    await page.getByRole('button', { name: 'Read the log' }).click();
  };
  await read('-5');
  await expect(page.getByText(/line 62/i).first()).toBeVisible();
  await read('28300,5');
  await expect(page.getByText(/line 62/i).first()).toBeVisible();
  await read('28300');
  await expect(page.getByRole('row', { name: /seams.csv/ })).toContainText('120 intervals of 60 s');
  await check(page, hours(0.5), ['2,83', '2,83'], ['20', '6', '2', '0']);
  await signOut(page);

  await signIn(page, 'hygienist');
  await page.goto('/results?campaign=SM-26-11-P');
  await page
    .getByRole('row', { name: /Soldering small pipes/ })
    .getByRole('link')
    .first()
    .click();
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
  // 28 300 a minute at 2.83 L/min are 10/cm³; two a minute in clean air change no digit that is shown.
  const row = page.getByRole('row', { name: /From 0.3 µm up/ });
  await expect(row).toContainText('10.0');
  await expect(page.getByText(/By counting alone it lies between/).first()).toBeVisible();
  expect(await isAccessible(page, 'a result of a counter')).toEqual([]);
  await page.getByRole('button', { name: /^Sign as / }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Sign as / })
    .click();
  await expect(page.getByText('signed as').first()).toBeVisible();
});

/** A photometer is registered without sizes; a counter is not. */
test('a counter without sizes is sent back, nothing lost', async ({ page }) => {
  await signIn(page, 'steward');
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Register an instrument' }).click();
  await choose(page, /^Family/, /particle counter/);
  await page.getByLabel('Asset number').fill('PC-09');
  await page.getByLabel('Model code').fill('Mixture 4');
  await choose(page, /^Kind/, /airborne/);
  await page
    .getByLabel(/^Nominal flow/)
    .first()
    .fill('2,83');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  await expect(page.getByRole('group', { name: 'Sizes' })).toContainText('name at least one size');
  await expect(page.getByLabel(/^Nominal flow/).first()).toHaveValue('2,83');
  await choose(page, /^Kind/, /photometric/);
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  await expect(page.getByRole('row', { name: /PC-09/ })).toBeVisible();
});

import { expect } from '@playwright/test';
import { choose, hours, isAccessible, local, PICTURE, signIn, test } from './person';

/** A pump was checked where there was no screen; the sheet is typed in later, and its photo kept with it. */
test('a pump check comes from paper, with the photo of the sheet', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/bench');
  await page.getByRole('row', { name: /PM-07/ }).getByRole('button', { name: 'Check', exact: true }).click();
  await page.getByRole('button', { name: 'From paper' }).click();
  const goOn = page.getByRole('button', { name: /Done, go on/ });
  const title = (name: string) => page.getByRole('heading', { name, exact: true });
  // No timer runs for what was waited for where there was no screen.
  await expect(title('Warm up')).toBeVisible();
  await goOn.click();
  await expect(title('Medium')).toBeVisible();
  await choose(page, /At this check the medium is/, 'in line');
  await page.getByLabel('Flow it is to be set for', { exact: true }).fill('2,0');
  await goOn.click();
  await choose(page, /With the end of the line blocked/, /stalled/);
  await goOn.click();
  await page.getByRole('radio', { name: 'Use FP-01' }).click();
  await page.getByLabel('Temperature', { exact: true }).fill('19');
  await page.getByLabel('Pressure', { exact: true }).fill('99,7');
  await choose(page, 'Thermometer', /TH-01/);
  await choose(page, 'Barometer', /BA-01/);
  await goOn.click();
  await expect(title('As found')).toBeVisible();
  for (const [place, flow] of ['1,998', '2,001', '2,004'].entries()) {
    await page.getByLabel(new RegExp(`^Reading ${place + 1}`)).fill(flow);
  }
  await page.getByLabel(/^Reading 3/).press('Enter');
  await page.getByRole('button', { name: 'Left as it is' }).click();
  await goOn.click();
  await expect(title('Accept')).toBeVisible();
  await expect(page.getByText('Say when it was made')).toBeVisible();
  await page
    .getByLabel('Take a photo')
    .setInputFiles({ name: 'sheet.png', mimeType: 'image/png', buffer: PICTURE });
  await expect(page.getByRole('button', { name: /Larger: sheet.png/ })).toBeVisible();
  // What is no picture is refused, and nothing typed is lost.
  await page
    .getByLabel('Add a file')
    .setInputFiles({ name: 'sheet.txt', mimeType: 'text/plain', buffer: Buffer.from('2.50') });
  await expect(page.getByText(/is no JPEG or PNG picture and no PDF/)).toBeVisible();
  await page.getByLabel('When it was made, local time').fill(local(hours(3)));
  expect(await isAccessible(page, 'a check from paper')).toEqual([]);
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(page.getByRole('heading', { name: 'Bench', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'PM-07', exact: true }).click();
  await page
    .getByRole('link', { name: /^C-\d+$/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /Larger: sheet.png/ })).toBeVisible();
  await expect(page.getByText(/copied from a sheet of paper/).first()).toBeVisible();
});

/** A whole day in the field without a screen: check, run, check on one sheet. */
test('a whole run comes from paper with both its checks, and nothing typed is lost', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/runs/new?instrument=DM-05');
  await page.getByRole('link', { name: 'Copy the sheet, with both checks' }).click();
  const part = (name: string) => page.getByRole('region', { name, exact: true });
  const copyCheck = async (name: string, at: Date, reading: string) => {
    const check = part(name);
    await check.getByLabel('When it was made, local time').fill(local(at));
    await check.getByRole('radio', { name: /^114 dB, 1000 Hz, certified 114.02/ }).click();
    await check.getByLabel(/^Reading/).fill(reading);
    await check.getByRole('button', { name: 'Left as it is' }).click();
    await check.getByRole('button', { name: 'all of it' }).click();
  };
  await copyCheck('Check before the run', hours(9), '114,1');
  await part('Run').getByLabel('Person').fill('W-02');
  await part('Run').getByLabel('Task').fill('Planing on the road');
  await part('Run')
    .getByLabel('Start, local time')
    .fill(local(hours(8)));
  await part('Run')
    .getByLabel('Stop, local time')
    .fill(local(hours(2)));
  await expect(
    part('Check before the run')
      .getByText(/within the limit|beyond the limit/)
      .first(),
  ).toBeVisible();
  // A closed tab loses nothing of it.
  await page.reload();
  await expect(part('Run').getByLabel('Task')).toHaveValue('Planing on the road');
  await expect(part('Check before the run').getByLabel(/^Reading/)).toHaveValue('114,1');
  // The time of the check contradicts that of the run: nothing is written down, and it is said at its place.
  await copyCheck('Check after the run', hours(3), '114,2');
  await page
    .getByLabel('Photo of the sheet, kept with the run')
    .setInputFiles({ name: 'day.png', mimeType: 'image/png', buffer: PICTURE });
  expect(await isAccessible(page, 'a run from paper')).toEqual([]);
  await page.getByRole('button', { name: 'Write all of it down' }).click();
  await expect(part('Check after the run').getByText(/is earlier than the end of the run/)).toBeVisible();
  await part('Check after the run')
    .getByLabel('When it was made, local time')
    .fill(local(hours(1)));
  await page.getByRole('button', { name: 'Write all of it down' }).click();
  await expect(page.getByRole('heading', { name: /W-02/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /Larger: day.png/ })).toBeVisible();
  await page.goto('/kit/DM-05');
  await expect(page.getByRole('link', { name: /^C-\d+$/ }).first()).toBeVisible();
});

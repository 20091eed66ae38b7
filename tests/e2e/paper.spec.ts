import { expect } from '@playwright/test';
import { choose, hours, isAccessible, local, signIn, test } from './person';

/** The smallest picture there is: one white point, as PNG. */
const SHEET = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABAQAAAAA3bvkkAAAACklEQVQImWNoAAAAggCByxOyYQAAAABJRU5ErkJggg==',
  'base64',
);

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
    .setInputFiles({ name: 'sheet.png', mimeType: 'image/png', buffer: SHEET });
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

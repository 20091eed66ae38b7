import { expect, type Page } from '@playwright/test';
import { choose, hours, isAccessible, local, signIn, signOut, test } from './person';

const correct = async (page: Page, reason: string, how: RegExp) => {
  await page.getByLabel(/What was wrong/).fill(reason);
  await choose(page, /How is it known/, how);
  await page.getByRole('button', { name: 'Keep the correction' }).click();
};

/** A reading was mistyped, and the result is signed: both stay, and the signature is marked. */
test('a mistyped reading is corrected after signing', async ({ page }) => {
  await signIn(page, 'hygienist');
  await page.goto('/results/R-00003');
  await page.getByRole('button', { name: /^Sign as / }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Sign as / })
    .click();
  await expect(page.getByText('signed as').first()).toBeVisible();
  await signOut(page);

  await signIn(page, 'technician');
  await page.goto('/results/R-00003');
  await page.getByRole('link', { name: 'C-00041' }).click();
  await expect(page.getByRole('heading', { name: 'Check C-00041 of DM-03' })).toBeVisible();
  await page.getByRole('button', { name: 'Correct or move' }).click();
  await choose(page, 'What was written wrongly', /As found/);
  await page.getByLabel('As found, reading').fill('a lot');
  expect(await isAccessible(page, 'correcting a check')).toEqual([]);
  await correct(page, 'the sheet says another', /sheet of paper/);
  await expect(page.getByText(/decimal number/).first()).toBeVisible();
  await expect(page.getByLabel(/What was wrong/)).toHaveValue('the sheet says another');
  await page.getByLabel('As found, reading').fill('113,5');
  await page.getByRole('button', { name: 'Keep the correction' }).click();
  await expect(page.getByText('It stands in the place of')).toBeVisible();
  expect(await isAccessible(page, 'a check on record')).toEqual([]);
  await page.getByRole('link', { name: 'C-00041' }).click();
  await expect(page.getByText('It counts for nothing any more')).toBeVisible();
  await expect(page.getByText(/the sheet says another/)).toBeVisible();

  await page.goto('/results/R-00003');
  await expect(page.getByText(/Evidence has come since signing/)).toBeVisible();
  await expect(page.getByText(/A check was corrected or moved/).first()).toBeVisible();
});

test('a check on the wrong instrument is moved, and what it was adjusted by only a hygienist moves', async ({
  page,
}) => {
  await signIn(page, 'technician');
  await page.goto('/checks/C-00035');
  await expect(page.getByText(/only a hygienist corrects or moves it/)).toBeVisible();
  await page.goto('/checks/C-00058');
  await page.getByRole('button', { name: 'Correct or move' }).click();
  await choose(page, 'Made of instrument', 'DM-07');
  await correct(page, 'the one beside it on the shelf', /second person/);
  await expect(page.getByRole('heading', { name: /of DM-07/ })).toBeVisible();
  await page.goto('/kit/DM-03');
  await expect(page.getByRole('row', { name: /C-00058/ })).toContainText('in its place');
});

test('a run is corrected, and one that was begun in error withdrawn', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/runs/new?instrument=DM-05');
  await page.getByLabel('Person').fill('W-11');
  await page.getByLabel('Task', { exact: false }).first().fill('Cutting reed tongues');
  const despite = page.getByLabel('Why it goes out all the same');
  await page.getByLabel('Start, local time').fill(local(hours(0.2)));
  await page.waitForTimeout(500);
  if (await despite.isVisible()) {
    await despite.fill('a trial');
  }
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByRole('heading', { name: /W-11/ })).toBeVisible();

  await page.getByRole('button', { name: 'Correct', exact: true }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel(/^Person/).fill('W-12');
  expect(await isAccessible(page, 'correcting a run')).toEqual([]);
  await form.getByLabel(/What was wrong/).fill('another put it on');
  await form.getByRole('button', { name: 'Keep the correction' }).click();
  await expect(page.getByRole('heading', { name: /W-12/ })).toBeVisible();
  await expect(page.getByText(/another put it on/).first()).toBeVisible();

  await page.getByRole('button', { name: 'Withdraw' }).click();
  await form.getByLabel(/What was wrong/).fill('the wrong instrument');
  await form.getByRole('button', { name: 'Withdraw' }).click();
  await expect(page.getByText('It counts in no result')).toBeVisible();
  await page.goto('/results');
  await expect(page.getByText(/the wrong instrument/)).toBeVisible();
  expect(await isAccessible(page, 'results with a withdrawn run')).toEqual([]);
});

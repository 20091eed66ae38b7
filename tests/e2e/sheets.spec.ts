import { expect } from '@playwright/test';
import { choose, isAccessible, signIn, test } from './person';

/** A site writes down how it checks a model, tries it, and its next check is walked with it. */
test('a model sheet is written from a template, and the next check is walked with it', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/kit');
  await page.getByText(/Templates to begin with/).click();
  await page.getByRole('link', { name: 'template-high-volume' }).click();
  await page.getByRole('link', { name: 'Begin a sheet with it' }).click();
  await choose(page, /^Model/, /Swell 100/);
  await page.getByLabel('Code').first().fill('SWELL-100');
  await page.getByLabel('Name').first().fill('Swell 100 on the roof');
  const keys = page.getByRole('group', { name: 'Keys to press' });
  await keys.getByRole('combobox', { name: 'Step' }).click();
  await page.getByRole('option', { name: 'Standard off / Orifice off' }).click();
  await keys.getByLabel('Press').fill('Stop, then the cover');
  await page.getByRole('button', { name: 'How a check is walked with it' }).click();
  const walk = page.getByRole('region', { name: 'Multi-point calibration' });
  await expect(walk.getByText('Run in', { exact: true })).toBeVisible();
  await expect(walk.getByText('Press: Stop, then the cover')).toBeVisible();
  expect(await isAccessible(page, 'a model sheet being written')).toEqual([]);
  // What does not hold together is said at its place, and nothing typed is lost.
  await page.getByRole('textbox', { name: 'Code' }).nth(1).fill('lay-out');
  await page.getByRole('button', { name: 'Add the sheet' }).click();
  await expect(page.getByText(/"lay-out" is taken/).first()).toBeVisible();
  await page.getByRole('textbox', { name: 'Code' }).nth(1).fill('seated');
  await page.getByRole('button', { name: 'Add the sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Swell 100 on the roof' })).toBeVisible();

  await page.goto('/kit/HV-01');
  await page.getByRole('button', { name: 'Multi-point calibration' }).first().click();
  await expect(page.getByRole('heading', { name: 'Laid out' })).toBeVisible();
  await expect(page.getByText(/orifice with its certificate/)).toBeVisible();
  await expect(page.getByText(/takes about 45 min/)).toBeVisible();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Orifice off' }).click();
  await expect(page.getByText('Stop, then the cover')).toBeVisible();
  expect(await isAccessible(page, 'a check with a model sheet')).toEqual([]);
});

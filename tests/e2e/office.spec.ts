import { expect } from '@playwright/test';
import { isAccessible, signIn, test } from './person';

/** Others read what falls due in their calendar, until somebody ends it. */
test('the dates in a calendar', async ({ page, playwright }) => {
  await signIn(page, 'steward');
  await page.goto('/dates');
  await page.getByRole('button', { name: 'In a calendar' }).click();
  await page.getByLabel('Name of the calendar').fill('Laboratory, December');
  await page.getByLabel('Of what').click();
  await page.getByRole('option', { name: 'What a laboratory does' }).click();
  expect(await isAccessible(page, 'making an address')).toEqual([]);
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('Address', { exact: true }).inputValue();
  await expect(page.getByRole('img', { name: /code for a camera/ })).toBeVisible();
  expect(await isAccessible(page, 'an address')).toEqual([]);

  // A calendar program is signed in nowhere.
  const calendar = await playwright.request.newContext();
  const read = await calendar.get(address);
  expect(read.status()).toBe(200);
  const text = (await read.text()).replaceAll('\r\n ', '');
  expect(text).toContain('X-WR-CALNAME:Laboratory\\, December');
  expect(text).toMatch(/SUMMARY:Over or never done: .*DM-08/);
  expect(text).not.toContain('bump test');
  expect((await calendar.get('/api/dates')).status()).toBe(401);

  await page.getByRole('button', { name: 'End Laboratory, December' }).click();
  await expect(page.getByText('None.')).toBeVisible();
  expect((await calendar.get(address)).status()).toBe(404);
  await calendar.dispose();
});

/** From a name to its page, by keys alone. */
test('the search', async ({ page }) => {
  await signIn(page, 'reader');
  await expect(page.getByRole('link', { name: 'Kit' })).toBeVisible();
  await page.locator('main').click({ position: { x: 2, y: 2 } });
  await page.keyboard.press('/');
  await page.keyboard.type('dm-03');
  await expect(page.getByRole('option', { name: /^DM-03 .*instrument$/ })).toBeVisible();
  expect(await isAccessible(page, 'a search')).toEqual([]);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'DM-03', exact: true })).toBeVisible();

  // A certificate leads to what it is of, and words to the results in which they stand.
  await page.getByRole('button', { name: 'Search /' }).click();
  await page.keyboard.type('f-2218');
  await page.getByRole('option', { name: /AC-02 .*certificate F-2218/ }).click();
  await expect(page.getByRole('heading', { name: 'AC-02', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Search /' }).click();
  await page.keyboard.type('ripping w-02');
  await page.getByRole('option', { name: /^Results with/ }).click();
  await expect(page.getByRole('row', { name: /R-00009/ })).toBeVisible();
  await expect(page.getByLabel('With the words')).toHaveValue('ripping w-02');
  await expect(page.getByRole('row', { name: /R-00001/ })).toHaveCount(0);
});

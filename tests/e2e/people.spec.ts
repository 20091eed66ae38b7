import { expect } from '@playwright/test';
import { isAccessible, PASSWORD, signIn, signOut, test } from './person';

test('somebody new is let in by a code, works, and is let out', async ({ page }) => {
  const name = `newcomer-${Date.now()}`;
  await signIn(page, 'steward');
  await page.getByRole('link', { name: /^Your access/ }).click();
  await expect(page.getByText(/As steward you may record, and keep/)).toBeVisible();

  await page.getByRole('button', { name: 'Add a person' }).click();
  const form = page.getByRole('dialog');
  await form.getByRole('textbox', { name: 'Name' }).fill(name);
  await form.getByRole('textbox', { name: 'Code' }).fill('S-1');
  await form.getByRole('button', { name: 'Add and make a code' }).click();
  // A code stands under one person's numbers alone; what was typed stays.
  await expect(form.getByRole('alert')).toContainText('stands under somebody');
  await form.getByRole('textbox', { name: 'Code' }).fill(`N-${Date.now() % 100000}`);
  await form.getByRole('checkbox', { name: /hygienist/ }).check();
  expect(await isAccessible(page, 'adding a person')).toEqual([]);
  await form.getByRole('button', { name: 'Add and make a code' }).click();
  const told = page.getByRole('dialog', { name: /One-time code/ });
  const code = (await told.getByText(/^\w{4}(-\w{4}){3}$/).textContent()) ?? '';
  expect(await isAccessible(page, 'a one-time code')).toEqual([]);
  await told.getByRole('button', { name: 'I have noted it' }).click();
  await expect(page.getByRole('row', { name: new RegExp(name) })).toContainText(
    'a one-time code waits until',
  );
  await signOut(page);

  // By keyboard, as typed from a slip of paper.
  await page.getByRole('button', { name: 'I have a one-time code' }).click();
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('One-time code').fill(code.toLowerCase().replaceAll('-', ' '));
  await page.getByLabel('New password').fill('aaaaaaaaaaaaaa');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('is soon guessed');
  expect(await isAccessible(page, 'a first password')).toEqual([]);
  await page.getByLabel('New password').fill(PASSWORD);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('navigation', { name: 'Views' })).toBeVisible();
  await page.getByRole('link', { name: /technician and hygienist/ }).click();
  await expect(page.getByText(/As hygienist you may/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'People' })).toHaveCount(0);

  // Another password; the session goes on with it.
  await page.getByLabel('Password now').fill(PASSWORD);
  await page.getByLabel('New password', { exact: false }).first().fill('a bench by the window');
  await page.getByLabel('New password again').fill('a bench by the window');
  await page.getByRole('button', { name: 'Change the password' }).click();
  await expect(page.getByText('It is changed.')).toBeVisible();
  await signOut(page);

  await signIn(page, 'steward');
  await page.goto('/people');
  await page.getByRole('button', { name: `Roles of ${name}` }).click();
  for (const role of ['technician', 'hygienist']) {
    await page
      .getByRole('dialog')
      .getByRole('checkbox', { name: new RegExp(role) })
      .uncheck();
  }
  await page.getByRole('dialog').getByRole('textbox', { name: 'Why' }).fill('left the workshop');
  await page.getByRole('dialog').getByRole('button', { name: 'End the access' }).click();
  await expect(page.getByRole('row', { name: new RegExp(name) })).toContainText('access ended');

  // The journal tells of it, and of nothing else when it is asked for that alone.
  await page.goto(`/journal?about=${name}`);
  await expect(page.getByText(`S-1 ended the access of ${name}: left the workshop.`)).toBeVisible();
  await expect(page.getByText(new RegExp(`let ${name} in as technician hygienist`))).toBeVisible();
  await signOut(page);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill('a bench by the window');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('The name or the password is wrong');
});

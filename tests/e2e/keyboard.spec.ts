import { expect, type Page } from '@playwright/test';
import { signIn, test } from './person';

/** Tabs until the focus is on something that reads so. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 80; ++i) {
    await page.keyboard.press('Tab');
    const said = await page.evaluate(() => {
      const at = document.activeElement;
      return (
        at?.getAttribute('aria-label') ??
        (at instanceof HTMLInputElement ? (at.labels?.[0]?.textContent ?? '') : (at?.textContent ?? ''))
      );
    });
    if (name.test(said)) {
      return;
    }
  }
  throw new Error(`Nothing that reads ${String(name)} can be reached by Tab.`);
}

/** The whole job by keyboard alone: the open bracket of DM-06 closed on the bench, judged and signed in the ledger. */
test('a check and a signature without a mouse', async ({ page }) => {
  await signIn(page, 'hygienist');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.keyboard.press('g');
  await page.keyboard.press('b');
  await expect(page.getByText('do not adjust: as found closes R-00012')).toBeVisible();
  const row = page.getByRole('row', { name: /DM-06/ });
  await row.getByRole('button').focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('section:focus h2')).toHaveText('Stopped');
  await page.keyboard.press('Enter');
  await expect(page.locator('section:focus h2')).toHaveText('Windscreen off');
  await page.keyboard.press('Enter');
  await expect(page.locator('section:focus h2')).toHaveText('Calibrator');
  await tabTo(page, /^114 dB, 1000 Hz, certified 114\.02/);
  await page.keyboard.press('Enter');
  await tabTo(page, /Done, go on/);
  await page.keyboard.press('Enter');
  await expect(page.locator('section:focus h2')).toHaveText('Adapter');
  await page.keyboard.press('Enter');
  await expect(page.locator('section:focus h2')).toHaveText('Steady');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'As found' })).toBeVisible();
  await page.getByLabel(/^Reading/).focus();
  await page.keyboard.type('114.0');
  await expect(page.getByText('This check closes')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.locator('section:focus h2')).toHaveText('Adjust');
  await tabTo(page, /Left as it is/);
  await page.keyboard.press('Enter');
  await expect(page.locator('section:focus h2')).toHaveText('Calibrator off');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.locator('section:focus h2')).toHaveText('Accept');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();

  await page.keyboard.press('g');
  await page.keyboard.press('r');
  await expect(page.getByRole('row', { name: /R-00001/ })).toBeVisible();
  for (
    let i = 0;
    i < 20 && !(await page.getByRole('row', { name: /R-00012/ }).getAttribute('aria-current'));
    ++i
  ) {
    await page.keyboard.press('j');
  }
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /W-06, Casting pipe metal/ })).toBeVisible();
  await page.keyboard.press('s');
  await expect(page.getByRole('dialog')).toBeVisible();
  await tabTo(page, /^Sign as/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/signed as/)).toBeVisible();
  // Keys are silent until the dialog is gone.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('k');
  await expect(page.getByRole('heading', { name: /W-05, Spindle moulding/ })).toBeVisible();
  await page.keyboard.press('u');
  await expect(page).toHaveURL(/\/results$/);
});

import { expect } from '@playwright/test';
import { cutOff, isAccessible, signIn, test } from './person';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

/** One hand on a phone: a whole check in thirteen presses, each under the thumb, and nothing to be moved sideways. */
test('a dosimeter is checked on a phone in thirteen presses', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/?date=2026-11-18');
  expect(await cutOff(page), 'Day').toBe(0);
  let presses = 0;
  const press = async (name: string | RegExp, role: 'button' | 'link' | 'radio' = 'button') => {
    const target = page.getByRole(role, { name }).first();
    await target.scrollIntoViewIfNeeded();
    const box = await target.boundingBox();
    expect(box?.height ?? 0, String(name)).toBeGreaterThanOrEqual(44);
    await target.tap();
    presses += 1;
  };
  const title = (name: string) => page.getByRole('heading', { name, exact: true });
  await page.goto('/bench');
  expect(await cutOff(page), 'Bench').toBe(0);
  await page.getByRole('row', { name: /DM-02/ }).getByRole('button').tap();
  presses += 1;
  for (const step of ['Stopped', 'Windscreen off']) {
    await expect(title(step)).toBeVisible();
    await press(/Done, go on/);
  }
  await expect(page.getByText('3 of 10')).toBeVisible();
  expect(await isAccessible(page, 'a step on a phone')).toEqual([]);
  expect(await cutOff(page), 'a step').toBe(0);
  await press(/114 dB, 1000 Hz, certified 114.02/, 'radio');
  await press(/Done, go on/);
  await expect(title('Adapter')).toBeVisible();
  await press(/Done, go on/);
  await press(/Start the timer/);
  await expect(page.getByText(/open ear/)).toBeVisible();
  await expect(page.getByText('Time is up')).toBeVisible();
  await press(/Done, go on/);
  // Done lies above the bar of views, within reach, whatever the step asks.
  const done = await page.getByRole('button', { name: /Done, go on/ }).boundingBox();
  expect((done?.y ?? 0) + (done?.height ?? 0)).toBeGreaterThan(700);
  await expect(page.getByLabel(/^Reading/)).toHaveAttribute('inputmode', 'decimal');
  await page.getByLabel(/^Reading/).fill('114,0');
  await press(/Done, go on/);
  await press('Left as it is');
  await expect(title('Calibrator off')).toBeVisible();
  await press(/Done, go on/);
  await press(/Done, go on/);
  await press(/Accept the check/);
  await expect(title('Bench')).toBeVisible();
  expect(presses).toBeLessThanOrEqual(13);

  await page.getByRole('button', { name: 'More' }).tap();
  await page.getByRole('link', { name: 'Journal' }).tap();
  await expect(title('Journal')).toBeVisible();
});

// screenshots.mjs BASE FOLDER: walks through the demo and takes one picture of each main view.
import { createRequire } from 'node:module';

const { chromium } = createRequire(new URL('../web/package.json', import.meta.url))('@playwright/test');
const [, , base, folder] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu', '--disable-background-networking'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, timezoneId: 'Europe/London', locale: 'en-GB' });
const shoot = async (name) => {
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/${name}.png` });
};
const go = (path) => page.goto(base + path);
const signIn = async (name) => {
  await page.context().clearCookies();
  await go('/');
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill('sallow-mill-2026');
  if (name === 'technician') await shoot('sign-in');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'Views' }).waitFor();
};
const decide = async (run, how, reason) => {
  await go(`/results/${run}`);
  await page.getByRole('button', { name: how }).click();
  if (reason) await page.getByRole('textbox', { name: /^Reason/ }).fill(reason);
  await page.getByRole('dialog').getByRole('button', { name: how === 'Void (v)' ? 'Void this result' : /^Sign as/ }).click();
  await page.getByText(/(signed as|voided)/).first().waitFor();
};

await signIn('technician');
await go('/?date=2026-11-18');
await shoot('day');
await go('/bench');
await shoot('bench');
await page.getByRole('row', { name: /DM-06/ }).getByRole('button').click();
const on = page.getByRole('button', { name: /Done, go on/ });
await on.click();
await on.click();
await page.getByRole('radio', { name: /114 dB, 1000 Hz, certified 114.02/ }).click();
await shoot('check-calibrator');
await on.click();
await on.click();
await page.getByRole('button', { name: /Start the timer/ }).click();
await page.getByText('Time is up').waitFor({ timeout: 15000 });
await on.click();
await page.getByLabel(/^Reading/).fill('113,4');
await page.getByText('This check closes').waitFor();
await shoot('check-as-found');
await page.setViewportSize({ width: 768, height: 1024 });
await shoot('check-on-a-tablet');
await page.setViewportSize({ width: 1280, height: 800 });
await go('/runs/R-00002');
await shoot('run');

await signIn('hygienist');
await decide('R-00001', /Sign as/);
await decide('R-00002', /Sign as/);
await decide('R-00004', 'Void (v)', 'It fell; the microphone is bent.');
await go('/results');
await shoot('results');
await go('/results/R-00003');
await shoot('result');
await page.locator('#drift').scrollIntoViewIfNeeded();
await page.locator('[id^="note-"]').filter({ hasText: 'drift from' }).getByRole('button').click();
await page.locator('#drift').evaluate((at) => at.scrollIntoView());
await shoot('result-margin-opened');
await page.locator('#schools').evaluate((at) => at.scrollIntoView());
await shoot('result-schools');
await signIn('steward');
await go('/kit');
await shoot('kit');
await go('/kit/DM-03');
await shoot('unit');
await go('/policies');
await shoot('policies');
await go('/journal');
await shoot('journal');
await browser.close();

// screenshots.mjs BASE FOLDER: walks through the demo and takes one picture of each main view.
import { createRequire } from 'node:module';

const { chromium } = createRequire(new URL('../web/package.json', import.meta.url))('@playwright/test');
const [, , base, folder] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu', '--disable-background-networking'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, timezoneId: 'Europe/London', locale: 'en-GB' });
// The same clock as the server's.
await page.context().addInitScript(`globalThis.clockAhead = ${1000 * Number(process.env.FOOTNOTE_CLOCK_AHEAD ?? 0)}`);
await page.context().addInitScript({ path: new URL('moved-clock.js', import.meta.url).pathname });
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
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'Views' }).waitFor();
};
const choose = async (label, option) => {
  await page.getByLabel(label).first().click();
  await page.getByRole('option', { name: option, exact: typeof option === 'string' }).click();
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
// The bench where no server answers: what was handed out before can be checked.
await go('/bench');
await page.getByRole('button', { name: 'Without a network' }).click();
for (const unit of ['DM-01', 'DM-02', 'DM-04', 'PM-02']) await page.getByLabel(new RegExp(`^${unit}`)).check();
const hand = page.getByRole('button', { name: 'Have them at hand' });
await hand.click();
await page.getByText(/On this device: .*PM-02/).waitFor();
await page.waitForFunction(() => !document.querySelector('section button[disabled]'));
await page.evaluate(async () => (await navigator.serviceWorker.ready).active !== null);
await page.context().setOffline(true);
await go('/bench');
await page.getByText(/No network since/).waitFor();
await page.getByText('not on this device').first().waitFor();
await shoot('bench');
await page.context().setOffline(false);
await page.getByText(/No network since/).waitFor({ state: 'hidden' });
await page.getByRole('row', { name: /DM-06/ }).getByRole('button', { name: 'Check' }).click();
const on = page.getByRole('button', { name: /Done, go on/ });
await on.click();
await on.click();
await page.getByRole('radio', { name: /114 dB, 1000 Hz, certified 114.02/ }).click();
await on.click();
await on.click();
await page.getByRole('button', { name: /Start the timer/ }).click();
await page.getByRole('heading', { name: 'As found' }).waitFor();
await page.getByLabel(/^Reading/).fill('113,4');
await page.getByText('This check closes').waitFor();
await shoot('check-as-found');
// Readings that come by themselves, from the practice shelf.
await go('/bench');
await page.getByRole('row', { name: /GM-90/ }).getByRole('button', { name: 'Check', exact: true }).click();
await page.getByRole('button', { name: 'Skip (x)' }).click();
await choose(/Zeroed in/, /outdoor/);
await on.click();
await page.getByRole('button', { name: 'Skip (x)' }).click();
await page.getByRole('button', { name: 'Left as it is' }).click();
await page.getByRole('radio', { name: 'Use CY-01' }).click();
await on.click();
await page.getByRole('button', { name: /Gas is on/ }).click();
await page.getByText('stands still').nth(3).waitFor({ timeout: 90_000 });
await shoot('source');
page.once('dialog', (dialog) => dialog.accept('only for the picture'));
await page.getByRole('button', { name: 'Break off' }).click();
await page.getByRole('heading', { name: 'Bench', exact: true }).waitFor();
await go('/laboratory');
await shoot('laboratory');
await go('/plan/DP-00001');
await page.getByRole('figure', { name: 'The day along the hours' }).waitFor();
await shoot('plan');

await signIn('hygienist');
await decide('R-00001', /Sign as/);
await decide('R-00008', /Sign as/);
await decide('R-00004', 'Void (v)', 'It fell; the microphone is bent.');
await go('/results');
await shoot('results');
await go('/reports/RP-00001?part=run%3AR-00001');
await page.getByRole('button', { name: 'Remark' }).first().waitFor({ state: 'attached' });
await page.getByRole('button', { name: 'Remark' }).first().focus();
await page.keyboard.press('Enter');
await page.getByLabel('Remark on this paragraph').fill('Say that the extraction was off until nine.');
await page.getByRole('button', { name: 'Keep the remark' }).click();
await page.getByText('1 remark not settled.').waitFor();
await page.evaluate(() => window.scrollTo(0, 0));
await shoot('report');
await go('/results/R-00003');
await shoot('result');
await page.locator('#drift').scrollIntoViewIfNeeded();
await page.locator('[id^="note-"]').filter({ hasText: 'drift from' }).getByRole('button').click();
await page.locator('#drift').evaluate((at) => at.scrollIntoView());
await page.waitForTimeout(400);
await shoot('result-margin-opened');
await page.keyboard.press('Escape');
await go('/checks/C-00060');
await page.getByRole('button', { name: 'Label' }).click();
await shoot('check-record');
await go('/dates');
await page.getByRole('heading', { name: 'Dates' }).waitFor();
await shoot('dates');
await go('/results/G-00001');
await page.getByRole('img', { name: /^Log of/ }).waitFor();
await shoot('result-monitor');
await go('/results/S-00001');
await page.getByText(/The room fails/).first().waitFor();
await shoot('result-room');
await signIn('steward');
await go('/kit');
await shoot('kit');
await go('/kit/SL-01');
await shoot('unit');
await go('/journal');
await shoot('journal');
await go('/references/AC-01');
await page.getByRole('button', { name: 'Recall' }).click();
await page.getByLabel(/Not to be trusted/).fill('2026-11-01T00:00');
await page.getByLabel(/Found wrong on/).fill('2026-11-24T00:00');
await page.getByLabel('What was found').fill('came back 0.3 dB louder');
await choose(/How far it was off/, 'is known');
await page.getByLabel(/True value less the certified one/).fill('0.3');
await page.getByRole('button', { name: 'See what it would change' }).click();
await page.getByRole('link', { name: 'R-00001' }).waitFor({ timeout: 60_000 });
await shoot('recall');
// One hand: five views of a phone, side by side; one of them a unit of a round.
await page.setViewportSize({ width: 390, height: 780 });
await signIn('technician');
const phone = [];
for (const [path, ...presses] of [
  ['/?date=2026-11-18'],
  ['/bench'],
  ['/bench', /^Go on/],
  ['/results/R-00003'],
]) {
  await go(path);
  await page.waitForLoadState('networkidle');
  for (const press of presses) {
    await page.getByRole('button', { name: press }).first().click();
    await page.getByText(/^\d+ of \d+/).waitFor();
  }
  await page.waitForTimeout(400);
  phone.push((await page.screenshot()).toString('base64'));
}
await go('/bench');
await page.getByRole('button', { name: 'A round' }).click();
const row = page.getByRole('region', { name: 'A round' });
await row.getByRole('button', { name: 'Check with an acoustic calibrator' }).click();
for (const unit of ['DM-01', 'DM-02', 'DM-03', 'DM-05']) {
  await row.getByRole('checkbox', { name: new RegExp(`^${unit}`) }).check();
}
await row.getByRole('button', { name: 'Begin the round of 4' }).click();
await page.getByRole('radio', { name: /114 dB, 1000 Hz/ }).first().click();
await page.getByRole('heading', { name: /1 of 4: as found/ }).waitFor();
await page.getByRole('button', { name: /Start the timer/ }).click();
await page.getByLabel(/^Reading/).fill('114,1');
await page.waitForTimeout(600);
phone.splice(3, 0, (await page.screenshot()).toString('base64'));
await page.setViewportSize({ width: phone.length * 390 + 12 * (phone.length - 1), height: 780 });
const pictures = phone.map((one) => `<img src="data:image/png;base64,${one}">`).join('');
await page.setContent(`<body style="margin:0;display:flex;gap:12px;background:#8a8578">${pictures}</body>`);
await page.evaluate(() => window.scrollTo(0, 0));
await page.screenshot({ path: `${folder}/phone.png` });
await browser.close();

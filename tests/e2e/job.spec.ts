import { expect, type Page } from '@playwright/test';
import { followClock, now } from './clock';
import { signIn, signOut, test } from './person';

const twoDigits = (n: number) => String(n).padStart(2, '0');
const local = (at: Date) =>
  `${at.getFullYear()}-${twoDigits(at.getMonth() + 1)}-${twoDigits(at.getDate())}T${twoDigits(at.getHours())}:${twoDigits(at.getMinutes())}`;
process.env['TZ'] = 'Europe/London';

/** From the first check to the signed result: a technician records, a hygienist judges and signs, a reader cannot. */
test('a dosimeter from pre-check to signed result', async ({ page }) => {
  const begun = now();
  await signIn(page, 'technician');

  // The pre-check, walked step by step; a comma for a point; the lid closed midway.
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('row', { name: /DM-08/ }).getByRole('button').click();
  const goOn = page.getByRole('button', { name: /Done, go on/ });
  await expect(page.getByRole('heading', { name: 'Stopped' })).toBeVisible();
  await goOn.click();
  await goOn.click();
  await page.getByRole('radio', { name: /114 dB, 1000 Hz, certified 114.02/ }).click();
  await goOn.click();
  await goOn.click();
  await page.getByRole('button', { name: /Start the timer/ }).click();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Steady' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'As found' })).toBeVisible();
  await page.getByLabel(/^Reading/).fill('114,x');
  await expect(page.getByText('not a decimal number').first()).toBeVisible();
  await page.getByLabel(/^Reading/).fill('114,1');
  await expect(page.getByText('+0.08 dB')).toBeVisible();
  await goOn.click();
  await page.getByRole('button', { name: 'Left as it is' }).click();
  await goOn.click();
  await goOn.click();
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();

  // A run that lies between: started a while ago, on the clipboard, typed in now.
  await page.goto('/runs/new?instrument=DM-08');
  await page.getByLabel('Person').fill('W-09');
  await page.getByLabel('Task').fill('Planing tracker stock');
  // Checked or not, its laboratory certificate is over: somebody says why it goes.
  await expect(page.getByText(/Its laboratory certificate .* was in date until 20 Nov 2026/)).toBeVisible();
  await page.getByLabel('Why it goes out all the same').fill('the others are at the laboratory');
  await page.getByLabel('Start, local time').fill(local(new Date(begun.getTime() + 3_600_000)));
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByText('lies in the future').first()).toBeVisible();
  await expect(page.getByLabel('Task')).toHaveValue('Planing tracker stock');
  const start = new Date(begun.getTime() - 4 * 3_600_000);
  const stop = new Date(begun.getTime() - 3_600_000);
  await page.getByLabel('Start, local time').fill(local(start));
  await page.getByLabel('Planned, minutes').fill('180');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByRole('heading', { name: /W-09, Planing tracker stock/ })).toBeVisible();
  await page.getByLabel('Stop, local time').fill(local(stop));
  await page.getByLabel(/Instrument’s clock/).fill('12');
  await page.getByRole('button', { name: 'Stop the run' }).click();

  // Its log, first with a fault in a line, then whole.
  const begin = new Date(start);
  begin.setSeconds(0, 0);
  const lines = (fault: boolean) => {
    let text = 'Gerät;DM-08\r\n\r\nZeit;LAeq;LCpeak\r\n';
    for (let i = 0; i < 3 * 3600; ++i) {
      const at = new Date(begin.getTime() + 1000 * i);
      const level = (84 + (i % 90) / 10).toFixed(1).replace('.', ',');
      text += `${twoDigits(at.getDate())}.${twoDigits(at.getMonth() + 1)}.${at.getFullYear()} ${twoDigits(at.getHours())}:${twoDigits(at.getMinutes())}:${twoDigits(at.getSeconds())};${fault && i === 5000 ? 'oops' : level};104,2\r\n`;
    }
    return Buffer.from(text);
  };
  const file = page.getByLabel('Log file');
  await file.setInputFiles({ name: 'tracker.csv', mimeType: 'text/csv', buffer: lines(true) });
  await page.getByRole('button', { name: 'Read the log' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'line 5004' })).toBeVisible();
  await file.setInputFiles({ name: 'tracker.csv', mimeType: 'text/csv', buffer: lines(false) });
  await page.getByRole('button', { name: 'Read the log' }).click();
  await expect(page.getByText(/10800 intervals of 1 s/)).toBeVisible();
  await page.getByRole('link', { name: 'Result page' }).click();

  // The check of this morning came after the run was over, as found: it closes it.
  await expect(
    page
      .getByText('closed bracket')
      .or(page.getByRole('img', { name: 'closed bracket' }))
      .first(),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /Sign as/ })).toHaveCount(0);
  const result = page.url();
  await signOut(page);

  await signIn(page, 'hygienist');
  await page.goto(result);
  await page.getByRole('button', { name: 'note 1', exact: true }).first().click();
  await expect(page.locator('.fn-tree').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('.fn-tree')).toHaveCount(0);
  await page.getByRole('button', { name: /Void/ }).click();
  await page.getByRole('button', { name: 'Void this result' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /Sign as/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Sign as/ })
    .click();
  await expect(page.getByText(/H-1 on .* signed as/)).toBeVisible();
  await signOut(page);

  await signIn(page, 'reader');
  await page.goto(result);
  await expect(page.getByText(/signed as/)).toBeVisible();
  await expect(page.getByRole('button', { name: /Sign as|Void|Overrule/ })).toHaveCount(0);
  await page.goto('/bench');
  await expect(page.getByRole('button', { name: 'Check' })).toHaveCount(0);
});

/** Evidence that comes after signing is said, old against new, and waits for a person. */
test('evidence changes after signing', async ({ page }) => {
  await signIn(page, 'hygienist');
  await page.goto('/results/R-00010');
  await page.getByRole('button', { name: /Sign as qualified/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Sign as/ })
    .click();
  await expect(page.getByText(/signed as/)).toBeVisible();
  await page.getByRole('link', { name: 'Run and log' }).click();
  await page.getByLabel('From, local time').fill('2026-11-18T12:00');
  await page.getByLabel('To, local time').fill('2026-11-18T12:45');
  await page.getByRole('textbox', { name: /^Reason/ }).fill('the unit lay in a drawer over lunch');
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByText('lay in a drawer').first()).toBeVisible();
  await page.getByRole('link', { name: 'Result page' }).click();
  await expect(page.getByText('Evidence has come since signing.')).toBeVisible();
  await page.getByRole('button', { name: /Overrule/ }).click();
  await page.getByRole('combobox', { name: 'Verdict' }).click();
  await page.getByRole('option', { name: 'corrected' }).click();
  await page.getByLabel('Reason').fill('three quarters of an hour is missing');
  await page.getByRole('button', { name: 'Overrule the proposal' }).click();
  await expect(page.getByText(/overruled to/)).toBeVisible();
  await expect(page.getByText('Evidence has come since signing.')).toHaveCount(0);
});

/** Two people with the same page: the second is told, and nothing of the first is lost. */
test('a second person decides the same result', async ({ browser }) => {
  const [one, two] = [await browser.newPage(), await browser.newPage()];
  for (const page of [one, two]) {
    await followClock(page.context());
    await signIn(page, 'hygienist');
    await page.goto('/results/R-00002');
    await page.getByRole('button', { name: /Void \(v\)/ }).click();
    await page.getByLabel('Reason').fill('a doubt');
  }
  // Each waits for what the server says of it, however long a busy machine takes.
  const decides = async (page: Page) => {
    const said = page.waitForResponse(
      (response) => response.url().endsWith('/decision') && response.status() !== 503,
    );
    await page.getByRole('button', { name: 'Void this result' }).click();
    return (await said).status();
  };
  expect(await decides(one)).toBe(201);
  await expect(one.getByText(/ voided:/)).toBeVisible();
  expect(await decides(two)).toBe(409);
  await expect(two.getByRole('alert').filter({ hasText: 'has decided this result meanwhile' })).toBeVisible();
  await expect(two.getByLabel('Reason')).toHaveValue('a doubt');
});

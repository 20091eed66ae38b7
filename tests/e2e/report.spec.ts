import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { followClock } from './clock';
import { choose, cutOff, isAccessible, signIn, signOut, test } from './person';

test('a report is read, signed and printed; a recall changes it, and a second edition says so', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, 'hygienist');
  await page.goto('/results/P-00001');
  await page.getByRole('button', { name: /^Sign as/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: /^Sign/ }).click();
  await expect(page.getByText(/Decided .* by H-1/)).toBeVisible();

  // From the ledger of the campaign.
  await page.goto('/results?campaign=SM-26-11-P');
  await page.getByRole('link', { name: 'Report', exact: true }).click();
  const begin = page.getByRole('dialog');
  await begin.getByLabel(/^Title/).fill('Particles in the soldering bay');
  await begin.getByRole('button', { name: 'Begin' }).click();
  await expect(begin.getByLabel(/^Title/)).toHaveValue('Particles in the soldering bay');
  await begin.getByLabel(/^For whom/).fill('The foreman');
  await begin.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('Draft: not signed, not issued.')).toBeVisible();
  const report = new URL(page.url()).pathname;
  await expect(page.getByText(/^(\d+) of the \1 runs of the campaign\./)).toBeVisible();

  // A result is followed to its readings, by keyboard.
  await page.getByRole('button', { name: /^P-00001/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'What the notes rest on' })).toBeVisible();
  await expect(page.locator('.paper')).toContainText(/FS-01/);
  expect(await isAccessible(page, 'a result in a report')).toEqual([]);
  expect(await cutOff(page)).toBe(0);

  // Somebody remarks on it; nothing is issued over that.
  await page.getByRole('button', { name: 'Remark' }).first().focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Say which bay.');
  await page.getByRole('button', { name: 'Keep the remark' }).click();
  await expect(page.getByText('1 remark not settled.')).toBeVisible();
  await page.getByRole('button', { name: 'Sign and issue' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Sign and issue' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was issued' })).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('button', { name: 'Settle' }).click();
  await page.getByLabel('How it is settled').fill('There is one.');
  await page.getByRole('button', { name: 'It is settled' }).click();
  await expect(page.getByText('1 remark not settled.')).toBeHidden();

  await page.getByRole('button', { name: 'Sign and issue' }).click();
  expect(await isAccessible(page, 'signing a report')).toEqual([]);
  await page.getByRole('dialog').getByRole('button', { name: 'Sign and issue' }).click();
  await expect(page.getByText(/edition 1$/)).toBeVisible();
  const pdf = page.getByRole('link', { name: 'A4', exact: true });
  await expect(pdf).toBeVisible({ timeout: 180_000 });
  const printed = await page.request.get((await pdf.getAttribute('href')) ?? '');
  expect((await printed.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const address = (await page.getByRole('link', { name: /\/r\// }).textContent()) ?? '';

  // Whoever holds it asks whether it stands, without signing in.
  const apart = await followClock(await browser.newContext(baseURL ? { baseURL } : {}));
  const stranger = await apart.newPage();
  await stranger.goto(new URL(address).pathname);
  await expect(stranger.getByText('It is the last edition: it was not superseded.')).toBeVisible();
  expect(await isAccessible(stranger, 'what a stranger sees')).toEqual([]);

  // Its flow standard turns out wrong: what it would change is seen before anything is.
  await signOut(page);
  await signIn(page, 'steward');
  await page.goto('/references/FS-01');
  await page.getByRole('button', { name: 'Recall' }).click();
  await page.getByLabel(/Not to be trusted/).fill('2026-11-01T00:00');
  await page.getByLabel(/Found wrong on/).fill('2026-11-24T00:00');
  await page.getByLabel('What was found').fill('came back 2 % low');
  await choose(page, /How far it was off/, 'is known');
  await page.getByLabel(/True value less the certified one/).fill('2');
  await page.getByRole('button', { name: 'See what it would change' }).click();
  await expect(page.getByRole('link', { name: 'P-00001' })).toBeVisible();
  await expect(page.getByText('Particles in the soldering bay, for The foreman')).toBeVisible();
  expect(await isAccessible(page, 'what a recall would change')).toEqual([]);
  await page.getByRole('button', { name: /Draft letters/ }).click();
  await expect(page.getByLabel(/^To The foreman/)).toHaveValue(/FS-01[\s\S]*P-00001/);
  await page.getByRole('button', { name: 'Recall FS-01' }).click();
  await expect(page.getByText(/FS-01 is recalled/)).toBeVisible();

  // The report knows; signed again, a second edition says what changed.
  await signOut(page);
  await signIn(page, 'hygienist');
  await page.goto(report);
  await expect(page.getByText(/Evidence has changed since edition 1/)).toBeVisible();
  await page.goto('/results/P-00001');
  await page.getByRole('button', { name: /^Sign as/ }).click();
  await page.getByRole('dialog').getByRole('textbox').first().fill('The recall is taken out.');
  // What was decided before stands there too: the report is opened once the server has taken this one.
  const decided = page.waitForResponse(
    (response) => response.url().endsWith('/decision') && response.status() !== 503,
  );
  await page.getByRole('dialog').getByRole('button', { name: /^Sign/ }).click();
  expect((await decided).status()).toBe(201);
  await expect(page.getByText(/Decided .* by H-1/).first()).toBeVisible();
  await page.goto(report);
  await page.getByRole('button', { name: 'Sign edition 2' }).click();
  await page
    .getByRole('dialog')
    .getByLabel(/^Why it follows/)
    .fill('The flow standard was recalled.');
  await page.getByRole('dialog').getByRole('button', { name: 'Sign and issue' }).click();
  await page.getByRole('button', { name: 'What changed since the edition before' }).click();
  await expect(page.locator('.paper')).toContainText('The flow standard was recalled.');
  await expect(page.locator('.paper')).toContainText(/P-00001.*now/);
  await stranger.reload();
  await expect(stranger.getByText('It was superseded: the last edition is 2.')).toBeVisible();

  // The whole of it leaves as one file: R works every figure out again without the application, another logbook says the same.
  await page.goto(report);
  await page.getByRole('button', { name: 'Pack', exact: true }).click();
  const packed = page.getByRole('link', { name: /^ZIP of/ });
  await expect(packed).toBeVisible({ timeout: 60_000 });
  const zip = await page.request.get((await packed.getAttribute('href')) ?? '');
  const folder = mkdtempSync(join(tmpdir(), 'footnote-package-'));
  try {
    writeFileSync(join(folder, 'package.zip'), await zip.body());
    const run = (command: string, words: string[], cwd = folder) =>
      execFileSync(command, words, {
        cwd,
        encoding: 'utf8',
        env: {
          ...process.env,
          APP_ENV: 'prod',
          FOOTNOTE_SECRET: 'only-for-tests',
          FOOTNOTE_DATA: join(folder, 'empty'),
        },
      });
    run('unzip', ['-qq', 'package.zip', '-d', 'package']);
    const again = ['recompute.R', 'assessment.json', 'record.json', '--library', 'library.json'];
    const followed = /(\d+) of (\d+) figures follow\s*$/.exec(run('Rscript', again, join(folder, 'package')));
    expect(Number(followed?.[1])).toBeGreaterThan(20);
    expect(followed?.[1]).toBe(followed?.[2]);
    mkdirSync(join(folder, 'empty'));
    const console = join(__dirname, '../../bin/console');
    run(console, ['doctrine:migrations:migrate', '--no-interaction', '--quiet']);
    expect(run(console, ['footnote:import', join(folder, 'package.zip')])).toMatch(
      /Of [1-9]\d* runs the same is said here as where they were packed\.\s*$/,
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
});

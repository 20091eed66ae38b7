import { execFileSync } from 'node:child_process';
import { expect, type Locator, type Page } from '@playwright/test';
import { now } from './clock';
import { choose, cutOff, isAccessible, signIn, test } from './person';

const title = (page: Page, name: string) => page.getByRole('heading', { name, exact: true });
const goOn = (page: Page) => page.getByRole('button', { name: /Done, go on/ });
const check = (page: Page, unit: string) =>
  page.getByRole('row', { name: new RegExp(unit) }).getByRole('button', { name: 'Check', exact: true });
const takes = (page: Page) => page.getByRole('button', { name: 'Take it (t)' });

/** A busy machine hears of the lines late. */
const slowly = { timeout: 180_000 };

/**
 * Takes the reading once it stands still. What stood still a moment ago may move again by the time that the key is heard, so
 * it is pressed until something was taken.
 */
const take = (page: Page, taken: Locator) =>
  expect(async () => {
    if (!(await taken.isVisible())) {
      await expect(takes(page)).toBeEnabled({ timeout: 30_000 });
      await page.keyboard.press('t');
      await expect(taken).toBeVisible({ timeout: 15_000 });
    }
  }).toPass(slowly);

/** What is read back in clean air has fallen back first. */
const backToZero = async (page: Page, next: Locator) => {
  await expect(title(page, 'Back to zero')).toBeVisible();
  await expect(page.getByText('still moves').first()).toBeVisible();
  await take(page, next);
};
const toAsFound = async (page: Page) => {
  for (const step of ['Stopped', 'Windscreen off']) {
    await expect(title(page, step)).toBeVisible();
    await goOn(page).click();
  }
  await page.getByRole('radio', { name: /114 dB, 1000 Hz, certified 114.02/ }).click();
  await goOn(page).click();
  await goOn(page).click();
  await expect(title(page, 'As found')).toBeVisible({ timeout: 20_000 });
};

/** A whole check of a practice unit: nothing is typed, ten presses, and what it shows is judged and never signed. */
test('a dosimeter is checked from its stand-in in ten presses', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/bench');
  let presses = 0;
  const enter = async (step: string) => {
    await expect(title(page, step)).toBeVisible();
    await page.keyboard.press('Enter');
    presses += 1;
  };
  await check(page, 'DM-90').click();
  presses += 1;
  await enter('Stopped');
  await enter('Windscreen off');
  await page.getByRole('radio', { name: /114 dB, 1000 Hz, certified 114.02/ }).click();
  await goOn(page).click();
  presses += 2;
  await enter('Adapter');
  // With something on the line the time begins by itself.
  await expect(title(page, 'As found')).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText('stands still')).toBeVisible({ timeout: 40_000 });
  expect(await isAccessible(page, 'a source')).toEqual([]);
  for (const width of [400, 768, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    expect(await cutOff(page), `a source at ${width}`).toBe(0);
  }
  await page.keyboard.press('l');
  presses += 1;
  await enter('Calibrator off');
  await enter('Windscreen on');
  await expect(title(page, 'Accept')).toBeVisible();
  await expect(page.getByRole('link', { name: /lines-as-found/ })).toBeVisible();
  await expect(page.getByText('printed by a stand-in: practice, byte for byte')).toBeVisible();
  await page.keyboard.press('Enter');
  presses += 1;
  await expect(title(page, 'Bench')).toBeVisible();
  expect(presses).toBeLessThanOrEqual(10);
});

/** Two in a round: each is looked at while its tone settles, taken by a key, and what is left is read after it was adjusted. */
test('a round of practice units comes from their stand-ins', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/bench');
  await page.getByRole('button', { name: 'A round' }).click();
  const round = page.getByRole('region', { name: 'A round' });
  await round.getByRole('button', { name: 'Check with an acoustic calibrator' }).click();
  for (const unit of ['DM-90', 'DM-91']) {
    await round.getByRole('checkbox', { name: new RegExp(`^${unit}`) }).check();
  }
  await round.getByRole('button', { name: 'Begin the round of 2' }).click();
  await page
    .getByRole('radio', { name: /114 dB, 1000 Hz/ })
    .first()
    .click();
  const card = page.getByRole('region', { name: /^DM-9/ });
  const comes = card.getByRole('region', { name: 'What comes by itself' });
  const taken = card.getByText(/simulated, line/);
  for (const place of [1, 2]) {
    await expect(card.getByRole('heading', { name: `${place} of 2: as found` })).toBeVisible();
    await expect(comes).toHaveCount(1);
    await expect(takes(page)).toHaveCount(0);
    // The first lines have come: what stands below them moves no more while it is pressed.
    await expect(comes.getByRole('img', { name: /over the last minutes/ })).toBeVisible();
    await card.getByRole('button', { name: /Start the timer/ }).click();
    await take(page, taken);
    await expect(comes).toHaveCount(0);
    if (place === 1) {
      expect(await isAccessible(page, 'a source in a round')).toEqual([]);
    }
    await card.getByRole('button', { name: /Done, next unit/ }).click();
  }
  await card.getByRole('button', { name: 'Left as it is' }).click();
  await expect(card.getByRole('heading', { name: '2 of 2: adjust or leave' })).toBeVisible();
  await card.getByRole('button', { name: 'Adjusted' }).click();
  await expect(card.getByText('is watched for')).toBeVisible();
  await take(page, taken);
  await card.getByRole('button', { name: /Done, next unit/ }).click();
  await page.getByRole('button', { name: 'Accept 2 checks' }).click();
  await expect(title(page, 'Bench')).toBeVisible();
});

/** A loose adapter: it does not come to rest, and taken all the same it is far off; a run of it stands as any other, unsigned. */
test('a dosimeter with a loose adapter is found out', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/bench');
  await check(page, 'DM-90').click();
  await toAsFound(page);
  await choose(page, 'What is wrong with it', /adapter is loose/);
  await expect(page.getByText('still moves')).toBeVisible({ timeout: 40_000 });
  await expect(takes(page)).toBeDisabled();
  await page.getByRole('button', { name: 'Take it though it moves' }).click();
  await expect(title(page, 'Adjust')).toBeVisible();
  await expect(page.getByText(/^−[23]\.\d\d dB$/).first()).toBeVisible();
  const told = page.waitForEvent('dialog').then((dialog) => dialog.accept('the adapter was loose'));
  await page.getByRole('button', { name: 'Break off' }).click();
  await told;
  await expect(title(page, 'Bench')).toBeVisible();
});

/** Bumped, then calibrated: every channel from its stand-in, each on the clock of its gas. */
test('a four-gas unit is bumped and calibrated from its stand-in', async ({ page }) => {
  test.setTimeout(900_000);
  await signIn(page, 'technician');
  await page.goto('/bench');
  const row = page.getByRole('row', { name: /GM-90/ });
  await row.getByRole('combobox').click();
  await page.getByRole('option', { name: 'Bump test' }).click();
  await expect(title(page, 'Cylinder')).toBeVisible();
  await page.getByRole('radio', { name: 'Use CY-01' }).click();
  await goOn(page).click();
  await expect(title(page, 'Gas on')).toBeVisible();
  const gasOn = page.getByRole('button', { name: 'Gas is on: start the clock' });
  await gasOn.click();
  const taken = page.getByText(/simulated, line/).first();
  await take(page, taken);
  await goOn(page).click();
  for (const step of ['Alarms', 'Gas off']) {
    await expect(title(page, step)).toBeVisible();
    await goOn(page).click();
  }
  await backToZero(page, title(page, 'Accept'));
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(title(page, 'Bench')).toBeVisible();

  await check(page, 'GM-90').click();
  await expect(title(page, 'Warm up')).toBeVisible();
  await page.keyboard.press('x');
  await choose(page, /Zeroed in/, /outdoor/);
  await goOn(page).click();
  await expect(title(page, 'Zero as found')).toBeVisible();
  const left = page.getByRole('button', { name: 'Left as it is' });
  await take(page, left);
  await left.click();
  await page.getByRole('radio', { name: 'Use CY-01' }).click();
  await goOn(page).click();
  await expect(title(page, 'Mix as found')).toBeVisible();
  await gasOn.click();
  await expect(page.getByText('still moves').first()).toBeVisible({ timeout: 40_000 });
  await take(page, taken);
  await expect(page.getByText('CO as found stands still: on a plateau.')).toBeVisible();
  await goOn(page).click();
  await page.getByRole('button', { name: 'Adjusted', exact: true }).click();
  await expect(title(page, 'Mix as left')).toBeVisible();
  await page.getByRole('button', { name: 'Gas is on: start the clock' }).click();
  await take(page, taken);
  await goOn(page).click();
  for (const step of ['Saved', 'Gas off']) {
    await expect(title(page, step)).toBeVisible();
    await goOn(page).click();
  }
  await backToZero(page, title(page, 'Measuring again'));
  await goOn(page).click();
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(title(page, 'Bench')).toBeVisible();
});

/** A serial instrument of a practice unit: the lines of the console's stand-in come through a port; pulled out, nothing stands still. */
test('readings come through a serial port', async ({ page }) => {
  const printed = execFileSync(
    'bin/console',
    ['footnote:stand-in', 'acoustic-check', '--seconds', '60', '--speed', '0'],
    { cwd: '../..', encoding: 'utf8' },
  );
  await page.addInitScript((lines: string[]) => {
    let port: ReadableStreamDefaultController<Uint8Array> | null = null;
    const opened: number[] = [];
    Object.defineProperty(window.navigator, 'serial', {
      value: {
        requestPort: () =>
          Promise.resolve({
            open: ({ baudRate }: { baudRate: number }) => {
              opened.push(baudRate);
              return Promise.resolve();
            },
            close: () => Promise.resolve(),
            readable: new ReadableStream<Uint8Array>({
              start: (controller) => {
                port = controller;
              },
            }),
          }),
      },
    });
    let at = 0;
    Object.assign(window, {
      // Ten lines a second, each in two parts, as a port gives them.
      prints: (often: number) => {
        const timer = window.setInterval(() => {
          const line = `${lines[at] ?? ''}\r\n`;
          at = (at + 1) % lines.length;
          const bytes = new TextEncoder().encode(line);
          port?.enqueue(bytes.slice(0, 20));
          port?.enqueue(bytes.slice(20));
        }, often);
        Object.assign(window, {
          stops: () => window.clearInterval(timer),
          pulls: () => port?.error(new Error('The device has been lost.')),
        });
      },
    });
  }, printed.trim().split('\n').slice(25));
  await signIn(page, 'technician');
  await page.goto('/bench');
  await check(page, 'DM-90').click();
  await toAsFound(page);
  await page.getByRole('button', { name: 'Let it go' }).click();
  await page.getByRole('button', { name: 'From a serial port' }).click();
  await expect(page.getByText('Nothing has come through the port yet.')).toBeVisible();
  await page.evaluate(() => (window as unknown as { prints: (often: number) => void }).prints(100));
  await expect(page.getByText('is watched for')).toBeVisible();
  // Ten readings a second, and no key is lost meanwhile.
  const remark = page.getByLabel('Reading dB');
  await remark.pressSequentially('114.0114.0114.0', { delay: 20 });
  await expect(remark).toHaveValue('114.0114.0114.0');
  await remark.fill('');
  await expect(page.getByText('stands still')).toBeVisible({ timeout: 40_000 });
  await takes(page).focus();
  await page.keyboard.press('t');
  await expect(title(page, 'Adjust')).toBeVisible();
  await page.keyboard.press('y');
  await expect(page.getByText(/^simulated, line \d+$/)).toBeVisible();
  await page.evaluate(() => (window as unknown as { pulls: () => void }).pulls());
  await expect(page.getByText('The device has been lost.')).toBeVisible({ timeout: 15_000 });
  await expect(takes(page)).toBeDisabled({ timeout: 15_000 });

  // A file of another unit is refused, and says whose it is.
  await page.getByRole('button', { name: 'Let it go' }).click();
  const at = now().toISOString();
  await page.getByLabel('From a file of lines').setInputFiles({
    name: 'other.ndjson',
    mimeType: 'text/plain',
    buffer: Buffer.from(`{"at":"${at}","unit":"DM-01","channel":"level","value":"114.0","in":"dB"}\nOL\n`),
  });
  await expect(page.getByText(/These are lines of DM-01/)).toBeVisible();
  await expect(page.getByText('1 line could not be read')).toBeVisible();
  await expect(takes(page)).toBeDisabled();
  const told = page.waitForEvent('dialog').then((dialog) => dialog.accept('only tried'));
  await page.getByRole('button', { name: 'Break off' }).click();
  await told;
});

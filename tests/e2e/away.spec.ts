import { expect, type Browser, type Page } from '@playwright/test';
import { followClock } from './clock';
import { choose, cutOff, isAccessible, PICTURE, signIn, test } from './person';

test.use({ serviceWorkers: 'allow' });

const title = (page: Page, name: string) => page.getByRole('heading', { name, exact: true });
const goOn = (page: Page) => page.getByRole('button', { name: /Done, go on/ });
const row = (page: Page, unit: string) => page.getByRole('row', { name: new RegExp(unit) });

/** Has the checks of units handed out, and the application kept. */
const haveAtHand = async (page: Page, ...units: string[]) => {
  await page.goto('/bench');
  await page.getByRole('button', { name: 'Without a network' }).click();
  for (const unit of units) {
    await page.getByLabel(new RegExp(`^${unit}`)).check();
  }
  await page.getByRole('button', { name: 'Have them at hand' }).click();
  await expect(page.getByText(new RegExp(`On this device: .*${units.at(-1) ?? ''}`))).toBeVisible();
  await expect(page.getByRole('button', { name: 'Have them at hand' })).toBeEnabled();
  await page.evaluate(async () => (await navigator.serviceWorker.ready).active !== null);
};

const toAsFound = async (page: Page) => {
  for (const step of ['Stopped', 'Windscreen off']) {
    await expect(title(page, step)).toBeVisible();
    await goOn(page).click();
  }
  await page.getByRole('radio', { name: /114 dB, 1000 Hz, certified 114.02/ }).click();
  await goOn(page).click();
  await expect(title(page, 'Adapter')).toBeVisible();
  await goOn(page).click();
  await expect(title(page, 'Steady')).toBeVisible();
  await page.keyboard.press('x');
  await expect(title(page, 'As found')).toBeVisible();
};
const toItsEnd = async (page: Page) => {
  await page.getByLabel('Reading dB').press('Enter');
  await page.getByRole('button', { name: 'Left as it is' }).click();
  for (const step of ['Calibrator off', 'Windscreen on']) {
    await expect(title(page, step)).toBeVisible();
    await goOn(page).click();
  }
  await expect(title(page, 'Accept')).toBeVisible();
};

/** Nobody answers from the moment at which the application is opened until the check is accepted; then it is brought. */
test('a pump is checked by its bubble times without a network', async ({ page, context }) => {
  await signIn(page, 'technician');
  await haveAtHand(page, 'PM-03');
  await context.setOffline(true);
  await page.goto('/bench');
  await expect(title(page, 'Bench')).toBeVisible();
  await expect(page.getByText(/No network since/)).toBeVisible();
  await expect(row(page, 'PM-04').getByText('not on this device')).toBeVisible();
  expect(await isAccessible(page, 'the bench without a network')).toEqual([]);

  await row(page, 'PM-03').getByRole('button', { name: 'Check', exact: true }).click();
  await expect(title(page, 'Warm up')).toBeVisible();
  await page.getByRole('button', { name: /Start the timer/ }).click();
  await page.keyboard.press('x');
  await choose(page, /At this check the medium is/, 'in line');
  await page.getByLabel('Flow it is to be set for', { exact: true }).fill('2,0');
  await goOn(page).click();
  await choose(page, /With the end of the line blocked/, /stalled/);
  await goOn(page).click();
  await page.getByRole('radio', { name: 'Use SB-01' }).click();
  // The steps are those of a soap film: the air beside it, volume and time.
  await page.getByLabel('Temperature', { exact: true }).fill('20');
  await page.getByLabel('Pressure', { exact: true }).fill('100,0');
  await choose(page, 'Thermometer', /TH-01/);
  await choose(page, 'Barometer', /BA-01/);
  await goOn(page).click();
  await expect(title(page, 'As found')).toBeVisible();
  await expect(page.getByText('Judged when back on line.')).toBeVisible();
  // Closed and opened again, still without anybody to ask: it is where it was.
  await page.reload();
  await expect(title(page, 'As found')).toBeVisible();
  for (const [place, seconds] of ['15,0', '15,1', '15,0'].entries()) {
    await page.getByLabel(new RegExp(`^Volume ${place + 1}`)).fill('500');
    await page.getByLabel('Time s').nth(place).fill(seconds);
  }
  await page.getByLabel('Time s').nth(2).press('Enter');
  await page.getByRole('button', { name: 'Left as it is' }).click();
  await goOn(page).click();
  await expect(title(page, 'Accept')).toBeVisible();
  await page
    .getByLabel('Add a file')
    .setInputFiles({ name: 'film.png', mimeType: 'image/png', buffer: PICTURE });
  await expect(page.getByText('waits on this device')).toBeVisible();
  expect(await isAccessible(page, 'a check without a network')).toEqual([]);
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(title(page, 'Bench')).toBeVisible();
  await expect(row(page, 'PM-03').getByRole('link', { name: 'In the outbox' })).toBeVisible();
  await page.getByRole('link', { name: /3 things in the outbox/ }).click();
  await expect(page.getByText('waits for the network').first()).toBeVisible();
  expect(await isAccessible(page, 'the outbox')).toEqual([]);
  for (const width of [400, 768, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    expect(await cutOff(page), `the outbox at ${width}`).toBe(0);
  }

  await context.setOffline(false);
  await expect(page.getByText('Nothing waits')).toBeVisible();
  await page.goto('/kit/PM-03');
  await page.getByRole('link', { name: /^C-/ }).first().click();
  await expect(page.getByText(/^Made without a network and brought on/)).toBeVisible();
  await expect(page.getByText(/SB-01/).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Larger: film.png' })).toBeVisible();
});

/** What was half done goes on; meanwhile somebody else checked the unit: both are shown, and the person decides. */
test('what another did meanwhile is shown beside, and a person decides', async ({
  page,
  context,
  browser,
  baseURL,
}) => {
  await signIn(page, 'technician');
  await page.goto('/bench');
  await row(page, 'DM-05').getByRole('button', { name: 'Check', exact: true }).click();
  await expect(title(page, 'Stopped')).toBeVisible();
  await haveAtHand(page, 'DM-05', 'DM-04');
  await context.setOffline(true);
  await page.goto('/bench');
  await row(page, 'DM-05').getByRole('button', { name: /Go on/ }).click();
  await toAsFound(page);
  await page.getByLabel('Reading dB').fill('113,8');
  await toItsEnd(page);
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(title(page, 'Bench')).toBeVisible();

  await asAnother(browser, baseURL, async (other) => {
    await row(other, 'DM-05').getByRole('button', { name: /Go on/ }).click();
    await toAsFound(other);
    await other.getByLabel('Reading dB').fill('114,3');
    await toItsEnd(other);
    await other.getByRole('button', { name: /Accept the check/ }).click();
    await expect(title(other, 'Bench')).toBeVisible();
  });

  await context.setOffline(false);
  await page.getByRole('link', { name: /waits for your decision/ }).click();
  await expect(page.getByText(/Something else was done to DM-05 meanwhile/)).toBeVisible();
  await expect(page.getByText('113,8')).toBeVisible();
  await expect(page.getByText('114,3')).toBeVisible();
  expect(await isAccessible(page, 'a decision')).toEqual([]);
  for (const width of [400, 768, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    expect(await cutOff(page), `a decision at ${width}`).toBe(0);
  }
  await page.getByRole('button', { name: 'Both stand: bring mine' }).click();
  await expect(
    page.getByText(/The half-done check that this one goes on with was accepted as/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Bring mine as a check of its own' }).click();
  await expect(page.getByText('Nothing waits')).toBeVisible();
  await page.goto('/kit/DM-05');
  await page.getByRole('link', { name: /^C-/ }).first().waitFor();
});

/** An outbox is a person's: it survives sign-out and a closed window, and nobody else sends it. */
test('an outbox waits for its person', async ({ page, context }) => {
  await signIn(page, 'technician');
  await haveAtHand(page, 'DM-04');
  await context.setOffline(true);
  await page.goto('/runs/new?instrument=DM-04');
  await page.getByLabel('Person').fill('W-12');
  await page.getByLabel('Task', { exact: false }).first().fill('Voicing reeds');
  await page.getByLabel('Why it goes out all the same').fill('no network at the organ');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(title(page, 'Outbox')).toBeVisible();
  await expect(page.getByText('a run of DM-04, W-12, Voicing reeds')).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByText('1 thing of T-1 wait')).toBeVisible();
  // Nothing that was seen is left on the device.
  await page.goto('/bench');
  await expect(page.getByLabel('Password')).toBeVisible();

  await context.setOffline(false);
  await signIn(page, 'hygienist');
  await page.goto('/outbox');
  await expect(page.getByText('1 thing of T-1 wait')).toBeVisible();
  await expect(page.getByText('Nothing waits')).toBeVisible();
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await signIn(page, 'technician');
  await page.goto('/outbox');
  await expect(page.getByText('Nothing waits')).toBeVisible();
  await page.goto('/bench');
  await expect(row(page, 'DM-04').getByText(/running: R-/)).toBeVisible();
});

const asAnother = async (
  browser: Browser,
  baseURL: string | undefined,
  does: (page: Page) => Promise<void>,
) => {
  const context = await followClock(await browser.newContext(baseURL === undefined ? {} : { baseURL }));
  const page = await context.newPage();
  await signIn(page, 'hygienist');
  await page.goto('/bench');
  await does(page);
  await context.close();
};

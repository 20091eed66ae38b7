import { expect, type Page } from '@playwright/test';
import { choose, hours, isAccessible, local, signIn, signOut, test } from './person';

const title = (page: Page, name: string) => page.getByRole('heading', { name, exact: true });

/** From run mode to the windscreen, three tones of one calibrator; by keyboard wherever no value is asked. */
async function check(page: Page, made: Date, [main, loud, low]: [string, string, string]): Promise<void> {
  await page.goto('/bench');
  await page.getByRole('row', { name: /SL-01/ }).getByRole('button', { name: 'Check' }).click();
  for (const step of ['Stopped', 'Windscreen off']) {
    await expect(title(page, step)).toBeVisible();
    await page.keyboard.press('Enter');
  }
  await expect(title(page, 'Calibrator')).toBeVisible();
  await page.getByRole('radio', { name: '94 dB, 1000 Hz, certified 94.00' }).click();
  await page.getByRole('button', { name: /Done, go on/ }).click();
  await expect(title(page, 'Adapter')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(title(page, 'Steady')).toBeVisible();
  await page.getByRole('button', { name: /Start the timer/ }).click();
  await expect(title(page, 'As found')).toBeVisible();
  await page.getByRole('textbox', { name: /^Reading/ }).fill(main);
  await page.keyboard.press('Enter');
  await expect(title(page, 'Other tones')).toBeVisible();
  const readings = page.getByRole('textbox', { name: /^Reading/ });
  await expect(readings).toHaveCount(2);
  await readings.nth(0).fill(loud);
  await readings.nth(1).fill(low);
  await expect(page.getByText(/as found at 114 dB, 250 Hz, off by/)).toBeVisible();
  expect(await isAccessible(page, 'other tones at the bench')).toEqual([]);
  await readings.nth(1).press('Enter');
  await expect(title(page, 'Adjust')).toBeVisible();
  await page.getByRole('button', { name: 'Left as it is', exact: true }).click();
  for (const step of ['Calibrator off', 'Windscreen on']) {
    await expect(title(page, step)).toBeVisible();
    await page.keyboard.press('Enter');
  }
  await expect(title(page, 'Accept')).toBeVisible();
  await page.getByLabel('When it was made, local time').fill(local(made));
  await page.waitForTimeout(400);
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
}

async function begin(page: Page, task: string, place: string, from: Date, to: Date): Promise<void> {
  await page.goto('/runs/new?instrument=SL-01');
  await choose(page, /^Campaign/, /Sound levels and rooms/);
  await page.getByLabel('Person').fill('T-1');
  await page.getByLabel('Task', { exact: false }).first().fill(task);
  await page.getByLabel('Place').fill(place);
  await page.getByLabel('Start, local time').fill(local(from));
  await page.getByLabel('Stop, where it is over').fill(local(to));
}

const later = (at: Date, minutes: number) => new Date(at.getTime() + minutes * 60_000);

/** Two rooms of one visit: bands pasted from a sheet, one wrong; the set-up taken over; the verdict band by band, signed. */
test('a visit of two rooms from the first tone to the signed verdict', async ({ page }) => {
  test.setTimeout(240_000);
  const visit = hours(2.5);
  await signIn(page, 'technician');
  await check(page, hours(3), ['94,0', '114.0', '114.1']);

  await begin(page, 'Room survey, flue pipes off', 'Flue room', visit, later(visit, 3));
  await choose(page, /^What it measures/, /a room/);
  await choose(page, /^Permissible levels/, /Audiometric room/);
  await choose(page, /^Set-up/, /Room survey in octave bands/);
  await choose(page, /^Weighting of bands/, 'Z');
  await choose(page, /^Time constant/, 'slow');
  await choose(page, /^Kept of each band/, 'maximum');
  await page.getByLabel(/^Log interval/).fill('1');
  await page.getByLabel(/^Integration time/).fill('120');
  await page.getByLabel(/^Start delay/).fill('30');
  await choose(page, /^Bands, as set/, 'octaves');
  await page.getByLabel('Start noted by hand').fill('late');
  await page.getByLabel('63 Hz').first().focus();
  await page.evaluate(() => {
    const field = document.activeElement;
    const data = new DataTransfer();
    data.setData('text', '50,1\t46\t43\t41,6\t34\t26\t20\tquiet');
    field?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  });
  await expect(page.getByLabel('500 Hz')).toHaveValue('41,6');
  await expect(page.getByLabel('8 kHz')).toHaveValue('quiet');
  expect(await isAccessible(page, 'a room that is being written down')).toEqual([]);
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByText(/quiet/).last()).toBeVisible();
  await expect(page.getByLabel('500 Hz')).toHaveValue('41,6');
  await page.getByLabel('8 kHz').fill('16');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(
    page.getByText('"late" is not a time of day such as 14:05 or 14:05:30.').first(),
  ).toBeVisible();
  await page.getByLabel('Start noted by hand').fill(local(visit).slice(11));
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByRole('row', { name: /Permissible levels/ })).toContainText('audiometric-app-d');
  await page.getByLabel(/Instrument’s clock/).fill('0');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('row', { name: /Instrument’s clock/ })).toContainText('0 s');

  // The second room: what does not differ is taken over.
  await begin(page, 'Room survey, flue pipes on', 'Flue room', later(visit, 10), later(visit, 13));
  await page.getByRole('button', { name: /Take over from the run before/ }).click();
  await expect(page.getByLabel(/^Start delay/)).toHaveValue('30');
  await expect(page.getByLabel('500 Hz')).toHaveValue('');
  await page.getByLabel('500 Hz').fill('39.9');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByRole('row', { name: /Octave bands/ })).toContainText('39.9');
  await check(page, hours(1), ['94.2', '114.1', '114.1']);
  await signOut(page);

  await signIn(page, 'hygienist');
  await page.goto('/results?campaign=SM-26-11-S');
  await page
    .getByRole('row', { name: /flue pipes off/ })
    .getByRole('link')
    .first()
    .click();
  await expect(page.getByText('The room fails at 500 Hz by 1.6 dB.').first()).toBeVisible();
  await expect(page.getByRole('img', { name: /Above the permissible level: 500 Hz/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /500 Hz.*fails by 1.6 dB/ })).toContainText('+1.4 to +1.6');
  await expect(page.getByText(/drift from .* at 114 dB, 250 Hz/).first()).toBeVisible();
  expect(await isAccessible(page, 'a room band by band')).toEqual([]);
  await page.keyboard.press('s');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Sign as / })
    .click();
  await expect(page.getByText('signed as').first()).toBeVisible();
  await page.goto('/results?campaign=SM-26-11-S');
  await page
    .getByRole('row', { name: /flue pipes on/ })
    .getByRole('link')
    .first()
    .click();
  await expect(page.getByText(/Not measured: 1 kHz, 2 kHz, 4 kHz, 8 kHz/).first()).toBeVisible();
});

/** A sample of the saw operator more: the day moves with it, and the budget says by how much each task weighs. */
test('a sample more and the day by tasks', async ({ page }) => {
  test.setTimeout(180_000);
  await signIn(page, 'hygienist');
  await page.goto('/results/S-00008');
  await expect(page.getByText('The 3 samples of Crosscutting lie 4.6 dB apart.').first()).toBeVisible();
  const crosscutting = page.getByRole('row', { name: /^Crosscutting/ }).last();
  await expect(crosscutting).toContainText('S-00008');
  await expect(page.getByText(/^Daily noise exposure level by tasks:/)).toBeVisible();
  await page.goto('/runs/S-00017');
  await expect(page.getByLabel(/The task takes/)).toBeVisible();
  await page.getByLabel(/The task takes/).fill('95');
  await page.getByLabel(/Why, where it changes/).fill('asked again');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('row', { name: /The task takes/ })).toContainText('95');
  await page.goto('/results/S-00008');
  // Three samples now state 90, 90 and 95 minutes: their mean, and a term of its own in the budget.
  await expect(crosscutting).toContainText('91.7');
  await expect(crosscutting).toContainText('0.028');
  expect(await isAccessible(page, 'a day by tasks')).toEqual([]);
});

/** A meter without a class is sent back; levels of one's own are added with their source. */
test('a meter and permissible levels of ones own are registered', async ({ page }) => {
  await signIn(page, 'steward');
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Register an instrument' }).click();
  await choose(page, /^Family/, /sound level meter/);
  await page.getByLabel('Asset number').fill('SL-09');
  await page.getByLabel('Model code').fill('Heron 9');
  await choose(page, /^Class/, 'class 2');
  await page.getByLabel(/^Range from/).fill('140');
  await page.getByLabel(/^Range to/).fill('30');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  await expect(page.getByText(/must be above the lower end/).first()).toBeVisible();
  await expect(page.getByLabel(/^Range from/)).toHaveValue('140');
  await page.getByLabel(/^Range from/).fill('25');
  await page.getByLabel(/^Range to/).fill('130');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  await expect(page.getByRole('row', { name: /SL-09/ })).toBeVisible();
  await page.getByRole('button', { name: 'Add a set of permissible levels' }).click();
  await page.getByLabel('Code').fill('loft');
  await page.getByLabel('Name').fill('Tuning loft');
  await page.getByLabel('500 Hz').fill('38');
  await page.getByRole('textbox', { name: 'Source' }).fill('the tuner');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('row', { name: /Tuning loft/ })).toContainText('500: 38');
});

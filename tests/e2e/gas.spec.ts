import { expect, type Page } from '@playwright/test';
import { choose, hours, isAccessible, local, signIn, signOut, test } from './person';

const title = (page: Page, name: string) => page.getByRole('heading', { name, exact: true });

/** What each channel reads; Enter on the last goes on. */
async function write(page: Page, values: string[]): Promise<void> {
  for (const [place, value] of values.entries()) {
    await page
      .getByLabel(/^Reads/)
      .nth(place)
      .fill(value);
  }
  await page
    .getByLabel(/^Reads/)
    .last()
    .press('Enter');
}

/** One gas: what each channel reads, whether it was adjusted, and what it reads then. */
async function gas(page: Page, name: string, reads: string[], left: string[]): Promise<void> {
  await expect(title(page, `${name} as found`)).toBeVisible();
  await write(page, reads);
  await expect(title(page, `Adjust ${name.toLowerCase()}`)).toBeVisible();
  await page
    .getByRole('button', { name: left.length > 0 ? 'Adjusted' : 'Left as it is', exact: true })
    .click();
  if (left.length > 0) {
    await expect(title(page, `${name} as left`)).toBeVisible();
    await write(page, left);
  }
}

/** The whole walk across all channels; in the wrong order isobutylene flows before the mix. */
async function calibrate(page: Page, right: boolean, made: Date, vapour: string): Promise<void> {
  const goOn = page.getByRole('button', { name: /Done, go on/ });
  const to = (step: string) =>
    page.getByRole('list', { name: 'Steps' }).getByRole('button', { name: step, exact: true }).click();
  const mix = async () => {
    await expect(title(page, 'Cylinder of mix')).toBeVisible();
    await page.getByRole('radio', { name: 'Use CY-01' }).click();
    await page.getByLabel('Pressure of the cylinder', { exact: true }).fill('18');
    await goOn.click();
    await gas(
      page,
      'Mix',
      ['18,0', '50', right ? '50' : '68', '25'],
      right ? [] : ['18,0', '50', '50', '25'],
    );
  };
  const isobutylene = async () => {
    await expect(title(page, 'Cylinder of isobutylene')).toBeVisible();
    await choose(page, /^Cylinder of isobutylene/, /CY-02/);
    await goOn.click();
    await gas(page, 'Isobutylene', [right ? '1' : '31', vapour], right ? [] : ['100,0']);
  };
  await page.goto('/bench');
  await page.getByRole('row', { name: /GM-02/ }).getByRole('button', { name: 'Check' }).click();
  await expect(title(page, 'Warm up')).toBeVisible();
  await page.getByRole('button', { name: /Start the timer/ }).click();
  await page.keyboard.press('x');
  await expect(title(page, 'Pump')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(title(page, 'Clean air')).toBeVisible();
  await choose(page, /^Zeroed in/, 'charcoal filter');
  await expect(page.getByText(/CO cannot be zeroed in charcoal filter/)).toBeVisible();
  await choose(page, /^Zeroed in/, 'outdoor air');
  await goOn.click();
  await gas(page, 'Zero', ['20,9', '0', '0', '0', '0,1'], []);
  if (right) {
    await mix();
    await isobutylene();
  } else {
    await to('Cylinder of isobutylene');
    await isobutylene();
    await to('Cylinder of mix');
    await mix();
    await expect(page.getByText(/Isobutylene flowed first: CO spanned now is wrong/)).toBeVisible();
    await to('Saved');
  }
  for (const step of ['Saved', 'Gas off']) {
    await expect(title(page, step)).toBeVisible();
    await page.keyboard.press('Enter');
  }
  await expect(title(page, 'Back to zero')).toBeVisible();
  await write(page, ['20,9', '0', '0', '0', '0,1']);
  await expect(title(page, 'Measuring again')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(title(page, 'Accept')).toBeVisible();
  await page.getByLabel('When it was made, local time').fill(local(made));
  await page.waitForTimeout(400);
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
}

/** Rightly and wrongly calibrated: CO pays for the order of gases, the vapours stand and are signed. */
test('a five-gas unit from zero to signed vapours', async ({ page }) => {
  test.setTimeout(240_000);
  const start = hours(4);
  await signIn(page, 'technician');
  await calibrate(page, true, hours(5.5), '99,6');
  await calibrate(page, false, hours(4.5), '98,0');

  await page.goto('/runs/new?instrument=GM-02');
  await choose(page, /^Campaign/, /Gases and vapours/);
  await page.getByLabel('Person').fill('W-12');
  await page.getByLabel('Task', { exact: false }).first().fill('Lacquering key frames');
  await page.getByLabel('Start, local time').fill(local(start));
  await page.getByLabel('Planned, minutes').fill('120');
  await choose(page, /^Channel/, 'PID');
  await choose(page, /^Vapour or gas that was there/, /^toluene/);
  await expect(page.getByText(/CO was spanned after isobutylene/)).toBeVisible();
  await page.getByLabel('Why it goes out all the same').fill('only the vapour is wanted');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByRole('heading', { name: /W-12/ })).toBeVisible();
  await page.getByLabel('Stop, local time').fill(local(hours(2)));
  await page.getByLabel(/Instrument’s clock/).fill('0');
  await page.getByRole('button', { name: 'Stop the run' }).click();
  await expect(page.getByRole('row', { name: /Instrument’s clock/ })).toContainText('0 s');

  const at = (i: number) => new Date(Math.floor(start.getTime() / 60_000) * 60_000 + i * 10_000);
  const rows = Array.from({ length: 720 }, (_, i) => {
    const [day = '', time = ''] = `${local(at(i))}:${String(at(i).getSeconds()).padStart(2, '0')}`.split('T');
    return `${day} ${time};20,9;0;${4 + (i % 3)};0;${30 + (i % 5)},5`;
  });
  const log = (last: string) =>
    Buffer.from(`Time;O2 %;LEL;CO ppm;H₂S ppm;PID ppm\n${[...rows, last].join('\n')}\n`);
  const file = page.getByLabel('Log file');
  await file.setInputFiles({
    name: 'frames.csv',
    mimeType: 'text/csv',
    buffer: log('soon;1;2;3;4;5'),
  });
  await expect(page.getByRole('combobox', { name: 'Column 6 holds' })).toContainText('reading of PID');
  await page.getByRole('button', { name: 'Read the log' }).click();
  await expect(page.getByText(/"soon" is not a time/).first()).toBeVisible();
  await file.setInputFiles({
    name: 'frames.csv',
    mimeType: 'text/csv',
    buffer: log(''),
  });
  await page.getByRole('button', { name: 'Read the log' }).click();
  await expect(page.getByRole('row', { name: /frames.csv/ })).toContainText('720 intervals of 10 s');
  await calibrate(page, true, hours(1.5), '97,0');
  await page.goto('/results?campaign=SM-26-11-G');
  await signOut(page);

  await signIn(page, 'hygienist');
  await page.goto('/results?campaign=SM-26-11-G');
  await expect(page.getByRole('row', { name: /Lacquering key frames/ })).toContainText('4 of 5 stand');
  await page
    .getByRole('row', { name: /Lacquering key frames/ })
    .getByRole('link')
    .first()
    .click();
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
  await expect(page.getByText(/4 of 5 stand/)).toContainText('CO');
  await expect(page.getByText(/CO: CO spanned after isobutylene/)).toBeVisible();
  await expect(page.getByText(/CO: CO answers to isobutylene/)).toBeVisible();
  // The warm-up was cut short, which holds for every channel.
  await expect(page.getByText(/^.*Warm-up too short/).first()).toBeVisible();
  const picture = page.getByRole('img', { name: /^Log of PID/ });
  await picture.focus();
  await page.keyboard.press('+');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Whole log' })).toBeEnabled();
  await page.getByRole('button', { name: 'CO', exact: true }).click();
  await expect(page.getByRole('img', { name: /^Log of CO/ })).toBeVisible();
  expect(await isAccessible(page, 'a result of a monitor')).toEqual([]);
  await page.getByRole('button', { name: /^Sign as qualified/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Sign as qualified/ })
    .click();
  await expect(page.getByText('signed as').first()).toBeVisible();
});

/** A unit and a bottle of one's own, typed in at the kit. */
test('a monitor and its cylinder are registered', async ({ page }) => {
  await signIn(page, 'steward');
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Register an instrument' }).click();
  await choose(page, /^Family/, /gas and vapour monitor/);
  await page.getByLabel('Asset number').fill('VM-09');
  await page.getByLabel('Model code').fill('Tremulant P');
  await page.getByLabel('Channel', { exact: false }).first().fill('9');
  await choose(page, /^Senses/, /vapours by photoionisation/);
  await page.getByLabel(/^Lamp/).fill('10,6');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  await expect(page.getByText('must begin with a letter').first()).toBeVisible();
  await expect(page.getByLabel(/^Lamp/)).toHaveValue('10,6');
  await page
    .getByLabel(/^Channel/)
    .first()
    .fill('PID');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  await expect(page.getByRole('row', { name: /VM-09/ })).toContainText('PID');
});

/** The monthly calibration of a fixed monitor, from the compressor that stands to the label with its next date. */
test('a fixed monitor is calibrated and put back on its tube', async ({ page }) => {
  const goOn = page.getByRole('button', { name: /Done, go on/ });
  const confirm = async (step: string) => {
    await expect(title(page, step)).toBeVisible();
    await page.keyboard.press('Enter');
  };
  await signIn(page, 'technician');
  await page.goto('/bench');
  await page.getByRole('row', { name: /FM-01/ }).getByRole('button', { name: 'Check' }).click();
  await confirm('Compressor off');
  await expect(title(page, 'Warm up')).toBeVisible();
  await page.getByRole('button', { name: /Start the timer/ }).click();
  await page.keyboard.press('x');
  await expect(title(page, 'Clean air')).toBeVisible();
  await choose(page, /^Zeroed in/, 'zero-air bottle');
  await choose(page, /^Cylinder of zero air/, /CY-03/);
  await goOn.click();
  await gas(page, 'Zero', ['0'], []);
  await expect(title(page, 'Cylinder of mix')).toBeVisible();
  await page.getByRole('radio', { name: 'Use CY-01' }).click();
  await page.getByLabel('Pressure of the cylinder', { exact: true }).fill('18');
  await goOn.click();
  await gas(page, 'Mix', ['46'], ['50']);
  for (const step of ['Saved', 'Gas off']) {
    await confirm(step);
  }
  await expect(title(page, 'Back to zero')).toBeVisible();
  await write(page, ['0']);
  for (const step of ['Tube and valve', 'Label']) {
    await confirm(step);
  }
  await expect(title(page, 'Accept')).toBeVisible();
  await page.getByLabel('When it was made, local time').fill(local(hours(0.2)));
  await page.waitForTimeout(400);
  expect(await isAccessible(page, 'a fixed monitor at the bench')).toEqual([]);
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
  await page.goto('/kit/FM-01');
  await expect(page.getByRole('row', { name: /^C-/ }).first()).toContainText('CY-01');
});

import { expect, type Page } from '@playwright/test';
import { choose, hours, isAccessible, local, signIn, signOut, test } from './person';

/** Walks a flow check; keys where a hand is busy: x skips, Enter goes on. */
async function checkFlow(page: Page, unit: string, flows: string[], made: Date | null): Promise<void> {
  const goOn = page.getByRole('button', { name: /Done, go on/ });
  await page.goto('/bench');
  await page
    .getByRole('row', { name: new RegExp(unit) })
    .getByRole('button', { name: 'Check' })
    .click();
  await expect(page.getByRole('heading', { name: 'Warm up' })).toBeVisible();
  await page.getByRole('button', { name: /Start the timer/ }).click();
  await page.keyboard.press('x');
  await expect(page.getByRole('heading', { name: 'Medium' })).toBeVisible();
  await expect(goOn).toBeDisabled();
  await choose(page, /At this check the medium is/, 'in line');
  await page.getByLabel('Flow it is to be set for', { exact: true }).fill('2,0');
  await goOn.click();
  await expect(page.getByRole('heading', { name: 'Leak test' })).toBeVisible();
  await choose(page, /With the end of the line blocked/, /stalled/);
  await goOn.click();
  await page.getByRole('radio', { name: 'Use FP-01' }).click();
  await page.getByLabel('Temperature', { exact: true }).fill('66');
  await page.getByLabel('Pressure', { exact: true }).fill('99,7');
  if (made) {
    await expect(page.getByText(/Was it °F\?/)).toBeVisible();
    await choose(page, 'Temperature, unit', '°F');
  }
  // The unit chosen once is there again the next time.
  await expect(page.getByText(/Was it °F\?/)).toHaveCount(0);
  await choose(page, 'Thermometer', /TH-01/);
  await choose(page, 'Barometer', /BA-01/);
  await goOn.click();
  await expect(page.getByRole('heading', { name: 'As found' })).toBeVisible();
  for (const [place, flow] of flows.entries()) {
    await page.getByLabel(new RegExp(`^Reading ${place + 1}`)).fill(flow);
  }
  await expect(page.getByText(/^✓ spread: within/)).toBeVisible();
  await page.getByLabel(/^Reading 3/).press('Enter');
  await page.getByRole('button', { name: 'Left as it is' }).click();
  await goOn.click();
  await expect(page.getByRole('heading', { name: 'Accept' })).toBeVisible();
  if (made) {
    await page.getByLabel('When it was made, local time').fill(local(made));
    await page.waitForTimeout(400);
  }
  await page.getByRole('button', { name: /Accept the check/ }).click();
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
}

/** From the leak test to the signed concentration: pump, flow standard, medium, laboratory, hygienist. */
test('a sample from leak test to signed concentration', async ({ page }) => {
  test.setTimeout(180_000);
  await signIn(page, 'technician');
  await checkFlow(page, 'PM-01', ['1,998', '2,001', '2,004'], hours(8));

  await page.goto('/runs/new?instrument=PM-01');
  await page.getByLabel('Person').fill('W-11');
  await page.getByLabel('Task', { exact: false }).first().fill('Rubbing down windchests');
  await page.getByLabel('Start, local time').fill(local(hours(7.8)));
  await page.getByLabel('Planned, minutes').fill('360');
  await choose(page, /^Campaign/, /Wood dust and lacquer/);
  await page.getByLabel('Number of the medium').fill('IH-490');
  await choose(page, 'Sampler type', /Inhalable head/);
  await choose(page, 'Method', /Inhalable dust, weighed/);
  await expect(page.getByText(/The warm-up before the check of .* was cut short/)).toBeVisible();
  await page.getByLabel('Why it goes out all the same').fill('it had run all morning');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByText('a blank draws no air').first()).toBeVisible();
  await page.getByLabel('Number of the medium').fill('IH-700');
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByRole('heading', { name: /W-11/ })).toBeVisible();
  await page.getByLabel('Stop, local time').fill(local(hours(1.8)));
  await page.getByLabel(/Instrument’s clock/).fill('0');
  await page.getByLabel('Temperature in the field', { exact: true }).fill('64');
  await choose(page, 'Temperature in the field, unit', '°F');
  await page.getByLabel('Pressure in the field', { exact: true }).fill('0');
  await page.getByRole('button', { name: 'Stop the run' }).click();
  await expect(page.getByText('no absolute pressure').first()).toBeVisible();
  await expect(page.getByLabel('Temperature in the field', { exact: true })).toHaveValue('64');
  await page.getByLabel('Pressure in the field', { exact: true }).fill('99,6');
  await page.getByRole('button', { name: 'Stop the run' }).click();
  await expect(page.getByRole('row', { name: /Temperature in the field/ })).toContainText('64 °F');
  await page.getByRole('link', { name: 'Result page' }).click();
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
  const result = page.url();

  await checkFlow(page, 'PM-01', ['1,968', '1,970', '1,975'], null);

  // The laboratory's table, first with a fault in a line, then whole; then its word on blanks.
  await page.getByRole('link', { name: 'Laboratory' }).click();
  await expect(page.getByRole('row', { name: /IH-700/ })).toBeVisible();
  await page.getByRole('button', { name: 'Read a report from a file' }).click();
  await page.getByLabel('Number of the report').fill('W-26-3400');
  await page.getByLabel('Laboratory', { exact: false }).first().fill('Weir Street Laboratory');
  await page.getByLabel('Received').fill('2026-11-24');
  const table = (mass: string) =>
    Buffer.from(
      `Report W-26-3400\nCassette;Component;Result mg;LOQ\nIH-700;Wood dust;${mass};0,10\nIH-490;Wood dust;0,02;0,10\nIH-999;Wood dust;0,4;0,10\n`,
    );
  const file = page.getByLabel('Choose the CSV file');
  await file.setInputFiles({
    name: 'weir.csv',
    mimeType: 'text/csv',
    buffer: table('a lot'),
  });
  await expect(page.getByText('A guess from its head')).toBeVisible();
  await choose(page, 'Did the laboratory subtract blanks?', /not known/);
  await choose(page, 'Did it correct for desorption?', /no, it is still/);
  await page.getByRole('button', { name: 'Keep the report' }).click();
  await expect(page.getByText(/Line 3, front/)).toBeVisible();
  await expect(page.getByLabel('Number of the report')).toHaveValue('W-26-3400');
  expect(await isAccessible(page, 'reading a report')).toEqual([]);
  await file.setInputFiles({
    name: 'weir.csv',
    mimeType: 'text/csv',
    buffer: table('0,71'),
  });
  await page.getByRole('button', { name: 'Keep the report' }).click();
  await expect(page.getByRole('heading', { name: 'The report is kept' })).toBeVisible();
  await expect(page.getByText(/Neither a sample nor a blank.*IH-999/)).toBeVisible();
  await page.getByRole('button', { name: 'Good' }).click();
  await expect(page.getByRole('row', { name: /W-26-3400/ })).toContainText('not known: ask');
  await signOut(page);

  await signIn(page, 'hygienist');
  await page.goto(result);
  await expect(page.getByText('Open may be voided, never signed.')).toBeVisible();
  await expect(
    page.getByText(/The laboratory's word whether it corrected for blanks/i).first(),
  ).toBeVisible();
  await page.goto('/laboratory');
  await page
    .getByRole('row', { name: /W-26-3400/ })
    .getByRole('button')
    .click();
  await choose(page, 'Did the laboratory subtract blanks?', /no, it is still/);
  await page.getByLabel(/Who said so/).fill('by telephone today');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('row', { name: /W-26-3400/ })).not.toContainText('not known');
  await page.goto(result);
  await expect(page.getByText(/TWA over 8 h, wood dust/).first()).toBeVisible();
  await expect(page.getByText(/hardwood dust, inhalable 2 mg\/m³ not exceeded/).first()).toBeVisible();
  await page.getByRole('button', { name: 'note 1', exact: true }).first().click();
  await expect(page.locator('.fn-tree').first()).toContainText('running time');
  await page.keyboard.press('Escape');
  await expect(page.locator('.fn-tree')).toHaveCount(0);
  await page.keyboard.press('s');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Sign as/ })
    .click();
  await expect(page.getByText(/H-1 on .* signed as/)).toBeVisible();
  expect(await isAccessible(page, 'a signed sample')).toEqual([]);
});

/** A laboratory that is nobody's answers for a practice sample, and its table is read in as any other's. */
test('the report of a stand-in of a laboratory is read in', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/runs/new?instrument=PM-90');
  await page.getByLabel('Person').fill('W-11');
  await page.getByLabel('Task', { exact: false }).first().fill('Trying it out');
  await page.getByLabel('Start, local time').fill(local(hours(5)));
  await page.getByLabel('Stop, where it is over').fill(local(hours(1)));
  await choose(page, /^Campaign/, /Wood dust and lacquer/);
  await page.getByLabel('Number of the medium').fill('PR-001');
  await choose(page, 'Sampler type', /Inhalable head/);
  await choose(page, 'Method', /Inhalable dust, weighed/);
  await page.getByRole('button', { name: 'Start the run' }).click();
  await page.getByRole('link', { name: 'Result page' }).click();
  await page.waitForURL(/\/results\//);
  const result = page.url();

  await page.goto('/custody/SM-26-11-AIR');
  await expect(page.getByRole('row', { name: /PR-001/ }).getByText('practice')).toBeVisible();
  await choose(page, 'Analysed for', 'wood dust');
  expect(await isAccessible(page, 'a stand-in of a laboratory')).toEqual([]);
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save its table' }).click();
  const path = await (await saved).path();

  await page.goto('/laboratory');
  await page.getByRole('button', { name: 'Read a report from a file' }).click();
  await page.getByLabel('Number of the report').fill('SI-1');
  await page.getByLabel('Laboratory', { exact: false }).first().fill('Stand-in');
  await page.getByLabel('Received').fill('2026-11-30');
  await page.getByLabel('Choose the CSV file').setInputFiles(path);
  await expect(page.getByText('A guess from its head')).toBeVisible();
  await choose(page, 'Did the laboratory subtract blanks?', /yes/);
  await choose(page, 'Did it correct for desorption?', /yes/);
  await page.getByRole('button', { name: 'Keep the report' }).click();
  await expect(page.getByRole('heading', { name: 'The report is kept' })).toBeVisible();
  await page.getByRole('button', { name: 'Good' }).click();
  await expect(page.getByRole('row', { name: /SI-1/ }).getByText('practice')).toBeVisible();
  await expect(page.getByRole('row', { name: /PR-001/ })).toHaveCount(0);
  // The laboratory has spoken: what the result still wants are the checks.
  await page.goto(result);
  await expect(page.getByText(/never signed/).first()).toBeVisible();
  await expect(page.getByText(/No check before the run/).first()).toBeVisible();
  await expect(
    page.getByText(/laboratory/i).filter({ hasText: /not reported|no result|no report/i }),
  ).toHaveCount(0);
});

test('a plan for a usable answer, worked out by keyboard', async ({ page }) => {
  await signIn(page, 'reader');
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  await page.keyboard.press('g');
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'Volume of a sample' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'A plan for a usable answer' })).toBeVisible();
  await choose(page, 'Substance', 'toluene');
  await page.getByLabel(/^Exposure limit(?!, unit)/).fill('50');
  await choose(page, 'Exposure limit, unit', 'ppm');
  await page.getByLabel(/^LOQ of the laboratory(?!.*unit)/).fill('5');
  await page.getByLabel(/^Flow(?!, unit)/).fill('50');
  await choose(page, 'Flow, unit', 'mL/min');
  await choose(page, 'Method', /Solvents on charcoal/);
  await choose(page, /Pump, for its past drift/, /PM-06/);
  await page.getByLabel(/^Flow(?!, unit)/).press('Enter');
  await expect(page.getByText('3 media one after the other')).toBeVisible();
  await expect(page.getByText(/is undecided/)).toBeVisible();
});

test('the kit of air sampling: a venturi with throats, a pump, a substance', async ({ page }) => {
  await signIn(page, 'steward');
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Register a reference' }).click();
  await choose(page, 'Kind', 'Venturi');
  await page.getByLabel('Asset number').fill('VT-02');
  await page.getByLabel('Model code').fill('Throat 1');
  await choose(page, /Shows flow in/, 'L/min');
  await page.getByLabel('Throat', { exact: false }).last().fill('A');
  await page.getByLabel(/^From/).first().fill('1,5');
  await page
    .getByLabel(/^To(?!.*unit)/)
    .first()
    .fill('6');
  await page.getByLabel('Certificate number').fill('CML-26-0900');
  await page.getByLabel('Laboratory').fill('County Measurement Laboratory');
  await page.getByLabel('Issued').fill('2026-11-01');
  await page.getByLabel('Due').fill('2027-11-01');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  await expect(page.getByRole('row', { name: /VT-02/ })).toContainText('Venturi');
  await page.getByRole('button', { name: 'Add a substance' }).click();
  await page.getByLabel('Code').fill('wood-dust');
  await page.getByLabel('Name').fill('wood dust again');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('this code is taken').first()).toBeVisible();
  await page.getByLabel('Code').fill('styrene');
  await page.getByLabel('Molar mass, g/mol').fill('104,15');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('row', { name: /styrene/ })).toContainText('104,15'.replace(',', '.'));
});

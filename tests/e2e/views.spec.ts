import { expect, type BrowserContext } from '@playwright/test';
import { followClock } from './clock';
import { cutOff, isAccessible, signIn, test } from './person';

const views: [string, string, RegExp][] = [
  ['Day', '/?date=2026-11-18', /Wed, 18 Nov 2026/],
  ['Bench', '/bench', /^Bench$/],
  ['Results', '/results', /^Results$/],
  ['a result with a log', '/results/R-00003', /W-03/],
  ['a void result', '/results/R-00004', /W-04/],
  ['a result from totals', '/results/R-00013', /W-03/],
  ['a run', '/runs/R-00001', /W-01/],
  ['a run that was withdrawn', '/runs/R-00014', /W-03/],
  ['a check on record', '/checks/C-00060', /C-00060/],
  ['a check that another stands in the place of', '/checks/C-00053', /C-00053/],
  ['a new run', '/runs/new', /Start a run/],
  ['a run from a sheet of paper', '/runs/paper/DM-04', /Check before the run/],
  ['Dates', '/dates', /^Dates$/],
  ['what is not settled', '/unsettled?from=2026-11-17&to=', /Not settled yet/],
  ['Kit', '/kit', /^Kit$/],
  ['Kit, found by words and state', '/kit?text=wren&state=check+first', /^Kit$/],
  ['a reference', '/references/CY-01', /^CY-01$/],
  ['Results by person and days', '/results?person=W-02&from=2026-11-17&to=2026-11-18', /^Results$/],
  ['a unit', '/kit/DM-03', /DM-03/],
  ['a model sheet', '/kit/sheets/GREAT-16-1', /Great 16 in the dust tower/],
  ['a template of a model sheet', '/kit/sheets/template-gas-monitor', /Gas and vapour monitor/],
  ['a model sheet being written', '/kit/sheets/new?from=GREAT-16-1', /In the place of GREAT-16-1/],
  ['a sample with three substances', '/results/A-00008', /W-06/],
  ['a sample by a calibration curve', '/results/A-00006', /AREA/],
  ['a sample that waits for its laboratory', '/results/A-00011', /W-10/],
  ['a run of a pump', '/runs/A-00005', /W-03/],
  ['a pump', '/kit/PM-02', /PM-02/],
  ['a monitor with a spoiled channel', '/results/G-00001', /W-06/],
  ['a monitor by its display', '/results/G-00007', /W-07/],
  ['a run of a monitor', '/runs/G-00003', /W-10/],
  ['a monitor', '/kit/GM-01', /GM-01/],
  ['a counter', '/results/P-00001', /W-10/],
  ['a dust monitor with its filter', '/results/P-00004', /W-08/],
  ['a unit that counts', '/kit/PC-01', /PC-01/],
  ['a room band by band', '/results/S-00001', /T-1/],
  ['a room with a band missing', '/results/S-00004', /T-1/],
  ['a day by tasks', '/results/S-00007', /W-02/],
  ['a run of a meter', '/runs/S-00003', /T-1/],
  ['a sound level meter', '/kit/SL-01', /SL-01/],
  ['Reports', '/reports', /^Reports$/],
  ['a report that is a draft', '/reports/RP-00001', /Noise at the organ works/],
  ['a result in a report', '/reports/RP-00001?part=run%3AR-00001', /Noise at the organ works/],
  ['Laboratory', '/laboratory', /^Laboratory$/],
  ['Chain of custody', '/custody/SM-26-11-AIR', /Chain of custody/],
  ['Outbox', '/outbox', /^Outbox$/],
  ['Plan', '/plan', /^Plan$/],
  ['a day that is asked for', '/plan/new', /^Plan a day$/],
  ['the volume of a sample', '/plan/sample', /A plan for a usable answer/],
  ['Policies', '/policies', /^Policies$/],
  ['Journal', '/journal', /Journal/],
  ['People', '/people', /^People$/],
  ['nowhere', '/no/such/place', /nothing at this address/],
];

test('whoever is not signed in can use what is shown', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Password').waitFor();
  expect(await isAccessible(page, 'sign-in')).toEqual([]);
});

// One sign-in for all of them; each is a test of its own, so that a slow machine is late with one view, not with all.
test.describe('can be used by everybody, at every width', () => {
  let steward: BrowserContext;
  // What one view loaded the next has: only the first waits for the whole application.
  test.beforeAll(async ({ browser }) => {
    steward = await followClock(await browser.newContext());
    const page = await steward.newPage();
    await signIn(page, 'steward');
    await page.close();
  });
  test.afterAll(() => steward.close());
  for (const [what, path, title] of views) {
    test(what, async () => {
      const page = await steward.newPage();
      const faults: string[] = [];
      page.on('console', (message) => message.type() === 'error' && faults.push(message.text()));
      await page.goto(path);
      await expect(page.getByRole('heading', { name: title }).first()).toBeVisible();
      await page.waitForLoadState('networkidle');
      expect(await isAccessible(page, what)).toEqual([]);
      for (const width of [768, 400, 1280]) {
        await page.setViewportSize({ width, height: 800 });
        expect(await cutOff(page), `cut off at ${width} px`).toBe(0);
      }
      expect(faults).toEqual([]);
      await page.close();
    });
  }
});

test('a wrong password says so and keeps the name', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Name').fill('steward');
  await page.getByLabel('Password').fill('guess');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'wrong' })).toBeVisible();
  await expect(page.getByLabel('Name')).toHaveValue('steward');
});

test('a steward registers, certifies and recalls; a policy is copied and changed', async ({ page }) => {
  await signIn(page, 'steward');
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Register a reference' }).click();
  await page.getByLabel('Asset number').fill('AC-05');
  await page.getByLabel('Model code').fill('Fork 114');
  await page.getByLabel('Certificate number').fill('F-3001');
  await page.getByLabel('Laboratory').fill('County Measurement Laboratory');
  await page.getByLabel('Issued').fill('2026-11-01');
  await page.getByLabel('Due').fill('2026-10-01');
  await page.getByRole('textbox', { name: 'Level', exact: true }).fill('114');
  await page.getByLabel('Certified, dB').fill('114,03');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  await expect(page.getByText('is before the day of issue').first()).toBeVisible();
  await expect(page.getByLabel('Asset number')).toHaveValue('AC-05');
  await page.getByLabel('Due').fill('2027-11-01');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  await expect(page.getByRole('row', { name: /AC-05/ })).toBeVisible();
  await page.getByRole('link', { name: 'AC-02' }).click();
  await page.getByRole('button', { name: 'Recall' }).click();
  await page.getByLabel(/Not to be trusted/).fill('2026-11-18T00:00');
  await page.getByLabel('What was found').fill('came back 0.3 dB low');
  await page.getByLabel('How far it was off').click();
  await page.getByRole('option', { name: 'is known' }).click();
  await page.getByLabel(/True value less the certified one/).fill('-0,3');
  // Nothing is otherwise before it was looked at.
  await page.getByRole('button', { name: 'See what it would change' }).click();
  await expect(page.getByRole('link', { name: 'R-00011' })).toBeVisible({ timeout: 60_000 });
  // Only the check after it leaned on it: its drift was the calibrator's, the level stays.
  await expect(page.getByRole('table')).toContainText('15 results unchanged');
  await page.getByRole('button', { name: 'Recall AC-02' }).click();
  await expect(page.getByText(/AC-02 is recalled/)).toBeVisible();
  await page.goto('/references/AC-02');
  await expect(page.getByText(/recalled since 18 Nov/)).toBeVisible();
  await page.goto('/results/R-00011');
  await expect(page.getByText(/AC-02 is recalled/)).toBeVisible();
  await expect(page.getByText(/its true value 0.3 dB below its certificate/).first()).toBeVisible();

  await page.goto('/policies');
  await page.getByRole('button', { name: 'Copy and change' }).first().click();
  await page.getByLabel('Code').fill('mill');
  await page.getByLabel('Name').fill('Mill');
  await page.getByRole('textbox', { name: /^drift,/ }).fill('0,8');
  await page.getByRole('textbox', { name: 'Source of Acoustic drift' }).fill('House rule of the mill');
  await page.getByRole('button', { name: 'Add as a new version' }).click();
  await expect(page.getByRole('columnheader', { name: /Mill 1/ })).toBeVisible();
  await page.goto('/results/R-00004');
  await expect(page.getByRole('row', { name: /Mill 1/ })).toContainText('valid');
});

test('an empty logbook says what comes first', async ({ page }) => {
  await signIn(page, 'reader');
  await page.route('**/api/day*', (route) =>
    route.fulfill({
      json: {
        date: '2026-11-18',
        zone: 'UTC',
        campaign: null,
        days: [],
        units: [],
      },
    }),
  );
  await page.route('**/api/results?*', (route) =>
    route.fulfill({
      json: { total: 0, waiting: 0, page: 1, pageSize: 50, rows: [], withdrawn: [] },
    }),
  );
  await page.route('**/api/results', (route) =>
    route.fulfill({
      json: { total: 0, waiting: 0, page: 1, pageSize: 50, rows: [], withdrawn: [] },
    }),
  );
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'No instrument is registered yet' })).toBeVisible();
  await page.goto('/results');
  await expect(page.getByRole('heading', { name: 'No result here' })).toBeVisible();
});

test('a server that does not answer loses nothing', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/runs/new?instrument=DM-04');
  await page.getByLabel('Person').fill('W-10');
  await page.getByLabel('Task').fill('Leathering bellows');
  await page.getByLabel('Why it goes out all the same').fill('nothing else at hand');
  await page.route('**/api/runs', (route) => route.abort());
  await page.getByRole('button', { name: 'Start the run' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'not reached' })).toBeVisible();
  await expect(page.getByLabel('Task')).toHaveValue('Leathering bellows');
});

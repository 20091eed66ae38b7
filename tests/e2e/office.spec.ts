import { expect } from '@playwright/test';
import { cutOff, hours, isAccessible, local, signIn, test } from './person';

/** Others read what falls due in their calendar, until somebody ends it. */
test('the dates in a calendar', async ({ page, playwright }) => {
  await signIn(page, 'steward');
  await page.goto('/dates');
  await page.getByRole('button', { name: 'In a calendar' }).click();
  await page.getByLabel('Name of the calendar').fill('Laboratory, December');
  await page.getByLabel('Of what').click();
  await page.getByRole('option', { name: 'What a laboratory does' }).click();
  expect(await isAccessible(page, 'making an address')).toEqual([]);
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('Address', { exact: true }).inputValue();
  await expect(page.getByRole('img', { name: /code for a camera/ })).toBeVisible();
  expect(await isAccessible(page, 'an address')).toEqual([]);

  // A calendar program is signed in nowhere.
  const calendar = await playwright.request.newContext();
  const read = await calendar.get(address);
  expect(read.status()).toBe(200);
  const text = (await read.text()).replaceAll('\r\n ', '');
  expect(text).toContain('X-WR-CALNAME:Laboratory\\, December');
  expect(text).toMatch(/SUMMARY:Over or never done: .*DM-08/);
  expect(text).not.toContain('bump test');
  expect((await calendar.get('/api/dates')).status()).toBe(401);

  await page.getByRole('button', { name: 'End Laboratory, December' }).click();
  await expect(page.getByText('None.')).toBeVisible();
  expect((await calendar.get(address)).status()).toBe(404);
  await calendar.dispose();
});

/** From a name to its page, by keys alone. */
test('the search', async ({ page }) => {
  await signIn(page, 'reader');
  await expect(page.getByRole('link', { name: 'Kit' })).toBeVisible();
  await page.locator('main').click({ position: { x: 2, y: 2 } });
  await page.keyboard.press('/');
  await page.keyboard.type('dm-03');
  await expect(page.getByRole('option', { name: /^DM-03 .*instrument$/ })).toBeVisible();
  expect(await isAccessible(page, 'a search')).toEqual([]);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'DM-03', exact: true })).toBeVisible();

  // A certificate leads to what it is of, and words to the results in which they stand.
  await page.getByRole('button', { name: 'Search /' }).click();
  await page.keyboard.type('f-2218');
  await page.getByRole('option', { name: /AC-02 .*certificate F-2218/ }).click();
  await expect(page.getByRole('heading', { name: 'AC-02', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Search /' }).click();
  await page.keyboard.type('ripping w-02');
  await page.getByRole('option', { name: /^Results with/ }).click();
  await expect(page.getByRole('row', { name: /R-00009/ })).toBeVisible();
  await expect(page.getByLabel('With the words')).toHaveValue('ripping w-02');
  await expect(page.getByRole('row', { name: /R-00001/ })).toHaveCount(0);
});

/** Two people, and one unit that is not fit: planned, wanted otherwise, printed, carried out and compared. */
test('the plan of a day', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/plan/new');
  // Of yesterday: it can be carried out already.
  const day = local(hours(24)).slice(0, 10);
  const measurement = (at: number) => page.getByRole('group', { name: `Measurement ${at}` });
  const pick = async (label: string, option: string, within = page.locator('main')) => {
    await within.getByLabel(label).click();
    await page.getByRole('option', { name: option, exact: true }).click();
  };
  // People, places and hands are those of the last plan.
  await expect(page.getByLabel('Where kit is kept and checked')).toHaveValue('Office');
  await page.getByLabel('Day').fill(day);
  await pick('Campaign', 'Noise, November 2026, Sallow Mill Organ Works');
  for (const name of ['Person 1', 'Person 2']) {
    await page.getByRole('group', { name }).getByLabel('There from').fill('6');
    await page.getByRole('group', { name }).getByLabel('Until').fill('17:00');
  }
  const first = measurement(1);
  await first.getByLabel('Person or spot').fill('W-01');
  await first.getByLabel('Task').fill('sawing');
  await first.getByLabel('Place').fill('Store');
  await pick('Instrument', 'noise dosimeter', first);
  await first.getByLabel('From').fill('1000');
  await first.getByLabel('To').fill('12:00');
  await pick('Unit', 'DM-08', first);
  await first.getByRole('button', { name: 'The unit must' }).press('Enter');
  await first.getByLabel('Levels up to').fill('120');
  await page.getByRole('button', { name: 'Another measurement' }).click();
  // The second is like the first but for the person.
  await expect(measurement(2).getByLabel('Task')).toHaveValue('sawing');
  await expect(measurement(2).getByLabel('Levels up to')).toHaveValue('120');
  await measurement(2).getByLabel('Person or spot').fill('W-02');

  // Nobody has said how long the way takes: named, and nothing is lost.
  await page.getByLabel('Office to Store, minutes').fill('soon');
  await page.getByRole('button', { name: 'Plan it', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was saved' })).toBeVisible();
  await expect(measurement(2).getByLabel('Person or spot')).toHaveValue('W-02');
  expect(await isAccessible(page, 'a day that is asked for')).toEqual([]);
  await page.getByLabel('Office to Store, minutes').fill('10');
  await page.getByRole('button', { name: 'Plan it', exact: true }).click();

  const short = page.getByRole('region', { name: 'What does not go as it is wanted' });
  await expect(short).toContainText('W-01, sawing.');
  await expect(short).toContainText('DM-08: ');
  expect(await isAccessible(page, 'a planned day')).toEqual([]);
  await page.getByRole('button', { name: 'Want it so' }).press('Enter');
  await page.getByRole('button', { name: 'Plan it again' }).press('Enter');
  await expect(page.getByText('Everything goes as it is wanted.')).toBeVisible();
  await expect(page.getByRole('figure', { name: 'The day along the hours' })).toContainText('W-01');
  await page.setViewportSize({ width: 390, height: 800 });
  expect(await cutOff(page)).toBe(0);
  await page.setViewportSize({ width: 1280, height: 800 });
  const plan = page.url();

  await page.getByRole('button', { name: 'Field sheets' }).click();
  const sheets = page.getByRole('article', { name: /^Sheet of DM-/ });
  await expect(sheets).toHaveCount(2);
  await expect(sheets.first()).toContainText('As found');
  expect(await isAccessible(page, 'field sheets')).toEqual([]);

  // Carried out a quarter of an hour later than planned: what follows is expected later.
  await page.goto(plan);
  const unit = await page.locator('.fn-plan-row', { hasText: 'W-01' }).locator('b').textContent();
  const late = new Date(`${day}T10:15:00`).toISOString();
  const begun = await page.request.post('/api/runs', {
    headers: { 'X-Requested-With': 'footnote', 'X-Request-Id': crypto.randomUUID() },
    data: {
      campaign: 'SM-26-11',
      instrument: unit,
      person: 'W-01',
      task: 'sawing',
      start: late,
      despite: 'only to be seen on the plan',
    },
  });
  expect(begun.status(), await begun.text()).toBe(201);
  await page.reload();
  const lines = page.getByRole('link', { name: new RegExp(`Fit ${unit} to W-01`) });
  await expect(lines).toBeVisible();
  await expect(page.getByRole('img', { name: /^Now:/ }).first()).toBeVisible();

  // The sheet of the other comes back on paper, with both its checks: every step of it is done, each by its evidence.
  const other = (await page.locator('.fn-plan-row', { hasText: 'W-02' }).locator('b').textContent()) ?? '';
  await page.goto(`/runs/paper/${other}`);
  const part = (name: string) => page.getByRole('region', { name, exact: true });
  for (const [name, at, reading] of [
    ['Check before the run', '09:20', '114,0'],
    ['Check after the run', '12:40', '113,9'],
  ] as const) {
    await part(name).getByLabel('When it was made, local time').fill(`${day}T${at}`);
    await part(name)
      .getByRole('radio', { name: /^114 dB/ })
      .first()
      .click();
    await part(name)
      .getByLabel(/^Reading/)
      .fill(reading);
    await part(name).getByRole('button', { name: 'Left as it is' }).click();
    await part(name).getByRole('button', { name: 'all of it' }).click();
  }
  await part('Run').getByLabel('Person').fill('W-02');
  await part('Run').getByLabel('Task').fill('sawing');
  await part('Run')
    .getByLabel(/^Start, local time/)
    .fill(`${day}T10:00`);
  await part('Run')
    .getByLabel(/^Stop, local time/)
    .fill(`${day}T12:00`);
  await page.getByRole('button', { name: 'Write all of it down' }).click();
  await expect(page.getByRole('heading', { name: /W-02/ })).toBeVisible();
  await page.goto(plan);
  for (const step of [`Check ${other} on`, `Fit ${other} to W-02`, `Stop ${other}`, `Check ${other} after`]) {
    await expect(page.getByRole('link', { name: new RegExp(step) })).toBeVisible();
  }
  // The day itself shows what was planned under what was done.
  await page.goto(`/?date=${day}`);
  await expect(page.getByRole('img', { name: /^Planned: W-02, sawing/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /W-02, sawing, 10:00 to 12:00/ })).toBeVisible();
});

/** Sixty units out of a file, three lines of which cannot be read: said line by line, and the others registered. */
test('a kit out of a table', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Out of a table' }).press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Kit out of a table' });
  await dialog.getByLabel('What they are').press('Enter');
  await page.getByRole('option', { name: 'noise dosimeter' }).click();
  const lines = ['Asset;Model;Serial number;Microphone;Certificate;Laboratory;Date issued;Valid until'];
  for (let i = 1; i <= 60; i += 1) {
    const [id, microphone, due] = [
      i === 20 ? 19 : i,
      i === 33 ? '3 in' : '1/2 in',
      i === 7 ? '31.6.2027' : '1.6.2027',
    ];
    lines.push(`DX-${id};Wren 2;S${i};${microphone};C-${i};County;1.6.2026;${due}`);
  }
  const file = { name: 'kit.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\r\n')) };
  await dialog.getByLabel('Choose the file').setInputFiles(file);
  const looked = dialog.getByRole('region', { name: 'Lines' });
  await expect(looked).toContainText('60 lines: 57 can be registered, 3 cannot.');
  await expect(looked).toContainText('Line 8, DX-7: Due: must be a day');
  await expect(looked).toContainText('Line 21, DX-19: Asset number: stands in line 20 already.');
  await expect(looked).toContainText('Line 34, DX-33: Microphone diameter: “3 in” is none of');
  expect(await isAccessible(page, 'a kit out of a table')).toEqual([]);
  await dialog.getByRole('button', { name: 'Register 57, leave out 3' }).press('Enter');
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('row', { name: /^DX-60/ })).toContainText('1 Jun 2027');
  await expect(page.getByRole('row', { name: /^DX-33/ })).toHaveCount(0);

  // Two more like one of them, by their numbers alone.
  await page.getByRole('link', { name: 'DX-60', exact: true }).click();
  await page.getByRole('button', { name: 'More like it' }).press('Enter');
  const like = page.getByRole('dialog', { name: 'More like DX-60' });
  await like.getByLabel('Asset numbers, a line for each').fill('DX-61, S61\nDX-62');
  await like.getByLabel('Asset numbers, a line for each').press('Tab');
  await like.getByRole('button', { name: 'Register 2' }).click();
  await expect(like).toHaveCount(0);
  await page.goto('/kit/DX-61');
  await expect(page.getByText(/noise dosimeter Wren 2/)).toBeVisible();
});

import { expect, type Page } from '@playwright/test';
import { cutOff, isAccessible, signIn, test } from './person';

type Draft = { id: string; version: number };

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

/** One hand on a phone: a whole check in twelve presses, each under the thumb, and nothing to be moved sideways. */
test('a dosimeter is checked on a phone in twelve presses', async ({ page }) => {
  await signIn(page, 'technician');
  await page.goto('/?date=2026-11-18');
  expect(await cutOff(page), 'Day').toBe(0);
  let presses = 0;
  const press = async (name: string | RegExp, role: 'button' | 'link' | 'radio' = 'button') => {
    const target = page.getByRole(role, { name }).first();
    await target.scrollIntoViewIfNeeded();
    const box = await target.boundingBox();
    expect(box?.height ?? 0, String(name)).toBeGreaterThanOrEqual(44);
    await target.tap();
    presses += 1;
  };
  const title = (name: string) => page.getByRole('heading', { name, exact: true });
  await page.goto('/bench');
  expect(await cutOff(page), 'Bench').toBe(0);
  await page.getByRole('row', { name: /DM-02/ }).getByRole('button').tap();
  presses += 1;
  for (const step of ['Stopped', 'Windscreen off']) {
    await expect(title(step)).toBeVisible();
    await press(/Done, go on/);
  }
  await expect(page.getByText('3 of 10')).toBeVisible();
  expect(await isAccessible(page, 'a step on a phone')).toEqual([]);
  expect(await cutOff(page), 'a step').toBe(0);
  await press(/114 dB, 1000 Hz, certified 114.02/, 'radio');
  await press(/Done, go on/);
  await expect(title('Adapter')).toBeVisible();
  await press(/Done, go on/);
  await press(/Start the timer/);
  await expect(page.getByText(/open ear/)).toBeVisible();
  // It goes on by itself when the time is up: the hand is at the calibrator.
  await expect(title('As found')).toBeVisible();
  // Done lies above the bar of views, within reach, whatever the step asks.
  const done = await page.getByRole('button', { name: /Done, go on/ }).boundingBox();
  expect((done?.y ?? 0) + (done?.height ?? 0)).toBeGreaterThan(700);
  await expect(page.getByLabel(/^Reading/)).toHaveAttribute('inputmode', 'decimal');
  await page.getByLabel(/^Reading/).fill('114,0');
  await press(/Done, go on/);
  await press('Left as it is');
  await expect(title('Calibrator off')).toBeVisible();
  await press(/Done, go on/);
  await press(/Done, go on/);
  await press(/Accept the check/);
  await expect(title('Bench')).toBeVisible();
  expect(presses).toBeLessThanOrEqual(12);

  await page.getByRole('button', { name: 'More' }).tap();
  await page.getByRole('link', { name: 'Journal' }).tap();
  await expect(title('Journal')).toBeVisible();
});

/** Eight dosimeters of this test alone, each checked once before: what is asked of the server without a screen. */
async function eightUnits(page: Page): Promise<string[]> {
  const headers = { 'X-Requested-With': 'footnote' };
  const ask = async (method: 'post' | 'put', path: string, data: object): Promise<Draft> => {
    const answer = await page.request[method](path, { headers, data });
    expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true);
    return (await answer.json()) as Draft;
  };
  const units = Array.from({ length: 8 }, (_, place) => `RD-${place + 1}`);
  for (const id of units) {
    await ask('post', '/api/kit/instruments', {
      id,
      family: 'noise-dosimeter',
      model: 'Wren 2',
      microphone: '1/2 in',
      rangeHigh: '140',
    });
    const { id: draft } = await ask('post', `/api/bench/${id}/check`, {});
    const { version } = await ask('put', `/api/bench/drafts/${draft}`, {
      version: 1,
      answers: {
        reference: 'AC-01',
        setting: '114',
        adjusted: false,
        asFound: [{ value: '114.0', provenance: 'typed' }],
      },
    });
    await ask('post', `/api/bench/drafts/${draft}/accept`, { version });
  }
  return units;
}

/** Eight in a row: the calibrator is chosen once, each unit takes at most three presses, and what they share is said in between. */
test('eight dosimeters are checked in a round on a phone', async ({ page }) => {
  await page.clock.install();
  await signIn(page, 'technician');
  const units = await eightUnits(page);
  await page.goto('/bench');
  await page.getByRole('button', { name: 'A round' }).tap();
  const round = page.getByRole('region', { name: 'A round' });
  await round.getByRole('button', { name: 'Check with an acoustic calibrator' }).tap();
  for (const unit of units) {
    await round.getByRole('checkbox', { name: new RegExp(`^${unit}`) }).check();
  }
  expect(await isAccessible(page, 'choosing a round')).toEqual([]);
  await round.getByRole('button', { name: 'Begin the round of 8' }).tap();
  await page
    .getByRole('radio', { name: /114 dB, 1000 Hz/ })
    .first()
    .tap();
  const presses = new Map<string, number>();
  const pressed = (unit: string) => presses.set(unit, (presses.get(unit) ?? 0) + 1);
  const card = page.getByRole('region', { name: /^RD-/ });
  const named = async (place: number, turn: string) => {
    await expect(card.getByRole('heading', { name: `${place} of 8: ${turn}` })).toBeVisible();
    return (await card.getAttribute('aria-label')) ?? '';
  };
  for (let place = 1; place <= 8; place += 1) {
    const unit = await named(place, 'as found');
    if (place === 1) {
      expect(await isAccessible(page, 'a unit of a round')).toEqual([]);
      expect(await cutOff(page), 'a unit of a round').toBe(0);
    }
    await card.getByRole('button', { name: /Start the timer/ }).tap();
    pressed(unit);
    // All but one moved by 0.4 dB since they were left.
    await card.getByLabel(/^Reading/).fill(unit === 'RD-5' ? '114.0' : '114.4');
    const done = card.getByRole('button', { name: /Done, next unit/ });
    const box = await done.boundingBox();
    expect(box?.height ?? 0).toBeGreaterThanOrEqual(48);
    if (place > 1) {
      // The first waits as long as it must; for the others the telephone's clock is moved on.
      await page.clock.fastForward(10_500);
    }
    await expect(card.getByText('Time is up')).toBeVisible();
    await done.tap();
    pressed(unit);
  }
  // Most moved alike: that is said before anybody adjusts one.
  await expect(page.getByRole('heading', { name: /Shift shared by the row: AC-01/ })).toBeVisible();
  for (let place = 1; place <= 8; place += 1) {
    const unit = await named(place, 'adjust or leave');
    await card.getByRole('button', { name: 'Left as it is' }).tap();
    pressed(unit);
  }
  expect(Math.max(...presses.values())).toBeLessThanOrEqual(3);
  await expect(page.getByRole('cell', { name: 'left as it is' })).toHaveCount(8);
  expect(await isAccessible(page, 'the end of a round')).toEqual([]);
  await page.getByRole('button', { name: 'Accept 8 checks' }).tap();
  await expect(page.getByRole('heading', { name: 'Bench', exact: true })).toBeVisible();

  // The record says what one press confirmed, and how long the tone was waited for.
  await page.getByRole('link', { name: 'RD-1', exact: true }).tap();
  await page
    .getByRole('link', { name: /^C-\d+$/ })
    .first()
    .tap();
  await expect(page.getByText(/Checked in one round, one after the other: RD-1, RD-2, RD-3/)).toBeVisible();
  await expect(
    page.getByText(/Stopped, Windscreen off, Adapter, Steady \(waited 1\d s\), As found/),
  ).toBeVisible();
});

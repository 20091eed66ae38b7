import { expect, type Page } from '@playwright/test';
import { hours, isAccessible, local, PASSWORD, test } from './person';
import { EMPTY } from './servers';

/** A press is a click or a command key; whatever is typed or picked into one field is a field. */
class Counted {
  presses = 0;
  fields = 0;

  constructor(private readonly page: Page) {}

  async press(
    name: string | RegExp,
    role: 'button' | 'link' | 'radio' | 'checkbox' = 'button',
  ): Promise<void> {
    await this.page
      .getByRole(role, { name, exact: typeof name === 'string' })
      .first()
      .click();
    this.presses += 1;
  }

  /** Opens a list and picks from it: two presses. */
  async pick(label: string, option: string): Promise<void> {
    await this.page.getByLabel(label).first().click();
    await this.page.getByRole('option', { name: option, exact: true }).click();
    this.presses += 2;
  }

  async type(label: string | RegExp, value: string): Promise<void> {
    await this.page.getByLabel(label).first().fill(value);
    this.fields += 1;
  }
}

/** From the first sign-in in an empty logbook to the first signed result of a dosimeter, people and campaign included. */
test('an empty logbook leads to its first signed result', async ({ page }) => {
  const counted = new Counted(page);
  const goOn = () => counted.press(/Done, go on/);
  const title = (name: string) => page.getByRole('heading', { name, exact: true });
  await page.clock.install();
  await page.goto(EMPTY);
  await page.getByLabel('Name').fill('first');
  await page.getByLabel('Password').fill(PASSWORD);
  await page.keyboard.press('Enter');

  await expect(title('To the first signed result')).toBeVisible();
  expect(await isAccessible(page, 'an empty logbook')).toEqual([]);
  // What one will be judged by can be read before.
  await page.getByRole('link', { name: 'policies', exact: true }).click();
  await expect(page.getByText(/Standard 1/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Day', exact: true }).click();

  await counted.press('Let others in', 'link');
  await counted.type(/^Name/, 'second');
  await counted.type(/^Code/, 'T-1');
  await counted.press('Add and make a code');
  await counted.press('I have noted it');

  await counted.press('Begin a campaign', 'link');
  await counted.type(/^Title/, 'Noise at the works');
  await counted.type(/^Site/, 'Sallow Mill Organ Works');
  await counted.press(/European Union: action values/, 'checkbox');
  expect(await isAccessible(page, 'a campaign begins')).toEqual([]);
  await counted.press('Begin');

  await counted.press('Register an instrument', 'link');
  await counted.type(/^Asset number/, 'DM-01');
  await counted.type(/^Model code/, 'Wren 2');
  await counted.type(/^Serial number/, '20417');
  await counted.pick('Microphone', '1/2 in');
  await counted.press('Register');

  await counted.press('Register what DM-01 is checked against', 'link');
  await counted.type(/^Asset number/, 'AC-01');
  await counted.type(/^Model code/, 'Tone 114');
  await counted.type(/^Certificate number/, 'SM-2231');
  await counted.type(/^Laboratory/, 'Lark Laboratory');
  await counted.type(/^Issued/, local(hours(24 * 90)).slice(0, 10));
  await counted.type(/^Due/, local(hours(-24 * 275)).slice(0, 10));
  await counted.type(/^Level/, '114');
  await counted.type(/^Certified/, '114.02');
  await counted.type(/^Uncertainty/, '0.10');
  await counted.type(/^Frequency/, '1000');
  await counted.press('1/2 in', 'checkbox');
  await counted.press('Register');

  const check = async (found: string, at: Date) => {
    for (const step of ['Stopped', 'Windscreen off']) {
      await expect(title(step)).toBeVisible();
      await goOn();
    }
    await counted.press(/114 dB, 1000 Hz, certified 114.02/, 'radio');
    await goOn();
    await expect(title('Adapter')).toBeVisible();
    await goOn();
    await counted.press(/Start the timer/);
    await page.clock.fastForward(31_000);
    await expect(title('As found')).toBeVisible();
    await counted.type(/^Reading/, found);
    await goOn();
    await counted.press('Left as it is');
    for (const step of ['Calibrator off', 'Windscreen on']) {
      await expect(title(step)).toBeVisible();
      await goOn();
    }
    // It is typed in later than it was made.
    await counted.type('When it was made, local time', local(at));
    await counted.press(/Accept the check/);
    await expect(title('Bench')).toBeVisible();
  };
  await counted.press('Check DM-01 before use');
  await check('114.0', hours(9));

  await counted.press('Start a run', 'link');
  await counted.type(/^Person/, 'W-01');
  await counted.type(/^Task/, 'Planing');
  await counted.type(/^Place/, 'Mill');
  await counted.type(/^Start, local time/, local(hours(8.5)));
  await counted.press('Start the run');
  await counted.type(/^Stop, local time/, local(hours(0.5)));
  await counted.type(/Instrument’s clock/, '0');
  await counted.press('Stop the run');

  await counted.press('Check DM-01 after use');
  await check('113.9', hours(0.2));

  await counted.press('Write down what it showed', 'link');
  await counted.type(/^L_Aeq|LAeq/, '83.4');
  await counted.press('Add');

  await counted.press('Judge and sign the result', 'link');
  await counted.press(/^Sign as/);
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Sign as/ })
    .click();
  counted.presses += 1;
  await expect(page.getByText(/H-1 on .* signed as/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'To the first signed result' })).toHaveCount(0);
  expect(counted.presses).toBeLessThanOrEqual(60);
  expect(counted.fields).toBeLessThanOrEqual(30);
});

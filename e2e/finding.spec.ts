import type { Locator, Page } from '@playwright/test';
import { demoCopy, expect, test } from './support/page';

type Step = (page: Page) => Promise<void>;

const press =
  (role: Parameters<Page['getByRole']>[0], name: string | RegExp): Step =>
  (page) =>
    page.getByRole(role, { name }).first().click();
const stage = (name: string): Step => press('button', new RegExp(`${name}$`));
const tab = (name: string): Step => press('tab', name);
const settings: Step = press('button', 'Job settings');
const sheets: Step = press('button', 'Sheets to print');
/** `/`, a few letters, Enter: one step. */
const find =
  (letters: string): Step =>
  async (page) => {
    await page.locator('body').press('/');
    await expect(page.getByRole('combobox', { name: 'Find anything' })).toBeFocused();
    await page.keyboard.type(letters);
    await page.keyboard.press('Enter');
  };

/** Things that a crew looks for, what they press from the courses view to get there, and what they then see. */
const THINGS: readonly (readonly [what: string, steps: readonly Step[], there: (page: Page) => Locator])[] = [
  [
    'why course 5 needs ten cuts',
    [press('button', 'Cut pieces in course 5: 10. Why?')],
    (page) => page.getByRole('region', { name: /Cut pieces in course 5/ }),
  ],
  [
    'the length of a plank',
    [stage('Bracing'), tab('Planks and gear')],
    (page) => page.getByLabel('Length of plank 1'),
  ],
  ['the rule of laps', [find('typed lap')], (page) => page.getByLabel(/^Value of: A typed lap is/)],
  [
    'the pour card',
    [sheets, press('menuitem', 'Pour card')],
    (page) => page.getByRole('heading', { level: 1, name: /pour card/i }),
  ],
  [
    'what to order',
    [sheets, press('menuitem', 'Order list')],
    (page) => page.getByRole('heading', { level: 1, name: /order/i }),
  ],
  [
    'which side a wall is braced on',
    [stage('Bracing'), tab('Braces')],
    (page) => page.getByRole('radio', { name: 'outside' }),
  ],
  ['the house rules', [settings, press('menuitem', /House rules/)], (page) => page.getByLabel('Find a rule')],
  ['colors for the night', [settings], (page) => page.getByRole('menuitemradio', { name: /night/i })],
  ['the plan file', [settings], (page) => page.getByRole('menuitem', { name: 'Download the plan file' })],
  [
    'the tank drain',
    [find('tank drain')],
    (page) => page.getByRole('tab', { name: 'Inserts', selected: true }),
  ],
  ['soil on a wall', [find('bar spec')], (page) => page.getByLabel(/^Soil on A–B/)],
  [
    'the level survey',
    [stage('Footing'), tab('Level')],
    (page) => page.getByRole('tabpanel', { name: 'Level' }),
  ],
  [
    'another form family',
    [settings, press('menuitem', 'Forms')],
    (page) => page.getByText('Long 96').first(),
  ],
  [
    'readings of the strings',
    [stage('Bracing'), tab('String lines')],
    (page) => page.getByLabel(/^Brace 1, before the pour/),
  ],
  [
    'how many trucks',
    [stage('Pour'), tab('Order and trucks')],
    (page) => page.getByRole('tabpanel', { name: 'Order and trucks' }),
  ],
  [
    'the odds of a cold joint',
    [stage('Pour'), tab('Rehearsal')],
    (page) => page.getByRole('button', { name: /Run 10 000 days/ }),
  ],
  [
    'concrete above the foam',
    [stage('Pour'), tab('Topping off')],
    (page) => page.getByLabel('Exposed edge of all walls: concrete above the foam'),
  ],
  [
    'what to bend',
    [stage('Steel'), tab('Bending schedule')],
    (page) => page.getByRole('tabpanel', { name: 'Bending schedule' }),
  ],
  [
    'backfill after the pour',
    [stage('Outline'), (page) => page.getByText('Ground after:').first().click()],
    (page) => page.getByLabel('Ground outside after the pour', { exact: true }),
  ],
  [
    'a ledger on the ground',
    [find('ledgers sheet')],
    (page) => page.getByRole('heading', { level: 1, name: /ledgers/ }),
  ],
  ['the wind tonight', [find('wind tonight')], (page) => page.getByLabel(/^Wind the empty walls must take/)],
];

test('twenty things and one more are found by the interface alone, in three steps at most', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const path = await demoCopy(page, 'Where is it');
  for (const [what, steps, there] of THINGS) {
    await test.step(what, async () => {
      expect(steps.length).toBeLessThanOrEqual(3);
      await page.goto(`${path}/courses`);
      await expect(page.getByRole('button', { name: 'Cut pieces in course 5: 10. Why?' })).toBeVisible();
      for (const step of steps) await step(page);
      await expect(there(page)).toBeVisible();
    });
  }
});

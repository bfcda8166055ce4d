import AxeBuilder from '@axe-core/playwright';
import { readFileSync } from 'node:fs';
import { type Page, expect, test as base } from '@playwright/test';

/** Every page is watched: nothing may leave the machine, and nothing may be written to the console as an error. */
export const test = base.extend<{ readonly watched: { readonly allowErrors: () => void } }>({
  watched: [
    async ({ page, baseURL }, use) => {
      const left: string[] = [];
      const errors: string[] = [];
      const errorsAre = { allowed: false };
      page.on('request', (request) => {
        const url = request.url();
        if (!url.startsWith(baseURL ?? '') && !url.startsWith('data:') && !url.startsWith('blob:'))
          left.push(url);
      });
      page.on('console', (message) => {
        if (message.type() === 'error') errors.push(message.text());
      });
      page.on('pageerror', (error) => errors.push(error.message));
      await use({
        allowErrors: () => {
          errorsAre.allowed = true;
        },
      });
      expect(left, 'no request leaves the machine').toEqual([]);
      if (!errorsAre.allowed) expect(errors, 'nothing broke on the page').toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/**
 * Nothing serious for those who read with ears or fingers. Our pages hold no frames: one pass in the page itself is three times as fast.
 *
 * @param within what is looked at, where the rest of the page has been
 */
export async function expectAccessible(page: Page, within = 'html'): Promise<void> {
  await expectNothingSerious(axeOf(page, within));
}

/** Every word stands out from what is behind it: what another theme can change of a page that is accessible. */
export const expectContrast = (page: Page): Promise<void> =>
  expectNothingSerious(axeOf(page, 'html').withRules(['color-contrast']));

const axeOf = (page: Page, within: string): AxeBuilder =>
  new AxeBuilder({ page })
    .setLegacyMode(true)
    .include(within)
    // Style sheets are fetched anew for one rule on turned screens, which no page of ours locks.
    .options({ resultTypes: ['violations'], preload: false });

async function expectNothingSerious(axe: AxeBuilder): Promise<void> {
  const { violations } = await axe.analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(' | ')}`)).toEqual([]);
}

export const saved = (page: Page) => expect(page.getByRole('status').first()).toHaveText('Saved');

/** Makes a job of a name or a plan file, without a page of its own, and gives its number. */
async function jobOf(
  page: Page,
  given: { readonly name: string } | { readonly plan: unknown },
): Promise<string> {
  const origin = new URL(test.info().project.use.baseURL ?? '').origin;
  const answer = await page.request.post('/api/jobs', { headers: { Origin: origin }, data: given });
  return ((await answer.json()) as { job: { id: string } }).job.id;
}

/** Makes a job through the server and opens its outline. */
export async function openNewJob(page: Page, name: string): Promise<string> {
  const id = await jobOf(page, { name });
  await page.goto(`/jobs/${id}/outline`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(name);
  return id;
}

/** Makes a job of a plan file and gives its path. */
const pathOf = async (page: Page, plan: unknown): Promise<string> => `/jobs/${await jobOf(page, { plan })}`;

const demoFile = () =>
  JSON.parse(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8')) as {
    readonly outline: { readonly walk: readonly { readonly length: string; readonly turn: string }[] };
  };

/** A copy of the demo that a test may change without another one minding. */
export const demoCopy = (page: Page, name: string): Promise<string> => pathOf(page, { ...demoFile(), name });

/** The demo's outline on flat ground, seven courses high: the hatchery of the reference cases, as a job of its own. */
export function flatHatchery(page: Page): Promise<string> {
  const demo = demoFile();
  const walk = demo.outline.walk.map(({ length, turn }) => ({ length, turn }));
  return pathOf(page, {
    ...demo,
    name: 'Flat hatchery',
    courses: 7,
    outline: { closed: true, walk },
    footing: undefined,
    openings: [],
    inserts: undefined,
    steel: undefined,
    rules: {},
  });
}

/** Types walls into the walk, one after the other, as on a site: length, Enter, length, Enter. */
export async function typeWalls(page: Page, lengths: readonly string[]): Promise<void> {
  await page.getByRole('button', { name: 'Wall', exact: true }).click();
  for (const [index, length] of lengths.entries()) {
    if (index > 0) await page.keyboard.press('Enter');
    await expect(page.getByLabel(/^Length of/)).toHaveCount(index + 1);
    await expect(page.getByLabel(/^Length of/).nth(index)).toBeFocused();
    await page.keyboard.type(length);
  }
}

/** Goes to a sheet by the menu of the header. */
export async function openSheet(page: Page, name = 'Courses'): Promise<void> {
  await page.getByRole('button', { name: 'Sheets to print' }).click();
  await page.getByRole('menuitem', { name }).click();
}

/** Opens an item of the job's settings. */
export async function openSetting(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Job settings' }).click();
  await page.getByRole('menuitem', { name }).click();
}

/** Opens the notices of another stage than the shown one. */
export const openNoticesOf = (page: Page, stage: string): Promise<void> =>
  page.getByRole('region', { name: 'Notices' }).getByRole('button', { name: stage }).click();

/** The line of a kind of notice. */
export const noticeOf = (page: Page, kind: string) => page.locator(`[data-kind="${kind}"]`);

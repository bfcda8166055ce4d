import type { Page } from '@playwright/test';
import { demoCopy, expect, openNewJob, saved, test } from './support/page';

/** Milliseconds between keys: as fast as a hurried hand, and faster. */
const PACES = [15, 45];

interface Stored {
  readonly outline: { readonly walk: readonly { readonly length: string }[] };
  readonly openings: readonly Readonly<Record<string, string>>[];
}

async function stored(page: Page, job: string): Promise<Stored> {
  const answer = (await (await page.request.get(`/api/jobs/${job}`)).json()) as { job: { plan: Stored } };
  return answer.job.plan;
}

/** `24' 5"` or `24'5` as the plan stores it. */
const asStored = (typed: string): string =>
  typed.replace(/' ?(\d+)"?$/, (_, inches: string) => (inches === '0' ? 'ft' : `ft ${inches}in`));

for (const pace of PACES) {
  test(`walls typed with a key every ${String(pace)} ms are stored as typed`, async ({ page }) => {
    test.setTimeout(180_000);
    const job = await openNewJob(page, 'Typed fast');
    const typed = Array.from(
      { length: 36 },
      (_, index) => `${String(((index * 7) % 40) + 10)}'${String((index * 5) % 12)}`,
    );
    await page.getByRole('button', { name: 'Wall', exact: true }).click();
    for (const [index, length] of typed.entries()) {
      if (index > 0) await page.keyboard.press('Enter');
      await page.keyboard.type(length, { delay: pace });
    }
    await saved(page);
    const { outline } = await stored(page, job);
    expect(outline.walk.map((row) => row.length)).toEqual(typed.map(asStored));
  });

  test(`openings typed through the line with a key every ${String(pace)} ms are stored as typed`, async ({
    page,
  }) => {
    test.setTimeout(120_000);
    const path = await demoCopy(page, 'Openings typed fast');
    await page.goto(`${path}/openings`);
    await expect(page.getByLabel('New opening: kind')).toBeVisible();
    const before = (await stored(page, path.split('/').at(-1) ?? '')).openings.length;
    await page.keyboard.press('n');
    const wanted = Array.from({ length: 6 }, (_, index) => ({
      at: `${String(5 + index * 4)}' ${String(index)}"`,
      width: `2' ${String(index + 1)}"`,
      height: `1' ${String(index + 2)}"`,
      head: `6' 8"`,
      name: `W${String(index + 100)}`,
    }));
    const tab = (): Promise<void> => page.keyboard.press('Tab');
    for (const { at, width, height, head, name } of wanted) {
      for (let field = 0; field < 4; field++) await tab();
      for (const text of [at, width, height]) {
        await page.keyboard.type(text, { delay: pace });
        await tab();
      }
      await tab();
      await page.keyboard.type(head, { delay: pace });
      await tab();
      await page.keyboard.type(name, { delay: pace });
      await page.keyboard.press('Enter');
    }
    await saved(page);
    const { openings } = await stored(page, path.split('/').at(-1) ?? '');
    expect(
      openings.slice(before).map(({ at, width, height, head, name }) => ({ at, width, height, head, name })),
    ).toEqual(
      wanted.map(({ name, ...lengths }) => ({
        ...Object.fromEntries(Object.entries(lengths).map(([key, text]) => [key, asStored(text)])),
        name,
      })),
    );
  });
}

test('a press into a field selects what stands there, a second one sets the caret', async ({ page }) => {
  await openNewJob(page, 'Pressed');
  await page.getByRole('button', { name: 'Wall', exact: true }).click();
  await page.keyboard.type('24');
  await page.getByLabel('Job', { exact: true }).click();
  const field = page.getByLabel(/^Length of/).first();
  await field.click();
  await page.keyboard.type('30');
  await expect(field).toHaveValue('30');
  await field.click({ position: { x: 8, y: 10 } });
  await page.keyboard.press('Home');
  await page.keyboard.type('1');
  await expect(field).toHaveValue('130');
});

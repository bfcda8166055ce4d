import type { Page } from '@playwright/test';
import {
  demoCopy,
  expect,
  expectAccessible,
  noticeOf,
  openNewJob,
  openNoticesOf,
  openSheet,
  saved,
  test,
} from './support/page';

const VIEWS = [
  'outline',
  'footing',
  'courses',
  'openings',
  'steel',
  'bracing',
  'pour',
  'days',
  'forms',
] as const;

/** How far a page can be scrolled sideways, and what can be pressed on it but is lower than so many pixels. */
const measured = (page: Page, least: number) =>
  page.evaluate((pixels) => {
    // Within a sentence, or drawn to scale, a target is as high as what it stands on.
    const spared = '.sr-only, p *, .heading *, [aria-label^="Course "], label > input, dialog:not([open]) *';
    const low = [...document.querySelectorAll('button, a[href], input, select, summary')].filter((each) => {
      const { width, height } = each.getBoundingClientRect();
      return width > 0 && height < pixels - 0.5 && !each.matches(spared);
    });
    return {
      sideways: document.documentElement.scrollWidth - innerWidth,
      low: low.map((each) => each.getAttribute('aria-label') ?? each.textContent),
    };
  }, least);

for (const [width, height] of [
  [1280, 800],
  [1024, 768],
  [390, 844],
] as const) {
  test(`at ${String(width)} × ${String(height)} no view scrolls sideways, and every target is high enough`, async ({
    browser,
    baseURL,
  }) => {
    test.setTimeout(120_000);
    const touch = width < 1200;
    const context = await browser.newContext({
      viewport: { width, height },
      hasTouch: touch,
      ...(baseURL ? { baseURL } : {}),
    });
    const page = await context.newPage();
    for (const view of VIEWS) {
      await page.goto(`/jobs/sorrel-fork-hatchery/${view}`);
      await expect(
        page.getByRole('region', { name: 'Notices' }).or(page.getByText('Form families')),
      ).toBeVisible();
      const tabs = page.getByRole('tab');
      for (let tab = 0; tab < Math.max(1, await tabs.count()); tab++) {
        if (tab > 0) await tabs.nth(tab).click();
        const { sideways, low } = await measured(page, touch ? 44 : 32);
        expect([view, tab, low]).toEqual([view, tab, []]);
        expect(sideways).toBeLessThanOrEqual(0);
      }
    }
    await context.close();
  });
}

test('a notice opens to its reason and its rule, is set aside with a word, kept, and brought back', async ({
  page,
}) => {
  await page.goto(`${await demoCopy(page, 'Set aside')}/pour`);
  const line = noticeOf(page, 'pour:dwell-short');
  await line.getByRole('button', { name: /^More on/ }).click();
  await line.getByRole('button', { name: 'House rule' }).click();
  const rules = page.getByRole('dialog', { name: 'House rules of this job' });
  await expect(rules.getByLabel(/^Value of: A wall whose lift fills in under/)).toBeVisible();
  await page.keyboard.press('Escape');
  await line.getByRole('button', { name: 'Set aside' }).click();
  await page.keyboard.type('The hose never stops there');
  await page.keyboard.press('Enter');
  await expect(line).toHaveCount(0);
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: '1 set aside' }).click();
  await expect(page.getByText('“The hose never stops there”')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Bring back' }).click();
  await expect(line).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(line).toHaveCount(0);
});

test('several places of one cause are one line; a notice of another stage goes there', async ({ page }) => {
  await page.goto(`${await demoCopy(page, 'One line')}/courses`);
  const line = noticeOf(page, 'stagger');
  await expect(line).toContainText('C–D, F–A');
  await line.getByRole('button').first().click();
  await line.getByRole('button', { name: 'F–A', exact: true }).click();
  await expect(page.getByRole('heading', { name: /wall F–A, from above/ })).toBeVisible();
  await openNoticesOf(page, 'Steel');
  await noticeOf(page, 'steel-bar-through').getByRole('button', { name: 'E–F', exact: true }).click();
  await expect(page).toHaveURL(/\/steel$/);
});

test('anything is found by a few letters, from the keyboard alone', async ({ page }) => {
  await page.goto(`${await demoCopy(page, 'Found')}/outline`);
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  for (const [letters, reached] of [
    [
      'rehears',
      () => expect(page.getByRole('tab', { name: 'Rehearsal' })).toHaveAttribute('aria-selected', 'true'),
    ],
    [
      'planks and gear',
      () =>
        expect(page.getByRole('tab', { name: 'Planks and gear' })).toHaveAttribute('aria-selected', 'true'),
    ],
    ['tank drain', () => expect(page).toHaveURL(/\/openings$/)],
  ] as const) {
    await page.keyboard.press('/');
    await expect(page.getByRole('combobox', { name: 'Find anything' })).toBeFocused();
    await page.keyboard.type(letters);
    await page.keyboard.press('Enter');
    await reached();
    await page.locator('body').focus();
    await page.evaluate(() => {
      if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    });
  }
  await page.getByRole('button', { name: 'Find anything' }).click();
  await expect(page.getByRole('combobox', { name: 'Find anything' })).toBeFocused();
  await page.keyboard.type('typed lap');
  await expectAccessible(page);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel(/^Value of: A typed lap is/)).toBeVisible();
  await page.getByRole('button', { name: 'All house rules' }).click();
  await expect(page.getByLabel('Find a rule')).toBeVisible();
});

test('tabs are walked with arrow keys, and every part says what it is', async ({ page }) => {
  test.setTimeout(300_000);
  const path = await demoCopy(page, 'Arrow keys');
  for (const view of ['footing', 'openings', 'steel', 'bracing', 'pour', 'days']) {
    await page.goto(`${path}/${view}`);
    const tabs = page.getByRole('tab');
    await tabs.first().focus();
    const count = await tabs.count();
    for (let tab = 0; tab < count; tab++) {
      await expect(tabs.nth(tab)).toHaveAttribute('aria-selected', 'true');
      const name = (await tabs.nth(tab).textContent()) ?? '';
      await expect(page.getByRole('tabpanel', { name })).toBeVisible();
      await expectAccessible(page, tab === 0 ? 'html' : '[role=tabpanel]');
      await page.keyboard.press('ArrowRight');
    }
    // Round and round: the last is followed by the first.
    await expect(tabs.first()).toBeFocused();
  }
});

test('a new job says where to start, and its example goes with one undo', async ({ page }) => {
  await openNewJob(page, 'Nothing yet');
  const start = page.getByRole('region', { name: 'Where to start' });
  await start.getByRole('button', { name: 'Try six example walls' }).click();
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await expect(start).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(start).toBeVisible();
});

test('the list of jobs shows what each comes to, and opens an example', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Search jobs').fill('Sorrel Fork');
  const demo = page.getByRole('listitem').filter({ hasText: 'Sorrel Fork Hatchery' });
  await expect(demo).toContainText('32.09 yd³ · 213 blocks to buy');
  await expect(demo).toContainText(/ago/);
  await page.getByRole('region', { name: 'Examples' }).getByRole('button', { name: 'Cider press' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Larkspur cider press');
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
});

test('the strip is made taller by its lower edge, walls and notices fold away, and both stay so', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Taller');
  await page.goto(`${path}/courses`);
  const strip = page.getByRole('img', { name: /courses, .* pieces, seen from/ });
  const before = (await strip.boundingBox())?.height ?? 0;
  const edge = page.getByRole('separator', { name: 'Height of the strip' });
  // What it is dragged with comes a moment after the walls.
  await expect(async () => {
    const box = await edge.boundingBox();
    if (!box) throw new Error('no edge');
    await page.mouse.move(box.x + box.width / 2, box.y + 4);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2, box.y + 104, { steps: 5 });
    await page.mouse.up();
    await expect
      .poll(async () => (await strip.boundingBox())?.height ?? 0, { timeout: 5000 })
      .toBeGreaterThan(before + 80);
  }).toPass();
  await edge.focus();
  await page.keyboard.press('ArrowUp');
  await page.getByRole('button', { name: 'Walls and notices' }).click();
  await expect(page.getByRole('region', { name: 'Notices' })).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Walls and notices' })).toHaveAttribute(
    'aria-expanded',
    'false',
  );
  expect((await strip.boundingBox())?.height ?? 0).toBeGreaterThan(before + 60);
});

test('sheets are chosen from a menu, the stage’s own first', async ({ page }) => {
  await page.goto(`${await demoCopy(page, 'Menu')}/pour`);
  await page.getByRole('button', { name: 'Sheets to print' }).click();
  await expect(page.getByRole('menuitem').first()).toHaveText(/Pour card/);
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await openSheet(page, 'Bracing');
  await expect(page).toHaveURL(/sheets\/bracing/);
});

test('dialogs lie within a phone’s screen, whatever is typed into them', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const path = await demoCopy(page, 'Narrow');
  await page.goto(`${path}/outline`);
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  const within = async (name: string): Promise<void> => {
    const dialog = page.getByRole('dialog', { name });
    await expect(dialog).toBeVisible();
    const box = await dialog.boundingBox();
    expect(box?.x).toBeGreaterThanOrEqual(0);
    expect((box?.x ?? 0) + (box?.width ?? 999)).toBeLessThanOrEqual(390);
    expect(await dialog.evaluate((element) => element.scrollWidth - element.clientWidth)).toBeLessThanOrEqual(
      1,
    );
  };
  await page.keyboard.press('?');
  await within('Keys');
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await page.getByPlaceholder('lap, Bracing, B–C, pour card …').fill('house rules');
  await within('Find anything');
  await page.keyboard.press('Enter');
  await within('House rules of this job');
});

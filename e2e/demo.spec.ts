import { expect, expectAccessible, flatHatchery, openNewJob, saved, test, typeWalls } from './support/page';

test('from the list of jobs to the demo’s tally', async ({ page }) => {
  await page.goto('/');
  await expectAccessible(page);
  // Other tests may have copies of it under the same name.
  await page.locator('a[href="/jobs/sorrel-fork-hatchery"]').click();
  await expect(page).toHaveURL(/\/outline$/);
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Plan: A–B 44′, B–C 20′/ })).toBeVisible();
  await expect(page.getByText('Module 48 · 8″ core · lengths to outside of form')).toBeVisible();
  await expectAccessible(page);

  await page.keyboard.press('2');
  await expect(page).toHaveURL(/\/footing$/);
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/courses$/);
  const tally = page.getByRole('table', { name: 'Tally by course' });
  await expect(tally.getByRole('row', { name: /^all/ })).toContainText('161642123');
  await expect(tally.getByRole('row', { name: /^all/ })).toContainText('32.09');
  await expect(tally.getByRole('row', { name: 'Show course 1' })).toContainText('7320');
  await expect(tally.getByRole('row', { name: 'Show course 2' })).toContainText('249154');
  await expect(page.getByText('Seen from inside')).toBeVisible();
  await expectAccessible(page);
});

test('every figure of the tally opens its why and lights the pieces that it counts', async ({ page }) => {
  await page.goto(`${await flatHatchery(page)}/courses`);
  const figures = page
    .getByRole('table', { name: 'Tally by course' })
    .getByRole('button', { name: /Why\?$/ });
  await expect(figures).toHaveCount(7 * 5 + 5 + 1);
  for (let index = 0; index < 41; index++) {
    const figure = figures.nth(index);
    const name = (await figure.getAttribute('aria-label')) ?? '';
    await figure.click();
    await page.mouse.move(640, 60);
    const card = page.getByRole('region', { name: /^Why:/ });
    await expect(card).toBeVisible();
    const value = /: ([\d.]+)\. Why/.exec(name)?.[1] ?? '';
    await expect(card.getByRole('heading')).toContainText(value);
    await expect(card).toContainText('=');
    if (name.startsWith('Concrete') || name.includes('to buy')) continue;
    const lit = await page
      .locator('[data-lit]')
      .evaluateAll((nodes) => new Set(nodes.map((node) => node.getAttribute('data-lit'))).size);
    expect(lit, name).toBe(Number(value));
  }
});

test('a why opens down to the wall’s length and its legs', async ({ page }) => {
  await page.goto(`${await flatHatchery(page)}/courses`);
  await page.getByRole('button', { name: 'Whole blocks in course 1: 26. Why?' }).click();
  const card = page.getByRole('region', { name: /^Why:/ });
  await expect(card).toContainText('A–B 9 + B–C 3 + C–D 2 + D–E 1 + E–F 5 + F–A 6 = 26');
  await card.getByRole('button', { name: 'A–B 9' }).click();
  await card.getByRole('button', { name: /^run by block/ }).click();
  await card.getByRole('button', { name: /^clear run/ }).click();
  await expect(card).toContainText(
    'form-face length 44′ − leg at its start 3′ 4″ − leg at its end 2′ = 38′ 8″',
  );
  await expect(card).toContainText('A cut piece is at least 12″ long. common practice');
  // Pointing at one wall's term lights its nine blocks alone.
  await card.getByRole('button', { name: 'A–B 9' }).hover();
  await expect(page.locator('[data-lit]')).toHaveCount(9);
  await page.keyboard.press('Escape');
  await expect(card).toBeHidden();
});

test('the strip flips to the outside; hands stay told from outside', async ({ page }) => {
  await page.goto(`${await flatHatchery(page)}/courses`);
  const letters = (): Promise<string[]> => page.locator('svg circle + text').allTextContents();
  await expect(page.getByText('Seen from inside')).toBeVisible();
  expect(await letters()).toEqual(['A', 'B', 'C', 'D', 'E', 'F', 'A']);
  const first = page.locator('svg circle + text').first();
  const before = await first.boundingBox();
  await page.keyboard.press('f');
  await expect(page.getByText('Seen from outside')).toBeVisible();
  const after = await first.boundingBox();
  expect(after?.x).toBeGreaterThan((before?.x ?? 0) + 500);
  await expect(page.getByRole('row', { name: 'Show course 1' })).toContainText('26651');
});

test('arrow keys walk the wall piece by piece and course by course', async ({ page }) => {
  await page.goto(`${await flatHatchery(page)}/courses`);
  await expect(page.getByRole('table', { name: 'Tally by course' })).toBeVisible();
  const told = page.locator('[aria-live=polite]');
  await page.keyboard.press('ArrowRight');
  await expect(told).toHaveText(/^Course 1, corner A: left-hand corner, legs 24″ on F–A and 40″ on A–B/);
  await page.keyboard.press('ArrowRight');
  await expect(told).toHaveText(/^Course 1, A–B: whole block 48″, 3′ 4″ from A/);
  await page.keyboard.press('ArrowUp');
  await expect(told).toHaveText(/^Course 2, A–B: whole block 48″, 2′ from A/);
  await expect(page.locator('[data-chosen]')).toHaveCount(1);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(told).toHaveText(/^Course 2, F–A: whole block/);
  await page.keyboard.press(']');
  await expect(page.getByRole('heading', { name: 'Course 2, wall A–B, from above' })).toBeVisible();
});

test('a course from above shows its webs, to scale', async ({ page }) => {
  await page.goto(`${await flatHatchery(page)}/courses`);
  await page.getByRole('button', { name: 'C–D 16′' }).click();
  await expect(page.getByRole('img', { name: /^Course 1, wall C–D from above/ })).toBeVisible();
  // Two whole blocks of six webs, a cut of 45 in that keeps all of its six, and the legs' three and one.
  await expect(page.locator('[data-web]')).toHaveCount(6 + 6 + 6 + 3 + 1);
});

test('a press on a block selects it; reload comes back to the same place', async ({ page }) => {
  await page.goto(`${await flatHatchery(page)}/courses`);
  await page.getByRole('button', { name: /^Course 3, top at/ }).click();
  await page.getByRole('button', { name: 'E–F 28′' }).click();
  await page.getByRole('button', { name: 'Zoom in' }).click();
  await page.getByRole('button', { name: 'Cut pieces in course 4: 6. Why?' }).click();
  await page.waitForTimeout(400);
  const scroll = (): Promise<number> =>
    page.locator('.overflow-auto').evaluate((element) => Math.round(element.scrollLeft));
  const before = await scroll();
  expect(before).toBeGreaterThan(500);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Course 4, wall E–F, from above' })).toBeVisible();
  await expect(page.getByRole('region', { name: /^Why: Cut pieces in course 4/ })).toBeVisible();
  expect(Math.abs((await scroll()) - before)).toBeLessThan(3);
});

test('works by touch on a tablet, in every theme, with targets large enough', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({
    viewport: { width: 1024, height: 768 },
    hasTouch: true,
    ...(baseURL ? { baseURL } : {}),
  });
  const page = await context.newPage();
  await page.goto(`${await flatHatchery(page)}/courses`);
  const show = async (colors: string): Promise<void> => {
    await page.getByRole('button', { name: 'Job settings' }).tap();
    await page.getByRole('menuitemradio', { name: colors }).tap();
  };
  await show('Night');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  await expectAccessible(page);
  await show('Full sun');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'sun');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Straight blocks to buy: 224. Why?' }).tap();
  await expect(page.getByRole('region', { name: /^Why: Straight blocks/ })).toContainText(
    'whole blocks laid 182 + blocks opened for cuts 42 = 224',
  );
  await context.close();
});

test('a lucky length is taken at a press, and undone', async ({ page }) => {
  await openNewJob(page, 'Lucky');
  await typeWalls(page, ['44', '20', '16', '12', '28', '32']);
  await page.getByRole('button', { name: 'Turn after C–D: change to left' }).click();
  await page.getByRole('button', { name: 'Courses', exact: true }).click();
  const all = page.getByRole('row', { name: /^all/ });
  await expect(all).toContainText('156361818');
  await page.getByRole('button', { name: 'Move F–A: A–B and E–F +1′ 4″, 12 cuts fewer' }).click();
  await expect(all).toContainText('168241818');
  await expect(page.getByRole('button', { name: 'A–B 45′ 4″' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(all).toContainText('156361818');
  await saved(page);
});

test('the first view stands by what the server worked; without that, by the page’s own worker', async ({
  page,
  watched,
}) => {
  watched.allowErrors();
  const tally = page.getByRole('table', { name: 'Tally by course' });
  await page.route(/work\.worker/, (route) => route.abort());
  await page.goto('/jobs/sorrel-fork-hatchery/courses');
  await expect(tally).toBeVisible();
  const told = await tally.textContent();
  await page.unroute(/work\.worker/);
  await page.route(/\/worked\?of=/, (route) => route.abort());
  await page.goto('/jobs/sorrel-fork-hatchery/courses');
  await expect(tally).toHaveText(told ?? '');
});

import {
  demoCopy,
  expect,
  expectAccessible,
  expectContrast,
  openNewJob,
  saved,
  test,
  typeWalls,
  flatHatchery,
  noticeOf,
  openNoticesOf,
} from './support/page';

test('a stepped footing, a lower top and a height are set, drawn to scale and kept', async ({ page }) => {
  const id = await openNewJob(page, 'Steps');
  await typeWalls(page, ['40', '28', '40', '28']);
  await page.getByRole('radio', { name: 'Height' }).check({ force: true });
  await page.getByLabel('Height above the lowest footing').fill(`8' 8"`);
  await expect(page.getByText('Course 1 is ripped to 8″', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Courses', exact: true }).click();
  await page
    .getByRole('complementary', { name: 'Walls and notices' })
    .getByRole('button', { name: /^A–B/ })
    .click();
  await page.keyboard.press('w');
  const card = page.getByRole('region', { name: 'Wall A–B' });
  await card.getByRole('button', { name: 'Footing step' }).click();
  await card.getByLabel('footing step 1: how far from A').fill('20');
  await card.getByLabel('footing step 1: by how much').fill('30in');
  await expect(noticeOf(page, 'steps-not-home').getByText(/2′ 6″ higher/)).toBeVisible();
  await card.getByLabel('footing step 1: by how much').fill('32in');
  await card.getByLabel('Top of A–B').click();
  await page
    .getByRole('complementary', { name: 'Walls and notices' })
    .getByRole('button', { name: /^C–D/ })
    .click();
  const other = page.getByRole('region', { name: 'Wall C–D' });
  await other.getByRole('button', { name: 'Footing step' }).click();
  await other.getByLabel('footing step 1: how far from C').fill('20');
  await other.getByLabel('footing step 1: up or down').selectOption('down');
  await other.getByLabel('footing step 1: by how much').fill('32in');
  await expect(page.getByText('Walked round once', { exact: false })).toBeHidden();
  await other.getByLabel('Top of C–D').fill('5 courses');
  await expectAccessible(page);
  await saved(page);
  await page.reload();
  await expect(page.getByRole('region', { name: 'Wall C–D' }).getByLabel('Top of C–D')).toHaveValue(
    '5 courses',
  );
  const plan = (await (await page.request.get(`/api/jobs/${id}/plan.json`)).json()) as {
    height: string;
    outline: { walk: { footing?: { at: string; step: string }[]; top?: string }[] };
  };
  expect(plan.height).toBe('8ft 8in');
  expect(plan.outline.walk[0]?.footing).toMatchObject([{ at: '20ft', step: 'up 2ft 8in' }]);
  expect(plan.outline.walk[2]).toMatchObject({ top: '5 courses' });
});

test('a common seam is chosen, dragged and moved by keys; it snaps clear of the webs', async ({ page }) => {
  await page.goto(`${await demoCopy(page, 'Seamed')}/courses`);
  await expect(page.getByRole('table', { name: 'Tally by course' })).toBeVisible();
  await page.keyboard.press('w');
  const card = page.getByRole('region', { name: 'Wall A–B' });
  await card.getByText('Common seam').click();
  const seam = page.getByRole('slider', { name: 'Common seam of A–B' });
  await expect(seam).toBeVisible();
  const before = Number(await seam.getAttribute('aria-valuenow'));
  await seam.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => Number(await seam.getAttribute('aria-valuenow'))).toBeGreaterThan(before);
  const box = await seam.boundingBox();
  if (!box) throw new Error('the seam is not drawn');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 120, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => Number(await seam.getAttribute('aria-valuenow'))).toBeLessThan(before);
  // Whole inches from the leg of course 1, never within an inch of a web.
  const inches = Number(await seam.getAttribute('aria-valuenow')) / 25_400_000 - 40;
  expect(Number.isInteger(inches)).toBe(true);
  expect((inches % 8) - 4).not.toBe(0);
  await page.keyboard.press('s');
  await expect(
    page
      .getByRole('region', { name: /^Strap list: \d+ joints/ })
      .getByText('common seam')
      .first(),
  ).toBeVisible();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(seam).toBeHidden();
});

test('plans stand side by side; the best found is adopted, undone, and a search can be stopped', async ({
  page,
}) => {
  // It searches twice.
  test.slow();
  await page.goto(`${await flatHatchery(page)}/courses`);
  await expect(page.getByRole('table', { name: 'Tally by course' })).toBeVisible();
  await page.keyboard.press('b');
  const card = page.getByRole('region', { name: 'Compare plans' });
  await expect(card.getByRole('row', { name: /^Running bond/ })).toContainText('224');
  await card.getByRole('button', { name: 'Find the best plan' }).click();
  await card.getByRole('button', { name: 'Stop here' }).click();
  await expect(card.getByText('Stopped', { exact: false })).toBeVisible();
  await card.getByRole('button', { name: 'Search again' }).click();
  await expect(card.getByText(/blocks: (lowest possible, proved|no plan has fewer than)/)).toBeVisible({
    timeout: 60_000,
  });
  await expectAccessible(page);
  const row = card.getByRole('row', { name: /^Best found/ });
  const blocks = (await row.getByRole('cell').first().innerText()).replace(/\D/g, '');
  expect(Number(blocks)).toBeLessThan(224);
  await row.getByRole('button', { name: 'Use this plan: Best found' }).click();
  await expect(page.getByRole('button', { name: `Straight blocks to buy: ${blocks}. Why?` })).toBeVisible();
  await expect(card.getByText('The plan changed after the search', { exact: false })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Straight blocks to buy: 224. Why?' })).toBeVisible();
});

test('a family is copied, edited, refused where it cannot be, saved as a file and fetched again', async ({
  page,
}) => {
  const id = await openNewJob(page, 'Own forms');
  await typeWalls(page, ['40', '28', '40', '28']);
  await page.getByRole('button', { name: 'See the forms' }).click();
  await page.getByRole('button', { name: 'Copy Module 48' }).click();
  await page.getByLabel('Name of this family').fill('Yard blocks');
  await page.getByLabel('Corner, short leg past the wall').fill('27in');
  await expect(
    page.getByText('The long leg must be longer than the short one', { exact: false }).first(),
  ).toBeVisible();
  await page.getByLabel('Corner, short leg past the wall').fill('15in');
  await expect(page.getByText('Not taken over yet', { exact: false })).toBeHidden();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Use for this job: Yard blocks' }).click();
  await expect(page.getByText('This job, with it')).toBeVisible();
  await saved(page);
  const plan = (await (await page.request.get(`/api/jobs/${id}/plan.json`)).json()) as {
    family: string;
    families: { name: string; corner90: { short: string } }[];
  };
  expect(plan.families[0]).toMatchObject({ name: 'Yard blocks', corner90: { short: '15in' } });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a file' }).click(),
  ]);
  const file = await download.path();
  await page.getByLabel('Family file').setInputFiles(file);
  await expect(page.getByRole('button', { name: /^Yard blocks, our own/ })).toBeVisible();
  await page.getByLabel('Family file').setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"kind":"flat-wall"}'),
  });
  await expect(page.getByRole('alert').filter({ hasText: 'This is missing' })).toBeVisible();
});

test('a wall is bent to a curve, an inside wall meets another, and a pour is ordered by itself', async ({
  page,
}) => {
  await openNewJob(page, 'Bends');
  await typeWalls(page, ['30', '10', '10', '40', '20']);
  await page
    .getByRole('button', { name: /^Bend .* to a curve$/ })
    .nth(1)
    .click();
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await openNoticesOf(page, 'Courses');
  await expect(noticeOf(page, 'curved')).toBeVisible();
  await page.getByLabel(/^Radius of/).fill('3');
  await expect(page.getByText(/misses A by|bend no tighter than 4′/).first()).toBeVisible();
  await page.getByLabel(/^Radius of/).fill('10');
  await page.getByRole('button', { name: 'Another outline or inside wall' }).click();
  await page.getByRole('checkbox', { name: 'closed: returns to its first corner' }).last().uncheck();
  await page.getByLabel('Starts at').selectOption({ label: 'A–B' });
  await page.getByLabel('How far along that wall’s outside face it starts').fill('15');
  await page.getByRole('button', { name: 'Wall', exact: true }).last().click();
  await page.keyboard.type('17ft 10in');
  await page.getByLabel('Ends at').selectOption({ label: 'D–E' });
  await page.getByRole('button', { name: 'Several pours' }).click();
  await page.getByLabel('Name of pour 1').fill('Out of the ground');
  await page.getByLabel('What follows Out of the ground').fill('Backfill');
  await saved(page);
  await page.getByRole('button', { name: 'Courses', exact: true }).click();
  await page.getByRole('link', { name: 'Order list' }).click();
  await expect(page.getByRole('heading', { name: 'Bends: order list' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Out of the ground' }).click();
  await expect(page.getByText('Then: Backfill.')).toBeVisible();
  await page.getByRole('link', { name: 'From above' }).click();
  await expect(page.getByRole('heading', { name: 'Bends: course 1 from above' })).toBeVisible();
  await expect(page.getByRole('img', { name: /pieces in laying order$/ })).toHaveCount(6);
  await expectAccessible(page);
});

test('the sheets from above print on one page a course, on letter and A4', async ({ page }) => {
  await page.goto('/jobs/sorrel-fork-hatchery/sheets/above?from=wall-3');
  await expect(page.getByText('beginning at C').first()).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  for (const format of ['Letter', 'A4']) {
    const pdf = await page.pdf({
      format,
      margin: { top: '0.5in', bottom: '0.5in', left: '0.5in', right: '0.5in' },
    });
    expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length).toBe(8);
  }
});

test('cards work by touch on a tablet', async ({ browser, baseURL }) => {
  const context = await browser.newContext({
    baseURL: baseURL ?? '',
    viewport: { width: 1024, height: 768 },
    hasTouch: true,
  });
  const page = await context.newPage();
  await page.goto('/jobs/sorrel-fork-hatchery/courses');
  for (const name of [/^Wall /, 'Compare plans', /^Strap list/]) {
    await page.getByRole('button', { name }).first().tap();
    const card = page.getByRole('region', { name }).last();
    await expect(card).toBeVisible();
    const small = await card
      .getByRole('button')
      .evaluateAll((buttons) =>
        buttons
          .filter((button) => button.getBoundingClientRect().height < 43.5)
          .map((button) => button.textContent),
      );
    expect(small).toEqual([]);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(wide).toBeLessThanOrEqual(0);
  }
  await context.close();
});

for (const path of [
  'forms',
  'footing',
  'openings',
  'steel',
  'bracing',
  'sheets/footing',
  'sheets/above',
  'sheets/openings',
  'sheets/steel',
  'sheets/bracing',
  'sheets/order',
]) {
  test(`the page ${path} can be read in every theme, on a tablet too`, async ({ page }) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await page.goto(`/jobs/sorrel-fork-hatchery/${path}`);
    for (const theme of ['paper', 'night', 'sun']) {
      await page.evaluate((name) => {
        if (name === 'paper') delete document.documentElement.dataset['theme'];
        else document.documentElement.dataset['theme'] = name;
      }, theme);
      await (theme === 'paper' ? expectAccessible(page) : expectContrast(page));
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(wide).toBeLessThanOrEqual(0);
    }
  });
}

test('two fingers zoom the strip, and what is between them stays there', async ({ browser, baseURL }) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    ...(baseURL !== undefined && { baseURL }),
  });
  const page = await context.newPage();
  await page.goto('/jobs/sorrel-fork-hatchery/courses');
  const strip = page.getByRole('group', { name: /^Unrolled walls/ });
  const width = () =>
    strip
      .locator('svg')
      .first()
      .evaluate((svg) => svg.getBoundingClientRect().width);
  const before = await width();
  const devtools = await context.newCDPSession(page);
  const touch = (
    type: 'touchStart' | 'touchMove' | 'touchEnd',
    { x, y }: { readonly x: number; readonly y: number },
    apart: number,
  ) =>
    devtools.send('Input.dispatchTouchEvent', {
      type,
      touchPoints:
        type === 'touchEnd'
          ? []
          : [
              { x: x - apart, y, id: 0 },
              { x: x + apart, y, id: 1 },
            ],
    });
  // What listens to fingers comes a moment after the walls, and notices above them move them.
  await expect(async () => {
    await strip.evaluate((element) => {
      element.scrollIntoView({ block: 'center' });
    });
    const box = await strip.boundingBox();
    if (!box) throw new Error('the strip is drawn');
    const middle = { x: box.x + box.width / 2, y: box.y + 60 };
    await touch('touchStart', middle, 30);
    for (const apart of [40, 50, 60]) await touch('touchMove', middle, apart);
    await touch('touchEnd', middle, 0);
    expect(await width()).toBeGreaterThan(before * 1.4);
  }).toPass();
  // The page itself has not been zoomed, nor does it scroll sideways.
  expect(await page.evaluate(() => [visualViewport?.scale, document.documentElement.scrollWidth])).toEqual([
    1, 390,
  ]);
  await context.close();
});

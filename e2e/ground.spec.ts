import {
  demoCopy,
  expect,
  expectAccessible,
  noticeOf,
  openNewJob,
  saved,
  test,
  typeWalls,
} from './support/page';

test('a hall in two pours: the slab between them is what the second is braced from', async ({ page }) => {
  await openNewJob(page, 'Two pours');
  await typeWalls(page, ['40ft', '28ft', '40ft', '28ft']);
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await page.getByLabel('Number of courses').fill('9');
  await page.getByRole('button', { name: 'Several pours' }).click();
  await page.getByText('Ground after:').first().click();
  await page.getByLabel('Ground outside after Pour 1', { exact: true }).fill('3ft');
  await page.getByLabel('Ground inside after Pour 1', { exact: true }).fill('16in');
  await page.getByLabel('Ground inside after Pour 1: what with').selectOption('slab');
  await page.getByLabel('A wall whose ground differs after Pour 1').selectOption({ label: 'B–C' });
  await page.getByLabel('Ground outside of B–C after Pour 1', { exact: true }).fill('0in');
  await expect(page.getByText('fill outside to 3′, slab inside at 1′ 4″, 1 wall differs')).toBeVisible();
  await expectAccessible(page);
  await saved(page);
  await page.reload();
  await expect(page.getByText('fill outside to 3′, slab inside at 1′ 4″, 1 wall differs')).toBeVisible();
  await page.getByRole('button', { name: /Bracing$/ }).click();
  await expect(page.getByText('above the footing').first()).toBeVisible();
  await page.getByText('Pour 2', { exact: true }).click();
  await expect(page.getByText('above the slab').first()).toBeVisible();
  await expectAccessible(page);
});

test('a bare number far out of the usual is asked back with both readings, and the answer is kept', async ({
  page,
}) => {
  await page.goto(`${await demoCopy(page, 'Asked back')}/openings`);
  const width = page.getByLabel('New opening: width');
  await width.fill('36');
  await expect(page.getByText('36 has no unit')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: '3′', exact: true }).click();
  await expect(width).toHaveValue('3′');
  await expect(page.getByText('has no unit')).toHaveCount(0);
  // Left unanswered, it stays asked; typed otherwise, it is not.
  await width.fill('40');
  await width.blur();
  await expect(page.getByText('40 has no unit')).toBeVisible();
  await width.fill('40in');
  await expect(page.getByText('has no unit')).toHaveCount(0);
});

test('an inside wall that stops short is told, and one press makes it fit', async ({ page }) => {
  const origin = new URL(test.info().project.use.baseURL ?? '').origin;
  const walk = (lengths: readonly string[]) => lengths.map((length) => ({ length, turn: 'right 90' }));
  const answer = await page.request.post('/api/jobs', {
    headers: { Origin: origin },
    data: {
      plan: {
        format: 'ombra.plan',
        version: 2,
        name: 'Parted',
        units: 'imperial',
        measuredTo: 'form',
        family: 'module-48',
        core: '8in',
        courses: 6,
        loops: [
          {
            id: 'round',
            closed: true,
            walk: walk(['40ft', '28ft', '40ft', '28ft']).map((row, index) => ({
              id: `w${String(index + 1)}`,
              ...row,
            })),
          },
          {
            id: 'inner',
            closed: false,
            tee: { start: { wall: 'w1', at: '200in' }, end: { wall: 'w3' } },
            walk: [{ id: 'inside', length: '5ft', turn: 'right 90' }],
          },
        ],
      },
    },
  });
  const { job } = (await answer.json()) as { job: { id: string } };
  await page.goto(`/jobs/${job.id}/outline`);
  await expect(noticeOf(page, 'tee-off')).toContainText('short of C–D');
  await noticeOf(page, 'tee-off').getByRole('button', { name: 'Make it 25′ 10″' }).click();
  await expect(noticeOf(page, 'tee-off')).toHaveCount(0);
});

test('a gable: slope points on a wall, cut line on the strip, an edge above the foam in the order', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Gable');
  await page.goto(`${path}/courses`);
  await page
    .getByRole('complementary', { name: 'Walls and notices' })
    .getByRole('button', { name: /^B–C/ })
    .click();
  await page.keyboard.press('w');
  await page.getByLabel('Slope along B–C').selectOption('cut');
  await expect(page.locator('[data-layer="rake"]').first()).toBeAttached();
  await page.getByLabel('slope point 2: height there').fill('6 courses');
  await saved(page);
  await page.goto(`${path}/pour`);
  await page.getByRole('tab', { name: 'Topping off' }).click();
  await page.getByLabel('Exposed edge of all walls: concrete above the foam').fill('6in');
  await expect(page.getByText('poured last and counted in the order')).toBeVisible();
  await page.getByRole('tab', { name: 'Order and trucks' }).click();
  await expect(page.getByText('Exposed edge of A–B').first()).toBeVisible();
  await expectAccessible(page);
});

test('the kennel is filled hole by hole, and its ledger lies on the ground with its holes marked', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('region', { name: 'Examples' }).getByRole('button', { name: 'Kennel' }).click();
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await page.getByRole('button', { name: /Pour$/ }).click();
  await expect(page.getByText(/access holes, each with its plug/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Sheets to print' }).click();
  await page.getByRole('menuitem', { name: 'Ledgers, hangers, pockets' }).click();
  await expect(page.getByRole('img', { name: /Loft ledger laid out: 3 boards/ })).toBeVisible();
  await expect(page.getByText('toward corner C', { exact: true })).toBeVisible();
  await expectAccessible(page);
});

test('a wall is parted on its card where its core changes: flush as chosen, and told', async ({ page }) => {
  const path = await demoCopy(page, 'Two cores');
  await page.goto(`${path}/courses`);
  const aside = page.getByRole('complementary', { name: 'Walls and notices' });
  await aside.getByRole('button', { name: /^A–B/ }).first().click();
  await page.keyboard.press('w');
  const card = page.getByRole('region', { name: 'Wall A–B' });
  await card.getByLabel('Core changes, how far from A').fill('99ft');
  await card.getByRole('button', { name: 'Change core there' }).click();
  await expect(card.getByText('The wall ends before that.')).toBeVisible();
  await card.getByLabel('Core changes, how far from A').fill('20ft');
  await card.getByLabel('Core from there on').selectOption({ label: '10″' });
  await card.getByRole('button', { name: 'Change core there' }).click();
  await saved(page);
  await page.goto(`${path}/outline`);
  await expect(page.getByLabel('Turn after A–B', { exact: true })).toHaveValue('straight on');
  await expect(noticeOf(page, 'core-change')).toContainText('in one line');
  // The card was left open, and is open on the wall that is chosen.
  await page.goto(`${path}/courses`);
  await aside.getByRole('button', { name: /^B–C/ }).first().click();
  await page.getByLabel('Flush with A–B').selectOption('inside');
  await saved(page);
  await expectAccessible(page);
});

test('a threshold says whose truck brings its concrete, and lies on the footing where no wall is left', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Thresholds on footing');
  await page.goto(`${path}/openings`);
  await page.getByRole('button', { name: 'Roll-up door' }).first().click();
  await expect(page.getByText(/with the slab’s own truck/)).toBeVisible();
  await page.getByLabel('Slab concrete over the threshold of Roll-up door comes').selectOption('wall');
  await expect(page.getByText(/ordered with the wall/)).toBeVisible();
  await saved(page);
  await page.goto(`${path}/pour`);
  await page.getByRole('tab', { name: 'Order and trucks' }).click();
  await expect(page.getByText('Slab over the threshold of Roll-up door').first()).toBeVisible();
});

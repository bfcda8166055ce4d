import { expect, expectAccessible, openNewJob, saved, test, typeWalls, noticeOf } from './support/page';

test('a rectangle of one’s own, from the keyboard alone', async ({ page }) => {
  await openNewJob(page, 'Thistle Ridge shop');
  await expect(noticeOf(page, 'nothing-walked')).toBeVisible();
  await typeWalls(page, ['40', `28' 0"`]);
  await expect(page.getByText('= 28′ · 8534 mm')).toBeVisible();
  await expect(page.getByText(/its turns add up to 180° right/)).toBeVisible();
  await page.getByRole('button', { name: 'Close it: 40′, right 90°; 28′, right 90°' }).click();
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Courses', exact: true }).click();
  // Source: common practice, the reference rectangle of 40 by 28 ft.
  await expect(page.getByRole('row', { name: 'Show course 1' })).toContainText('26440');
  await expect(page.getByRole('row', { name: /^all/ })).toContainText('156241212');
  await expect(page.getByRole('row', { name: /^all/ })).toContainText('26.01');
});

test('what can be read in two ways is asked back; a half-typed row is kept', async ({ page }) => {
  const id = await openNewJob(page, 'Two readings');
  await typeWalls(page, ['5-1/2']);
  await expect(page.getByRole('button', { name: '5 1/2″' }).first()).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Length of A–B')).toHaveValue('5-1/2');
  await page.getByRole('button', { name: '5′ 1/2″' }).first().click();
  await expect(page.getByLabel('Length of A–B')).toHaveValue('5′ 1/2″');
  await saved(page);
  const plan = (await (await page.request.get(`/api/jobs/${id}/plan.json`)).json()) as {
    outline: { walk: { length: string }[] };
  };
  expect(plan.outline.walk[0]?.length).toBe('5ft 1/2in');
});

test('a walk that misses home says by how much and offers the length that would close it', async ({
  page,
}) => {
  await openNewJob(page, 'Gap');
  await typeWalls(page, ['40', '28', '39', '28']);
  await expect(page.getByText('Misses A by 1′', { exact: false }).first()).toBeVisible();
  await expect(noticeOf(page, 'gap').getByText('1′ to the left on the plan')).toBeVisible();
  await page.getByRole('button', { name: 'Make C–D 40′' }).click();
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Misses A by 1′', { exact: false }).first()).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
});

test('undo takes a typed length as one step, also from within the field', async ({ page }) => {
  await openNewJob(page, 'Undo');
  await typeWalls(page, ['40', '28', '40', '28']);
  const field = page.getByLabel('Length of A–B');
  await field.fill('');
  await field.pressSequentially('41ft 6in');
  await expect(page.getByText('Misses A by 1′ 6″').first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(field).toHaveValue('40′');
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
});

test('measuring to another face changes the form’s lengths, and says so beside each', async ({ page }) => {
  await openNewJob(page, 'Faces');
  await typeWalls(page, ['40', '28', '40', '28']);
  await page.getByText('Concrete', { exact: true }).click();
  await expect(page.getByText('lengths to outside of concrete').first()).toBeVisible();
  await expect(page.getByText('form face 40′ 5″').first()).toBeVisible();
  await page.getByText('Center line', { exact: true }).click();
  await expect(page.getByText('form face 41′ 1″').first()).toBeVisible();
});

test('switching to millimetres shows the same lengths otherwise and loses nothing', async ({ page }) => {
  const id = await openNewJob(page, 'Units');
  await typeWalls(page, ['40', `28' 1/64"`, '40', `28' 1/64"`]);
  await page.getByText('mm', { exact: true }).click();
  await expect(page.getByLabel('Length of A–B')).toHaveValue('12192 mm');
  // Visiting a field without typing writes nothing, rounded though it is shown.
  await page.getByLabel('Length of B–C').focus();
  await page.getByLabel('Length of C–D').focus();
  await page.getByText('ft-in', { exact: true }).click();
  await saved(page);
  const plan = (await (await page.request.get(`/api/jobs/${id}/plan.json`)).json()) as {
    outline: { walk: { length: string }[] };
  };
  expect(plan.outline.walk.map((row) => row.length)).toEqual(['40ft', '28ft 1/64in', '40ft', '28ft 1/64in']);
  await page.getByText('mm', { exact: true }).click();
  await page.getByRole('button', { name: 'Courses', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'm³' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Walls, form face/ })).toBeVisible();
});

test('turns change side at a press, and any other angle may be typed', async ({ page }) => {
  await openNewJob(page, 'Turns');
  await typeWalls(page, ['44', '20', '16', '12', '28', '32']);
  await expect(page.getByText('Comes home')).toBeHidden();
  await page.getByRole('button', { name: 'Turn after C–D: change to left' }).click();
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await page.getByLabel('Turn after A–B', { exact: true }).fill('right 45');
  await expect(page.getByText(/its turns add up to 315° right/)).toBeVisible();
  await page.getByLabel('Turn after A–B', { exact: true }).fill('righ');
  await expect(page.getByText(/“righ” cannot be read as a turn/)).toBeVisible();
});

test('walls too short, crossing walls and odd courses stop with a sentence, and nothing is lost', async ({
  page,
}) => {
  await openNewJob(page, 'Broken on purpose');
  await typeWalls(page, ['26', `5' 3"`, '26', `5' 3"`]);
  await expect(noticeOf(page, 'too-short-for-corners')).toBeVisible();
  await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('button', { name: /^Courses/ })
    .click();
  await expect(page.getByRole('heading', { name: 'No courses yet' })).toBeVisible();
  await page.getByRole('button', { name: /^Outline/ }).click();
  await page.getByLabel('Number of courses').fill('0');
  await expect(noticeOf(page, 'courses-out-of-range').getByText(/from 1 to 60/)).toBeVisible();
  await page.getByLabel('Length of A–B').fill('0');
  await expect(noticeOf(page, 'length-not-positive')).toBeVisible();
  await page.getByLabel('Length of A–B').fill('1001 m');
  await expect(noticeOf(page, 'length-too-long')).toBeVisible();
  await page.getByLabel('Length of A–B').fill('a mile');
  await expect(page.getByText('“a mile” cannot be read as a length.', { exact: false })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Length of A–B')).toHaveValue('a mile');
});

test('the figures of the outline open to their why too', async ({ page }) => {
  await page.goto('/jobs/sorrel-fork-hatchery/outline');
  await page.getByRole('button', { name: 'Plan area of the core 98.44 ft²' }).click();
  const card = page.getByRole('region', { name: 'Why: Plan area of the core' });
  await expect(card).toContainText('core 8″ × centre line 147′ 8″ = 98.44 ft²');
  await card.getByRole('button', { name: /^centre line/ }).click();
  await expect(card).toContainText('form faces 152′ − what square corners take 4′ 4″ = 147′ 8″');
  await page.keyboard.press('Escape');
  await expect(card).toBeHidden();
});

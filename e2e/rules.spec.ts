import {
  expect,
  expectAccessible,
  openNewJob,
  saved,
  test,
  typeWalls,
  flatHatchery,
  openNoticesOf,
  openSetting,
  noticeOf,
} from './support/page';

test('a house rule is changed, plans the wall again, and goes back to its default', async ({ page }) => {
  const id = await openNewJob(page, 'Rules');
  await typeWalls(page, ['289in', '305in', '289in', '305in']);
  const strap = noticeOf(page, 'straps');
  await openNoticesOf(page, 'Courses');
  await expect(strap).toBeVisible();
  await openSetting(page, 'House rules');
  const dialog = page.getByRole('dialog', { name: 'House rules of this job' });
  await expectAccessible(page);
  const ear = dialog.getByLabel(/^Value of: The foam past the last web/);
  await ear.fill('a thumb');
  await expect(dialog.getByText('Write a length like', { exact: false })).toBeVisible();
  await ear.fill('200in');
  await expect(dialog.getByText('From 0″ to 96″.')).toBeVisible();
  await ear.fill('9in');
  await dialog.getByLabel(/^Value of: Across a joint/).fill('330 mm');
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(strap).toBeHidden();
  await saved(page);
  const plan = (await (await page.request.get(`/api/jobs/${id}/plan.json`)).json()) as { rules: unknown };
  expect(plan.rules).toEqual({ 'courses.ear.longest': '9in', 'courses.webToWeb.longest': '330mm' });
  await page.reload();
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await page.keyboard.press('r');
  await dialog
    .getByRole('button', { name: /Use the default again/i })
    .first()
    .click();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await openNoticesOf(page, 'Courses');
  await expect(strap).toBeVisible();
});

test('both schools of the corner lead are a rule away', async ({ page }) => {
  await page.goto(`${await flatHatchery(page)}/courses`);
  await expect(page.getByRole('row', { name: 'Show course 1' })).toContainText('26651');
  await page.keyboard.press('r');
  await page.getByLabel(/^Value of: In the first course/).selectOption('ending-wall');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('row', { name: 'Show course 1' })).toContainText('26615');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('row', { name: 'Show course 1' })).toContainText('26651');
  await saved(page);
});

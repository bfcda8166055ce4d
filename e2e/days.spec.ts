import { demoCopy, expect, expectAccessible, saved, test } from './support/page';

test('the days follow from the plan: a first day, people of a day, the strip filling up, a calendar file', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Days ahead');
  await page.goto(`${path}/courses`);
  await expect(page.getByRole('region', { name: 'Tally' })).toBeVisible();
  await page.keyboard.press('8');
  await expect(page).toHaveURL(/\/days$/);
  await expect(page.getByRole('img', { name: /^Time line of \d+ items/ })).toBeVisible();
  await page.getByLabel('First day').fill('');
  await expect(page.getByText('Enter the first day to plan by the calendar.')).toBeVisible();
  await saved(page);
  const refused = await page.request.get(`/api${path}/days.ics`);
  expect(refused.status()).toBe(409);

  await page.getByLabel('First day').fill('2027-03-01');
  await expect(page.getByText('Mon Mar 1').first()).toBeVisible();
  const hidden = page.locator('[data-layer="laid"] rect');
  await expect(hidden).toHaveCount(0);
  await page.getByLabel('Moment at which the wall is shown').fill('0');
  await expect.poll(() => hidden.count()).toBeGreaterThan(10);

  await page.getByRole('tab', { name: 'Day by day' }).click();
  const day = page.getByRole('region', { name: 'Mon Mar 1', exact: true });
  await day.getByRole('button', { name: /^Work of Chalk and square/ }).click();
  await expect(page.getByText('work a length').first()).toBeVisible();
  await day.getByLabel('people').fill('9');
  await saved(page);
  // Three man-hours by nine.
  await expect(day.getByRole('row', { name: /^Strip the footing forms/ })).toContainText('07:20');
  await expectAccessible(page);

  const file = await page.request.get(`/api${path}/days.ics`);
  expect(file.headers()['content-type']).toContain('text/calendar');
  expect(await file.text()).toContain('DTSTART:20270301T070000');
  await page.reload();
  await page.getByRole('tab', { name: 'Day by day' }).click();
  await expect(page.getByRole('region', { name: 'Mon Mar 1', exact: true }).getByLabel('people')).toHaveValue(
    '9',
  );
});

import { demoCopy, expect, expectAccessible, flatHatchery, saved, test, noticeOf } from './support/page';

test('the steel follows what the drawings say, and is kept', async ({ page }) => {
  const job = await flatHatchery(page);
  await page.goto(`${job}/courses`);
  await expect(page.getByRole('table', { name: 'Tally by course' })).toBeVisible();
  await page.keyboard.press('5');
  await expect(page).toHaveURL(/\/steel$/);
  await expect(page.locator('[data-layer="steel"]')).toHaveCount(1);
  const verticals = page.getByRole('region', { name: 'Verticals and dowels' });
  const totals = page.getByText(/of #5/);
  const before = await totals.textContent();
  await verticals.getByLabel('Spacing', { exact: true }).fill('48in');
  await verticals.getByLabel('Spacing', { exact: true }).blur();
  await expect(totals).not.toHaveText(before ?? '');
  await page.getByRole('region', { name: 'Horizontals' }).getByLabel('Courses').selectOption('third');
  await expectAccessible(page);

  // Soil asks what holds the top; the answer moves the bars inside.
  await page
    .getByRole('region', { name: 'Horizontals' })
    .getByLabel('Slots', { exact: true })
    .selectOption('tension');
  await page.getByLabel('Soil on A–B, above its footing').fill('6ft');
  await expect(page.getByText(/is its top held by a floor/)).toBeVisible();
  await page.getByRole('button', { name: 'Held at the top' }).click();
  await expect(page.getByText(/is its top held by a floor/)).toHaveCount(0);
  await expect(page.getByLabel('What holds the top of A–B')).toHaveValue('top');

  // Bad input is said and changes nothing.
  await verticals.getByLabel('Spacing', { exact: true }).fill('0');
  await expect(page.getByText('From 4″ to 120″.')).toBeVisible();
  await verticals.getByLabel('Spacing', { exact: true }).blur();
  await expect(verticals.getByLabel('Spacing', { exact: true })).toHaveValue('48″');
  await saved(page);
  await page.reload();
  await expect(verticals.getByLabel('Spacing', { exact: true })).toHaveValue('48″');
});

test('a zone has rules of its own, and a lesser bar is told', async ({ page }) => {
  const job = await demoCopy(page, 'Zones');
  await page.goto(`${job}/steel`);
  const zones = page.getByRole('region', { name: 'Zones' });
  await expect(zones.getByLabel('Name of the zone')).toHaveValue('Open side');
  await zones.getByRole('button', { name: 'Zone', exact: true }).click();
  await zones.getByLabel('Name of the zone').nth(1).fill('Low');
  await zones.getByLabel('What differs in the Low').selectOption({ label: 'Size' });
  await zones.getByRole('combobox', { name: 'Horizontals: Size', exact: true }).selectOption('10M');
  await expect(noticeOf(page, 'steel-less-steel').getByText(/10M instead of #4/)).toBeVisible();
  await zones.getByRole('button', { name: 'Remove the Low' }).click();
  await expect(page.getByText(/10M in place of #4/)).toHaveCount(0);
});

test('all sizes change at once, and a lintel has rules of its own; both are kept and taken back', async ({
  page,
}) => {
  const job = await demoCopy(page, 'Lintels');
  await page.goto(`${job}/steel`);
  const openings = page.getByRole('region', { name: 'Openings', exact: true });
  await page.getByRole('button', { name: 'Canadian (10M to 20M)' }).click();
  await expect(openings.getByLabel('Bottom bar size', { exact: true })).toHaveValue('15M');
  await page.keyboard.press('Control+z');
  await expect(openings.getByLabel('Bottom bar size', { exact: true })).toHaveValue('#5');

  const lintels = page.getByRole('region', { name: 'Lintels', exact: true });
  await lintels.getByLabel('Opening whose lintel differs').selectOption({ index: 1 });
  const differs = lintels.getByLabel(/^What differs in the lintel over/);
  await differs.selectOption({ label: 'Lintel bottom bars' });
  await lintels.getByLabel('Lintel bottom bars', { exact: true }).fill('3');
  await lintels.getByLabel('Lintel bottom bars', { exact: true }).blur();
  await expectAccessible(page);
  await saved(page);
  await page.reload();
  await expect(lintels.getByLabel('Lintel bottom bars', { exact: true })).toHaveValue('3');
  await expect(openings.getByLabel('Lintel bottom bars', { exact: true })).toHaveValue('2');
  await lintels.getByRole('button', { name: /^The job’s lintel over/ }).click();
  await expect(lintels.getByLabel('Lintel bottom bars', { exact: true })).toHaveCount(0);
});

test('bars are seen by course, in the schedule and as stock; every mass opens its why', async ({ page }) => {
  const job = await demoCopy(page, 'Bars');
  await page.goto(`${job}/steel`);
  await expect(page.locator('[data-layer="steel"]')).toHaveCount(1);
  await page.keyboard.press('.');
  await page.keyboard.press('.');
  await expect(page.getByRole('tab', { name: 'By course' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('img', { name: /^Section of wall A–B/ })).toBeVisible();
  // What is drawn thick is said in words too, and a depth is in inches like the cover beside it.
  await expect(page.getByText('soil puts the inside face in tension, drawn thick')).toBeVisible();
  await expect(page.getByLabel('Bending by the soil')).toContainText(/\d″ from the compressed face/);
  await expect(page.getByRole('row', { name: /^with the footing/ })).toContainText('dowel');
  await page.getByRole('tab', { name: 'Bending schedule' }).click();
  const mark = page.getByRole('button', { name: 'C1', exact: true });
  await mark.click();
  await expect(mark).toHaveAttribute('aria-pressed', 'true');
  const csv = await page.request.get(`/api${job}/bending.csv`);
  expect(await csv.text()).toMatch(
    /^\ufeffMark,Use,Size,Shape by BS 8666,A \(in\),B \(in\),C \(in\),Bends in degrees,Cut length \(in\),Bars,Weight \(lb\)\nH1,horizontal,#4,00,240,,,,240,\d+,/,
  );
  await expectAccessible(page);
  await page.getByRole('tab', { name: 'Stock and mass' }).click();
  await page.getByRole('button', { name: /^All steel/ }).click();
  await expect(page.getByRole('region', { name: /^Why: Steel of the job/ })).toContainText('#5');
  await expectAccessible(page);
});

test('a wall takes its verticals from the table that was pasted, and says where no row covers it', async ({
  page,
}) => {
  const job = await flatHatchery(page);
  await page.goto(`${job}/steel`);
  await page.getByLabel('Soil on A–B, above its footing').fill('6ft');
  await page.getByLabel('What holds the top of A–B').selectOption('top');
  await page.getByRole('tab', { name: 'Code table' }).click();
  const box = page.getByLabel('A whole table: wall height, backfill, soil, size, spacing');
  await box.fill('wall height, backfill, soil, size, spacing\n10ft, 7ft, 45, #77, 16in');
  await page.getByRole('button', { name: 'Use these' }).click();
  await expect(page.getByText('Row 2: “#77” is no size of bar')).toBeVisible();
  await box.fill('wall height, backfill, soil, size, spacing\n12ft, 7ft, 45, #6, 16in');
  await page.getByRole('button', { name: 'Use these' }).click();
  await expect(page.getByRole('row', { name: /^1 .*A–B/ })).toBeVisible();
  await expect(page.getByText(/of #6/)).toBeVisible();
  await expectAccessible(page);

  // Soil higher than any row: no row, and the engineer is to be asked.
  await page.getByRole('tab', { name: 'Bar spec' }).click();
  await page.getByLabel('Soil on A–B, above its footing').fill('9ft');
  await expect(page.getByText(/The code table has no row for a wall of/)).toBeVisible();
  await page.getByRole('tab', { name: 'Code table' }).click();
  await saved(page);
  const csv = await page.request.get(`/api${job}/reinforcement.csv`);
  expect(csv.headers()['content-type']).toContain('text/csv');
  expect(await csv.text()).toContain('144,84,45,#6,16');
  await page.getByRole('button', { name: 'Remove the table' }).click();
  await expect(page.getByText(/The code table has no row/)).toHaveCount(0);
});

test('a course is seen from above with its bars; cut lists by pour and by course; the fewest bars are proved', async ({
  page,
}) => {
  const job = await demoCopy(page, 'From above');
  await page.goto(`${job}/steel`);
  await page.getByRole('tab', { name: 'By course' }).click();
  // A–B stands on a step: its lowest course is the second.
  await expect(page.getByLabel('Course from above')).toHaveValue('2');
  await expect(page.locator('[data-layer="bars"]').first()).toBeVisible();
  await page.getByLabel('Course from above').selectOption('7');
  await expect(page.getByRole('img', { name: /^Course 7, wall A–B from above/ }).first()).toBeVisible();
  await page.getByRole('tab', { name: 'Stock and mass' }).click();
  await expect(page.getByText('Every size is proved: no cutting plan takes fewer bars.')).toBeVisible();
  const when = page.getByRole('region', { name: 'What to cut when' });
  await expect(when.getByRole('heading', { name: 'for the footing' })).toBeVisible();
  await when.getByText('by course').click();
  await expect(when.getByRole('heading', { name: 'after course 7' })).toBeVisible();
});

test('the steel goes on paper with its stock as it is ordered', async ({ page }) => {
  const job = await demoCopy(page, 'Steel sheet');
  await page.goto(`${job}/steel`);
  await page.getByRole('tab', { name: 'Stock and mass' }).click();
  await expect(page.getByText('Every size is proved: no cutting plan takes fewer bars.')).toBeVisible();
  const heading = await page.getByRole('heading', { name: /^#5: \d+ of 20/ }).textContent();
  await page.keyboard.press('p');
  await expect(page).toHaveURL(/\/sheets\/steel$/);
  await expect(page.getByRole('heading', { name: /^Bending schedule/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Stock' })).toContainText(heading ?? 'nothing');
  await expect(page.getByRole('region', { name: 'Dowels' })).toContainText('from A on the outside face');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Order list' }).click();
  await expect(page.getByRole('row', { name: /Bars #5/ })).toContainText('least for all cuts, proved');
});

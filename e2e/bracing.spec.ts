import { demoCopy, expect, expectAccessible, flatHatchery, saved, test, noticeOf } from './support/page';

test('braces follow the planks on hand, the side and the ground; all of it is kept', async ({ page }) => {
  const job = await flatHatchery(page);
  await page.goto(`${job}/courses`);
  await expect(page.getByRole('table', { name: 'Tally by course' })).toBeVisible();
  await page.keyboard.press('6');
  await expect(page).toHaveURL(/\/bracing$/);
  await expect(page.locator('[data-layer="bracing"]')).toHaveCount(1);
  await expect(page.locator('[data-layer="brace-ticks"]')).toHaveCount(1);
  await expectAccessible(page);

  // Only planks of 12 ft: 5 ft 4 in on strips 8 in apart.
  await page.keyboard.press('.');
  const planks = page.getByRole('region', { name: 'Planks on hand' });
  for (let left = 4; left > 1; left--) await planks.getByLabel('Remove plank 1').click();
  await planks.getByLabel('Length of plank 1').fill('12ft');
  await planks.getByLabel('Length of plank 1').blur();
  await expect(page.getByText(/up to 5′ 4″ apart/)).toBeVisible();
  await planks.getByLabel('How many of plank 1').fill('2');
  await expect(noticeOf(page, 'bracing-gear-short').getByText(/2 on hand/)).toBeVisible();
  await planks.getByLabel('Length of plank 1').fill('17in');
  await planks.getByLabel('Length of plank 1').blur();
  await expect(page.getByText(/No plank on hand spans whole bays/)).toBeVisible();
  await planks.getByLabel('Length of plank 1').fill('12ft');
  await planks.getByLabel('How many of plank 1').fill('');
  await page.getByLabel('On hand: Turnbuckle legs, set near mid-travel').fill('2');
  await expect(page.getByRole('row', { name: /Turnbuckle legs.*short/ })).toBeVisible();
  await page.getByRole('button', { name: /^Turnbuckle legs.* \d+$/ }).click();
  await expect(page.getByRole('region', { name: /^Why: Turnbuckle legs/ })).toContainText('on A–B');
  await expectAccessible(page);

  // Loose ground inside: the wall is braced outside, and the walkway breaks at its corners.
  await page.getByRole('tab', { name: 'Braces' }).click();
  await page.getByLabel('Ground inside').selectOption('loose');
  await expect(page.getByText(/Braced outside: the ground inside is too loose/)).toBeVisible();
  await expect(noticeOf(page, 'bracing-walkway-gap')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Ground inside')).toHaveValue('loose');
});

test('the wind is asked for, and presses on the freest wall first', async ({ page }) => {
  const job = await demoCopy(page, 'Windy');
  await page.goto(`${job}/bracing`);
  await page.getByRole('tab', { name: 'Wind tonight' }).click();
  const field = page.getByLabel('Wind the empty walls must take, mph');
  await expect(field).toHaveValue('25');
  await expect(page.getByText('1.60 lb/ft²')).toBeVisible();
  await page.getByRole('button', { name: 'Ask the weather' }).click();
  await expect(page.getByText('Simulated weather.')).toBeVisible();
  const night = page.getByRole('button', { name: /gusts of/ }).first();
  const gust = /gusts of (\d+)/.exec((await night.textContent()) ?? '')?.[1] ?? '';
  await night.click();
  await expect(field).toHaveValue(gust);
  await field.fill('');
  await expect(page.getByRole('table')).toHaveCount(0);
  // Not a number, or absurd: nothing is taken.
  await field.fill('999');
  await expect(field).not.toHaveValue('999');
  await expectAccessible(page);
});

test('readings of the string say what to turn; the brace plan is one page', async ({ page }) => {
  const job = await demoCopy(page, 'Straight');
  await page.goto(`${job}/bracing`);
  await page.getByRole('tab', { name: 'String lines' }).click();
  await page.getByLabel('Brace 1, before the pour').fill('3/4in');
  await page.getByLabel('Brace 2, before the pour').fill('1 1/4in');
  await page.getByLabel('Brace 2, before the pour').blur();
  await expect(page.getByText(/1\/2″ toward the braces; turn longer by/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Line of A–B, exaggerated/ })).toBeVisible();
  await expectAccessible(page);
  await saved(page);
  await page.reload();
  await expect(page.getByText(/1\/2″ toward the braces; turn longer by/)).toBeVisible();
  await page.keyboard.press('p');
  await expect(page).toHaveURL(/\/sheets\/bracing$/);
  await expect(page.getByRole('region', { name: 'Gear' })).toContainText('Turnbuckle legs');
  await expectAccessible(page);
  const pdf = await page.pdf({
    format: 'Letter',
    margin: { top: '12mm', bottom: '12mm', left: '12mm', right: '12mm' },
  });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
});

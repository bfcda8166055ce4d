import { expect, expectAccessible, test, flatHatchery } from './support/page';

test('the courses sheet has its own address and prints on few pages without the screen’s furniture', async ({
  page,
}) => {
  await page.goto(`${await flatHatchery(page)}/courses`);
  await expect(page.getByRole('table', { name: 'Tally by course' })).toBeVisible();
  await page.keyboard.press('p');
  await expect(page).toHaveURL(/\/sheets\/courses$/);
  await expect(page.getByRole('heading', { name: 'Flat hatchery: courses' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Wall .* in elevation$/ })).toHaveCount(6);
  await expect(page.getByText('A plan to check, not a design')).toBeVisible();
  await expectAccessible(page);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print', exact: true })).toBeHidden();
  const pdf = await page.pdf({
    format: 'Letter',
    margin: { top: '0.5in', bottom: '0.5in', left: '0.5in', right: '0.5in' },
  });
  const pages = pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
  expect(pages).toBeGreaterThan(0);
  expect(pages).toBeLessThanOrEqual(2);
});

test('the print button prints', async ({ page }) => {
  await page.addInitScript(() => {
    window.print = () => {
      document.title = 'printed';
    };
  });
  await page.goto('/jobs/sorrel-fork-hatchery/sheets/courses');
  await page.getByRole('button', { name: 'Print', exact: true }).click();
  await expect(page).toHaveTitle('printed');
});

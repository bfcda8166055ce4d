import { expect, openNewJob, test } from './support/page';

const origin = (): string => new URL(test.info().project.use.baseURL ?? '').origin;

test('a removed job comes back from the bin, also after a reload', async ({ page }) => {
  await openNewJob(page, 'Boat shed of old');
  await page.goto('/');
  await page.getByRole('button', { name: 'Remove Boat shed of old' }).click();
  await expect(page.getByRole('button', { name: 'Bring Boat shed of old back' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('link', { name: 'Boat shed of old' })).toBeHidden();
  await page.getByRole('button', { name: /^Bin/ }).click();
  await page
    .getByRole('region', { name: 'Bin' })
    .getByRole('button', { name: 'Bring Boat shed of old back' })
    .click();
  await expect(page.getByRole('link', { name: 'Boat shed of old' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('link', { name: 'Boat shed of old' })).toBeVisible();
});

test('all jobs are listed, a page at a time, and found by a part of their name', async ({ page }) => {
  for (let index = 0; index < 105; index++) {
    const name = `Kennel ${String(index)}`;
    await page.request.post('/api/jobs', { headers: { Origin: origin() }, data: { name } });
  }
  await page.goto('/');
  const links = page.getByRole('list', { name: 'Jobs' }).getByRole('link');
  await expect(links).toHaveCount(100);
  // Alive, not only drawn.
  await expect(page.getByRole('button', { name: 'New job', exact: true })).toBeEnabled();
  // Made elsewhere meanwhile: all jobs slide one on, the last one of this page onto the next.
  await page.request.post('/api/jobs', { headers: { Origin: origin() }, data: { name: 'Aviary' } });
  await page.getByRole('button', { name: 'Show more' }).click();
  await expect.poll(() => links.count()).toBeGreaterThan(104);
  const paths = await links.evaluateAll((all) => all.map((link) => link.getAttribute('href')));
  expect(new Set(paths).size).toBe(paths.length);
  await page.getByLabel('Search jobs').fill('kenNEL 10');
  // 10 and 100 to 104.
  await expect(links).toHaveCount(6);
  await expect(page.getByText('6 jobs')).toBeVisible();
  await page.getByLabel('Search jobs').fill('no such kennel');
  await expect(page.getByText('No job with this name.')).toBeVisible();
});

test('a press before the page’s script has come is not lost', async ({ page }) => {
  let letGo: () => void = () => undefined;
  const held = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  await page.route(/\.js$/, async (route) => {
    await held;
    await route.continue();
  });
  await page.goto('/', { waitUntil: 'commit' });
  const kennel = page.getByRole('region', { name: 'Examples' }).getByRole('button', { name: 'Kennel' });
  await expect(kennel).toBeDisabled();
  const pressed = kennel.click();
  letGo();
  await pressed;
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
});

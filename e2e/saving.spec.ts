import type { Browser, Page } from '@playwright/test';
import { expect, openNewJob, saved, test, typeWalls } from './support/page';

const rename = (page: Page, name: string): Promise<void> =>
  page.getByLabel('Job', { exact: true }).fill(name);
const storedName = async (page: Page, id: string): Promise<string> => {
  const answer = (await (await page.request.get(`/api/jobs/${id}`)).json()) as { job: { name: string } };
  return answer.job.name;
};

test('edits are saved by themselves and come back after a reload', async ({ page }) => {
  await openNewJob(page, 'Autosave');
  await typeWalls(page, ['40', '28']);
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Length of B–C')).toHaveValue('28′');
});

test('edits made while the server is away wait in the browser, through a reload, and are sent when it is back', async ({
  page,
  watched,
}) => {
  watched.allowErrors();
  const id = await openNewJob(page, 'Away');
  await page.route('**/api/jobs/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await rename(page, 'Typed while away');
  await expect(page.getByRole('status')).toHaveText('Kept here, server offline');
  expect(await storedName(page, id)).toBe('Away');
  await page.reload();
  await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Typed while away');
  await page.unroute('**/api/jobs/*');
  await page.reload();
  await expect.poll(() => storedName(page, id)).toBe('Typed while away');
  await saved(page);
});

test('a save whose answer was lost is done once and is not taken for a stale one', async ({
  page,
  watched,
}) => {
  watched.allowErrors();
  // What stands on the server is not heard here until it is asked for.
  await page.route('**/live?*', (route) => route.abort());
  const id = await openNewJob(page, 'Lost answer');
  let lose = true;
  await page.route('**/api/jobs/*', async (route) => {
    if (route.request().method() !== 'PUT' || !lose) return route.continue();
    await route.fetch();
    lose = false;
    return route.abort();
  });
  await rename(page, 'Arrived unheard');
  await expect(page.getByRole('status')).toHaveText('Kept here, server offline');
  await rename(page, 'And then some');
  await expect.poll(() => storedName(page, id)).toBe('And then some');
  await saved(page);
  await expect(page.getByRole('dialog')).toBeHidden();
});

test.describe('two tabs on one job', () => {
  const conflict = async (page: Page): Promise<{ readonly id: string; readonly other: Page }> => {
    // What others do is not heard here until it is asked for.
    await page.route('**/live?*', (route) => route.abort());
    const id = await openNewJob(page, 'Shared');
    // In a browser of its own: tabs of one browser hear of each other at once.
    const other = await (page.context().browser() as Browser).newPage({
      baseURL: test.info().project.use.baseURL ?? '',
    });
    await other.goto(page.url());
    await expect(other.getByLabel('Job', { exact: true })).toHaveValue('Shared');
    await rename(other, 'Theirs');
    await saved(other);
    expect(await storedName(page, id)).toBe('Theirs');
    await rename(page, 'Mine');
    await expect(page.getByRole('dialog', { name: 'This job was changed elsewhere' })).toBeVisible();
    expect(await storedName(page, id)).toBe('Theirs');
    return { id, other };
  };

  test('keep mine', async ({ page, watched }) => {
    watched.allowErrors();
    const { id } = await conflict(page);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeVisible();
    await page.getByRole('button', { name: 'Keep mine' }).click();
    await saved(page);
    await expect(page.getByRole('dialog')).toBeHidden();
    expect(await storedName(page, id)).toBe('Mine');
  });

  test('take theirs', async ({ page, watched }) => {
    watched.allowErrors();
    const { id } = await conflict(page);
    await page.getByRole('button', { name: 'Take theirs' }).click();
    await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Theirs');
    await saved(page);
    expect(await storedName(page, id)).toBe('Theirs');
  });

  test('save mine as a copy', async ({ page, watched }) => {
    watched.allowErrors();
    const { id } = await conflict(page);
    await page.getByRole('button', { name: 'Save mine as a copy' }).click();
    await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Mine (copy)');
    expect(page.url()).not.toContain(id);
    expect(await storedName(page, id)).toBe('Theirs');
  });

  test('a question left open by a reload is asked again, with the edit still there', async ({
    page,
    watched,
  }) => {
    watched.allowErrors();
    await conflict(page);
    await page.reload();
    await expect(page.getByRole('dialog', { name: 'This job was changed elsewhere' })).toBeVisible();
    await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Mine');
  });

  test('a tab that was closed leaves its unsent edit to the next one', async ({ page, watched }) => {
    watched.allowErrors();
    const id = await openNewJob(page, 'Closed');
    const other = await page.context().newPage();
    await other.route('**/api/jobs/*', (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    );
    await other.goto(page.url());
    await rename(other, 'Left behind');
    await expect(other.getByRole('status')).toHaveText('Kept here, server offline');
    await other.close();
    await page.reload();
    await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Left behind');
    // It is shown at once, and sent right after.
    await expect.poll(() => storedName(page, id)).toBe('Left behind');
    await saved(page);
  });
});

test('a job removed elsewhere lets mine go or saves it as a copy', async ({ page, watched }) => {
  watched.allowErrors();
  const id = await openNewJob(page, 'Removed');
  await page.request.delete(`/api/jobs/${id}`, { headers: { Origin: new URL(page.url()).origin } });
  await rename(page, 'Too late');
  await expect(page.getByRole('dialog', { name: 'This job was removed elsewhere' })).toBeVisible();
  await page.getByRole('button', { name: 'Save mine as a copy' }).click();
  await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Too late (copy)');
});

test('removing a job can be undone', async ({ page }) => {
  await openNewJob(page, 'Here and gone');
  await page.goto('/');
  await page.getByRole('button', { name: 'Remove Here and gone' }).click();
  await page.getByRole('button', { name: 'Bring Here and gone back' }).click();
  await expect(page.getByRole('button', { name: 'Remove Here and gone' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('link', { name: 'Here and gone' })).toBeVisible();
});

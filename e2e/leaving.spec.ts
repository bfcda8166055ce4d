import type { Page } from '@playwright/test';
import { expect, openNewJob, saved, test, typeWalls, openSheet } from './support/page';

const rename = (page: Page, name: string): Promise<void> =>
  page.getByLabel('Job', { exact: true }).fill(name);

const cutOff = async (page: Page): Promise<void> => {
  await page.route('**/api/jobs/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
};

test('the back key shows the plan as it is, and the next edit asks nothing', async ({ page }) => {
  await openNewJob(page, 'Back');
  await typeWalls(page, ['40', '28']);
  await saved(page);
  await openSheet(page);
  await expect(page).toHaveURL(/sheets\/courses/);
  await page.goBack();
  await expect(page.getByLabel('Length of B–C')).toHaveValue('28′');
  await page.goto('/');
  await page.goBack();
  await expect(page.getByLabel('Length of B–C')).toHaveValue('28′');
  await rename(page, 'Back again');
  await saved(page);
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('a sheet opened in the same breath as an edit shows that edit', async ({ page }) => {
  await openNewJob(page, 'Before');
  await typeWalls(page, ['40', '28', '40', '28']);
  await saved(page);
  for (let turn = 0; turn < 4; turn++) {
    const name = `Edit ${String(turn)}`;
    await rename(page, name);
    if (turn % 2 === 0) await openSheet(page);
    else {
      await page.getByLabel('Job', { exact: true }).blur();
      await page.keyboard.press('p');
    }
    await expect(page).toHaveURL(/sheets\/courses/);
    await expect(page.getByText(name).first()).toBeVisible();
    await page.goBack();
    await expect(page.getByLabel('Job', { exact: true })).toHaveValue(name);
  }
});

test('with the server away a sheet waits, and there is a way on', async ({ page, watched }) => {
  watched.allowErrors();
  await openNewJob(page, 'Kept');
  await cutOff(page);
  await rename(page, 'Not saved yet');
  await openSheet(page);
  const dialog = page.getByRole('dialog', { name: 'Saving first' });
  await expect(dialog.getByRole('alert')).toContainText('server is offline');
  await dialog.getByRole('button', { name: 'Stay here' }).click();
  await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Not saved yet');
  await openSheet(page);
  // Connected again while it still tries, it would go on by itself.
  await expect(dialog.getByRole('alert')).toBeVisible();
  await page.unroute('**/api/jobs/*');
  await dialog.getByRole('button', { name: 'Try again' }).click();
  await expect(page).toHaveURL(/sheets\/courses/);
  await expect(page.getByText('Not saved yet').first()).toBeVisible();
});

test('another tab’s save is shown at once, and undo takes it back', async ({ page }) => {
  await openNewJob(page, 'First name');
  const other = await page.context().newPage();
  await other.goto(page.url());
  await expect(other.getByLabel('Job', { exact: true })).toHaveValue('First name');
  await rename(page, 'Second name');
  await expect(other.getByLabel('Job', { exact: true })).toHaveValue('Second name');
  await rename(other, 'Third name');
  await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Third name');
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(other.getByLabel('Job', { exact: true })).toHaveValue('Second name');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(other.getByLabel('Job', { exact: true })).toHaveValue('Third name');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('what was let go for theirs stands in the history', async ({ page, watched }) => {
  watched.allowErrors();
  const id = await openNewJob(page, 'Shared');
  const other = await page.context().newPage();
  await other.goto(page.url());
  await cutOff(page);
  await rename(page, 'Mine');
  await expect(page.getByRole('status').first()).toHaveText('Kept here, server offline');
  await rename(other, 'Theirs');
  await saved(other);
  await page.unroute('**/api/jobs/*');
  await page.getByRole('button', { name: 'Take theirs' }).click();
  await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Theirs');
  const { revisions } = (await (await page.request.get(`/api/jobs/${id}/revisions`)).json()) as {
    revisions: readonly { readonly version: number; readonly savedAt: string; readonly size: number }[];
  };
  expect(revisions.map(({ version }) => version)).toEqual([4, 3, 2, 1]);
  const mine = (await (await page.request.get(`/api/jobs/${id}/revisions/3`)).json()) as {
    plan: { name: string };
  };
  expect(mine.plan.name).toBe('Mine');
});

test('a stage whose script cannot be fetched says so, and the rest goes on', async ({ page, watched }) => {
  watched.allowErrors();
  await page.route('**/_astro/SteelStage*.js', (route) => route.abort());
  await openNewJob(page, 'No steel');
  await page.getByRole('button', { name: /Steel/ }).click();
  await expect(page.getByRole('alert')).toContainText('could not be loaded');
  await page.getByRole('button', { name: /Outline/ }).click();
  await rename(page, 'Still here');
  await saved(page);
  await page.getByRole('button', { name: /Steel/ }).click();
  await expect(page.getByRole('alert')).toContainText('could not be loaded');
  await page.unroute('**/_astro/SteelStage*.js');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('could not be loaded')).toBeHidden();
  await expect(page.getByText('Fetching the steel')).toBeHidden();
});

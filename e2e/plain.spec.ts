import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Page, chromium } from '@playwright/test';
import { CHROMIUM_FLAGS, testChromiumPath } from './support/chromium';
import { expect, openNewJob, saved, test } from './support/page';
import { startServer } from './support/server';

const PORT = 4388;
const PASSPHRASE = 'gravel moon seven ladders';

const nameOf = async (page: Page, path: string): Promise<string> =>
  ((await (await page.request.get(`/api${path}/plan.json`)).json()) as { name: string }).name;

test('over plain HTTP from another device, where browsers lack what needs TLS, plan and log are written and sent', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'ombra-plain-'));
  const origin = `http://office.test:${String(PORT)}`;
  const running = await startServer(folder, PORT, { OMBRA_PASSPHRASE: PASSPHRASE, OMBRA_ADDRESS: origin });
  const browser = await chromium.launch({
    executablePath: testChromiumPath(),
    args: [...CHROMIUM_FLAGS, '--host-resolver-rules=MAP office.test 127.0.0.1'],
  });
  const page = await browser.newPage({ baseURL: origin });
  const broke: string[] = [];
  page.on('pageerror', ({ message }) => broke.push(message));
  await page.goto('/');
  await page.getByLabel('Your name').fill('Ida');
  await page.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByLabel('Name of a new job').fill('By plain HTTP');
  await page.getByRole('button', { name: 'New job', exact: true }).click();
  const field = page.getByLabel('Job', { exact: true });
  await expect(field).toHaveValue('By plain HTTP');
  expect(await page.evaluate(() => [isSecureContext, 'locks' in navigator])).toEqual([false, false]);
  await field.fill('Renamed by plain HTTP');
  await field.press('Enter');
  await saved(page);
  await page.reload();
  await expect(field).toHaveValue('Renamed by plain HTTP');
  await page.goto('/jobs/sorrel-fork-hatchery/today');
  await page.getByLabel('Wall').selectOption({ label: 'B–C' });
  await page.getByRole('button', { name: /^Laid: / }).click();
  const anyway = page.getByRole('button', { name: /Record anyway/ });
  if (await anyway.isVisible()) await anyway.click();
  await expect(page.getByText('Recorded: B–C, course')).toBeVisible();
  await expect(page.getByText(/waiting/)).toHaveCount(0);
  expect(broke).toEqual([]);
  await browser.close();
  running.child.kill('SIGTERM');
  await running.exited;
  rmSync(folder, { recursive: true });
});

test('a browser that keeps nothing sends what is typed, and says what is only on the page', async ({
  page,
  watched,
}) => {
  watched.allowErrors();
  const path = `/jobs/${await openNewJob(page, 'Kept nowhere')}`;
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('This site may keep nothing.', 'SecurityError');
    };
    Storage.prototype.getItem = () => {
      throw new DOMException('This site may keep nothing.', 'SecurityError');
    };
  });
  await page.reload();
  const field = page.getByLabel('Job', { exact: true });
  await field.fill('Sent all the same');
  await field.press('Enter');
  await expect.poll(() => nameOf(page, path)).toBe('Sent all the same');
  await saved(page);
  await page.route('**/api/jobs/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await field.fill('Only on this page');
  await field.press('Enter');
  await expect(page.getByText('This device does not keep what you write', { exact: false })).toBeVisible();
  await page.unroute('**/api/jobs/*');
  await expect.poll(() => nameOf(page, path)).toBe('Only on this page');
  await expect(page.getByText('This device does not keep what you write', { exact: false })).toHaveCount(0);
});

import { mkdtempSync, rmSync } from 'node:fs';
import { type Server, createServer, request as ask } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, type BrowserContext, type Page, chromium, expect, test } from '@playwright/test';
import { CHROMIUM_FLAGS, testChromiumPath } from './support/chromium';
import { expectAccessible } from './support/page';
import { type Running, startServer } from './support/server';

const PORT = 4392;
const ORIGIN = `http://127.0.0.1:${String(PORT)}`;
const JOB = 'sorrel-fork-hatchery';
const TODAY = `${ORIGIN}/jobs/${JOB}/today`;
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } as const;

let folder: string;
let running: Running;
test.describe.configure({ mode: 'default' });
test.beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'ombra-away-'));
  running = await startServer(join(folder, 'data'), PORT, { LOG_LEVEL: 'warn' });
});
test.afterEach(async () => {
  running.child.kill('SIGTERM');
  await running.exited;
  rmSync(folder, { recursive: true });
});

interface Kept {
  readonly entry: {
    readonly id: string;
    readonly kind: string;
    readonly body: Readonly<Record<string, unknown>>;
  };
}
const log = async (): Promise<readonly Kept[]> =>
  ((await (await fetch(`${ORIGIN}/api/jobs/${JOB}/entries`)).json()) as { entries: readonly Kept[] }).entries;
const plan = async (): Promise<{
  readonly name: string;
  readonly courses: number;
}> =>
  (
    (await (await fetch(`${ORIGIN}/api/jobs/${JOB}`)).json()) as {
      job: { plan: Awaited<ReturnType<typeof plan>> };
    }
  ).job.plan;

const along = async (page: Page): Promise<void> => {
  await page.goto(TODAY);
  await expect(page.getByText('Works without signal')).toBeVisible({ timeout: 90_000 });
};

/** Records a wall of the course that comes next, by the thumb. */
async function lay(page: Page, wall: string): Promise<void> {
  await page.getByLabel('Wall').selectOption({ label: wall });
  const button = page.getByRole('button', { name: /^Laid: / });
  await expect(button).toContainText(wall);
  await button.click();
  const anyway = page.getByRole('button', { name: /Record anyway/ });
  if (await anyway.isVisible()) await anyway.click();
  await expect(page.getByText(`Recorded: ${wall}, course`)).toBeVisible();
}

const rename = async (page: Page, name: string): Promise<void> => {
  await page.goto(`${ORIGIN}/jobs/${JOB}/outline`);
  await page.getByLabel('Job', { exact: true }).fill(name);
  await page.getByLabel('Job', { exact: true }).press('Enter');
};

test('a phone that was switched off opens the job without a server, and what it wrote arrives by itself', async () => {
  test.setTimeout(300_000);
  const profile = join(folder, 'profile');
  const open = (): Promise<BrowserContext> =>
    chromium.launchPersistentContext(profile, {
      executablePath: testChromiumPath(),
      args: [...CHROMIUM_FLAGS],
      ...PHONE,
    });
  let phone = await open();
  let page = await phone.newPage();
  await along(page);
  await expectAccessible(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  const before = (await log()).length;
  await phone.close();
  running.child.kill('SIGKILL');
  await running.exited;

  phone = await open();
  page = await phone.newPage();
  await page.goto(TODAY);
  await lay(page, 'B–C');
  await expect(page.getByText('No signal · 1 waiting')).toBeVisible();
  await rename(page, 'Renamed without signal');
  await expect(page.getByRole('status').first()).toHaveText('Kept here, server offline');
  // Every part of the job is there: stages, the board, sheets; the list names what is on the device.
  await page.goto(`${ORIGIN}/jobs/${JOB}/steel`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Renamed without signal');
  await page.goto(`${ORIGIN}/jobs/${JOB}/pours/1/board`);
  await expect(page.getByRole('timer').first()).toBeVisible();
  await page.goto(`${ORIGIN}/jobs/${JOB}/sheets/courses`);
  await expect(page.getByRole('heading', { name: /courses/ }).first()).toBeVisible();
  await page.goto(`${ORIGIN}/`);
  await expect(page.getByRole('heading', { name: 'No signal' })).toBeVisible();
  await page.goto(`${ORIGIN}/jobs/not-taken/today`);
  await expect(page.getByText('this page was not taken along')).toBeVisible();
  await phone.close();

  phone = await open();
  page = await phone.newPage();
  running = await startServer(join(folder, 'data'), PORT, { LOG_LEVEL: 'warn' });
  await page.goto(TODAY);
  await expect(page.getByText('Works without signal')).toBeVisible();
  await expect.poll(async () => (await log()).length, { timeout: 90_000 }).toBe(before + 1);
  await expect.poll(async () => (await plan()).name).toBe('Renamed without signal');
  await expect(page.getByText(/waiting/)).toHaveCount(0);
  await phone.close();
});

/** A stream of chance that a seed decides. */
function chance(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state / 2_147_483_648;
  };
}

for (const seed of [1, 2, 3]) {
  test(`two phones without signal both write, and come back to one record while the server falls over: seed ${String(seed)}`, async ({
    browser,
  }) => {
    test.setTimeout(300_000);
    const random = chance(seed);
    const pick = <Each>(list: readonly Each[]): Each => list[Math.floor(random() * list.length)] as Each;
    const phones = await Promise.all(
      [0, 1].map(async () => {
        const context = await (browser as Browser).newContext({ ...PHONE });
        return { context, page: await context.newPage() };
      }),
    );
    for (const { page } of phones) await along(page);
    const before = (await log()).length;
    const { courses } = await plan();
    await Promise.all(phones.map(({ context }) => context.setOffline(true)));
    const walls = ['A–B', 'B–C', 'C–D', 'D–E', 'E–F'];
    const laid = [0, 0];
    for (const [index, { page }] of phones.entries()) {
      const own = walls.filter(() => random() < 0.6);
      for (const wall of own.length === 0 ? [pick(walls)] : own) {
        await lay(page, wall);
        laid[index] = (laid[index] ?? 0) + 1;
      }
    }
    // One names the job, the other adds a course: nobody has to be asked.
    const [first, second] = random() < 0.5 ? [0, 1] : [1, 0];
    await rename(phones[first]?.page as Page, `Seed ${String(seed)}`);
    const other = phones[second]?.page as Page;
    await other.goto(`${ORIGIN}/jobs/${JOB}/outline`);
    await other.getByRole('button', { name: 'One course more' }).click();
    await expect(other.getByRole('status').first()).toHaveText('Kept here, server offline');
    // They come back one after the other, and the server falls over in between.
    const order = random() < 0.5 ? [0, 1] : [1, 0];
    await phones[order[0] ?? 0]?.context.setOffline(false);
    await (phones[order[0] ?? 0]?.page as Page).waitForTimeout(Math.floor(random() * 700));
    running.child.kill('SIGKILL');
    await running.exited;
    await phones[order[1] ?? 1]?.context.setOffline(false);
    running = await startServer(join(folder, 'data'), PORT, { LOG_LEVEL: 'warn' });
    for (const { page } of phones) await page.goto(TODAY);
    const total = before + (laid[0] ?? 0) + (laid[1] ?? 0);
    await expect.poll(async () => (await log()).length, { timeout: 90_000 }).toBe(total);
    await expect.poll(async () => (await plan()).name, { timeout: 90_000 }).toBe(`Seed ${String(seed)}`);
    await expect.poll(async () => (await plan()).courses).toBe(courses + 1);
    const ids = (await log()).map(({ entry }) => entry.id);
    expect(new Set(ids).size).toBe(total);
    // Both phones read the same record.
    for (const { page } of phones) {
      await expect(page.getByText(/waiting/)).toHaveCount(0);
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(`Seed ${String(seed)}`);
      await expect(page.getByRole('dialog')).toHaveCount(0);
      await page.getByLabel('Wall').selectOption({ label: 'C–D' });
    }
    const shown = await Promise.all(
      phones.map(({ page }) => page.getByRole('group', { name: 'Course' }).locator('p').innerText()),
    );
    expect(shown[0]).toBe(shown[1]);
    await Promise.all(phones.map(({ context }) => context.close()));
  });
}

test('a phone with no room says so, and what it writes arrives all the same', async ({ browser }) => {
  const context = await browser.newContext({ ...PHONE });
  await context.addInitScript(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('No room.', 'QuotaExceededError');
    };
  });
  const page = await context.newPage();
  const before = (await log()).length;
  await page.goto(TODAY);
  await expect(page.getByText('no room left on this device')).toBeVisible();
  await lay(page, 'B–C');
  await expect.poll(async () => (await log()).length).toBe(before + 1);
  await context.setOffline(true);
  await lay(page, 'C–D');
  await expect(page.getByText('only on this page until it is sent')).toBeVisible();
  await context.setOffline(false);
  await expect.poll(async () => (await log()).length, { timeout: 90_000 }).toBe(before + 2);
  await context.close();
});

test('a phone whose clock is a day behind says so, and writes by the server’s', async ({ browser }) => {
  const context = await browser.newContext({ ...PHONE });
  const page = await context.newPage();
  await page.clock.setSystemTime(new Date(Date.now() - 86_400_000));
  await page.goto(TODAY);
  await expect(page.getByText('The clock of this device is 1 day behind.')).toBeVisible();
  await lay(page, 'B–C');
  const today = new Date().toISOString().slice(0, 10);
  await expect.poll(async () => (await log()).at(-1)?.entry.body['day']).toBe(today);
  await context.close();
});

test('two who have a job open see each other, and what the other does, without asking', async ({
  browser,
}) => {
  const pages = await Promise.all(
    ['Ada', 'Bo'].map(async (name) => {
      const context = await browser.newContext();
      await context.addInitScript((who) => {
        localStorage.setItem('ombra.who', who);
      }, name);
      return context.newPage();
    }),
  );
  const [ada, bo] = pages as [Page, Page];
  await ada.goto(`${ORIGIN}/jobs/${JOB}/outline`);
  await bo.goto(TODAY);
  await expect(ada.getByTitle('Open here too: Bo')).toBeVisible();
  await expect(bo.getByTitle('Open here too: Ada')).toBeVisible();
  await ada.getByLabel('Job', { exact: true }).fill('Seen at once');
  await ada.getByLabel('Job', { exact: true }).press('Enter');
  await expect(ada.getByRole('status').first()).toHaveText('Saved');
  await expect(bo.getByRole('heading', { level: 1 })).toHaveText('Seen at once');
  // The line is lost and taken up again by itself.
  running.child.kill('SIGKILL');
  await running.exited;
  running = await startServer(join(folder, 'data'), PORT, { LOG_LEVEL: 'warn' });
  await ada.getByLabel('Job', { exact: true }).fill('Heard after a gap');
  await ada.getByLabel('Job', { exact: true }).press('Enter');
  await expect(bo.getByRole('heading', { level: 1 })).toHaveText('Heard after a gap');
  await bo.close();
  await expect(ada.getByTitle('Open here too: Bo')).toHaveCount(0);
  await ada.close();
});

test('a picture taken without signal is there at once, without where it was taken, and arrives with its entry', async ({
  browser,
}) => {
  const context = await browser.newContext({ ...PHONE });
  const page = await context.newPage();
  await along(page);
  await page.goto(`${ORIGIN}/jobs/${JOB}/days/log`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await context.setOffline(true);
  await page.reload();
  await page.getByRole('button', { name: 'Picture', exact: true }).click();
  await page.locator('input[type=file][accept="image/*"]').setInputFiles('app/public/icons/icon-192.png');
  await page.getByLabel('What it shows').fill('Footing, corner B');
  await page.getByRole('button', { name: 'Record the picture' }).click();
  const picture = page.getByAltText('Footing, corner B');
  await expect(picture).toHaveAttribute('src', /^data:image\/jpeg/);
  const before = (await log()).length;
  await context.setOffline(false);
  await expect.poll(async () => (await log()).length, { timeout: 90_000 }).toBe(before + 1);
  const entry = (await log()).at(-1)?.entry;
  expect(entry).toMatchObject({ kind: 'picture', body: { what: 'Footing, corner B' } });
  const kept = await fetch(`${ORIGIN}/api/jobs/${JOB}/files/${String(entry?.body['file'])}`);
  expect(kept.status).toBe(200);
  // Written anew by the device: no part of it tells of the camera or the place.
  expect(Buffer.from(await kept.arrayBuffer()).includes('Exif')).toBe(false);
  await context.close();
});

/**
 * A door between the phone and the server that changes what comes through: `more` is added at the end, `status` answered instead.
 */
async function doorBefore(
  change: (path: string) => { readonly more?: string; readonly status?: number },
): Promise<{ readonly door: Server; readonly site: string }> {
  const door = createServer((asked, answer) => {
    const { more = '', status } = change(asked.url ?? '/');
    if (status !== undefined) {
      asked.resume();
      answer.writeHead(status).end();
      return;
    }
    const headers = {
      ...asked.headers,
      host: `127.0.0.1:${String(PORT)}`,
      ...(asked.headers.origin && { origin: ORIGIN }),
    };
    const passed = ask(`${ORIGIN}${asked.url ?? '/'}`, { method: asked.method, headers }, (got) => {
      // Its length may be another one now.
      const others = Object.entries(got.headers).filter(([name]) => name !== 'content-length');
      answer.writeHead(got.statusCode ?? 502, Object.fromEntries(others));
      got.on('end', () => answer.end(more)).pipe(answer, { end: false });
    });
    passed.on('error', () => answer.writeHead(502).end());
    asked.pipe(passed);
  });
  await new Promise<void>((resolve) => door.listen(PORT + 1, '127.0.0.1', resolve));
  return { door, site: `http://127.0.0.1:${String(PORT + 1)}/jobs/${JOB}` };
}

async function closed(door: Server): Promise<void> {
  door.closeAllConnections();
  await new Promise((resolve) => door.close(resolve));
}

test('where the program does not come whole, Today says so, and takes the job along the next time', async ({
  browser,
}) => {
  let broken = true;
  const { door, site } = await doorBefore((path) =>
    broken && path.startsWith('/icons/icon-512') ? { status: 500 } : {},
  );
  const context = await browser.newContext({ ...PHONE });
  const page = await context.newPage();
  await page.goto(`${site}/today`);
  await expect(page.getByText('not all of it could be taken along')).toBeVisible({ timeout: 90_000 });
  broken = false;
  await page.reload();
  await expect(page.getByText('Works without signal')).toBeVisible({ timeout: 90_000 });
  await context.close();
  await closed(door);
});

test('Today comes back where it was left, and a wall that is recorded there makes room for its next course', async ({
  page,
}) => {
  await page.goto(TODAY);
  await page.getByLabel('Wall').selectOption({ label: 'B–C' });
  const course = () => page.getByRole('group', { name: 'Course' }).locator('p').innerText();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  const left = await course();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Laid: B–C/ })).toBeEnabled();
  expect(await course()).toBe(left);
  await expect(page.getByText('2 of')).toBeVisible();
  await page.getByRole('button', { name: /^Laid: / }).click();
  const anyway = page.getByRole('button', { name: /Record anyway/ });
  if (await anyway.isVisible()) await anyway.click();
  await expect.poll(course).not.toBe(left);
  // Taken back, it is to be laid again.
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect.poll(course).toBe(left);
});

test('a newer version is offered on Today, waits until somebody takes it, and says nothing on the board', async ({
  browser,
}) => {
  let newer = '';
  const { door, site } = await doorBefore((path) => (path === '/sw.js' ? { more: newer } : {}));
  const context = await browser.newContext({ ...PHONE });
  const page = await context.newPage();
  await page.goto(`${site}/today`);
  await expect(page.getByText('Works without signal')).toBeVisible({ timeout: 90_000 });
  newer = '\n// A newer one.';
  await page.goto(`${site}/pours/1/board`);
  await expect(page.getByRole('timer').first()).toBeVisible();
  const waits = () =>
    page
      .evaluate(async () => (await navigator.serviceWorker.getRegistration())?.waiting?.state ?? 'none')
      .catch(() => 'loading');
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
  await expect.poll(waits).toBe('installed');
  await expect(page.getByRole('button', { name: /newer Ombra/ })).toHaveCount(0);
  await page.reload();
  expect(await waits()).toBe('installed');
  await page.goto(`${site}/today`);
  const take = page.getByRole('button', { name: 'Take the newer Ombra' });
  await take.click();
  // A browser that keeps the older one, for all the tries of the page, has it offered again.
  await expect(async () => {
    if (await take.isVisible()) await take.click();
    await expect.poll(waits, { timeout: 15_000 }).toBe('none');
  }).toPass();
  await expect(page.getByText('Works without signal')).toBeVisible();
  await expect(page.getByRole('button', { name: /newer Ombra/ })).toHaveCount(0);
  await context.close();
  await closed(door);
});

import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { request as ask } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type APIRequestContext, type Page, expect, request, test } from '@playwright/test';
import { expectAccessible } from './support/page';
import { type Running, startServer } from './support/server';

const PORT = 4396;
const ORIGIN = `http://127.0.0.1:${String(PORT)}`;
const PASSPHRASE = 'gravel moon seven ladders';
const JOB = 'sorrel-fork-hatchery';

let folder: string;
let running: Running;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'ombra-access-'));
  running = await startServer(folder, PORT, { HOST: '0.0.0.0', OMBRA_PASSPHRASE: PASSPHRASE });
});
test.afterAll(async () => {
  running.child.kill('SIGTERM');
  await running.exited;
  rmSync(folder, { recursive: true });
});

const fresh = (origin = ORIGIN): Promise<APIRequestContext> =>
  request.newContext({ baseURL: ORIGIN, extraHTTPHeaders: { Origin: origin }, maxRedirects: 0 });

/** Comes in by the passphrase. */
async function office(): Promise<APIRequestContext> {
  const context = await fresh();
  const answer = await context.post('/api/sign-in', { data: { name: 'Ada', passphrase: PASSPHRASE } });
  expect(answer.status()).toBe(201);
  return context;
}

/** A link that the office made, as its path. */
async function linkFor(role: string, more: object = {}): Promise<{ path: string; id: string }> {
  const answer = await (
    await office()
  ).post('/api/links', { data: { role, name: `${role} crew`, days: 7, ...more } });
  expect(answer.status()).toBe(201);
  const made = (await answer.json()) as { path: string; link: { id: string } };
  return { path: made.path, id: made.link.id };
}

const tokenOf = (path: string): string => path.split('/').at(-1) ?? '';

async function joined(role: string): Promise<APIRequestContext> {
  const context = await fresh();
  const { path } = await linkFor(role);
  const answer = await context.post('/api/join', {
    data: { name: `One who has ${role}`, token: tokenOf(path) },
  });
  expect(answer.status()).toBe(201);
  return context;
}

const ROLES = ['nobody', 'look', 'crew', 'office'] as const;

/** Every address with every method that it has, and who at least may use it; written down here, not taken from the program. */
const ROUTES: Readonly<Record<string, Readonly<Record<string, (typeof ROLES)[number]>>>> = {
  '/': { GET: 'look' },
  '/away': { GET: 'nobody' },
  '/healthz': { GET: 'nobody' },
  '/manifest.webmanifest': { GET: 'nobody' },
  '/people': { GET: 'office' },
  '/sign-in': { GET: 'nobody' },
  '/trouble': { GET: 'look' },
  '/trust': { GET: 'nobody' },
  '/trust/authority.crt': { GET: 'nobody' },
  '/join/[token]': { GET: 'nobody' },
  '/jobs/[id]': { GET: 'look' },
  '/jobs/[id]/[stage]': { GET: 'look' },
  '/jobs/[id]/days/log': { GET: 'look' },
  '/jobs/[id]/paper': { GET: 'look' },
  '/jobs/[id]/pours/[number]/board': { GET: 'look' },
  '/jobs/[id]/sheets/[sheet]': { GET: 'look' },
  '/jobs/[id]/today': { GET: 'look' },
  '/schema/entry-1.json': { GET: 'look' },
  '/schema/plan-2.json': { GET: 'look' },
  '/api/devices': { GET: 'office' },
  '/api/devices/[id]': { PUT: 'office' },
  '/api/import/job': { POST: 'office' },
  '/api/import/outline': { POST: 'office' },
  '/api/jobs': { GET: 'look', POST: 'office' },
  '/api/jobs/[id]': { GET: 'look', PUT: 'office', DELETE: 'office' },
  '/api/jobs/[id]/bending.csv': { GET: 'look' },
  '/api/jobs/[id]/days.ics': { GET: 'look' },
  '/api/jobs/[id]/entries': { GET: 'look', POST: 'crew' },
  '/api/jobs/[id]/export/[name]': { GET: 'look' },
  '/api/jobs/[id]/export/job.zip': { GET: 'look' },
  '/api/jobs/[id]/files': { POST: 'crew' },
  '/api/jobs/[id]/files/[hash]': { GET: 'look' },
  '/api/jobs/[id]/glance': { GET: 'look' },
  '/api/jobs/[id]/inserts.csv': { GET: 'look' },
  '/api/jobs/[id]/live': { GET: 'look' },
  '/api/jobs/[id]/newest': { GET: 'look' },
  '/api/jobs/[id]/openings.csv': { GET: 'look' },
  '/api/jobs/[id]/plan.json': { GET: 'look' },
  '/api/jobs/[id]/reinforcement.csv': { GET: 'look' },
  '/api/jobs/[id]/restore': { POST: 'office' },
  '/api/jobs/[id]/revisions': { GET: 'look', POST: 'office' },
  '/api/jobs/[id]/revisions/[version]': { GET: 'look' },
  '/api/jobs/[id]/survey.csv': { GET: 'look' },
  '/api/jobs/[id]/worked': { GET: 'look' },
  '/api/join': { POST: 'nobody' },
  '/api/links': { GET: 'office', POST: 'office' },
  '/api/links/[id]': { PUT: 'office' },
  '/api/openapi.json': { GET: 'look' },
  '/api/plant': { GET: 'look' },
  '/api/progress': { GET: 'look' },
  '/api/rates': { GET: 'look' },
  '/api/receiver': { GET: 'look' },
  '/api/sign-in': { POST: 'nobody' },
  '/api/sign-out': { POST: 'look' },
  '/api/terms': { GET: 'look' },
  '/api/ticket': { GET: 'look' },
  '/api/weather': { GET: 'look' },
};

const PLACES: Readonly<Record<string, string>> = {
  id: 'no-such-job',
  token: 'no-such-link',
  stage: 'outline',
  number: '1',
  sheet: 'courses',
  name: 'plan.svg',
  hash: 'a'.repeat(64),
  version: '1',
};

/** Addresses and methods as the folders of the pages have them. */
function served(): readonly string[] {
  return readdirSync('app/src/pages', { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(ts|astro)$/.test(file) && !file.includes('[...'))
    .flatMap((file) => {
      const path = `/${file}`.replace(/\.(ts|astro)$/, '').replace(/\/?index$/, '') || '/';
      if (file.endsWith('.astro')) return [`GET ${path}`];
      const text = readFileSync(join('app/src/pages', file), 'utf8');
      return [...text.matchAll(/export const (GET|POST|PUT|DELETE)\b/g)].map(
        ([, method = '']) => `${method} ${path}`,
      );
    })
    .sort();
}

test('every address lets every role do what it may, and no more', async () => {
  test.setTimeout(120_000);
  const table = Object.entries(ROUTES).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => `${method} ${path}`),
  );
  expect([...table].sort()).toEqual(served());
  const people = {
    nobody: await fresh(),
    look: await joined('look'),
    crew: await joined('crew'),
    office: await office(),
  };
  const wrong: string[] = [];
  for (const [path, methods] of Object.entries(ROUTES)) {
    for (const [method, least] of Object.entries(methods)) {
      const address = path.replace(/\[(\w+)\]/g, (_, name: string) => PLACES[name] ?? name);
      for (const role of ROLES) {
        // Goes out for good: not with the sessions that the others need.
        if (path === '/api/sign-out' && role !== 'nobody') continue;
        const answer = await people[role].fetch(address, {
          method,
          ...(method === 'GET' ? {} : { data: {} }),
          headers: { Origin: ORIGIN },
        });
        const refused =
          answer.status() === 303 && answer.headers()['location']?.startsWith('/sign-in') === true
            ? 'in'
            : answer.status() === 401 && (await answer.text()).includes('"sign-in"')
              ? 'in'
              : answer.status() === 403
                ? 'role'
                : 'no';
        const expected =
          ROLES.indexOf(role) >= ROLES.indexOf(least) ? 'no' : role === 'nobody' ? 'in' : 'role';
        if (refused !== expected)
          wrong.push(
            `${method} ${path} as ${role}: ${String(answer.status())}, told ${refused}, not ${expected}`,
          );
        // Whoever may do it is answered by the address itself, never by a fault.
        if (answer.status() >= 500) wrong.push(`${method} ${path} as ${role}: ${String(answer.status())}`);
      }
    }
  }
  expect(wrong).toEqual([]);
});

/** Asks for a path just as it is written, which no browser would. */
const asWritten = (path: string, cookie = ''): Promise<number> =>
  new Promise((resolve, reject) => {
    const headers = { Host: `127.0.0.1:${String(PORT)}`, ...(cookie !== '' && { Cookie: cookie }) };
    ask({ host: '127.0.0.1', port: PORT, path, headers }, (answer) => {
      answer.resume();
      resolve(answer.statusCode ?? 0);
    })
      .on('error', reject)
      .end();
  });

test('an address written in a roundabout way opens nothing that it would not open straight', async () => {
  for (const path of [
    '/join/..',
    '/join/%2e%2e',
    '/join/..\\api\\jobs',
    '/trust/..\\api\\jobs',
    '/join/..\\people',
    `/join/..\\jobs\\${JOB}\\courses`,
    '/join/x/../../api/jobs',
  ])
    expect(await asWritten(path), path).toBe(400);
  const look = await joined('look');
  const cookie = (await look.storageState()).cookies.map(({ name, value }) => `${name}=${value}`).join('; ');
  expect(await asWritten('/api/jobs', cookie)).toBe(200);
  for (const path of [
    '/people',
    '/people/',
    '/peop%6ce',
    '/api/links',
    '/api/links/',
    '/api/l%69nks',
    '//people',
    '/api//links',
  ])
    expect([303, 400, 401, 403, 404], path).toContain(await asWritten(path, cookie));
});

test('what the crew writes and the office saves says who it was', async () => {
  const entry = {
    id: 'note-1',
    at: '2026-12-01T07:00:00Z',
    who: 'B.',
    kind: 'note',
    body: { what: 'Frost on the forms.' },
  };
  const crew = await joined('crew');
  expect((await crew.post(`/api/jobs/${JOB}/entries`, { data: entry })).status()).toBe(201);
  const log = (await (await crew.get(`/api/jobs/${JOB}/entries`)).json()) as {
    entries: { entry: { id: string }; by?: string }[];
  };
  expect(log.entries.find((each) => each.entry.id === 'note-1')?.by).toBe('One who has crew');
  const desk = await office();
  const plan: unknown = JSON.parse(readFileSync(`demo/${JOB}.json`, 'utf8'));
  await desk.put(`/api/jobs/${JOB}`, {
    data: { baseVersion: 1, saveId: 'of-ada', plan: { ...(plan as object), name: 'Hatchery' } },
  });
  const history = (await (await desk.get(`/api/jobs/${JOB}/revisions`)).json()) as {
    revisions: { by: string }[];
  };
  expect(history.revisions.map(({ by }) => by)).toEqual(['Ada', '']);
});

test('a stolen session ends with its device, and no other site can use one', async () => {
  const crew = await joined('crew');
  const { cookies } = await crew.storageState();
  const cookie = cookies.find(({ name }) => name === 'ombra-session');
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' });
  const stolen = { Cookie: `ombra-session=${cookie?.value ?? ''}` };
  const thief = await fresh();
  expect((await thief.get('/api/jobs', { headers: stolen })).status()).toBe(200);
  // Another site may hold the browser, and with it the cookie, but says where it comes from.
  for (const origin of ['https://evil.example', 'null', `https://127.0.0.1:${String(PORT)}`]) {
    const answer = await thief.post(`/api/jobs/${JOB}/entries`, {
      headers: { ...stolen, Origin: origin },
      data: {},
    });
    expect(answer.status()).toBe(403);
  }
  // A name that was pointed at this machine.
  expect((await thief.get('/api/jobs', { headers: { ...stolen, Host: 'evil.example' } })).status()).toBe(403);
  const desk = await office();
  const { devices } = (await (await desk.get('/api/devices')).json()) as {
    devices: { id: string; name: string }[];
  };
  const device = devices.find(({ name }) => name === 'One who has crew');
  await desk.put(`/api/devices/${device?.id ?? ''}`, { data: { withdrawn: true } });
  const answer = await thief.get('/api/jobs', { headers: stolen });
  expect(answer.status()).toBe(401);
  expect(await answer.text()).toContain('Sign in again');
});

test('a session that somebody else put there is not taken up: whoever comes in gets one of their own', async () => {
  const planted = await fresh();
  const answer = await planted.post('/api/sign-in', {
    headers: { Cookie: 'ombra-session=planted-by-somebody-else' },
    data: { name: 'Ada', passphrase: PASSPHRASE },
  });
  expect(answer.headers()['set-cookie']).not.toContain('planted');
  const after = await fresh();
  expect(
    (
      await after.get('/api/jobs', { headers: { Cookie: 'ombra-session=planted-by-somebody-else' } })
    ).status(),
  ).toBe(401);
});

test('links that ended, were withdrawn or never were say so, and let nobody in', async ({ page }) => {
  const { path, id } = await linkFor('crew');
  const desk = await office();
  await desk.put(`/api/links/${id}`, { data: { withdrawn: true } });
  const answer = await (await fresh()).post('/api/join', { data: { name: 'Bo', token: tokenOf(path) } });
  expect(answer.status()).toBe(410);
  expect(await answer.text()).toContain('withdrawn');
  await page.goto(`${ORIGIN}${path}`);
  await expect(page.getByText('This link was withdrawn. Ask the office for a new one.')).toBeVisible();
  await page.goto(`${ORIGIN}/join/never-was`);
  await expect(page.getByText('No such link.')).toBeVisible();
  for (const data of [
    { role: 'crew', days: 7 },
    { role: 'boss', name: 'B', days: 7 },
    { role: 'crew', name: 'B', days: 0 },
    { role: 'crew', name: 'B', days: 1000 },
    { role: 'crew', name: 'B', days: 7, job: 'no-such' },
  ])
    expect((await desk.post('/api/links', { data })).status()).toBe(422);
});

test('the office lets a crew in, which writes the log and reads the plan', async ({ page, browser }) => {
  await page.goto(`${ORIGIN}/jobs/${JOB}/outline`);
  await expect(page).toHaveURL(/sign-in\?to=%2Fjobs/);
  await expectAccessible(page);
  await page.getByLabel('Your name').fill('Ada');
  await page.getByLabel('Passphrase').fill('a wrong one');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('That is not the passphrase');
  await page.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(`${ORIGIN}/jobs/${JOB}/outline`);
  await page.goto(`${ORIGIN}/people`);
  await page.getByLabel('For whom').fill('Crew two');
  await page.getByLabel('Opens').selectOption({ index: 1 });
  await page.getByRole('button', { name: 'Make a link' }).click();
  await expect(page.getByAltText(/Code to scan/)).toBeVisible();
  await expectAccessible(page);
  const link = await page.getByLabel('The link', { exact: true }).inputValue();
  const phone = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await phone.goto(link.replace(/^http:\/\/[^/]+/, ORIGIN));
  await phone.getByLabel('Your name').fill('Bo');
  await phone.getByRole('button', { name: 'Sign in' }).click();
  await expect(phone).toHaveURL(new RegExp(`/jobs/${JOB}/`));
  await readOnly(phone);
  await phone.close();
  await page.reload();
  await expect(page.getByRole('row', { name: /Bo Crew/ })).toBeVisible();
  const lost = await browser.newPage({ viewport: { width: 390, height: 844 } });
  const again = await linkFor('crew', { job: JOB });
  await lost.goto(`${ORIGIN}${again.path}`);
  await lost.getByLabel('Your name').fill('Cy');
  await lost.getByRole('button', { name: 'Sign in' }).click();
  await lost.waitForURL(/today/);
  await expect(lost.getByRole('button', { name: /^Laid: / })).toBeVisible();
  await (await office()).put(`/api/links/${again.id}`, { data: { withdrawn: true } });
  await lost.getByRole('button', { name: /^Laid: / }).click();
  const anyway = lost.getByRole('button', { name: /Record anyway/ });
  if (await anyway.isVisible()) await anyway.click();
  await expect(lost.getByText('1 waiting')).toBeVisible();
  await lost.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(lost.getByText('This device is signed out.')).toBeVisible();
  await lost.close();
  await page.getByRole('button', { name: 'Sign out the device of Bo' }).click();
  await expect(page.getByRole('button', { name: 'Restore the device of Bo' })).toBeVisible();
});

/** A plan that may be read: what is typed into it changes nothing and says why. */
async function readOnly(page: Page): Promise<void> {
  await page.goto(`${ORIGIN}/jobs/${JOB}/outline`);
  const length = page.getByLabel(/^Length of/).first();
  await expect(length).toBeVisible();
  await length.fill('99');
  await length.press('Enter');
  await expect(page.getByText('Only the office edits this plan.')).toBeVisible();
  await page.goto(`${ORIGIN}/`);
  await expect(page.getByRole('button', { name: 'New job' })).toHaveCount(0);
  await page.goto(`${ORIGIN}/people`);
  await expect(page.getByText('this takes “office”')).toBeVisible();
}

test('who may only look reads all of it, writes nothing, and goes out again', async ({ browser }) => {
  const page = await browser.newPage();
  const { path } = await linkFor('look', { job: JOB });
  await page.goto(`${ORIGIN}${path}`);
  await page.getByLabel('Your name').fill('Di');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(/today/);
  await expect(page.getByRole('button', { name: 'Next', exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Laid: / })).toHaveCount(0);
  const before = (await (await (await office()).get(`/api/jobs/${JOB}/entries`)).json()) as { last: number };
  await page.goto(`${ORIGIN}/jobs/${JOB}/pours/1/board`);
  await expect(page.getByText('You can watch this pour.')).toBeVisible();
  const ordered = page.getByRole('button', { name: /has come|Ordered|Order/ }).first();
  await expect(ordered).toBeDisabled();
  await expect(page.getByRole('button', { name: 'Take back' })).toHaveCount(0);
  await expect(page.getByText('A tap today begins it today.')).toHaveCount(0);
  // How full the walls are is to be read, not to be pressed.
  await expect(page.getByText('A–B', { exact: true }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^A–B/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Why so much left' }).click();
  await expect(page.getByRole('button', { name: 'Why so much left' })).toHaveAttribute(
    'aria-expanded',
    'true',
  );
  await page.getByRole('tab', { name: 'After' }).click();
  await expect(page.getByRole('slider').first()).toBeEnabled();
  await expect(page.getByRole('button', { name: /^Record/ })).toBeDisabled();
  await page.getByRole('tab', { name: 'Pour', exact: true }).click();
  await page.getByRole('button', { name: 'Practise' }).click();
  await expect(ordered).toBeEnabled();
  await page.getByRole('button', { name: 'Practise' }).click();
  await page.goto(`${ORIGIN}/jobs/${JOB}/footing`);
  await page.getByRole('tab', { name: /^Ready/ }).click();
  await expect(page.getByRole('tabpanel').getByRole('checkbox').first()).toBeDisabled();
  const after = (await (await (await office()).get(`/api/jobs/${JOB}/entries`)).json()) as { last: number };
  expect(after.last).toBe(before.last);
  await page.goto(`${ORIGIN}/jobs/${JOB}/days/log`);
  await expect(page.getByText('You can read this log.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Record' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^(Correct|Take back): / })).toHaveCount(0);
  await page.getByRole('tab', { name: /^Hold points/ }).click();
  await page.locator('details[data-hold] > summary').first().click();
  await expect(page.locator('details[data-hold] input[type=checkbox]').first()).toBeDisabled();
  await expect(page.getByRole('button', { name: /^Sign/ })).toHaveCount(0);
  await page.goto(`${ORIGIN}/`);
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  const databases = await page.evaluate(async () => {
    const request = indexedDB.open('ombra-taken');
    const opened = await new Promise<IDBDatabase>((resolve) => {
      request.onsuccess = () => {
        resolve(request.result);
      };
    });
    const store = opened.transaction('jobs').objectStore('jobs').count();
    return new Promise<number>((resolve) => {
      store.onsuccess = () => {
        resolve(store.result);
      };
    });
  });
  expect(databases).toBe(0);
  await page.close();
});

test('whoever guesses the passphrase is made to wait', async () => {
  const guesser = await fresh();
  const statuses: number[] = [];
  for (let each = 0; each < 14; each++)
    statuses.push(
      (
        await guesser.post('/api/sign-in', { data: { name: 'X', passphrase: `guess ${String(each)}` } })
      ).status(),
    );
  expect(statuses.filter((status) => status === 401).length).toBeLessThanOrEqual(10);
  const answer = await guesser.post('/api/sign-in', { data: { name: 'X', passphrase: PASSPHRASE } });
  expect(answer.status()).toBe(429);
  expect(Number(answer.headers()['retry-after'])).toBeGreaterThan(600);
  expect(await answer.text()).toContain('Too many wrong tries from here');
});

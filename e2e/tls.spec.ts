import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { get } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, request, test } from '@playwright/test';
import { CHROMIUM_FLAGS, testChromiumPath } from './support/chromium';
import { type Running, startServer } from './support/server';

const PORT = 4394;
const ORIGIN = `https://127.0.0.1:${String(PORT)}`;
const DOOR = `http://127.0.0.1:${String(PORT + 1)}`;
const PASSPHRASE = 'gravel moon seven ladders';

let folder: string;
let running: Running;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'ombra-tls-'));
  running = await startServer(folder, PORT, {
    HOST: '0.0.0.0',
    OMBRA_PASSPHRASE: PASSPHRASE,
    OMBRA_TLS: 'own',
  });
});
test.afterAll(async () => {
  running.child.kill('SIGTERM');
  await running.exited;
  rmSync(folder, { recursive: true });
});

/** The status of an answer to a client that trusts an authority and calls the server by a name; or why it does not trust it. */
const trusted = (authority: string | undefined, servername: string): Promise<string> =>
  new Promise((resolve) => {
    get(`${ORIGIN}/healthz`, { ...(authority !== undefined && { ca: authority }), servername }, (answer) => {
      answer.resume();
      resolve(String(answer.statusCode));
    }).on('error', (error: Error & { code?: string }) => {
      resolve(error.code ?? error.message);
    });
  });

test('the door without TLS gives the authority and leads to the other for all else', async ({ page }) => {
  const context = await request.newContext({ baseURL: DOOR, maxRedirects: 0 });
  const answer = await context.get('/jobs/sorrel-fork-hatchery/outline');
  expect([answer.status(), answer.headers()['location']]).toEqual([
    308,
    `${ORIGIN}/jobs/sorrel-fork-hatchery/outline`,
  ]);
  expect((await context.get('/api/jobs')).status()).toBe(308);
  expect((await context.get('/trust', { headers: { Host: 'evil.example' } })).status()).toBe(403);
  const authority = await (await context.get('/trust/authority.crt')).text();
  expect(authority).toContain('BEGIN CERTIFICATE');
  expect(authority).not.toContain('PRIVATE');
  await page.goto(`${DOOR}/trust`);
  // A fingerprint is the SHA-256 of the certificate's DER form, byte by byte. [common practice]
  const der = Buffer.from(authority.replace(/-----[^-]+-----|\s/g, ''), 'base64');
  const print = createHash('sha256').update(der).digest('hex').toUpperCase().match(/../g)?.join(':') ?? '';
  await expect(page.getByText(print)).toBeVisible();
  expect(running.log()).toMatch(/Devices learn to trust it at: http:\/\/(?!0\.0\.0\.0|127\.)\S+:4395\/trust/);
  for (const name of ['authority.key', 'server.key'])
    expect(statSync(join(folder, 'tls', name)).mode & 0o777).toBe(0o600);
});

test('the certificate holds for whoever trusts the authority, and for its own names alone', async () => {
  const authority = readFileSync(join(folder, 'tls', 'authority.crt'), 'utf8');
  expect(await trusted(authority, 'localhost')).toBe('200');
  expect(await trusted(undefined, 'localhost')).toBe('UNABLE_TO_VERIFY_LEAF_SIGNATURE');
  // A certificate that was made for another address.
  expect(await trusted(authority, 'somewhere-else.example')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
});

test('a browser that trusts the authority comes in, over TLS, with a cookie for TLS alone', async () => {
  test.skip(spawnSync('certutil', ['-H']).error !== undefined, 'needs certutil of libnss3-tools');
  const home = join(folder, 'home');
  const store = join(home, '.pki', 'nssdb');
  mkdirSync(store, { recursive: true });
  const authority = join(folder, 'tls', 'authority.crt');
  expect(spawnSync('certutil', ['-d', `sql:${store}`, '-N', '--empty-password']).status).toBe(0);
  expect(
    spawnSync('certutil', ['-d', `sql:${store}`, '-A', '-t', 'C,,', '-n', 'Ombra', '-i', authority]).status,
  ).toBe(0);
  const launch = (env: Record<string, string>) =>
    chromium.launch({
      executablePath: testChromiumPath(),
      args: [...CHROMIUM_FLAGS],
      env: { ...(process.env as Record<string, string>), ...env },
    });
  const stranger = await launch({ HOME: join(folder, 'stranger') });
  const page = await stranger.newPage();
  await expect(page.goto(`${ORIGIN}/`)).rejects.toThrow(/ERR_CERT_AUTHORITY_INVALID/);
  await stranger.close();
  const browser = await launch({ HOME: home });
  const known = await browser.newPage();
  await known.goto(`${ORIGIN}/`);
  await known.getByLabel('Your name').fill('Ada');
  await known.getByLabel('Passphrase').fill(PASSPHRASE);
  await known.getByRole('button', { name: 'Sign in' }).click();
  await expect(known.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  const [cookie] = (await known.context().cookies()).filter(({ name }) => name === 'ombra-session');
  expect(cookie).toMatchObject({ secure: true, httpOnly: true });
  await known.getByLabel('Name of a new job').fill('Over TLS');
  await known.getByRole('button', { name: 'New job', exact: true }).click();
  await expect(known.getByRole('heading', { level: 1 })).toHaveText('Over TLS');
  await browser.close();
});

test('says plainly what is wrong with a certificate of the user’s', () => {
  const attempt = (certificate: string, key: string): string =>
    spawnSync(process.execPath, ['app/dist/serve/main.mjs'], {
      env: {
        ...process.env,
        PORT: '0',
        OMBRA_DATA: join(folder, 'other'),
        LOG_LEVEL: 'warn',
        OMBRA_TLS_CERT: certificate,
        OMBRA_TLS_KEY: key,
      },
      encoding: 'utf8',
    }).stderr.trim();
  const no = join(folder, 'no.crt');
  expect(attempt(no, no)).toBe(`There is no file ${no}; name the certificate and its key.`);
  const text = join(folder, 'text.crt');
  writeFileSync(text, 'not a certificate');
  expect(attempt(text, text)).toContain('is no certificate in PEM form');
  const [certificate, key] = ['server.crt', 'authority.key'].map((name) => join(folder, 'tls', name)) as [
    string,
    string,
  ];
  expect(attempt(certificate, key)).toBe(
    `The key ${key} does not belong to the certificate ${certificate}; name the two that were made together.`,
  );
});

import { describe, expect, it } from 'vitest';
import { LARGEST_BODY, guard, isStraight } from '../src/server/guard';
import { originsOf } from '../src/server/access/origins';
import { readSettings } from '../src/server/settings';

const OURS = { host: '127.0.0.1:4321', origin: 'http://127.0.0.1:4321' };

/** The origins of a server that is open to its own machine alone. */
const at = (port: number): readonly string[] =>
  originsOf({ host: '127.0.0.1', tls: null, address: null }, port);

describe('the guard', () => {
  it.each(['127.0.0.1:4321', 'localhost:4321', '[::1]:4321'])(
    'lets its own pages read and write as %s',
    (host) => {
      expect(guard('GET', { host }, at(4321))).toBeNull();
      expect(guard('PUT', { host, origin: `http://${host}` }, at(4321))).toBeNull();
    },
  );

  it.each(['evil.example', '127.0.0.1:9999', 'localhost', '', '192.168.1.5:4321'])(
    'refuses to answer as “%s”',
    (host) => {
      expect(guard('GET', { host }, at(4321))).toMatchObject({ status: 403, where: 'Host' });
    },
  );

  it.each([undefined, 'null', 'http://evil.example', 'https://127.0.0.1:4321', 'http://localhost:4321'])(
    'refuses a write from %s',
    (origin) => {
      for (const method of ['POST', 'PUT', 'DELETE', 'PATCH']) {
        expect(
          guard(method, { host: OURS.host, ...(origin === undefined ? {} : { origin }) }, at(4321)),
        ).toMatchObject({
          status: 403,
          where: 'Origin',
        });
      }
    },
  );

  it('knows itself on the standard port without the number, and whatever the case', () => {
    for (const host of ['localhost', 'LOCALHOST', '127.0.0.1:80', 'LocalHost:80']) {
      expect(guard('GET', { host }, at(80))).toBeNull();
      expect(guard('PUT', { host, origin: `http://${host}` }, at(80))).toBeNull();
    }
    expect(guard('PUT', { host: 'LOCALHOST:4321', origin: 'http://localhost:4321' }, at(4321))).toBeNull();
  });

  it('takes writes under /api only, and knows nothing of addresses that are not ours', () => {
    expect(guard('POST', OURS, at(4321), '/')).toMatchObject({
      status: 405,
      headers: { Allow: 'GET, HEAD' },
    });
    expect(guard('DELETE', OURS, at(4321), '/jobs/a/outline')).toMatchObject({ status: 405 });
    expect(guard('POST', OURS, at(4321), '/api/jobs')).toBeNull();
    for (const path of ['/_image', '/_image/x', '/_server-islands/y', '/_actions/z']) {
      expect(guard('GET', OURS, at(4321), path)).toMatchObject({ status: 404 });
    }
    expect(guard('GET', OURS, at(4321), '/_astro/a.js')).toBeNull();
  });

  it.each([
    ['/', true],
    ['/jobs/a-b_1/days/log', true],
    ['/api/jobs/shed/export/plan.svg', true],
    ['/jobs/%E2%82%AC', true],
    ['/join/..', false],
    ['/join/%2e%2E/x', false],
    ['/a/./b', false],
    ['/join/..\\api', false],
    ['http://elsewhere/', false],
    ['/%ff', false],
    ['', false],
  ])('takes %j for a straight address: %s', (path, straight) => {
    expect(isStraight(path)).toBe(straight);
    if (!straight) expect(guard('GET', OURS, at(4321), path)).toMatchObject({ status: 400 });
  });

  it('refuses a body that says it is too large', () => {
    expect(guard('PUT', { ...OURS, 'content-length': String(LARGEST_BODY) }, at(4321))).toBeNull();
    expect(guard('PUT', { ...OURS, 'content-length': String(LARGEST_BODY + 1) }, at(4321))).toMatchObject({
      status: 413,
    });
  });
});

describe('a server that is open to the site', () => {
  const open = { host: '0.0.0.0', tls: 'own', address: null } as const;

  it('answers under every address of its machine, and takes writes under TLS from there alone', () => {
    const origins = originsOf(open, 4321);
    const [first = ''] = origins;
    const host = first.replace('https://', '');
    expect(host).not.toMatch(/^127|^localhost/);
    expect(guard('GET', { host }, origins)).toBeNull();
    expect(guard('PUT', { host, origin: first }, origins)).toBeNull();
    expect(guard('PUT', { host, origin: `http://${host}` }, origins)).toMatchObject({ where: 'Origin' });
    expect(guard('PUT', { host, origin: 'https://127.0.0.1:4321' }, origins)).toMatchObject({
      where: 'Origin',
    });
    expect(guard('GET', { host: 'evil.example:4321' }, origins)).toMatchObject({ where: 'Host' });
  });

  it('answers under the address of a proxy, and takes its writes from there', () => {
    const origins = originsOf({ host: '127.0.0.1', tls: null, address: 'https://plans.example.org' }, 4321);
    const host = 'plans.example.org';
    expect(guard('POST', { host, origin: 'https://plans.example.org' }, origins)).toBeNull();
    expect(guard('POST', { host, origin: 'http://plans.example.org' }, origins)).toMatchObject({
      status: 403,
    });
  });
});

describe('the settings', () => {
  it('have sensible defaults', () => {
    expect(readSettings({}, '/somewhere')).toEqual({
      ok: true,
      settings: {
        host: '127.0.0.1',
        port: 4321,
        dataFolder: '/somewhere/data',
        databaseUrl: null,
        passphrase: null,
        tls: null,
        address: null,
      },
    });
  });

  it('come from the environment', () => {
    const reading = readSettings({ PORT: '5000', HOST: 'localhost', OMBRA_DATA: '/var/ombra' }, '/somewhere');
    expect(reading).toMatchObject({
      ok: true,
      settings: { host: 'localhost', port: 5000, dataFolder: '/var/ombra', passphrase: null },
    });
  });

  it.each([
    [{ PORT: 'many' }, 'PORT must be a number, such as 4321.'],
    [{ PORT: '70000' }, 'PORT must be 65535 or less.'],
    [{ PORT: '1.5' }, 'PORT must be a whole number, such as 4321.'],
    [
      { HOST: '0.0.0.0' },
      'HOST=0.0.0.0 opens Ombra to other machines: set OMBRA_PASSPHRASE as well, or leave HOST out.',
    ],
    [
      { HOST: 'site office' },
      'HOST must be an address of this machine, such as 127.0.0.1, or 0.0.0.0 for all of them.',
    ],
    [
      { OMBRA_PASSPHRASE: 'too short' },
      'OMBRA_PASSPHRASE must have 12 letters or more; four words make a good one.',
    ],
    [
      { OMBRA_ADDRESS: 'https://plans.example.org' },
      'OMBRA_ADDRESS opens Ombra to other machines by a proxy: set OMBRA_PASSPHRASE as well, or leave it out.',
    ],
    [
      { OMBRA_ADDRESS: 'https://plans.example.org/ombra', OMBRA_PASSPHRASE: 'four words make one' },
      'OMBRA_ADDRESS must be the address that browsers show, such as https://plans.example.org.',
    ],
    [
      { OMBRA_TLS: 'yes' },
      'OMBRA_TLS must be “own”; for a certificate of yours set OMBRA_TLS_CERT and OMBRA_TLS_KEY.',
    ],
    [
      { OMBRA_TLS_CERT: 'a.crt' },
      'A certificate needs its key: set both OMBRA_TLS_CERT and OMBRA_TLS_KEY, or neither.',
    ],
    [
      { OMBRA_TLS: 'own', OMBRA_TLS_CERT: 'a.crt', OMBRA_TLS_KEY: 'a.key' },
      'Set either OMBRA_TLS=own or a certificate of yours, not both.',
    ],
    [{ OMBRA_DATA: '' }, 'OMBRA_DATA must name a folder.'],
  ])('%j is refused in plain words', (environment, problem) => {
    expect(readSettings(environment, '/somewhere')).toEqual({ ok: false, problems: [problem] });
  });
});

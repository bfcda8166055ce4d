import { X509Certificate, createPrivateKey } from 'node:crypto';
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import type { Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type AccessStore, makeAccessStore } from '../src/server/access/accessStore';
import { pathTo } from '../src/server/access/answers';
import { ownCertificates } from '../src/server/access/certificates';
import { gate, knocker, sessionCookie, tokenIn } from '../src/server/access/gate';
import { makeDoorkeeper, takePassphrase } from '../src/server/access/passphrase';
import { needOf } from '../src/server/access/permissions';
import { originsNow } from '../src/server/access/origins';
import { testDatabase } from './support/database';

const DAY = 86_400_000;

let folder: string;
let knex: Knex;
let close: () => Promise<void>;
let store: AccessStore;
let now: number;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'ombra-access-'));
  ({ knex, close } = await testDatabase(folder));
  now = Date.parse('2026-12-01T08:00:00Z');
  let id = 0;
  store = makeAccessStore(
    knex,
    () => new Date(now),
    () => `id-${String(++id)}`,
  );
});
afterEach(async () => {
  await close();
  rmSync(folder, { recursive: true });
});

const crewLink = () => store.makeLink({ role: 'crew', name: 'Crew two', job: null, days: 7, madeBy: 'Ada' });
const join_ = async (token: string, name = 'Bo'): Promise<string> => {
  const reading = await store.readLink(token);
  if (reading.kind !== 'open') throw new Error(reading.kind);
  return store.letIn({ role: reading.link.role, name, link: reading.link.id, browser: 'a phone' });
};

describe('links and devices', () => {
  it('let in as the role of the link until it ends, and those who are in stay', async () => {
    const { token } = await crewLink();
    const session = await join_(token);
    expect(await store.personOf(session)).toMatchObject({ role: 'crew', name: 'Bo' });
    now += 7 * DAY;
    expect(await store.readLink(token)).toMatchObject({ kind: 'expired' });
    expect(await store.personOf(session)).toMatchObject({ role: 'crew' });
  });

  it('keep no secret that lets anybody in', async () => {
    const { token } = await crewLink();
    const session = await join_(token);
    const rows = JSON.stringify([await knex('links'), await knex('devices')]);
    expect(rows).not.toContain(token);
    expect(rows).not.toContain(session);
    expect(
      await store.personOf(String((await knex<{ token_hash: string }>('devices').first())?.token_hash)),
    ).toBeNull();
  });

  it('withdrawn, a link takes its devices with it and brings back those alone', async () => {
    const { link, token } = await crewLink();
    const [first, second] = [await join_(token, 'Bo'), await join_(token, 'Cy')];
    const cy = (await store.devices()).find(({ name }) => name === 'Cy');
    now += 1000;
    await store.withdrawDevice(cy?.id ?? '', true);
    now += 1000;
    await store.withdrawLink(link.id, true);
    expect(await store.readLink(token)).toMatchObject({ kind: 'withdrawn' });
    expect(await store.personOf(first)).toBeNull();
    await store.withdrawLink(link.id, false);
    expect(await store.readLink(token)).toMatchObject({ kind: 'open' });
    expect(await store.personOf(first)).toMatchObject({ name: 'Bo' });
    expect(await store.personOf(second)).toBeNull();
  });

  it('comes back after six weeks, and has to come in anew after a quarter of a year unseen', async () => {
    const session = await join_((await crewLink()).token);
    now += 42 * DAY;
    expect(await store.personOf(session)).not.toBeNull();
    now += 89 * DAY;
    expect(await store.personOf(session)).not.toBeNull();
    now += 91 * DAY;
    expect(await store.personOf(session)).toBeNull();
  });
});

describe('the passphrase', () => {
  const RIGHT = 'gravel moon seven ladders';

  it('is kept as argon2id, and another one shows out whoever came in by the one before', async () => {
    const kept = await takePassphrase(store, RIGHT);
    expect(kept).toMatch(/^\$argon2id\$/);
    const office = await store.letIn({ role: 'office', name: 'Ada', link: null, browser: 'a laptop' });
    const crew = await join_((await crewLink()).token);
    expect(await takePassphrase(store, RIGHT)).toBe(kept);
    expect(await store.personOf(office)).not.toBeNull();
    expect(await takePassphrase(store, 'another one of four words')).not.toBe(kept);
    expect(await store.personOf(office)).toBeNull();
    expect(await store.personOf(crew)).not.toBeNull();
  });

  it('may be guessed ten times from an address, at once or one after the other; others go on', async () => {
    const door = makeDoorkeeper(await takePassphrase(store, RIGHT));
    const tries = await Promise.all(
      Array.from({ length: 16 }, (_, index) => door.passphrase(`guess ${String(index)}`, '10.0.0.9')),
    );
    expect(tries.filter(({ kind }) => kind === 'wrong')).toHaveLength(10);
    expect(tries.filter(({ kind }) => kind === 'wait')).toHaveLength(6);
    // The right one does not help whoever has guessed too often.
    expect(await door.passphrase(RIGHT, '10.0.0.9')).toMatchObject({ kind: 'wait' });
    expect(await door.passphrase(RIGHT, '10.0.0.10')).toEqual({ kind: 'right' });
  }, 20_000);

  it('forgets wrong tries once the right one came', async () => {
    const door = makeDoorkeeper(await takePassphrase(store, RIGHT));
    for (let round = 0; round < 3; round++) {
      for (let each = 0; each < 9; each++) await door.wrongLink('10.0.0.9');
      expect(await door.passphrase(RIGHT, '10.0.0.9')).toEqual({ kind: 'right' });
    }
    for (let each = 0; each < 10; each++) await door.wrongLink('10.0.0.9');
    expect(await door.wait('10.0.0.9')).toBeGreaterThan(800);
  });
});

describe('the gate', () => {
  it('lets everyone through where only this machine is served', async () => {
    expect(await gate(null, { method: 'DELETE', path: '/api/jobs/a' })).toMatchObject({
      kind: 'through',
      person: { role: 'office' },
    });
  });

  it('closes whatever nobody has opened', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('POST', 'PUT', 'DELETE', 'PATCH'),
        fc.webPath().filter((path) => !/sign|join|entries|files|here|trust|healthz|away/.test(path)),
        (method, path) => {
          if (/^\/api\/(plant|receiver|ticket|weather)$/.test(path)) return;
          expect(needOf(method, path)).toBe('office');
        },
      ),
    );
    fc.assert(
      fc.property(fc.webPath(), (path) => {
        if (!/^\/(sign-in|join\/|api\/(sign-in|join)$|healthz|trust|away)/.test(path))
          expect(needOf('GET', path)).not.toBe('anyone');
      }),
    );
    // What looks like a door but is none.
    for (const path of [
      '/join',
      '/join/a/b',
      '/sign-in/',
      '/api/join/x',
      '/jobs/a/join/b',
      '/healthz/x',
      '//sign-in',
    ])
      expect(needOf('GET', path)).not.toBe('anyone');
  });

  it('reads the session among other cookies, and takes no other name for it', () => {
    const cookie = sessionCookie('secret', true);
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/Secure/);
    expect(cookie).toMatch(/SameSite=Lax/);
    expect(sessionCookie('secret', false)).not.toMatch(/Secure/);
    expect(sessionCookie('', true)).toMatch(/Max-Age=0/);
    expect(tokenIn('ombra-theme=day; ombra-session=secret; x=1')).toBe('secret');
    expect(tokenIn('xombra-session=secret; __proto__=1')).toBe('');
    expect(tokenIn(undefined)).toBe('');
  });

  it('believes a proxy on this machine alone, and of what it says the last', () => {
    const request = (remoteAddress: string, said?: string) => ({
      headers: said === undefined ? {} : { 'x-forwarded-for': said },
      socket: { remoteAddress },
    });
    expect(knocker(request('127.0.0.1', '1.1.1.1, 2.2.2.2'), true)).toBe('2.2.2.2');
    expect(knocker(request('127.0.0.1', '1.1.1.1'), false)).toBe('127.0.0.1');
    expect(knocker(request('192.168.1.9', '1.1.1.1'), true)).toBe('192.168.1.9');
    expect(knocker(request('127.0.0.1'), true)).toBe('127.0.0.1');
  });

  it.each([
    ['/jobs/shed/today', '/jobs/shed/today'],
    ['//evil.example', '/'],
    ['/\\evil.example', '/'],
    ['https://evil.example', '/'],
    ['javascript:alert(1)', '/'],
    ['/join/abc', '/'],
    ['/sign-in?to=/', '/'],
    [null, '/'],
  ])('leads on from the door to %s only where that is ours', (to, led) => {
    expect(pathTo(to)).toBe(led);
  });
});

it('asks a machine for its addresses anew now and then, not at every request', () => {
  let time = 0;
  const origins = originsNow({ host: '127.0.0.1', tls: null, address: null }, 4321, () => time);
  const first = origins();
  time += 9_000;
  expect(origins()).toBe(first);
  time += 2_000;
  expect(origins()).not.toBe(first);
  expect(origins()).toEqual(first);
});

describe('certificates of our own', () => {
  const names = ['site-laptop.local', '192.168.1.20', '127.0.0.1', '::1'];
  const at = (day: number): Date => new Date(Date.parse('2026-12-01T08:00:00Z') + day * DAY);

  it('are signed by the authority, for every name, valid to a clock that is a day behind, and for a year', async () => {
    const { pair, authority } = await ownCertificates(folder, names, at(0));
    const [server, signer] = [new X509Certificate(pair.certificate), new X509Certificate(authority)];
    expect(server.checkIssued(signer)).toBe(true);
    expect(server.verify(signer.publicKey)).toBe(true);
    expect(server.checkPrivateKey(createPrivateKey(pair.key))).toBe(true);
    expect(signer.ca).toBe(true);
    expect(server.ca).toBe(false);
    expect(server.checkHost('site-laptop.local')).toBeDefined();
    for (const ip of ['192.168.1.20', '127.0.0.1', '::1']) expect(server.checkIP(ip)).toBeDefined();
    expect(server.checkHost('evil.example')).toBeUndefined();
    expect(Date.parse(server.validFrom)).toBeLessThanOrEqual(at(-1).getTime());
    const days = (Date.parse(server.validTo) - Date.parse(server.validFrom)) / DAY;
    expect(days).toBeGreaterThan(365);
    expect(days).toBeLessThanOrEqual(398);
    for (const name of ['authority.key', 'authority.crt', 'server.key', 'server.crt'])
      expect(statSync(join(folder, 'tls', name)).mode & 0o777).toBe(0o600);
  });

  it('are kept while they are good, renewed a month before they end, and made anew for another address', async () => {
    const first = await ownCertificates(folder, names, at(0));
    expect(await ownCertificates(folder, names, at(300))).toMatchObject({ pair: { key: first.pair.key } });
    const other = await ownCertificates(folder, [...names, '10.1.2.3'], at(301));
    expect(other.authority).toBe(first.authority);
    expect(other.pair.key).not.toBe(first.pair.key);
    const renewed = await ownCertificates(folder, [...names, '10.1.2.3'], at(301 + 370));
    expect(renewed.authority).toBe(first.authority);
    expect(renewed.pair.key).not.toBe(other.pair.key);
    expect(
      new X509Certificate(renewed.pair.certificate).verify(new X509Certificate(first.authority).publicKey),
    ).toBe(true);
  });

  it('are made anew where the kept file is broken', async () => {
    await ownCertificates(folder, names, at(0));
    writeFileSync(join(folder, 'tls', 'server.crt'), 'not a certificate');
    const { pair } = await ownCertificates(folder, names, at(1));
    expect(new X509Certificate(pair.certificate).checkHost('site-laptop.local')).toBeDefined();
  });
});

import { describe, expect, it } from 'vitest';
import { LARGEST_BODY, guard } from '../src/server/guard';
import { readSettings } from '../src/server/settings';

const OURS = { host: '127.0.0.1:4321', origin: 'http://127.0.0.1:4321' };

describe('the guard', () => {
  it.each(['127.0.0.1:4321', 'localhost:4321', '[::1]:4321'])(
    'lets its own pages read and write as %s',
    (host) => {
      expect(guard('GET', { host }, 4321)).toBeNull();
      expect(guard('PUT', { host, origin: `http://${host}` }, 4321)).toBeNull();
    },
  );

  it.each(['evil.example', '127.0.0.1:9999', 'localhost', '', '192.168.1.5:4321'])(
    'refuses to answer as “%s”',
    (host) => {
      expect(guard('GET', { host }, 4321)).toMatchObject({ status: 403, where: 'Host' });
    },
  );

  it.each([undefined, 'null', 'http://evil.example', 'https://127.0.0.1:4321', 'http://localhost:4321'])(
    'refuses a write from %s',
    (origin) => {
      for (const method of ['POST', 'PUT', 'DELETE', 'PATCH']) {
        expect(
          guard(method, { host: OURS.host, ...(origin === undefined ? {} : { origin }) }, 4321),
        ).toMatchObject({
          status: 403,
          where: 'Origin',
        });
      }
    },
  );

  it('knows itself on the standard port without the number, and whatever the case', () => {
    for (const host of ['localhost', 'LOCALHOST', '127.0.0.1:80', 'LocalHost:80']) {
      expect(guard('GET', { host }, 80)).toBeNull();
      expect(guard('PUT', { host, origin: `http://${host}` }, 80)).toBeNull();
    }
    expect(guard('PUT', { host: 'LOCALHOST:4321', origin: 'http://localhost:4321' }, 4321)).toBeNull();
  });

  it('takes writes under /api only, and knows nothing of addresses that are not ours', () => {
    expect(guard('POST', OURS, 4321, '/')).toMatchObject({ status: 405, headers: { Allow: 'GET, HEAD' } });
    expect(guard('DELETE', OURS, 4321, '/jobs/a/outline')).toMatchObject({ status: 405 });
    expect(guard('POST', OURS, 4321, '/api/jobs')).toBeNull();
    for (const path of ['/_image', '/_image/x', '/_server-islands/y', '/_actions/z']) {
      expect(guard('GET', OURS, 4321, path)).toMatchObject({ status: 404 });
    }
    expect(guard('GET', OURS, 4321, '/_astro/a.js')).toBeNull();
  });

  it('refuses a body that says it is too large', () => {
    expect(guard('PUT', { ...OURS, 'content-length': String(LARGEST_BODY) }, 4321)).toBeNull();
    expect(guard('PUT', { ...OURS, 'content-length': String(LARGEST_BODY + 1) }, 4321)).toMatchObject({
      status: 413,
    });
  });
});

describe('the settings', () => {
  it('have sensible defaults', () => {
    expect(readSettings({}, '/somewhere')).toEqual({
      ok: true,
      settings: { host: '127.0.0.1', port: 4321, dataFolder: '/somewhere/data' },
    });
  });

  it('come from the environment', () => {
    const reading = readSettings({ PORT: '5000', HOST: 'localhost', OMBRA_DATA: '/var/ombra' }, '/somewhere');
    expect(reading).toEqual({
      ok: true,
      settings: { host: 'localhost', port: 5000, dataFolder: '/var/ombra' },
    });
  });

  it.each([
    [{ PORT: 'many' }, 'PORT must be a number, such as 4321.'],
    [{ PORT: '70000' }, 'PORT must be 65535 or less.'],
    [{ PORT: '1.5' }, 'PORT must be a whole number, such as 4321.'],
    [{ HOST: '0.0.0.0' }, 'HOST must be 127.0.0.1: opening Ombra to other machines is not offered yet.'],
    [{ OMBRA_DATA: '' }, 'OMBRA_DATA must name a folder.'],
  ])('%j is refused in plain words', (environment, problem) => {
    expect(readSettings(environment, '/somewhere')).toEqual({ ok: false, problems: [problem] });
  });
});

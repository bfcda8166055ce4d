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

import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { type Server, createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { builtFiles } from '../src/server/builtFiles';

const SCRIPT = `export const words = '${'a wall and a wall '.repeat(40)}';`;

describe('built files that carry a hash in their name', () => {
  let folder: string;
  let server: Server;
  let base: string;
  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'ombra-built-'));
    writeFileSync(join(folder, 'plan.1a.js'), SCRIPT);
    writeFileSync(join(folder, 'plan.1a.js.br'), brotliCompressSync(SCRIPT));
    writeFileSync(join(folder, 'plan.1a.js.gz'), gzipSync(SCRIPT));
    writeFileSync(join(folder, 'barlow.2b.woff2'), 'letters');
    const files = await builtFiles(pathToFileURL(`${folder}/`), '/_astro/');
    server = createServer((request, response) => {
      if (!files(request, response)) response.writeHead(404).end('not here');
    });
    await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
    base = `http://127.0.0.1:${String((server.address() as AddressInfo).port)}`;
  });
  afterAll(() => {
    server.close();
    rmSync(folder, { recursive: true });
  });

  it.each([
    ['br', 'gzip, deflate, br', 'br'],
    ['gzip', 'gzip, deflate', 'gzip'],
    ['as they are', 'identity', null],
  ])('are sent %s to who takes %s, and are the same once unpacked', async (_, taken, encoding) => {
    const answer = await fetch(`${base}/_astro/plan.1a.js?v=2`, { headers: { 'Accept-Encoding': taken } });
    expect(answer.status).toBe(200);
    expect(answer.headers.get('content-encoding')).toBe(encoding);
    expect(answer.headers.get('content-type')).toBe('text/javascript');
    expect(answer.headers.get('cache-control')).toContain('immutable');
    expect(answer.headers.get('vary')).toBe('Accept-Encoding');
    if (encoding !== null) {
      expect(Number(answer.headers.get('content-length'))).toBeLessThan(SCRIPT.length / 2);
    }
    expect(await answer.text()).toBe(SCRIPT);
  });

  it('are sent as they are where the build laid no compressed copy beside them', async () => {
    const answer = await fetch(`${base}/_astro/barlow.2b.woff2`, { headers: { 'Accept-Encoding': 'br' } });
    expect(answer.headers.get('content-encoding')).toBeNull();
    expect(answer.headers.get('content-type')).toBe('font/woff2');
    expect(await answer.text()).toBe('letters');
  });

  it.each(['/_astro/plan.9z.js', '/_astro/plan.1a.js.br', '/_astro/', '/_astro/../plan.1a.js', '/other'])(
    'leave %s to others',
    async (path) => {
      expect((await fetch(base + path)).status).toBe(404);
    },
  );

  it('leave to others what is not asked to be read', async () => {
    expect((await fetch(`${base}/_astro/plan.1a.js`, { method: 'POST' })).status).toBe(404);
  });
});

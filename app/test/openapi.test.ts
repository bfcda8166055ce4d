import { readFileSync, readdirSync } from 'node:fs';
import { Validator } from '@seriousme/openapi-schema-validator';
import { expect, it } from 'vitest';
import { OPERATIONS, openApi } from '../src/server/api/openapi';

/** Addresses and methods as the folders of the pages have them. */
const served = ['api', 'schema', '.'].flatMap((folder) =>
  readdirSync(`app/src/pages/${folder}`, { recursive: folder !== '.', encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.includes('[...'))
    .flatMap((file) => {
      const text = readFileSync(`app/src/pages/${folder}/${file}`, 'utf8');
      const path = `/${folder === '.' ? '' : `${folder}/`}${file}`
        .replace(/\.ts$/, '')
        .replace(/\/index$/, '')
        .replace(/\[(\w+)\]/g, '{$1}');
      return [...text.matchAll(/export const (GET|POST|PUT|DELETE)\b/g)].map(
        ([, method = '']) => `${method.toLowerCase()} ${path}`,
      );
    }),
);

it('tells of every address that is served, and of no other', () => {
  const told = Object.entries(OPERATIONS).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => `${method} ${path}`),
  );
  // The packed job has a file of its own among the exports.
  const real = served.filter((each) => each !== 'get /api/jobs/{id}/export/job.zip');
  expect([...told].sort()).toEqual([...real].sort());
});

it('is a valid OpenAPI 3.1 document, by the published schema', async () => {
  const validator = new Validator();
  const result = await validator.validate(JSON.parse(JSON.stringify(openApi())) as never);
  expect(result.errors ?? []).toEqual([]);
  expect(result.valid).toBe(true);
  expect(validator.version).toBe('3.1');
});

it('is told of in docs/api.md, address by address', () => {
  const text = readFileSync('docs/api.md', 'utf8');
  for (const [path, methods] of Object.entries(OPERATIONS)) {
    for (const method of Object.keys(methods)) expect(text).toContain(`${method.toUpperCase()} ${path}`);
  }
});

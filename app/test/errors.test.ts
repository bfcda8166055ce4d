import { describe, expect, it } from 'vitest';
import { failureOf, logged } from '../src/server/errors';
import { heavyJob } from '../src/server/heavy/heavyPaths';
import { StartFailure, startSentence } from '../src/server/startFailure';

const coded = (code: string, message = code): Error => Object.assign(new Error(message), { code });

describe('an exception', () => {
  it.each([
    ['SQLITE_BUSY', 503],
    ['SQLITE_FULL', 503],
    ['SQLITE_IOERR_WRITE', 503],
    ['ENOSPC', 503],
    ['SQLITE_CONSTRAINT', 500],
  ])('%s is answered %i', (code, status) => {
    expect(failureOf(coded(code), 'abc').status).toBe(status);
  });

  it('of our own is told under the id that the log has', () => {
    expect(failureOf(new TypeError('x is not a function'), 'abc123').problem.what).toContain('abc123');
  });

  it('never brings a plan into the log', () => {
    const plan = 'secret '.repeat(5000);
    for (const message of [
      `insert into \`states\` (\`data\`) values ('${plan}') - SQLITE_FULL: database or disk is full`,
      `update \`jobs\` set \`plan\` = '${plan}' - UNIQUE failed`,
      plan,
    ]) {
      expect(JSON.stringify(logged(coded('X', message))).length).toBeLessThan(1500);
    }
    expect(logged(coded('X', `insert into x values ('${plan}') - UNIQUE failed`))['message']).toBe(
      'UNIQUE failed',
    );
  });
});

describe('a start that fails', () => {
  const said = (error: unknown) => startSentence(error, '/data', () => '/data/backups/good.sqlite');
  it.each([
    [coded('SQLITE_CORRUPT'), /damaged.*good\.sqlite.*npm run restore/],
    [coded('SQLITE_NOTADB', 'file is not a database'), /damaged/],
    [coded('ENOSPC'), /full/],
    [coded('SQLITE_FULL'), /full/],
    [coded('EROFS'), /may not write/],
    [coded('SQLITE_READONLY'), /may not write/],
    [coded('', 'ConnectionFailed("Unable to open connection to local database /x: 14")'), /may not write/],
    [coded('ENOTDIR'), /not a folder/],
    [coded('SQLITE_IOERR_READ'), /disk/],
    [coded('SQLITE_BUSY'), /Another program/],
    [coded('EADDRINUSE'), /port is taken/],
    [Object.assign(coded('EACCES'), { syscall: 'listen' }), /port under 1024/],
    [new StartFailure('In words.'), /^In words\.$/],
  ])('%s is one sentence', (error, words) => {
    expect(said(error)).toMatch(words);
  });

  it('tells a damaged database without a backup apart, and leaves faults of the program alone', () => {
    expect(startSentence(coded('SQLITE_CORRUPT'), '/data', () => null)).toMatch(/no good backup/);
    expect(said(new TypeError('x'))).toBeNull();
  });
});

describe('addresses that are worked in a thread', () => {
  it.each([
    ['/jobs/a/sheets/courses', 'a'],
    ['/jobs/a%20b/sheets/order', 'a b'],
    ['/api/jobs/a/openings.csv', 'a'],
    ['/api/jobs/a/glance', 'a'],
    ['/api/jobs/a/worked', 'a'],
    ['/jobs/a/outline', null],
    ['/api/jobs/a/plan.json', null],
    ['/api/jobs/a', null],
    ['/jobs/%E0%A4%A/sheets/order', null],
  ])('%s', (path, id) => {
    expect(heavyJob(path)).toBe(id);
  });
});

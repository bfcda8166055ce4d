import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { copyFile, mkdir, readFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import type { Knex } from 'knex';
import { pathOfFile } from '../fileStore';
import { StartFailure } from '../startFailure';

/**
 * Carries the pictures of all jobs from one folder to another, and holds each against the hash that it is named by. Where both are the
 * same they are only looked at. Answers how many there are.
 */
export async function moveFiles(knex: Knex, from: string, to: string): Promise<number> {
  const rows = await knex<{ hash: string }>('files').distinct('hash').orderBy('hash');
  for (const { hash } of rows) {
    const [source, target] = [pathOfFile(from, hash), pathOfFile(to, hash)];
    if (!existsSync(source))
      throw new StartFailure(`The picture ${source} is missing; bring it back from a backup.`);
    if (from !== to && !existsSync(target)) {
      await mkdir(dirname(target), { recursive: true, mode: 0o700 });
      await copyFile(source, target);
    }
    const is = createHash('sha256')
      .update(await readFile(target))
      .digest('hex');
    if (is !== hash)
      throw new StartFailure(
        `The picture ${target} does not hold what it was named by; bring it back from a backup.`,
      );
  }
  return rows.length;
}

import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { backUpBefore, backUpToday } from '../src/server/backups';
import { checkDatabase, connect } from '../src/server/sqlite';

describe('a backup that was killed on its way', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'ombra-backups-'));
    mkdirSync(join(folder, 'backups'));
  });
  afterEach(() => {
    rmSync(folder, { recursive: true, force: true });
  });
  const leave = (name: string): void => {
    writeFileSync(join(folder, 'backups', name), 'half of it');
  };
  const names = () => readdirSync(join(folder, 'backups')).sort();

  it('leaves nothing once the next one of the day is made, on that day or later', async () => {
    const knex = connect(join(folder, 'ombra.sqlite'));
    try {
      await knex.schema.createTable('jobs', (table) => table.increments());
      for (const day of ['2026-03-01', '2026-03-02']) {
        leave(`ombra-${day}.sqlite.part`);
        leave(`ombra-${day}.sqlite.part-journal`);
      }
      // Somebody’s own file is not ours to clear up.
      leave('mine.part');
      const file = await backUpToday(knex, folder, new Date('2026-03-02T12:00:00Z'));
      expect(names()).toEqual(['mine.part', 'ombra-2026-03-02.sqlite']);
      expect(file !== null && (await checkDatabase(file, 'whole'))).toBeNull();
    } finally {
      await knex.destroy();
    }
  });

  it('before a migration is made anew under its own name', async () => {
    const knex = connect(join(folder, 'ombra.sqlite'));
    try {
      await knex.schema.createTable('jobs', (table) => table.increments());
      leave('before-three.sqlite.part');
      leave('before-three.sqlite.part-journal');
      const file = await backUpBefore(knex, folder, 'three');
      expect(names()).toEqual(['before-three.sqlite']);
      expect(existsSync(file) && (await checkDatabase(file, 'whole'))).toBeNull();
    } finally {
      await knex.destroy();
    }
  });
});

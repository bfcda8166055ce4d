import { chmodSync, copyFileSync, existsSync, linkSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { backupsFolder, unfitToRestore } from './backups';
import { readSettings } from './settings';
import { connect, databaseFile, holdFolder } from './sqlite';
import { StartFailure, startSentence } from './startFailure';

/** Writes what still stands in a database's log into the database itself, where that can be done. */
async function writeLogHome(file: string): Promise<void> {
  const knex = connect(file);
  try {
    await knex.raw('PRAGMA wal_checkpoint(TRUNCATE)');
  } catch {
    // A damaged database is set aside as it is.
  } finally {
    await knex.destroy();
  }
}

/**
 * Puts a backup in the place of the database of a folder. The file is checked first; what stood there is set aside, never
 * deleted.
 *
 * @returns where the database that stood there is kept now; null where there was none
 */
export async function restore(file: string, folder: string, now: Date): Promise<string | null> {
  const unfit = await unfitToRestore(file);
  if (unfit !== null) throw new StartFailure(unfit);
  const release = await holdFolder(folder);
  try {
    const target = databaseFile(folder);
    const incoming = `${target}.part`;
    copyFileSync(file, incoming);
    chmodSync(incoming, 0o600);
    let aside: string | null = null;
    if (existsSync(target)) {
      const backups = backupsFolder(folder);
      mkdirSync(backups, { recursive: true, mode: 0o700 });
      aside = join(backups, `replaced-${now.toISOString().replace(/[:.]/g, '-')}.sqlite`);
      await writeLogHome(target);
      // The log belongs to the file that it was written for; the copy takes along what of it could not be written home.
      const log = `${target}-wal`;
      if (existsSync(log)) copyFileSync(log, `${aside}-wal`);
      linkSync(target, aside);
    }
    for (const part of ['-wal', '-shm']) rmSync(`${target}${part}`, { force: true });
    // In one step: whenever this is broken off, a whole database stands there.
    renameSync(incoming, target);
    return aside;
  } finally {
    await release();
  }
}

/** `npm run restore -- FILE`: the database as it was in a backup. The server must not run. */
async function main(): Promise<void> {
  const [file] = process.argv.slice(2);
  const reading = readSettings(process.env, fileURLToPath(new URL('../../../', import.meta.url)));
  const sorry = (sentence: string): void => {
    console.error(sentence);
    process.exitCode = 1;
  };
  if (!reading.ok) {
    sorry(reading.problems.join('\n'));
    return;
  }
  if (file === undefined) {
    sorry('Name the backup to bring back: npm run restore -- FILE');
    return;
  }
  const { dataFolder } = reading.settings;
  process.umask(0o077);
  try {
    const aside = await restore(resolve(process.env['INIT_CWD'] ?? '.', file), dataFolder, new Date());
    console.log(`The database in ${dataFolder} is that of ${file} again.`);
    if (aside !== null) console.log(`What stood there before is kept as ${aside}.`);
  } catch (error) {
    sorry(startSentence(error, dataFolder, () => null) ?? String(error));
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) void main();

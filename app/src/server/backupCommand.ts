import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { copyDatabase, newestGoodBackup } from './backups';
import { readSettings } from './settings';
import { connect, databaseFile } from './sqlite';
import { startSentence } from './startFailure';

/** `npm run backup -- FILE`: a checked copy of the database, also while the server runs. */
async function main(): Promise<void> {
  const [file] = process.argv.slice(2);
  const reading = readSettings(process.env, fileURLToPath(new URL('../../../', import.meta.url)));
  if (!reading.ok) throw new Error(reading.problems.join(' '));
  const { dataFolder } = reading.settings;
  const source = databaseFile(dataFolder);
  const sorry = (sentence: string): void => {
    console.error(sentence);
    process.exitCode = 1;
  };
  if (file === undefined) {
    sorry('Name the file to write: npm run backup -- FILE');
    return;
  }
  const target = resolve(process.env['INIT_CWD'] ?? '.', file);
  if (!existsSync(source)) {
    sorry(`There is no database in ${dataFolder}; nothing was written.`);
    return;
  }
  if (existsSync(target)) {
    sorry(`${target} is there already; name another file. Nothing was written.`);
    return;
  }
  process.umask(0o077);
  const knex = connect(source);
  try {
    await knex.raw('PRAGMA busy_timeout = 5000');
    await copyDatabase(knex, target);
    console.log(`Backed up to ${target}; the copy was opened and checked.`);
  } catch (error) {
    const backup = await newestGoodBackup(dataFolder);
    sorry(startSentence(error, dataFolder, () => backup) ?? `No backup was written: ${String(error)}`);
  } finally {
    await knex.destroy();
  }
}

void main();

import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import type { Knex } from 'knex';
import { move } from './move/move';
import { moveFiles } from './move/moveFiles';
import { connectPostgres, openPostgres } from './postgres';
import { type Settings, readSettings } from './settings';
import { connect, databaseFile, holdFolder, openDatabase } from './sqlite';
import { startSentence } from './startFailure';

const HOW =
  'Say where to: npm run move -- --to postgres://user@host/name, or --to FOLDER. With --files FOLDER the pictures go there as well.';

/** A database with the folder that its pictures lie in. */
interface End {
  readonly knex: Knex;
  readonly folder: string;
  readonly close: () => Promise<void>;
}

const isAddress = (text: string): boolean => /^postgres(ql)?:\/\//.test(text);

/** Opens what is moved from; its data folder is held, so that no server writes into it meanwhile. */
async function source({ databaseUrl, dataFolder: folder }: Settings): Promise<End> {
  if (databaseUrl !== null) {
    const knex = connectPostgres(databaseUrl);
    return { knex, folder, close: () => knex.destroy() };
  }
  const release = await holdFolder(folder);
  const knex = connect(databaseFile(folder));
  const close = async (): Promise<void> => {
    await knex.destroy();
    await release();
  };
  return { knex, folder, close };
}

/** Opens what is moved to, and brings it up to date. */
async function target(to: string, files: string): Promise<End> {
  if (isAddress(to)) {
    const knex = await openPostgres(to);
    return { knex, folder: files, close: () => knex.destroy() };
  }
  const release = await holdFolder(to);
  const { knex } = await openDatabase(to, () => Promise.resolve(''));
  const close = async (): Promise<void> => {
    await knex.destroy();
    await release();
  };
  return { knex, folder: to, close };
}

/** `npm run move -- --to WHERE`: carries everything over into another database, verified by counts and hashes. */
async function main(): Promise<void> {
  const { values } = parseArgs({ options: { to: { type: 'string' }, files: { type: 'string' } } });
  const reading = readSettings(process.env, fileURLToPath(new URL('../../../', import.meta.url)));
  const here = process.env['INIT_CWD'] ?? '.';
  const { to } = values;
  if (!reading.ok || to === undefined) {
    console.error(reading.ok ? HOW : reading.problems.join('\n'));
    process.exitCode = 1;
    return;
  }
  const { settings } = reading;
  process.umask(0o077);
  const ends: End[] = [];
  try {
    const from = await source(settings);
    ends.push(from);
    const files = values.files === undefined ? settings.dataFolder : resolve(here, values.files);
    const into = await target(isAddress(to) ? to : resolve(here, to), files);
    ends.push(into);
    await move(from.knex, into.knex, (line) => {
      console.log(line);
    });
    const pictures = await moveFiles(from.knex, from.folder, into.folder);
    console.log(
      `${String(pictures)} ${pictures === 1 ? 'picture' : 'pictures'} in ${into.folder}, each as its hash says`,
    );
    console.log(
      isAddress(to)
        ? `Moved. Start with OMBRA_DATABASE_URL and OMBRA_DATA=${into.folder}.`
        : `Moved. Start with OMBRA_DATA=${into.folder} and without OMBRA_DATABASE_URL.`,
    );
  } catch (error) {
    console.error(startSentence(error, settings.dataFolder, () => null) ?? error);
    process.exitCode = 1;
  } finally {
    for (const end of ends.reverse()) await end.close().catch(() => undefined);
  }
}

void main();

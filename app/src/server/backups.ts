import { chmodSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import { startOfISOWeek } from 'date-fns';
import type { Knex } from 'knex';
import { checkDatabase, connect } from './sqlite';

/** Keep one backup a day for a week, then one a week for four weeks. [ours] */
const DAYS = 7;
const WEEKS = 4;

const DAILY = /^ombra-(\d{4}-\d{2}-\d{2})\.sqlite$/;

/** What a backup of a day leaves that was killed on its way. */
const UNFINISHED_DAILY = /^ombra-\d{4}-\d{2}-\d{2}\.sqlite\.part/;

export const backupsFolder = (folder: string): string => join(folder, 'backups');

const dayName = (day: Date): string => `ombra-${day.toISOString().slice(0, 10)}.sqlite`;

/**
 * Copies a whole open database into a file, checks the copy from end to end, and only then gives it its name: a backup that is
 * there is a good one.
 */
export async function copyDatabase(knex: Knex, file: string): Promise<void> {
  const unfinished = `${file}.part`;
  rmSync(unfinished, { force: true });
  await knex.raw('VACUUM INTO ?', [unfinished]);
  chmodSync(unfinished, 0o600);
  const wrong = await checkDatabase(unfinished, 'whole');
  if (wrong !== null) {
    rmSync(unfinished, { force: true });
    throw new Error(`The backup does not check: ${wrong}`);
  }
  renameSync(unfinished, file);
}

/** Which of the daily backups may go: all but those of the last days, and the newest of each of the weeks before them. */
export function outlived(names: readonly string[]): readonly string[] {
  const daily = names.filter((name) => DAILY.test(name)).sort();
  const days = daily.slice(-DAYS);
  const weekOf = (name: string): number =>
    startOfISOWeek(new Date(`${DAILY.exec(name)?.[1] ?? ''}T12:00:00Z`)).getTime();
  const newestOfWeek = new Map(daily.slice(0, -DAYS).map((name) => [weekOf(name), name]));
  const weeks = [...newestOfWeek.entries()]
    .sort(([a], [b]) => a - b)
    .slice(-WEEKS)
    .map(([, name]) => name);
  const kept = new Set([...days, ...weeks]);
  return daily.filter((name) => !kept.has(name));
}

/** Today's backup, where there is none yet; those that have outlived their days go. Answers its path, or null. */
export async function backUpToday(knex: Knex, folder: string, now: Date): Promise<string | null> {
  const backups = backupsFolder(folder);
  mkdirSync(backups, { recursive: true, mode: 0o700 });
  const file = join(backups, dayName(now));
  if (existsSync(file)) return null;
  for (const name of readdirSync(backups)) {
    if (UNFINISHED_DAILY.test(name)) rmSync(join(backups, name), { force: true });
  }
  await copyDatabase(knex, file);
  for (const name of outlived(readdirSync(backups))) rmSync(join(backups, name), { force: true });
  return file;
}

/** The backup before a migration has its name: one that failed and is tried again makes no second one. */
export async function backUpBefore(knex: Knex, folder: string, migration: string): Promise<string> {
  const backups = backupsFolder(folder);
  mkdirSync(backups, { recursive: true, mode: 0o700 });
  const file = join(backups, `before-${migration}.sqlite`);
  await copyDatabase(knex, file);
  return file;
}

/** The newest backup that opens and checks; null where there is none. */
export async function newestGoodBackup(folder: string): Promise<string | null> {
  const backups = backupsFolder(folder);
  const names = existsSync(backups) ? readdirSync(backups).filter((name) => name.endsWith('.sqlite')) : [];
  // Daily ones by their day; those before a migration are older than any of the days after it.
  const inOrder = [
    ...names
      .filter((name) => DAILY.test(name))
      .sort()
      .reverse(),
    ...names
      .filter((name) => !DAILY.test(name))
      .sort()
      .reverse(),
  ];
  for (const name of inOrder) {
    const file = join(backups, name);
    if ((await checkDatabase(file, 'whole')) === null) return file;
  }
  return null;
}

/** Whether a file is a database of Ombra that can take the place of the present one; why not, where it is none. */
export async function unfitToRestore(file: string): Promise<string | null> {
  if (!existsSync(file)) return `There is no file ${file}.`;
  const wrong = await checkDatabase(file, 'whole');
  if (wrong !== null) return `${basename(file)} is no good database (${wrong}); choose another backup.`;
  const knex = connect(file);
  try {
    const ours = await knex.schema.hasTable('jobs');
    return ours ? null : `${basename(file)} is a database, but none of Ombra’s.`;
  } finally {
    await knex.destroy();
  }
}

/** Why Ombra cannot start, in one sentence with what to do; the cause is for the log. */
export class StartFailure extends Error {
  override readonly name = 'StartFailure';
}

const codeOf = (error: unknown): string =>
  error instanceof Error && 'code' in error && typeof error.code === 'string' ? error.code : '';

/** SQLite's own number for “unable to open”, which its driver only tells in words. */
const CANNOT_OPEN = /unable to open.*: 14\b/i;

/** What of a database file is damaged, and the way back. */
const damaged = (file: string, backup: string | null): string =>
  backup === null
    ? `The database ${file} is damaged, and no good backup of it was found. Move it aside to start afresh; nothing of it was changed.`
    : `The database ${file} is damaged. Its newest good backup is ${backup}; bring it back with: npm run restore -- ${backup}`;

/** Why a database of PostgreSQL does not open; null for what has to do with none. */
function databaseSentence(code: string): string | null {
  if (['ECONNREFUSED', 'ENOTFOUND', 'EAI_AGAIN', 'ETIMEDOUT', '57P03'].includes(code))
    return 'The database of OMBRA_DATABASE_URL does not answer; start PostgreSQL there, or look at host and port.';
  if (['28P01', '28000'].includes(code))
    return 'The database of OMBRA_DATABASE_URL does not let this user in; look at user and password.';
  if (code === '3D000')
    return 'There is no database of that name at OMBRA_DATABASE_URL; make it with: createdb NAME.';
  return code === '42501'
    ? 'The user of OMBRA_DATABASE_URL may make no tables there; make it the owner of the database.'
    : null;
}

/**
 * A failure of the data folder or the database as one sentence; null for what is none of these, and so a fault of the program.
 *
 * @param newestGood finds the newest backup that opens, for a damaged database
 */
export function startSentence(
  error: unknown,
  folder: string,
  newestGood: () => string | null,
): string | null {
  if (error instanceof StartFailure) return error.message;
  const code = codeOf(error);
  const message = error instanceof Error ? error.message : '';
  if (
    code.startsWith('SQLITE_CORRUPT') ||
    code === 'SQLITE_NOTADB' ||
    /malformed|not a database/.test(message)
  ) {
    return damaged(`${folder}/ombra.sqlite`, newestGood());
  }
  if (code === 'EACCES' && error instanceof Error && 'syscall' in error && error.syscall === 'listen') {
    return 'A port under 1024 needs more rights than Ombra has; choose another, such as PORT=4321.';
  }
  if (code === 'ENOSPC' || code.startsWith('SQLITE_FULL') || /disk is full/.test(message)) {
    return `The disk that holds ${folder} is full; make room and start again. Nothing was lost.`;
  }
  if (
    ['EACCES', 'EPERM', 'EROFS', 'SQLITE_PERM', 'SQLITE_CANTOPEN'].includes(code) ||
    code.startsWith('SQLITE_READONLY') ||
    CANNOT_OPEN.test(message) ||
    /readonly database/.test(message)
  ) {
    return `Ombra may not write in ${folder}; give it the right to, or name another folder with OMBRA_DATA.`;
  }
  const database = databaseSentence(code);
  if (database !== null) return database;
  if (code === 'ENOTDIR' || code === 'EEXIST') {
    return `${folder} is not a folder; name another one with OMBRA_DATA.`;
  }
  if (code.startsWith('SQLITE_IOERR')) {
    return `The disk that holds ${folder} does not read or write as it should (${code}); look at the disk, then start again.`;
  }
  if (code.startsWith('SQLITE_BUSY') || /database is locked/.test(message)) {
    return `Another program holds the database in ${folder}; end it, then start again.`;
  }
  if (code === 'EADDRINUSE') {
    return 'That port is taken; stop what runs there, or choose another with PORT=4322 npm start.';
  }
  return null;
}

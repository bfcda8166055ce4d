import { startPostgres } from '../../../scripts/postgres';

const PORT = 54_329;

/** Starts PostgreSQL for the tests of the stores. */
export default function setup(): (() => void) | undefined {
  const own = startPostgres(PORT);
  if (!own) {
    console.error('No PostgreSQL on this machine: the stores were tested on SQLite alone.');
    process.exit(0);
  }
  process.env['OMBRA_TEST_DATABASE_URL'] = own.url;
  return own.stop;
}

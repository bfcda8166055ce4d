import type { Knex } from 'knex';
import { makeEntryWords } from './entrySearch';
import { folded } from './folded';
import { keepState } from './revisions';
import { StartFailure } from './startFailure';

interface Migration {
  readonly name: string;
  readonly up: (knex: Knex) => Promise<void>;
}

/** Forward only, in this order, never changed once released. */
const MIGRATIONS: readonly Migration[] = [
  {
    name: '001-jobs-and-revisions',
    up: async (knex) => {
      await knex.schema.createTable('jobs', (table) => {
        table.string('id', 60).primary();
        table.string('name', 120).notNullable();
        table.integer('version').notNullable();
        table.text('plan').notNullable();
        table.string('created_at', 30).notNullable();
        table.string('updated_at', 30).notNullable().index();
        table.string('deleted_at', 30).nullable().index();
      });
      await knex.schema.createTable('revisions', (table) => {
        table.string('job_id', 60).notNullable().references('jobs.id');
        table.integer('version').notNullable();
        table.string('save_id', 60).notNullable();
        table.text('plan').notNullable();
        table.string('saved_at', 30).notNullable();
        table.primary(['job_id', 'version']);
        table.unique(['job_id', 'save_id']);
      });
    },
  },
  {
    name: '002-states-as-differences',
    up: async (knex) => {
      await knex.schema.createTable('states', (table) => {
        table.string('job_id', 60).notNullable().references('jobs.id');
        table.integer('version').notNullable();
        table.string('save_id', 60).notNullable();
        table.string('saved_at', 30).notNullable();
        table.integer('size').notNullable();
        table.integer('base').nullable();
        table.binary('data').notNullable();
        table.primary(['job_id', 'version']);
        table.unique(['job_id', 'save_id']);
      });
      // Job by job, state by state: no database is too large for it.
      const jobs = await knex<{ id: string; name: string }>('jobs')
        .select('id', 'name')
        .orderBy('updated_at');
      for (const { id } of jobs) {
        const versions = await knex<OldRevision>('revisions')
          .where({ job_id: id })
          .select('version')
          .orderBy('version');
        for (const { version } of versions) {
          const row = await knex<OldRevision>('revisions').where({ job_id: id, version }).first();
          if (!row) continue;
          const { save_id: saveId, saved_at: savedAt, plan: text } = row;
          await keepState(knex, { jobId: id, version, saveId, savedAt, text });
        }
      }
      await knex.schema.dropTable('revisions');
      // A number that only goes up tells which job was touched last: clocks go back.
      await knex.schema.alterTable('jobs', (table) => {
        table.integer('touched').notNullable().defaultTo(0);
        table.string('folded', 200).notNullable().defaultTo('');
        table.index(['touched']);
      });
      await knex.schema.createTable('counters', (table) => {
        table.string('name', 40).primary();
        table.integer('value').notNullable();
      });
      for (const [index, { id, name }] of jobs.entries()) {
        await knex('jobs')
          .where({ id })
          .update({ touched: index + 1, folded: folded(name) });
      }
      await knex('counters').insert({ name: 'touched', value: jobs.length });
    },
  },
  {
    name: '003-log',
    up: async (knex) => {
      await knex.schema.createTable('entries', (table) => {
        table.increments('number');
        table.string('job_id', 60).notNullable().references('jobs.id');
        table.string('id', 60).notNullable();
        table.string('kind', 20).notNullable().index();
        table.text('entry').notNullable();
        table.string('received_at', 30).notNullable();
        table.unique(['job_id', 'id']);
        table.index(['job_id', 'number']);
      });
      await makeEntryWords(knex);
      await knex.schema.createTable('files', (table) => {
        table.string('job_id', 60).notNullable().references('jobs.id');
        table.string('hash', 64).notNullable();
        table.string('type', 40).notNullable();
        table.integer('size').notNullable();
        table.string('received_at', 30).notNullable();
        table.primary(['job_id', 'hash']);
      });
    },
  },
  {
    name: '004-access',
    up: async (knex) => {
      await knex.schema.createTable('links', (table) => {
        table.string('id', 60).primary();
        table.string('role', 10).notNullable();
        table.string('name', 80).notNullable();
        table.string('token_hash', 64).notNullable().unique();
        table.string('job_id', 60).nullable();
        table.string('made_at', 30).notNullable().index();
        table.string('made_by', 80).notNullable();
        table.string('expires_at', 30).notNullable();
        table.string('withdrawn_at', 30).nullable();
      });
      await knex.schema.createTable('devices', (table) => {
        table.string('id', 60).primary();
        table.string('token_hash', 64).notNullable().unique();
        table.string('role', 10).notNullable();
        table.string('name', 80).notNullable();
        table.string('link_id', 60).nullable().references('links.id');
        table.string('browser', 120).notNullable();
        table.string('since', 30).notNullable();
        table.string('seen_at', 30).notNullable().index();
        table.string('withdrawn_at', 30).nullable();
      });
      await knex.schema.createTable('secrets', (table) => {
        table.string('name', 40).primary();
        table.text('value').notNullable();
      });
      await knex.schema.createTable('presences', (table) => {
        table.string('job_id', 60).notNullable();
        table.string('page', 60).notNullable();
        table.string('name', 80).notNullable();
        // Milliseconds since 1970.
        table.bigInteger('seen_at').notNullable();
        table.primary(['job_id', 'page']);
      });
      // Who sent it, as the door knows them; empty on the machine itself.
      await knex.schema.alterTable('entries', (table) => {
        table.string('sent_by', 80).notNullable().defaultTo('');
      });
      await knex.schema.alterTable('states', (table) => {
        table.string('saved_by', 80).notNullable().defaultTo('');
      });
    },
  },
];

/** A row of the table that kept every state whole, until the second migration. */
interface OldRevision {
  readonly job_id: string;
  readonly version: number;
  readonly save_id: string;
  readonly saved_at: string;
  readonly plan: string;
}

/** The migrations that this program knows; a database that has more is of a newer one. */
const KNOWN_MIGRATIONS: readonly string[] = MIGRATIONS.map(({ name }) => name);

/** Migrations as Knex wants them: from code, so that they are bundled and typed like the rest. */
export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...MIGRATIONS]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) =>
    Promise.resolve({
      up: migration.up,
      down: () => Promise.reject(new Error('Migrations only go forward.')),
    }),
};

/** Migrations of a database that are still to come; throws where it has some that only a newer program knows. */
export async function pendingMigrations(knex: Knex): Promise<readonly string[]> {
  const kept = await knex.schema.hasTable('knex_migrations');
  const done = kept
    ? (await knex<{ name: string }>('knex_migrations').select('name')).map(({ name }) => name)
    : [];
  const newer = done.find((name) => !KNOWN_MIGRATIONS.includes(name));
  if (newer !== undefined) {
    throw new StartFailure(
      'This database was written by a newer Ombra; start that one, or bring back a backup from before it (npm run restore -- FILE).',
    );
  }
  return KNOWN_MIGRATIONS.filter((name) => !done.includes(name));
}

import type { Knex } from 'knex';

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
];

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

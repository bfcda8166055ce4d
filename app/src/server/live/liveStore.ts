import type { Knex } from 'knex';
import type { Clock } from '../services';

/** How a job stands: what others look for when it goes up. */
export interface JobPulse {
  readonly version: number;
  /** Number of the newest entry of its log. */
  readonly last: number;
}

/** Somebody who has a job open. */
export interface Here {
  /** One page of one browser. */
  readonly page: string;
  readonly name: string;
}

/** Who has which job open, and how jobs stand; shared by all servers on one database. */
export interface LiveStore {
  /** Null where there is no such job. */
  readonly pulse: (jobId: string) => Promise<JobPulse | null>;
  /** Says that somebody has a job open, for the next while. */
  readonly come: (jobId: string, here: Here) => Promise<void>;
  readonly go: (jobId: string, page: string) => Promise<void>;
  /** Who was there lately, by name. */
  readonly here: (jobId: string) => Promise<readonly Here[]>;
}

/** Whoever has said nothing for so long has gone. */
export const GONE_AFTER = 45_000;

/** A row of the table `presences`. */
interface PresenceRow {
  readonly job_id: string;
  readonly page: string;
  readonly name: string;
  readonly seen_at: number;
}

export function makeLiveStore(knex: Knex, clock: Clock): LiveStore {
  const presences = () => knex<PresenceRow>('presences');
  return {
    pulse: async (jobId) => {
      const job = await knex<{ id: string; version: number; deleted_at: string | null }>('jobs')
        .where({ id: jobId, deleted_at: null })
        .first('version');
      if (!job) return null;
      const entry = await knex<{ job_id: string; number: number }>('entries')
        .where({ job_id: jobId })
        .orderBy('number', 'desc')
        .first('number');
      return { version: job.version, last: entry?.number ?? 0 };
    },
    come: async (jobId, { page, name }) => {
      await presences()
        .insert({ job_id: jobId, page, name, seen_at: clock().getTime() })
        .onConflict(['job_id', 'page'])
        .merge();
    },
    go: async (jobId, page) => {
      await presences()
        .where({ job_id: jobId, page })
        .orWhere('seen_at', '<', clock().getTime() - 10 * GONE_AFTER)
        .delete();
    },
    here: async (jobId) => {
      const rows = await presences()
        .where({ job_id: jobId })
        .where('seen_at', '>', clock().getTime() - GONE_AFTER)
        .orderBy('page')
        .limit(50)
        .select('page', 'name');
      return rows.map(({ page, name }) => ({ page, name }));
    },
  };
}

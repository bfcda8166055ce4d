import type { Knex } from 'knex';
import type { Clock, Ids } from '../services';
import type { Person, Role } from './roles';
import { hashOf, newToken } from './tokens';

/** A row of the table `links`. */
interface LinkRow {
  readonly id: string;
  readonly role: Role;
  readonly name: string;
  readonly token_hash: string;
  /** The job that it leads to; null for the list of jobs. */
  readonly job_id: string | null;
  readonly made_at: string;
  readonly made_by: string;
  readonly expires_at: string;
  readonly withdrawn_at: string | null;
}

/** A row of the table `devices`. */
interface DeviceRow {
  readonly id: string;
  readonly token_hash: string;
  readonly role: Role;
  readonly name: string;
  /** The link that it came in by; null for the passphrase. */
  readonly link_id: string | null;
  /** Which browser it is, as it says itself. */
  readonly browser: string;
  readonly since: string;
  readonly seen_at: string;
  readonly withdrawn_at: string | null;
}

/** A link as the office sees it; its secret is told once, when it is made. */
export interface Link {
  readonly id: string;
  readonly role: Role;
  readonly name: string;
  readonly job: string | null;
  readonly madeAt: string;
  readonly madeBy: string;
  readonly expiresAt: string;
  readonly withdrawnAt: string | null;
}

/** A device that is in, as the office sees it. */
export interface Device {
  readonly id: string;
  readonly role: Role;
  readonly name: string;
  readonly link: string | null;
  readonly browser: string;
  readonly since: string;
  readonly seenAt: string;
  readonly withdrawnAt: string | null;
}

/** What a link is good for at this moment. */
export type LinkReading =
  | { readonly kind: 'open'; readonly link: Link }
  | { readonly kind: 'expired'; readonly link: Link }
  | { readonly kind: 'withdrawn'; readonly link: Link }
  | { readonly kind: 'unknown' };

export interface NewLink {
  readonly role: Role;
  readonly name: string;
  readonly job: string | null;
  readonly days: number;
  readonly madeBy: string;
}

/** Links that people come in by, and the devices that are in. */
export interface AccessStore {
  readonly makeLink: (link: NewLink) => Promise<{ readonly link: Link; readonly token: string }>;
  readonly readLink: (token: string) => Promise<LinkReading>;
  /** Lets a device in; answers the secret that it shows from now on. */
  readonly letIn: (device: {
    readonly role: Role;
    readonly name: string;
    readonly link: string | null;
    readonly browser: string;
  }) => Promise<string>;
  /** Who shows a secret; null where it lets nobody in, or no more. */
  readonly personOf: (token: string) => Promise<Person | null>;
  readonly links: () => Promise<readonly Link[]>;
  readonly devices: () => Promise<readonly Device[]>;
  /** Withdraws a link with every device that came in by it, or gives it back; false where there is none. */
  readonly withdrawLink: (id: string, withdrawn: boolean) => Promise<boolean>;
  readonly withdrawDevice: (id: string, withdrawn: boolean) => Promise<boolean>;
  /** The kept form of the passphrase; null where there is none yet. */
  readonly passphrase: () => Promise<string | null>;
  /** Keeps another one; whoever came in by the one before has to come in anew. */
  readonly changePassphrase: (kept: string) => Promise<void>;
}

const DAY = 86_400_000;

/** A device that was not seen for so long has to come in anew: a quarter of a year, more than a winter’s break. [ours] */
const FORGOTTEN_AFTER = 90 * DAY;

/** How often it is noted that a device was seen. */
const SEEN_EVERY = 5 * 60_000;

const linkOf = (row: LinkRow): Link => ({
  id: row.id,
  role: row.role,
  name: row.name,
  job: row.job_id,
  madeAt: row.made_at,
  madeBy: row.made_by,
  expiresAt: row.expires_at,
  withdrawnAt: row.withdrawn_at,
});

const deviceOf = (row: DeviceRow): Device => ({
  id: row.id,
  role: row.role,
  name: row.name,
  link: row.link_id,
  browser: row.browser,
  since: row.since,
  seenAt: row.seen_at,
  withdrawnAt: row.withdrawn_at,
});

/** Links and devices that a list shows at most. */
const LONGEST_LIST = 500;

export function makeAccessStore(knex: Knex, clock: Clock, ids: Ids): AccessStore {
  const links = (on: Knex | Knex.Transaction = knex) => on<LinkRow>('links');
  const devices = (on: Knex | Knex.Transaction = knex) => on<DeviceRow>('devices');
  const now = (): string => clock().toISOString();
  return {
    makeLink: async ({ role, name, job, days, madeBy }) => {
      const token = newToken();
      const row: LinkRow = {
        id: ids(),
        role,
        name,
        token_hash: hashOf(token),
        job_id: job,
        made_at: now(),
        made_by: madeBy,
        expires_at: new Date(clock().getTime() + days * DAY).toISOString(),
        withdrawn_at: null,
      };
      await links().insert(row);
      return { link: linkOf(row), token };
    },

    readLink: async (token) => {
      const row = await links()
        .where({ token_hash: hashOf(token) })
        .first();
      if (!row) return { kind: 'unknown' };
      const link = linkOf(row);
      if (link.withdrawnAt !== null) return { kind: 'withdrawn', link };
      return { kind: Date.parse(link.expiresAt) <= clock().getTime() ? 'expired' : 'open', link };
    },

    letIn: async ({ role, name, link, browser }) => {
      const token = newToken();
      await devices().insert({
        id: ids(),
        token_hash: hashOf(token),
        role,
        name,
        link_id: link,
        browser,
        since: now(),
        seen_at: now(),
        withdrawn_at: null,
      });
      return token;
    },

    personOf: async (token) => {
      const row = await devices()
        .where({ token_hash: hashOf(token), withdrawn_at: null })
        .first();
      if (!row) return null;
      const away = clock().getTime() - Date.parse(row.seen_at);
      if (away > FORGOTTEN_AFTER) return null;
      if (away > SEEN_EVERY) await devices().where({ id: row.id }).update({ seen_at: now() });
      return { role: row.role, name: row.name, device: row.id };
    },

    links: async () => (await links().orderBy('made_at', 'desc').limit(LONGEST_LIST)).map(linkOf),
    devices: async () => (await devices().orderBy('seen_at', 'desc').limit(LONGEST_LIST)).map(deviceOf),

    withdrawLink: (id, withdrawn) =>
      knex.transaction(async (on) => {
        const row = await links(on).where({ id }).first();
        if (!row) return false;
        if (withdrawn === (row.withdrawn_at !== null)) return true;
        const at = now();
        await links(on)
          .where({ id })
          .update({ withdrawn_at: withdrawn ? at : null });
        // Given back, it brings back those that went with it, and no one who was shown the door alone.
        if (withdrawn)
          await devices(on).where({ link_id: id, withdrawn_at: null }).update({ withdrawn_at: at });
        else
          await devices(on)
            .where({ link_id: id, withdrawn_at: row.withdrawn_at })
            .update({ withdrawn_at: null });
        return true;
      }),

    withdrawDevice: async (id, withdrawn) =>
      (await devices()
        .where({ id })
        .update({ withdrawn_at: withdrawn ? now() : null })) > 0,

    passphrase: async () =>
      (await knex<{ name: string; value: string }>('secrets').where({ name: 'passphrase' }).first())?.value ??
      null,

    changePassphrase: (kept) =>
      knex.transaction(async (on) => {
        await on('secrets').insert({ name: 'passphrase', value: kept }).onConflict('name').merge();
        await devices(on).where({ link_id: null, withdrawn_at: null }).update({ withdrawn_at: now() });
      }),
  };
}

import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileTypeFromBuffer } from 'file-type';
import type { Knex } from 'knex';
import type { Clock, Ids } from './services';

/** Largest picture that is kept. */
export const LARGEST_PICTURE = 12_000_000;

/** Kinds of picture that browsers show and phones make. */
const PICTURES = new Set(['image/jpeg', 'image/png', 'image/webp']);

/** Which kind of picture it is, by its first bytes; null where it is none that is kept. */
export async function pictureType(bytes: Uint8Array): Promise<string | null> {
  const type = (await fileTypeFromBuffer(bytes))?.mime;
  return type !== undefined && PICTURES.has(type) ? type : null;
}

/** A row of the table `files`. */
interface FileRow {
  readonly job_id: string;
  readonly hash: string;
  readonly type: string;
  readonly size: number;
  readonly received_at: string;
}

export type PutOutcome =
  | { readonly kind: 'kept'; readonly hash: string; readonly type: string }
  | { readonly kind: 'missing' }
  | { readonly kind: 'too-large' }
  /** Not a picture, whatever it is called. */
  | { readonly kind: 'no-picture' };

/** Pictures of all jobs, by the hash of what they hold; the same one sent twice is kept once. */
export interface FileStore {
  readonly put: (jobId: string, bytes: Uint8Array) => Promise<PutOutcome>;
  /** Hashes of all pictures of a job. */
  readonly ofJob: (jobId: string) => Promise<readonly string[]>;
  readonly get: (
    jobId: string,
    hash: string,
  ) => Promise<{ readonly bytes: Uint8Array; readonly type: string } | null>;
}

/** Where a file lies in a data folder: a folder for the first two letters of its hash, none of them with too many files. */
export const pathOfFile = (folder: string, hash: string): string =>
  join(folder, 'files', hash.slice(0, 2), hash);

/** @param ids names for what is still being written */
export function makeFileStore(knex: Knex, folder: string, clock: Clock, ids: Ids): FileStore {
  const files = () => knex<FileRow>('files');
  const alive = async (id: string): Promise<boolean> =>
    (await knex('jobs').where({ id, deleted_at: null }).first('id')) !== undefined;
  return {
    put: async (jobId, bytes) => {
      if (!(await alive(jobId))) return { kind: 'missing' };
      if (bytes.byteLength > LARGEST_PICTURE) return { kind: 'too-large' };
      const type = await pictureType(bytes);
      if (type === null) return { kind: 'no-picture' };
      const hash = createHash('sha256').update(bytes).digest('hex');
      const path = pathOfFile(folder, hash);
      if (!existsSync(path)) {
        await mkdir(dirname(path), { recursive: true, mode: 0o700 });
        // A file that is there is whole: it gets its name once all of it is written.
        const unfinished = `${path}.${ids()}.part`;
        await writeFile(unfinished, bytes, { mode: 0o600, flush: true });
        await rename(unfinished, path);
      }
      await files()
        .insert({ job_id: jobId, hash, type, size: bytes.byteLength, received_at: clock().toISOString() })
        .onConflict(['job_id', 'hash'])
        .ignore();
      return { kind: 'kept', hash, type };
    },
    ofJob: async (jobId) =>
      (await files().where({ job_id: jobId }).orderBy('hash').select('hash')).map(({ hash }) => hash),
    get: async (jobId, hash) => {
      if (!/^[0-9a-f]{64}$/.test(hash) || !(await alive(jobId))) return null;
      const row = await files().where({ job_id: jobId, hash }).first();
      const path = pathOfFile(folder, hash);
      return row && existsSync(path) ? { bytes: await readFile(path), type: row.type } : null;
    },
  };
}

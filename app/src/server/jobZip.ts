import { createHash } from 'node:crypto';
import { type Entry, readEntry } from '@ombra/core/kernel/record';
import { type Zippable, unzipSync, zipSync } from 'fflate';
import type { Problem } from './answers';

/** A job as it is packed: its plan file, its log, and its pictures by the hash of what they hold. */
export interface PackedJob {
  /** The plan file as a document. */
  readonly plan: unknown;
  readonly entries: readonly Entry[];
  readonly pictures: ReadonlyMap<string, Uint8Array>;
}

type Unpacked =
  | { readonly ok: true; readonly job: PackedJob }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** All that a packed job may come to once it is unpacked. */
const LARGEST_UNPACKED = 400_000_000;
/** Its plan, or its log. */
const LARGEST_TEXT = 100_000_000;
/** Files that it may hold. */
const MOST_FILES = 5000;
/** Most problems reported for one file. */
const MOST_TOLD = 20;

const PLAN = 'plan.json';
const LOG = 'log.jsonl';
const PICTURE = /^pictures\/([0-9a-f]{64})$/;

/** Every packed job has this time on its files, so that the same job gives the same bytes. */
const ALWAYS = new Date(1980, 0, 1);

const text = (bytes: Uint8Array): string => new TextDecoder('utf-8', { fatal: true }).decode(bytes);
const bytesOf = (said: string): Uint8Array => new TextEncoder().encode(said);

/**
 * A job as one ZIP file: `plan.json`, `log.jsonl` with an entry a line, and `pictures/HASH`. The same job gives the same bytes.
 *
 * @param planFile the plan file as it is written
 */
export function packJob(planFile: string, { entries, pictures }: Omit<PackedJob, 'plan'>): Uint8Array {
  const files: Zippable = {
    [PLAN]: bytesOf(planFile),
    [LOG]: bytesOf(entries.map((entry) => `${JSON.stringify(entry)}\n`).join('')),
  };
  // Pictures are packed already: nothing is gained by packing them again.
  for (const [hash, bytes] of [...pictures].sort(([a], [b]) => (a < b ? -1 : 1))) {
    files[`pictures/${hash}`] = [bytes, { level: 0 }];
  }
  return zipSync(files, { mtime: ALWAYS, level: 6 });
}

const refused = (where: string, what: string): Unpacked => ({ ok: false, problems: [{ where, what }] });

/** The files of a ZIP that belong to a job; an error text where it is none, or more than is read. */
function filesOf(bytes: Uint8Array): Readonly<Record<string, Uint8Array>> | Problem {
  let [size, count] = [0, 0];
  const stopped: { problem: Problem | null } = { problem: null };
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        // What is not ours is passed over unread: it cannot fill the memory.
        if (stopped.problem !== null || (name !== PLAN && name !== LOG && !PICTURE.test(name))) return false;
        count += 1;
        size += originalSize;
        if (count > MOST_FILES) {
          stopped.problem = {
            where: 'the file',
            what: `It holds over ${String(MOST_FILES)} files, more than a job has.`,
          };
        } else if (size > LARGEST_UNPACKED || (!PICTURE.test(name) && originalSize > LARGEST_TEXT)) {
          stopped.problem = { where: name, what: 'Unpacked it is larger than any job. Nothing was taken.' };
        }
        return stopped.problem === null;
      },
    });
    return stopped.problem ?? files;
  } catch {
    return {
      where: 'the file',
      what: 'This is no ZIP that can be read, or it is damaged. Pack the job again.',
    };
  }
}

const isProblem = (found: Readonly<Record<string, Uint8Array>> | Problem): found is Problem =>
  typeof found['what'] === 'string';

/** The log of a packed job, line by line. */
function readLog(said: string): {
  readonly entries: readonly Entry[];
  readonly problems: readonly Problem[];
} {
  const entries: Entry[] = [];
  const problems: Problem[] = [];
  const ids = new Map<string, string>();
  for (const [index, line] of said.split('\n').entries()) {
    if (line.trim() === '' || problems.length >= MOST_TOLD) continue;
    const where = `${LOG}, line ${String(index + 1)}`;
    let document: unknown;
    try {
      document = JSON.parse(line);
    } catch {
      problems.push({ where, what: 'This line is not readable JSON.' });
      continue;
    }
    const read = readEntry(document);
    if (read.ok) {
      const before = ids.get(read.entry.id);
      if (before === line) continue;
      if (before !== undefined)
        problems.push({ where, what: `The id ${read.entry.id} belongs to another line.` });
      ids.set(read.entry.id, line);
      entries.push(read.entry);
    } else
      problems.push(...read.problems.map((each) => ({ where: `${where}: ${each.where}`, what: each.what })));
  }
  return { entries, problems };
}

/**
 * Reads a packed job, or says what is wrong and where. Files that do not belong to a job are passed over; a picture whose name is
 * not the hash of what it holds is refused.
 */
export function unpackJob(bytes: Uint8Array): Unpacked {
  const files = filesOf(bytes);
  if (isProblem(files)) return { ok: false, problems: [files] };
  const { [PLAN]: plan, [LOG]: log } = files;
  if (!plan) return refused('the file', `There is no ${PLAN} in it: this is no job of Ombra.`);
  let document: unknown;
  try {
    document = JSON.parse(text(plan));
  } catch {
    return refused(PLAN, 'This is not readable JSON; pack the job again.');
  }
  let said = '';
  try {
    said = log ? text(log) : '';
  } catch {
    return refused(LOG, 'This is not text in UTF-8; pack the job again.');
  }
  const { entries, problems } = readLog(said);
  const pictures = new Map<string, Uint8Array>();
  const wrong: Problem[] = [];
  for (const [name, content] of Object.entries(files)) {
    const hash = PICTURE.exec(name)?.[1];
    if (hash === undefined) continue;
    if (createHash('sha256').update(content).digest('hex') === hash) pictures.set(hash, content);
    else
      wrong.push({ where: name, what: 'This picture is not what its name says; it was changed or damaged.' });
  }
  const all = [...problems, ...wrong];
  return all.length > 0
    ? { ok: false, problems: all.slice(0, MOST_TOLD) }
    : { ok: true, job: { plan: document, entries, pictures } };
}

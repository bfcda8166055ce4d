import type { Logger } from 'pino';
import type { Access } from './access/gate';
import type { EntryStore } from './entryStore';
import type { FileStore } from './fileStore';
import type { ProgressBoard } from './heavy/progress';
import type { OutlineReader } from './imports/outlineReader';
import type { JobStore } from './jobStore';
import type { LiveHub } from './live/liveHub';

/** What every request may use; passed in, so that tests can fix the clock and the ids. */
export interface Services {
  readonly jobs: JobStore;
  readonly entries: EntryStore;
  readonly files: FileStore;
  readonly log: Logger;
  readonly progress: ProgressBoard;
  readonly outlines: OutlineReader;
  readonly live: LiveHub;
  /** How people come in; null where only this machine may. */
  readonly access: Access | null;
  /** The authority that devices are asked to trust, as PEM; null where there is none of our own. */
  readonly authority: string | null;
  /** The addresses under which this server is reached, those that another device can reach first. */
  readonly origins: () => readonly string[];
  /** Addresses of scripts, with all that they cannot do without, by where they come from. */
  readonly scripts: (sources: readonly string[]) => readonly string[];
  /** Why the data is not well, in one sentence; null while it is. */
  readonly health: () => Promise<string | null>;
}

export type Clock = () => Date;
export type Ids = () => string;

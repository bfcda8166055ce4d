import type { Logger } from 'pino';
import type { EntryStore } from './entryStore';
import type { FileStore } from './fileStore';
import type { ProgressBoard } from './heavy/progress';
import type { OutlineReader } from './imports/outlineReader';
import type { JobStore } from './jobStore';

/** What every request may use; passed in, so that tests can fix the clock and the ids. */
export interface Services {
  readonly jobs: JobStore;
  readonly entries: EntryStore;
  readonly files: FileStore;
  readonly log: Logger;
  readonly progress: ProgressBoard;
  readonly outlines: OutlineReader;
  /** Why the data is not well, in one sentence; null while it is. */
  readonly health: () => Promise<string | null>;
}

export type Clock = () => Date;
export type Ids = () => string;

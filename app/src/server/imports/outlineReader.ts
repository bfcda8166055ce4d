import pLimit from 'p-limit';
import { startThread } from '../thread';
import type { OutlineAsk, OutlineOutcome } from './readOutline';

/** Reads outlines of files, each in a thread of its own with its time and memory. */
export interface OutlineReader {
  readonly read: (bytes: Uint8Array, ask: OutlineAsk) => Promise<OutlineOutcome>;
}

export interface ReaderLimits {
  readonly milliseconds: number;
  readonly megabytes: number;
}

/** Ten times what the largest file that is taken needs here. [ours] */
const LIMITS: ReaderLimits = { milliseconds: 20_000, megabytes: 500 };
/** Files read at once; more wait their turn. [ours] */
const MOST_AT_ONCE = 2;

const refused = (what: string): OutlineOutcome => ({ ok: false, problems: [{ where: 'the file', what }] });

/** @param script the worker's module */
export function outlineReader(script: URL, limits: ReaderLimits = LIMITS): OutlineReader {
  const turn = pLimit(MOST_AT_ONCE);
  return {
    read: (bytes, ask) =>
      turn(
        () =>
          new Promise<OutlineOutcome>((resolve) => {
            const worker = startThread(
              script,
              { bytes, ask },
              { resourceLimits: { maxOldGenerationSizeMb: limits.megabytes } },
            );
            const done = (outcome: OutlineOutcome): void => {
              clearTimeout(timer);
              resolve(outcome);
              void worker.terminate();
            };
            const timer = setTimeout(() => {
              done(refused('This file takes too long to read. Keep only the outline in it, then try again.'));
            }, limits.milliseconds);
            worker.once('message', done);
            worker.once('error', () => {
              done(
                refused('This file is more than can be read. Keep only the outline in it, then try again.'),
              );
            });
            worker.once('exit', () => {
              done(refused('This file cannot be read. Save it again, then try once more.'));
            });
          }),
      ),
  };
}

import { LRUCache } from 'lru-cache';
import { workedJob } from './heavyPaths';
import type { HeavyPool } from './heavyPool';
import type { HeavyAnswer, HeavyRequest } from './messages';

/** Bytes of answers that are kept; what the demo shows in one view takes 15 kB. [ours] */
const MOST = 8_000_000;

/**
 * What an answer depends on: what is asked, by whom as far as it matters, and the job and its log as they stand; null for what is made
 * anew each time. A job that is made again under an id that was free has another time of its last change.
 */
function keyOf({ url, headers, job, entries }: HeavyRequest): string | null {
  if (!workedJob(url)) return null;
  return JSON.stringify([
    url,
    headers['accept-encoding'] ?? '',
    job.version,
    job.updatedAt,
    entries.at(-1)?.number ?? 0,
  ]);
}

/**
 * A pool that remembers what jobs were worked out to for views, until other views need the room: whoever opens a job again, or reloads, or
 * takes the same view on another device, gets it at once. Sheets and lists carry the date, and are made anew.
 *
 * @param most bytes of all answers together
 */
export function keepingAnswers(pool: HeavyPool, most = MOST): HeavyPool {
  const kept = new LRUCache<string, HeavyAnswer>({
    maxSize: most,
    sizeCalculation: ({ body }) => Math.max(body.length, 1),
  });
  return {
    ...pool,
    ask: async (request, watch) => {
      const key = keyOf(request);
      const known = key === null ? undefined : kept.get(key);
      if (known) return { kind: 'answer', answer: known };
      const outcome = await pool.ask(request, watch);
      if (key !== null && outcome.kind === 'answer' && outcome.answer.status === 200)
        kept.set(key, outcome.answer);
      return outcome;
    },
  };
}

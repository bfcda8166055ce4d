import { hash, verify } from '@node-rs/argon2';
import pLimit from 'p-limit';
import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible';
import type { AccessStore } from './accessStore';

/** Letters that a passphrase has at least: some four words. [ours] */
export const SHORTEST_PASSPHRASE = 12;

/** Wrong tries that one address has in a quarter of an hour, and all of them together in an hour. [ours] */
const TRIES = 10;
const TRIES_WITHIN = 15 * 60;
const ALL_TRIES = 200;
const ALL_WITHIN = 60 * 60;

export type Try =
  | { readonly kind: 'right' }
  | { readonly kind: 'wrong' }
  /** Too many were wrong; seconds until the next may come. */
  | { readonly kind: 'wait'; readonly seconds: number };

/** Checks passphrases and secrets of links, and counts those that were wrong. */
export interface Doorkeeper {
  /** @param from the address of who tries */
  readonly passphrase: (given: string, from: string) => Promise<Try>;
  /** Notes a secret of a link that nobody has given out; answers how long to wait where there were too many. */
  readonly wrongLink: (from: string) => Promise<number | null>;
  /** Seconds that an address has to wait; null where it may try. */
  readonly wait: (from: string) => Promise<number | null>;
}

/** Two at a time: each takes a tenth of a second and 19 MB, and nobody shall fill the machine with them. */
const AT_ONCE = 2;

/**
 * Takes up the passphrase of the settings: kept as its argon2id form, and where it is another one than before, whoever came in by
 * that has to come in anew.
 */
export async function takePassphrase(
  store: Pick<AccessStore, 'passphrase' | 'changePassphrase'>,
  passphrase: string,
): Promise<string> {
  const before = await store.passphrase();
  if (before !== null && (await verify(before, passphrase))) return before;
  const kept = await hash(passphrase);
  await store.changePassphrase(kept);
  return kept;
}

/** @param kept the argon2id form of the passphrase */
export function makeDoorkeeper(kept: string): Doorkeeper {
  const each = new RateLimiterMemory({ keyPrefix: 'each', points: TRIES, duration: TRIES_WITHIN });
  const all = new RateLimiterMemory({ keyPrefix: 'all', points: ALL_TRIES, duration: ALL_WITHIN });
  const inTurn = pLimit(AT_ONCE);

  const secondsLeft = (left: RateLimiterRes | null, points: number): number | null =>
    left !== null && left.consumedPoints >= points ? Math.ceil(left.msBeforeNext / 1000) : null;
  const wait = async (from: string): Promise<number | null> =>
    secondsLeft(await each.get(from), TRIES) ?? secondsLeft(await all.get('all'), ALL_TRIES);
  const count = async (from: string): Promise<number | null> => {
    // Both count; which of them is full is asked afterwards.
    await Promise.allSettled([each.consume(from), all.consume('all')]);
    return wait(from);
  };

  return {
    wait,
    wrongLink: count,
    passphrase: (given, from) =>
      // Asked and counted in one turn: a hundred guesses sent at once are a hundred guesses.
      inTurn(async (): Promise<Try> => {
        const seconds = await wait(from);
        if (seconds !== null) return { kind: 'wait', seconds };
        const counted = count(from);
        const right = await verify(kept, given);
        await counted;
        if (!right) return { kind: 'wrong' };
        await Promise.all([each.delete(from), all.reward('all')]);
        return { kind: 'right' };
      }),
  };
}

/** A saved state of a job, as far as thinning looks at it. */
export interface ThinnedState {
  readonly version: number;
  readonly savedAt: string;
  /** The version that it is the difference from; null where it is whole. */
  readonly base: number | null;
}

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** Every state is kept for so long, then the last of each hour for so long, then the last of each day for ever. [ours] */
const ALL_FOR = 2 * DAY;
const HOURLY_FOR = 30 * DAY;

/** The stretch of time of which the last state is kept; each its own where all are. */
function slotOf({ version, savedAt }: ThinnedState, now: number): string {
  const at = Date.parse(savedAt);
  const age = now - at;
  // A clock that went back, or cannot be read, is no reason to lose anything.
  if (!(age > ALL_FOR)) return `version ${String(version)}`;
  return age > HOURLY_FOR ? `day ${String(Math.floor(at / DAY))}` : `hour ${String(Math.floor(at / HOUR))}`;
}

/**
 * The versions of a job that may go: all but the first, the newest, the last of each slot of time, and whole ones on which a
 * kept difference stands.
 *
 * @param states of one job, in any order
 */
export function thinnedOut(states: readonly ThinnedState[], now: Date): readonly number[] {
  const inOrder = [...states].sort((a, b) => a.version - b.version);
  const lastOfSlot = new Map(inOrder.map((state) => [slotOf(state, now.getTime()), state.version]));
  const kept = new Set([...lastOfSlot.values(), inOrder[0]?.version ?? 0]);
  for (const { version, base } of inOrder) if (base !== null && kept.has(version)) kept.add(base);
  // What the next save is compared with stands on the newest whole one.
  const newestWhole = inOrder.findLast((state) => state.base === null);
  if (newestWhole) kept.add(newestWhole.version);
  return inOrder.map((state) => state.version).filter((version) => !kept.has(version));
}

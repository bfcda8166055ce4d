import type { Length } from '../../kernel/measure';
import type { BraceWhy } from './problem';
import type { Strip } from './strips';

/** A place where a brace is wanted. */
export interface Wanted {
  readonly at: Length;
  readonly why: BraceWhy;
  /** The end of the face that it holds, or the place itself. */
  readonly face: Length;
  /** Where it may stand: a corner's not past its bracket, an opening's on its own side. */
  readonly from: Length;
  readonly to: Length;
  readonly of?: string;
  /** Holds an end of its stretch: it may be moved along for the planks. */
  readonly end?: true;
}

/** A place that a brace took. */
export interface Stood {
  readonly strip: Strip;
  readonly why: BraceWhy;
  readonly of?: string;
}

/** A place where no brace could stand, or a bay that came out too wide. */
export interface LaidBraces {
  readonly stood: readonly Stood[];
  readonly missed: readonly Wanted[];
}

const ORDER: readonly BraceWhy[] = ['corner', 'bulkhead', 'opening', 'tee', 'seam', 'between'];

/** The strip nearest to where a brace is wanted, within its bounds. */
function nearest(strips: readonly Strip[], wanted: Wanted): Strip | null {
  let best: Strip | null = null;
  for (const strip of strips) {
    if (strip.at < wanted.from || strip.at > wanted.to) continue;
    if (!best || Math.abs(strip.at - wanted.at) < Math.abs(best.at - wanted.at)) best = strip;
  }
  return best;
}

/** What `nextStrip` goes by. */
interface NextStripInput {
  readonly strips: readonly Strip[];
  readonly from: Length;
  readonly to: Length;
  readonly spacing: Length;
  readonly least: Length;
}

/**
 * The strip for the next brace on the way to one that stands: the farthest in reach; half way where two bays are left; where
 * none is in reach the next there is, and the bay comes out too wide.
 */
function nextStrip({ strips, from, to, spacing, least }: NextStripInput): Strip | null {
  const within = strips.filter((strip) => strip.at - from >= least && to - strip.at >= least);
  const inReach = within.filter((strip) => strip.at - from <= spacing);
  const half = inReach
    .filter((strip) => to - strip.at <= spacing)
    .sort((a, b) => Math.abs(a.at - (from + to) / 2) - Math.abs(b.at - (from + to) / 2));
  return half[0] ?? inReach.at(-1) ?? within[0] ?? null;
}

/**
 * Braces of a wall: where they must stand, each on the nearest strip, then in between as far apart as the widest spacing lets
 * them, from the wall's first corner on. Of two closer than the least distance the more important one stays.
 *
 * @param strips strips that catch enough and that nothing is in the way of, in order
 * @param spacing widest bay
 */
export function layBraces(
  strips: readonly Strip[],
  wanted: readonly Wanted[],
  spacing: Length,
  least: Length,
): LaidBraces {
  const missed: Wanted[] = [];
  const anchors: Stood[] = [];
  for (const each of [...wanted].sort((a, b) => ORDER.indexOf(a.why) - ORDER.indexOf(b.why))) {
    const strip = nearest(strips, each);
    if (!strip) {
      missed.push(each);
      continue;
    }
    // One that is near enough does for both.
    if (anchors.some((other) => Math.abs(other.strip.at - strip.at) < least)) continue;
    anchors.push({ strip, why: each.why, ...(each.of === undefined ? {} : { of: each.of }) });
  }
  anchors.sort((a, b) => a.strip.at - b.strip.at);
  const stood: Stood[] = [];
  anchors.forEach((anchor, index) => {
    stood.push(anchor);
    const next = anchors[index + 1];
    if (!next) return;
    let at = anchor.strip.at;
    while (next.strip.at - at > spacing) {
      const strip = nextStrip({ strips, from: at, to: next.strip.at, spacing, least });
      if (!strip) break;
      stood.push({ strip, why: 'between' });
      at = strip.at;
    }
  });
  return { stood, missed };
}

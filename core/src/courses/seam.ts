import { type Length, add, subtract } from '../measure';
import type { CutRules } from './rest';
import type { WallFill } from './walls';
import { earOf, websOfWhole } from './webs';

/** What speaks against the cut that one side of a seam leaves: a sawn web, an ear that is too long, a flimsy piece. */
function faults(run: Length, rules: CutRules): number {
  const rest = (run % rules.block) as Length;
  if (rest === 0) return 0;
  const sawn = websOfWhole(rules.block, rules.webs).some(
    (web) => Math.abs(web - rest) < rules.webs.clearOfCut,
  );
  const short = rest < rules.shortest && run < rules.block;
  // A short rest shares a block with its neighbour, at the price of one more cut.
  const shares = rest < rules.shortest;
  return (
    (sawn ? 4 : 0) + (earOf(rest, rules.webs) > rules.longestEar ? 2 : 0) + (short ? 8 : 0) + (shares ? 1 : 0)
  );
}

/**
 * The best place for a common seam near a wanted one: on a cut mark, between webs on both sides in odd and in even
 * courses, with pieces long enough; then the nearest.
 *
 * @param wanted from the wall's first corner
 * @param within how far to either side of it a better place is looked for; a block where nothing is said
 * @returns null where the wall has no room for a seam
 */
export function snapSeam(
  fill: WallFill,
  length: Length,
  wanted: Length,
  rules: CutRules,
  within: Length = rules.block,
): Length | null {
  const rows = [fill.odd, fill.even];
  const from = Math.max(...rows.map((row) => row.start));
  const to = Math.min(...rows.map((row) => subtract(length, row.end)));
  const middle = Math.min(Math.max(wanted, from), to);
  const first = Math.ceil((from + 1 - fill.odd.start) / rules.cutMark);
  let best: { readonly at: Length; readonly faults: number } | null = null;
  for (let mark = first; ; mark++) {
    const at = add(fill.odd.start, (mark * rules.cutMark) as Length);
    if (at >= to) return best?.at ?? null;
    if (Math.abs(at - middle) > within) continue;
    const found = rows.reduce(
      (sum, row) =>
        sum + faults(subtract(at, row.start), rules) + faults(subtract(subtract(length, row.end), at), rules),
      0,
    );
    const nearer = best && Math.abs(at - middle) < Math.abs(best.at - middle);
    if (best === null || found < best.faults || (found === best.faults && nearer === true))
      best = { at, faults: found };
  }
}

import { type Length, add, subtract } from '../../kernel/measure';
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

/** Worth more than any fault of the cuts: within an opening the seam disappears. */
const WITHIN = -100;

/** What `snapSeam` goes by. */
interface SnapSeamInput {
  readonly fill: WallFill;
  readonly length: Length;
  /** From the wall's first corner. */
  readonly wanted: Length;
  readonly rules: CutRules;
  /** How far to either side of it a better place is looked for; a block unless set. */
  readonly within?: Length | undefined;
  /** Stretches of the wall that openings take. */
  readonly holes?: readonly { readonly from: Length; readonly to: Length }[];
}

/**
 * The best place for a common seam near a wanted one: within an opening or on its edge, where there is one; on a cut mark,
 * between webs on both sides in odd and in even courses, with pieces long enough; then the nearest.
 *
 * @returns null where the wall has no room for a seam
 */
export function snapSeam({
  fill,
  length,
  wanted,
  rules,
  within = rules.block,
  holes = [],
}: SnapSeamInput): Length | null {
  const rows = [fill.odd, fill.even];
  const from = Math.max(...rows.map((row) => row.start));
  const to = Math.min(...rows.map((row) => subtract(length, row.end)));
  const middle = Math.min(Math.max(wanted, from), to);
  const first = Math.ceil((from + 1 - fill.odd.start) / rules.cutMark);
  const marks: Length[] = [];
  for (let mark = first; ; mark++) {
    const at = add(fill.odd.start, (mark * rules.cutMark) as Length);
    if (at >= to) break;
    marks.push(at);
  }
  const edges = holes.flatMap((hole) => [hole.from, hole.to]).filter((at) => at > from && at < to);
  let best: { readonly at: Length; readonly faults: number } | null = null;
  for (const at of [...marks, ...edges]) {
    if (Math.abs(at - middle) > within) continue;
    const hides = holes.some((hole) => hole.from <= at && at <= hole.to);
    const found = rows.reduce(
      (sum, row) =>
        sum + faults(subtract(at, row.start), rules) + faults(subtract(subtract(length, row.end), at), rules),
      hides ? WITHIN : 0,
    );
    const nearer = best && Math.abs(at - middle) < Math.abs(best.at - middle);
    if (best === null || found < best.faults || (found === best.faults && nearer === true))
      best = { at, faults: found };
  }
  return best?.at ?? null;
}

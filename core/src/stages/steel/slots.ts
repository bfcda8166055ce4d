import type { Family } from '../../kernel/forms';
import { type Length, nanometres, subtract, ZERO } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';

/** Where horizontals may lie across the core: offsets from its middle, inside positive, by slot from the outside in. */
export function slotOffsets(family: Family, core: Length, rules: HouseRules): readonly Length[] {
  const own = family.kind === 'flat-wall' ? family.slotsPerWeb : undefined;
  const count = own !== undefined && own > 0 ? own : rules.count('steel.slots');
  return Array.from({ length: count }, (_, index) =>
    nanometres((core * (index + 1)) / (count + 1) - core / 2),
  );
}

/** How the drawings or the crew choose slots. */
export type SlotSchool = 'alternating' | 'tension' | 'centred';

/** What holds a wall's top, as far as anyone has said. */
export type Held = 'top' | 'alone' | 'unsaid';

/** Which face is in tension under soil: the inside where the top is held, the soil's where the wall stands alone; neither without soil. */
export function tensionSide(held: Held, backfilled: boolean): 'inside' | 'outside' | null {
  if (!backfilled || held === 'unsaid') return null;
  return held === 'top' ? 'inside' : 'outside';
}

/**
 * Slot of a bar, counted from the outside in. Alternating round a line: one slot to either side of it, bar about.
 * The line is the middle, or one slot off it toward the tension side; where a web has too few slots for that, bars of the
 * tension side all lie in the slot nearest to it. Centred: the line itself.
 *
 * @param nth which horizontal of the wall it is, counted from 1 at the lowest
 */
export function slotOf(
  nth: number,
  slots: number,
  school: SlotSchool,
  tension: 'inside' | 'outside' | null,
): number {
  const middle = (slots + 1) / 2;
  if (school === 'centred') return Math.round(middle);
  const reach = Math.max(0, Math.floor((slots - 1) / 2));
  const pulled = school === 'tension' ? tension : null;
  if (pulled !== null && reach < 2) return pulled === 'inside' ? slots : 1;
  const line = middle + (pulled === null ? 0 : pulled === 'inside' ? 1 : -1);
  const side = nth % 2 === 1 ? -1 : 1;
  const slot = slots % 2 === 1 ? line + side : line + side / 2;
  return Math.min(slots, Math.max(1, Math.round(slot)));
}

/** A clear way across the core between bars and foam. */
export interface ClearWay {
  readonly from: Length;
  readonly to: Length;
}

/**
 * Every way down through the horizontals of all courses: what is left of the core, less cover at both faces, beside every bar.
 *
 * @param bars offsets of the bars and their diameters
 * @returns from the outside in; those with bars on both sides lock what stands in them
 */
function clearWays(
  core: Length,
  cover: Length,
  bars: readonly { readonly offset: Length; readonly diameter: Length }[],
): readonly (ClearWay & { readonly locks: boolean })[] {
  const edge = nanometres(core / 2 - cover);
  const taken = bars
    .map(({ offset, diameter }) => ({ from: offset - diameter / 2, to: offset + diameter / 2 }))
    .sort((a, b) => a.from - b.from);
  const found: (ClearWay & { readonly locks: boolean })[] = [];
  let from: number = 0 - edge;
  let behind = false;
  const put = (to: number, before: boolean): void => {
    if (to > from) found.push({ from: nanometres(from), to: nanometres(to), locks: behind && before });
  };
  for (const bar of taken) {
    put(Math.min(bar.from, edge), true);
    from = Math.max(from, bar.to);
    behind = true;
  }
  put(edge, false);
  return found;
}

/**
 * The way that the verticals of a wall go down: between the horizontals where there is room for them, since that locks them in
 * place without tying; otherwise the widest there is.
 *
 * @param wants diameter of the verticals
 */
export function chaseFor(
  core: Length,
  cover: Length,
  bars: readonly { readonly offset: Length; readonly diameter: Length }[],
  wants: Length,
): ClearWay {
  const ways = clearWays(core, cover, bars);
  const locked = ways.filter((way) => way.locks && wayWidth(way) >= wants);
  const [best] = [...(locked.length > 0 ? locked : ways)].sort((a, b) => wayWidth(b) - wayWidth(a));
  return best ? { from: best.from, to: best.to } : { from: ZERO, to: ZERO };
}

/** How wide a clear way is. */
export const wayWidth = (way: ClearWay): Length => subtract(way.to, way.from);

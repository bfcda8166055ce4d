import { type Length, inches, nanometres } from '../../kernel/measure';
import { type BuckMaterial, boardSizes, buckName, ripsFor } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import { type StockPattern, cutStock } from '../../kernel/stock/cutStock';
import type { BuckKind } from '../openings/plan';
import type { Member } from './members';

/** What has to be cut from one material of one width. */
export interface LumberList {
  readonly id: string;
  /** `Treated lumber, full width`, `Scabs and cross-braces`. */
  readonly name: string;
  readonly buck: BuckKind | null;
  /** What it is bought as, `2×8`; null where it is made to width, or of any section. */
  readonly board: string | null;
  /** Width that it is bought in; null for strips. */
  readonly width: Length | null;
  /** Widths that its boards are ripped to, where they are; several side by side make a wide member. */
  readonly ripped: readonly Length[];
  readonly stock: Length;
  readonly kerf: Length;
  /** What comes out of each length, the longest first. */
  readonly lengths: readonly StockPattern[];
  /** No plan takes fewer; proved where the plan takes as many. */
  readonly bound: number;
  readonly proved: boolean;
  /** Members longer than the stock that are spliced from several. */
  readonly spliced: number;
}

/** A member that is cut, and the material that it is cut from. */
export interface Wanted {
  readonly member: Member;
  readonly buck: BuckMaterial;
}

const KERF = inches(1 / 8);

interface Group extends Omit<LumberList, 'lengths' | 'bound' | 'proved' | 'ripped'> {
  readonly lengths: Map<number, number>;
  readonly ripped: Set<Length>;
  spliced: number;
}

/** A member longer than the stock is spliced of equal parts. */
export function partsOf(length: Length, stock: Length): { readonly length: Length; readonly count: number } {
  const count = Math.ceil(length / stock);
  return { length: nanometres(Math.ceil(length / count)), count };
}

/** What a member is bought as, how many of it make its width, and what each is ripped to. */
function boughtAs({ member, buck }: Wanted, rules: HouseRules) {
  if (member.from === 'strip' || member.width === null) {
    return {
      count: 1,
      ripped: null,
      group: {
        id: 'strip',
        name: 'Scabs and cross-braces',
        buck: null,
        board: null,
        width: null,
        stock: rules.length('openings.strip.stock'),
        kerf: KERF,
      },
    };
  }
  const { count, width, board } = ripsFor(member.width, boardSizes(buck.kind));
  return {
    count,
    ripped: board && board.width !== width ? width : null,
    group: {
      id: `${buck.kind}:${String(board?.width ?? width)}`,
      name: buckName(buck.kind),
      buck: buck.kind,
      board: board?.name ?? null,
      width: board?.width ?? width,
      stock: buck.stock,
      kerf: buck.kerf,
    },
  };
}

/**
 * The lumber of all bucks: least stock by material and width as it is sold, kerf and all. Members wider than any board are rips
 * side by side; those longer than the stock are spliced. Parts cut from sheets are listed separately.
 */
export function lumberOf(wanted: readonly Wanted[], rules: HouseRules): readonly LumberList[] {
  const groups = new Map<string, Group>();
  for (const each of wanted) {
    if (each.member.from === 'sheet' || each.member.from === 'bending') continue;
    const { count, ripped, group: bought } = boughtAs(each, rules);
    const group: Group = groups.get(bought.id) ?? {
      ...bought,
      lengths: new Map(),
      ripped: new Set(),
      spliced: 0,
    };
    groups.set(bought.id, group);
    if (ripped !== null) group.ripped.add(ripped);
    const parts = partsOf(each.member.length, group.stock);
    const pieces = count * each.member.count;
    if (parts.count > 1) group.spliced += pieces;
    group.lengths.set(parts.length, (group.lengths.get(parts.length) ?? 0) + parts.count * pieces);
  }
  return [...groups.values()].map(({ lengths, ripped, ...group }): LumberList => {
    const reading = cutStock(
      [...lengths].map(([length, count]) => ({ length, count })),
      group.stock,
      group.kerf,
    );
    const plan = reading.ok ? reading.plan : { pieces: [], bound: 0, proved: false };
    return {
      ...group,
      ripped: [...ripped].sort((a, b) => a - b),
      lengths: plan.pieces,
      bound: plan.bound,
      proved: plan.proved,
    };
  });
}

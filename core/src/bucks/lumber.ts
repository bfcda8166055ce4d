import { type Length, inches, nanometres } from '../measure';
import { type BuckMaterial, buckName } from '../openings';
import type { HouseRules } from '../rules';
import { type StockPattern, cutStock } from '../stock/cutStock';
import type { BuckKind } from '../plan';
import type { Member } from './members';

/** What has to be cut from one material of one width. */
export interface LumberList {
  readonly id: string;
  /** `Treated lumber, full width`, `Scabs and braces`, `Liner`. */
  readonly name: string;
  readonly buck: BuckKind | null;
  /** Width that it is ripped to; null for strips. */
  readonly width: Length | null;
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
/** A sheet of plywood, and what a liner's strips are ripped from. */
const SHEET = inches(96);

interface Group {
  readonly id: string;
  readonly name: string;
  readonly buck: BuckKind | null;
  readonly width: Length | null;
  readonly stock: Length;
  readonly kerf: Length;
  readonly lengths: Map<number, number>;
  spliced: number;
}

/** A member longer than the stock is spliced of equal parts. */
function partsOf(length: Length, stock: Length): { readonly length: Length; readonly count: number } {
  const count = Math.ceil(length / stock);
  return { length: nanometres(Math.ceil(length / count)), count };
}

/** The lumber of all bucks: least stock by material and width, kerf and all. Members longer than the stock are spliced. */
export function lumberOf(wanted: readonly Wanted[], rules: HouseRules): readonly LumberList[] {
  const groups = new Map<string, Group>();
  const groupOf = ({ member, buck }: Wanted): Group => {
    const id =
      member.from === 'buck'
        ? `${buck.kind}:${String(member.width)}`
        : member.from === 'strip'
          ? 'strip'
          : `sheet:${String(member.width)}`;
    const known = groups.get(id);
    if (known) return known;
    const group: Group = {
      id,
      name:
        member.from === 'buck'
          ? buckName(buck.kind)
          : member.from === 'strip'
            ? 'Scabs and cross-braces'
            : 'Liner',
      buck: member.from === 'buck' ? buck.kind : null,
      width: member.width,
      stock:
        member.from === 'buck'
          ? buck.stock
          : member.from === 'strip'
            ? rules.length('openings.strip.stock')
            : SHEET,
      kerf: member.from === 'buck' ? buck.kerf : KERF,
      lengths: new Map(),
      spliced: 0,
    };
    groups.set(id, group);
    return group;
  };
  for (const each of wanted) {
    const group = groupOf(each);
    const parts = partsOf(each.member.length, group.stock);
    if (parts.count > 1) group.spliced += each.member.count;
    group.lengths.set(parts.length, (group.lengths.get(parts.length) ?? 0) + parts.count * each.member.count);
  }
  return [...groups.values()].map(({ lengths, ...group }): LumberList => {
    const reading = cutStock(
      [...lengths].map(([length, count]) => ({ length, count })),
      group.stock,
      group.kerf,
    );
    const plan = reading.ok ? reading.plan : { pieces: [], bound: 0, proved: false };
    return { ...group, lengths: plan.pieces, bound: plan.bound, proved: plan.proved };
  });
}

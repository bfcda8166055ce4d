import type { FormSystem } from '../../kernel/forms';
import { type Length, ZERO, subtract } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import type { HeightRest, Wall } from '../outline';
import { type CutDemand, type Pairing, pairCuts } from './pairing';
import type { CutFrom, Piece, WallPiece } from './piece';
import { type CutRules, cutRulesOf } from './rest';
import { takenOf } from './sawn';

/** A block that is sawn: what comes out of it, and what is left. */
export interface OpenedBlock {
  readonly number: number;
  /** One or two cut pieces; the block is opened for the first. */
  readonly pieces: readonly string[];
  readonly left: Length;
  /** Height that it is ripped to; null for a whole one. */
  readonly ripped: Length | null;
}

/** Blocks of one core. */
export interface CoreBlocks {
  readonly core: Length;
  /** Laid whole at full height. */
  readonly whole: number;
  readonly opened: number;
  readonly ripped: number;
  readonly halfPieces: number;
}

/** Which blocks are sawn for the cuts of the whole job, and how many are ripped for lower courses. */
export interface OffcutPlan {
  readonly blocks: readonly OpenedBlock[];
  /** Whole-height blocks opened for cuts: the fewest that the reuse rules allow. */
  readonly opened: number;
  /** Blocks that are ripped lengthwise, both halves used where the family is reversible. */
  readonly ripped: number;
  /** Half-height pieces, where the family has them and the height asks for them. */
  readonly halfPieces: number;
  /** The same told core by core, as blocks are ordered. */
  readonly byCore: readonly CoreBlocks[];
  /** By piece: the block that it comes from. */
  readonly sources: Readonly<Record<string, CutFrom>>;
}

/** When a cut piece may be an offcut. */
interface ReuseRules {
  readonly fromCourse: number;
  readonly shortest: Length;
  readonly perBlock: number;
}

export const reuseRulesOf = (rules: HouseRules): ReuseRules => ({
  fromCourse: rules.count('offcuts.fromCourse'),
  shortest: rules.length('offcuts.shortest'),
  perBlock: rules.count('offcuts.perBlock'),
});

/** Cut pieces that stand at an end of their row: beside a corner, a step or a free end. */
export function atRowEnds(pieces: readonly Piece[]): ReadonlySet<string> {
  const walls = new Map<string, { first: WallPiece; last: WallPiece }[]>();
  for (const piece of pieces) {
    if (piece.kind === 'corner') continue;
    const courses = walls.get(piece.wall) ?? [];
    walls.set(piece.wall, courses);
    const known = courses[piece.course];
    if (!known) courses[piece.course] = { first: piece, last: piece };
    else {
      if (piece.start < known.first.start) known.first = piece;
      if (piece.start > known.last.start) known.last = piece;
    }
  }
  const ends = [...walls.values()].flatMap((courses) => Object.values(courses));
  return new Set(ends.flatMap(({ first, last }) => [first.id, last.id]));
}

/** A cut piece must come from a fresh block in the bottom courses, beside a corner, where it is short, or sawn at both ends. */
export function mustBeFresh(piece: WallPiece, ends: ReadonlySet<string>, reuse: ReuseRules): boolean {
  return (
    piece.course < reuse.fromCourse ||
    piece.length < reuse.shortest ||
    (piece.cutEnds.start && piece.cutEnds.end) ||
    ends.has(piece.id)
  );
}

const heightOf = (piece: Piece): Length => subtract(piece.top, piece.bottom);

interface Opened {
  readonly pieces: readonly WallPiece[];
  readonly left: Length;
}

/** Pairs the cuts of one article, and gives every pair its pieces in laying order. */
function openBlocks(
  cuts: readonly WallPiece[],
  ends: ReadonlySet<string>,
  cutRules: CutRules,
  reuse: ReuseRules,
): readonly Opened[] {
  const { block } = cutRules;
  const shelves = new Map<string, WallPiece[]>();
  const shelf = (length: Length, fresh: boolean): string =>
    `${String(length)}:${fresh ? 'fresh' : 'reusable'}`;
  const demands = new Map<Length, { fresh: number; reusable: number }>();
  for (const piece of cuts) {
    const fresh = mustBeFresh(piece, ends, reuse);
    const taken = takenOf(piece, cutRules);
    const place = shelf(taken, fresh);
    const kept = shelves.get(place);
    if (kept) kept.push(piece);
    else shelves.set(place, [piece]);
    const demand = demands.get(taken) ?? { fresh: 0, reusable: 0 };
    demands.set(taken, demand);
    demand[fresh ? 'fresh' : 'reusable'] += 1;
  }
  const list = [...demands].map(([length, demand]): CutDemand => ({ length, ...demand }));
  const pairings: readonly Pairing[] = reuse.perBlock < 2 ? [] : pairCuts(list, block);
  const given = new Map<string, number>();
  const next = (length: Length, fresh: boolean): WallPiece => {
    const place = shelf(length, fresh);
    const at = given.get(place) ?? 0;
    given.set(place, at + 1);
    return shelves.get(place)?.[at] as WallPiece;
  };
  const opened: Opened[] = [];
  for (const { first, second, times } of pairings) {
    for (let count = 0; count < times; count++) {
      const pair = [next(first.length, first.fresh), next(second.length, second.fresh)] as const;
      const inOrder = first.fresh || pair[0].course <= pair[1].course ? pair : ([pair[1], pair[0]] as const);
      opened.push({ pieces: inOrder, left: subtract(subtract(block, pair[0].length), pair[1].length) });
    }
  }
  for (const [place, kept] of shelves) {
    for (const piece of kept.slice(given.get(place) ?? 0)) {
      opened.push({ pieces: [piece], left: subtract(block, piece.length) });
    }
  }
  return opened;
}

/** Ripped strips out of whole blocks: two to a block where the family is reversible and both fit its height. */
export function blocksForStrips(heights: readonly Length[], system: FormSystem): number {
  if (!system.reversible) return heights.length;
  const ordered = [...heights].sort((a, b) => b - a);
  let [low, high, blocks] = [ordered.length - 1, 0, 0];
  while (high <= low) {
    const fits = high < low && (ordered[high] as Length) + (ordered[low] as Length) <= system.courseHeight;
    if (fits) low -= 1;
    high += 1;
    blocks += 1;
  }
  return blocks;
}

/** Blocks of one core and one height: their cuts may come from one block. */
interface SawnAlike {
  readonly core: Length;
  readonly height: Length;
  wholes: number;
  readonly cuts: WallPiece[];
}

/** What `planOffcuts` goes by. */
interface PlanOffcutsInput {
  readonly pieces: readonly Piece[];
  readonly walls: readonly Wall[];
  readonly system: FormSystem;
  readonly rest: HeightRest | null;
  readonly rules: HouseRules;
}

/**
 * Plans the saw for the whole job: which cuts share a block under the reuse rules, with the fewest blocks opened, and how
 * many blocks are ripped for courses of less than full height. Every offcut's source and destination is recorded, so
 * that the crew can mark it.
 */
export function planOffcuts({ pieces, walls, system, rest, rules }: PlanOffcutsInput): OffcutPlan {
  const reuse = reuseRulesOf(rules);
  const cutRules = cutRulesOf(system, rules);
  const ends = atRowEnds(pieces);
  const coreOf = new Map(walls.map((wall) => [wall.id, wall.core]));
  const isHalfPiece = (height: Length): boolean =>
    rest?.how === 'half-piece' && height === rest.height && height === system.halfHeight;
  const byHeight = new Map<Length, Map<Length, SawnAlike>>();
  for (const piece of pieces) {
    if (piece.kind === 'corner') continue;
    const [core, height] = [coreOf.get(piece.wall) ?? ZERO, heightOf(piece)];
    const heights = byHeight.get(core) ?? new Map<Length, SawnAlike>();
    byHeight.set(core, heights);
    const group = heights.get(height) ?? { core, height, wholes: 0, cuts: [] };
    heights.set(height, group);
    if (piece.kind === 'straight') group.wholes += 1;
    else group.cuts.push(piece);
  }
  const opened: (Opened & { readonly height: Length })[] = [];
  const cores = new Map<Length, { whole: number; opened: number; strips: Length[]; halfPieces: number }>();
  const groups = [...byHeight.values()].flatMap((heights) => [...heights.values()]);
  for (const { core, height, wholes, cuts } of groups) {
    const own = cores.get(core) ?? { whole: 0, opened: 0, strips: [], halfPieces: 0 };
    cores.set(core, own);
    const blocks = openBlocks(cuts, ends, cutRules, reuse);
    opened.push(...blocks.map((each) => ({ ...each, height })));
    if (height === system.courseHeight) {
      own.whole += wholes;
      own.opened += blocks.length;
    } else if (isHalfPiece(height)) own.halfPieces += wholes + blocks.length;
    else for (let count = 0; count < wholes + blocks.length; count++) own.strips.push(height);
  }
  const byCore = [...cores]
    .sort(([a], [b]) => a - b)
    .map(([core, { strips, ...own }]): CoreBlocks => ({
      core,
      ...own,
      ripped: blocksForStrips(strips, system),
    }));
  const sum = (of: (own: CoreBlocks) => number): number => byCore.reduce((total, own) => total + of(own), 0);
  const place = new Map(pieces.flatMap(({ kind, id }, index) => (kind === 'cut' ? [[id, index]] : [])));
  const order = ({ pieces: [first] }: Opened): number => place.get(first?.id ?? '') ?? 0;
  const sources: Record<string, CutFrom> = {};
  const blocks = opened
    .sort((a, b) => order(a) - order(b))
    .map((block, index): OpenedBlock => {
      const number = index + 1;
      block.pieces.forEach((piece, part) => {
        sources[piece.id] = {
          article: 'straight',
          offcut: block.left,
          block: number,
          part: part === 0 ? 'first' : 'offcut',
          partner: block.pieces[1 - part]?.id ?? null,
        };
      });
      return {
        number,
        pieces: block.pieces.map((piece) => piece.id),
        left: block.left,
        ripped: block.height === system.courseHeight ? null : block.height,
      };
    });
  return {
    blocks,
    opened: sum((own) => own.opened),
    ripped: sum((own) => own.ripped),
    halfPieces: sum((own) => own.halfPieces),
    byCore,
    sources,
  };
}

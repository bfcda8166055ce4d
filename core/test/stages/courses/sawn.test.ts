import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type WallPiece,
  atRowEnds,
  bestSplit,
  cutRulesOf,
  isGoodCut,
  mustBeFresh,
  reuseRulesOf,
  takenOf,
  turnsAlike,
} from '../../../src/stages/courses';
import { findFamily, systemOf } from '../../../src/kernel/forms';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { planOf, withCourses } from '../../support/plans';

const family = findFamily('module-48');
if (!family) throw new Error('no family');
const rules = cutRulesOf(systemOf(family), houseRules());
const BLOCK = 48;
const WEBS = [4, 12, 20, 28, 36, 44];

/** An open wall with openings in it: small enough for every way of sawing to be tried. */
const wall = (length: number, courses: number, openings: readonly Opening[]): Plan => {
  const plan = planOf([[length, 90]], {
    ...withCourses(courses),
    openings,
    rules: { 'offcuts.fromCourse': 1 },
  });
  return { ...plan, loops: plan.loops.map((loop) => ({ ...loop, closed: false })) };
};

interface Place {
  readonly from: number;
  readonly to: number;
}

/** Everywhere in a block, eighth by eighth, where a piece can be sawn as it is or turned: its moulded ends the block's, its webs the block's. */
function placesOf(piece: WallPiece): readonly Place[] {
  const length = toInches(piece.length);
  const webs = piece.webs.map(toInches);
  const found: Place[] = [];
  for (let eighths = 0; eighths <= (BLOCK - length) * 8; eighths += 1) {
    const from = eighths / 8;
    const to = from + length;
    for (const turned of [false, true]) {
      const own = turned ? webs.map((web) => length - web).reverse() : webs;
      const cut = turned
        ? { start: piece.cutEnds.end, end: piece.cutEnds.start }
        : { start: piece.cutEnds.start, end: piece.cutEnds.end };
      // Where it makes both ends, a saw takes a cut mark of an inch off each at least.
      const least = cut.start && cut.end ? 1 : 0;
      const ends = (cut.start ? from >= least : from === 0) && (cut.end ? to <= BLOCK - least : to === BLOCK);
      const whole = WEBS.filter(
        (web) => web > from && web < to && (from === 0 || web - from >= 1) && (to === BLOCK || to - web >= 1),
      );
      const same =
        whole.length === own.length &&
        whole.every((web, index) => Math.abs(web - from - (own[index] ?? 0)) < 1e-9);
      if (ends && same) found.push({ from, to });
    }
  }
  return found;
}

/** Whether two pieces come out of one block beside each other. */
const together = (a: readonly Place[], b: readonly Place[]): boolean =>
  a.some((one) => b.some((other) => one.to <= other.from || other.to <= one.from));

/** The fewest blocks for some pieces, every pairing tried. */
function fewestBlocks(
  pieces: readonly { readonly places: readonly Place[]; readonly fresh: boolean }[],
): number {
  const [first, ...others] = pieces;
  if (!first) return 0;
  let best = 1 + fewestBlocks(others);
  others.forEach((other, index) => {
    if ((first.fresh && other.fresh) || !together(first.places, other.places)) return;
    best = Math.min(best, 1 + fewestBlocks(others.filter((_, at) => at !== index)));
  });
  return best;
}

describe('two pieces share a block', () => {
  it('only where both can be sawn from it, and as often as trying every way finds', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 150 }),
        fc.array(
          fc.record({
            at: fc.integer({ min: 6, max: 110 }),
            width: fc.integer({ min: 8, max: 40 }),
            sill: fc.integer({ min: 0, max: 1 }),
          }),
          { maxLength: 2 },
        ),
        (length, list) => {
          const openings = list.map((each, index) =>
            openingOf({
              id: `o${String(index)}`,
              at: `${String(each.at)}in`,
              width: `${String(each.width)}in`,
              height: '16in',
              sill: each.sill === 0 ? '17.5in' : '1.5in',
              buck: 'lumber',
            }),
          );
          const plan = wall(length, 2, openings);
          const { courses } = work(plan);
          const ends = atRowEnds(courses.pieces);
          const reuse = reuseRulesOf(houseRules(plan.rules));
          const byId = new Map(courses.pieces.map((piece) => [piece.id, piece]));
          const cuts = courses.pieces.filter((piece): piece is WallPiece => piece.kind === 'cut');
          for (const { pieces } of courses.offcuts.blocks) {
            const [a, b] = pieces.map((id) => placesOf(byId.get(id) as WallPiece));
            if (a && b) expect(together(a, b), pieces.join(' ')).toBe(true);
          }
          const heights = new Map<number, WallPiece[]>();
          for (const piece of cuts) {
            const height = piece.top - piece.bottom;
            heights.set(height, [...(heights.get(height) ?? []), piece]);
          }
          let fewest = 0;
          for (const group of heights.values()) {
            if (group.length > 9) return;
            fewest += fewestBlocks(
              group.map((piece) => ({ places: placesOf(piece), fresh: mustBeFresh(piece, ends, reuse) })),
            );
          }
          expect(courses.offcuts.blocks).toHaveLength(fewest);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('not where one lies in the middle of it and leaves too little on either side', () => {
    const middle = {
      length: inches(20),
      webs: [inches(6), inches(14)],
      cutEnds: { start: true, end: true },
    };
    // Its webs are 20 and 28, or others alike: at best it lies from 6 to 26 in, and 22 in are left beside it.
    expect(toInches(takenOf(middle, rules))).toBe(48 - 22);
    expect(toInches(takenOf({ ...middle, cutEnds: { start: false, end: true } }, rules))).toBe(20);
    expect(toInches(takenOf({ ...middle, mitred: { start: true, end: false } }, rules))).toBe(48);
  });

  it('not in a family whose blocks are other ones turned end for end', () => {
    expect(turnsAlike(rules.block, rules.webs)).toBe(true);
    const odd = { ...rules, webs: { ...rules.webs, first: inches(6) } };
    expect(turnsAlike(odd.block, odd.webs)).toBe(false);
    const piece = { length: inches(14), webs: [], cutEnds: { start: false, end: true } };
    expect(takenOf(piece, odd)).toBe(odd.block);
  });
});

describe('beside an opening', () => {
  it('a flimsy rest and its block are two good lengths: 52 1/2 in is 29 and 23 1/2', () => {
    expect(bestSplit(inches(52.5), rules)?.map(toInches)).toEqual([29, 23.5]);
  });

  it('a split is good wherever any split on a cut mark is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 49 * 2, max: 59 * 2 }), (halves) => {
        const length = inches(halves / 2);
        const split = bestSplit(length, rules);
        if (!split) throw new Error('no split');
        expect((split[0] + split[1]) as Length).toBe(length);
        let any = false;
        for (let mark = 12; mark <= 48; mark += 1) {
          const other = halves / 2 - mark;
          if (other >= 12 && other <= 48)
            any ||= isGoodCut(inches(mark), rules) && isGoodCut(inches(other), rules);
        }
        expect(split.every((cut) => isGoodCut(cut, rules))).toBe(any);
      }),
    );
  });

  it('it is laid so', () => {
    // The opening’s buck begins 52 1/2 in from the wall's end: a block and 4 1/2 in.
    const opening = openingOf({ at: '54in', width: '40in', height: '16in', sill: '1.5in', buck: 'lumber' });
    const { courses } = work(wall(200, 4, [opening]));
    const before = courses.pieces.filter(
      (piece): piece is WallPiece =>
        piece.kind !== 'corner' && piece.course === 1 && piece.start < inches(52.5),
    );
    const lengths = before.map((piece) => toInches(piece.length));
    expect(lengths.reduce((sum, each) => sum + each, 0)).toBe(52.5);
    for (const piece of before) {
      if (piece.kind === 'cut') expect(isGoodCut(piece.length, rules), lengths.join()).toBe(true);
    }
  });
});

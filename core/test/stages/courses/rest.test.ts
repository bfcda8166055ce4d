import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type CutRules, cutRun, earOf, isGoodCut, websOfCut, websOfWhole } from '../../../src/stages/courses';
import { type Length, inches, SIXTY_FOURTH, toInches } from '../../../src/kernel/measure';

const rulesFor = (block: number): CutRules => ({
  block: inches(block),
  cutMark: inches(1),
  webs: { first: inches(4), spacing: inches(8), clearOfCut: inches(1) },
  shortest: inches(12),
  longestEar: inches(4),
});
const MODULE = rulesFor(48);
const LONG = rulesFor(96);

const cutsOf = (run: number, rules = MODULE): readonly number[] =>
  cutRun(inches(run), rules).cuts.map(toInches);

describe('webs and ears', () => {
  it('stand where the block had them', () => {
    expect(websOfWhole(inches(48), MODULE.webs).map(toInches)).toEqual([4, 12, 20, 28, 36, 44]);
    expect(websOfCut(inches(32), MODULE.webs).map(toInches)).toEqual([4, 12, 20, 28]);
    expect(websOfCut(inches(29), MODULE.webs).map(toInches)).toEqual([4, 12, 20, 28]);
    // A web nearer than an inch to the saw is lost.
    expect(websOfCut(inches(28.9), MODULE.webs).map(toInches)).toEqual([4, 12, 20]);
  });

  it('make exactly the good lengths of the trade: 8k, and from 8k + 5 to 8k + 8', () => {
    // Source: common practice, made exact here.
    for (let sixteenths = 1; sixteenths <= 48 * 16; sixteenths++) {
      const length = sixteenths / 16;
      const within = length % 8;
      const good = length >= 12 && (within === 0 || within >= 5);
      expect([length, isGoodCut(inches(length), MODULE)]).toEqual([length, good]);
    }
  });

  it('call a piece without webs all ear', () => {
    expect(toInches(earOf(inches(4.5), MODULE.webs))).toBe(4.5);
  });
});

describe('the six steps', () => {
  it.each([
    ['1: whole blocks fill it', 480, 1, [], 10],
    ['2: a good rest is one filler', 464, 2, [32], 9],
    ['2: the least good length', 48 + 13, 2, [13], 1],
    ['3: a bad rest shares a block', 58, 3, [29, 29], 0],
    ['3: the longer comes first', 48 + 19, 3, [37, 30], 0],
    ['3: a rest of 8 in', 248, 3, [32, 24], 4],
    ['4: no split is good, the rest long enough', 48 + 33, 4, [33], 1],
    ['4: a bad rest and no block to give', 28, 4, [28], 0],
    ['5: too short and no good split', 49, 5, [25, 24], 0],
    ['6: too short and no block to give', 6, 6, [6], 0],
  ])('%s', (_, run, step, cuts, whole) => {
    const found = cutRun(inches(run), MODULE);
    expect({ step: found.step, cuts: found.cuts.map(toInches), whole: found.whole }).toEqual({
      step,
      cuts,
      whole,
    });
  });

  it('lays long blocks by the same rule', () => {
    expect(cutsOf(388, LONG)).toEqual([53, 47]);
    expect(cutsOf(148, LONG)).toEqual([77, 71]);
  });

  it('fills nothing with nothing', () => {
    expect(cutRun(inches(0), MODULE)).toMatchObject({ step: 1, whole: 0, cuts: [] });
  });

  const anyRun = fc.integer({ min: 0, max: 700 * 64 }).map((count) => (count * SIXTY_FOURTH) as Length);
  const anyRules = fc.constantFrom(MODULE, LONG);

  it('fills every run exactly with pieces no longer than a block', () => {
    fc.assert(
      fc.property(anyRun, anyRules, (run, rules) => {
        const { whole, cuts, held } = cutRun(run, rules);
        expect(whole * rules.block + cuts.reduce((sum, cut) => sum + cut, 0)).toBe(run);
        expect(held - whole).toBeGreaterThanOrEqual(0);
        expect(held - whole).toBeLessThanOrEqual(1);
        for (const cut of cuts) expect(cut).toBeLessThanOrEqual(rules.block);
        expect([...cuts].sort((a, b) => b - a)).toEqual(cuts);
      }),
      { numRuns: 3000 },
    );
  });

  it('never settles for less than a search over every split on the marks would find', () => {
    fc.assert(
      fc.property(anyRun, anyRules, (run, rules) => {
        const found = cutRun(run, rules);
        const { rest, held } = found;
        const shares: (readonly [number, number])[] = [];
        for (let mark = 1; held > 0 && inches(mark) <= rules.block; mark++) {
          const pair = [inches(mark), (rules.block + rest - inches(mark)) as Length] as const;
          if (pair.every((cut) => cut >= rules.shortest && cut <= rules.block)) shares.push(pair);
        }
        const good = shares.filter((pair) => pair.every((cut) => isGoodCut(cut as Length, rules)));
        const apart = (pair: readonly number[]): number =>
          Math.abs((pair[0] as number) - (pair[1] as number));
        const ear = (pair: readonly number[]): number =>
          Math.max(...pair.map((cut) => earOf(cut as Length, rules.webs)));
        const leastOf = (
          pairs: readonly (readonly number[])[],
          by: (pair: readonly number[]) => number,
        ): number => Math.min(...pairs.map(by));
        if (rest === 0) expect(found.step).toBe(1);
        else if (isGoodCut(rest, rules)) expect(found.step).toBe(2);
        else if (good.length > 0) {
          expect(found.step).toBe(3);
          expect(apart(found.cuts)).toBe(leastOf(good, apart));
        } else if (rest >= rules.shortest) expect(found.step).toBe(4);
        else if (shares.length > 0) {
          expect(found.step).toBe(5);
          expect(ear(found.cuts)).toBe(leastOf(shares, ear));
          expect(apart(found.cuts)).toBe(
            leastOf(
              shares.filter((pair) => ear(pair) === ear(found.cuts)),
              apart,
            ),
          );
        } else expect(found.step).toBe(6);
      }),
      { numRuns: 3000 },
    );
  });
});

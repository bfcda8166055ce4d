import type { CutStep } from '../../kernel/figures/how';
import type { FormSystem } from '../../kernel/forms';
import { type Length, subtract, times, max, add } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type WebRules, earOf, webRules } from './webs';

/** What decides where the saw goes in a run of blocks. */
export interface CutRules {
  readonly block: Length;
  readonly cutMark: Length;
  readonly webs: WebRules;
  /** A shorter piece is flimsy. */
  readonly shortest: Length;
  readonly longestEar: Length;
}

/** The cut rules of a family under a job's house rules. An ear is never counted too long where the block's own end has it. */
export const cutRulesOf = (system: FormSystem, rules: HouseRules): CutRules => ({
  block: system.block,
  cutMark: system.cutMark,
  webs: webRules(system, rules.length('courses.web.clearOfCut')),
  shortest: rules.length('courses.filler.shortest'),
  longestEar: max(rules.length('courses.ear.longest'), system.firstWeb),
});

/** How a clear run is filled: whole blocks, and none, one or two cut pieces, the longer first. */
export interface RunCuts {
  readonly step: CutStep;
  /** What is left after as many whole blocks as the run holds. */
  readonly rest: Length;
  /** Whole blocks that the run holds, before any is given to the cuts. */
  readonly held: number;
  /** Whole blocks laid. */
  readonly whole: number;
  readonly cuts: readonly Length[];
  /** Whole blocks laid before the cuts; half of them unless set. */
  readonly before?: number;
}

/** Good: long enough, and its ear no longer than the rule. */
export const isGoodCut = (length: Length, rules: CutRules): boolean =>
  length >= rules.shortest && earOf(length, rules.webs) <= rules.longestEar;

/** Every way to share a length between two pieces of a block, one of them on a cut mark, the longer first; most equal first. */
export function splits(length: Length, rules: CutRules): readonly Split[] {
  const found: Split[] = [];
  for (let marked: number = rules.cutMark; marked <= rules.block; marked += rules.cutMark) {
    const other = length - marked;
    if (other < rules.shortest || marked < rules.shortest || other > rules.block) continue;
    found.push([Math.max(marked, other) as Length, Math.min(marked, other) as Length]);
  }
  return found.sort((a, b) => a[0] - b[0]);
}

type Split = readonly [Length, Length];

/** The most equal of some splits with two good lengths. */
const goodSplit = (shares: readonly Split[], rules: CutRules): Split | undefined =>
  shares.find((pair) => pair.every((cut) => isGoodCut(cut, rules)));

/** Of some splits the one with the least longest ear, then the most equal. */
function leastEars([first, ...others]: readonly Split[], rules: CutRules): Split | undefined {
  const longestEar = (pair: Split): number => Math.max(...pair.map((cut) => earOf(cut, rules.webs)));
  return first && others.reduce((best, pair) => (longestEar(pair) < longestEar(best) ? pair : best), first);
}

/**
 * How two pieces share a length that one of them would leave flimsy: two good lengths, as equal as can be; otherwise those with
 * the least longest ear. Steps 3 and 5 of a run's rule, beside a step, a free end or an opening.
 */
export function bestSplit(length: Length, rules: CutRules): Split | undefined {
  const shares = splits(length, rules);
  return goodSplit(shares, rules) ?? leastEars(shares, rules);
}

/**
 * Fills a clear run with whole blocks and the cuts that its rest asks for [common practice, made exact here]:
 *
 * 1. no rest: no cut;
 * 2. a good rest: one filler;
 * 3. otherwise, with a block to give, two good lengths from block + rest, as equal as can be;
 * 4. otherwise, a rest long enough: one filler, its joint to be strapped;
 * 5. otherwise, with a block to give, two cuts with the least longest ear, then as equal as can be, to be strapped;
 * 6. otherwise one cut of the rest, with a notice.
 *
 * @param run clear length between the two corner legs, zero or more
 * @example cutRun(inches(464), cutRules).cuts // [inches(32)]
 */
export function cutRun(run: Length, rules: CutRules): RunCuts {
  const held = Math.floor(run / rules.block);
  const rest = (run - held * rules.block) as Length;
  const one = (step: CutStep): RunCuts => ({ step, rest, held, whole: held, cuts: [rest] });
  const two = (step: CutStep, cuts: readonly Length[]): RunCuts => ({
    step,
    rest,
    held,
    whole: held - 1,
    cuts,
  });

  if (rest === 0) return { step: 1, rest, held, whole: held, cuts: [] };
  if (isGoodCut(rest, rules)) return one(2);
  const shares = held > 0 ? splits(add(rules.block, rest), rules) : [];
  const good = goodSplit(shares, rules);
  if (good) return two(3, good);
  if (rest >= rules.shortest) return one(4);
  const least = leastEars(shares, rules);
  return least ? two(5, least) : one(6);
}

/** A run filled with cuts that were chosen for it; null where they do not add up to it with whole blocks, or cannot be cut. */
export function fillWith(run: Length, cuts: readonly Length[], rules: CutRules): RunCuts | null {
  const cutLength = cuts.reduce<number>((sum, cut) => sum + cut, 0);
  const whole = (run - cutLength) / rules.block;
  if (!Number.isInteger(whole) || whole < 0 || cuts.some((cut) => cut <= 0 || cut >= rules.block))
    return null;
  const held = Math.floor(run / rules.block);
  return { step: 0, rest: subtract(run, times(rules.block, held)), held, whole, cuts };
}

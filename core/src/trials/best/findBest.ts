import { rulesOf } from '../../rules';
import {
  type Laying,
  type LongLegOn,
  cornerAtEnd,
  cornerAtStart,
  endsOfWall,
  layCourses,
  layingOf,
  reuseRulesOf,
} from '../../stages/courses';
import { type FormSystem, systemOf } from '../../kernel/forms';
import { withinLimits } from '../../stages/limits';
import type { Length } from '../../kernel/measure';
import { placeOpenings } from '../../stages/openings';
import type { WallChange } from '../../stages/outline/wallEdit';
import type { Plan, PlanEdit } from '../../kernel/plan';
import { type BuiltLoop, type Levels, type Shell, buildLevels, buildShell } from '../../stages/outline';
import { type Weigh, makeAnnealer } from './anneal';
import { betteredPrices, boundOf, cheapestChoice, FIRST_PRICE_STEPS, lexicographic, TIE } from './bounds';
import { type Chain, type ChainChoice, type WallChoices, LEADS, optionsUnder } from './chain';
import {
  type Choice,
  type Goal,
  type Score,
  type Search,
  goalOrder,
  less,
  optionsIn,
  scoreOf,
} from './goals';
import { type OptionSetting, type WallOption, optionsOf } from './options';
import { type BlockRules, heightsOf, lengthsByArticle, pricesAt, pricesByLength } from './prices';
import { boundByRepeats } from './repeats';

/** One goal of the best plan found: what it comes to, and what it can at least come to. */
export interface GoalResult {
  readonly goal: Goal;
  readonly value: number;
  /** No plan comes to less, those that are as good in the goals before it. */
  readonly bound: number;
  readonly proved: boolean;
}

/** The best plan so far. */
export interface BestFound {
  readonly goals: readonly GoalResult[];
  /** What makes the plan so: the lead of every corner and the bond of every wall. */
  readonly edit: PlanEdit;
  /** How much of the search is done, from 0 to 1. */
  readonly done: number;
}

type BestReading =
  | { readonly ok: true; readonly steps: Generator<BestFound, BestFound, undefined> }
  | { readonly ok: false; readonly why: string };

/** Every wall's options under both leads of its corners. The slow part of the search, so it reports on the way. */
function* chainOf(
  built: BuiltLoop,
  setting: Omit<OptionSetting, 'built'>,
): Generator<number, Chain, undefined> {
  const corners = built.corners.map((corner) => corner.letter);
  const placeOf = (letter: string | undefined): number | null => {
    const place = corners.indexOf(letter ?? '');
    return place < 0 ? null : place;
  };
  const walls: WallChoices[] = [];
  for (const [index, wall] of built.walls.entries()) {
    const start = cornerAtStart(built, index);
    const end = cornerAtEnd(built, index);
    const under = (startLead: LongLegOn, endLead: LongLegOn): readonly WallOption[] => {
      const leads = new Map<string, LongLegOn>([
        ...(start ? [[start.letter, startLead] as const] : []),
        ...(end ? [[end.letter, endLead] as const] : []),
      ]);
      const ends = endsOfWall({ built, index, leads, laying: setting.laying });
      return optionsOf(wall, ends, { ...setting, built });
    };
    walls.push({
      wall: wall.id,
      start: placeOf(start?.letter),
      end: placeOf(end?.letter),
      options: (start ? LEADS : LEADS.slice(0, 1)).map((a) =>
        (end ? LEADS : LEADS.slice(0, 1)).map((b) => under(a, b)),
      ),
    });
    yield (index + 1) / built.walls.length;
  }
  return { corners, rows: built.corners.map((corner) => corner.wallAfter), walls };
}

/** What a choice says, as an edit of the plan. Everything chosen before is taken off first. */
function editOf(search: Search, choice: Choice): PlanEdit {
  const changes = new Map<string, WallChange>();
  search.chains.forEach((chain, at) => {
    const chosen = choice[at];
    chain.walls.forEach((wall, index) => {
      changes.set(wall.wall, { bond: chosen?.options[index]?.bond ?? null, lead: null });
    });
    chain.rows.forEach((row, index) => {
      const lead = LEADS[chosen?.leads[index] ?? 0] === 'after' ? 'starting-wall' : 'ending-wall';
      changes.set(row, { ...changes.get(row), lead });
    });
  });
  return {
    kind: 'all',
    edits: [...changes].map(([row, change]): PlanEdit => ({ kind: 'set-wall', row, change })),
  };
}

/** Betters a choice wall by wall and corner by corner until nothing more is gained. */
function* improved(search: Search, from: Choice): Generator<Choice, Choice, undefined> {
  let choice = from;
  let score = scoreOf(optionsIn(choice), search);
  const replaced = (at: number, change: ChainChoice): Choice =>
    choice.map((each, index) => (index === at ? change : each));
  const tryChange = (at: number, change: ChainChoice): boolean => {
    const next = replaced(at, change);
    const found = scoreOf(optionsIn(next), search);
    if (!less(found, score)) return false;
    choice = next;
    score = found;
    return true;
  };
  /** The best option of one wall while all others stay. */
  const settleWall = (at: number, index: number): boolean => {
    const chain = search.chains[at];
    const wall = chain?.walls[index];
    if (!wall) return false;
    let better = false;
    for (const option of optionsUnder(wall, choice[at]?.leads ?? [])) {
      const own = choice[at] as ChainChoice;
      if (option === own.options[index]) continue;
      const options = own.options.map((each, place) => (place === index ? option : each));
      better = tryChange(at, { ...own, options }) || better;
    }
    return better;
  };
  let better = true;
  while (better) {
    better = false;
    for (const [at, chain] of search.chains.entries()) {
      for (const index of chain.walls.keys()) better = settleWall(at, index) || better;
      yield choice;
      for (const corner of chain.corners.keys()) {
        const own = choice[at] as ChainChoice;
        const leads = own.leads.map((lead, place) => (place === corner ? 1 - lead : lead));
        const touched = chain.walls.flatMap((wall, index) =>
          wall.start === corner || wall.end === corner ? [index] : [],
        );
        // Both walls of the corner take their cheapest options first; whatever gains is kept.
        const lists = touched.map((index) => {
          const wall = chain.walls[index];
          return wall ? cheapFew(optionsUnder(wall, leads)) : [];
        });
        const [ones = [], others = [null]] = lists;
        for (const one of ones) {
          for (const other of others) {
            const options = own.options.map((each, place) =>
              place === touched[0] ? one : place === touched[1] && other ? other : each,
            );
            better = tryChange(at, { leads, options }) || better;
          }
        }
      }
      yield choice;
    }
  }
  return choice;
}

/** The few options of a wall that are worth a trial beside each other: fewest blocks, cuts and straps first. */
const FEW = 12;
function cheapFew(options: readonly WallOption[]): readonly WallOption[] {
  const wholes = (option: WallOption): number => option.needs.reduce((sum, need) => sum + need.whole, 0);
  return [...options]
    .sort((a, b) => a.cuts + wholes(a) - b.cuts - wholes(b) || a.cuts - b.cuts || a.straps - b.straps)
    .slice(0, FEW);
}

/** Weights of the three goals that a start of the search is the cheapest under. */
const START_WEIGHTS = [
  [1, TIE, TIE * TIE],
  [1, 0.05, 0.002],
  [1, 0.3, 0.01],
] as const;

/** How the annealing weighs the goals: first so that one in an earlier goal outweighs much of a later one, then more evenly. */
const weighing =
  (second: number, third: number) =>
  (order: readonly Goal[]): Weigh =>
  (blocks, cuts, straps) => {
    const value = { blocks, cuts, straps };
    const [first = 'blocks', next = 'cuts', last = 'straps'] = order;
    return value[first] + second * value[next] + third * value[last];
  };
const ROUNDS = [
  { weigh: weighing(0.0005, 0.00002), tries: 320_000 },
  { weigh: weighing(0.01, 0.0005), tries: 120_000 },
  { weigh: weighing(0.05, 0.002), tries: 120_000 },
] as const;

/** Rounds more, at the most, where the plan is further than a block from its bound. */
const EXTRA_ROUNDS = 3;

function setUp(whole: Plan) {
  const { plan } = withinLimits(whole);
  const rules = rulesOf(plan);
  const shell: Shell = buildShell(plan, rules);
  const system: FormSystem | null = shell.family ? systemOf(shell.family) : null;
  const levels: Levels = buildLevels(shell, system, plan, rules);
  const openings = placeOpenings(shell, levels, plan, rules);
  return { rules, shell, system, levels, openings };
}

/**
 * Finds the best plan of the courses: hand of every corner, bond of every wall, splits on cut marks, seams on cut marks.
 * Judged by the house rule's order of blocks bought, cuts, joints to strap.
 *
 * Cuts and straps add up wall by wall and are settled exactly by a programme along the corners. Blocks couple through the
 * offcuts: every set of prices of the cuts that charges no block more than itself gives a lower bound by the same
 * programme, and its cheapest choice a plan to start from; those are bettered wall by wall and corner by corner. Where the
 * plan meets the bound it is the least possible, proved; otherwise the gap is told.
 *
 * @returns steps to run one after the other, each with the best plan so far; or why there is nothing to search
 */
export function findBest(plan: Plan): BestReading {
  const { rules, shell, system, levels, openings } = setUp(plan);
  const loops = shell.loops.flatMap((loop) => (loop.built ? [loop.built] : []));
  if (!system || levels.courses === 0 || loops.length === 0) {
    return { ok: false, why: 'The outline does not stand yet; the notices say what it needs.' };
  }
  const walls = loops.reduce((sum, loop) => sum + loop.walls.length, 0);
  const laid = layCourses({ shell, system, levels, openings }, plan, rules);
  if (laid.fills.length < walls) {
    return {
      ok: false,
      why: 'Some walls cannot be laid yet; the stop notices say which, and what they need.',
    };
  }
  const laying: Laying = layingOf({ system, plan, rules, levels, openings });
  return { ok: true, steps: search(loops, laying, levels, laid.fixedJoints) };
}

function* search(
  loops: readonly BuiltLoop[],
  laying: Laying,
  levels: Levels,
  fixedJoints: number,
): Generator<BestFound, BestFound, undefined> {
  const order = goalOrder(laying.rules);
  const chains: Chain[] = [];
  for (const [index, built] of loops.entries()) {
    const steps = chainOf(built, { laying, levels });
    let step = steps.next();
    while (!step.done) {
      yield {
        goals: [],
        edit: { kind: 'all', edits: [] },
        done: (0.4 * (index + step.value)) / loops.length,
      };
      step = steps.next();
    }
    chains.push(step.value);
  }
  const all = chains.flatMap((chain) => chain.walls.flatMap((wall) => wall.options.flat(2)));
  const rules: BlockRules = {
    system: laying.system,
    perBlock: reuseRulesOf(laying.rules).perBlock,
    heights: heightsOf(all),
  };
  const found: Search = { chains, order, rules };
  const lengths = lengthsByArticle(all);
  const thresholds = [...new Set([0, ...[...lengths.values()].flat()])].filter(
    (each) => each <= laying.system.block / 2 + 1,
  ) as Length[];
  const pricings = thresholds.map((threshold) => pricesAt(lengths, threshold, rules));
  let best: Choice | null = null as Choice | null;
  let score: Score = [Infinity, Infinity, Infinity];
  const take = (choice: Choice): boolean => {
    const own = scoreOf(optionsIn(choice), found);
    if (best && !less(own, score)) return false;
    best = choice;
    score = own;
    return true;
  };
  const byLength = pricesByLength(lengths, rules);
  // The first goal's bound comes before any plan: its cheapest choices are where the search starts from.
  const opening =
    order[0] === 'blocks'
      ? betteredPrices({
          search: found,
          start: byLength,
          pricings,
          costUnder: (prices) => lexicographic(found, prices, [1, TIE, TIE * TIE]),
          enough: Infinity,
          most: FIRST_PRICE_STEPS,
        })
      : [];
  const firstBound = opening.reduce(
    (bound, { prices, cost }) =>
      // What the later goals add only makes it dearer: what is not above the bound with them is not without them.
      cost <= bound
        ? bound
        : Math.max(
            bound,
            Math.ceil((cheapestChoice(found, lexicographic(found, prices, [1, 0, 0]))?.cost ?? 0) - 1e-6),
          ),
    order[0] === 'blocks' ? boundByRepeats(found) : 0,
  );
  const report = (done: number, bounds: readonly number[]): BestFound => ({
    goals: order.map((goal, index): GoalResult => {
      // Straps that no choice changes are counted to every plan, as on the strap list.
      const always = goal === 'straps' ? fixedJoints : 0;
      const value = score[index] ?? 0;
      const bound = Math.min(bounds[index] ?? 0, value);
      return {
        goal,
        value: value + always,
        bound: bound + always,
        proved: bounds[index] !== undefined && bound === value,
      };
    }),
    edit: best ? editOf(found, best) : { kind: 'all', edits: [] },
    done,
  });
  const begin = [byLength, ...opening.slice(-1).map((each) => each.prices)].flatMap((prices) =>
    START_WEIGHTS.map((weights) => lexicographic(found, prices, weights)),
  );
  for (const costOf of begin) {
    const start = cheapestChoice(found, costOf);
    if (start && take(start.choice)) yield report(0.5, [firstBound]);
  }
  const annealer = makeAnnealer(chains, rules);
  const rounds = [...ROUNDS, ...Array.from({ length: EXTRA_ROUNDS }, () => ROUNDS[0])];
  for (const [round, { weigh, tries }] of rounds.entries()) {
    if (!best) break;
    // The usual rounds are enough where the plan is within a block of its bound; otherwise the search goes on for a while.
    const near = order[0] !== 'blocks' || score[0] <= firstBound + 1;
    if (round >= ROUNDS.length && near) break;
    const share = (part: number): number => 0.5 + (0.4 * (round + part)) / rounds.length;
    const steps = annealer.run(best, weigh(order), round + 1, tries);
    let step = steps.next();
    for (let breath = 1; !step.done; breath++) {
      take(step.value);
      yield report(share(Math.min(1, breath / 27)), [firstBound]);
      step = steps.next();
    }
    take(step.value);
    const settled = improved(found, best);
    let last = settled.next();
    while (!last.done) last = settled.next();
    if (take(last.value)) yield report(share(1), [firstBound]);
  }
  const bounds: number[] = [];
  for (const index of order.keys()) {
    bounds.push(
      index === 0 && firstBound > 0
        ? firstBound
        : boundOf({ search: found, at: index, best: score, pricings, start: byLength }),
    );
    yield report(0.9 + (0.1 * (index + 1)) / order.length, bounds);
    // A later goal's bound holds only for plans that reach the earlier ones: a gap there leaves it open.
    if ((bounds[index] ?? 0) < (score[index] ?? 0)) break;
  }
  return report(1, bounds);
}

import { type Bracing, type BracingInput, buildBracing } from './bracing';
import { type Bucks, makeBucks } from './bucks';
import { type Courses, type LuckyLength, layCourses, luckyLengths } from './courses';
import { type Inserts, type InsertsInput, clashesOf, placeInserts } from './inserts';
import { type Openings, type OpeningsInput, placeOpenings } from './openings';
import type { adjustPulls } from './footing/adjust';
import type { pourNotices } from './notices/pourNotices';
import type { Pour, PourInput, buildPour } from './pour';
import { NOTHING_ON_TOP, type TopOff } from './topoff/topOff';
import type { buildTopOff } from './topoff/buildTopOff';
import { type Footing, type FootingInput, buildFooting } from './footing';
import { type Family, systemOf } from './forms';
import { type LimitProblem, withinLimits } from './limits';
import { rememberLast, settle } from './memo';
import {
  type Notice,
  type Severity,
  bracingNotices,
  courseNotices,
  footingNotices,
  insertNotices,
  levelNotices,
  limitNotices,
  openingNotices,
  outlineNotices,
  ruleNotices,
  steelNotices,
} from './notices';
import type { Plan } from './plan';
import { houseRules, type RuleOverrides } from './rules';
import {
  type Levels,
  type LevelsInput,
  type Shell,
  type ShellInput,
  buildLevels,
  buildShell,
  familiesOf,
  workedStages,
} from './shell';
import { type Steel, type SteelInput, buildSteel } from './steel';
import { type Tally, buildTally } from './tally';

/** Everything that follows from a plan. Plain data throughout: it can be cloned, sent and printed as JSON. */
export interface WorkedPlan {
  readonly name: string;
  readonly units: Plan['units'];
  readonly measuredTo: Plan['measuredTo'];
  /** The families that the job may choose from: those that ship, and its own. */
  readonly families: readonly Family[];
  readonly shell: Shell;
  readonly levels: Levels;
  readonly openings: Openings;
  readonly courses: Courses;
  readonly inserts: Inserts;
  readonly bucks: Bucks;
  readonly steel: Steel;
  readonly bracing: Bracing;
  readonly topoff: TopOff;
  readonly pour: Pour;
  readonly footing: Footing;
  readonly tally: Tally;
  readonly lucky: readonly LuckyLength[];
  readonly notices: readonly Notice[];
  /** Whether the late stages are in it; otherwise nothing is poured yet, and no pull has moved a corner. */
  readonly complete: boolean;
}

/** Stages that a first view does without: they may be fetched after it. */
export interface LateStages {
  readonly adjustPulls: typeof adjustPulls;
  readonly buildTopOff: typeof buildTopOff;
  readonly buildPour: typeof buildPour;
  readonly pourNotices: typeof pourNotices;
}

const NOTHING_POURED: Pour = { pours: [], problems: [] };

const ORDER: Readonly<Record<Severity, number>> = { stop: 0, mind: 1, tip: 2 };

/** What notices are made of. */
type Noticed = Pick<
  WorkedPlan,
  | 'shell'
  | 'levels'
  | 'openings'
  | 'courses'
  | 'inserts'
  | 'steel'
  | 'bracing'
  | 'topoff'
  | 'pour'
  | 'footing'
>;

function allNotices(
  plan: Plan,
  limits: readonly LimitProblem[],
  worked: Noticed,
  rules: ReturnType<typeof houseRules>,
  late: LateStages | null,
): readonly Notice[] {
  const { shell, levels, openings, courses, inserts, steel, bracing, topoff, pour, footing } = worked;
  const names = new Map(shell.loops.flatMap((loop) => loop.rowNames.map(({ row, name }) => [row, name])));
  const nameOf = (row: string): string => names.get(row) ?? row;
  const things = new Map(
    [...(plan.openings ?? []), ...(plan.inserts ?? [])].map(({ id, name }) => [id, name ?? 'Without a name']),
  );
  return [
    ...limitNotices(limits, plan.units, (id) => things.get(id) ?? nameOf(id)),
    ...outlineNotices(shell, plan.units, nameOf),
    ...levelNotices(levels, plan, nameOf),
    ...courseNotices(courses, openings, plan.units, nameOf),
    ...openingNotices(openings, plan, nameOf),
    ...insertNotices(inserts, plan, nameOf),
    ...steelNotices(steel, plan.units, nameOf, openings),
    ...bracingNotices(bracing, plan.units, nameOf, openings),
    ...(late?.pourNotices(pour, topoff, plan.units, nameOf) ?? []),
    ...footingNotices(footing, plan.units, nameOf, rules),
    ...ruleNotices(rules),
  ].sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
}

/**
 * A worker-out that remembers the last answer of every stage, and works again only those whose inputs have changed:
 * renaming a job works nothing, changing the courses leaves the shell as it was.
 *
 * @param late the late stages; null leaves them out, and its answers are not complete
 */
export function makeWorkWith(late: LateStages | null): (plan: Plan) => WorkedPlan {
  const limited = rememberLast(withinLimits);
  const settleShell = settle<ShellInput>();
  const settleRules = settle<RuleOverrides>();
  const settleLevels = settle<LevelsInput>();
  const settledRules = rememberLast(houseRules);
  const shellOf = rememberLast((input: ShellInput) => buildShell(input));
  const systemOfShell = rememberLast((shell: Shell) => (shell.family ? systemOf(shell.family) : null));
  const settleFamilies = settle<Plan['families']>();
  const familiesOfPlan = rememberLast((own: Plan['families']) => familiesOf(own ? { families: own } : {}));
  const levelsOf = rememberLast(buildLevels);
  const settleOpenings = settle<OpeningsInput>();
  const openingsOf = rememberLast(placeOpenings);
  const settleInserts = settle<InsertsInput>();
  const placedInserts = rememberLast(placeInserts);
  const insertsOf = rememberLast(
    (
      placed: Inserts,
      openings: Openings,
      courses: Courses,
      shell: Shell,
      rules: ReturnType<typeof houseRules>,
    ): Inserts => ({
      ...placed,
      problems: [...placed.problems, ...clashesOf(placed, openings, courses, shell, rules)],
    }),
  );
  const bucksOf = rememberLast(makeBucks());
  const settleSteel = settle<SteelInput>();
  const steelOf = rememberLast(buildSteel);
  const settleBracing = settle<BracingInput>();
  const bracingOf = rememberLast(buildBracing);
  const topOffOf = late ? rememberLast(late.buildTopOff) : (): TopOff => NOTHING_ON_TOP;
  const settleStages = settle<Plan['stages']>();
  const settlePour = settle<PourInput>();
  const pourOf = rememberLast(
    (
      shell: Shell,
      levels: Levels,
      courses: Courses,
      openings: Openings,
      inserts: Inserts,
      bucks: Bucks,
      footing: Footing,
      steel: Steel,
      bracing: Bracing,
      topoff: TopOff,
      pour: PourInput,
      rules: ReturnType<typeof houseRules>,
    ): Pour =>
      late?.buildPour(
        { shell, levels, courses, openings, inserts, bucks, footing, steel, bracing, topoff },
        pour,
        rules,
      ) ?? NOTHING_POURED,
  );
  const coursesOf = rememberLast(layCourses);
  const settleFooting = settle<FootingInput>();
  const footingOf = rememberLast(buildFooting);
  const tallyOf = rememberLast(buildTally);
  const luckyOf = rememberLast(luckyLengths);
  return (whole) => {
    const { plan, problems: limits } = limited(whole);
    const { loops, units, measuredTo, family, families, core, stages, height } = plan;
    const rules = settledRules(settleRules(plan.rules), units);
    const shell = shellOf(
      settleShell({
        loops,
        units,
        measuredTo,
        family,
        ...(families === undefined ? {} : { families }),
        core,
        rules: plan.rules,
      }),
    );
    const system = systemOfShell(shell);
    const input = settleLevels({ loops, units, stages, ...(height === undefined ? {} : { height }) });
    const levels = levelsOf(shell, system, input, rules);
    const ended = settleStages(workedStages(stages, levels));
    const openings = openingsOf(
      shell,
      levels,
      settleOpenings({
        units,
        ...(plan.openings === undefined ? {} : { openings: plan.openings }),
        ...(plan.bucks === undefined ? {} : { bucks: plan.bucks }),
      }),
      rules,
    );
    const courses = coursesOf(shell, system, levels, openings, input, rules);
    const placed = placedInserts(
      shell,
      levels,
      settleInserts({ units, ...(plan.inserts === undefined ? {} : { inserts: plan.inserts }) }),
      rules,
    );
    const inserts = insertsOf(placed, openings, courses, shell, rules);
    const tally = tallyOf(shell, system, courses, ended, openings, placed, rules);
    const footing = footingOf(
      shell,
      levels,
      courses,
      settleFooting({ loops, units, ...(plan.footing === undefined ? {} : { footing: plan.footing }) }),
      rules,
      tally.courses[0]?.coreVolume.how ?? null,
      late?.adjustPulls ?? null,
    );
    const steel = steelOf(
      shell,
      levels,
      courses,
      placed,
      openings,
      settleSteel({
        units,
        stages: ended,
        rules: plan.rules,
        ...(plan.steel === undefined ? {} : { steel: plan.steel }),
      }),
      rules,
    );
    const bracing = bracingOf(
      shell,
      levels,
      courses,
      openings,
      placed,
      settleBracing({
        units,
        stages: ended,
        ...(plan.bracing === undefined ? {} : { bracing: plan.bracing }),
      }),
      rules,
    );
    const bucks = bucksOf(openings, shell, levels, rules);
    const topoff = topOffOf(shell, levels, openings, placed, steel, bracing, ended, rules);
    const pour = pourOf(
      shell,
      levels,
      courses,
      openings,
      placed,
      bucks,
      footing,
      steel,
      bracing,
      topoff,
      settlePour({ units, stages: ended, ...(plan.pour === undefined ? {} : { pour: plan.pour }) }),
      rules,
    );
    const worked = { shell, levels, openings, courses, inserts, steel, bracing, topoff, pour, footing };
    return {
      name: plan.name,
      units,
      measuredTo,
      families: familiesOfPlan(settleFamilies(families)),
      ...worked,
      bucks,
      tally,
      complete: late !== null,
      lucky: luckyOf(shell, system, courses, rules),
      notices: allNotices(whole, limits, worked, rules, late),
    };
  };
}

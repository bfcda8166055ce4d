import { type Courses, type LuckyLength, layCourses, luckyLengths } from './courses';
import { type Footing, type FootingInput, buildFooting } from './footing';
import { type Family, systemOf } from './forms';
import { rememberLast, settle } from './memo';
import {
  type Notice,
  type Severity,
  courseNotices,
  footingNotices,
  levelNotices,
  outlineNotices,
  ruleNotices,
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
} from './shell';
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
  readonly courses: Courses;
  readonly footing: Footing;
  readonly tally: Tally;
  readonly lucky: readonly LuckyLength[];
  readonly notices: readonly Notice[];
}

const ORDER: Readonly<Record<Severity, number>> = { stop: 0, mind: 1, tip: 2 };

function allNotices(
  plan: Plan,
  shell: Shell,
  levels: Levels,
  courses: Courses,
  footing: Footing,
  rules: ReturnType<typeof houseRules>,
): readonly Notice[] {
  const names = new Map(shell.loops.flatMap((loop) => loop.rowNames.map(({ row, name }) => [row, name])));
  const nameOf = (row: string): string => names.get(row) ?? row;
  return [
    ...outlineNotices(shell, plan.units, nameOf),
    ...levelNotices(levels, plan, nameOf),
    ...courseNotices(courses, plan.units, nameOf),
    ...footingNotices(footing, plan.units, nameOf, rules),
    ...ruleNotices(rules),
  ].sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
}

/**
 * A worker-out that remembers the last answer of every stage, and works again only those whose inputs have changed:
 * renaming a job works nothing, changing the courses leaves the shell as it was.
 */
export function makeWork(): (plan: Plan) => WorkedPlan {
  const settleShell = settle<ShellInput>();
  const settleRules = settle<RuleOverrides>();
  const settleLevels = settle<LevelsInput>();
  const rulesOf = rememberLast(houseRules);
  const shellOf = rememberLast((input: ShellInput) => buildShell(input));
  const systemOfShell = rememberLast((shell: Shell) => (shell.family ? systemOf(shell.family) : null));
  const settleFamilies = settle<Plan['families']>();
  const familiesOfPlan = rememberLast((own: Plan['families']) => familiesOf(own ? { families: own } : {}));
  const levelsOf = rememberLast(buildLevels);
  const coursesOf = rememberLast(layCourses);
  const settleFooting = settle<FootingInput>();
  const footingOf = rememberLast(buildFooting);
  const tallyOf = rememberLast(buildTally);
  const luckyOf = rememberLast(luckyLengths);
  return (plan) => {
    const { loops, units, measuredTo, family, families, core, stages, height } = plan;
    const rules = rulesOf(settleRules(plan.rules));
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
    const courses = coursesOf(shell, system, levels, input, rules);
    const footing = footingOf(
      shell,
      levels,
      courses,
      settleFooting({ loops, units, ...(plan.footing === undefined ? {} : { footing: plan.footing }) }),
      rules,
    );
    return {
      name: plan.name,
      units,
      measuredTo,
      families: familiesOfPlan(settleFamilies(families)),
      shell,
      levels,
      courses,
      footing,
      tally: tallyOf(shell, system, courses, input.stages),
      lucky: luckyOf(shell, system, courses, rules),
      notices: allNotices(plan, shell, levels, courses, footing, rules),
    };
  };
}

/**
 * Works a plan out, all stages in order: plan → shell → courses → footing → tally → notices. Never throws for what a plan says;
 * what cannot be worked comes back with stop notices.
 *
 * @example work(plan).footing.concrete.value // in cubic metres
 */
export const work = (plan: Plan): WorkedPlan => makeWork()(plan);

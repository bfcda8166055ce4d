import type { FootingStep, TopStep, WalkRow } from './plan';
import { type Length, type UnitSystem, ZERO, showLength, storeLength, abs } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';
import { outlineRules } from './rules';
import { type LevelProblem, type Levels, readFootingStep } from '.';
import { type Notice, type NoticeFix, type NoticeTable, type Told, noticesOf } from '../../kernel/notices';

type Context = Pick<Plan, 'loops' | 'units'>;

const rowOf = (plan: Context, wall: string): WalkRow | undefined =>
  plan.loops.flatMap((loop) => loop.walk).find((row) => row.id === wall);

/** Fixes that make a step of the footing a whole number of courses. */
function stepFixes(
  problem: Extract<LevelProblem, { kind: 'step-off-course' }>,
  plan: Context,
): readonly NoticeFix[] {
  const footing = rowOf(plan, problem.wall)?.footing ?? [];
  const { units } = plan;
  // A step told in courses is never off the course.
  const wrong = footing.find(
    (step) => Math.abs(readFootingStep(step.step, units, ZERO) ?? 0) === problem.step,
  );
  if (!wrong) return [];
  const direction = wrong.step.trim().toLowerCase().startsWith('down') ? 'down' : 'up';
  return problem.nearest.map((step): NoticeFix => {
    const changed = footing.map((each): FootingStep =>
      each.id === wrong.id ? { ...each, step: `${direction} ${storeLength(step, units)}` } : each,
    );
    return {
      label: `Step ${showLength(step, units)}`,
      edit: { kind: 'set-wall', row: problem.wall, change: { footing: changed } },
    };
  });
}

/** Takes away the steps that lie off their wall. */
function withoutStep(
  problem: Extract<LevelProblem, { kind: 'step-off-wall' }>,
  plan: Context,
): readonly NoticeFix[] {
  const row = rowOf(plan, problem.wall);
  const at = storeLength(problem.at, plan.units);
  const keep = <Step extends FootingStep | TopStep>(steps: readonly Step[] | undefined): readonly Step[] =>
    (steps ?? []).filter((step) => step.at !== at);
  return [
    {
      label: 'Remove the step',
      edit: {
        kind: 'set-wall',
        row: problem.wall,
        change:
          problem.of === 'footing' ? { footing: keep(row?.footing) } : { topSteps: keep(row?.topSteps) },
      },
    },
  ];
}

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<LevelProblem['kind'], string>> = {
  'too-many-pieces': 'Job too large',
  'courses-out-of-range': 'Courses out of range',
  'pours-out-of-order': 'Pours out of order',
  'height-unreadable': 'Heights that cannot be read',
  'half-piece-missing': 'No half-height block fits',
  'base-unreadable': 'Footing heights that cannot be read',
  'step-unreadable': 'Footing steps that cannot be read',
  'step-off-wall': 'Steps off their wall',
  'steps-not-home': 'Footing steps that do not add up',
  'step-off-course': 'Footing steps off the course',
  'rake-unclear': 'Rakes that say too little',
  'rake-low': 'Rakes that come down too low',
  'top-unreadable': 'Tops that cannot be read',
  'top-too-high': 'Tops above the job',
  'top-below-bottom': 'Tops below the footing',
};

function wording(plan: Context, nameOf: (wall: string) => string): NoticeTable<LevelProblem> {
  const { units } = plan;
  const show = (length: Length): string => showLength(length, units);
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const onWall = (wall: string): Pick<Told, 'where' | 'place'> => ({
    where: nameOf(wall),
    place: { wall },
  });
  const onHeight = { where: 'Height', place: { setting: 'height' as const } };
  return {
    'too-many-pieces': (problem) => ({
      severity: 'stop',
      where: 'Courses',
      place: { setting: 'courses' },
      what: `These walls take about ${String(problem.pieces)} pieces; one job holds up to ${String(problem.most)}. Split it into several jobs, or check lengths and courses.`,
    }),
    'courses-out-of-range': (problem) => ({
      severity: 'stop',
      where: 'Courses',
      place: { setting: 'courses' },
      rule: 'courses.most',
      what: `${String(problem.courses)} courses will not work. Enter a whole number from 1 to ${String(problem.most)}.`,
    }),
    'pours-out-of-order': (problem) => ({
      severity: 'stop',
      where: 'Pours',
      place: { setting: 'courses' },
      what: `Pour “${problem.pour}” ends no higher than the one before it. List pours from the footing up.`,
    }),
    'height-unreadable': (problem) => ({
      severity: 'stop',
      ...onHeight,
      what: `“${problem.text}” cannot be read as a height. Write it like 8′ 4″, or give a number of courses.`,
    }),
    'half-piece-missing': (problem) => ({
      severity: 'check',
      ...onHeight,
      rule: 'courses.height.rest',
      what:
        problem.half === null
          ? `These forms have no half-height block. The last course is ripped to ${inInches(problem.rest)}.`
          : `A half-height block is ${inInches(problem.half)} and ${inInches(problem.rest)} is left. The last course is ripped instead.`,
    }),
    'base-unreadable': (problem) => ({
      severity: 'stop',
      where: 'Footing',
      place: { loop: problem.loop },
      what: `“${problem.text}” cannot be read as the height of this footing. It is taken as level with the first.`,
    }),
    'step-unreadable': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `“${problem.text}” cannot be read as a footing step. Write how far along it is, and “up 32in” or “down 2 courses”.`,
    }),
    'step-off-wall': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `The ${problem.of === 'footing' ? 'footing' : 'top'} step at ${show(problem.at)} is off this wall, which is ${show(problem.length)} long.`,
      fixes: withoutStep(problem, plan),
    }),
    'steps-not-home': (problem) => ({
      severity: 'stop',
      where: 'Footing',
      place: { loop: problem.loop },
      what: `Once around, the footing steps end ${show(abs(problem.by))} ${problem.by > 0 ? 'higher' : 'lower'} than they started. Every step up needs a step down. This footing is taken as level until then.`,
    }),
    'step-off-course': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      what: `A footing step of ${inInches(problem.step)} is not a whole number of courses: the first course above it is ripped to ${inInches(problem.rip)}. ${problem.nearest.map(inInches).join(' or ')} needs no rip.`,
      why: 'A step of whole courses lets the first course on the upper footing line up with the courses below.',
      fixes: stepFixes(problem, plan),
    }),
    'rake-unclear': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: 'A raked top needs at least two points at different places along the wall. It is taken as level until then.',
    }),
    'rake-low': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `The rake comes down to ${show(problem.top)}, under the first course, ${show(problem.least)}. Raise it, or end it higher and build the rest of wood. The top is taken as level until then.`,
    }),
    'top-unreadable': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `“${problem.text}” cannot be read as a top. Write “5 courses” or a height like 7′ 4″.`,
    }),
    'top-too-high': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      what: `The top at ${show(problem.top)} is above the job’s ${show(problem.highest)}, which is used. Raise the job first.`,
    }),
    'top-below-bottom': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `The top at ${show(problem.top)} is not above the footing at ${show(problem.bottom)}: nothing is laid there.`,
    }),
  };
}

/** What heights, footing steps and tops have to say, in the words and units of the job. */
export function levelNotices(
  levels: Levels,
  plan: Context,
  nameOf: (wall: string) => string,
): readonly Notice[] {
  const own = noticesOf(levels.problems, {
    before: '',
    stage: 'outline',
    about: ABOUT,
    table: wording(plan, nameOf),
  });
  return levels.rest === null ? own : [...own, restNotice(levels.rest, plan.units)];
}

/** How a height that is no whole number of courses is made. */
function restNotice(rest: NonNullable<Levels['rest']>, units: UnitSystem): Notice {
  const height = showLength(rest.height, units, { style: 'inches' });
  const how = {
    'rip-first': `Course 1 is ripped to ${height}; the others are whole, and the interlock stays up.`,
    'rip-last': `Course ${String(rest.course)}, the last, is ripped to ${height}.`,
    'half-piece': `Course ${String(rest.course)}, the last, is half-height blocks, ${height} high, with ripped corners.`,
  }[rest.how];
  return {
    id: 'height-rest',
    kind: 'height-rest',
    about: 'Height is not whole courses',
    severity: 'tip',
    where: 'Height',
    place: { stage: 'outline', setting: 'height' },
    rule: 'courses.height.rest',
    what: how,
    why: outlineRules['courses.height.rest'].reason,
    fixes: [],
  };
}

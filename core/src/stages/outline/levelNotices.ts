import type { FootingStep, TopStep, WalkRow } from './plan';
import { type Length, type UnitSystem, showLength, storeLength, abs } from '../../kernel/measure';
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
  const wrong = footing.find((step) => Math.abs(readFootingStep(step.step, units) ?? 0) === problem.step);
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
      label: 'Take the step away',
      edit: {
        kind: 'set-wall',
        row: problem.wall,
        change:
          problem.of === 'footing' ? { footing: keep(row?.footing) } : { topSteps: keep(row?.topSteps) },
      },
    },
  ];
}

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
      what: `These walls take about ${String(problem.pieces)} pieces; ${String(problem.most)} at most are laid in one job. Split it into several jobs, or check lengths and courses.`,
    }),
    'courses-out-of-range': (problem) => ({
      severity: 'stop',
      where: 'Courses',
      place: { setting: 'courses' },
      rule: 'courses.most',
      what: `${String(problem.courses)} courses cannot be laid; give a whole number from 1 to ${String(problem.most)}.`,
    }),
    'pours-out-of-order': (problem) => ({
      severity: 'stop',
      where: 'Pours',
      place: { setting: 'courses' },
      what: `Pour “${problem.pour}” ends no higher than the one before it; pours go from the footing up.`,
    }),
    'height-unreadable': (problem) => ({
      severity: 'stop',
      ...onHeight,
      what: `“${problem.text}” cannot be read as a height; write it like 8′ 4″, or count courses.`,
    }),
    'half-piece-missing': (problem) => ({
      severity: 'mind',
      ...onHeight,
      rule: 'courses.height.rest',
      what:
        problem.half === null
          ? `These forms have no half-height piece; the last course is ripped to ${inInches(problem.rest)}.`
          : `The half-height piece is ${inInches(problem.half)} high and the rest is ${inInches(problem.rest)}; the last course is ripped instead.`,
    }),
    'base-unreadable': (problem) => ({
      severity: 'stop',
      where: 'Footing',
      place: { loop: problem.loop },
      what: `“${problem.text}” cannot be read as a height of this outline’s footing; it is taken as level with the first.`,
    }),
    'step-unreadable': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `“${problem.text}” cannot be read as a footing step; write how far along it is, and “up 32in” or “down 16in”.`,
    }),
    'step-off-wall': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `A step of the ${problem.of === 'footing' ? 'footing' : 'top'} at ${show(problem.at)} is not on this wall, which is ${show(problem.length)} long.`,
      fixes: withoutStep(problem, plan),
    }),
    'steps-not-home': (problem) => ({
      severity: 'stop',
      where: 'Footing',
      place: { loop: problem.loop },
      what: `Walked round once, the footing steps end ${show(abs(problem.by))} ${problem.by > 0 ? 'higher' : 'lower'} than they began. Every step up needs one down; until then this footing is taken as level.`,
    }),
    'step-off-course': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      what: `The footing step of ${inInches(problem.step)} is no whole number of courses: the first course above it is ripped to ${inInches(problem.rip)}. ${problem.nearest.map(inInches).join(' or ')} would need no rip.`,
      why: 'A step of whole courses lets the upper footing’s first course line up with the others.',
      fixes: stepFixes(problem, plan),
    }),
    'top-unreadable': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `“${problem.text}” cannot be read as a top, or has no such course; write “5 courses” or a height like 7′ 4″.`,
    }),
    'top-too-high': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      what: `Its top at ${show(problem.top)} is above the job’s ${show(problem.highest)}; it is taken as that. Raise the job first.`,
    }),
    'top-below-bottom': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `Its top at ${show(problem.top)} is not above its footing at ${show(problem.bottom)}; nothing is laid there.`,
    }),
  };
}

/** What heights, footing steps and tops have to say, in the words and units of the job. */
export function levelNotices(
  levels: Levels,
  plan: Context,
  nameOf: (wall: string) => string,
): readonly Notice[] {
  const own = noticesOf('', levels.problems, wording(plan, nameOf));
  return levels.rest === null ? own : [...own, restNotice(levels.rest, plan.units)];
}

/** How a height that is no whole number of courses is made. */
function restNotice(rest: NonNullable<Levels['rest']>, units: UnitSystem): Notice {
  const height = showLength(rest.height, units, { style: 'inches' });
  const how = {
    'rip-first': `Course 1 is ripped to ${height}; the others are whole, and the interlock stays on top.`,
    'rip-last': `Course ${String(rest.course)}, the last, is ripped to ${height}.`,
    'half-piece': `Course ${String(rest.course)}, the last, is of half-height pieces, ${height} high; its corners are ripped.`,
  }[rest.how];
  return {
    id: 'height-rest',
    severity: 'tip',
    where: 'Height',
    place: { setting: 'height' },
    rule: 'courses.height.rest',
    what: how,
    why: outlineRules['courses.height.rest'].reason,
    fixes: [],
  };
}

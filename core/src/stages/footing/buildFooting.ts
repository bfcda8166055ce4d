import { type Memory, NO_MEMORY } from '../../kernel/engine/memory';
import type { Worked } from '../../kernel/engine/stage';
import type { Plan } from '../../kernel/plan';
import type { HouseRules } from '../../kernel/rules';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import type { How } from '../../kernel/figures/how';
import { type LoopAdjustment, adjustPulls } from './adjust';
import { type Bases, buildBases } from './bases';
import { type TapeMark, standingPieces, tapeMarks } from './chalk';
import { footingConcrete, sheetArea } from './concrete';
import { type FirstCourse, firstCourseOf } from './firstCourse';
import { type FootingForms, footingForms } from './footingForms';
import type { FootingProblem } from './problem';
import { type ReadyItem, readyList } from './ready';
import { type Rock, rockUnder } from './rock';
import { type Square, squareOf } from './square';
import { type Survey, readSurvey } from './survey';
import type { Shot } from './plan';
import type { SurveyPass } from './problem';

/** What `buildFooting` reads of a plan. */
type FootingInput = Pick<Plan, 'loops' | 'units' | 'footing'>;

/** Everything between the ground and the first course: what it is, what was measured on it, and what is done about it. */
export interface Footing {
  readonly bases: Bases;
  readonly concrete: Figure;
  /** Footing and half the first course, where they are poured as one. */
  readonly firstLift: Figure | null;
  /** Area of a thermal-break sheet; null where there is none. */
  readonly sheet: Figure | null;
  readonly tape: readonly TapeMark[];
  readonly square: Square;
  readonly adjusted: readonly LoopAdjustment[];
  readonly survey: Survey | null;
  readonly after: Survey | null;
  readonly firstCourse: FirstCourse;
  readonly forms: FootingForms | null;
  readonly rock: Rock | null;
  readonly ready: readonly ReadyItem[];
  readonly problems: readonly FootingProblem[];
}

/** The first lift fills the footing and half the first course. [common practice] */
function firstLiftOf(bases: Bases, concrete: Figure, firstCourse: How | null): Figure | null {
  if (!bases.withWall || firstCourse === null) return null;
  const how: How = {
    op: 'sum',
    name: 'first lift',
    unit: 'volume',
    of: [
      { ...concrete.how, name: 'footing' },
      {
        op: 'product',
        name: 'half the first course',
        unit: 'volume',
        of: [
          { op: 'given', name: 'half', unit: 'ratio', value: 0.5 },
          { ...firstCourse, name: 'core of the first course' },
        ],
      },
    ],
  };
  return figureOf({
    id: 'footing.firstLift',
    title: 'first lift: footing and half the first course',
    how,
    rules: concrete.rules,
    pieces: {
      course: 1,
    },
  });
}

/**
 * Works out the footing and everything measured on it. Never throws for what a plan says; what is wrong is in `problems`.
 */
export function buildFooting(
  {
    shell,
    levels,
    openings,
    courses,
    tally,
  }: Pick<Worked, 'shell' | 'levels' | 'openings' | 'courses' | 'tally'>,
  plan: FootingInput,
  rules: HouseRules,
  memory: Memory = NO_MEMORY,
): Footing {
  const { units, footing } = plan;
  const rows = new Set(plan.loops.flatMap((loop) => loop.walk.map((row) => row.id)));
  const bases = buildBases(shell, levels, plan, rules);
  const concrete = footingConcrete(bases);
  const standing = standingPieces(courses, levels);
  const square = squareOf(shell, units);
  const pulls = footing?.pulls ?? [];
  const adjusted = memory.part('pulls', [shell, pulls, rows, units], () =>
    adjustPulls({ shell, pulls, rows, units, rules }),
  );
  const surveyOf = (pass: SurveyPass, shots: readonly Shot[]): ReturnType<typeof readSurvey> => {
    const from = { shell, levels, pieces: standing, shots, rows, units, pass };
    return memory.part(pass, [from], () => readSurvey({ ...from, rules }));
  };
  const before = surveyOf('footing', footing?.shots ?? []);
  const after = surveyOf('first-course', footing?.after ?? []);
  const firstCourse = firstCourseOf({
    shell,
    courses,
    levels,
    openings: openings.placed,
    inForms: bases.kind === 'forms',
    rules,
  });
  return {
    bases,
    concrete,
    firstLift: firstLiftOf(bases, concrete, tally.courses[0]?.coreVolume.how ?? null),
    sheet: sheetArea(bases),
    tape: tapeMarks(shell, levels, courses),
    square,
    adjusted: adjusted.loops,
    survey: before.survey,
    after: after.survey,
    firstCourse,
    forms: footingForms(bases, shell, rules),
    rock: bases.kind === 'rock' ? rockUnder(before.survey, standing, shell, rules) : null,
    ready: readyList({
      bases,
      square,
      adjusted: adjusted.loops,
      survey: before.survey,
      after: after.survey,
      firstCourse,
      standing,
      units,
      rules,
    }),
    problems: [...bases.problems, ...adjusted.problems, ...before.problems, ...after.problems],
  };
}

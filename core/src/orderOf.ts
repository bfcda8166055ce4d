import { uprightScrews } from './bracing';
import { buildBucks } from './bucks';
import { type Courses, planOffcuts } from './courses';
import { systemOf } from './forms';
import { type Order, buildOrder } from './order';
import type { Length } from './measure';
import type { Plan } from './plan';
import { rulesOf } from './rules';
import { wallsOf, workedStages } from './shell';
import { leastUnwatched } from './steel';
import type { WorkedPlan } from './work';

/**
 * The order of a worked plan, of the whole job or of one stage. A stage is ordered by itself: its cuts come out of its own
 * blocks, so the stages together may take a block or two more than the job in one order.
 */
export function orderOf(plan: Plan, worked: WorkedPlan, stageId?: string): Order {
  const rules = rulesOf(plan);
  const stage = worked.tally.stages.find((each) => each.id === stageId);
  const { family } = worked.shell;
  if (!stage || !family)
    return buildOrder(
      worked.shell,
      worked.levels,
      worked.courses,
      workedStages(plan.stages, worked.levels),
      rules,
      plan.units,
      worked.footing,
      worked.openings.placed.filter((opening) => opening.worked),
      worked.bucks,
      worked.inserts,
      worked.steel.stock.map(leastUnwatched),
      worked.topoff,
      uprightScrews(worked.bracing.walls, 1, worked.courses.count, rules),
    );
  const within = ({ course }: { readonly course: number }): boolean =>
    course >= stage.from && course <= stage.to;
  /** Bucks and inserts belong to the stage in which their foot lies. */
  const { tops } = worked.levels;
  const starts = ({ bottom }: { readonly bottom: Length }): boolean =>
    (stage.from === 1 || bottom >= (tops[stage.from - 1] ?? 0)) && bottom < (tops[stage.to] ?? 0);
  const openings = {
    ...worked.openings,
    placed: worked.openings.placed.filter((opening) => starts(opening.hole)),
  };
  const pieces = worked.courses.pieces.filter(within);
  const courses: Courses = {
    ...worked.courses,
    count: stage.to,
    pieces,
    rows: worked.courses.rows.filter(within),
    weakJoints: worked.courses.weakJoints.filter(within),
    offcuts: planOffcuts(pieces, wallsOf(worked.shell), systemOf(family), worked.courses.rest, rules),
  };
  return buildOrder(
    worked.shell,
    worked.levels,
    courses,
    [{ id: stage.id, toCourse: stage.to, top: stage.top }],
    rules,
    plan.units,
    // The footing is cast before the first stage.
    stage.from === 1 ? worked.footing : { ...worked.footing, forms: null },
    worked.openings.placed.filter((opening) => opening.worked),
    buildBucks(openings, worked.shell, worked.levels, rules),
    { ...worked.inserts, placed: worked.inserts.placed.filter((insert) => starts(insert.rect)) },
    // Steel is bought for the whole job: its offcuts go from stage to stage.
    [],
    // Plates close the last stage.
    worked.tally.stages.at(-1)?.id === stage.id ? worked.topoff : null,
    uprightScrews(worked.bracing.walls, stage.from, stage.to, rules),
  );
}

import { applyEdit } from '../plan';
import { type PlanFigures, figuresOfPlan } from './planFigures';
import { rulesOf } from '../rules';
import { cutRulesOf, seamHoles, snapSeam } from '../stages/courses';
import { systemOf } from '../kernel/forms';
import { storeLength, half } from '../kernel/measure';
import type { Plan, PlanEdit } from '../kernel/plan';
import { wallsOf } from '../stages/outline';
import { work } from '../work';

/** A way to lay the whole job, and what makes the plan so. */
export interface Manner {
  readonly id: 'now' | 'running' | 'seams';
  readonly edit: PlanEdit;
  readonly figures: PlanFigures;
}

const forEveryWall = (
  plan: Plan,
  change: (row: string) => Extract<PlanEdit, { kind: 'set-wall' }>['change'],
): PlanEdit => ({
  kind: 'all',
  edits: plan.loops.flatMap((loop) =>
    loop.walk.map((row): PlanEdit => ({ kind: 'set-wall', row: row.id, change: change(row.id) })),
  ),
});

/**
 * The same walls in the two usual manners, beside the plan as it stands: running bond with the house rule's corners, and
 * a common seam in the middle of every wall.
 */
export function manners(plan: Plan): readonly Manner[] {
  const running = forEveryWall(plan, () => ({ bond: null, lead: null }));
  const plain = applyEdit(plan, running);
  const worked = work(plain);
  const { family } = worked.shell;
  const walls = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall]));
  const fills = new Map(worked.courses.fills.map((fill) => [fill.wall, fill]));
  const seams = forEveryWall(plan, (row) => {
    const wall = walls.get(row);
    const fill = fills.get(row);
    const at =
      wall && fill && family
        ? snapSeam({
            fill,
            length: wall.length,
            wanted: half(wall.length),
            rules: cutRulesOf(systemOf(family), rulesOf(plan)),
            within: systemOf(family).block,
            holes: seamHoles(worked.openings.placed.filter((each) => each.worked && each.wall === row)),
          })
        : null;
    return { lead: null, bond: at === null ? null : { kind: 'seam', at: storeLength(at, plan.units) } };
  });
  const of = (id: Manner['id'], edit: PlanEdit): Manner => {
    const changed = applyEdit(plan, edit);
    return { id, edit, figures: figuresOfPlan(work(changed), changed) };
  };
  return [of('now', { kind: 'all', edits: [] }), of('running', running), of('seams', seams)];
}

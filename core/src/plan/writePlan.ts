import { type Loop, PLAN_FORMAT, PLAN_VERSION, type Plan } from './plan';
import type { PlanFile } from './schema';

type FileLoop = NonNullable<PlanFile['outline']>;
type FileRow = FileLoop['walk'][number];

/** A deep copy of plain data, free of the plan's readonly arrays. */
const copy = (data: unknown): unknown => JSON.parse(JSON.stringify(data));

const fileLoop = (loop: Loop): FileLoop => ({
  id: loop.id,
  ...(loop.name === undefined ? {} : { name: loop.name }),
  closed: loop.closed,
  ...(loop.base === undefined ? {} : { base: loop.base }),
  ...(loop.right === undefined ? {} : { right: loop.right }),
  ...(loop.down === undefined ? {} : { down: loop.down }),
  ...(loop.tee === undefined ? {} : { tee: copy(loop.tee) as NonNullable<FileLoop['tee']> }),
  walk: copy(loop.walk) as FileRow[],
});

/**
 * The plan as a plan file, in its short forms where one loop or one unnamed full stage allows. `readPlan` reads it back
 * to the same plan.
 */
export function writePlan(plan: Plan): PlanFile {
  const [firstLoop, ...otherLoops] = plan.loops;
  const [firstStage, ...otherStages] = plan.stages;
  const oneStage =
    firstStage !== undefined &&
    otherStages.length === 0 &&
    firstStage.name === undefined &&
    firstStage.top === 'full' &&
    firstStage.then === undefined &&
    firstStage.id === 'stage-1';
  return {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    name: plan.name,
    units: plan.units,
    measuredTo: plan.measuredTo,
    family: plan.family,
    core: plan.core,
    ...(oneStage ? { courses: firstStage.toCourse } : { stages: plan.stages.map((stage) => ({ ...stage })) }),
    ...(plan.height === undefined ? {} : { height: plan.height }),
    ...(plan.families === undefined ? {} : { families: [...plan.families] }),
    ...(firstLoop !== undefined && otherLoops.length === 0
      ? { outline: fileLoop(firstLoop) }
      : { loops: plan.loops.map(fileLoop) }),
    openings: copy(plan.openings ?? []) as NonNullable<PlanFile['openings']>,
    ...(plan.inserts === undefined || plan.inserts.length === 0
      ? {}
      : { inserts: copy(plan.inserts) as NonNullable<PlanFile['inserts']> }),
    ...(plan.bracing === undefined
      ? {}
      : { bracing: copy(plan.bracing) as NonNullable<PlanFile['bracing']> }),
    ...(plan.pour === undefined ? {} : { pour: copy(plan.pour) as NonNullable<PlanFile['pour']> }),
    ...(plan.steel === undefined ? {} : { steel: copy(plan.steel) as NonNullable<PlanFile['steel']> }),
    ...(plan.bucks === undefined ? {} : { bucks: copy(plan.bucks) as NonNullable<PlanFile['bucks']> }),
    ...(plan.footing === undefined
      ? {}
      : { footing: copy(plan.footing) as NonNullable<PlanFile['footing']> }),
    rules: { ...plan.rules },
  };
}

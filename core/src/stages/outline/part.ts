import { copyOf } from '../../kernel/plan/copies';
import type { FileFields, PlanPart } from '../../kernel/plan/part';
import { outlineEdits } from './edits';
import type { Loop } from './plan';

/** A loop as a plan file tells it. */
export const fileLoop = (loop: Loop): FileFields => ({
  id: loop.id,
  ...(loop.name === undefined ? {} : { name: loop.name }),
  closed: loop.closed,
  ...(loop.base === undefined ? {} : { base: loop.base }),
  ...(loop.right === undefined ? {} : { right: loop.right }),
  ...(loop.down === undefined ? {} : { down: loop.down }),
  ...(loop.tee === undefined ? {} : { tee: copyOf(loop.tee) }),
  walk: copyOf(loop.walk),
});

/** Outlines, the pours that they are stacked in, and what they are built of. */
export const outlinePart: PlanPart = {
  write: (plan) => {
    const [firstLoop, ...otherLoops] = plan.loops;
    const [firstPour, ...otherPours] = plan.pours;
    const onePour =
      firstPour !== undefined &&
      otherPours.length === 0 &&
      firstPour.name === undefined &&
      firstPour.top === 'full' &&
      firstPour.then === undefined &&
      firstPour.ground === undefined &&
      firstPour.id === 'pour-1';
    return {
      measuredTo: plan.measuredTo,
      family: plan.family,
      core: plan.core,
      ...(onePour ? { courses: firstPour.toCourse } : { pours: copyOf(plan.pours) }),
      ...(plan.height === undefined ? {} : { height: plan.height }),
      ...(plan.families === undefined ? {} : { families: [...plan.families] }),
      ...(firstLoop !== undefined && otherLoops.length === 0
        ? { outline: fileLoop(firstLoop) }
        : { loops: plan.loops.map(fileLoop) }),
    };
  },
  ids: (plan) => plan.loops.flatMap((loop) => [loop.id, ...loop.walk.map((row) => row.id)]),
  edits: outlineEdits,
};

import type { Bracing } from '.';
import type { UnitSystem } from '../../kernel/measure';
import { lengthQuantity } from '../../kernel/figures/quantity';

/** The bracing as it is exported: braces and planks by wall, and the gear. */
export const bracingReport = (bracing: Bracing, units: UnitSystem) => ({
  walls: bracing.walls.map((wall) => ({
    wall: wall.wall,
    side: wall.side,
    held: wall.way,
    platform: lengthQuantity(wall.platform, units),
    braces: wall.braces.map((brace) => ({
      at: lengthQuantity(brace.at, units),
      why: brace.why,
      courses: brace.caught.length,
      upright: lengthQuantity(brace.upright.length, units),
    })),
    planks: wall.planks.map((plank) => ({
      from: lengthQuantity(plank.from, units),
      length: lengthQuantity(plank.length, units),
      abreast: wall.abreast,
    })),
  })),
  gear: bracing.gear.map((line) => ({
    part: line.name,
    wanted: line.wanted.value,
    ...(line.onHand === null ? {} : { onHand: line.onHand }),
  })),
});

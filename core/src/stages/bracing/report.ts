import type { Bracing, WallBraces } from '.';
import type { UnitSystem } from '../../kernel/measure';
import { lengthQuantity } from '../../kernel/figures/quantity';

const wallReport = (wall: WallBraces, units: UnitSystem) => ({
  wall: wall.wall,
  side: wall.side,
  held: wall.way,
  standsOn: wall.on,
  height: lengthQuantity(wall.height, units),
  platform: lengthQuantity(wall.platform, units),
  guardrails: wall.guardrail,
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
});

/** The bracing as it is exported: braces and planks by wall, as each wall’s last pour has them and pour by pour, and the gear. */
export const bracingReport = (bracing: Bracing, units: UnitSystem) => ({
  walls: bracing.walls.map((wall) => wallReport(wall, units)),
  pours: bracing.pours.map(({ name, walls }) => ({
    name,
    walls: walls.map((wall) => wallReport(wall, units)),
  })),
  gear: bracing.gear.map((line) => ({
    part: line.name,
    wanted: line.wanted.value,
    ...(line.onHand === null ? {} : { onHand: line.onHand }),
  })),
});

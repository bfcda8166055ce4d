import type { Footing, Survey } from '.';
import type { Length, UnitSystem } from '../../kernel/measure';
import { type Quantity, lengthQuantity, volumeQuantity } from '../../kernel/figures/quantity';

function surveyReport(survey: Survey | null, length: (value: Length) => Quantity) {
  if (!survey) return null;
  return {
    readings: survey.shots.length,
    high: survey.high ? { wall: survey.high.wall, at: length(survey.high.at) } : null,
    outOfLevel: length(survey.outOfLevel),
    blocks: survey.blocks.map((block) => ({
      piece: block.piece,
      wall: block.wall,
      shims: block.places.map((place) => ({ at: length(place.at), shim: length(place.shim) })),
    })),
    thicknesses: survey.thicknesses.map(({ shim, places }) => ({ shim: length(shim), places })),
    total: length(survey.total),
  };
}

/** The footing as it is exported: chalk lines, what to pull, moves, shims, counts. */
export function footingReport(footing: Footing, units: UnitSystem) {
  const length = (value: Length): Quantity => lengthQuantity(value, units);
  return {
    kind: footing.bases.kind,
    concrete: volumeQuantity(footing.concrete.value, units),
    firstLift: footing.firstLift ? volumeQuantity(footing.firstLift.value, units) : null,
    walls: footing.bases.loops.flatMap((loop) =>
      loop.walls.map((base) => ({
        wall: base.wall,
        width: length(base.width),
        chalkOuter: length(base.outer),
        chalkInner: length(base.inner),
      })),
    ),
    rectangles: footing.square.rectangles.map(({ sides, diagonals: [{ length: diagonal }] }) => ({
      sides: sides.map(length),
      diagonal: length(diagonal),
    })),
    moves: footing.adjusted.flatMap((loop) =>
      loop.moves.map((move) => ({
        corner: move.corner,
        size: length(move.size),
        parts: move.parts.map(({ by, toward }) => ({ toward, by: length(by) })),
      })),
    ),
    survey: surveyReport(footing.survey, length),
    after: surveyReport(footing.after, length),
    firstCourse: {
      joints: footing.firstCourse.joints,
      ties: footing.firstCourse.ties.value,
      hold: footing.firstCourse.hold,
      glue: footing.firstCourse.glue,
    },
    forms: footing.forms && {
      planks: footing.forms.planks.value,
      ties: footing.forms.ties.value,
      splitTies: footing.forms.splitTies,
      stakes: footing.forms.stakes,
      stone: volumeQuantity(footing.forms.stone.value, units),
    },
    rock: footing.rock && {
      woodBlocks: footing.rock.blocks.length,
      boards: length(footing.rock.boards),
      fills: volumeQuantity(footing.rock.fills.value, units),
      lost: volumeQuantity(footing.rock.lost.value, units),
    },
  };
}

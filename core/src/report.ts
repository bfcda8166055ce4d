import type { TallyRow } from './stages/tally/tally';
import { type Length, type UnitSystem, showLength } from './kernel/measure';
import type { Piece } from './stages/courses';
import { wallsOf } from './stages/outline';
import type { WorkedPlan } from './work';
import { daysReport } from './stages/days/report';
import { edgesReport } from './stages/edges/report';
import { footingReport } from './stages/footing/report';
import { insertsReport, lumberReport, openingsReport, sheetsReport } from './stages/bucks/report';
import { bracingReport } from './stages/bracing/report';
import { pourReport, topOffReport } from './stages/pour/report';
import { steelReport } from './stages/steel/report';
import { type Quantity, areaQuantity, lengthQuantity, volumeQuantity } from './kernel/figures/quantity';

const rowReport = (row: TallyRow, units: UnitSystem) => ({
  straight: row.straight.value,
  cut: row.cut.value,
  cornerLH: row.cornerLH.value,
  cornerRH: row.cornerRH.value,
  buckFaces: row.buckFaces.value,
  coreVolume: volumeQuantity(row.coreVolume.value, units),
});

/** What openings take out of a piece. */
const notchReport = (piece: Piece, units: UnitSystem) =>
  piece.notches === undefined
    ? {}
    : {
        notches: piece.notches.map((notch) => ({
          wall: notch.wall,
          opening: notch.opening,
          from: lengthQuantity(notch.from, units),
          to: lengthQuantity(notch.to, units),
          bottom: lengthQuantity(notch.bottom, units),
          top: lengthQuantity(notch.top, units),
        })),
      };

function pieceReport(piece: Piece, units: UnitSystem) {
  const length = (value: Length): Quantity => lengthQuantity(value, units);
  if (piece.kind === 'corner') {
    return {
      id: piece.id,
      kind: piece.kind,
      course: piece.course,
      corner: piece.corner,
      make: piece.make,
      hand: piece.hand,
      bottom: length(piece.bottom),
      top: length(piece.top),
      station: length(piece.station),
      ...notchReport(piece, units),
      legs: [
        { wall: piece.wallBefore, length: length(piece.legBefore) },
        { wall: piece.wallAfter, length: length(piece.legAfter) },
      ],
    };
  }
  return {
    id: piece.id,
    kind: piece.kind,
    course: piece.course,
    wall: piece.wall,
    station: length(piece.station),
    length: length(piece.length),
    bottom: length(piece.bottom),
    top: length(piece.top),
    webs: piece.webs.map(length),
    cutEnds: piece.cutEnds,
    ...(piece.mitred ? { mitred: piece.mitred } : {}),
    ...(piece.ripped === undefined ? {} : { ripped: piece.ripped }),
    ...notchReport(piece, units),
    ...(piece.cutFrom ? { cutFrom: { ...piece.cutFrom, offcut: length(piece.cutFrom.offcut) } } : {}),
  };
}

/**
 * The worked plan as it is exported: names that last, every quantity with its unit. `shell.walls[].length` runs along
 * the outside face of the form. `straight` counts whole blocks laid, `cut` pieces cut to length, `blocksBought` whole
 * blocks and the blocks opened for cuts or ripped. `courses.blocks` are the blocks that are sawn, and which pieces come out
 * of each.
 */
export function report(worked: WorkedPlan) {
  const { units, shell, levels, courses, tally, notices } = worked;
  return {
    format: 'ombra.worked',
    version: 2,
    name: worked.name,
    units,
    measuredTo: worked.measuredTo,
    shell: {
      walls: wallsOf(shell).map((wall) => ({
        id: wall.id,
        name: wall.name,
        length: lengthQuantity(wall.length, units),
        measured: lengthQuantity(wall.measured, units),
        core: lengthQuantity(wall.core, units),
        thickness: lengthQuantity(wall.thickness, units),
        heights: (levels.walls[wall.id] ?? []).map((span) => ({
          from: lengthQuantity(span.from, units),
          to: lengthQuantity(span.to, units),
          bottom: lengthQuantity(span.bottom, units),
          top: lengthQuantity(span.top, units),
        })),
        text: showLength(wall.length, units),
      })),
      perimeter: lengthQuantity(tally.outline.perimeter.value as Length, units),
      coreArea: areaQuantity(tally.outline.coreArea.value, units),
      gaps: shell.loops.flatMap((loop) =>
        loop.gap && loop.gap.size > 0
          ? [{ loop: loop.id, length: lengthQuantity(loop.gap.size, units) }]
          : [],
      ),
    },
    courses: {
      height: lengthQuantity(courses.courseHeight, units),
      tops: courses.tops.map((top) => lengthQuantity(top, units)),
      pieces: courses.pieces.map((piece) => pieceReport(piece, units)),
      joints: courses.weakJoints.map((joint) => ({
        course: joint.course,
        wall: joint.wall,
        station: lengthQuantity(joint.station, units),
        reasons: joint.reasons,
      })),
      blocks: courses.offcuts.blocks.map((block) => ({
        number: block.number,
        pieces: block.pieces,
        left: lengthQuantity(block.left, units),
        ripped: block.ripped === null ? null : lengthQuantity(block.ripped, units),
      })),
    },
    openings: openingsReport(worked.openings, worked.bucks, units),
    lumber: lumberReport(worked.bucks, units),
    sheets: sheetsReport(worked.bucks, units),
    inserts: insertsReport(worked.inserts, units),
    steel: steelReport(worked.steel, units),
    bracing: bracingReport(worked.bracing, units),
    pour: pourReport(worked.pour, worked.units),
    days: daysReport(worked.days, units),
    edges: edgesReport(worked.edges, worked.units),
    topoff: topOffReport(worked.topoff, worked.units),
    footing: footingReport(worked.footing, units),
    tally: {
      courses: tally.courses.map((row) => ({
        course: row.course,
        ...rowReport(row, units),
        wallsToStrap: row.wallsToStrap,
      })),
      pours: tally.pours.map((pour) => ({
        id: pour.id,
        name: pour.name,
        from: pour.from,
        to: pour.to,
        top: pour.top,
        then: pour.then,
        ...rowReport(pour, units),
      })),
      total: { ...rowReport(tally.total, units), blocksBought: tally.total.blocksBought.value },
    },
    notices: notices.map(({ severity, where, what, why }) => ({
      severity,
      where,
      what,
      ...(why === undefined ? {} : { why }),
    })),
  };
}

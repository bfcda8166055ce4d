import type { Point } from '../kernel/geometry/point';
import { showLength } from '../kernel/measure';
import type { Piece } from '../stages/courses';
import { barSize } from '../stages/steel';
import type { WorkedPlan } from '../worked';
import type { Drawing, Shape } from './drawing';
import {
  type PlacedWall,
  barInward,
  cornerBarOnPlan,
  letterSpot,
  onPlan,
  placedWalls,
  stretchOnPlan,
} from './place';

const FELT_ASIDE = 220e6;

/** The stretches of walls that a piece lies on: a corner has a leg on each of two. */
export function stretchesOf(
  piece: Piece,
  places: ReadonlyMap<string, PlacedWall>,
): readonly { readonly place: PlacedWall; readonly from: number; readonly to: number }[] {
  const stretch = (wall: string, from: number, to: number) => {
    const place = places.get(wall);
    return place && to > from ? [{ place, from, to }] : [];
  };
  if (piece.kind !== 'corner') return stretch(piece.wall, piece.start, piece.start + piece.length);
  const before = places.get(piece.wallBefore)?.wall.length ?? 0;
  return [
    ...stretch(piece.wallBefore, before - piece.legBefore, before),
    ...stretch(piece.wallAfter, 0, piece.legAfter),
  ];
}

/** The outline of a piece from above: a corner as one shape round both legs, clear of where they overlap. */
function outlinesOf(piece: Piece, places: ReadonlyMap<string, PlacedWall>): readonly (readonly Point[])[] {
  const parts = stretchesOf(piece, places);
  const [before, after] = parts;
  if (piece.kind !== 'corner' || !before || !after || before.place.wall.curve || after.place.wall.curve) {
    return parts.map(({ place, from, to }) => stretchOnPlan(place, from as never, to as never));
  }
  // Both faces of the two legs meet at the corner: outside at its point, inside where the inner faces cross.
  const { built, index } = after.place;
  const outer = built.faces.formOutside[index];
  const inner = built.open
    ? built.faces.formOutside[built.faces.formOutside.length - 1 - index]
    : built.faces.formInside[index];
  if (!outer || !inner) return [];
  const thicknessBefore = before.place.wall.thickness;
  return [
    [
      onPlan(before.place, before.from, 0),
      outer,
      onPlan(after.place, after.to, 0),
      onPlan(after.place, after.to, after.place.wall.thickness),
      inner,
      onPlan(before.place, before.from, thicknessBefore),
    ],
  ];
}

/** The pieces of a course from above, with the lengths of its cuts and the bars that lie or stand in it. */
export function courseDrawing(worked: WorkedPlan, course: number): Drawing {
  const { shell, courses, steel, units } = worked;
  const places = placedWalls(shell);
  const shapes: Shape[] = [];
  // Where walls step up, a course runs round only a part of the outline: the rest shows where it belongs.
  for (const { built } of shell.loops) {
    for (const face of ['formOutside', 'formInside'] as const) {
      if (!built || (built.open && face === 'formInside')) continue;
      shapes.push({ kind: 'path', layer: 'course line', points: built.outline[face], closed: true });
    }
  }
  for (const piece of courses.pieces) {
    if (piece.course !== course) continue;
    const layer = piece.kind === 'corner' ? 'corner' : piece.kind === 'cut' ? 'cut piece' : 'block';
    for (const points of outlinesOf(piece, places))
      shapes.push({ kind: 'path', layer, points, closed: true });
    const [first] = stretchesOf(piece, places);
    if (piece.kind !== 'cut' || !first) continue;
    const { place, from, to } = first;
    shapes.push({
      kind: 'words',
      layer: 'text',
      at: onPlan(place, (from + to) / 2, -FELT_ASIDE),
      text: showLength(piece.length, units, { style: 'inches' }),
      size: 'felt',
      room: to - from,
    });
  }
  for (const bar of steel.bars) {
    const place = places.get(bar.wall);
    if (!place) continue;
    const middle = barInward(place, bar);
    const here = bar.course === course;
    if (bar.use === 'corner' && here) {
      shapes.push({ kind: 'path', layer: 'bar', points: cornerBarOnPlan(bar, place, places), closed: false });
    } else if (here && bar.to > bar.from) {
      const points = place.wall.curve
        ? Array.from({ length: 9 }, (_, side) =>
            onPlan(place, bar.from + ((bar.to - bar.from) * side) / 8, middle),
          )
        : [onPlan(place, bar.from, middle), onPlan(place, bar.to, middle)];
      shapes.push({ kind: 'path', layer: 'bar', points, closed: false });
    } else if (
      bar.course === null &&
      bar.from === bar.to &&
      bar.top > (courses.tops[course - 1] ?? 0) &&
      bar.bottom < (courses.tops[course] ?? 0)
    ) {
      const radius = (barSize(bar.size)?.diameter ?? 0) / 2;
      shapes.push({ kind: 'dot', layer: 'bar', at: onPlan(place, bar.from, middle), radius });
    }
  }
  for (const place of places.values()) {
    const at = letterSpot(place, FELT_ASIDE);
    shapes.push({ kind: 'words', layer: 'text', at, text: place.wall.from, size: 'label' });
  }
  return { id: `course-${String(course)}`, title: `Course ${String(course)} from above`, shapes };
}

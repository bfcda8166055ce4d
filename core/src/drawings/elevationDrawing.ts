import type { Point } from '../kernel/geometry/point';
import { type Length, nanometres, showLength } from '../kernel/measure';
import { type Shape as HoleShape, arcRadius } from '../stages/openings';
import type { WorkedPlan } from '../worked';
import { stretchesOf } from './courseDrawing';
import type { Drawing, Layer, Shape } from './drawing';
import { type PlacedWall, placedWalls } from './place';

/** Sides that the arc of a round top is drawn in. */
const ARC_SIDES = 16;
const LENGTH_UNDER = 500e6;
const NAME_UNDER = 1_000e6;

const point = (x: number, y: number): Point => ({ x: nanometres(x), y: nanometres(-y) });

/** A hole's outline from its foot round: its sides, and its top where that is an arc. */
export function holeOutline({
  from,
  to,
  bottom,
  top,
  rise,
}: HoleShape): readonly (readonly [number, number])[] {
  if (rise === 0) {
    return [
      [from, bottom],
      [from, top],
      [to, top],
      [to, bottom],
    ];
  }
  const radius = arcRadius(to - from, rise);
  const [centre, middle] = [(from + to) / 2, top - radius];
  const half = Math.asin(Math.min(1, (to - from) / 2 / radius));
  // More than half a circle where the rise is more than the radius.
  const open = rise > radius ? Math.PI - half : half;
  const arc = Array.from({ length: ARC_SIDES + 1 }, (_, side): readonly [number, number] => {
    const turn = -open + (2 * open * side) / ARC_SIDES;
    return [centre + radius * Math.sin(turn), middle + radius * Math.cos(turn)];
  });
  return [[from, bottom], ...arc, [to, bottom]];
}

/**
 * One wall seen from inside, drawn left to right as it is walked: its blocks, openings with their bucks, inserts, bars, braces and
 * planks.
 *
 * @param right how far to the right it begins, in nanometres
 */
function wallShapes(
  worked: WorkedPlan,
  own: PlacedWall,
  right: number,
  shownNames: boolean,
): readonly Shape[] {
  const { courses, levels, openings, inserts, steel, bracing, units } = worked;
  const { wall } = own;
  const only = new Map([[wall.id, own]]);
  const shapes: Shape[] = [];
  const box = (
    layer: Layer,
    [from, to]: readonly [number, number],
    [bottom, top]: readonly [number, number],
  ): void => {
    shapes.push({
      kind: 'path',
      layer,
      closed: true,
      points: [
        point(right + from, bottom),
        point(right + from, top),
        point(right + to, top),
        point(right + to, bottom),
      ],
    });
  };
  const line = (layer: Layer, from: readonly [number, number], to: readonly [number, number]): void => {
    const points = [point(right + from[0], from[1]), point(right + to[0], to[1])];
    shapes.push({ kind: 'path', layer, points, closed: false });
  };
  for (const span of levels.walls[wall.id] ?? [])
    box('form face', [span.from, span.to], [span.bottom, span.top]);
  for (const piece of courses.pieces) {
    const layer = piece.kind === 'corner' ? 'corner' : piece.kind === 'cut' ? 'cut piece' : 'block';
    for (const { from, to } of stretchesOf(piece, only)) {
      box(layer, [from, to], [piece.bottom, piece.top]);
      if (piece.kind !== 'cut') continue;
      shapes.push({
        kind: 'words',
        layer: 'text',
        at: point(right + (from + to) / 2, (piece.bottom + piece.top) / 2),
        text: showLength(piece.length, units, { style: 'inches', bare: true }),
        size: 'felt',
        room: to - from,
      });
    }
  }
  for (const opening of openings.placed) {
    if (opening.wall !== wall.id) continue;
    const hole = (layer: Layer, shape: HoleShape): void => {
      const points = holeOutline(shape).map(([along, up]) => point(right + along, up));
      shapes.push({ kind: 'path', layer, points, closed: true });
    };
    hole('opening', opening.hole);
    hole('buck', opening.concrete);
    shapes.push({
      kind: 'words',
      layer: 'text',
      at: point(
        right + (opening.hole.from + opening.hole.to) / 2,
        (opening.hole.bottom + opening.hole.top) / 2,
      ),
      text: opening.name,
      size: 'note',
      room: opening.hole.to - opening.hole.from,
    });
  }
  for (const { wall: on, rect } of inserts.placed) {
    if (on === wall.id) box('insert', [rect.from, rect.to], [rect.bottom, rect.top]);
  }
  for (const bar of steel.bars) {
    if (bar.wall === wall.id) line('bar', [bar.from, bar.bottom], [bar.to, bar.top]);
  }
  for (const braces of bracing.walls) {
    if (braces.wall !== wall.id) continue;
    for (const { at, bottom, top } of braces.braces) line('brace', [at, bottom], [at, top]);
    const height = braces.foot + braces.platform;
    for (const plank of braces.planks) line('plank', [plank.from, height], [plank.to, height]);
  }
  const lowest = Math.min(...(levels.walls[wall.id] ?? []).map(({ bottom }) => bottom), Infinity);
  const foot = Number.isFinite(lowest) ? lowest : 0;
  shapes.push({
    kind: 'dimension',
    layer: 'dimension',
    from: point(right, foot),
    to: point(right + wall.length, foot),
    aside: LENGTH_UNDER,
    text: showLength(wall.length, units),
  });
  if (shownNames) {
    const at = point(right + wall.length / 2, foot - NAME_UNDER);
    shapes.push({ kind: 'words', layer: 'text', at, text: wall.name, size: 'label', room: wall.length });
  }
  return shapes;
}

/** One wall from inside. */
export const elevationDrawing = (worked: WorkedPlan, own: PlacedWall): Drawing => ({
  id: `wall-${own.wall.from}-${own.wall.to}`,
  title: `Wall ${own.wall.name} from inside`,
  shapes: wallShapes(worked, own, 0, false),
});

/** Clear space between outlines on the strip. */
const BETWEEN = 1_500e6;

/** The whole perimeter unrolled: every wall from inside, one after the other. */
export function stripDrawing(worked: WorkedPlan): Drawing {
  const shapes: Shape[] = [];
  let right = 0;
  const height = worked.courses.tops.at(-1) ?? (0 as Length);
  for (const { built } of worked.shell.loops) {
    if (!built) continue;
    const places = placedWalls({
      ...worked.shell,
      loops: worked.shell.loops.filter((each) => each.built === built),
    });
    for (const own of places.values()) {
      shapes.push(...wallShapes(worked, own, right + own.wall.station, true));
      const letter = point(right + own.wall.station, height + LENGTH_UNDER);
      shapes.push({ kind: 'words', layer: 'text', at: letter, text: own.wall.from, size: 'label' });
    }
    if (built.open) {
      const at = point(right + built.perimeter, height + LENGTH_UNDER);
      shapes.push({ kind: 'words', layer: 'text', at, text: built.walls.at(-1)?.to ?? '', size: 'label' });
    }
    right += built.perimeter + BETWEEN;
  }
  return { id: 'strip', title: 'Strip from inside', shapes };
}

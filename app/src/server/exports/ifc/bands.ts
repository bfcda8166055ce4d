import type { Point } from '@ombra/core/kernel/geometry';
import { type PlacedWall, onPlan } from '@ombra/core/drawings';
import { type Flat, flat } from './solids';

/** Sides that a stretch of an arc is drawn in. */
const ARC_SIDES = 12;

/** A layer of a wall: how far inward of its outside face it begins and ends, and where it is mitred at the wall's two ends. */
export interface Band {
  readonly outer: number;
  readonly inner: number;
  readonly mitres?: {
    readonly outer: readonly [start: Point, end: Point];
    readonly inner: readonly [start: Point, end: Point];
  };
}

/** The shape on the plan of a layer of a wall from one station to another; mitred where it reaches the wall's own ends, square elsewhere. */
export function bandShape(place: PlacedWall, band: Band, from: number, to: number): readonly Flat[] {
  const { wall } = place;
  const side = (inward: number, ends: readonly [Point, Point] | undefined): readonly Point[] => {
    const at = (along: number): Point => {
      if (ends && along <= 0) return ends[0];
      if (ends && along >= wall.length) return ends[1];
      return onPlan(place, along, inward);
    };
    if (!wall.curve) return [at(from), at(to)];
    return Array.from({ length: ARC_SIDES + 1 }, (_, index) => at(from + ((to - from) * index) / ARC_SIDES));
  };
  return [
    ...side(band.outer, band.mitres?.outer),
    ...[...side(band.inner, band.mitres?.inner)].reverse(),
  ].map(flat);
}

/** Direction of a straight wall, of length 1. */
export function alongOf(place: PlacedWall): Flat {
  const [[x1, y1], [x2, y2]] = [flat(onPlan(place, 0, 0)), flat(onPlan(place, place.wall.length, 0))];
  const length = Math.hypot(x2 - x1, y2 - y1);
  return [(x2 - x1) / length, (y2 - y1) / length];
}

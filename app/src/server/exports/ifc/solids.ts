import type { Point } from '@ombra/core/kernel/geometry';
import { NANOMETRES_PER_MILLIMETRE } from '@ombra/core/kernel/measure';
import { type Ref, type StepLines, is } from './step';

/** A point on the plan in millimetres, y up. */
export type Flat = readonly [x: number, y: number];
export type Spatial = readonly [x: number, y: number, z: number];

export const mm = (nanometres: number): number => nanometres / NANOMETRES_PER_MILLIMETRE;
/** A point of the plan, which runs down it, as IFC has it: y up. */
export const flat = ({ x, y }: Point): Flat => [mm(x), -mm(y)];

/** Geometry as lines of a STEP file; directions and the origin are written once. */
export function solidsOf({ add }: StepLines) {
  const point = (at: Flat | Spatial): Ref => add('IFCCARTESIANPOINT', [...at]);
  const direction = (to: Spatial): Ref => add('IFCDIRECTION', [...to]);
  const up = direction([0, 0, 1]);
  const east = direction([1, 0, 0]);
  const origin = add('IFCAXIS2PLACEMENT3D', point([0, 0, 0]), up, east);
  const profile = (ring: readonly Flat[]): Ref => {
    const points = ring.map(point);
    const curve = add('IFCPOLYLINE', [...points, points[0] ?? point([0, 0])]);
    return add('IFCARBITRARYCLOSEDPROFILEDEF', is('AREA'), null, curve);
  };
  return {
    origin,
    point,
    /** A plan shape raised from one height to another. */
    raised: (ring: readonly Flat[], bottom: number, top: number): Ref => {
      const at = bottom === 0 ? origin : add('IFCAXIS2PLACEMENT3D', point([0, 0, bottom]), up, east);
      return add('IFCEXTRUDEDAREASOLID', profile(ring), at, up, top - bottom);
    },
    /** A plan shape, clockwise from above, between a level bottom and a top that slopes: the height of each corner’s top, all in one plane. */
    sloped: (ring: readonly Flat[], bottom: number, tops: readonly number[]): Ref => {
      const low = ring.map(([x, y]) => point([x, y, bottom]));
      const high = ring.map(([x, y], index) => point([x, y, tops[index] ?? bottom]));
      const face = (corners: readonly Ref[]): Ref =>
        add('IFCFACE', [add('IFCFACEOUTERBOUND', add('IFCPOLYLOOP', [...corners]), is('T'))]);
      const sides = ring.map((_, index) => {
        const next = (index + 1) % ring.length;
        return face([low[next], low[index], high[index], high[next]] as Ref[]);
      });
      return add('IFCFACETEDBREP', add('IFCCLOSEDSHELL', [face(low), face([...high].reverse()), ...sides]));
    },
    /** A shape on a wall’s face, told along the wall and up, run inward through it. `along` is the wall’s direction, of length 1. */
    through: (ring: readonly Flat[], from: Spatial, along: Flat, depth: number): Ref => {
      const inward = direction([along[1], -along[0], 0]);
      const at = add('IFCAXIS2PLACEMENT3D', point(from), inward, direction([along[0], along[1], 0]));
      return add('IFCEXTRUDEDAREASOLID', profile(ring), at, up, depth);
    },
    /** A round bar along a line. */
    bar: (line: readonly Spatial[], radius: number): Ref =>
      add('IFCSWEPTDISKSOLID', add('IFCPOLYLINE', line.map(point)), radius, null, null, null),
    line: (points: readonly Flat[]): Ref => add('IFCPOLYLINE', points.map(point)),
  };
}

export type Solids = ReturnType<typeof solidsOf>;

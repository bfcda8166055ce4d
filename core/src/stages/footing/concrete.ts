import type { Length } from '../../kernel/measure';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, givenCount, givenLength } from '../../kernel/figures/how';
import type { WallBase } from './base';
import type { Bases } from './bases';

/** The middle between two edges: half of both, exact for any mitre and for arcs. */
const middle = (name: string, edges: readonly [How, How]): How => ({
  op: 'quotient',
  name,
  unit: 'length',
  of: [{ op: 'sum', name: 'both edges', unit: 'length', of: edges }, givenCount('edges', 2)],
});

const middleOfFooting = (base: WallBase): How =>
  middle('middle of the footing', [
    givenLength('outer edge', base.outerLength),
    givenLength('inner edge', base.innerLength),
  ]);

const middleOfWall = (base: WallBase): How =>
  middle('middle of the wall', [
    givenLength('outside', base.formOutside),
    givenLength('inside', base.formInside),
  ]);

const strip = (base: WallBase, depth: Length): How => ({
  op: 'product',
  name: base.name,
  unit: 'volume',
  of: [givenLength('width', base.width), middleOfFooting(base), givenLength('depth', depth)],
});

/** A riser stands on the lower footing, as thick along the wall as the footing is deep. */
const riser = (base: WallBase, height: Length, depth: Length): How => ({
  op: 'product',
  name: `step under ${base.name}`,
  unit: 'volume',
  of: [
    givenLength('width', base.width),
    givenLength('height of the step', height),
    givenLength('thickness', depth),
  ],
});

/** Concrete in the footing, worked out wall by wall; nothing where the walls stand on rock. */
export function footingConcrete({ kind, depth, loops }: Bases): Figure {
  const bases = kind === 'rock' ? [] : loops.flatMap((loop) => loop.walls);
  const how: How = {
    op: 'sum',
    name: 'concrete in the footing',
    unit: 'volume',
    of: bases.flatMap((base) => [
      strip(base, depth),
      ...base.risers.map((each) => riser(base, each.height, depth)),
    ]),
  };
  return figureOf({
    id: 'footing.concrete',
    title: 'concrete in the footing',
    how,
    rules: ['footing.width', 'footing.depth'],
    pieces: {
      course: 0,
    },
  });
}

/** Thermal-break sheet under the walls: their own thickness all along; null where there is none. */
export function sheetArea({ sheet, loops }: Bases): Figure | null {
  if (sheet === null) return null;
  const how: How = {
    op: 'sum',
    name: 'thermal-break sheet',
    unit: 'area',
    of: loops.flatMap((loop) =>
      loop.walls.map((base): How => ({
        op: 'product',
        name: base.name,
        unit: 'area',
        of: [givenLength('wall thickness', base.thickness), middleOfWall(base)],
      })),
    ),
  };
  return figureOf({
    id: 'footing.sheet',
    title: 'thermal-break sheet under the walls',
    how,
    rules: [],
    pieces: { course: 0 },
  });
}

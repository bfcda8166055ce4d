import type { Length } from '../measure';
import { type Figure, type Given, type How, evaluate } from '../tally';
import type { Bases, WallBase } from './bases';

const length = (name: string, value: number): Given => ({ op: 'given', name, unit: 'length', value });
const count = (name: string, value: number): Given => ({ op: 'given', name, unit: 'count', value });

/** The middle of a wall's footing: half of both its edges, exact for any mitre and for arcs. */
const middle = (base: WallBase): How => ({
  op: 'quotient',
  name: 'middle of the footing',
  unit: 'length',
  of: [
    {
      op: 'sum',
      name: 'both edges',
      unit: 'length',
      of: [length('outer edge', base.outerLength), length('inner edge', base.innerLength)],
    },
    count('edges', 2),
  ],
});

const strip = (base: WallBase, depth: Length): How => ({
  op: 'product',
  name: base.name,
  unit: 'volume',
  of: [length('width', base.width), middle(base), length('depth', depth)],
});

/** A riser stands on the lower footing, as thick along the wall as the footing is deep. */
const riser = (base: WallBase, height: Length, depth: Length): How => ({
  op: 'product',
  name: `step under ${base.name}`,
  unit: 'volume',
  of: [length('width', base.width), length('height of the step', height), length('thickness', depth)],
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
  return {
    id: 'footing.concrete',
    title: 'concrete in the footing',
    value: evaluate(how),
    unit: 'volume',
    how,
    rules: ['footing.width', 'footing.depth'],
    pieces: { course: 0 },
  };
}

import { type PlacedWall, onPlan } from '@ombra/core/drawings';
import { wallFace } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { type Band, alongOf, bandShape } from './bands';
import { type Model, idOf, quantities } from './hang';
import { flat, mm } from './solids';
import { type Ref, is } from './step';

/** What a wall is made of, from outside in. */
export type Layer = 'Outside panel' | 'Core' | 'Inside panel';

/** The three layers of a wall with where they are mitred. */
function layersOf({ wall, built }: PlacedWall): readonly (readonly [Layer, Band])[] {
  const face = (name: 'formOutside' | 'concreteOutside' | 'concreteInside' | 'formInside') => {
    const [start, end] = wallFace(built, wall, name);
    return [start, end] as const;
  };
  const [outside, coreOutside, coreInside, inside] = [
    face('formOutside'),
    face('concreteOutside'),
    face('concreteInside'),
    face('formInside'),
  ];
  const { skin, core, thickness } = wall;
  return [
    ['Outside panel', { outer: 0, inner: skin, mitres: { outer: outside, inner: coreOutside } }],
    ['Core', { outer: skin, inner: skin + core, mitres: { outer: coreOutside, inner: coreInside } }],
    ['Inside panel', { outer: skin + core, inner: thickness, mitres: { outer: coreInside, inner: inside } }],
  ];
}

/** The solids of one layer of a wall: one from each of its heights to the next, their tops cut to the slope where they are. */
function layerSolids(model: Model, worked: WorkedPlan, place: PlacedWall, band: Band): readonly Ref[] {
  const { solids } = model;
  return (worked.levels.walls[place.wall.id] ?? []).flatMap(({ from, to, bottom, top, cut }): Ref[] => {
    if (!cut || place.wall.curve) {
      return [solids.raised(bandShape(place, band, from, to), mm(bottom), mm(top))];
    }
    const [start, ahead] = [flat(onPlan(place, 0, 0)), alongOf(place)];
    const [low, high] = cut.slope;
    const ring = bandShape(place, band, from, to);
    // Mitres run past the wall's own ends; the slope goes on there as it comes.
    const tops = ring.map(([x, y]) => {
      const along = (x - start[0]) * ahead[0] + (y - start[1]) * ahead[1];
      return mm(low) + ((along - mm(from)) / mm(to - from)) * mm(high - low);
    });
    return [solids.sloped(ring, mm(bottom), tops)];
  });
}

/** A wall: its layers as solids of their own, named and with their materials; its length, height and concrete. */
export function addWall(model: Model, worked: WorkedPlan, place: PlacedWall): Ref {
  const { add } = model.lines;
  const { wall } = place;
  const layers = layersOf(place).map(([name, band]) => ({
    name,
    items: layerSolids(model, worked, place, band),
  }));
  const axis = add('IFCSHAPEREPRESENTATION', model.axis, 'Axis', 'Curve2D', [
    model.solids.line([flat(onPlan(place, 0, 0)), flat(onPlan(place, wall.length, 0))]),
  ]);
  const items = layers.flatMap((layer) => layer.items);
  const spans = worked.levels.walls[wall.id] ?? [];
  // Tops cut to a slope are faceted; all others are raised from their plan.
  const kind = spans.some(({ cut }) => cut) && !wall.curve ? 'SolidModel' : 'SweptSolid';
  const body = add('IFCSHAPEREPRESENTATION', model.body, 'Body', kind, items);
  const whole = add('IFCPRODUCTDEFINITIONSHAPE', null, null, [axis, body]);
  const id = `wall ${wall.id}`;
  const thing = add(
    'IFCWALL',
    idOf(model, id),
    null,
    wall.name,
    null,
    null,
    model.placement,
    whole,
    wall.id,
    is('SOLIDWALL'),
  );
  for (const layer of layers) {
    if (layer.items.length === 0) continue;
    const own = add('IFCSHAPEREPRESENTATION', model.body, 'Body', kind, [...layer.items]);
    add('IFCSHAPEASPECT', [own], layer.name, null, is('F'), whole);
  }
  const lowest = spans.reduce((least, { bottom }) => Math.min(least, bottom), spans[0]?.bottom ?? 0);
  const highest = spans.reduce((most, { top, cut }) => Math.max(most, top, ...(cut?.slope ?? [])), 0);
  const concrete = worked.pour.pours
    .flatMap(({ volumes }) => volumes.lifts)
    .reduce((sum, { walls }) => sum + (walls[wall.id] ?? 0), 0);
  quantities(model, [id, thing], 'Qto_WallBaseQuantities', [
    ['IFCQUANTITYLENGTH', 'Length', mm(wall.length)],
    ['IFCQUANTITYLENGTH', 'Width', mm(wall.thickness)],
    ['IFCQUANTITYLENGTH', 'Height', mm(highest - lowest)],
  ]);
  quantities(model, [id, thing], 'Ombra_Concrete', [['IFCQUANTITYVOLUME', 'Core', concrete]]);
  return thing;
}

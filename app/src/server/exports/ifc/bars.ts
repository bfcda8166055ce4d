import { type PlacedWall, barInward, cornerBarOnPlan, onPlan } from '@ombra/core/drawings';
import { type Bar, barSize, massOfBars } from '@ombra/core/stages/steel';
import { type Model, idOf, quantities, shape } from './hang';
import { type Spatial, flat, mm } from './solids';
import { type Ref, is } from './step';

/** The line along which a bar lies or stands. Hooks are left to its legs, which its properties tell. */
function barLine(bar: Bar, place: PlacedWall, places: ReadonlyMap<string, PlacedWall>): readonly Spatial[] {
  const at = (own: PlacedWall, along: number, up: number): Spatial => {
    const [x, y] = flat(onPlan(own, along, barInward(own, bar)));
    return [x, y, mm(up)];
  };
  if (bar.use === 'corner') {
    return cornerBarOnPlan(bar, place, places).map((point): Spatial => [...flat(point), mm(bar.bottom)]);
  }
  if (bar.from !== bar.to && place.wall.curve) {
    return Array.from({ length: 9 }, (_, side) =>
      at(place, bar.from + ((bar.to - bar.from) * side) / 8, bar.bottom),
    );
  }
  return [at(place, bar.from, bar.bottom), at(place, bar.to, bar.top)];
}

const MAIN = new Set<Bar['use']>(['horizontal', 'vertical', 'corner', 'jamb', 'lintel bottom', 'lintel top']);

/** A bar with its size, its cut length and what it weighs. */
export function addBar(
  model: Model,
  bar: Bar,
  place: PlacedWall,
  all: { readonly places: ReadonlyMap<string, PlacedWall>; readonly mark: string },
): Ref {
  const size = barSize(bar.size);
  const diameter = mm(size?.diameter ?? 0);
  const line = barLine(bar, place, all.places).filter(
    (point, index, points) => index === 0 || point.some((each, axis) => each !== points[index - 1]?.[axis]),
  );
  const kind = bar.use === 'stirrup' ? 'SHEAR' : MAIN.has(bar.use) ? 'MAIN' : 'ANCHORING';
  const { add } = model.lines;
  const id = `bar ${bar.id}`;
  const thing = add(
    'IFCREINFORCINGBAR',
    idOf(model, id),
    null,
    all.mark,
    null,
    bar.use,
    model.placement,
    line.length > 1 ? shape(model, [model.solids.bar(line, diameter / 2)], 'AdvancedSweptSolid') : null,
    bar.id,
    null,
    diameter,
    (size?.area ?? 0) / 1e6,
    mm(bar.cut),
    is(kind),
    is('TEXTURED'),
  );
  quantities(model, [id, thing], 'Qto_ReinforcingElementBaseQuantities', [
    ['IFCQUANTITYCOUNT', 'Count', bar.count],
    ['IFCQUANTITYLENGTH', 'Length', mm(bar.cut)],
    ['IFCQUANTITYWEIGHT', 'Weight', size ? massOfBars(size, bar.cut, bar.count) : 0],
  ]);
  return thing;
}

import { type PlacedWall, holeOutline, onPlan } from '@ombra/core/drawings';
import type { WorkedPlan } from '@ombra/core/work';
import { alongOf, bandShape } from './bands';
import { type Model, idOf, quantities, shape } from './hang';
import { type Flat, flat, mm } from './solids';
import { type Ref, is } from './step';

/** How far an opening’s solid reaches past both faces of its wall, so that nothing thin is left there; in nanometres. */
const PAST = 50e6;

/** The openings of a wall, as wide as the concrete keeps clear of them. */
export function addOpenings(model: Model, worked: WorkedPlan, place: PlacedWall, wall: Ref): void {
  const { add } = model.lines;
  for (const { id, name, wall: on, concrete, worked: built } of worked.openings.placed) {
    if (on !== place.wall.id || !built) continue;
    const depth = place.wall.thickness + 2 * PAST;
    const [x, y] = flat(onPlan(place, 0, -PAST));
    const solid = place.wall.curve
      ? model.solids.raised(
          bandShape(place, { outer: -PAST, inner: place.wall.thickness + PAST }, concrete.from, concrete.to),
          mm(concrete.bottom),
          mm(concrete.top),
        )
      : model.solids.through(
          [...holeOutline(concrete)].reverse().map(([along, up]): Flat => [mm(along), mm(up)]),
          [x, y, 0],
          alongOf(place),
          mm(depth),
        );
    const opening = add(
      'IFCOPENINGELEMENT',
      idOf(model, 'opening', id),
      null,
      name,
      null,
      null,
      model.placement,
      shape(model, [solid], 'SweptSolid'),
      id,
      is('OPENING'),
    );
    quantities(model, [`opening ${id}`, opening], 'Qto_OpeningElementBaseQuantities', [
      ['IFCQUANTITYLENGTH', 'Width', mm(concrete.to - concrete.from)],
      ['IFCQUANTITYLENGTH', 'Height', mm(concrete.top - concrete.bottom)],
      ['IFCQUANTITYLENGTH', 'Depth', mm(place.wall.thickness)],
    ]);
    add('IFCRELVOIDSELEMENT', idOf(model, 'void', id), null, null, null, wall, opening);
  }
}

import type { PlacedWall } from '@ombra/core/drawings';
import type { WorkedPlan } from '@ombra/core/work';
import { type Band, bandShape } from './bands';
import { type Model, idOf, quantities, shape } from './hang';
import { mm } from './solids';
import { type Ref, is } from './step';

/** The footing under each wall, as deep as it is, under each of the wall's heights. */
export function addFootings(
  model: Model,
  worked: WorkedPlan,
  places: ReadonlyMap<string, PlacedWall>,
): readonly Ref[] {
  const { bases } = worked.footing;
  if (bases.kind === 'rock') return [];
  return bases.loops.flatMap((loop) =>
    loop.walls.flatMap((base): Ref[] => {
      const place = places.get(base.wall);
      if (!place || base.outerLength + base.innerLength <= 0) return [];
      const band: Band = {
        outer: -base.outer,
        inner: base.thickness + base.inner,
        mitres: { outer: base.outerSide, inner: base.innerSide },
      };
      const items = (worked.levels.walls[base.wall] ?? []).map(({ from, to, bottom }) =>
        model.solids.raised(bandShape(place, band, from, to), mm(bottom - bases.depth), mm(bottom)),
      );
      if (items.length === 0) return [];
      const thing = model.lines.add(
        'IFCFOOTING',
        idOf(model, 'footing', base.wall),
        null,
        `Footing under ${base.name}`,
        null,
        null,
        model.placement,
        shape(model, items, 'SweptSolid'),
        base.wall,
        is('STRIP_FOOTING'),
      );
      quantities(model, [`footing ${base.wall}`, thing], 'Qto_FootingBaseQuantities', [
        ['IFCQUANTITYLENGTH', 'Width', mm(base.width)],
        ['IFCQUANTITYLENGTH', 'Height', mm(bases.depth)],
        ['IFCQUANTITYLENGTH', 'Length', mm((base.outerLength + base.innerLength) / 2)],
      ]);
      return [thing];
    }),
  );
}

import { placedWalls } from '@ombra/core/drawings';
import type { WorkedPlan } from '@ombra/core/work';
import { addBar } from './bars';
import { addFootings } from './footings';
import { type Model, idOf, label, properties, quantities } from './hang';
import { addOpenings } from './openings';
import { solidsOf } from './solids';
import { type Ref, DERIVED, is, stepFile, stepLines } from './step';
import { type Layer, addWall } from './walls';

/** Which job and state a model is of. */
interface ModelOf {
  readonly jobId: string;
  readonly name: string;
  readonly savedAt: string;
}

/**
 * The job as an IFC4 model: site, storey, walls with their panels and cores, openings, bars and footing, each with its quantities; in
 * millimetres, z from the lowest footing up. [ISO 16739:2013; the attributes of its entities from memory]
 */
export function writeIfc(worked: WorkedPlan, { jobId, name, savedAt }: ModelOf): string {
  const lines = stepLines();
  const { add } = lines;
  const solids = solidsOf(lines);
  const context = add(
    'IFCGEOMETRICREPRESENTATIONCONTEXT',
    null,
    'Model',
    { int: 3 },
    1e-5,
    solids.origin,
    null,
  );
  const sub = (identifier: string, view: string): Ref =>
    add(
      'IFCGEOMETRICREPRESENTATIONSUBCONTEXT',
      identifier,
      'Model',
      DERIVED,
      DERIVED,
      DERIVED,
      DERIVED,
      context,
      null,
      is(view),
      null,
    );
  const [body, axis] = [sub('Body', 'MODEL_VIEW'), sub('Axis', 'GRAPH_VIEW')];
  const unit = (kind: string, prefix: string | null, of: string): Ref =>
    add('IFCSIUNIT', DERIVED, is(kind), prefix === null ? null : is(prefix), is(of));
  const units = add('IFCUNITASSIGNMENT', [
    unit('LENGTHUNIT', 'MILLI', 'METRE'),
    unit('AREAUNIT', null, 'SQUARE_METRE'),
    unit('VOLUMEUNIT', null, 'CUBIC_METRE'),
    unit('PLANEANGLEUNIT', null, 'RADIAN'),
    unit('MASSUNIT', 'KILO', 'GRAM'),
  ]);
  const placed = (on: Ref | null): Ref => add('IFCLOCALPLACEMENT', on, solids.origin);
  const sitePlace = placed(null);
  const storeyPlace = placed(sitePlace);
  const model: Model = { lines, solids, jobId, body, axis, placement: storeyPlace };
  const id = (...of: readonly string[]): string => idOf(model, ...of);
  const project = add('IFCPROJECT', id('project'), null, name, null, null, null, null, [context], units);
  const site = add(
    'IFCSITE',
    id('site'),
    null,
    'Site',
    null,
    null,
    sitePlace,
    null,
    null,
    is('ELEMENT'),
    null,
    null,
    null,
    null,
    null,
  );
  const building = add(
    'IFCBUILDING',
    id('building'),
    null,
    name,
    null,
    null,
    sitePlace,
    null,
    null,
    is('ELEMENT'),
    null,
    null,
    null,
  );
  const storey = add(
    'IFCBUILDINGSTOREY',
    id('storey'),
    null,
    'Foundation',
    null,
    null,
    storeyPlace,
    null,
    null,
    is('ELEMENT'),
    0,
  );
  add('IFCRELAGGREGATES', id('in project'), null, null, null, project, [site]);
  add('IFCRELAGGREGATES', id('in site'), null, null, null, site, [building]);
  add('IFCRELAGGREGATES', id('in building'), null, null, null, building, [storey]);

  const places = placedWalls(worked.shell);
  const walls = [...places.values()].map((place) => {
    const wall = addWall(model, worked, place);
    addOpenings(model, worked, place, wall);
    return wall;
  });
  const footings = addFootings(model, worked, places);
  const marks = new Map(
    worked.steel.schedule.flatMap(({ mark, bars }) => bars.map((bar) => [bar, mark] as const)),
  );
  const bars = worked.steel.bars.flatMap((bar): Ref[] => {
    const place = places.get(bar.wall);
    return place ? [addBar(model, bar, place, { places, mark: marks.get(bar.id) ?? bar.use })] : [];
  });
  const things = [...walls, ...footings, ...bars];
  if (things.length > 0)
    add('IFCRELCONTAINEDINSPATIALSTRUCTURE', id('in storey'), null, null, null, things, storey);

  const [foam, concrete] = [
    add('IFCMATERIAL', 'Foam', null, null),
    add('IFCMATERIAL', 'Concrete', null, null),
  ];
  if (walls.length > 0) {
    const part = (of: Layer, material: Ref): Ref =>
      add('IFCMATERIALCONSTITUENT', of, null, material, null, null);
    const set = add('IFCMATERIALCONSTITUENTSET', 'Insulated form with core', null, [
      part('Outside panel', foam),
      part('Core', concrete),
      part('Inside panel', foam),
    ]);
    add('IFCRELASSOCIATESMATERIAL', id('walls of'), null, null, null, walls, set);
  }
  if (footings.length > 0) {
    add('IFCRELASSOCIATESMATERIAL', id('footings of'), null, null, null, footings, concrete);
  }
  const { total } = worked.tally;
  quantities(model, ['storey', storey], 'Ombra_Tally', [
    ['IFCQUANTITYCOUNT', 'Whole blocks', total.straight.value],
    ['IFCQUANTITYCOUNT', 'Cut pieces', total.cut.value],
    ['IFCQUANTITYCOUNT', 'Corners, left-hand', total.cornerLH.value],
    ['IFCQUANTITYCOUNT', 'Corners, right-hand', total.cornerRH.value],
    ['IFCQUANTITYCOUNT', 'Blocks to buy', total.blocksBought.value],
    ['IFCQUANTITYVOLUME', 'Core', total.coreVolume.value],
    ['IFCQUANTITYVOLUME', 'Footing', worked.footing.concrete.value],
    ['IFCQUANTITYWEIGHT', 'Steel', worked.steel.mass.value],
  ]);
  properties(model, ['project', project], 'Ombra_Plan', [
    ['Measured to', label(worked.measuredTo)],
    ['Forms', label(worked.shell.family?.name ?? '')],
  ]);
  return stepFile(
    { name: `${name}.ifc`, time: savedAt.slice(0, 19), schema: 'IFC4', view: 'DesignTransferView_V1.0' },
    lines.lines(),
  );
}

import {
  type PlacedWall,
  barInward,
  cornerBarOnPlan,
  holeOutline,
  onPlan,
  placedWalls,
} from '@ombra/core/drawings';
import type { Point } from '@ombra/core/kernel/geometry';
import { wallFace } from '@ombra/core/stages/outline';
import { type Bar, barSize } from '@ombra/core/stages/steel';
import type { WorkedPlan } from '@ombra/core/work';
import { type Band, bandShape } from './bands';
import { globalId } from './globalId';
import { type Flat, type Solids, type Spatial, flat, mm, solidsOf } from './solids';
import { DERIVED, type Ref, type StepLines, type StepValue, is, stepFile, stepLines } from './step';

/** How far an opening’s solid reaches past both faces of its wall, so that nothing thin is left there; in nanometres. */
const PAST = 50e6;

interface Model {
  readonly lines: StepLines;
  readonly solids: Solids;
  readonly jobId: string;
  readonly body: Ref;
  readonly axis: Ref;
  readonly placement: Ref;
}

type Layer = 'Outside panel' | 'Core' | 'Inside panel';

const idOf = ({ jobId }: Model, ...of: readonly string[]): string => globalId(jobId, ...of);

function shape(model: Model, items: readonly Ref[], type: string): Ref {
  const body = model.lines.add('IFCSHAPEREPRESENTATION', model.body, 'Body', type, [...items]);
  return model.lines.add('IFCPRODUCTDEFINITIONSHAPE', null, null, [body]);
}

/** A quantity by its entity: `['IFCQUANTITYLENGTH', 'Length', 13411.2]`. */
type Quantity = readonly [entity: string, name: string, value: number];

/** Hangs a set of quantities on things. */
function quantities(
  model: Model,
  of: readonly [id: string, thing: Ref],
  name: string,
  all: readonly Quantity[],
): void {
  const { add } = model.lines;
  const list = all.map(([entity, label, value]) => add(entity, label, null, null, value, null));
  const set = add('IFCELEMENTQUANTITY', idOf(model, of[0], name), null, name, null, null, list);
  add('IFCRELDEFINESBYPROPERTIES', idOf(model, of[0], name, 'of'), null, null, null, [of[1]], set);
}

/** Hangs a set of plain properties on a thing. */
function properties(
  model: Model,
  of: readonly [id: string, thing: Ref],
  name: string,
  all: readonly (readonly [name: string, value: StepValue])[],
): void {
  const { add } = model.lines;
  const list = all.map(([label, value]) => add('IFCPROPERTYSINGLEVALUE', label, null, value, null));
  const set = add('IFCPROPERTYSET', idOf(model, of[0], name), null, name, null, list);
  add('IFCRELDEFINESBYPROPERTIES', idOf(model, of[0], name, 'of'), null, null, null, [of[1]], set);
}

const label = (value: string): StepValue => ({ typed: 'IFCLABEL', value });

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

/** Direction of a straight wall, of length 1. */
function alongOf(place: PlacedWall): Flat {
  const [[x1, y1], [x2, y2]] = [flat(onPlan(place, 0, 0)), flat(onPlan(place, place.wall.length, 0))];
  const length = Math.hypot(x2 - x1, y2 - y1);
  return [(x2 - x1) / length, (y2 - y1) / length];
}

/** The solids of one layer of a wall: one from each of its heights to the next, their tops cut to the slope where they are. */
function layerSolids(model: Model, worked: WorkedPlan, place: PlacedWall, band: Band): readonly Ref[] {
  const { solids } = model;
  return (worked.levels.walls[place.wall.id] ?? []).flatMap(({ from, to, bottom, top, cut }): Ref[] => {
    if (!cut || place.wall.curve) {
      return [solids.raised(bandShape(place, band, from, to), mm(bottom), mm(top))];
    }
    const [x, y] = flat(onPlan(place, 0, band.outer));
    const ring: readonly Flat[] = [
      [mm(from), mm(bottom)],
      [mm(to), mm(bottom)],
      [mm(to), mm(cut.slope[1])],
      [mm(from), mm(cut.slope[0])],
    ];
    return [solids.through(ring, [x, y, 0], alongOf(place), mm(band.inner - band.outer))];
  });
}

/** A wall: its layers as solids of their own, named and with their materials; its length, height and concrete. */
function addWall(model: Model, worked: WorkedPlan, place: PlacedWall): Ref {
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
  const body = add('IFCSHAPEREPRESENTATION', model.body, 'Body', 'SweptSolid', items);
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
    const own = add('IFCSHAPEREPRESENTATION', model.body, 'Body', 'SweptSolid', [...layer.items]);
    add('IFCSHAPEASPECT', [own], layer.name, null, is('F'), whole);
  }
  const spans = worked.levels.walls[wall.id] ?? [];
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

/** The openings of a wall, as wide as the concrete keeps clear of them. */
function addOpenings(model: Model, worked: WorkedPlan, place: PlacedWall, wall: Ref): void {
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

function addBar(
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
    ['IFCQUANTITYWEIGHT', 'Weight', bar.count * (bar.cut / 1e9) * (size?.massPerMetre ?? 0)],
  ]);
  return thing;
}

/** The footing under each wall, as deep as it is, under each of the wall's heights. */
function addFootings(
  model: Model,
  worked: WorkedPlan,
  places: ReadonlyMap<string, PlacedWall>,
): readonly Ref[] {
  const { bases } = worked.footing;
  if (bases.kind === 'rock') return [];
  return bases.loops.flatMap((loop) =>
    loop.walls.flatMap((base): Ref[] => {
      const place = places.get(base.wall);
      if (!place) return [];
      const straight = place.built.walls.every(({ curve }) => !curve) && !place.built.open;
      const { index, built } = place;
      const ends = (ring: readonly Point[]): readonly [Point, Point] | null => {
        const [start, end] = [ring[index], ring[(index + 1) % built.walls.length]];
        return start && end ? [start, end] : null;
      };
      const [outer, inner] = straight ? [ends(loop.outer), ends(loop.inner)] : [null, null];
      const band: Band = {
        outer: -base.outer,
        inner: base.thickness + base.inner,
        ...(outer && inner ? { mitres: { outer, inner } } : {}),
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

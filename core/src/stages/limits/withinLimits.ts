import { withoutKey } from '../../kernel/plan/copies';
import type { Loop, WalkRow } from '../outline/plan';
import { type Length, type UnitSystem, readLength, readVolume } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';
import { type Range, MOST_SIDE_VOLUME, MOST_WALLS, RANGES } from './limits';

/** What of a plan is beyond its limits, and so not worked. */
export type LimitProblem =
  | {
      readonly kind: 'out-of-range';
      readonly place: LimitPlace;
      /** Its name in the plan file: `spacing`, `width`. */
      readonly field: string;
      readonly length: Length;
      readonly range: Range;
    }
  | {
      readonly kind: 'side-too-large';
      readonly side: string;
      readonly name: string;
      readonly cubicMetres: number;
      readonly most: number;
    }
  | { readonly kind: 'too-many-walls'; readonly walls: number; readonly most: number };

/** What has the length: the interface goes there from its notice. */
export type LimitPlace =
  | { readonly of: 'opening' | 'insert' | 'wall' | 'loop'; readonly id: string }
  | { readonly of: 'footing' | 'bracing' | 'buck'; readonly id: string };

/** A length of a thing, by its name in the plan file. */
type Field = readonly [name: string, text: string | undefined, range: Range];

interface Reader {
  readonly units: UnitSystem;
  readonly problems: LimitProblem[];
}

/** Whether a text is no length at all, which is told elsewhere, or one within its range. */
function fits([field, text, range]: Field, place: LimitPlace, { units, problems }: Reader): boolean {
  const reading = text === undefined ? null : readLength(text, units);
  if (!reading?.ok) return true;
  const { length } = reading;
  // Nothing, or less, where something must be: the stages have their own words for that.
  if ((length <= 0 && range.least > 0) || (length >= range.least && length <= range.most)) return true;
  problems.push({ kind: 'out-of-range', place, field, length, range });
  return false;
}

/** The things whose lengths are all in range; the very list where that is every one of them. */
function keep<Item>(
  list: readonly Item[],
  place: (item: Item) => LimitPlace,
  fields: (item: Item) => readonly Field[],
  reader: Reader,
): readonly Item[] {
  const kept = list.filter((item) =>
    // Every length is looked at: all that is beyond is told at once.
    fields(item).reduce((all, field) => fits(field, place(item), reader) && all, true),
  );
  return kept.length === list.length ? list : kept;
}

/** A thing without the lengths that are out of range; the very thing where none is. */
function without<Thing extends object>(
  thing: Thing,
  place: LimitPlace,
  ranges: Readonly<Partial<Record<keyof Thing & string, Range>>>,
  reader: Reader,
): Thing {
  const gone = Object.entries(ranges as Record<string, Range>).filter(([name, range]) => {
    const text: unknown = (thing as Record<string, unknown>)[name];
    return typeof text === 'string' && !fits([name, text, range], place, reader);
  });
  if (gone.length === 0) return thing;
  const names = new Set(gone.map(([name]) => name));
  return Object.fromEntries(Object.entries(thing).filter(([name]) => !names.has(name))) as Thing;
}

const sameOr = <Thing extends object>(thing: Thing, change: Partial<Thing>): Thing =>
  Object.entries(change).every(([name, value]) => thing[name as keyof Thing] === value)
    ? thing
    : { ...thing, ...change };

/** The size of a footing step, behind its `up` or `down`. */
const stepSize = (text: string): string => text.replace(/^\s*(up|down)\s+/i, '');

/** How far a wall stands off its footing's middle, behind its `out` or `in`. */
const offsetSize = (text: string | undefined): string | undefined => text?.replace(/^\s*(out|in)\s+/i, '');

/** A top that is a height; one in courses has a limit of its own. */
const heightIn = (text: string | undefined): string | undefined =>
  text === undefined || /courses?\s*$/i.test(text) ? undefined : text;

function rowWithin(row: WalkRow, reader: Reader): WalkRow {
  const place: LimitPlace = { of: 'wall', id: row.id };
  const change: Partial<WalkRow> = {
    ...(row.footing && {
      footing: keep(
        row.footing,
        () => place,
        (step) => [
          ['footing', step.at, RANGES.station],
          ['footing', stepSize(step.step), RANGES.height],
        ],
        reader,
      ),
    }),
    ...(row.topSteps && {
      topSteps: keep(
        row.topSteps,
        () => place,
        (step) => [
          ['topSteps', step.at, RANGES.station],
          ['topSteps', heightIn(step.top), RANGES.height],
        ],
        reader,
      ),
    }),
    ...(row.rake && {
      rake: sameOr(row.rake, {
        points: keep(
          row.rake.points,
          () => place,
          (point) => [
            ['rake', point.at, RANGES.station],
            ['rake', heightIn(point.top), RANGES.height],
          ],
          reader,
        ),
      }),
    }),
    ...(row.asLaid && {
      asLaid: keep(
        row.asLaid,
        () => place,
        (entry) => [['asLaid', entry.length, RANGES.station]],
        reader,
      ),
    }),
  };
  const stands = row.bearing && fits(['offset', offsetSize(row.bearing.offset), RANGES.depth], place, reader);
  const kept = sameOr(stands === false ? withoutKey(row, 'bearing') : row, change);
  return heightIn(row.top) === undefined ? kept : without(kept, place, { top: RANGES.height }, reader);
}

function loopWithin(loop: Loop, reader: Reader): Loop {
  const place: LimitPlace = { of: 'loop', id: loop.id };
  const { place: onPlan, height } = RANGES;
  const placed = without(loop, place, { base: height, right: onPlan, down: onPlan }, reader);
  const rows = placed.walk.map((each) => rowWithin(each, reader));
  const same = rows.every((each, index) => each === placed.walk[index]);
  return same ? placed : { ...placed, walk: rows };
}

/** Outlines as long as all their walls are not too many. */
function loopsWithin(plan: Plan, reader: Reader): readonly Loop[] {
  const walls = plan.loops.reduce((sum, each) => sum + each.walk.length, 0);
  let left = MOST_WALLS;
  const few = plan.loops.filter((each) => (left -= each.walk.length) >= 0);
  if (walls > MOST_WALLS) reader.problems.push({ kind: 'too-many-walls', walls, most: MOST_WALLS });
  const kept = few.map((each) => loopWithin(each, reader));
  return kept.length === plan.loops.length && kept.every((each, index) => each === plan.loops[index])
    ? plan.loops
    : kept;
}

function openingsAndInserts(plan: Plan, reader: Reader): Partial<Plan> {
  const { piece, depth, station, height, spacing } = RANGES;
  return {
    ...(plan.openings && {
      openings: keep(
        plan.openings,
        ({ id }) => ({ of: 'opening', id }),
        (each) => [
          ['at', each.at, station],
          ['width', each.width, piece],
          ['height', each.height, piece],
          ['sill', each.sill, height],
          ['head', each.head, height],
          ['rise', each.rise, depth],
          ['depth', each.threshold?.depth, depth],
        ],
        reader,
      ),
    }),
    ...(plan.inserts && {
      inserts: keep(
        plan.inserts,
        ({ id }) => ({ of: 'insert', id }),
        (each) => [
          ['at', each.at, station],
          ['up', each.up, height],
          ['size', each.size, piece],
          ['height', each.height, piece],
          ['depth', each.depth, depth],
          ['length', each.length, { least: piece.least, most: station.most }],
          ['spacing', each.spacing, spacing],
          ['fall', each.fall, height],
        ],
        reader,
      ),
    }),
    ...(plan.bucks && {
      bucks: sameOr(
        plan.bucks,
        Object.fromEntries(
          Object.entries(plan.bucks).map(([buck, figures]) => [
            buck,
            without(
              figures,
              { of: 'buck', id: buck },
              { thickness: depth, stock: piece, kerf: depth },
              reader,
            ),
          ]),
        ),
      ),
    }),
  };
}

function onFooting({ footing }: Plan, reader: Reader): Partial<Plan> {
  if (!footing) return {};
  const place: LimitPlace = { of: 'footing', id: 'footing' };
  const shots = (list: typeof footing.shots) =>
    list &&
    keep(
      list,
      () => place,
      (shot) => [
        ['at', shot.at, RANGES.station],
        ['reading', shot.reading, RANGES.height],
      ],
      reader,
    );
  const [before, after] = [shots(footing.shots), shots(footing.after)];
  return {
    footing: sameOr(footing, {
      ...(before && { shots: before }),
      ...(after && { after }),
      ...(footing.pulls && {
        pulls: keep(
          footing.pulls,
          () => place,
          (pull) => [['length', pull.length, RANGES.place]],
          reader,
        ),
      }),
    }),
  };
}

function gearAndConcrete({ bracing, pour, steel }: Plan, reader: Reader): Partial<Plan> {
  const stock = (name: 'planks' | 'uprights') =>
    bracing?.[name] && {
      [name]: keep(
        bracing[name],
        () => ({ of: 'bracing', id: name }),
        (each) => [[name, each.length, RANGES.piece]],
        reader,
      ),
    };
  const sides = pour?.sides?.filter((side) => {
    const reading = readVolume(side.volume, reader.units);
    if (!reading.ok || reading.cubicMetres <= MOST_SIDE_VOLUME) return true;
    const { id, name } = side;
    reader.problems.push({
      kind: 'side-too-large',
      side: id,
      name,
      cubicMetres: reading.cubicMetres,
      most: MOST_SIDE_VOLUME,
    });
    return false;
  });
  const soil = steel?.walls && {
    walls: sameOr(
      steel.walls,
      Object.fromEntries(
        Object.entries(steel.walls).map(([wall, each]) => [
          wall,
          without(each, { of: 'wall', id: wall }, { backfill: RANGES.height }, reader),
        ]),
      ),
    ),
  };
  return {
    ...(bracing && { bracing: sameOr(bracing, { ...stock('planks'), ...stock('uprights') }) }),
    ...(pour && sides && sides.length !== pour.sides?.length && { pour: { ...pour, sides } }),
    ...(steel && soil && { steel: sameOr(steel, soil) }),
  };
}

/**
 * The part of a plan that can be worked: what measures more or less than anything of its kind ever does is left out, and told.
 * The plan itself comes back where nothing is.
 *
 * @example withinLimits(plan).plan === plan // true
 */
export function withinLimits(plan: Plan): {
  readonly plan: Plan;
  readonly problems: readonly LimitProblem[];
} {
  const reader: Reader = { units: plan.units, problems: [] };
  const kept = sameOr(plan, {
    loops: loopsWithin(plan, reader),
    ...openingsAndInserts(plan, reader),
    ...onFooting(plan, reader),
    ...gearAndConcrete(plan, reader),
  });
  return { plan: kept, problems: reader.problems };
}

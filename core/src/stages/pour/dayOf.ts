import { type Bracing, bracesOfPour } from '../bracing';
import type { CourseRow } from '../courses';
import { CUBIC_METRES_PER_CUBIC_YARD, METRES_PER_FOOT, toMetres } from '../../kernel/measure';
import type { Day } from './rehearsal';
import type { HouseRules } from '../../kernel/rules';
import { type Levels, type PourSpan, type Shell, lengthIn } from '../outline';
import { type TopOff, boltsOfPour } from '../topoff';
import { crewOf, machineOf, rateOf } from './method';
import type { MixCard } from './mix';
import type { Slice } from './slices';
import { type PourMethod, type Stop, filledSpan, isMoved } from './stops';
import type { PourVolumes } from './volumes';

/** What the day of a pour is made from besides its own stops, volumes and mix. */
interface DayGround {
  readonly rules: HouseRules;
  readonly slices: readonly Slice[];
  readonly rows: ReadonlyMap<string, readonly CourseRow[]>;
  readonly levels: Levels;
  readonly bracing: Bracing;
  readonly topoff: TopOff;
  readonly shell: Shell;
}

/**
 * The number under which the rehearsal keeps a stop's layers. What lies over a head has nothing of its own slice under it, so it
 * counts as a place of its own: those follow after all the slices.
 */
const partOf = (stop: Stop, slice: Slice, slices: number): number =>
  slice.opening && stop.bottom >= slice.opening.concrete.bottom ? slices + slice.index : slice.index;

/** What one person strikes off is told for so much of a wall's top. */
const STRUCK = 10 * METRES_PER_FOOT;

/** Minutes of the whole crew from the last concrete on: tops struck off, bolts set where walls end, walls sighted and turned. */
function afterOf(
  { volumes, span }: Pick<DayInput, 'volumes' | 'span'>,
  crew: number,
  { rules, levels, bracing, topoff }: DayGround,
): number {
  const poured = new Set(volumes.walls.map(({ wall }) => wall));
  const top = [...poured].reduce((sum, wall) => sum + toMetres(lengthIn(span, levels.walls[wall] ?? [])), 0);
  const braces = bracesOfPour(bracing, span.pour).reduce(
    (sum, wall) => sum + (poured.has(wall.wall) ? wall.braces.length + wall.diagonals.length : 0),
    0,
  );
  const alone =
    (top / STRUCK) * rules.count('pour.after.strike') +
    boltsOfPour(topoff, span.pour) * rules.count('pour.after.bolt') +
    2 * braces * rules.count('pour.after.straighten');
  return alone / Math.max(1, crew);
}

/** What is placed in a day, and how. */
interface DayInput {
  readonly span: PourSpan;
  readonly volumes: PourVolumes;
  readonly mix: MixCard;
  readonly method: PourMethod;
  /** Minutes from the first truck to dark; null where nobody said when that is. */
  readonly dark: number | null;
}

/** The day that the rehearsal plays, from the stops and the house rules. Half of the allowance is taken up by swelling forms. [ours] */
export function dayOf(
  stops: readonly Stop[],
  { span, volumes, mix, method, dark }: DayInput,
  ground: DayGround,
): Day {
  const { rules, slices, rows } = ground;
  const allowance = rules.count('pour.allowance') / 100;
  const crew = crewOf(method, rules);
  const machine = machineOf(method);
  return {
    stops: stops.map((stop) => {
      const slice = stop.slice === null ? undefined : slices[stop.slice];
      const filled = slice ? filledSpan(stop, rows.get(slice.wall) ?? [], slice) : null;
      return {
        slice: slice ? partOf(stop, slice, slices.length) : null,
        lift: stop.lift,
        volume: stop.volume,
        foot: filled ? filled.bottom / 1e9 : 0,
        depth: filled ? (filled.top - filled.bottom) / 1e9 : 0,
        move: stop.move,
        chuteMove: stop.chuteMove,
      };
    }),
    slices: 2 * slices.length,
    loads: volumes.loads,
    truck: volumes.truck,
    step: volumes.step,
    least: volumes.least,
    spacing: rules.count('pour.truck.spacing'),
    trucks: rules.count('pour.truck.count'),
    load: rules.count('pour.plant.load'),
    travel: rules.count('pour.plant.travel'),
    travelScatter: rules.count('pour.plant.scatter') / 100,
    rate: rateOf(method, rules),
    rateScatter: rules.count('pour.rate.scatter') / 100,
    chuteRate: rateOf('chute', rules),
    change: rules.count('pour.truck.change'),
    backing: rules.count('pour.truck.test'),
    prime: machine === 'pump' ? rules.count('pour.pump.prime') : 0,
    wash: rules.count('pour.truck.wash'),
    move: isMoved(method) ? rules.count('pour.move') : method === 'holes' ? rules.count('pour.hole.plug') : 0,
    chuteMoving: rules.count('pour.move'),
    working: mix.working,
    discharge: mix.discharge,
    oldLoads: rules.choice('pour.load.old') === 'refuse' ? 'refuse' : 'take',
    swell: allowance / 2,
    swellScatter: allowance / 4,
    after: afterOf({ volumes, span }, crew, ground),
    washOut: machine ? rules.count('pour.after.wash') : 0,
    dark,
    money: {
      wait: rules.count('pour.money.wait'),
      free: rules.count('pour.truck.free'),
      pump: machine ? rules.count('pour.money.pump') : 0,
      pumpHours: rules.count('pour.money.pump.hours'),
      lead: rules.count('pour.pump.lead'),
      crew: rules.count('pour.money.crew') * crew,
      concrete: rules.quantity('pour.money.concrete') / CUBIC_METRES_PER_CUBIC_YARD,
    },
    fresh: mix.fresh,
    capacity: ground.shell.family?.capacityPascals ?? null,
    school: rules.choice('pour.pressure') === 'ciria' ? 'ciria' : 'aci',
  };
}

/**
 * The same day without any scatter: trucks as ordered, a steady crew, forms that swell as they mostly do. It comes to what the
 * middle one of many days comes to, within a few minutes.
 */
export const steady = (day: Day): Day => ({ ...day, travelScatter: 0, rateScatter: 0, swellScatter: 0 });

import type { Inserts } from '../inserts/placeInserts';
import type { Plan } from '../../kernel/plan/plan';
import { type Memory, NO_MEMORY } from '../../kernel/engine/memory';
import type { Worked } from '../../kernel/engine/stage';
import type { CourseRow } from '../courses';
import { MOST_LOADS } from '../limits';
import {
  type Length,
  readLength,
  SQUARE_METRES_PER_SQUARE_FOOT,
  ZERO,
  max,
  min,
  subtract,
} from '../../kernel/measure';
import type { PourDay } from './plan';
import { type Day, type PlayedRun, playDay, spacingWhy } from './rehearsal';
import { type Judged, allOf } from '../../kernel/judged';
import type { HouseRules } from '../../kernel/rules';
import { type Point, distance } from '../../kernel/geometry/point';
import type { HeightSpan, Wall } from '../outline';
import type { Figure } from '../../kernel/figures/figure';
import { type Core, type Displacing, coreOf, displacingOf } from '../tally';
import { dayOf, steady } from './dayOf';
import { crewOf, rateHow, rateOf } from './method';
import { type MixCard, mixOf } from './mix';
import { moneyOf } from './money';
import { type Pressing, type Soonest, pressingOf } from './pressing';
import { risingOf } from './rising';
import type { PourProblem } from './problem';
import { type PourReady, pourReady } from './ready';
import { type LiftSpan, liftsOf, liftsWithFooting } from './lifts';
import { sidesOf } from './sides';
import { type Slice, pointOver, slicesOf } from './slices';
import { type PourSpan, groundAt, pourSpans, wallIn } from '../outline';
import { type AccessHole, holesOf, stopsByHole } from './holes';
import { type PourMethod, type Stop, isMoved, methodOf, reachOf, routeOf, stopsOf } from './stops';
import { type PourVolumes, volumesOf } from './volumes';

/** What `buildPour` reads of a plan. */
type PourInput = Pick<Plan, 'units' | 'pour'>;

/** Seconds that a wall takes of one lift at the crew's pace. */
export interface Dwell {
  readonly wall: string;
  readonly name: string;
  readonly lift: number;
  readonly seconds: number;
}

/** One pour of the job, from its lifts to its clock. */
export interface WorkedPour {
  readonly span: PourSpan;
  readonly method: PourMethod;
  readonly crew: number;
  /** First truck on site, minutes after midnight. */
  readonly start: number;
  readonly date: string | null;
  readonly lifts: readonly LiftSpan[];
  readonly slices: readonly Slice[];
  /** Slices in the order of a lift. */
  readonly route: readonly number[];
  readonly stops: readonly Stop[];
  /** Holes in the walls’ faces through which all lifts but the last are filled; none where the pour is placed otherwise. */
  readonly holes: readonly AccessHole[];
  readonly volumes: PourVolumes;
  readonly mix: MixCard;
  /** Null where the concrete's figures are out of any range, or nothing is poured. */
  readonly pressing: Pressing | null;
  readonly dwell: readonly Dwell[];
  /** Where the machine stands, where that was said; and how far it must reach. */
  readonly stand: { readonly at: Point; readonly farthest: Length } | null;
  readonly reach: Length;
  /** How often chute or conveyor are moved in all. */
  readonly moves: number;
  /** What the rehearsal plays. */
  readonly day: Day;
  /** The day as it goes if nothing scatters. */
  readonly clock: PlayedRun;
  readonly money: Figure;
  readonly ready: readonly PourReady[];
}

export interface Pouring {
  readonly pours: readonly WorkedPour[];
  readonly problems: readonly PourProblem[];
}

/** Everything on which a pour stands. */
type PourGround = Pick<
  Worked,
  | 'shell'
  | 'levels'
  | 'courses'
  | 'openings'
  | 'placed'
  | 'bucks'
  | 'footing'
  | 'steel'
  | 'bracing'
  | 'edges'
  | 'topoff'
  | 'stacks'
  | 'ground'
>;

/** What all pours of a job share. */
interface Setting extends PourGround {
  readonly inserts: Inserts;
  readonly input: PourInput;
  readonly rules: HouseRules;
  readonly memory: Memory;
  readonly core: Core;
  readonly displacing: Displacing;
  readonly slices: readonly Slice[];
  readonly walls: ReadonlyMap<string, Wall>;
  readonly rows: ReadonlyMap<string, readonly CourseRow[]>;
}

/** First truck at half past seven, unless set. [ours] */
const USUAL_START = 7 * 60 + 30;

/** `07:30` as minutes after midnight. */
export function minutesOf(text: string | undefined): number | null {
  const found = /^(\d{1,2}):(\d{2})$/.exec(text ?? '');
  return found ? Number(found[1]) * 60 + Number(found[2]) : null;
}

/** A time of the day: minutes after midnight as `07:30`. */
export function clockText(minutes: number): string {
  const whole = Math.round(minutes);
  const day = ((whole % 1440) + 1440) % 1440;
  return `${String(Math.floor(day / 60)).padStart(2, '0')}:${String(day % 60).padStart(2, '0')}`;
}

/** Where the machine stands, and the farthest that it must reach; walls out of its reach are told. */
function standOf(
  { stand }: PourDay,
  pour: string,
  stops: readonly Stop[],
  { shell, slices, input, rules }: Setting,
): Judged<WorkedPour['stand'], PourProblem> {
  if (!stand || isMoved(methodOf(rules))) return { value: null, problems: [] };
  const { wall: id, at, out } = stand;
  const found = wallIn(shell.loops, id);
  const [along, away] = [readLength(at, input.units), readLength(out, input.units)];
  if (!found || !along.ok || !away.ok) {
    const text = !along.ok ? at : !away.ok ? out : id;
    return { value: null, problems: [{ kind: 'stand-unreadable', pour, text }] };
  }
  const point = pointOver(found.built, found.wall, along.length, -away.length);
  const used = new Set(stops.flatMap((stop) => (stop.slice === null ? [] : [stop.slice])));
  const far = slices
    .filter((slice) => used.has(slice.index))
    .map((slice) => ({ slice, far: distance(point, slice.at) }));
  const farthest = max(ZERO, ...far.map((each) => each.far));
  const reach = reachOf(rules);
  const missed = [...new Set(far.filter((each) => each.far > reach).map(({ slice }) => slice.name))];
  return {
    value: { at: point, farthest },
    problems: missed.length > 0 ? [{ kind: 'out-of-reach', pour, walls: missed, reach, farthest }] : [],
  };
}

/** Walls whose forms are higher over the ground outside than a truck's chute pours, by the highest of them. */
function overChute(
  span: PourSpan,
  poured: readonly { readonly wall: string; readonly name: string }[],
  { ground, levels, rules }: Setting,
): readonly PourProblem[] {
  if (methodOf(rules) !== 'chute') return [];
  const most = rules.length('pour.chute.height');
  const high = poured.flatMap(({ wall, name }) => {
    const raised = ground.during[span.pour]?.[wall]?.outside ?? null;
    const over = (levels.walls[wall] ?? []).map(({ bottom, top }) =>
      subtract(min(top, span.top), groundAt(raised, bottom)),
    );
    const height = max(ZERO, ...over);
    return height > most ? [{ name, height }] : [];
  });
  return high.length === 0
    ? []
    : [
        {
          kind: 'over-chute',
          pour: span.pour,
          walls: high.map(({ name }) => name),
          height: max(...high.map(({ height }) => height)),
          most,
        },
      ];
}

/** Seconds that every wall takes of every lift; the shortest that is under the rule is told, once a wall. */
function dwellOf(
  volumes: PourVolumes,
  rate: number,
  pour: string,
  rules: HouseRules,
): Judged<readonly Dwell[], PourProblem> {
  const least = rules.count('pour.dwell.least');
  const dwell = volumes.walls.flatMap(({ wall, name }) =>
    volumes.lifts.flatMap(({ lift, walls }): Dwell[] => {
      const volume = walls[wall] ?? 0;
      return volume > 0 ? [{ wall, name, lift, seconds: (volume / rate) * 3600 }] : [];
    }),
  );
  const problems = volumes.walls.flatMap(({ wall }): PourProblem[] => {
    const [shortest] = dwell.filter((each) => each.wall === wall).sort((a, b) => a.seconds - b.seconds);
    if (!shortest || shortest.seconds >= least) return [];
    const { lift, seconds } = shortest;
    return [{ kind: 'dwell-short', pour, wall, seconds, lift }];
  });
  return { value: dwell, problems };
}

/** What the planned clock runs into: layers that wait too long, old loads, trucks that stand in each other's way. */
function judgeClock(pour: string, day: Day, clock: PlayedRun): readonly PourProblem[] {
  const problems: PourProblem[] = [];
  const { service, grows } = spacingWhy(day, day.spacing);
  const layersWait = clock.gap > day.working;
  const trucksWait = grows > 0 && day.loads.length > 1;
  if (layersWait) {
    problems.push({ kind: 'lift-slow', pour, gap: clock.gap, working: day.working, trucksWait });
  }
  if (clock.age > day.discharge) {
    problems.push({ kind: 'load-old', pour, age: clock.age, most: day.discharge, layersWait });
  }
  // Trucks farther apart would only make the layers wait longer.
  if (trucksWait && !layersWait) {
    problems.push({ kind: 'trucks-close', pour, spacing: day.spacing, service });
  }
  return problems;
}

/** Height of a wall within a pour, where it is highest, in metres. */
const heightIn = (span: PourSpan, spans: readonly HeightSpan[]): number =>
  Math.max(0, ...spans.map((each) => Math.min(each.top, span.top) - Math.max(each.bottom, span.bottom))) /
  1e9;

/** Where the hose comes back soonest after a layer was filled, as the planned clock has it. */
function soonestReturn(
  stops: readonly Stop[],
  day: Day,
  clock: PlayedRun,
  walls: ReadonlyMap<string, Wall>,
): Soonest | null {
  const filled = new Map<number, number>();
  let soonest: Soonest | null = null;
  for (const { stop: index, from, to } of clock.placed) {
    const slice = day.stops[index]?.slice ?? null;
    const stop = stops[index];
    if (slice === null || !stop?.wall) continue;
    const before = filled.get(slice);
    filled.set(slice, to);
    if (before === undefined || (soonest !== null && from - before >= soonest.minutes)) continue;
    const name = walls.get(stop.wall)?.name ?? stop.wall;
    soonest = { wall: stop.wall, name, lift: stop.lift, minutes: from - before };
  }
  return soonest;
}

/** One pour; a value of null where it is more than a day's trucks could ever bring. */
function workedPour(span: PourSpan, index: number, setting: Setting): Judged<WorkedPour | null, PourProblem> {
  const { shell, openings, footing, levels, input, rules, memory } = setting;
  const { core, displacing, slices, walls, rows } = setting;
  const { units } = input;
  const said = input.pour?.pours?.[span.pour] ?? {};
  const method = methodOf(rules);
  const asOne = index === 0 && footing.bases.withWall && footing.concrete.value > 0;
  const by = { typed: said.lifts, units, rules };
  const split = asOne ? liftsWithFooting(span, levels.tops[1] ?? span.top, by) : liftsOf(span, by);
  const beside = sidesOf(span, index === 0, { typed: input.pour?.sides ?? [], units }, setting);
  const [lifts, sides] = [split.value, beside.value];
  const filled = { lifts, core, displacing, levels, sides, chosenLoads: said.loads, units };
  const filling = memory.part(`volumes of pour ${String(index)}`, [span, filled], () =>
    volumesOf(span, filled, rules),
  );
  const volumes = filling.value;
  const loads = Math.ceil(volumes.ordered.value / volumes.truck);
  if (loads > MOST_LOADS) {
    const problem: PourProblem = { kind: 'pour-too-large', pour: span.pour, loads, most: MOST_LOADS };
    return {
      value: null,
      problems: [...split.problems, ...beside.problems, ...filling.problems, problem],
    };
  }
  const route = routeOf(slices, shell, said.corner, rules);
  const through: Judged<readonly AccessHole[], PourProblem> =
    method === 'holes'
      ? holesOf({ ...setting, pour: span.pour, lifts, openings: openings.placed })
      : { value: [], problems: [] };
  const holes = through.value;
  const plain = stopsOf({
    route,
    lifts,
    walls,
    rows,
    openings: openings.placed,
    volumeOf: (wall, lift) => volumes.lifts[lift - 1]?.walls[wall] ?? 0,
    sides,
    rules,
  });
  const stops = holes.length > 0 ? stopsByHole(plain, holes, slices) : plain;
  const poured = volumes.walls.length > 0;
  const face = volumes.walls.reduce((sum, { wall }) => {
    const own = walls.get(wall);
    return sum + (own ? (own.length / 1e9) * ((span.top - span.bottom) / 1e9) : 0);
  }, 0);
  const mixed = mixOf(
    span.pour,
    said,
    { method, volume: volumes.ordered.value, face: face / SQUARE_METRES_PER_SQUARE_FOOT },
    rules,
  );
  const mix = mixed.value;
  const start = minutesOf(said.start) ?? USUAL_START;
  const darkAt = minutesOf(said.dark);
  const dark = darkAt === null ? null : darkAt - start;
  const day = dayOf(stops, { span, volumes, mix, method, dark }, setting);
  const clock = playDay(steady(day), 0);
  const watchers = input.pour?.watchers ?? {};
  const filledWalls = volumes.walls.flatMap(({ wall }) => walls.get(wall) ?? []);
  const risen = { lifts, walls: filledWalls, core, displacing, levels, openings };
  const pressed: Judged<Pressing | null, PourProblem> =
    mix.fresh && poured
      ? pressingOf({
          span,
          lifts,
          rising: memory.part(`rise of pour ${String(index)}`, [risen], () => risingOf(risen, rules)),
          heightOf: (wall) => heightIn(span, levels.walls[wall] ?? []),
          soonest: soonestReturn(stops, day, clock, walls),
          fresh: mix.fresh,
          rate: rateHow(method, rules),
          capacity: shell.family?.capacityPascals ?? null,
          rules,
        })
      : { value: null, problems: [] };
  const pressing = pressed.value;
  const capacity = pressing?.capacity ?? null;
  const tooHard: readonly PourProblem[] =
    capacity !== null && clock.pressure !== null && clock.pressure > capacity
      ? [{ kind: 'day-over-capacity', pour: span.pour, pressure: clock.pressure, capacity }]
      : [];
  const dwell = dwellOf(volumes, rateOf(method, rules), span.pour, rules);
  const stand = standOf(said, span.pour, stops, setting);
  const value: WorkedPour = {
    span,
    method,
    crew: crewOf(method, rules),
    start,
    date: said.date ?? null,
    lifts,
    slices,
    route: route.map((slice) => slice.index),
    stops,
    holes,
    volumes,
    mix,
    pressing,
    dwell: dwell.value,
    stand: stand.value,
    reach: reachOf(rules),
    moves: isMoved(method) ? stops.filter((stop) => stop.move).length : 0,
    day,
    clock,
    money: moneyOf(span.pour, { ordered: volumes.ordered, clock, method, units }, rules),
    ready: pourReady({
      ...setting,
      span,
      method,
      holes,
      watched: volumes.walls.map(({ wall, name }) => ({ wall, name, by: watchers[wall] ?? null })),
      units,
    }),
  };
  return {
    value,
    problems: [
      ...split.problems,
      ...beside.problems,
      ...filling.problems,
      ...through.problems,
      ...mixed.problems,
      ...(poured ? judgeClock(span.pour, day, clock) : []),
      ...pressed.problems,
      ...tooHard,
      ...dwell.problems,
      ...stand.problems,
      ...overChute(span, poured ? volumes.walls : [], setting),
    ],
  };
}

/**
 * Every pour of the job: its lifts, what each takes wall by wall, what is ordered with it, the mix, the pressure on the forms, the
 * clock if all goes to plan, and the list of what must be true before it starts.
 */
export function buildPour(
  ground: PourGround,
  input: PourInput,
  rules: HouseRules,
  memory: Memory = NO_MEMORY,
): Pouring {
  const { shell, levels, courses, openings, placed: inserts, stacks } = ground;
  const core = memory.part('core', [shell, courses], () => coreOf(shell, courses));
  if (courses.count === 0 || core.loops.length === 0) return { pours: [], problems: [] };
  const walls = new Map([...core.walls].map(([id, { wall }]) => [id, wall]));
  const rows = new Map<string, CourseRow[]>();
  for (const row of courses.rows) {
    const own = rows.get(row.wall);
    if (own) own.push(row);
    else rows.set(row.wall, [row]);
  }
  const setting: Setting = {
    ...ground,
    inserts,
    input,
    rules,
    memory,
    core,
    displacing: memory.part('displacing', [openings, inserts, levels], () =>
      displacingOf({ openings, inserts, levels }, rules),
    ),
    slices: slicesOf(shell, openings.placed, rules),
    walls,
    rows,
  };
  const holes: readonly PourProblem[] =
    methodOf(rules) === 'holes' && shell.family?.kind !== 'cell' ? [{ kind: 'holes-for-cells' }] : [];
  const spans = pourSpans(stacks, levels);
  const known = new Set(stacks.map((pour) => pour.id));
  const nowhere = (input.pour?.sides ?? []).flatMap((side): PourProblem[] =>
    side.pour === undefined || known.has(side.pour)
      ? []
      : [{ kind: 'side-nowhere', side: side.id, name: side.name }],
  );
  const worked = allOf(spans.map((span, index) => workedPour(span, index, setting)));
  // What holds for every pour of the job is told once.
  const told = new Set<string>();
  return {
    pours: worked.value.flatMap((pour) => pour ?? []),
    problems: [...holes, ...nowhere, ...worked.problems].filter((problem) => {
      const key = JSON.stringify(problem);
      if (told.has(key)) return false;
      told.add(key);
      return true;
    }),
  };
}

/** Every figure of the pours, for why cards. */
export const figuresOfPour = ({ pours }: Pouring): readonly Figure[] =>
  pours.flatMap(({ volumes, pressing, mix, money }) => [
    volumes.core,
    volumes.ordered,
    volumes.weight,
    ...volumes.lifts.map(({ whole }) => whole),
    ...volumes.walls.map(({ volume }) => volume),
    ...volumes.sides.map(({ volume }) => volume),
    ...volumes.whatIf.map(({ volume }) => volume),
    mix.sets,
    money,
    ...(pressing ? [pressing.rise, pressing.aci, pressing.ciria, pressing.head, pressing.liftHead] : []),
  ]);

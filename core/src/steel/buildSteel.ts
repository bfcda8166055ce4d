import type { Courses } from '../courses';
import type { Inserts } from '../inserts';
import type { Length } from '../measure';
import type { Openings } from '../openings';
import type { HouseRules } from '../rules';
import type { Levels, Shell } from '../shell';
import { type StockPattern, cutStock } from '../stock/cutStock';
import { type Figure, type How, figureOf, givenLength } from '../tally';
import type { Bar, SteelProblem } from './bar';
import { barsByCourse, cornerBars, horizontals } from './horizontals';
import { lintels } from './lintels';
import { type WallCapacity, capacityOf } from './capacity';
import { type ScheduleLine, scheduleOf } from './schedule';
import {
  type Setting,
  type SteelInput,
  type SteelWall,
  settingOf,
  sizeOf,
  slotIn,
  stockLength,
} from './setting';
import { BAR_SIZES, barSize } from './sizes';
import { lessSteel } from './laps';
import { type ClearWay, chaseFor, wayWidth } from './slots';
import { uprightBars } from './verticals';

/** How a wall's bars stand in its thickness. */
export interface WallSection {
  readonly wall: string;
  readonly slots: readonly Length[];
  readonly tension: 'inside' | 'outside' | null;
  /** Slots that are used, course by course. */
  readonly used: readonly { readonly course: number; readonly slot: number; readonly bars: number }[];
  /** The way down for the verticals. */
  readonly chase: ClearWay;
  /** Soil's bending against the verticals; null where the wall is not held at its top with soil against it. */
  readonly capacity: WallCapacity | null;
}

/** Bars to buy of one size. */
export interface StockOfSize {
  readonly size: string;
  readonly stock: Length;
  readonly lengths: readonly StockPattern[];
  /** No plan takes fewer. */
  readonly bound: number;
  readonly proved: boolean;
  readonly mass: Figure;
  /** All bars end to end, laps and all. */
  readonly total: Length;
  readonly laps: Length;
}

/** Which steel goes in before which course. */
export interface SequenceStep {
  readonly course: number;
  readonly what: readonly { readonly use: Bar['use']; readonly count: number }[];
}

export interface Steel {
  readonly bars: readonly Bar[];
  readonly schedule: readonly ScheduleLine[];
  readonly stock: readonly StockOfSize[];
  readonly mass: Figure;
  readonly sections: readonly WallSection[];
  readonly sequence: readonly SequenceStep[];
  readonly problems: readonly SteelProblem[];
}

/** Slots, tension side and chase of a wall; what blocks its verticals is told. */
function sectionOf(own: SteelWall, setting: Setting): WallSection {
  const counts = barsByCourse(own, setting);
  const used = [...counts].map(([course, bars]) => ({
    course,
    bars,
    slot: slotIn(own, course, setting.rulesIn(own.wall.id, course)),
  }));
  const cover = setting.rules.length('steel.cover.foam');
  const lying = used.map(({ course, slot }) => ({
    course,
    offset: own.slots[slot - 1] ?? (0 as Length),
    diameter: sizeOf(setting.rulesIn(own.wall.id, course).choice('steel.horizontal.size')).diameter,
  }));
  const vertical = sizeOf(setting.rulesIn(own.wall.id, 1).choice('steel.vertical.size'));
  const chase = chaseFor(own.wall.core, cover, lying, vertical.diameter);
  if (lying.length > 0 && wayWidth(chase) < vertical.diameter) {
    // Whichever bar gives most way when it is left out is the one to move.
    const [worst] = lying
      .map((bar) => ({
        course: bar.course,
        way: wayWidth(
          chaseFor(
            own.wall.core,
            cover,
            lying.filter((other) => other !== bar),
            vertical.diameter,
          ),
        ),
      }))
      .sort((a, b) => b.way - a.way);
    setting.problems.push({
      kind: 'chase-blocked',
      wall: own.wall.id,
      size: vertical.id,
      clear: wayWidth(chase),
      wants: vertical.diameter,
      course: worst?.course ?? 1,
    });
  }
  for (const bar of lying) {
    const left = (own.wall.core / 2 - Math.abs(bar.offset) - bar.diameter / 2) as Length;
    if (left < cover) {
      setting.problems.push({
        kind: 'cover-small',
        wall: own.wall.id,
        course: bar.course,
        cover: Math.round(left) as Length,
        least: cover,
      });
      break;
    }
  }
  if ((own.backfill ?? 0) > 0 && own.held === 'unsaid') {
    setting.problems.push({ kind: 'support-unsaid', wall: own.wall.id });
  }
  const capacity = capacityOf(own, chase, setting, setting.rules);
  if (capacity && capacity.share > 1) {
    setting.problems.push({ kind: 'bends-too-much', wall: own.wall.id, share: capacity.share });
  }
  return { wall: own.wall.id, slots: own.slots, tension: own.tension, used, chase, capacity };
}

/** Horizontals that run into what goes through the wall. */
function throughInserts(bars: readonly Bar[], setting: Setting): void {
  const through = setting.inserts.placed.filter((insert) => insert.round || insert.kind === 'pocket');
  for (const insert of through) {
    const { rect } = insert;
    const hit = bars.find(
      (bar) =>
        bar.use === 'horizontal' &&
        bar.wall === insert.wall &&
        bar.from < rect.to &&
        rect.from < bar.to &&
        bar.bottom > rect.bottom &&
        bar.bottom < rect.top,
    );
    if (hit && hit.course !== null) {
      setting.problems.push({
        kind: 'bar-through',
        wall: insert.wall,
        course: hit.course,
        insert: insert.name,
      });
    }
  }
}

/** Zones that put in a size of another system with less steel than the job's own. */
function substitutions(input: SteelInput, rules: HouseRules): readonly SteelProblem[] {
  return (input.steel?.zones ?? []).flatMap((zone): SteelProblem[] =>
    (['steel.horizontal.size', 'steel.vertical.size', 'steel.lintel.size'] as const).flatMap((id) => {
      const instead = zone.rules[id];
      const of = rules.choice(id);
      if (typeof instead !== 'string' || barSize(instead)?.system === barSize(of)?.system) return [];
      const share = lessSteel(instead, of);
      return share > 0.02
        ? [{ kind: 'less-steel' as const, zone: zone.name ?? zone.id, instead, of, share }]
        : [];
    }),
  );
}

/** Stock of one size for the cuts of all its bars, quickly; the proof is asked for on its own. */
function stockOf(bars: readonly Bar[], sizeId: string, stock: Length): StockOfSize {
  const own = bars.filter((bar) => bar.size === sizeId);
  const cuts = new Map<Length, number>();
  for (const bar of own) cuts.set(bar.cut, (cuts.get(bar.cut) ?? 0) + bar.count);
  const reading = cutStock(
    [...cuts].map(([length, count]) => ({ length, count })),
    stock,
    0,
    'quick',
  );
  const plan = reading.ok ? reading.plan : { pieces: [], bound: 0, proved: false };
  const total = own.reduce((sum, bar) => sum + bar.cut * bar.count, 0) as Length;
  const laps = own.reduce((sum, bar) => sum + bar.laps.after * bar.count, 0) as Length;
  const size = sizeOf(sizeId);
  const how: How = {
    op: 'product',
    name: sizeId,
    unit: 'mass',
    of: [
      givenLength('all bars, laps and all', total),
      { op: 'given', name: 'kilograms a metre', unit: 'ratio', value: size.massPerMetre },
    ],
  };
  return {
    size: sizeId,
    stock,
    lengths: plan.pieces,
    bound: plan.bound,
    proved: plan.proved,
    mass: figureOf(`steel.${sizeId}.mass`, `Steel of ${sizeId}`, how, ['steel.lap'], {}),
    total,
    laps,
  };
}

/** Counts by course and use, lintels before the course over the head, verticals when the top is near. */
function sequenceOf(bars: readonly Bar[], courses: number): readonly SequenceStep[] {
  const steps = new Map<number, Map<Bar['use'], number>>();
  for (const bar of bars) {
    // Those that stand are dropped in one course below the top.
    const course = bar.course ?? Math.max(1, courses - 1);
    const step = steps.get(course) ?? new Map<Bar['use'], number>();
    steps.set(course, step);
    step.set(bar.use, (step.get(bar.use) ?? 0) + bar.count);
  }
  return [...steps]
    .sort(([a], [b]) => a - b)
    .map(([course, counts]) => ({
      course,
      what: [...counts].map(([use, count]) => ({ use, count })),
    }));
}

/**
 * Every bar of every wall by the rules that hold there: horizontals in their slots, cut by openings, lapped and carried round
 * corners; verticals and dowels clear of webs; jambs, lintels and stirrups. The drawings or the engineer decide sizes and
 * spacings; this lays them out, counts and cuts them.
 */
export function buildSteel(
  shell: Shell,
  levels: Levels,
  courses: Courses,
  inserts: Inserts,
  openings: Openings,
  input: SteelInput,
  rules: HouseRules,
): Steel {
  const setting = settingOf(shell, levels, courses, inserts, openings.placed, input, rules);
  const stock = stockLength(rules);
  const sections = courses.count === 0 ? [] : setting.walls.map((own) => sectionOf(own, setting));
  const chases = new Map(
    sections.map(({ wall, chase }) => [wall, Math.round((chase.from + chase.to) / 2) as Length]),
  );
  for (const size of BAR_SIZES) {
    const lap = setting.lapOf(size);
    const inUse = ['steel.horizontal.size', 'steel.vertical.size'] as const;
    if (lap >= stock && inUse.some((id) => rules.choice(id) === size.id)) {
      setting.problems.push({ kind: 'lap-longer-than-stock', size: size.id, lap, stock });
    }
  }
  if (
    setting.walls.some((own) => own.slots.length < 3) &&
    rules.choice('steel.horizontal.slots') !== 'centred'
  ) {
    setting.problems.push({ kind: 'few-slots', slots: setting.walls[0]?.slots.length ?? 0 });
  }
  for (const own of setting.walls) {
    const spacing = setting.rulesIn(own.wall.id, 1).length('steel.vertical.spacing');
    if (spacing > own.wall.length) {
      setting.problems.push({ kind: 'spacing-wide', wall: own.wall.id, spacing, length: own.wall.length });
    }
  }
  const lying = courses.count === 0 ? [] : [...horizontals(setting), ...cornerBars(setting)];
  throughInserts(lying, setting);
  const bars: readonly Bar[] =
    courses.count === 0
      ? []
      : [
          ...lying,
          ...setting.walls.flatMap((own) => [
            ...uprightBars(own, chases.get(own.wall.id) ?? (0 as Length), setting),
            ...lintels(own, setting),
          ]),
        ];
  const sizes = BAR_SIZES.map(({ id }) => id).filter((id) => bars.some((bar) => bar.size === id));
  const bySize = sizes.map((size) => stockOf(bars, size, stock));
  return {
    bars,
    schedule: scheduleOf(bars),
    stock: bySize,
    mass: figureOf(
      'steel.mass',
      'Steel of the job',
      { op: 'sum', name: 'sizes', unit: 'mass', of: bySize.map(({ mass }) => mass.how) },
      [],
      {},
    ),
    sections,
    sequence: sequenceOf(bars, courses.count),
    problems: [...setting.problems, ...substitutions(input, rules)],
  };
}

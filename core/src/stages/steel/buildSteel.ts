import type { Worked } from '../../kernel/engine/stage';
import { type Length, half, abs, subtract, nanometres, ZERO } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import type { Bar, SteelProblem } from './bar';
import { dowelBars } from './dowels';
import { cornerBars } from './corners';
import { horizontals } from './horizontals';
import { judgePlaced } from './judge';
import { ledgeBars } from './ledges';
import { lintels } from './lintels';
import { type Lying, lyingOf } from './lying';
import { type WallCapacity, capacityOf } from './capacity';
import type { TablePick } from './reinforcementTable';
import { type ScheduleLine, scheduleOf } from './schedule';
import {
  type CastPour,
  type Setting,
  type SteelInput,
  type SteelWall,
  settingOf,
  sizeOf,
  stockLength,
} from './setting';
import { BAR_SIZES, barSize } from './sizes';
import { lessSteel } from './laps';
import { type ClearWay, chaseFor, wayWidth } from './slots';
import { type StockOfSize, stockOfSize } from './stockOfSize';
import { type SequenceStep, sequenceOf } from './sequence';
import { teeBars } from './tees';
import { uprightBars } from './verticals';

/** How a wall's bars stand in its thickness. */
export interface WallSection {
  readonly wall: string;
  readonly slots: readonly Length[];
  readonly tension: 'inside' | 'outside' | null;
  /** Slots that are used, course by course. */
  readonly used: readonly Pick<Lying, 'course' | 'slots'>[];
  /** The way down for the verticals. */
  readonly chase: ClearWay;
  /** Soil's bending against the verticals; null where the wall is not held at its top with soil against it. */
  readonly capacity: WallCapacity | null;
}

export interface Steel {
  readonly picks: readonly TablePick[];
  readonly pours: readonly Pick<CastPour, 'fromCourse' | 'toCourse'>[];
  readonly bars: readonly Bar[];
  readonly schedule: readonly ScheduleLine[];
  readonly stock: readonly StockOfSize[];
  readonly mass: Figure;
  readonly sections: readonly WallSection[];
  readonly sequence: readonly SequenceStep[];
  readonly problems: readonly SteelProblem[];
}

/** Slots, tension side and chase of a wall; what blocks its verticals is told. */
function sectionOf(own: SteelWall, courses: readonly Lying[], setting: Setting): WallSection {
  const used = courses.map(({ course, slots }) => ({ course, slots }));
  const cover = setting.rules.length('steel.cover.foam');
  const lying = courses.flatMap(({ course, offsets, size }) =>
    offsets.map((offset) => ({ course, offset, diameter: size.diameter })),
  );
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
    const left = subtract(subtract(half(own.wall.core), abs(bar.offset)), half(bar.diameter));
    if (left < cover) {
      setting.problems.push({
        kind: 'cover-small',
        wall: own.wall.id,
        course: bar.course,
        cover: nanometres(left),
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

/**
 * Every bar of every wall by the rules that hold there: horizontals in their slots, cut by openings, lapped and carried round
 * corners; verticals and dowels clear of webs; jambs, lintels and stirrups. The drawings or the engineer decide sizes and
 * spacings; this lays them out, counts and cuts them.
 */
export function buildSteel(
  {
    shell,
    levels,
    courses,
    placed: inserts,
    openings,
    stacks,
  }: Pick<Worked, 'shell' | 'levels' | 'courses' | 'placed' | 'openings' | 'stacks'>,
  plan: SteelInput,
  rules: HouseRules,
): Steel {
  const setting = settingOf(
    { shell, levels, courses, inserts, openings: openings.placed, stacks },
    plan,
    rules,
  );
  const stock = stockLength(rules);
  const all = courses.count === 0 ? new Map<string, readonly Lying[]>() : lyingOf(setting);
  const sections =
    courses.count === 0
      ? []
      : setting.walls.map((own) => sectionOf(own, all.get(own.wall.id) ?? [], setting));
  const chases = new Map(sections.map(({ wall, chase }) => [wall, nanometres((chase.from + chase.to) / 2)]));
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
  const lying =
    courses.count === 0
      ? []
      : [...horizontals(all, setting), ...cornerBars(all, setting), ...teeBars(all, setting)];
  const bars: readonly Bar[] =
    courses.count === 0
      ? []
      : [
          ...lying,
          ...setting.walls.flatMap((own) => {
            const chase = chases.get(own.wall.id) ?? ZERO;
            const standing = uprightBars(own, chase, setting);
            return [
              ...dowelBars(own, standing, chase, setting),
              ...standing,
              ...lintels(own, setting),
              ...ledgeBars(own, setting),
            ];
          }),
        ];
  judgePlaced(bars, all, setting);
  const sizes = BAR_SIZES.map(({ id }) => id).filter((id) => bars.some((bar) => bar.size === id));
  const bySize = sizes.map((size) => stockOfSize(bars, size, stock, setting.problems));
  return {
    picks: setting.picks,
    pours: setting.pours.map(({ fromCourse, toCourse }) => ({ fromCourse, toCourse })),
    bars,
    schedule: scheduleOf(bars),
    stock: bySize,
    mass: figureOf({
      id: 'steel.mass',
      title: 'Steel of the job',
      how: { op: 'sum', name: 'sizes', unit: 'mass', of: bySize.map(({ mass }) => mass.how) },
      rules: [],
      pieces: {},
    }),
    sections,
    sequence: sequenceOf(bars),
    problems: [...setting.problems, ...substitutions(plan, rules)],
  };
}

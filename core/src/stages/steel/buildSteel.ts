import { type Memory, NO_MEMORY } from '../../kernel/engine/memory';
import type { Worked } from '../../kernel/engine/stage';
import { type Length, half, abs, subtract, nanometres, ZERO } from '../../kernel/measure';
import { type Judged, allOf, fine, flatOf } from '../../kernel/judged';
import type { HouseRules } from '../../kernel/rules';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import type { Bar, SteelProblem } from './bar';
import { dowelBars } from './dowels';
import { type LyingByWall, cornerBars } from './corners';
import { horizontals } from './horizontals';
import { judgePlaced } from './judge';
import { ledgeBars } from './ledges';
import { lintels } from './lintels';
import { type Lying, leftInJoints, lyingOf } from './lying';
import { type WallCapacity, capacityOf } from './capacity';
import type { TablePick } from './reinforcementTable';
import { type ScheduleLine, scheduleOf } from './schedule';
import { type CastPour, type Setting, type SteelInput, type SteelWall, settingOf, sizeOf } from './setting';
import { type BarSize, BAR_SIZES, barSize } from './sizes';
import { lessSteel } from './laps';
import { type ClearWay, chaseFor, wayWidth } from './slots';
import { type StockOfSize, stockOfSize } from './stockOfSize';
import { type SequenceStep, sequenceOf } from './sequence';
import { teeBars } from './tees';
import { tongueBars } from './tongues';
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

/** A horizontal in its course: how far it lies off the middle of the core, and how thick it is. */
interface LyingBar {
  readonly course: number;
  readonly offset: Length;
  readonly diameter: Length;
}

/** What blocks the verticals' way down: the course whose bar gives most way when it is left out. */
function chaseBlocked(
  own: SteelWall,
  lying: readonly LyingBar[],
  vertical: BarSize,
  cover: Length,
): readonly SteelProblem[] {
  const chaseOf = (bars: readonly LyingBar[]): Length =>
    wayWidth(chaseFor(own.wall.core, cover, bars, vertical.diameter));
  const clear = chaseOf(lying);
  if (lying.length === 0 || clear >= vertical.diameter) return [];
  const [worst] = lying
    .map((bar) => ({ course: bar.course, way: chaseOf(lying.filter((other) => other !== bar)) }))
    .sort((a, b) => b.way - a.way);
  const course = worst?.course ?? 1;
  return [
    {
      kind: 'chase-blocked',
      wall: own.wall.id,
      size: vertical.id,
      clear,
      wants: vertical.diameter,
      course,
    },
  ];
}

/** The first bar of a wall that has less than its cover to the foam. */
function coverSmall(own: SteelWall, lying: readonly LyingBar[], least: Length): readonly SteelProblem[] {
  const coverOf = ({ offset, diameter }: LyingBar): Length =>
    nanometres(subtract(subtract(half(own.wall.core), abs(offset)), half(diameter)));
  const bar = lying.find((each) => coverOf(each) < least);
  return bar
    ? [{ kind: 'cover-small', wall: own.wall.id, course: bar.course, cover: coverOf(bar), least }]
    : [];
}

/** Slots, tension side and chase of a wall; what blocks its verticals is told. */
function sectionOf(
  own: SteelWall,
  courses: readonly Lying[],
  setting: Setting,
): Judged<WallSection, SteelProblem> {
  const cover = setting.rules.length('steel.cover.foam');
  const lying = courses.flatMap(({ course, offsets, size }) =>
    offsets.map((offset) => ({ course, offset, diameter: size.diameter })),
  );
  const vertical = sizeOf(setting.rulesIn(own.wall.id, 1).choice('steel.vertical.size'));
  const chase = chaseFor(own.wall.core, cover, lying, vertical.diameter);
  const capacity = capacityOf(own, chase, setting, setting.rules);
  const unsaid = (own.backfill ?? 0) > 0 && own.held === 'unsaid';
  return {
    value: {
      wall: own.wall.id,
      slots: own.slots,
      tension: own.tension,
      used: courses.map(({ course, slots }) => ({ course, slots })),
      chase,
      capacity,
    },
    problems: [
      ...chaseBlocked(own, lying, vertical, cover),
      ...coverSmall(own, lying, cover),
      ...(unsaid ? [{ kind: 'support-unsaid', wall: own.wall.id } as const] : []),
      ...(capacity && capacity.share > 1
        ? [{ kind: 'bends-too-much', wall: own.wall.id, share: capacity.share } as const]
        : []),
    ],
  };
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

/** 28 MPa is 4061 psi, and sold as 4000 psi: a share of the strength that only the round figure takes. [ours] */
const ROUND_FIGURE = 0.98;

/** What is to be said of a mix that is ordered weaker than what follows from its strength counts on. */
function judgeMix(rules: HouseRules, screened: boolean): readonly SteelProblem[] {
  const counted = rules.quantity('steel.concrete.strength');
  const mix = Number(rules.choice('pour.mix.strength'));
  const matters = screened || rules.choice('steel.lap') === 'class-b';
  const least = counted * ROUND_FIGURE;
  if (!matters || mix >= least) return [];
  const rule = rules.book['pour.mix.strength'];
  const mixes = rule.type === 'choice' ? rule.choices.map(({ value }) => Number(value)) : [];
  return [{ kind: 'mix-weaker', mix, counted, enough: mixes.find((each) => each >= least) ?? null }];
}

/** What is to be said of rules that do not go together, before any bar is laid. */
function judgeRules(setting: Setting): readonly SteelProblem[] {
  const { rules, stock, walls } = setting;
  const [first] = walls;
  const inUse = (['steel.horizontal.size', 'steel.vertical.size'] as const).map((id) => rules.choice(id));
  const fewSlots =
    walls.some((own) => own.slots.length < 3) && rules.choice('steel.horizontal.slots') !== 'centred';
  return [
    ...BAR_SIZES.flatMap((size): readonly SteelProblem[] => {
      const lap = setting.lapOf(size);
      return lap >= stock && inUse.includes(size.id)
        ? [{ kind: 'lap-longer-than-stock', size: size.id, lap, stock }]
        : [];
    }),
    ...(fewSlots ? [{ kind: 'few-slots', slots: first?.slots.length ?? 0 } as const] : []),
    ...walls.flatMap(({ wall }): readonly SteelProblem[] => {
      const spacing = setting.rulesIn(wall.id, 1).length('steel.vertical.spacing');
      return spacing > wall.length
        ? [{ kind: 'spacing-wide', wall: wall.id, spacing, length: wall.length }]
        : [];
    }),
  ];
}

/** Bars that stand in a wall or belong to its openings and ledges. */
function standingIn(own: SteelWall, chase: Length, setting: Setting): Judged<readonly Bar[], SteelProblem> {
  const standing = uprightBars(own, chase, setting);
  return flatOf([
    dowelBars(own, standing.value, chase, setting),
    standing,
    lintels(own, setting),
    fine(ledgeBars(own, setting)),
    fine(tongueBars(own, setting)),
  ]);
}

/** All that the horizontals of a wall go by: themselves, and the walls that they meet at its end and its tees. */
function metBy(own: SteelWall, setting: Setting): readonly SteelWall[] {
  const { tees } = own.built;
  const next = own.built.corners.find((corner) => corner.wallBefore === own.wall.id)?.wallAfter;
  const met = [own.wall.id, next, tees.start?.wall, tees.end?.wall];
  return setting.walls.filter(({ wall }) => met.includes(wall.id));
}

/** The bars of every wall, each made again only where something that it goes by has changed. */
function barsOf(
  sections: readonly WallSection[],
  all: LyingByWall,
  setting: Setting,
  memory: Memory,
): Judged<readonly Bar[], SteelProblem> {
  const chases = new Map(sections.map(({ wall, chase }) => [wall, nanometres((chase.from + chase.to) / 2)]));
  const { common, crossings } = setting;
  return flatOf([
    ...setting.walls.map((own) => {
      const met = metBy(own, setting);
      const lying = met.map(({ wall }) => all.get(wall.id));
      return memory.part(`lying in ${own.wall.id}`, [own.wall.id, met, lying, crossings, common], () =>
        horizontals(own, all, setting),
      );
    }),
    cornerBars(all, setting),
    teeBars(all, setting),
    ...setting.walls.map((own) => {
      const chase = chases.get(own.wall.id) ?? ZERO;
      return memory.part(`standing in ${own.wall.id}`, [own, chase, common], () =>
        standingIn(own, chase, setting),
      );
    }),
  ]);
}

/** What is said of the same thing in several walls is said once. */
function once(problems: readonly SteelProblem[]): readonly SteelProblem[] {
  const told = new Set<string>();
  return problems.filter((each) => {
    if (each.kind !== 'stands-short') return true;
    const key = [each.course, each.out, each.lap].join();
    if (told.has(key)) return false;
    told.add(key);
    return true;
  });
}

/**
 * Every bar of every wall by the rules that hold there: horizontals in their slots, cut by openings, lapped and carried round
 * corners; verticals and dowels clear of webs; jambs, lintels and stirrups. The drawings or the engineer decide sizes and
 * spacings; this lays them out, counts and cuts them.
 *
 * @example buildSteel(work(plan), plan, rules).bars.some(({ use }) => use === 'dowel') // true
 */
export function buildSteel(
  {
    shell,
    levels,
    courses,
    placed: inserts,
    openings,
    stacks,
    ground,
  }: Pick<Worked, 'shell' | 'levels' | 'courses' | 'placed' | 'openings' | 'stacks' | 'ground'>,
  plan: SteelInput,
  rules: HouseRules,
  memory: Memory = NO_MEMORY,
): Steel {
  const { value: setting, problems: inSetting } = settingOf(
    { shell, levels, courses, inserts, openings: openings.placed, stacks, filled: ground.after },
    plan,
    rules,
  );
  const laid = courses.count > 0;
  const all: LyingByWall = laid ? lyingOf(setting) : new Map<string, readonly Lying[]>();
  const sections = allOf(
    laid ? setting.walls.map((own) => sectionOf(own, all.get(own.wall.id) ?? [], setting)) : [],
  );
  const { value: bars, problems: inBars } = laid
    ? barsOf(sections.value, all, setting, memory)
    : fine<readonly Bar[]>([]);
  const used = new Set(bars.map((bar) => bar.size));
  const sizes = BAR_SIZES.map(({ id }) => id).filter((id) => used.has(id));
  const bySize = allOf(sizes.map((size) => stockOfSize(bars, size, setting.stock)));
  return {
    picks: setting.picks,
    pours: setting.pours.map(({ fromCourse, toCourse }) => ({ fromCourse, toCourse })),
    bars,
    schedule: scheduleOf(bars),
    stock: bySize.value,
    mass: figureOf({
      id: 'steel.mass',
      title: 'Steel of the job',
      how: { op: 'sum', name: 'sizes', unit: 'mass', of: bySize.value.map(({ mass }) => mass.how) },
      rules: [],
      pieces: {},
    }),
    sections: sections.value,
    sequence: sequenceOf(bars),
    problems: [
      ...inSetting,
      ...sections.problems,
      ...(laid ? leftInJoints(setting).map((course) => ({ kind: 'left-in-joint' as const, course })) : []),
      ...judgeRules(setting),
      ...judgeMix(
        rules,
        sections.value.some(({ capacity }) => capacity !== null),
      ),
      ...once(inBars),
      ...(laid ? judgePlaced(bars, all, setting, inBars) : []),
      ...bySize.problems,
      ...substitutions(plan, rules),
    ],
  };
}

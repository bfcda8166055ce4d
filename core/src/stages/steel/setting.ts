import { type HouseRules, type RuleOverrides, isRuleId } from '../../kernel/rules';
import type { Pour } from '../outline/plan';
import { type CourseRow, type Courses, websByWall } from '../courses';
import type { Inserts, PlacedInsert } from '../inserts';
import { type Length, inches, readLength, ZERO, max, min } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { Judged } from '../../kernel/judged';
import type { Plan } from '../../kernel/plan';
import {
  type BuiltLoop,
  type Crossing,
  type GroundByWall,
  type HeightSpan,
  type Levels,
  type Shell,
  type Wall,
  crossingsOf,
  middleOfCourse,
  soilAgainst,
} from '../outline';
import type { SteelProblem } from './bar';
import type { Cutting } from './cut';
import { type LapBasis, lapBasis, lapLength, lapOfTwo } from './laps';
import { type TablePick, pickRows, verticalsOf } from './reinforcementTable';
import { type BarSize, BAR_SIZES, barSize } from './sizes';
import { type Held, slotOffsets, tensionSide } from './slots';

/** What the steel is worked from. */
export type SteelInput = Pick<Plan, 'units' | 'steel'>;

/** What was worked before the steel. */
interface Before {
  readonly shell: Shell;
  readonly levels: Levels;
  readonly courses: Courses;
  readonly inserts: Inserts;
  readonly openings: readonly PlacedOpening[];
  readonly stacks: readonly Pour[];
  /** The ground beside the walls when everything is filled. */
  readonly filled: GroundByWall;
}

/** A wall as its steel sees it. */
export interface SteelWall {
  readonly wall: Wall;
  readonly built: BuiltLoop;
  readonly openings: readonly PlacedOpening[];
  readonly inserts: readonly PlacedInsert[];
  /** Stretches of it between its footing and its top. */
  readonly spans: readonly HeightSpan[];
  readonly slots: readonly Length[];
  /** Its rows, the lowest course first. */
  readonly rows: readonly CourseRow[];
  /** Middles of all its webs, in any course. */
  readonly webs: readonly Length[];
  /** The courses that have a web there. */
  readonly coursesOfWebs: ReadonlyMap<Length, ReadonlySet<number>>;
  /** Soil against it, above its footing; null where nobody has said. */
  readonly backfill: Length | null;
  readonly held: Held;
  readonly tension: 'inside' | 'outside' | null;
}

/** One pour of walls, cast in one go. */
export interface CastPour {
  readonly fromCourse: number;
  readonly toCourse: number;
  readonly top: Length;
}

/** Everything that placing bars looks up. */
export interface Setting extends Cutting {
  readonly shell: Shell;
  readonly levels: Levels;
  readonly courses: Courses;
  readonly inserts: Inserts;
  readonly crossings: readonly Crossing[];
  readonly stacks: readonly Pour[];
  readonly walls: readonly SteelWall[];
  /** The rules that hold in a wall and a course. */
  readonly rulesIn: (wall: string, course: number) => HouseRules;
  /** The rules of the lintel over an opening, in the course above its head. */
  readonly rulesOver: (opening: PlacedOpening, course: number) => HouseRules;
  readonly rules: HouseRules;
  readonly lapOf: (size: BarSize, top?: boolean) => Length;
  /** Lap of two bars that may differ in size. */
  readonly lapOfTwo: (a: BarSize, b: BarSize, top?: boolean) => Length;
  /** Pours from the footing up: their courses, and the height at which each ends; the last one runs to the walls' tops. */
  readonly pours: readonly CastPour[];
  /** The row of the reinforcement table that each wall takes; none where there is no table. */
  readonly picks: readonly TablePick[];
  /** What the bars of any wall go by besides the wall itself and the house rules: they are others where one of it is. */
  readonly common: readonly unknown[];
}

/** An opening as bars see it: where the wall is held down under it, the concrete ends that much lower. */
const withNotch = (opening: PlacedOpening): PlacedOpening => {
  const notch = opening.threshold?.notch;
  return notch ? { ...opening, concrete: { ...opening.concrete, bottom: notch.bottom } } : opening;
};

/** The size that a rule names; every choice is a size, and the first of them stands in should one ever not be. */
export const sizeOf = (id: string): BarSize => barSize(id) ?? (BAR_SIZES[0] as BarSize);

const STOCK: Readonly<Record<string, string>> = {
  '20ft': '20ft',
  '40ft': '40ft',
  '60ft': '60ft',
  '6m': '6000mm',
  '12m': '12000mm',
};

/** Length of a stock bar. */
function stockLength(rules: HouseRules): Length {
  const reading = readLength(STOCK[rules.choice('steel.stock')] ?? '20ft', 'imperial');
  return reading.ok ? reading.length : ZERO;
}

/** Largest stone by the mix card's choice, in inches. */
const STONE_INCHES: Readonly<Record<string, number>> = { '3/8': 3 / 8, '1/2': 1 / 2, '3/4': 3 / 4 };

/**
 * Least clear way between parallel bars: the rule's inch, the bar's diameter and 4/3 of the largest stone, whichever is most.
 * [ACI 318-19 §25.2.1; from memory]
 */
export const clearBetween = (rules: HouseRules, diameter: Length): Length =>
  max(
    rules.length('steel.bar.clear'),
    diameter,
    inches((4 / 3) * (STONE_INCHES[rules.choice('pour.mix.stone')] ?? 0)),
  );

/** The pours that lay any course; the last one takes all that is above it. One that stops in mid-block ends at its concrete. */
function poursOf(stacks: readonly Pour[], levels: Levels, courses: number): readonly CastPour[] {
  const below = stacks.filter(({ toCourse }) => toCourse > 0 && toCourse < courses);
  const tops = [...new Set([...below.map(({ toCourse }) => toCourse), courses])].sort((a, b) => a - b);
  const halves = new Set(below.filter(({ top }) => top === 'half').map(({ toCourse }) => toCourse));
  const topOf = (course: number): Length =>
    halves.has(course) ? middleOfCourse(levels.tops, course) : (levels.tops[course] ?? ZERO);
  return tops.map((toCourse, index) => ({
    fromCourse: (tops[index - 1] ?? 0) + 1,
    toCourse,
    top: index === tops.length - 1 ? (Infinity as Length) : topOf(toCourse),
  }));
}

/** Rows of a wall as far as their whole course stands under a sloping top: what is cut to the slope holds no bars of its own. */
function underRake(rows: readonly CourseRow[], spans: readonly HeightSpan[]): readonly CourseRow[] {
  if (!spans.some(({ cut }) => cut)) return rows;
  return rows.flatMap((row) => {
    const parts: CourseRow[] = [];
    for (const span of spans) {
      const [from, to] = [max(row.from, span.from), min(row.to, span.to)];
      if (to <= from || span.top < row.top) continue;
      const last = parts.at(-1);
      if (last?.to === from) parts[parts.length - 1] = { ...last, to, end: to === row.to ? row.end : 'rake' };
      else {
        parts.push({
          ...row,
          from,
          to,
          start: from === row.from ? row.start : 'rake',
          end: to === row.to ? row.end : 'rake',
          whole: false,
        });
      }
    }
    const [only] = parts;
    return parts.length === 1 && only?.from === row.from && only.to === row.to ? [row] : parts;
  });
}

/** Everything that placing the bars of a job looks up. */
export function settingOf(
  { shell, levels, courses, inserts, openings, stacks, filled }: Before,
  input: SteelInput,
  rules: HouseRules,
): Judged<Setting, SteelProblem> {
  const zones = input.steel?.zones ?? [];
  const refusedIn = (zone: string, own: RuleOverrides): readonly SteelProblem[] =>
    rules.with(own).refused.map(({ id }) => ({
      kind: 'zone-rule-refused',
      zone,
      rule: id,
      statement: isRuleId(rules.book, id) ? rules.book[id].statement : null,
    }));
  const refused = [
    ...zones.flatMap((zone) => refusedIn(zone.name ?? zone.id, zone.rules)),
    ...openings.flatMap(({ name, lintel }) => refusedIn(name, lintel ?? {})),
  ];
  const basis: LapBasis = lapBasis(rules);
  const { family } = shell;
  const webs = websByWall(shell, courses);
  const rows = new Map<string, CourseRow[]>();
  for (const row of [...courses.rows].sort((a, b) => a.course - b.course || a.from - b.from)) {
    const own = rows.get(row.wall);
    if (own) own.push(row);
    else rows.set(row.wall, [row]);
  }
  const soils = Object.entries(input.steel?.walls ?? {}).flatMap(([wall, { backfill: text }]) =>
    text === undefined ? [] : [{ wall, text, reading: readLength(text, input.units) }],
  );
  const walls = shell.loops.flatMap(({ built }): SteelWall[] =>
    (built?.walls ?? []).flatMap((wall): SteelWall[] => {
      if (!built || !family) return [];
      const soil = input.steel?.walls?.[wall.id];
      const reading = soils.find((each) => each.wall === wall.id)?.reading;
      const spans = levels.walls[wall.id] ?? [];
      const footing = min(...spans.map(({ bottom }) => bottom));
      const ground = filled[wall.id];
      const fromGround = ground && spans.length > 0 ? soilAgainst(ground, footing) : null;
      const backfill = reading?.ok ? reading.length : fromGround;
      const held = soil?.held ?? 'unsaid';
      return [
        {
          wall,
          built,
          openings: openings.filter((each) => each.worked && each.wall === wall.id).map(withNotch),
          inserts: inserts.placed.filter((each) => each.wall === wall.id),
          spans,
          slots: slotOffsets(family, wall.core, rules),
          rows: underRake(rows.get(wall.id) ?? [], spans),
          webs: [...(webs.get(wall.id)?.keys() ?? [])].sort((a, b) => a - b),
          coursesOfWebs: webs.get(wall.id) ?? new Map<Length, ReadonlySet<number>>(),
          backfill,
          held,
          tension: tensionSide(held, (backfill ?? 0) > 0),
        },
      ];
    }),
  );
  const standing = new Set(walls.map(({ wall }) => wall.id));
  const unreadable = soils
    .filter(({ wall, reading }) => !reading.ok && standing.has(wall))
    .map(({ wall, text }): SteelProblem => ({ kind: 'backfill-unreadable', wall, text }));
  const picks = pickRows({ table: input.steel?.table, walls, rules, units: input.units });
  const fromTable = new Map(
    picks.value.flatMap(({ wall, row }) => (row ? [[wall, verticalsOf(row)] as const] : [])),
  );
  // Rules of a wall and a course: the job's, those of its row of the table, those of its zone. Alike ones are one object.
  const known = new Map<string, HouseRules>();
  const byPlace = new Map<string, HouseRules>();
  const rulesFor = (wall: string, course: number, own?: RuleOverrides): HouseRules => {
    const row = fromTable.get(wall);
    const zone = zones.findLastIndex(
      (each) =>
        (each.walls === undefined || each.walls.includes(wall)) &&
        course >= (each.fromCourse ?? 1) &&
        course <= (each.toCourse ?? Infinity),
    );
    if (row === undefined && zone < 0 && own === undefined) return rules;
    // Two lookups, since writing out what a row asks for takes longer than finding its rules.
    const place = own === undefined ? `${wall}:${String(zone)}` : null;
    const here = place === null ? undefined : byPlace.get(place);
    if (here) return here;
    const key = `${JSON.stringify(row)}:${String(zone)}:${JSON.stringify(own)}`;
    const found = known.get(key) ?? rules.with({ ...row, ...(zones[zone]?.rules ?? {}), ...own });
    known.set(key, found);
    if (place !== null) byPlace.set(place, found);
    return found;
  };
  const pours = poursOf(stacks, levels, courses.count);
  const stock = stockLength(rules);
  const cutStep = rules.length('steel.cut.step');
  const setting: Setting = {
    picks: picks.value,
    shell,
    levels,
    courses,
    inserts,
    crossings: crossingsOf(shell),
    stacks,
    walls,
    rules,
    rulesIn: (wall, course) => rulesFor(wall, course),
    rulesOver: ({ wall, lintel }, course) => rulesFor(wall, course, lintel),
    lapOf: (size, top = false) => lapLength(size, basis, top),
    lapOfTwo: (a, b, top = false) => lapOfTwo(a, b, basis, top),
    pours,
    stock,
    cutStep,
    common: [
      levels.tops,
      courses.count,
      courses.courseHeight,
      family,
      stacks,
      pours,
      zones,
      picks.value,
      basis,
      stock,
      cutStep,
    ],
  };
  return { value: setting, problems: [...refused, ...unreadable, ...picks.problems] };
}

/** What is told of bars that stand out of a joint, or of the footing, by less than a lap. */
export const standsShort = (course: number, out: Length, lap: Length): readonly SteelProblem[] =>
  out < lap ? [{ kind: 'stands-short', course, out, lap }] : [];

/** What is told of bars that find none below them near enough to lap. */
export const nothingToLap = (
  own: SteelWall,
  course: number,
  bars: number,
  gap: Length,
): readonly SteelProblem[] =>
  bars > 0 ? [{ kind: 'nothing-to-lap', wall: own.wall.id, course, bars, gap }] : [];

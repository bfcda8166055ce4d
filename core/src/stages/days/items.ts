import type { Worked } from '../../kernel/engine/stage';
import { type How, evaluate, given, givenCount, givenLength } from '../../kernel/figures/how';
import { type Length, NANOMETRES_PER_METRE, add, subtract } from '../../kernel/measure';
import {
  type CountRuleId,
  type HouseRules,
  type QuantityRuleId,
  type RuleId,
  valueOf,
} from '../../kernel/rules';
import { type PourSpan, type Wall, lengthIn, pourSpans, startsIn, wallsOf } from '../outline';
import { type PlacingMachine, machineOf } from '../pour';
import { standingIn } from '../steel';
import { boltsOfPour } from '../topoff';
import { type Effort, DAY } from './calendar';

/** What is done on a job, in the order of the trade. */
export type ItemKind =
  | 'strip'
  | 'chalk'
  | 'survey'
  | 'bucks'
  | 'course'
  | 'braces'
  | 'verticals'
  | 'inserts'
  | 'straighten'
  | 'inspection'
  | 'list'
  | 'pour'
  | 'top'
  | 'sight'
  | 'unbrace'
  | 'plates'
  | 'seal'
  | 'floor'
  | 'backfill';

/** Weather that stops work, or spoils it. */
export type Stopper = 'rain' | 'frost' | 'wind' | 'lightning';

/** Who has to be there besides the crew. */
export type Outsider = 'inspector' | `${PlacingMachine} operator` | 'plant' | 'machine operator';

/** What weather stops what. [common practice] */
const STOPS: Readonly<Partial<Record<ItemKind, readonly Stopper[]>>> = {
  chalk: ['rain'],
  course: ['wind'],
  braces: ['wind', 'lightning'],
  verticals: ['lightning'],
  straighten: ['wind'],
  pour: ['rain', 'frost', 'wind', 'lightning'],
  top: ['rain', 'frost'],
  seal: ['rain', 'frost'],
  floor: ['wind'],
  backfill: ['rain', 'frost'],
};

const NEEDS: Readonly<Partial<Record<ItemKind, readonly Outsider[]>>> = {
  inspection: ['inspector'],
  pour: ['plant'],
  backfill: ['machine operator'],
};

/** How much there is to do: a length of wall in nanometres, a face in square metres, or pieces. */
export interface ItemQuantity {
  readonly of: 'length' | 'area' | 'count';
  readonly value: number;
}

/** Something to be done, with what it takes. */
export interface WorkItem {
  /** `course:3`, `braces:pour-1`. */
  readonly id: string;
  readonly kind: ItemKind;
  readonly name: string;
  /** Of which pour; null for what is done once. */
  readonly pour: string | null;
  readonly course?: number;
  readonly quantity: ItemQuantity;
  /** Man-minutes, worked out. */
  readonly work: How;
  /** The rules that it follows from. */
  readonly rules: readonly RuleId[];
  readonly effort: Effort;
  /** What must be done before, and the least elapsed minutes since. */
  readonly after: readonly { readonly id: string; readonly wait: number }[];
  /** The day that it is booked for, `2027-04-14`; null where it follows the work. */
  readonly date: string | null;
  /** Who has to be there besides the crew. */
  readonly needs: readonly Outsider[];
  /** What weather stops it. */
  readonly stops: readonly Stopper[];
}

/** An item before it stands in its order: the crew does one after the other, besides what else it waits for. */
type Draft = Omit<WorkItem, 'after' | 'pour' | 'date' | 'needs' | 'stops'> &
  Partial<Pick<WorkItem, 'after' | 'pour' | 'date' | 'needs'>>;

/** What items are made from. */
export type ItemGround = Pick<
  Worked,
  'shell' | 'levels' | 'courses' | 'openings' | 'placed' | 'steel' | 'bracing' | 'topoff' | 'pour' | 'stacks'
>;

/** How much there is, and the man-minutes that it takes. */
type Taken = Pick<WorkItem, 'quantity' | 'work' | 'rules' | 'effort'>;

const product = (name: string, of: readonly How[]): How => ({ op: 'product', name, unit: 'duration', of });

/** Work in the hours of the crew. */
const inHours = (quantity: ItemQuantity, work: How, rules: readonly RuleId[]): Taken => ({
  quantity,
  work,
  rules,
  effort: { kind: 'work', manMinutes: evaluate(work) },
});

/** Work that takes so much a metre of wall. */
function along(length: Length, rule: QuantityRuleId, rules: HouseRules): Taken {
  const work = product('along the walls', [
    givenLength('length', length),
    given('work a length', 'work-along', rules.quantity(rule)),
  ]);
  return inHours({ of: 'length', value: length }, work, [rule]);
}

/** Work that takes so much a piece. */
function apiece(name: string, count: number, rule: CountRuleId, rules: HouseRules): Taken {
  const work = product(name, [givenCount(name, count), given('each', 'duration', rules.count(rule))]);
  return inHours({ of: 'count', value: count }, work, [rule]);
}

/** Several kinds of work in one item, which is as much as the first says. */
function together(name: string, first: Taken, others: readonly Taken[]): Taken {
  const some = [first, ...others].filter(({ work }) => evaluate(work) > 0);
  const work: How = { op: 'sum', name, unit: 'duration', of: some.map((each) => each.work) };
  return inHours(
    first.quantity,
    work,
    some.flatMap((each) => each.rules),
  );
}

/** The same, done at once after what comes before it. */
const atOnce = (taken: Taken): Taken => ({
  ...taken,
  effort: { kind: 'at-once', manMinutes: evaluate(taken.work) },
});

/** Face of the wall that stands in a course, openings and all, in square metres. */
export const faceOfCourse = ({ courses }: Pick<ItemGround, 'courses'>, course: number): number =>
  courses.rows
    .filter((row) => row.course === course)
    .reduce(
      (sum, row) =>
        sum +
        (subtract(row.to, row.from) / NANOMETRES_PER_METRE) *
          (subtract(row.top, row.bottom) / NANOMETRES_PER_METRE),
      0,
    );

/** Corners that rows come to, of any make: a mitred one has no piece of its own. */
const cornersMet = ({ loops }: Worked['shell'], rows: Worked['courses']['rows']): number =>
  loops
    .flatMap(({ built }) => built?.corners ?? [])
    .filter(
      ({ kind, wallBefore, wallAfter }) =>
        kind !== 'straight' &&
        rows.some(
          ({ wall, start, end }) =>
            (wall === wallBefore && end === 'corner') || (wall === wallAfter && start === 'corner'),
        ),
    ).length;

/** One course: the first by its length, others by their face; more at corners and openings. */
function courseTaken(ground: ItemGround, course: number, rules: HouseRules): Taken {
  const { shell, courses, openings } = ground;
  const rows = courses.rows.filter((row) => row.course === course);
  const corners = cornersMet(shell, rows);
  const cut = openings.placed.filter(
    (each) =>
      each.worked &&
      rows.some((row) => row.wall === each.wall && each.hole.bottom < row.top && each.hole.top > row.bottom),
  ).length;
  const face = faceOfCourse(ground, course);
  const laid =
    course === 1
      ? along(add(...rows.map((row) => subtract(row.to, row.from))), 'days.rate.first', rules)
      : inHours(
          { of: 'area', value: face },
          product('on the wall', [
            given('face of the course', 'area', face),
            given('work a face', 'work-on', rules.quantity('days.rate.wall')),
          ]),
          ['days.rate.wall'],
        );
  return together(`course ${String(course)}`, { ...laid, quantity: { of: 'area', value: face } }, [
    apiece('corners', corners, 'days.rate.corner', rules),
    apiece('openings cut', cut, 'days.rate.opening', rules),
  ]);
}

/** What `pourItems` goes by. */
interface PourItemsInput {
  readonly span: PourSpan;
  /** The first course that is stacked for it. */
  readonly from: number;
  readonly last: boolean;
  /** What it is called, where there are several pours. */
  readonly called: string | null;
  readonly length: Length;
  /** Of that, what may have soil against it: not the walls inside. */
  readonly toSoil: Length;
}

/** What is done for one pour, from its bucks to its backfill. */
function pourItems(
  { span, from, last, called, length, toSoil }: PourItemsInput,
  ground: ItemGround,
  rules: HouseRules,
): readonly Draft[] {
  const { shell, levels, openings, placed, steel, bracing, topoff, stacks } = ground;
  const own = { pour: span.pour };
  const at = (kind: ItemKind): string => `${kind}:${span.pour}`;
  const inPour = startsIn(span);
  const named = (name: string): string => (called === null ? name : `${name} · ${called}`);
  const item = (kind: ItemKind, name: string, taken: Taken, after?: WorkItem['after']): Draft => ({
    ...own,
    id: at(kind),
    kind,
    name: named(name),
    ...taken,
    ...(after ? { after } : {}),
  });
  const bucks = openings.placed.filter((each) => each.worked && inPour(each.hole.bottom)).length;
  // A low wall is held by diagonals instead of braces.
  const held = bracing.pours.find((each) => each.pour === span.pour)?.walls ?? [];
  const braces = held.reduce((sum, wall) => sum + wall.braces.length + wall.diagonals.length, 0);
  const bracedAt = Math.min(from - 1 + rules.count('bracing.first.courses'), span.toCourse);
  const stacked = Array.from({ length: Math.max(0, span.toCourse - from + 1) }, (_, index): Draft => {
    const course = from + index;
    const name = `Course ${String(course)}`;
    return {
      ...own,
      id: `course:${String(course)}`,
      kind: 'course',
      name,
      course,
      ...courseTaken(ground, course, rules),
    };
  });
  const uprights = standingIn(steel.bars, span).reduce((sum, { count }) => sum + count, 0);
  const inserts = placed.placed.filter(({ rect }) => inPour(rect.bottom)).length;
  const day = ground.pour.pours.find((each) => each.span.pour === span.pour);
  const minutes = day?.clock.finish ?? 0;
  const machine = day ? machineOf(day.method) : null;
  const filled = add(...wallsOf(shell).map(({ id }) => lengthIn(span, levels.walls[id] ?? [])));
  const visit = rules.count('days.inspection');
  const bolts = boltsOfPour(topoff, span.pour);
  const soil = stacks.find(({ id }) => id === span.pour)?.ground;
  const early = soil?.before === true;
  const backfill = along(toSoil, 'days.rate.backfill', rules);
  return [
    item('bucks', 'Bucks', apiece('bucks', bucks, 'days.rate.buck', rules)),
    ...stacked.filter(({ course = 0 }) => course <= bracedAt),
    item('braces', 'Braces and planks', apiece('braces', braces, 'days.rate.brace', rules)),
    ...stacked.filter(({ course = 0 }) => course > bracedAt),
    item('verticals', 'Verticals', apiece('verticals', uprights, 'days.rate.vertical', rules)),
    item('inserts', 'Inserts', apiece('inserts', inserts, 'days.rate.insert', rules)),
    ...(early ? [item('backfill', 'Backfill around the empty forms, evenly', backfill)] : []),
    item('straighten', 'Straighten', along(filled, 'days.rate.straighten', rules)),
    item(
      'inspection',
      'Inspection',
      {
        quantity: { of: 'count', value: 1 },
        work: given('work of the crew', 'duration', 0),
        rules: ['days.inspection'],
        effort: { kind: 'visit', minutes: visit },
      },
      [{ id: at('straighten'), wait: 0 }],
    ),
    item('list', 'List before the pump', apiece('lists', 1, 'days.rate.list', rules), [
      { id: at('inspection'), wait: 0 },
    ]),
    ...(day && minutes > 0
      ? [
          {
            ...own,
            id: at('pour'),
            kind: 'pour' as const,
            name: called ?? 'Pour',
            quantity: { of: 'count' as const, value: 1 },
            work: product('the pour', [
              given('time on site', 'duration', minutes),
              givenCount('people', day.crew),
            ]),
            needs: ['plant' as const, ...(machine ? [`${machine} operator` as const] : [])],
            rules: ['days.wait.stand' as const],
            effort: { kind: 'from' as const, at: day.start, minutes },
            date: day.date,
            after: [
              { id: at('list'), wait: 0 },
              { id: at('straighten'), wait: 60 * rules.count('days.wait.stand') },
            ],
          },
        ]
      : []),
    item(
      'top',
      last
        ? 'Top struck off, bolts set'
        : bolts > 0
          ? 'Top left rough for the clips, bolts set where walls end'
          : 'Top left rough, clean for the clips',
      atOnce(
        together('top', along(filled, 'days.rate.top', rules), [
          apiece('bolts', bolts, 'days.rate.bolt', rules),
        ]),
      ),
    ),
    item('sight', 'Sighted while soft', atOnce(along(filled, 'days.rate.sight', rules))),
    item('unbrace', 'Braces off, gear back', apiece('braces', braces, 'days.rate.unbrace', rules), [
      { id: at('pour'), wait: 60 * rules.count('days.wait.braces') },
    ]),
    ...(last ? [item('plates', 'Plates, ledger nuts', along(length, 'days.rate.plates', rules))] : []),
    ...(last || (soil && !early)
      ? [item('seal', 'Membrane, drain, protection', along(toSoil, 'days.rate.seal', rules))]
      : []),
    ...(last && !early
      ? [item('floor', 'Floor on, or braces in', along(length, 'days.rate.floor', rules))]
      : []),
    ...((last || soil) && !early
      ? [
          item('backfill', 'Backfill, evenly in passes', backfill, [
            { id: at('pour'), wait: DAY * rules.count('days.wait.backfill') },
          ]),
        ]
      : []),
  ];
}

/** Everything in its order: the crew's one after the other; what takes nobody any time is left out. */
function inOrder(drafts: readonly Draft[]): readonly WorkItem[] {
  const items: WorkItem[] = [];
  const known = new Set<string>();
  let crew: string | null = null;
  for (const { after: waits = [], pour = null, date = null, needs, ...draft } of drafts) {
    const booked = draft.effort.kind === 'visit';
    if (!booked && evaluate(draft.work) <= 0) continue;
    const chain =
      booked || crew === null || waits.some(({ id }) => id === crew) ? [] : [{ id: crew, wait: 0 }];
    const after = [...chain, ...waits].filter(({ id }) => known.has(id));
    items.push({
      ...draft,
      pour,
      date,
      after,
      needs: needs ?? NEEDS[draft.kind] ?? [],
      stops: STOPS[draft.kind] ?? [],
    });
    known.add(draft.id);
    if (!booked) crew = draft.id;
  }
  return items;
}

/**
 * Every item of a job, each after what it waits for. Made from the plan: nothing of it is typed.
 *
 * @example itemsOf(work(plan), rules)[0]?.id // 'strip'
 */
export function itemsOf(ground: ItemGround, rules: HouseRules): readonly WorkItem[] {
  const { shell, levels, courses, stacks } = ground;
  const walls = wallsOf(shell);
  if (walls.length === 0 || courses.count === 0) return [];
  const lengthOf = (of: readonly Wall[]): Length => add(...of.map((wall) => wall.length));
  const length = lengthOf(walls);
  const toSoil = lengthOf(
    shell.loops.flatMap(({ built }) => (!built || built.tees.start || built.tees.end ? [] : built.walls)),
  );
  const spans = pourSpans(stacks, levels);
  return inOrder([
    {
      id: 'strip',
      kind: 'strip',
      name: 'Strip the footing forms',
      ...along(length, 'days.rate.strip', rules),
    },
    { id: 'chalk', kind: 'chalk', name: 'Chalk and square', ...along(length, 'days.rate.chalk', rules) },
    { id: 'survey', kind: 'survey', name: 'Survey and shim', ...along(length, 'days.rate.survey', rules) },
    ...spans.flatMap((span, index) =>
      pourItems(
        {
          span,
          // A course that two pours share is stacked for the first of them.
          from: (spans[index - 1]?.toCourse ?? 0) + 1,
          last: index === spans.length - 1,
          called: spans.length > 1 ? span.name : null,
          length,
          toSoil,
        },
        ground,
        rules,
      ),
    ),
  ]);
}

/** Units in which the log keeps a quantity. */
const UNITS = { length: 'nm', area: 'm2', count: 'count' } as const;

/**
 * How much of an item a share of it is, as the log keeps it.
 *
 * @example quantityOfShare({ quantity: { of: 'area', value: 12 } }, 0.5).value // 6
 */
export const quantityOfShare = ({ quantity }: Pick<WorkItem, 'quantity'>, share: number) => ({
  unit: UNITS[quantity.of],
  value: quantity.value * share,
});

/** Rules that say how much work something takes. */
const isRate = (rule: RuleId): rule is Extract<RuleId, `days.rate.${string}`> =>
  rule.startsWith('days.rate.');

/**
 * The rates that an item’s work follows from, by their rule, each in its own unit: what the log keeps beside the work that it took.
 *
 * @example ratesOfItem({ work: { rules: ['days.rate.buck'] } }, rules) // { 'days.rate.buck': 75 }
 */
export const ratesOfItem = (
  { work }: { readonly work: { readonly rules: readonly RuleId[] } },
  rules: HouseRules,
): Readonly<Record<string, number>> =>
  Object.fromEntries(work.rules.filter(isRate).map((rule) => [rule, Number(valueOf(rules, rule))]));

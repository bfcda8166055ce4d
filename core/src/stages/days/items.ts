import type { Worked } from '../../kernel/engine/stage';
import { type How, evaluate, given } from '../../kernel/figures/how';
import { NANOMETRES_PER_FOOT, SQUARE_METRES_PER_SQUARE_FOOT, subtract } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type PourSpan, pourSpans, wallsOf } from '../outline';

/** What is done on a job, in the order of the trade. */
export const ITEM_KINDS = [
  'strip',
  'chalk',
  'survey',
  'bucks',
  'course',
  'braces',
  'verticals',
  'inserts',
  'straighten',
  'inspection',
  'list',
  'pour',
  'top',
  'sight',
  'unbrace',
  'seal',
  'backfill',
] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

/** Who does it: the crew, one thing after the other; or somebody who is booked. */
export type ItemBy = 'crew' | 'booked';

/** Something to be done, with what it takes. */
export interface WorkItem {
  /** `course:3`, `braces:pour-1`. */
  readonly id: string;
  readonly kind: ItemKind;
  readonly name: string;
  /** Of which pour; null for what is done once. */
  readonly pour: string | null;
  readonly course?: number;
  readonly by: ItemBy;
  /** Man-minutes, worked out; of what is booked the people who stand by. */
  readonly work: How;
  /** Working minutes where the time is given. */
  readonly minutes: number | null;
  readonly after: readonly { readonly id: string; readonly wait: number }[];
  readonly date: string | null;
}

/** What items are made from. */
export type ItemGround = Pick<
  Worked,
  'shell' | 'levels' | 'courses' | 'openings' | 'placed' | 'steel' | 'bracing' | 'topoff' | 'pour' | 'stacks'
>;

const HUNDRED_FEET = 100 * NANOMETRES_PER_FOOT;
/** An inspection takes an hour of somebody’s. [ours] */
const INSPECTION = 60;

const part = (name: string, quantity: number, each: string, minutes: number): How => ({
  op: 'product',
  name,
  unit: 'duration',
  of: [given(name, 'ratio', quantity), given(each, 'duration', minutes)],
});
const total = (name: string, of: readonly How[]): How => ({ op: 'sum', name, unit: 'duration', of });

/** Square feet of wall that stand in a course, openings and all. */
export function areaOfCourse({ courses }: Pick<ItemGround, 'courses'>, course: number): number {
  const area = courses.rows
    .filter((row) => row.course === course)
    .reduce(
      (sum, row) => sum + (subtract(row.to, row.from) / 1e9) * (subtract(row.top, row.bottom) / 1e9),
      0,
    );
  return area / SQUARE_METRES_PER_SQUARE_FOOT;
}

/** Man-minutes of one course: the first by its length, others by their face; more at corners and openings. */
function courseWork(ground: ItemGround, course: number, rules: HouseRules): How {
  const { courses, openings } = ground;
  const rows = courses.rows.filter((row) => row.course === course);
  const length = rows.reduce((sum, row) => sum + row.to - row.from, 0);
  const first = course === 1;
  const corners = courses.pieces.filter((piece) => piece.kind === 'corner' && piece.course === course).length;
  const cut = openings.placed.filter(
    (each) =>
      each.worked &&
      rows.some((row) => row.wall === each.wall && each.hole.bottom < row.top && each.hole.top > row.bottom),
  ).length;
  return total(`course ${String(course)}`, [
    first
      ? part('hundreds of feet', length / HUNDRED_FEET, 'man-minutes each', rules.count('days.rate.first'))
      : part(
          'tens of square feet',
          areaOfCourse(ground, course) / 10,
          'man-minutes each',
          rules.count('days.rate.wall'),
        ),
    ...(corners > 0
      ? [part('corners', corners, 'man-minutes a corner', rules.count('days.rate.corner'))]
      : []),
    ...(cut > 0
      ? [part('openings in it', cut, 'man-minutes an opening', rules.count('days.rate.opening'))]
      : []),
  ]);
}

/**
 * Every item of a job, each after what it waits for; the crew's one behind the other in the order of the trade. Made from the plan:
 * nothing of it is typed.
 */
export function itemsOf(ground: ItemGround, rules: HouseRules): readonly WorkItem[] {
  const { shell, levels, courses, stacks, openings, placed, steel, bracing, topoff, pour: pouring } = ground;
  const walls = wallsOf(shell);
  if (walls.length === 0 || courses.count === 0) return [];
  const round = walls.reduce((sum, wall) => sum + wall.length, 0) / HUNDRED_FEET;
  const items: WorkItem[] = [];
  let crew: string | null = null;
  const put = (
    item: Pick<WorkItem, 'id' | 'kind' | 'name' | 'pour' | 'work'> & Partial<WorkItem>,
    waits: WorkItem['after'] = [],
  ): void => {
    const { work, by = 'crew' } = item;
    if (by === 'crew' && evaluate(work) <= 0) return;
    const known = new Set(items.map(({ id }) => id));
    const chain =
      by === 'crew' && crew !== null && !waits.some(({ id }) => id === crew) ? [{ id: crew, wait: 0 }] : [];
    items.push({
      by,
      minutes: null,
      date: null,
      ...item,
      after: [...chain, ...waits].filter(({ id }) => known.has(id)),
    });
    if (by === 'crew') crew = item.id;
  };
  const byLength = (rule: Parameters<HouseRules['count']>[0]): How =>
    part('hundreds of feet of wall', round, 'man-minutes each', rules.count(rule));

  const own = { pour: null } as const;
  put({
    id: 'strip',
    kind: 'strip',
    name: 'Strip the footing forms',
    ...own,
    work: byLength('days.rate.strip'),
  });
  put({
    id: 'chalk',
    kind: 'chalk',
    name: 'Chalk and square',
    ...own,
    work: byLength('days.rate.chalk'),
  });
  put({
    id: 'survey',
    kind: 'survey',
    name: 'Survey and shim',
    ...own,
    work: byLength('days.rate.survey'),
  });

  const spans = pourSpans(stacks, levels);
  let laid = 0;
  let before: string | null = null;
  for (const [index, span] of spans.entries()) {
    const several = spans.length > 1;
    const named = (name: string): string => (several ? `${name} · ${span.name}` : name);
    const at = (kind: ItemKind): string => `${kind}:${span.pour}`;
    const worked = pouring.pours.find((each) => each.span.pour === span.pour);
    const inPour = within(span);
    const holes = openings.placed.filter((each) => each.worked && inPour(each.hole.bottom));
    const common = { pour: span.pour };
    put({
      ...common,
      id: at('bucks'),
      kind: 'bucks',
      name: named('Bucks'),
      work: part('bucks', holes.length, 'man-minutes each', rules.count('days.rate.buck')),
    });
    const up = laid + rules.count('bracing.first.courses');
    // A low wall is held by diagonals instead.
    const held = bracing.pours.find((each) => each.pour === span.pour)?.walls ?? [];
    const braces = held.reduce((sum, wall) => sum + wall.braces.length + wall.diagonals.length, 0);
    const brace = (): void => {
      put({
        ...common,
        id: at('braces'),
        kind: 'braces',
        name: named('Braces and planks'),
        work: part('braces', braces, 'man-minutes each', rules.count('days.rate.brace')),
      });
    };
    for (let course = laid + 1; course <= span.toCourse; course += 1) {
      put(
        {
          ...common,
          id: `course:${String(course)}`,
          kind: 'course',
          name: `Course ${String(course)}`,
          course,
          work: courseWork(ground, course, rules),
        },
        course === laid + 1 && before !== null ? [{ id: before, wait: 0 }] : [],
      );
      if (course === Math.min(up, span.toCourse)) brace();
    }
    laid = Math.max(laid, span.toCourse);
    const verticals = steel.bars.filter(
      (bar) => (bar.use === 'vertical' || bar.use === 'jamb') && inPour(bar.bottom),
    ).length;
    put({
      ...common,
      id: at('verticals'),
      kind: 'verticals',
      name: named('Verticals'),
      work: part('verticals', verticals, 'man-minutes each', rules.count('days.rate.vertical')),
    });
    put({
      ...common,
      id: at('inserts'),
      kind: 'inserts',
      name: named('Inserts'),
      work: part(
        'inserts',
        placed.placed.filter(({ rect }) => inPour(rect.bottom)).length,
        'man-minutes each',
        rules.count('days.rate.insert'),
      ),
    });
    put({
      ...common,
      id: at('straighten'),
      kind: 'straighten',
      name: named('Straighten'),
      work: byLength('days.rate.straighten'),
    });
    put(
      {
        ...common,
        id: at('inspection'),
        kind: 'inspection',
        name: named('Inspection'),
        by: 'booked',
        minutes: INSPECTION,
        work: given('nobody of the crew', 'duration', 0),
      },
      [{ id: at('straighten'), wait: 0 }],
    );
    put(
      {
        ...common,
        id: at('list'),
        kind: 'list',
        name: named('List before the pump'),
        work: part('lists', 1, 'man-minutes', rules.count('days.rate.list')),
      },
      [{ id: at('inspection'), wait: 0 }],
    );
    const hours = worked ? worked.clock.finish : 0;
    put(
      {
        ...common,
        id: at('pour'),
        kind: 'pour',
        name: several ? span.name : 'Pour',
        minutes: Math.max(1, hours),
        date: worked?.date ?? null,
        work: part('minutes of the pour', Math.max(1, hours), 'people', worked?.crew ?? 1),
      },
      [
        { id: at('list'), wait: 0 },
        { id: at('straighten'), wait: 60 * rules.count('days.wait.stand') },
      ],
    );
    const last = index === spans.length - 1;
    const yards = round * (100 / 3);
    put({
      ...common,
      id: at('top'),
      kind: 'top',
      name: named(last ? 'Top struck off, bolts set' : 'Top left rough, clean for the clips'),
      work: part(
        last ? 'bolts and yards of top' : 'yards of top',
        yards + (last ? topoff.bolts.value : 0),
        'man-minutes each',
        rules.count('days.rate.bolt'),
      ),
    });
    put({
      ...common,
      id: at('sight'),
      kind: 'sight',
      name: named('Sighted while soft'),
      work: byLength('days.rate.sight'),
    });
    put(
      {
        ...common,
        id: at('unbrace'),
        kind: 'unbrace',
        name: named('Braces off, gear back'),
        work: part('braces', braces, 'man-minutes each', rules.count('days.rate.unbrace')),
      },
      [{ id: at('pour'), wait: 60 * rules.count('days.wait.braces') }],
    );
    before = at('pour');
  }
  put({
    id: 'seal',
    kind: 'seal',
    name: 'Membrane, drain, protection',
    ...own,
    work: byLength('days.rate.seal'),
  });
  put(
    {
      id: 'backfill',
      kind: 'backfill',
      name: 'Backfill, evenly in passes',
      ...own,
      work: byLength('days.rate.backfill'),
    },
    before === null ? [] : [{ id: before, wait: 24 * 60 * rules.count('days.wait.backfill') }],
  );
  return items;
}

/** Whether a height lies in a pour. */
const within =
  ({ bottom, top }: PourSpan) =>
  (height: number): boolean =>
    height >= bottom && height < top;

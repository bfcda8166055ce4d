import type { Worked } from '../../kernel/engine/stage';
import type { Length, UnitSystem } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { figureOf } from '../../kernel/figures/figure';
import { type ScrewedCourses, bracesOfPour, uprightScrews } from '../bracing';
import { buildBucks } from '../bucks';
import { type Courses, planOffcuts } from '../courses';
import { systemOf } from '../../kernel/forms';
import { type Order, buildOrder } from '.';
import { edgesBetween } from '../edges';
import { pourName, pourSpans, startsIn, wallsOf } from '../outline';
import { leastUnwatched } from '../steel';
import { boltsHow, runsOfPour } from '../topoff';

/** What was worked before the order. */
type Ordered = Pick<
  Worked,
  | 'shell'
  | 'levels'
  | 'courses'
  | 'stacks'
  | 'tally'
  | 'openings'
  | 'bucks'
  | 'inserts'
  | 'footing'
  | 'steel'
  | 'bracing'
  | 'edges'
  | 'topoff'
>;

/**
 * The order of a worked plan, of the whole job or of one pour. A pour is ordered by itself: its cuts come out of its own
 * blocks, so the pours together may take a block or two more than the job in one order.
 */
export function orderFor(worked: Ordered, units: UnitSystem, rules: HouseRules, pourId?: string): Order {
  const pour = worked.tally.pours.find((each) => each.id === pourId);
  const { family } = worked.shell;
  const { stacks } = worked;
  const screwed = stacks.map(({ id, toCourse }, index): ScrewedCourses & { readonly id: string } => ({
    id,
    walls: bracesOfPour(worked.bracing, id),
    from: (stacks[index - 1]?.toCourse ?? 0) + 1,
    to: toCourse,
    ...(stacks.length > 1 ? { name: pourName(stacks, id) } : {}),
  }));
  const span = pourSpans(stacks, worked.levels).find((each) => each.pour === pour?.id);
  if (!pour || !family)
    return buildOrder(
      {
        ...worked,
        rows: worked.courses.rows,
        ledges: worked.inserts,
        openings: worked.openings.placed.filter((opening) => opening.worked),
        plates: worked.topoff.boards,
        bolts: worked.topoff.bolts,
        steel: worked.steel.stock.map(leastUnwatched),
        braceScrews: uprightScrews(screwed, rules),
      },
      rules,
      units,
    );
  const within = ({ course }: { readonly course: number }): boolean =>
    course >= pour.from && course <= pour.to;
  /** Bucks and inserts belong to the pour in which their foot lies, as in the days. */
  const starts = ({ bottom }: { readonly bottom: Length }): boolean =>
    span !== undefined && startsIn(span)(bottom);
  const openings = {
    ...worked.openings,
    placed: worked.openings.placed.filter((opening) => starts(opening.hole)),
  };
  const pieces = worked.courses.pieces.filter(within);
  const courses: Courses = {
    ...worked.courses,
    count: pour.to,
    pieces,
    rows: worked.courses.rows.filter(within),
    weakJoints: worked.courses.weakJoints.filter(within),
    offcuts: planOffcuts({
      pieces,
      walls: wallsOf(worked.shell),
      system: systemOf(family),
      rest: worked.courses.rest,
      rules,
    }),
  };
  return buildOrder(
    {
      ...worked,
      courses,
      rows: worked.courses.rows,
      ledges: worked.inserts,
      stacks: [{ id: pour.id, toCourse: pour.to, top: pour.top }],
      // The footing is cast before the first pour.
      footing: pour.from === 1 ? worked.footing : { ...worked.footing, forms: null },
      openings: worked.openings.placed.filter((opening) => opening.worked),
      bucks: buildBucks(openings, worked.shell, worked.levels, rules),
      inserts: { ...worked.inserts, placed: worked.inserts.placed.filter((insert) => starts(insert.rect)) },
      // Steel is bought for the whole job: its offcuts go from pour to pour.
      steel: [],
      plates: worked.tally.pours.at(-1)?.id === pour.id ? worked.topoff.boards : null,
      bolts: figureOf({ ...worked.topoff.bolts, how: boltsHow(runsOfPour(worked.topoff, pour.id)) }),
      edges: span ? edgesBetween(worked.edges, span, rules) : null,
      braceScrews: uprightScrews(
        screwed.filter(({ id }) => id === pour.id),
        rules,
      ),
    },
    rules,
    units,
  );
}

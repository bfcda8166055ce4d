import type { Loop } from './plan';
import { type Angle, type Length, FULL_TURN } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';
import type { HouseRules } from '../../kernel/rules';
import { buildWalls } from './buildWalls';
import { closings } from './closing';
import { cornerLetter, nameRows } from './letters';
import { distance } from '../../kernel/geometry/point';
import type { Setup } from './setup';
import type { BuiltLoop, LoopProblem, ShellLoop } from './shell';
import {
  type Leg,
  type RowProblem,
  type SettingOut,
  type Walked,
  TOO_SMALL_TO_TELL,
  clockwise,
  gapOf,
  walkLoop,
} from './walk';

/** The last wall of a walk that misses home by little, drawn home; as long as it was typed where no tape would tell the gap. */
function closeOnLastWall(walked: Walked, gap: Length): readonly Leg[] {
  const last = walked.legs.at(-1);
  const home = walked.legs[0];
  // An arc is as its radius says: what a tape cannot tell is left in its rounding.
  if (last === undefined || home === undefined || last.curve) return walked.legs;
  const length = gap < TOO_SMALL_TO_TELL ? last.length : distance(last.from, home.from);
  return [...walked.legs.slice(0, -1), { ...last, to: home.from, length }];
}

/** Rows at the end of a walk that nobody has typed yet: the walk is judged without them. */
function untypedAtEnd(loop: Loop): number {
  const lastTyped = loop.walk.findLastIndex((row) => row.length.trim() !== '' || row.curve !== undefined);
  return loop.walk.length - 1 - lastTyped;
}

/** What `layOutLoop` goes by. */
interface LayOutLoopInput {
  readonly loop: Loop;
  readonly plan: Pick<Plan, 'units' | 'measuredTo'>;
  /** The job's forms; null where they cannot be used, and then no wall stands. */
  readonly setup: Setup | null;
  readonly rules: HouseRules;
  /** The place in the alphabet of the loop's first corner. */
  readonly firstLetter: number;
  /** Where an open walk sets out, if not at the origin. */
  readonly setting?: SettingOut | undefined;
  /** The walls that an open walk's ends meet. */
  readonly tees?: BuiltLoop['tees'] | undefined;
}

/** Walks one loop, judges whether it comes home, and stands its walls up where it does. */
export function layOutLoop({
  loop,
  plan,
  setup,
  rules,
  firstLetter,
  setting,
  tees,
}: LayOutLoopInput): ShellLoop {
  const untyped = untypedAtEnd(loop);
  const rows = { ...loop, walk: loop.walk.slice(0, loop.walk.length - untyped) };
  const typed = walkLoop(rows, plan.units, rules, setting);
  const walked = loop.closed ? clockwise(typed) : typed;
  const { legs } = walked;
  const tightest = rules.length('outline.curve.tightest');
  const corners = loop.closed ? legs.length : legs.length + 1;
  const letters = Array.from({ length: corners }, (_, index) => cornerLetter(firstLetter + index));
  const waiting: readonly (RowProblem & { row: string })[] = loop.walk
    .slice(rows.walk.length)
    .map((row) => ({ kind: 'length-waiting', row: row.id }));
  const shown = {
    id: loop.id,
    ...(loop.name === undefined ? {} : { name: loop.name }),
    letters,
    rowNames: nameRows(loop, legs, loop.closed ? walked.turned : (0 as Angle), firstLetter),
  };
  const unbuilt = (problems: readonly LoopProblem[], gap: ShellLoop['gap']): ShellLoop => ({
    ...shown,
    walked: [...legs.map((leg) => leg.from), ...(legs.length > 0 ? [walked.end] : [])],
    comesHome: false,
    gap,
    problems: [...problems, ...waiting],
    built: null,
  });
  if (rows.walk.length === 0)
    return { ...unbuilt([{ kind: 'nothing-walked' }], null), problems: [{ kind: 'nothing-walked' }] };
  if (walked.problems.length > 0) return unbuilt(walked.problems, null);
  if (!loop.closed) {
    const { built, problems } = setup
      ? buildWalls({ loop, legs, letters, setup, measuredTo: plan.measuredTo, tightest, tees })
      : { built: null, problems: [] };
    return {
      ...unbuilt([{ kind: 'open' }, ...problems], null),
      comesHome: true,
      built,
    };
  }
  const gap = gapOf(walked);
  if (Math.abs(walked.turned) !== FULL_TURN) {
    return unbuilt([{ kind: 'turns', turned: walked.turned, gap, closings: closings(walked) }], gap);
  }
  const told: LoopProblem[] = typed === walked ? [] : [{ kind: 'anticlockwise' }];
  if (gap.size >= rules.length('outline.gap.closed')) {
    return unbuilt([...told, { kind: 'gap', gap, closings: closings(walked) }], gap);
  }
  const closed = gap.size > 0 ? closeOnLastWall(walked, gap.size) : legs;
  if (gap.size > 0) {
    const [before, after] = [legs.at(-1) as Leg, closed.at(-1) as Leg];
    const given = after.length === before.length ? null : after.length;
    told.push({ kind: 'gap-closed', gap, row: before.row, given });
  }
  const { built, problems } = setup
    ? buildWalls({ loop, legs: closed, letters, setup, measuredTo: plan.measuredTo, tightest })
    : { built: null, problems: [] };
  return {
    ...shown,
    walked: closed.map((leg) => leg.from),
    comesHome: true,
    gap: null,
    problems: [...told, ...problems, ...waiting],
    built,
  };
}

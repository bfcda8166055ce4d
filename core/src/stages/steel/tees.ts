import type { CourseRow } from '../courses';
import { type Length, add, nanometres, subtract, ZERO, min } from '../../kernel/measure';
import { type Judged, fine, flatOf } from '../../kernel/judged';
import type { Bar, SteelProblem } from './bar';
import { hookLeg, SQUARE, standardHook } from './bends';
import type { LyingByWall, Turned } from './corners';
import { bent } from './cut';
import type { Lying } from './lying';
import { heightIn, isTopBar, leftBeside, reachOf } from './rowBars';
import type { Setting, SteelWall } from './setting';

/** Where an inside wall's row meets the wall that runs through. */
interface TeeEnd {
  /** From the through wall's first corner; null on an arc, where only the wall is known. */
  readonly at: Length | null;
  readonly atStart: boolean;
  readonly through: SteelWall;
  /** From the near face of the through wall's core to where a bar ends at its far one, less cover. */
  readonly across: Length;
}

/** The ends of a row that meet a through wall. */
function teeEnds(own: SteelWall, row: CourseRow, setting: Setting): readonly TeeEnd[] {
  const ends = [
    { limit: row.start, atStart: true, tee: own.built.tees.start },
    { limit: row.end, atStart: false, tee: own.built.tees.end },
  ];
  const cover = setting.rulesIn(own.wall.id, row.course).length('steel.cover.end');
  return ends.flatMap(({ limit, atStart, tee }): TeeEnd[] => {
    const through = setting.walls.find((each) => each.wall.id === tee?.wall);
    if (limit !== 'tee' || !tee || !through) return [];
    const crossing = setting.crossings.find((each) => each.wall === own.wall.id && each.atStart === atStart);
    const at = crossing ? nanometres((crossing.from + crossing.to) / 2) : tee.at;
    return [{ at, atStart, through, across: subtract(through.wall.core, cover) }];
  });
}

/** What `hookedAt` goes by. */
interface HookedAtInput {
  readonly own: SteelWall;
  readonly row: CourseRow;
  readonly atStart: boolean;
  readonly size: Lying['size'];
  readonly setting: Setting;
}

/** How the bars of a row are hooked into the wall that it meets, and how much farther they run for it; null where L-bars tie it. */
export function hookedAt({
  own,
  row,
  atStart,
  size,
  setting,
}: HookedAtInput): (Turned & { readonly across: Length }) | null {
  const rules = setting.rulesIn(own.wall.id, row.course);
  const end = teeEnds(own, row, setting).find((each) => each.atStart === atStart);
  if (!end || rules.choice('steel.tee') !== 'hook') return null;
  return { leg: hookLeg(size, standardHook(size)), degrees: SQUARE, across: end.across };
}

/** How far a bar may run along the through wall from a tee, either way, at a height. */
function roomsAlong(
  { at, through }: TeeEnd,
  row: CourseRow,
  { offsets }: Lying,
  setting: Setting,
): readonly [Length, Length] {
  const none = ZERO;
  if (at === null) return [through.wall.length, through.wall.length];
  const met = through.rows.find((each) => each.course === row.course && each.from <= at && at <= each.to);
  if (!met) return [none, none];
  const rules = setting.rulesIn(through.wall.id, row.course);
  const { from, to } = reachOf({ own: through, row: met, rules, offsets });
  const stretch = leftBeside({
    own: through,
    from,
    to,
    height: heightIn(met),
    cover: rules.length('steel.cover.end'),
  }).find((each) => each.from <= at && at <= each.to);
  return stretch ? [subtract(at, stretch.from), subtract(stretch.to, at)] : [none, none];
}

/** What `barsAt` goes by. */
interface BarsAtInput {
  readonly end: TeeEnd;
  readonly own: SteelWall;
  readonly row: CourseRow;
  readonly lying: Lying;
  readonly met: Lying;
  readonly setting: Setting;
}

/** L-bars of one row at one of its ends: lapped with its own bars and with those of the through wall, one way and the other by turns. */
function barsAt({ end, own, row, lying, met, setting }: BarsAtInput): Judged<readonly Bar[], SteelProblem> {
  const { course } = row;
  const { through, atStart, across } = end;
  const size = lying.size.diameter >= met.size.diameter ? lying.size : met.size;
  const top = isTopBar(own, row);
  const back = setting.lapOfTwo(size, lying.size, top);
  const along = setting.lapOfTwo(size, met.size, top);
  const [left, right] = roomsAlong(end, row, met, setting);
  const wanted = course % 2;
  const way = (wanted === 0 ? left : right) >= along ? wanted : left > right ? 0 : 1;
  const leg = min(along, way === 0 ? left : right);
  const rules = setting.rulesIn(own.wall.id, course);
  const { from, to } = reachOf({ own, row, rules, offsets: lying.offsets });
  const stretches = leftBeside({
    own,
    from,
    to,
    height: heightIn(row),
    cover: rules.length('steel.cover.end'),
  });
  const nearest = atStart ? stretches[0] : stretches.at(-1);
  const reaches = nearest && !(atStart ? nearest.cutStart : nearest.cutEnd);
  const room = reaches ? subtract(nearest.to, nearest.from) : ZERO;
  const held = min(back, room);
  const short = leg < along ? leg : held;
  const problems: readonly SteelProblem[] =
    leg < along || held < back
      ? [{ kind: 'tee-cut-short', wall: own.wall.id, other: through.wall.id, course, leg: short }]
      : [];
  if (leg <= 0 || held <= 0) return { value: [], problems };
  const shape = bent({ legs: [add(held, across), leg], size, bend: standardHook(size), cutting: setting });
  const height = heightIn(row);
  const bars = lying.offsets.map((offset, index): Bar => ({
    ...shape,
    id: `t:${own.wall.id}:${atStart ? 'start' : 'end'}:${String(course)}:${String(index)}`,
    use: 'tee',
    size: size.id,
    wall: own.wall.id,
    count: 1,
    course,
    set: { course, when: 'in' },
    from: atStart ? subtract(from, across) : subtract(to, held),
    to: atStart ? add(from, held) : add(to, across),
    bottom: height,
    top: height,
    offset,
    laps: { before: held, after: leg },
  }));
  return { value: bars, problems };
}

/** Those of one inside wall. */
function teeBarsOf(
  own: SteelWall,
  lying: LyingByWall,
  setting: Setting,
): Judged<readonly Bar[], SteelProblem> {
  const bare = new Map<string, number[]>();
  const ties = (lying.get(own.wall.id) ?? []).flatMap((each) => {
    const hooked = setting.rulesIn(own.wall.id, each.course).choice('steel.tee') === 'hook';
    return own.rows
      .filter((row) => row.course === each.course)
      .flatMap((row) =>
        teeEnds(own, row, setting).map((end) => {
          const through = end.through.wall.id;
          const met = lying.get(through)?.find(({ course }) => course === each.course);
          if (!met) bare.set(through, [...(bare.get(through) ?? []), each.course]);
          return !met || hooked ? fine([]) : barsAt({ end, own, row, lying: each, met, setting });
        }),
      );
  });
  const untied = [...bare].map(([other, courses]): SteelProblem => ({
    kind: 'tee-without-bar',
    wall: own.wall.id,
    other,
    courses,
  }));
  return flatOf([...ties, { value: [], problems: untied }]);
}

/**
 * Bars that tie inside walls to the walls they meet, in every course in which both have a bar: L-bars lapped into both. Courses
 * in which the through wall has none are told; walls whose own bars are hooked into it need none.
 */
export const teeBars = (lying: LyingByWall, setting: Setting): Judged<readonly Bar[], SteelProblem> =>
  flatOf(setting.walls.map((own) => teeBarsOf(own, lying, setting)));

import { courseAbove } from '../courses';
import { type Length, add, inches, nanometres, subtract, ZERO, max, min } from '../../kernel/measure';
import { type PlacedOpening, widthOf } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import { type Judged, fine, flatOf } from '../../kernel/judged';
import type { Bar, SteelProblem } from './bar';
import { hookLeg, stirrupHook } from './bends';
import { bent, straight } from './cut';
import { leftBeside } from './rowBars';
import { type Setting, type SteelWall, clearBetween, sizeOf } from './setting';
import type { BarSize } from './sizes';

const NONE = ZERO;

/** Heads that differ by less are on one line. [ours] */
const SAME_HEAD = inches(1);

/** Openings side by side under one lintel, with the rules of the widest. */
interface Group {
  readonly openings: readonly [PlacedOpening, ...PlacedOpening[]];
  readonly rules: HouseRules;
  readonly course: number;
  readonly from: Length;
  readonly to: Length;
  readonly head: Length;
}

/** One lintel's place: its rules, the course before which it goes in, the openings' clear span and their head. */
function groupOf(openings: Group['openings'], setting: Setting): Group | null {
  const head = max(...openings.map(({ concrete }) => concrete.top));
  const course = courseAbove(setting.levels, head);
  if (course === null) return null;
  const [widest] = [...openings].sort((a, b) => widthOf(b.concrete) - widthOf(a.concrete));
  return {
    openings,
    course,
    head,
    rules: setting.rulesOver(widest ?? openings[0], course),
    from: min(...openings.map(({ concrete }) => concrete.from)),
    to: max(...openings.map(({ concrete }) => concrete.to)),
  };
}

/** Whether the next opening shares the lintel of those before it: its head on their line, the pier between shorter than the reach. */
function shares(group: Group, next: PlacedOpening): boolean {
  const pier = next.concrete.from - group.to;
  return (
    group.rules.choice('steel.lintel.share') === 'one' &&
    pier >= 0 &&
    pier < group.rules.length('steel.lintel.reach') &&
    Math.abs(next.concrete.top - group.head) < SAME_HEAD
  );
}

/** The lintels of a wall, from its first corner on. */
function groupsOf(own: SteelWall, setting: Setting): readonly Group[] {
  const groups: Group[] = [];
  const inOrder = own.openings
    .filter(({ openTop }) => !openTop)
    .sort((a, b) => a.concrete.from - b.concrete.from);
  for (const opening of inOrder) {
    const shared = groups.findIndex((group) => shares(group, opening));
    const known = groups[shared];
    const group = groupOf(known ? [...known.openings, opening] : [opening], setting);
    if (!group) continue;
    if (known) groups[shared] = group;
    else groups.push(group);
  }
  return groups;
}

/** Places across the core for bars side by side: one in the middle, more from cover to cover, inside the stirrups. */
function across(own: SteelWall, count: number, size: BarSize, rules: HouseRules): readonly Length[] {
  const stirrup = sizeOf(rules.choice('steel.stirrup.size'));
  const edge = Math.max(
    0,
    own.wall.core / 2 - rules.length('steel.cover.foam') - stirrup.diameter - size.diameter / 2,
  );
  if (count === 1) return [NONE];
  return Array.from({ length: count }, (_, index) => nanometres(edge * ((2 * index) / (count - 1) - 1)));
}

/** What `crowded` goes by. */
interface CrowdedInput {
  readonly own: SteelWall;
  readonly group: Group;
  readonly count: number;
  readonly size: BarSize;
}

/** What is told of more bars side by side than leave stone its way between them. */
function crowded({ own, group, count, size }: CrowdedInput): readonly SteelProblem[] {
  const places = across(own, count, size, group.rules);
  const [first, second] = places;
  if (first === undefined || second === undefined) return [];
  const clear = clearBetween(group.rules, size.diameter);
  if (second - first - size.diameter >= clear) return [];
  return [
    {
      kind: 'lintel-crowded',
      opening: group.openings[0].id,
      wall: own.wall.id,
      bars: count,
      wants: clear,
      has: max(ZERO, subtract(subtract(second, first), size.diameter)),
    },
  ];
}

/** How high a lintel's lowest and highest bars lie; null where there is too little wall over the head. */
function depthOf(own: SteelWall, group: Group): { readonly low: Length; readonly high: Length } | null {
  const { rules, head } = group;
  const cover = rules.length('steel.cover.end');
  const over = own.spans.filter((span) => span.from < group.to && group.from < span.to);
  const above = own.openings
    .filter(({ concrete }) => concrete.bottom >= head && concrete.from < group.to && group.from < concrete.to)
    .map(({ concrete }) => concrete.bottom);
  const top = min(...over.map((span) => span.top), ...above, add(head, rules.length('steel.lintel.depth')));
  const [low, high] = [add(head, cover), subtract(top, cover)];
  return high < low ? null : { low, high };
}

/** Bars and stirrups of one lintel. Its bars are of one piece each: a lap has no place in its span, and none in its reach. */
function lintelOf(own: SteelWall, group: Group, setting: Setting): Judged<readonly Bar[], SteelProblem> {
  const { rules, course, openings } = group;
  const [{ id: opening }] = openings;
  const depth = depthOf(own, group);
  if (!depth) {
    const wall = own.wall.id;
    return { value: [], problems: openings.map(({ id }) => ({ kind: 'no-lintel-room', opening: id, wall })) };
  }
  const { low, high } = depth;
  const reach = rules.length('steel.lintel.reach');
  const cover = rules.length('steel.cover.end');
  const edge = add(own.wall.skin, cover);
  const from = max(subtract(group.from, reach), edge);
  const to = min(add(group.to, reach), subtract(own.wall.length, edge));
  /** As far as the bars may reach at a height: to the ends of the wall, or to the next opening. */
  const reached = (height: Length): { readonly from: Length; readonly to: Length } =>
    leftBeside({ own, from, to, height, cover }).find(
      (stretch) => stretch.from <= group.from && stretch.to >= group.to,
    ) ?? { from: group.from, to: group.to };
  const told = reached(low);
  const short = min(subtract(group.from, told.from), subtract(told.to, group.to));
  const cutShort: readonly SteelProblem[] =
    short < reach ? [{ kind: 'lintel-cut-short', opening, wall: own.wall.id, reach: short }] : [];
  const common = {
    wall: own.wall.id,
    course,
    set: { course, when: 'before' },
    laps: { before: NONE, after: NONE },
    count: 1,
    opening,
  } as const;
  const layer = (
    use: 'lintel bottom' | 'lintel top',
    size: BarSize,
    height: Length,
  ): Judged<readonly Bar[], SteelProblem> => {
    const count = rules.count(use === 'lintel bottom' ? 'steel.lintel.bottom' : 'steel.lintel.top');
    const span = reached(height);
    const bars = across(own, count, size, rules)
      .slice(0, count)
      .map((offset, index): Bar => ({
        ...common,
        ...straight(subtract(span.to, span.from), setting),
        id: `l:${opening}:${use}:${String(index)}`,
        use,
        size: size.id,
        from: span.from,
        to: span.to,
        bottom: height,
        top: height,
        offset,
      }));
    return { value: bars, problems: crowded({ own, group, count, size }) };
  };
  const topSize = rules.choice('steel.lintel.top.size');
  const uppers = sizeOf(topSize === 'same' ? rules.choice('steel.horizontal.size') : topSize);
  return flatOf([
    { value: [], problems: cutShort },
    layer('lintel bottom', sizeOf(rules.choice('steel.lintel.size')), low),
    layer('lintel top', uppers, high),
    fine(stirrupsOf(group, depth, common, setting)),
  ]);
}

/** Stirrups of a lintel over its openings and the piers between them, at their spacing, as far from one end as from the other. */
function stirrupsOf(
  { rules, from, to }: Group,
  { low, high }: { readonly low: Length; readonly high: Length },
  common: Pick<Bar, 'wall' | 'course' | 'set' | 'laps' | 'count' | 'opening'>,
  setting: Setting,
): readonly Bar[] {
  const size = sizeOf(rules.choice('steel.stirrup.size'));
  const hook = stirrupHook(size);
  const spacing = rules.length('steel.stirrup.spacing');
  const span = subtract(to, from);
  const count = high > low ? Math.floor(span / spacing) + 1 : 0;
  const edgeGap = (span - (count - 1) * spacing) / 2;
  const legs = [hookLeg(size, hook), subtract(high, low), hookLeg(size, hook)];
  return Array.from({ length: count }, (_, index): Bar => {
    const at = nanometres(from + edgeGap + index * spacing);
    return {
      ...common,
      ...bent({ legs, size, bend: hook, cutting: setting }),
      id: `s:${common.opening ?? ''}:${String(index)}`,
      use: 'stirrup',
      size: size.id,
      from: at,
      to: at,
      bottom: low,
      top: high,
      offset: NONE,
    };
  });
}

/** Bars and stirrups over every opening of a wall. */
export const lintels = (own: SteelWall, setting: Setting): Judged<readonly Bar[], SteelProblem> =>
  flatOf(groupsOf(own, setting).map((group) => lintelOf(own, group, setting)));

import { type Length, add, nanometres, subtract, times, min, ZERO } from '../../kernel/measure';
import type { Judged } from '../../kernel/judged';
import type { Bar, SteelProblem } from './bar';
import { hookLeg, standardHook } from './bends';
import { bent } from './cut';
import { widestGap } from './laps';
import { type Setting, type SteelWall, nothingToLap, sizeOf, standsShort } from './setting';
import type { BarSize } from './sizes';
import { clearPlaces, noRoomAt, stationsAt, stretchesAt } from './uprights';

/** The size that dowels under a bar have. */
const dowelSize = (choice: string, foot: BarSize): BarSize => (choice === 'same' ? foot : sizeOf(choice));

/**
 * Dowels of a wall: one under every bar that stands on the footing, or at a spacing of their own; hooked or straight; up a lap
 * or as typed, never past a sill or the wall's top.
 *
 * @param standing verticals and jamb bars of the wall
 */
export function dowelBars(
  own: SteelWall,
  standing: readonly Bar[],
  offset: Length,
  setting: Setting,
): Judged<readonly Bar[], SteelProblem> {
  const rules = setting.rulesIn(own.wall.id, 1);
  const cover = rules.length('steel.cover.end');
  const embed = rules.length('steel.dowel.embed');
  const typed = rules.length('steel.dowel.projection');
  const spacing = rules.length('steel.dowel.spacing');
  const isFoot = (bar: Bar): boolean =>
    own.spans.some((span) => span.from <= bar.from && bar.from <= span.to && span.bottom === bar.bottom);
  const feet = standing.filter(isFoot);
  const verticals = sizeOf(rules.choice('steel.vertical.size'));
  const size = dowelSize(rules.choice('steel.dowel.size'), verticals);
  const lap = setting.lapOfTwo(size, verticals);
  const gap = widestGap(lap);
  const stations =
    spacing === 0
      ? { at: feet.map((bar) => bar.from), without: [] }
      : stationsAt({
          own,
          first: rules.length('steel.vertical.first'),
          spacing,
          places: clearPlaces(own, rules, size),
          moved: times(rules.length('steel.web.clear'), 2),
        });
  const hook = standardHook(size);
  const bars = stations.at.flatMap((at): Bar[] => {
    const stretch = stretchesAt(own, at, {
      ends: cover,
      sides: nanometres(cover + size.diameter / 2),
    }).find((each) => each.onFooting);
    if (!stretch) return [];
    const foot = feet
      .filter((bar) => Math.abs(bar.from - at) <= gap)
      .reduce<Bar | undefined>(
        (best, bar) => (best && Math.abs(best.from - at) <= Math.abs(bar.from - at) ? best : bar),
        undefined,
      );
    // No farther than the bar that it laps, nor into an opening.
    const most = subtract(min(foot?.top ?? stretch.top, stretch.top), stretch.bottom);
    const up = min(typed > 0 ? typed : lap, most);
    const hooked = (end: 'foot' | 'head'): readonly Length[] =>
      rules.choice(`steel.dowel.${end}`) === 'hook' ? [hookLeg(size, hook)] : [];
    const head = hooked('head');
    const length = add(embed, up);
    const legs = head.length > 0 ? [...hooked('foot'), length, ...head] : [length, ...hooked('foot')];
    return [
      {
        ...bent({ legs, size, bend: hook, cutting: setting }),
        id: `d:${own.wall.id}:${String(at)}`,
        use: 'dowel',
        size: size.id,
        wall: own.wall.id,
        count: 1,
        course: 0,
        set: { course: 0, when: 'in' },
        from: at,
        to: at,
        bottom: subtract(stretch.bottom, embed),
        top: add(stretch.bottom, up),
        offset,
        laps: { before: ZERO, after: foot ? up : ZERO },
      },
    ];
  });
  const alone = feet.filter((foot) => !bars.some((bar) => Math.abs(bar.from - foot.from) <= gap));
  return {
    value: bars,
    problems: [
      ...noRoomAt(own, stations.without),
      ...nothingToLap(own, 0, alone.length, gap),
      ...(typed > 0 ? standsShort(0, typed, lap) : []),
    ],
  };
}

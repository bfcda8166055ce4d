import { courseAbove } from '../courses';
import { type Length, add, nanometres, subtract } from '../measure';
import { type PlacedOpening, widthOf } from '../openings';
import type { Bar } from './bar';
import { cutLengthOf, hookLeg, stirrupHook } from './bends';
import { leftBeside } from './horizontals';
import { splitRun } from './runs';
import { type Setting, type SteelWall, sizeOf } from './setting';

/** Bars and stirrups over one opening. */
function lintelOf(own: SteelWall, opening: PlacedOpening, setting: Setting): readonly Bar[] {
  const { concrete } = opening;
  const course = courseAbove(setting.levels, concrete.top);
  if (opening.openTop || course === null) return [];
  const rules = setting.rulesIn(own.wall.id, course);
  const reach = rules.length('steel.lintel.reach');
  const cover = rules.length('steel.cover.end');
  const wanted = { from: subtract(concrete.from, reach), to: add(concrete.to, reach) };
  const edge = add(own.wall.skin, cover);
  const from = Math.max(wanted.from, edge) as Length;
  const to = Math.min(wanted.to, subtract(own.wall.length, edge)) as Length;
  const spans = setting.levels.walls[own.wall.id] ?? [];
  const over = spans.filter((span) => span.from < concrete.to && concrete.from < span.to);
  const wallTop = Math.min(...over.map((span) => span.top)) as Length;
  const above = own.openings
    .filter(
      (other) =>
        other.concrete.bottom >= concrete.top &&
        other.concrete.from < concrete.to &&
        concrete.from < other.concrete.to,
    )
    .map((other) => other.concrete.bottom);
  const top = Math.min(wallTop, ...above, add(concrete.top, rules.length('steel.lintel.depth'))) as Length;
  const low = add(concrete.top, cover);
  const high = subtract(top, cover);
  if (high < low) {
    setting.problems.push({ kind: 'no-lintel-room', opening: opening.id, wall: own.wall.id });
    return [];
  }
  /** As far as the bars may reach at a height: to the ends of the wall, or to the next opening. */
  const reached = (height: Length): { readonly from: Length; readonly to: Length } =>
    leftBeside(own, from, to, height, cover).find(
      (stretch) => stretch.from <= concrete.from && stretch.to >= concrete.to,
    ) ?? { from: concrete.from, to: concrete.to };
  const told = reached(low);
  const short = Math.min(subtract(concrete.from, told.from), subtract(told.to, concrete.to)) as Length;
  if (short < reach) {
    setting.problems.push({ kind: 'lintel-cut-short', opening: opening.id, wall: own.wall.id, reach: short });
  }
  const bottomSize = sizeOf(rules.choice('steel.lintel.size'));
  const topSize = sizeOf(rules.choice('steel.horizontal.size'));
  const bars = (
    use: 'lintel bottom' | 'lintel top',
    size: typeof topSize,
    count: number,
    height: Length,
  ): Bar[] => {
    if (count === 0) return [];
    const span = reached(height);
    const run = subtract(span.to, span.from);
    return splitRun(run, setting.stock, setting.lapOf(size), reach, use === 'lintel top').map(
      (piece, index): Bar => {
        const length = subtract(piece.to, piece.from);
        return {
          id: `l:${opening.id}:${use}:${String(index)}`,
          use,
          size: size.id,
          wall: own.wall.id,
          count,
          course,
          set: { course, when: 'before' },
          from: add(span.from, piece.from),
          to: add(span.from, piece.to),
          bottom: height,
          top: height,
          offset: 0 as Length,
          legs: [length],
          cut: length,
          laps: piece.laps,
          opening: opening.id,
        };
      },
    );
  };
  const stirrup = sizeOf(rules.choice('steel.stirrup.size'));
  const hook = stirrupHook(stirrup);
  const spacing = rules.length('steel.stirrup.spacing');
  const count = Math.floor(widthOf(concrete) / spacing) + 1;
  const edgeGap = (widthOf(concrete) - (count - 1) * spacing) / 2;
  const legs = [hookLeg(stirrup, hook), subtract(high, low), hookLeg(stirrup, hook)];
  const stirrups = Array.from({ length: high > low ? count : 0 }, (_, index): Bar => {
    const at = nanometres(concrete.from + edgeGap + index * spacing);
    return {
      id: `s:${opening.id}:${String(index)}`,
      use: 'stirrup',
      size: stirrup.id,
      wall: own.wall.id,
      count: 1,
      course,
      set: { course, when: 'before' },
      from: at,
      to: at,
      bottom: low,
      top: high,
      offset: 0 as Length,
      legs,
      cut: cutLengthOf(legs, stirrup, hook),
      laps: { before: 0 as Length, after: 0 as Length },
      opening: opening.id,
    };
  });
  return [
    ...bars('lintel bottom', bottomSize, rules.count('steel.lintel.bottom'), low),
    ...bars('lintel top', topSize, rules.count('steel.lintel.top'), high),
    ...stirrups,
  ];
}

/** Bars and stirrups over every opening of a wall. */
export const lintels = (own: SteelWall, setting: Setting): readonly Bar[] =>
  own.openings.flatMap((opening) => lintelOf(own, opening, setting));

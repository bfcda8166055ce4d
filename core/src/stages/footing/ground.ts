import { bisector } from 'd3-array';
import { type Length, ZERO, lerp } from '../../kernel/measure';
import type { BuiltLoop, Levels, Shell, Wall } from '../outline';

/** A reading in its place. Heights are told above the lowest reading, with the footing's planned steps taken out. */
export interface ReadShot {
  readonly id: string;
  readonly loop: string;
  readonly wall: string;
  /** From the wall's first corner, and from the outline's, along the form's outside face. */
  readonly at: Length;
  readonly station: Length;
  readonly reading: Length;
  readonly height: Length;
}

/** Readings on one stretch of footing that is level by plan, in walking order. */
interface Stretch {
  readonly shots: readonly ReadShot[];
  /** Length all round, where the stretch is the whole of a closed outline: it then has no ends. */
  readonly round: Length | null;
}

/** The planned footing at a place of a wall, above the lowest one; at a step the stretch that begins there. */
export function bottomAt(
  levels: Levels,
  wall: string,
  at: Length,
): { readonly bottom: Length; readonly part: number } {
  const spans = levels.walls[wall] ?? [];
  const found = spans.findLastIndex((span) => span.from <= at);
  return { bottom: spans[Math.max(found, 0)]?.bottom ?? ZERO, part: Math.max(found, 0) };
}

interface Stretches {
  /** The stretch of each wall's span, by number. */
  readonly keys: ReadonlyMap<string, number>;
  /** Spans that lie before the outline's first corner on the stretch that runs through it. */
  readonly beforeStart: ReadonlySet<string>;
  readonly single: boolean;
}

/** Numbers every stretch of level footing along a loop. Round a closed one the last may run on into the first. */
function stretchesOf(built: BuiltLoop, levels: Levels): Stretches {
  const spans = built.walls.flatMap((wall) =>
    (levels.walls[wall.id] ?? []).map((span, part) => ({
      key: `${wall.id}:${String(part)}`,
      bottom: span.bottom,
    })),
  );
  let number = 0;
  const numbered = spans.map(({ key, bottom }, index) => {
    const before = spans[index - 1];
    if (before && before.bottom !== bottom) number += 1;
    return [key, number] as const;
  });
  const runsOn = !built.open && number > 0 && spans[0]?.bottom === spans.at(-1)?.bottom;
  const last = number;
  return {
    keys: new Map(numbered.map(([key, own]) => [key, runsOn && own === last ? 0 : own])),
    beforeStart: new Set(runsOn ? numbered.filter(([, own]) => own === last).map(([key]) => key) : []),
    single: number === 0,
  };
}

interface Ground {
  /**
   * Height of the footing at a place, between the readings beside it; null where its stretch has none. At a step, that of
   * the stretch which another place of the wall lies on.
   */
  readonly heightAt: (wall: Wall, at: Length, on?: Length) => Length | null;
  readonly unsurveyed: readonly string[];
}

/** Finds a station's place in a list of shots that ascends. */
const readings = bisector((shot: ReadShot) => shot.station);

/** Between two readings the footing is taken as straight; past the last one of a stretch, as level. */
function between({ shots, round }: Stretch, station: Length): Length | null {
  const [first, last] = [shots[0], shots.at(-1)];
  if (!first || !last) return null;
  const index = readings.right(shots, station);
  let before = shots[index - 1];
  let after = shots[index];
  let [from, to] = [before?.station ?? 0, after?.station ?? 0];
  if (round !== null) {
    if (!before) [before, from] = [last, last.station - round];
    if (!after) [after, to] = [first, first.station + round];
  }
  if (!before) return first.height;
  if (!after) return last.height;
  const share = to > from ? (station - from) / (to - from) : 0;
  return lerp(before.height, after.height, share);
}

/** The footing or rock between its readings, stretch by stretch of what is level by plan. */
export function groundOf(shell: Shell, levels: Levels, shots: readonly ReadShot[]): Ground {
  const places = new Map<string, { readonly stretch: Stretch; readonly shift: number }>();
  const unsurveyed = new Set<string>();
  const keyAt = (wall: string, at: Length): string => `${wall}:${String(bottomAt(levels, wall, at).part)}`;
  for (const { id, built } of shell.loops) {
    if (!built) continue;
    const { keys, beforeStart, single } = stretchesOf(built, levels);
    // What lies before the first corner is counted back from it, so that its stretch runs through without a seam.
    const shiftOf = (key: string): number => (beforeStart.has(key) ? built.perimeter : 0);
    const lists = new Map<number, ReadShot[]>();
    for (const shot of shots.filter((each) => each.loop === id)) {
      const key = keyAt(shot.wall, shot.at);
      const number = keys.get(key) ?? -1;
      const placed = { ...shot, station: (shot.station - shiftOf(key)) as Length };
      const list = lists.get(number);
      if (list) list.push(placed);
      else lists.set(number, [placed]);
    }
    for (const list of lists.values()) list.sort((a, b) => a.station - b.station);
    for (const wall of built.walls) {
      for (const part of (levels.walls[wall.id] ?? []).keys()) {
        const key = `${wall.id}:${String(part)}`;
        const list = lists.get(keys.get(key) ?? -1) ?? [];
        if (list.length === 0) unsurveyed.add(wall.name);
        places.set(key, {
          stretch: { shots: list, round: single && !built.open ? built.perimeter : null },
          shift: shiftOf(key),
        });
      }
    }
  }
  return {
    heightAt: (wall, at, on = at) => {
      const place = places.get(keyAt(wall.id, on));
      return place ? between(place.stretch, (wall.station + at - place.shift) as Length) : null;
    },
    unsurveyed: [...unsurveyed],
  };
}

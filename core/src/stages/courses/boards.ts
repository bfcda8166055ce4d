import { type Length, add, nanometres, subtract, ZERO, max, min } from '../../kernel/measure';
import { type Openings, type PlacedOpening, type Rect, centreOf, widthOf } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import type { Levels, Wall } from '../outline';
import type { WeakJoint } from './piece';

/** The first course that reaches above a height; null where none does. */
export function courseAbove(levels: Pick<Levels, 'tops'>, height: Length): number | null {
  const course = levels.tops.findIndex((top, index) => index > 0 && top > height);
  return course < 1 ? null : course;
}

/** Boards along both faces over a wide head, as far past it as the rule says or the wall goes. */
function wideHead(
  opening: PlacedOpening,
  wall: Wall,
  levels: Levels,
  rules: HouseRules,
): readonly WeakJoint[] {
  const { hole } = opening;
  if (opening.openTop || widthOf(hole) <= rules.length('openings.head.wide')) return [];
  const course = courseAbove(levels, hole.top);
  if (course === null) return [];
  const past = rules.length('openings.head.past');
  const at = nanometres(centreOf(hole));
  return [
    {
      course,
      wall: wall.id,
      at,
      station: add(wall.station, at),
      reasons: ['wide-head'],
      boards: {
        from: max(ZERO, subtract(hole.from, past)),
        to: min(wall.length, add(hole.to, past)),
      },
    },
  ];
}

/** Boards up a short pier, in every course that it stands in. */
function pierBoards(pier: Rect, wall: Wall, levels: Levels): readonly WeakJoint[] {
  const at = nanometres(centreOf(pier));
  return levels.tops.slice(1).flatMap((top, index): WeakJoint[] => {
    const bottom = levels.tops[index] as Length;
    if (bottom >= pier.top || top <= pier.bottom) return [];
    return [
      {
        course: index + 1,
        wall: wall.id,
        at,
        station: add(wall.station, at),
        reasons: ['pier'],
        boards: { from: pier.from, to: pier.to },
      },
    ];
  });
}

/** What openings add to the strap list: boards over wide heads and up short piers. [common practice] */
export function openingBoards(
  openings: Openings,
  walls: ReadonlyMap<string, Wall>,
  levels: Levels,
  rules: HouseRules,
): readonly WeakJoint[] {
  const heads = openings.placed.flatMap((opening) => {
    const wall = walls.get(opening.wall);
    return wall && opening.worked ? wideHead(opening, wall, levels, rules) : [];
  });
  const piers = openings.problems.flatMap((problem) => {
    if (problem.kind !== 'short-pier') return [];
    const wall = walls.get(problem.wall);
    return wall ? pierBoards(problem.pier, wall, levels) : [];
  });
  return [...heads, ...piers];
}

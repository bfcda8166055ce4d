import { type Length, subtract } from '../../kernel/measure';
import { type BuiltLoop, type Wall, takenByCorner } from '../outline';
import type { PlacedOpening } from './placeOpenings';
import type { OpeningProblem } from './problem';

/** Piers shorter than the rule, between openings that stand beside each other or at an end of their wall. */
export function shortPiers(placed: readonly PlacedOpening[], built: BuiltLoop, wall: Wall, least: Length) {
  const own = placed
    .filter((each) => each.wall === wall.id && each.worked)
    .sort((a, b) => a.concrete.from - b.concrete.from);
  return own.flatMap((opening): OpeningProblem[] => {
    const { bottom, top } = opening.concrete;
    const told = (from: Length, to: Length, beyond: string): OpeningProblem[] =>
      to - from < least
        ? [
            {
              kind: 'short-pier',
              opening: opening.id,
              name: opening.name,
              wall: wall.id,
              beyond,
              left: subtract(to, from),
              pier: { from, to, bottom, top },
            },
          ]
        : [];
    // Only what stands at the same height shares a pier.
    const level = own.filter(
      ({ concrete }) => concrete.bottom < opening.concrete.top && opening.concrete.bottom < concrete.top,
    );
    const beside = level.find((other) => other.concrete.from >= opening.concrete.to);
    const first = takenByCorner(built, wall, true);
    const last = subtract(wall.length, takenByCorner(built, wall, false));
    const before = level.some((other) => other.concrete.to <= opening.concrete.from);
    return [
      ...(before ? [] : told(first, opening.concrete.from, `corner ${wall.from}`)),
      ...(beside
        ? told(opening.concrete.to, beside.concrete.from, beside.name)
        : told(opening.concrete.to, last, `corner ${wall.to}`)),
    ];
  });
}

/** Windows whose heads miss a door's by little: crews line them through. */
export function missedHeads(placed: readonly PlacedOpening[], within: Length): readonly OpeningProblem[] {
  const doors = placed.filter((each) => each.kind === 'door' && each.worked);
  return placed.flatMap((each): OpeningProblem[] => {
    if (each.kind === 'door' || each.kind === 'garage' || each.kind === 'void' || !each.worked) return [];
    const top = each.finished.top;
    if (doors.some((door) => door.finished.top === top)) return [];
    const door = doors.find((other) => Math.abs(other.finished.top - top) <= within);
    if (!door) return [];
    return [
      {
        kind: 'not-lined-through',
        opening: each.id,
        name: each.name,
        wall: each.wall,
        head: top,
        door: door.name,
        doorHead: door.finished.top,
        openingKind: each.kind,
      },
    ];
  });
}

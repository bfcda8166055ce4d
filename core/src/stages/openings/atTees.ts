import { nanometres } from '../../kernel/measure';
import { type Levels, type Shell, crossingsOf, standsBeside, wallsOf } from '../outline';
import type { PlacedOpening } from './placeOpenings';
import type { OpeningProblem } from './problem';

/** Openings that lie where an inside wall meets their wall: what of them is behind it could not be gone or looked through. */
export function atTees(
  placed: readonly PlacedOpening[],
  shell: Shell,
  levels: Levels,
): readonly OpeningProblem[] {
  const corners = new Map(wallsOf(shell).map(({ id, from, to }) => [id, { from, to }]));
  return crossingsOf(shell).flatMap((crossing) =>
    placed.flatMap((opening): OpeningProblem[] => {
      const { from, to } = opening.concrete;
      if (!opening.worked || opening.wall !== crossing.through) return [];
      if (to <= crossing.from || from >= crossing.to || !standsBeside(crossing, opening.concrete, levels))
        return [];
      return [
        {
          kind: 'at-tee',
          opening: opening.id,
          name: opening.name,
          wall: opening.wall,
          other: crossing.wall,
          behind: nanometres(Math.min(to, crossing.to) - Math.max(from, crossing.from)),
          back: nanometres(crossing.from - to),
          on: nanometres(crossing.to - from),
          corners: [corners.get(opening.wall)?.from ?? '', corners.get(opening.wall)?.to ?? ''],
        },
      ];
    }),
  );
}

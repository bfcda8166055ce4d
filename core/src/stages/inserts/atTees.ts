import { nanometres } from '../../kernel/measure';
import { type Levels, type Shell, crossingsOf, standsBeside } from '../outline';
import type { PlacedInsert } from './placeInserts';
import type { InsertProblem } from './problem';
import { isRun } from './run';

/** Whether what stands against one face of a wall is in an insert's way: on that face, or right through the wall. */
const reaches = (insert: PlacedInsert, side: 'inside' | 'outside'): boolean =>
  insert.round || insert.face === side;

/** Inserts that lie where an inside wall meets their wall: there is no face to set them on, and its concrete runs through. */
export function atTees(
  placed: readonly PlacedInsert[],
  { shell, levels }: { readonly shell: Shell; readonly levels: Levels },
): readonly InsertProblem[] {
  return crossingsOf(shell).flatMap((crossing) =>
    placed.flatMap((insert): InsertProblem[] => {
      const { from, to } = insert.rect;
      if (insert.wall !== crossing.through || insert.kind === 'hold-down') return [];
      if (to <= crossing.from || from >= crossing.to || !reaches(insert, crossing.side)) return [];
      if (!standsBeside(crossing, insert.rect, levels)) return [];
      return [
        {
          kind: 'at-tee',
          insert: insert.id,
          name: insert.name,
          wall: insert.wall,
          other: crossing.wall,
          run: isRun(insert.kind),
          from: crossing.from,
          to: crossing.to,
          back: nanometres(crossing.from - to),
          on: nanometres(crossing.to - from),
        },
      ];
    }),
  );
}

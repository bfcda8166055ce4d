import { type How, evaluate, givenCount } from '../../kernel/figures/how';
import type { BoltedRun, TopOff } from './topOff';

/** Anchor bolts of some runs of plate, wall by wall and piece by piece. */
export const boltsHow = (runs: readonly BoltedRun[]): How => ({
  op: 'sum',
  name: 'walls',
  unit: 'count',
  of: runs.map((run) => ({
    op: 'sum',
    name: run.name,
    unit: 'count',
    of: run.pieces.map((piece, index) => givenCount(`piece ${String(index + 1)}`, piece.bolts.length)),
    pieces: { wall: run.wall },
  })),
});

/** Plates whose bolts are set in a pour: on the walls that end with it, not on those that go on in the next. */
export const runsOfPour = ({ runs }: Pick<TopOff, 'runs'>, pour: string): readonly BoltedRun[] =>
  runs.filter((run) => run.pour === pour);

/** How many anchor bolts are set in a pour. */
export const boltsOfPour = (topoff: Pick<TopOff, 'runs'>, pour: string): number =>
  evaluate(boltsHow(runsOfPour(topoff, pour)));

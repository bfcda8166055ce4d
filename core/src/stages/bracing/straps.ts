import type { Courses, WeakJoint } from '../courses';
import { stockFor } from '../footing/cutToLength';
import { type Length, add, subtract, ZERO } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { givenCount } from '../../kernel/figures/how';

/** A board over one or more weak joints, on both faces. */
export interface StrapBoard {
  readonly wall: string;
  readonly from: Length;
  readonly to: Length;
  readonly bottom: Length;
  readonly top: Length;
  readonly length: Length;
  readonly joints: number;
}

export interface Straps {
  readonly boards: readonly StrapBoard[];
  /** Lengths of board to buy, for both faces. */
  readonly stock: Figure;
  readonly screws: Figure;
}

/** Boards and screws are for both faces. */
const FACES = 2;
/** Joints above each other in courses that follow on: one upright board does for them. */
function stacks(joints: readonly WeakJoint[]): readonly (readonly WeakJoint[])[] {
  const groups = new Map<string, WeakJoint[]>();
  for (const joint of joints) {
    const key = joint.boards
      ? `${joint.wall}:${String(joint.course)}:${String(joint.boards.from)}:boards`
      : `${joint.wall}:${String(joint.at)}`;
    const group = groups.get(key);
    if (group) group.push(joint);
    else groups.set(key, [joint]);
  }
  return [...groups.values()].flatMap((group) => {
    const sorted = [...group].sort((a, b) => a.course - b.course);
    const runs: WeakJoint[][] = [];
    for (const joint of sorted) {
      const run = runs.at(-1);
      if (run && joint.course === (run.at(-1)?.course ?? 0) + 1) run.push(joint);
      else runs.push([joint]);
    }
    return runs;
  });
}

/** The strap list of courses and openings as boards and screws: upright over a stack of joints, lying over a single one. */
export function strapsOf(courses: Courses, tops: readonly Length[], rules: HouseRules): Straps {
  const lying = rules.length('bracing.strap.board');
  const boards = stacks(courses.weakJoints).flatMap((run): StrapBoard[] => {
    const [first] = run;
    const last = run.at(-1);
    if (!first || !last) return [];
    const bottom = tops[first.course - 1] ?? ZERO;
    const top = tops[last.course] ?? bottom;
    const half = Math.round(lying / 2);
    if (run.length > 1 && !first.boards) {
      return [
        {
          wall: first.wall,
          from: first.at,
          to: first.at,
          bottom,
          top,
          length: subtract(top, bottom),
          joints: run.length,
        },
      ];
    }
    const from = first.boards?.from ?? subtract(first.at, half as Length);
    const to = first.boards?.to ?? add(first.at, half as Length);
    return [{ wall: first.wall, from, to, bottom, top, length: subtract(to, from), joints: run.length }];
  });
  const runs = boards.flatMap((board) => Array.from({ length: FACES }, () => board.length));
  const joints = boards.reduce((sum, board) => sum + board.joints, 0);
  return {
    boards,
    stock: figureOf({
      id: 'bracing.strap.boards',
      title: 'Boards over weak joints',
      how: stockFor('boards', runs, rules.length('order.board.length')),
      rules: ['bracing.strap.board', 'order.board.length'],
      pieces: {},
    }),
    screws: figureOf({
      id: 'bracing.strap.screws',
      title: 'Screws for boards over weak joints',
      how: {
        op: 'product',
        name: 'screws',
        unit: 'count',
        of: [
          givenCount('weak joints', joints),
          givenCount('a face', rules.count('bracing.strap.screws')),
          givenCount('faces', FACES),
        ],
      },
      rules: ['bracing.strap.screws'],
      pieces: {},
    }),
  };
}

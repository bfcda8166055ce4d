import type { Loop } from './plan';
import { type Length, add, millimetres, readLength, ZERO } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';
import type { Point } from '../../kernel/geometry/point';
import { segmentsMeet } from '../../kernel/geometry/polygon';
import type { BuiltLoop, Faces, LoopProblem, ShellLoop } from './shell';

/** Clear space between outlines whose places nobody has given. */
const BETWEEN_LOOPS = millimetres(3000);

const move = (points: readonly Point[], right: Length, down: Length): readonly Point[] =>
  points.map(({ x, y }) => ({ x: add(x, right), y: add(y, down) }));

const moveFaces = (faces: Faces, right: Length, down: Length): Faces => ({
  formOutside: move(faces.formOutside, right, down),
  concreteOutside: move(faces.concreteOutside, right, down),
  concreteInside: move(faces.concreteInside, right, down),
  formInside: move(faces.formInside, right, down),
});

const moveBuilt = (built: BuiltLoop, right: Length, down: Length): BuiltLoop => ({
  ...built,
  faces: moveFaces(built.faces, right, down),
  outline: moveFaces(built.outline, right, down),
});

/** Every point of a loop that is drawn. */
const pointsOf = (loop: ShellLoop): readonly Point[] => [
  ...loop.walked,
  ...(loop.built?.outline.formOutside ?? []),
];

/**
 * Puts an outline where the plan says, to the right of the first one's corner and down the plan; where nobody says, to
 * the right of all that stand already.
 */
export function placeLoop(
  laid: ShellLoop,
  loop: Loop,
  plan: Pick<Plan, 'units'>,
  others: readonly ShellLoop[],
): ShellLoop {
  if (others.length === 0) return laid;
  const problems: LoopProblem[] = [];
  const read = (text: string | undefined): Length | null => {
    if (text === undefined) return null;
    const reading = readLength(text, plan.units);
    if (reading.ok) return reading.length;
    problems.push({ kind: 'place-unreadable', text });
    return null;
  };
  const [right, down] = [read(loop.right), read(loop.down)];
  const edges = others.flatMap(pointsOf).map((point) => point.x);
  const left = Math.min(ZERO, ...pointsOf(laid).map((point) => point.x));
  const beside = edges.length === 0 ? ZERO : ((Math.max(...edges) + BETWEEN_LOOPS - left) as Length);
  const toRight = right ?? (down === null ? beside : ZERO);
  const toDown = down ?? ZERO;
  return {
    ...laid,
    walked: move(laid.walked, toRight, toDown),
    problems: [...laid.problems, ...problems],
    built: laid.built && moveBuilt(laid.built, toRight, toDown),
  };
}

const sidesOf = (points: readonly Point[]): readonly (readonly [Point, Point])[] =>
  points.map((point, index) => [point, points[(index + 1) % points.length] as Point]);

/** Whether the walls of two outlines cross or touch. */
export const loopsCross = (one: BuiltLoop, other: BuiltLoop): boolean =>
  sidesOf(one.outline.formOutside).some(([a, b]) =>
    sidesOf(other.outline.formOutside).some(([c, d]) => segmentsMeet(a, b, c, d)),
  );

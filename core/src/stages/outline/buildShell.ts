import type { Loop } from './plan';
import {
  type Angle,
  type UnitSystem,
  FULL_TURN,
  normalise,
  readLength,
  RIGHT_ANGLE,
} from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';
import type { HouseRules } from '../../kernel/rules';
import { layOutLoop } from './layOutLoop';
import { teeOff } from './crossings';
import { readSetup } from './setup';
import { loopsCross, placeLoop } from './placing';
import { type Point, step } from '../../kernel/geometry/point';
import type { BuiltLoop, LoopProblem, Shell, ShellLoop, Tee, Wall } from './shell';
import type { SettingOut } from './walk';
import { wallIn } from './wallIn';

/** What `buildShell` reads of a plan: nothing else can change its answer. */
type ShellInput = Pick<Plan, 'loops' | 'units' | 'measuredTo' | 'family' | 'families' | 'core'>;

/** How an inside wall meets a wall: with what of it the concrete runs through, and into which core. */
const teeAt = ({ id, skin, core }: Wall, at: Tee['at']): Tee => ({ wall: id, at, skin, core });

/** The walls that an open walk's ends meet, and where it sets out from the one that it starts at. */
function teesOf(
  loop: Loop,
  units: UnitSystem,
  others: readonly ShellLoop[],
): {
  readonly tees: BuiltLoop['tees'];
  readonly setting?: SettingOut;
  readonly problems: readonly LoopProblem[];
} {
  const problems: LoopProblem[] = [];
  const starting = wallIn(others, loop.tee?.start?.wall);
  const reading = readLength(loop.tee?.start?.at ?? '', units);
  const within =
    reading.ok && starting !== undefined && reading.length > 0 && reading.length < starting.wall.length;
  if (loop.tee?.start && !within) problems.push({ kind: 'tee-nowhere', end: 'start' });
  const ending = wallIn(others, loop.tee?.end?.wall);
  if (loop.tee?.end && !ending) problems.push({ kind: 'tee-nowhere', end: 'end' });
  const end: Tee | null = ending ? teeAt(ending.wall, null) : null;
  if (!starting || !reading.ok || !within) return { tees: { start: null, end }, problems };
  const { wall, built } = starting;
  const corner = built.faces.formOutside[built.walls.indexOf(wall)] as Point;
  return {
    tees: { start: teeAt(wall, reading.length), end },
    setting: {
      from: step(corner, wall.heading, reading.length, wall.thickness),
      heading: normalise((wall.heading + RIGHT_ANGLE) as Angle),
    },
    problems,
  };
}

/**
 * Stands the job's outlines up as walls: form-face lengths for the face the drawing measures to, corners, stations,
 * the core's polygon and plan area. A loop that cannot be worked keeps its walk and says why.
 */
export function buildShell(plan: ShellInput, rules: HouseRules): Shell {
  const reading = readSetup(plan);
  const setup = reading.ok ? reading.setup : null;
  const loops: ShellLoop[] = [];
  let letter = 0;
  for (const loop of plan.loops) {
    const joined = loop.closed ? null : teesOf(loop, plan.units, loops);
    const laid = layOutLoop({
      loop,
      plan,
      setup,
      rules,
      firstLetter: letter,
      setting: joined?.setting,
      tees: joined?.tees,
    });
    const placed = joined?.setting ? laid : placeLoop(laid, loop, plan, loops);
    const crossed =
      placed.built &&
      !joined?.setting &&
      loops.find((other) => other.built && placed.built && loopsCross(placed.built, other.built));
    const met = placed.built?.tees.end && wallIn(loops, placed.built.tees.end.wall);
    const off = placed.built && met ? teeOff(placed.built, met, rules.length('outline.tee.gap')) : null;
    loops.push({
      ...placed,
      problems: [
        ...placed.problems,
        ...(off ? [{ kind: 'tee-off' as const, ...off }] : []),
        ...(joined?.problems ?? []),
        ...(crossed ? [{ kind: 'loops-cross' as const, other: crossed.id }] : []),
      ],
    });
    letter += loop.walk.length + (loop.closed ? 0 : 1);
  }
  return { family: setup?.family ?? null, setupProblems: reading.ok ? [] : reading.problems, loops };
}

/** Every wall that stands, loop by loop in walking order. */
export const wallsOf = (shell: Shell): readonly Wall[] =>
  shell.loops.flatMap((loop) => loop.built?.walls ?? []);

/** Turn of a square corner, either way. */
export const isSquare = (turn: Angle): boolean => Math.abs(turn) === FULL_TURN / 4;

import { type Angle, FULL_TURN } from '../measure';
import type { Plan } from '../plan';
import { houseRules } from '../rules';
import { layOutLoop } from './layOutLoop';
import { readSetup } from './setup';
import type { Shell, ShellLoop, Wall } from './shell';

/** What `buildShell` reads of a plan: nothing else can change its answer. */
export type ShellInput = Pick<Plan, 'loops' | 'units' | 'measuredTo' | 'family' | 'core' | 'rules'>;

/**
 * Stands the job's outlines up as walls: form-face lengths for the face the drawing measures to, corners, stations,
 * the core's polygon and plan area. A loop that cannot be worked keeps its walk and says why.
 */
export function buildShell(plan: ShellInput): Shell {
  const rules = houseRules(plan.rules);
  const reading = readSetup(plan);
  const setup = reading.ok ? reading.setup : null;
  const loops: ShellLoop[] = [];
  let letter = 0;
  for (const loop of plan.loops) {
    const laid = layOutLoop(loop, plan, setup, rules, letter);
    loops.push(laid);
    letter += loop.walk.length;
  }
  return { family: setup?.family ?? null, setupProblems: reading.ok ? [] : reading.problems, loops };
}

/** Every wall that stands, loop by loop in walking order. */
export const wallsOf = (shell: Shell): readonly Wall[] =>
  shell.loops.flatMap((loop) => loop.built?.walls ?? []);

/** Turn of a square corner, either way. */
export const isSquare = (turn: Angle): boolean => Math.abs(turn) === FULL_TURN / 4;

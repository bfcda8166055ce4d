import { wallThickness } from '../forms';
import { type Angle, FULL_TURN, type Length, ZERO, add, nanometres } from '../measure';
import type { Loop, MeasuredTo, Plan } from '../plan';
import { type HouseRules, houseRules } from '../rules';
import { closings } from './closing';
import { type Line, offsetCorners, runPastCorner } from './offset';
import { type Point, distance } from './point';
import { firstCrossing, polygonArea } from './polygon';
import { type Setup, readSetup } from './setup';
import type { BuiltLoop, Corner, Faces, LoopProblem, Shell, ShellLoop, Wall } from './shell';
import { type Leg, type Walked, clockwise, gapOf, walkLoop } from './walk';

/** A, B, … Z, AA, AB … */
export function cornerLetter(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26));
  return index < 26 ? letter : cornerLetter(Math.floor(index / 26) - 1) + letter;
}

/** How far inside the form's outside face the drawing's line runs. */
function insetOf(measuredTo: MeasuredTo, panel: Length, thickness: Length): Length {
  if (measuredTo === 'form') return ZERO;
  return measuredTo === 'concrete' ? panel : nanometres(thickness / 2);
}

const ringLength = (corners: readonly Point[]): Length =>
  add(...corners.map((corner, index) => distance(corner, corners[(index + 1) % corners.length] as Point)));

/** The first wall whose side has turned back on itself after offsetting: no room for its thickness. */
function collapsedSide(before: readonly Point[], after: readonly Point[]): number {
  return before.findIndex((from, index) => {
    const next = (index + 1) % before.length;
    const to = before[next] as Point;
    const [movedFrom, movedTo] = [after[index] as Point, after[next] as Point];
    return (to.x - from.x) * (movedTo.x - movedFrom.x) + (to.y - from.y) * (movedTo.y - movedFrom.y) <= 0;
  });
}

interface Built {
  readonly built: BuiltLoop | null;
  readonly problems: readonly LoopProblem[];
}

/** Stands a closed clockwise walk up as walls: faces, corners, stations and the core's plan area. */
function buildWalls(
  loop: Loop,
  legs: readonly Leg[],
  letters: readonly string[],
  setup: Setup,
  measuredTo: MeasuredTo,
): Built {
  const count = legs.length;
  const legAt = (index: number): Leg => legs[(index + count) % count] as Leg;
  const letterAt = (index: number): string => letters[(index + count) % count] as string;
  const { panel } = setup.family;
  const cores = legs.map((leg) => setup.coreByRow.get(leg.row) ?? setup.core);
  const thicknesses = cores.map((core) => wallThickness(setup.family, core));
  const insets = thicknesses.map((thickness) => insetOf(measuredTo, panel, thickness));
  const inset = (index: number): Length => insets[(index + count) % count] as Length;
  const lines: readonly Line[] = legs.map((leg, index) => ({
    from: leg.from,
    heading: leg.heading,
    turnIn: legAt(index - 1).turn,
  }));
  const face = (depth: (index: number) => number): readonly Point[] =>
    offsetCorners(
      lines,
      legs.map((_, index) => nanometres(depth(index) - inset(index))),
    );
  const faces: Faces = {
    formOutside: face(() => 0),
    concreteOutside: face(() => panel),
    concreteInside: face((index) => panel + (cores[index] ?? 0)),
    formInside: face((index) => thicknesses[index] ?? 0),
  };

  const pair = (sides: readonly [number, number]): LoopProblem => ({
    kind: 'crossing',
    walls: [legAt(sides[0]).row, legAt(sides[1]).row],
  });
  const walkCrossing = firstCrossing(legs.map((leg) => leg.from));
  if (walkCrossing) return { built: null, problems: [pair(walkCrossing)] };
  const collapsed = Math.max(
    collapsedSide(faces.formOutside, faces.formInside),
    collapsedSide(
      legs.map((leg) => leg.from),
      faces.formOutside,
    ),
  );
  if (collapsed >= 0) return { built: null, problems: [{ kind: 'no-room', wall: legAt(collapsed).row }] };
  const faceCrossing = firstCrossing(faces.formOutside) ?? firstCrossing(faces.formInside);
  if (faceCrossing) return { built: null, problems: [pair(faceCrossing)] };

  let station = ZERO;
  const walls = legs.map((leg, index): Wall => {
    const start = runPastCorner(legAt(index - 1).turn, inset(index), inset(index - 1));
    const end = runPastCorner(leg.turn, inset(index), inset(index + 1));
    const length = nanometres(leg.length + start + end);
    const wall: Wall = {
      id: leg.row,
      loop: loop.id,
      name: `${letterAt(index)}–${letterAt(index + 1)}`,
      from: letterAt(index),
      to: letterAt(index + 1),
      length,
      measured: leg.length,
      core: cores[index] as Length,
      thickness: thicknesses[index] as Length,
      station,
      heading: leg.heading,
    };
    station = add(station, length);
    return wall;
  });
  const corners = walls.map((wall, index): Corner => {
    const { turn } = legAt(index - 1);
    return {
      letter: wall.from,
      loop: loop.id,
      turn,
      kind: turn > 0 ? 'outside' : 'inside',
      wallBefore: legAt(index - 1).row,
      wallAfter: wall.id,
      station: wall.station,
    };
  });
  return {
    built: {
      walls,
      corners,
      faces,
      perimeter: station,
      centreLine: ringLength(face((index) => panel + (cores[index] ?? 0) / 2)),
      coreArea: polygonArea(faces.concreteOutside) - polygonArea(faces.concreteInside),
    },
    problems: [],
  };
}

/** The last wall of a walk whose gap is too small to tell, drawn home. */
function closeOnLastWall(walked: Walked): readonly Leg[] {
  const last = walked.legs.at(-1);
  const home = walked.legs[0];
  if (last === undefined || home === undefined) return walked.legs;
  return [...walked.legs.slice(0, -1), { ...last, to: home.from, length: distance(last.from, home.from) }];
}

function layOutLoop(
  loop: Loop,
  plan: ShellInput,
  setup: Setup | null,
  rules: HouseRules,
  firstLetter: number,
): ShellLoop {
  const typed = walkLoop(loop, plan.units, rules);
  const walked = clockwise(typed);
  const { legs } = walked;
  const letters = legs.map((_, index) => cornerLetter(firstLetter + index));
  const shown = {
    id: loop.id,
    ...(loop.name === undefined ? {} : { name: loop.name }),
    letters,
    rowNames: legs.map((leg, index) => ({
      row: leg.row,
      name: `${letters[index] ?? ''}–${letters[index + 1] ?? (Math.abs(walked.turned) === FULL_TURN ? (letters[0] ?? '') : cornerLetter(firstLetter + legs.length))}`,
    })),
  };
  const unbuilt = (problems: readonly LoopProblem[], gap: ShellLoop['gap']): ShellLoop => ({
    ...shown,
    walked: [
      ...legs.map((leg) => leg.from),
      ...(legs.length > 0 && (gap?.size ?? 1) > 0 ? [walked.end] : []),
    ],
    gap,
    problems,
    built: null,
  });
  if (loop.walk.length === 0) return unbuilt([{ kind: 'nothing-walked' }], null);
  if (walked.problems.length > 0) return unbuilt(walked.problems, null);
  if (!loop.closed) return unbuilt([{ kind: 'open' }], null);
  const gap = gapOf(walked);
  if (Math.abs(walked.turned) !== FULL_TURN) {
    return unbuilt([{ kind: 'turns', turned: walked.turned, gap, closings: closings(walked) }], gap);
  }
  const told: LoopProblem[] = typed === walked ? [] : [{ kind: 'anticlockwise' }];
  if (gap.size >= rules.length('outline.gap.closed')) {
    return unbuilt([...told, { kind: 'gap', gap, closings: closings(walked) }], gap);
  }
  if (gap.size > 0) told.push({ kind: 'gap-closed', gap, row: (legs.at(-1) as Leg).row });
  const closed = gap.size > 0 ? closeOnLastWall(walked) : legs;
  const { built, problems } = setup
    ? buildWalls(loop, closed, letters, setup, plan.measuredTo)
    : { built: null, problems: [] };
  return {
    ...shown,
    walked: closed.map((leg) => leg.from),
    gap: null,
    problems: [...told, ...problems],
    built,
  };
}

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
    letter += laid.letters.length;
  }
  return { family: setup?.family ?? null, setupProblems: reading.ok ? [] : reading.problems, loops };
}

/** Every wall that stands, loop by loop in walking order. */
export const wallsOf = (shell: Shell): readonly Wall[] =>
  shell.loops.flatMap((loop) => loop.built?.walls ?? []);

/** Turn of a square corner, either way. */
export const isSquare = (turn: Angle): boolean => Math.abs(turn) === FULL_TURN / 4;

import type { Loop, WallCurve } from './plan';
import {
  type Angle,
  type Length,
  type UnitSystem,
  FULL_TURN,
  inches,
  nanometres,
  normalise,
  readLength,
  readTurn,
  toDegrees,
  max,
  ZERO,
  subtract,
} from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type Point, distance, ORIGIN, step } from '../../kernel/geometry/point';

/** A row of the walk that could be read: a wall line as drawn, before any face is worked out. */
export interface Leg {
  readonly row: string;
  readonly length: Length;
  /** Turn at the far end; right positive. */
  readonly turn: Angle;
  readonly heading: Angle;
  readonly from: Point;
  readonly to: Point;
  /** Where the wall is an arc: its radius as drawn, and how far it turns, right positive. */
  readonly curve: { readonly radius: Length; readonly sweep: Angle } | null;
}

/** Why a row of the walk cannot be used as it stands. */
export type RowProblem =
  | { readonly kind: 'length-empty' }
  /** The same at the walk's end: nothing is missed yet. */
  | { readonly kind: 'length-waiting' }
  | { readonly kind: 'length-unreadable'; readonly text: string; readonly message: string }
  | { readonly kind: 'length-ambiguous'; readonly text: string; readonly readings: readonly Length[] }
  | { readonly kind: 'length-not-positive'; readonly length: Length }
  | { readonly kind: 'length-too-long'; readonly length: Length; readonly longest: Length }
  | { readonly kind: 'turn-unreadable'; readonly text: string; readonly message: string }
  | { readonly kind: 'curve-unreadable'; readonly text: string }
  /** An arc runs straight on at both of its ends. */
  | { readonly kind: 'curve-not-tangent' };

export interface Walked {
  /** The rows up to the first that cannot be used. */
  readonly legs: readonly Leg[];
  readonly problems: readonly (RowProblem & { readonly row: string })[];
  /** Sum of all turns: a full turn where the walk is closed and clockwise. */
  readonly turned: Angle;
  /** Where the walk ends, and which way it would go on. */
  readonly end: Point;
  readonly heading: Angle;
}

function lengthProblem(text: string, units: UnitSystem, rules: HouseRules): RowProblem | Length {
  const reading = readLength(text, units);
  if (!reading.ok) {
    if (reading.problem === 'empty') return { kind: 'length-empty' };
    if (reading.problem === 'ambiguous')
      return { kind: 'length-ambiguous', text, readings: reading.readings };
    return { kind: 'length-unreadable', text, message: reading.message };
  }
  const longest = rules.length('outline.wall.longest');
  if (reading.length <= 0) return { kind: 'length-not-positive', length: reading.length };
  if (reading.length > longest) return { kind: 'length-too-long', length: reading.length, longest };
  return reading.length;
}

interface Curve {
  readonly radius: Length;
  readonly sweep: Angle;
}

function readCurve(curve: WallCurve, units: UnitSystem): Curve | { readonly problem: string } {
  const radius = readLength(curve.radius, units);
  const sweep = readTurn(curve.sweep);
  if (!radius.ok || radius.length <= 0) return { problem: curve.radius };
  return sweep.ok && sweep.turn !== 0
    ? { radius: radius.length, sweep: sweep.turn }
    : { problem: curve.sweep };
}

/** Radians of an angle, without its sign. */
export const radiansOf = (angle: Angle): number => (Math.abs(toDegrees(angle)) * Math.PI) / 180;

/** What `arcLeg` goes by. */
interface ArcLegInput {
  readonly row: string;
  readonly from: Point;
  readonly heading: Angle;
  readonly curve: Curve;
  readonly turn: Angle;
}

/** An arc of the walk: its end lies a chord away, half the sweep off its first direction. */
function arcLeg({ row, from, heading, curve, turn }: ArcLegInput): Leg {
  const angle = radiansOf(curve.sweep);
  const chord = 2 * curve.radius * Math.sin(angle / 2);
  const to = step(from, normalise((heading + curve.sweep / 2) as Angle), chord);
  return { row, length: nanometres(curve.radius * angle), turn, heading, from, to, curve };
}

/** Where a walk sets out, and which way. */
export interface SettingOut {
  readonly from: Point;
  readonly heading: Angle;
}

const AT_ORIGIN: SettingOut = { from: ORIGIN, heading: 0 as Angle };

/** Walks a loop's rows from its first corner, heading right on the plan unless it sets out elsewhere. */
export function walkLoop(
  loop: Loop,
  units: UnitSystem,
  rules: HouseRules,
  setting: SettingOut = AT_ORIGIN,
): Walked {
  const legs: Leg[] = [];
  const problems: (RowProblem & { row: string })[] = [];
  let at = setting.from;
  let { heading } = setting;
  let turned = 0 as Angle;
  loop.walk.forEach((row, index) => {
    const curve = row.curve === undefined ? null : readCurve(row.curve, units);
    const length = row.curve === undefined ? lengthProblem(row.length, units, rules) : null;
    const turn = readTurn(row.turn);
    if (curve && !('problem' in curve)) {
      const arc = nanometres(curve.radius * radiansOf(curve.sweep));
      const longest = rules.length('outline.wall.longest');
      if (Math.max(arc, curve.radius) > longest)
        problems.push({
          kind: 'length-too-long',
          length: max(arc, curve.radius),
          longest,
          row: row.id,
        });
    }
    if (length !== null && typeof length !== 'number') problems.push({ ...length, row: row.id });
    if (row.curve && curve && 'problem' in curve)
      problems.push({ kind: 'curve-unreadable', text: curve.problem, row: row.id });
    if (!turn.ok)
      problems.push({ kind: 'turn-unreadable', text: row.turn, message: turn.message, row: row.id });
    else {
      const next = loop.walk[index + 1] ?? (loop.closed ? loop.walk[0] : undefined);
      const besideCurve = row.curve !== undefined || next?.curve !== undefined;
      if (next !== undefined && besideCurve && turn.turn !== 0)
        problems.push({ kind: 'curve-not-tangent', row: row.id });
    }
    if (!turn.ok || problems.length > 0) return;
    if (curve && !('problem' in curve)) {
      legs.push(arcLeg({ row: row.id, from: at, heading, curve, turn: turn.turn }));
      heading = normalise((heading + curve.sweep) as Angle);
      turned = (turned + curve.sweep) as Angle;
    } else if (typeof length === 'number') {
      const to = step(at, heading, length);
      legs.push({ row: row.id, length, turn: turn.turn, heading, from: at, to, curve: null });
    }
    at = (legs.at(-1) as Leg).to;
    heading = normalise((heading + turn.turn) as Angle);
    turned = (turned + turn.turn) as Angle;
  });
  return { legs, problems, turned, end: at, heading };
}

/**
 * The same walk clockwise, from the same first corner. A walk turned left all the way round comes back reversed, its
 * turns on the other side; any other is returned as it is.
 */
export function clockwise(walked: Walked): Walked {
  if (walked.turned !== -FULL_TURN) return walked;
  const count = walked.legs.length;
  let at = ORIGIN;
  let heading = 0 as Angle;
  const legs = walked.legs.map((_, index) => {
    const leg = walked.legs[count - 1 - index] as Leg;
    const turn = (0 - (walked.legs[(2 * count - 2 - index) % count] as Leg).turn) as Angle;
    const sweep = (0 - (leg.curve?.sweep ?? 0)) as Angle;
    if (index === 0) heading = normalise((leg.heading - sweep + FULL_TURN / 2) as Angle);
    const from = at;
    const turnedLeg: Leg = leg.curve
      ? arcLeg({ row: leg.row, from, heading, curve: { radius: leg.curve.radius, sweep }, turn })
      : {
          row: leg.row,
          length: leg.length,
          turn,
          heading,
          from,
          to: step(from, heading, leg.length),
          curve: null,
        };
    at = turnedLeg.to;
    heading = normalise((heading + sweep + turn) as Angle);
    return turnedLeg;
  });
  return { ...walked, legs, turned: FULL_TURN, end: at, heading };
}

/** How far from home the walk ends: the way still to go, split along the plan. */
export interface Gap {
  readonly size: Length;
  /** From the walk's end to its first corner: right and down the plan positive. */
  readonly right: Length;
  readonly down: Length;
}

/** What no tape tells: a wall is not longer or shorter by it, and no block is sawn for it. [ours] */
export const TOO_SMALL_TO_TELL = inches(1 / 32);

export const gapOf = (walked: Walked): Gap => ({
  size: distance(walked.end, ORIGIN),
  right: subtract(ZERO, walked.end.x),
  down: subtract(ZERO, walked.end.y),
});

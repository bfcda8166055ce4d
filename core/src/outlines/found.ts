import type { Point } from '../kernel/geometry/point';
import type { WalkRow } from '../stages/outline';

/** Walls that a plan has at most, as its schema says. */
export const MOST_WALLS = 1000;

/** A corner of a line in a file: nanometres, x to the right, y down as on the plan. */
export interface Vertex {
  readonly x: number;
  readonly y: number;
  /** Where the side from here to the next corner is an arc: the tangent of a quarter of its sweep, right turns positive. */
  readonly bulge?: number;
}

/** A line as a file has it, before anything is understood of it. */
export interface FileLine {
  /** Where in the file it is: `layer Walls`. */
  readonly name: string;
  readonly closed: boolean;
  readonly vertices: readonly Vertex[];
}

/** A hole as a file has it: points of its edges on the plan, and its heights where they are told, in nanometres. */
export interface FileHole {
  readonly name: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
  readonly bottom: number | null;
  readonly top: number | null;
}

/** An opening that was found on a side of an outline. */
export interface FoundOpening {
  readonly name: string;
  /** The side that it is in, counted from 0. */
  readonly side: number;
  /** Stored texts: from the side’s first corner, its width, its height (empty where the file does not tell), its sill. */
  readonly at: string;
  readonly width: string;
  readonly height: string;
  readonly sill: string | null;
}

/** An outline as it was understood: the walk that it becomes, clockwise from the corner that it begins at. */
export interface FoundOutline {
  readonly name: string;
  readonly closed: boolean;
  readonly rows: readonly Pick<WalkRow, 'length' | 'turn' | 'curve'>[];
  /** Its corners as drawn, arcs in short sides, for a picture. */
  readonly drawn: readonly Point[];
  /** Corners that begin a side each. */
  readonly corners: readonly Point[];
  /** All its sides together, in nanometres. */
  readonly perimeter: number;
  readonly openings: readonly FoundOpening[];
}

/** Something of a file that was not taken, and why. */
export interface LeftOut {
  readonly what: string;
  readonly why: string;
}

/** What was understood of a file. */
export interface Understood {
  readonly outlines: readonly FoundOutline[];
  readonly leftOut: readonly LeftOut[];
}

/** What is wrong with a file, where in it, and what to do. */
export interface OutlineProblem {
  readonly where: string;
  readonly what: string;
}

export type OutlineReading =
  | { readonly ok: true; readonly understood: Understood }
  | { readonly ok: false; readonly problems: readonly OutlineProblem[] };

export const refused = (where: string, what: string): OutlineReading => ({
  ok: false,
  problems: [{ where, what }],
});

import type { TeeOff } from './crossings';
import type { Family } from '../../kernel/forms';
import type { Angle, Length } from '../../kernel/measure';
import type { Closing } from './closing';
import type { Point } from '../../kernel/geometry/point';
import type { SetupProblem } from './setup';
import type { Gap, RowProblem } from './walk';

/** A straight wall between two corners. */
export interface Wall {
  /** The id of its row in the walk. */
  readonly id: string;
  readonly loop: string;
  /** `A–B`, in clockwise order. */
  readonly name: string;
  /** Corner letters where it starts and ends, walking clockwise. */
  readonly from: string;
  readonly to: string;
  /** Length along the outside face of the form. */
  readonly length: Length;
  /** Length as drawn, to the face the job measures to. */
  readonly measured: Length;
  /** How far before the drawn corner the form's outside face starts, and how far past the other it ends. */
  readonly beyondStart: Length;
  readonly beyondEnd: Length;
  readonly core: Length;
  /** Panel + core + panel. */
  readonly thickness: Length;
  /** Foam between the concrete and either face. */
  readonly skin: Length;
  /**
   * What the corners at its two ends take off the middle line of its core, measured from the outside face's corner;
   * negative at inside corners, where the middle line runs on.
   */
  readonly coreInset: { readonly start: Length; readonly end: Length };
  /** Where it starts: form-face distance from the loop's first corner. */
  readonly station: Length;
  readonly heading: Angle;
  /** Where the wall is an arc. Its `length` then runs along its longer face, where its blocks are laid. */
  readonly curve: ArcWall | null;
}

/**
 * Where a length along a wall as drawn lies on the form's outside face, from the wall's own start there. On an arc the
 * longer face is laid: a length along the drawn one reaches as much further on it. Nothing is rounded or clamped.
 */
export const alongFace = (wall: Wall, drawn: Length): number =>
  wall.curve ? (drawn * wall.length) / wall.measured : wall.beyondStart + drawn;

/** A wall bent to an arc: straight pieces with relief cuts in their shorter face. */
export interface ArcWall {
  readonly sweep: Angle;
  /** Radii of the form's outside and inside faces. */
  readonly outside: Length;
  readonly inside: Length;
  /** Lengths of both form faces. */
  readonly outsideLength: Length;
  readonly insideLength: Length;
}

/** Where two walls of a closed loop meet. */
export interface Corner {
  readonly letter: string;
  readonly loop: string;
  /** Turn from the wall before into the wall after; right positive. */
  readonly turn: Angle;
  /** Outside corners turn right, inside corners left, walking clockwise; a straight one is where a curve or another core begins. */
  readonly kind: 'outside' | 'inside' | 'straight';
  readonly wallBefore: string;
  readonly wallAfter: string;
  readonly station: Length;
}

/**
 * The faces of a closed loop's walls as plan polygons, corner by corner: the chord of a curved wall stands for its arc.
 */
export interface Faces {
  readonly formOutside: readonly Point[];
  readonly concreteOutside: readonly Point[];
  readonly concreteInside: readonly Point[];
  readonly formInside: readonly Point[];
}

/** Where a straight wall goes on with another core. */
export interface CoreChange {
  /** The wall that starts there, and the one that ends. */
  readonly wall: string;
  readonly before: string;
  readonly corner: string;
  readonly cores: readonly [before: Length, after: Length];
  /** The core that neither form closes at the joint: of which wall, and how wide at either face. */
  readonly open: readonly OpenCore[];
}

/** A strip of a wall's core that its neighbour's form leaves open where the core changes. */
export interface OpenCore {
  readonly wall: string;
  readonly width: Length;
  readonly side: 'outside' | 'inside';
}

/** Why a loop cannot be worked, or what was done for it. */
export type LoopProblem =
  | (RowProblem & { readonly row: string })
  | { readonly kind: 'nothing-walked' }
  | { readonly kind: 'open' }
  | {
      readonly kind: 'turns';
      readonly turned: Angle;
      readonly gap: Gap;
      readonly closings: readonly Closing[];
    }
  | { readonly kind: 'gap'; readonly gap: Gap; readonly closings: readonly Closing[] }
  /** Its last wall, and the length that it was given to come home; null where it keeps its own. */
  | { readonly kind: 'gap-closed'; readonly gap: Gap; readonly row: string; readonly given: Length | null }
  | { readonly kind: 'anticlockwise' }
  /** Two straight walls in one line with nothing that differs. */
  | { readonly kind: 'no-turn'; readonly row: string }
  | ({ readonly kind: 'core-change' } & CoreChange)
  | { readonly kind: 'crossing'; readonly walls: readonly [string, string] }
  | { readonly kind: 'no-room'; readonly wall: string }
  | {
      readonly kind: 'curve-too-tight';
      readonly wall: string;
      readonly radius: Length;
      readonly least: Length;
    }
  /** The walls of two outlines cross or touch. */
  | { readonly kind: 'loops-cross'; readonly other: string }
  | { readonly kind: 'place-unreadable'; readonly text: string }
  | { readonly kind: 'tee-nowhere'; readonly end: 'start' | 'end' }
  | ({ readonly kind: 'tee-off' } & TeeOff);

/** A row of the walk as named on screen, also while the loop is still open. */
export interface RowName {
  readonly row: string;
  readonly name: string;
}

export interface ShellLoop {
  readonly id: string;
  readonly name?: string;
  /** The walk's corners as drawn, as far as it can be read; one that comes home does not repeat its first. */
  readonly walked: readonly Point[];
  readonly letters: readonly string[];
  readonly rowNames: readonly RowName[];
  /** Whether the walk ends where it began, as far as a tape can tell. */
  readonly comesHome: boolean;
  /** The way still to go, where the walk does not come home. */
  readonly gap: Gap | null;
  readonly problems: readonly LoopProblem[];
  /** Present when the loop closes and its walls have room: everything downstream works on these. */
  readonly built: BuiltLoop | null;
}

/** Another wall that an open walk's end meets. */
export interface Tee {
  readonly wall: string;
  /** Where, from that wall's first corner on its outside face; null where only the wall is known. */
  readonly at: Length | null;
  /** Foam of that wall that is cut out for the concrete to run through. */
  readonly skin: Length;
  /** Core of that wall. */
  readonly core: Length;
}

export interface BuiltLoop {
  /** A walk that does not come home. Its ends are free, or meet other walls. */
  readonly open: boolean;
  readonly tees: { readonly start: Tee | null; readonly end: Tee | null };
  readonly walls: readonly Wall[];
  readonly corners: readonly Corner[];
  readonly faces: Faces;
  /** The same faces with every arc in short straight sides, for drawing. */
  readonly outline: Faces;
  /** Form-face length all round. */
  readonly perimeter: Length;
  /** Length all round along the middle of the core. */
  readonly centreLine: Length;
  /** Plan area of the core, square metres. */
  readonly coreArea: number;
}

/** The job's walls in space. */
export interface Shell {
  /** Null where the job's forms cannot be used; `setupProblems` says why. */
  readonly family: Family | null;
  readonly setupProblems: readonly SetupProblem[];
  readonly loops: readonly ShellLoop[];
}

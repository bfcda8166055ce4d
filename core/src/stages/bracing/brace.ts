import type { Length } from '../../kernel/measure';
import type { Ground } from './plan';
import type { FaceEnd } from './faces';
import type { Plank } from './planks';
import type { BraceWhy, Side } from './problem';

/** What an upright is made of. */
export interface MadeUpright {
  readonly length: Length;
  readonly extensions: number;
}

/** A brace: upright and leg at a strip of the wall. */
export interface Brace {
  readonly id: string;
  readonly wall: string;
  readonly at: Length;
  readonly why: BraceWhy;
  /** Corner's letter or opening's id that it stands for. */
  readonly of?: string;
  readonly bottom: Length;
  readonly top: Length;
  /** Courses in which its screws find a strip, of all that stand there. */
  readonly caught: readonly number[];
  readonly courses: number;
  readonly upright: MadeUpright;
}

/** How a wall is held and walked along for one pour. */
export interface PourBracing {
  readonly toCourse: number;
  /** Top of the pour and of its brackets, above the wall's footing. */
  readonly top: Length;
  readonly platform: Length;
  readonly upright: MadeUpright;
  readonly guardrail: boolean;
}

/** How one wall is held and walked along. */
export interface WallBraces {
  readonly wall: string;
  readonly name: string;
  readonly height: Length;
  readonly way: 'braces' | 'waler';
  readonly side: Side;
  readonly sideWhy: 'usual' | 'loose-inside' | 'said';
  readonly ground: Ground;
  readonly braces: readonly Brace[];
  /** Widest bay that was aimed at: what the planks allow. */
  readonly spacing: Length;
  readonly planks: readonly Plank[];
  /** Planks side by side. */
  readonly abreast: number;
  /** Top of the brackets above the wall's footing. */
  readonly platform: Length;
  /** How many plank thicknesses its brackets are dropped, so that planks pass over each other at corners. */
  readonly dropped: number;
  readonly guardrail: boolean;
  /** One for each pour, the lowest first: brackets are raised and uprights lengthened for the next. */
  readonly pours: readonly PourBracing[];
  /** Stations of the diagonals of a low wall. */
  readonly diagonals: readonly Length[];
  readonly ends: readonly [start: FaceEnd, end: FaceEnd];
}

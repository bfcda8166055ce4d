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

/** What the feet of braces stand on: the footing’s own ground, or what was raised beside the wall since. */
export type StandsOn = 'footing' | 'fill' | 'slab';

/** How one wall is held and walked along for one pour. */
export interface WallBraces {
  readonly wall: string;
  readonly name: string;
  /** From the ground that its braces stand on to its top in this pour. */
  readonly height: Length;
  readonly on: StandsOn;
  /** The lowest of what its braces stand on, above the lowest footing. */
  readonly foot: Length;
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
  /** Top of the brackets above what the braces stand on. */
  readonly platform: Length;
  /** How many plank thicknesses its brackets are dropped, so that planks pass over each other at corners. */
  readonly dropped: number;
  readonly guardrail: boolean;
  /** Stations of the diagonals of a low wall. */
  readonly diagonals: readonly Length[];
  readonly ends: readonly [start: FaceEnd, end: FaceEnd];
}

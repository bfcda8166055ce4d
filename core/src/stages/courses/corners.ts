import type { FormSystem } from '../../kernel/forms';
import { type Angle, type Length, add, FULL_TURN, subtract, ZERO, abs, min } from '../../kernel/measure';
import { type Corner, type Wall, insideLater, isSquare } from '../outline';
import type { CornerMake, Hand } from './piece';
import { type WebRules, websOfWhole } from './webs';

/** Which of a corner's two walls the long leg lies on. */
export type LongLegOn = 'before' | 'after';

/** Courses take turns: what holds for odd ones, and for even ones. */
export type Parity = 'odd' | 'even';
export const parityOf = (course: number): Parity => (course % 2 === 1 ? 'odd' : 'even');

/**
 * The wall with the long leg in the first course of a corner: as the corner's own setting says, otherwise as the house
 * rule leads: the same way round everywhere, or alternating round the loop.
 *
 * @param place of the corner in its loop, from 0
 */
export function firstLongLeg(lead: string, place: number): LongLegOn {
  if (lead === 'alternating') return place % 2 === 0 ? 'after' : 'before';
  return lead === 'ending-wall' ? 'before' : 'after';
}

/** The long leg swaps from course to course. */
export const longLegIn = (parity: Parity, first: LongLegOn): LongLegOn =>
  (parity === 'odd') === (first === 'after') ? 'after' : 'before';

/**
 * Hand of the piece, seen from its own outer (convex) side: long leg to the left is LH. On an outside corner that side
 * is the outside of the job, where the wall after the corner lies to the left; on an inside corner it is the inside.
 */
export function handOf(corner: Pick<Corner, 'kind'>, long: LongLegOn): Hand {
  const longToLeft = (corner.kind === 'outside') === (long === 'after');
  return longToLeft ? 'LH' : 'RH';
}

const EIGHTH_TURN = (FULL_TURN / 8) as Angle;

/**
 * How a corner is made. A moulded piece serves square corners, and 45° where the family has one, between walls of one
 * core; other square corners are lapped; all else is mitred.
 */
export function makeOf(system: FormSystem, corner: Corner, one: Wall, other: Wall): CornerMake {
  if (corner.turn === 0) return 'joined';
  const oneCore = one.core === other.core;
  if (isSquare(corner.turn)) return oneCore && system.corner90 ? 'moulded' : 'lapped';
  return Math.abs(corner.turn) === EIGHTH_TURN && oneCore && system.corner45Inside ? 'moulded' : 'mitred';
}

/** What takes up the end of a wall at a corner, or at a free end, in one course. */
export interface WallEnd {
  readonly make: CornerMake | 'free' | 'tee';
  /** Outside-face length from the wall's end to where its clear run begins; below zero where its blocks run on past the corner. */
  readonly take: Length;
  /** Webs in it, back from the corner along the outside face. */
  readonly webs: readonly Length[];
  /** A piece of the wall itself that is sawn for its end: its length on the longer face. */
  readonly stub: Length | null;
  /** Whether its blocks butt against the other wall of a lapped corner. */
  readonly butts: boolean;
}

/** Half a block, on a cut mark. */
const halfBlock = (system: FormSystem): Length =>
  (Math.max(1, Math.round(system.block / 2 / system.cutMark)) * system.cutMark) as Length;

/**
 * A free end, or one that meets another wall: the row starts with a whole block, in the next course with half of one, so
 * that joints keep their stagger.
 */
export function freeEnd(system: FormSystem, parity: Parity, make: 'free' | 'tee'): WallEnd {
  const half = halfBlock(system);
  return parity === 'odd'
    ? { make, take: ZERO, webs: [], stub: null, butts: false }
    : { make, take: half, webs: [], stub: half, butts: false };
}

/** What `wallEnd` goes by. */
interface WallEndInput {
  readonly system: FormSystem;
  readonly corner: Corner;
  readonly own: Wall;
  readonly other: Wall;
  /** Whether the long leg lies on this wall. */
  readonly long: boolean;
  readonly webs: WebRules;
}

/**
 * One wall's end at a corner.
 *
 * - moulded: the leg; on the outside face as listed plus T · tan(θ/2) at an outside corner, as on its inside face at an
 *   inside one [the form maker's figures];
 * - lapped: the wall with the long leg runs through to the far face, the other butts against it [common practice];
 * - joined: a whole block, in the next course half of one, up to the line where a curve begins or ends;
 * - mitred: a whole block sawn at half the turn where the long leg would be, half a block where the short one would be.
 */
export function wallEnd({ system, corner, own, other, long, webs }: WallEndInput): WallEnd {
  const make = makeOf(system, corner, own, other);
  if (make === 'joined') {
    const stub = long ? null : halfBlock(system);
    return { make, take: stub ?? ZERO, webs: [], stub, butts: false };
  }
  const later = insideLater(corner, own, other);
  const outside = corner.kind === 'outside';
  if (make === 'lapped') {
    const take = outside ? (long ? ZERO : other.thickness) : long ? subtract(ZERO, other.thickness) : ZERO;
    return { make, take, webs: [], stub: null, butts: !long };
  }
  if (make === 'mitred') {
    const stub = long ? system.block : halfBlock(system);
    // Sawn so that the longer of its faces is the whole of it.
    return { make, take: add(stub, min(later, ZERO)), webs: [], stub, butts: false };
  }
  const square = isSquare(corner.turn);
  const legs = (square ? system.corner90 : system.corner45Inside) ?? { long: ZERO, short: ZERO };
  const inside = long ? legs.long : legs.short;
  const take = outside ? add(inside, later) : inside;
  return {
    make,
    take,
    webs: websOfWhole(inside, webs).map((fromEnd) => subtract(take, fromEnd)),
    stub: null,
    butts: false,
  };
}

/** Whether a mitre runs so far past the corner that a half block cannot hold it. */
export const isTooSharp = (system: FormSystem, corner: Corner, own: Wall, other: Wall): boolean =>
  add(abs(insideLater(corner, own, other)), system.cutMark) > system.block / 2;

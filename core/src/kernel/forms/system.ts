import { type Length, inches, ZERO, half } from '../measure';
import type { CornerLegs, Family } from './family';

/** What laying courses needs to know of a family, whatever its kind: the piece that is laid in a row, and how it may be cut. */
export interface FormSystem {
  /** Length of a whole piece. */
  readonly block: Length;
  readonly courseHeight: Length;
  /** Spacing of the marks where a saw may go. */
  readonly cutMark: Length;
  /** What ties the two faces together: webs, ties, or the walls between cells. */
  readonly firstWeb: Length;
  readonly webSpacing: Length;
  /** Spacing of nubs and sockets; zero where courses do not interlock. */
  readonly interlock: Length;
  /** A rip leaves two usable halves, and a corner serves either hand. */
  readonly reversible: boolean;
  /** Moulded square corner, where the family has one; without it the walls lap course by course. */
  readonly corner90: CornerLegs | null;
  /** 45° corner, legs on the inside face. */
  readonly corner45Inside: CornerLegs | null;
  readonly halfHeight: Length | null;
}

/** Loose panels and sawn blocks may be cut on any whole inch. */
const SAWN_MARK = inches(1);

/** A family as the courses see it. */
export function systemOf(family: Family): FormSystem {
  switch (family.kind) {
    case 'flat-wall':
      return {
        block: family.straightLength,
        courseHeight: family.courseHeight,
        cutMark: family.cutMark,
        firstWeb: family.firstWeb,
        webSpacing: family.webSpacing,
        interlock: family.interlock,
        reversible: family.reversible,
        corner90: family.corner90,
        corner45Inside: family.corner45Inside ?? null,
        halfHeight: family.halfHeight ?? null,
      };
    case 'panel-and-tie':
      return {
        block: family.panelLength,
        courseHeight: family.courseHeight,
        cutMark: SAWN_MARK,
        firstWeb: half(family.tieSpacing),
        webSpacing: family.tieSpacing,
        interlock: ZERO,
        reversible: true,
        corner90: null,
        corner45Inside: null,
        halfHeight: null,
      };
    case 'cell':
      return {
        block: family.blockLength,
        courseHeight: family.courseHeight,
        cutMark: SAWN_MARK,
        firstWeb: half(family.cellSpacing),
        webSpacing: family.cellSpacing,
        interlock: ZERO,
        reversible: true,
        corner90: null,
        corner45Inside: null,
        halfHeight: null,
      };
  }
}

import { type Length, times, add, subtract, half } from '../measure';

interface FamilyCommon {
  readonly id: string;
  readonly name: string;
  /** Core thicknesses it is made for. */
  readonly cores: readonly Length[];
  /** Height of one course. */
  readonly courseHeight: Length;
  /** Pieces in a bundle, where the maker says. */
  readonly bundle?: number;
  /** Mass of a whole piece in kilograms, where the maker says. */
  readonly massKilograms?: number;
  /** Pressure that the maker states the form can take, in pascals; absent where nobody has said. */
  readonly capacityPascals?: number;
}

/** A moulded corner's legs on the outside face, without the thickness T of the wall that each passes. */
export interface CornerLegs {
  readonly long: Length;
  readonly short: Length;
}

/** Two panels and their webs moulded together. */
export interface FlatWallFamily extends FamilyCommon {
  readonly kind: 'flat-wall';
  readonly straightLength: Length;
  /** Thickness of one foam panel. */
  readonly panel: Length;
  /** Square corner: each leg is this plus T on the outside face of an outside corner. */
  readonly corner90: CornerLegs;
  /** 45° corner, legs measured on the inside face, where the family has one. */
  readonly corner45Inside?: CornerLegs;
  /** Web spacing, and the first web from either end of a whole block. */
  readonly webSpacing: Length;
  readonly firstWeb: Length;
  /** Spacing of the nubs and sockets. */
  readonly interlock: Length;
  /** Spacing of the marks where a saw may go. */
  readonly cutMark: Length;
  /** No top or bottom: a corner serves either hand, a rip leaves two usable halves. */
  readonly reversible: boolean;
  readonly halfHeight?: Length;
  readonly slotsPerWeb?: number;
}

/** Loose panels joined on site with ties. */
export interface PanelAndTieFamily extends FamilyCommon {
  readonly kind: 'panel-and-tie';
  readonly panelLength: Length;
  readonly panel: Length;
  /** Ties stand so far apart along a course, a row of them at every joint between courses. */
  readonly tieSpacing: Length;
  /** Wire ties along the top of the last course, closer, and one more beside each butt joint. */
  readonly topTieSpacing: Length;
  readonly track: { readonly bottom: boolean; readonly top: boolean };
}

/** Blocks of foam-cement or wood-chip cement with a grid of cells; the maker states the volume of a block. */
export interface CellFamily extends FamilyCommon {
  readonly kind: 'cell';
  readonly blockLength: Length;
  readonly blockThickness: Length;
  readonly cellSpacing: Length;
  /** Concrete that fills one block, in cubic metres, as the maker states it. */
  readonly volumePerBlock: number;
  /** A horizontal bar lies in every so-many-th course. */
  readonly barEveryCourses: number;
}

/**
 * Courses of cell blocks in which a horizontal bar lies: the bottom one, every so-many-th from there, and the top one.
 * [common practice]
 */
export const barCourses = (family: CellFamily, courses: number): readonly number[] =>
  Array.from({ length: courses }, (_, index) => index + 1).filter(
    (course) => (course - 1) % family.barEveryCourses === 0 || course === courses,
  );

/** A maker's system of forms. A family is data; nothing in the code knows one by name. */
export type Family = FlatWallFamily | PanelAndTieFamily | CellFamily;

/** Whole thickness T of a wall: panel + core + panel, or that of the block where cells are moulded in it. */
export const wallThickness = (family: Family, core: Length): Length =>
  family.kind === 'cell' ? family.blockThickness : add(times(family.panel, 2), core);

/** Thickness of what stands between the concrete and either face. */
export const skinOf = (family: Family, core: Length): Length =>
  family.kind === 'cell' ? half(subtract(family.blockThickness, core)) : family.panel;

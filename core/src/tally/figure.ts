import type { RuleId } from '../rules';
import type { How, PieceSelector, QuantityUnit } from './how';

/** What the tally counts, by course and in total. */
export const TALLY_KEYS = ['straight', 'cut', 'cornerLH', 'cornerRH', 'coreVolume'] as const;
export type TallyKey = (typeof TALLY_KEYS)[number];

/** A number with its why: how it was worked out, by which rules, and which pieces it counts. */
export interface Figure {
  /** `course.3.straight`, `total.coreVolume`. */
  readonly id: string;
  /** What it is, as a heading: `whole blocks in course 3`. */
  readonly title: string;
  readonly value: number;
  readonly unit: QuantityUnit;
  readonly how: How;
  readonly rules: readonly RuleId[];
  readonly pieces: PieceSelector;
}

export type TallyRow = Readonly<Record<TallyKey, Figure>>;

export interface CourseTally extends TallyRow {
  readonly course: number;
  /** Walls with a cut piece that is too short or whose ear is too long. */
  readonly wallsToStrap: number;
}

export interface Tally {
  readonly courses: readonly CourseTally[];
  readonly total: TallyRow & { readonly blocksBought: Figure };
}

/** Every figure of a tally, course by course and then the totals. */
export function figuresOf(tally: Tally): readonly Figure[] {
  const row = (figures: TallyRow): readonly Figure[] => TALLY_KEYS.map((key) => figures[key]);
  return [...tally.courses.flatMap(row), ...row(tally.total), tally.total.blocksBought];
}

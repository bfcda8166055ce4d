import type { RuleId } from '../rules';
import { type How, type PieceSelector, type QuantityUnit, evaluate } from './how';

/** What the tally counts, by course and in total. */
export const TALLY_KEYS = ['straight', 'cut', 'cornerLH', 'cornerRH', 'buckFaces', 'coreVolume'] as const;
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

/** A figure from its tree: value and unit follow from how it was worked out. */
export const figureOf = (
  id: string,
  title: string,
  how: How,
  rules: readonly RuleId[],
  pieces: PieceSelector,
): Figure => ({ id, title, value: evaluate(how), unit: how.unit, how, rules, pieces });

export type TallyRow = Readonly<Record<TallyKey, Figure>>;

export interface CourseTally extends TallyRow {
  readonly course: number;
  /** Walls with a cut piece that is too short or whose ear is too long. */
  readonly wallsToStrap: number;
}

/** What is stacked and poured in one go. */
export interface StageTally extends TallyRow {
  readonly id: string;
  readonly name: string;
  readonly from: number;
  readonly to: number;
  /** Poured to the top of its last course, or to the middle of it. */
  readonly top: 'full' | 'half';
  /** What is done before the next one. */
  readonly then: string | null;
}

/** The walls as a whole: form face all round, plan area of the core, height. */
export interface OutlineFigures {
  readonly perimeter: Figure;
  readonly coreArea: Figure;
  readonly height: Figure;
}

export interface Tally {
  readonly outline: OutlineFigures;
  readonly courses: readonly CourseTally[];
  /** Empty where the job is poured in one go. */
  readonly stages: readonly StageTally[];
  readonly total: TallyRow & { readonly blocksBought: Figure };
}

/** Every figure of a tally: the outline's, course by course, and the totals. */
export function figuresOf(tally: Tally): readonly Figure[] {
  const row = (figures: TallyRow): readonly Figure[] => TALLY_KEYS.map((key) => figures[key]);
  const { perimeter, coreArea, height } = tally.outline;
  return [
    perimeter,
    coreArea,
    height,
    ...tally.courses.flatMap(row),
    ...tally.stages.flatMap(row),
    ...row(tally.total),
    tally.total.blocksBought,
  ];
}

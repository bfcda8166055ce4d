import type { Figure } from '../../kernel/figures/figure';

/** What the tally counts, by course and in total. */
export const TALLY_KEYS = ['straight', 'cut', 'cornerLH', 'cornerRH', 'buckFaces', 'coreVolume'] as const;
export type TallyKey = (typeof TALLY_KEYS)[number];

export type TallyRow = Readonly<Record<TallyKey, Figure>>;

export interface CourseTally extends TallyRow {
  readonly course: number;
  /** Walls with a cut piece that is too short or whose ear is too long. */
  readonly wallsToStrap: number;
}

/** What is stacked and poured in one go. */
export interface PourTally extends TallyRow {
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
  readonly pours: readonly PourTally[];
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
    ...tally.pours.flatMap(row),
    ...row(tally.total),
    tally.total.blocksBought,
  ];
}

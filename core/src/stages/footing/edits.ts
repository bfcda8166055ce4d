import type { UnitSystem } from '../../kernel/measure';
import type { FootingKind, FootingPlan, Pull, Shot } from './plan';
import { storedLengthText } from '../../kernel/plan/storedText';

/** What may be set on the footing; null takes it off again, back to the house rule or to nothing measured. */
export interface FootingChange {
  readonly kind?: FootingKind;
  readonly width?: string | null;
  readonly depth?: string | null;
  readonly withWall?: boolean | null;
  readonly sheet?: string | null;
  readonly shots?: readonly Shot[] | null;
  readonly after?: readonly Shot[] | null;
  readonly pulls?: readonly Pull[] | null;
  readonly ready?: readonly string[] | null;
}

/** A footing of which nothing has been said. */
const PLAIN_FOOTING: FootingPlan = { kind: 'strip' };

/** The footing with a change on it, lengths in their stored form; what is empty goes, as if it had never been. */
export function changeFooting(
  footing: FootingPlan | undefined,
  change: FootingChange,
  units: UnitSystem,
): FootingPlan {
  const length = (text: string | null | undefined): string | null =>
    text === null || text === undefined || text.trim() === '' ? null : storedLengthText(text, units);
  const shots = (list: readonly Shot[] | null | undefined): readonly Shot[] | null =>
    list?.map((shot) => ({
      ...shot,
      at: storedLengthText(shot.at, units),
      reading: storedLengthText(shot.reading, units),
    })) ?? null;
  const { width, depth, sheet, shots: before, after, pulls } = change;
  const stored = {
    ...change,
    ...(width === undefined ? {} : { width: length(width) }),
    ...(depth === undefined ? {} : { depth: length(depth) }),
    ...(sheet === undefined ? {} : { sheet: length(sheet) }),
    ...(before === undefined ? {} : { shots: shots(before) }),
    ...(after === undefined ? {} : { after: shots(after) }),
    ...(pulls === undefined
      ? {}
      : {
          pulls: pulls?.map((pull) => ({ ...pull, length: storedLengthText(pull.length, units) })) ?? null,
        }),
  };
  return Object.fromEntries(
    Object.entries({ ...PLAIN_FOOTING, ...footing, ...stored }).filter(
      ([, value]) => value !== null && value !== false && !(Array.isArray(value) && value.length === 0),
    ),
  ) as unknown as FootingPlan;
}

import { type Judged, allOf, fine } from '../judged';
import type { z } from 'zod';
import { type Length, inches, readLength, storeLength } from '../measure';
import { type Family, wallThickness } from './family';
import type { familyFileSchema } from './familySchema';
import { type DocumentProblem, isObject } from './reading';

export const FAMILY_FORMAT = 'ombra.family';

/** A form family as a file. */
export type FamilyFile = z.infer<typeof familyFileSchema>;

export type FamilyReading =
  | { readonly ok: true; readonly family: Family }
  | { readonly ok: false; readonly problems: readonly DocumentProblem[] };

/** The longest piece and the most of anything that a family may state: more is a slip of the unit. */
const LONGEST_PIECE = inches(40 * 12);
const MOST_TO_A_BUNDLE = 1000;

const isCount = (value: number): boolean =>
  Number.isInteger(value) && value >= 1 && value <= MOST_TO_A_BUNDLE;

/** What a family's figures say that no block can be: every contradiction, where and why. */
function contradictions(family: Family): readonly DocumentProblem[] {
  const found: DocumentProblem[] = [];
  const claim = (holds: boolean, where: string, what: string): void => {
    if (!holds) found.push({ where, what });
  };
  const thickest = Math.max(...family.cores.map((core) => wallThickness(family, core)));
  claim(
    family.bundle === undefined || isCount(family.bundle),
    'bundle',
    'A bundle holds a whole number of pieces, one or more.',
  );
  claim(
    family.massKilograms === undefined || family.massKilograms > 0,
    'massKilograms',
    'A piece weighs more than nothing; leave the mass out if nobody knows it.',
  );
  claim(
    family.capacityPascals === undefined || family.capacityPascals > 0,
    'capacityPascals',
    'A stated pressure is more than nothing; leave it out if nobody knows it.',
  );
  if (family.kind === 'flat-wall') {
    const { straightLength, firstWeb, webSpacing, interlock, cutMark, corner90, corner45Inside } = family;
    claim(
      firstWeb < straightLength,
      'firstWeb',
      'The first web lies outside the block; it must be nearer than the block is long.',
    );
    claim(
      webSpacing <= straightLength,
      'webSpacing',
      'The webs stand further apart than the block is long: it would have one web or none.',
    );
    claim(
      (straightLength - 2 * firstWeb) % webSpacing === 0,
      'webSpacing',
      'First web, spacing and length do not agree: the last web must be as far from its end as the first.',
    );
    claim(
      interlock > 0 && straightLength % interlock === 0,
      'interlock',
      'The block must be a whole number of interlock pitches long.',
    );
    claim(cutMark <= straightLength, 'cutMark', 'The cut marks are further apart than the block is long.');
    claim(
      corner90.long > corner90.short,
      'corner90',
      'The long leg must be longer than the short one, or no course could swap them.',
    );
    claim(
      corner90.short > 0,
      'corner90.short',
      'A leg that is no longer than the wall is thick leaves nothing past the corner; a corner cannot be closed with it.',
    );
    claim(
      corner90.long + thickest <= 2 * straightLength,
      'corner90.long',
      'The long leg is more than two blocks long; check the unit.',
    );
    claim(
      corner45Inside === undefined || corner45Inside.long > corner45Inside.short,
      'corner45Inside',
      'The long leg must be longer than the short one, or no course could swap them.',
    );
    claim(
      family.halfHeight === undefined || family.halfHeight < family.courseHeight,
      'halfHeight',
      'A half-height piece must be lower than a course.',
    );
  }
  if (family.kind === 'panel-and-tie') {
    claim(
      family.panelLength % family.tieSpacing === 0,
      'tieSpacing',
      'A panel must be a whole number of tie spacings long, or the ties of two courses do not meet.',
    );
    claim(
      family.topTieSpacing <= family.tieSpacing,
      'topTieSpacing',
      'Top ties stand as close as the others, or closer.',
    );
  }
  if (family.kind === 'cell') {
    claim(
      family.blockLength % family.cellSpacing === 0,
      'cellSpacing',
      'A block must hold a whole number of cells.',
    );
    claim(
      family.cores.every((core) => core < family.blockThickness),
      'cores',
      'A cell must be narrower than its block is thick.',
    );
    const block = (family.blockLength * family.courseHeight * family.blockThickness) / 1e27;
    claim(
      family.volumePerBlock > 0 && family.volumePerBlock < block,
      'volumePerBlock',
      'The concrete in a block must be more than nothing and less than the block itself.',
    );
    claim(
      isCount(family.barEveryCourses),
      'barEveryCourses',
      'Bars lie in every course, every second, every third: write a whole number.',
    );
  }
  return found;
}

const PLAIN_TEXT = new Set(['format', 'kind', 'id', 'name']);

/** Reads every length of a file; a problem names the place of each unreadable one. */
function readLengths(value: unknown, where: string): Judged<unknown, DocumentProblem> {
  if (typeof value === 'string') {
    const reading = readLength(value, 'imperial');
    if (!reading.ok) {
      const what = `“${value}” cannot be read as a length. ${reading.message}`;
      return { value: inches(1), problems: [{ where, what }] };
    }
    const fits = reading.length > 0 && reading.length <= LONGEST_PIECE;
    const what = `“${value}” cannot be: a length here is more than nothing and at most 40 ft.`;
    return { value: reading.length, problems: fits ? [] : [{ where, what }] };
  }
  if (Array.isArray(value)) {
    return allOf(value.map((each, index) => readLengths(each, `${where}[${String(index)}]`)));
  }
  if (isObject(value)) {
    const read = Object.entries(value).map(
      ([key, each]) =>
        [
          key,
          PLAIN_TEXT.has(key) ? fine(each) : readLengths(each, where === '' ? key : `${where}.${key}`),
        ] as const,
    );
    return {
      value: Object.fromEntries(read.map(([key, each]) => [key, each.value])),
      problems: read.flatMap(([, each]) => each.problems),
    };
  }
  return fine(value);
}

/**
 * A family from a file whose form has been seen to: its lengths read, and figures that no block can have refused, with every
 * problem and its place.
 */
export function familyOfFile(document: FamilyFile): FamilyReading {
  const file = Object.entries(document).filter(([key]) => key !== 'format' && key !== 'version');
  const { value, problems } = readLengths(Object.fromEntries(file), '');
  const family = value as Family;
  const all = problems.length > 0 ? problems : contradictions(family);
  return all.length > 0 ? { ok: false, problems: all } : { ok: true, family };
}

const isLengthKey = (key: string): boolean =>
  ![
    'bundle',
    'massKilograms',
    'capacityPascals',
    'slotsPerWeb',
    'volumePerBlock',
    'barEveryCourses',
  ].includes(key);

function writeLengths(value: unknown, key: string): unknown {
  if (typeof value === 'number') return isLengthKey(key) ? storeLength(value as Length, 'imperial') : value;
  if (Array.isArray(value)) return value.map((each) => writeLengths(each, key));
  if (isObject(value)) {
    return Object.fromEntries(
      Object.entries(value).map(([inner, each]) => [inner, writeLengths(each, inner)]),
    );
  }
  return value;
}

/** A family as a file that `readFamily` reads back to the same family. */
export const writeFamily = (family: Family): FamilyFile =>
  ({ format: FAMILY_FORMAT, version: 1, ...(writeLengths(family, '') as object) }) as FamilyFile;

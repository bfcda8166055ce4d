import {
  type Length,
  type UnitSystem,
  NANOMETRES_PER_FOOT,
  NANOMETRES_PER_INCH,
  NANOMETRES_PER_METRE,
  NANOMETRES_PER_MILLIMETRE,
} from './length';

/** What a typed length was understood as. An ambiguous one is asked back with every reading, never guessed. */
type LengthReading =
  | { readonly ok: true; readonly length: Length }
  | { readonly ok: false; readonly problem: 'empty' | 'unreadable' | 'too-long'; readonly message: string }
  | {
      readonly ok: false;
      readonly problem: 'ambiguous';
      readonly message: string;
      readonly readings: readonly Length[];
    };

/** Longest length that is still exact with room for sums: 1 000 km. */
const LONGEST = 1_000_000 * NANOMETRES_PER_METRE;

interface Fraction {
  readonly over: bigint;
  readonly under: bigint;
}

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/** No crew writes a length with more characters than this. */
export const LONGEST_TEXT = 120;

const UNREADABLE = 'Write a length like 21′ 5 1/2″, 257.5″, 21ft 5in, 6.54 m or 6540 mm.';

/** Curly quotes, primes, vulgar fractions, long dashes and words, brought to one plain spelling. */
function plain(text: string): string {
  return text
    .toLowerCase()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (sign) => ` ${VULGAR[sign] ?? ''}`)
    .replace(/⁄/g, '/')
    .replace(/[\u00a0\u2007\u2009\u202f]/g, ' ')
    .replace(/[‐‑‒–—−]/g, '-')
    .replace(/''|’’|′′|‘‘|[“”″〃]/g, '"')
    .replace(/[‘’′´`]/g, "'")
    .replace(/(?<![a-z])(?:feet|foot|ft)(?![a-z])\.?/g, "'")
    .replace(/(?<![a-z])(?:inches|inch|in)(?![a-z])\.?/g, '"')
    .replace(/\s+/g, ' ')
    .trim();
}

const NUMBER = String.raw`\d+(?:\.\d+)?|\.\d+`;
const FRACTION = String.raw`\d+\/\d+`;
/** A number, a fraction, or a whole number and a fraction: `5`, `5.5`, `1/2`, `5 1/2`, `5-1/2`. */
const MIXED = String.raw`(?:\d+[ -])?${FRACTION}|${NUMBER}`;

const METRIC = new RegExp(`^(${NUMBER}) ?(mm|cm|m|millimet(?:er|re)s?|centimet(?:er|re)s?|met(?:er|re)s?)$`);
const FEET_AND_INCHES = new RegExp(`^(${MIXED}) ?'(?: ?-? ?(${MIXED}) ?"?)?$`);
const INCHES = new RegExp(`^(${MIXED}) ?"$`);
const FEET_DASH_INCHES = new RegExp(`^(\\d+)[ -]((?:\\d+[ -])${FRACTION}|${NUMBER})$`);
const BARE_MIXED = new RegExp(`^(\\d+)[ -](${FRACTION})$`);
const BARE_FRACTION = new RegExp(`^${FRACTION}$`);
const BARE = new RegExp(`^(${NUMBER})$`);

/** Reads `5`, `5.5`, `1/2`, `5 1/2` or `5-1/2` as an exact fraction; null where the part under the line is zero. */
function fraction(text: string): Fraction | null {
  const parts = text.split(/[ -]/);
  let over = 0n;
  let under = 1n;
  for (const part of parts) {
    const [left = '', right] = part.split('/');
    let partOver: bigint;
    let partUnder: bigint;
    if (right === undefined) {
      const [whole = '', decimals = ''] = left.split('.');
      partOver = BigInt(`${whole}${decimals}` || '0');
      partUnder = 10n ** BigInt(decimals.length);
    } else {
      partOver = BigInt(left);
      partUnder = BigInt(right);
      if (partUnder === 0n) return null;
    }
    over = over * partUnder + partOver * under;
    under *= partUnder;
  }
  return { over, under };
}

/** `value` of a unit in whole nanometres, rounded half up. */
function scaled(value: Fraction, nanometresPerUnit: number): bigint {
  const doubled = 2n * value.over * BigInt(nanometresPerUnit);
  return (doubled + value.under) / (2n * value.under);
}

type Parts = readonly (readonly [text: string, nanometresPerUnit: number])[];

function total(parts: Parts): bigint | null {
  let sum = 0n;
  for (const [text, unit] of parts) {
    const value = fraction(text);
    if (value === null) return null;
    sum += scaled(value, unit);
  }
  return sum;
}

function metricUnit(name: string): number {
  if (name === 'mm' || name.startsWith('milli')) return NANOMETRES_PER_MILLIMETRE;
  if (name === 'cm' || name.startsWith('centi')) return 10 * NANOMETRES_PER_MILLIMETRE;
  return NANOMETRES_PER_METRE;
}

/** Every way the plain text can be meant: none, one, or two where crews write the same for both. */
function meanings(text: string, units: UnitSystem): readonly Parts[] {
  const metric = METRIC.exec(text);
  if (metric) return [[[metric[1] ?? '', metricUnit(metric[2] ?? 'm')]]];

  const feetAndInches = FEET_AND_INCHES.exec(text);
  if (feetAndInches) {
    const [, feet = '', inches] = feetAndInches;
    return [
      [
        [feet, NANOMETRES_PER_FOOT],
        [inches ?? '0', NANOMETRES_PER_INCH],
      ],
    ];
  }

  const inchesOnly = INCHES.exec(text);
  if (inchesOnly) return [[[inchesOnly[1] ?? '', NANOMETRES_PER_INCH]]];

  const bareMixed = BARE_MIXED.exec(text);
  if (bareMixed) {
    const [, whole = '', part = ''] = bareMixed;
    return [
      [[`${whole} ${part}`, NANOMETRES_PER_INCH]],
      [
        [whole, NANOMETRES_PER_FOOT],
        [part, NANOMETRES_PER_INCH],
      ],
    ];
  }

  const feetDashInches = FEET_DASH_INCHES.exec(text);
  if (feetDashInches) {
    const [, feet = '', inches = ''] = feetDashInches;
    // Twelve inches or more after a dash is more likely a slip than a length.
    if (Number.parseFloat(inches) >= 12) return [];
    return [
      [
        [feet, NANOMETRES_PER_FOOT],
        [inches, NANOMETRES_PER_INCH],
      ],
    ];
  }

  if (BARE_FRACTION.test(text)) {
    return [[[text, NANOMETRES_PER_INCH]], [[text, NANOMETRES_PER_FOOT]]];
  }

  const bare = BARE.exec(text);
  if (bare) {
    return [[[bare[1] ?? '', units === 'metric' ? NANOMETRES_PER_MILLIMETRE : NANOMETRES_PER_FOOT]]];
  }
  return [];
}

/** A comma is a decimal comma, but three digits behind it may also be thousands: both spellings are tried then. */
function commaSpellings(text: string): readonly string[] {
  if (!text.includes(',')) return [text];
  const commas = text.split(',').length - 1;
  const grouped = text.replaceAll(',', '');
  if (commas > 1) return /(?<![\d,.])[1-9]\d{0,2}(?:,\d{3})+(?![\d,])/.test(text) ? [grouped] : [];
  const decimal = text.replace(',', '.');
  if (text.includes('.')) return [];
  return /(?<![\d.])[1-9]\d{0,2},\d{3}(?!\d)/.test(text) ? [decimal, grouped] : [decimal];
}

/**
 * Reads a length in any notation of the field: `21'5-1/2`, `21' 5 1/2"`, `21-5.5`, `5-1/2"`, `257.5"`, `21ft 5in`,
 * `6.54 m`, `6,54 m`, `6540 mm`, with straight or curly quotes. A bare number is feet in a feet-inch job and
 * millimetres in a metric one.
 *
 * @param text what was typed
 * @param units what a bare number means
 * @returns the length, exact to the nanometre; or why there is none; or both readings where two are possible
 * @example readLength(`21' 5 1/2"`, 'imperial') // { ok: true, length: inches(257.5) }
 */
export function readLength(text: string, units: UnitSystem): LengthReading {
  const known = KNOWN[units].get(text);
  if (known) return known;
  const reading = freshly(text, units);
  if (KNOWN[units].size >= MOST_KNOWN) KNOWN[units].clear();
  KNOWN[units].set(text, reading);
  return reading;
}

/** Texts that were read before: all of a plan's are read again with every edit, and most are what they were. */
const KNOWN: Readonly<Record<UnitSystem, Map<string, LengthReading>>> = {
  imperial: new Map(),
  metric: new Map(),
};

/** A large plan has some thousand lengths. */
const MOST_KNOWN = 10_000;

function freshly(text: string, units: UnitSystem): LengthReading {
  if (text.length > LONGEST_TEXT) return { ok: false, problem: 'unreadable', message: UNREADABLE };
  const clean = plain(text);
  if (clean === '') return { ok: false, problem: 'empty', message: 'No length yet.' };
  const negative = clean.startsWith('-');
  const unsigned = negative ? clean.slice(1).trim() : clean;
  const found = new Set<bigint>();
  for (const spelling of commaSpellings(unsigned)) {
    for (const parts of meanings(spelling, units)) {
      const sum = total(parts);
      if (sum !== null) found.add(sum);
    }
  }
  const [first, ...others] = [...found];
  if (first === undefined) return { ok: false, problem: 'unreadable', message: UNREADABLE };
  if ([first, ...others].some((sum) => sum > BigInt(LONGEST))) {
    return { ok: false, problem: 'too-long', message: 'That is over 1000 km; check the unit.' };
  }
  const signed = (sum: bigint): Length => (Number(negative ? -sum : sum) + 0) as Length;
  if (others.length > 0) {
    return {
      ok: false,
      problem: 'ambiguous',
      message: 'This can be read in two ways; choose the one you mean.',
      readings: [first, ...others].map(signed),
    };
  }
  return { ok: true, length: signed(first) };
}

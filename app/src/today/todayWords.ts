import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { TodayBars, TodayBraces, TodayPiece } from '@ombra/core/today';

/** A length as it is written on a block with a felt pen. */
const inchesText = (length: Length, units: UnitSystem): string =>
  showLength(length, units, { style: 'inches' });

const HANDS = { LH: 'Left-hand', RH: 'Right-hand' } as const;

/** A piece as it is called out: large, then what goes with it. */
export function pieceText(
  piece: TodayPiece,
  units: UnitSystem,
): { readonly what: string; readonly cut: string | null; readonly notes: readonly string[] } {
  if (piece.kind === 'corner') {
    return {
      what:
        piece.make === 'lapped'
          ? `Corner ${piece.corner}, lapped`
          : `${HANDS[piece.hand]} corner ${piece.corner}`,
      cut: null,
      notes: [
        piece.leg === 0 ? 'the other wall runs through' : `leg here ${inchesText(piece.leg, units)}`,
        ...(piece.at === 'end' ? ['where the wall ends'] : []),
      ],
    };
  }
  const notes = [
    ...(piece.from === null
      ? []
      : [
          piece.from.part === 'offcut'
            ? `what was left of block ${String(piece.from.block)}`
            : `from block ${String(piece.from.block)}`,
        ]),
    ...(piece.mitred ? ['mitered for the corner'] : []),
    ...(piece.ripped === null ? [] : [`ripped to ${inchesText(piece.ripped, units)} high`]),
    ...piece.notchedFor.map((name) => `cut out for ${name}`),
    `begins at ${showLength(piece.start, units)}`,
  ];
  return piece.kind === 'whole'
    ? { what: 'Whole block', cut: null, notes }
    : { what: 'Cut', cut: inchesText(piece.length, units), notes };
}

const PARTS: Readonly<Record<string, string>> = {
  2: 'half',
  4: 'quarter',
  8: 'eighth',
  16: 'sixteenth',
  32: 'thirty-second',
  64: 'sixty-fourth',
};

/**
 * A text with lengths as a voice reads it so that nobody has to guess.
 *
 * @example forTheEar('46 1/2″') // '46 and 1 half inches'
 */
export const forTheEar = (text: string): string =>
  text
    .replace(/(\d) (\d+)\/(\d+)/g, '$1 and $2/$3')
    .replace(/(\d+)\/(\d+)/g, (whole, count: string, part: string) => {
      const name = PARTS[part];
      return name === undefined ? whole : `${count} ${name}${count === '1' ? '' : 's'}`;
    })
    .replaceAll('″', ' inches')
    .replaceAll('′', ' feet');

/** A piece for the ear: what it is, how long, and the first of what goes with it. */
export function spoken(piece: TodayPiece, units: UnitSystem): string {
  const { what, cut, notes } = pieceText(piece, units);
  return forTheEar(`${cut === null ? what : `${what}, ${cut}`}. ${notes[0] ?? ''}`);
}

const WHEN: Readonly<Record<TodayBars['when'], string>> = {
  before: 'before it is laid',
  in: 'in it',
  after: 'once it is laid',
};

/** Where bars go, and when. */
export const barsText = ({ slot, when }: Pick<TodayBars, 'slot' | 'when'>, slots: number): string =>
  slot === null ? WHEN[when] : `${WHEN[when]}, slot ${String(slot)} of ${String(slots)} from the outside`;

/** When braces go up, and on which side. */
export function bracesText({ after, done, side }: TodayBraces, course: number): string {
  if (done) return `Up, ${side}.`;
  if (after === null || after < course) return `Up before this course, ${side}.`;
  return after === course
    ? `Up once this course is laid, ${side}.`
    : `Up after course ${String(after)}, ${side}.`;
}

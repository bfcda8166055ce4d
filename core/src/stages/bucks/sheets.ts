import { type Length, inches, nanometres } from '../../kernel/measure';
import { type StockPattern, cutStock } from '../../kernel/stock/cutStock';
import { type Wanted, partsOf } from './lumber';
import type { Member } from './members';

/** A sheet of plywood as it is sold, and what the saw takes. [PS 1; from memory] */
const SHEET = { length: inches(96), width: inches(48), kerf: inches(1 / 8) };

const NAMES: Readonly<Record<'sheet' | 'bending', string>> = {
  sheet: 'Plywood for liners and ribs',
  bending: 'Bending plywood over curved heads',
};

/** Strips of one width, and what comes out of each. */
export interface SheetStrips {
  readonly width: Length;
  readonly lengths: readonly StockPattern[];
}

/** Sheets of one material: first ripped to strips of their length, then cut across. */
export interface SheetList {
  readonly id: Extract<Member['from'], 'sheet' | 'bending'>;
  readonly name: string;
  readonly length: Length;
  readonly width: Length;
  readonly strips: readonly SheetStrips[];
  readonly sheets: number;
}

/** Strips of every width that the members of one material take, the widest first. Wider ones than a sheet are joined of several. */
function stripsOf(members: readonly Member[]): readonly SheetStrips[] {
  const widths = new Map<Length, Map<Length, number>>();
  for (const member of members) {
    const across = Math.ceil((member.width ?? SHEET.width) / SHEET.width);
    const width = nanometres((member.width ?? SHEET.width) / across);
    const { length, count } = partsOf(member.length, SHEET.length);
    const own = widths.get(width) ?? new Map<Length, number>();
    widths.set(width, own);
    own.set(length, (own.get(length) ?? 0) + across * count * member.count);
  }
  return [...widths]
    .sort(([a], [b]) => b - a)
    .map(([width, lengths]) => {
      const reading = cutStock(
        [...lengths].map(([length, count]) => ({ length, count })),
        SHEET.length,
        SHEET.kerf,
        'quick',
      );
      return { width, lengths: reading.ok ? reading.plan.pieces : [] };
    });
}

/** The sheets of all bucks: ripped to strips, and those cut to length, with as few sheets as both cuts allow. */
export function sheetsOf(wanted: readonly Wanted[]): readonly SheetList[] {
  return (['sheet', 'bending'] as const).flatMap((from): SheetList[] => {
    const members = wanted.flatMap(({ member }) => (member.from === from ? [member] : []));
    if (members.length === 0) return [];
    const strips = stripsOf(members);
    const reading = cutStock(
      strips.map(({ width, lengths }) => ({ length: width, count: lengths.length })),
      SHEET.width,
      SHEET.kerf,
      'quick',
    );
    return [
      {
        id: from,
        name: NAMES[from],
        length: SHEET.length,
        width: SHEET.width,
        strips,
        sheets: reading.ok ? reading.plan.pieces.length : 0,
      },
    ];
  });
}

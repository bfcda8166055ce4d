import { type DayItem, type ItemPieces, piecesOf } from '@ombra/core/stages/days';
import type { WorkedPlan } from '@ombra/core/worked';

interface SheetLink {
  readonly path: string;
  readonly name: string;
}

/** Sheets that a kind of work wants at hand. */
const SHEETS_OF: Readonly<Partial<Record<DayItem['kind'], readonly SheetLink[]>>> = {
  chalk: [{ path: 'footing', name: 'Footing' }],
  survey: [{ path: 'footing', name: 'Footing' }],
  bucks: [{ path: 'openings', name: 'Openings' }],
  course: [
    { path: 'courses', name: 'Courses' },
    { path: 'above', name: 'From above' },
    { path: 'steel', name: 'Steel' },
  ],
  verticals: [{ path: 'steel', name: 'Steel' }],
  inserts: [{ path: 'openings', name: 'Openings' }],
  braces: [{ path: 'bracing', name: 'Bracing' }],
  straighten: [{ path: 'bracing', name: 'Bracing' }],
  pour: [{ path: 'pour', name: 'Pour' }],
  plates: [
    { path: 'top', name: 'Plates and bolts' },
    { path: 'ledgers', name: 'Ledgers, hangers, pockets' },
  ],
  top: [{ path: 'top', name: 'Plates and bolts' }],
};

const pieceText = (name: string, pieces: ItemPieces): string => {
  const parts = [
    [pieces.straight, 'whole'],
    [pieces.cut, 'cut'],
    [pieces.left, 'LH'],
    [pieces.right, 'RH'],
    [pieces.braces, pieces.braces === 1 ? 'brace' : 'braces'],
    [pieces.planks, pieces.planks === 1 ? 'plank' : 'planks'],
    ...pieces.bars.map(({ size, count }) => [count, size] as const),
  ] as const;
  const told = parts.flatMap(([count, what]) => (count > 0 ? [`${String(count)} ${what}`] : []));
  return told.length === 0 ? '' : `${name}: ${told.join(', ')}`;
};

/** What a day’s work takes along: pieces and bars of each item, and the sheets. */
export function takeAlong(worked: WorkedPlan, items: readonly DayItem[]) {
  const sheets = new Map(
    items.flatMap(({ kind }) => SHEETS_OF[kind] ?? []).map((sheet) => [sheet.path, sheet]),
  );
  return {
    pieces: items.map((item) => pieceText(item.name, piecesOf(worked, item))).filter((text) => text !== ''),
    sheets: [...sheets.values()],
  };
}

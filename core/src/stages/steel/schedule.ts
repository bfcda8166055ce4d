import type { Length } from '../../kernel/measure';
import type { Bar, BarUse } from './bar';
import { SQUARE } from './bends';

/** Bars alike in use, size and shape: one line of the bending schedule. */
export interface ScheduleLine {
  /** As it is tagged: `H1`, `L2`. */
  readonly mark: string;
  readonly use: BarUse;
  readonly size: string;
  /** Shape code of BS 8666: 00 straight, 11 one right angle, 15 one of another angle, 21 two, 99 by its legs. [BS 8666; from memory] */
  readonly shape: '00' | '11' | '15' | '21' | '99';
  readonly legs: readonly Length[];
  /** How far it turns between each two legs, in degrees. */
  readonly bends: readonly number[];
  readonly cut: Length;
  readonly count: number;
  readonly bars: readonly string[];
}

const LETTERS: Readonly<Record<BarUse, string>> = {
  horizontal: 'H',
  corner: 'C',
  vertical: 'V',
  jamb: 'J',
  dowel: 'D',
  'lintel bottom': 'L',
  'lintel top': 'T',
  stirrup: 'S',
  tongue: 'TD',
  ledge: 'B',
  tee: 'E',
};

/** The shape code of a bar by its bends. */
function shapeOf(bends: readonly number[]): ScheduleLine['shape'] {
  const square = bends.every((degrees) => degrees === SQUARE);
  if (bends.length === 0) return '00';
  if (bends.length === 1) return square ? '11' : '15';
  return bends.length === 2 && square ? '21' : '99';
}

/** The bending schedule: alike bars under one mark, by use, the longest first. */
export function scheduleOf(bars: readonly Bar[]): readonly ScheduleLine[] {
  const groups = new Map<string, { readonly first: Bar; count: number; readonly ids: string[] }>();
  for (const bar of bars) {
    const key = `${bar.use}:${bar.size}:${bar.legs.join()}:${bar.bends.join()}`;
    const known = groups.get(key);
    if (known) {
      known.count += bar.count;
      known.ids.push(bar.id);
    } else groups.set(key, { first: bar, count: bar.count, ids: [bar.id] });
  }
  const order = Object.keys(LETTERS);
  const sorted = [...groups.values()].sort(
    (a, b) =>
      order.indexOf(a.first.use) - order.indexOf(b.first.use) ||
      b.first.cut - a.first.cut ||
      a.first.size.localeCompare(b.first.size),
  );
  const numbers = new Map<string, number>();
  return sorted.map(({ first, count, ids }): ScheduleLine => {
    const letter = LETTERS[first.use];
    const number = (numbers.get(letter) ?? 0) + 1;
    numbers.set(letter, number);
    return {
      mark: `${letter}${String(number)}`,
      use: first.use,
      size: first.size,
      shape: shapeOf(first.bends),
      legs: first.legs,
      bends: first.bends,
      cut: first.cut,
      count,
      bars: ids,
    };
  });
}

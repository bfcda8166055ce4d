import type { Bar, SequenceStep } from '@ombra/core/stages/steel';

const NAMES: Readonly<Record<Bar['use'], readonly [one: string, many: string]>> = {
  horizontal: ['horizontal', 'horizontals'],
  corner: ['corner bar', 'corner bars'],
  vertical: ['vertical', 'verticals'],
  jamb: ['jamb bar', 'jamb bars'],
  dowel: ['dowel', 'dowels'],
  'lintel bottom': ['lintel bar, bottom', 'lintel bars, bottom'],
  'lintel top': ['lintel bar, top', 'lintel bars, top'],
  stirrup: ['stirrup', 'stirrups'],
  tongue: ['threshold dowel', 'threshold dowels'],
  ledge: ['ledge bar', 'ledge bars'],
  tee: ['tee bar', 'tee bars'],
};

/** What bars of a use are called, for so many of them. */
export const barName = (use: Bar['use'], count = 1): string => NAMES[use][count === 1 ? 0 : 1];

/** When steel goes in: `with the footing`, `before course 4`, `once course 6 is laid`. */
export function momentText({ course, when }: Pick<SequenceStep, 'course' | 'when'>): string {
  if (course === 0) return 'with the footing';
  if (when === 'after') return `after course ${String(course)}`;
  return `${when} course ${String(course)}`;
}

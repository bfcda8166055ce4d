import type { UnitSystem } from '../../kernel/measure';
import { lengthHeading, lengthNumber, writeTable } from '../../kernel/table';
import type { ScheduleLine } from './schedule';

/** The bending schedule as the text of a CSV file: legs out to out as A, B and C, shapes by the codes of BS 8666. */
export const writeScheduleFile = (schedule: readonly ScheduleLine[], units: UnitSystem): string =>
  writeTable([
    [
      'mark',
      'use',
      'size',
      'shape',
      ...['A', 'B', 'C', 'cut length'].map((name) => lengthHeading(name, units)),
      'count',
      'bends (degrees)',
    ],
    ...schedule.map(({ mark, use, size, shape, legs, bends, cut, count }) => {
      const [a, b, c] = [0, 1, 2].map((leg) => {
        const length = legs[leg];
        return length === undefined ? '' : lengthNumber(length, units);
      });
      return [
        ...[mark, use, size, shape, a ?? '', b ?? '', c ?? '', lengthNumber(cut, units), String(count)],
        bends.map((degrees) => String(Number(degrees.toFixed(2)))).join(' '),
      ];
    }),
  ]);

import { describe, expect, it } from 'vitest';
import { toMillimetres } from '../../../src/kernel/measure';
import { checkSum, writeBendingFile } from '../../../src/stages/steel';
import { work } from '../../../src/work';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

const { steel } = work(planOf(HATCHERY, withCourses(7)));
const lines = writeBendingFile(steel.schedule, { job: 'Été @ lake', state: '12' }).trimEnd().split('\r\n');

/** Fields of a line by their letter; the geometry by itself. Written against the form, not against the writer. [BVBS BF2D; from memory] */
function fieldsOf(line: string) {
  const [, head = '', shape = '', sum = ''] = /^BF2D@H(.*?)@G(.*?)@C(\d+)@$/.exec(line) ?? [];
  const fields = new Map(head.split('@').map((each) => [each.charAt(0), each.slice(1)]));
  const parts = shape.split('@');
  return {
    fields,
    legs: parts.filter((each) => each.startsWith('l')).map((each) => Number(each.slice(1))),
    turns: parts.filter((each) => each.startsWith('w')).map((each) => Number(each.slice(1))),
    sum: Number(sum),
  };
}

describe('the bending file', () => {
  it('has a line for each mark, whose lengths and weights come to the steel’s own', () => {
    expect(lines).toHaveLength(steel.schedule.length);
    let [length, mass] = [0, 0];
    for (const [index, line] of lines.entries()) {
      const { fields, legs, turns } = fieldsOf(line);
      const own = steel.schedule[index];
      if (!own) throw new Error('a line too many');
      expect(fields.get('p')).toBe(own.mark);
      expect(legs).toEqual(own.legs.map((leg) => Math.round(toMillimetres(leg))));
      // Straight on behind the last leg.
      expect(turns).toEqual([...own.bends.map(Math.round), 0]);
      length += Number(fields.get('l')) * Number(fields.get('n'));
      mass += Number(fields.get('e')) * Number(fields.get('n'));
    }
    const bars = steel.schedule.reduce((sum, { count }) => sum + count, 0);
    const total = steel.stock.reduce((sum, own) => sum + own.total, 0) / 1e6;
    // Each is rounded to a millimetre and a gram.
    expect(Math.abs(length - total)).toBeLessThanOrEqual(bars * 0.5);
    expect(Math.abs(mass - steel.mass.value)).toBeLessThanOrEqual(bars * 0.0005);
  });

  it('closes every line with a sum that lies between 65 and 96, and tells a changed sign', () => {
    for (const line of lines) {
      const upTo = line.slice(0, line.lastIndexOf('@C') + 2);
      const { sum } = fieldsOf(line);
      expect(sum).toBe(checkSum(upTo));
      expect(sum).toBeGreaterThanOrEqual(65);
      expect(sum).toBeLessThanOrEqual(96);
      expect(checkSum(upTo.replace('@n', '@o'))).not.toBe(sum);
    }
  });

  it('keeps names to plain signs', () => {
    expect(fieldsOf(lines[0] ?? '').fields.get('j')).toBe('Ete   lake');
    expect(lines.join('')).toMatch(/^[ -~]*$/);
  });
});

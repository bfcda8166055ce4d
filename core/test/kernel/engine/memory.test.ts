import { describe, expect, it } from 'vitest';
import { makeReading, memoryOf } from '../../../src/kernel/engine';
import type { RuleId } from '../../../src/kernel/rules';

describe('the parts of a step', () => {
  const rule = 'pour.lifts' as RuleId;
  /** A step of two runs: what the second is given, and how often its part was made in all. */
  function twice(
    first: readonly unknown[],
    second: readonly unknown[],
    says: (run: number) => unknown = () => 1,
  ) {
    let made = 0;
    let parts: ReturnType<typeof memoryOf>['parts'] = new Map();
    const read: unknown[] = [];
    [first, second].forEach((from, run) => {
      const reading = makeReading();
      const valueOf = (): unknown => says(run);
      const own = memoryOf(parts, reading, valueOf);
      const { rules } = reading.during(() =>
        own.memory.part('wall', from, () => {
          made++;
          reading.told(rule, valueOf());
          return made;
        }),
      );
      parts = own.parts;
      read.push([...rules]);
    });
    return { made, read };
  }

  it('are made again where what they are made from, or a rule that they read, is another', () => {
    expect(twice([{ a: [1] }], [{ a: [1] }]).made).toBe(1);
    expect(twice([{ a: [1] }], [{ a: [2] }]).made).toBe(2);
    expect(twice([1], [1, undefined]).made).toBe(2);
    expect(twice([1], [1], (run) => run).made).toBe(2);
  });

  it('have read their rules for the step too, whether they were made or kept', () => {
    expect(twice([1], [1]).read).toEqual([[[rule, 1]], [[rule, 1]]]);
  });

  it('have names of their own', () => {
    const { memory } = memoryOf(new Map(), makeReading(), () => 1);
    memory.part('wall', [], () => 1);
    expect(() => memory.part('wall', [], () => 2)).toThrow(/wall/);
  });
});

import { describe, expect, it } from 'vitest';
import { seenOf } from '../../../src/kernel/record';

const glue = { id: 'glue', what: 'Glued down.' };

describe('what was ticked', () => {
  it('holds while its line reads the same, and says what it was when it does not', () => {
    const seen = seenOf([{ point: 'two', line: 'glue', what: 'Glued down.', done: true }], []);
    expect(seen.done('two', glue)).toBe(true);
    expect(seen.was('two', glue)).toBeNull();
    const other = { ...glue, what: 'Foamed last.' };
    expect(seen.done('two', other)).toBe(false);
    expect(seen.was('two', other)).toBe('Glued down.');
    // The same line of another hold point is another line.
    expect(seen.done('three', glue)).toBe(false);
  });

  it('counts what was ticked in the plan until the line is ticked or unticked in the log', () => {
    expect(seenOf([], ['glue']).done('two', glue)).toBe(true);
    const off = [{ point: 'two', line: 'glue', what: 'Glued down.', done: false }];
    expect(seenOf(off, ['glue']).done('two', glue)).toBe(false);
    expect(seenOf(off, []).was('two', { ...glue, what: 'x' })).toBeNull();
  });
});

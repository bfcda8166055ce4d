/**
 * What was made, and what is wrong with what it was made of. What a user can cause comes back beside the value, never by a list that
 * is handed in.
 *
 * @example allOf([{ value: 1, problems: ['short'] }, fine(2)]).problems // ['short']
 */
export interface Judged<Value, Problem> {
  readonly value: Value;
  readonly problems: readonly Problem[];
}

/**
 * A value with which nothing is wrong.
 *
 * @example fine(3) // { value: 3, problems: [] }
 */
export const fine = <Value>(value: Value): Judged<Value, never> => ({ value, problems: [] });

/**
 * Judged lists as one list: all their entries, and all that is wrong with any of them.
 *
 * @example flatOf([{ value: [1], problems: ['a'] }, fine([2])]) // { value: [1, 2], problems: ['a'] }
 */
export const flatOf = <Entry, Problem>(
  each: readonly Judged<readonly Entry[], Problem>[],
): Judged<readonly Entry[], Problem> => ({
  value: each.flatMap(({ value }) => value),
  problems: each.flatMap(({ problems }) => problems),
});

/**
 * Many judged things as one: all their values, and all that is wrong with any of them.
 *
 * @example allOf([{ value: 1, problems: ['a'] }, fine(2)]) // { value: [1, 2], problems: ['a'] }
 */
export const allOf = <Value, Problem>(
  each: readonly Judged<Value, Problem>[],
): Judged<readonly Value[], Problem> => ({
  value: each.map(({ value }) => value),
  problems: each.flatMap(({ problems }) => problems),
});

import type { Notice, NoticePlace } from './notice';

/** A notice without its id. `key` tells two notices of one kind and place apart. */
export type Told = Omit<Notice, 'id' | 'fixes'> &
  Partial<Pick<Notice, 'fixes'>> & { readonly key?: string | number | readonly (string | number)[] };

/** The problems of a kind, one that stands for several kinds among them. */
type OfKind<Problem, Kind> = Problem extends { readonly kind: infer Own }
  ? Kind extends Own
    ? Problem
    : never
  : never;

/**
 * For each kind of problem its severity, place, words, rule and fixes; null where there is no notice. What is `Given` for all kinds
 * alike may be left out of each.
 */
export type NoticeTable<Problem extends { readonly kind: string }, Given extends keyof Told = never> = {
  readonly [Kind in Problem['kind']]: (
    problem: OfKind<Problem, Kind>,
  ) => (Omit<Told, Given> & Partial<Pick<Told, Given>>) | null;
};

/** What of a place makes it a place of its own. */
const PLACES = ['loop', 'wall', 'corner', 'opening', 'insert'] as const;

/**
 * The notices of a stage's problems. Their ids are the kind and the place, so that what was put aside stays so while
 * other things change; where one place is told twice without a key, the later ones are numbered.
 *
 * @param before what sets these kinds apart from those of other stages, ahead of each
 * @param given what holds for every problem, where its kind does not say otherwise
 * @example noticesOf('steel-', [{ kind: 'bent' }], { bent: () => ({ severity: 'tip', place: { wall: 'w1' } }) })[0].id // 'steel-bent:w1'
 */
export function noticesOf<Problem extends { readonly kind: string }, Given extends keyof Told = never>(
  before: string,
  problems: readonly Problem[],
  table: NoticeTable<Problem, Given>,
  ...[given]: [Given] extends [never]
    ? [given?: (problem: Problem) => Partial<Told>]
    : [given: (problem: Problem) => Pick<Told, Given>]
): readonly Notice[] {
  const taken = new Map<string, number>();
  const tell = table as unknown as Readonly<Record<string, (problem: Problem) => Partial<Told> | null>>;
  return problems.flatMap((problem): Notice[] => {
    const own = tell[problem.kind]?.(problem);
    if (!own) return [];
    const common: Partial<Told> | undefined = given?.(problem);
    const { key = [], ...told } = { ...common, ...own } as Told;
    const place = { ...common?.place, ...own.place };
    // A wall, or a corner, is in one outline only: its id says enough.
    const { loop, ...closer } = place;
    const alone = closer.wall === undefined && closer.corner === undefined && loop !== undefined;
    const at: NoticePlace = alone ? { loop, ...closer } : closer;
    const id = [
      `${before}${problem.kind}`,
      ...PLACES.flatMap((each) => at[each] ?? []),
      ...[key].flat(),
    ].join(':');
    const same = taken.get(id) ?? 0;
    taken.set(id, same + 1);
    return [{ fixes: [], ...told, place, id: same === 0 ? id : `${id}:${String(same + 1)}` }];
  });
}

import type { Notice, NoticePlace } from './notice';

/** A notice as a table gives it. `key` tells two notices of one kind and place apart. */
export type Told = Omit<Notice, 'id' | 'kind' | 'about' | 'fixes'> &
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

/** The words for a stage's problems. */
type Wording<Problem extends { readonly kind: string }, Given extends keyof Told> = {
  /** What sets these kinds apart from those of other stages, ahead of each. */
  readonly before: string;
  /** The view that deals with them, where a table names no other. */
  readonly stage: string;
  /** The cause in a few words, for several of a kind at once. */
  readonly about: Readonly<Record<Problem['kind'], string>>;
  readonly table: NoticeTable<Problem, Given>;
  /** What holds for every problem, where its kind does not say otherwise. */
} & ([Given] extends [never]
  ? { readonly given?: undefined }
  : { readonly given: (problem: Problem) => Pick<Told, Given> });

/** What of a place makes it a place of its own. */
const PLACES = ['loop', 'wall', 'corner', 'opening', 'insert'] as const;

/**
 * The notices of a stage's problems. Their ids are the kind and the place, so that what was set aside stays so while
 * other things change; where one place is told twice without a key, the later ones are numbered.
 *
 * @example noticesOf([{ kind: 'bent' }], { before: 'steel-', stage: 'steel', about: { bent: 'Bent bars' }, table: { bent: () => ({ severity: 'tip', where: 'A–B', place: { wall: 'w1' }, what: 'Straighten it.' }) } })[0].id // 'steel-bent:w1'
 */
export function noticesOf<Problem extends { readonly kind: string }, Given extends keyof Told = never>(
  problems: readonly Problem[],
  { before, stage, about, table, given }: Wording<Problem, Given>,
): readonly Notice[] {
  const taken = new Map<string, number>();
  const tell = table as unknown as Readonly<Record<string, (problem: Problem) => Partial<Told> | null>>;
  return problems.flatMap((problem): Notice[] => {
    const own = tell[problem.kind]?.(problem);
    if (!own) return [];
    const common: Partial<Told> | undefined = given?.(problem);
    const { key = [], ...told } = { ...common, ...own } as Told;
    const place = { stage, ...common?.place, ...own.place };
    // A wall, or a corner, is in one outline only: its id says enough.
    const { loop, ...closer } = place;
    const alone = closer.wall === undefined && closer.corner === undefined && loop !== undefined;
    const at: NoticePlace = alone ? { loop, ...closer } : closer;
    const kind = `${before}${problem.kind}`;
    const id = [kind, ...PLACES.flatMap((each) => at[each] ?? []), ...[key].flat()].join(':');
    const same = taken.get(id) ?? 0;
    taken.set(id, same + 1);
    return [
      {
        fixes: [],
        ...told,
        kind,
        about: about[problem.kind as Problem['kind']],
        place,
        id: same === 0 ? id : `${id}:${String(same + 1)}`,
      },
    ];
  });
}

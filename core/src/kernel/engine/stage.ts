import type { Notice } from '../notices/notice';
import type { UnitSystem } from '../measure';
import type { Book } from '../table';
import type { Plan } from '../plan/plan';
import type { FilePart, PlanPart } from '../plan/part';
import type { HouseRules, Rule } from '../rules';
import type { Memory } from './memory';

/**
 * Everything that follows from a plan, by name. Plain data throughout: it can be cloned, sent and printed as JSON. Empty here:
 * every stage adds what it makes (`declare module`).
 */
export interface Worked {}

export type WorkedKey = keyof Worked;

/** How one of the worked things is made: from others, from fields of the plan, and from the house rules that it asks for. */
export interface Step {
  readonly makes: WorkedKey;
  readonly needs: readonly WorkedKey[];
  readonly reads: readonly (keyof Plan)[];
  readonly build: (worked: Worked, plan: Plan, rules: HouseRules, memory: Memory) => unknown;
}

/** A step, its building typed by what it says it needs and reads: it is given nothing else. */
export const step = <
  Made extends WorkedKey,
  const Needs extends readonly WorkedKey[],
  const Reads extends readonly (keyof Plan)[],
>(
  makes: Made,
  from: { readonly needs: Needs; readonly reads: Reads },
  build: (
    worked: Pick<Worked, Needs[number]>,
    plan: Pick<Plan, Reads[number]>,
    rules: HouseRules,
    memory: Memory,
  ) => Worked[Made],
): Step => ({ makes, ...from, build });

/** What notices are put into words with. */
export interface Telling {
  readonly units: UnitSystem;
  /** The shown name of a wall, corner or row: `A–B`. */
  readonly nameOf: (id: string) => string;
  readonly rules: HouseRules;
  readonly plan: Plan;
}

/** What a stage has to say of what was worked. */
export interface Saying {
  readonly needs: readonly WorkedKey[];
  readonly say: (worked: Worked, telling: Telling) => readonly Notice[];
}

/** Notices, their making typed by what it says it needs. */
export const saying = <const Needs extends readonly WorkedKey[]>(
  needs: Needs,
  say: (worked: Pick<Worked, Needs[number]>, telling: Telling) => readonly Notice[],
): Saying => ({ needs, say });

/** The working of a stage. */
export interface StageWork {
  readonly steps: readonly Step[];
  readonly says?: Saying;
}

/** Books of tables for other programs, made of the worked plan. */
export type BooksOf = (worked: Worked, plan: Plan, rules: HouseRules) => readonly Book[];

/**
 * A stage: what a plan is worked through. Its name, its rules and what can be done to its part of the plan are at hand at
 * once; how that is read from files, and its working, are fetched when they are first asked for.
 */
export interface Stage {
  readonly id: string;
  readonly rules: Readonly<Record<string, Rule>>;
  readonly part?: PlanPart;
  /** How its part of a plan file is read; fetched where files are read. */
  readonly file?: () => Promise<{ readonly file: FilePart }>;
  readonly makes: readonly WorkedKey[];
  readonly load: () => Promise<{ readonly work: StageWork }>;
  /** What it lists for other programs; fetched when it is asked for. */
  readonly books?: () => Promise<{ readonly booksOf: BooksOf }>;
}

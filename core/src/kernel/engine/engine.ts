import { SEVERITIES } from '../notices/groups';
import type { Notice } from '../notices/notice';
import { ruleNotices } from '../notices/ruleNotices';
import type { Plan } from '../plan/plan';
import { type HouseRules, type RuleBook, type RuleId, layRules, valueOf, watchRules } from '../rules';
import { type Memory, type Parts, makeReading, memoryOf } from './memory';
import { share } from './share';
import type { StageWork, Step, Telling, Worked, WorkedKey } from './stage';

/** What was made last by a step or a stage's saying, and all that it was made from. */
interface Cell {
  readonly inputs: readonly unknown[];
  readonly rules: ReadonlyMap<RuleId, unknown>;
  readonly parts: Parts;
  readonly value: unknown;
}

const NO_PARTS: Parts = new Map();

/**
 * Works a plan out, step by step, when something is asked for. It remembers what every step made and what it read of the plan and
 * of the house rules, and makes it again only when that has changed; what is made again and comes out the same stays identical.
 */
export interface Engine {
  /** The plan that is worked from now on. */
  readonly put: (plan: Plan) => void;
  /** The stages whose working is at hand, in the trade's order; more may be added later, and nothing is forgotten. */
  readonly add: (stage: number, work: StageWork) => void;
  /** @throws where the stage that makes it has not been added */
  readonly get: <Key extends WorkedKey>(key: Key) => Worked[Key];
  readonly rules: () => HouseRules;
  /** What a thing is made from, as far as its stage is at hand. */
  readonly needsOf: (key: WorkedKey) => readonly WorkedKey[];
  /** What the stages have to say, the gravest first, otherwise in the trade's order. */
  readonly notices: () => readonly Notice[];
}

/** What an engine is made of. */
interface EngineParts<Refused> {
  /** Every rule there is. */
  readonly book: RuleBook;
  /** What of a plan is worked at all, and what is said of the rest. */
  readonly limits: {
    readonly admit: (plan: Plan) => { readonly plan: Plan; readonly problems: Refused };
    readonly say: (problems: Refused, plan: Plan, nameOf: Telling['nameOf']) => readonly Notice[];
  };
  /** The shown names of walls and corners, and the words for forms, from what was worked. */
  readonly names: {
    readonly needs: readonly WorkedKey[];
    readonly of: (worked: Worked) => Telling['nameOf'];
    /** What the stages say, in the words of the job’s own forms. */
    readonly inWords: (worked: Worked, notices: readonly Notice[]) => readonly Notice[];
  };
  /** The working of the stages in the trade's order; null for one that is added later. */
  readonly works: readonly (StageWork | null)[];
}

/** An engine that has no plan yet. */
export function makeEngine<Refused>({ book, limits, names, works: given }: EngineParts<Refused>): Engine {
  const works = [...given];
  const steps = new Map<WorkedKey, Step>();
  const cells = new Map<string, Cell>();
  const fresh = new Map<string, unknown>();
  let whole: Plan | null = null;
  let admitted: { readonly plan: Plan; readonly problems: Refused } | null = null;
  let rules: HouseRules | null = null;

  const learn = (work: StageWork | null): void => {
    for (const each of work?.steps ?? []) steps.set(each.makes, each);
  };
  for (const work of works) learn(work);

  const current = (): Plan => {
    if (!admitted) throw new Error('There is no plan to work yet.');
    return admitted.plan;
  };
  const jobRules = (): HouseRules => {
    rules ??= layRules(book, current().rules, current().units);
    return rules;
  };

  /** What is kept under a name, made again only where an input or a rule that was read is another one. */
  const keep = (
    name: string,
    inputs: readonly unknown[],
    make: (rules: HouseRules, memory: Memory) => unknown,
  ): unknown => {
    if (fresh.has(name)) return fresh.get(name);
    const last = cells.get(name);
    const now = jobRules();
    const holds =
      last !== undefined &&
      last.inputs.length === inputs.length &&
      last.inputs.every((input, index) => Object.is(input, inputs[index])) &&
      [...last.rules].every(([id, value]) => Object.is(valueOf(now, id), value));
    if (!holds) {
      const reading = makeReading();
      const { memory, parts } = memoryOf(last?.parts ?? NO_PARTS, reading, (id) => valueOf(now, id));
      const made = reading.during(() => make(watchRules(now, reading.told), memory));
      cells.set(name, { inputs, rules: made.rules, parts, value: share(last?.value, made.value) });
    }
    const value = cells.get(name)?.value;
    fresh.set(name, value);
    return value;
  };

  const get = <Key extends WorkedKey>(key: Key): Worked[Key] => {
    const step = steps.get(key);
    if (!step) throw new Error(`Nothing that is at hand makes “${key}”.`);
    const worked = pick(step.needs);
    const from = current();
    return keep(
      key,
      [...Object.values(worked), ...step.reads.map((field) => from[field])],
      (watched, memory) => step.build(worked as unknown as Worked, from, watched, memory),
    ) as Worked[Key];
  };
  const pick = (keys: readonly WorkedKey[]): Partial<Worked> =>
    Object.fromEntries(keys.map((key) => [key, get(key)]));

  const notices = (): readonly Notice[] => {
    if (!whole || !admitted) throw new Error('There is no plan to tell of yet.');
    const from = whole;
    const naming = pick(names.needs);
    const tell = names.of(naming as Worked);
    const said = works.flatMap((work, index): readonly Notice[] => {
      const { says } = work ?? {};
      if (!says || says.needs.some((key) => !steps.has(key))) return [];
      const worked = pick(says.needs);
      return keep(
        `notices ${String(index)}`,
        [...Object.values(worked), ...Object.values(naming), from],
        (watched) =>
          names.inWords(
            naming as Worked,
            says.say(worked as Worked, { units: from.units, nameOf: tell, rules: watched, plan: from }),
          ),
      ) as readonly Notice[];
    });
    const all = [...limits.say(admitted.problems, whole, tell), ...said, ...ruleNotices(jobRules())];
    return [...all].sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
  };

  return {
    put: (next) => {
      const before = whole;
      whole = share(before, next);
      if (whole === before) return;
      const now = limits.admit(whole);
      admitted = { plan: share(admitted?.plan, now.plan), problems: share(admitted?.problems, now.problems) };
      fresh.clear();
      rules = null;
    },
    add: (index, work) => {
      works[index] = work;
      learn(work);
      fresh.clear();
    },
    get,
    rules: jobRules,
    needsOf: (key) => steps.get(key)?.needs ?? [],
    notices,
  };
}

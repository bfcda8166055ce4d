import { dequal } from 'dequal';
import type { RuleId } from '../rules';

/**
 * What a step made the last time, part by part. A step whose work falls into parts (a wall, a pour) hands each of them in here, with
 * everything of the plan that the part is made from; a part is made again only where that, or a house rule that it read, is another.
 *
 * @example NO_MEMORY.part('braces of A–B', [plan.loops], () => 3) // 3
 */
export interface Memory {
  /**
   * @param name of the part, its own within the step
   * @param from everything that `make` goes by but for house rules: plain data, compared by what it holds
   */
  readonly part: <Value>(name: string, from: readonly unknown[], make: () => Value) => Value;
}

/** For who works a step out once: every part is made. */
export const NO_MEMORY: Memory = { part: (_name, _from, make) => make() };

/** A part as it was made last. */
interface Kept {
  readonly from: readonly unknown[];
  readonly rules: ReadonlyMap<RuleId, unknown>;
  readonly value: unknown;
}

/** The parts of one step, as they were made last. */
export type Parts = ReadonlyMap<string, Kept>;

/** Which rules are read, told to everybody who listens just then: the step, and the part of it that is being made. */
export interface Reading {
  readonly told: (id: RuleId, value: unknown) => void;
  /** What is read while something is made. */
  readonly during: <Value>(make: () => Value) => {
    readonly value: Value;
    readonly rules: ReadonlyMap<RuleId, unknown>;
  };
}

/** A reading without listeners; `during` adds them. */
export function makeReading(): Reading {
  const listening: Map<RuleId, unknown>[] = [];
  return {
    told: (id, value) => {
      for (const read of listening) read.set(id, value);
    },
    during: (make) => {
      const rules = new Map<RuleId, unknown>();
      listening.push(rules);
      try {
        return { value: make(), rules };
      } finally {
        listening.pop();
      }
    },
  };
}

/**
 * The memory of one run of a step.
 *
 * @param last the parts of the run before; those that this run does not ask for are forgotten
 * @param valueOf what a rule says now
 */
export function memoryOf(
  last: Parts,
  reading: Reading,
  valueOf: (id: RuleId) => unknown,
): { readonly memory: Memory; readonly parts: Parts } {
  const parts = new Map<string, Kept>();
  return {
    parts,
    memory: {
      part: <Value>(name: string, from: readonly unknown[], make: () => Value): Value => {
        if (parts.has(name)) throw new Error(`Two parts of one step are called “${name}”.`);
        const known = last.get(name);
        const holds =
          known !== undefined &&
          dequal(known.from, from) &&
          [...known.rules].every(([id, value]) => Object.is(valueOf(id), value));
        if (holds) {
          // What the part has read, the step has read.
          for (const [id, value] of known.rules) reading.told(id, value);
          parts.set(name, known);
          return known.value as Value;
        }
        const made = reading.during(make);
        parts.set(name, { from, ...made });
        return made.value;
      },
    },
  };
}

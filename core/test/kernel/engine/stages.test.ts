import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { type Stage, type StageWork, makeEngine, saying, step } from '../../../src/kernel/engine';
import { filePart, planDocument, planEditing } from '../../../src/kernel/plan';
import type { CountRule, RuleBook } from '../../../src/kernel/rules';
import { RULES } from '../../../src/rules';
import { STAGES } from '../../../src/stages';
import { limits } from '../../../src/stages/limits';
import { namesOf } from '../../../src/stages/outline/names';
import { EVERYTHING } from '../../../src/worked';
import { work } from '../../../src/work';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

// A stage of its own, as a newcomer would add one: flags on the walls, so many to a wall by a rule.
const flagRules = {
  'flags.perWall': {
    id: 'flags.perWall',
    type: 'count',
    statement: 'Every wall gets {value} flags.',
    reason: 'Two are seen from either end.',
    default: 2,
    least: 1,
    most: 9,
    source: { kind: 'ours' },
  },
} as const satisfies Record<string, CountRule>;

declare module '../../../src/kernel/rules/rule' {
  interface CountRules extends Record<keyof typeof flagRules, CountRule> {}
}
declare module '../../../src/kernel/plan/plan' {
  interface Plan {
    readonly flags?: { readonly colour: string };
  }
  interface PlanEdits {
    readonly 'paint-flags': { readonly kind: 'paint-flags'; readonly colour: string };
  }
}
declare module '../../../src/kernel/engine/stage' {
  interface Worked {
    readonly flags: { readonly count: number; readonly colour: string };
  }
}

let built = 0;
const flagWork: StageWork = {
  steps: [
    step('flags', { needs: ['shell'], reads: ['flags'] }, ({ shell }, { flags }, rules) => {
      built++;
      const walls = shell.loops.flatMap((loop) => loop.built?.walls ?? []).length;
      return { count: walls * rules.count('flags.perWall'), colour: flags?.colour ?? 'white' };
    }),
  ],
  says: saying(['flags'], ({ flags }) =>
    flags.colour === 'white'
      ? [
          {
            id: 'flags-white',
            kind: 'flags-white',
            about: 'White flags',
            severity: 'tip',
            place: {},
            where: 'Flags',
            what: 'White flags are hard to see on foam.',
            fixes: [{ label: 'Paint them red', edit: { kind: 'paint-flags', colour: 'red' } }],
          },
        ]
      : [],
  ),
};
const flagStage: Stage = {
  id: 'flags',
  rules: flagRules,
  part: {
    write: ({ flags }) => (flags === undefined ? {} : { flags }),
    edits: { 'paint-flags': (plan, { colour }) => ({ ...plan, flags: { colour } }) },
  },
  file: () =>
    Promise.resolve({
      file: filePart({
        fields: { flags: z.strictObject({ colour: z.string() }).optional() },
        read: ({ flags }) => (flags === undefined ? {} : { flags }),
      }),
    }),
  makes: ['flags'],
  load: () => Promise.resolve({ work: flagWork }),
};

const stages = [...STAGES, flagStage];
const book = { ...RULES, ...flagRules } as RuleBook;
const parts = stages.flatMap(({ part }) => part ?? []);
const files = await Promise.all(stages.flatMap(({ file }) => file?.() ?? []));
const { readPlan } = planDocument(
  files.map(({ file }) => file),
  parts,
);
const { applyEdit, writePlan } = planEditing(parts);
const works = await Promise.all(stages.map(async ({ load }) => (await load()).work));
const engine = () => makeEngine({ book, limits, names: namesOf, works });

describe('a stage of one’s own', () => {
  const plan = planOf(HATCHERY, withCourses(4));

  it('is a folder and a line: its rules, its part of the plan, its work and its notices are there', () => {
    const own = engine();
    own.put(plan);
    const walls = plan.loops.reduce((sum, loop) => sum + loop.walk.length, 0);
    expect(own.get('flags')).toEqual({ count: 2 * walls, colour: 'white' });
    const [notice] = own.notices().filter(({ id }) => id === 'flags-white');
    const [fix] = notice?.fixes ?? [];
    if (!fix) throw new Error('no fix');
    const painted = applyEdit(plan, fix.edit);
    const stored = JSON.parse(JSON.stringify(writePlan(painted))) as unknown;
    const reading = readPlan(stored);
    expect(reading.ok && reading.plan.flags).toEqual({ colour: 'red' });
    own.put(painted);
    expect(own.get('flags').colour).toBe('red');
    expect(own.notices().some(({ id }) => id === 'flags-white')).toBe(false);
    // The others do not notice.
    expect(own.get('tally')).toEqual(work(plan).tally);
  });

  it('is worked again only when something that it read has changed, rule by rule', () => {
    const own = engine();
    const after = (edit: Parameters<typeof applyEdit>[1]): number => {
      own.put(applyEdit(plan, edit));
      built = 0;
      own.get('flags');
      return built;
    };
    expect(after({ kind: 'rename', name: 'First' })).toBe(1);
    expect(after({ kind: 'rename', name: 'Other' })).toBe(0);
    expect(after({ kind: 'set-rule', rule: 'steel.horizontal.size', value: '#5' })).toBe(0);
    expect(after({ kind: 'set-rule', rule: 'flags.perWall', value: 3 })).toBe(1);
    expect(after({ kind: 'paint-flags', colour: 'red' })).toBe(1);
    expect(after({ kind: 'paint-flags', colour: 'red' })).toBe(0);
    expect(after({ kind: 'set-core', core: '10in' })).toBe(1);
  });
});

describe('the stages', () => {
  it('make what their descriptors say, from what comes before them', async () => {
    const made = new Set<string>();
    const order = [...STAGES];
    // The footing looks ahead at the blocks that will stand on it.
    order.sort((a, b) => Number(a.id === 'footing') - Number(b.id === 'footing'));
    const later = ['steel', 'bracing', 'topoff', 'pour', 'days', 'order'];
    order.sort((a, b) => later.indexOf(a.id) - later.indexOf(b.id));
    for (const stage of order) {
      const { steps } = (await stage.load()).work;
      expect(steps.map(({ makes }) => makes)).toEqual(stage.makes);
      for (const each of steps) {
        for (const need of each.needs) expect(made, `${each.makes} needs ${need}`).toContain(need);
        made.add(each.makes);
      }
    }
    expect([...made].sort()).toEqual([...EVERYTHING].sort());
  });

  it('may come one by one: those that are there work as they will, and none is forgotten', () => {
    const plan = planOf(HATCHERY, withCourses(4));
    const whole = work(plan);
    const own = makeEngine({ book: RULES, limits, names: namesOf, works: STAGES.map(() => null) });
    own.put(plan);
    expect(() => own.get('shell')).toThrow(/shell/);
    for (const [index, stage] of STAGES.entries()) {
      own.add(index, works[index] as StageWork);
      for (const key of stage.makes) {
        // The footing waits for the tally.
        if (key !== 'footing') expect(own.get(key)).toEqual(whole[key]);
      }
    }
    expect(own.get('footing')).toEqual(whole.footing);
    expect(own.notices()).toEqual(whole.notices);
  });
});

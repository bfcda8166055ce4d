import fc from 'fast-check';
import { storeLength, inches, writeQuantity, type Length } from '../../src/kernel/measure';
import type { Plan } from '../../src/kernel/plan';
import type { Rule } from '../../src/kernel/rules';
import { applyEdit } from '../../src/plan';
import { RULES, rulesOf } from '../../src/rules';
import { splitWall } from '../../src/splitWall';
import { buildShell } from '../../src/stages/outline';

/** A change to a plan, as an edit would make it. */
export type Change = (plan: Plan) => Plan;

const between = (least: number, most: number, share: number): number => least + (most - least) * share;

/** A value that a rule takes, as a plan stores it. */
function valueOfRule(rule: Rule, share: number): string | number {
  switch (rule.type) {
    case 'choice':
      return (
        rule.choices[Math.min(rule.choices.length - 1, Math.floor(share * rule.choices.length))]?.value ?? ''
      );
    case 'count':
      return Math.round(between(rule.least, rule.most, share));
    case 'quantity':
      return writeQuantity(between(rule.least, rule.most, share), rule.of, 'imperial');
    case 'length': {
      // Near its default more often than at its limits, where little would stand.
      const most = Math.min(rule.most, 2 * rule.default + inches(2));
      return storeLength(
        Math.round(between(rule.least, Math.max(rule.least, most), share)) as Length,
        'imperial',
      );
    }
  }
}

const rules = Object.values(RULES);
const unit = fc.double({ min: 0, max: 1, noNaN: true });

/** One entry of a list of the plan changed, or left out. */
const entry = <Key extends 'openings' | 'inserts', Each extends NonNullable<Plan[Key]>[number]>(
  key: Key,
  change: (each: Each, share: number) => Each | null,
): fc.Arbitrary<Change> =>
  fc.tuple(fc.nat(20), unit).map(([nth, share]) => (plan) => {
    const list = (plan[key] ?? []) as readonly Each[];
    const own = list[nth % Math.max(1, list.length)];
    return own === undefined
      ? plan
      : { ...plan, [key]: list.flatMap((each) => (each === own ? (change(each, share) ?? []) : [each])) };
  });

/** What somebody may change in a plan: rules, openings, inserts, walls, soil, zones, pours, ground. */
export const anyChange: fc.Arbitrary<Change> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.tuple(fc.constantFrom(...rules), unit).map(([rule, share]): Change => (plan) => ({
      ...plan,
      rules: { ...plan.rules, [rule.id]: valueOfRule(rule, share) },
    })),
  },
  fc.constant<Change>((plan) => ({ ...plan, rules: {} })),
  {
    weight: 3,
    arbitrary: entry('openings', (each, share) => ({
      ...each,
      at: `${String(Math.round(60 + share * 200))}in`,
    })),
  },
  entry('openings', (each, share) => ({ ...each, width: `${String(Math.round(24 + share * 60))}in` })),
  entry('openings', () => null),
  entry('inserts', (each, share) => ({ ...each, at: `${String(Math.round(60 + share * 200))}in` })),
  entry('inserts', () => null),
  fc.tuple(fc.nat(20), fc.nat(20)).map(([nth, feet]): Change => (plan) => ({
    ...plan,
    loops: plan.loops.map((loop, first) =>
      first > 0
        ? loop
        : {
            ...loop,
            walk: loop.walk.map((row, index) =>
              index === nth % loop.walk.length ? { ...row, length: `${String(24 + feet)}ft` } : row,
            ),
          },
    ),
  })),
  fc
    .tuple(fc.nat(20), fc.integer({ min: 20, max: 200 }), fc.constantFrom('4in', '6in', '10in'))
    .map(([nth, at, core]): Change => (plan) => {
      const [loop] = plan.loops;
      const row = loop?.walk[nth % Math.max(1, loop.walk.length)];
      if (!row) return plan;
      const parted = splitWall({
        plan,
        shell: buildShell(plan, rulesOf(plan)),
        row: row.id,
        at: inches(at),
        core,
        newId: `p${String(nth)}-${String(at)}`,
      });
      return parted.ok ? applyEdit(plan, parted.edit) : plan;
    }),
  fc
    .tuple(fc.nat(20), fc.integer({ min: 2, max: 8 }), fc.constantFrom('cut' as const, 'stepped' as const))
    .map(([nth, courses, how]): Change => (plan) => ({
      ...plan,
      loops: plan.loops.map((loop, first) =>
        first > 0
          ? loop
          : {
              ...loop,
              walk: loop.walk.map((row, index) =>
                index === nth % loop.walk.length
                  ? {
                      ...row,
                      rake: {
                        how,
                        points: [
                          { id: 'r1', at: '2ft', top: `${String(courses)} courses` },
                          { id: 'r2', at: '9ft', top: '7ft 3in' },
                        ],
                      },
                    }
                  : row,
              ),
            },
      ),
    })),
  fc
    .tuple(
      fc.constantFrom('core' as const, 'outside' as const, 'both' as const),
      fc.integer({ min: 1, max: 9 }),
    )
    .map(([over, height]): Change => (plan) => ({
      ...plan,
      edges: { all: { height: `${String(height)}in`, over } },
    })),
  fc.tuple(fc.nat(20), fc.nat(9)).map(([nth, feet]): Change => (plan) => {
    const walk = plan.loops[0]?.walk ?? [];
    const wall = walk[nth % Math.max(1, walk.length)]?.id ?? '';
    const soil = { backfill: `${String(feet)}ft`, held: 'top' as const };
    return { ...plan, steel: { ...plan.steel, walls: { ...plan.steel?.walls, [wall]: soil } } };
  }),
  fc
    .tuple(fc.constantFrom('#4', '#5', '15M'), fc.nat(5), fc.nat(20))
    .map(([size, fromCourse, nth]): Change => (plan) => {
      const walk = plan.loops[0]?.walk ?? [];
      const wall = walk[nth % Math.max(1, walk.length)]?.id ?? '';
      const zone = {
        id: 'zone-x',
        walls: [wall],
        fromCourse: 1 + fromCourse,
        rules: { 'steel.vertical.size': size },
      };
      return { ...plan, steel: { ...plan.steel, zones: [zone] } };
    }),
  fc
    .tuple(fc.integer({ min: 1, max: 8 }), fc.constantFrom('full' as const, 'half' as const), fc.nat(6))
    .map(([toCourse, top, feet]): Change => (plan) => ({
      ...plan,
      pours: [
        {
          id: 'pour-1',
          toCourse: Math.min(toCourse, 4),
          top,
          ground: {
            outside: { to: `${String(feet)}ft`, with: 'fill' },
            ...(feet > 2 ? { inside: { to: '1ft', with: 'slab' as const } } : {}),
          },
        },
        { id: 'pour-2', toCourse: 8, top: 'full' },
      ],
    })),
  fc
    .tuple(fc.nat(20), fc.constantFrom('loose' as const, 'bank' as const, 'firm' as const))
    .map(([nth, inside]): Change => (plan) => {
      const walk = plan.loops[0]?.walk ?? [];
      const wall = walk[nth % Math.max(1, walk.length)]?.id ?? '';
      return { ...plan, bracing: { ...plan.bracing, walls: { ...plan.bracing?.walls, [wall]: { inside } } } };
    }),
);

import { applyEdit } from '../../src/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Plan } from '../../src/kernel/plan';
import { bestTrucks, riskOf } from '../../src/stages/pour/rehearsal';
import { type RemedySearch, remediesOf } from '../../src/trials/remedies';
import { work } from '../../src/work';
import { type Side, planOf, withCourses } from '../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const plan = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(6), ...change });

function toTheEnd(steps: Generator<RemedySearch, RemedySearch>): RemedySearch {
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
  }
}

describe('where no trucks come well', () => {
  // A crew at the chute on a hot day: slower than its trucks, and its layers set before it is round.
  const chute = plan({
    rules: {
      'pour.method': 'chute',
      'pour.truck.count': 3,
      'pour.work.minutes': 35,
      'pour.rate.chute': '7 yd3/h',
    },
  });

  it('other ways are tried, each told with the best trucks for it, the least risky first', () => {
    const [pour] = work(chute).pour.pours;
    if (!pour) throw new Error('nothing is poured');
    let best = null;
    for (const state of bestTrucks(pour.day, 1, 0.05, { spacing: 15, days: 60 })) best = state.best;
    expect(best && riskOf(best)).toBeGreaterThan(0.05);
    const { tried, done, of } = toTheEnd(remediesOf(chute, pour.span.pour, 1, 0.05));
    expect(done).toBe(of);
    expect(new Set(tried.map(({ kind }) => kind))).toEqual(
      new Set(['lifts', 'retarder', 'smaller-loads', 'method', 'more-hands']),
    );
    const risks = tried.map((each) => (each.best ? riskOf(each.best) : Infinity));
    expect(risks).toEqual([...risks].sort((a, b) => a - b));
    // A pump helps a crew at a chute. [common practice: hire a pump if there is any way]
    const pump = tried.find(({ kind, to }) => kind === 'method' && to === 'pump');
    expect(pump?.best && riskOf(pump.best)).toBeLessThan(risks.at(-1) ?? 0);
  });

  it('what a remedy says holds once it is planned so', () => {
    const { tried } = toTheEnd(remediesOf(chute, 'pour-1', 1, 0.05));
    const [first] = tried;
    if (!first?.best) throw new Error('no remedy');
    const changed = first.edits.reduce<Plan>((each, edit) => applyEdit(each, edit), chute);
    const [pour] = work(changed).pour.pours;
    let best = null;
    if (pour) for (const state of bestTrucks(pour.day, 1, 0.05, { spacing: 15, days: 80 })) best = state.best;
    expect(best).toEqual(first.best);
  });
});

describe('the notices of a day', () => {
  it('never ask for trucks closer together and farther apart at once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 24 }),
        fc.integer({ min: 10, max: 90 }),
        fc.integer({ min: 20, max: 90 }),
        fc.constantFrom('pump', 'chute', 'conveyor'),
        (rate, spacing, minutes, method) => {
          const { notices } = work(
            plan({
              rules: {
                'pour.method': method,
                [`pour.rate.${method}`]: `${String(rate)} yd3/h`,
                'pour.truck.spacing': spacing,
                'pour.work.minutes': minutes,
              },
            }),
          );
          const said = notices.map(({ what }) => what).join('\n');
          const closer = said.includes('Trucks closer together');
          const farther =
            said.includes('Trucks farther apart,') || said.includes('each waits longer than the one before');
          expect(closer && farther).toBe(false);
        },
      ),
      { numRuns: 40 },
    );
  });
});

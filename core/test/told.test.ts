import { describe, expect, it } from 'vitest';
import type { Plan } from '../src/kernel/plan';
import { work } from '../src/work';
import { insertOf, openingOf } from './support/openings';
import { type Side, planOf, withCourses } from './support/plans';
import { demoPlan } from './support/demo';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

const told = (plan: Plan): readonly string[] =>
  work(plan)
    .notices.map(({ severity, id }) => `${severity} ${id}`)
    .sort();

describe('what is told of a job is what is wrong with it, and nothing else', () => {
  it('of a plain rectangle: that the forms do not say what they hold', () => {
    expect(told(planOf(RECTANGLE, withCourses(8)))).toEqual(['tip pour:capacity-unsaid']);
  });

  it('of one with a window on course lines and a sleeve: the bar that runs into the sleeve', () => {
    const plan = planOf(RECTANGLE, {
      ...withCourses(6),
      openings: [openingOf({ at: '180in', sill: '32in', height: '40in' })],
      inserts: [insertOf({ at: '60in' })],
    });
    expect(told(plan)).toEqual(['check steel-bar-through:w1:3', 'tip pour:capacity-unsaid']);
  });

  it('of the demo: what was planted in it', () => {
    expect(told(demoPlan())).toEqual([
      'check bracing-bay-wide:wall-6:opening-4:4775200000',
      'check bracing-gear-short:Planks of 10′',
      'check bracing-leg-in-doorway:wall-1:914400000',
      'check bracing-walkway-gap:D',
      'check corner-off:loop-1:D',
      'check corner-off:loop-1:E',
      'check filler-near-corner:wall-4',
      'check footing-out-of-level',
      'check pour:dwell-short:wall-3',
      'check stagger:wall-3',
      'check stagger:wall-6',
      'check steel-bar-through:wall-5:1',
      'check straps:wall-3',
      'tip pour:capacity-unsaid',
    ]);
  });

  it('of every stage of a plain job: a list without anything in it', () => {
    const worked = work(planOf(RECTANGLE, withCourses(8)));
    const { levels, ground, footing, openings, inserts, steel, bracing, edges, topoff, days, pour } = worked;
    for (const { problems } of [levels, ground, footing, openings, inserts, steel, bracing])
      expect(problems).toEqual([]);
    for (const part of [edges, topoff, days]) expect(part?.problems).toEqual([]);
    expect(pour.problems).toEqual([{ kind: 'capacity-unsaid' }]);
    expect(worked.courses.findings).toEqual([]);
  });
});

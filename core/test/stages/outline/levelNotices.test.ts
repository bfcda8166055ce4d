import type { WalkRow } from '../../../src/stages/outline/plan';
import { applyEdit } from '../../../src/plan';
import { describe, expect, it } from 'vitest';
import { toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { type WorkedPlan, work } from '../../../src/work';
import { type Side, planOf, withCourses } from '../../support/plans';
import { valuesIn } from '../../support/values';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

const withRow = (row: string, change: Partial<WalkRow>, plan = planOf(RECTANGLE, withCourses(6))): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => ({
    ...loop,
    walk: loop.walk.map((each) => (each.id === row ? { ...each, ...change } : each)),
  })),
});

const words = (worked: WorkedPlan, id: string): string | undefined =>
  worked.notices.find((notice) => notice.id.startsWith(id))?.what;

describe('a footing step told in courses', () => {
  it('is as many whole courses of the forms as it says, and stays so when the forms change', () => {
    const stepped = (by: string, family = 'module-48'): Plan => ({
      ...withRow(
        'w3',
        { footing: [{ id: 'b', at: '10ft', step: `down ${by}` }] },
        withRow('w1', { footing: [{ id: 'a', at: '10ft', step: `up ${by}` }] }),
      ),
      family,
    });
    const bottoms = (plan: Plan) => work(plan).levels.walls['w1']?.map((span) => toInches(span.bottom));
    expect(bottoms(stepped('2 courses'))).toEqual([0, 32]);
    expect(bottoms(stepped('1 course'))).toEqual([0, 16]);
    // [reference families] Long 96 is 18 in high.
    expect(bottoms(stepped('2 courses', 'long-96'))).toEqual([0, 36]);
    const typed = applyEdit(planOf(RECTANGLE, withCourses(6)), {
      kind: 'set-wall',
      row: 'w1',
      change: { footing: [{ id: 'a', at: '10ft', step: 'up 2 courses' }] },
    });
    expect(typed.loops[0]?.walk[0]?.footing?.[0]?.step).toBe('up 2 courses');
  });
});

describe('footing steps that do not come home', () => {
  it.each([
    ['up 16in', 'higher'],
    ['down 16in', 'lower'],
  ])('say to which side: %s ends %s', (step, side) => {
    const { notices } = work(withRow('w1', { footing: [{ id: 'a', at: '5ft', step }] }));
    const told = notices.find(({ id }) => id === 'steps-not-home:loop')?.what ?? '';
    expect(['higher', 'lower'].filter((each) => told.includes(each))).toEqual([side]);
  });
});

describe('what heights have to say', () => {
  it.each<readonly [string, Plan, string, readonly string[]]>([
    [
      'a step off its wall',
      withRow('w1', { footing: [{ id: 'a', at: '50ft', step: 'up 16in' }] }),
      'step-off-wall:w1',
      ['40′', '50′'],
    ],
    [
      'a top step off its wall',
      withRow('w2', { topSteps: [{ id: 'a', at: '30ft', top: '4 courses' }] }),
      'step-off-wall:w2',
      ['28′', '30′'],
    ],
    [
      'a step that cannot be read',
      withRow('w1', { footing: [{ id: 'a', at: '5ft', step: 'sideways 3' }] }),
      'step-unreadable:w1',
      ['“down 2 courses”', '“sideways 3”', '“up 32in”'],
    ],
    [
      'steps that do not come home',
      withRow('w1', { footing: [{ id: 'a', at: '5ft', step: 'down 16in' }] }),
      'steps-not-home:loop',
      ['1′ 4″'],
    ],
    [
      'a top that no course has',
      withRow('w1', { top: '9 courses' }),
      'top-unreadable:w1',
      ['7′ 4″', '“5 courses”', '“9 courses”'],
    ],
    ['a top above the job', withRow('w1', { top: '12ft' }), 'top-too-high:w1', ['12′', '8′']],
    [
      'a height that is none',
      { ...planOf(RECTANGLE), height: 'tall' },
      'height-unreadable',
      ['8′ 4″', '“tall”'],
    ],
    [
      'a height of more courses than can be',
      { ...planOf(RECTANGLE), height: '400ft' },
      'courses-out-of-range',
      ['1', '300', '60'],
    ],
    ['a rest at the foot', { ...planOf(RECTANGLE), height: '7ft 4in' }, 'height-rest', ['1', '8″']],
    [
      'a rest at the head',
      { ...planOf(RECTANGLE), height: '7ft 4in', rules: { 'courses.height.rest': 'rip-last' } },
      'height-rest',
      ['6', '8″'],
    ],
    [
      'a rest of half-height pieces',
      { ...planOf(RECTANGLE), height: '7ft 4in', rules: { 'courses.height.rest': 'half-piece' } },
      'height-rest',
      ['6', '8″'],
    ],
    [
      'a half-height piece that does not fit',
      { ...planOf(RECTANGLE), height: '7ft 2in', rules: { 'courses.height.rest': 'half-piece' } },
      'half-piece-missing',
      ['6″', '8″'],
    ],
    [
      'a family without half-height pieces',
      {
        ...planOf(RECTANGLE),
        family: 'long-96',
        core: '6in',
        height: '7ft',
        rules: { 'courses.height.rest': 'half-piece' },
      },
      'half-piece-missing',
      ['12″'],
    ],
  ])('of %s is a plain sentence', (_, plan, id, values) => {
    expect(valuesIn(words(work(plan), id))).toEqual(values);
  });

  it('takes a step off its wall away at a press, and only that one', () => {
    const plan = withRow('w1', {
      footing: [
        { id: 'a', at: '50ft', step: 'up 16in' },
        { id: 'b', at: '10ft', step: 'up 16in' },
        { id: 'c', at: '20ft', step: 'down 16in' },
      ],
    });
    const notice = work(plan).notices.find((each) => each.id === 'step-off-wall:w1');
    const fix = notice?.fixes[0];
    if (!fix) throw new Error('no fix');
    const mended = applyEdit(plan, fix.edit);
    expect(mended.loops[0]?.walk[0]?.footing?.map((step) => step.id)).toEqual(['b', 'c']);
    expect(work(mended).notices.filter((each) => each.severity === 'stop')).toEqual([]);
  });

  it('keeps a step down that is no whole course a step down', () => {
    const down = withRow('w1', { footing: [{ id: 'a', at: '10ft', step: 'down 20in' }] });
    const plan = withRow('w3', { footing: [{ id: 'b', at: '10ft', step: 'up 20in' }] }, down);
    const notice = work(plan).notices.find((each) => each.id.startsWith('step-off-course:w1'));
    expect(notice?.fixes.map((fix) => fix.label)).toEqual(['Step 1′ 4″', 'Step 2′ 8″']);
    const fix = notice?.fixes[0];
    if (!fix) throw new Error('no fix');
    expect(applyEdit(plan, fix.edit).loops[0]?.walk[0]?.footing).toEqual([
      { id: 'a', at: '10ft', step: 'down 1ft 4in' },
    ]);
  });

  it('names the job’s own family that cannot be used, and what is wrong with it', () => {
    const broken = {
      kind: 'cell',
      id: 'mine',
      name: 'Mine',
      cores: ['6in'],
      courseHeight: '12in',
      blockLength: '24in',
      blockThickness: '6in',
      cellSpacing: '12in',
      volumePerBlock: 0.01,
      barEveryCourses: 2,
    } as const;
    const worked = work({
      ...planOf(RECTANGLE),
      family: 'mine',
      families: [{ ...broken, cores: [...broken.cores] }],
    });
    expect(valuesIn(words(worked, 'family-broken'))).toEqual(['“Mine”']);
    expect(worked.courses.pieces).toEqual([]);
  });
});

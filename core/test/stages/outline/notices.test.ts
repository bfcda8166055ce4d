import { applyEdit } from '../../../src/plan';
import { emptyPlan } from '../../../src/stages/outline/plan';
import { describe, expect, it } from 'vitest';
import type { Plan, PlanEdit } from '../../../src/kernel/plan';
import { type WorkedPlan, work } from '../../../src/work';
import { type Side, HATCHERY, planOf, withCourses } from '../../support/plans';
import { valuesIn } from '../../support/values';

const notice = (worked: WorkedPlan, id: string) => {
  const found = worked.notices.find((each) => each.id === id);
  if (!found) throw new Error(`no ${id} among ${worked.notices.map((each) => each.id).join(', ')}`);
  return found;
};
const edited = (...edits: readonly PlanEdit[]): Plan =>
  edits.reduce((plan, edit) => applyEdit(plan, edit), planOf(HATCHERY));

describe('notices', () => {
  it('stand stops first, then what to mind, then tips', () => {
    const plan = edited(
      { kind: 'set-core', core: '7in' },
      { kind: 'set-rule', rule: 'x', value: 1 },
      { kind: 'add-rows', loop: 'loop', rows: [] },
    );
    const order = work(plan).notices.map((each) => each.severity);
    expect(order).toEqual(
      [...order].sort((a, b) => ['stop', 'check', 'tip'].indexOf(a) - ['stop', 'check', 'tip'].indexOf(b)),
    );
    expect(new Set(order).size).toBeGreaterThan(1);
  });

  it('greet an empty job with what to do, not with a stop', () => {
    const worked = work(emptyPlan('New'));
    expect(worked.notices.map((each) => each.severity)).toEqual(['tip']);
    expect(worked.notices[0]?.what).toMatch(/first wall/);
  });

  it('tell a gap in the words of the plan as drawn, in either system', () => {
    const plan = edited({ kind: 'set-row-length', row: 'w3', length: '17ft' });
    const found = notice(work(plan), 'gap:loop');
    expect(valuesIn(found.what)).toEqual(['1′']);
    expect(found.fixes.map((fix) => fix.label)).toEqual(['Make E–F 27′', 'Make C–D 16′']);
    const metric = notice(work({ ...plan, units: 'metric' }), 'gap:loop');
    expect(valuesIn(metric.what)).toEqual(['305 mm']);
  });

  it('tell an unfinished walk how far it has turned and where home lies', () => {
    const worked = work(
      planOf([
        [480, 90],
        [336, 90],
      ]),
    );
    expect(valuesIn(notice(worked, 'turns:loop').what)).toEqual(['180°', '28′', '360°', '40′']);
    expect(notice(worked, 'turns:loop').fixes[0]?.label).toBe('Close it: 40′, right 90°; 28′, right 90°');
  });

  it('offer both readings of an ambiguous length, and either one works', () => {
    const plan = edited({ kind: 'set-row-length', row: 'w1', length: '5-1/2' });
    const found = notice(work(plan), 'length-ambiguous:w1');
    expect(found.where).toBe('A–B');
    expect(found.fixes.map((fix) => fix.label)).toEqual(['5 1/2″', '5′ 1/2″']);
    const [inInches] = found.fixes;
    if (!inInches) throw new Error('no fix');
    expect(applyEdit(plan, inInches.edit).loops[0]?.walk[0]?.length).toBe('5 1/2in');
  });

  it('offer the families and cores that there are', () => {
    const family = notice(work(edited({ kind: 'set-family', family: 'gone' })), 'family-unknown');
    expect(family.fixes.map((fix) => fix.label)).toEqual([
      'Module 48',
      'Long 96',
      'Panel 48',
      'Cell 24',
      'Element 112',
    ]);
    const core = notice(
      work(edited({ kind: 'set-family', family: 'long-96' }, { kind: 'set-core', core: '4in' })),
      'core-not-offered',
    );
    expect(valuesIn(core.what)).toEqual(['4″', '6″', '8″', '96']);
    expect(core.fixes.map((fix) => fix.edit)).toEqual([
      { kind: 'set-core', core: '6in' },
      { kind: 'set-core', core: '8in' },
    ]);
  });

  it('say what to strap, where and why', () => {
    const sides: readonly Side[] = [
      [289, 90],
      [305, 90],
      [289, 90],
      [305, 90],
    ];
    const worked = work(planOf(sides, withCourses(4)));
    expect(notice(worked, 'straps:w1')).toMatchObject({
      severity: 'check',
      where: 'A–B',
      rule: 'courses.ear.longest',
    });
    expect(valuesIn(notice(worked, 'straps:w1').what)).toEqual(['33″', '4']);
    const short = work(
      planOf(
        [
          [312, 90],
          [70, 90],
          [312, 90],
          [70, 90],
        ],
        withCourses(3),
      ),
    );
    expect(notice(short, 'straps:w2').rule).toBe('courses.filler.shortest');
    expect(notice(short, 'filler-near-corner:w2').why).toMatch(/stiffness/);
  });

  it('offer to turn rows round that were walked anticlockwise', () => {
    const worked = work(planOf(HATCHERY.map(([length, turn]): Side => [length, -turn])));
    expect(notice(worked, 'anticlockwise:loop')).toMatchObject({
      severity: 'tip',
      fixes: [{ edit: { kind: 'turn-walk-round', loop: 'loop' } }],
    });
  });

  it.each<[PlanEdit, string, readonly string[]]>([
    [{ kind: 'set-row-length', row: 'w2', length: 'abc' }, 'length-unreadable:w2', ['“abc”']],
    [{ kind: 'set-row-length', row: 'w2', length: '0' }, 'length-not-positive:w2', []],
    [{ kind: 'set-row-length', row: 'w2', length: '2 km' }, 'length-unreadable:w2', ['“2 km”']],
    [
      { kind: 'set-row-length', row: 'w2', length: '2000 m' },
      'length-too-long:w2',
      ['3280′ 10 1/16″', '6561′ 8 3/16″'],
    ],
    [{ kind: 'set-row-length', row: 'w2', length: '' }, 'length-empty:w2', []],
    [
      { kind: 'set-row-turn', row: 'w2', turn: 'u-turn' },
      'turn-unreadable:w2',
      ['“left 45”', '“right 90”', '“u-turn”'],
    ],
    [{ kind: 'set-core', core: 'fat' }, 'core-unreadable', ['“fat”']],
    [{ kind: 'set-courses', courses: 0 }, 'courses-out-of-range', ['0', '1', '60']],
  ])('stop with a plain sentence: %j', (edit, id, values) => {
    const found = notice(work(edited(edit)), id);
    expect(found.severity).toBe('stop');
    expect(valuesIn(found.what)).toEqual(expect.arrayContaining([...values]));
  });
});

import type { FootingPlan } from '../../../src/stages/footing/plan';
import { applyEdit } from '../../../src/plan';
import { houseRules } from '../../../src/rules';
import { describe, expect, it } from 'vitest';
import type { FootingProblem } from '../../../src/stages/footing';
import { inches } from '../../../src/kernel/measure';
import { footingNotices } from '../../../src/stages/footing/notices';
import { moveText } from '../../../src/kernel/notices/moveText';
import type { Plan } from '../../../src/kernel/plan';
import { valuesIn } from '../../support/values';
import { work } from '../../../src/work';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [288, 90],
  [480, 90],
  [288, 90],
];
const { footing } = work(planOf(RECTANGLE, withCourses(2)));

const tell = (problem: FootingProblem, units: 'imperial' | 'metric' = 'imperial') => {
  const [notice] = footingNotices({ ...footing, problems: [problem] }, units, () => 'A–B', houseRules());
  if (!notice) throw new Error('nothing told');
  return notice;
};

const length = inches(50);

describe('what is told of a footing', () => {
  it.each([
    [{ kind: 'text-unreadable', what: 'width', wall: 'w1', text: 'wide' }, 'stop', 'A–B', ['“wide”']],
    [{ kind: 'text-unreadable', what: 'sheet', wall: null, text: 'thin' }, 'stop', 'Footing', ['“thin”']],
    [
      { kind: 'text-unreadable', what: 'offset', wall: 'w1', text: 'left a bit' },
      'stop',
      'A–B',
      ['“in 2in”', '“left a bit”', '“out 2in”'],
    ],
    [
      { kind: 'narrower-than-wall', wall: 'w1', width: inches(12), thickness: inches(13) },
      'stop',
      'A–B',
      ['12″', '13″'],
    ],
    [{ kind: 'off-footing', wall: 'w1', side: 'inside', by: inches(1.5) }, 'stop', 'A–B', ['1 1/2″']],
    [{ kind: 'edge-small', wall: 'w1', side: 'outside', left: inches(1) }, 'check', 'A–B', ['1″']],
    [{ kind: 'shot-unreadable', pass: 'footing', wall: 'w1', text: 'low' }, 'check', 'A–B', ['“low”']],
    [{ kind: 'shots-without-wall', pass: 'first-course', count: 1 }, 'check', 'First course survey', ['1']],
    [{ kind: 'shots-without-wall', pass: 'footing', count: 3 }, 'check', 'Level survey', ['3']],
    [
      { kind: 'shot-off-wall', pass: 'footing', wall: 'w1', at: inches(500), length: inches(480) },
      'check',
      'A–B',
      ['40′', '41′ 8″'],
    ],
    [
      { kind: 'shots-twice', pass: 'footing', wall: 'w1', at: inches(48), by: inches(0.25) },
      'check',
      'A–B',
      ['1/4″', '4′'],
    ],
    [{ kind: 'one-reading', pass: 'footing' }, 'check', 'Level survey', []],
    [
      { kind: 'not-surveyed', pass: 'footing', walls: ['A–B', 'C–D'] },
      'check',
      'Level survey',
      ['A–B', 'C–D'],
    ],
    [{ kind: 'pull-unreadable', from: 'A', to: 'C', text: 'far' }, 'check', 'A to C', ['“far”']],
    [{ kind: 'pulls-without-corner', count: 2 }, 'check', 'Square', ['2']],
    [{ kind: 'pull-to-itself', corner: 'B' }, 'check', 'Corner B', []],
    [
      { kind: 'pull-impossible', from: 'A', to: 'C', length, least: inches(0), most: inches(48) },
      'stop',
      'A to C',
      ['0″', '4′', '4′ 2″'],
    ],
  ] as const satisfies readonly (readonly [FootingProblem, string, string, readonly string[]])[])(
    '%o',
    (problem, severity, where, values) => {
      const notice = tell(problem);
      expect(notice).toMatchObject({ severity, where });
      expect(valuesIn(notice.what)).toEqual(values);
    },
  );

  it('is told in millimetres on a metric job', () => {
    expect(
      valuesIn(tell({ kind: 'edge-small', wall: 'w1', side: 'inside', left: inches(1) }, 'metric').what),
    ).toEqual(['25 mm']);
  });

  it('offers a way out that works', () => {
    const plan = planOf(RECTANGLE, { footing: { kind: 'strip', width: '12in' } });
    const notices = work(plan).notices.filter((notice) => notice.severity === 'stop');
    expect(notices).toHaveLength(4);
    const mended = notices.reduce<Plan>(
      (edited, notice) => notice.fixes.reduce((each, fix) => applyEdit(each, fix.edit), edited),
      plan,
    );
    expect(work(mended).notices.filter((notice) => notice.severity === 'stop')).toEqual([]);
    expect(mended.loops[0]?.walk[0]?.bearing?.width).toBe('1ft 4in');
  });
});

describe('a move in words', () => {
  it('tells both parts, and nothing that a tape cannot tell', () => {
    const parts = [
      { by: inches(0.375), toward: 'D' },
      { by: inches(-0.0625), toward: 'B' },
    ];
    expect(moveText(parts, 'imperial')).toBe('3/8″ toward D and 1/16″ away from B');
    expect(moveText([{ by: inches(0.01), toward: 'D' }], 'imperial')).toBe('nowhere');
    expect(moveText([], 'metric')).toBe('nowhere');
  });
});

describe('the list before the wall', () => {
  const stateOf = (change: FootingPlan, id: string) => {
    const worked = work(planOf(RECTANGLE, { ...withCourses(2), footing: change }));
    return worked.footing.ready.find((item) => item.id === id)?.measured;
  };
  const level = (readings: readonly number[]): FootingPlan => ({
    kind: 'strip',
    shots: readings.map((reading, index) => ({
      id: String(index),
      wall: `w${String(index + 1)}`,
      at: '1ft',
      reading: `${String(reading)}in`,
    })),
  });
  const pulled = (a: string, b: string): FootingPlan => ({
    kind: 'strip',
    pulls: [
      { id: 'a', from: 'w1', to: 'w3', length: a },
      { id: 'b', from: 'w2', to: 'w4', length: b },
    ],
  });

  it.each([
    [{ kind: 'strip' }, 'level', 'open'],
    [level([50, 50, 50, 50]), 'level', 'right'],
    [level([50, 50.375, 50, 50]), 'level', 'wrong'],
    [level([50, 51, 50, 50]), 'level', 'wrong'],
    [{ ...level([50, 60, 50, 50]), kind: 'rock' }, 'level', 'right'],
    [{ kind: 'strip' }, 'square', 'open'],
    // 40 by 24 ft: diagonals of 46 ft 7 3/4 in.
    [pulled('46ft 7 3/4in', '46ft 7 3/4in'), 'square', 'right'],
    [pulled('46ft 8 1/2in', '46ft 7in'), 'square', 'wrong'],
    [pulled('46ft 11in', '46ft 7 3/4in'), 'square', 'wrong'],
    [{ kind: 'strip', after: level([50, 50, 50.25, 50]).shots ?? [] }, 'after', 'wrong'],
  ] as const satisfies readonly (readonly [FootingPlan, string, string])[])(
    'case %#: %o',
    (change, id, state) => {
      expect(stateOf(change, id)).toBe(state);
    },
  );
});

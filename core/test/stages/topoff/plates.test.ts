import { describe, expect, it } from 'vitest';
import { inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { houseRules } from '../../../src/rules';
import type { PlacedInsert } from '../../../src/stages/inserts';
import type { Bar } from '../../../src/stages/steel';
import { anchorsOnBars } from '../../../src/stages/topoff/anchorsOnBars';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { HALL, planOf, roundedHall, withCourses, withRake } from '../../support/plans';

const hall = (change: Partial<Plan> = {}): Plan => planOf(HALL, { ...withCourses(7), ...change });

/** The plates of the first wall, in inches along it. */
const onFirst = (plan: Plan): readonly (readonly [number, number])[] =>
  work(plan).topoff.runs.flatMap(({ wall, from, to }) =>
    wall === 'w1' ? [[toInches(from), toInches(to)] as const] : [],
  );

describe('plates where the top steps or slopes', () => {
  const stepped = (openings: Plan['openings'] = []): Plan => {
    const plan = hall({ openings });
    return {
      ...plan,
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row) =>
          row.id === 'w1'
            ? { ...row, top: '5 courses', topSteps: [{ id: 'up', at: '200in', top: '7 courses' }] }
            : row,
        ),
      })),
    };
  };

  it('part at the step; an opening takes of the part that it stands in alone', () => {
    // The low part ends behind the foam that closes it at the corner, where the next wall is higher. [by hand]
    expect(onFirst(stepped())).toEqual([
      [2.5, 200],
      [200, 480 - 9.25],
    ]);
    // Its head is above the low part's top and below the high one's.
    const within = openingOf({ at: '260in', width: '60in', height: '60in', head: '100in' });
    expect(onFirst(stepped([within]))).toEqual(onFirst(stepped()));
    // Through the top of the high part, as wide as the concrete keeps clear: a buck of 1 1/2 in at either side.
    const through = openingOf({ at: '260in', width: '60in', height: '100in', head: '120in' });
    const plates = onFirst(stepped([through]));
    expect(plates.map(([from]) => from)).toEqual([2.5, 200, 260 + 60 + 1.5]);
    expect(plates.map(([, to]) => to)).toEqual([200, 260 - 1.5, 480 - 9.25]);
  });

  it('are told as long as the slope is, not as long as the plan', () => {
    const sloped = withRake(hall(), 'w1', {
      how: 'cut',
      points: [
        { id: 'p1', at: '100in', top: '7 courses' },
        { id: 'p2', at: '340in', top: '5 courses' },
      ],
    });
    const told = work(sloped).topoff.problems.filter(({ kind }) => kind === 'plate-raked');
    expect(told.map((each) => [each.kind, 'wall' in each && each.wall])).toEqual([['plate-raked', 'w1']]);
    // [by hand] Two courses of 16 in down over 240: √(240² + 32²) = 242.12 in.
    const [raked] = told;
    expect(raked?.kind === 'plate-raked' && toInches(raked.length)).toBeCloseTo(242.1239, 3);
    expect(onFirst(sloped)).toEqual([
      [3.75, 100],
      [340, 480 - 2.5],
    ]);
    expect(work(hall()).topoff.problems).toEqual([]);
  });

  it('of a wall that slopes to its corner begin and end with the slope, whatever stands at the corner', () => {
    const raked = (...points: readonly [at: string, top: string][]): Plan =>
      withRake(hall(), 'w1', {
        how: 'cut',
        points: points.map(([at, top], index) => ({ id: `p${String(index)}`, at, top })),
      });
    const [from, to] = [onFirst(hall())[0]?.[0], onFirst(hall()).at(-1)?.[1]];
    expect(onFirst(raked(['0in', '5 courses'], ['240in', '7 courses']))).toEqual([[240, to]]);
    expect(onFirst(raked(['240in', '7 courses'], ['480in', '5 courses']))).toEqual([[from, 240]]);
    expect(onFirst(raked(['0in', '5 courses'], ['200in', '7 courses'], ['480in', '6 courses']))).toEqual([]);
  });

  it('of a curve stay one piece, and out of the boards', () => {
    const { runs, stock, problems } = work(roundedHall(300, withCourses(4))).topoff;
    const curved = runs.filter(({ wall }) => wall === 'w2');
    expect(curved.map((run) => [run.curved, run.pieces.length])).toEqual([[true, 1]]);
    expect(runs.filter((run) => run.curved)).toHaveLength(1);
    const straight = runs.filter((run) => !run.curved).flatMap(({ pieces }) => pieces);
    expect(stock.pieces.flat()).toHaveLength(straight.length);
    expect(problems.filter(({ kind }) => kind === 'plate-curved')).toEqual([
      { kind: 'plate-curved', wall: 'w2' },
    ]);
  });
});

describe('ledger anchors beside bars', () => {
  const clear = houseRules().length('topoff.anchor.bar');
  const ledger = work(
    hall({ inserts: [insertOf({ kind: 'ledger', at: '100in', up: '60in', length: '10ft' })] }),
  ).placed.placed[0] as PlacedInsert;
  const [first, second] = ledger.fixings;
  if (!first || !second) throw new Error('no anchors');
  const standing = (at: number, change: Partial<Bar> = {}): Bar =>
    ({ wall: 'w1', use: 'vertical', from: at, to: at, bottom: 0, top: inches(112), ...change }) as Bar;
  const met = (...bars: readonly Bar[]) =>
    anchorsOnBars({ placed: [ledger] }, bars, houseRules()).map((each) =>
      each.kind === 'anchor-on-bar' ? [each.at, each.anchors] : [],
    );

  it('are met nearer than the clear distance, not at it, along the wall and up it', () => {
    for (const way of [1, -1]) {
      expect(met(standing(first.at + way * clear))).toEqual([]);
      expect(met(standing(first.at + way * (clear - 1)))).toEqual([[first.at, expect.any(Number)]]);
    }
    const column = ledger.fixings.filter(({ at }) => at === first.at).map(({ up }) => up);
    const [low, high] = [Math.min(...column), Math.max(...column)];
    const upTo = (top: number) => met(standing(first.at, { top } as Partial<Bar>));
    const from = (bottom: number) => met(standing(first.at, { bottom } as Partial<Bar>));
    expect([upTo(low - clear), upTo(low - clear + 1)]).toEqual([[], [[first.at, 1]]]);
    expect([from(high + clear), from(high + clear - 1)]).toEqual([[], [[first.at, 1]]]);
  });

  it('are counted, the first of them along the wall told, whatever the order of bars', () => {
    const places = [...new Set(ledger.fixings.map(({ at }) => at))].sort((a, b) => a - b);
    const [, inner = 0, third = 0] = places;
    // They are staggered in two rows, so some places have one and some two.
    const there = ledger.fixings.filter(({ at }) => at === inner || at === third).length;
    expect(met(standing(third), standing(inner))).toEqual([[inner, there]]);
    expect(met(standing(inner), standing(third))).toEqual([[inner, there]]);
    expect(met(standing(inner, { wall: 'w2' }))).toEqual([]);
    // A horizontal along the whole ledger meets its own row of them.
    const along = standing(0, { use: 'horizontal', to: inches(480), bottom: first.up, top: first.up });
    expect(met(along)).toEqual([
      [places[0], ledger.fixings.filter(({ up }) => Math.abs(up - first.up) < clear).length],
    ]);
  });

  it('are none of other inserts', () => {
    const sleeve = work(hall({ inserts: [insertOf()] })).placed.placed[0] as PlacedInsert;
    expect(anchorsOnBars({ placed: [sleeve] }, [standing(sleeve.rect.from)], houseRules())).toEqual([]);
  });
});

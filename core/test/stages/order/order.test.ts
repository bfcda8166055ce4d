import { evaluate } from '../../../src/kernel/figures/how';
import { describe, expect, it } from 'vitest';
import { inches, toInches } from '../../../src/kernel/measure';
import { type Order, wholePieces } from '../../../src/stages/order';
import { orderOf } from '../../../src/orderOf';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { type Side, HATCHERY, planOf, withCourses, withInside, withRake, withTop } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

const order = (plan: Plan, pour?: string): Order => orderOf(plan, work(plan), pour);
const line = (from: Order, id: string) => {
  const found = from.lines.find((each) => each.id === id || each.id.startsWith(id));
  if (!found) throw new Error(`no line ${id}: ${from.lines.map((each) => each.id).join(', ')}`);
  return found;
};

describe('the order list', () => {
  const plan = planOf(HATCHERY, withCourses(7));
  const whole = order(plan);

  it('has straights with spares, rounded to bundles, and their mass', () => {
    const straight = line(whole, 'straight:');
    expect(evaluate(straight.needed)).toBe(work(plan).tally.total.blocksBought.value);
    // 224 needed, 2 in a hundred spare: 229; bundles of 20: 12 of them.
    expect([straight.spare, straight.bundles, straight.ordered]).toEqual([5, 12, 240]);
    expect(straight.massKilograms).toBeCloseTo(240 * 2.6, 9);
  });

  it('orders no piece for what floats add: 8.8 in a hundred of 375 are 33', () => {
    expect((375 * 8.8) / 100).toBeGreaterThan(33);
    expect([wholePieces((375 * 8.8) / 100), wholePieces(33.01), wholePieces(33)]).toEqual([33, 34, 33]);
  });

  it('shares bundles out among the walls that are laid of them', () => {
    const mixed: Plan = {
      ...plan,
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, index) => (index === 0 ? { ...row, core: '6in' } : row)),
      })),
    };
    const { lines, staging } = order(mixed);
    const bundles = (core: number) =>
      lines.find(({ id }) => id === `straight:${String(inches(core))}`)?.bundles ?? 0;
    expect(bundles(6)).toBeGreaterThan(0);
    expect(staging.find(({ wall }) => wall === 'w1')?.bundles).toBe(bundles(6));
    const rest = staging.filter(({ wall }) => wall !== 'w1');
    expect(rest.reduce((sum, each) => sum + each.bundles, 0)).toBe(bundles(8));
  });

  it('takes both hands of corners as one article where the family may be turned over, and as two where not', () => {
    const corners = (family: string, core: string) =>
      order({ ...plan, family, core })
        .lines.filter((each) => each.id.startsWith('corner'))
        .map((each) => [each.article, evaluate(each.needed)]);
    expect(corners('module-48', '8in')).toEqual([['Corner, either hand', 42]]);
    expect(corners('long-96', '8in')).toEqual([
      ['Corner, left-hand', 23],
      ['Corner, right-hand', 19],
    ]);
  });

  it('has fixings by their rates', () => {
    const pieces = work(plan).courses.pieces;
    const first = pieces.filter((piece) => piece.course === 1).length;
    expect(evaluate(line(whole, 'zip-ties').needed)).toBe(2 * first);
    expect(evaluate(line(whole, 'clips').needed)).toBe(
      2 * pieces.filter((piece) => piece.course === 7).length,
    );
    expect(evaluate(line(whole, 'foam').needed)).toBeCloseTo(
      // [by hand] 152 ft outside; each of four corners takes 13 in off both of its walls inside, the fifth gives back the sixth's.
      (Math.ceil(1824 / 18) + Math.ceil((1824 - 4 * 26) / 18) + pieces.length - first) / 120,
      9,
    );
    expect(evaluate(line(whole, 'tape').needed)).toBe(inches(1824));
    expect(line(whole, 'tape').ordered).toBe(inches(1824));
  });

  it('has clips and tape where a wall ends lower, and neither counts where nothing meets', () => {
    const hall = planOf(RECTANGLE, withCourses(6));
    const lower = withTop(hall, 'w2', '4 courses');
    const clips = (of: Plan): number => evaluate(line(order(of), 'clips').needed);
    // [by hand] The fourth course of a wall of 28 ft: legs of 40 and 24 in, then 272 in, five blocks and a cut of 32 in: seven joints.
    // In the sixth, both corners and their joints on that wall are gone; the two walls beside it end free.
    const inTop = (of: Plan): number => {
      const { pieces } = work(of).courses;
      return pieces.filter(({ course }) => course === 6).length;
    };
    expect(clips(hall)).toBe(2 * inTop(hall));
    const fourth = work(lower).courses.rows.find((row) => row.wall === 'w2' && row.course === 4);
    expect(clips(lower)).toBe(2 * (inTop(lower) - 1 + (fourth?.joints.length ?? 0)));
    expect(fourth?.joints).toHaveLength(7);
    // The two walls beside it stand 336 in lower in all: the tape goes on along the lower one.
    expect(evaluate(line(order(lower), 'tape').needed)).toBe(evaluate(line(order(hall), 'tape').needed));
    // Cell blocks lap at corners: the blocks that run through are pieces of their walls, no more.
    const cells = work({ ...hall, family: 'cell-24', core: '6in' });
    const blocks = cells.courses.pieces.filter(({ course, kind }) => course === 1 && kind !== 'corner');
    expect(cells.footing.firstCourse.joints).toBe(blocks.length);
  });

  it('tapes no top that an opening takes, nor one that is sawn to a slope', () => {
    const hall = planOf(RECTANGLE, withCourses(5));
    const tape = (of: Plan): number => evaluate(line(order(of), 'tape').needed) / inches(1);
    const whole = 2 * (480 + 336);
    expect(tape(hall)).toBe(whole);
    const open = openingOf({ width: '40in', height: '60in', sill: '32in' });
    const staged: Plan = {
      ...hall,
      openings: [open],
      pours: [
        { id: 'low', toCourse: 3, top: 'half' },
        { id: 'high', toCourse: 5, top: 'full' },
      ],
    };
    const hole = work(staged).openings.placed[0]?.hole;
    if (!hole) throw new Error('no hole');
    // It reaches over the top of course 3, at 48 in, and over that of course 5 at 80.
    expect([toInches(hole.bottom) < 48, toInches(hole.top) >= 80]).toEqual([true, true]);
    expect(tape(staged)).toBe(2 * (whole - toInches(hole.to) + toInches(hole.from)));
    const sloping = withRake(hall, 'w1', {
      how: 'cut',
      points: [
        { id: 'p1', at: '100in', top: '5 courses' },
        { id: 'p2', at: '300in', top: '4 courses' },
      ],
    });
    expect(tape(sloping)).toBe(whole - 200);
  });

  it('cuts kicker boards out of as few as can be', () => {
    // [by hand] Sides of 40, 28, 40 and 28 ft outside and 2 ft 2 in less inside, in 12 ft boards: 3, 2, 3 and 2 whole on either face, and
    // four rests of 48 in and of 22 in: two of each to a board, kerfs and all.
    expect(evaluate(line(order(planOf(RECTANGLE)), 'kickers').needed)).toBe(20 + 2);
  });

  it('has ledger boards as they are laid out: in the length they come in, each height by itself', () => {
    const ledger = (id: string, wall: string, length: string, height: string) =>
      insertOf({ id, kind: 'ledger', wall, at: '20in', up: '80in', length, height });
    const inserts = [
      ledger('a', 'w1', '280in', '9 1/4in'),
      ledger('b', 'w3', '280in', '9 1/4in'),
      ledger('c', 'w2', '200in', '11 1/4in'),
    ];
    const boards = (rules: Plan['rules']) =>
      order(planOf(RECTANGLE, { ...withCourses(7), inserts, rules }))
        .lines.filter(({ id }) => id.startsWith('ledgers'))
        .map(({ article, needed }) => [article, evaluate(needed)]);
    // [by hand] Of 16 ft: twice 192 + 88, the rests out of one. Then 152 + 48: two boards.
    expect(boards({})).toEqual([
      ['Ledger boards 9 1/4″ high, lengths of 16′', 3],
      ['Ledger boards 11 1/4″ high, lengths of 16′', 2],
    ]);
    // Of 12 ft: twice 144 + 136. Then 144 + 56.
    expect(boards({ 'inserts.ledger.stock': '12ft' })).toEqual([
      ['Ledger boards 9 1/4″ high, lengths of 12′', 4],
      ['Ledger boards 11 1/4″ high, lengths of 12′', 2],
    ]);
    // Kicker boards are another article.
    expect(boards({ 'order.board.length': '8ft' })).toEqual(boards({}));
  });

  it('has lengths of track in place of boards, and neither where footing forms hold the first course', () => {
    const held = (change: Partial<Plan>): readonly (string | number)[] => {
      const { lines } = order({ ...planOf(RECTANGLE), ...change });
      const found = lines.filter(({ id }) => ['kickers', 'track', 'forms'].includes(id));
      return found.flatMap(({ id, article, needed }) => [id, article, evaluate(needed)]);
    };
    expect(held({})).toEqual(['kickers', 'Kicker boards of 12′, both sides of the footing', 22]);
    // [by hand] In lengths of 10 ft: sides of 40 ft take 4 and of 28 ft 2; inside 37 ft 10 in take 3, 25 ft 10 in 2. Rests of 8 ft, 7 ft 10 in and
    // 5 ft 10 in, two of each: no two of them fit into one.
    expect(held({ rules: { 'footing.hold': 'track' } })).toEqual([
      'track',
      'Track, lengths of 10′, both faces',
      2 * (4 + 2 + 3 + 2) + 6,
    ]);
    const forms: Partial<Plan> = { footing: { kind: 'forms', shots: [], pulls: [], ready: [] } };
    expect(held(forms)).toEqual([]);
    // The foam at the footing is then that of its bead.
    const joints = (of: Plan): number => evaluate(line(order(of), 'foam').needed);
    const pieces = work(plan).courses.pieces;
    expect(joints({ ...plan, ...forms })).toBeCloseTo(
      pieces.filter(({ course }) => course > 1).length / 120,
      9,
    );
  });

  it('heeds no opening that lies beside its wall', () => {
    const lost = openingOf({ at: '520in', width: '40in', height: '200in', sill: '0in' });
    const open = { ...plan, openings: [lost] };
    expect(work(open).openings.placed.map(({ worked }) => worked)).toEqual([false]);
    expect(evaluate(line(order(open), 'tape').needed)).toBe(evaluate(line(whole, 'tape').needed));
    expect(evaluate(line(order(open), 'zip-ties').needed)).toBe(evaluate(line(whole, 'zip-ties').needed));
  });

  it('tells corners laid whole from those that are ripped', () => {
    const parts = (height: string): readonly (readonly [string, number])[] => {
      const { needed } = line(order(planOf(RECTANGLE, { height })), 'corner');
      return needed.op === 'given' ? [] : needed.of.map((part) => [part.name, evaluate(part)] as const);
    };
    expect(parts('5ft 4in')).toEqual([['laid whole', 16]]);
    expect(parts('5ft')).toEqual([
      ['laid whole', 12],
      ['ripped for lower courses', 4],
    ]);
  });

  it('shares the bundles out round the footprint, all of them', () => {
    expect(whole.staging.map((each) => each.name)).toEqual(['A–B', 'B–C', 'C–D', 'D–E', 'E–F', 'F–A']);
    expect(whole.staging.reduce((sum, each) => sum + each.bundles, 0)).toBe(12);
    expect(whole.staging[0]?.bundles).toBeGreaterThan(whole.staging[3]?.bundles ?? 0);
  });

  it('of a pour takes its own courses; together they take what the job does, or a few blocks more', () => {
    const staged: Plan = {
      ...plan,
      pours: [
        { id: 'low', toCourse: 4, top: 'half' },
        { id: 'high', toCourse: 7, top: 'full' },
      ],
    };
    const needed = (pour?: string): number => evaluate(line(order(staged, pour), 'straight:').needed);
    expect(needed('low') + needed('high')).toBeGreaterThanOrEqual(needed());
    expect(needed('low')).toBeLessThan(needed());
    expect(evaluate(line(order(staged), 'clips').needed)).toBeGreaterThan(
      evaluate(line(whole, 'clips').needed),
    );
  });

  it('has half-height pieces and ripped blocks apart', () => {
    const half = order(
      planOf(RECTANGLE, { height: '3ft 4in', rules: { 'courses.height.rest': 'half-piece' } }),
    );
    expect(evaluate(line(half, 'half:').needed)).toBeGreaterThan(0);
    const ripped = line(order(planOf(RECTANGLE, { height: '3ft 4in' })), 'straight:');
    expect(ripped.needed.op !== 'given' && ripped.needed.of.map((part) => part.name)).toContain(
      'ripped for lower courses',
    );
    // Four corners of half a course out of two whole ones; of 10 in, none gives two.
    expect(evaluate(line(half, 'corner').needed)).toBe(2 * 4 + 2);
    expect(evaluate(line(order(planOf(RECTANGLE, { height: '3ft 6in' })), 'corner').needed)).toBe(2 * 4 + 4);
  });

  it('has the bars of the whole job by size, none of a pour by itself', () => {
    const worked = work(plan);
    for (const own of worked.steel.stock) {
      const bars = line(whole, `bars:${own.size}`);
      expect(evaluate(bars.needed)).toBe(own.lengths.length);
      // A bar to spare in fifty, and one at least.
      expect(bars.spare).toBe(Math.max(1, Math.ceil(own.lengths.length / 50)));
      expect(bars.article).toContain('lengths of 20′');
    }
    expect(whole.lines.filter((each) => each.id.startsWith('bars:')).length).toBe(2);
    const staged: Plan = {
      ...plan,
      pours: [
        { id: 'low', toCourse: 4, top: 'full' },
        { id: 'high', toCourse: 7, top: 'full' },
      ],
    };
    expect(order(staged, 'low').lines.some((each) => each.id.startsWith('bars:'))).toBe(false);
    expect(order(staged).lines.some((each) => each.id.startsWith('bars:'))).toBe(true);
  });

  it('weighs nothing where the maker does not say, and is empty where nothing stands', () => {
    expect(order(planOf([])).lines).toEqual([]);
    expect(order(plan).massKilograms).toBeGreaterThan(0);
  });
});

// Source: common practice; ties 12 in apart both ways, brackets at every corner in every course, tracks at foot and head.
describe('the order of a panel system', () => {
  const plan = planOf(RECTANGLE, { family: 'panel-48', core: '8in', ...withCourses(8) });
  const list = order(plan);

  it('counts panels for both faces, ties, top ties, brackets and tracks', () => {
    const total = work(plan).tally.total;
    expect(evaluate(line(list, 'straight:').needed)).toBe(2 * total.blocksBought.value);
    // Seven joints between eight courses; 41 ties along 40 ft and 29 along 28 ft.
    expect(evaluate(line(list, 'ties').needed)).toBe(7 * 2 * (41 + 29));
    expect(evaluate(line(list, 'brackets').needed)).toBe(8 * 4);
    expect(list.lines.some((each) => each.id === 'tee-brackets')).toBe(false);
    // Panels of 2 1/4 in and a core of 8: walls of 12 1/2 in, whose inside is shorter by as much at both ends.
    const tracks = ['bottom-track', 'top-track'].map((id) => evaluate(line(list, id).needed) / inches(1));
    expect(tracks).toEqual([1632 + 1632 - 8 * 12.5, 1632 + 1632 - 8 * 12.5]);
    expect(list.lines.some((each) => each.id === 'split-ties')).toBe(false);
    const top = work(plan).courses.pieces.filter(
      (piece) => piece.kind !== 'corner' && piece.course === 8,
    ).length;
    expect(evaluate(line(list, 'top-ties').needed)).toBe(2 * (61 + 43) + top - 4);
  });

  it('has no track in a doorway, and top ties beside the butt joints of each end of a wall by itself', () => {
    const door = openingOf({ kind: 'door', width: '40in', height: '80in', sill: '0in' });
    const hole = work({ ...plan, openings: [door] }).openings.placed[0]?.hole;
    if (!hole) throw new Error('no hole');
    const taken = (id: string): number =>
      (evaluate(line(list, id).needed) - evaluate(line(order({ ...plan, openings: [door] }), id).needed)) /
      inches(1);
    expect(taken('bottom-track')).toBe((2 * (hole.to - hole.from)) / inches(1));
    expect(taken('top-track')).toBe(0);
    // [by hand] The first wall is 20 courses high from 16 to 24 ft of its 40, and 8 courses at both of its ends: both of them end at course 8.
    const middle: Plan = {
      ...plan,
      ...withCourses(10),
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, index) =>
          index === 0
            ? {
                ...row,
                top: '8 courses',
                topSteps: [
                  { id: 'up', at: '16ft', top: '10 courses' },
                  { id: 'down', at: '24ft', top: '8 courses' },
                ],
              }
            : { ...row, top: '8 courses' },
        ),
      })),
    };
    const eighth = work(middle).courses.pieces.flatMap((piece) =>
      piece.kind !== 'corner' && piece.course === 8 && piece.wall === 'w1'
        ? [[piece.start / inches(1), (piece.start + piece.length) / inches(1)] as const]
        : [],
    );
    const butts = eighth.filter(([start]) => eighth.some(([, end]) => end === start)).map(([start]) => start);
    const top = evaluate(line(order(middle), 'top-ties').needed);
    const same = evaluate(line(order(plan), 'top-ties').needed);
    // On the wall itself: 25 ties along each end of 16 ft and 13 along the 8 ft between, in place of 61 along all of it.
    const tenth = work(middle).courses.pieces.filter(
      (piece) => piece.kind !== 'corner' && piece.course === 10 && piece.wall === 'w1',
    );
    const before = butts.filter((at) => at < 192 || at > 288).length;
    expect(top - same).toBe(25 + 25 + 13 - 61 + before + tenth.length - 1 - butts.length);
  });

  it('has panels of one article for all cores, and ties for each core', () => {
    const mixed: Plan = {
      ...plan,
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, index) => (index % 2 === 0 ? row : { ...row, core: '6in' })),
      })),
    };
    const { lines } = order(mixed);
    const panels = lines.filter(({ article }) => article === 'Panel');
    expect(panels.map(({ needed }) => evaluate(needed))).toEqual([
      2 * work(mixed).tally.total.blocksBought.value,
    ]);
    const ties = lines.filter(({ article }) => article === 'Ties');
    // Seven joints: 41 along each of the 40 ft walls of 8 in, 29 along those of 28 ft and 6 in.
    expect(ties.map(({ core, needed }) => [core && toInches(core), evaluate(needed)])).toEqual([
      [6, 7 * 2 * 29],
      [8, 7 * 2 * 41],
    ]);
    expect(order(plan).lines.find(({ id }) => id === 'ties')?.core).toBe(inches(8));
  });

  it('has a T bracket in every course at both ends of an inside wall', () => {
    const parted = withInside(plan);
    expect(evaluate(line(order(parted), 'tee-brackets').needed)).toBe(2 * 8);
    // Its own track runs along both of its faces; that of the walls that it meets stops for its thickness.
    const track = (of: Plan): number => evaluate(line(order(of), 'bottom-track').needed) / inches(1);
    const inside = (work(parted).shell.loops[1]?.built?.walls[0]?.length ?? 0) / inches(1);
    expect(track(parted) - track(plan)).toBe(2 * inside - 2 * 12.5);
  });

  it('has split ties at free ends', () => {
    const open: Plan = {
      ...plan,
      loops: plan.loops.map((loop) => ({ ...loop, closed: false, walk: loop.walk.slice(0, 2) })),
    };
    expect(evaluate(line(order(open), 'split-ties').needed)).toBe(2 * 8);
  });

  it('of cell blocks has blocks of any core and no corners', () => {
    const cells = order(planOf(RECTANGLE, { family: 'cell-24', core: '6in' }));
    expect(
      cells.lines.filter((each) => each.group === 'forms').map((each) => [each.article, each.core]),
    ).toEqual([['Block', null]]);
  });
});

describe('sill plates and anchor bolts', () => {
  const plates = (plan: Plan, pour?: string): readonly number[] => {
    const list = orderOf(plan, work(plan), pour);
    return ['sill-plates', 'anchor-bolts'].flatMap((id) => {
      const found = list.lines.find((each) => each.id === id);
      return found ? [evaluate(found.needed)] : [];
    });
  };

  const staged = (plan: Plan): Plan => ({
    ...plan,
    pours: [
      { id: 'low', toCourse: 4, top: 'half' },
      { id: 'high', toCourse: 8, top: 'full' },
    ],
  });

  it('are ordered for the job, and with its last pour only', () => {
    const plan = planOf(RECTANGLE, withCourses(8));
    const { topoff } = work(plan);
    expect(plates(plan)).toEqual([topoff.boards.value, topoff.bolts.value]);
    expect(plates(staged(plan), 'low')).toEqual([]);
    expect(plates(staged(plan), 'high')).toEqual([topoff.boards.value, topoff.bolts.value]);
  });

  it('are set with the pour that ends with their wall, and the plates laid when all walls stand', () => {
    // Three courses of 16 in end below the middle of the fourth, where the first pour stops.
    const plan = staged(withTop(planOf(RECTANGLE, withCourses(8)), 'w2', '48in'));
    const { topoff } = work(plan);
    const low = topoff.runs
      .filter(({ wall }) => wall === 'w2')
      .flatMap(({ pieces }) => pieces.flatMap(({ bolts }) => bolts)).length;
    expect(low).toBeGreaterThan(3);
    expect(plates(plan, 'low')).toEqual([low]);
    expect(plates(plan, 'high')).toEqual([topoff.boards.value, topoff.bolts.value - low]);
  });
});

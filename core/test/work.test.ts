import { applyEdit } from '../src/plan';
import { describe, expect, it } from 'vitest';
import { settle } from '../src/kernel/engine/memo';
import { report } from '../src/report';
import { makeWork, work, workParts } from '../src/work';
import { insertOf, openingOf } from './support/openings';
import { flat, HATCHERY, planOf, withCourses } from './support/plans';
import { demoPlan } from './support/demo';

describe('working a plan out', () => {
  const plan = planOf(HATCHERY, withCourses(7));

  it('gives plain data that survives cloning and JSON', () => {
    const worked = work(plan);
    expect(structuredClone(worked)).toEqual(worked);
    expect(JSON.parse(JSON.stringify(worked))).toEqual(worked);
  });

  it('gives some of it the same as all of it, with what that is made from and nothing else', () => {
    const whole = work(plan);
    const parts = workParts(plan, ['footing']);
    expect(parts).toMatchObject({ name: plan.name, units: plan.units, measuredTo: plan.measuredTo });
    for (const [key, value] of Object.entries(parts)) expect(value).toEqual(whole[key as keyof typeof whole]);
    expect(Object.keys(parts)).toEqual(expect.arrayContaining(['footing', 'courses', 'shell']));
    expect(Object.keys(parts)).not.toContain('steel');
  });

  it('gives plain data with openings too, remembered or fresh, and reports them with their sizes', () => {
    const again = makeWork();
    const opened = applyEdit(plan, {
      kind: 'all',
      edits: [
        { kind: 'add-openings', openings: [openingOf({ sill: '3ft' })] },
        { kind: 'add-inserts', inserts: [insertOf({ at: '400in' })] },
      ],
    });
    const moved = applyEdit(opened, { kind: 'set-opening', opening: 'opening-1', change: { at: '210in' } });
    for (const step of [opened, moved, plan, opened]) expect(again(step)).toEqual(work(step));
    const before = again(opened);
    expect(JSON.parse(JSON.stringify(before))).toEqual(before);
    // Moving an opening leaves the walls, the levels and the lumber as they were.
    const after = again(moved);
    expect([after.shell, after.levels]).toEqual([before.shell, before.levels]);
    expect(after.shell).toBe(before.shell);
    expect(after.bucks.lumber).toBe(before.bucks.lumber);
    const told = report(before);
    expect(told.openings).toMatchObject([
      {
        id: 'opening-1',
        worked: true,
        rough: { width: { value: 36, unit: 'in' }, height: { value: 48, unit: 'in' } },
        foamHole: { width: { value: 39, unit: 'in' } },
        lintelClearSpan: { value: 39, unit: 'in' },
        fasteners: 72,
      },
    ]);
    expect(told.lumber[0]?.lengths.flat().length).toBeGreaterThan(0);
    expect(told.inserts[0]?.from).toEqual({ value: 398, unit: 'in' });
    expect(told.courses.pieces.some((piece) => 'notches' in piece)).toBe(true);
    expect(told.tally.total.buckFaces).toBeGreaterThan(0);
  });

  it('works again only what an edit touches', () => {
    const again = makeWork();
    const before = again(plan);
    const renamed = again(applyEdit(plan, { kind: 'rename', name: 'Other' }));
    expect(renamed.name).toBe('Other');
    expect(renamed.tally).toBe(before.tally);
    const taller = again(applyEdit(plan, { kind: 'set-courses', courses: 8 }));
    expect(taller.shell).toBe(before.shell);
    expect(taller.courses).not.toBe(before.courses);
    const longer = again(applyEdit(plan, { kind: 'set-row-length', row: 'w1', length: '45ft' }));
    expect(longer.shell).not.toBe(before.shell);
  });

  it('gives the same answer remembered or fresh', () => {
    const again = makeWork();
    const steps = [
      plan,
      applyEdit(plan, { kind: 'set-units', units: 'metric' }),
      applyEdit(plan, { kind: 'set-rule', rule: 'courses.stagger.least', value: '20in' }),
      applyEdit(plan, { kind: 'set-family', family: 'long-96' }),
      plan,
    ];
    for (const step of steps) expect(again(step)).toEqual(work(step));
  });

  it('settles equal values to the identical one', () => {
    const settled = settle<{ readonly a: number }>();
    const first = settled({ a: 1 });
    expect(settled({ a: 1 })).toBe(first);
    expect(settled({ a: 2 })).not.toBe(first);
  });
});

describe('the demo job', () => {
  const onFlatGround = flat(demoPlan());

  it('is the hatchery of the reference cases', () => {
    expect(demoPlan().loops[0]?.walk.map(({ length, turn }) => ({ length, turn }))).toEqual(
      planOf(HATCHERY).loops[0]?.walk.map(({ length, turn }) => ({ length, turn })),
    );
  });

  it('is reported with every quantity’s unit beside it', () => {
    const out = report(work(onFlatGround));
    expect(out.shell.walls.map((wall) => wall.length)).toEqual(
      [528, 240, 192, 144, 336, 384].map((value) => ({ value, unit: 'in' })),
    );
    expect(out.shell.coreArea.unit).toBe('in2');
    expect(out.shell.coreArea.value).toBeCloseTo(14176, 8);
    expect(out.tally.courses[0]).toMatchObject({
      course: 1,
      straight: 26,
      cut: 6,
      cornerLH: 5,
      cornerRH: 1,
      wallsToStrap: 0,
    });
    expect(out.tally.total).toMatchObject({
      straight: 182,
      cut: 42,
      cornerLH: 23,
      cornerRH: 19,
      blocksBought: 224,
    });
    expect(out.tally.total.coreVolume.unit).toBe('yd3');
    expect(out.tally.total.coreVolume.value).toBeCloseTo(34.0302, 4);
    expect(out.courses.pieces.length).toBe(182 + 42 + 42);
    const metric = report(work({ ...onFlatGround, units: 'metric' }));
    expect(metric.shell.walls[0]?.length).toEqual({ value: 13411.2, unit: 'mm' });
    expect(metric.tally.total.coreVolume).toMatchObject({ unit: 'm3' });
  });

  it('reports every piece with wall, course, station, length, kind, hand, webs, cut ends and origin', () => {
    const { pieces } = report(work(onFlatGround)).courses;
    expect(pieces.find((piece) => piece.kind === 'cut')).toEqual({
      id: '1:wall-1:4',
      kind: 'cut',
      course: 1,
      wall: 'wall-1',
      station: { value: 232, unit: 'in' },
      length: { value: 32, unit: 'in' },
      webs: [4, 12, 20, 28].map((value) => ({ value, unit: 'in' })),
      cutEnds: { start: false, end: true },
      bottom: { value: 0, unit: 'in' },
      top: { value: 16, unit: 'in' },
      cutFrom: {
        article: 'straight',
        block: 1,
        part: 'first',
        partner: null,
        offcut: { value: 16, unit: 'in' },
      },
    });
    expect(pieces.find((piece) => piece.kind === 'corner')).toMatchObject({
      corner: 'A',
      hand: 'LH',
      station: { value: 0, unit: 'in' },
    });
  });

  it('stands on a stepped footing with forty readings, and reports what follows from them', () => {
    const worked = work(demoPlan());
    expect(worked.levels.rest).toBeNull();
    expect(worked.footing.problems).toEqual([]);
    expect(worked.notices.filter((notice) => notice.severity === 'stop')).toEqual([]);
    const { footing } = report(worked);
    expect(footing.survey?.readings).toBe(40);
    expect(footing.survey?.outOfLevel).toEqual({ value: 7 / 16, unit: 'in' });
    expect(footing.walls[0]).toEqual({
      wall: 'wall-1',
      width: { value: 24, unit: 'in' },
      chalkOuter: { value: 5.5, unit: 'in' },
      chalkInner: { value: 5.5, unit: 'in' },
    });
    expect(footing.concrete.unit).toBe('yd3');
    expect(footing.rectangles).toHaveLength(2);
    expect(footing.moves.map((move) => move.corner)).toEqual(['A', 'B', 'C', 'D', 'E', 'F']);
    expect(footing.rock).toBeNull();
    const stations = footing.survey?.blocks.map((block) => block.wall);
    expect(stations).toEqual([...(stations ?? [])].sort());
  });

  it('reports how far a walk misses home', () => {
    const open = applyEdit(demoPlan(), { kind: 'set-row-length', row: 'wall-3', length: '17ft' });
    expect(report(work(open)).shell.gaps).toEqual([{ loop: 'loop-1', length: { value: 12, unit: 'in' } }]);
  });
});

describe('the stages that a first view does without', () => {
  it('follow every edit', () => {
    const again = makeWork();
    const first = again(demoPlan());
    const wider = again(applyEdit(demoPlan(), { kind: 'set-core', core: '10in' }));
    expect(wider.pour.pours[0]?.volumes.core.value).toBeGreaterThan(
      first.pour.pours[0]?.volumes.core.value ?? 0,
    );
    expect(wider.pour.pours[0]?.volumes.core.value).toBeCloseTo(wider.tally.total.coreVolume.value, 9);
    // A name is nothing to pour by.
    expect(again(applyEdit(demoPlan(), { kind: 'rename', name: 'Other' })).pour).not.toBe(first.pour);
    const same = again(applyEdit(demoPlan(), { kind: 'rename', name: 'Another' }));
    expect(again(applyEdit(demoPlan(), { kind: 'rename', name: 'Third' })).pour).toBe(same.pour);
  });
});

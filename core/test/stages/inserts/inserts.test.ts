import type { Insert } from '../../../src/stages/inserts/plan';
import { withoutKey } from '../../../src/kernel/plan/copies';
import { applyEdit } from '../../../src/plan';
import { describe, expect, it } from 'vitest';
import { ledgePieces, partsOf, readInsertsFile, writeInsertsFile } from '../../../src/stages/inserts';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import { readOpeningsFile, writeOpeningsFile } from '../../../src/stages/openings';
import type { Opening } from '../../../src/stages/openings/plan';
import type { Plan } from '../../../src/kernel/plan';
import { wallsOf } from '../../../src/stages/outline';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { HATCHERY, planOf, withCourses } from '../../support/plans';

const planWith = (inserts: readonly Insert[], change: Partial<Plan> = {}): Plan =>
  planOf(HATCHERY, { ...withCourses(7), inserts, ...change });
const noticesOf = (plan: Plan) => work(plan).notices.filter((notice) => notice.place.insert !== undefined);
const kinds = (plan: Plan): readonly string[] =>
  noticesOf(plan).map((notice) => (notice.id.split(':')[0] ?? '').replace('insert-', ''));

const volumeOut = (inserts: readonly Insert[]): number =>
  (work(planWith([])).tally.total.coreVolume.value - work(planWith(inserts)).tally.total.coreVolume.value) /
  0.0254 ** 3;

describe('an insert', () => {
  it('is placed from either corner by its middle, and takes the house rule’s size', () => {
    const [sleeve] = work(planWith([insertOf({ from: 'end', at: '100in' })])).inserts.placed;
    expect([toInches(sleeve?.rect.from as Length), toInches(sleeve?.rect.to as Length)]).toEqual([426, 430]);
    const [wide] = work(planWith([insertOf({})], { rules: { 'inserts.sleeve.size': '6in' } })).inserts.placed;
    expect(toInches(((wide?.rect.to ?? 0) - (wide?.rect.from ?? 0)) as Length)).toBe(6);
  });

  it('keeps its own concrete out: a cylinder, a box, or a wedge that is added', () => {
    expect(volumeOut([insertOf({ size: '4in' })])).toBeCloseTo((Math.PI / 4) * 16 * 8, 4);
    const pocket = insertOf({ kind: 'pocket', size: '6in', height: '10in', depth: '4in', up: '90in' });
    expect(volumeOut([pocket])).toBeCloseTo(6 * 10 * 4, 4);
    const ledge = insertOf({ kind: 'brick-ledge', at: '100in', up: '48in', length: '96in', depth: '5in' });
    expect(volumeOut([ledge])).toBeCloseTo(-(96 * 5 * 16) / 2, 4);
  });

  it('of a run has its anchors or plates one by one', () => {
    const ledger = insertOf({
      kind: 'ledger',
      at: '20in',
      up: '80in',
      length: '96in',
      spacing: '24in',
      rows: 1,
    });
    const [placed] = work(planWith([ledger])).inserts.placed;
    // [by hand] At most 6 in from each end of 96 in and at most 24 in apart: five of them, as few as can be.
    const stations = placed?.fixings.map(({ at }) => toInches(at)) ?? [];
    expect(stations).toHaveLength(5);
    const edges = [20, ...stations, 116];
    expect(
      edges.slice(1).every((at, index) => at - (edges[index] ?? 0) <= (index === 0 || index === 5 ? 6 : 24)),
    ).toBe(true);
    const hangers = insertOf({ kind: 'hangers', from: 'end', at: '60in', up: '90in', length: '64in' });
    const [plates] = work(planWith([hangers])).inserts.placed;
    expect(plates?.fixings.map(({ at }) => toInches(at))).toEqual([468, 452, 436, 420, 404]);
  });

  it('asks for pipe, caps, plates and anchors', () => {
    const worked = work(
      planWith([
        insertOf({ size: '4in' }),
        insertOf({ id: 'b', at: '300in', size: '6in' }),
        insertOf({ id: 'c', kind: 'conduit', at: '400in' }),
        insertOf({ id: 'd', kind: 'ledger', at: '20in', up: '80in', length: '96in', fixing: 'drilled' }),
      ]),
    );
    const parts = partsOf(
      worked.inserts.placed,
      new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall])),
    );
    expect(parts.pipes.map(({ size, count }) => [toInches(size), count])).toEqual([
      [1.5, 1],
      [4, 1],
      [6, 1],
    ]);
    expect([parts.caps, parts.plates, parts.castAnchors]).toEqual([6, 6, 0]);
    expect(parts.drilledAnchors).toBeGreaterThan(4);
  });

  it('of bricks is carried by the pieces under its top, corners too', () => {
    const plan = planWith([insertOf({ kind: 'brick-ledge', at: '0in', up: '48in', length: '528in' })]);
    const worked = work(plan);
    const walls = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall]));
    const [ledge] = worked.inserts.placed;
    const pieces = ledge ? ledgePieces(ledge, worked.courses, walls) : [];
    expect(pieces.every((piece) => piece.course === 3)).toBe(true);
    expect(pieces.filter((piece) => piece.kind === 'corner').length).toBe(2);
    expect(pieces.length).toBe(
      worked.courses.pieces.filter(
        (piece) =>
          piece.course === 3 &&
          (piece.kind === 'corner' ? ['A', 'B'].includes(piece.corner) : piece.wall === 'w1'),
      ).length,
    );
    const off = planWith([insertOf({ kind: 'brick-ledge', at: '0in', up: '50in', length: '528in' })]);
    const [notice] = noticesOf(off);
    expect(notice?.id).toMatch(/^insert-ledge-off-course/);
    expect(noticesOf(applyEdit(off, notice?.fixes[0]?.edit ?? { kind: 'all', edits: [] }))).toEqual([]);
  });
});

describe('clashes', () => {
  it('are told with openings, corners, each other and joints', () => {
    const openings = [openingOf({ at: '200in', sill: '32in' })];
    const at = (change: Partial<Insert>): readonly string[] =>
      kinds(planWith([insertOf(change)], { openings }));
    expect(at({ at: '215in', up: '50in' })).toEqual(['in-opening']);
    // The buck's outside lies at 237 1/2 in: 1/2 in from the sleeve.
    expect(at({ at: '240in', up: '50in' })).toContain('near-opening');
    expect(at({ at: '10in', up: '50in' })).toContain('near-corner');
    expect(at({ at: '600in', up: '50in' })).toContain('off-wall');
    expect(at({ at: '400in', up: '200in' })).toContain('off-height');
    const two = planWith([insertOf({ at: '400in' }), insertOf({ id: 'b', at: '405in' })]);
    expect(kinds(two)).toContain('near-insert');
    const ledgers = planWith([
      insertOf({ kind: 'ledger', at: '20in', up: '80in', length: '96in' }),
      insertOf({ id: 'b', kind: 'ledger', at: '20in', up: '80in', length: '96in', face: 'outside' }),
    ]);
    expect(kinds(ledgers)).toEqual([]);
    // A ledger runs from corner to corner, a hold-down stands at the end of its wall: neither is in the corner's way.
    expect(at({ kind: 'ledger', at: '0in', up: '80in', length: '528in' })).not.toContain('near-corner');
    expect(at({ kind: 'hold-down', at: '10in' })).not.toContain('near-corner');
  });

  it('with a joint offer a move that clears it', () => {
    const worked = work(planWith([]));
    const joint = worked.courses.pieces.find(
      (piece) =>
        piece.kind === 'straight' && piece.wall === 'w1' && piece.course === 3 && piece.start > inches(100),
    );
    const at = joint?.kind === 'straight' ? toInches(joint.start) : 0;
    const plan = planWith([insertOf({ at: `${String(at + 1)}in`, up: '40in' })]);
    const notice = noticesOf(plan).find((each) => each.id.startsWith('insert-on-joint'));
    const moved = applyEdit(plan, notice?.fixes[0]?.edit ?? { kind: 'all', edits: [] });
    // Two inches of bore and one of wall clear of the joint, away from it.
    expect(moved.inserts?.[0]?.at).toBe(toText(at + 3));
    expect(kinds(moved)).not.toContain('on-joint');
  });

  it('say when a drain falls too little, a pocket is too deep, a length cannot be read, a wall is gone', () => {
    expect(kinds(planWith([insertOf({ fall: '1/8in' })]))).toContain('falls-little');
    expect(kinds(planWith([insertOf({ fall: '1/4in' })]))).not.toContain('falls-little');
    expect(kinds(planWith([insertOf({ kind: 'pocket', depth: '9in', up: '90in' })]))).toContain('too-deep');
    expect(kinds(planWith([insertOf({ at: 'far' })]))).toEqual(['unreadable']);
    const gone = applyEdit(planWith([insertOf({})]), { kind: 'remove-row', row: 'w1' });
    expect(kinds(gone)).toEqual(['wall-gone']);
    expect(gone.inserts?.length).toBe(1);
  });
});

const toText = (value: number): string => {
  const feet = Math.floor(value / 12);
  const rest = value - 12 * feet;
  return rest === 0 ? `${String(feet)}ft` : `${String(feet)}ft ${String(rest)}in`;
};

describe('CSV', () => {
  const openings: readonly Opening[] = [
    openingOf({ name: 'Kitchen, south', at: '16ft 8in', width: '3ft', height: '4ft', head: '6ft 8in' }),
    openingOf({
      id: 'b',
      kind: 'garage',
      wall: 'w5',
      from: 'end',
      to: 'centre',
      at: '12ft',
      width: '9ft',
      height: '7ft',
      sill: '1ft',
      buck: 'laminated',
      threshold: { kind: 'slab-over', depth: '4in', tongue: 'crack-bar', truck: 'wall' },
    }),
  ];
  const inserts: readonly Insert[] = [
    insertOf({ name: 'Water “in”', at: '3ft', up: '2ft', size: '4in', fall: '1/4in' }),
    insertOf({
      id: 'b',
      kind: 'ledger',
      wall: 'w5',
      at: '2ft',
      up: '8ft',
      length: '20ft',
      rows: 3,
      fixing: 'drilled',
    }),
  ];
  const { shell } = work(planWith([]));
  const without = <Thing extends { readonly id: string }>(thing: Thing): Omit<Thing, 'id'> =>
    withoutKey(thing, 'id');

  it('brings openings and inserts out and back the same', () => {
    const read = readOpeningsFile(writeOpeningsFile(openings, shell, 'imperial'), shell, 'imperial');
    expect(read.ok && read.openings).toEqual(openings.map(without));
    const back = readInsertsFile(writeInsertsFile(inserts, shell, 'imperial'), shell, 'imperial');
    expect(back.ok && back.inserts).toEqual(inserts.map(without));
  });

  it('reads what people paste: tabs, corner letters, bare numbers in the heading’s unit', () => {
    const text =
      'wall\tfrom corner\tat (mm)\twidth (mm)\theight (mm)\thead (mm)\nb – c\tC\t1200\t900\t1200\t2100';
    const read = readOpeningsFile(text, shell, 'imperial');
    expect(read.ok && read.openings).toEqual([
      {
        kind: 'window',
        wall: 'w2',
        from: 'end',
        to: 'near',
        at: '1200mm',
        width: '900mm',
        height: '1200mm',
        head: '2100mm',
      },
    ]);
  });

  it('takes nothing from a file with wrong rows, and says what each wants', () => {
    const read = readOpeningsFile(
      [
        'wall,from,at,width,height,kind,sill,head',
        'A-B,Q,4ft,3ft,4ft,window,,',
        'Z-Z,A,4ft,3ft,4ft,window,,',
        'A-B,A,4ft,wide,4ft,porthole,,',
        'A-B,A,4ft,3ft,4ft,window,3ft,7ft',
      ].join('\n'),
      shell,
      'imperial',
    );
    expect(read.ok ? [] : read.problems.map(({ row, what }) => `${String(row)} ${what}`)).toEqual([
      '2 “Q” is no corner of A–B; write A or B.',
      expect.stringMatching(/^3 There is no wall “Z-Z”; the walls are A–B, B–C/),
      expect.stringMatching(/^4 “porthole” is no kind of opening; write one of window, door/),
      expect.stringMatching(/^4 “wide” cannot be read: /),
      '5 Give its sill or its head, not both.',
    ]);
    expect(readOpeningsFile('', shell, 'imperial').ok).toBe(false);
    expect(readOpeningsFile('wall,at\nA-B,4ft', shell, 'imperial').ok).toBe(false);
    const bad = readInsertsFile('kind,wall,at,up,rows,face\nsleeve,A-B,4ft,3ft,9,top', shell, 'imperial');
    expect(bad.ok ? [] : bad.problems.map(({ row }) => row)).toEqual([2, 2]);
  });
});

import { describe, expect, it } from 'vitest';
import { inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { applyEdit, writePlan } from '../../../src/plan';
import { readPlan } from '../../../src/planFile';
import { copiedInsert, ledgePieces, readInsertsFile } from '../../../src/stages/inserts';
import type { Insert } from '../../../src/stages/inserts/plan';
import { wallsOf } from '../../../src/stages/outline';
import { work } from '../../../src/work';
import { behindOn } from '../../support/behind';
import { insertOf, openingOf } from '../../support/openings';
import { HALL, planOf, withCourses, withInside } from '../../support/plans';
import { valuesIn } from '../../support/values';

const hall = (inserts: readonly Insert[], change: Partial<Plan> = {}): Plan =>
  planOf(HALL, { ...withCourses(7), inserts, ...change });
const toldOf = (plan: Plan, id: string) => work(plan).notices.filter((notice) => notice.id.startsWith(id));

describe('an insert at the edge of what it is', () => {
  it('that holds down is a plate of 4 by 8 in unless set, needs nothing of a face, and is not placed where its size cannot be read', () => {
    const at = { kind: 'hold-down', at: '195in', up: '40in' } as const;
    const [plate] = work(hall([insertOf(at)])).inserts.placed;
    const sizeOf = (placed: typeof plate) =>
      placed && [
        toInches((placed.rect.to - placed.rect.from) as never),
        toInches((placed.rect.top - placed.rect.bottom) as never),
      ];
    expect(sizeOf(plate)).toEqual([4, 8]);
    expect(sizeOf(work(hall([insertOf({ ...at, size: '6in' })])).inserts.placed[0])).toEqual([6, 8]);
    expect(work(hall([insertOf({ ...at, size: 'wide' })])).inserts.placed).toEqual([]);
    // An inside wall takes 187 to 200 in of this one's face: a sleeve there is told; a hold-down is all in the wall's own concrete.
    const parted = (insert: Insert): Plan => withInside(hall([insert]));
    expect(toldOf(parted(insertOf({ at: '195in', up: '40in' })), 'insert-at-tee')).toHaveLength(1);
    expect(toldOf(parted(insertOf(at)), 'insert-at-tee')).toEqual([]);
    // On another wall, the same place is nothing to tell.
    expect(toldOf(parted(insertOf({ wall: 'w2', at: '195in', up: '40in' })), 'insert-at-tee')).toEqual([]);
  });

  it('is copied so much farther from its corner, with all that it says but its id', () => {
    const sleeve = insertOf({ at: '10ft', size: '6in', from: 'end' });
    expect(copiedInsert(sleeve, inches(24), 'imperial')).toEqual({
      kind: 'sleeve',
      wall: 'w1',
      from: 'end',
      at: '12ft',
      up: '40in',
      size: '6in',
    });
    // What cannot be read yet is copied as it stands.
    expect(copiedInsert(insertOf({ at: 'near the door' }), inches(24), 'imperial').at).toBe('near the door');
  });

  it('of bricks is carried by the pieces that it reaches into, not by those that it only touches', () => {
    const plain = work(hall([])).courses.pieces.flatMap((piece) =>
      piece.kind !== 'corner' && piece.wall === 'w1' && piece.course === 3 ? [piece] : [],
    );
    const [, second, third] = plain;
    if (!second || !third) throw new Error('no pieces');
    const from = toInches(second.start);
    const carriers = (at: number, length: number) => {
      const worked = work(
        hall([
          insertOf({ kind: 'brick-ledge', at: `${String(at)}in`, up: '48in', length: `${String(length)}in` }),
        ]),
      );
      const [ledge] = worked.inserts.placed;
      if (!ledge) throw new Error('no ledge');
      const walls = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall]));
      return ledgePieces(ledge, worked.courses, walls).map(({ id }) => id);
    };
    expect(carriers(from, toInches(second.length))).toEqual([second.id]);
    expect(carriers(from, toInches(second.length) + 0.5)).toEqual([second.id, third.id]);
    expect(carriers(from - 0.5, toInches(second.length))).toContain(plain[0]?.id);
  });

  it('of plates is moved no farther than its wall goes', () => {
    // A row as long as its face has nowhere to go, however many of its plates meet a web.
    const rowOf = (face: 'inside' | 'outside', at: string, length: string) =>
      hall([insertOf({ kind: 'hangers', at, up: '90in', length, spacing: '12in', face })]);
    for (const [face, at, length, from, to] of [
      ['outside', '0in', '480in', 0, 480],
      ['outside', '4in', '464in', 0, 480],
      // Inside, walls of 13 in stand across both corners.
      ['inside', '13in', '454in', 13, 467],
      ['inside', '20in', '432in', 13, 467],
    ] as const) {
      const row = rowOf(face, at, length);
      const [told] = toldOf(row, 'insert-plates-blocked');
      if (!told) throw new Error('no notice');
      if (length === '480in') expect(told.fixes).toEqual([]);
      for (const { edit } of told.fixes) {
        for (const { at: station } of work(applyEdit(row, edit)).inserts.placed[0]?.fixings ?? []) {
          expect(station).toBeGreaterThanOrEqual(inches(from));
          expect(station).toBeLessThanOrEqual(inches(to));
        }
      }
    }
  });

  it('on a joint is told at either end of its wall, beside a corner’s leg too', () => {
    for (const [side, course] of [
      [1, 2],
      [1, 3],
      [2, 2],
      [2, 3],
    ] as const) {
      const at = { bottom: inches(course * 16 - 16), top: inches(course * 16) };
      const wall = `w${String(side)}`;
      const joints = [...behindOn(work(hall([])), wall, at).joints].sort((a, b) => a - b);
      for (const joint of [joints[0], joints.at(-1)]) {
        if (joint === undefined) throw new Error('no joint');
        const up = `${String(course * 16 - 8)}in`;
        const { problems } = work(hall([insertOf({ wall, at: `${String(joint)}in`, up })])).inserts;
        expect(problems).toContainEqual(
          expect.objectContaining({ kind: 'on-joint', course, at: inches(joint) }),
        );
      }
    }
  });

  it('that runs along the inside has the face between the walls across; a run of the whole wall is as long', () => {
    for (const kind of ['ledger', 'hangers', 'brick-ledge'] as const) {
      const runOf = (change: Partial<Insert>) => {
        const worked = work(hall([insertOf({ kind, up: '96in', ...change })]));
        const [placed] = worked.inserts.placed;
        const off = worked.inserts.problems.flatMap((each) =>
          each.kind === 'off-wall' ? [[each.corner, toInches(each.by)]] : [],
        );
        return [placed && [toInches(placed.rect.from), toInches(placed.rect.to)], off];
      };
      const inside = { face: 'inside', from: 'start' } as const;
      // [by hand] 480 in outside, less 13 in at both corners.
      expect(runOf({ ...inside, at: '0in' })).toEqual([[13, 467], []]);
      expect(runOf({ ...inside, at: '0in', from: 'end' })).toEqual([[13, 467], []]);
      expect(runOf({ ...inside, at: '100in' })).toEqual([[100, 467], []]);
      expect(runOf({ ...inside, at: '100in', from: 'end' })).toEqual([[13, 380], []]);
      expect(runOf({ ...inside, at: '13in', length: '454in' })).toEqual([[13, 467], []]);
      expect(runOf({ ...inside, at: '3in', length: '454in' })).toEqual([[3, 457], [['A', 10]]]);
      expect(runOf({ ...inside, at: '100in', length: '370in' })).toEqual([[100, 470], [['B', 3]]]);
      // Nothing of the face is left there.
      expect(runOf({ ...inside, at: '470in' })).toEqual([undefined, [['B', 3]]]);
      expect(runOf({ ...inside, at: '467in' })).toEqual([undefined, [['B', 0]]]);
      expect(runOf({ ...inside, at: '466in' })).toEqual([[466, 467], []]);
      const outside = { face: 'outside', from: 'start' } as const;
      expect(runOf({ ...outside, at: '0in' })).toEqual([[0, 480], []]);
      expect(runOf({ ...outside, at: '30in' })).toEqual([[30, 480], []]);
    }
  });

  it('that begins past the end of its face says how far, or that it begins at the corner', () => {
    const said = (at: string, length?: string) =>
      toldOf(
        hall([insertOf({ kind: 'ledger', up: '96in', at, face: 'inside', ...(length ? { length } : {}) })]),
        'insert-off-wall',
      ).map(({ severity, what }) => [severity, ...valuesIn(what)]);
    expect(said('470in')).toEqual([['stop', '3″', 'A–B']]);
    expect(said('467in')).toEqual([['stop', 'A–B']]);
    expect(said('100in', '370in')).toEqual([['stop', '3″', 'A–B']]);
  });

  it('that runs along the inside goes on past an inside corner, as its face does, whatever face the tape is on', () => {
    // Outward corners at both ends of w1; w3 ends at an inside one and w4 begins there.
    const ell = (measuredTo: Plan['measuredTo'], wall: string, from: Insert['from']) => {
      const worked = work(
        planOf(
          [
            [480, 90],
            [240, 90],
            [240, -90],
            [120, 90],
            [240, 90],
            [360, 90],
          ],
          {
            ...withCourses(7),
            measuredTo,
            inserts: [insertOf({ kind: 'ledger', wall, from, at: '0in', up: '90in' })],
          },
        ),
      );
      expect(worked.inserts.problems.filter(({ kind }) => kind === 'off-wall')).toEqual([]);
      const [placed] = worked.inserts.placed;
      return placed && toInches((placed.rect.to - placed.rect.from) as never);
    };
    for (const from of ['start', 'end'] as const) {
      expect(ell('form', 'w1', from)).toBe(480 - 26);
      expect(ell('form', 'w3', from)).toBe(240);
      expect(ell('form', 'w4', from)).toBe(120);
      // Drawn to the concrete, whose faces lie 2 1/2 in inside those of the form.
      expect(ell('concrete', 'w1', from)).toBe(480 + 5 - 26);
    }
  });

  it('in a wall that does not stand yet waits for it; in one that is gone it is told', () => {
    const open = planOf([...HALL.slice(0, 3), [300, 90]], { ...withCourses(7), inserts: [insertOf({})] });
    expect(work(open).inserts).toEqual({ placed: [], problems: [] });
    const gone = hall([insertOf({ wall: 'w9' })]);
    expect(work(gone).inserts.problems.map(({ kind }) => kind)).toEqual(['wall-gone']);
  });

  it('has an id of its own: in a file that has it twice it is refused, and one that is added is given a fresh one', () => {
    const twice = hall([insertOf({ id: 'a' }), insertOf({ id: 'a', at: '300in' })]);
    expect(readPlan(writePlan(twice)).ok).toBe(false);
    const shared = hall([insertOf({ id: 'a' })], { openings: [openingOf({ id: 'a' })] });
    expect(readPlan(writePlan(shared)).ok).toBe(false);
    expect(readPlan(writePlan(hall([insertOf({ id: 'a' }), insertOf({ id: 'b', at: '300in' })]))).ok).toBe(
      true,
    );
    const { id, ...sleeve } = insertOf({ id: 'a' });
    const added = applyEdit(hall([insertOf({ id })]), { kind: 'add-inserts', inserts: [sleeve] });
    expect(new Set(added.inserts?.map((each) => each.id)).size).toBe(2);
  });

  it('of a kind that there is not is refused with its row', () => {
    const { shell } = work(hall([]));
    const read = (kind: string) =>
      readInsertsFile(`kind,wall,from,at,up\n${kind},A-B,A,10ft,4ft`, shell, 'imperial');
    expect(read('sleeve').ok).toBe(true);
    const refused = read('chimney');
    expect(refused.ok ? [] : refused.problems.map(({ what }) => what)).toEqual([
      expect.stringMatching(/^“chimney” is no kind of insert; write one of sleeve, conduit/),
    ]);
  });
});

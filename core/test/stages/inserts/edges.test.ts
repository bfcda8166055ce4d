import { describe, expect, it } from 'vitest';
import { inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { applyEdit, writePlan } from '../../../src/plan';
import { readPlan } from '../../../src/planFile';
import { copiedInsert, ledgePieces, readInsertsFile } from '../../../src/stages/inserts';
import type { Insert } from '../../../src/stages/inserts/plan';
import { wallsOf } from '../../../src/stages/outline';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { HALL, planOf, withCourses, withInside } from '../../support/plans';

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
    // A row as long as its wall has nowhere to go, however many of its plates meet a web.
    const row = (at: string, length: string) =>
      toldOf(
        hall([insertOf({ kind: 'hangers', at, up: '90in', length, spacing: '12in' })]),
        'insert-plates-blocked',
      );
    for (const [at, length] of [
      ['0in', '480in'],
      ['4in', '464in'],
    ] as const) {
      const [told] = row(at, length);
      if (!told) throw new Error('no notice');
      for (const { edit } of told.fixes) {
        const moved = work(
          applyEdit(hall([insertOf({ kind: 'hangers', at, up: '90in', length, spacing: '12in' })]), edit),
        );
        for (const { at: station } of moved.inserts.placed[0]?.fixings ?? []) {
          expect(station).toBeGreaterThanOrEqual(0);
          expect(station).toBeLessThanOrEqual(inches(480));
        }
      }
    }
    expect(row('0in', '480in')[0]?.fixes).toEqual([]);
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

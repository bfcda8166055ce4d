import { emptyPlan } from '@ombra/core/stages/outline';
import { describe, expect, it } from 'vitest';
import { makePlanStore } from '../src/job/planStore';

let ids = 0;
const newId = (): string => `new-${String(++ids)}`;

const nameOf = (store: ReturnType<typeof makePlanStore>): string => store.store.getState().plan.name;

describe('undo and redo', () => {
  it('go back and forth an edit at a time', () => {
    const store = makePlanStore(emptyPlan('one'), newId);
    store.edit({ kind: 'rename', name: 'two' });
    store.edit({ kind: 'rename', name: 'three' });
    store.undo();
    expect(nameOf(store)).toBe('two');
    store.undo();
    expect(nameOf(store)).toBe('one');
    store.undo();
    expect(nameOf(store)).toBe('one');
    store.redo();
    store.redo();
    expect(nameOf(store)).toBe('three');
  });

  it('take a word typed as one step, and two fields as two', () => {
    const store = makePlanStore(emptyPlan(''), newId);
    for (const name of ['B', 'Ba', 'Bar', 'Barn']) store.edit({ kind: 'rename', name }, 'name');
    for (const courses of [7, 8]) store.edit({ kind: 'set-courses', courses }, 'courses');
    store.undo();
    expect(store.store.getState().plan).toMatchObject({ name: 'Barn', pours: [{ toCourse: 6 }] });
    store.undo();
    expect(nameOf(store)).toBe('');
    store.redo();
    expect(nameOf(store)).toBe('Barn');
  });

  it('start a new step when a field is left and entered again', () => {
    const store = makePlanStore(emptyPlan(''), newId);
    store.edit({ kind: 'rename', name: 'Ba' }, 'name');
    store.endMerge();
    store.edit({ kind: 'rename', name: 'Barn' }, 'name');
    store.undo();
    expect(nameOf(store)).toBe('Ba');
  });

  it('forget what was undone once something else is done', () => {
    const store = makePlanStore(emptyPlan('one'), newId);
    store.edit({ kind: 'rename', name: 'two' });
    store.undo();
    store.edit({ kind: 'rename', name: 'other' });
    store.redo();
    expect(nameOf(store)).toBe('other');
  });

  it('give added rows ids of their own', () => {
    const store = makePlanStore(emptyPlan('one'), newId);
    const row = { length: '1ft', turn: 'right 90' };
    store.edit({ kind: 'add-rows', loop: 'loop-1', rows: [row, row] });
    store.edit({ kind: 'all', edits: [{ kind: 'add-rows', loop: 'loop-1', rows: [row] }] });
    const given = store.store.getState().plan.loops[0]?.walk.map((each) => each.id) ?? [];
    expect(new Set(given).size).toBe(3);
    expect(given.every((id) => id.startsWith('new-'))).toBe(true);
  });
});

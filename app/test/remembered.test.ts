import { describe, expect, it } from 'vitest';
import { remembered } from '../src/remembered';

/** A browser's store, which may be full or shut. */
function store() {
  const kept = new Map<string, string>();
  const state = { room: true, open: true };
  return {
    kept,
    state,
    open: () => {
      if (!state.open) throw new Error('shut');
      return {
        getItem: (key: string) => kept.get(key) ?? null,
        setItem: (key: string, value: string) => {
          if (!state.room) throw new Error('full');
          kept.set(key, value);
        },
        removeItem: (key: string) => void kept.delete(key),
      };
    },
  };
}

describe('what a browser remembers', () => {
  it('is kept by the store and read from it', () => {
    const { open, kept } = store();
    const device = remembered(open);
    expect(device.get('who')).toBeNull();
    device.set('who', 'Ida');
    expect([device.get('who'), kept.get('who')]).toEqual(['Ida', 'Ida']);
    device.remove('who');
    expect([device.get('who'), kept.size]).toEqual([null, 0]);
  });

  it('lasts as long as the page where the store is full, and is kept once there is room', () => {
    const { open, kept, state } = store();
    const device = remembered(open);
    device.set('who', 'Ida');
    state.room = false;
    device.set('who', 'Bo');
    expect([device.get('who'), kept.get('who')]).toEqual(['Bo', 'Ida']);
    state.room = true;
    device.set('who', 'Cy');
    kept.set('who', 'Cy, elsewhere');
    expect(device.get('who')).toBe('Cy, elsewhere');
  });

  it('lasts as long as the page where the browser keeps nothing', () => {
    const { open, state } = store();
    state.open = false;
    const device = remembered(open);
    expect(device.get('who')).toBeNull();
    device.set('who', 'Ida');
    expect(device.get('who')).toBe('Ida');
    device.remove('who');
    expect(device.get('who')).toBeNull();
  });
});

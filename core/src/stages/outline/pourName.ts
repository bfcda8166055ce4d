import type { Pour } from './plan';

/**
 * What a pour is called: its own name, or its number from the footing up; or, where it is the only one, what is given for that.
 *
 * @example pourName([{ id: 'p', toCourse: 4, top: 'full' }], 'p') // 'Pour 1'
 * @example pourName([{ id: 'p', toCourse: 4, top: 'full' }], 'p', 'Walls') // 'Walls'
 */
export function pourName(pours: readonly Pour[], id: string, alone?: string): string {
  const index = pours.findIndex((pour) => pour.id === id);
  const own = pours[index]?.name;
  return own ?? (pours.length === 1 && alone !== undefined ? alone : `Pour ${String(index + 1)}`);
}

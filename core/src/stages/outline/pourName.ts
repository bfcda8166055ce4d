import type { Pour } from './plan';

/**
 * What a pour is called: its own name, or its number from the footing up.
 *
 * @example pourName([{ id: 'p', toCourse: 4, top: 'full' }], 'p') // 'Pour 1'
 */
export function pourName(pours: readonly Pour[], id: string): string {
  const index = pours.findIndex((pour) => pour.id === id);
  return pours[index]?.name ?? `Pour ${String(index + 1)}`;
}

import type { PlankRun } from '@ombra/core/stages/footing';

/**
 * Where planks of a footing form go, in words.
 *
 * @example plankPlace({ name: 'A–B', side: 'inside', part: 1, parts: 2, … }) // 'A–B, inside 1 of 2'
 */
export function plankPlace({ name, side, part, parts }: PlankRun): string {
  const place = side === 'end' ? 'across the free end' : side;
  return `${name}, ${place}${parts > 1 ? ` ${String(part)} of ${String(parts)}` : ''}`;
}

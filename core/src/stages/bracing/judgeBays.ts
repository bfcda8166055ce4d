import type { Length } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { Wall } from '../outline';
import type { Stood } from './layBraces';
import type { BracingProblem } from './problem';

/** Tells of bays that came out wider than the rule. */
export function judgeBays(
  wall: Wall,
  stood: readonly Stood[],
  openings: readonly PlacedOpening[],
  most: Length,
  problems: BracingProblem[],
): void {
  for (const [index, { strip }] of stood.entries()) {
    const next = stood[index + 1]?.strip;
    if (!next || next.at - strip.at <= most) continue;
    const inside = openings.find(({ hole }) => hole.from >= strip.at && hole.to <= next.at);
    problems.push({
      kind: 'bay-wide',
      wall: wall.id,
      from: strip.at,
      to: next.at,
      most,
      opening: inside?.id ?? null,
    });
  }
}

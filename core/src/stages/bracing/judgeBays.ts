import type { Length } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { Wall } from '../outline';
import type { Stood } from './layBraces';
import type { BracingProblem } from './problem';

/** What `judgeBays` goes by. */
interface JudgeBaysInput {
  readonly wall: Wall;
  readonly stood: readonly Stood[];
  readonly openings: readonly PlacedOpening[];
  readonly most: Length;
}

/** Bays that came out wider than the rule. */
export function judgeBays({ wall, stood, openings, most }: JudgeBaysInput): readonly BracingProblem[] {
  return stood.flatMap(({ strip }, index): BracingProblem[] => {
    const next = stood[index + 1]?.strip;
    if (!next || next.at - strip.at <= most) return [];
    const inside = openings.find(({ hole }) => hole.from >= strip.at && hole.to <= next.at);
    return [
      {
        kind: 'bay-wide',
        wall: wall.id,
        from: strip.at,
        to: next.at,
        most,
        opening: inside?.id ?? null,
      },
    ];
  });
}

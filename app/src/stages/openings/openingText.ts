import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { ByCourse, MemberPart } from '@ombra/core/stages/bucks';
import type { Nudge } from '@ombra/core/trials/nudge';

const inInches = (length: Length, units: UnitSystem): string =>
  showLength(length, units, { style: 'inches' });

/** A height by courses: `course 3 plus 4″`, or `on course 3` on its line. */
export function courseText({ course, plus }: ByCourse, units: UnitSystem): string {
  const line = course === 0 ? 'foot of the wall' : `course ${String(course)}`;
  return plus === 0
    ? `top of ${line}`.replace('top of foot', 'foot')
    : `${line} plus ${inInches(plus, units)}`;
}

/** Members as a list names them, one or many. */
export function partText(part: MemberPart, count: number): string {
  if (count === 1) return part;
  return part === 'half sill' ? 'half sills' : `${part}s`;
}

/** What adopting a nudge does: `Move it 3″ toward B`. */
export function nudgeLabel(nudge: Nudge, from: string, to: string, units: UnitSystem): string {
  const size = inInches(Math.abs(nudge.by) as Length, units);
  switch (nudge.way) {
    case 'along':
      return `${size} toward ${nudge.by > 0 ? to : from}`;
    case 'up':
      return `${size} ${nudge.by > 0 ? 'up' : 'down'}`;
    case 'wider':
      return `${size} ${nudge.by > 0 ? 'wider' : 'narrower'}`;
    case 'taller':
      return `${size} ${nudge.by > 0 ? 'taller' : 'lower'}`;
  }
}

const some = (count: number, what: string): string =>
  `${String(Math.abs(count))} ${what}${Math.abs(count) === 1 ? '' : 's'}`;

/** What a nudge saves, and what it costs. */
export function nudgeSaves({ cuts, shaped, blocks }: Nudge): string {
  const parts = [
    [cuts, 'cut'],
    [shaped, 'shaped piece'],
    [blocks, 'block'],
  ] as const;
  const saved = parts.filter(([count]) => count > 0).map(([count, what]) => some(count, what));
  const costs = parts.filter(([count]) => count < 0).map(([count, what]) => some(count, what));
  return `saves ${saved.join(', ')}${costs.length === 0 ? '' : `; costs ${costs.join(', ')}`}`;
}

/** How the concrete under a sill is reached, in words. */
export function accessText(
  access: {
    readonly kind: 'open' | 'split' | 'holes' | 'slot';
    readonly count: number;
    readonly size: Length;
    readonly gap: Length;
  },
  units: UnitSystem,
): string {
  switch (access.kind) {
    case 'open':
      return 'No sill: open below.';
    case 'split':
      return `Place through the ${inInches(access.gap, units)} gap of the split sill.`;
    case 'holes':
      return `${some(access.count, 'hole')} of ${inInches(access.size, units)} in the sill, for the vibrator.`;
    case 'slot':
      return `${some(access.count, 'slot')} ${inInches(access.size, units)} long in the sill, for the vibrator.`;
  }
}

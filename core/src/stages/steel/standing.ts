import { type PourSpan, startsIn } from '../outline';
import type { Bar } from './bar';

/** Whether a bar is stood up by itself, after the courses round it: of a wall, or beside an opening. */
export const standsUp = ({ use }: Pick<Bar, 'use'>): boolean => use === 'vertical' || use === 'jamb';

/** Bars that are stood up for a pour: verticals and those beside openings whose foot lies in it. */
export function standingIn(
  bars: readonly Bar[],
  span: Pick<PourSpan, 'lowest' | 'bottom' | 'top'>,
): readonly Bar[] {
  const inPour = startsIn(span);
  return bars.filter((bar) => standsUp(bar) && inPour(bar.bottom));
}

import type { PourSpan } from '../outline';
import type { Bar } from '../steel';

/** Whether a height lies in a pour. */
export const within =
  ({ bottom, top }: Pick<PourSpan, 'bottom' | 'top'>) =>
  (height: number): boolean =>
    height >= bottom && height < top;

/** Whether a bar is stood up by itself, after the courses round it: of a wall, or beside an opening. */
export const isUpright = ({ use }: Pick<Bar, 'use'>): boolean => use === 'vertical' || use === 'jamb';

/** Bars that are stood up for a pour: verticals and those beside openings whose foot lies in it. */
export function uprightsOf(bars: readonly Bar[], span: Pick<PourSpan, 'bottom' | 'top'>): readonly Bar[] {
  const inPour = within(span);
  return bars.filter((bar) => isUpright(bar) && inPour(bar.bottom));
}

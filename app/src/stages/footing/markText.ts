import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { TapeMark } from '@ombra/core/stages/footing';

/** What a mark of the tape sheet says. */
export function markText(mark: TapeMark, units: UnitSystem): string {
  switch (mark.what) {
    case 'corner':
      return `corner ${mark.letter ?? ''}`;
    case 'end':
      return `end ${mark.letter ?? ''}`;
    case 'leg':
      return `leg of corner ${mark.letter ?? ''} ends`;
    case 'cut':
      return `cut of ${mark.length === null ? '' : showLength(mark.length, units, { style: 'inches' })} starts`;
    case 'step':
      return 'footing steps';
    case 'wall-meets':
      return `wall ${mark.letter ?? ''} meets`;
  }
}

import type { Figure } from '../../kernel/figures/figure';
import type { Footing } from './buildFooting';

/** Every figure of the footing, for why cards. */
export const figuresOfFooting = (footing: Footing): readonly Figure[] => [
  footing.concrete,
  ...(footing.firstLift ? [footing.firstLift] : []),
  ...(footing.sheet ? [footing.sheet] : []),
  footing.firstCourse.ties,
  footing.firstCourse.held,
  footing.firstCourse.fixed,
  ...(footing.forms ? [footing.forms.planks, footing.forms.ties, footing.forms.stone] : []),
  ...(footing.rock ? [footing.rock.fills, footing.rock.lost] : []),
];

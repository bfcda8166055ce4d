import type { Length } from '../../kernel/measure';

/** Which of the two level surveys a reading belongs to: on the footing, or on the first course once it is shimmed. */
export type SurveyPass = 'footing' | 'first-course';

/** What is wrong with the footing, or with what was measured on it, and where. Corners are told by their letters. */
export type FootingProblem =
  | {
      readonly kind: 'text-unreadable';
      readonly what: 'width' | 'depth' | 'sheet' | 'offset';
      readonly wall: string | null;
      readonly text: string;
    }
  | {
      readonly kind: 'size-out-of-range';
      readonly what: 'width' | 'depth' | 'sheet';
      readonly wall: string | null;
      readonly given: Length;
      readonly least: Length;
      readonly most: Length;
    }
  | {
      readonly kind: 'narrower-than-wall';
      readonly wall: string;
      readonly width: Length;
      readonly thickness: Length;
    }
  | {
      readonly kind: 'off-footing';
      readonly wall: string;
      readonly side: 'outside' | 'inside';
      readonly by: Length;
    }
  | {
      readonly kind: 'edge-small';
      readonly wall: string;
      readonly side: 'outside' | 'inside';
      readonly left: Length;
    }
  | {
      readonly kind: 'shot-unreadable';
      readonly pass: SurveyPass;
      readonly wall: string;
      readonly text: string;
    }
  | { readonly kind: 'shots-without-wall'; readonly pass: SurveyPass; readonly count: number }
  | {
      readonly kind: 'shot-off-wall';
      readonly pass: SurveyPass;
      readonly wall: string;
      readonly at: Length;
      readonly length: Length;
    }
  | {
      readonly kind: 'shots-twice';
      readonly pass: SurveyPass;
      readonly wall: string;
      readonly at: Length;
      readonly by: Length;
    }
  | { readonly kind: 'one-reading'; readonly pass: SurveyPass }
  | { readonly kind: 'not-surveyed'; readonly pass: SurveyPass; readonly walls: readonly string[] }
  | { readonly kind: 'pull-unreadable'; readonly from: string; readonly to: string; readonly text: string }
  | { readonly kind: 'pulls-without-corner'; readonly count: number }
  | { readonly kind: 'pull-to-itself'; readonly corner: string }
  | {
      readonly kind: 'pull-impossible';
      readonly from: string;
      readonly to: string;
      readonly length: Length;
      readonly least: Length;
      readonly most: Length;
    };

import type { Length } from '../../kernel/measure';

interface OfInsert {
  readonly insert: string;
  /** As it is called on screen. */
  readonly name: string;
}

interface OnWall extends OfInsert {
  readonly wall: string;
}

/** What keeps an insert from being placed, or should be known of it. */
export type InsertProblem =
  | (OfInsert & { readonly kind: 'wall-gone' })
  | (OnWall & { readonly kind: 'unreadable'; readonly field: string; readonly text: string })
  /** Its anchors or plates, with those before it, are more than a job's are laid out. */
  | (OnWall & { readonly kind: 'too-many-fixings'; readonly fixings: number; readonly most: number })
  | (OnWall & {
      readonly kind: 'off-wall';
      readonly by: Length;
      readonly corner: string;
      /** A run on the inside face, which ends at the wall across. */
      readonly inside: boolean;
      /** A run that begins past the end of its face: nothing of it is on the wall. */
      readonly none: boolean;
    })
  | (OnWall & { readonly kind: 'off-height'; readonly where: 'above' | 'below' })
  | (OnWall & { readonly kind: 'in-opening'; readonly opening: string })
  | (OnWall & { readonly kind: 'near-opening'; readonly opening: string; readonly left: Length })
  | (OnWall & { readonly kind: 'near-insert'; readonly other: string; readonly left: Length })
  | (OnWall & { readonly kind: 'near-corner'; readonly corner: string; readonly left: Length })
  | (OnWall & {
      readonly kind: 'on-joint';
      readonly course: number;
      readonly at: Length;
      readonly off: Length;
    })
  /** Stretches of a ledger with no clear place for an anchor within reach: the first one, and how many there are. */
  | (OnWall & {
      readonly kind: 'anchor-gap';
      readonly from: Length;
      readonly to: Length;
      readonly places: number;
    })
  /** Hanger plates whose legs meet a web or a joint: the first one, and how far the whole row would move to leave fewer. */
  | (OnWall & {
      readonly kind: 'plates-blocked';
      readonly plates: number;
      readonly of: number;
      readonly first: Length;
      readonly shift: Length | null;
    })
  /** Where an inside wall meets the wall, and how far it would move, toward either corner, to clear it. */
  | (OnWall & {
      readonly kind: 'at-tee';
      readonly other: string;
      /** Whether it runs along the wall, and ends on either side of the inside wall rather than being moved. */
      readonly run: boolean;
      readonly from: Length;
      readonly to: Length;
      readonly back: Length;
      readonly on: Length;
    })
  | (OnWall & { readonly kind: 'too-deep'; readonly depth: Length; readonly core: Length })
  | (OnWall & { readonly kind: 'falls-little'; readonly fall: Length; readonly least: Length })
  | (OnWall & { readonly kind: 'ledge-off-course'; readonly up: Length; readonly nearest: Length });

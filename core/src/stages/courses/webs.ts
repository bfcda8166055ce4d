import type { FormSystem } from '../../kernel/forms';
import type { Length } from '../../kernel/measure';

/** The web pattern of a family, and what a saw leaves of it. */
export interface WebRules {
  /** First web from a whole end, and the spacing of the rest. */
  readonly first: Length;
  readonly spacing: Length;
  /** A web nearer than this to a cut is lost. */
  readonly clearOfCut: Length;
}

export const webRules = (system: FormSystem, clearOfCut: Length): WebRules => ({
  first: system.firstWeb,
  spacing: system.webSpacing,
  clearOfCut,
});

/** Webs of a whole piece, from its start. */
export function websOfWhole(length: Length, webs: WebRules): readonly Length[] {
  const found: Length[] = [];
  for (let at: number = webs.first; at < length; at += webs.spacing) found.push(at as Length);
  return found;
}

/**
 * Webs that stay whole in a piece cut to `length`, measured from its whole end: 4, 12, 20 … in, as far as they keep
 * clear of the cut.
 */
export const websOfCut = (length: Length, webs: WebRules): readonly Length[] =>
  websOfWhole((length - webs.clearOfCut + 1) as Length, webs);

/** The ear of a cut piece: foam from its last whole web to the cut. A piece without webs is all ear. */
export const earOf = (length: Length, webs: WebRules): Length =>
  (length - (websOfCut(length, webs).at(-1) ?? 0)) as Length;

/** What a laser receiver on a rod says, many times a second. */
export type ReceiverEvent =
  /** How far the foot of the rod lies below the laser's plane. */
  | { readonly kind: 'reading'; readonly millimetres: number }
  /** The beam does not hit the receiver. */
  | { readonly kind: 'no-beam' }
  /** The beam hits beyond what the receiver can slide to. */
  | { readonly kind: 'out-of-range' };

/**
 * A laser receiver. A real one only says what it sees, wherever its rod stands; the simulated one must be told where that is.
 */
export interface LaserReceiver {
  /** Everything that it says until the signal stops it. */
  readonly listen: (signal: AbortSignal) => AsyncGenerator<ReceiverEvent, void, undefined>;
}

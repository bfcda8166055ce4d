/**
 * Velocity pressure of wind in pounds a square foot: 0.00256 V². [ASCE 7, velocity-pressure constant; from memory]
 *
 * @param mph miles an hour
 */
export const windPressure = (mph: number): number => 0.00256 * mph * mph;

/** What wind does to one brace of an empty wall; forces in newtons, lengths in metres. */
export interface WindOnBrace {
  /** On the wall that the brace holds. */
  readonly force: number;
  /** Across, where the leg meets the upright. */
  readonly across: number;
  /** Along the leg. */
  readonly leg: number;
  /** Up or down at the leg's foot. */
  readonly uplift: number;
  /** On each screw, where the wall is pulled off its upright. */
  readonly screw: number;
}

/** What `windOnBrace` goes by. */
interface WindOnBraceInput {
  /** Pascals of velocity pressure. */
  readonly pressure: number;
  /** What the pressure is multiplied by for a free-standing wall. */
  readonly factor: number;
  /** Of the wall, metres. */
  readonly height: number;
  /** Length of wall that the brace holds, metres. */
  readonly share: number;
  /** Height at which the leg meets the upright, metres. */
  readonly meets: number;
  /** Distance of the leg's foot from the wall, metres. */
  readonly out: number;
  readonly screws: number;
}

/**
 * Forces of a brace by moments about the upright's foot: the wind on its share of the wall acts at mid-height, the leg holds it
 * where it meets the upright, and its slope makes the force along it. The pull is shared by the screws. [statics]
 */
export function windOnBrace({
  pressure,
  factor,
  height,
  share,
  meets,
  out,
  screws,
}: WindOnBraceInput): WindOnBrace {
  const force = pressure * factor * height * share;
  const across = (force * height) / 2 / meets;
  return {
    force,
    across,
    leg: (across * Math.hypot(meets, out)) / out,
    uplift: (across * meets) / out,
    screw: screws > 0 ? across / screws : Infinity,
  };
}

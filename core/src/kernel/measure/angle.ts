/** An angle in whole millionths of a degree, so that 90 and 22.5 degrees are exact. */
export type Angle = number & { readonly unit: 'microdegree' };

const MICRODEGREES_PER_DEGREE = 1_000_000;

/**
 * `degrees(22.5)`; rounded to a millionth of a degree.
 *
 * @example toDegrees(degrees(22.5)) // 22.5
 */
export const degrees = (value: number): Angle => (Math.round(value * MICRODEGREES_PER_DEGREE) + 0) as Angle;

export const toDegrees = (angle: Angle): number => angle / MICRODEGREES_PER_DEGREE;

export const FULL_TURN = degrees(360);
export const RIGHT_ANGLE = degrees(90);

/**
 * The same direction within [0°, 360°).
 *
 * @example toDegrees(normalise(degrees(-90))) // 270
 */
export const normalise = (angle: Angle): Angle => (((angle % FULL_TURN) + FULL_TURN) % FULL_TURN) as Angle;

const QUARTER_COSINES = [1, 0, -1, 0] as const;

/**
 * Cosine, exact at whole quarter turns.
 *
 * @example cosine(degrees(60)) // 0.5
 */
export function cosine(angle: Angle): number {
  const direction = normalise(angle);
  if (direction % RIGHT_ANGLE === 0) return QUARTER_COSINES[direction / RIGHT_ANGLE] ?? 1;
  return Math.cos((toDegrees(direction) * Math.PI) / 180);
}

/**
 * Sine, exact at whole quarter turns.
 *
 * @example sine(degrees(90)) // 1
 */
export const sine = (angle: Angle): number => cosine((angle - RIGHT_ANGLE) as Angle);

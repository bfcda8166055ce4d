/** Walls of ACI 347R-14 §4.2.2; from memory. Rise in ft/h, temperature in °F, weight in lb/ft³, height in ft. */
export interface AciWall {
  readonly rise: number;
  readonly temperature: number;
  readonly weight: number;
  readonly height: number;
  /** Chemistry: cement and what delays its setting. */
  readonly chemistry: number;
  /** Slump in inches; above 7 in the formula does not hold, and the whole head presses. */
  readonly slump: number;
}

/** Slump up to which the formula holds, rises between which its two branches part, and the height between them. */
export const ACI_MOST_SLUMP = 7;
const ACI_SLOW = 7;
const ACI_FAST = 15;
const ACI_LOW = 14;

/** Unit-weight coefficient. [ACI 347R-14 table 4.2.2.1a(a); from memory] */
export function weightCoefficient(weight: number): number {
  if (weight < 140) return Math.max(0.8, 0.5 * (1 + weight / 145));
  return weight <= 150 ? 1 : weight / 145;
}

/** Which way the pressure of a wall is told: by the rise, by rise and height, or as the full head. */
export function aciBranch({ rise, height, slump }: AciWall): 'slow' | 'fast' | 'head' {
  if (slump > ACI_MOST_SLUMP || rise > ACI_FAST) return 'head';
  return rise < ACI_SLOW && height <= ACI_LOW ? 'slow' : 'fast';
}

/** The least pressure that the formula allows where the head does not allow less. */
export const aciLeast = (weight: number): number => 600 * weightCoefficient(weight);

/**
 * Greatest pressure of fresh concrete on a wall's form, lb/ft². [ACI 347R-14 §4.2.2; from memory]
 *
 * @example aci347({ rise: 4, temperature: 60, weight: 150, height: 9, chemistry: 1, slump: 6 }) // 750
 */
export function aci347(wall: AciWall): number {
  const { rise, temperature, weight, height, chemistry } = wall;
  const head = weight * height;
  const branch = aciBranch(wall);
  if (branch === 'head') return head;
  const both = chemistry * weightCoefficient(weight);
  const pressure =
    branch === 'slow'
      ? both * (150 + (9000 * rise) / temperature)
      : both * (150 + 43_400 / temperature + (2800 * rise) / temperature);
  return Math.min(head, Math.max(aciLeast(weight), pressure));
}

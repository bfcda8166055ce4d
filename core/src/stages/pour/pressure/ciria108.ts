/** Walls of CIRIA Report 108; from memory. Rise in m/h, temperature in °C, weight in kN/m³, height in m. */
export interface CiriaWall {
  readonly rise: number;
  readonly temperature: number;
  readonly weight: number;
  readonly height: number;
  /** Shape of the form: 1.0 for walls. */
  readonly c1: number;
  /** What the concrete is made of. */
  readonly c2: number;
}

/** Temperature coefficient K. */
export const ciriaTemperature = (celsius: number): number => (36 / (celsius + 16)) ** 1.5;

/**
 * Greatest pressure of fresh concrete on a wall's form, kN/m². [CIRIA Report 108; from memory]
 *
 * @example ciria108({ rise: 2, temperature: 10, weight: 25, height: 4, c1: 1, c2: 0.3 }) // 55.0
 */
export function ciria108({ rise, temperature, weight, height, c1, c2 }: CiriaWall): number {
  const risen = c1 * Math.sqrt(Math.max(0, rise));
  if (risen >= height) return weight * height;
  const pressure = weight * (risen + c2 * ciriaTemperature(temperature) * Math.sqrt(height - risen));
  return Math.min(pressure, weight * height);
}

import {
  type Length,
  inches,
  KILOGRAMS_PER_POUND,
  METRES_PER_FOOT,
  millimetres,
  NANOMETRES_PER_METRE,
} from '../../kernel/measure';

/** Which standard a bar is named in. */
export const BAR_SYSTEMS = ['us', 'canadian', 'metric'] as const;
export type BarSystem = (typeof BAR_SYSTEMS)[number];

/** A size of deformed bar. */
export interface BarSize {
  readonly id: string;
  readonly system: BarSystem;
  readonly diameter: Length;
  /** Nominal, in square millimetres. */
  readonly area: number;
  /** Nominal, in kilograms a metre. */
  readonly massPerMetre: number;
}

const SQUARE_MILLIMETRES_PER_SQUARE_INCH = 645.16;
const KILOGRAMS_PER_METRE_PER_POUND_PER_FOOT = KILOGRAMS_PER_POUND / METRES_PER_FOOT;

const us = (id: string, diameterIn: number, areaIn2: number, poundsPerFoot: number): BarSize => ({
  id,
  system: 'us',
  diameter: inches(diameterIn),
  area: areaIn2 * SQUARE_MILLIMETRES_PER_SQUARE_INCH,
  massPerMetre: poundsPerFoot * KILOGRAMS_PER_METRE_PER_POUND_PER_FOOT,
});

const canadian = (id: string, diameterMm: number, area: number, massPerMetre: number): BarSize => ({
  id,
  system: 'canadian',
  diameter: millimetres(diameterMm),
  area,
  massPerMetre,
});

/** π/4 · d² · 7 850 kg/m³. [EN 10080] */
const metric = (diameterMm: number): BarSize => {
  const area = (Math.PI / 4) * diameterMm * diameterMm;
  return {
    id: `${String(diameterMm)} mm`,
    system: 'metric',
    diameter: millimetres(diameterMm),
    area,
    massPerMetre: area * 1e-6 * 7850,
  };
};

/** Bars that crews put in walls. [ASTM A615; CSA G30.18; EN 10080] */
export const BAR_SIZES: readonly BarSize[] = [
  us('#3', 0.375, 0.11, 0.376),
  us('#4', 0.5, 0.2, 0.668),
  us('#5', 0.625, 0.31, 1.043),
  us('#6', 0.75, 0.44, 1.502),
  canadian('10M', 11.3, 100, 0.785),
  canadian('15M', 16, 200, 1.57),
  canadian('20M', 19.5, 300, 2.355),
  metric(10),
  metric(12),
  metric(16),
  metric(20),
];

/**
 * Kilograms of so many bars of one cut length.
 *
 * @example massOfBars(size, inches(12), 10) // 3.03
 */
export const massOfBars = ({ massPerMetre }: BarSize, cut: Length, count: number): number =>
  (cut / NANOMETRES_PER_METRE) * count * massPerMetre;

export const barSize = (id: string): BarSize | undefined => BAR_SIZES.find((size) => size.id === id);

import { type Length, toMetres, subtract, ZERO, half, add } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { YIELD_PSI } from './laps';
import { type Setting, type SteelWall, sizeOf } from './setting';
import type { BarSize } from './sizes';
import type { ClearWay } from './slots';

/** A screening of one wall: bending by the soil against what its verticals carry. No design: no axial load, shear, or deflection. */
export interface WallCapacity {
  readonly wall: string;
  /** Clear height of the strip and of the soil, in metres. */
  readonly height: number;
  readonly soil: number;
  /** Equivalent fluid weight, newtons a cubic metre. */
  readonly fluidWeight: number;
  /** Greatest moment, factored, in newton metres a metre of wall, and how far below the top it lies. */
  readonly demand: number;
  readonly at: number;
  /** From the compressed face of the core to the bars. */
  readonly depth: number;
  /** φMn, newton metres a metre of wall. */
  readonly capacity: number;
  readonly share: number;
}

const PASCALS_PER_PSI = 6894.757293168361;
/** One pound a cubic foot in newtons a cubic metre. */
const NEWTONS_PER_CUBIC_METRE_PER_PCF = 157.0874638462462;
/** Load factor of soil pressure, and strength reduction of a tension-controlled section. [ACI 318-19 §5.3.8, §21.2; from memory] */
export const SOIL_FACTOR = 1.6;
const PHI = 0.9;

/**
 * Greatest moment of a strip held top and bottom under soil that reaches part of its height: a triangle of pressure from nothing
 * at the soil's top. R = γh³/(6L) at the top; M = R(a + x) − γx³/6 at x below the soil's top, greatest where γx²/2 = R.
 * [statics of a simple beam; for h = L it is γL³/(9√3)]
 *
 * @param height clear height L, metres
 * @param soil height of the soil h from the strip's foot, metres, at most L
 * @param weight equivalent fluid weight γ, newtons a cubic metre
 * @returns newton metres a metre, and the distance below the top
 * @example soilMoment(3, 3, 7000).at // 1.732
 */
export function soilMoment(
  height: number,
  soil: number,
  weight: number,
): { readonly moment: number; readonly at: number } {
  const h = Math.min(soil, height);
  if (h <= 0 || height <= 0) return { moment: 0, at: 0 };
  const top = (weight * h ** 3) / (6 * height);
  const free = height - h;
  const below = Math.sqrt((2 * top) / weight);
  return { moment: top * (free + below) - (weight * below ** 3) / 6, at: free + below };
}

/**
 * φMn of a strip a metre wide: φ A_s f_y (d − a/2), a = A_s f_y / (0.85 f'c b). [ACI 318-19 §22.2; from memory]
 *
 * @param area steel in square metres a metre of wall
 * @param depth from the compressed face to the bars, metres
 * @example bendingCapacity(0, 0.15, 60000, 4000) // 0
 */
export function bendingCapacity(area: number, depth: number, yieldPsi: number, concretePsi: number): number {
  const [fy, fc] = [yieldPsi * PASCALS_PER_PSI, concretePsi * PASCALS_PER_PSI];
  const block = (area * fy) / (0.85 * fc);
  return Math.max(0, PHI * area * fy * (depth - block / 2));
}

/** Steel of bars at a spacing, square metres a metre. */
export const steelPerMetre = (size: BarSize, spacing: Length): number =>
  (size.area * 1e-6) / toMetres(spacing);

/** Screens a wall that is held at its top with soil against it; others are not: null. */
export function capacityOf(
  own: SteelWall,
  chase: ClearWay,
  setting: Setting,
  rules: HouseRules,
): WallCapacity | null {
  if (own.held !== 'top' || (own.backfill ?? 0) <= 0 || own.spans.length === 0) return null;
  const height = Math.max(...own.spans.map((span) => toMetres(subtract(span.top, span.bottom))));
  const soil = toMetres(own.backfill ?? ZERO);
  const fluidWeight = rules.quantity('steel.soil.weight') * NEWTONS_PER_CUBIC_METRE_PER_PCF;
  const { moment, at } = soilMoment(height, soil, fluidWeight);
  const depth = toMetres(add(half(own.wall.core), half(add(chase.from, chase.to))));
  const local = setting.rulesIn(own.wall.id, 1);
  const area = steelPerMetre(
    sizeOf(local.choice('steel.vertical.size')),
    local.length('steel.vertical.spacing'),
  );
  const capacity = bendingCapacity(
    area,
    depth,
    YIELD_PSI[rules.choice('steel.grade')] ?? 0,
    rules.quantity('steel.concrete.strength'),
  );
  const demand = SOIL_FACTOR * moment;
  return {
    wall: own.wall.id,
    height,
    soil,
    fluidWeight,
    demand,
    at,
    depth,
    capacity,
    share: capacity > 0 ? demand / capacity : Infinity,
  };
}

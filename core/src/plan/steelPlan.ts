import type { UnitSystem } from '../measure';
import type { RuleOverrides } from '../rules';
import { storedLengthText } from './storedText';

/** What holds the top of a wall against the soil: a floor or bracing, nothing (it stands alone from its footing), or nobody has said. */
export const HELD = ['top', 'alone', 'unsaid'] as const;
export type HeldBy = (typeof HELD)[number];

/** What the ground does to one wall. */
export interface WallSoil {
  /** Soil against it, above its own footing. */
  readonly backfill?: string;
  readonly held?: HeldBy;
}

/** Part of the job whose steel differs: some walls, some courses. A later zone goes before an earlier one. */
export interface SteelZone {
  readonly id: string;
  readonly name?: string;
  /** Ids of its walls; all where left out. */
  readonly walls?: readonly string[];
  readonly fromCourse?: number;
  readonly toCourse?: number;
  /** Rules of the steel that hold in it. */
  readonly rules: RuleOverrides;
}

/** What a job says of its steel besides its house rules. */
export interface SteelPlan {
  readonly walls?: Readonly<Record<string, WallSoil>>;
  readonly zones?: readonly SteelZone[];
}

/** What may be set on one wall's soil; null takes it off again. */
export interface SoilChange {
  readonly backfill?: string | null;
  readonly held?: HeldBy | null;
}

/** The steel with a change on one wall's soil; a wall of which nothing is said goes. */
export function changeSoil(
  steel: SteelPlan | undefined,
  wall: string,
  change: SoilChange,
  units: UnitSystem,
): SteelPlan {
  const next = {
    ...steel?.walls?.[wall],
    ...change,
    ...(typeof change.backfill === 'string'
      ? { backfill: storedLengthText(change.backfill, units) || null }
      : {}),
  };
  const said = Object.fromEntries(
    Object.entries(next).filter(([, value]) => value !== null && value !== 'unsaid'),
  );
  const others = Object.entries(steel?.walls ?? {}).filter(([id]) => id !== wall);
  return {
    ...steel,
    walls: Object.fromEntries([
      ...others,
      ...(Object.keys(said).length === 0 ? [] : [[wall, said as WallSoil] as const]),
    ]),
  };
}

/** The steel with a zone put in the place of the one with its id, or added; or one taken out. */
export const putZone = (steel: SteelPlan | undefined, zone: SteelZone): SteelPlan => {
  const zones = steel?.zones ?? [];
  return {
    ...steel,
    zones: zones.some((each) => each.id === zone.id)
      ? zones.map((each) => (each.id === zone.id ? zone : each))
      : [...zones, zone],
  };
};
export const removeZone = (steel: SteelPlan | undefined, id: string): SteelPlan => ({
  ...steel,
  zones: (steel?.zones ?? []).filter((zone) => zone.id !== id),
});

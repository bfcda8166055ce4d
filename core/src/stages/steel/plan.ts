import type { UnitSystem } from '../../kernel/measure';
import type { RuleOverrides } from '../../kernel/rules';
import { storedLengthText } from '../../kernel/plan/storedText';

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

/** One row of a reinforcement table: up to which wall, soil and backfill it holds, and the verticals that it asks for. */
export interface TableRow {
  /** Greatest height of the wall, footing to top. */
  readonly height: string;
  /** Greatest height of the soil against it. */
  readonly backfill: string;
  /** Greatest equivalent fluid weight of the soil, in pounds a cubic foot. */
  readonly soil: number;
  readonly size: string;
  readonly spacing: string;
}

/** The table of a code or a form maker, as the user gave it. */
export interface ReinforcementTable {
  readonly name: string;
  readonly rows: readonly TableRow[];
}

/** What a job says of its steel besides its house rules. */
export interface SteelPlan {
  /** Verticals of walls come from it, where a zone does not say otherwise. */
  readonly table?: ReinforcementTable;
  readonly walls?: Readonly<Record<string, WallSoil>>;
  readonly zones?: readonly SteelZone[];
}

/** What may be set on one wall's soil; null takes it off again. */
interface SoilChange {
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

/** The steel with a reinforcement table in place of what there was, or without one. */
export function putTable(
  steel: SteelPlan | undefined,
  table: ReinforcementTable | null,
  units: UnitSystem,
): SteelPlan {
  const others = Object.fromEntries(Object.entries(steel ?? {}).filter(([key]) => key !== 'table'));
  if (table === null) return others;
  const stored = (text: string): string => storedLengthText(text, units);
  return {
    ...others,
    table: {
      name: table.name,
      rows: table.rows.map((row) => ({
        ...row,
        height: stored(row.height),
        backfill: stored(row.backfill),
        spacing: stored(row.spacing),
      })),
    },
  };
}

declare module '../../kernel/plan/plan' {
  interface Plan {
    readonly steel?: SteelPlan;
  }
  interface PlanEdits {
    /** Soil against a wall, and what holds its top. */
    readonly 'set-soil': { readonly kind: 'set-soil'; readonly wall: string; readonly change: SoilChange };
    readonly 'put-zone': { readonly kind: 'put-zone'; readonly zone: SteelZone };
    readonly 'remove-zone': { readonly kind: 'remove-zone'; readonly zone: string };
    /** A reinforcement table; null goes back to the spec's own verticals. */
    readonly 'put-table': { readonly kind: 'put-table'; readonly table: ReinforcementTable | null };
  }
}

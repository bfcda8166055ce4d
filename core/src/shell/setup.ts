import { FAMILIES, type Family, type FlatWallFamily, findFamily } from '../forms';
import { type Length, readLength } from '../measure';
import type { Plan } from '../plan';

/** Why the job's forms cannot be used as they stand. */
export type SetupProblem =
  | { readonly kind: 'family-unknown'; readonly family: string; readonly known: readonly Family[] }
  | { readonly kind: 'family-not-laid'; readonly family: Family }
  | { readonly kind: 'core-unreadable'; readonly text: string; readonly row?: string }
  | {
      readonly kind: 'core-not-offered';
      readonly core: Length;
      readonly family: Family;
      readonly row?: string;
    };

/** The forms of the job: the family and the core of every wall that has one of its own. */
export interface Setup {
  readonly family: FlatWallFamily;
  readonly core: Length;
  readonly coreByRow: ReadonlyMap<string, Length>;
}

type SetupReading =
  | { readonly ok: true; readonly setup: Setup }
  | { readonly ok: false; readonly problems: readonly SetupProblem[] };

/** Finds the family and cores that a plan names. */
export function readSetup(plan: Pick<Plan, 'family' | 'core' | 'loops' | 'units'>): SetupReading {
  const family = findFamily(plan.family);
  if (family === undefined) {
    return { ok: false, problems: [{ kind: 'family-unknown', family: plan.family, known: FAMILIES }] };
  }
  if (family.kind !== 'flat-wall') return { ok: false, problems: [{ kind: 'family-not-laid', family }] };
  const problems: SetupProblem[] = [];
  const readCore = (text: string, row?: string): Length => {
    const where = row === undefined ? {} : { row };
    const reading = readLength(text, plan.units);
    if (!reading.ok) {
      problems.push({ kind: 'core-unreadable', text, ...where });
      return 0 as Length;
    }
    if (!family.cores.includes(reading.length)) {
      problems.push({ kind: 'core-not-offered', core: reading.length, family, ...where });
    }
    return reading.length;
  };
  const core = readCore(plan.core);
  const coreByRow = new Map(
    plan.loops.flatMap((loop) =>
      loop.walk.flatMap((row) =>
        row.core === undefined ? [] : [[row.id, readCore(row.core, row.id)] as const],
      ),
    ),
  );
  return problems.length > 0 ? { ok: false, problems } : { ok: true, setup: { family, core, coreByRow } };
}

import { type DocumentProblem, type Family, FAMILIES, familyOfFile, findFamily } from '../../kernel/forms';
import { type Length, readLength, ZERO } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';

/** Why the job's forms cannot be used as they stand. */
export type SetupProblem =
  | { readonly kind: 'family-unknown'; readonly family: string; readonly known: readonly Family[] }
  | {
      readonly kind: 'family-broken';
      readonly name: string;
      readonly problems: readonly DocumentProblem[];
    }
  | { readonly kind: 'core-unreadable'; readonly text: string; readonly row?: string }
  | {
      readonly kind: 'core-not-offered';
      readonly core: Length;
      readonly family: Family;
      readonly row?: string;
    };

/** The forms of the job: the family and the core of every wall that has one of its own. */
export interface Setup {
  readonly family: Family;
  readonly core: Length;
  readonly coreByRow: ReadonlyMap<string, Length>;
}

type SetupReading =
  | { readonly ok: true; readonly setup: Setup }
  | { readonly ok: false; readonly problems: readonly SetupProblem[] };

/** The families that a job may choose from: those that ship, and its own that can be read. */
export const familiesOf = (plan: Pick<Plan, 'families'>): readonly Family[] => [
  ...FAMILIES,
  ...(plan.families ?? []).flatMap((file) => {
    const reading = familyOfFile(file);
    return reading.ok ? [reading.family] : [];
  }),
];

/** The family that the plan names: one of its own before one that ships. */
function chosenFamily(plan: Pick<Plan, 'family' | 'families'>): Family | SetupProblem {
  const own = plan.families?.find((file) => file.id === plan.family);
  if (own) {
    const reading = familyOfFile(own);
    return reading.ok
      ? reading.family
      : { kind: 'family-broken', name: own.name, problems: reading.problems };
  }
  return findFamily(plan.family) ?? { kind: 'family-unknown', family: plan.family, known: familiesOf(plan) };
}

/** Finds the family and cores that a plan names. */
export function readSetup(
  plan: Pick<Plan, 'family' | 'families' | 'core' | 'loops' | 'units'>,
): SetupReading {
  const family = chosenFamily(plan);
  if (!('cores' in family)) return { ok: false, problems: [family] };
  const problems: SetupProblem[] = [];
  const readCore = (text: string, row?: string): Length => {
    const where = row === undefined ? {} : { row };
    const reading = readLength(text, plan.units);
    if (!reading.ok) {
      problems.push({ kind: 'core-unreadable', text, ...where });
      return ZERO;
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

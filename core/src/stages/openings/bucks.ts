import { type Judged, allOf, fine } from '../../kernel/judged';
import { type Family, systemOf } from '../../kernel/forms';
import { type Length, inches, readLength, ZERO } from '../../kernel/measure';
import type { BuckKind } from './plan';
import type { Plan } from '../../kernel/plan';

/** A way to keep the concrete out of an opening, with the figures of this job. */
export interface BuckMaterial {
  readonly kind: BuckKind;
  readonly name: string;
  /** How much wider than the rough opening the concrete is kept on each side. */
  readonly thickness: Length;
  /** Length that it is bought in, and what the saw takes. */
  readonly stock: Length;
  readonly kerf: Length;
  /** Whether it reaches through both panels: then the hole in the foam is as much wider. End caps stand between them. */
  readonly throughPanels: boolean;
  /** The sill is two narrow members with a gap between, through which it is filled. */
  readonly splitSill: boolean;
  /** A plywood liner that is taken out again, with windows in the foam through which bare concrete shows. */
  readonly liner: boolean;
}

const NAMES: Readonly<Record<BuckKind, string>> = {
  lumber: 'Treated lumber, full width',
  'lumber-split-sill': 'Treated lumber, split sill',
  foam: 'Foam',
  vinyl: 'Vinyl',
  laminated: 'Laminated veneer',
  'form-scrap': 'End caps of form scraps',
  'scrap-liner': 'Form scraps and a liner taken out',
};

export const buckName = (kind: BuckKind): string => NAMES[kind];

/**
 * Usual figures: 2× lumber is 1 1/2 in [American Softwood Lumber Standard, PS 20; from memory], foam bucks 2 in
 * [common practice]; laminated veneer 1 3/4 in, vinyl and stock lengths ours. End caps are as thick as the form's panel.
 */
const FIGURES: Readonly<Record<BuckKind, { thickness: Length | null; stock: Length | null; kerf: Length }>> =
  {
    lumber: { thickness: inches(1.5), stock: inches(192), kerf: inches(1 / 8) },
    'lumber-split-sill': { thickness: inches(1.5), stock: inches(192), kerf: inches(1 / 8) },
    foam: { thickness: inches(2), stock: inches(96), kerf: inches(1 / 8) },
    vinyl: { thickness: inches(1), stock: inches(192), kerf: inches(1 / 8) },
    laminated: { thickness: inches(1.75), stock: inches(288), kerf: inches(1 / 8) },
    'form-scrap': { thickness: null, stock: null, kerf: inches(1 / 8) },
    'scrap-liner': { thickness: null, stock: null, kerf: inches(1 / 8) },
  };

/** A figure of the plan that cannot be used; the usual one stands in its place. */
export interface BuckFigureProblem {
  readonly buck: BuckKind;
  readonly text: string;
}

const READABLE = {
  thickness: [inches(0.125), inches(12)],
  stock: [inches(12), inches(960)],
  kerf: [ZERO, inches(1)],
} as const;

/** What `buckMaterial` goes by. */
interface BuckMaterialInput {
  readonly kind: BuckKind;
  readonly family: Family;
  readonly skin: Length;
  readonly plan: Pick<Plan, 'bucks' | 'units'>;
}

/** A buck's material as the job has it. */
export function buckMaterial({
  kind,
  family,
  skin,
  plan,
}: BuckMaterialInput): Judged<BuckMaterial, BuckFigureProblem> {
  const own = plan.bucks?.[kind];
  const usual = FIGURES[kind];
  const read = (
    text: string | undefined,
    [least, most]: readonly [Length, Length],
    fallback: Length,
  ): Judged<Length, BuckFigureProblem> => {
    if (text === undefined) return fine(fallback);
    const reading = readLength(text, plan.units);
    if (reading.ok && reading.length >= least && reading.length <= most) return fine(reading.length);
    return { value: fallback, problems: [{ buck: kind, text }] };
  };
  const thickness = read(own?.thickness, READABLE.thickness, usual.thickness ?? skin);
  const stock = read(own?.stock, READABLE.stock, usual.stock ?? systemOf(family).block);
  const kerf = read(own?.kerf, READABLE.kerf, usual.kerf);
  const scrap = kind === 'form-scrap' || kind === 'scrap-liner';
  const value: BuckMaterial = {
    kind,
    name: NAMES[kind],
    thickness: thickness.value,
    stock: stock.value,
    kerf: kerf.value,
    throughPanels: !scrap,
    splitSill: kind === 'lumber-split-sill',
    liner: kind === 'scrap-liner',
  };
  return { value, problems: allOf([thickness, stock, kerf]).problems };
}

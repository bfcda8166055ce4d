import type { z } from 'zod';
import type { DocumentProblem } from '../forms';
import type { UnitSystem } from '../measure';
import type { Plan, PlanEdit } from './plan';

/** Carries out an edit of one kind; one of something that is no longer there leaves the plan as it is. */
export type Editing<Kind extends PlanEdit['kind']> = (
  plan: Plan,
  edit: Extract<PlanEdit, { kind: Kind }>,
  newId: () => string,
) => Plan;

/** What a stage adds to the plan: what can be done to it, and how it is written. At hand at once, wherever plans are edited. */
export interface PlanPart {
  /** Its part of a file; what is not said is left out. Reading it gives the same part back. */
  readonly write: (plan: Plan) => FileFields;
  /** Ids that no other thing of the plan may have. */
  readonly ids?: (plan: Plan) => readonly string[];
  readonly edits: { readonly [Kind in PlanEdit['kind']]?: Editing<Kind> };
}

/** What a stage adds to the plan file: its fields, and how they are read. Fetched where files are read. */
export interface FilePart {
  readonly fields: z.ZodRawShape;
  /** Its fields as the next version writes them, by the version that they come from. */
  readonly upgrades?: Readonly<Record<number, (file: FileFields) => FileFields>>;
  /** What of its file a schema cannot say; null where all is well. */
  readonly judge?: (file: FileFields) => DocumentProblem | null;
  /** Its part of the plan, ids filled in, bare lengths pinned to the job's unit. */
  readonly read: (file: never, units: UnitSystem) => Partial<Plan>;
  /** Makes a broken document whole enough to be read: what it cannot do without, one of several ways to say the same. */
  readonly mend?: (document: FileFields) => void;
}

/** A plan file, or a part of one, by field. */
export type FileFields = Record<string, unknown>;

/** A part of the file, its reader typed by its own fields. */
export function filePart<Fields extends z.ZodRawShape>(
  part: Omit<FilePart, 'fields' | 'read'> & {
    readonly fields: Fields;
    readonly read: (file: z.infer<z.ZodObject<Fields>>, units: UnitSystem) => Partial<Plan>;
  },
): FilePart {
  return part;
}

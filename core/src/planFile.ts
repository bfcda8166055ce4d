import { z } from 'zod';
import { type Salvaged, planDocument, salvage } from './kernel/plan';
import { STAGES } from './stages';

const files = await Promise.all(STAGES.flatMap(({ file }) => file?.() ?? []));
const document = planDocument(
  files.map(({ file }) => file),
  STAGES.flatMap(({ part }) => part ?? []),
);

export const { readPlan, readPlanText } = document;

/**
 * Reads a stored plan, damaged or not. Leaves out what it cannot read and lists it in `lost`; never throws.
 *
 * @param name the job's name, for a plan that has lost its own
 * @example salvagePlan('{"format":"ombra.plan","version":1,"courses":6}', 'Barn').plan.name // 'Barn'
 */
export const salvagePlan = (text: string, name: string): Salvaged => salvage(document, text, name);

/** The published JSON Schema (2020-12) of the plan file. */
export const planJsonSchema = (): Record<string, unknown> => z.toJSONSchema(document.schema);

import { globalId } from './globalId';
import type { Solids } from './solids';
import type { Ref, StepLines, StepValue } from './step';

/** A model while it is written: its lines, and what every thing refers to. */
export interface Model {
  readonly lines: StepLines;
  readonly solids: Solids;
  readonly jobId: string;
  readonly body: Ref;
  readonly axis: Ref;
  readonly placement: Ref;
}

export const idOf = ({ jobId }: Model, ...of: readonly string[]): string => globalId(jobId, ...of);

export function shape(model: Model, items: readonly Ref[], type: string): Ref {
  const body = model.lines.add('IFCSHAPEREPRESENTATION', model.body, 'Body', type, [...items]);
  return model.lines.add('IFCPRODUCTDEFINITIONSHAPE', null, null, [body]);
}

/** A quantity by its entity: `['IFCQUANTITYLENGTH', 'Length', 13411.2]`. */
type Quantity = readonly [entity: string, name: string, value: number];

/** Hangs a set of quantities on things. */
export function quantities(
  model: Model,
  of: readonly [id: string, thing: Ref],
  name: string,
  all: readonly Quantity[],
): void {
  const { add } = model.lines;
  const list = all.map(([entity, label, value]) => add(entity, label, null, null, value, null));
  const set = add('IFCELEMENTQUANTITY', idOf(model, of[0], name), null, name, null, null, list);
  add('IFCRELDEFINESBYPROPERTIES', idOf(model, of[0], name, 'of'), null, null, null, [of[1]], set);
}

/** Hangs a set of plain properties on a thing. */
export function properties(
  model: Model,
  of: readonly [id: string, thing: Ref],
  name: string,
  all: readonly (readonly [name: string, value: StepValue])[],
): void {
  const { add } = model.lines;
  const list = all.map(([label, value]) => add('IFCPROPERTYSINGLEVALUE', label, null, value, null));
  const set = add('IFCPROPERTYSET', idOf(model, of[0], name), null, name, null, list);
  add('IFCRELDEFINESBYPROPERTIES', idOf(model, of[0], name, 'of'), null, null, null, [of[1]], set);
}

export const label = (value: string): StepValue => ({ typed: 'IFCLABEL', value });

/** A deep copy of plain data, free of the plan's readonly arrays. */
export const copyOf = (data: unknown): unknown => JSON.parse(JSON.stringify(data));

/** A thing without one of its parts. */
export const withoutKey = <Thing extends object, Key extends keyof Thing>(
  thing: Thing,
  key: Key,
): Omit<Thing, Key> =>
  Object.fromEntries(Object.entries(thing).filter(([each]) => each !== key)) as Omit<Thing, Key>;

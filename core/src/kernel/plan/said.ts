/** What is left of a thing once what is null or undefined is taken off. */
export const said = <Value extends object>(thing: Value): Value =>
  Object.fromEntries(
    Object.entries(thing).filter(([, value]) => value !== null && value !== undefined),
  ) as Value;

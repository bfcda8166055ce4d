import type { BuiltLoop, Corner, Wall } from './shell';

/** The corner at an end of a wall, with the wall that it meets there; null at a free end or a tee. */
export function cornerAt(
  built: BuiltLoop,
  { id }: Pick<Wall, 'id'>,
  atStart: boolean,
): { readonly corner: Corner; readonly other: Wall } | null {
  const corner = built.corners.find((each) => (atStart ? each.wallAfter : each.wallBefore) === id);
  const other = built.walls.find((each) => each.id === (atStart ? corner?.wallBefore : corner?.wallAfter));
  return corner && other ? { corner, other } : null;
}

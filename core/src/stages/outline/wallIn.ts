import type { BuiltLoop, ShellLoop, Wall } from './shell';

/** A wall with the outline that it stands in; undefined where none has this id. */
export const wallIn = (
  loops: readonly Pick<ShellLoop, 'built'>[],
  id: string | undefined,
): { readonly built: BuiltLoop; readonly wall: Wall } | undefined =>
  loops
    .flatMap(({ built }) => (built ? built.walls.map((wall) => ({ built, wall })) : []))
    .find(({ wall }) => wall.id === id);

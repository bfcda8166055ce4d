import { useCallback, useMemo, useState } from 'react';

/** Walls of a course that are tapped as they are laid, on the strip or in the form. */
export interface Tapping {
  readonly course: number | null;
  readonly chosen: ReadonlySet<string>;
  /** Begins with a course, its walls chosen; null ends it. */
  readonly begin: (course: number | null, chosen: readonly string[]) => void;
  readonly tap: (wall: string) => void;
}

export function useTapping(): Tapping {
  const [{ course, chosen }, setState] = useState<{
    readonly course: number | null;
    readonly chosen: ReadonlySet<string>;
  }>({ course: null, chosen: new Set() });
  const begin = useCallback((next: number | null, walls: readonly string[]) => {
    setState({ course: next, chosen: new Set(walls) });
  }, []);
  const tap = useCallback((wall: string) => {
    setState((before) => {
      const now = new Set(before.chosen);
      if (!now.delete(wall)) now.add(wall);
      return { ...before, chosen: now };
    });
  }, []);
  return useMemo(() => ({ course, chosen, begin, tap }), [course, chosen, begin, tap]);
}

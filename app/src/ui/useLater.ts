import { useEffect, useState } from 'react';

/** Milliseconds after the first picture that what it does not need is fetched. */
const AFTER_FIRST = 400;

/** Milliseconds until what could not be fetched is asked for again. */
const AGAIN = 3_000;

/**
 * What the first picture does without: fetched once it stands, asked for again where that fails. Null until it is there.
 *
 * @param fetch the same function each time
 * @param wanted whether it is needed by now; at once then, not after a while
 */
export function useLater<Part>(fetch: () => Promise<Part>, wanted = false): Part | null {
  const [part, setPart] = useState<{ readonly is: Part } | null>(null);
  useEffect(() => {
    if (part) return;
    let over = false;
    let timer: ReturnType<typeof setTimeout>;
    const get = (): void => {
      fetch().then(
        (is) => {
          if (!over) setPart({ is });
        },
        () => {
          if (!over) timer = setTimeout(get, AGAIN);
        },
      );
    };
    if (wanted) get();
    else timer = setTimeout(get, AFTER_FIRST);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [fetch, wanted, part]);
  return part?.is ?? null;
}

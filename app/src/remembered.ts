/** Small things that a browser remembers. Where it has no room, or is set to keep nothing, they last as long as the page. */
interface Remembered {
  readonly get: (key: string) => string | null;
  readonly set: (key: string, value: string) => void;
  readonly remove: (key: string) => void;
}

/** @param store looked up each time: where a browser keeps nothing, already asking for it fails */
export function remembered(store: () => Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>): Remembered {
  const onPage = new Map<string, string>();
  return {
    get: (key) => {
      const here = onPage.get(key);
      if (here !== undefined) return here;
      try {
        return store().getItem(key);
      } catch {
        return null;
      }
    },
    set: (key, value) => {
      try {
        store().setItem(key, value);
        onPage.delete(key);
      } catch {
        onPage.set(key, value);
      }
    },
    remove: (key) => {
      onPage.delete(key);
      try {
        store().removeItem(key);
      } catch {
        // Nothing was kept.
      }
    },
  };
}

/** What the device remembers. */
export const device = remembered(() => localStorage);

/** What the tab remembers, through reloads, until it is closed. */
export const tab = remembered(() => sessionStorage);

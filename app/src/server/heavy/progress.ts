/** How far answers are that take their time, by a key that who waits has made. */
export interface ProgressBoard {
  readonly tell: (key: string, done: number, of: number) => void;
  /** Null where nothing is known of that key: it has not begun, or is over. */
  readonly get: (key: string) => { readonly done: number; readonly of: number } | null;
  readonly over: (key: string) => void;
}

/** More at once are not kept; the oldest is forgotten. */
const MOST = 200;
const KEY = /^[\w-]{1,60}$/;

export function progressBoard(): ProgressBoard {
  const all = new Map<string, { readonly done: number; readonly of: number }>();
  return {
    tell: (key, done, of) => {
      if (!KEY.test(key)) return;
      all.set(key, { done, of });
      const [oldest] = all.keys();
      if (all.size > MOST && oldest !== undefined) all.delete(oldest);
    },
    get: (key) => all.get(key) ?? null,
    over: (key) => {
      all.delete(key);
    },
  };
}

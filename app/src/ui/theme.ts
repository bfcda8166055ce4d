import { useSyncExternalStore } from 'react';

/** Colors for a desk, for the dark and for the sun on site. */
export const THEMES = [
  { id: 'day', name: 'Day' },
  { id: 'night', name: 'Night' },
  { id: 'sun', name: 'Full sun' },
] as const;

/** A year, in seconds. */
const KEPT = 31_536_000;

/** The theme stands on the page itself, where the server put it. */
function watchTheme(changed: () => void): () => void {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => {
    observer.disconnect();
  };
}

/** The theme that is shown. */
export const useTheme = (): string =>
  useSyncExternalStore(
    watchTheme,
    () => document.documentElement.dataset['theme'],
    () => undefined,
  ) ?? 'day';

/** Shows a theme, and keeps it in a cookie, so that the server draws the next page in it at once. */
export function setTheme(theme: string): void {
  document.documentElement.dataset['theme'] = theme;
  document.cookie = `ombra-theme=${theme}; path=/; max-age=${String(KEPT)}; samesite=strict`;
}

import { Moon, Sun, SunMedium } from 'lucide-react';
import { useSyncExternalStore } from 'react';

const THEMES = [
  { id: 'day', name: 'day', Icon: SunMedium },
  { id: 'night', name: 'night', Icon: Moon },
  { id: 'sun', name: 'full sun', Icon: Sun },
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

/** Day, night, full sun, one after the other. Kept in a cookie, so that the server draws the page in it at once. */
export function ThemeButton() {
  const shown = useSyncExternalStore(
    watchTheme,
    () => document.documentElement.dataset['theme'],
    () => undefined,
  );
  const index = Math.max(
    0,
    THEMES.findIndex((theme) => theme.id === shown),
  );
  const theme = THEMES[index] ?? THEMES[0];
  const following = THEMES[(index + 1) % THEMES.length] ?? THEMES[0];
  return (
    <button
      type="button"
      className="button plain px-1.5"
      aria-label={`Colours for ${theme.name}; change to ${following.name}`}
      onClick={() => {
        document.documentElement.dataset['theme'] = following.id;
        document.cookie = `ombra-theme=${following.id}; path=/; max-age=${String(KEPT)}; samesite=strict`;
      }}
    >
      <theme.Icon aria-hidden="true" size={17} />
    </button>
  );
}

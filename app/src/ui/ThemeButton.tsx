import { Moon, Sun, SunMedium } from 'lucide-react';
import { useEffect, useState } from 'react';

const THEMES = [
  { id: 'day', name: 'day', Icon: SunMedium },
  { id: 'night', name: 'night', Icon: Moon },
  { id: 'sun', name: 'full sun', Icon: Sun },
] as const;

/** A year, in seconds. */
const KEPT = 31_536_000;

/** Day, night, full sun, one after the other. Kept in a cookie, so that the server draws the page in it at once. */
export function ThemeButton() {
  const [index, setIndex] = useState(0);
  useEffect(() => {
    const shown = document.documentElement.dataset['theme'];
    setIndex(
      Math.max(
        0,
        THEMES.findIndex((theme) => theme.id === shown),
      ),
    );
  }, []);
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
        setIndex(THEMES.indexOf(following));
      }}
    >
      <theme.Icon aria-hidden="true" size={17} />
    </button>
  );
}

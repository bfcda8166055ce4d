import { useEffect, useState } from 'react';

/** Keeps the screen from going dark while the page is shown; false where the browser will not. */
export function useAwake(): boolean {
  const [awake, setAwake] = useState(false);
  useEffect(() => {
    const visit = { over: false };
    let lock: WakeLockSentinel | null = null;
    const ask = async (): Promise<void> => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        const got = await navigator.wakeLock.request('screen');
        if (visit.over) void got.release();
        else {
          lock = got;
          setAwake(true);
          got.addEventListener('release', () => {
            setAwake(false);
          });
        }
      } catch {
        // A battery that is low, or a browser that asks for a press first.
        setAwake(false);
      }
    };
    const again = (): void => void ask();
    void ask();
    document.addEventListener('visibilitychange', again);
    document.addEventListener('pointerdown', again, { once: true });
    return () => {
      visit.over = true;
      document.removeEventListener('visibilitychange', again);
      document.removeEventListener('pointerdown', again);
      void lock?.release();
    };
  }, []);
  return awake;
}

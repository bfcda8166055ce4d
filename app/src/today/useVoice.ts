import { useCallback, useState } from 'react';
import { device } from '../remembered';

const KEPT = 'ombra.voice';

/** The voice of the browser: off until somebody wants it, and kept for the next time. */
export function useVoice(): {
  readonly there: boolean;
  readonly on: boolean;
  readonly set: (on: boolean) => void;
  readonly say: (text: string) => void;
} {
  const there = 'speechSynthesis' in window;
  const [on, setOn] = useState(() => there && device.get(KEPT) === 'on');
  const say = useCallback(
    (text: string) => {
      if (!there || device.get(KEPT) !== 'on') return;
      speechSynthesis.cancel();
      speechSynthesis.speak(new SpeechSynthesisUtterance(text));
    },
    [there],
  );
  const set = useCallback(
    (next: boolean) => {
      device.set(KEPT, next ? 'on' : 'off');
      setOn(next);
      if (!next && there) speechSynthesis.cancel();
    },
    [there],
  );
  return { there, on, set, say };
}

import { usePinch } from '@use-gesture/react';
import type { RefObject } from 'react';

/**
 * Zooms the strip with two fingers, or with the wheel and Ctrl: what is between the fingers stays there. One finger scrolls by itself.
 *
 * @param setZoom takes the new zoom, and the pixels from the left of what stays where it is
 */
export function usePinchZoom(
  strip: RefObject<HTMLElement | null>,
  zoom: number,
  setZoom: (zoom: number, held: number) => void,
): void {
  usePinch(
    ({ origin: [x], movement: [scale], memo }) => {
      const began = typeof memo === 'number' ? memo : zoom;
      const left = strip.current?.getBoundingClientRect().left ?? 0;
      setZoom(began * scale, x - left);
      return began;
    },
    { target: strip, eventOptions: { passive: false } },
  );
}

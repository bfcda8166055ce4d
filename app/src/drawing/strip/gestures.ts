import { useDrag, usePinch } from '@use-gesture/react';
import { type RefObject, useRef } from 'react';

/**
 * Zooms the strip with two fingers, or with the wheel and Ctrl: what is between the fingers stays there. One finger scrolls by itself.
 */
export function Pinch({
  strip,
  zoom,
  onZoom,
}: {
  readonly strip: RefObject<HTMLElement | null>;
  readonly zoom: number;
  /** Takes the new zoom, and the pixels from the left of what stays where it is. */
  readonly onZoom: (zoom: number, held: number) => void;
}) {
  usePinch(
    ({ origin: [x], movement: [scale], memo }) => {
      const began = typeof memo === 'number' ? memo : zoom;
      const left = strip.current?.getBoundingClientRect().left ?? 0;
      onZoom(began * scale, x - left);
      return began;
    },
    { target: strip, eventOptions: { passive: false } },
  );
  return null;
}

/** Makes the walls taller or lower with the edge that is dragged. */
export function TallDrag({
  edge,
  tall,
  onTall,
}: {
  readonly edge: RefObject<HTMLElement | null>;
  readonly tall: number;
  readonly onTall: (tall: number) => void;
}) {
  const start = useRef(tall);
  useDrag(
    ({ first, movement: [, by] }) => {
      if (first) start.current = tall;
      onTall(start.current + by);
    },
    { target: edge },
  );
  return null;
}

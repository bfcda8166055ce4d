import { type PointerEvent as ReactPointerEvent, useRef } from 'react';

/** Drags the strip along with a mouse; touch scrolls by itself. */
export function useDragScroll() {
  const start = useRef<{ x: number; left: number; moved: boolean } | null>(null);
  return {
    moved: () => start.current?.moved === true,
    handlers: {
      onPointerDown: (event: ReactPointerEvent<HTMLElement>) => {
        if (event.pointerType !== 'mouse' || event.button !== 0) return;
        start.current = { x: event.clientX, left: event.currentTarget.scrollLeft, moved: false };
      },
      onPointerMove: (event: ReactPointerEvent<HTMLElement>) => {
        const from = start.current;
        if (!from || event.buttons === 0) return;
        if (Math.abs(event.clientX - from.x) > 4) from.moved = true;
        if (from.moved) event.currentTarget.scrollLeft = from.left - (event.clientX - from.x);
      },
    },
  };
}

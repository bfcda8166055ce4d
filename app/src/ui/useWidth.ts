import { useCallback, useRef, useState } from 'react';

/** Pixel width of an element, kept up to date. */
export function useWidth() {
  const [width, setWidth] = useState(600);
  const observer = useRef<ResizeObserver | null>(null);
  const element = useCallback((node: HTMLElement | null) => {
    observer.current?.disconnect();
    if (!node) return;
    observer.current = new ResizeObserver(([entry]) => {
      if (entry) setWidth(entry.contentRect.width);
    });
    observer.current.observe(node);
  }, []);
  return { width, element };
}

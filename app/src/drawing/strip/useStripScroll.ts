import type { Piece } from '@ombra/core/stages/courses';
import { useEffect, useRef } from 'react';
import type { Place } from '../../job/place';
import type { StripView } from './StripView';
import { type StripFrame, pieceSpans, POLE_WIDTH, stripSpan, wallIndex } from './stripGeometry';

/** Keeps the scroll where the user left it, and brings what is chosen into view. */
export function useStripScroll(
  frame: StripFrame,
  place: Place,
  onPlace: StripView['onPlace'],
  pieces: readonly Piece[],
) {
  const element = useRef<HTMLDivElement>(null);
  const first = useRef(true);
  const focus = useRef<string | null>(null);
  useEffect(() => {
    const strip = element.current;
    if (!strip) return;
    if (first.current) {
      first.current = false;
      focus.current = `${place.wall ?? ''}|${place.piece ?? ''}|${place.face}`;
      // Setting it has the page laid out at once, which the first picture need not wait for.
      if (place.scroll > 0) strip.scrollLeft = place.scroll;
      return;
    }
    const now = `${place.wall ?? ''}|${place.piece ?? ''}|${place.face}`;
    if (focus.current === now) return;
    focus.current = now;
    const walls = wallIndex(frame);
    const piece = pieces.find((each) => each.id === place.piece);
    const wall = place.wall === null ? undefined : walls.get(place.wall);
    const span = piece
      ? pieceSpans(frame, walls, piece)[0]
      : wall && stripSpan(frame, wall.loop, wall.wall.station, wall.wall.station + wall.wall.length);
    if (!span) return;
    const view = strip.clientWidth - POLE_WIDTH;
    if (span.x < strip.scrollLeft || span.x + Math.min(span.width, view) > strip.scrollLeft + view) {
      strip.scrollLeft = span.x - Math.max(24, (view - span.width) / 2);
    }
  }, [frame, place, pieces]);
  useEffect(() => {
    const strip = element.current;
    if (!strip) return undefined;
    let timer: ReturnType<typeof setTimeout>;
    const keep = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        onPlace({ scroll: strip.scrollLeft });
      }, 200);
    };
    strip.addEventListener('scroll', keep, { passive: true });
    return () => {
      clearTimeout(timer);
      strip.removeEventListener('scroll', keep);
    };
  }, [onPlace]);
  return element;
}

import { layingOrder } from '@ombra/core/stages/courses';
import { wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { useLayoutEffect } from 'react';
import type { Place } from '../../job/place';
import { isTyping } from '../../frame/keys';

/** Arrow keys walk the wall: left and right from piece to piece as one would lay them, up and down by course. */
export function useCourseKeys(
  worked: WorkedPlan | null,
  place: Place,
  onPlace: (change: Partial<Place>) => void,
  active: boolean,
): void {
  // Before the next paint: a key pressed on what is seen must already count.
  useLayoutEffect(() => {
    if (!active || !worked || worked.courses.count === 0) return undefined;
    const walls = wallsOf(worked.shell);
    const onKey = (event: KeyboardEvent): void => {
      if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      const onto = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
      const up = { ArrowUp: 1, ArrowDown: -1 }[event.key];
      if (up !== undefined) {
        event.preventDefault();
        const course = Math.min(Math.max(place.course + up, 1), worked.courses.count);
        const { piece } = place;
        const rest = piece?.slice(piece.indexOf(':'));
        onPlace({ course, piece: rest === undefined ? null : `${String(course)}${rest}` });
      }
      if (onto !== undefined) {
        event.preventDefault();
        const order = layingOrder({ pieces: worked.courses.pieces, course: place.course, walls });
        const at = order.findIndex((piece) => piece.id === place.piece);
        const firstOnWall = order.findIndex(
          (piece) => (piece.kind === 'corner' ? piece.wallAfter : piece.wall) === place.wall,
        );
        const forward = place.face === 'inside' ? onto : -onto;
        const next = at < 0 ? Math.max(firstOnWall, 0) : (at + forward + order.length) % order.length;
        const piece = order[next];
        if (piece) onPlace({ piece: piece.id, wall: piece.kind === 'corner' ? piece.wallAfter : piece.wall });
      }
    };
    document.addEventListener('keydown', onKey);
    return () => {
      document.removeEventListener('keydown', onKey);
    };
  }, [worked, place, onPlace, active]);
}

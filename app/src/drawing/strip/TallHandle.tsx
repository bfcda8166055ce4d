import { useRef } from 'react';
import type * as Gestures from './gestures';

/** Least and most height of the walls on the strip, in pixels. */
const TALL_LIMITS = { least: 80, most: 640 } as const;

const KEY_STEP = 16;

const clamped = (tall: number): number =>
  Math.round(Math.min(TALL_LIMITS.most, Math.max(TALL_LIMITS.least, tall)));

/** The lower edge of the strip: dragged, or moved with the arrow keys, it makes the walls taller or lower. */
export function TallHandle({
  tall,
  onTall,
  gestures,
}: {
  readonly tall: number;
  readonly onTall: (tall: number) => void;
  /** Null as long as they are not there. */
  readonly gestures: typeof Gestures | null;
}) {
  const edge = useRef<HTMLDivElement>(null);
  return (
    // A separator that can be moved is a control of its own, as the pattern for window splitters has it.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
    <div
      role="separator"
      aria-orientation="horizontal"
      aria-label="Height of the strip"
      aria-valuenow={tall}
      aria-valuemin={TALL_LIMITS.least}
      aria-valuemax={TALL_LIMITS.most}
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      className="no-print group flex h-3 cursor-ns-resize touch-none items-center justify-center pointer-coarse:h-11"
      ref={edge}
      onKeyDown={(event) => {
        const by = { ArrowDown: KEY_STEP, ArrowUp: -KEY_STEP }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        onTall(clamped(tall + by));
      }}
    >
      {gestures && (
        <gestures.TallDrag
          edge={edge}
          tall={tall}
          onTall={(next) => {
            onTall(clamped(next));
          }}
        />
      )}
      <span aria-hidden="true" className="h-1 w-16 bg-line group-hover:bg-chalk" />
    </div>
  );
}

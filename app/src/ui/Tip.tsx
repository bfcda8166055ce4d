import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';

/** Milliseconds that a pointer rests before the tip shows. */
const DELAY = 400;

/** A few words beside a button that shows only a picture. The button has a name of its own besides. */
export function Tip({ text, children }: { readonly text: string; readonly children: ReactNode }) {
  return (
    <Tooltip.Provider delayDuration={DELAY}>
      <Tooltip.Root>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content sideOffset={6} className="z-50 border border-ink bg-sheet px-2 py-0.5 text-sm">
            {text}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}

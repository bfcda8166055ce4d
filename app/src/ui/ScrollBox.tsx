import type { ReactNode } from 'react';

interface ScrollBoxProps {
  readonly label: string;
  /** Its greatest height, as a class: `max-h-64`. */
  readonly height: string;
  readonly children: ReactNode;
}

/** A list that scrolls by itself; by keyboard too, once it is reached with Tab. */
export const ScrollBox = ({ label, height, children }: ScrollBoxProps) => (
  // A scrolling region must be reachable by keyboard.
  // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
  <div role="group" aria-label={label} tabIndex={0} className={`${height} overflow-y-auto`}>
    {children}
  </div>
);

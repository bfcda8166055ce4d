import type { ReactNode } from 'react';

/** Controls that tap, which are off for who may only look; what is there to be read stays as it is. */
export const Taps = ({ may, children }: { readonly may: boolean; readonly children: ReactNode }) => (
  <fieldset disabled={!may} className="contents">
    {children}
  </fieldset>
);

import type { PourDay } from '@ombra/core/stages/pour';

/** What may be set on the pour that is shown; null takes it off again. */
export type DayChange = { readonly [K in keyof PourDay]?: PourDay[K] | null };
export type DayEdit = (change: DayChange, merge?: string) => void;

import type { StagePour } from '@ombra/core/stages/pour';

/** What may be set on the pour that is shown; null takes it off again. */
export type StageChange = { readonly [K in keyof StagePour]?: StagePour[K] | null };
export type StageEdit = (change: StageChange, merge?: string) => void;

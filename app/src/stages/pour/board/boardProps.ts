import type { EntryBody, EntryKind, EntryPlace } from '@ombra/core/kernel/record';
import type { UnitSystem } from '@ombra/core/kernel/measure';
import type { HouseRules } from '@ombra/core/kernel/rules';
import type { WorkedPour } from '@ombra/core/stages/pour';
import type { Balance, Board, LastOrder } from '@ombra/core/stages/pour/board';

/** Kinds of entries that the board writes with a tap. */
export type TapKind = Extract<EntryKind, 'load' | 'rise' | 'side' | 'hose' | 'halt' | 'trouble'>;

/** Writes a tap of this moment, or of another minute of the pour. */
export type WriteTap = <Kind extends TapKind>(
  kind: Kind,
  body: Omit<EntryBody<Kind>, 'pour' | 'time'> & { readonly minute?: number },
  place?: EntryPlace,
) => void;

/** What every part of the board is given. */
export interface BoardProps {
  readonly pour: WorkedPour;
  /** Its number, from 1. */
  readonly number: number;
  readonly board: Board;
  /** Minutes from the board's first one. */
  readonly now: number;
  readonly balance: Balance;
  readonly last: LastOrder | null;
  /** Stops that come next, the first of them where the hose is or goes. */
  readonly next: readonly number[];
  readonly units: UnitSystem;
  readonly rules: HouseRules;
  readonly wallName: (id: string) => string;
  /** Whether whoever looks at it may tap: not one who may only look, unless it is practice. */
  readonly mayTap: boolean;
  readonly tap: WriteTap;
  /** A minute of the pour as an entry writes a moment. */
  readonly time: (minute: number) => string;
}

import type { WorkedPour } from '@ombra/core/stages/pour';
import type { Board } from '@ombra/core/stages/pour/board';

/** How a layer stands against its working time; where nothing more comes over it, it is done. */
export type AgeState = 'fresh' | 'soon' | 'now' | 'set' | 'done';

/** Concrete of a stop as it stands in the forms. Lengths in nanometres, heights above the lowest footing. */
export interface Surface {
  readonly stop: number;
  readonly from: number;
  readonly to: number;
  readonly bottom: number;
  readonly top: number;
  /** Of its place’s top; null where other concrete lies on it. */
  readonly state: AgeState | null;
}

/** A wall as it is poured at a minute. */
export interface WallState {
  readonly wall: string;
  readonly surfaces: readonly Surface[];
  /** Minutes since its oldest open layer was placed, and when that must be covered; null where none waits. */
  readonly oldest: { readonly age: number; readonly by: number; readonly state: AgeState } | null;
  /** Share of its concrete that stands. */
  readonly share: number;
}

/** Shares of the working time from which a layer is to be covered soon, and now. [ours] */
const SOON = 0.5;
const NOW = 0.8;

/** How a layer of an age stands. */
const ageState = (age: number, working: number): AgeState =>
  age > working ? 'set' : age > NOW * working ? 'now' : age > SOON * working ? 'soon' : 'fresh';

const FULL = 1 - 1e-6;

/** Every wall of a pour as it stands at a minute. */
export function wallStates(pour: WorkedPour, board: Board, now: number): readonly WallState[] {
  const layers = new Map(board.layers.map((layer) => [layer.slice, layer]));
  const open = new Map<number, boolean>();
  const top = new Map<number, number>();
  pour.day.stops.forEach(({ slice }, index) => {
    if (slice === null) return;
    const share = board.shares[index] ?? 0;
    if (share < FULL) open.set(slice, true);
    if (share > 0) top.set(slice, index);
  });
  return pour.volumes.walls.map(({ wall }): WallState => {
    let [volume, placed] = [0, 0];
    let oldest: WallState['oldest'] = null;
    const surfaces = board.stops.flatMap((stop, index): Surface[] => {
      if (stop.where?.wall !== wall) return [];
      const share = board.shares[index] ?? 0;
      volume += stop.volume;
      placed += stop.volume * share;
      if (share <= 0) return [];
      const part = pour.day.stops[index]?.slice ?? -1;
      const layer = layers.get(part);
      const uppermost = top.get(part) === index;
      const age = layer ? now - layer.last : 0;
      const state: AgeState | null = !uppermost
        ? null
        : open.get(part) === true && board.done === null
          ? ageState(age, board.working)
          : 'done';
      if (layer && state !== null && state !== 'done' && (oldest === null || age > oldest.age)) {
        oldest = { age, by: layer.last + board.working, state };
      }
      return [
        {
          stop: index,
          from: stop.where.from,
          to: stop.where.to,
          bottom: stop.bottom,
          top: stop.bottom + (stop.top - stop.bottom) * share,
          state,
        },
      ];
    });
    return { wall, surfaces, oldest, share: volume > 0 ? placed / volume : 0 };
  });
}

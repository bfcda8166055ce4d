import { type UnitSystem, inches, millimetres, nanometres, showLength } from '@ombra/core/kernel/measure';
import { type WorkedPour, clockText } from '@ombra/core/stages/pour';
import { type Board, type BoardLoad, type OddTap, type WayKind, SHIFT } from '@ombra/core/stages/pour/board';
import type { AgeState } from './surfaces';

/** A minute of the pour on the clock of the site. */
export const boardTime = (board: Pick<Board, 'start'>, minute: number): string =>
  clockText(board.start + minute);

/** Minutes as they are said: `now`, `4 min`, `1 h 10 min`. */
export function spanText(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 1) return 'now';
  if (whole < 60) return `${String(whole)} min`;
  if (whole >= 48 * 60) return `${String(Math.round(whole / 1440))} days`;
  return `${String(Math.floor(whole / 60))} h ${String(whole % 60)} min`;
}

export const AGE_WORDS: Readonly<Record<AgeState, string>> = {
  fresh: 'fresh',
  soon: 'cover it soon',
  now: 'cover it now',
  set: 'set: a cold joint',
  done: 'full',
};

/** A length to the inch or centimetre, as it is called across a site. */
export function calledLength(length: number, units: UnitSystem): string {
  const step = units === 'imperial' ? inches(1) : millimetres(10);
  return showLength(nanometres(Math.round(length / step) * step), units);
}

/** Lowest height of the pour at a place, in nanometres above the lowest footing. */
export function footAt(board: Pick<Board, 'stops'>, stop: number): number {
  const where = board.stops[stop]?.where;
  return Math.min(
    ...board.stops.flatMap((each) =>
      each.where && where && each.where.wall === where.wall && each.where.from === where.from
        ? [each.bottom]
        : [],
    ),
  );
}

/** What heights of a pour are told above. */
export const zeroOf = (number: number): string =>
  number === 1 ? 'above its footing' : 'above the pour below';

/** Where a stop is: `B–C, 12′ from B`. */
export function placeOf(pour: WorkedPour, board: Board, stop: number, units: UnitSystem): string {
  const own = board.stops[stop];
  const name = pour.stops[stop]?.name ?? '';
  if (!own?.where) return name;
  const wall = pour.volumes.walls.find(({ wall: id }) => id === own.where?.wall);
  const corner = wall?.name.split(/[–-]/)[0] ?? '';
  const middle = calledLength((own.where.from + own.where.to) / 2, units);
  return `${wall?.name ?? name}, ${middle} from ${corner}${pour.stops[stop]?.kind === 'sill' ? ', under the sill' : ''}`;
}

export const WAY_WORDS: Readonly<Record<WayKind, string>> = {
  on: 'Go on as it goes',
  sooner: `Have the next trucks ${String(SHIFT)} min sooner`,
  later: `Have the next trucks ${String(SHIFT)} min later`,
  oldest: 'Skip ahead to the oldest layer',
  lower: 'Go round with half the lift',
  truck: 'Call another truck into the rotation',
  slower: 'Slow down by a quarter',
};

const STANDS: Readonly<Record<BoardLoad['stands'], string>> = {
  'to-come': 'to come',
  waits: 'waits',
  'at-hose': 'at the hose',
  gone: 'gone',
};

export const standsText = (load: BoardLoad): string =>
  load.back !== null ? 'sent back' : STANDS[load.stands];

/** A tap that does not fit, in a sentence: what, and how it is read. */
export function oddText(
  odd: OddTap,
  wallName: (id: string) => string,
  volume: (m3: number) => string,
): string {
  switch (odd.kind) {
    case 'empty-first':
      return `Load ${String(odd.load)} was empty before it came: it counts as come then. Take one of the two back if it was a slip.`;
    case 'not-emptied':
      return `Nobody said that load ${String(odd.load)} was empty: it counts as empty since load ${String(odd.next)} is at the hose.`;
    case 'falls':
      return `The height of ${wallName(odd.wall)} falls: concrete does not, so the higher one counts. Take that one back if it was a slip.`;
    case 'nowhere':
      return 'One tap is at a place that this pour does not fill, or that is full: it is left out.';
    case 'after-done':
      return 'Something was tapped after the pour was done: it counts. Press “Go on” if there is more to place.';
    case 'more-placed':
      return `The heights say ${volume(odd.over)} more than the trucks brought: check the heights, or a truck that nobody tapped.`;
  }
}

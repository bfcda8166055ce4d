import { type UnitSystem, inches, millimetres, nanometres, showLength } from '@ombra/core/kernel/measure';
import { type WorkedPour, clockText } from '@ombra/core/stages/pour';
import { type Board, type BoardLoad, type OddTap, type WayKind, SHIFT } from '@ombra/core/stages/pour/board';
import type { Say } from './say';
import type { AgeState } from './surfaces';

/** A minute of the pour on the clock of the site. */
export const boardTime = (board: Pick<Board, 'start'>, minute: number): string =>
  clockText(board.start + minute);

/** Minutes as they are said: `now`, `4 min`, `1 h 10 min`. */
export function spanText(say: Say, minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 1) return say('now');
  if (whole < 60) return `${String(whole)} min`;
  if (whole >= 48 * 60) return say('{count} days', { count: Math.round(whole / 1440) });
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
export const zeroOf = (say: Say, number: number): string =>
  number === 1 ? say('above its footing') : say('above the pour below');

/** What `placeOf` goes by. */
interface PlaceInput {
  readonly pour: WorkedPour;
  readonly board: Board;
  readonly stop: number;
  readonly units: UnitSystem;
}

/** Where a stop is: `B–C, 12′ from B`. */
export function placeOf(say: Say, { pour, board, stop, units }: PlaceInput): string {
  const own = board.stops[stop];
  const name = pour.stops[stop]?.name ?? '';
  if (!own?.where) return say(name);
  const wall = pour.volumes.walls.find(({ wall: id }) => id === own.where?.wall);
  const corner = wall?.name.split(/[–-]/)[0] ?? '';
  const length = calledLength((own.where.from + own.where.to) / 2, units);
  const values = { wall: wall?.name ?? name, length, corner };
  return pour.stops[stop]?.kind === 'sill'
    ? say('{wall}, {length} from {corner}, under the sill', values)
    : say('{wall}, {length} from {corner}', values);
}

const WAYS: Readonly<Record<WayKind, string>> = {
  on: 'Go on as it goes',
  sooner: 'Have the next trucks {minutes} min sooner',
  later: 'Have the next trucks {minutes} min later',
  oldest: 'Skip ahead to the oldest layer',
  lower: 'Go round with half the lift',
  truck: 'Call another truck into the rotation',
  slower: 'Slow down by a quarter',
};

/** What could be done otherwise, to the crew. */
export const wayText = (say: Say, kind: WayKind): string => say(WAYS[kind], { minutes: SHIFT });

const STANDS: Readonly<Record<BoardLoad['stands'], string>> = {
  'to-come': 'to come',
  waits: 'waits',
  'at-hose': 'at the hose',
  gone: 'gone',
};

export const standsText = (load: BoardLoad): string =>
  load.back !== null ? 'sent back' : STANDS[load.stands];

/** What `oddText` names things with. */
interface OddWords {
  readonly wallName: (id: string) => string;
  readonly volume: (m3: number) => string;
}

/** A tap that does not fit, in a sentence: what, and how it is read. */
export function oddText(say: Say, odd: OddTap, { wallName, volume }: OddWords): string {
  switch (odd.kind) {
    case 'empty-first':
      return say(
        'Load {load} was empty before it came: it counts as come then. Take one of the two back if it was a slip.',
        { load: odd.load },
      );
    case 'not-emptied':
      return say(
        'Nobody said that load {load} was empty: it counts as empty since load {next} is at the hose.',
        { load: odd.load, next: odd.next },
      );
    case 'falls':
      return say(
        'The height of {wall} falls: concrete does not, so the higher one counts. Take that one back if it was a slip.',
        { wall: wallName(odd.wall) },
      );
    case 'nowhere':
      return say('One tap is at a place that this pour does not fill, or that is full: it is left out.');
    case 'after-done':
      return say(
        'Something was tapped after the pour was done: it counts. Press “Go on” if there is more to place.',
      );
    case 'more-placed':
      return say(
        'The heights say {volume} more than the trucks brought: check the heights, or a truck that nobody tapped.',
        { volume: volume(odd.over) },
      );
  }
}

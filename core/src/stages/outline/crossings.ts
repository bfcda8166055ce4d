import { type Angle, type Length, add, cosine, nanometres, normalise, sine } from '../../kernel/measure';
import type { Point } from '../../kernel/geometry/point';
import type { Levels } from './levels';
import type { BuiltLoop, Shell, Wall } from './shell';

/** The end of an inside wall against a wall that runs through. */
export interface Crossing {
  /** The wall that runs through, and the one that ends there. */
  readonly through: string;
  readonly wall: string;
  readonly atStart: boolean;
  /** What its form takes of the through wall's face, from that wall's first corner on its outside face. */
  readonly from: Length;
  readonly to: Length;
  /** Where its outside face meets the through wall. */
  readonly at: Length;
  /** The face of the through wall that it stands against. */
  readonly side: 'inside' | 'outside';
}

/** The end of an inside wall that does not stand against the wall that it should meet. */
export interface TeeOff {
  readonly wall: string;
  readonly met: string;
  /** So much it is short of the other wall's face; negative where it runs past it. Null where its line never meets that wall. */
  readonly short: Length | null;
  /** Its length as drawn that would meet the face; null where there is none. */
  readonly fits: Length | null;
}

/** Where a point lies along a wall from its first corner, and how far in from its outside face. */
function placeOn(
  built: BuiltLoop,
  wall: Wall,
  point: Point,
): { readonly along: number; readonly in: number } {
  const corner = built.faces.formOutside[built.walls.indexOf(wall)] as Point;
  const [x, y] = [point.x - corner.x, point.y - corner.y];
  return {
    along: x * cosine(wall.heading) + y * sine(wall.heading),
    in: y * cosine(wall.heading) - x * sine(wall.heading),
  };
}

/**
 * Every end of an inside wall that meets another wall, as it lies along that one. An end that is said to meet a wall and does
 * not come near it crosses nothing; nor does one that meets a curved wall, whose face turns away.
 */
export function crossingsOf(shell: Pick<Shell, 'loops'>): readonly Crossing[] {
  const loops = shell.loops.flatMap(({ built }) => (built ? [built] : []));
  const home = new Map(
    loops.flatMap((built) => built.walls.map((wall) => [wall.id, { built, wall }] as const)),
  );
  return loops.flatMap((built) =>
    [true, false].flatMap((atStart): Crossing[] => {
      const tee = atStart ? built.tees.start : built.tees.end;
      const own = atStart ? built.walls[0] : built.walls.at(-1);
      const met = home.get(tee?.wall ?? '');
      if (!own || !met || met.wall.curve || own.curve) return [];
      // An open walk's outline runs out along one face and back along the other.
      const { formOutside } = built.faces;
      const corners = atStart
        ? [formOutside[0], formOutside.at(-1)]
        : [formOutside[built.walls.length], formOutside[built.walls.length + 1]];
      const [one, other] = corners.map((point) => point && placeOn(met.built, met.wall, point));
      if (!one || !other) return [];
      const deep = (one.in + other.in) / 2;
      const { thickness, length } = met.wall;
      const near = deep > -own.thickness && deep < thickness + own.thickness;
      const [from, to] = [Math.min(one.along, other.along), Math.max(one.along, other.along)];
      if (!near || to < 0 || from > length) return [];
      return [
        {
          through: met.wall.id,
          wall: own.id,
          atStart,
          from: nanometres(from),
          to: nanometres(to),
          at: nanometres(one.along),
          side: deep > thickness / 2 ? 'inside' : 'outside',
        },
      ];
    }),
  );
}

/** Whether an inside wall stands at heights of the wall that it meets, at the end where it does. */
export function standsBeside(
  { wall, atStart }: Crossing,
  { bottom, top }: { readonly bottom: Length; readonly top: Length },
  levels: Levels,
): boolean {
  const spans = levels.walls[wall] ?? [];
  const own = atStart ? spans[0] : spans.at(-1);
  return own !== undefined && own.bottom < top && own.top > bottom;
}

/** An end of an inside wall, and where its outside face meets the wall that runs through. */
export type Meeting = Pick<Crossing, 'through' | 'wall' | 'atStart' | 'at'>;

/** Every end of an inside wall whose place on the wall that it meets is known: as crossings tell it, and on a curved wall as typed. */
export function meetingsOf(shell: Shell): readonly Meeting[] {
  const crossings = crossingsOf(shell);
  return shell.loops.flatMap(({ built }) =>
    [true, false].flatMap((atStart): readonly Meeting[] => {
      const own = atStart ? built?.walls[0] : built?.walls.at(-1);
      const tee = atStart ? built?.tees.start : built?.tees.end;
      if (!own || !tee) return [];
      const crossing = crossings.find((each) => each.wall === own.id && each.atStart === atStart);
      const at = tee.at ?? crossing?.at;
      return at === undefined ? [] : [{ through: tee.wall, wall: own.id, atStart, at }];
    }),
  );
}

/** Below this share of a right angle's sine, a wall runs along the other one rather than at it: ten degrees. [ours] */
const ALONG = Math.sin(Math.PI / 18);

/** Whether walls of two directions run along each other, so that one does not meet the other anywhere near. */
export const runsAlong = (heading: Angle, other: Angle): boolean =>
  Math.abs(sine((heading - other) as Angle)) < ALONG;

/**
 * How far the end of an open walk is off the wall that it should meet, taken along its own last wall at its middle; null where it
 * meets it, or where an arc at either leaves that to the eye.
 *
 * @param met the wall that it should meet, in its own outline
 * @param slack what a tape may be off
 */
export function teeOff(
  built: BuiltLoop,
  met: { readonly built: BuiltLoop; readonly wall: Wall },
  slack: Length,
): TeeOff | null {
  const own = built.walls.at(-1);
  if (!own || own.curve || met.wall.curve) return null;
  const { formOutside } = built.faces;
  const count = built.walls.length;
  const [one, other] = [formOutside[count], formOutside[count + 1]].map(
    (point) => point && placeOn(met.built, met.wall, point),
  );
  if (!one || !other) return null;
  const common = { wall: own.id, met: met.wall.id };
  const [along, deep] = [(one.along + other.along) / 2, (one.in + other.in) / 2];
  const toward = normalise((own.heading - met.wall.heading) as Angle);
  const inward = sine(toward);
  if (runsAlong(own.heading, met.wall.heading)) return { ...common, short: null, fits: null };
  const face = inward < 0 ? met.wall.thickness : 0;
  const short = nanometres((face - deep) / inward);
  const at = along + short * cosine(toward);
  if (at < 0 || at > met.wall.length) return { ...common, short: null, fits: null };
  if (Math.abs(short) <= slack) return null;
  const fits = add(own.measured, short);
  return { ...common, short, fits: fits > 0 ? fits : null };
}

import type { PlacedInsert } from '../inserts';
import { type Length, add, nanometres, subtract, min, max } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import type { Wanted } from './layBraces';
import type { Side } from './problem';
import type { FaceCrossings, Stretch, StretchEnd } from './stretches';

/** What `inTheWay` goes by. */
interface InTheWayInput {
  readonly openings: readonly PlacedOpening[];
  readonly inserts: readonly PlacedInsert[];
  readonly across: FaceCrossings['across'];
  readonly side: Side;
  readonly width: Length;
}

/** What stands in an upright's way on a wall: openings, and what is set in it or goes through it. */
export function inTheWay({ openings, inserts, across, side, width }: InTheWayInput): (at: Length) => boolean {
  const half = width / 2;
  const taken = [
    ...openings.map(({ hole }) => [hole.from, hole.to] as const),
    ...across.map(({ from, to }) => [from, to] as const),
    ...inserts
      .filter((insert) => insert.round || insert.face === side)
      .flatMap((insert) =>
        insert.fixings.length > 0
          ? insert.fixings.map(({ at }) => [at, at] as const)
          : insert.kind === 'brick-ledge' || insert.kind === 'ledger'
            ? []
            : [[insert.rect.from, insert.rect.to] as const],
      ),
  ];
  return (at) => taken.some(([from, to]) => at > from - half && at < to + half);
}

/** Why a brace stands at an end of a stretch. */
const WHY: Readonly<Record<StretchEnd['how'], Wanted['why']>> = {
  free: 'bulkhead',
  tee: 'tee',
  crossing: 'tee',
  inward: 'corner',
  outward: 'corner',
  straight: 'seam',
};

/** What `wantedOn` goes by. */
interface WantedOnInput {
  readonly of: Stretch;
  readonly openings: readonly PlacedOpening[];
  readonly under: FaceCrossings['under'];
  /** Joints of the wall that stand above each other over its height. */
  readonly seams: readonly Length[];
  readonly rules: HouseRules;
}

/** Places where a stretch of a wall must be held. */
export function wantedOn({
  of: { start, end },
  openings,
  under,
  seams,
  rules,
}: WantedOnInput): readonly Wanted[] {
  const off = rules.length('bracing.corner');
  const half = nanometres(rules.length('bracing.upright.width') / 2);
  const middle = nanometres((start.at + end.at) / 2);
  const within = (at: Length): boolean => at >= start.at && at <= end.at;
  const atEnd = (face: StretchEnd, atStart: boolean): Wanted => {
    // Where the wall goes straight on, its brace stands beside the joint, so that planks run on over it.
    const by = face.how === 'straight' ? half : off;
    const at = atStart ? add(face.at, by) : subtract(face.at, by);
    const edge = atStart ? add(face.at, half) : subtract(face.at, half);
    return {
      at: atStart ? min(at, middle) : max(at, middle),
      why: WHY[face.how],
      face: face.at,
      from: atStart ? edge : middle,
      to: atStart ? middle : edge,
      end: true,
      ...(face.corner ? { of: face.corner.letter } : {}),
    };
  };
  const near = rules.length('bracing.spacing.most');
  /** Beside something, on one side of it. */
  const beside = (edge: Length, before: boolean, why: 'opening' | 'tee', of?: string): Wanted => ({
    at: before ? subtract(edge, half) : add(edge, half),
    why,
    face: edge,
    from: before ? subtract(edge, near) : edge,
    to: before ? edge : add(edge, near),
    ...(of === undefined ? {} : { of }),
  });
  return [
    atEnd(start, true),
    atEnd(end, false),
    ...openings
      .filter(({ hole }) => hole.to > start.at && hole.from < end.at)
      .flatMap(({ id, hole }) => [
        beside(hole.from, true, 'opening', id),
        beside(hole.to, false, 'opening', id),
      ]),
    ...under
      .filter(({ from, to }) => from > start.at && to < end.at)
      .flatMap(({ from, to }) => [beside(from, true, 'tee'), beside(to, false, 'tee')]),
    ...seams.filter(within).map((at): Wanted => ({
      at,
      why: 'seam',
      face: at,
      from: subtract(at, near),
      to: add(at, near),
    })),
  ];
}

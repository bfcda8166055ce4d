import { type Length, add, nanometres, subtract, times, ZERO, max, min } from '../../kernel/measure';
import { type PlacedOpening, arcRadius, heightOf, widthOf } from '../openings';
import type { BuckKind } from '../openings/plan';
import type { HouseRules } from '../../kernel/rules';
import type { Wall } from '../outline';

/** What a member of a buck is. */
export type MemberPart =
  | 'head'
  | 'curved head'
  | 'rib'
  | 'skin'
  | 'sill'
  | 'half sill'
  | 'jamb'
  | 'scab'
  | 'upright brace'
  | 'level brace'
  | 'liner';

/** Members of one kind and length, in one buck. */
export interface Member {
  readonly part: MemberPart;
  readonly count: number;
  readonly length: Length;
  /** Width that it has; null for strips and braces. */
  readonly width: Length | null;
  /** What it is cut from: the buck's own material, site strips, a sheet of plywood, or one that bends. */
  readonly from: 'buck' | 'strip' | 'sheet' | 'bending';
}

/** Spaces between cross-braces that a rule allows at the most. */
export const bracesAcross = (length: Length, spacing: Length): number =>
  Math.max(0, Math.ceil(length / spacing) - 1);

/** Length of the arc of a round top at so much outside the rough opening. [length of an arc] */
function archLength(opening: PlacedOpening, outside: Length): Length {
  const { finished } = opening;
  if (finished.rise === 0) return ZERO;
  const width = widthOf(finished);
  const radius = arcRadius(width, finished.rise);
  const half = Math.asin(Math.min(1, width / 2 / radius));
  const angle = finished.rise > radius ? Math.PI - half : half;
  return nanometres(2 * angle * (radius + outside));
}

/** Kinds that bend to an arch as they are; all others have ribs of plywood with a skin bent over them. */
const BENDS: readonly BuckKind[] = ['foam', 'vinyl'];

/**
 * A curved head. Boards do not bend: ribs of plywood, sawn to the arc, stand at both faces and between, and bending plywood lies
 * over them. [common practice]
 */
function curvedHead(opening: PlacedOpening, width: Length, rules: HouseRules): readonly Member[] {
  const { buck, concrete, finished } = opening;
  if (BENDS.includes(buck.kind)) {
    return [{ part: 'curved head', count: 1, length: archLength(opening, ZERO), width, from: 'buck' }];
  }
  const ribs = Math.max(2, Math.ceil(width / rules.length('openings.rib.spacing')) + 1);
  return [
    {
      part: 'rib',
      count: ribs,
      length: widthOf(concrete),
      width: add(finished.rise, rules.length('openings.rib.depth')),
      from: 'sheet',
    },
    { part: 'skin', count: 1, length: archLength(opening, buck.thickness), width, from: 'bending' },
  ];
}

/**
 * The cut list of one buck. Head and sill run over the jambs, so they are as long as the buck is wide outside; scabs go
 * round the hole on both faces; cross-braces stand inside, upright and level, no further apart than the rule. [common
 * practice]
 */
export function membersOf(opening: PlacedOpening, wall: Wall, rules: HouseRules): readonly Member[] {
  const { buck, finished, concrete, openBottom, openTop } = opening;
  const across = widthOf(concrete);
  const { rise } = finished;
  const clearHeight = heightOf(finished);
  const jamb = subtract(clearHeight, rise);
  const width = buck.throughPanels ? wall.thickness : wall.core;
  const own = (part: MemberPart, count: number, length: Length, wide: Length = width): Member => ({
    part,
    count,
    length,
    width: wide,
    from: 'buck',
  });
  const strip = (part: MemberPart, count: number, length: Length): readonly Member[] =>
    count === 0 ? [] : [{ part, count, length, width: null, from: 'strip' }];
  const head = openTop ? [] : rise > 0 ? curvedHead(opening, width, rules) : [own('head', 1, across)];
  const sill = openBottom
    ? []
    : buck.splitSill
      ? [own('half sill', 2, across, rules.length('openings.sill.member'))]
      : [own('sill', 1, across)];
  const scabs = buck.throughPanels
    ? [
        ...strip('scab', 4, subtract(heightOf(concrete), rise)),
        ...strip('scab', (openTop || rise > 0 ? 0 : 2) + (openBottom ? 0 : 2), across),
      ]
    : [];
  const spacing = rules.length('openings.brace.spacing');
  const clearWidth = widthOf(finished);
  const liner: readonly Member[] = buck.liner
    ? [
        { part: 'liner', count: 2, length: jamb, width: wall.thickness, from: 'sheet' },
        {
          part: 'liner',
          count: (openBottom ? 0 : 1) + (openTop ? 0 : 1),
          length: rise > 0 ? archLength(opening, ZERO) : clearWidth,
          width: wall.thickness,
          from: 'sheet',
        },
      ]
    : [];
  return [
    ...head,
    own('jamb', 2, jamb),
    ...sill,
    ...scabs,
    ...strip('upright brace', bracesAcross(clearWidth, spacing), clearHeight),
    ...strip('level brace', bracesAcross(jamb, spacing), clearWidth),
    ...liner.filter((each) => each.count > 0),
  ];
}

/** The sides of a buck that are fastened to the form, with the length of each. */
export function fastenedSides(
  opening: PlacedOpening,
): readonly { readonly side: string; readonly length: Length }[] {
  const { concrete, finished, openBottom, openTop, buck } = opening;
  const jamb = subtract(heightOf(concrete), finished.rise);
  const across = widthOf(concrete);
  return [
    { side: 'left jamb', length: jamb },
    { side: 'right jamb', length: jamb },
    ...(openTop
      ? []
      : [{ side: 'head', length: finished.rise > 0 ? archLength(opening, buck.thickness) : across }]),
    ...(openBottom ? [] : [{ side: 'sill', length: across }]),
  ];
}

/** Diagonal of the rough opening, up to where a round top springs: both must be the same. [Pythagoras] */
export function diagonalOf(opening: PlacedOpening): Length {
  const { finished } = opening;
  return nanometres(Math.hypot(widthOf(finished), subtract(heightOf(finished), finished.rise)));
}

/** How the concrete under a sill is reached. */
export interface SillAccess {
  readonly kind: 'open' | 'split' | 'holes' | 'slot';
  readonly count: number;
  /** Across a hole, or along a slot. */
  readonly size: Length;
  /** Middles, from the side of the rough opening. */
  readonly at: readonly Length[];
  /** Gap between the members of a split sill. */
  readonly gap: Length;
}

/** Holes or slots in a sill by rule; a split sill is open along its middle, a door has no sill. */
export function sillAccess(opening: PlacedOpening, wall: Wall, rules: HouseRules): SillAccess {
  const none = { count: 0, size: ZERO, at: [], gap: ZERO };
  if (opening.openBottom) return { kind: 'open', ...none };
  if (opening.buck.splitSill) {
    const members = times(rules.length('openings.sill.member'), 2);
    return { kind: 'split', ...none, gap: max(ZERO, subtract(wall.thickness, members)) };
  }
  const width = widthOf(opening.finished);
  const spacing = rules.length('openings.sill.spacing');
  const slots = rules.choice('openings.sill.access') === 'slot';
  // Slots are as long as holes lie apart, and leave as much wood between them as they take.
  const count = Math.max(1, slots ? Math.floor(width / (2 * spacing)) : Math.ceil(width / spacing));
  const size = slots
    ? (Math.min(spacing, Math.max(width / 2, width - spacing)) as Length)
    : min(rules.length('openings.sill.hole'), width);
  const at = Array.from({ length: count }, (_, index) => nanometres(((index + 0.5) * width) / count));
  return { kind: slots ? 'slot' : 'holes', count, size: nanometres(size), at, gap: ZERO };
}

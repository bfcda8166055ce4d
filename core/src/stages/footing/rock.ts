import { type Piece, onWalls } from '../courses';
import { type Length, add, nanometres, subtract, ZERO, min, max, lerp } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type Shell, type Wall, wallsOf } from '../outline';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, givenLength } from '../../kernel/figures/how';
import type { Survey } from './survey';

/** How a gap between form and rock is closed. */
export type Closure = 'touches' | 'scribed' | 'open' | 'boards';

/** A point of the rock under a wall: how far below the form it lies. */
export interface RockPoint {
  readonly at: Length;
  readonly gap: Length;
}

/** A stretch of a wall whose gap is closed in one manner. */
export interface RockStretch {
  readonly wall: string;
  readonly from: Length;
  readonly to: Length;
  readonly closure: Closure;
  /** Least and largest gap. */
  readonly least: Length;
  readonly most: Length;
  /** The rock under it, for scribing. */
  readonly profile: readonly RockPoint[];
}

/** A wood block under a web, cut to its height. */
export interface WoodBlock {
  readonly piece: string;
  readonly wall: string;
  readonly at: Length;
  readonly station: Length;
  readonly height: Length;
}

/** The walls on bare rock: levelled to its high point. */
export interface Rock {
  readonly stretches: readonly RockStretch[];
  readonly blocks: readonly WoodBlock[];
  /** Length of boards, both panels. */
  readonly boards: Length;
  /** Concrete that fills the gap under the core. */
  readonly fills: Figure;
  /** Concrete that runs out under panels that are left open. */
  readonly lost: Figure;
}

const volume = (id: string, title: string, of: readonly How[], rules: Figure['rules']): Figure =>
  figureOf({ id, title, how: { op: 'sum', name: title, unit: 'volume', of }, rules, pieces: { course: 0 } });

/** The rock along one wall, from end to end; at its ends as the readings round the corners have it. */
function profileOf(wall: Wall, { shots, ends, high }: Survey): readonly RockPoint[] {
  const top = high?.height ?? 0;
  const own = shots
    .filter((shot) => shot.wall === wall.id)
    .map((shot): RockPoint => ({ at: shot.at, gap: nanometres(top - shot.height) }));
  const end = (at: Length, height: Length | null | undefined): readonly RockPoint[] =>
    height === null || height === undefined || own.some((point) => point.at === at)
      ? []
      : [{ at, gap: nanometres(top - height) }];
  const round = ends[wall.id];
  return [...end(ZERO, round?.start), ...own, ...end(wall.length, round?.end)];
}

/** Adds the points where the gap passes a height, so that every piece between two points is closed in one manner. */
function splitAt(profile: readonly RockPoint[], gap: Length): readonly RockPoint[] {
  return profile.flatMap((point, index): RockPoint[] => {
    const next = profile[index + 1];
    if (!next || (point.gap - gap) * (next.gap - gap) >= 0) return [point];
    const share = (gap - point.gap) / (next.gap - point.gap);
    return [point, { at: lerp(point.at, next.at, share), gap }];
  });
}

interface Limits {
  readonly open: Length;
  readonly boards: Length;
  readonly step: Length;
  readonly small: Closure;
}

function closureOf(a: RockPoint, b: RockPoint, { open, boards, step, small }: Limits): Closure {
  const gap = (a.gap + b.gap) / 2;
  if (gap < step) return 'touches';
  if (gap >= boards) return 'boards';
  return gap <= open ? small : 'scribed';
}

function stretchesOf(wall: Wall, profile: readonly RockPoint[], limits: Limits): readonly RockStretch[] {
  const points = [limits.step, limits.open, limits.boards].reduce(splitAt, profile);
  const found: RockStretch[] = [];
  points.slice(1).forEach((to, index) => {
    const from = points[index] as RockPoint;
    if (to.at <= from.at) return;
    const closure = closureOf(from, to, limits);
    const last = found.at(-1);
    if (last?.closure === closure) {
      found[found.length - 1] = {
        ...last,
        to: to.at,
        least: min(last.least, to.gap),
        most: max(last.most, to.gap),
        profile: [...last.profile, to],
      };
    } else {
      found.push({
        wall: wall.id,
        from: from.at,
        to: to.at,
        closure,
        least: min(from.gap, to.gap),
        most: max(from.gap, to.gap),
        profile: [from, to],
      });
    }
  });
  return found;
}

/** The gap at a place of a wall, between the points of its profile. */
export function gapAt(profile: readonly RockPoint[], at: Length): Length {
  const index = profile.findIndex((point) => point.at >= at);
  const [a, b] = [profile[Math.max(index - 1, 0)], profile[index < 0 ? profile.length - 1 : index]];
  if (!a || !b) return ZERO;
  const share = b.at > a.at ? (at - a.at) / (b.at - a.at) : 0;
  return lerp(a.gap, b.gap, share);
}

/** Two wood blocks under a form block, or under each leg of a corner: at the webs nearest to so far from its ends. One where both are the same web. */
function woodUnder(
  piece: Piece,
  walls: ReadonlyMap<string, Wall>,
  fromEnd: Length,
): readonly { wall: Wall; at: Length }[] {
  const lengthOf = (id: string): Length => walls.get(id)?.length ?? ZERO;
  return onWalls(piece, lengthOf).flatMap(({ wall: id, from, to, webs }) => {
    const wall = walls.get(id);
    if (!wall || webs.length === 0) return [];
    const nearest = (place: number): Length =>
      webs.reduce((best, web) => (Math.abs(web - place) < Math.abs(best - place) ? web : best));
    return [...new Set([nearest(from + fromEnd), nearest(to - fromEnd)])].map((at) => ({ wall, at }));
  });
}

/** Area of the gap along a stretch: its mean height by its length, worked out between every two readings. */
const gapArea = (stretch: RockStretch): readonly (readonly [Length, Length])[] =>
  stretch.profile.slice(1).map((to, index) => {
    const from = stretch.profile[index] as RockPoint;
    return [nanometres((from.gap + to.gap) / 2), subtract(to.at, from.at)] as const;
  });

/**
 * Walls on bare rock, the first course level at its high point: the gap below, what closes it, wood blocks under the
 * webs, and the concrete that fills the gap or is lost through it. What is lost under an open panel is its own width
 * and a heap as wide as the gap is high. [common practice; the heap is ours]
 */
export function rockUnder(
  survey: Survey | null,
  pieces: readonly Piece[],
  shell: Shell,
  rules: HouseRules,
): Rock | null {
  if (!survey?.high) return null;
  const walls = wallsOf(shell);
  const byId = new Map(walls.map((wall) => [wall.id, wall]));
  const limits: Limits = {
    open: rules.length('footing.rock.open'),
    boards: rules.length('footing.rock.boards'),
    step: rules.length('footing.shim.step'),
    small: rules.choice('footing.rock.small') === 'open' ? 'open' : 'scribed',
  };
  const profiles = new Map(walls.map((wall) => [wall.id, profileOf(wall, survey)]));
  const stretches = walls.flatMap((wall) => stretchesOf(wall, profiles.get(wall.id) ?? [], limits));
  const fromEnd = rules.length('footing.rock.blockFromEnd');
  const blocks = pieces.flatMap((piece) =>
    woodUnder(piece, byId, fromEnd).flatMap(({ wall, at }): WoodBlock[] => {
      const height = gapAt(profiles.get(wall.id) ?? [], at);
      return height < limits.step
        ? []
        : [{ piece: piece.id, wall: wall.id, at, station: add(wall.station, at), height }];
    }),
  );
  const under = (stretch: RockStretch, wide: string, width: (gap: Length) => number): readonly How[] =>
    gapArea(stretch).map(([gap, run]): How => ({
      op: 'product',
      name: byId.get(stretch.wall)?.name ?? stretch.wall,
      unit: 'volume',
      of: [givenLength(wide, width(gap)), givenLength('mean gap', gap), givenLength('length', run)],
    }));
  const core = (stretch: RockStretch): number => byId.get(stretch.wall)?.core ?? 0;
  const panels = (stretch: RockStretch): number => (byId.get(stretch.wall)?.thickness ?? 0) - core(stretch);
  return {
    stretches,
    blocks,
    boards: add(
      ...stretches
        .filter((stretch) => stretch.closure === 'boards')
        .map((stretch) => nanometres(2 * (stretch.to - stretch.from))),
    ),
    fills: volume(
      'footing.rock.fills',
      'concrete between core and rock',
      stretches.flatMap((stretch) => under(stretch, 'core', () => core(stretch))),
      ['footing.rock.open', 'footing.rock.boards'],
    ),
    lost: volume(
      'footing.rock.lost',
      'concrete lost under open panels',
      stretches
        .filter((stretch) => stretch.closure === 'open')
        .flatMap((stretch) => under(stretch, 'panels and heaps', (gap) => panels(stretch) + gap)),
      ['footing.rock.small', 'footing.rock.open'],
    ),
  };
}

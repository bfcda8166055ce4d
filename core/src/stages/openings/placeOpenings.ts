import { type Judged, fine } from '../../kernel/judged';
import { type Length, add, nanometres, readLength, subtract, ZERO, max, min } from '../../kernel/measure';
import type { BuckKind, Opening, OpeningKind, Threshold } from './plan';
import type { Plan } from '../../kernel/plan';
import type { HouseRules } from '../../kernel/rules';
import {
  type BuiltLoop,
  type HeightSpan,
  type Levels,
  type Shell,
  type Wall,
  alongFace,
  takenByCorner,
} from '../outline';
import { type BuckMaterial, buckMaterial } from './bucks';
import { atTees } from './atTees';
import { missedHeads, shortPiers } from './neighbours';
import type { OpeningField, OpeningProblem } from './problem';
import { type Shape, grown, heightOf, overlap, widthOf } from './shape';

/** Where a slab meets an opening. */
export interface PlacedThreshold {
  readonly kind: Threshold['kind'];
  /** How far the wall's concrete is held down, or the pour outside lies lower. */
  readonly depth: Length;
  readonly tongue: NonNullable<Threshold['tongue']>;
  readonly truck: NonNullable<Threshold['truck']>;
  /** What is left out of the wall's core; null where the slab stops inside, or where no wall is left under it. */
  readonly notch: Shape | null;
  /** What the slab fills in the wall's thickness: the notch, or its own depth on the footing; null where it stops inside. */
  readonly slab: Shape | null;
}

/** An opening on its wall, with its three sizes. */
export interface PlacedOpening {
  readonly id: string;
  readonly name: string;
  readonly kind: OpeningKind;
  readonly wall: string;
  readonly wallName: string;
  /** The rough opening as it is finished. */
  readonly finished: Shape;
  /** The hole that is cut in the foam. */
  readonly hole: Shape;
  /** What the concrete keeps clear of: the buck's outside. The lintel spans its width. */
  readonly concrete: Shape;
  readonly buck: BuckMaterial;
  /** No member at its foot: a door, or one that reaches down to the footing. */
  readonly openBottom: boolean;
  /** Nothing of the wall over it. */
  readonly openTop: boolean;
  readonly threshold: PlacedThreshold | null;
  /** Rules of its own lintel over the job's. */
  readonly lintel?: NonNullable<Opening['lintel']>;
  /** Whether the courses and the concrete follow it. */
  readonly worked: boolean;
}

export interface Openings {
  readonly placed: readonly PlacedOpening[];
  readonly problems: readonly OpeningProblem[];
}

/** What `placeOpenings` reads of a plan besides its shell and levels. */
type OpeningsInput = Pick<Plan, 'units' | 'openings' | 'bucks'>;

const KIND_NAMES: Readonly<Record<OpeningKind, string>> = {
  window: 'Window',
  door: 'Door',
  garage: 'Wide door',
  'round-top': 'Round top',
  void: 'Hole',
};

export const openingKindName = (kind: OpeningKind): string => KIND_NAMES[kind];

/** Names of all openings as shown: their own, or their kind with a number, in the order of the plan. */
export function openingNames(openings: readonly Opening[]): ReadonlyMap<string, string> {
  const counts = new Map<OpeningKind, number>();
  return new Map(
    openings.map((opening) => {
      const count = (counts.get(opening.kind) ?? 0) + 1;
      counts.set(opening.kind, count);
      return [opening.id, opening.name?.trim() || `${KIND_NAMES[opening.kind]} ${String(count)}`];
    }),
  );
}

/** The stretches of a wall over which something lies. */
export const spansUnder = (
  spans: readonly HeightSpan[],
  { from, to }: { readonly from: Length; readonly to: Length },
): readonly HeightSpan[] => spans.filter((span) => span.from < to && from < span.to);

/** From a wall's start to a place told from either of its ends, on the drawn face. */
export const fromStart = (wall: Wall, from: Opening['from'], at: Length): Length =>
  from === 'start' ? at : subtract(wall.measured, at);

interface Placing {
  readonly shell: Shell;
  readonly levels: Levels;
  readonly plan: OpeningsInput;
  readonly rules: HouseRules;
}

/** Reads one of an opening's lengths; null where it cannot be. */
type Read = (field: OpeningField, text: string, positive: boolean) => Length | null;

/** Bottom of the rough opening: its sill, its head less its height, or the footing where neither is told. */
function bottomOf(opening: Opening, height: Length, spans: readonly HeightSpan[], read: Read): Length | null {
  if (opening.sill !== undefined) return read('sill', opening.sill, false);
  if (opening.head !== undefined) {
    const head = read('head', opening.head, false);
    return head === null ? null : subtract(head, height);
  }
  return max(...spans.map((span) => span.bottom));
}

/** What `thresholdOf` goes by. */
interface ThresholdOfInput {
  readonly opening: Opening;
  readonly name: string;
  readonly concrete: Shape;
  readonly finished: Shape;
  readonly footing: Length;
  readonly read: Read;
  readonly rules: HouseRules;
}

function thresholdOf({
  opening,
  name,
  concrete,
  finished,
  footing,
  read,
  rules,
}: ThresholdOfInput): Judged<PlacedThreshold | null, OpeningProblem> {
  const { threshold } = opening;
  if (!threshold) return fine(null);
  const depth =
    threshold.depth === undefined
      ? rules.length('openings.threshold.depth')
      : read('threshold', threshold.depth, true);
  if (depth === null) return fine(null);
  const tongue = threshold.tongue ?? 'dowels';
  const truck = threshold.truck ?? 'slab';
  const { kind } = threshold;
  const unheld: PlacedThreshold = { kind, depth, tongue, truck, notch: null, slab: null };
  if (kind === 'slab-inside') return fine(unheld);
  const has = subtract(concrete.bottom, footing);
  if (has <= 0) {
    // Nothing of the wall is left under it: the slab runs out over the footing, between the legs of the buck.
    const { from, to } = finished;
    return fine({ ...unheld, slab: { from, to, bottom: footing, top: add(footing, depth), rise: ZERO } });
  }
  if (has < depth) {
    const { id, wall } = opening;
    return {
      value: unheld,
      problems: [{ kind: 'nothing-to-hold-down', opening: id, name, wall, depth, has }],
    };
  }
  const notch = {
    from: concrete.from,
    to: concrete.to,
    bottom: subtract(concrete.bottom, depth),
    top: concrete.bottom,
    rise: ZERO,
  };
  return fine({ kind, depth, tongue, truck, notch, slab: notch });
}

/** What `placeOne` goes by. */
interface PlaceOneInput {
  readonly opening: Opening;
  readonly name: string;
  readonly built: BuiltLoop;
  readonly wall: Wall;
  readonly placing: Placing;
}

/** One opening on its wall; null where its lengths cannot be read. */
function placeOne({
  opening,
  name,
  built,
  wall,
  placing,
}: PlaceOneInput): Judged<PlacedOpening | null, OpeningProblem> {
  const { shell, levels, plan, rules } = placing;
  const own = { opening: opening.id, name, wall: wall.id };
  const problems: OpeningProblem[] = [];
  const read: Read = (field, text, positive) => {
    const reading = readLength(text, plan.units);
    if (reading.ok && (!positive || reading.length > 0)) return reading.length;
    problems.push({ kind: 'unreadable', ...own, field, text });
    return null;
  };
  const at = read('at', opening.at, false);
  const width = read('width', opening.width, true);
  const height = read('height', opening.height, true);
  const { family } = shell;
  const spans = levels.walls[wall.id] ?? [];
  if (at === null || width === null || height === null || !family || spans.length === 0) {
    return { value: null, problems };
  }
  const half = width / 2;
  const near = fromStart(wall, opening.from, at);
  const drawn =
    opening.to === 'centre'
      ? near
      : opening.from === 'start'
        ? nanometres(near + half)
        : nanometres(near - half);
  const from = nanometres(alongFace(wall, drawn) - half);
  const to = add(from, width);
  const under = spansUnder(spans, { from, to });
  const stands = under.length > 0 ? under : spans;
  const bottom = bottomOf(opening, height, stands, read);
  if (bottom === null) return { value: null, problems };
  const round = opening.kind === 'round-top';
  const asked = round && opening.rise !== undefined ? read('rise', opening.rise, true) : nanometres(half);
  const most = min(nanometres(half), height);
  if (round && asked !== null && asked > most) problems.push({ kind: 'rise-too-high', ...own, most });
  const rise = round ? min(asked ?? most, most) : ZERO;
  const finished: Shape = { from, to, bottom, top: add(bottom, height), rise };
  const kind: BuckKind = opening.buck ?? (rules.choice('openings.buck') as BuckKind);
  const { value: buck, problems: ofBuck } = buckMaterial({ kind, family, skin: wall.skin, plan });
  problems.push(...ofBuck.map((each): OpeningProblem => ({ kind: 'buck-figure', ...each })));
  const footing = max(...stands.map((span) => span.bottom));
  const wallTop = min(...stands.map((span) => span.top));
  const openBottom = opening.kind === 'door' || opening.kind === 'garage' || finished.bottom <= footing;
  const openTop = finished.top >= wallTop;
  const by = buck.thickness;
  const concrete = grown(finished, by, openTop ? ZERO : by, openBottom ? ZERO : by);
  const hole = buck.throughPanels ? concrete : finished;
  if (wall.curve) problems.push({ kind: 'on-curve', ...own });
  const lowest = min(...stands.map((span) => span.bottom));
  if (finished.bottom < lowest) {
    problems.push({
      kind: 'below-footing',
      ...own,
      by: subtract(lowest, finished.bottom),
      footing: lowest,
    });
  }
  const off = ([true, false] as const).flatMap((atStart): OpeningProblem[] => {
    const taken = takenByCorner(built, wall, atStart);
    const past = atStart
      ? subtract(taken, concrete.from)
      : subtract(concrete.to, subtract(wall.length, taken));
    if (past <= 0) return [];
    return [
      {
        kind: 'off-wall',
        ...own,
        end: atStart ? 'start' : 'end',
        corner: atStart ? wall.from : wall.to,
        by: past,
      },
    ];
  });
  const above = finished.bottom >= wallTop;
  if (above) problems.push({ kind: 'above-wall', ...own });
  else if (finished.top > wallTop) {
    problems.push({ kind: 'open-top', ...own, by: subtract(finished.top, wallTop) });
  }
  problems.push(...off);
  const worked = off.length === 0 && !above && finished.bottom >= lowest;
  const threshold = thresholdOf({ opening, name, concrete, finished, footing, read, rules });
  const value: PlacedOpening = {
    id: opening.id,
    name,
    kind: opening.kind,
    wall: wall.id,
    wallName: wall.name,
    finished,
    hole,
    concrete,
    buck,
    openBottom,
    openTop,
    threshold: threshold.value,
    ...(opening.lintel === undefined ? {} : { lintel: opening.lintel }),
    worked,
  };
  return { value, problems: [...problems, ...threshold.problems] };
}

/**
 * Puts every opening of the plan on its wall, with its three sizes: the rough opening, the hole in the foam and what the
 * concrete keeps clear of. One whose wall is gone is kept in the plan and told; one that cannot be built where it is (off
 * its wall, in a corner, over another) is placed but not worked.
 */
export function placeOpenings(
  shell: Shell,
  levels: Levels,
  plan: OpeningsInput,
  rules: HouseRules,
): Openings {
  const openings = plan.openings ?? [];
  const names = openingNames(openings);
  const problems: OpeningProblem[] = [];
  const placing: Placing = { shell, levels, plan, rules };
  const walls = new Map(
    shell.loops.flatMap(({ built }) =>
      (built?.walls ?? []).map((wall) => [wall.id, { built, wall }] as const),
    ),
  );
  const rows = new Set(shell.loops.flatMap((loop) => loop.rowNames.map(({ row }) => row)));
  const placed: PlacedOpening[] = [];
  for (const opening of openings) {
    const name = names.get(opening.id) ?? opening.id;
    const found = walls.get(opening.wall);
    if (!found?.built) {
      if (!rows.has(opening.wall)) problems.push({ kind: 'wall-gone', opening: opening.id, name });
      continue;
    }
    const one = placeOne({ opening, name, built: found.built, wall: found.wall, placing });
    problems.push(...one.problems);
    const next = one.value;
    if (!next) continue;
    const other = placed.find(
      (each) => each.worked && each.wall === next.wall && overlap(each.concrete, next.concrete),
    );
    if (other && next.worked) {
      problems.push({ kind: 'overlaps', opening: next.id, name, wall: next.wall, other: other.name });
    }
    placed.push({ ...next, worked: next.worked && !other });
  }
  // A bad buck figure is reported once, not once per opening that uses the buck.
  const ofBucks = new Map(
    problems.flatMap((each) =>
      each.kind === 'buck-figure' ? [[`${each.buck}:${each.text}`, each] as const] : [],
    ),
  );
  return {
    placed,
    problems: [
      ...problems.filter(({ kind }) => kind !== 'buck-figure'),
      ...ofBucks.values(),
      ...shell.loops.flatMap(({ built }) =>
        (built?.walls ?? []).flatMap((wall) =>
          built ? shortPiers(placed, built, wall, rules.length('openings.pier.least')) : [],
        ),
      ),
      ...atTees(placed, shell, levels),
      ...missedHeads(placed, rules.length('openings.head.near')),
    ],
  };
}

/** Holes by wall, in the order of their stations: what the courses leave out. */
export function holesByWall(openings: Openings): ReadonlyMap<string, readonly PlacedOpening[]> {
  const found = new Map<string, PlacedOpening[]>();
  for (const opening of openings.placed) {
    if (!opening.worked) continue;
    found.set(opening.wall, [...(found.get(opening.wall) ?? []), opening]);
  }
  for (const list of found.values()) list.sort((a, b) => a.hole.from - b.hole.from);
  return found;
}

/** The three sizes of an opening, as they are told beside it. */
export interface ThreeSizes {
  readonly finished: { readonly width: Length; readonly height: Length };
  readonly hole: { readonly width: Length; readonly height: Length };
  readonly lintel: Length;
}

export const threeSizes = (opening: PlacedOpening): ThreeSizes => ({
  finished: { width: widthOf(opening.finished), height: heightOf(opening.finished) },
  hole: { width: widthOf(opening.hole), height: heightOf(opening.hole) },
  lintel: widthOf(opening.concrete),
});

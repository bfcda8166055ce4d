import { type Length, add, nanometres, subtract, ZERO, max } from '../../kernel/measure';
import { boardEnds } from '../../kernel/stock/boardEnds';
import type { PlacedOpening } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import {
  type BuiltLoop,
  type Corner,
  type Levels,
  type Wall,
  cornerAt,
  isSquare,
  radiansOf,
} from '../outline';

/** One piece of a sill plate, from its wall's first corner along the outside face. */
export interface PlatePiece {
  readonly from: Length;
  readonly to: Length;
  /** What its board is cut to: from long point to long point where an end is mitred. */
  readonly cut: Length;
  readonly bolts: readonly Length[];
}

/** A stretch of plate in one go, along its middle: between corners, or beside what reaches through the top of the wall. */
export interface PlateRun {
  readonly wall: string;
  readonly name: string;
  /** Top of the concrete under it, above the lowest footing. */
  readonly top: Length;
  readonly from: Length;
  readonly to: Length;
  /** How far the long points of its mitres reach past its ends; nothing where it is cut square. */
  readonly past: { readonly start: Length; readonly end: Length };
  /** Cut of sheets to the wall's curve, not of straight stock. */
  readonly curved: boolean;
}

/** What `plateEnd` goes by. */
interface PlateEndInput {
  readonly built: BuiltLoop;
  readonly wall: Wall;
  readonly atStart: boolean;
  readonly width: Length;
  readonly levelGoesOn: boolean;
}

/** How far the plate of a wall reaches at one of its ends, from that end inward on the outside face. */
function plateEnd({ built, wall, atStart, width, levelGoesOn }: PlateEndInput): number {
  const corner = cornerAt(built, wall, atStart)?.corner;
  if (!corner) {
    const tee = atStart ? built.tees.start : built.tees.end;
    // Up to the edge of the plate of the wall that it meets; a free end stops behind its bulkhead.
    return tee ? (width - tee.core) / 2 - tee.skin : wall.skin;
  }
  if (corner.turn === 0) return 0;
  if (!levelGoesOn) return wall.skin;
  const inset = atStart ? wall.coreInset.start : wall.coreInset.end;
  return inset + acrossCorner(corner, atStart, width);
}

/** At a square corner the plate of the wall that starts there runs through and the other butts against it; elsewhere both are mitred. */
const acrossCorner = (corner: Corner, starts: boolean, width: Length): number =>
  isSquare(corner.turn) ? (starts ? -width : width) / 2 : 0;

/** How far the long point of a plate's mitre reaches past its middle: half its width times tan(θ/2), whichever way the corner turns. */
function longPoint({ built, wall, atStart, width, levelGoesOn }: PlateEndInput): Length {
  const corner = cornerAt(built, wall, atStart)?.corner;
  if (!corner || !levelGoesOn || isSquare(corner.turn)) return ZERO;
  return nanometres((width / 2) * Math.abs(Math.tan(radiansOf(corner.turn) / 2)));
}

/** The top of a wall at one of its ends. */
function topAt(levels: Levels, wall: string, atStart: boolean): Length | undefined {
  const spans = levels.walls[wall] ?? [];
  return (atStart ? spans[0] : spans.at(-1))?.top;
}

/** Whether the walls that meet at a wall's end are of one height there. */
function goesOn(built: BuiltLoop, levels: Levels, wall: Wall, atStart: boolean): boolean {
  const met = cornerAt(built, wall, atStart);
  return met !== null && topAt(levels, met.other.id, !atStart) === topAt(levels, wall.id, atStart);
}

/** Stretches of a wall's top at one height, first to last. */
function stretchesOf(levels: Levels, wall: Wall) {
  const found: { from: Length; to: Length; top: Length }[] = [];
  for (const { from, to, top, cut } of levels.walls[wall.id] ?? []) {
    // A plate on a slope is cut and bolted to it on site.
    if (cut) continue;
    const last = found.at(-1);
    if (last?.top === top && last.to === from) last.to = to;
    else found.push({ from, to, top });
  }
  return found;
}

/** What `plateRuns` goes by. */
interface PlateRunsInput {
  readonly built: BuiltLoop;
  readonly wall: Wall;
  readonly levels: Levels;
  readonly openings: readonly PlacedOpening[];
  readonly rules: HouseRules;
}

/** The plates of one wall: along the middle of its core, at each height of its top, less what openings take of it. */
export function plateRuns({ built, wall, levels, openings, rules }: PlateRunsInput): readonly PlateRun[] {
  const width = rules.length('topoff.plate.width');
  const stretches = stretchesOf(levels, wall);
  return stretches.flatMap((stretch): PlateRun[] => {
    const first = stretch.from <= 0;
    const last = stretch.to >= wall.length;
    const ends = [true, false].map((atStart): PlateEndInput => ({
      built,
      wall,
      atStart,
      width,
      levelGoesOn: goesOn(built, levels, wall, atStart),
    })) as [PlateEndInput, PlateEndInput];
    const start = first ? plateEnd(ends[0]) : 0;
    const end = last ? plateEnd(ends[1]) : 0;
    const began = nanometres(stretch.from + start);
    const gaps = openings
      .filter((each) => each.worked && each.wall === wall.id && each.concrete.top >= stretch.top)
      .map(({ concrete }) => concrete)
      .filter((hole) => hole.from < stretch.to && stretch.from < hole.to)
      .sort((a, b) => a.from - b.from);
    const runs: PlateRun[] = [];
    let from = began;
    const put = (to: Length, isLast = false): void => {
      if (to > from) {
        runs.push({
          wall: wall.id,
          name: wall.name,
          top: stretch.top,
          from,
          to,
          past: {
            start: first && from === began ? longPoint(ends[0]) : ZERO,
            end: last && isLast ? longPoint(ends[1]) : ZERO,
          },
          curved: wall.curve !== null,
        });
      }
    };
    for (const gap of gaps) {
      put(gap.from);
      from = max(from, gap.to);
    }
    put(nanometres(stretch.to - end), true);
    return runs;
  });
}

/**
 * Ends of the pieces that a run is made of: whole stock lengths, then the rest; a rest too short takes some of the piece before it.
 * A run that is cut to a curve stays one.
 */
export function splices(run: PlateRun, rules: HouseRules): readonly Length[] {
  if (run.curved) return [run.to];
  // Boards are used up from long point to long point.
  const [first, end] = [subtract(run.from, run.past.start), add(run.to, run.past.end)];
  const [stock, least] = [rules.length('topoff.plate.stock'), rules.length('topoff.plate.least')];
  const ends = boardEnds(subtract(end, first), stock, least);
  return [...ends.slice(0, -1).map((at) => add(first, at)), run.to];
}

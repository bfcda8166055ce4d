import type { Shot } from './plan';
import type { Piece } from '../courses';
import {
  type Length,
  type UnitSystem,
  add,
  nanometres,
  readLength,
  subtract,
  abs,
  ZERO,
} from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type Levels, type Shell, type Wall, alongFace, wallsOf } from '../outline';
import { standsOf } from './chalk';
import { type ReadShot, bottomAt, groundOf } from './ground';
import type { FootingProblem, SurveyPass } from './problem';

/** A place under the first course: how high the footing is there, and what is shimmed. */
export interface ShimPlace {
  readonly wall: string;
  readonly at: Length;
  readonly station: Length;
  readonly height: Length;
  /** In whole steps of the house rule. */
  readonly shim: Length;
}

/** The shims of one block of the first course, in clockwise order. */
export interface BlockShims {
  readonly piece: string;
  readonly wall: string;
  readonly places: readonly ShimPlace[];
}

/** A stretch that stands above the line that all the rest could be laid to. */
interface Hump {
  readonly wall: string;
  readonly from: Length;
  readonly to: Length;
  readonly depth: Length;
}

export interface Shaving {
  readonly humps: readonly Hump[];
  /** How much lower the high point would be. */
  readonly lowers: Length;
  /** Thickness of shims that it saves, all places together. */
  readonly saves: Length;
}

/** What one survey says. */
export interface Survey {
  readonly shots: readonly ReadShot[];
  /** The highest reading; null with fewer than two readings. */
  readonly high: ReadShot | null;
  readonly low: ReadShot | null;
  /** From the lowest to the highest, planned steps taken out. */
  readonly outOfLevel: Length;
  readonly blocks: readonly BlockShims[];
  /** How many places take each thickness. */
  readonly thicknesses: readonly { readonly shim: Length; readonly places: number }[];
  /** All shims together, one a place. */
  readonly total: Length;
  /** Places lower than the high point by more than the job takes, and by more than is mended. */
  readonly pastLimit: readonly ShimPlace[];
  readonly pastMost: readonly ShimPlace[];
  readonly shaving: Shaving | null;
  /** Height of the ground at both ends of every wall; null where its stretch has no reading. */
  readonly ends: Readonly<Record<string, { readonly start: Length | null; readonly end: Length | null }>>;
}

/** What `readShots` goes by. */
interface ReadShotsInput {
  readonly shell: Shell;
  readonly levels: Levels;
  readonly shots: readonly Shot[];
  readonly rows: ReadonlySet<string>;
  readonly units: UnitSystem;
  readonly pass: SurveyPass;
}

/** Readings in their places, the highest spot at the top of them all; what cannot be used is told. */
function readShots({ shell, levels, shots, rows, units, pass }: ReadShotsInput): {
  readonly read: readonly ReadShot[];
  readonly problems: readonly FootingProblem[];
} {
  const problems: FootingProblem[] = [];
  const walls = new Map(
    shell.loops.flatMap(({ id, built }) =>
      (built?.walls ?? []).map((wall) => [wall.id, { wall, loop: id }] as const),
    ),
  );
  let lost = 0;
  const found = new Map<string, ReadShot>();
  for (const shot of shots) {
    const place = walls.get(shot.wall);
    if (!place) {
      // A wall of an outline that does not stand yet comes back with it.
      if (!rows.has(shot.wall)) lost += 1;
      continue;
    }
    const { wall, loop } = place;
    const at = readLength(shot.at, units);
    const reading = readLength(shot.reading, units);
    if (!at.ok || !reading.ok) {
      problems.push({
        kind: 'shot-unreadable',
        pass,
        wall: wall.id,
        text: at.ok ? shot.reading : shot.at,
      });
      continue;
    }
    if (at.length < 0 || at.length > wall.measured) {
      problems.push({ kind: 'shot-off-wall', pass, wall: wall.id, at: at.length, length: wall.measured });
      continue;
    }
    const face = nanometres(Math.min(Math.max(alongFace(wall, at.length), 0), wall.length));
    const key = `${wall.id}:${String(face)}`;
    const twice = found.get(key);
    if (twice && twice.reading !== reading.length) {
      problems.push({
        kind: 'shots-twice',
        pass,
        wall: wall.id,
        at: at.length,
        by: abs(subtract(twice.reading, reading.length)),
      });
    }
    // The later of two readings at one place counts.
    found.set(key, {
      id: shot.id,
      loop,
      wall: wall.id,
      at: face,
      station: add(wall.station, face),
      reading: reading.length,
      height: subtract(subtract(ZERO, reading.length), bottomAt(levels, wall.id, face).bottom),
    });
  }
  if (lost > 0) problems.push({ kind: 'shots-without-wall', pass, count: lost });
  const list = [...found.values()].sort((a, b) => a.station - b.station);
  const lowest = list.reduce((least, shot) => Math.min(least, shot.height), Infinity);
  return {
    read: list.map((shot) => ({ ...shot, height: (shot.height - lowest) as Length })),
    problems,
  };
}

/** Where shims stand under a piece: both its ends, and between them no further apart than the rule says. */
function placesUnder(from: Length, to: Length, spacing: Length): readonly Length[] {
  const parts = Math.max(1, Math.ceil((to - from) / spacing));
  return Array.from({ length: parts + 1 }, (_, index) => nanometres(from + ((to - from) * index) / parts));
}

interface Under {
  readonly piece: string;
  readonly wall: Wall;
  readonly at: readonly Length[];
  /** A place within the piece, clear of any step at its ends. */
  readonly on: Length;
}

/** Every piece of the first course with the places that are shimmed under it. */
function under(shell: Shell, levels: Levels, pieces: readonly Piece[], spacing: Length): readonly Under[] {
  const walls = new Map(
    shell.loops.flatMap(({ built }) => (built?.walls ?? []).map((wall) => [wall.id, wall] as const)),
  );
  return pieces.flatMap((piece): Under[] => {
    if (piece.kind !== 'corner') {
      const wall = walls.get(piece.wall);
      return wall
        ? standsOf(piece, levels).map(({ from, to }) => ({
            piece: piece.id,
            wall,
            at: placesUnder(from, to, spacing),
            on: nanometres((from + to) / 2),
          }))
        : [];
    }
    const before = walls.get(piece.wallBefore);
    const after = walls.get(piece.wallAfter);
    return [
      ...(before && piece.legBefore > 0
        ? [
            {
              piece: piece.id,
              wall: before,
              at: [subtract(before.length, piece.legBefore)],
              on: before.length,
            },
          ]
        : []),
      ...(after
        ? [
            {
              piece: piece.id,
              wall: after,
              at: [ZERO, ...(piece.legAfter > 0 ? [piece.legAfter] : [])],
              on: ZERO,
            },
          ]
        : []),
    ];
  });
}

/** A height rounded to the nearest whole step. */
const toStep = (height: number, step: Length): Length => nanometres(Math.round(height / step) * step);

/** Stretches between readings that rise above a line, and how long they are in all. */
function above(shots: readonly ReadShot[], line: number, walls: ReadonlyMap<string, Wall>): readonly Hump[] {
  const humps: { wall: string; from: number; to: number; depth: number }[] = [];
  shots.forEach((shot, index) => {
    if (shot.height <= line) return;
    const reach = (other: ReadShot | undefined): number => {
      if (!other || other.wall !== shot.wall) return shot.station;
      if (other.height > line) return (shot.station + other.station) / 2;
      const share = (shot.height - line) / (shot.height - other.height);
      return shot.station + (other.station - shot.station) * share;
    };
    const start = walls.get(shot.wall)?.station ?? 0;
    const from = reach(shots[index - 1]) - start;
    const to = reach(shots[index + 1]) - start;
    const depth = shot.height - line;
    const last = humps.at(-1);
    if (last && last.wall === shot.wall && last.to >= from - 1) {
      last.to = to;
      last.depth = Math.max(last.depth, depth);
    } else humps.push({ wall: shot.wall, from, to, depth });
  });
  return humps.map((hump) => ({
    wall: hump.wall,
    from: nanometres(hump.from),
    to: nanometres(hump.to),
    depth: nanometres(hump.depth),
  }));
}

/** What `shavingOf` goes by. */
interface ShavingOfInput {
  readonly shots: readonly ReadShot[];
  readonly places: readonly ShimPlace[];
  readonly walls: ReadonlyMap<string, Wall>;
  readonly longest: Length;
  readonly deepest: Length;
  readonly step: Length;
}

/** The lowest line that all the rest could be laid to for a little shaving; null where none saves a step. */
function shavingOf({ shots, places, walls, longest, deepest, step }: ShavingOfInput): Shaving | null {
  const high = shots.reduce((most, shot) => Math.max(most, shot.height), 0);
  let best: Shaving | null = null;
  for (let lowers = step; lowers <= Math.min(deepest, high); lowers = add(lowers, step)) {
    const line = high - lowers;
    const humps = above(shots, line, walls);
    const length = humps.reduce((sum, hump) => sum + (hump.to - hump.from), 0);
    if (length > longest) break;
    const saves = places.reduce(
      (sum, place) => sum + place.shim - toStep(Math.max(0, line - place.height), step),
      0,
    );
    if (saves > 0) best = { humps, lowers, saves: nanometres(saves) };
  }
  return best;
}

/** What `readSurvey` goes by. */
interface ReadSurveyInput {
  readonly shell: Shell;
  readonly levels: Levels;
  /** Those that stand on the footing. */
  readonly pieces: readonly Piece[];
  /** Rod readings: the smallest is the highest spot. */
  readonly shots: readonly Shot[];
  /** Ids of all walls of the plan, standing or not. */
  readonly rows: ReadonlySet<string>;
  readonly units: UnitSystem;
  readonly rules: HouseRules;
  /** The survey of the footing, or of the first course once it is shimmed. */
  readonly pass: SurveyPass;
}

/**
 * A level survey worked out: heights at every place under the first course, between the readings beside it, and the shim
 * that brings it to the high point, in whole steps. The footing's planned steps are taken out of the heights first, so
 * that all stretches are levelled to one line.
 */
export function readSurvey({ shell, levels, pieces, shots, rows, units, rules, pass }: ReadSurveyInput): {
  readonly survey: Survey | null;
  readonly problems: readonly FootingProblem[];
} {
  if (shots.length === 0) return { survey: null, problems: [] };
  const { read, problems } = readShots({ shell, levels, shots, rows, units, pass });
  const empty: Survey = {
    shots: read,
    high: null,
    low: null,
    outOfLevel: ZERO,
    blocks: [],
    thicknesses: [],
    total: ZERO,
    pastLimit: [],
    pastMost: [],
    shaving: null,
    ends: {},
  };
  if (read.length < 2) {
    return {
      survey: empty,
      problems: [...problems, ...(read.length === 1 ? [{ kind: 'one-reading', pass } as const] : [])],
    };
  }
  const ground = groundOf(shell, levels, read);
  const high = read.reduce((most, shot) => (shot.height > most.height ? shot : most));
  const low = read.reduce((least, shot) => (shot.height < least.height ? shot : least));
  const step = rules.length('footing.shim.step');
  const blocks = under(shell, levels, pieces, rules.length('footing.shim.spacing')).flatMap(
    ({ piece, wall, at, on }): BlockShims[] => {
      const places = at.flatMap((each): ShimPlace[] => {
        const height = ground.heightAt(wall, each, on);
        return height === null
          ? []
          : [
              {
                wall: wall.id,
                at: each,
                station: add(wall.station, each),
                height,
                shim: toStep(high.height - height, step),
              },
            ];
      });
      return places.length === 0 ? [] : [{ piece, wall: wall.id, places }];
    },
  );
  const order = new Map(wallsOf(shell).map((wall, index) => [wall.id, index]));
  blocks.sort(
    (a, b) =>
      (order.get(a.wall) ?? 0) - (order.get(b.wall) ?? 0) || (a.places[0]?.at ?? 0) - (b.places[0]?.at ?? 0),
  );
  const places = [
    ...new Map(
      blocks.flatMap((block) =>
        block.places.map(
          (place) => [`${place.wall}:${String(place.at)}:${String(place.height)}`, place] as const,
        ),
      ),
    ).values(),
  ].sort((a, b) => a.station - b.station);
  const counts = new Map<Length, number>();
  for (const { shim } of places) if (shim > 0) counts.set(shim, (counts.get(shim) ?? 0) + 1);
  const walls = new Map(wallsOf(shell).map((wall) => [wall.id, wall]));
  const drop = (place: ShimPlace): number => high.height - place.height;
  return {
    survey: {
      shots: read,
      high,
      low,
      outOfLevel: subtract(high.height, low.height),
      blocks,
      thicknesses: [...counts].sort(([a], [b]) => a - b).map(([shim, count]) => ({ shim, places: count })),
      total: add(...places.map((place) => place.shim)),
      pastLimit: places.filter((place) => drop(place) > rules.length('footing.level.limit')),
      pastMost: places.filter((place) => drop(place) > rules.length('footing.level.most')),
      shaving: shavingOf({
        shots: read,
        places,
        walls,
        longest: rules.length('footing.hump.longest'),
        deepest: rules.length('footing.level.most'),
        step,
      }),
      ends: Object.fromEntries(
        [...walls].map(([id, wall]) => [
          id,
          { start: ground.heightAt(wall, ZERO), end: ground.heightAt(wall, wall.length) },
        ]),
      ),
    },
    problems: [
      ...problems,
      ...(ground.unsurveyed.length === 0
        ? []
        : [{ kind: 'not-surveyed', pass, walls: ground.unsurveyed } as const]),
    ],
  };
}

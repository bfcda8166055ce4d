import { rulesOf } from '../rules';
import { type Courses, layCourses } from '../stages/courses';
import { type FormSystem, systemOf } from '../kernel/forms';
import {
  type Length,
  add,
  nanometres,
  readLength,
  storeLength,
  subtract,
  times,
  ZERO,
} from '../kernel/measure';
import { type PlacedOpening, placeOpenings } from '../stages/openings';
import { withinLimits } from '../stages/limits';
import type { Opening } from '../stages/openings/plan';
import { type OpeningChange, changeOpening } from '../stages/openings/edits';
import type { Plan } from '../kernel/plan';
import type { HouseRules } from '../kernel/rules';
import { type Levels, type Shell, buildLevels, buildShell } from '../stages/outline';

/** What a nudge changes about an opening. */
export type NudgeWay = 'along' | 'up' | 'wider' | 'taller';

/** A place or a size near an opening's own that saves work, and what it saves over the whole job. */
export interface Nudge {
  readonly way: NudgeWay;
  /** Along: away from the wall's first corner positive. Up, wider, taller: positive. */
  readonly by: Length;
  readonly change: OpeningChange;
  /** Pieces cut to length fewer. */
  readonly cuts: number;
  /** Pieces ripped or notched fewer. */
  readonly shaped: number;
  /** Blocks bought fewer; negative where more. */
  readonly blocks: number;
}

/** How far to either side a nudge looks along the wall and in width, in cut marks. [ours] */
const MARKS_ALONG = 24;
const MARKS_WIDER = 8;

interface Count {
  readonly cuts: number;
  readonly shaped: number;
  readonly blocks: number;
}

function countOf(courses: Courses): Count {
  const cuts = courses.pieces.filter((piece) => piece.kind === 'cut').length;
  const shaped = courses.pieces.filter(
    (piece) => piece.notches !== undefined || (piece.kind !== 'corner' && piece.ripped !== undefined),
  ).length;
  const { opened, ripped, byCore } = courses.offcuts;
  return { cuts, shaped, blocks: opened + ripped + byCore.reduce((sum, own) => sum + own.whole, 0) };
}

interface Setting {
  readonly plan: Plan;
  readonly rules: HouseRules;
  readonly shell: Shell;
  readonly levels: Levels;
  readonly system: FormSystem;
}

/** The job with one opening changed; null where it could then not be worked. */
function tried(setting: Setting, opening: Opening, change: OpeningChange): Count | null {
  const { plan, rules, shell, levels, system } = setting;
  const next = changeOpening(opening, change, plan.units);
  const openings = (plan.openings ?? []).map((each) => (each.id === opening.id ? next : each));
  const placed = placeOpenings(shell, levels, { ...plan, openings }, rules);
  if (placed.placed.find((each) => each.id === opening.id)?.worked !== true) return null;
  return countOf(layCourses({ shell, system, levels, openings: placed }, plan, rules));
}

interface Candidate {
  readonly way: NudgeWay;
  readonly by: Length;
  readonly change: OpeningChange;
}

/** Heights by which foot or head of a hole comes to lie on a course line, up and down. */
function toCourseLines(levels: Levels, height: Length, reach: Length): readonly Length[] {
  return levels.tops.map((top) => subtract(top, height)).filter((by) => by !== 0 && Math.abs(by) <= reach);
}

function candidatesFor(setting: Setting, opening: Opening, placed: PlacedOpening): readonly Candidate[] {
  const { plan, levels, system } = setting;
  const { units } = plan;
  const read = (text: string | undefined): Length | null => {
    const reading = text === undefined ? null : readLength(text, units);
    return reading?.ok ? reading.length : null;
  };
  const [at, width, height] = [read(opening.at), read(opening.width), read(opening.height)];
  if (at === null || width === null || height === null) return [];
  const store = (length: Length): string => storeLength(length, units);
  const marks = (most: number): readonly Length[] =>
    Array.from({ length: 2 * most + 1 }, (_, index) => times(system.cutMark, index - most)).filter(
      (by) => by !== 0,
    );
  const along = marks(MARKS_ALONG).map((by): Candidate => ({
    way: 'along',
    by,
    change: { at: store(opening.from === 'start' ? add(at, by) : subtract(at, by)) },
  }));
  // Its centre stays, so that what is drawn above and below it stays in line.
  const wider = marks(MARKS_WIDER).map((by): Candidate => {
    const half = nanometres(by / 2);
    return {
      way: 'wider',
      by,
      change: {
        width: store(add(width, by)),
        ...(opening.to === 'near' ? { at: store(subtract(at, half)) } : {}),
      },
    };
  });
  const field = opening.sill !== undefined ? 'sill' : opening.head !== undefined ? 'head' : null;
  const anchored = field === null ? null : read(opening[field]);
  const lines = [
    ...new Set([
      ...(placed.openBottom ? [] : toCourseLines(levels, placed.hole.bottom, system.courseHeight)),
      ...(placed.openTop ? [] : toCourseLines(levels, placed.hole.top, system.courseHeight)),
    ]),
  ];
  const up =
    field === null || anchored === null || placed.openBottom
      ? []
      : lines.map((by): Candidate => ({
          way: 'up',
          by,
          change: { [field]: store(add(anchored, by)) },
        }));
  // Sized at the free end: the head where the sill is told, otherwise the sill.
  const free =
    field === 'head'
      ? toCourseLines(levels, placed.hole.bottom, system.courseHeight).map((by) => subtract(ZERO, by))
      : toCourseLines(levels, placed.hole.top, system.courseHeight);
  const taller = free.map((by): Candidate => ({
    way: 'taller',
    by,
    change: { height: store(add(height, by)) },
  }));
  return [...along, ...wider, ...up, ...taller];
}

/**
 * The nearest places and sizes of an opening that save cuts or shaped pieces, tried out on the whole job: for each way, the
 * nearest that saves anything, and the one that saves most.
 *
 * @returns best first; empty where nothing near saves anything or the opening is not worked
 */
export function nudges(whole: Plan, openingId: string): readonly Nudge[] {
  const { plan } = withinLimits(whole);
  const rules = rulesOf(plan);
  const shell = buildShell(plan, rules);
  const opening = plan.openings?.find((each) => each.id === openingId);
  if (!shell.family || !opening) return [];
  const system = systemOf(shell.family);
  const levels = buildLevels(shell, system, plan, rules);
  const setting: Setting = { plan, rules, shell, levels, system };
  const openings = placeOpenings(shell, levels, plan, rules);
  const placed = openings.placed.find((each) => each.id === openingId);
  if (placed?.worked !== true) return [];
  const now = countOf(layCourses({ shell, system, levels, openings }, plan, rules));
  const found = candidatesFor(setting, opening, placed).flatMap((candidate): Nudge[] => {
    const then = tried(setting, opening, candidate.change);
    if (!then) return [];
    const cuts = now.cuts - then.cuts;
    const shaped = now.shaped - then.shaped;
    return cuts + shaped > 0 ? [{ ...candidate, cuts, shaped, blocks: now.blocks - then.blocks }] : [];
  });
  const saves = (nudge: Nudge): number => nudge.cuts + nudge.shaped;
  const way = (nudge: Nudge): number => Math.abs(nudge.by);
  const ways: readonly NudgeWay[] = ['along', 'up', 'wider', 'taller'];
  return ways
    .flatMap((each) => {
      const own = found.filter((nudge) => nudge.way === each);
      const most = [...own].sort((a, b) => saves(b) - saves(a) || b.blocks - a.blocks || way(a) - way(b))[0];
      const nearest = [...own].sort((a, b) => way(a) - way(b) || saves(b) - saves(a))[0];
      return [...new Set([most, nearest])].flatMap((nudge) => nudge ?? []);
    })
    .sort((a, b) => saves(b) - saves(a) || way(a) - way(b));
}

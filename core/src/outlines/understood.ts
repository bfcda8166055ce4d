import type { UnitSystem } from '../kernel/measure';
import {
  type FileHole,
  type FileLine,
  type FoundOutline,
  type LeftOut,
  type OutlineReading,
  refused,
} from './found';
import { holesOn } from './holesOn';
import { walkOf } from './walkOf';

/** More lines of a file are not looked at: a drawing of one building has fewer that enclose anything. */
const MOST_LINES = 400;
/** Most of what is left out that is told one by one. */
const MOST_TOLD = 40;

interface FileShapes {
  readonly lines: readonly FileLine[];
  readonly holes: readonly FileHole[];
  readonly leftOut: readonly LeftOut[];
  /** What heights are counted from, in nanometres. */
  readonly ground: number;
}

/**
 * Outlines from the lines of a file, the largest first, each with the openings that lie on it; and what was left out. Where no line is
 * an outline, that is refused with the reason.
 */
export function understoodOf(
  { lines, holes, leftOut, ground }: FileShapes,
  units: UnitSystem,
): OutlineReading {
  const outlines: FoundOutline[] = [];
  const left: LeftOut[] = [...leftOut];
  for (const line of lines.slice(0, MOST_LINES)) {
    const found = walkOf(line, units);
    if ('leftOut' in found) left.push(found.leftOut);
    else outlines.push(found.outline);
  }
  if (lines.length > MOST_LINES) {
    left.push({
      what: `${String(lines.length - MOST_LINES)} more lines`,
      why: `Only ${String(MOST_LINES)} are looked at.`,
    });
  }
  const sorted = outlines.sort((a, b) => Number(b.closed) - Number(a.closed) || b.perimeter - a.perimeter);
  if (sorted.length === 0) {
    const reason = left[0] ? ` ${left[0].what}: ${left[0].why}` : '';
    return refused('the file', `There is no outline in it: no closed line and no walls that join.${reason}`);
  }
  return {
    ok: true,
    understood: {
      outlines: sorted.map((outline) => ({
        ...outline,
        openings: holesOn(outline, holes, units, ground).openings,
      })),
      leftOut: [...left, ...(sorted[0] ? holesOn(sorted[0], holes, units, ground).leftOut : [])].slice(
        0,
        MOST_TOLD,
      ),
    },
  };
}

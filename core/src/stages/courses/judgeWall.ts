import { type Length, add, subtract, half } from '../../kernel/measure';
import { type RowJoint, staggerOf } from './joints';
import type { CourseFinding, StrapReason, WeakJoint } from './piece';
import { blocksBesideCuts } from './row';
import { type ShapedPiece, seamHoles } from './holes';
import { snapSeam } from './seam';
import type { LaidRow } from './stack';
import type { LaidWall, Laying } from './walls';

const EVIDENT: ReadonlySet<StrapReason> = new Set([
  'stagger',
  'beside-corner',
  'seam',
  'lapped-corner',
  'mitred-corner',
  'step-end',
  'free-end',
  'tee',
  'curve',
]);

/** A strip of foam that an opening leaves of a piece. */
interface Strip {
  readonly opening: string;
  readonly height: Length;
}

const NO_STRIPS: readonly Strip[] = [];

/** Strips of foam that openings leave of a piece, under a sill or over a head. */
function stripsOf(piece: ShapedPiece): readonly Strip[] {
  if (piece.ripped === undefined && !piece.notches) return NO_STRIPS;
  const ripped =
    piece.ripped === undefined ? [] : [{ opening: piece.ripped, height: subtract(piece.top, piece.bottom) }];
  const notched = (piece.notches ?? []).flatMap((notch) => [
    ...(notch.top === piece.top && notch.bottom > piece.bottom
      ? [{ opening: notch.opening, height: subtract(notch.bottom, piece.bottom) }]
      : []),
    ...(notch.bottom === piece.bottom && notch.top < piece.top && !notch.arched
      ? [{ opening: notch.opening, height: subtract(piece.top, notch.top) }]
      : []),
  ]);
  return [...ripped, ...notched];
}

/** Straps and stagger of one wall over all courses, and what should be said of it. */
export function judgeWall(
  laid: LaidWall,
  rows: readonly LaidRow[],
  laying: Laying,
): { readonly weak: readonly WeakJoint[]; readonly findings: readonly CourseFinding[] } {
  const { wall, fill } = laid;
  const least = laying.rules.length('courses.stagger.least');
  const weak: WeakJoint[] = [];
  let closest = least;
  const bonding = (row: LaidRow | undefined): readonly Length[] =>
    row?.joints.filter((joint) => joint.bonds).map((joint) => joint.at) ?? [];
  // Full rows repeat every second course, so their staggers are worked once.
  const known = new Map<readonly RowJoint[], Map<readonly RowJoint[] | undefined, readonly Length[]>>();
  const staggersOf = (row: LaidRow, below: LaidRow | undefined): readonly Length[] => {
    const under = known.get(row.joints) ?? new Map<readonly RowJoint[] | undefined, readonly Length[]>();
    const found = under.get(below?.joints) ?? staggerOf(bonding(row), bonding(below));
    known.set(row.joints, under.set(below?.joints, found));
    return found;
  };
  rows.forEach((row, index) => {
    const staggers = staggersOf(row, rows[index - 1]);
    let next = 0;
    for (const joint of row.joints) {
      const stagger = joint.bonds ? (staggers[next++] as Length) : least;
      const reasons: readonly StrapReason[] = stagger < least ? [...joint.reasons, 'stagger'] : joint.reasons;
      if (stagger < closest) closest = stagger;
      if (reasons.length > 0) {
        weak.push({
          course: index + 1,
          wall: wall.id,
          at: joint.at,
          station: add(wall.station, joint.at),
          reasons,
        });
      }
    }
  });
  const findings: CourseFinding[] = [];
  const strapped = weak.filter((joint) => joint.reasons.some((reason) => !EVIDENT.has(reason)));
  if (strapped.length > 0) {
    const reasons = [...new Set(strapped.flatMap((joint) => joint.reasons))].filter(
      (reason) => !EVIDENT.has(reason),
    );
    const cuts = [...new Set([...fill.odd.cuts, ...fill.even.cuts])];
    findings.push({ kind: 'straps', wall: wall.id, joints: strapped.length, reasons, cuts });
  }
  const close = weak.filter((joint) => joint.reasons.includes('stagger')).length;
  if (close > 0) findings.push({ kind: 'stagger', wall: wall.id, joints: close, closest });
  if (fill.seam === null) {
    const beside = Math.min(blocksBesideCuts(fill.odd), blocksBesideCuts(fill.even));
    const { startEnd, endEnd } = laid.rows.odd;
    const atCorner = [startEnd, endEnd].some((end) => end.make === 'moulded' || end.make === 'lapped');
    if (atCorner && beside < laying.rules.count('courses.filler.blocksFromCorner')) {
      findings.push({ kind: 'filler-near-corner', wall: wall.id });
    }
    const pitch = laying.system.interlock;
    if (pitch > 0 && fill.odd.rest % pitch !== 0) {
      const seam = snapSeam({
        fill,
        length: wall.length,
        wanted: half(wall.length),
        rules: laying.cutRules,
        within: laying.cutRules.block,
        holes: seamHoles(laying.holes.get(wall.id)),
      });
      findings.push({ kind: 'off-pitch', wall: wall.id, rest: fill.odd.rest, pitch, seam });
    }
  }
  const lowest = laying.rules.length('courses.rip.least');
  const low = rows.findIndex((row) =>
    row.pieces.some((piece) => piece.ripped === undefined && piece.top - piece.bottom < lowest),
  );
  const lowPiece = rows[low]?.pieces
    .filter((piece) => piece.ripped === undefined)
    .reduce((a, b) => (a.top - a.bottom <= b.top - b.bottom ? a : b));
  if (lowPiece) {
    const height = subtract(lowPiece.top, lowPiece.bottom);
    findings.push({ kind: 'rip-too-low', wall: wall.id, course: low + 1, height });
  }
  const told = new Set<string>();
  rows.forEach((row, index) => {
    for (const { opening, height } of row.pieces.flatMap(stripsOf)) {
      const key = `${String(index)}:${opening}`;
      if (height >= lowest || told.has(key)) continue;
      told.add(key);
      findings.push({ kind: 'strip-too-low', wall: wall.id, course: index + 1, opening, height });
    }
  });
  return { weak, findings };
}

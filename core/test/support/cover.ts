import { expect } from 'vitest';
import type { WorkedPlan } from '../../src/work';
import { wallsOf } from '../../src/stages/outline';

/** Every stretch of every wall in every course is filled exactly: pieces and corner legs, no gap and no overlap. */
export function expectFilled(worked: WorkedPlan): void {
  const walls = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall]));
  for (const row of worked.courses.rows) {
    const wall = walls.get(row.wall);
    if (!wall) throw new Error(`no wall ${row.wall}`);
    const stretches = worked.courses.pieces
      .filter((piece) => piece.course === row.course)
      .flatMap((piece): { from: number; to: number }[] => {
        if (piece.kind === 'corner') {
          return [
            ...(piece.wallAfter === wall.id ? [{ from: 0, to: piece.legAfter as number }] : []),
            ...(piece.wallBefore === wall.id
              ? [{ from: wall.length - piece.legBefore, to: wall.length as number }]
              : []),
          ];
        }
        return piece.wall === wall.id ? [{ from: piece.start, to: piece.start + piece.length }] : [];
      })
      // What runs on past an inside corner lies on no outside face.
      .map(({ from, to }) => ({ from: Math.max(from, row.from), to: Math.min(to, row.to) }))
      .filter(({ from, to }) => to > from)
      .sort((a, b) => a.from - b.from);
    const where = `${wall.name}, course ${String(row.course)}`;
    expect([where, stretches[0]?.from]).toEqual([where, row.from]);
    stretches.forEach((stretch, index) => {
      expect([where, stretch.to]).toEqual([where, stretches[index + 1]?.from ?? row.to]);
    });
  }
}

/** Ids of notices of one severity. */
export const noticesOf = (worked: WorkedPlan, severity: string): readonly string[] =>
  worked.notices.flatMap((notice) => (notice.severity === severity ? [notice.id] : []));

import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan/plan';
import { inches, toInches } from '../../../src/kernel/measure/length';
import { readPlan } from '../../../src/planFile';
import { storeLength } from '../../../src/kernel/measure/writeLength';
import { toCubicYards, toSquareInches } from '../../../src/kernel/measure/quantities';
import { wallsOf } from '../../../src/stages/outline/buildShell';
import { work } from '../../../src/work';
import reference from '../../data/courses.json';

type Given = (typeof reference.cases)[number]['given'];

function planOf(given: Given): Plan {
  const reading = readPlan({
    format: 'ombra.plan',
    version: 2,
    name: given.name,
    units: 'imperial',
    measuredTo: given.measuredTo,
    family: given.family,
    core: `${String(given.core)}in`,
    courses: given.courses,
    outline: {
      closed: true,
      walk: given.walk.map((row) => ({
        length: storeLength(inches(row.lengthIn), 'imperial'),
        turn: row.turn,
      })),
    },
  });
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
  return reading.plan;
}

// Source: common practice, made exact by the six-step rule; worked out separately from this project.
describe.each(reference.cases)('reference outline: $given.name', ({ given, expect: wanted }) => {
  const worked = work(planOf(given));
  const walls = wallsOf(worked.shell);

  it('stands on the right faces', () => {
    expect(walls.map((wall) => toInches(wall.length))).toEqual(wanted.wallLengthsIn);
    expect(worked.tally.outline.perimeter.value).toBe(inches(wanted.formFacePerimeterIn));
    expect(toSquareInches(worked.tally.outline.coreArea.value)).toBeCloseTo(wanted.coreAreaIn2, 8);
    expect(worked.notices.filter((notice) => notice.severity === 'stop')).toEqual([]);
  });

  it.each(wanted.courses)('lays course $course', (course) => {
    const row = worked.tally.courses[course.course - 1];
    const pieces = worked.courses.pieces.filter((piece) => piece.course === course.course);
    const cuts = walls.map((wall) =>
      pieces.flatMap((piece) =>
        piece.kind === 'cut' && piece.wall === wall.id ? [toInches(piece.length)] : [],
      ),
    );
    expect({
      straight: row?.straight.value,
      cut: row?.cut.value,
      cornerLH: row?.cornerLH.value,
      cornerRH: row?.cornerRH.value,
      wallsToStrap: row?.wallsToStrap,
      cuts,
    }).toEqual({
      straight: course.straight,
      cut: course.cut,
      cornerLH: course.cornerLH,
      cornerRH: course.cornerRH,
      wallsToStrap: course.wallsToStrap,
      cuts: course.cuts,
    });
    expect(toCubicYards(row?.coreVolume.value ?? 0)).toBeCloseTo(course.coreVolumeYd3, 4);
  });

  it('adds up', () => {
    const { total } = worked.tally;
    expect(total.straight.value).toBe(wanted.total.straight);
    expect(total.cut.value).toBe(wanted.total.cut);
    expect(total.cornerLH.value).toBe(wanted.total.cornerLH);
    expect(total.cornerRH.value).toBe(wanted.total.cornerRH);
    expect(toCubicYards(total.coreVolume.value)).toBeCloseTo(wanted.total.coreVolumeYd3, 4);
  });
});

import { readPlanText } from '@ombra/core/planFile';
import { type Length, inches } from '@ombra/core/kernel/measure';
import { layingOrder } from '@ombra/core/stages/courses';
import { wallsOf } from '@ombra/core/stages/outline';
import { work } from '@ombra/core/work';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { describePiece } from '../src/stages/courses/describePiece';
import {
  courseTop,
  pieceSpans,
  stripFrame,
  stripX,
  tapeMarks,
  wallIndex,
  zoomToFit,
} from '../src/drawing/strip/stripGeometry';
import { flat } from '../../core/test/support/plans';

const reading = readPlanText(
  readFileSync(new URL('../../demo/sorrel-fork-hatchery.json', import.meta.url), 'utf8'),
);
if (!reading.ok) throw new Error('the demo does not read');
const worked = work(flat(reading.plan));
const { pieces } = worked.courses;
const SCALE = 40 / 1e9;
const inside = stripFrame(worked.shell, worked.courses, SCALE, 'inside');
const outside = stripFrame(worked.shell, worked.courses, SCALE, 'outside');
const [loop] = inside.loops;
if (!loop) throw new Error('no loop');

describe('the strip', () => {
  it('is true to scale both ways', () => {
    expect(stripX(inside, loop, inches(120)) - stripX(inside, loop, 0)).toBeCloseTo(inches(120) * SCALE, 9);
    expect(courseTop(inside, 1) - courseTop(inside, 2)).toBeCloseTo(inches(16) * SCALE, 9);
    expect(courseTop(inside, 7)).toBeCloseTo(0, 9);
  });

  it('fits all round into a given width, margins and all', () => {
    const fitted = stripFrame(worked.shell, worked.courses, zoomToFit(inside, 900), 'inside');
    expect(fitted.width).toBeLessThanOrEqual(900);
    expect(fitted.width).toBeGreaterThan(895);
  });

  it('seen from outside is the mirror image, letter for letter', () => {
    for (const station of [0, inches(528), inches(1824)]) {
      expect(stripX(outside, loop, station)).toBeCloseTo(inside.width - stripX(inside, loop, station), 9);
    }
  });

  it.each([inside, outside])('covers every course from end to end, once', (frame) => {
    const walls = wallIndex(frame);
    for (let course = 1; course <= 7; course++) {
      const spans = pieces
        .filter((piece) => piece.course === course)
        .flatMap((piece) => pieceSpans(frame, walls, piece))
        .sort((a, b) => a.x - b.x);
      const covered = spans.reduce((sum, span) => sum + span.width, 0);
      expect(covered).toBeCloseTo(inches(1824) * SCALE, 6);
      spans.slice(1).forEach((span, index) => {
        const before = spans[index];
        expect(span.x).toBeCloseTo((before?.x ?? 0) + (before?.width ?? 0), 6);
      });
    }
  });

  it('walks the pieces of a course as one would lay them', () => {
    const order = layingOrder({ pieces, course: 1, walls: wallsOf(worked.shell) });
    expect(order.length).toBe(38);
    expect(order.slice(0, 3).map((piece) => piece.id)).toEqual(['1:A', '1:wall-1:0', '1:wall-1:1']);
    const stations = order.map((piece) => piece.station);
    expect(stations).toEqual([...stations].sort((a, b) => a - b));
  });

  it('has a tape with marks as far apart as can be read', () => {
    const feet = tapeMarks(inches(120), 100 / 1e9, false);
    expect(feet.filter((mark) => mark.label !== null).map((mark) => mark.label)).toEqual([
      '0′',
      '2′',
      '4′',
      '6′',
      '8′',
      '10′',
    ]);
    const metres = tapeMarks(5e9 as Length, 40 / 1e9, true);
    expect(metres.map((mark) => mark.label)).toEqual(['0 m', '1 m', '2 m', '3 m', '4 m', '5 m']);
    expect(tapeMarks(inches(120), 10 / 1e9, false).length).toBeLessThan(feet.length);
  });
});

describe('a piece in words', () => {
  const words = (id: string): string => {
    const piece = pieces.find((each) => each.id === id);
    if (!piece) throw new Error(`no piece ${id}`);
    return describePiece(piece, wallsOf(worked.shell), 'imperial');
  };

  it('says what it is, its pull from the nearest corner, and its station', () => {
    expect(words('1:wall-1:0')).toBe('Course 1, A–B: whole block 48″, 3′ 4″ from A, station 3′ 4″, 6 webs');
    expect(words('1:wall-1:9')).toBe('Course 1, A–B: whole block 48″, 2′ from B, station 38′, 6 webs');
    expect(words('1:wall-1:4')).toBe(
      'Course 1, A–B: cut 32″ from block 1, 16″ left over, 19′ 4″ from A, station 19′ 4″, 4 webs',
    );
    expect(words('2:D')).toBe('Course 2, corner D: left-hand corner, legs 27″ on C–D and 11″ on D–E');
  });
});

import { emptyPlan, wallShape, wallStart } from '@ombra/core/stages/outline';
import { FAMILIES, readFamily, writeFamily } from '@ombra/core/kernel/forms';
import { inches, toInches } from '@ombra/core/kernel/measure';
import { work } from '@ombra/core/work';
import { describe, expect, it } from 'vitest';
import { FIELDS, figureAt, withFigure } from '../src/stages/forms/familyFields';
import { pathOf, planFrame } from '../src/drawing/plan/planGeometry';
import { heightOfCourse, pieceAt, stripFrame, stripY, wallAt } from '../src/drawing/strip/stripGeometry';

const files = FAMILIES.map(writeFamily);

describe('figures of a family', () => {
  it.each(files)('of $name are all there to edit, and nothing else', (file) => {
    const plain = new Set(['format', 'version', 'kind', 'id', 'name']);
    const keys = Object.keys(file).filter((key) => !plain.has(key));
    const edited = new Set(FIELDS[file.kind].map((field) => field.path.split('.')[0]));
    for (const key of keys) expect(edited).toContain(key);
    for (const field of FIELDS[file.kind]) {
      if (field.optional) continue;
      expect([field.path, figureAt(file, field.path) !== undefined]).toEqual([field.path, true]);
    }
  });

  it('are set, also inside a part, and leave the rest alone', () => {
    const [module] = files;
    if (!module) throw new Error('no family');
    const panel = withFigure(module, 'panel', '3in');
    expect(figureAt(panel, 'panel')).toBe('3in');
    const leg = withFigure(panel, 'corner90.long', '31in');
    expect(figureAt(leg, 'corner90.short')).toBe(figureAt(module, 'corner90.short'));
    expect(readFamily(leg).ok).toBe(true);
  });

  it('that may be empty are left out, with what is left over empty round them', () => {
    const [module] = files;
    if (!module) throw new Error('no family');
    const half = withFigure(module, 'halfHeight', undefined);
    expect('halfHeight' in half).toBe(false);
    const one = withFigure(module, 'corner45Inside.long', undefined);
    expect(figureAt(one, 'corner45Inside.short')).toBeDefined();
    const none = withFigure(one, 'corner45Inside.short', undefined);
    expect('corner45Inside' in none).toBe(false);
    expect(readFamily(none).ok).toBe(true);
  });
});

const bent = work({
  ...emptyPlan('Bent'),
  height: '8ft 8in',
  loops: [
    {
      id: 'l',
      closed: true,
      walk: [
        { id: 'a', length: '30ft', turn: 'straight on', footing: [{ id: 'f', at: '20ft', step: 'up 16in' }] },
        { id: 'b', length: '', turn: 'straight on', curve: { radius: '10ft', sweep: 'right 90' } },
        { id: 'c', length: '10ft', turn: 'right 90', footing: [{ id: 'g', at: '5ft', step: 'down 16in' }] },
        { id: 'd', length: '40ft', turn: 'right 90' },
        { id: 'e', length: '20ft', turn: 'right 90' },
      ],
    },
    {
      id: 'o',
      closed: false,
      right: '5ft',
      down: '5ft',
      walk: [{ id: 'x', length: '10ft', turn: 'right 90' }],
    },
  ],
});

describe('the plan drawing', () => {
  const built = bent.shell.loops[0]?.built;
  if (!built) throw new Error('nothing stands');

  it('has straight walls as quadrilaterals, arcs in short sides, and stretches of both', () => {
    expect(wallShape(built, 0).length).toBe(4);
    const arc = wallShape(built, 1);
    expect(arc.length).toBe(18);
    const centre = { x: inches(360), y: inches(120) };
    for (const [index, point] of arc.entries()) {
      const radius = Math.hypot(point.x - centre.x, point.y - centre.y);
      expect(toInches(radius as never)).toBeCloseTo(index < 9 ? 120 : 107, 4);
    }
    const half = wallShape(built, 0, 0, 0.5).map((point) => toInches(point.x));
    expect(Math.max(...half)).toBeCloseTo(180, 6);
    expect(wallShape(built, 99)).toEqual([]);
  });

  it('finds both faces of an open walk’s walls in its one ring', () => {
    const open = bent.shell.loops[1]?.built;
    if (!open) throw new Error('no open walk');
    const start = wallStart(open, 0);
    expect(start && [start.outer, start.inner].map(({ x, y }) => [toInches(x), toInches(y)])).toEqual([
      [60, 60],
      [60, 73],
    ]);
    expect(wallShape(open, 0).length).toBe(4);
  });

  it('fits everything, and draws nothing from nothing', () => {
    const frame = planFrame(bent.shell, { width: 400, height: 300, margin: 20 });
    if (!frame) throw new Error('no frame');
    for (const point of built.outline.formOutside) {
      expect(frame.x(point)).toBeGreaterThanOrEqual(19.9);
      expect(frame.y(point)).toBeLessThanOrEqual(280.1);
    }
    expect(pathOf(frame, [])).toBe('');
    expect(pathOf(frame, built.faces.formOutside.slice(0, 2), false)).toMatch(/^M.*L[^Z]*$/);
  });
});

describe('the strip of a stepped job', () => {
  const frame = stripFrame(bent.shell, bent.courses, 40 / 1e9, 'inside');

  it('has courses as high as they are, the ripped one lower', () => {
    expect(heightOfCourse(frame, 1)).toBeCloseTo(inches(8) * frame.scale, 6);
    expect(heightOfCourse(frame, 2)).toBeCloseTo(inches(16) * frame.scale, 6);
    expect(stripY(frame, 0)).toBe(frame.height);
    expect(stripY(frame, inches(104))).toBeCloseTo(0, 6);
  });

  it('finds the wall and the piece under a point, and none where the footing stands', () => {
    const [loop] = frame.loops;
    if (!loop) throw new Error('no loop');
    const at = loop.offset + inches(300) * frame.scale;
    expect(wallAt(frame, at)?.wall.id).toBe('a');
    expect(wallAt(frame, 2)).toBeNull();
    const low = stripY(frame, inches(4));
    expect(pieceAt(frame, bent.courses.pieces, at, low)).toBeNull();
    expect(pieceAt(frame, bent.courses.pieces, loop.offset + inches(100) * frame.scale, low)?.course).toBe(1);
  });
});

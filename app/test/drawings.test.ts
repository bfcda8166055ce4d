import { readFileSync } from 'node:fs';
import { type Drawing, boundsOf, drawingNames, drawingOf } from '@ombra/core/drawings';
import { toInches } from '@ombra/core/kernel/measure';
import { readPlanText } from '@ombra/core/planFile';
import { report } from '@ombra/core/report';
import { cornerBarOnPlan, placedWalls } from '@ombra/core/drawings';
import { work } from '@ombra/core/work';
import DxfParser, { type IDxf } from 'dxf-parser';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planOf, rectilinear } from '../../core/test/support/plans';
import { writeDxf } from '../src/server/exports/drawingDxf';
import { drawingSvg } from '../src/server/exports/drawingSvg';

const reading = readPlanText(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8'));
if (!reading.ok) throw new Error('the demo does not read');
const demo = work(reading.plan);

interface Corner {
  readonly x: number;
  readonly y: number;
}
interface Polyline {
  readonly type: string;
  readonly layer: string;
  readonly vertices: readonly Corner[];
}

const parsed = (text: string): IDxf => {
  const dxf = new DxfParser().parseSync(text);
  if (!dxf) throw new Error('this DXF does not read');
  return dxf;
};
const on = (dxf: IDxf, layer: string, type: string): readonly Polyline[] =>
  (dxf.entities as unknown as readonly Polyline[]).filter(
    (each) => each.layer === layer && each.type === type,
  );
/** Twice the signed area of a ring, by the shoelace formula. */
const twice = (ring: readonly Corner[]): number =>
  ring.reduce((sum, { x, y }, index) => {
    const next = ring[(index + 1) % ring.length] as Corner;
    return sum + x * next.y - next.x * y;
  }, 0);
const areaOf = (ring: readonly Corner[]): number => Math.abs(twice(ring)) / 2;
const drawn = (name: string): Drawing => {
  const drawing = drawingOf(demo, name);
  if (!drawing) throw new Error(`no drawing ${name}`);
  return drawing;
};

describe('the DXF file, read by another package', () => {
  const names = drawingNames(demo).filter((name) => name !== 'strip');
  const dxf = parsed(writeDxf(names.map(drawn), 'imperial'));

  it('is in inches, with a layer for each meaning', () => {
    expect(dxf.header['$INSUNITS']).toBe(1);
    expect(parsed(writeDxf([drawn('plan')], 'metric')).header['$INSUNITS']).toBe(4);
    expect(Object.keys(dxf.tables.layer.layers)).toEqual(
      expect.arrayContaining([
        'Form face',
        'Core face',
        'Block',
        'Cut piece',
        'Corner',
        'Bar',
        'Brace',
        'Plank',
      ]),
    );
  });

  it('has as many pieces as the tally, and every wall’s own length', () => {
    const { total } = report(demo).tally;
    const above = parsed(writeDxf(names.filter((name) => name.startsWith('course')).map(drawn), 'imperial'));
    expect(on(above, 'Block', 'LWPOLYLINE')).toHaveLength(total.straight);
    expect(on(above, 'Cut piece', 'LWPOLYLINE')).toHaveLength(total.cut);
    expect(on(above, 'Corner', 'LWPOLYLINE')).toHaveLength(total.cornerLH + total.cornerRH);
    const dimensions = dxf.entities.filter(({ type }) => type === 'DIMENSION') as unknown as readonly {
      readonly linearOrAngularPoint1: Corner;
      readonly linearOrAngularPoint2: Corner;
    }[];
    const lengths = dimensions.map(({ linearOrAngularPoint1: a, linearOrAngularPoint2: b }) =>
      Math.hypot(a.x - b.x, a.y - b.y),
    );
    for (const { wall } of placedWalls(demo.shell).values()) {
      // Once on the plan, once under its elevation.
      const own = lengths.filter((length) => Math.abs(length - toInches(wall.length)) < 1e-6);
      expect(own.length, wall.name).toBeGreaterThanOrEqual(2);
    }
  });

  it('lays each course without gaps: its pieces cover the walls that it runs round', () => {
    const course = 4;
    const { entities } = parsed(writeDxf([drawn(`course-${String(course)}`)], 'imperial'));
    const pieces = (entities as unknown as readonly Polyline[]).filter(({ layer }) =>
      ['Block', 'Cut piece', 'Corner'].includes(layer),
    );
    const covered = pieces.reduce((sum, { vertices }) => sum + areaOf(vertices), 0);
    const [built] = demo.shell.loops.flatMap((loop) => loop.built ?? []);
    if (!built) throw new Error('not built');
    const ring = (face: 'formOutside' | 'formInside') =>
      areaOf(built.faces[face].map(({ x, y }) => ({ x: toInches(x), y: toInches(y) })));
    // What openings take away from that course is taken over the wall's whole thickness.
    const holes = demo.openings.placed.reduce((sum, { wall, hole }) => {
      const place = placedWalls(demo.shell).get(wall);
      const [bottom, top] = [demo.courses.tops[course - 1] ?? 0, demo.courses.tops[course] ?? 0];
      const whole = hole.bottom <= bottom && hole.top >= top;
      return whole && place
        ? sum + (toInches(hole.to) - toInches(hole.from)) * toInches(place.wall.thickness)
        : sum;
    }, 0);
    expect(covered).toBeCloseTo(ring('formOutside') - ring('formInside') - holes, 4);
  });

  it('has the core’s own area between its faces, for any outline', () => {
    fc.assert(
      fc.property(rectilinear(), fc.constantFrom('imperial' as const, 'metric' as const), (sides, units) => {
        const worked = work(planOf(sides, { units }));
        const plan = drawingOf(worked, 'plan');
        if (!plan) throw new Error('no plan');
        const faces = on(parsed(writeDxf([plan], units)), 'Core face', 'LWPOLYLINE').map(({ vertices }) =>
          areaOf(vertices),
        );
        expect(faces).toHaveLength(2);
        const unit = units === 'imperial' ? 0.0254 : 0.001;
        const between = Math.abs((faces[0] ?? 0) - (faces[1] ?? 0)) * unit * unit;
        const core = worked.tally.outline.coreArea.value;
        expect(Math.abs(between / core - 1)).toBeLessThan(1e-6);
      }),
      { numRuns: 25 },
    );
  });
});

describe('a drawing as SVG', () => {
  it.each(drawingNames(demo))('%s stays within its view and escapes what was typed', (name) => {
    const svg = drawingSvg({ ...drawn(name), title: 'A & <b>' }, { width: 1000 });
    expect(svg).toContain('<title>A &amp; &lt;b&gt;</title>');
    const [, width = '0', height = '0'] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg) ?? [];
    expect(Number(width)).toBeLessThanOrEqual(1000.01);
    for (const [, x = '0', y = '0'] of svg.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)) {
      expect(Number(x)).toBeGreaterThanOrEqual(0);
      expect(Number(x)).toBeLessThanOrEqual(Number(width));
      expect(Number(y)).toBeGreaterThanOrEqual(0);
      expect(Number(y)).toBeLessThanOrEqual(Number(height));
    }
  });

  it('draws bars black where there is no colour', () => {
    const black = drawingSvg(drawn('strip'), { width: 800, grey: true });
    expect(black).not.toContain('#8f4a1f');
    expect(drawingSvg(drawn('strip'), { width: 800 })).toContain('#8f4a1f');
  });

  it('bounds nothing by nothing', () => {
    expect(boundsOf({ shapes: [] })).toBeNull();
    expect(drawingOf(demo, 'course-99')).toBeNull();
    expect(drawingOf(demo, 'wall-A-Z')).toBeNull();
  });
});

it('bends corner bars square round square corners, both legs in the middle of their walls’ cores', () => {
  const places = placedWalls(demo.shell);
  const bars = demo.steel.bars.filter(({ use }) => use === 'corner');
  expect(bars.length).toBeGreaterThan(6);
  for (const bar of bars) {
    const place = places.get(bar.wall);
    if (!place) throw new Error('no such wall');
    const [back, turn, end] = cornerBarOnPlan(bar, place, places);
    if (!back || !turn || !end) throw new Error('a corner bar has three points');
    // Every corner of the demo is square: one leg runs along x, the other along y, to the nanometre.
    const [first, second] = [
      [turn.x - back.x, turn.y - back.y],
      [end.x - turn.x, end.y - turn.y],
    ] as const;
    expect(Math.min(Math.abs(first[0]), Math.abs(first[1]))).toBeLessThanOrEqual(1);
    expect(Math.min(Math.abs(second[0]), Math.abs(second[1]))).toBeLessThanOrEqual(1);
    expect(Math.abs(first[0] * second[0] + first[1] * second[1])).toBeLessThanOrEqual(4e9);
  }
});

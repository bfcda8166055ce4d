import { readFileSync } from 'node:fs';
import { readPlanText } from '@ombra/core/planFile';
import type { Plan } from '@ombra/core/kernel/plan';
import { type WorkedPlan, work } from '@ombra/core/work';
import { CUBIC_METRES_PER_CUBIC_YARD, toMillimetres } from '@ombra/core/kernel/measure';
import { wallFace, wallsOf } from '@ombra/core/stages/outline';
import fc from 'fast-check';
import * as WebIFC from 'web-ifc';
import { beforeAll, describe, expect, it } from 'vitest';
import { angledHalls } from '../../core/test/support/angledHalls';
import { hall } from '../../core/test/support/hall';
import { HALL, planOf, rectilinear, withCourses, withInside, withRake } from '../../core/test/support/plans';
import { globalId } from '../src/server/exports/ifc/globalId';
import { writeIfc } from '../src/server/exports/ifc/model';
import { stepText } from '../src/server/exports/ifc/step';

const reading = readPlanText(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8'));
if (!reading.ok) throw new Error('the demo does not read');
const demo = work(reading.plan);
const OF = { jobId: 'job', savedAt: '2027-04-06T15:00:00.000Z' };

const api = new WebIFC.IfcAPI();
beforeAll(async () => {
  await api.Init();
  api.SetLogLevel(WebIFC.LogLevel.LOG_LEVEL_OFF);
});

interface Read {
  readonly count: (type: number) => number;
  readonly quantity: (name: string) => readonly number[];
  readonly names: (type: number) => readonly string[];
  /** Cubic metres of all closed meshes of a kind, as the reader makes them, openings cut. */
  readonly volume: (type: number) => number;
  readonly close: () => void;
}

/** Volume of a closed triangle mesh, by the tetrahedra to the origin. */
function meshVolume(vertices: Float32Array, indices: Uint32Array): number {
  const at = (index: number): readonly [number, number, number] => {
    const start = (indices[index] ?? 0) * 6;
    return [vertices[start] ?? 0, vertices[start + 1] ?? 0, vertices[start + 2] ?? 0];
  };
  let six = 0;
  for (let index = 0; index < indices.length; index += 3) {
    const [[ax, ay, az], [bx, by, bz], [cx, cy, cz]] = [at(index), at(index + 1), at(index + 2)];
    six += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
  }
  return Math.abs(six) / 6;
}

function readIfc(text: string): Read {
  const model = api.OpenModel(new TextEncoder().encode(text));
  const lines = (type: number): readonly Record<string, { value: never }>[] => {
    const ids = api.GetLineIDsWithType(model, type);
    return Array.from({ length: ids.size() }, (_, index) => api.GetLine(model, ids.get(index)) as never);
  };
  return {
    count: (type) => api.GetLineIDsWithType(model, type).size(),
    names: (type) => lines(type).map((line) => line['Name']?.value ?? ''),
    quantity: (name) =>
      [
        WebIFC.IFCQUANTITYLENGTH,
        WebIFC.IFCQUANTITYVOLUME,
        WebIFC.IFCQUANTITYCOUNT,
        WebIFC.IFCQUANTITYWEIGHT,
      ].flatMap((type) =>
        lines(type)
          .filter((line) => line['Name']?.value === (name as never))
          .map((line) =>
            Number(
              (line['LengthValue'] ?? line['VolumeValue'] ?? line['CountValue'] ?? line['WeightValue'])
                ?.value,
            ),
          ),
      ),
    volume: (type) => {
      let volume = 0;
      api.StreamAllMeshesWithTypes(model, [type], (mesh) => {
        for (let index = 0; index < mesh.geometries.size(); index += 1) {
          const geometry = api.GetGeometry(model, mesh.geometries.get(index).geometryExpressID);
          volume += meshVolume(
            api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize()),
            api.GetIndexArray(geometry.GetIndexData(), geometry.GetIndexDataSize()),
          );
        }
      });
      // The reader keeps the file’s millimetres.
      return volume / 1e9;
    },
    close: () => {
      api.CloseModel(model);
    },
  };
}

describe('the building model of the demo, read by another package', () => {
  const text = writeIfc(demo, { ...OF, name: 'Hatchery “é”' });
  let read: Read;
  beforeAll(() => {
    read = readIfc(text);
  });

  it('has a site, a storey, every wall, opening, bar and footing', () => {
    expect(read.count(WebIFC.IFCPROJECT)).toBe(1);
    expect(read.names(WebIFC.IFCPROJECT)).toEqual(['Hatchery “é”']);
    expect(read.count(WebIFC.IFCBUILDINGSTOREY)).toBe(1);
    expect(read.names(WebIFC.IFCWALL)).toEqual(wallsOf(demo.shell).map(({ name }) => name));
    expect(read.count(WebIFC.IFCOPENINGELEMENT)).toBe(
      demo.openings.placed.filter((each) => each.worked).length,
    );
    expect(read.count(WebIFC.IFCREINFORCINGBAR)).toBe(demo.steel.bars.length);
    expect(read.count(WebIFC.IFCFOOTING)).toBe(6);
  });

  it('tells the tally’s numbers to the last digit', () => {
    const { total } = demo.tally;
    expect(read.quantity('Whole blocks')).toEqual([total.straight.value]);
    expect(read.quantity('Cut pieces')).toEqual([total.cut.value]);
    expect(read.quantity('Blocks to buy')).toEqual([total.blocksBought.value]);
    const [whole = 0, ...walls] = [...read.quantity('Core')].sort((a, b) => b - a);
    expect(whole).toBeCloseTo(total.coreVolume.value, 12);
    expect(walls).toHaveLength(6);
    expect(walls.reduce((sum, each) => sum + each, 0)).toBeCloseTo(whole, 9);
    const bars = read.quantity('Weight').reduce((sum, each) => sum + each, 0);
    expect(bars).toBeCloseTo(demo.steel.mass.value, 6);
    const lengths = new Set(read.quantity('Length'));
    for (const wall of wallsOf(demo.shell)) expect(lengths).toContain(toMillimetres(wall.length));
  });

  it('refers only to lines that are there, each written before it is used, and no id twice', () => {
    const ids = new Set<string>();
    for (const [index, line] of text
      .split('\n')
      .filter((each) => each.startsWith('#'))
      .entries()) {
      const own = index + 1;
      expect(line.startsWith(`#${String(own)}=IFC`)).toBe(true);
      const refs = [...line.replace(/'(?:[^']|'')*'/g, '').matchAll(/#(\d+)/g)].map(([, ref]) => Number(ref));
      expect(Math.max(...refs.slice(1), 0)).toBeLessThan(own);
      const id = /^#\d+=IFC\w+\('([0-9A-Za-z_$]{22})'/.exec(line)?.[1];
      if (id === undefined) continue;
      expect(ids.has(id), line).toBe(false);
      ids.add(id);
    }
    expect(ids.size).toBeGreaterThan(500);
  });
});

it('is as large as the walls are, its openings cut: the reader’s own meshes, weighed', () => {
  fc.assert(
    fc.property(rectilinear(), fc.integer({ min: 2, max: 8 }), (sides, courses) => {
      const worked: WorkedPlan = work(planOf(sides, withCourses(courses)));
      const read = readIfc(writeIfc(worked, { ...OF, name: 'Any' }));
      const [built] = worked.shell.loops.flatMap((loop) => loop.built ?? []);
      const twice = (ring: readonly { readonly x: number; readonly y: number }[]): number =>
        ring.reduce((sum, { x, y }, index) => {
          const next = ring[(index + 1) % ring.length] as { x: number; y: number };
          return sum + (x / 1e9) * (next.y / 1e9) - (next.x / 1e9) * (y / 1e9);
        }, 0);
      const area = Math.abs(twice(built?.faces.formOutside ?? []) - twice(built?.faces.formInside ?? [])) / 2;
      const height = (worked.courses.tops.at(-1) ?? 0) / 1e9;
      expect(read.volume(WebIFC.IFCWALL) / (area * height)).toBeCloseTo(1, 4);
      const footing = worked.footing.concrete.value;
      expect(read.volume(WebIFC.IFCFOOTING) / footing).toBeCloseTo(1, 4);
      read.close();
    }),
    { numRuns: 12 },
  );
});

it('has walls and footings of every kind of outline as large as they are: cores that change, inside walls, walks that stay open', () => {
  const rectangle = planOf(HALL, withCourses(3));
  const plans: readonly Plan[] = [
    hall(
      [
        { length: 240, core: 8 },
        { length: 200, core: 6, flush: 'inside' },
        { length: 160, core: 10, flush: 'middle' },
      ],
      300,
    ),
    withInside(rectangle),
    {
      ...rectangle,
      loops: rectangle.loops.map((loop) => ({ ...loop, closed: false, walk: loop.walk.slice(0, 3) })),
    },
    ...fc.sample(angledHalls, { numRuns: 4, seed: 7 }),
  ];
  for (const plan of plans) {
    const worked = work(plan);
    const read = readIfc(writeIfc(worked, { ...OF, name: 'Any' }));
    expect(read.volume(WebIFC.IFCFOOTING) / worked.footing.concrete.value).toBeCloseTo(1, 4);
    // A wall's own plan: half of both its faces times its thickness, exact for any miter.
    const area = worked.shell.loops
      .flatMap(({ built }) => (built ? built.walls.map((wall) => ({ built, wall })) : []))
      .reduce((sum, { built, wall }) => {
        const [outside, inside] = (['formOutside', 'formInside'] as const).map((face) => {
          const [from, to] = wallFace(built, wall, face);
          return Math.hypot(to.x - from.x, to.y - from.y) / 1e9;
        }) as [number, number];
        return sum + (((outside + inside) / 2) * wall.thickness) / 1e9;
      }, 0);
    const height = (worked.courses.tops.at(-1) ?? 0) / 1e9;
    expect(read.volume(WebIFC.IFCWALL) / (area * height)).toBeCloseTo(1, 4);
    read.close();
  }
});

it('cuts tops to their slopes, mitred at the corners like all others', () => {
  /** Tops of a gable in inches: 96 at both corners, 144 in the middle of 336 in. */
  const gable = withRake(planOf(HALL, withCourses(9)), 'w2', {
    how: 'cut',
    points: [
      { id: 'a', at: '0', top: '96in' },
      { id: 'b', at: '168in', top: '144in' },
      { id: 'c', at: '336in', top: '96in' },
    ],
  });
  const read = readIfc(writeIfc(work(gable), { ...OF, name: 'Gable' }));
  const ring = 480 * 336 - (480 - 26) * (336 - 26);
  // [by hand] Above 96 in stands a roof of 48 in over 336 in, of which each layer loses the corner that is mitred: at so far in from the
  // outside face d, d in at both ends, where it is up to d · 48/168 high.
  const lost = 2 * ((48 / 168) * (13 ** 3 / 6));
  const over = 13 * ((336 * 48) / 2) - lost;
  const flat = ring * 144 - 13 * (336 - 13) * (144 - 96);
  expect(read.volume(WebIFC.IFCWALL) / 0.0254 ** 3 / (flat + over)).toBeCloseTo(1, 5);
  read.close();
});

it('cuts the openings of the demo out of its walls', () => {
  const read = readIfc(writeIfc(demo, { ...OF, name: 'Demo' }));
  const whole = readIfc(
    writeIfc({ ...demo, openings: { ...demo.openings, placed: [] } }, { ...OF, name: 'Without' }),
  );
  const holes = demo.openings.placed
    .filter(({ worked }) => worked)
    .reduce((sum, { wall, concrete }) => {
      const thickness = wallsOf(demo.shell).find(({ id }) => id === wall)?.thickness ?? 0;
      // All of the demo’s openings are rectangles; what of them lies below the footing is no wall.
      const bottom = Math.max(
        concrete.bottom,
        ...(demo.levels.walls[wall] ?? [])
          .filter(({ from, to }) => from < concrete.to && to > concrete.from)
          .map((span) => span.bottom),
      );
      return (
        sum + ((concrete.to - concrete.from) / 1e9) * ((concrete.top - bottom) / 1e9) * (thickness / 1e9)
      );
    }, 0);
  expect(whole.volume(WebIFC.IFCWALL) - read.volume(WebIFC.IFCWALL)).toBeCloseTo(holes, 2);
  expect(holes).toBeGreaterThan(CUBIC_METRES_PER_CUBIC_YARD);
});

it('writes text so that quotes, backslashes and any script survive, and ids that last', () => {
  expect(stepText("A 'b' \\ é–😀")).toBe("'A ''b'' \\\\ \\X4\\000000E9000020130001F600\\X0\\'");
  expect(stepText('é')).toBe("'\\X2\\00E9\\X0\\'");
  expect(globalId('job', 'wall')).toBe(globalId('job', 'wall'));
  expect(globalId('job', 'wall')).toMatch(/^[0-3][0-9A-Za-z_$]{21}$/);
  expect(globalId('job', 'wall')).not.toBe(globalId('job', 'walls'));
});

import { readFileSync } from 'node:fs';
import { drawingOf } from '@ombra/core/drawings';
import { type Length, inches, toInches } from '@ombra/core/kernel/measure';
import type { Plan } from '@ombra/core/kernel/plan';
import { type FileUnit, type FoundOutline, type PointOrder, takeOutline } from '@ombra/core/outlines';
import { applyEdit } from '@ombra/core/plan';
import { readPlanText } from '@ombra/core/planFile';
import { emptyPlan, wallsOf } from '@ombra/core/stages/outline';
import { work } from '@ombra/core/work';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HATCHERY, type Side, planOf, rectilinear } from '../../core/test/support/plans';
import { writeDxf } from '../src/server/exports/drawingDxf';
import { writeIfc } from '../src/server/exports/ifc/model';
import { type OutlineAnswer, readOutline } from '../src/server/imports/readOutline';

const reading = readPlanText(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8'));
if (!reading.ok) throw new Error('the demo does not read');
const demo = reading.plan;

interface How {
  readonly units?: 'imperial' | 'metric';
  readonly unit?: FileUnit;
  readonly order?: PointOrder;
}
const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const ask = ({ units = 'imperial', unit = 'ft', order = 'file' }: How = {}) => ({ units, unit, order });

async function answer(text: string, how?: How): Promise<OutlineAnswer> {
  const outcome = await readOutline(bytesOf(text), ask(how));
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  return outcome.answer;
}
async function first(text: string, how?: How): Promise<FoundOutline> {
  const [outline] = (await answer(text, how)).understood.outlines;
  if (!outline) throw new Error('nothing found');
  return outline;
}
let count = 0;
/** A plan with a found outline taken in. */
const taken = (found: FoundOutline, units: 'imperial' | 'metric' = 'imperial'): Plan =>
  applyEdit(
    emptyPlan('Taken', units),
    takeOutline(emptyPlan('Taken', units), found, {
      measuredTo: 'form',
      freshId: () => `n${String(++count)}`,
    }),
  );
/** Wall lengths of a plan from the longest wall on, round and round: wherever a walk begins, they are the same. */
function round(plan: Plan): readonly number[] {
  const lengths = wallsOf(work(plan).shell).map(({ length }) => length);
  const turns = lengths.map((_, index) => [...lengths.slice(index), ...lengths.slice(0, index)]);
  return turns.sort((a, b) => a.reduce((order, each, index) => order || (b[index] ?? 0) - each, 0))[0] ?? [];
}

/** A closed polyline as the text of a DXF file, written by hand from the format’s description. */
const polyline = (
  vertices: readonly (readonly [number, number, number?])[],
  layer = 'Walls',
  closed = true,
): string =>
  [
    ['0', 'LWPOLYLINE', '8', layer, '90', String(vertices.length), '70', closed ? '1' : '0'],
    ...vertices.map(([x, y, bulge]) => [
      '10',
      String(x),
      '20',
      String(y),
      ...(bulge === undefined ? [] : ['42', String(bulge)]),
    ]),
  ]
    .flat()
    .join('\n');
const dxf = (entities: readonly string[], units?: number): string =>
  [
    ...(units === undefined
      ? []
      : ['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', String(units), '0', 'ENDSEC']),
    '0',
    'SECTION',
    '2',
    'ENTITIES',
    ...entities,
    '0',
    'ENDSEC',
    '0',
    'EOF',
  ].join('\n');

describe('what goes out comes back in', () => {
  it('as DXF: any outline has the same walls, area and corners again', async () => {
    await fc.assert(
      fc.asyncProperty(
        rectilinear(),
        fc.constantFrom('imperial' as const, 'metric' as const),
        async (sides, units) => {
          const plan = planOf(sides, { units });
          const worked = work(plan);
          const drawing = drawingOf(worked, 'plan');
          if (!drawing) throw new Error('no plan');
          const { understood, unitNamed } = await answer(writeDxf([drawing], units), { units });
          expect(unitNamed).toBe(true);
          const form = understood.outlines.find(({ name }) => name === 'layer Form face');
          if (!form) throw new Error('no form face');
          const back = taken(form, units);
          expect(round(back)).toEqual(round(plan));
          expect(work(back).tally.outline.coreArea.value).toBeCloseTo(worked.tally.outline.coreArea.value, 9);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('as IFC: the demo’s walls and its openings, each where it was', async () => {
    const worked = work(demo);
    const { kind, understood } = await answer(
      writeIfc(worked, { jobId: 'j', name: 'Demo', savedAt: '2027-04-06T15:00:00Z' }),
    );
    expect(kind).toBe('ifc');
    const [found] = understood.outlines;
    if (!found) throw new Error('nothing found');
    const back = work(taken(found));
    expect(wallsOf(back.shell).map(({ length }) => length)).toEqual(
      wallsOf(worked.shell).map(({ length }) => length),
    );
    const told = (plan: typeof worked) =>
      plan.openings.placed
        .filter((each) => each.worked)
        .map(({ wallName, finished }) => [
          wallName,
          Math.round(toInches(finished.from) * 16),
          Math.round(toInches((finished.to - finished.from) as Length) * 16),
        ])
        .sort();
    // The model tells the holes that the concrete keeps clear of.
    const wanted = worked.openings.placed
      .filter((each) => each.worked)
      .map(({ wallName, concrete }) => [
        wallName,
        Math.round(toInches(concrete.from) * 16),
        Math.round(toInches((concrete.to - concrete.from) as Length) * 16),
      ])
      .sort();
    expect(told(back)).toEqual(wanted);
  });

  it('as surveyed points, in any order of rows, told by their names', async () => {
    await fc.assert(
      fc.asyncProperty(rectilinear(), fc.integer({ min: 0, max: 1e6 }), async (sides, seed) => {
        const corners = wallsOf(work(planOf(sides)).shell);
        const built = work(planOf(sides)).shell.loops[0]?.built;
        const points = (built?.faces.formOutside ?? []).map(({ x, y }, index) => ({
          order: (index * 7919 + seed) % 104729,
          row: `P${String(index + 1)},${(5000 - y / 304_800_000).toFixed(9)},${(2000 + x / 304_800_000).toFixed(9)}`,
        }));
        const shuffled = [...points].sort((a, b) => a.order - b.order).map(({ row }) => row);
        const found = await first(['name,northing,easting', ...shuffled].join('\n'), { order: 'name' });
        expect(found.rows).toHaveLength(corners.length);
        expect(round(taken(found))).toEqual(round(planOf(sides)));
      }),
      { numRuns: 30 },
    );
  });

  it('as lengths and turns, a line each or all on one', async () => {
    await fc.assert(
      fc.asyncProperty(rectilinear(), fc.boolean(), async (sides, oneLine) => {
        const items = sides.map(([length, turn]: Side) => `${String(length)}in ${turn < 0 ? 'L' : 'R'}`);
        const found = await first(items.join(oneLine ? ' ' : '\n'));
        expect(round(taken(found))).toEqual(round(planOf(sides)));
      }),
      { numRuns: 30 },
    );
  });
});

describe('drawings', () => {
  const L = [
    [0, 0],
    [0, 20],
    [30, 20],
    [30, 0],
  ] as const;

  it('are walked clockwise from a side that runs to the right, whichever way they were drawn', async () => {
    const one = await first(dxf([polyline(L)], 2));
    const other = await first(dxf([polyline([...L].reverse())], 2));
    expect(one.rows).toEqual(other.rows);
    expect(one.rows.map(({ length, turn }) => `${length} ${turn}`)).toEqual([
      '30ft right 90',
      '20ft right 90',
      '30ft right 90',
      '20ft right 90',
    ]);
  });

  it('keep arcs: a bulge of a quarter circle by hand', async () => {
    // 30 × 20 ft whose right side is bowed outward by a bulge of tan(15°): 60° of a circle.
    const bulge = -Math.tan((15 * Math.PI) / 180);
    const found = await first(
      dxf(
        [
          polyline([
            [0, 0],
            [0, 20],
            [30, 20, bulge],
            [30, 0],
          ]),
        ],
        2,
      ),
    );
    const arc = found.rows.find(({ curve }) => curve);
    // Chord 20 ft and 60°: the radius is the chord.
    expect(arc?.curve).toEqual({ radius: '20ft', sweep: 'right 60' });
    expect(found.perimeter / 304_800_000).toBeCloseTo(30 + 20 + 30 + (20 * Math.PI) / 3, 6);
  });

  it('join lines and arcs end to end, drawn in any order and direction', async () => {
    const line = (x1: number, y1: number, x2: number, y2: number): string =>
      ['0', 'LINE', '8', 'Loose', '10', x1, '20', y1, '11', x2, '21', y2].join('\n');
    const arc = ['0', 'ARC', '8', 'Loose', '10', 30, '20', 10, '40', 10, '50', 270, '51', 90].join('\n');
    const found = await first(dxf([line(0, 20, 30, 20), arc, line(0, 0, 0, 20), line(30, 0, 0, 0)], 2));
    expect(found.closed).toBe(true);
    expect(found.rows.map(({ curve }) => curve?.sweep ?? '')).toEqual(['', 'right 180', '', '']);
    expect(found.perimeter / 304_800_000).toBeCloseTo(30 + 10 * Math.PI + 30 + 20, 6);
  });

  it('ask for the unit where they name none, and drop corners where a wall goes straight on', async () => {
    const text = dxf([
      polyline([
        [0, 0],
        [0, 20],
        [15, 20],
        [30, 20],
        [30, 0],
      ]),
    ]);
    expect((await answer(text, { unit: 'm', units: 'metric' })).unitNamed).toBe(false);
    expect((await first(text, { unit: 'm', units: 'metric' })).rows[0]?.length).toBe('30000mm');
    expect((await first(text, { unit: 'ft' })).rows).toHaveLength(4);
  });

  it('tell openings by their layer, and what was left out', async () => {
    const hole = polyline(
      [
        [5, 19.5],
        [5, 20.2],
        [9, 20.2],
        [9, 19.5],
      ],
      'Windows',
    );
    const stray = polyline(
      [
        [5, 5],
        [5, 6],
        [9, 6],
        [9, 5],
      ],
      'Doors',
    );
    const text = dxf(
      [polyline(L), hole, stray, ['0', 'CIRCLE', '8', '0', '10', 1, '20', 1, '40', 1].join('\n')],
      2,
    );
    const { understood } = await answer(text);
    expect(understood.outlines[0]?.openings).toEqual([
      { name: 'Windows', side: 0, at: '5ft', width: '4ft', height: '', sill: null },
    ]);
    expect(understood.leftOut.map(({ what }) => what)).toEqual(['1 × CIRCLE', 'Doors']);
  });

  it('let the largest closed line stand first, and leave out what crosses itself', async () => {
    const bow = polyline(
      [
        [0, 0],
        [90, 90],
        [90, 0],
        [0, 90],
      ],
      'Bow',
    );
    const { understood } = await answer(
      dxf(
        [
          polyline(
            [
              [0, 0],
              [0, 1],
              [1, 1],
              [1, 0],
            ],
            'Post',
          ),
          bow,
          polyline(L),
        ],
        2,
      ),
    );
    expect(understood.outlines.map(({ name }) => name)).toEqual(['layer Walls', 'layer Post']);
    expect(understood.leftOut).toEqual([{ what: 'layer Bow', why: 'It crosses itself.' }]);
  });
});

describe('text', () => {
  it.each([
    ["44' R\n20' R\n44' R\n20' R", ['44ft', '20ft', '44ft', '20ft']],
    [
      'length,turn\n44ft 5 1/2in,right 90\n20ft,right\n44ft 5 1/2in,right 90\n20ft,right 90',
      ['44ft 5 1/2in', '20ft', '44ft 5 1/2in', '20ft'],
    ],
    ['6540 mm\tright 90\n2400 mm\tr\n6540 mm\tr\n2400 mm\tr', ['6540mm', '2400mm', '6540mm', '2400mm']],
    ['10ft\n10ft\n10ft\n10ft', ['10ft', '10ft', '10ft', '10ft']],
  ])('%j', async (text, lengths) => {
    const found = await first(text);
    expect(found.rows.map(({ length }) => length.replace(/^2400mm$/, '2400mm'))).toEqual(lengths);
    expect(found.rows.every(({ turn }) => turn === 'right 90')).toBe(true);
  });

  it('is read in two bytes a letter as well, as spreadsheets write it', async () => {
    const text = "\ufeff44' R\r\n20' R\r\n44' R\r\n20' R";
    const little = new Uint8Array(Buffer.from(text, 'utf16le'));
    const big = new Uint8Array(Buffer.from(little).swap16());
    for (const bytes of [little, big]) {
      const outcome = await readOutline(bytes, ask());
      expect(outcome.ok && outcome.answer.understood.outlines[0]?.rows.map(({ length }) => length)).toEqual([
        '44ft',
        '20ft',
        '44ft',
        '20ft',
      ]);
    }
  });

  it('keeps angles that are none of a square', async () => {
    const found = await first('12ft left 45\n8ft, right 135.5\n6ft straight on');
    expect(found.rows.map(({ turn }) => turn)).toEqual(['left 45', 'right 135.5', 'straight on']);
  });
});

it('takes an outline as one edit, beside the walls that are there or in their place', () => {
  const hatchery = planOf(HATCHERY);
  const found: FoundOutline = {
    name: 'layer Shed',
    closed: true,
    rows: [...Array(4)].map(() => ({ length: '12ft', turn: 'right 90' })),
    drawn: [],
    corners: [],
    perimeter: 4 * inches(144),
    openings: [{ name: 'Hatch', side: 2, at: '3ft', width: '4ft', height: '3ft', sill: '2ft' }],
  };
  const edit = takeOutline(hatchery, found, { measuredTo: 'concrete', freshId: () => `x${String(++count)}` });
  const after = applyEdit(hatchery, edit);
  expect(after.loops.map(({ walk }) => walk.length)).toEqual([6, 4]);
  // Lengths of the walls that are there keep their face.
  expect(after.measuredTo).toBe(hatchery.measuredTo);
  expect(after.openings?.[0]).toMatchObject({
    name: 'Hatch',
    wall: after.loops[1]?.walk[2]?.id,
    sill: '2ft',
  });
  expect(
    applyEdit(
      emptyPlan('New'),
      takeOutline(emptyPlan('New'), found, { measuredTo: 'concrete', freshId: () => `y${String(++count)}` }),
    ).measuredTo,
  ).toBe('concrete');
});

describe('bad files get a plain word', () => {
  const square = polyline([
    [0, 0],
    [0, 20],
    [30, 20],
    [30, 0],
  ]);
  const good = dxf([square], 2);
  const ifc = writeIfc(work(planOf(HATCHERY)), { jobId: 'j', name: 'H', savedAt: '2027-04-06T15:00:00Z' });
  const points = (rows: readonly string[]): string => ['name,northing,easting', ...rows].join('\n');
  const bad: readonly (readonly [name: string, text: string])[] = [
    ['nothing', ''],
    ['blanks', ' \n\n '],
    ['prose', 'A house by the lake'],
    ['JSON', '{"walls":[]}'],
    ['a heading alone', 'length,turn'],
    ['a length of nothing', '0ft R\n10ft R'],
    ['a negative length', '-4ft R\n10ft R'],
    ['a turn of 200', '10ft right 200\n10ft R'],
    ['no number', 'ten feet R\n10ft R'],
    ['2 000 walls', '10ft R\n'.repeat(2000)],
    ['a formula', '=2+2 R\n10ft R'],
    ['points without rows', points([])],
    ['points with words', points(['A,here,there'])],
    ['one point', points(['A,1,1'])],
    ['two points', points(['A,1,1', 'B,2,2'])],
    ['points on a line', points(['A,1,1', 'B,2,2', 'C,3,3'])],
    ['the same point', points(['A,1,1', 'B,1,1', 'C,1,1', 'D,1,1'])],
    ['points that cross', points(['A,0,0', 'B,9,9', 'C,0,9', 'D,9,0'])],
    ['points out of this world', points(['A,1e9,1', 'B,2,2', 'C,3,9'])],
    ['points far beyond any site', points(['A,0,0', 'B,0,900000', 'C,900000,900000', 'D,900000,0'])],
    ['2 000 points', points(Array.from({ length: 2000 }, (_, index) => `${String(index)},1,1`))],
    ['a DXF without entities', '0\nSECTION\n2\nHEADER\n0\nENDSEC\n0\nEOF'],
    ['a DXF cut off', good.slice(0, 60)],
    ['an empty DXF', dxf([])],
    [
      'a DXF of text only',
      dxf([['0', 'TEXT', '8', '0', '10', '0', '20', '0', '40', '1', '1', 'Hi'].join('\n')], 2),
    ],
    [
      'a DXF of one open line',
      dxf([['0', 'LINE', '8', '0', '10', '0', '20', '0', '11', '1', '21', '1'].join('\n')], 2),
    ],
    [
      'a DXF that crosses itself',
      dxf(
        [
          polyline([
            [0, 0],
            [9, 9],
            [9, 0],
            [0, 9],
          ]),
        ],
        2,
      ),
    ],
    [
      'a DXF that is flat',
      dxf(
        [
          polyline([
            [0, 0],
            [9, 0],
            [4, 0],
            [2, 0],
          ]),
        ],
        2,
      ),
    ],
    [
      'a DXF in miles',
      dxf(
        [
          polyline([
            [0, 0],
            [0, 2e7],
            [3e7, 2e7],
            [3e7, 0],
          ]),
        ],
        2,
      ),
    ],
    [
      'a DXF with words for numbers',
      dxf(
        [
          polyline([
            [0, 0],
            [0, 20],
            [Number.NaN, 20],
            [30, 0],
          ]),
        ],
        2,
      ),
    ],
    [
      'a DXF of 3 000 sides',
      dxf(
        [
          polyline(
            Array.from({ length: 3000 }, (_, index): [number, number] => [
              Math.cos(index / 477.5) * 900,
              Math.sin(index / 477.5) * 900,
            ]),
          ),
        ],
        2,
      ),
    ],
    ['a binary drawing', `0\nSECTION\n\u0000\u0001\u0002`],
    ['group codes that are none', '0\nSECTION\nx\ny\nz\n'],
    ['an IFC head alone', 'ISO-10303-21;\nHEADER;\nENDSEC;\nEND-ISO-10303-21;'],
    ['an IFC without walls', ifc.replace(/=IFCWALL\(/g, '=IFCSLAB(')],
    ['an IFC whose walls have no axis', ifc.replaceAll("'Axis'", "'Box'")],
    ['an IFC cut off', ifc.slice(0, 900)],
    ['an IFC with lines that point nowhere', ifc.replace(/#(\d+)=IFCPOLYLINE\([^;]*;/g, '')],
  ];

  it.each(bad)('%s', async (_, text) => {
    const outcome = await readOutline(bytesOf(text), ask());
    expect(outcome.ok, JSON.stringify(outcome).slice(0, 300)).toBe(false);
    if (outcome.ok) return;
    for (const { where, what } of outcome.problems) {
      expect(where).not.toBe('');
      expect(what).toMatch(/[.?]$/);
      expect(what).not.toMatch(/undefined|NaN|null|Error|object Object/);
    }
  });

  it('survives thirty cuts and changes of a model that was good', async () => {
    // Spread over the file by the golden ratio, so that every run is the same and none is flaky.
    for (let turn = 0; turn < 30; turn++) {
      const at = Math.floor(ifc.length * ((turn * 0.618034) % 1));
      const changed =
        turn % 3 === 0
          ? ifc.slice(0, at)
          : turn % 3 === 1
            ? `${ifc.slice(0, at)}(((${ifc.slice(at + 40)}`
            : ifc.replaceAll(`#${String(turn * 7)}=`, `#${String(turn * 7 + 100_000)}=`);
      const outcome = await readOutline(bytesOf(changed), ask());
      if (outcome.ok) expect(outcome.answer.understood.outlines.length).toBeGreaterThan(0);
      else expect(outcome.problems[0]?.what ?? '').toMatch(/[.?]$/);
    }
  });

  it('survives any cut and any changed sign of a file that was good', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(good, points(['A,0,0', 'B,0,9', 'C,9,9', 'D,9,0']), "44' R 20' R 44' R 20' R"),
        fc.nat(),
        fc.integer({ min: 0, max: 255 }),
        fc.boolean(),
        async (text, at, sign, cut) => {
          const bytes = bytesOf(text);
          const place = at % bytes.length;
          const changed = cut ? bytes.slice(0, place) : bytes.with(place, sign);
          const outcome = await readOutline(changed, ask());
          if (outcome.ok) expect(outcome.answer.understood.outlines.length).toBeGreaterThan(0);
          else expect(outcome.problems.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: 150 },
    );
  });
});

import type { Shot } from '../../../src/stages/footing/plan';
import { applyEdit } from '../../../src/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSurveyFile, writeSurveyFile } from '../../../src/stages/footing';
import { type Length, feet, inches, millimetres, storeLength, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { type WorkedPlan, work } from '../../../src/work';
import { type Side, HATCHERY, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [288, 90],
  [480, 90],
  [288, 90],
];

type Reading = readonly [wall: string, atIn: number, readingIn: number];

const shotsOf = (readings: readonly Reading[]): readonly Shot[] =>
  readings.map(([wall, at, reading], index) => ({
    id: `s${String(index)}`,
    wall,
    at: storeLength(inches(at), 'imperial'),
    reading: storeLength(inches(reading), 'imperial'),
  }));

const surveyed = (
  readings: readonly Reading[],
  change: Partial<Plan> = {},
  pass: 'shots' | 'after' = 'shots',
): WorkedPlan =>
  work(
    planOf(RECTANGLE, {
      ...withCourses(3),
      footing: { kind: 'strip', [pass]: shotsOf(readings) },
      ...change,
    }),
  );

const surveyIn = (worked: WorkedPlan) => {
  const { survey } = worked.footing;
  if (!survey) throw new Error('no survey');
  return survey;
};

const SIXTEENTH = inches(1 / 16);

/** Readings round the rectangle, one a corner and some between, within an inch. */
const anyReadings = fc
  .array(
    fc.record({
      wall: fc.constantFrom('w1', 'w2', 'w3', 'w4'),
      share: fc.integer({ min: 0, max: 96 }),
      reading: fc.integer({ min: 0, max: 64 }),
    }),
    { minLength: 2, maxLength: 60 },
  )
  .map((list) => [
    ...new Map(
      list.map(({ wall, share, reading }): readonly [string, Reading] => [
        `${wall}:${String(share)}`,
        [wall, ((wall === 'w1' || wall === 'w3' ? 480 : 288) * share) / 96, 50 + reading / 64],
      ]),
    ).values(),
  ]);

describe('a level survey', () => {
  it('shims every block to the high point within 1/16 in, and nothing at the high point', () => {
    fc.assert(
      fc.property(anyReadings, (readings) => {
        const { survey, problems } = surveyed(readings).footing;
        if (!survey?.high) {
          expect(readings.length).toBeLessThan(2);
          return;
        }
        expect(problems).toEqual([]);
        const high = survey.high.height;
        const covered = new Set<string>();
        for (const block of survey.blocks) {
          covered.add(block.piece);
          for (const place of block.places) {
            expect(place.shim % SIXTEENTH).toBe(0);
            expect(place.shim).toBeGreaterThanOrEqual(0);
            expect(Math.abs(place.height + place.shim - high)).toBeLessThanOrEqual(SIXTEENTH / 2);
          }
        }
        // Every piece of the first course is told, and the footing never rises above the line that it is laid to.
        const first = surveyed(readings).courses.pieces.filter((piece) => piece.course === 1);
        expect(covered.size).toBe(first.length);
        for (const shot of survey.shots) expect(shot.height).toBeLessThanOrEqual(high);
      }),
      { numRuns: 60 },
    );
  });

  it('takes a smaller reading for a higher spot, and the footing between two as straight', () => {
    const survey = surveyIn(
      surveyed([
        ['w1', 0, 50],
        ['w1', 240, 50.5],
        ['w2', 0, 50],
        ['w3', 0, 50],
        ['w4', 0, 50],
      ]),
    );
    expect(survey.high?.reading).toBe(inches(50));
    expect(toInches(survey.outOfLevel)).toBe(0.5);
    const places = survey.blocks.flatMap((block) => block.places).filter((place) => place.wall === 'w1');
    for (const place of places) {
      const at = toInches(place.at);
      const drop = at <= 240 ? at / 480 : (480 - at) / 480;
      expect(Math.abs(toInches(place.shim) - drop)).toBeLessThanOrEqual(1 / 32 + 1e-9);
    }
    const counted = survey.thicknesses.reduce((sum, each) => sum + each.shim * each.places, 0);
    expect(counted).toBe(survey.total);
  });

  it('levels a stepped footing to one line: the planned steps are taken out, what a step is off is shimmed', () => {
    const plan = planOf(RECTANGLE, { ...withCourses(4) });
    const stepped = applyEdit(
      {
        ...plan,
        footing: {
          kind: 'strip',
          shots: shotsOf([
            ['w1', 12, 50],
            ['w1', 200, 50],
            // 16 in up by plan; this one is 1/4 in too low.
            ['w1', 260, 34.25],
            ['w2', 100, 34.25],
            ['w3', 100, 34.25],
            ['w3', 400, 50],
            ['w4', 100, 50],
          ]),
        },
      },
      {
        kind: 'all',
        edits: [
          { kind: 'set-wall', row: 'w1', change: { footing: [{ id: 'a', at: '20ft', step: 'up 16in' }] } },
          { kind: 'set-wall', row: 'w3', change: { footing: [{ id: 'b', at: '20ft', step: 'down 16in' }] } },
        ],
      },
    );
    const worked = work(stepped);
    const survey = surveyIn(worked);
    expect(survey.outOfLevel).toBe(inches(0.25));
    const shimOn = (wall: string): ReadonlySet<Length> =>
      new Set(
        survey.blocks
          .flatMap((block) => block.places)
          .filter((place) => place.wall === wall)
          .map((place) => place.shim),
      );
    expect(shimOn('w2')).toEqual(new Set([inches(0.25)]));
    expect(shimOn('w4')).toEqual(new Set([0]));
    // A step of a whole number of courses leaves no rip.
    expect(worked.levels.rest).toBeNull();
    expect(worked.notices.filter((notice) => notice.id.startsWith('step-off-course'))).toEqual([]);
    expect(new Set(worked.courses.pieces.map((piece) => piece.top - piece.bottom))).toEqual(
      new Set([worked.courses.courseHeight]),
    );
  });

  it('carries readings round the first corner, and none across a step', () => {
    // The high footing runs from 20 ft on C–D round A to 20 ft on A–B; the low one is measured a quarter inch lower still.
    const plan = applyEdit(
      planOf(RECTANGLE, {
        ...withCourses(4),
        footing: {
          kind: 'strip',
          shots: shotsOf([
            ['w1', 144, 50],
            ['w4', 144, 50.5],
            ['w2', 100, 66.25],
          ]),
        },
      }),
      {
        kind: 'all',
        edits: [
          { kind: 'set-wall', row: 'w1', change: { footing: [{ id: 'a', at: '20ft', step: 'down 16in' }] } },
          { kind: 'set-wall', row: 'w3', change: { footing: [{ id: 'b', at: '20ft', step: 'up 16in' }] } },
        ],
      },
    );
    const { blocks } = surveyIn(work(plan));
    const shims = (wall: string, from: number, to: number): readonly (readonly [number, number])[] =>
      blocks
        .filter((block) => block.wall === wall)
        .flatMap((block) => block.places)
        .filter((place) => toInches(place.at) > from && toInches(place.at) < to)
        .map((place) => [toInches(place.at), toInches(place.shim)] as const);
    // From 144 in on D–A to 144 in on A–B it rises by half an inch over 288 in, straight through the corner at A.
    for (const [at, shim] of shims('w4', 144, 288))
      expect(Math.abs(shim - (0.5 * (432 - at)) / 288)).toBeLessThan(0.032);
    for (const [at, shim] of shims('w1', -1, 144))
      expect(Math.abs(shim - (0.5 * (144 - at)) / 288)).toBeLessThan(0.032);
    // On either side of the step each block is shimmed to its own footing.
    const atStep = blocks.filter((block) => block.wall === 'w1').flatMap((block) => block.places);
    const there = atStep.filter((place) => toInches(place.at) === 240).map((place) => toInches(place.shim));
    expect(new Set(there)).toEqual(new Set([0, 0.25]));
  });

  it('finds the hump that is worth shaving and what it saves', () => {
    const flat = ['w1', 'w2', 'w3', 'w4'].flatMap((wall): Reading[] =>
      [0, 48, 96, 144, 192, 240].map((at) => [wall, at, 50.25]),
    );
    const humped = flat.map(([wall, at, reading]): Reading =>
      wall === 'w2' && at === 96 ? [wall, at, 50] : [wall, at, reading],
    );
    // The slopes beside the hump are eight feet long in all, so a grinder may take its upper half.
    const worked = surveyed(humped);
    const { shaving } = surveyIn(worked);
    expect(shaving?.lowers).toBe(inches(0.125));
    expect(shaving?.humps).toEqual([{ wall: 'w2', from: inches(72), to: inches(120), depth: inches(0.125) }]);
    expect(shaving?.saves).toBeGreaterThan(inches(2));
    expect(worked.notices.some((notice) => notice.id === 'footing-hump')).toBe(true);
    expect(surveyIn(surveyed(flat)).shaving).toBeNull();
  });

  it('tells places past the job’s limit, and stops where the footing must be mended', () => {
    const readings: readonly Reading[] = [
      ['w1', 0, 50],
      ['w2', 0, 50],
      ['w3', 0, 50.375],
      ['w4', 0, 50],
    ];
    const mind = surveyed(readings);
    expect(surveyIn(mind).pastLimit.length).toBeGreaterThan(0);
    expect(surveyIn(mind).pastMost).toEqual([]);
    expect(mind.notices.find((notice) => notice.id === 'footing-out-of-level')?.severity).toBe('check');
    const stop = surveyed(
      readings.map(([wall, at, reading]): Reading => [wall, at, 50 + (reading - 50) * 2]),
    );
    expect(stop.notices.find((notice) => notice.id === 'footing-out-of-level')?.severity).toBe('stop');
    const lenient = surveyed(readings, { rules: { 'footing.level.limit': '1/2in' } });
    expect(surveyIn(lenient).pastLimit).toEqual([]);
  });

  it('says what is left after shimming', () => {
    const worked = surveyed(
      [
        ['w1', 0, 34],
        ['w2', 0, 34.0625],
        ['w3', 0, 34],
      ],
      {},
      'after',
    );
    expect(worked.footing.after?.outOfLevel).toBe(SIXTEENTH);
    expect(worked.footing.ready.find((item) => item.id === 'after')?.measured).toBe('right');
  });

  it('leaves out what cannot be used, each with a sentence', () => {
    const one = surveyed([['w1', 12, 50]]);
    expect(one.footing.problems.map((problem) => problem.kind)).toEqual(['one-reading']);
    const worked = work(
      planOf(RECTANGLE, {
        footing: {
          kind: 'strip',
          shots: [
            ...shotsOf([
              ['w1', 0, 50],
              ['w1', 0, 50.5],
              ['w2', 289, 50],
              ['gone', 0, 50],
            ]),
            { id: 'x', wall: 'w3', at: '3ft', reading: 'four foot something' },
            { id: 'y', wall: 'w3', at: '4ft', reading: '4ft 2in' },
          ],
        },
      }),
    );
    expect(worked.footing.problems.map((problem) => problem.kind).sort()).toEqual([
      'shot-off-wall',
      'shot-unreadable',
      'shots-twice',
      'shots-without-wall',
    ]);
    expect(surveyIn(worked).shots).toHaveLength(2);
    for (const notice of worked.notices) expect(notice.what).toMatch(/^[A-Z“0-9].*[.)]$/);
  });

  it('names the walls that a stepped footing’s survey misses', () => {
    const plan = planOf(HATCHERY, {
      ...withCourses(6),
      footing: {
        kind: 'strip',
        shots: shotsOf([
          ['w1', 0, 50],
          ['w1', 40, 50],
        ]),
      },
    });
    const stepped = applyEdit(plan, {
      kind: 'all',
      edits: [
        { kind: 'set-wall', row: 'w5', change: { footing: [{ id: 'a', at: '6ft', step: 'down 16in' }] } },
        { kind: 'set-wall', row: 'w6', change: { footing: [{ id: 'b', at: '30ft', step: 'up 16in' }] } },
      ],
    });
    const { problems } = work(stepped).footing;
    expect(problems).toEqual([{ kind: 'not-surveyed', pass: 'footing', walls: ['E–F', 'F–A'] }]);
  });
});

describe('a survey file', () => {
  const { shell } = work(planOf(RECTANGLE));
  const read = (text: string, units: 'imperial' | 'metric' = 'imperial') =>
    readSurveyFile(text, shell, units);

  it('comes back as it was written', () => {
    fc.assert(
      fc.property(anyReadings, (readings) => {
        const shots = shotsOf(readings);
        const back = read(writeSurveyFile(shots, shell, 'imperial'));
        expect(back).toEqual({
          ok: true,
          shots: shots.map(({ wall, at, reading }) => ({ wall, at, reading })),
        });
      }),
      { numRuns: 30 },
    );
  });

  it('takes stations round the outline, commas, semicolons or tabs, and units in the heading', () => {
    const expected = {
      ok: true,
      shots: [
        { wall: 'w1', at: '0ft', reading: '1200mm' },
        { wall: 'w2', at: '0ft', reading: '1204.5mm' },
      ],
    };
    const station = String(toInches(feet(40)));
    for (const mark of [',', ';', '\t']) {
      const back = read(`Station (in)${mark}Reading (mm)\n0${mark}1200\n${station}${mark}1204.5\n`);
      if (!back.ok) throw new Error(JSON.stringify(back.problems));
      expect(back.shots.map((shot) => shot.wall)).toEqual(expected.shots.map((shot) => shot.wall));
      expect(back.shots.map((shot) => shot.reading)).toEqual([
        storeLength(millimetres(1200), 'imperial'),
        storeLength(millimetres(1204.5), 'imperial'),
      ]);
    }
    expect(read('wall\tat\treading\nA-B\t3ft 2in\t4\' 2 1/8"\nb – c\t5ft\t4\' 2"').ok).toBe(true);
  });

  it.each([
    ['', 1, /empty/],
    ['place,height\n1,2', 1, /first row must name the columns/],
    ['wall,at,reading\n', 2, /no readings/],
    ['wall,at,reading\nA-B,3ft,4ft\nA-B,5ft,1220mm', 3, /mixes units/],
    ['wall,at,reading\nA-B,3ft,4ft\nA-B,5,4ft', 3, /mixes units/],
    ['wall,at,reading\nA-Z,3ft,4ft', 2, /no wall “A-Z”; the walls are A–B/],
    ['wall,at,reading\nA-B,41ft,4ft', 2, /lies off wall A–B/],
    ['wall,at,reading\nA-B,3ft,4ft xx', 2, /cannot be read/],
    ['wall,at,reading\nA-B,,', 2, /missing/],
    ['station,reading\n200ft,4ft', 2, /past the end/],
  ])('refuses %j at row %i', (text, row, what) => {
    const back = read(text);
    if (back.ok) throw new Error('taken');
    expect(back.problems[0]?.row).toBe(row);
    expect(back.problems[0]?.what).toMatch(what);
  });

  it('tells the first wrong rows and counts the rest', () => {
    const rows = Array.from({ length: 30 }, () => 'A-Z,1ft,4ft').join('\n');
    const back = read(`wall,at,reading\n${rows}`);
    expect(back.ok).toBe(false);
    if (!back.ok) expect(back.problems.at(-1)?.what).toBe('and 18 more rows are wrong.');
    const many = Array.from({ length: 5_001 }, () => 'A-B,1ft,4ft').join('\n');
    const refused = read(`wall,at,reading\n${many}`);
    expect(refused.ok || refused.problems[0]?.what).toMatch(/5001 rows/);
  });
});

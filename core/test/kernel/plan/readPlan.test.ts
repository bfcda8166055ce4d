import { writePlan } from '../../../src/plan';
import { planJsonSchema, readPlan, readPlanText } from '../../../src/planFile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { HATCHERY, planOf } from '../../support/plans';

const FILE = {
  format: 'ombra.plan',
  version: 2,
  name: 'Test',
  units: 'imperial',
  measuredTo: 'form',
  family: 'module-48',
  core: '8in',
  courses: 7,
  outline: { closed: true, walk: [{ length: '44ft', turn: 'right 90' }] },
};

const problems = (document: unknown): readonly { where: string; what: string }[] => {
  const reading = readPlan(document);
  return reading.ok ? [] : reading.problems;
};

const plan = (document: unknown): Plan => {
  const reading = readPlan(document);
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
  return reading.plan;
};

describe('reading a plan file', () => {
  it('fills in ids, loops and pours that a hand-written file leaves out', () => {
    expect(plan(FILE)).toEqual({
      name: 'Test',
      units: 'imperial',
      measuredTo: 'form',
      family: 'module-48',
      core: '8in',
      loops: [{ id: 'loop-1', closed: true, walk: [{ id: 'wall-1', length: '44ft', turn: 'right 90' }] }],
      pours: [{ id: 'pour-1', toCourse: 7, top: 'full' }],
      rules: {},
    });
  });

  it('takes a walk for one that comes home, unless it is told to be open or meets a wall', () => {
    const walk = [{ id: 'w1', length: '44ft', turn: 'right 90' }];
    const rest = { ...FILE, outline: undefined };
    const closed = (loop: object): boolean | undefined =>
      plan({ ...rest, loops: [{ walk }, { ...loop, walk: [{ length: '9ft', turn: 'straight' }] }] }).loops[1]
        ?.closed;
    expect([closed({}), closed({ closed: true }), closed({ closed: false })]).toEqual([true, true, false]);
    expect(closed({ tee: { start: { wall: 'w1', at: '20ft' } } })).toBe(false);
  });

  it('gives ids that no other row has', () => {
    const walk = [
      { length: '1ft', turn: 'right 90' },
      { id: 'wall-1', length: '2ft', turn: 'right 90' },
      { length: '3ft', turn: 'right 90' },
    ];
    const read = plan({ ...FILE, outline: { closed: true, walk } });
    expect(read.loops[0]?.walk.map((row) => row.id)).toEqual(['wall-2', 'wall-1', 'wall-3']);
  });

  it('pins a bare number to the units of the job, and leaves what has a unit as it is written', () => {
    const walk = [
      { length: '44', turn: 'right 90' },
      { length: "21'5-1/2", turn: 'right 90' },
      { length: '5-1/2', turn: 'right 90' },
    ];
    expect(
      plan({ ...FILE, outline: { closed: true, walk } }).loops[0]?.walk.map((row) => row.length),
    ).toEqual(['44ft', "21'5-1/2", '5-1/2']);
    expect(
      plan({ ...FILE, units: 'metric', outline: { closed: true, walk } }).loops[0]?.walk[0]?.length,
    ).toBe('44mm');
  });

  it('keeps what cannot be worked: storable is not workable', () => {
    const walk = [{ length: 'half a mi', turn: 'sideways' }];
    expect(
      problems({ ...FILE, courses: -3, family: 'nobody', core: 'thick', outline: { closed: false, walk } }),
    ).toEqual([]);
  });

  it('holds pours, loops, cores by wall and house rules', () => {
    const loop = { closed: true, walk: [{ length: '9ft', turn: 'left 45', core: '6in' }] };
    const read = plan({
      ...FILE,
      courses: undefined,
      outline: undefined,
      loops: [loop, { ...loop, name: 'Garage' }],
      pours: [
        { name: 'Out of the ground', toCourse: 4, top: 'half' },
        { name: 'Up', toCourse: 7 },
      ],
      rules: { 'courses.ear.longest': '5in' },
    });
    expect(read.loops.map((each) => each.id)).toEqual(['loop-1', 'loop-2']);
    expect(read.loops[1]).toMatchObject({ name: 'Garage', walk: [{ id: 'wall-2', core: '6in' }] });
    expect(read.pours).toEqual([
      { id: 'pour-1', name: 'Out of the ground', toCourse: 4, top: 'half' },
      { id: 'pour-2', name: 'Up', toCourse: 7, top: 'full' },
    ]);
    expect(plan(writePlan(read))).toEqual(read);
  });
});

describe('a malformed plan file', () => {
  it.each([
    ['no object', [1, 2], 'the plan', /JSON object/],
    ['another format', { ...FILE, format: 'other' }, 'format', /not an Ombra plan/],
    ['a newer version', { ...FILE, version: 3 }, 'version', /newer Ombra \(version 3\).*up to version 2/],
    ['an unknown key', { ...FILE, colour: 'blue' }, 'the plan', /does not know “colour”/],
    ['a missing name', { ...FILE, name: undefined }, 'name', /missing or not a string/],
    ['a wrong word', { ...FILE, measuredTo: 'roof' }, 'measuredTo', /“form” or “concrete” or “centre”/],
    [
      'a number for a length',
      { ...FILE, outline: { closed: true, walk: [{ length: 4, turn: 'left 90' }] } },
      'outline.walk[0].length',
      /must be a string/,
    ],
    ['text that is too long', { ...FILE, name: 'x'.repeat(121) }, 'name', /at most 120/],
    [
      'both short and long form',
      { ...FILE, pours: [{ toCourse: 3 }] },
      'courses',
      /either “courses” or “pours”/,
    ],
    ['neither outline nor loops', { ...FILE, outline: undefined }, 'outline', /either “outline” or “loops”/],
    ['no pour', { ...FILE, courses: undefined, pours: [] }, 'pours', /at least 1/],
    [
      'an id used twice',
      {
        ...FILE,
        outline: {
          closed: true,
          walk: [
            { id: 'a', length: '', turn: '' },
            { id: 'a', length: '', turn: '' },
          ],
        },
      },
      'outline',
      /“a” is used twice/,
    ],
  ])('%s is refused with its place', (_, document, where, what) => {
    const [first] = problems(document);
    expect(first?.where).toBe(where);
    expect(first?.what).toMatch(what);
  });

  it('names every problem at once', () => {
    expect(problems({ ...FILE, units: 'ells', core: 8 }).map((problem) => problem.where)).toEqual([
      'units',
      'core',
    ]);
  });

  it('that is no JSON says so in words', () => {
    const reading = readPlanText('{ "format": ');
    expect(reading).toMatchObject({ ok: false, problems: [{ where: 'the plan' }] });
    expect(readPlanText(`\ufeff${JSON.stringify(FILE)}`).ok).toBe(true);
  });

  it('never throws, whatever is sent', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.constantFrom(...Object.keys(FILE)), (value, key) => {
        expect(typeof readPlan(value).ok).toBe('boolean');
        expect(typeof readPlan({ ...FILE, [key]: value }).ok).toBe('boolean');
      }),
      { numRuns: 500 },
    );
  });
});

describe('writing a plan file', () => {
  it('uses the short forms where they say everything', () => {
    expect(writePlan(planOf(HATCHERY))).toMatchObject({ courses: 6, outline: { id: 'loop', closed: true } });
    expect(writePlan(planOf(HATCHERY))).not.toHaveProperty('loops');
    const half = planOf(HATCHERY, { pours: [{ id: 'pour-1', toCourse: 4, top: 'half' }] });
    expect(writePlan(half)).toMatchObject({ pours: [{ toCourse: 4, top: 'half' }] });
  });

  it('reads back to the same plan', () => {
    const name = fc.string({ maxLength: 40 });
    const text = fc.string({ maxLength: 30 }).filter((each) => !/^[\s\d.,]+$/.test(each));
    const row = fc.record({ id: fc.uuid(), length: text, turn: fc.string({ maxLength: 20 }) });
    const loop = fc.record({ id: fc.uuid(), closed: fc.boolean(), walk: fc.array(row, { maxLength: 5 }) });
    const pour = fc.record({
      id: fc.uuid(),
      toCourse: fc.integer(),
      top: fc.constantFrom('full' as const, 'half' as const),
    });
    const anyPlan = fc.record({
      name,
      units: fc.constantFrom('imperial' as const, 'metric' as const),
      measuredTo: fc.constantFrom('form' as const, 'concrete' as const, 'centre' as const),
      family: name,
      core: text,
      loops: fc.array(loop, { minLength: 1, maxLength: 3 }),
      pours: fc.array(pour, { minLength: 1, maxLength: 3 }),
      rules: fc.dictionary(
        fc.string({ minLength: 1, maxLength: 20 }).filter((key) => key !== '__proto__'),
        fc.oneof(name, fc.integer()),
      ),
    });
    fc.assert(
      fc.property(anyPlan, (written) => {
        const read: unknown = JSON.parse(JSON.stringify(writePlan(written)));
        expect(plan(read)).toEqual(written);
      }),
    );
  });
});

describe('the published schema', () => {
  it('describes the file, refuses unknown keys and says what each part is', () => {
    const schema = planJsonSchema() as {
      additionalProperties: boolean;
      required: string[];
      properties: Record<string, unknown>;
    };
    expect(schema.additionalProperties).toBe(false);
    expect(schema.required).toEqual(['format', 'version', 'name', 'units', 'measuredTo', 'family', 'core']);
    expect(Object.keys(schema.properties)).toEqual(
      expect.arrayContaining(['courses', 'pours', 'outline', 'loops', 'openings', 'rules']),
    );
    expect(JSON.stringify(schema)).toContain('44ft 5 1/2in');
  });
});

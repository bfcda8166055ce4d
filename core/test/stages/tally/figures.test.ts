import { evaluate } from '../../../src/kernel/figures/how';
import { selects } from '../../../src/stages/tally/selects';
import { figuresOf } from '../../../src/stages/tally/tally';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import type { Figure } from '../../../src/kernel/figures/figure';
import type { How, PieceSelector } from '../../../src/kernel/figures/how';
import { cutReasonText, explainLine, showQuantity } from '../../../src/kernel/figures/explain';
import { work } from '../../../src/work';
import { type Side, HATCHERY, planOf, rectilinear, withCourses } from '../../support/plans';

const close = (figure: Figure): void => {
  const found = evaluate(figure.how);
  if (figure.unit === 'volume' || figure.unit === 'area')
    expect(Math.abs(found - figure.value)).toBeLessThanOrEqual(1e-9 * Math.max(1, figure.value));
  else expect(found).toBe(figure.value);
};

/** Every node of a tree with the selector that its place in the tree narrows to. */
const narrowed = (how: How, from: PieceSelector): readonly (readonly [How, PieceSelector])[] => {
  const selector = { ...from, ...how.pieces };
  return [[how, selector], ...(how.op === 'given' ? [] : how.of.flatMap((part) => narrowed(part, selector)))];
};

describe('every figure of the tally', () => {
  const worked = (sides: readonly Side[], change: Partial<Plan> = {}) => work(planOf(sides, change));

  it('is what its how works out to, and counts just the pieces that it selects', () => {
    fc.assert(
      fc.property(
        rectilinear(),
        fc.integer({ min: 1, max: 4 }),
        fc.constantFrom('form', 'centre'),
        (sides, courses, measuredTo) => {
          const { tally, courses: laid } = worked(sides, { ...withCourses(courses), measuredTo });
          const figures = figuresOf(tally);
          expect(figures.length).toBe(3 + 6 * courses + 7);
          for (const figure of figures) {
            close(figure);
            if (figure.unit !== 'count' || figure.id === 'total.blocksBought') continue;
            expect(laid.pieces.filter((piece) => selects(figure.pieces, piece)).length).toBe(figure.value);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('explains terms that count just the pieces they select', () => {
    const { tally, courses } = worked(HATCHERY);
    for (const figure of figuresOf(tally)) {
      for (const [node, selector] of narrowed(figure.how, figure.pieces)) {
        if (node.unit !== 'count' || node.pieces === undefined) continue;
        expect(courses.pieces.filter((piece) => selects(selector, piece)).length).toBe(evaluate(node));
      }
    }
  });

  it('holds for outlines that are not square', () => {
    const hexagon = Array.from({ length: 6 }, (): Side => [240, 60]);
    const { tally, courses } = worked(hexagon);
    for (const figure of figuresOf(tally)) {
      close(figure);
      if (figure.unit !== 'count' || figure.id === 'total.blocksBought') continue;
      expect(courses.pieces.filter((piece) => selects(figure.pieces, piece)).length).toBe(figure.value);
    }
  });

  it('tells the walls as a whole: form face, core, height', () => {
    const { tally, shell } = worked(HATCHERY, withCourses(7));
    const { perimeter, coreArea, height } = tally.outline;
    expect([perimeter.value, height.value]).toEqual([inches(1824), inches(112)]);
    expect(Math.abs(coreArea.value / (shell.loops[0]?.built?.coreArea ?? 0) - 1)).toBeLessThan(1e-9);
    expect(explainLine(height.how, 'imperial')?.terms.map((term) => term.value)).toEqual(['7', '1′ 4″']);
  });

  it('buys a whole block for every cut where offcuts are not used, and fewer where they are', () => {
    const { total } = worked(HATCHERY, {
      ...withCourses(7),
      rules: { 'offcuts.perBlock': 1 },
    }).tally;
    expect(total.blocksBought.value).toBe(182 + 42);
    // Two walls with a cut of 14 in and two of 32 in: each fresh one of courses 1 and 2 shares its block with
    // one of the other length from course 3 up, 14 + 32 being under 48.
    const sides: readonly Side[] = [
      [64 + 48 * 4 + 14, 90],
      [64 + 48 * 4 + 32, 90],
      [64 + 48 * 4 + 14, 90],
      [64 + 48 * 4 + 32, 90],
    ];
    const bought = worked(sides, withCourses(4)).tally.total.blocksBought;
    expect(bought.value).toBe(64 + 8);
    expect(explainLine(bought.how, 'imperial')?.terms.map((term) => `${term.name} ${term.value}`)).toEqual([
      'whole blocks laid 64',
      'blocks opened for cuts 8',
    ]);
  });

  it('is named by course and kind, and lists the rules behind it', () => {
    const { tally } = worked(HATCHERY);
    expect(tally.courses[2]?.cut).toMatchObject({
      id: 'course.3.cut',
      title: 'Cut pieces in course 3',
      pieces: { course: 3, kind: 'cut' },
    });
    expect(tally.courses[2]?.cut.rules).toContain('courses.filler.shortest');
    expect(tally.total.coreVolume.title).toBe('Concrete in the core in all courses');
  });
});

describe('the arithmetic of a why', () => {
  const length = (value: number): How => ({
    op: 'given',
    name: 'length',
    unit: 'length',
    value: inches(value),
  });

  it('keeps lengths exact and turns products into areas and volumes', () => {
    expect(evaluate({ op: 'quotient', name: '', unit: 'ratio', of: [length(480), length(48)] })).toBe(10);
    expect(
      evaluate({ op: 'difference', name: '', unit: 'length', of: [length(480), length(48), length(8)] }),
    ).toBe(inches(424));
    expect(
      evaluate({ op: 'product', name: '', unit: 'volume', of: [length(36), length(36), length(36)] }),
    ).toBeCloseTo(0.764554857984, 12);
    expect(
      evaluate({
        op: 'product',
        name: '',
        unit: 'length',
        of: [{ op: 'given', name: '', unit: 'count', value: 4 }, length(13)],
      }),
    ).toBe(inches(52));
    expect(evaluate({ op: 'sum', name: '', unit: 'count', of: [] })).toBe(0);
    expect(evaluate({ op: 'difference', name: '', unit: 'count', of: [] })).toBe(0);
    expect(evaluate({ op: 'quotient', name: '', unit: 'ratio', of: [] })).toBeNaN();
    expect(evaluate({ op: 'whole-part', name: '', unit: 'count', of: [] })).toBeNaN();
  });
});

describe('a why in words', () => {
  const { tally } = work(planOf(HATCHERY, withCourses(7)));
  const course = tally.courses[4];
  if (!course) throw new Error('no course 5');

  it('fills the numbers in, wall by wall, down to the clear run', () => {
    const line = explainLine(course.straight.how, 'imperial');
    expect(line?.op).toBe('sum');
    expect(line?.terms.map((term) => `${term.name} ${term.value}`)).toEqual([
      'A–B 9',
      'B–C 3',
      'C–D 2',
      'D–E 1',
      'E–F 5',
      'F–A 6',
    ]);
    expect(line?.result).toBe('26');
    const blocks = line?.terms[0]?.line;
    expect([blocks?.op, blocks?.result]).toEqual(['whole-part', '9']);
    const ratio = blocks?.terms[0]?.line;
    expect(ratio?.terms.map((term) => `${term.name} ${term.value}`)).toEqual([
      'clear run 38′ 8″',
      'block 4′',
    ]);
    expect(ratio?.terms[0]?.line?.terms.map((term) => `${term.name} ${term.value}`)).toEqual([
      'form-face length 44′',
      'leg at its start 3′ 4″',
      'leg at its end 2′',
    ]);
  });

  it('says why a wall has its cuts, in the units of the job', () => {
    const line = explainLine(course.cut.how, 'imperial');
    expect(line?.terms[2]).toMatchObject({ name: 'C–D', value: '1', note: 'rest 45″: one filler' });
    expect(explainLine(course.cut.how, 'metric')?.terms[2]?.note).toBe('rest 1143 mm: one filler');
  });

  it('lets a calculator follow the concrete: feet multiply to cubic feet, then yards', () => {
    const line = explainLine(course.coreVolume.how, 'imperial');
    expect(line?.terms.map((term) => term.value)).toEqual(['98.44 ft²', '1′ 4″']);
    expect(line?.result).toBe('131.26 ft³ = 4.86 yd³');
    expect(line?.terms[0]?.line?.terms.map((term) => `${term.name} ${term.value}`)).toEqual([
      'core 8″',
      'centre line 147′ 8″',
    ]);
    expect(explainLine(course.coreVolume.how, 'metric')?.result).toBe('3.72 m³');
  });

  it('has a sentence for each of the six steps', () => {
    const texts = ([1, 2, 3, 4, 5, 6] as const).map((step) =>
      cutReasonText({ step, rest: inches(10), cuts: [inches(29), inches(29)] }, 'imperial'),
    );
    expect(new Set(texts).size).toBe(6);
    expect(texts[2]).toBe('rest 10″ is no good length: a block more makes 29″ and 29″');
  });

  it('shows every kind of quantity with its unit', () => {
    expect(showQuantity(9.145, 'area', 'metric')).toBe('9.145 m²');
    expect(showQuantity(9.667, 'ratio', 'imperial')).toBe('9.667');
    expect(showQuantity(26, 'count', 'metric')).toBe('26');
  });
});

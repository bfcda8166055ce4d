import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findFamily } from '../../../src/kernel/forms';
import { feet, inches, toInches } from '../../../src/kernel/measure';
import {
  type LapBasis,
  BAR_SIZES,
  barSize,
  bendDeduction,
  chaseFor,
  endsOf,
  hookLeg,
  lapLength,
  lengthOfBar,
  lessSteel,
  sizeInSystem,
  sizesOfSystem,
  slotOf,
  slotOffsets,
  splitRun,
  standardHook,
  stirrupHook,
  systemsIn,
  tensionSide,
  wayWidth,
  widestGap,
} from '../../../src/stages/steel';
import reference from '../../data/trade-values.json';

const sized = (id: string) => {
  const size = barSize(id);
  if (!size) throw new Error(id);
  return size;
};

describe('sizes of bars', () => {
  // Source: ASTM A615; CSA G30.18.
  it.each([
    ['#3', 0.11, 0.376],
    ['#4', 0.2, 0.668],
    ['#5', 0.31, 1.043],
    ['#6', 0.44, 1.502],
  ])('%s has %d in² and %d lb/ft', (id, area, mass) => {
    expect(sized(id).area / 645.16).toBeCloseTo(area, 9);
    expect(sized(id).massPerMetre / (0.45359237 / 0.3048)).toBeCloseTo(mass, 9);
  });

  // Source: CSA G30.18.
  it.each([
    ['10M', 100, 0.785],
    ['15M', 200, 1.57],
    ['20M', 300, 2.355],
  ])('%s has %d mm² and %d kg/m', (id, area, mass) => {
    expect([sized(id).area, sized(id).massPerMetre]).toEqual([area, mass]);
  });

  // Source: common practice, d²/162; EN 10080.
  it.each([
    ['10 mm', 10, 0.617],
    ['12 mm', 12, 0.888],
    ['16 mm', 16, 1.578],
  ])('%s weighs what d²/162 says', (id, diameter, mass) => {
    expect(sized(id).massPerMetre).toBeCloseTo(mass, 3);
    expect(sized(id).massPerMetre).toBeCloseTo((diameter * diameter) / 162, 2);
  });

  it('weigh what steel of their area weighs, within what nominal sizes round', () => {
    for (const size of BAR_SIZES) {
      expect(size.massPerMetre / (size.area * 1e-6 * 7850)).toBeCloseTo(1, 1);
    }
  });

  it('of another system may have less steel: 10M for #4 about a fifth', () => {
    expect(lessSteel('10M', '#4')).toBeCloseTo(0.225, 3);
    expect(lessSteel('15M', '#5')).toBeLessThan(0.01);
    expect(lessSteel('#4', '10M')).toBeLessThan(0);
    expect(lessSteel('#99', '#4')).toBe(0);
  });
});

const basis = (change: Partial<LapBasis>): LapBasis => ({
  rule: 'diameters',
  yieldPsi: 60_000,
  concretePsi: 4000,
  typed: inches(33),
  ...change,
});

describe('laps', () => {
  // Source: ACI 318-19 §25.4.2.3 and §25.5.2.1, from memory.
  it.each(reference.lap.cases)(
    'of $bar in $fcPsi psi are class B: $lapIn in, $topLapIn in at the top',
    (each) => {
      const own = basis({ rule: 'class-b', concretePsi: each.fcPsi });
      expect(toInches(lapLength(sized(each.bar), own))).toBeCloseTo(each.lapIn, 2);
      expect(toInches(lapLength(sized(each.bar), own, true))).toBeCloseTo(each.topLapIn, 1);
    },
  );

  // Source: IRC Table R608.5.4(1), from memory.
  it.each(reference.lapPrescriptive.cases)('of $bar are $grade40In and $grade60In in by grade', (each) => {
    expect(lapLength(sized(each.bar), basis({ yieldPsi: 40_000 }))).toBe(inches(each.grade40In));
    expect(lapLength(sized(each.bar), basis({}))).toBe(inches(each.grade60In));
  });

  it('are as typed where they are typed, and bars apart keep near', () => {
    expect(lapLength(sized('#4'), basis({ rule: 'typed' }))).toBe(inches(33));
    expect([widestGap(inches(20)), widestGap(inches(60))]).toEqual([inches(4), inches(6)]);
  });

  it('never come from less than 12 in of development', () => {
    const weak = basis({ rule: 'class-b', yieldPsi: 40_000, concretePsi: 10_000 });
    expect(lapLength(sized('#3'), weak)).toBe(inches(1.3 * 12));
  });
});

describe('bends', () => {
  // Source: ACI 318-19 Tables 25.3.1 and 25.3.2, from memory.
  it('of hooks and stirrups have the code’s diameters and tails', () => {
    expect(standardHook(sized('#4'))).toEqual({ inside: inches(3), tail: inches(6) });
    expect(standardHook(sized('#6'))).toEqual({ inside: inches(4.5), tail: inches(9) });
    expect(stirrupHook(sized('#3'))).toEqual({ inside: inches(1.5), tail: inches(3) });
    expect(stirrupHook(sized('#5'))).toEqual({ inside: inches(2.5), tail: inches(3.75) });
    expect(hookLeg(sized('#4'), standardHook(sized('#4')))).toBe(inches(6 + 1.5 + 0.5));
  });

  it('save what the middle of the bar saves round the quarter circle', () => {
    const size = sized('#5');
    const bend = standardHook(size);
    // Outer radius 2.5 in, middle of the bar 2.1875 in. [geometry of the circle]
    expect(toInches(bendDeduction(size, bend))).toBeCloseTo(5 - (Math.PI / 2) * 2.1875, 6);
    expect(lengthOfBar([inches(40)], size, bend, [])).toBe(inches(40));
    const legs = [inches(40), inches(12), inches(20)];
    expect(toInches(lengthOfBar(legs, size, bend, [90, 90]))).toBeCloseTo(
      72 - 2 * (5 - (Math.PI / 2) * 2.1875),
      6,
    );
  });
});

describe('slots', () => {
  const family = findFamily('module-48');
  if (!family) throw new Error('no family');

  it('share the core evenly, outside to inside', () => {
    expect(slotOffsets(family, inches(6), houseRules()).map(toInches)).toEqual([-2, -1, 0, 1, 2]);
    expect(
      slotOffsets({ ...family, slotsPerWeb: 3 } as never, inches(8), houseRules()).map(toInches),
    ).toEqual([-2, 0, 2]);
  });

  it('are in tension inside where the top is held, on the soil’s side where the wall stands alone', () => {
    expect(tensionSide('top', true)).toBe('inside');
    expect(tensionSide('alone', true)).toBe('outside');
    expect([tensionSide('top', false), tensionSide('unsaid', true)]).toEqual([null, null]);
  });

  it('alternate either side of the middle, or of a line toward the tension side', () => {
    const of = (school: 'alternating' | 'tension' | 'centred', side: 'inside' | 'outside' | null) =>
      [1, 2, 3].map((course) => slotOf(course, 5, school, side));
    expect(of('alternating', 'inside')).toEqual([2, 4, 2]);
    expect(of('tension', 'inside')).toEqual([3, 5, 3]);
    expect(of('tension', 'outside')).toEqual([1, 3, 1]);
    expect(of('tension', null)).toEqual([2, 4, 2]);
    expect(of('centred', 'inside')).toEqual([3, 3, 3]);
    // Too few slots for a line of their own: the one nearest the tension face, never the middle.
    for (const slots of [3, 4]) {
      expect([1, 2, 3].map((nth) => slotOf(nth, slots, 'tension', 'inside'))).toEqual([slots, slots, slots]);
      expect([1, 2, 3].map((nth) => slotOf(nth, slots, 'tension', 'outside'))).toEqual([1, 1, 1]);
    }
  });

  it('are always ones that the web has', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom('alternating' as const, 'tension' as const, 'centred' as const),
        fc.constantFrom('inside' as const, 'outside' as const, null),
        (course, slots, school, side) => {
          const slot = slotOf(course, slots, school, side);
          expect(Number.isInteger(slot) && slot >= 1 && slot <= slots).toBe(true);
          const pulled = school === 'tension' && side !== null;
          if (pulled && slots < 5) expect(slot).toBe(side === 'inside' ? slots : 1);
          else if (slots >= 3 && school !== 'centred') {
            expect(slotOf(course + 1, slots, school, side)).not.toBe(slot);
          }
        },
      ),
    );
  });
});

describe('the way down', () => {
  const bar = (offset: number) => ({ offset: inches(offset), diameter: inches(0.5) });
  const wide = (bars: readonly ReturnType<typeof bar>[], wants = 0.625): number =>
    toInches(wayWidth(chaseFor(inches(8), inches(0.75), bars, inches(wants))));

  it('lies between the bars where there is room, since that locks what stands in it; otherwise the widest', () => {
    // 6 1/2 in between the covers: 2 in, 1 1/2 in between the bars, 2 in.
    expect(wide([bar(-1), bar(1)])).toBe(1.5);
    expect(wide([bar(-1), bar(1)], 1.75)).toBe(2);
    expect(wide([bar(0)])).toBe(3);
    expect(wide([])).toBe(6.5);
    expect(wayWidth(chaseFor(inches(1), inches(0.75), [], inches(0.5)))).toBe(0);
  });

  it('never lies on a bar or in the cover', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -32, max: 32 }), { maxLength: 6 }), (eighths) => {
        const bars = eighths.map((at) => bar(at / 8));
        const way = chaseFor(inches(8), inches(0.75), bars, inches(0.625));
        expect(way.to).toBeGreaterThanOrEqual(way.from);
        expect(Math.max(Math.abs(way.from), Math.abs(way.to))).toBeLessThanOrEqual(inches(3.25));
        for (const each of bars) {
          const clear =
            each.offset + each.diameter / 2 <= way.from + 1 || each.offset - each.diameter / 2 >= way.to - 1;
          expect(wayWidth(way) === 0 || clear).toBe(true);
        }
      }),
    );
  });
});

describe('a run of bar', () => {
  const lap = inches(30);
  const clear = inches(24);

  it('is lapped from stock: pieces fit, laps are whole, and nothing is lost', () => {
    fc.assert(
      fc.property(fc.integer({ min: 12, max: 2400 }), fc.boolean(), (length, second) => {
        const run = inches(length);
        const pieces = splitRun({
          run,
          stock: feet(20),
          lap,
          keepOff: [[], endsOf(run, clear)],
          second,
        }).pieces;
        expect(pieces[0]?.from).toBe(0);
        expect(pieces.at(-1)?.to).toBe(run);
        pieces.forEach((piece, index) => {
          expect(piece.to - piece.from).toBeLessThanOrEqual(feet(20));
          expect(piece.to - piece.from).toBeGreaterThan(0);
          const next = pieces[index + 1];
          if (next) expect(piece.to - next.from).toBe(lap);
          expect(piece.laps).toEqual({ before: index === 0 ? 0 : lap, after: next ? lap : 0 });
        });
        const total = pieces.reduce((sum, piece) => sum + piece.to - piece.from, 0);
        expect(total).toBe(run + (pieces.length - 1) * lap);
      }),
    );
  });

  it('keeps its laps off both ends, and takes no more bars than it must in every other course', () => {
    fc.assert(
      fc.property(fc.integer({ min: 260, max: 2400 }), (length) => {
        const pieces = splitRun({
          run: inches(length),
          stock: feet(20),
          lap,
          keepOff: [[], endsOf(inches(length), clear)],
          second: false,
        }).pieces;
        const least = Math.ceil((length - 30) / (240 - 30));
        expect(pieces.length).toBe(least);
        const [first] = pieces;
        const last = pieces.at(-1);
        for (const piece of [first, last]) {
          expect((piece?.to ?? 0) - (piece?.from ?? 0)).toBeGreaterThanOrEqual(lap + clear);
        }
      }),
    );
  });

  it('laps in other places in the next course', () => {
    fc.assert(
      fc.property(fc.integer({ min: 300, max: 1200 }), (length) => {
        const places = (second: boolean): readonly number[] =>
          splitRun({
            run: inches(length),
            stock: feet(20),
            lap,
            keepOff: [[], endsOf(inches(length), clear)],
            second,
          })
            .pieces.slice(0, -1)
            .map((piece) => piece.to - lap / 2);
        const [odd, even] = [places(false), places(true)];
        const near = even.filter((at) => odd.some((other) => Math.abs(at - other) < lap / 2));
        expect(near.length).toBeLessThan(Math.max(1, even.length));
      }),
    );
  });

  it('is left whole where a lap is longer than the stock', () => {
    expect(
      splitRun({ run: feet(50), stock: feet(2), lap: feet(3), keepOff: [], second: false }).pieces,
    ).toEqual([{ from: 0, to: feet(50), laps: { before: 0, after: 0 } }]);
  });
});

describe('sizes of one system', () => {
  it('stand for those of another with no less steel where there is one', () => {
    for (const { id } of BAR_SIZES) {
      for (const system of ['us', 'canadian', 'metric'] as const) {
        const other = sized(sizeInSystem(id, system));
        expect(other.system).toBe(system);
        // A bar of 20 mm has more than any of the others; #6 and 20M the most of theirs.
        const most = Math.max(...BAR_SIZES.filter((size) => size.system === system).map(({ area }) => area));
        expect(other.area).toBeGreaterThanOrEqual(Math.min(0.98 * sized(id).area, most));
      }
    }
    expect(sizeInSystem('#5', 'canadian')).toBe('15M');
    expect(sizeInSystem('#5', 'metric')).toBe('16 mm');
    expect(sizeInSystem('#4', 'us')).toBe('#4');
  });

  it('are set for every rule that names a size at once', () => {
    const set = Object.fromEntries(sizesOfSystem(houseRules(), 'canadian'));
    expect(systemsIn(houseRules(set))).toEqual(new Set(['canadian']));
    // Told as those of other bars: they follow by themselves.
    expect(set).not.toHaveProperty('steel.dowel.size');
  });
});

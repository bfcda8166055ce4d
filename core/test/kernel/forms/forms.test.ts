import { describe, expect, it } from 'vitest';
import {
  FAMILIES,
  findFamily,
  readFamily,
  skinOf,
  systemOf,
  wallThickness,
  writeFamily,
} from '../../../src/kernel/forms';
import { toInches } from '../../../src/kernel/measure';

describe('the form families that ship', () => {
  // Source: our own generic families; their figures are invented.
  it('are of every kind, with corners that leave room for the wall', () => {
    expect(FAMILIES.map((family) => family.id)).toEqual([
      'module-48',
      'long-96',
      'panel-48',
      'cell-24',
      'element-112',
    ]);
    for (const family of FAMILIES) {
      if (family.kind !== 'flat-wall') continue;
      expect(family.corner90.long).toBeGreaterThan(family.corner90.short);
      expect(family.straightLength % family.webSpacing).toBe(0);
      expect(2 * family.firstWeb).toBe(family.webSpacing);
      // Both courses' legs together keep to the interlock pitch, so the stagger nests.
      expect((family.corner90.long - family.corner90.short) % family.interlock).toBe(0);
      for (const core of family.cores) expect(toInches(wallThickness(family, core))).toBe(toInches(core) + 5);
    }
  });

  it('are found by their id', () => {
    expect(findFamily('long-96')?.name).toBe('Long 96');
    expect(findFamily('nobody')).toBeUndefined();
  });

  it('survive being written as a file and read back', () => {
    for (const family of FAMILIES) {
      expect(readFamily(JSON.parse(JSON.stringify(writeFamily(family))))).toEqual({ ok: true, family });
    }
  });

  it('keep block, webs and skins of every kind ready for the courses', () => {
    const systems = FAMILIES.map((family) => systemOf(family));
    expect(systems.map((system) => toInches(system.block))).toEqual([48, 96, 48, 24, 112]);
    expect(systems.map((system) => system.corner90 !== null)).toEqual([true, true, false, false, false]);
    for (const family of FAMILIES) {
      for (const core of family.cores) {
        expect(2 * skinOf(family, core) + core).toBe(wallThickness(family, core));
      }
    }
  });
});

describe('a family of the job’s own', () => {
  const file = writeFamily(FAMILIES[0] as (typeof FAMILIES)[number]);
  const problems = (change: object): readonly string[] => {
    const reading = readFamily({ ...file, ...change });
    return reading.ok ? [] : reading.problems.map((each) => each.where);
  };

  it.each([
    [
      'a leg no longer than the wall is thick',
      { corner90: { long: '27in', short: '0in' } },
      'corner90.short',
    ],
    ['legs of one length', { corner90: { long: '11in', short: '11in' } }, 'corner90'],
    ['a first web outside the block', { firstWeb: '50in' }, 'firstWeb'],
    ['webs further apart than the block is long', { webSpacing: '60in' }, 'webSpacing'],
    ['webs that end nearer one end', { firstWeb: '5in' }, 'webSpacing'],
    ['a pitch that does not divide the block', { interlock: '7in' }, 'interlock'],
    ['a half-height piece as high as a course', { halfHeight: '16in' }, 'halfHeight'],
    ['a bundle of none', { bundle: 0 }, 'bundle'],
    ['a mass below nothing', { massKilograms: -1 }, 'massKilograms'],
    ['an unreadable length', { panel: 'thick' }, 'panel'],
    ['an unknown key', { colour: 'blue' }, 'the family'],
    ['a missing figure', { panel: undefined }, 'panel'],
  ])('is refused with %s', (_, change, where) => {
    expect(problems(change)).toContain(where);
  });

  it('is taken with other sound figures', () => {
    expect(problems({ corner90: { long: '31in', short: '15in' }, panel: '3in', cores: ['200mm'] })).toEqual(
      [],
    );
  });

  it.each([
    [1, 'tieSpacing', { tieSpacing: '13in' }],
    [1, 'topTieSpacing', { topTieSpacing: '16in' }],
    [2, 'cellSpacing', { cellSpacing: '10in' }],
    [2, 'cores', { cores: ['12in'] }],
    [2, 'volumePerBlock', { volumePerBlock: 1 }],
    [2, 'barEveryCourses', { barEveryCourses: 1.5 }],
  ])('of kind %d is refused for its %s', (kind, where, change) => {
    const family = [FAMILIES[0], FAMILIES[2], FAMILIES[3]][kind];
    if (!family) throw new Error('no family');
    const reading = readFamily({ ...writeFamily(family), ...change });
    expect(reading.ok ? [] : reading.problems.map((each) => each.where)).toContain(where);
  });

  it('is refused when it is no object at all', () => {
    expect(readFamily('Module 48').ok).toBe(false);
  });
});

import { describe, expect, it } from 'vitest';
import {
  type Length,
  type UnitSystem,
  add,
  feet,
  inches,
  millimetres,
  readLength,
  toInches,
  toMetres,
  toMillimetres,
} from '../../../src/kernel/measure';

const understood = (text: string, units: UnitSystem = 'imperial'): Length => {
  const reading = readLength(text, units);
  if (!reading.ok) throw new Error(`${text}: ${reading.message}`);
  return reading.length;
};

describe('lengths as crews write them', () => {
  // Source: common practice; the notations that field notes and drawings use.
  it.each([
    [`21'5-1/2`, 257.5],
    [`21' 5 1/2"`, 257.5],
    [`21'-5 1/2"`, 257.5],
    [`21' - 5 1/2"`, 257.5],
    ['21-5.5', 257.5],
    ['21-5-1/2', 257.5],
    ['21 5 1/2', 257.5],
    ['21-5', 257],
    ['21 5', 257],
    [`5-1/2"`, 5.5],
    [`5 1/2"`, 5.5],
    [`257.5"`, 257.5],
    ['257.5 in', 257.5],
    ['21ft 5in', 257],
    ['21 ft 5 1/2 in', 257.5],
    ['21 feet 5 inches', 257],
    ['1 foot 1 inch', 13],
    ['21 ft. 5 in.', 257],
    ['21’ 5½”', 257.5],
    ['21′ 5 ¾″', 257.75],
    [`21' 5''`, 257],
    [`21'`, 252],
    [`21.5'`, 258],
    [`5 1/2'`, 66],
    [`1/2"`, 0.5],
    [`21' 1/2"`, 252.5],
    [`.5"`, 0.5],
    ['44', 528],
    ['44.5', 534],
    ['44,5', 534],
    ['  44  ', 528],
    ['21’ 5⅜”', 257.375],
    ['21– 5.5'.replace(' ', ''), 257.5],
    [`3' 14"`, 50],
    [`-5'`, -60],
    ['−5 ft', -60],
    ['0', 0],
  ])('%s is %d in', (text, expected) => {
    expect(toInches(understood(text))).toBe(expected);
  });

  it.each([
    ['6.54 m', 6540],
    ['6,54 m', 6540],
    ['6540 mm', 6540],
    ['6540mm', 6540],
    ['654 cm', 6540],
    ['6.54 metres', 6540],
    ['6540', 6540],
    ['12,5', 12.5],
    [`10"`, 254],
  ])('%s is %d mm in a metric job', (text, expected) => {
    expect(toMillimetres(understood(text, 'metric'))).toBe(expected);
  });

  it('takes a bare number in the units of the job', () => {
    expect(understood('30', 'imperial')).toBe(feet(30));
    expect(understood('30', 'metric')).toBe(millimetres(30));
  });

  it('is exact: one inch is 25.4 mm', () => {
    // Source: NIST SP 811, exact by definition.
    expect(understood('1"')).toBe(understood('25.4 mm'));
    expect(toMetres(understood('0.0254 m'))).toBe(0.0254);
    expect(understood('1/64 in')).toBe(396_875);
  });

  it('rounds what is finer than a nanometre once', () => {
    expect(understood('1/3 in')).toBe(Math.round(25_400_000 / 3));
    expect(understood('0.0000004 mm')).toBe(0);
    expect(understood('0.0000005 mm')).toBe(1);
  });

  it('does not drift over hundreds of cut lengths', () => {
    const cut = understood('45 3/16 in');
    expect(add(...Array.from({ length: 640 }, () => cut))).toBe(inches(45.1875 * 640));
  });
});

describe('lengths that can be read in two ways', () => {
  it.each([
    ['5-1/2', [5.5, 60.5]],
    ['5 1/2', [5.5, 60.5]],
    ['21-3/4', [21.75, 252.75]],
    ['1/2', [0.5, 6]],
  ])('%s is asked back', (text, readings) => {
    const reading = readLength(text, 'imperial');
    expect(reading.ok).toBe(false);
    if (reading.ok || reading.problem !== 'ambiguous') throw new Error('should be ambiguous');
    expect(reading.readings.map(toInches)).toEqual(readings);
  });

  it('asks whether a comma before three digits parts thousands or decimals', () => {
    const reading = readLength('6,540 mm', 'metric');
    if (reading.ok || reading.problem !== 'ambiguous') throw new Error('should be ambiguous');
    expect(reading.readings.map(toMillimetres)).toEqual([6.54, 6540]);
    expect(toMillimetres(understood('0,540 m', 'metric'))).toBe(540);
    expect(toMillimetres(understood('12,540,000 mm', 'metric'))).toBe(12_540_000);
  });
});

describe('what cannot be read', () => {
  it.each([
    'abc',
    '12 apples',
    `5' 6' 7"`,
    `5" 3'`,
    '1/0',
    `5 1/0"`,
    '21-13',
    '1e5',
    '--5',
    '5..5',
    '6,5.4 m',
    "'",
    '1,23,456',
  ])('%s is refused with a sentence', (text) => {
    const reading = readLength(text, 'imperial');
    expect(reading).toMatchObject({ ok: false, problem: 'unreadable' });
    expect(reading.ok ? '' : reading.message).toMatch(/^Write a length like/);
  });

  it('knows an empty field from a wrong one', () => {
    expect(readLength('', 'imperial')).toMatchObject({ ok: false, problem: 'empty' });
    expect(readLength('   ', 'metric')).toMatchObject({ ok: false, problem: 'empty' });
  });

  it('refuses lengths that could not be kept exact', () => {
    expect(readLength('1000001 m', 'metric')).toMatchObject({ ok: false, problem: 'too-long' });
    expect(readLength('99999999999999999999999', 'imperial')).toMatchObject({
      ok: false,
      problem: 'too-long',
    });
  });
});

import { inches, type Length } from '@ombra/core/kernel/measure';
import { describe, expect, it } from 'vitest';
import { barsText, bracesText, forTheEar, pieceText, spoken } from '../src/today/todayWords';

describe('what is called out', () => {
  it.each([
    ['46 1/2″', '46 and 1 half inches'],
    ['3/4″', '3 quarters inches'],
    ['30″', '30 inches'],
    ['14′ 1 1/2″', '14 feet 1 and 1 half inches'],
    ['12 7/16″', '12 and 7 sixteenths inches'],
    ['1187 mm', '1187 mm'],
    ['from block 36', 'from block 36'],
  ])('%s is read as “%s”', (text, read) => {
    expect(forTheEar(text)).toBe(read);
  });

  const cut = {
    kind: 'cut',
    id: 'a',
    length: inches(46.5),
    start: inches(72),
    from: { block: 36, part: 'offcut' },
    mitred: true,
    ripped: inches(8),
    notchedFor: ['Office window'],
  } as const;

  it('says of a cut where it comes from, and all that is done to it', () => {
    expect(pieceText(cut, 'imperial')).toEqual({
      what: 'Cut',
      cut: '46 1/2″',
      notes: [
        'what was left of block 36',
        'mitered for the corner',
        'ripped to 8″ high',
        'cut out for Office window',
        'begins at 6′',
      ],
    });
    expect(spoken(cut, 'imperial')).toBe('Cut, 46 and 1 half inches. what was left of block 36');
  });

  it('says of a corner its hand, or which wall runs through', () => {
    const corner = { kind: 'corner', id: 'b', corner: 'C', hand: 'LH', at: 'end', leg: inches(40) } as const;
    expect(pieceText({ ...corner, make: 'moulded' }, 'imperial')).toEqual({
      what: 'Left-hand corner C',
      cut: null,
      notes: ['leg here 40″', 'where the wall ends'],
    });
    expect(pieceText({ ...corner, make: 'lapped', leg: 0 as Length }, 'imperial').notes[0]).toBe(
      'the other wall runs through',
    );
  });

  it('says where bars lie, and when braces go up', () => {
    expect(barsText({ slot: 2, when: 'in' }, 5)).toBe('in it, slot 2 of 5 from the outside');
    expect(barsText({ slot: null, when: 'after' }, 5)).toBe('once it is laid');
    const braces = { after: 4, done: false, side: 'inside', at: [] } as const;
    expect(bracesText(braces, 3)).toBe('Up after course 4, inside.');
    expect(bracesText(braces, 4)).toBe('Up once this course is laid, inside.');
    expect(bracesText(braces, 5)).toBe('Up before this course, inside.');
    expect(bracesText({ ...braces, done: true }, 5)).toBe('Up, inside.');
  });
});

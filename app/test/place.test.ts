import type { Notice } from '@ombra/core/kernel/notices';
import { describe, expect, it } from 'vitest';
import { askedPlace, placeOfNotice } from '../src/job/place';

const noticeAt = (place: Notice['place']): Notice => ({
  id: 'n',
  kind: 'n',
  about: '',
  severity: 'check',
  place,
  where: 'A–B',
  what: '',
  fixes: [],
});

describe('going to a notice', () => {
  it('chooses its opening or insert, in the part of the stage that deals with it', () => {
    expect(placeOfNotice(noticeAt({ stage: 'openings', wall: 'w1', opening: 'o1' }))).toEqual({
      wall: 'w1',
      piece: null,
      opening: 'o1',
      panels: { openings: 'openings' },
    });
    expect(placeOfNotice(noticeAt({ insert: 'i1' }))).toEqual({
      insert: 'i1',
      panels: { openings: 'inserts' },
    });
  });

  it('changes nothing where the stage as a whole is its place', () => {
    expect(placeOfNotice(noticeAt({ stage: 'pour' }))).toEqual({});
  });
});

it('an address may ask for a course, and for nothing else', () => {
  expect(askedPlace('?course=3')).toEqual({ course: 3, piece: null });
  for (const search of ['', '?course=', '?course=0', '?course=2.5', '?course=many', '?course=9999']) {
    expect(askedPlace(search)).toEqual({});
  }
});

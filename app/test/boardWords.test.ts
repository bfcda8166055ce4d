import { readFileSync, readdirSync } from 'node:fs';
import { TROUBLES } from '@ombra/core/kernel/record';
import { describe, expect, it } from 'vitest';
import { termsOf } from '../src/server/packet/terms';
import { TROUBLE_NAMES } from '../src/stages/days/log/entryWords';
import { AGE_WORDS, spanText, standsText, wayText } from '../src/stages/pour/board/boardWords';
import { sayOf } from '../src/stages/pour/board/say';
import { TROUBLE_CARDS } from '../src/stages/pour/board/troubleCards';

const FOLDER = 'app/src/stages/pour/board';
/** Every phrase that a part of the board says in a word of its own. */
const said = readdirSync(FOLDER).flatMap((file) => {
  const text = readFileSync(`${FOLDER}/${file}`, 'utf8');
  const direct = [...text.matchAll(/say(?:\.rich)?\(\s*'((?:[^'\\]|\\.)*)'/g)].map(
    ([, phrase = '']) => phrase,
  );
  const chosen = [...text.matchAll(/say\(\s*[\w. !=]+\?\s*'([^']*)'\s*:\s*'([^']*)'/g)].flatMap(
    ([, a = '', b = '']) => [a, b],
  );
  return [...direct, ...chosen];
});
const cards = TROUBLES.flatMap((trouble) => {
  const { caution, steps, layers } = TROUBLE_CARDS[trouble];
  return [TROUBLE_NAMES[trouble], caution, layers, ...steps.flatMap(({ who, does }) => [who, does])];
});

describe.each(['es', 'fr'] as const)('the board in another language: %s', (language) => {
  const terms = termsOf(language);

  it('has every phrase and every trouble card in the table', () => {
    expect(said.length).toBeGreaterThan(120);
    const all = new Set([...said, ...cards, ...Object.values(AGE_WORDS), 'Pour', 'Trouble', 'Soft', 'After']);
    expect([...all].filter((phrase) => terms[phrase] === undefined)).toEqual([]);
  });

  it('fills every blank of every phrase', () => {
    const say = sayOf(language, terms);
    for (const phrase of said) {
      const names = [...phrase.matchAll(/\{(\w+)[,}]/g)].map(([, name = '']) => name);
      const values = Object.fromEntries(names.map((name) => [name, 7]));
      // What is bold comes back as an element; the words around it are plain.
      const text = [say.rich(phrase, values)]
        .flat()
        .filter((part) => typeof part === 'string')
        .join('');
      expect(text, phrase).not.toMatch(/[{}]/);
    }
  });
});

it('speaks English where a phrase is missing, and knows one from many', () => {
  const say = sayOf('es', termsOf('es'));
  expect(say('Nobody has said this yet')).toBe('Nobody has said this yet');
  const gone = '{count, plural, one {# load is gone} other {# loads are gone}}';
  expect([say(gone, { count: 1 }), say(gone, { count: 3 })]).toEqual([
    '1 carga se fue',
    '3 cargas se fueron',
  ]);
  expect(spanText(say, 0.2)).toBe('ahora');
  expect(spanText(say, 70)).toBe('1 h 10 min');
  expect(wayText(sayOf('en', {}), 'sooner')).toMatch(/^Have the next trucks \d+ min sooner$/);
  expect(wayText(say, 'slower')).toBe('Bajar el ritmo una cuarta parte');
  expect(say(standsText({ back: null, stands: 'waits' } as never))).toBe('espera');
});

import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Language } from '../../stages/packet/choice';

/** A phrase of the trade in one language, matched with what stands in for its blanks. */
interface Term {
  readonly pattern: RegExp;
  readonly blanks: readonly string[];
  readonly words: Readonly<Record<Exclude<Language, 'en'>, string>>;
}

interface Terms {
  /** Every row by its English. */
  readonly all: ReadonlyMap<string, Term['words']>;
  /** Those without blanks. */
  readonly whole: ReadonlyMap<string, Term['words']>;
  /** Those with blanks, the longest first: the closest one is taken. */
  readonly blanked: readonly Term[];
}

const BLANK = /\{(\w+)\}/g;

/**
 * Reads the table of terms: a row a phrase, `| English | Español | Français |`, blanks in curly brackets. Other lines are for people.
 *
 * @throws where a translation names a blank that its phrase has not: nobody but us writes the table
 */
export function readTerms(text: string): Terms {
  // What is said on the board is looked up whole: as patterns its short phrases would match what they are not meant for.
  let board = false;
  const rows = text.split('\n').flatMap((line) => {
    if (line.startsWith('## ')) board = line.startsWith('## On the board');
    if (!line.startsWith('|')) return [];
    const [english = '', es = '', fr = ''] = line
      .split('|')
      .slice(1, -1)
      .map((cell) => cell.trim());
    if (english === '' || english === 'English' || /^:?-+:?$/.test(english)) return [];
    return [{ english, es, fr, lookedUp: board }];
  });
  const all = new Map<string, Term['words']>();
  const whole = new Map<string, Term['words']>();
  const blanked: (Term & { readonly length: number })[] = [];
  for (const { english, es, fr, lookedUp } of rows) {
    const words = { es, fr };
    const blanks = [...english.matchAll(BLANK)].map(([, name = '']) => name);
    for (const each of Object.values(words)) {
      const strange = [...each.matchAll(BLANK)].find(([, name = '']) => !blanks.includes(name));
      if (each === '' || strange)
        throw new Error(`docs/terms.md: “${english}” is not whole in every language.`);
    }
    all.set(english, words);
    if (lookedUp) continue;
    if (blanks.length === 0) whole.set(english, words);
    else {
      const literal = english.split(BLANK).filter((_, index) => index % 2 === 0);
      const source = literal.map((part) => part.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('(.+?)');
      blanked.push({
        pattern: new RegExp(`^${source}$`, 's'),
        blanks,
        words,
        length: literal.join('').length,
      });
    }
  }
  return { all, whole, blanked: blanked.sort((a, b) => b.length - a.length) };
}

/** The file of terms, looked for from here upward: the built server lies deeper than its source. */
function termsFile(): string {
  let folder = dirname(fileURLToPath(import.meta.url));
  for (;;) {
    const file = join(folder, 'docs/terms.md');
    if (existsSync(file)) return file;
    const above = dirname(folder);
    if (above === folder) throw new Error('docs/terms.md is missing.');
    folder = above;
  }
}

let read: Terms | null = null;
const terms = (): Terms => (read ??= readTerms(readFileSync(termsFile(), 'utf8')));

/** Every term in a language, by its English; none in English itself. */
export const termsOf = (language: Language): Readonly<Record<string, string>> =>
  language === 'en'
    ? {}
    : Object.fromEntries([...terms().all].map(([english, words]) => [english, words[language]]));

/** A phrase in another language, and how many letters of it are left in English; null where no term is like it. */
function translated(
  language: Exclude<Language, 'en'>,
  phrase: string,
): { readonly said: string; readonly left: number } | null {
  const { whole, blanked } = terms();
  const known = whole.get(phrase);
  if (known) return { said: known[language], left: 0 };
  const ways = blanked.flatMap(({ pattern, blanks, words }) => {
    const found = pattern.exec(phrase);
    if (!found) return [];
    // Blanks hold names and lengths; a known word among them is said too, anything else is kept.
    const filled = found
      .slice(1)
      .map((own) => translated(language, own) ?? { said: own, left: lettersIn(own) });
    const said = words[language].replace(
      BLANK,
      (_, name: string) => filled[blanks.indexOf(name)]?.said ?? '',
    );
    return [{ said, left: filled.reduce((sum, { left }) => sum + left, 0) }];
  });
  return ways.reduce<(typeof ways)[number] | null>(
    (best, way) => (best && best.left <= way.left ? best : way),
    null,
  );
}

const lettersIn = (text: string): number => text.replace(/[^A-Za-z]/g, '').length;

/**
 * A phrase that the core speaks, in another language; what stands in its blanks is said in turn. Of several terms that are like it, the one
 * that leaves least in English, and of those the longest; English where the table has none.
 *
 * @param missed told of every phrase that the table lacks
 */
export function sayIn(language: Language, phrase: string, missed?: (phrase: string) => void): string {
  if (language === 'en' || !/[A-Za-z]{2}/.test(phrase)) return phrase;
  const found = translated(language, phrase);
  if (found === null) missed?.(phrase);
  return found?.said ?? phrase;
}

import type { Family } from './family';

/** What the parts of a cell block are called, beside what they are called in foam blocks. */
const CELL_WORDS: readonly (readonly [foam: RegExp, cell: string])[] = [
  [/\ban ear\b/g, 'the end past the last cell'],
  [/\bears\b/g, 'ends past the last cell'],
  [/\bear\b/g, 'end past the last cell'],
  [/\bwebs\b/g, 'cell walls'],
  [/\bWebs\b/g, 'Cell walls'],
  [/\bweb\b/g, 'cell wall'],
  [/\bfoam is cut\b/g, 'block is cut'],
];

/**
 * A text about forms in the words of the job's own: cell blocks have no webs and no ears, but walls between their cells, and ends
 * past the last one.
 *
 * @example inWordsOf('cell', 'an ear is too long, webs are too far apart') // 'the end past the last cell is too long, cell walls are too far apart'
 * @example inWordsOf('flat-wall', 'webs are too far apart') // 'webs are too far apart'
 */
export const inWordsOf = (kind: Family['kind'] | undefined, text: string): string =>
  kind === 'cell' ? CELL_WORDS.reduce((told, [foam, cell]) => told.replace(foam, cell), text) : text;

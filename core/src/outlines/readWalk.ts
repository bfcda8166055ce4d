import { type UnitSystem, readLength, readTurn, storeLength, storeTurn } from '../kernel/measure';
import { type Loop, walkLoop } from '../stages/outline';
import type { HouseRules } from '../kernel/rules';
import { type OutlineReading, type OutlineProblem, MOST_WALLS, refused } from './found';

/** A turn at the end of an item, or by itself. */
const TURN =
  /^(.*?)[\s,;]*\b(straight(?:\s+on)?|(?:right|left|[rl])\.?(?:\s*\d+(?:[.,]\d+)?)?\s*(?:°|deg|degrees)?)\s*$/i;
/** Turns within a line that names several walls: `44' R 20' R`. */
const BETWEEN =
  /(straight(?:\s+on)?|\b(?:right|left|[rl])\b\.?(?:\s*\d+(?:[.,]\d+)?\s*(?:°|deg|degrees)?(?=[\s,;]|$))?)/i;

/** Most problems that are told. */
const MOST_TOLD = 12;

interface Item {
  readonly line: number;
  readonly length: string;
  readonly turn: string;
}

/** The walls of a line: one with its turn, or several one after the other. */
function itemsOf(text: string, line: number): readonly Item[] {
  const parts = text.split(BETWEEN);
  // Lengths and the turns between them take turns in what the split gives.
  const turns = parts.filter((_, index) => index % 2 === 1);
  if (turns.length > 1) {
    return parts
      .filter((_, index) => index % 2 === 0)
      .map((length, index) => ({
        line,
        length: length.replace(/^[\s,;]+|[\s,;]+$/g, ''),
        turn: turns[index] ?? '',
      }))
      .filter(({ length, turn }) => length !== '' || turn !== '');
  }
  const found = TURN.exec(text);
  return found
    ? [{ line, length: (found[1] ?? '').replace(/[\s,;]+$/, ''), turn: found[2] ?? '' }]
    : [{ line, length: text.replace(/[\s,;]+$/, ''), turn: '' }];
}

/** Whether a line is a heading: it says length, and no number. */
const isHeading = (text: string): boolean => /length|wall|turn/i.test(text) && !/\d/.test(text);

/**
 * Reads an outline from lengths and turns: a line a wall, `44ft, right 90`, or all of them on one line, `44' R 20' R`. A wall
 * without a turn turns right.
 */
export function readWalk(text: string, units: UnitSystem, rules: HouseRules): OutlineReading {
  const items = text
    .split(/\r?\n/)
    .map((line, index) => ({ text: line.trim(), line: index + 1 }))
    .filter((each) => each.text !== '' && !isHeading(each.text))
    .flatMap((each) => itemsOf(each.text.replace(/["]{2}/g, '"').replace(/\t/g, ' , '), each.line));
  if (items.length === 0) {
    return refused('the text', 'There are no lengths in it. Write a wall a line: 44ft, right 90.');
  }
  if (items.length > MOST_WALLS) {
    return refused(
      'the text',
      `It has ${String(items.length)} walls; a plan has ${String(MOST_WALLS)} at most.`,
    );
  }
  const problems: OutlineProblem[] = [];
  const rows = items.map(({ line, length, turn }, index) => {
    const reading = readLength(length, units);
    const turning = readTurn(turn === '' ? 'right' : turn);
    if (!reading.ok) {
      problems.push({
        where: `line ${String(line)}`,
        what: `“${length.slice(0, 40)}” is no length: ${reading.message}`,
      });
    } else if (reading.length <= 0) {
      problems.push({ where: `line ${String(line)}`, what: 'A wall is longer than nothing.' });
    }
    if (!turning.ok) problems.push({ where: `line ${String(line)}`, what: turning.message });
    return {
      id: String(index),
      length: reading.ok ? storeLength(reading.length, units) : length,
      turn: turning.ok ? storeTurn(turning.turn) : turn,
    };
  });
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_TOLD) };
  const loop: Loop = { id: 'read', closed: true, walk: rows };
  const { legs } = walkLoop(loop, units, rules);
  return {
    ok: true,
    understood: {
      outlines: [
        {
          name: 'lengths and turns',
          closed: true,
          rows: rows.map(({ length, turn }) => ({ length, turn })),
          drawn: legs.map(({ from }) => from),
          corners: legs.map(({ from }) => from),
          perimeter: legs.reduce((sum, leg) => sum + leg.length, 0),
          openings: [],
        },
      ],
      leftOut: [],
    },
  };
}

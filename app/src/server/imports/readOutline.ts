import type { UnitSystem } from '@ombra/core/kernel/measure';
import {
  type FileUnit,
  type OutlineProblem,
  type PointOrder,
  type Understood,
  isPoints,
  readPoints,
  readWalk,
  understoodOf,
  unitOfPoints,
} from '@ombra/core/outlines';
import { houseRules } from '@ombra/core/rules';

/** How a file is to be read. */
export interface OutlineAsk {
  /** The job's own units. */
  readonly units: UnitSystem;
  /** The file's unit where it names none. */
  readonly unit: FileUnit;
  readonly order: PointOrder;
}

/** What kind of file it was, what was understood of it, and what it does not say itself. */
export interface OutlineAnswer {
  readonly kind: 'dxf' | 'ifc' | 'points' | 'walk';
  readonly understood: Understood;
  /** The unit that it was read in, and whether the file names it. */
  readonly unit: FileUnit | null;
  readonly unitNamed: boolean;
}

export type OutlineOutcome =
  | { readonly ok: true; readonly answer: OutlineAnswer }
  | { readonly ok: false; readonly problems: readonly OutlineProblem[] };

const problem = (where: string, what: string): OutlineOutcome => ({ ok: false, problems: [{ where, what }] });

/** Spreadsheets write “Unicode text” in two bytes a letter, and say so in the first two. */
function encodingOf([first, second]: Uint8Array): 'utf-8' | 'utf-16le' | 'utf-16be' {
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  return first === 0xfe && second === 0xff ? 'utf-16be' : 'utf-8';
}

/** Reads an outline from a file, whatever kind it is: told by what it begins with, not by its name. */
export async function readOutline(
  bytes: Uint8Array,
  { units, unit, order }: OutlineAsk,
): Promise<OutlineOutcome> {
  if (bytes.byteLength === 0) return problem('the file', 'The file is empty.');
  const text = new TextDecoder(encodingOf(bytes)).decode(bytes).replace(/^\ufeff/, '');
  const begins = text.slice(0, 2000).trimStart();
  if (begins.startsWith('ISO-10303-21')) {
    const { ifcLines } = await import('./ifcLines');
    const read = await ifcLines(bytes);
    if (!read.ok) return problem(read.where, read.what);
    const reading = understoodOf(read.drawing, units);
    if (!reading.ok) return reading;
    return { ok: true, answer: { kind: 'ifc', understood: reading.understood, unit: null, unitNamed: true } };
  }
  if (/^(?:999\r?\n[^\n]*\n\s*)*0\r?\n\s*SECTION/.test(begins) || text.includes('\u0000')) {
    const { dxfLines } = await import('./dxfLines');
    const read = dxfLines(text, unit);
    if (!read.ok) return problem(read.where, read.what);
    const reading = understoodOf({ ...read.drawing, ground: 0 }, units);
    if (!reading.ok) return reading;
    const named = read.drawing.unit;
    return {
      ok: true,
      answer: { kind: 'dxf', understood: reading.understood, unit: named ?? unit, unitNamed: named !== null },
    };
  }
  if (isPoints(text)) {
    const named = unitOfPoints(text);
    const reading = readPoints(text, { units, unit: named ?? unit, order });
    if (!reading.ok) return reading;
    return {
      ok: true,
      answer: {
        kind: 'points',
        understood: reading.understood,
        unit: named ?? unit,
        unitNamed: named !== null,
      },
    };
  }
  const reading = readWalk(text, units, houseRules());
  if (!reading.ok) return reading;
  return { ok: true, answer: { kind: 'walk', understood: reading.understood, unit: null, unitNamed: true } };
}

import type { Bucks } from '../bucks';
import type { Courses } from '../courses';
import { stockFor } from '../footing/cutToLength';
import { type Inserts, ledgePieces, partsOf } from '../inserts';
import { type Length, type UnitSystem, showLength } from '../../kernel/measure';
import type { HouseRules, RuleId } from '../../kernel/rules';
import type { Wall } from '../outline';
import { type Given, type How, givenCount, givenLength } from '../../kernel/figures/how';

/** Something to order for openings or inserts. */
interface OpeningPart {
  readonly id: string;
  readonly group: 'parts' | 'fixings';
  readonly article: string;
  readonly needed: How;
  readonly rules: readonly RuleId[];
}

/** What `openingParts` goes by. */
interface OpeningPartsInput {
  readonly bucks: Bucks;
  readonly inserts: Inserts;
  readonly walls: ReadonlyMap<string, Wall>;
  readonly rules: HouseRules;
  readonly units: UnitSystem;
}

/** Lumber and fasteners of bucks, and what inserts need. */
export function openingParts({
  bucks,
  inserts,
  walls,
  rules,
  units,
}: OpeningPartsInput): readonly OpeningPart[] {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const part = (id: string, article: string, needed: How, own: readonly RuleId[] = []): OpeningPart => ({
    id,
    group: 'parts',
    article,
    needed,
    rules: own,
  });
  const counted = (id: string, article: string, needed: Given, own: readonly RuleId[] = []) =>
    needed.value === 0 ? [] : [part(id, article, needed, own)];
  const parts = partsOf(inserts.placed, walls);
  const board = rules.length('inserts.ledger.stock');
  return [
    ...bucks.lumber.map((list) =>
      part(
        `lumber:${list.id}`,
        `${list.name}${list.board === null ? (list.width === null ? '' : `, ${inInches(list.width)} wide`) : `, ${list.board}`}, lengths of ${showLength(list.stock, units)}`,
        givenCount(list.proved ? 'least, proved' : 'lengths', list.lengths.length),
        list.buck === null && list.width === null ? ['openings.strip.stock', 'openings.brace.spacing'] : [],
      ),
    ),
    ...bucks.sheets.map((list) =>
      part(
        `sheets:${list.id}`,
        `${list.name}, sheets of ${inInches(list.width)} × ${inInches(list.length)}`,
        givenCount('sheets', list.sheets),
        list.strips.length === 0 ? [] : ['openings.rib.spacing', 'openings.rib.depth'],
      ),
    ),
    ...(bucks.fasteners.value === 0
      ? []
      : [
          {
            id: 'buck-fasteners',
            group: 'fixings' as const,
            article: 'Fasteners for bucks',
            needed: bucks.fasteners.how,
            rules: bucks.fasteners.rules,
          },
        ]),
    ...parts.pipes.map(({ size, count, length }) => ({
      ...part(
        `pipe:${String(size)}`,
        `Pipe for ${String(count)} ${count === 1 ? 'sleeve' : 'sleeves'} of ${inInches(size)}`,
        givenLength('through the walls', length),
      ),
    })),
    ...counted('caps', 'Caps for sleeves, tight', givenCount('two a sleeve', parts.caps)),
    ...counted('plates', 'Wood plates over capped sleeves', givenCount('two a sleeve', parts.plates)),
    ...parts.ledgers.map(({ height, boards }) =>
      part(
        `ledgers:${String(height)}`,
        `Ledger boards ${inInches(height)} high, lengths of ${showLength(board, units)}`,
        stockFor('boards', boards, board),
        ['inserts.ledger.stock', 'inserts.ledger.least'],
      ),
    ),
    ...counted('anchors-cast', 'Ledger anchors, cast in', givenCount('anchors', parts.castAnchors), [
      'inserts.ledger.spacing',
      'inserts.ledger.rows',
    ]),
    ...counted(
      'anchors-drilled',
      'Ledger bolts, drilled through',
      givenCount('bolts', parts.drilledAnchors),
      ['inserts.ledger.spacing', 'inserts.ledger.rows'],
    ),
    ...counted('hangers', 'Plates for joist hangers', givenCount('plates', parts.hangerPlates), [
      'inserts.hanger.spacing',
    ]),
    ...counted('hold-downs', 'Hold-downs', givenCount('hold-downs', parts.holdDowns)),
  ];
}

/** Whole straights of a core that carry a brick ledge: ordered with it, in place of plain ones. */
export function ledgeStraights(
  inserts: Inserts,
  courses: Courses,
  walls: ReadonlyMap<string, Wall>,
  core: Length,
): number {
  const found = new Set(
    inserts.placed.flatMap((insert) =>
      ledgePieces(insert, courses, walls).flatMap((piece) =>
        piece.kind === 'straight' && walls.get(piece.wall)?.core === core ? [piece.id] : [],
      ),
    ),
  );
  return found.size;
}

import type { Courses } from '../courses';
import { type Length, add, subtract } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { boardEnds } from '../../kernel/stock/boardEnds';
import { type Blocked, layBolts } from '../../kernel/stock/layBolts';
import type { Rect } from '../openings';
import type { Wall } from '../outline';
import { behind } from './behind';

/** A ledger as it is laid out: stations from its wall’s first corner along the outside face. */
export interface LedgerLayout {
  /** Whether it is measured from the end that is nearer its wall’s first corner. */
  readonly forward: boolean;
  /** Boards end to end, from the end that it is measured from. */
  readonly boards: readonly { readonly from: Length; readonly to: Length }[];
  /** Middles of the joists that hang on it. */
  readonly joists: readonly Length[];
  /** Stations of its anchors, each clear of webs, joints, joists, openings and board ends. */
  readonly anchors: readonly Length[];
  /** Stretches where no clear place was near enough. */
  readonly gaps: readonly { readonly from: Length; readonly to: Length }[];
}

/** What `ledgerLayout` goes by. */
interface LedgerInput {
  readonly wall: Pick<Wall, 'id' | 'length'>;
  readonly from: Length;
  readonly to: Length;
  /** Whether it is measured from its lower station. */
  readonly forward: boolean;
  /** Heights that the board covers. */
  readonly bottom: Length;
  readonly top: Length;
  readonly spacing: Length;
  readonly courses: Pick<Courses, 'pieces'>;
  /** What openings take of the wall's concrete, with what anchors keep off it. */
  readonly openings: readonly Rect[];
  readonly rules: HouseRules;
}

/**
 * A ledger laid out: boards of stock length, joist marks from its measured end, and anchors board by board, as far apart as they may be
 * and clear of webs, joints between blocks, joists, openings and splices. The load and the drawings decide; this lays it out.
 *
 * @example ledgerLayout({ wall: { id: 'w', length: feet(10) }, from: ZERO, to: feet(10), forward: true, bottom: feet(7), top: feet(8), spacing: feet(2), courses: { pieces: [] }, openings: [], rules }).boards.length // 1
 */
export function ledgerLayout(input: LedgerInput): LedgerLayout {
  const { from, to, forward, spacing, rules } = input;
  const length = subtract(to, from);
  const station = (along: Length): Length => (forward ? add(from, along) : subtract(to, along));
  const ends = boardEnds(length, rules.length('inserts.ledger.stock'), rules.length('inserts.ledger.least'));
  const boards = ends.map((end, index) => {
    const [a, b] = [station(ends[index - 1] ?? (0 as Length)), station(end)];
    return forward ? { from: a, to: b } : { from: b, to: a };
  });
  const joistSpacing = rules.length('inserts.ledger.joists');
  const joists = Array.from({ length: Math.floor(length / joistSpacing) + 1 }, (_, index) =>
    station((index * joistSpacing) as Length),
  );
  const { joints, webs } = behind(input.courses, input.wall, input);
  const about = (places: readonly Length[], by: Length): readonly Blocked[] =>
    places.map((at) => ({ from: at - by, to: at + by }));
  const blocked = [
    ...about(webs, rules.length('inserts.ledger.web')),
    ...about(
      joints.map(({ at }) => at),
      rules.length('inserts.joint.clear'),
    ),
    ...about(joists, rules.length('inserts.ledger.joist')),
    ...input.openings.filter((each) => each.bottom < input.top && each.top > input.bottom),
  ];
  const laid = boards.map((board) =>
    layBolts(
      board.from,
      board.to,
      blocked.filter((each) => each.to > board.from && each.from < board.to),
      {
        spacing,
        nearest: rules.length('inserts.ledger.edge'),
        farthest: rules.length('inserts.ledger.end'),
        least: rules.count('inserts.ledger.anchors'),
      },
    ),
  );
  return {
    forward,
    boards,
    joists,
    anchors: laid.flatMap(({ at }) => at),
    gaps: laid.flatMap(({ gaps }) => gaps),
  };
}

import type { Length } from '../../kernel/measure';
import { type Openings, type PlacedOpening, type ThreeSizes, threeSizes } from '../openings';
import { rememberLast, settle } from '../../kernel/engine/memo';
import type { HouseRules } from '../../kernel/rules';
import type { Levels, Shell } from '../outline';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, givenCount } from '../../kernel/figures/how';
import { type LumberList, type Wanted, lumberOf } from './lumber';
import { type Marking, markingOf } from './marking';
import { type SheetList, sheetsOf } from './sheets';
import { type Member, type SillAccess, diagonalOf, fastenedSides, membersOf, sillAccess } from './members';

/** All that one opening asks of the crew. */
export interface Buck {
  readonly opening: string;
  readonly name: string;
  readonly sizes: ThreeSizes;
  readonly members: readonly Member[];
  readonly fasteners: Figure;
  /** Both diagonals of the rough opening, to check it square. */
  readonly diagonal: Length;
  readonly access: SillAccess;
  readonly marking: Marking;
}

export interface Bucks {
  readonly bucks: readonly Buck[];
  readonly lumber: readonly LumberList[];
  readonly sheets: readonly SheetList[];
  readonly fasteners: Figure;
}

/** Fasteners of a buck: one at each end of a side and every so often between, on both faces. [common practice] */
function fastenersOf(opening: PlacedOpening, rules: HouseRules): Figure {
  const spacing = rules.length('openings.fastener.spacing');
  const how: How = {
    op: 'product',
    name: opening.name,
    unit: 'count',
    of: [
      givenCount('faces', 2),
      {
        op: 'sum',
        name: 'along its sides',
        unit: 'count',
        of: fastenedSides(opening).map(({ side, length }) =>
          givenCount(side, Math.ceil(length / spacing) + 1),
        ),
      },
    ],
  };
  return figureOf({
    id: `opening.${opening.id}.fasteners`,
    title: `Fasteners of ${opening.name}`,
    how,
    rules: ['openings.fastener.spacing'],
    pieces: { opening: opening.id },
  });
}

/** Cut lists, fasteners, marks and lumber of every opening that is worked. */
export const buildBucks = (openings: Openings, shell: Shell, levels: Levels, rules: HouseRules): Bucks =>
  makeBucks()(openings, shell, levels, rules);

/**
 * The same with a memory: an opening that is only moved leaves the cut list as it was, and its lumber is not cut anew.
 */
export function makeBucks(): typeof buildBucks {
  const settleWanted = settle<readonly Wanted[]>();
  const bought = rememberLast((wanted: readonly Wanted[], rules: HouseRules) => ({
    lumber: lumberOf(wanted, rules),
    sheets: sheetsOf(wanted),
  }));
  return (openings, shell, levels, rules) =>
    bucksWith({ openings, shell, levels, rules, bought: (wanted) => bought(settleWanted(wanted), rules) });
}

/** What `bucksWith` goes by. */
interface BucksWithInput {
  readonly openings: Openings;
  readonly shell: Shell;
  readonly levels: Levels;
  readonly rules: HouseRules;
  readonly bought: (wanted: readonly Wanted[]) => Pick<Bucks, 'lumber' | 'sheets'>;
}

function bucksWith({ openings, shell, levels, rules, bought }: BucksWithInput): Bucks {
  const walls = new Map(
    shell.loops.flatMap(({ built }) =>
      built ? built.walls.map((wall) => [wall.id, { wall, built }] as const) : [],
    ),
  );
  const made = openings.placed.flatMap((opening) => {
    const found = walls.get(opening.wall);
    if (!found || !opening.worked) return [];
    const { wall, built } = found;
    const members = membersOf(opening, wall, rules);
    const buck: Buck = {
      opening: opening.id,
      name: opening.name,
      sizes: threeSizes(opening),
      members,
      fasteners: fastenersOf(opening, rules),
      diagonal: diagonalOf(opening),
      access: sillAccess(opening, wall, rules),
      marking: markingOf(opening, built, wall, levels),
    };
    return [{ buck, wanted: members.map((member) => ({ member, buck: opening.buck })) }];
  });
  return {
    bucks: made.map(({ buck }) => buck),
    ...bought(made.flatMap(({ wanted }) => wanted)),
    fasteners: figureOf({
      id: 'openings.fasteners',
      title: 'Fasteners of all bucks',
      how: { op: 'sum', name: 'openings', unit: 'count', of: made.map(({ buck }) => buck.fasteners.how) },
      rules: ['openings.fastener.spacing'],
      pieces: { opening: '*' },
    }),
  };
}

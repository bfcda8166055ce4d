import type { Figure } from '../../kernel/figures/figure';
import { evaluate } from '../../kernel/figures/how';
import type { Pour } from '../outline/plan';
import { type Straps, strapsOf } from '../bracing';
import type { Bucks } from '../bucks';
import type { Courses } from '../courses';
import { type Footing, type FootingForms, firstCourseOf } from '../footing';
import type { Family } from '../../kernel/forms';
import type { Inserts } from '../inserts';
import { type UnitSystem, showLength } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { HouseRules, RuleId } from '../../kernel/rules';
import type { Levels, Shell } from '../outline';
import type { StockOfSize } from '../steel';
import type { Edges } from '../edges';
import { type How, givenCount, givenLength } from '../../kernel/figures/how';
import { type Article, type OrderLine, wholePieces } from './article';
import { closingParts } from './closingParts';
import { fixings } from './fixings';
import { corners, straights } from './formArticles';
import { ledgeStraights, openingParts } from './openingParts';
import { panelParts } from './panelParts';
import { type Staging, staging } from './staging';

export interface Order {
  readonly lines: readonly OrderLine[];
  readonly massKilograms: number | null;
  readonly staging: readonly Staging[];
}

function orderLine(article: Article, family: Family, rules: HouseRules): OrderLine {
  const needed = wholePieces(evaluate(article.needed));
  const isLength = article.needed.unit === 'length';
  const spare = isLength || needed === 0 ? 0 : sparesOf(needed, rules);
  const bundle = article.isForm === true ? (family.bundle ?? null) : null;
  const bundles = bundle === null ? null : Math.ceil((needed + spare) / bundle);
  const ordered = bundle === null || bundles === null ? needed + spare : bundles * bundle;
  const mass = article.isForm === true ? family.massKilograms : undefined;
  return {
    id: article.id,
    group: article.group,
    article: article.article,
    core: article.core ?? null,
    needed: article.needed,
    spare,
    bundle,
    bundles,
    ordered,
    massKilograms: mass === undefined ? null : ordered * mass * (article.massShare ?? 1),
    rules: [...(isLength ? [] : (['order.spares'] as const)), ...(article.rules ?? [])],
  };
}

const sparesOf = (needed: number, rules: HouseRules): number => {
  const share = rules.count('order.spares');
  return share === 0 ? 0 : Math.max(1, wholePieces((needed * share) / 100));
};

/** Planks, ties and stakes where the footing is cast in insulated forms. */
function footingParts(forms: FootingForms | null, rules: HouseRules): readonly Article[] {
  if (!forms) return [];
  const line = (id: string, article: string, needed: How, rules?: readonly RuleId[]): Article => ({
    id: `footing:${id}`,
    group: 'parts',
    article,
    needed,
    ...(rules ? { rules } : {}),
  });
  return [
    line('planks', 'Planks of footing forms', forms.planks.how, forms.planks.rules),
    line('ties', 'Ties of footing forms', forms.ties.how, forms.ties.rules),
    line('split-ties', 'Split ties for the miters', givenCount('corners', forms.splitTies)),
    line('stakes', 'Stakes for footing forms', givenCount('along both sides', forms.stakes), [
      'footing.stake.spacing',
    ]),
    line(
      'bead',
      'Foam for the bead under the wall forms, cans',
      {
        op: 'quotient',
        name: 'cans',
        unit: 'ratio',
        of: [
          givenLength('bead', forms.bead),
          givenLength('bead from a can', rules.length('footing.bead.perCan')),
        ],
      },
      ['footing.bead.perCan'],
    ),
  ];
}

/** Stock bars by size. */
const barsToBuy = (steel: readonly StockOfSize[], units: UnitSystem): readonly Article[] =>
  steel.map((own) => ({
    id: `bars:${own.size}`,
    group: 'parts',
    article: `Bars ${own.size}, lengths of ${showLength(own.stock, units)}`,
    needed: givenCount(own.proved ? 'least for all cuts, proved' : 'for all cuts', own.lengths.length),
    rules: ['steel.stock', 'steel.lap'],
  }));

/** Boards and screws over weak joints. */
const strapParts = (straps: Straps, rules: HouseRules, units: UnitSystem): readonly Article[] =>
  straps.boards.length === 0
    ? []
    : [
        {
          id: 'strap-boards',
          group: 'parts',
          article: `Boards over weak joints, lengths of ${showLength(rules.length('order.board.length'), units)}`,
          needed: straps.stock.how,
          rules: straps.stock.rules,
        },
        {
          id: 'strap-screws',
          group: 'fixings',
          article: 'Screws for boards over weak joints',
          needed: straps.screws.how,
          rules: straps.screws.rules,
        },
      ];

/** Screws of the braces' uprights. */
const braceParts = (screws: How): readonly Article[] =>
  evaluate(screws) === 0
    ? []
    : [
        {
          id: 'brace-screws',
          group: 'fixings',
          article: 'Screws for the uprights of braces',
          needed: screws,
          rules: ['bracing.screws'],
        },
      ];

/** Sill plates and their bolts. */
const topParts = (
  { plates, bolts }: Pick<OrderGround, 'plates' | 'bolts'>,
  rules: HouseRules,
  units: UnitSystem,
): readonly Article[] => [
  ...(plates === null || plates.value === 0
    ? []
    : [
        {
          id: 'sill-plates',
          group: 'parts' as const,
          article: `Sill plates, lengths of ${showLength(rules.length('topoff.plate.stock'), units)}`,
          needed: plates.how,
          rules: plates.rules,
        },
      ]),
  ...(bolts.value === 0
    ? []
    : [
        {
          id: 'anchor-bolts',
          group: 'fixings' as const,
          article: `Anchor bolts ${showLength(rules.length('topoff.bolt.diameter'), units, { style: 'inches' })}, with washer and nut`,
          needed: bolts.how,
          rules: bolts.rules,
        },
      ]),
];

/** Boards that exposed edges are formed with. */
const edgeParts = (edges: Edges | null, rules: HouseRules, units: UnitSystem): readonly Article[] =>
  (edges?.boards ?? []).map(({ board, count }) => ({
    id: `edge-boards:${board}`,
    group: 'parts',
    article: `Edge boards ${board}, lengths of ${showLength(rules.length('order.board.length'), units)}`,
    needed: count.how,
    rules: count.rules,
  }));

/** What an order is made of. */
interface OrderGround {
  readonly shell: Shell;
  readonly levels: Levels;
  readonly courses: Courses;
  /** Rows of the whole job: what those that are ordered for stand on, and what goes on over them. */
  readonly rows: Courses['rows'];
  readonly stacks: readonly Pour[];
  readonly footing: Pick<Footing, 'forms' | 'bases'>;
  readonly openings: readonly PlacedOpening[];
  readonly bucks: Bucks;
  readonly inserts: Inserts;
  /** Of the whole job: a brick ledge is ordered with the course whose blocks carry it, wherever its foot is poured. */
  readonly ledges: Inserts;
  /** Bars to buy, by size. */
  readonly steel: readonly StockOfSize[];
  /** Boards for sill plates, which are laid once the last pour stands. */
  readonly plates: Figure | null;
  readonly bolts: Figure;
  readonly edges: Edges | null;
  readonly braceScrews: How;
}

/**
 * The order list of the whole job: forms by article with spares, bundles and mass, parts of panel systems, fixings by
 * rate, and bundles shared out round the footprint.
 */
export function buildOrder(
  {
    shell,
    levels,
    courses,
    rows,
    stacks: pours,
    footing,
    openings,
    bucks,
    inserts,
    ledges,
    steel,
    plates,
    bolts,
    edges,
    braceScrews,
  }: OrderGround,
  rules: HouseRules,
  units: UnitSystem,
): Order {
  const { family } = shell;
  if (family === null || courses.pieces.length === 0) return { lines: [], massKilograms: null, staging: [] };
  const walls = shell.loops.flatMap((loop) => loop.built?.walls ?? []);
  const wallById = new Map(walls.map((wall) => [wall.id, wall]));
  const first = firstCourseOf({
    shell,
    courses,
    levels,
    openings,
    inForms: footing.bases.kind === 'forms',
    rules,
  });
  const articles = [
    ...straights(courses, family, (core) => ledgeStraights(ledges, courses, wallById, core)),
    ...corners(shell, courses, family, wallById),
    ...(family.kind === 'panel-and-tie'
      ? panelParts({ courses, rows, family, openings, shell, levels })
      : []),
    ...footingParts(footing.forms, rules),
    ...openingParts({ bucks, inserts, walls: wallById, rules, units }),
    ...barsToBuy(steel, units),
    ...strapParts(strapsOf(courses, levels.tops, rules), rules, units),
    ...braceParts(braceScrews),
    ...topParts({ plates, bolts }, rules, units),
    ...edgeParts(edges, rules, units),
    ...closingParts(shell, levels, courses, units),
    ...fixings({ shell, levels, openings, courses, first, rules, pours, units }),
  ];
  const lines = articles.map((article) => orderLine(article, family, rules));
  const weighed = lines.filter((line) => line.group === 'forms');
  const mass = weighed.reduce((total, line) => total + (line.massKilograms ?? 0), 0);
  return {
    lines,
    massKilograms: weighed.some((line) => line.massKilograms === null) ? null : mass,
    staging: staging(lines, courses, walls),
  };
}

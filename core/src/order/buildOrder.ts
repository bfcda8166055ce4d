import type { CourseRow, Courses } from '../courses';
import type { Family } from '../forms';
import { type Length, type UnitSystem, add, inches, showLength, subtract } from '../measure';
import type { Stage } from '../plan';
import type { HouseRules, RuleId } from '../rules';
import { type Shell, type Wall, isSquare } from '../shell';
import { cutStock } from '../stock/cutStock';
import { type Given, type How, evaluate } from '../tally';
import { panelParts } from './panelParts';
import { standsNextTo } from './rows';

/** One article to order: what is needed, what is spare, and how it comes. */
export interface OrderLine {
  readonly id: string;
  readonly group: 'forms' | 'parts' | 'fixings';
  /** Plain name: `Straight`, `Corner, left-hand`. */
  readonly article: string;
  /** Core that it is made for; null where it serves any. */
  readonly core: Length | null;
  /** What is needed, worked out. */
  readonly needed: How;
  readonly spare: number;
  /** Pieces in a bundle, where the family says. */
  readonly bundle: number | null;
  readonly bundles: number | null;
  /** What is ordered: needed and spare, rounded up to bundles; a length for what is bought by length. */
  readonly ordered: number;
  readonly massKilograms: number | null;
  readonly rules: readonly RuleId[];
}

/** How many bundles of straights stand inside each wall before the crew starts. */
export interface Staging {
  readonly wall: string;
  readonly name: string;
  readonly bundles: number;
}

export interface Order {
  readonly lines: readonly OrderLine[];
  readonly massKilograms: number | null;
  readonly staging: readonly Staging[];
}

const count = (name: string, value: number): Given => ({ op: 'given', name, unit: 'count', value });
const length = (name: string, value: number): Given => ({ op: 'given', name, unit: 'length', value });
const sum = (name: string, of: readonly How[]): How => ({
  op: 'sum',
  name,
  unit: of[0]?.unit ?? 'count',
  of,
});

interface Article {
  readonly id: string;
  readonly group: OrderLine['group'];
  readonly article: string;
  readonly core?: Length;
  readonly needed: How;
  readonly rules?: readonly RuleId[];
  /** Bundled and weighed as the family states it. */
  readonly isForm?: boolean;
  /** Share of a whole piece's mass. */
  readonly massShare?: number;
}

function orderLine(article: Article, family: Family, rules: HouseRules): OrderLine {
  const needed = Math.ceil(evaluate(article.needed));
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
  return share === 0 ? 0 : Math.max(1, Math.ceil((needed * share) / 100));
};

/** Straights of every core: laid whole, opened for cuts, ripped; and half-height pieces. */
function straights(courses: Courses, family: Family): readonly Article[] {
  const panels = family.kind === 'panel-and-tie';
  return courses.offcuts.byCore.flatMap((own): Article[] => {
    const blocks = sum('blocks', [
      count('laid whole', own.whole),
      count('opened for cuts', own.opened),
      ...(own.ripped === 0 ? [] : [count('ripped for lower courses', own.ripped)]),
    ]);
    const both: How = { op: 'product', name: 'panels', unit: 'count', of: [count('faces', 2), blocks] };
    return [
      {
        id: `straight:${String(own.core)}`,
        group: 'forms',
        article: panels ? 'Panel' : family.kind === 'cell' ? 'Block' : 'Straight',
        // Panels and cell blocks serve any core of their family.
        ...(family.kind === 'flat-wall' ? { core: own.core } : {}),
        needed: panels ? both : blocks,
        isForm: true,
        rules: ['offcuts.fromCourse', 'offcuts.shortest'],
      },
      ...(own.halfPieces === 0
        ? []
        : [
            {
              id: `half:${String(own.core)}`,
              group: 'forms' as const,
              article: 'Half-height straight',
              core: own.core,
              needed: count('laid', own.halfPieces),
              isForm: true,
              massShare: 0.5,
            },
          ]),
    ];
  });
}

/** Moulded corners by angle, core and hand; both hands are one article where the family may be turned over. */
function corners(
  shell: Shell,
  courses: Courses,
  family: Family,
  walls: ReadonlyMap<string, Wall>,
): readonly Article[] {
  if (family.kind !== 'flat-wall') return [];
  const kinds = new Map(
    shell.loops.flatMap((loop) => loop.built?.corners ?? []).map((corner) => [corner.letter, corner]),
  );
  const groups = new Map<
    string,
    { angle: string; core: Length; hand: string; whole: number; ripped: number }
  >();
  for (const piece of courses.pieces) {
    if (piece.kind !== 'corner' || piece.make !== 'moulded') continue;
    const core = walls.get(piece.wallAfter)?.core ?? (0 as Length);
    const turn = kinds.get(piece.corner)?.turn;
    const angle = turn === undefined || isSquare(turn) ? 'Corner' : '45° corner';
    const hand = family.reversible ? 'either hand' : piece.hand === 'LH' ? 'left-hand' : 'right-hand';
    const key = `${angle}:${String(core)}:${hand}`;
    const group = groups.get(key) ?? { angle, core, hand, whole: 0, ripped: 0 };
    groups.set(key, group);
    if (piece.top - piece.bottom === courses.courseHeight) group.whole += 1;
    else group.ripped += 1;
  }
  return [...groups].map(([key, { angle, core, hand, whole, ripped }]): Article => {
    const halves = family.reversible ? Math.ceil(ripped / 2) : ripped;
    return {
      id: `corner:${key}`,
      group: 'forms',
      article: `${angle}, ${hand}`,
      core,
      needed: sum('corners', [
        count('laid whole', whole),
        ...(ripped === 0 ? [] : [count('ripped for lower courses', halves)]),
      ]),
      isForm: true,
      rules: ['courses.corner.lead'],
    };
  });
}

/** Glue, ties, clips, kicker boards and tape by their rates. */
function fixings(
  courses: Courses,
  rules: HouseRules,
  stages: readonly Stage[],
  units: UnitSystem,
): readonly Article[] {
  const board = rules.length('order.board.length');
  const rowsOf = (course: number) => courses.rows.filter((row) => row.course === course);
  const footings = courses.rows.filter((row) => !standsNextTo(courses, row, -1));
  const onFooting = add(...footings.map((row) => (row.to - row.from) as Length));
  const spacing = rules.length('order.foam.spacing');
  const jointsIn = (course: number): number =>
    courses.pieces.filter((piece) => piece.course === course).length;
  const tops = [
    ...new Set([
      ...stages.map((stage) => stage.toCourse).filter((course) => course < courses.count),
      courses.count,
    ]),
  ];
  const clipped = tops.reduce((total, course) => total + jointsIn(course), 0);
  const upper = courses.pieces.filter((piece) => piece.course > 1).length;
  const foam: How = {
    op: 'quotient',
    name: 'cans',
    unit: 'ratio',
    of: [
      sum('spots', [
        {
          op: 'product',
          name: 'at the footing, both sides',
          unit: 'count',
          of: [count('sides', 2), count('spots along it', Math.ceil(onFooting / spacing))],
        },
        count('one at every joint above the first course', upper),
      ]),
      count('spots from a can', rules.count('order.foam.spotsPerCan')),
    ],
  };
  const topLength = add(
    ...tops.flatMap((course) => rowsOf(course).map((row) => (row.to - row.from) as Length)),
  );
  return [
    {
      id: 'foam',
      group: 'fixings',
      article: 'Foam glue, cans',
      needed: foam,
      rules: ['order.foam.spacing', 'order.foam.spotsPerCan'],
    },
    {
      id: 'zip-ties',
      group: 'fixings',
      article: 'Zip ties for the first course',
      needed: {
        op: 'product',
        name: 'ties',
        unit: 'count',
        of: [
          count('a joint', rules.count('order.ties.perJoint')),
          count('joints of the first course', jointsIn(1)),
        ],
      },
      rules: ['order.ties.perJoint'],
    },
    {
      id: 'clips',
      group: 'fixings',
      article: 'Clips for the top course of each pour',
      needed: {
        op: 'product',
        name: 'clips',
        unit: 'count',
        of: [count('a joint', rules.count('order.clips.perJoint')), count('joints of top courses', clipped)],
      },
      rules: ['order.clips.perJoint'],
    },
    {
      id: 'kickers',
      group: 'fixings',
      article: `Kicker boards of ${showLength(board, units)}, both sides of the footing`,
      needed: boardsFor(footings, board),
      rules: ['order.board.length'],
    },
    {
      id: 'tape',
      group: 'fixings',
      article: 'Tape over the top interlock',
      needed: length('top courses', topLength),
    },
  ];
}

/** A saw's kerf in lumber, and the unit that lengths are told in when boards are cut: eighths of an inch. */
const EIGHTH = inches(1 / 8);

/** Boards along both sides of every footing: whole ones end to end, and the rests cut out of as few boards as can be. */
function boardsFor(rows: readonly CourseRow[], board: Length): How {
  const lengths = rows.map((row) => subtract(row.to, row.from));
  const whole = lengths.reduce((total, each) => total + 2 * Math.floor(each / board), 0);
  const rests = lengths.map((each) => Math.ceil((each % board) / EIGHTH)).filter((each) => each > 0);
  const plan = cutStock(
    rests.map((each) => ({ length: each, count: 2 })),
    Math.floor(board / EIGHTH),
    1,
  );
  return sum('boards', [
    count('whole boards end to end', whole),
    count('cut for the rests', plan.ok ? plan.plan.pieces.length : 2 * rests.length),
  ]);
}

/** Bundles of straights shared out by what each wall lays, the largest remainders first, so that all are placed. */
function staging(lines: readonly OrderLine[], courses: Courses, walls: readonly Wall[]): readonly Staging[] {
  const bundles = lines
    .filter((line) => line.id.startsWith('straight:'))
    .reduce((total, line) => total + (line.bundles ?? 0), 0);
  const laid = walls.map(
    (wall) => courses.pieces.filter((piece) => piece.kind !== 'corner' && piece.wall === wall.id).length,
  );
  const all = laid.reduce((total, each) => total + each, 0);
  if (bundles === 0 || all === 0) return [];
  const shares = laid.map((each) => (each * bundles) / all);
  const given = shares.map(Math.floor);
  const order = shares
    .map((share, index) => ({ index, rest: share - Math.floor(share) }))
    .sort((a, b) => b.rest - a.rest || a.index - b.index);
  const left = bundles - given.reduce((total, each) => total + each, 0);
  for (const { index } of order.slice(0, left)) given[index] = (given[index] ?? 0) + 1;
  return walls.map((wall, index) => ({ wall: wall.id, name: wall.name, bundles: given[index] ?? 0 }));
}

/**
 * The order list of the whole job: forms by article with spares, bundles and mass, parts of panel systems, fixings by
 * rate, and bundles shared out round the footprint.
 */
export function buildOrder(
  shell: Shell,
  courses: Courses,
  stages: readonly Stage[],
  rules: HouseRules,
  units: UnitSystem,
): Order {
  const { family } = shell;
  if (family === null || courses.pieces.length === 0) return { lines: [], massKilograms: null, staging: [] };
  const walls = shell.loops.flatMap((loop) => loop.built?.walls ?? []);
  const articles = [
    ...straights(courses, family),
    ...corners(shell, courses, family, new Map(walls.map((wall) => [wall.id, wall]))),
    ...(family.kind === 'panel-and-tie' ? panelParts(courses, family) : []),
    ...fixings(courses, rules, stages, units),
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

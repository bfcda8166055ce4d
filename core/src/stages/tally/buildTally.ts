import type { CourseTally, OutlineFigures, PourTally, Tally, TallyKey, TallyRow } from './tally';
import type { Pour } from '../outline/plan';
import type { Worked } from '../../kernel/engine/stage';
import {
  type CornerPiece,
  type Courses,
  type Hand,
  type Parity,
  type RowFill,
  type WallFill,
  parityOf,
} from '../courses';
import type { FormSystem } from '../../kernel/forms';
import { type Length, ZERO } from '../../kernel/measure';
import type { Inserts } from '../inserts';
import type { Openings } from '../openings';
import type { HouseRules, RuleId } from '../../kernel/rules';
import { type Levels, type Shell, type Wall, middleOfCourse, pourName } from '../outline';
import { type Core, concreteOfCourse, coreAreaOf, coreOf } from './concrete';
import { type Displacing, displacingOf } from './displaced';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, type WorkedHow, givenCount, givenLength } from '../../kernel/figures/how';

const TITLES: Readonly<Record<TallyKey, string>> = {
  straight: 'Whole blocks',
  cut: 'Cut pieces',
  cornerLH: 'Left-hand corners',
  cornerRH: 'Right-hand corners',
  buckFaces: 'Buck faces to fix',
  coreVolume: 'Concrete in the core',
};

const RULES_OF: Readonly<Record<TallyKey, readonly RuleId[]>> = {
  straight: ['courses.corner.lead', 'courses.filler.shortest', 'courses.ear.longest'],
  cut: [
    'courses.filler.shortest',
    'courses.ear.longest',
    'courses.web.clearOfCut',
    'courses.filler.blocksFromCorner',
  ],
  cornerLH: ['courses.corner.lead'],
  cornerRH: ['courses.corner.lead'],
  buckFaces: ['openings.fastener.spacing'],
  coreVolume: [],
};

/** Whole blocks of a wall in running bond: what its clear run holds, less those that are given to the cuts. */
function straightsOfRun(wall: Wall, fill: RowFill, block: Length): WorkedHow {
  const run: WorkedHow = {
    op: 'difference',
    name: 'clear run',
    unit: 'length',
    of: [
      givenLength('form-face length', wall.length),
      givenLength('leg at its start', fill.start),
      givenLength('leg at its end', fill.end),
    ],
  };
  const held: WorkedHow = {
    op: 'whole-part',
    name: 'blocks that it holds',
    unit: 'count',
    of: [{ op: 'quotient', name: 'run by block', unit: 'ratio', of: [run, givenLength('block', block)] }],
  };
  const pieces = { wall: wall.id, kind: 'straight' } as const;
  const given = fill.held - fill.whole;
  return given === 0
    ? { ...held, name: wall.name, pieces }
    : {
        op: 'difference',
        name: wall.name,
        unit: 'count',
        of: [held, givenCount('given to the two cuts', given)],
        pieces,
      };
}

/** What the tally looks up while it counts, gathered once. */
interface Counted {
  readonly core: Core;
  readonly system: FormSystem;
  readonly courses: Courses;
  readonly displacing: Displacing;
  readonly walls: readonly Wall[];
  readonly fills: ReadonlyMap<string, WallFill>;
  /** Wall by course whose row is the full pattern in running bond. */
  readonly plain: ReadonlySet<string>;
  /** Pieces of a wall in a course. */
  readonly counts: ReadonlyMap<string, { straight: number; cut: number }>;
  readonly straightOf: Map<string, How>;
  /** Moulded corners by course, and which of them are inside ones. */
  readonly moulded: ReadonlyMap<number, readonly CornerPiece[]>;
  readonly cornerKinds: ReadonlyMap<string, string>;
}

const place = (course: number, wall: string): string => `${String(course)}:${wall}`;

/** What `gather` goes by. */
interface GatherInput {
  readonly shell: Shell;
  readonly system: FormSystem;
  readonly levels: Levels;
  readonly courses: Courses;
  readonly openings: Openings;
  readonly inserts: Inserts;
  readonly rules: HouseRules;
}

function gather({ shell, system, levels, courses, openings, inserts, rules }: GatherInput): Counted {
  const fills = new Map(courses.fills.map((fill) => [fill.wall, fill]));
  const counts = new Map<string, { straight: number; cut: number }>();
  const moulded = new Map<number, CornerPiece[]>();
  for (const piece of courses.pieces) {
    if (piece.kind === 'corner') {
      if (piece.make !== 'moulded') continue;
      const known = moulded.get(piece.course);
      if (known) known.push(piece);
      else moulded.set(piece.course, [piece]);
      continue;
    }
    const key = place(piece.course, piece.wall);
    const found = counts.get(key) ?? { straight: 0, cut: 0 };
    counts.set(key, found);
    found[piece.kind] += 1;
  }
  return {
    core: coreOf(shell, courses),
    system,
    courses,
    displacing: displacingOf({ openings, inserts, levels }, rules),
    walls: shell.loops.flatMap((loop) => loop.built?.walls ?? []).filter((wall) => fills.has(wall.id)),
    fills,
    plain: new Set(
      courses.rows
        .filter((row) => row.whole && !row.opened && fills.get(row.wall)?.seam === null)
        .map((row) => place(row.course, row.wall)),
    ),
    counts,
    straightOf: new Map(),
    moulded,
    cornerKinds: new Map(
      shell.loops.flatMap((loop) => loop.built?.corners ?? []).map(({ letter, kind }) => [letter, kind]),
    ),
  };
}

/** Whole blocks of one wall in one course; full rows of one parity share their tree. */
function straightOfWall(counted: Counted, wall: Wall, course: number): How {
  const key = place(course, wall.id);
  const laid = counted.counts.get(key)?.straight ?? 0;
  const fill = counted.fills.get(wall.id);
  const parity: Parity = parityOf(course);
  if (!fill || !counted.plain.has(key) || fill[parity].whole !== laid) {
    return { ...givenCount(wall.name, laid), pieces: { wall: wall.id, kind: 'straight' } };
  }
  const shared = `${wall.id}:${parity}`;
  const known = counted.straightOf.get(shared) ?? straightsOfRun(wall, fill[parity], counted.system.block);
  counted.straightOf.set(shared, known);
  return known;
}

function cutsOfWall(counted: Counted, wall: Wall, course: number): How {
  const laid = counted.counts.get(place(course, wall.id))?.cut ?? 0;
  const fill = counted.fills.get(wall.id)?.[parityOf(course)];
  const told = fill !== undefined && counted.plain.has(place(course, wall.id)) && fill.cuts.length === laid;
  return {
    ...givenCount(wall.name, laid),
    pieces: { wall: wall.id, kind: 'cut' },
    ...(told ? { cutReason: { step: fill.step, rest: fill.rest, cuts: fill.cuts } } : {}),
  };
}

function cornersOfHand(counted: Counted, course: number, hand: Hand): WorkedHow {
  return {
    op: 'sum',
    name: 'corners',
    unit: 'count',
    of: (counted.moulded.get(course) ?? [])
      .filter((piece) => piece.hand === hand)
      .map(({ corner }) => ({
        ...givenCount(`${corner} (${counted.cornerKinds.get(corner) ?? ''})`, 1),
        pieces: { kind: 'corner' as const, corner },
      })),
  };
}

const perWall = (counted: Counted, of: (wall: Wall) => How): How => ({
  op: 'sum',
  name: 'walls',
  unit: 'count',
  of: counted.walls.map(of),
});

/** Faces of bucks that are fixed in a course: jambs that pass through it, a sill or head that lies in it. */
function buckFacesOf(counted: Counted, course: number): WorkedHow {
  const rows = counted.courses.rows.filter((row) => row.course === course && row.opened);
  const of = counted.displacing.openings.placed.flatMap((opening): How[] => {
    const { hole } = opening;
    const row = rows.find(
      (each) =>
        each.wall === opening.wall &&
        each.from < hole.to &&
        hole.from < each.to &&
        each.bottom < hole.top &&
        hole.bottom < each.top,
    );
    if (!opening.worked || !row) return [];
    const sill = !opening.openBottom && hole.bottom >= row.bottom && hole.bottom < row.top;
    const head = !opening.openTop && hole.top > row.bottom && hole.top <= row.top;
    return [
      {
        op: 'sum',
        name: opening.name,
        unit: 'count',
        of: [
          givenCount('jambs', 2),
          ...(sill ? [givenCount('sill', 1)] : []),
          ...(head ? [givenCount('head', 1)] : []),
        ],
        pieces: { opening: opening.id, course },
      },
    ];
  });
  return { op: 'sum', name: 'openings', unit: 'count', of };
}

function courseHow(counted: Counted, key: TallyKey, course: number): How {
  switch (key) {
    case 'straight':
      return perWall(counted, (wall) => straightOfWall(counted, wall, course));
    case 'cut':
      return perWall(counted, (wall) => cutsOfWall(counted, wall, course));
    case 'cornerLH':
      return cornersOfHand(counted, course, 'LH');
    case 'cornerRH':
      return cornersOfHand(counted, course, 'RH');
    case 'buckFaces':
      return buckFacesOf(counted, course);
    case 'coreVolume':
      return concreteOfCourse(counted.core, course, counted.displacing);
  }
}

/** What `figure` goes by. */
interface FigureInput {
  readonly id: string;
  readonly key: TallyKey;
  readonly where: string;
  readonly how: How;
  readonly pieces: Figure['pieces'];
}

const figure = ({ id, key, where, how, pieces }: FigureInput): Figure =>
  figureOf({ id, title: `${TITLES[key]} ${where}`, how, rules: RULES_OF[key], pieces });

const PIECES_OF: Readonly<Record<TallyKey, Figure['pieces']>> = {
  straight: { kind: 'straight' },
  cut: { kind: 'cut' },
  cornerLH: { kind: 'corner', hand: 'LH' },
  cornerRH: { kind: 'corner', hand: 'RH' },
  buckFaces: { opening: '*' },
  coreVolume: {},
};

const rowOf = (of: (key: TallyKey) => Figure): TallyRow => ({
  straight: of('straight'),
  cut: of('cut'),
  cornerLH: of('cornerLH'),
  cornerRH: of('cornerRH'),
  buckFaces: of('buckFaces'),
  coreVolume: of('coreVolume'),
});

/** The walls as a whole, loop by loop where there are several. */
function outlineFigures(shell: Shell, courses: Courses): OutlineFigures {
  const loops = shell.loops.flatMap((loop) => (loop.built ? [loop.built] : []));
  const outline = (id: string, title: string, how: How): Figure =>
    figureOf({ id: `outline.${id}`, title, how, rules: [], pieces: {} });
  const whole = courses.count - (courses.rest === null ? 0 : 1);
  const stack: How = {
    op: 'product',
    name: 'height',
    unit: 'length',
    of: [givenCount('courses', whole), givenLength('course height', courses.courseHeight)],
  };
  return {
    perimeter: outline('perimeter', 'Around the form face', {
      op: 'sum',
      name: 'walls',
      unit: 'length',
      of: loops.flatMap((loop) => loop.walls.map((wall) => givenLength(wall.name, wall.length))),
    }),
    coreArea: outline('coreArea', 'Plan area of the core', {
      op: 'sum',
      name: 'outlines',
      unit: 'area',
      of: loops.map(coreAreaOf),
    }),
    height: outline(
      'height',
      'Wall height',
      courses.rest === null
        ? stack
        : {
            op: 'sum',
            name: 'height',
            unit: 'length',
            of: [
              { ...stack, name: 'whole courses' },
              givenLength(
                courses.rest.how === 'half-piece' ? 'half-height pieces' : 'the ripped course',
                courses.rest.height,
              ),
            ],
          },
    ),
  };
}

const isCutWeak = (reason: string): boolean => reason === 'ear' || reason === 'short';

/** Courses added up. */
const sumOf = (key: TallyKey, rows: readonly CourseTally[]): How => ({
  op: 'sum',
  name: 'courses',
  unit: key === 'coreVolume' ? 'volume' : 'count',
  of: rows.map((row) => ({
    ...row[key].how,
    name: `course ${String(row.course)}`,
    pieces: row[key].pieces,
  })),
});

/** The lower or the upper half of a course: a pour may end in the middle of its block, the other half goes with the next one. */
function halfOf(counted: Counted, course: number, which: 'lower' | 'upper'): How {
  const { core, displacing } = counted;
  const middle = middleOfCourse(core.tops, course);
  const part = which === 'lower' ? { top: middle } : { bottom: middle };
  return {
    ...concreteOfCourse(core, course, displacing, part),
    name: `${which} half of course ${String(course)}`,
  };
}

/** Counts and concrete of every pour; a pour that stops half way up its last block leaves half its concrete to the next. */
function pourTallies(
  counted: Counted,
  pours: readonly Pour[],
  rows: readonly CourseTally[],
): readonly PourTally[] {
  return pours.flatMap((pour, index): PourTally[] => {
    const last = index === pours.length - 1;
    const from = (pours[index - 1]?.toCourse ?? 0) + 1;
    const to = last ? rows.length : Math.min(pour.toCourse, rows.length);
    const own = rows.slice(from - 1, to);
    if (own.length === 0) return [];
    const started = pours[index - 1]?.top === 'half' ? rows[from - 2] : undefined;
    const stopped = pour.top === 'half' && !last ? own.at(-1) : undefined;
    const full = stopped ? own.slice(0, -1) : own;
    const where = `in ${pour.name ?? `pour ${String(index + 1)}`}`;
    const poured: How = {
      op: 'sum',
      name: 'courses',
      unit: 'volume',
      of: [
        ...(started ? [halfOf(counted, started.course, 'upper')] : []),
        ...(sumOf('coreVolume', full) as WorkedHow).of,
        ...(stopped ? [halfOf(counted, stopped.course, 'lower')] : []),
      ],
    };
    const of = (key: TallyKey): Figure =>
      figure({
        id: `pour.${pour.id}.${key}`,
        key,
        where,
        how: key === 'coreVolume' ? poured : sumOf(key, own),
        pieces: {
          ...PIECES_OF[key],
          ...(key === 'coreVolume' ? {} : { fromCourse: from, toCourse: to }),
        },
      });
    return [
      {
        id: pour.id,
        name: pourName(pours, pour.id),
        from,
        to,
        top: last ? 'full' : pour.top,
        then: pour.then ?? null,
        ...rowOf(of),
      },
    ];
  });
}

/** What must be bought: whole blocks laid, those opened for cuts, those ripped. */
function boughtFigure(totals: TallyRow, courses: Courses): Figure {
  const { opened, ripped, blocks, halfPieces } = courses.offcuts;
  const wholes = courses.pieces.filter(
    (piece) => piece.kind === 'straight' && piece.top - piece.bottom === courses.courseHeight,
  ).length;
  const shared = blocks.filter((block) => block.ripped === null && block.pieces.length === 2).length;
  const opens: How = {
    op: 'difference',
    name: 'blocks opened for cuts',
    unit: 'count',
    of: [
      givenCount('cuts of full height', opened + shared),
      givenCount('cuts that come out of another’s block', shared),
    ],
  };
  const how: How = {
    op: 'sum',
    name: 'blocks',
    unit: 'count',
    of: [
      wholes === totals.straight.value
        ? { ...totals.straight.how, name: 'whole blocks laid', pieces: { kind: 'straight' } }
        : givenCount('whole blocks laid at full height', wholes),
      opens,
      ...(ripped === 0 ? [] : [givenCount('blocks ripped for lower courses', ripped)]),
    ],
  };
  return figureOf({
    id: 'total.blocksBought',
    title:
      halfPieces > 0 ? 'Straight blocks to buy, besides the half-height pieces' : 'Straight blocks to buy',
    how,
    rules: ['offcuts.fromCourse', 'offcuts.shortest', 'offcuts.perBlock'],
    pieces: {},
  });
}

/** Counts every course, every pour and the whole wall, each figure with its why. */
export function buildTally(
  {
    shell,
    system,
    courses,
    stacks: pours,
    openings,
    placed: inserts,
    levels,
  }: Pick<Worked, 'shell' | 'system' | 'levels' | 'courses' | 'stacks' | 'openings' | 'placed'>,
  rules: HouseRules,
): Tally {
  const strapped = new Map<number, Set<string>>();
  for (const joint of courses.weakJoints) {
    if (!joint.reasons.some(isCutWeak)) continue;
    strapped.set(joint.course, (strapped.get(joint.course) ?? new Set()).add(joint.wall));
  }
  const counted = system ? gather({ shell, system, levels, courses, openings, inserts, rules }) : null;
  const perCourse: readonly CourseTally[] = counted
    ? Array.from({ length: courses.count }, (_, index): CourseTally => {
        const course = index + 1;
        const of = (key: TallyKey): Figure =>
          figure({
            id: `course.${String(course)}.${key}`,
            key,
            where: `in course ${String(course)}`,
            how: courseHow(counted, key, course),
            pieces: { ...PIECES_OF[key], course },
          });
        return { course, wallsToStrap: strapped.get(course)?.size ?? ZERO, ...rowOf(of) };
      })
    : [];
  const totals = rowOf((key) =>
    figure({
      id: `total.${key}`,
      key,
      where: 'in all courses',
      how: sumOf(key, perCourse),
      pieces: PIECES_OF[key],
    }),
  );
  return {
    outline: outlineFigures(shell, courses),
    courses: perCourse,
    pours: counted && pours.length > 1 ? pourTallies(counted, pours, perCourse) : [],
    total: { ...totals, blocksBought: boughtFigure(totals, courses) },
  };
}

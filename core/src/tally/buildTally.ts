import { type Courses, type Hand, type WallFill, handOf, longLegOn } from '../courses';
import type { FlatWallFamily } from '../forms';
import type { HouseRules, RuleId } from '../rules';
import { type BuiltLoop, type Shell, isSquare, polygonArea } from '../shell';
import {
  type CourseTally,
  type Figure,
  type OutlineFigures,
  TALLY_KEYS,
  type Tally,
  type TallyKey,
} from './figure';
import { type Given, type How, type Worked, evaluate } from './how';

const TITLES: Readonly<Record<TallyKey, string>> = {
  straight: 'Whole blocks',
  cut: 'Cut pieces',
  cornerLH: 'Left-hand corners',
  cornerRH: 'Right-hand corners',
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
  coreVolume: [],
};

const length = (name: string, value: number): Given => ({ op: 'given', name, unit: 'length', value });
const count = (name: string, value: number): Given => ({ op: 'given', name, unit: 'count', value });

/** Whole blocks of a wall: what its clear run holds, less a block that is given to the cuts. */
function straightsOfWall(
  name: string,
  wallLength: number,
  fill: WallFill,
  legs: { start: number; end: number },
  block: number,
): Worked {
  const run: Worked = {
    op: 'difference',
    name: 'clear run',
    unit: 'length',
    of: [
      length('form-face length', wallLength),
      length('leg at its start', legs.start),
      length('leg at its end', legs.end),
    ],
  };
  const held: Worked = {
    op: 'whole-part',
    name: 'blocks that it holds',
    unit: 'count',
    of: [{ op: 'quotient', name: 'run by block', unit: 'ratio', of: [run, length('block', block)] }],
  };
  const pieces = { wall: fill.wall, kind: 'straight' } as const;
  const given = fill.held - fill.whole;
  return given === 0
    ? { ...held, name, pieces }
    : { op: 'difference', name, unit: 'count', of: [held, count('given to the two cuts', given)], pieces };
}

const cutsOfWall = (name: string, fill: WallFill): Given => ({
  ...count(name, fill.cuts.length),
  pieces: { wall: fill.wall, kind: 'cut' },
  cutReason: { step: fill.step, rest: fill.rest, cuts: fill.cuts },
});

function cornersOfHand(loops: readonly BuiltLoop[], course: number, lead: string, hand: Hand): Worked {
  const long = longLegOn(course, lead);
  const corners = loops.flatMap((loop) => loop.corners).filter((corner) => handOf(corner, long) === hand);
  return {
    op: 'sum',
    name: 'corners',
    unit: 'count',
    of: corners.map((corner) => ({
      ...count(`${corner.letter} (${corner.kind})`, 1),
      pieces: { kind: 'corner', corner: corner.letter },
    })),
  };
}

/**
 * Plan area of one loop's core. With one core and square corners it is core × centre line, shown so that a calculator
 * can follow it; otherwise the difference of the two concrete faces' polygons.
 */
function coreAreaOf(loop: BuiltLoop): How {
  const [first] = loop.walls;
  const cores = new Set(loop.walls.map((wall) => wall.core));
  const name = 'plan area of the core';
  if (first === undefined || cores.size !== 1 || !loop.corners.every((corner) => isSquare(corner.turn))) {
    const within = (face: string, corners: BuiltLoop['faces']['formInside']): Given => ({
      op: 'given',
      name: face,
      unit: 'area',
      value: polygonArea(corners),
    });
    return {
      op: 'difference',
      name,
      unit: 'area',
      of: [
        within('within the concrete’s outer face', loop.faces.concreteOutside),
        within('within its inner face', loop.faces.concreteInside),
      ],
    };
  }
  const centreLine: Worked = {
    op: 'difference',
    name: 'centre line',
    unit: 'length',
    of: [
      {
        op: 'sum',
        name: 'form faces',
        unit: 'length',
        of: loop.walls.map((wall) => length(wall.name, wall.length)),
      },
      {
        op: 'product',
        name: 'what square corners take',
        unit: 'length',
        of: [
          count(
            'outside corners less inside corners',
            loop.corners.reduce((sum, corner) => sum + (corner.kind === 'outside' ? 1 : -1), 0),
          ),
          length('wall thickness', first.thickness),
        ],
      },
    ],
  };
  return { op: 'product', name, unit: 'area', of: [length('core', first.core), centreLine] };
}

const figure = (id: string, key: TallyKey, where: string, how: How, pieces: Figure['pieces']): Figure => ({
  id,
  title: `${TITLES[key]} ${where}`,
  value: evaluate(how),
  unit: how.unit,
  how,
  rules: RULES_OF[key],
  pieces,
});

const PIECES_OF: Readonly<Record<TallyKey, Figure['pieces']>> = {
  straight: { kind: 'straight' },
  cut: { kind: 'cut' },
  cornerLH: { kind: 'corner', hand: 'LH' },
  cornerRH: { kind: 'corner', hand: 'RH' },
  coreVolume: {},
};

/** How each key is worked out in odd and in even courses; the trees are shared by all courses alike. */
function courseHows(
  shell: Shell,
  courses: Courses,
  family: FlatWallFamily,
  rules: HouseRules,
  course: number,
): Record<TallyKey, How> {
  const laid = new Map(courses.fills.map((fill) => [fill.wall, fill]));
  const loops = shell.loops.flatMap((loop) =>
    loop.built && loop.built.walls.every((wall) => laid.has(wall.id)) ? [loop.built] : [],
  );
  const walls = loops.flatMap((loop) => loop.walls);
  const lead = rules.choice('courses.corner.lead');
  const perWall = (of: (wall: (typeof walls)[number], fill: WallFill) => How): How => ({
    op: 'sum',
    name: 'walls',
    unit: 'count',
    of: walls.flatMap((wall) => {
      const fill = laid.get(wall.id);
      return fill ? [of(wall, fill)] : [];
    }),
  });
  return {
    straight: perWall((wall, fill) =>
      straightsOfWall(
        wall.name,
        wall.length,
        fill,
        course % 2 === 1 ? fill.legs.odd : fill.legs.even,
        family.straightLength,
      ),
    ),
    cut: perWall((wall, fill) => cutsOfWall(wall.name, fill)),
    cornerLH: cornersOfHand(loops, course, lead, 'LH'),
    cornerRH: cornersOfHand(loops, course, lead, 'RH'),
    coreVolume: {
      op: 'product',
      name: 'concrete in the core',
      unit: 'volume',
      of: [
        { op: 'sum', name: 'plan area of the core', unit: 'area', of: loops.map(coreAreaOf) },
        length('course height', family.courseHeight),
      ],
    },
  };
}

/** The walls as a whole, loop by loop where there are several. */
function outlineFigures(shell: Shell, courses: Courses): OutlineFigures {
  const loops = shell.loops.flatMap((loop) => (loop.built ? [loop.built] : []));
  const outline = (id: string, title: string, how: How): Figure => ({
    id: `outline.${id}`,
    title,
    value: evaluate(how),
    unit: how.unit,
    how,
    rules: [],
    pieces: {},
  });
  return {
    perimeter: outline('perimeter', 'Round the form face', {
      op: 'sum',
      name: 'walls',
      unit: 'length',
      of: loops.flatMap((loop) => loop.walls.map((wall) => length(wall.name, wall.length))),
    }),
    coreArea: outline('coreArea', 'Plan area of the core', {
      op: 'sum',
      name: 'outlines',
      unit: 'area',
      of: loops.map(coreAreaOf),
    }),
    height: outline('height', 'Wall height', {
      op: 'product',
      name: 'height',
      unit: 'length',
      of: [count('courses', courses.count), length('course height', courses.courseHeight)],
    }),
  };
}

const isCutWeak = (reason: string): boolean => reason === 'ear' || reason === 'short';

/** Counts every course and the whole wall, each figure with its why. */
export function buildTally(shell: Shell, courses: Courses, rules: HouseRules): Tally {
  const { family } = shell;
  const hows = family
    ? {
        odd: courseHows(shell, courses, family, rules, 1),
        even: courseHows(shell, courses, family, rules, 2),
      }
    : null;
  const strapped = new Map<number, Set<string>>();
  for (const joint of courses.weakJoints) {
    if (!joint.reasons.some(isCutWeak)) continue;
    strapped.set(joint.course, (strapped.get(joint.course) ?? new Set()).add(joint.wall));
  }
  const perCourse: readonly CourseTally[] = hows
    ? Array.from({ length: courses.count }, (_, index): CourseTally => {
        const course = index + 1;
        const how = course % 2 === 1 ? hows.odd : hows.even;
        const of = (key: TallyKey): Figure =>
          figure(`course.${String(course)}.${key}`, key, `in course ${String(course)}`, how[key], {
            ...PIECES_OF[key],
            course,
          });
        return {
          course,
          wallsToStrap: strapped.get(course)?.size ?? 0,
          straight: of('straight'),
          cut: of('cut'),
          cornerLH: of('cornerLH'),
          cornerRH: of('cornerRH'),
          coreVolume: of('coreVolume'),
        };
      })
    : [];
  const total = (key: TallyKey): Figure =>
    figure(
      `total.${key}`,
      key,
      'in all courses',
      {
        op: 'sum',
        name: 'courses',
        unit: key === 'coreVolume' ? 'volume' : 'count',
        of: perCourse.map((row) => ({
          ...row[key].how,
          name: `course ${String(row.course)}`,
          pieces: row[key].pieces,
        })),
      },
      PIECES_OF[key],
    );
  const totals = Object.fromEntries(TALLY_KEYS.map((key) => [key, total(key)])) as Record<TallyKey, Figure>;
  const bought: How = {
    op: 'sum',
    name: 'blocks',
    unit: 'count',
    of: [
      { ...totals.straight.how, name: 'whole blocks laid', pieces: { kind: 'straight' } },
      { ...totals.cut.how, name: 'blocks opened, one for each cut', pieces: { kind: 'cut' } },
    ],
  };
  return {
    outline: outlineFigures(shell, courses),
    courses: perCourse,
    total: {
      ...totals,
      blocksBought: {
        id: 'total.blocksBought',
        title: 'Straight blocks to buy',
        value: evaluate(bought),
        unit: 'count',
        how: bought,
        rules: [],
        pieces: {},
      },
    },
  };
}

import type { Piece } from '../courses';
import { type UnitSystem, showLength } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import type { LoopAdjustment } from './adjust';
import type { Bases } from './bases';
import type { FirstCourse } from './firstCourse';
import type { Square } from './square';
import type { Survey } from './survey';

/** Something to look at before the walls go up. */
export interface ReadyItem {
  readonly id: string;
  readonly what: string;
  /** What the measures say: `right`, `wrong`, or `open` where only looking can tell. */
  readonly measured: 'right' | 'wrong' | 'open';
  readonly note: string | null;
}

interface ReadyInput {
  readonly bases: Bases;
  readonly square: Square;
  readonly adjusted: readonly LoopAdjustment[];
  readonly survey: Survey | null;
  readonly after: Survey | null;
  readonly firstCourse: FirstCourse;
  readonly standing: readonly Piece[];
  readonly units: UnitSystem;
  readonly rules: HouseRules;
}

const open = (id: string, what: string, note: string | null = null): ReadyItem => ({
  id,
  what,
  measured: 'open',
  note,
});

/** The chalk lines, told once for all walls that share them. */
function chalkItems({ bases, units }: ReadyInput): readonly ReadyItem[] {
  if (bases.kind === 'rock') return [];
  const groups = new Map<string, string[]>();
  for (const base of bases.loops.flatMap((loop) => loop.walls)) {
    const inInches = (length: typeof base.outer): string => showLength(length, units, { style: 'inches' });
    const line = `${inInches(base.outer)} from the outer edge, ${inInches(base.inner)} from the inner one`;
    groups.set(line, [...(groups.get(line) ?? []), base.name]);
  }
  return [...groups].map(([line, names]) => {
    const walls = groups.size === 1 ? 'all walls' : names.join(', ');
    return open(`chalk:${line}`, `Chalk lines struck on ${walls}: ${line}.`);
  });
}

function squareItem({ adjusted, square, units, rules }: ReadyInput): ReadyItem {
  const limit = rules.length('footing.square.limit');
  const what = square.rectangles[0]
    ? `Square: both diagonals of ${square.rectangles.length === 1 ? 'the rectangle' : 'every rectangle'} measured and equal.`
    : 'Corners and diagonals measured, all as planned.';
  if (adjusted.length === 0) return open('square', what, 'Nothing measured yet.');
  const worst = Math.max(0, ...adjusted.flatMap((loop) => loop.moves.map((move) => move.size)));
  const size = showLength(worst as typeof limit, units, { style: 'inches' });
  if (adjusted.some((loop) => !loop.agree)) {
    return {
      id: 'square',
      what,
      measured: 'wrong',
      note: 'The diagonals disagree. Measure again what looks wrong.',
    };
  }
  const unchecked = adjusted.every((loop) => loop.spare === 0);
  return {
    id: 'square',
    what,
    measured: worst > limit ? 'wrong' : unchecked ? 'open' : 'right',
    note: `The worst corner is ${size} off${unchecked ? '; one more diagonal would check it' : ''}.`,
  };
}

function levelItem({ survey, bases, units, rules }: ReadyInput): ReadyItem {
  const rock = bases.kind === 'rock';
  const what = rock ? 'Rock surveyed along every wall.' : 'Footing surveyed along every wall.';
  if (!survey?.high) return open('level', what, 'No survey yet.');
  const note = `${String(survey.shots.length)} readings, ${showLength(survey.outOfLevel, units, { style: 'inches' })} from the lowest to the highest.`;
  if (rock) return { id: 'level', what, measured: 'right', note };
  if (survey.pastMost.length > 0) {
    return {
      id: 'level',
      what,
      measured: 'wrong',
      note: `${note} Out by more than ${showLength(rules.length('footing.level.most'), units, { style: 'inches' })} at ${String(survey.pastMost.length)} places: fix it first.`,
    };
  }
  return { id: 'level', what, measured: survey.pastLimit.length > 0 ? 'wrong' : 'right', note };
}

function afterItem({ after, units, rules }: ReadyInput): ReadyItem {
  const step = rules.length('footing.shim.step');
  const within = showLength(step, units, { style: 'inches' });
  const what = `First course shimmed and level within ${within}.`;
  if (!after?.high) return open('after', what, 'Not surveyed again since it was shimmed.');
  return {
    id: 'after',
    what,
    measured: after.outOfLevel <= step ? 'right' : 'wrong',
    note: `${showLength(after.outOfLevel, units, { style: 'inches' })} is left.`,
  };
}

/** What a kind of footing asks for besides. */
function kindItems({ bases, units }: ReadyInput): readonly ReadyItem[] {
  switch (bases.kind) {
    case 'strip':
      return [open('strip', 'Footing clean and hard enough to walk on, its keyway or dowels as drawn.')];
    case 'forms':
      return [
        open('forms:stone', 'Stone level within an inch, mounded halfway up outside.'),
        open('forms:ties', 'Ties on center, split ties in the miters, stakes in.'),
        open('forms:bars', 'Bars in the hooks of the ties, lapped and tied as drawn.'),
        open('forms:bead', 'Foam bead run where wall form meets footing form.'),
      ];
    case 'rock':
      return [
        open('rock:clean', 'Rock clean, loose stone off, no ice or standing water.'),
        open('rock:bars', 'Bars pinned to the rock as the engineer says.'),
        open('rock:wood', 'Wood blocks under their webs, form blocks do not rock.'),
        open('rock:gap', 'Gap closed as listed, open places known to the pump operator.'),
      ];
    case 'sheet':
      return [
        open(
          'sheet',
          `Thermal-break sheet${bases.sheet === null ? '' : `, ${showLength(bases.sheet, units, { style: 'inches' })},`} tight-jointed, dowels drilled and epoxied through it as drawn.`,
        ),
      ];
  }
}

/** Hands of the first course's corners, so that the first one is laid right: `A LH, B LH`. */
function handItem({ standing }: ReadyInput): readonly ReadyItem[] {
  const hands = [...standing]
    .sort((a, b) => a.station - b.station)
    .flatMap((piece) =>
      piece.kind === 'corner' && piece.make === 'moulded' ? [`${piece.corner} ${piece.hand}`] : [],
    );
  return hands.length === 0 ? [] : [open('hands', `Corner hands of the first course: ${hands.join(', ')}.`)];
}

const GLUE: Readonly<Record<FirstCourse['glue'], string>> = {
  'two-courses-first': 'Two courses stacked dry, every cut checked, then glued down.',
  'as-laid': 'Every block glued down as it was laid, to the line.',
  'foamed-last': 'Both faces to be foamed when all is stacked: marked for the last day.',
  mortar: 'First course bedded in mortar, shims left in until it has set.',
};

/** The list of what is looked at before the walls go on, made from this job. */
export function readyList(input: ReadyInput): readonly ReadyItem[] {
  const { bases, firstCourse } = input;
  const risers = bases.loops.flatMap((loop) => loop.walls.flatMap((wall) => wall.risers));
  const items: readonly ReadyItem[] = [
    ...kindItems(input),
    ...(risers.length === 0
      ? []
      : [
          open('steps', `${String(risers.length)} steps in the footing, each as high as drawn, faces plumb.`),
        ]),
    open('dowels', 'Dowels clear of the webs, capped while anyone can fall on them.'),
    ...chalkItems(input),
    squareItem(input),
    levelItem(input),
    ...handItem(input),
    open(
      'held',
      {
        track: 'Track screwed down on both lines.',
        kickers: 'Kicker boards down on both lines.',
        forms: 'First course seated in the footing forms, on their bead of foam.',
      }[firstCourse.hold],
    ),
    open('ties', 'Joints of the first course tied.'),
    afterItem(input),
    ...(firstCourse.hold === 'forms' ? [] : [open('glue', GLUE[firstCourse.glue])]),
    open('line', 'Walls straight to the string line, corners plumb.'),
    open(
      'inspector',
      'Seen by the inspector, where the local code asks for it before the footing is covered.',
    ),
  ];
  return items;
}

import {
  type Length,
  add,
  readLength,
  showLength,
  storeLength,
  subtract,
  abs,
  ZERO,
} from '../../kernel/measure';
import { type OpeningProblem, type Openings, buckName } from '.';
import type { Opening } from './plan';
import type { Plan } from '../../kernel/plan';
import { openingsRules } from './rules';
import { type Notice, type NoticeFix, type NoticeTable, noticesOf } from '../../kernel/notices';

/** Name and place are given for every problem of an opening alike. */
type Given = 'where' | 'place';

type Context = Pick<Plan, 'units' | 'openings'>;

const FIELDS = {
  at: 'distance from the corner',
  width: 'width',
  height: 'height',
  sill: 'sill',
  head: 'head',
  rise: 'rise',
  threshold: 'step of the threshold',
} as const;

/** An opening moved along its wall by so much, away from its wall's first corner. */
function movedBy(opening: Opening | undefined, by: Length, plan: Context): readonly NoticeFix[] {
  const at = opening && readLength(opening.at, plan.units);
  if (!opening || !at?.ok) return [];
  const next = opening.from === 'start' ? add(at.length, by) : subtract(at.length, by);
  const size = showLength(abs(by), plan.units);
  return [
    {
      label: `Move it ${size}`,
      edit: {
        kind: 'set-opening',
        opening: opening.id,
        change: { at: storeLength(next, plan.units) },
      },
    },
  ];
}

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<OpeningProblem['kind'], string>> = {
  'wall-gone': 'Openings whose wall is gone',
  unreadable: 'Openings that cannot be read',
  'off-wall': 'Openings off their wall',
  overlaps: 'Openings that overlap',
  'below-footing': 'Openings below the footing',
  'above-wall': 'Openings above the wall',
  'open-top': 'Openings with no wall above',
  'rise-too-high': 'Round tops too high',
  'short-pier': 'Short piers',
  'nothing-to-hold-down': 'Thresholds too low to hold down',
  'at-tee': 'Openings where inside walls meet',
  'on-curve': 'Openings in a curve',
  'not-lined-through': 'Heads that do not line up',
  'buck-figure': 'Buck sizes that cannot be used',
};

function wording(plan: Context, nameOf: (wall: string) => string): NoticeTable<OpeningProblem, Given> {
  const show = (length: Length): string => showLength(length, plan.units);
  const inInches = (length: Length): string => showLength(length, plan.units, { style: 'inches' });
  return {
    'wall-gone': (problem) => ({
      severity: 'check',
      what: 'The wall is gone. This opening is kept but not used. Choose another wall, or remove it.',
      fixes: [{ label: 'Remove it', edit: { kind: 'remove-opening', opening: problem.opening } }],
    }),
    unreadable: (problem) => ({
      key: problem.field,
      severity: 'stop',
      what:
        problem.text.trim() === ''
          ? `The ${FIELDS[problem.field]} is missing. The opening is left out until you enter it.`
          : readLength(problem.text, plan.units).ok
            ? `The ${FIELDS[problem.field]} “${problem.text}” must be above zero. The opening is left out until you correct it.`
            : `The ${FIELDS[problem.field]} “${problem.text}” cannot be read as a length. The opening is left out until you correct it.`,
    }),
    'off-wall': (problem) => ({
      severity: 'stop',
      what: `Reaches ${inInches(problem.by)} too far at corner ${problem.corner}, past this wall or into the next. It is left out.`,
      fixes: movedBy(
        plan.openings?.find((each) => each.id === problem.opening),
        problem.end === 'start' ? problem.by : subtract(ZERO, problem.by),
        plan,
      ),
    }),
    overlaps: (problem) => ({
      key: problem.other,
      severity: 'stop',
      what: `Overlaps ${problem.other}, bucks included. It is left out. Move one of them.`,
    }),
    'below-footing': (problem) => ({
      severity: 'stop',
      what: `Reaches ${inInches(problem.by)} below the footing of ${nameOf(problem.wall)}. It is left out.`,
      fixes: [
        {
          label: 'Set it on the footing',
          edit: { kind: 'set-opening', opening: problem.opening, change: { sill: null, head: null } },
        },
      ],
    }),
    'above-wall': () => ({ severity: 'stop', what: 'Above the top of the wall. It is left out.' }),
    'open-top': (problem) => ({
      severity: 'check',
      what: `The head is ${inInches(problem.by)} above the top of the wall: planned as open at the top, with no lintel.`,
    }),
    'rise-too-high': (problem) => ({
      severity: 'check',
      what: `A round top rises at most half its width, ${inInches(problem.most)} here, which is used.`,
      fixes: [
        {
          label: 'Make it a half round',
          edit: { kind: 'set-opening', opening: problem.opening, change: { rise: null } },
        },
      ],
    }),
    'short-pier': (problem) => ({
      severity: 'check',
      rule: 'openings.pier.least',
      what: `Only ${inInches(problem.left)} of wall is left to ${problem.beyond}. Strap both faces of that pier, and brace it.`,
      why: openingsRules['openings.pier.least'].reason,
    }),
    'nothing-to-hold-down': (problem) => ({
      severity: 'check',
      what: `The wall under the sill is ${inInches(problem.has)}, too low to hold down by ${inInches(problem.depth)}. Nothing is taken off. Raise the sill, or stop the slab inside.`,
      fixes: [
        {
          label: 'Stop the slab inside',
          edit: {
            kind: 'set-opening',
            opening: problem.opening,
            change: { threshold: { kind: 'slab-inside' } },
          },
        },
      ],
    }),
    'at-tee': (problem) => ({
      severity: 'check',
      what: `${nameOf(problem.other)} meets the wall here: ${inInches(problem.behind)} of the opening would lie behind it. Move the opening, or that wall.`,
      fixes: [problem.back, problem.on]
        .sort((a, b) => abs(a) - abs(b))
        .flatMap((by) =>
          movedBy(
            plan.openings?.find(({ id }) => id === problem.opening),
            by,
            plan,
          ).map((fix) => ({ ...fix, label: `${fix.label} toward ${problem.corners[by < 0 ? 0 : 1]}` })),
        ),
    }),
    'on-curve': () => ({
      severity: 'check',
      what: 'In a curved wall: the width is measured along the longer face, and the buck must be built to the curve.',
    }),
    'not-lined-through': (problem) => ({
      severity: 'tip',
      rule: 'openings.head.near',
      what: `The head at ${show(problem.head)} does not line up with ${problem.door} at ${show(problem.doorHead)}.`,
      why: openingsRules['openings.head.near'].reason,
      fixes: [
        {
          label: `Line it up at ${show(problem.doorHead)}`,
          edit: {
            kind: 'set-opening',
            opening: problem.opening,
            change: { head: storeLength(problem.doorHead, plan.units) },
          },
        },
      ],
    }),
    'buck-figure': (problem) => ({
      severity: 'check',
      key: problem.buck,
      where: buckName(problem.buck),
      place: {},
      what: `“${problem.text}” cannot be used as a size of this buck. The usual size is used.`,
      fixes: [
        {
          label: 'Use the usual sizes',
          edit: {
            kind: 'set-buck',
            buck: problem.buck,
            change: { thickness: null, stock: null, kerf: null },
          },
        },
      ],
    }),
  };
}

/** What is wrong with openings, or should be known of them. */
export function openingNotices(
  openings: Openings,
  plan: Context,
  nameOf: (wall: string) => string,
): readonly Notice[] {
  return noticesOf<OpeningProblem, Given>(openings.problems, {
    before: 'opening-',
    stage: 'openings',
    about: ABOUT,
    table: wording(plan, nameOf),
    given: (problem) =>
      'opening' in problem
        ? {
            where: problem.name,
            place: { opening: problem.opening, ...('wall' in problem ? { wall: problem.wall } : {}) },
          }
        : { where: '', place: {} },
  });
}

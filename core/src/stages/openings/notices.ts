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

function wording(plan: Context, nameOf: (wall: string) => string): NoticeTable<OpeningProblem, Given> {
  const show = (length: Length): string => showLength(length, plan.units);
  const inInches = (length: Length): string => showLength(length, plan.units, { style: 'inches' });
  return {
    'wall-gone': (problem) => ({
      severity: 'mind',
      what: 'Its wall is gone. It is kept, but nothing is worked for it: give it another wall, or take it out.',
      fixes: [{ label: 'Take it out', edit: { kind: 'remove-opening', opening: problem.opening } }],
    }),
    unreadable: (problem) => ({
      key: problem.field,
      severity: 'stop',
      what:
        problem.text.trim() === ''
          ? `Its ${FIELDS[problem.field]} is missing; it is left out until that is given.`
          : readLength(problem.text, plan.units).ok
            ? `Its ${FIELDS[problem.field]}, “${problem.text}”, must be more than nothing; it is left out until that is mended.`
            : `Its ${FIELDS[problem.field]}, “${problem.text}”, cannot be read as a length; it is left out until that is mended.`,
    }),
    'off-wall': (problem) => ({
      severity: 'stop',
      what: `It reaches ${inInches(problem.by)} too far at corner ${problem.corner}, past the wall or into the one that meets it there; it is left out.`,
      fixes: movedBy(
        plan.openings?.find((each) => each.id === problem.opening),
        problem.end === 'start' ? problem.by : subtract(ZERO, problem.by),
        plan,
      ),
    }),
    overlaps: (problem) => ({
      key: problem.other,
      severity: 'stop',
      what: `It overlaps ${problem.other}, bucks and all; it is left out. Move one of them.`,
    }),
    'below-footing': (problem) => ({
      severity: 'stop',
      what: `It reaches ${inInches(problem.by)} below the footing of ${nameOf(problem.wall)}; it is left out.`,
      fixes: [
        {
          label: 'Stand it on the footing',
          edit: { kind: 'set-opening', opening: problem.opening, change: { sill: null, head: null } },
        },
      ],
    }),
    'above-wall': () => ({ severity: 'stop', what: 'It lies above the top of the wall; it is left out.' }),
    'open-top': (problem) => ({
      severity: 'mind',
      what: `Its head is ${inInches(problem.by)} above the top of the wall: it is worked as open at the top, without a lintel.`,
    }),
    'rise-too-high': (problem) => ({
      severity: 'mind',
      what: `A round top rises half its width at the most: ${inInches(problem.most)} here. It is worked so.`,
      fixes: [
        {
          label: 'A half round',
          edit: { kind: 'set-opening', opening: problem.opening, change: { rise: null } },
        },
      ],
    }),
    'short-pier': (problem) => ({
      severity: 'mind',
      rule: 'openings.pier.least',
      what: `Only ${inInches(problem.left)} of wall is left between it and ${problem.beyond}. Strap both faces of that pier, and brace it.`,
      why: openingsRules['openings.pier.least'].reason,
    }),
    'nothing-to-hold-down': (problem) => ({
      severity: 'mind',
      what: `There is ${inInches(problem.has)} of wall under it, too little to be held down by ${inInches(problem.depth)}; nothing is taken off. Raise its sill, or stop the slab inside.`,
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
    'on-curve': () => ({
      severity: 'mind',
      what: 'It stands in a curved wall: its width is told along the longer face, and its buck has to be built to the curve.',
    }),
    'not-lined-through': (problem) => ({
      severity: 'tip',
      rule: 'openings.head.near',
      what: `Its head at ${show(problem.head)} misses that of ${problem.door} at ${show(problem.doorHead)}.`,
      why: openingsRules['openings.head.near'].reason,
      fixes: [
        {
          label: `Line it through at ${show(problem.doorHead)}`,
          edit: {
            kind: 'set-opening',
            opening: problem.opening,
            change: { head: storeLength(problem.doorHead, plan.units) },
          },
        },
      ],
    }),
    'buck-figure': (problem) => ({
      severity: 'mind',
      key: problem.buck,
      where: buckName(problem.buck),
      place: { stage: 'openings' },
      what: `“${problem.text}” cannot be used as a figure of this buck; the usual one stands.`,
      fixes: [
        {
          label: 'Back to the usual figures',
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
  return noticesOf<OpeningProblem, Given>('opening-', openings.problems, wording(plan, nameOf), (problem) =>
    'opening' in problem
      ? {
          where: problem.name,
          place: {
            stage: 'openings',
            opening: problem.opening,
            ...('wall' in problem ? { wall: problem.wall } : {}),
          },
        }
      : { where: '', place: {} },
  );
}

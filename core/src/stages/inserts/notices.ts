import type { InsertProblem, Inserts } from '.';
import {
  type Length,
  abs,
  add,
  readLength,
  showLength,
  storeLength,
  subtract,
  ZERO,
} from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';
import { insertsRules } from './rules';
import { type Notice, type NoticeFix, type NoticeTable, type Told, noticesOf } from '../../kernel/notices';

/** Its name and its place are given for every problem alike. */
type Given = 'where' | 'place';

type Context = Pick<Plan, 'units' | 'inserts'>;

/** An insert moved off a joint, away from it. */
function offJoint(problem: Extract<InsertProblem, { kind: 'on-joint' }>, inserts: Inserts, plan: Context) {
  const insert = plan.inserts?.find((each) => each.id === problem.insert);
  const placed = inserts.placed.find((each) => each.id === problem.insert);
  const at = insert && readLength(insert.at, plan.units);
  if (!insert || !placed || !at?.ok) return [];
  const onward = (placed.rect.from + placed.rect.to) / 2 >= problem.at;
  const away = onward === (insert.from === 'start');
  const next = away ? add(at.length, problem.off) : subtract(at.length, problem.off);
  const fix: NoticeFix = {
    label: `Move it ${showLength(problem.off, plan.units, { style: 'inches' })}`,
    edit: { kind: 'set-insert', insert: insert.id, change: { at: storeLength(next, plan.units) } },
  };
  return [fix];
}

/** An insert moved along its wall, farther from the wall's first corner positive. */
function moved(id: string, shift: Length, plan: Context, what: string): readonly NoticeFix[] {
  const insert = plan.inserts?.find((each) => each.id === id);
  const at = insert && readLength(insert.at, plan.units);
  if (!insert || !at?.ok) return [];
  const next = insert.from === 'start' ? add(at.length, shift) : subtract(at.length, shift);
  return [
    {
      label: `Move ${what} ${showLength(abs(shift), plan.units, { style: 'inches' })} ${shift > 0 === (insert.from === 'start') ? 'farther in' : 'nearer to its corner'}`,
      edit: { kind: 'set-insert', insert: id, change: { at: storeLength(next, plan.units) } },
    },
  ];
}

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<InsertProblem['kind'], string>> = {
  'wall-gone': 'Inserts whose wall is gone',
  unreadable: 'Inserts that cannot be read',
  'too-many-fixings': 'Too many anchors or plates',
  'off-wall': 'Inserts off their wall',
  'off-height': 'Inserts above or below the wall',
  'in-opening': 'Inserts inside an opening',
  'near-opening': 'Inserts close to an opening',
  'near-insert': 'Inserts close together',
  'near-corner': 'Inserts close to a corner',
  'on-joint': 'Inserts on a joint',
  'anchor-gap': 'Ledger stretches without a clear anchor place',
  'plates-blocked': 'Hanger plates on webs or joints',
  'at-tee': 'Inserts where inside walls meet',
  'too-deep': 'Inserts deeper than the core',
  'falls-little': 'Drains with too little fall',
  'ledge-off-course': 'Ledges off the course line',
};

function wording(
  inserts: Inserts,
  plan: Context,
  nameOf: (wall: string) => string,
): NoticeTable<InsertProblem, Given> {
  const inInches = (length: Length): string => showLength(length, plan.units, { style: 'inches' });
  const offWall = ({
    by,
    corner,
    wall,
    inside,
    none,
  }: Extract<InsertProblem, { kind: 'off-wall' }>): string => {
    const face = inside ? ' on the inside face' : '';
    const past = by > 0 ? `${inInches(by)} past` : 'at';
    return none
      ? `Begins ${past} corner ${corner} of ${nameOf(wall)}${face}: nothing of it is on the wall. Measure it again.`
      : `Reaches ${past} corner ${corner} of ${nameOf(wall)}${face}. Move it${inside ? ', or make it shorter' : ''}.`;
  };
  const clear = (left: Length, from: string): Omit<Told, Given> => ({
    severity: 'check',
    rule: 'inserts.clear',
    what:
      left < 0
        ? `Runs ${inInches(subtract(ZERO, left))} into ${from}. Move one of them.`
        : `Only ${inInches(left)} of wall is left to ${from}.`,
    why: insertsRules['inserts.clear'].reason,
  });
  return {
    'wall-gone': (problem) => ({
      severity: 'check',
      what: 'The wall is gone. This insert is kept but not used. Choose another wall, or remove it.',
      fixes: [{ label: 'Remove it', edit: { kind: 'remove-insert', insert: problem.insert } }],
    }),
    unreadable: (problem) => ({
      key: problem.field,
      severity: 'stop',
      what:
        problem.text.trim() === ''
          ? `“${problem.field}” is missing. The insert is left out until you enter it.`
          : readLength(problem.text, plan.units).ok
            ? `“${problem.field}” of “${problem.text}” must be above zero. The insert is left out until you correct it.`
            : `“${problem.field}” of “${problem.text}” cannot be read as a length. The insert is left out until you correct it.`,
    }),
    'too-many-fixings': (problem) => ({
      severity: 'stop',
      what: `${String(problem.fixings)} anchors or plates is too many; one job lays out up to ${String(problem.most)}. Space them wider. The insert is left out until then.`,
    }),
    'off-wall': (problem) => ({
      key: problem.corner,
      severity: 'stop',
      what: offWall(problem),
    }),
    'off-height': (problem) => ({
      severity: 'check',
      what: `All or part of it is ${problem.where === 'above' ? 'above the top' : 'below the footing'} of ${nameOf(problem.wall)}.`,
    }),
    'in-opening': (problem) => ({
      severity: 'stop',
      what: `Sits inside ${problem.opening}. Move one of them.`,
    }),
    'near-opening': (problem) => clear(problem.left, problem.opening),
    'near-insert': (problem) => clear(problem.left, problem.other),
    'near-corner': (problem) => clear(problem.left, `the other wall at corner ${problem.corner}`),
    'on-joint': (problem) => ({
      key: problem.course,
      severity: 'check',
      rule: 'inserts.joint.clear',
      what: `Sits on a joint of course ${String(problem.course)} at ${showLength(problem.at, plan.units)}.`,
      why: insertsRules['inserts.joint.clear'].reason,
      fixes: offJoint(problem, inserts, plan),
    }),
    'anchor-gap': ({ from, to, places }) => ({
      severity: 'check',
      rule: 'inserts.ledger.spacing',
      what: `Between ${showLength(from, plan.units)} and ${showLength(to, plan.units)} no anchor keeps its distance and clears webs, joints and joists${places > 1 ? `; ${String(places - 1)} more ${places === 2 ? 'stretch' : 'stretches'} like it` : ''}. Shift the joists, or ask the engineer for a closer pair beside it.`,
    }),
    'plates-blocked': ({ insert, plates, of, first, shift }) => ({
      severity: 'check',
      rule: 'inserts.ledger.web',
      what: `${plates === of ? 'All' : String(plates)} of ${String(of)} plates meet a web or a joint, the first at ${showLength(first, plan.units)}. ${shift === null ? 'Cut the slots beside it, and ask the engineer whether the plate may sit off its joist.' : 'Move the whole row, or cut the slots beside the webs.'}`,
      fixes: shift === null ? [] : moved(insert, shift, plan, 'the row'),
    }),
    'at-tee': ({ insert, other, run, from, to, back, on }) => ({
      key: other,
      severity: 'check',
      what: run
        ? `${nameOf(other)} meets the wall from ${showLength(from, plan.units)} to ${showLength(to, plan.units)}: end it on either side, and begin anew beyond.`
        : `${nameOf(other)} meets the wall here. Move it, or that wall.`,
      fixes: run
        ? []
        : [back, on].sort((a, b) => abs(a) - abs(b)).flatMap((shift) => moved(insert, shift, plan, 'it')),
    }),
    'too-deep': (problem) => ({
      severity: 'stop',
      what: `${inInches(problem.depth)} deep in a core of ${inInches(problem.core)}: it would come out the other side.`,
    }),
    'falls-little': (problem) => ({
      severity: 'check',
      rule: 'inserts.drain.fall',
      what: `Falls ${inInches(problem.fall)} through the wall. Give it at least ${inInches(problem.least)}.`,
      why: insertsRules['inserts.drain.fall'].reason,
      fixes: [
        {
          label: `Fall ${inInches(problem.least)}`,
          edit: {
            kind: 'set-insert',
            insert: problem.insert,
            change: { fall: storeLength(problem.least, plan.units) },
          },
        },
      ],
    }),
    'ledge-off-course': (problem) => ({
      severity: 'check',
      what: 'The ledge top is off the course line. The blocks that carry it end at a course.',
      fixes: [
        {
          label: `Top at ${showLength(problem.nearest, plan.units)}`,
          edit: {
            kind: 'set-insert',
            insert: problem.insert,
            change: { up: storeLength(problem.nearest, plan.units) },
          },
        },
      ],
    }),
  };
}

/** What is wrong with inserts, and where they clash. */
export function insertNotices(
  inserts: Inserts,
  plan: Context,
  nameOf: (wall: string) => string,
): readonly Notice[] {
  return noticesOf<InsertProblem, Given>(inserts.problems, {
    before: 'insert-',
    stage: 'openings',
    about: ABOUT,
    table: wording(inserts, plan, nameOf),
    given: (problem) => ({
      where: problem.name,
      place: { insert: problem.insert, ...('wall' in problem ? { wall: problem.wall } : {}) },
    }),
  });
}

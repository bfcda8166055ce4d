import type { InsertProblem, Inserts } from '.';
import { type Length, add, readLength, showLength, storeLength, subtract, ZERO } from '../../kernel/measure';
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

function wording(
  inserts: Inserts,
  plan: Context,
  nameOf: (wall: string) => string,
): NoticeTable<InsertProblem, Given> {
  const inInches = (length: Length): string => showLength(length, plan.units, { style: 'inches' });
  const clear = (left: Length, from: string): Omit<Told, Given> => ({
    severity: 'mind',
    rule: 'inserts.clear',
    what:
      left < 0
        ? `It runs ${inInches(subtract(ZERO, left))} into ${from}. Move one of them.`
        : `Only ${inInches(left)} of wall is left between it and ${from}.`,
    why: insertsRules['inserts.clear'].reason,
  });
  return {
    'wall-gone': (problem) => ({
      severity: 'mind',
      what: 'Its wall is gone. It is kept, but nothing is worked for it: give it another wall, or take it out.',
      fixes: [{ label: 'Take it out', edit: { kind: 'remove-insert', insert: problem.insert } }],
    }),
    unreadable: (problem) => ({
      key: problem.field,
      severity: 'stop',
      what:
        problem.text.trim() === ''
          ? `Its “${problem.field}” is missing; it is left out until that is given.`
          : readLength(problem.text, plan.units).ok
            ? `Its “${problem.field}”, “${problem.text}”, must be more than nothing; it is left out until that is mended.`
            : `Its “${problem.field}”, “${problem.text}”, cannot be read as a length; it is left out until that is mended.`,
    }),
    'too-many-fixings': (problem) => ({
      severity: 'stop',
      what: `It takes ${String(problem.fixings)} anchors or plates; ${String(problem.most)} at most are laid out in one job. Space them wider; it is left out until then.`,
    }),
    'off-wall': (problem) => ({
      key: problem.corner,
      severity: 'stop',
      what: `It reaches ${inInches(problem.by)} past corner ${problem.corner} of ${nameOf(problem.wall)}.`,
    }),
    'off-height': (problem) => ({
      severity: 'mind',
      what: `It lies ${problem.where === 'above' ? 'above the top' : 'below the footing'} of ${nameOf(problem.wall)}, in part or altogether.`,
    }),
    'in-opening': (problem) => ({
      severity: 'stop',
      what: `It lies in ${problem.opening}. Move one of them.`,
    }),
    'near-opening': (problem) => clear(problem.left, problem.opening),
    'near-insert': (problem) => clear(problem.left, problem.other),
    'near-corner': (problem) => clear(problem.left, `the wall that meets at corner ${problem.corner}`),
    'on-joint': (problem) => ({
      key: problem.course,
      severity: 'mind',
      rule: 'inserts.joint.clear',
      what: `It meets a joint of course ${String(problem.course)} at ${showLength(problem.at, plan.units)}.`,
      why: insertsRules['inserts.joint.clear'].reason,
      fixes: offJoint(problem, inserts, plan),
    }),
    'too-deep': (problem) => ({
      severity: 'stop',
      what: `It reaches ${inInches(problem.depth)} into a core of ${inInches(problem.core)}: it would come out on the other side.`,
    }),
    'falls-little': (problem) => ({
      severity: 'mind',
      rule: 'inserts.drain.fall',
      what: `It falls ${inInches(problem.fall)} over the wall; give it ${inInches(problem.least)} at least.`,
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
      severity: 'mind',
      what: 'The top of the ledge is not a course line: the pieces that carry it end there.',
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
  return noticesOf<InsertProblem, Given>(
    'insert-',
    inserts.problems,
    wording(inserts, plan, nameOf),
    (problem) => ({
      where: problem.name,
      place: {
        stage: 'openings',
        insert: problem.insert,
        ...('wall' in problem ? { wall: problem.wall } : {}),
      },
    }),
  );
}

import type { InsertProblem, Inserts } from '.';
import { type Length, add, readLength, showLength, storeLength, subtract } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';
import { insertsRules } from './rules';
import type { Notice, NoticeFix } from '../../kernel/notices/notice';

type Wording = Pick<Notice, 'severity' | 'what'> & Partial<Pick<Notice, 'why' | 'rule' | 'fixes'>>;

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
  problem: InsertProblem,
  inserts: Inserts,
  plan: Context,
  nameOf: (wall: string) => string,
): Wording {
  const inInches = (length: Length): string => showLength(length, plan.units, { style: 'inches' });
  const clear = (left: Length, from: string): Wording => ({
    severity: 'mind',
    rule: 'inserts.clear',
    what:
      left < 0
        ? `It runs ${inInches((0 - left) as Length)} into ${from}. Move one of them.`
        : `Only ${inInches(left)} of wall is left between it and ${from}.`,
    why: insertsRules['inserts.clear'].reason,
  });
  switch (problem.kind) {
    case 'wall-gone':
      return {
        severity: 'mind',
        what: 'Its wall is gone. It is kept, but nothing is worked for it: give it another wall, or take it out.',
        fixes: [{ label: 'Take it out', edit: { kind: 'remove-insert', insert: problem.insert } }],
      };
    case 'unreadable':
      return {
        severity: 'stop',
        what:
          problem.text.trim() === ''
            ? `Its “${problem.field}” is missing; it is left out until that is given.`
            : readLength(problem.text, plan.units).ok
              ? `Its “${problem.field}”, “${problem.text}”, must be more than nothing; it is left out until that is mended.`
              : `Its “${problem.field}”, “${problem.text}”, cannot be read as a length; it is left out until that is mended.`,
      };
    case 'too-many-fixings':
      return {
        severity: 'stop',
        what: `It takes ${String(problem.fixings)} anchors or plates; ${String(problem.most)} at most are laid out in one job. Space them wider; it is left out until then.`,
      };
    case 'off-wall':
      return {
        severity: 'stop',
        what: `It reaches ${inInches(problem.by)} past corner ${problem.corner} of ${nameOf(problem.wall)}.`,
      };
    case 'off-height':
      return {
        severity: 'mind',
        what: `It lies ${problem.where === 'above' ? 'above the top' : 'below the footing'} of ${nameOf(problem.wall)}, in part or altogether.`,
      };
    case 'in-opening':
      return { severity: 'stop', what: `It lies in ${problem.opening}. Move one of them.` };
    case 'near-opening':
      return clear(problem.left, problem.opening);
    case 'near-insert':
      return clear(problem.left, problem.other);
    case 'near-corner':
      return clear(problem.left, `the wall that meets at corner ${problem.corner}`);
    case 'on-joint':
      return {
        severity: 'mind',
        rule: 'inserts.joint.clear',
        what: `It meets a joint of course ${String(problem.course)} at ${showLength(problem.at, plan.units)}.`,
        why: insertsRules['inserts.joint.clear'].reason,
        fixes: offJoint(problem, inserts, plan),
      };
    case 'too-deep':
      return {
        severity: 'stop',
        what: `It reaches ${inInches(problem.depth)} into a core of ${inInches(problem.core)}: it would come out on the other side.`,
      };
    case 'falls-little':
      return {
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
      };
    case 'ledge-off-course':
      return {
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
      };
  }
}

/** What is wrong with inserts, and where they clash. */
export function insertNotices(
  inserts: Inserts,
  plan: Context,
  nameOf: (wall: string) => string,
): readonly Notice[] {
  return inserts.problems.map((problem, index): Notice => ({
    id: `insert-${problem.kind}:${problem.insert}:${String(index)}`,
    where: problem.name,
    place: {
      stage: 'openings',
      insert: problem.insert,
      ...('wall' in problem ? { wall: problem.wall } : {}),
    },
    fixes: [],
    ...wording(problem, inserts, plan, nameOf),
  }));
}

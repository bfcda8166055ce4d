import type { Plan } from '../../kernel/plan';
import { type Length, showLength } from '../../kernel/measure';
import { type Notice, type NoticeTable, type Told, noticesOf } from '../../kernel/notices';
import type { Ground, GroundProblem } from './ground';
import { pourName } from './pourName';
import { outlineRules } from './rules';

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<GroundProblem['kind'], string>> = {
  'ground-unreadable': 'Ground heights that cannot be read',
  'ground-above-top': 'Ground above the walls',
  'ground-falls': 'Ground lower than before',
  'fill-unbalanced': 'Fill much higher on one side',
  'fill-around-empty': 'Fill around empty forms',
  'fill-empty-uneven': 'Uneven fill around empty forms',
};

function wording(
  plan: Pick<Plan, 'pours' | 'units'>,
  nameOf: (wall: string) => string,
): NoticeTable<GroundProblem> {
  const show = (length: Length): string => showLength(length, plan.units);
  const named = (pour: string): string => pourName(plan.pours, pour);
  const onWall = (wall: string): Pick<Told, 'where' | 'place'> => ({
    where: nameOf(wall),
    place: { wall },
  });
  const onPours = { where: 'Pours', place: { setting: 'courses' as const } };
  return {
    'ground-unreadable': ({ pour, side, wall, text }) => ({
      key: [pour, side],
      severity: 'stop',
      ...(wall === null ? onPours : onWall(wall)),
      what: `“${text}” cannot be read as the ground ${side} after ${named(pour)}. Enter a height above the lowest footing, like 3′ 6″.`,
    }),
    'ground-above-top': ({ pour, side, wall, to, top }) => ({
      key: [pour, side],
      severity: 'stop',
      ...onWall(wall),
      what: `The ground ${side} after ${named(pour)} is at ${show(to)}, above what is poured of this wall by then, ${show(top)}. Lower it, or give this wall its own height.`,
    }),
    'ground-falls': ({ pour, side, wall, to, was }) => ({
      key: [pour, side],
      severity: 'check',
      ...onWall(wall),
      what: `The ground ${side} after ${named(pour)} is at ${show(to)}, lower than before, ${show(was)}. The higher one is used.`,
    }),
    'fill-unbalanced': ({ pour, wall, by, most }) => ({
      key: pour,
      severity: 'check',
      ...onWall(wall),
      rule: 'ground.fill.unbalanced',
      what: `After ${named(pour)} the fill is ${show(by)} higher on one side; the limit is ${show(most)}. Floor on or braces in first, then fill in passes.`,
      why: 'The engineer and the local code say when a wall may be backfilled.',
    }),
    'fill-around-empty': ({ pour, to }) => ({
      key: pour,
      severity: 'check',
      ...onPours,
      rule: 'ground.fill.empty',
      what: `${named(pour)} is filled around up to ${show(to)} before its concrete. Fill both sides in the same thin passes, tamp by hand, and sight the walls after each.`,
      why: outlineRules['ground.fill.empty'].reason,
    }),
    'fill-empty-uneven': ({ pour, wall, by, most }) => ({
      key: pour,
      severity: 'stop',
      ...onWall(wall),
      rule: 'ground.fill.empty',
      what: `Empty forms of ${named(pour)} would hold ${show(by)} more fill on one side; the limit is ${show(most)}. Fill both sides alike, or fill after the pour.`,
      why: outlineRules['ground.fill.empty'].reason,
    }),
  };
}

/** What the ground from pour to pour has to say, in the words and units of the job. */
export const groundNotices = (
  ground: Ground,
  plan: Pick<Plan, 'pours' | 'units'>,
  nameOf: (wall: string) => string,
): readonly Notice[] =>
  noticesOf(ground.problems, { before: '', stage: 'outline', about: ABOUT, table: wording(plan, nameOf) });

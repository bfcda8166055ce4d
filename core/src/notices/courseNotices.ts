import type { CourseFinding, Courses, StrapReason } from '../courses';
import { type Length, type UnitSystem, showLength } from '../measure';
import { type HouseRules, RULES, type RefusedRule, isRuleId } from '../rules';
import type { Notice } from './notice';

type Wording = Pick<Notice, 'severity' | 'where' | 'what' | 'place'> & Partial<Pick<Notice, 'why' | 'rule'>>;

const REASONS: Readonly<Record<StrapReason, string>> = {
  ear: 'an ear is too long',
  short: 'a piece is too short',
  'web-to-web': 'the webs stand too far apart',
  stagger: 'a joint lies over a joint',
};

const joints = (count: number): string => (count === 1 ? '1 joint' : `${String(count)} joints`);

function wording(finding: CourseFinding, units: UnitSystem, nameOf: (wall: string) => string): Wording {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  switch (finding.kind) {
    case 'courses-out-of-range':
      return {
        severity: 'stop',
        where: 'Courses',
        place: { setting: 'courses' },
        rule: 'courses.most',
        what: `${String(finding.courses)} courses cannot be laid; give a whole number from 1 to ${String(finding.most)}.`,
      };
    case 'stages-out-of-order':
      return {
        severity: 'stop',
        where: 'Stages',
        place: { setting: 'courses' },
        what: `Stage “${finding.stage}” ends no higher than the one before it; stages go from the footing up.`,
      };
    case 'corner-not-laid':
      return {
        severity: 'stop',
        where: `Corner ${finding.corner}`,
        place: { loop: finding.loop, corner: finding.corner },
        what: 'Only square corners are laid so far; this outline keeps its volume but has no courses.',
      };
    case 'cores-differ':
      return {
        severity: 'stop',
        where: `Corner ${finding.corner}`,
        place: { loop: finding.loop, corner: finding.corner },
        what: 'Walls of different core meet here; their corner is not laid so far. Give both walls one core.',
      };
    case 'too-short-for-corners':
      return {
        severity: 'stop',
        where: nameOf(finding.wall),
        place: { wall: finding.wall },
        what: `Its two corner legs need ${showLength(finding.needs, units)} and the wall has ${showLength(finding.has, units)}; make it at least that long.`,
      };
    case 'filler-near-corner':
      return {
        severity: 'mind',
        where: nameOf(finding.wall),
        place: { wall: finding.wall },
        rule: 'courses.filler.blocksFromCorner',
        what: 'A cut piece stands next to a corner: the wall is too short for a whole block on both sides of it.',
        why: RULES['courses.filler.blocksFromCorner'].reason,
      };
    case 'off-pitch':
      return {
        severity: 'mind',
        where: nameOf(finding.wall),
        place: { wall: finding.wall },
        what: `The rest of ${inInches(finding.rest)} is off the ${inInches(finding.pitch)} interlock pitch: past the cut the courses will not nest.`,
        why: 'Nubs and sockets meet only at whole pitches.',
      };
    case 'straps':
      return {
        severity: 'mind',
        where: nameOf(finding.wall),
        place: { wall: finding.wall },
        rule: finding.reasons.includes('short') ? 'courses.filler.shortest' : 'courses.ear.longest',
        what: `Strap ${joints(finding.joints)} at the ${finding.cuts.map(inInches).join(' and ')} cut, both faces: ${finding.reasons
          .map((reason) => REASONS[reason])
          .join(', ')}.`,
        why: RULES['courses.ear.longest'].reason,
      };
    case 'stagger':
      return {
        severity: 'mind',
        where: nameOf(finding.wall),
        place: { wall: finding.wall },
        rule: 'courses.stagger.least',
        what: `${joints(finding.joints)} within ${inInches(finding.closest)} of a joint in the course below; strap there.`,
        why: RULES['courses.stagger.least'].reason,
      };
  }
}

/** What the courses have to say, in the words and units of the job. */
export function courseNotices(
  courses: Courses,
  units: UnitSystem,
  nameOf: (wall: string) => string,
): readonly Notice[] {
  return courses.findings.map((finding): Notice => {
    const words = wording(finding, units, nameOf);
    const at = 'wall' in finding ? finding.wall : 'corner' in finding ? finding.corner : '';
    return { ...words, id: `${finding.kind}:${at}`, fixes: [] };
  });
}

const REFUSALS: Readonly<Record<RefusedRule['reason'], string>> = {
  unknown: 'is no house rule that this Ombra knows; it is kept but not used.',
  unreadable: 'cannot be read; the default stands.',
  'out-of-range': 'is outside what the rule allows; the default stands.',
  'not-a-choice': 'is not one of the rule’s choices; the default stands.',
};

/** House rules of the plan that could not be used. */
export const ruleNotices = (rules: HouseRules): readonly Notice[] =>
  rules.refused.map(({ id, given, reason }): Notice => ({
    id: `rule:${id}`,
    severity: 'mind',
    place: { rule: id },
    where: 'House rules',
    what: `“${reason === 'unknown' ? id : `${isRuleId(id) ? RULES[id].id : id}: ${String(given)}`}” ${REFUSALS[reason]}`,
    fixes: [{ label: 'Take it out', edit: { kind: 'set-rule', rule: id, value: null } }],
  }));

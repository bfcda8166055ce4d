import { coursesRules } from './rules';
import type { CourseFinding, Courses, StrapReason } from '.';
import { type Length, type UnitSystem, showLength, storeLength, abs } from '../../kernel/measure';
import type { Openings } from '../openings';
import { type Notice, type NoticeTable, noticesOf } from '../../kernel/notices';

/** Why a joint wants straps, in the words of the strap list. */
export const STRAP_REASONS: Readonly<Record<StrapReason, string>> = {
  ear: 'an ear is too long',
  short: 'a piece is too short',
  'web-to-web': 'the webs stand too far apart',
  stagger: 'a joint lies over a joint',
  'beside-corner': 'a cut stands beside a corner',
  seam: 'common seam',
  'lapped-corner': 'corner cut from blocks',
  'mitred-corner': 'mitred corner',
  'step-end': 'butts against a footing step',
  'free-end': 'free end: close it with a bulkhead',
  tee: 'another wall meets it here',
  curve: 'curved wall',
  'wide-head': 'boards over a wide head',
  pier: 'short pier',
};

const joints = (count: number): string => (count === 1 ? '1 joint' : `${String(count)} joints`);

function wording(
  openings: Openings,
  units: UnitSystem,
  nameOf: (wall: string) => string,
): NoticeTable<CourseFinding> {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  return {
    'cell-bars': (finding) => ({
      severity: 'tip',
      where: 'Courses',
      place: { setting: 'courses' },
      what: `Horizontal bars lie in the cells of ${finding.courses.length === 1 ? 'course' : 'courses'} ${finding.courses.join(', ')}. Saw the blocks at a cell to turn corners; the drawings say which bars.`,
    }),
    'turn-too-sharp': (finding) => ({
      severity: 'stop',
      where: `Corner ${finding.corner}`,
      place: { loop: finding.loop, corner: finding.corner },
      what: 'This turn is too sharp to be mitred: the cut would run through half a block. Split it into two turns.',
    }),
    'corner-lapped': (finding) => ({
      severity: 'mind',
      where: `Corner ${finding.corner}`,
      place: { loop: finding.loop, corner: finding.corner },
      what: 'Walls of different core meet: no moulded corner fits. Blocks run through in turns, course about; cut the inner panel out where the cores meet, close the open ends with foam, strap both faces.',
      why: 'A corner cut from blocks has no webs round it.',
    }),
    curved: (finding) => {
      const longer = finding.outside >= finding.inside ? 'outer' : 'inner';
      return {
        severity: 'tip',
        where: nameOf(finding.wall),
        place: { wall: finding.wall },
        rule: 'courses.curve.webs',
        what: `Curved: outer face ${showLength(finding.outside, units)}, inner face ${showLength(finding.inside, units)}. Blocks are laid on the ${longer} face; saw ${String(finding.cutsABlock)} relief cuts in the other face of every block, ${String(finding.cutsACourse)} a course, each a wedge of ${showLength(finding.wedge, units, { style: 'inches', partsPerInch: 32 })}. Strap every joint.`,
        why: coursesRules['courses.curve.webs'].reason,
      };
    },
    'corner-mitred': (finding) => ({
      severity: 'mind',
      where: `Corner ${finding.corner}`,
      place: { loop: finding.loop, corner: finding.corner },
      what: 'No moulded piece has this turn: saw both walls at half of it, and strap the joint on both faces in every course.',
      why: 'A mitred corner has no webs round it and nothing interlocks across it.',
    }),
    'seam-off-wall': (finding) => ({
      severity: 'stop',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `A common seam at “${finding.text}” does not lie between the legs of this wall’s corners; running bond is laid instead. Move the seam, or take it off.`,
      fixes: [
        {
          label: 'Take the seam off',
          edit: { kind: 'set-wall', row: finding.wall, change: { bond: null } },
        },
      ],
    }),
    'cuts-do-not-fit': (finding) => ({
      severity: 'mind',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: 'The cuts chosen for this wall no longer add up to its run; the usual rule cuts it instead.',
      fixes: [
        {
          label: 'Forget the chosen cuts',
          edit: { kind: 'set-wall', row: finding.wall, change: { bond: null } },
        },
      ],
    }),
    'as-laid-unreadable': (finding) => ({
      key: finding.course,
      severity: 'stop',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `“${finding.text}” in course ${String(finding.course)} cannot be read as the length that the wall came out at, or there is no such course.`,
    }),
    'as-laid': (finding) => {
      const grown = finding.by > 0;
      const much = finding.by > finding.allowed;
      const size = showLength(abs(finding.by), units, { style: 'inches', partsPerInch: 32 });
      return {
        key: finding.course,
        severity: much ? 'mind' : 'tip',
        where: nameOf(finding.wall),
        place: { wall: finding.wall },
        rule: 'courses.growth.perPiece',
        what:
          finding.by === 0
            ? `Course ${String(finding.course)} came out just as planned.`
            : `Course ${String(finding.course)} came out ${size} ${grown ? 'long' : 'short'}${
                much ? ', more than blocks usually grow' : ''
              }. In the next courses trim at ${showLength(finding.trimAt, units)}${
                finding.cutTo === null
                  ? ''
                  : `: the piece there to ${showLength(finding.cutTo, units, { style: 'inches', partsPerInch: 32 })}`
              }.`,
        why: coursesRules['courses.growth.perPiece'].reason,
      };
    },
    'strip-too-low': (finding) => ({
      key: finding.course,
      severity: 'mind',
      where: openings.placed.find((each) => each.id === finding.opening)?.name ?? nameOf(finding.wall),
      place: { wall: finding.wall, stage: 'openings', opening: finding.opening },
      rule: 'courses.rip.least',
      what: `A strip of only ${inInches(finding.height)} is left of course ${String(finding.course)} at its sill or head. Move it to the course line, or glue the strip to the block beside it.`,
      why: coursesRules['courses.rip.least'].reason,
    }),
    'rip-too-low': (finding) => ({
      key: finding.course,
      severity: 'mind',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      rule: 'courses.rip.least',
      what: `Course ${String(finding.course)} would be ripped to ${inInches(finding.height)} here. Move the footing or the top to a course, or take the strip up with the course beside it.`,
      why: coursesRules['courses.rip.least'].reason,
    }),
    'too-short-for-corners': (finding) => ({
      severity: 'stop',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `Its two corner legs need ${showLength(finding.needs, units)} and the wall has ${showLength(finding.has, units)}; make it at least that long.`,
    }),
    'filler-near-corner': (finding) => ({
      severity: 'mind',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      rule: 'courses.filler.blocksFromCorner',
      what: 'A cut piece stands next to a corner: the wall is too short for a whole block on both sides of it.',
      why: coursesRules['courses.filler.blocksFromCorner'].reason,
    }),
    'off-pitch': (finding) => ({
      severity: 'mind',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `The rest of ${inInches(finding.rest)} is off the ${inInches(finding.pitch)} interlock pitch: past the cut the courses will not nest. A common seam works for any length.`,
      why: 'Nubs and sockets meet only at whole pitches.',
      fixes:
        finding.seam === null
          ? []
          : [
              {
                label: `Common seam at ${showLength(finding.seam, units)}`,
                edit: {
                  kind: 'set-wall',
                  row: finding.wall,
                  change: { bond: { kind: 'seam', at: storeLength(finding.seam, units) } },
                },
              },
            ],
    }),
    straps: (finding) => ({
      severity: 'mind',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      rule: finding.reasons.includes('short') ? 'courses.filler.shortest' : 'courses.ear.longest',
      what: `Strap ${joints(finding.joints)}${finding.cuts.length === 0 ? '' : ` at the ${finding.cuts.map(inInches).join(' and ')} cut`}, both faces: ${finding.reasons
        .map((reason) => STRAP_REASONS[reason])
        .join(', ')}.`,
      why: coursesRules['courses.ear.longest'].reason,
    }),
    stagger: (finding) => ({
      severity: 'mind',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      rule: 'courses.stagger.least',
      what: `${joints(finding.joints)} within ${inInches(finding.closest)} of a joint in the course below; strap there.`,
      why: coursesRules['courses.stagger.least'].reason,
    }),
  };
}

/** What the courses have to say, in the words and units of the job. */
export function courseNotices(
  courses: Courses,
  openings: Openings,
  units: UnitSystem,
  nameOf: (wall: string) => string,
): readonly Notice[] {
  return noticesOf('', courses.findings, wording(openings, units, nameOf));
}

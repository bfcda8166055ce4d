import { coursesRules } from './rules';
import type { CourseFinding, Courses, StrapReason } from '.';
import { type Length, type UnitSystem, showLength, storeLength, abs, inches } from '../../kernel/measure';
import type { Openings } from '../openings';
import { type Notice, type NoticeTable, noticesOf } from '../../kernel/notices';

/** Why a joint wants straps, in the words of the strap list. */
export const STRAP_REASONS: Readonly<Record<StrapReason, string>> = {
  ear: 'an ear is too long',
  short: 'a piece is too short',
  'web-to-web': 'webs are too far apart',
  stagger: 'joint over joint',
  'beside-corner': 'a cut is next to a corner',
  seam: 'common seam',
  'lapped-corner': 'corner cut from blocks',
  'mitred-corner': 'mitered corner',
  'step-end': 'butts a footing step',
  'free-end': 'free end: close it with a bulkhead',
  tee: 'another wall meets it here',
  curve: 'curved wall',
  'wide-head': 'boards over a wide head',
  pier: 'short pier',
};

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<CourseFinding['kind'], string>> = {
  'cell-bars': 'Bars in the cells',
  'turn-too-sharp': 'Turns too sharp to miter',
  'corner-lapped': 'Corners between two core thicknesses',
  curved: 'Curved walls',
  'corner-mitred': 'Mitered corners',
  'seam-off-wall': 'Common seams off their wall',
  'cuts-do-not-fit': 'Chosen cuts that no longer fit',
  'as-laid-unreadable': 'Pulled lengths that cannot be read',
  'as-laid': 'Courses that came out long or short',
  'strip-too-low': 'Thin strips at sills and heads',
  'rip-too-low': 'Courses ripped too low',
  'too-short-for-corners': 'Walls too short for their corners',
  'filler-near-corner': 'Cuts next to a corner',
  'off-pitch': 'Cuts off the interlock',
  straps: 'Joints to strap',
  stagger: 'Joints over joints',
  'laid-otherwise': 'Courses laid otherwise than planned',
  'laid-elsewhere': 'Walls changed after they were laid',
};

/** A lower strip is no thicker than a saw cut: sill or head lies on the course line as far as anyone can build it. [ours] */
const LEAST_TOLD = inches(1 / 16);

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
      place: {},
      what: `Horizontal bars lie in the cells of ${finding.courses.length === 1 ? 'course' : 'courses'} ${finding.courses.join(', ')}. Saw blocks at a cell to turn corners. The drawings say which bars.`,
    }),
    'laid-otherwise': (finding) => ({
      key: finding.course,
      severity: 'check',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `Course ${String(finding.course)} stands as it was laid on ${finding.day}; the plan would lay it differently. It is kept, and the courses above follow it. If it was taken down, record that in the log.`,
      why: 'What stands is not changed by an edit.',
    }),
    'laid-elsewhere': (finding) => ({
      key: finding.course,
      severity: 'stop',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `Course ${String(finding.course)} was laid on ${finding.day}, and the wall has changed since. Undo the change, or record in the log that the course was taken down.`,
      why: 'The blocks on site do not fit the wall of the plan.',
    }),
    'turn-too-sharp': (finding) => ({
      severity: 'stop',
      where: `Corner ${finding.corner}`,
      place: { loop: finding.loop, corner: finding.corner },
      what: 'This turn is too sharp to miter: the cut would run through half a block. Split it into two turns.',
    }),
    'corner-lapped': (finding) => ({
      severity: 'check',
      where: `Corner ${finding.corner}`,
      place: { loop: finding.loop, corner: finding.corner },
      what: 'Two core thicknesses meet, and no molded corner fits. Run the blocks through on alternate walls, course by course. Cut out the inner panel where the cores meet, close open ends with foam, and strap both faces.',
      why: 'No web ties a corner cut from blocks.',
    }),
    curved: (finding) => {
      const longer = finding.outside >= finding.inside ? 'outer' : 'inner';
      return {
        severity: 'tip',
        where: nameOf(finding.wall),
        place: { wall: finding.wall },
        rule: 'courses.curve.webs',
        what: `Curve: outer face ${showLength(finding.outside, units)}, inner face ${showLength(finding.inside, units)}. Lay blocks to the ${longer} face. In the other face saw ${String(finding.cutsABlock)} relief cuts per block, ${String(finding.cutsACourse)} per course, each a wedge of ${showLength(finding.wedge, units, { style: 'inches', partsPerInch: 32 })}. Strap every joint.`,
        why: coursesRules['courses.curve.webs'].reason,
      };
    },
    'corner-mitred': (finding) => ({
      severity: 'check',
      where: `Corner ${finding.corner}`,
      place: { loop: finding.loop, corner: finding.corner },
      what: 'No molded corner has this angle. Miter both walls at half of it, and strap the joint on both faces in every course.',
      why: 'No web or interlock crosses a mitered corner.',
    }),
    'seam-off-wall': (finding) => ({
      severity: 'stop',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `A common seam at “${finding.text}” is not between the corner legs of this wall. Running bond is laid instead. Move the seam, or remove it.`,
      fixes: [
        {
          label: 'Remove the seam',
          edit: { kind: 'set-wall', row: finding.wall, change: { bond: null } },
        },
      ],
    }),
    'cuts-do-not-fit': (finding) => ({
      severity: 'check',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: 'The cuts chosen for this wall no longer add up. The usual rule cuts it instead.',
      fixes: [
        {
          label: 'Drop the chosen cuts',
          edit: { kind: 'set-wall', row: finding.wall, change: { bond: null } },
        },
      ],
    }),
    'as-laid-unreadable': (finding) => ({
      key: finding.course,
      severity: 'stop',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `The pulled length “${finding.text}” in course ${String(finding.course)} cannot be read, or the wall has no such course.`,
    }),
    'as-laid': (finding) => {
      const grown = finding.by > 0;
      const much = finding.by > finding.allowed;
      const size = showLength(abs(finding.by), units, { style: 'inches', partsPerInch: 32 });
      return {
        key: finding.course,
        severity: much ? 'check' : 'tip',
        where: nameOf(finding.wall),
        place: { wall: finding.wall },
        rule: 'courses.growth.perPiece',
        what:
          finding.by === 0
            ? `Course ${String(finding.course)} came out as planned.`
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
    'strip-too-low': (finding) =>
      finding.height < LEAST_TOLD
        ? null
        : {
            key: finding.course,
            severity: 'check',
            where: openings.placed.find((each) => each.id === finding.opening)?.name ?? nameOf(finding.wall),
            place: { wall: finding.wall, stage: 'openings', opening: finding.opening },
            rule: 'courses.rip.least',
            what: `Only a ${inInches(finding.height)} strip of course ${String(finding.course)} is left at the sill or head. Move the opening to the course line, or glue the strip to the next block.`,
            why: coursesRules['courses.rip.least'].reason,
          },
    'rip-too-low': (finding) => ({
      key: finding.course,
      severity: 'check',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      rule: 'courses.rip.least',
      what: `Course ${String(finding.course)} is ripped to only ${inInches(finding.height)} here. Move the footing or the top to a course line, or rip the next course instead.`,
      why: coursesRules['courses.rip.least'].reason,
    }),
    'too-short-for-corners': (finding) => ({
      severity: 'stop',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `The two corner legs take ${showLength(finding.needs, units)} and the wall is ${showLength(finding.has, units)}. Make it at least that long.`,
    }),
    'filler-near-corner': (finding) => ({
      severity: 'check',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      rule: 'courses.filler.blocksFromCorner',
      what: 'A cut piece is next to a corner: the wall is too short for a whole block on both sides of the cut.',
      why: coursesRules['courses.filler.blocksFromCorner'].reason,
    }),
    'off-pitch': (finding) => ({
      severity: 'check',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      what: `The leftover ${inInches(finding.rest)} is off the ${inInches(finding.pitch)} interlock: courses will not nest past the cut. A common seam works at any length.`,
      why: 'The interlock only meets at whole steps.',
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
      severity: 'check',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      rule: finding.reasons.includes('short') ? 'courses.filler.shortest' : 'courses.ear.longest',
      what: `Strap ${joints(finding.joints)}${finding.cuts.length === 0 ? '' : ` at the ${finding.cuts.map(inInches).join(' and ')} cut`} on both faces: ${finding.reasons
        .map((reason) => STRAP_REASONS[reason])
        .join(', ')}.`,
      why: coursesRules['courses.ear.longest'].reason,
    }),
    stagger: (finding) => ({
      severity: 'check',
      where: nameOf(finding.wall),
      place: { wall: finding.wall },
      rule: 'courses.stagger.least',
      what: `${joints(finding.joints)} within ${inInches(finding.closest)} of a joint in the course below. Strap there.`,
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
  return noticesOf(courses.findings, {
    before: '',
    stage: 'courses',
    about: ABOUT,
    table: wording(openings, units, nameOf),
  });
}

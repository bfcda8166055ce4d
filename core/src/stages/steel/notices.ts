import { steelRules } from './rules';
import { type Length, type UnitSystem, showLength, storeLength, writeQuantity } from '../../kernel/measure';
import type { Openings } from '../openings';
import type { Steel, SteelProblem } from '.';
import { type Notice, type NoticeTable, type Told, noticesOf } from '../../kernel/notices';

const TABLE_WORDS: Readonly<Record<Extract<SteelProblem, { kind: 'table-row-unreadable' }>['what'], string>> =
  {
    height: 'wall’s height cannot be read as a length',
    backfill: 'backfill cannot be read as a length',
    soil: 'soil is no weight above 0 in lb/ft³',
    size: 'bar is of no known size',
    spacing: 'spacing is no length from 4 in to 10 ft',
  };

/** A weight of soil: `45 lb/ft³`, `7 kN/m³`. */
const soilText = (pcf: number, units: UnitSystem): string => writeQuantity(pcf, 'fluid-weight', units);

/** A strength of concrete: `4000 psi`, `28 MPa`. */
const strengthText = (psi: number, units: UnitSystem): string => writeQuantity(psi, 'strength', units);

/** `course 2`, `courses 2, 4 and 6`, the first few of many. */
function coursesText(courses: readonly number[]): string {
  const told = courses.slice(0, 6).map(String);
  const more = courses.length - told.length;
  if (more > 0) return `courses ${told.join(', ')} and ${String(more)} more`;
  if (told.length === 1) return `course ${told.join()}`;
  return `courses ${told.slice(0, -1).join(', ')} and ${told.at(-1) ?? ''}`;
}

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<SteelProblem['kind'], string>> = {
  'lap-longer-than-stock': 'Laps longer than the stock bars',
  'cut-longer-than-stock': 'Bars longer than the stock',
  'stands-short': 'Bars that stick out too short to lap',
  'nothing-to-lap': 'Bars with nothing below to lap',
  'chase-blocked': 'Verticals that will not drop in',
  congested: 'Too many bars in one course',
  'lap-by-opening': 'Laps over or under openings',
  'corner-without-bar': 'Corners no bar turns',
  'tee-without-bar': 'Tees with no bar to tie to',
  'tee-cut-short': 'Tee bars cut short by an opening',
  'lintel-crowded': 'Lintel bars too close together',
  'top-bar-low': 'Top horizontal too low',
  'course-without-bar': 'Courses with no room for a horizontal',
  'left-in-joint': 'Courses whose horizontal would lie in a joint',
  'nothing-under-sill': 'No bar under the sill',
  'nothing-over-head': 'No lintel bars',
  'zone-rule-refused': 'Bar spec values that cannot be used',
  'table-row-unreadable': 'Code table rows left out',
  'table-rows-clash': 'Code table rows that clash',
  'table-gap': 'Gaps in the code table',
  'table-gaps-more': 'More gaps in the code table',
  'table-soil-unsaid': 'Soil height missing',
  'no-table-row': 'Walls the code table does not cover',
  'few-slots': 'Too few slots to alternate bars',
  'mix-weaker': 'Mix weaker than the steel needs',
  'bar-through': 'Bars that run into inserts',
  'support-unsaid': 'Walls with soil: top held or alone?',
  'backfill-unreadable': 'Soil heights that cannot be read',
  'spacing-wide': 'Spacing wider than the wall',
  'no-room': 'Verticals left out for lack of room',
  'corner-cut-short': 'Corner bars cut short by an opening',
  'bends-too-much': 'Soil load near or over the steel',
  'no-lintel-room': 'No room for a lintel',
  'lintel-cut-short': 'Lintel bars that reach too short',
  'less-steel': 'Sizes with less steel than asked',
  'cover-small': 'Bars too close to the foam',
};

function wording(
  units: UnitSystem,
  nameOf: (wall: string) => string,
  openings: Openings,
): NoticeTable<SteelProblem> {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const onWall = (wall: string): Pick<Told, 'where' | 'place'> => ({
    where: nameOf(wall),
    place: { wall },
  });
  return {
    'lap-longer-than-stock': (problem) => ({
      key: problem.size,
      severity: 'stop',
      where: 'Laps',
      place: { rule: 'steel.lap.length' },
      rule: 'steel.stock',
      what: `A ${problem.size} lap takes ${inInches(problem.lap)} and stock bars are ${showLength(problem.stock, units)}: no bar is left after the lap. Shorten the lap or buy longer bars. Runs stay in one piece until then.`,
    }),
    'cut-longer-than-stock': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      rule: 'steel.stock',
      what: `${String(problem.bars)} ${problem.bars === 1 ? 'bar is' : 'bars are'} longer than the ${showLength(problem.stock, units)} stock. The longest, a ${problem.use}, is ${showLength(problem.cut, units)}. Buy longer bars or shorten the lap; until then they are on the schedule but not in the stock.`,
    }),
    'stands-short': (problem) => ({
      key: problem.course,
      severity: 'check',
      where: problem.course === 0 ? 'Dowels' : `Joint over course ${String(problem.course)}`,
      place: { rule: problem.course === 0 ? 'steel.dowel.projection' : 'steel.vertical.projection' },
      rule: 'steel.lap',
      what: `Bars stick ${inInches(problem.out)} out of ${problem.course === 0 ? 'the footing' : 'the joint'} and a lap takes ${inInches(problem.lap)}: the bars above lap too short.`,
      fixes: [
        {
          label: `Leave ${inInches(problem.lap)} sticking out`,
          edit: {
            kind: 'set-rule',
            rule: problem.course === 0 ? 'steel.dowel.projection' : 'steel.vertical.projection',
            value: storeLength(problem.lap, units),
          },
        },
      ],
    }),
    'nothing-to-lap': (problem) => ({
      key: problem.course,
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.vertical.spacing',
      what: `${problem.bars === 1 ? 'A bar starts' : `${String(problem.bars)} bars start`} on ${problem.course === 0 ? 'the footing' : `the joint over course ${String(problem.course)}`} with no bar below within ${inInches(problem.gap)} to lap. Use the same spacing above and below, or drill and glue as the engineer allows.`,
    }),
    'chase-blocked': (problem) => ({
      key: problem.course,
      severity: 'stop',
      ...onWall(problem.wall),
      rule: 'steel.horizontal.slots',
      what: `Horizontals leave a clear chase of ${inInches(problem.clear)}; a ${problem.size} vertical needs ${inInches(problem.wants)} and will not drop in. Move the bar in course ${String(problem.course)} to another slot.`,
      why: steelRules['steel.horizontal.slots'].reason,
    }),
    congested: (problem) => ({
      key: problem.course,
      severity: 'check',
      ...onWall(problem.wall),
      rule: problem.course === 1 ? 'steel.horizontal.bottom' : 'steel.horizontal.top',
      what: `Course ${String(problem.course)}: ${String(problem.bars)} bars with their laps need ${inInches(problem.wants)} and ${String(2 * problem.bars)} slots; there are ${inInches(problem.has)} between the covers and ${String(problem.slots)} slots. Stone will bridge there. Stagger the laps, or use fewer, larger bars if the engineer allows.`,
    }),
    'lap-by-opening': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.stock',
      what: `Laps fall over or under an opening in ${coursesText(problem.courses)}: bars of this length leave no other place. Buy longer bars, or ask the engineer.`,
    }),
    'corner-without-bar': (problem) => ({
      severity: 'check',
      where: `Corner ${problem.corner}`,
      place: { wall: problem.wall },
      rule: 'steel.horizontal.courses',
      what: `Only one of the two walls has a bar in ${coursesText(problem.courses)}, so no bar turns the corner. Put bars in the same courses of both walls, or ask the engineer.`,
    }),
    'tee-without-bar': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.tee',
      what: `${nameOf(problem.other)} has no bar to tie to in ${coursesText(problem.courses)}. Put bars in the same courses of both walls, or ask the engineer.`,
    }),
    'tee-cut-short': (problem) => ({
      key: problem.course,
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.tee',
      what: `The course ${String(problem.course)} bar that ties into ${nameOf(problem.other)} has only ${inInches(problem.leg)} before an opening: shorter than a lap. Ask the engineer how to anchor it.`,
    }),
    'lintel-crowded': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'check',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        rule: 'steel.bar.clear',
        what: `${String(problem.bars)} lintel bars side by side leave ${inInches(problem.has)} between them; the stone needs ${inInches(problem.wants)}. Use fewer, larger bars or two layers, if the engineer allows.`,
      };
    },
    'top-bar-low': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.top.within',
      what: `The top horizontal is ${inInches(problem.below)} below the top of the wall; keep it within ${inInches(problem.most)}.`,
    }),
    'course-without-bar': (problem) => ({
      key: problem.course,
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.horizontal.courses',
      what: `Course ${String(problem.course)} should have a horizontal, and its openings leave no room for one.`,
    }),
    'left-in-joint': ({ course }) => ({
      key: course,
      severity: 'check',
      where: `Course ${String(course)}`,
      place: { rule: 'steel.horizontal.courses' },
      rule: 'steel.horizontal.courses',
      what: `The pour stops halfway up course ${String(course)}, so a horizontal would lie in the joint: none is counted. If the drawings want one, lay it on the joint before course ${String(course + 1)}, or end the pour at a full course.`,
    }),
    'nothing-under-sill': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'check',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        rule: 'steel.sill.within',
        what: `No horizontal runs within ${inInches(problem.within)} below the sill. Add one there, or put bars in every course.`,
        why: steelRules['steel.sill.within'].reason,
      };
    },
    'nothing-over-head': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'check',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        rule: 'steel.lintel.bottom',
        what: 'No lintel bars: nothing carries the wall above it. Set lintel bars in the bar spec, or ask the engineer.',
      };
    },
    'zone-rule-refused': (problem) => ({
      key: problem.zone,
      severity: 'check',
      where: problem.zone,
      place: {},
      what: `“${problem.statement?.replace(/\{value\}/, '…') ?? problem.rule}” cannot be used as written here. The job’s own rule applies until you set it again.`,
    }),
    'table-row-unreadable': (problem) => ({
      severity: 'stop',
      where: 'Code table',
      place: {},
      what: `Row ${String(problem.row)} of the code table is left out: its ${TABLE_WORDS[problem.what]}.`,
    }),
    'table-rows-clash': (problem) => ({
      severity: 'stop',
      where: 'Code table',
      place: {},
      what: `Rows ${problem.rows.join(' and ')} of the code table cover the same walls with different bars. The one with more steel is used. Delete the wrong one.`,
    }),
    'table-gap': (problem) => ({
      severity: 'check',
      where: 'Code table',
      place: {},
      what: `The code table has no row for soil of ${soilText(problem.soil, units)} against walls up to ${showLength(problem.height, units)}. Such a wall takes the next heavier row, or none.`,
    }),
    'table-gaps-more': (problem) => ({
      severity: 'check',
      where: 'Code table',
      place: {},
      what: `The code table has ${String(problem.count)} more gaps like this.`,
    }),
    'table-soil-unsaid': (problem) => ({
      severity: 'check',
      where: 'Code table',
      place: { wall: problem.walls[0] ?? '' },
      what: `Enter the height of soil against ${problem.walls.map(nameOf).join(', ')}, 0 where there is none. Without it no row of the code table applies, and the verticals of the bar spec are used.`,
    }),
    'no-table-row': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      rule: 'steel.soil.weight',
      what: `The code table has no row for a wall of ${showLength(problem.height, units)} with ${showLength(problem.backfill, units)} of soil at ${soilText(problem.soil, units)}. Ask the engineer. The verticals of the bar spec are used until then.`,
    }),
    'few-slots': (problem) => ({
      severity: 'check',
      where: 'Slots',
      place: { rule: 'steel.slots' },
      rule: 'steel.slots',
      what: `With ${String(problem.slots)} ${problem.slots === 1 ? 'slot' : 'slots'} per web, bars cannot alternate on both sides of the middle. Each bar takes the slot nearest the middle.`,
    }),
    'mix-weaker': ({ mix, counted, enough }) => ({
      severity: 'check',
      where: 'Concrete',
      place: { rule: 'pour.mix.strength' },
      rule: 'steel.concrete.strength',
      what: `The mix is ordered at ${strengthText(mix, units)}; the steel is worked for ${strengthText(counted, units)}.`,
      why: steelRules['steel.concrete.strength'].reason,
      fixes:
        enough === null
          ? []
          : [
              {
                label: `Order ${strengthText(enough, units)}`,
                edit: { kind: 'set-rule', rule: 'pour.mix.strength', value: String(enough) },
              },
            ],
    }),
    'bar-through': (problem) => ({
      key: problem.course,
      severity: 'check',
      ...onWall(problem.wall),
      what: `The horizontal in course ${String(problem.course)} runs into ${problem.insert}. Move one of them, or bend the bar around it as the drawings show.`,
    }),
    'support-unsaid': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      what: 'Soil on this wall: is its top held by a floor, or does it stand alone? Held at the top, the steel goes near the inside face; alone, near the soil. Choose one.',
      why: 'Soil bends a wall one way or the other, and steel works only on the side in tension.',
      fixes: [
        {
          label: 'Held at the top',
          edit: { kind: 'set-soil', wall: problem.wall, change: { held: 'top' } },
        },
        {
          label: 'Stands alone',
          edit: { kind: 'set-soil', wall: problem.wall, change: { held: 'alone' } },
        },
      ],
    }),
    'backfill-unreadable': (problem) => ({
      key: problem.text,
      severity: 'stop',
      ...onWall(problem.wall),
      what: `The soil height “${problem.text}” cannot be read. Write it like 6ft 4in; no soil is assumed until then.`,
    }),
    'spacing-wide': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.vertical.spacing',
      what: `Verticals at ${inInches(problem.spacing)} on a wall only ${showLength(problem.length, units)} long: it gets the corner bars and no others.`,
    }),
    'no-room': (problem) => ({
      key: problem.at,
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.web.clear',
      what: `The bar at ${showLength(problem.at, units)} is left out: webs, sleeves and other bars leave no clear place near it.`,
    }),
    'corner-cut-short': (problem) => ({
      key: problem.course,
      severity: 'check',
      ...onWall(problem.wall),
      what: `At corner ${problem.corner} the course ${String(problem.course)} bar has only ${inInches(problem.leg)} before the opening: shorter than a lap. Ask the engineer how to anchor it.`,
    }),
    'bends-too-much': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.soil.weight',
      what: `Quick check: the soil loads this wall to ${Number.isFinite(problem.share) ? `${String(Math.round(100 * problem.share))} % of` : 'more than'} what its verticals can take. This is not a design. Ask the engineer, and tell them how the soil drains.`,
    }),
    'no-lintel-room': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'stop',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        what: 'No lintel: the wall above is too low for a bar and its cover. Lower the head, or ask the engineer.',
      };
    },
    'lintel-cut-short': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'check',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        rule: 'steel.lintel.reach',
        what: `Lintel bars reach only ${inInches(problem.reach)} past the opening before the wall ends. Bend them around the corner, or ask the engineer.`,
        why: steelRules['steel.lintel.reach'].reason,
      };
    },
    'less-steel': (problem) => ({
      key: problem.zone,
      severity: 'check',
      where: problem.zone,
      place: {},
      what: `${problem.instead} instead of ${problem.of} is ${String(Math.round(100 * problem.share))} % less steel: sizes of different systems are not the same bar. Ask the engineer.`,
    }),
    'cover-small': (problem) => ({
      key: problem.course,
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'steel.cover.foam',
      what: `Course ${String(problem.course)}: the bar is ${inInches(problem.cover)} from the foam; keep at least ${inInches(problem.least)}.`,
      why: steelRules['steel.cover.foam'].reason,
    }),
  };
}

/** What is wrong with the steel, or should be known of it. */
export const steelNotices = (
  steel: Steel,
  units: UnitSystem,
  nameOf: (wall: string) => string,
  openings: Openings,
): readonly Notice[] =>
  noticesOf(steel.problems, {
    before: 'steel-',
    stage: 'steel',
    about: ABOUT,
    table: wording(units, nameOf, openings),
  });

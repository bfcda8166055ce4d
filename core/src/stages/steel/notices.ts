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
      what: `A lap of ${problem.size} is ${inInches(problem.lap)} and its bars are ${showLength(problem.stock, units)}: nothing would be left of them. Runs are not split; shorten the lap, or buy longer bars.`,
    }),
    'cut-longer-than-stock': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      rule: 'steel.stock',
      what: `${String(problem.bars)} ${problem.bars === 1 ? 'bar is' : 'bars are'} longer than stock of ${showLength(problem.stock, units)}, the longest, a ${problem.use}, is cut to ${showLength(problem.cut, units)}. They are on the schedule and not in the stock: buy longer bars, or shorten the lap.`,
    }),
    'stands-short': (problem) => ({
      key: problem.course,
      severity: 'mind',
      where: problem.course === 0 ? 'Dowels' : `Joint over course ${String(problem.course)}`,
      place: { rule: problem.course === 0 ? 'steel.dowel.projection' : 'steel.vertical.projection' },
      rule: 'steel.lap',
      what: `Bars stand ${inInches(problem.out)} out of ${problem.course === 0 ? 'the footing' : 'it'} and a lap is ${inInches(problem.lap)}: those above do not hold on to them.`,
      fixes: [
        {
          label: `Let them stand ${inInches(problem.lap)}`,
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
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.vertical.spacing',
      what: `${problem.bars === 1 ? 'A bar starts' : `${String(problem.bars)} bars start`} on ${problem.course === 0 ? 'the footing' : `the joint over course ${String(problem.course)}`} with none below within ${inInches(problem.gap)} to lap. Use one spacing above and below, or drill and glue what the engineer allows.`,
    }),
    'chase-blocked': (problem) => ({
      key: problem.course,
      severity: 'stop',
      ...onWall(problem.wall),
      rule: 'steel.horizontal.slots',
      what: `The horizontals leave ${inInches(problem.clear)} clear from top to bottom and a ${problem.size} wants ${inInches(problem.wants)}: verticals will not go down. Change the slot of the bar in course ${String(problem.course)}.`,
      why: steelRules['steel.horizontal.slots'].reason,
    }),
    congested: (problem) => ({
      key: problem.course,
      severity: 'mind',
      ...onWall(problem.wall),
      rule: problem.course === 1 ? 'steel.horizontal.bottom' : 'steel.horizontal.top',
      what: `In course ${String(problem.course)}, ${String(problem.bars)} bars with their laps want ${inInches(problem.wants)} and ${String(2 * problem.bars)} slots; there are ${inInches(problem.has)} between the covers and ${String(problem.slots)} slots. Stone will bridge there: stagger the laps, or use fewer bars of a larger size if the engineer allows.`,
    }),
    'lap-by-opening': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.stock',
      what: `In ${coursesText(problem.courses)} laps lie over or under an opening: no other place is left for them with bars of this length. Longer bars, or the engineer’s word, clear it.`,
    }),
    'corner-without-bar': (problem) => ({
      severity: 'mind',
      where: `Corner ${problem.corner}`,
      place: { wall: problem.wall },
      rule: 'steel.horizontal.courses',
      what: `In ${coursesText(problem.courses)} only one of its walls has a bar, so none goes round. Give both walls bars in the same courses, or ask the engineer.`,
    }),
    'tee-without-bar': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.tee',
      what: `In ${coursesText(problem.courses)} ${nameOf(problem.other)}, which it meets, has no bar to tie it to. Give both walls bars in the same courses, or ask the engineer.`,
    }),
    'tee-cut-short': (problem) => ({
      key: problem.course,
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.tee',
      what: `The bar of course ${String(problem.course)} that ties it into ${nameOf(problem.other)} has only ${inInches(problem.leg)} before an opening: shorter than a lap. Ask the engineer how it is anchored.`,
    }),
    'lintel-crowded': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'mind',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        rule: 'steel.bar.clear',
        what: `${String(problem.bars)} lintel bars side by side leave ${inInches(problem.has)} between them; stone wants ${inInches(problem.wants)}. Use fewer of a larger size, or two layers, if the engineer allows.`,
      };
    },
    'top-bar-low': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.top.within',
      what: `The highest horizontal lies ${inInches(problem.below)} under the top; it should lie within ${inInches(problem.most)}.`,
    }),
    'course-without-bar': (problem) => ({
      key: problem.course,
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.horizontal.courses',
      what: `Course ${String(problem.course)} wants a horizontal and has room for none beside its openings.`,
    }),
    'nothing-under-sill': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'mind',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        rule: 'steel.sill.within',
        what: `No horizontal runs across within ${inInches(problem.within)} under its sill. Lay one there, or set bars in every course.`,
        why: steelRules['steel.sill.within'].reason,
      };
    },
    'nothing-over-head': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'mind',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        rule: 'steel.lintel.bottom',
        what: 'The spec gives it no bars over its head: nothing carries the wall above. Set lintel bars, or ask the engineer.',
      };
    },
    'zone-rule-refused': (problem) => ({
      key: problem.zone,
      severity: 'mind',
      where: problem.zone,
      place: {},
      what: `Its “${problem.statement?.replace(/\{value\}/, '…') ?? problem.rule}” cannot be used as it is written; the job’s own holds there. Set it again.`,
    }),
    'table-row-unreadable': (problem) => ({
      severity: 'stop',
      where: 'Table',
      place: {},
      what: `Row ${String(problem.row)} of the reinforcement table cannot be used: its ${TABLE_WORDS[problem.what]}. No wall takes it.`,
    }),
    'table-rows-clash': (problem) => ({
      severity: 'stop',
      where: 'Table',
      place: {},
      what: `Rows ${problem.rows.join(' and ')} of the reinforcement table are for the same walls and ask for different bars; the one with more steel is taken. Take the wrong one out.`,
    }),
    'table-gap': (problem) => ({
      severity: 'mind',
      where: 'Table',
      place: {},
      what: `The reinforcement table has no row for soil of ${soilText(problem.soil, units)} against walls up to ${showLength(problem.height, units)}; such a wall takes the next heavier row, or none.`,
    }),
    'table-gaps-more': (problem) => ({
      severity: 'mind',
      where: 'Table',
      place: {},
      what: `The reinforcement table has ${String(problem.count)} more such gaps.`,
    }),
    'table-soil-unsaid': (problem) => ({
      severity: 'mind',
      where: 'Table',
      place: { wall: problem.walls[0] ?? '' },
      what: `How high soil lies against ${problem.walls.map(nameOf).join(', ')} is not said, so no row of the reinforcement table is taken; the spec’s own verticals stand. Write 0 where there is none.`,
    }),
    'no-table-row': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      rule: 'steel.soil.weight',
      what: `No row of the reinforcement table covers a wall of ${showLength(problem.height, units)} with ${showLength(problem.backfill, units)} of soil at ${soilText(problem.soil, units)}: ask the engineer. The spec’s own verticals stand until then.`,
    }),
    'few-slots': (problem) => ({
      severity: 'mind',
      where: 'Slots',
      place: { rule: 'steel.slots' },
      rule: 'steel.slots',
      what: `With ${String(problem.slots)} ${problem.slots === 1 ? 'slot' : 'slots'} to a web, bars cannot alternate either side of the middle; they lie as near to it as there are slots.`,
    }),
    'mix-weaker': ({ mix, counted, enough }) => ({
      severity: 'mind',
      where: 'Concrete',
      place: { rule: 'pour.mix.strength' },
      rule: 'steel.concrete.strength',
      what: `The mix is ordered at ${strengthText(mix, units)}, and the steel counts on ${strengthText(counted, units)}.`,
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
      severity: 'mind',
      ...onWall(problem.wall),
      what: `The horizontal of course ${String(problem.course)} runs into ${problem.insert}. Move one of them, or bend the bar round it as the drawings say.`,
    }),
    'support-unsaid': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      what: 'Soil lies against it and nobody has said what holds its top: held by a floor, steel belongs inside; standing alone, on the soil’s side. Say which.',
      why: 'Soil bends a wall one way or the other, and steel works only where it is pulled.',
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
      what: `“${problem.text}” cannot be read as the height of the soil against it; it is taken as none.`,
    }),
    'spacing-wide': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.vertical.spacing',
      what: `Verticals every ${inInches(problem.spacing)} on a wall of ${showLength(problem.length, units)}: only those near its corners stand.`,
    }),
    'no-room': (problem) => ({
      key: problem.at,
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.web.clear',
      what: `No place for the bar at ${showLength(problem.at, units)} that is clear of webs, sleeves and other bars; it is left out.`,
    }),
    'corner-cut-short': (problem) => ({
      key: problem.course,
      severity: 'mind',
      ...onWall(problem.wall),
      what: `Round corner ${problem.corner} the bar of course ${String(problem.course)} has only ${inInches(problem.leg)} before the opening beside it: shorter than a lap. Ask the engineer how it is anchored.`,
    }),
    'bends-too-much': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.soil.weight',
      what: `A screening has the soil bend it by ${Number.isFinite(problem.share) ? `${String(Math.round(100 * problem.share))} % of what` : 'more than'} its verticals carry. It is no design: ask the engineer, and say how the soil is drained.`,
    }),
    'no-lintel-room': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'stop',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        what: 'There is too little wall over it for a bar with its cover: it has no lintel. Lower its head, or ask the engineer.',
      };
    },
    'lintel-cut-short': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'mind',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        rule: 'steel.lintel.reach',
        what: `Its lintel bars reach only ${inInches(problem.reach)} past it before the wall ends; bend them round the corner, or ask the engineer.`,
        why: steelRules['steel.lintel.reach'].reason,
      };
    },
    'less-steel': (problem) => ({
      key: problem.zone,
      severity: 'mind',
      where: problem.zone,
      place: {},
      what: `${problem.instead} in place of ${problem.of} has ${String(Math.round(100 * problem.share))} % less steel: sizes of different systems are not the same bar. Ask the engineer.`,
    }),
    'cover-small': (problem) => ({
      key: problem.course,
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'steel.cover.foam',
      what: `In course ${String(problem.course)} the bar lies ${inInches(problem.cover)} from the foam; ${inInches(problem.least)} is wanted.`,
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
  noticesOf('steel-', steel.problems, wording(units, nameOf, openings), () => ({
    place: { stage: 'steel' },
  }));

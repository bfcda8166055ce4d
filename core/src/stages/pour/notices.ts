import { type UnitSystem, showLength, toCelsius, writeQuantity } from '../../kernel/measure';
import { type Pouring, type PourProblem, COLD_AIR } from '.';
import { ACI_MOST_SLUMP } from './pressure';
import { pourRules } from './rules';
import { showApart, showPressure, showQuantity, showVolume } from '../../kernel/figures/explain';
import type { TopOff, TopOffProblem } from '../topoff';
import { type Notice, type NoticeTable, type Told, noticesOf } from '../../kernel/notices';

/** Degrees as the job writes them, the other scale beside it. */
const degrees = (fahrenheit: number, units: UnitSystem): string =>
  units === 'imperial'
    ? `${String(Math.round(fahrenheit))} °F`
    : `${String(Math.round(toCelsius(fahrenheit)))} °C`;

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<PourProblem['kind'], string>> = {
  'pour-too-large': 'Pours too large',
  'lift-unreadable': 'Lifts that cannot be read',
  'lift-too-high': 'Lifts above the wall',
  'lifts-short': 'Lifts that stop below the top',
  'two-lifts-high': 'Two lifts in a high wall',
  'side-unreadable': 'Side pours that cannot be read',
  'side-nowhere': 'Side pours whose pour is gone',
  'load-short': 'Short loads',
  'too-many-loads': 'More loads than needed',
  'too-few-loads': 'Too few loads',
  'temperature-absurd': 'Temperatures out of range',
  'too-cold': 'Concrete too cold',
  'too-hot': 'Concrete too hot',
  'over-capacity': 'Pressure over the form’s capacity',
  'day-over-capacity': 'Planned day over the form’s capacity',
  'whole-head': 'Full liquid head',
  'capacity-too-low': 'Form too weak for this height',
  'lift-over-capacity': 'Lifts over the form’s capacity',
  'capacity-unsaid': 'Form capacity missing',
  'slump-past-formula': 'Slump past the pressure formula',
  'dwell-short': 'Very short walls in a lift',
  'out-of-reach': 'Walls out of reach',
  'over-chute': 'Walls higher than a chute pours',
  'stand-unreadable': 'Machine positions that cannot be read',
  'lift-slow': 'Cold joints',
  'load-old': 'Loads too old',
  'trucks-close': 'Trucks too close together',
  'holes-for-cells': 'Access holes without cells',
  'hole-missing': 'Cells that no access hole reaches',
};

/** The causes, for several places at once. */
const TOP_ABOUT: Readonly<Record<TopOffProblem['kind'], string>> = {
  'bolt-gap': 'Places without a bolt',
  'anchor-on-bar': 'Ledger anchors on bars',
  'piece-short': 'Plates too short for bolts',
  'plate-curved': 'Curved plates',
  'plate-raked': 'Plates on a rake',
  'plate-wide': 'Plates wider than the wall',
  'no-end-zone': 'Bolt rules that clash',
};

function wholeHeadWording(
  problem: Extract<PourProblem, { kind: 'whole-head' }>,
  units: UnitSystem,
  nameOf: (row: string) => string,
  where: Pick<Notice, 'place' | 'where'>,
): Told {
  const place = `${nameOf(problem.wall)}, lift ${String(problem.lift)}`;
  const head = `full liquid head, ${showPressure(problem.pressure, units)}`;
  const common = { severity: 'check' as const, ...where };
  switch (problem.why) {
    case 'rise':
      return {
        ...common,
        rule: 'pour.rise.most',
        what: `${place} rises ${showQuantity(problem.rise ?? 0, 'rise', units)}: ${head}. Slow the hose down there, or fill it together with other walls.`,
        why: pourRules['pour.rise.most'].reason,
      };
    case 'deep':
      return {
        ...common,
        rule: 'pour.vibrate.deepest',
        what: `Lift ${String(problem.lift)} is ${showLength(problem.depth, units)} deep and vibrated: ${head}. Use more lifts.`,
        why: pourRules['pour.vibrate.deepest'].reason,
      };
    case 'return': {
      const [back, needed] = showApart(problem.minutes ?? 0, problem.least);
      return {
        ...common,
        rule: 'pour.return.least',
        what: `${place}: the hose is back after ${back} and the layer below needs ${needed}. Until then ${head}. Use fewer lifts, or wait.`,
        why: pourRules['pour.return.least'].reason,
      };
    }
  }
}

function pourWording(
  units: UnitSystem,
  nameOf: (row: string) => string,
  pourName: (pour: string) => string,
): NoticeTable<PourProblem> {
  const place = { stage: 'pour' as const };
  const told = (length: Parameters<typeof showLength>[0]): string => showLength(length, units);
  const pressure = (pascals: number): string => showPressure(pascals, units);
  const at = (pour: string): Pick<Told, 'place' | 'where' | 'key'> => ({
    place,
    where: pourName(pour),
    key: pour,
  });
  return {
    'pour-too-large': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      what: `This pour takes ${String(problem.loads)} truckloads; the limit is ${String(problem.most)}. Split it into several pours, or check the volumes.`,
    }),
    'lift-unreadable': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      key: [problem.pour, problem.lift],
      what: `The depth of lift ${String(problem.lift)}, “${problem.text}”, cannot be read. Write it like 30in or 750 mm. A low first lift is used until then.`,
    }),
    'lift-too-high': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      key: [problem.pour, problem.lift],
      what: `Lift ${String(problem.lift)} is ${told(problem.depth)} deep and ${problem.left > 0 ? `only ${told(problem.left)} of wall is left` : 'no wall is left for it'}. Make it lower, or remove it.`,
    }),
    'lifts-short': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      what: problem.joined
        ? `The lifts stop ${told(problem.rest)} below the top. The last lift takes that too.`
        : `The lifts stop ${told(problem.rest)} below the top. One more lift was added.`,
    }),
    'two-lifts-high': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      rule: 'pour.lift.two.most',
      what: `Two lifts for ${told(problem.height)} of wall; two are for walls up to ${told(problem.most)}. Use three, or a low first lift.`,
      fixes: [
        {
          label: 'Use three equal lifts',
          edit: { kind: 'set-rule', rule: 'pour.lifts', value: 'three' },
        },
      ],
    }),
    'side-unreadable': (problem) => ({
      severity: 'stop',
      place,
      where: problem.name,
      what: `The volume “${problem.text}” cannot be read. Write 2.5 yd³, 1.9 m³, or a box, 12ft × 8in × 16in. It is left out until then.`,
    }),
    'side-nowhere': (problem) => ({
      severity: 'check',
      place,
      where: problem.name,
      what: 'Its pour is gone. Choose another, or remove it. It is left out until then.',
    }),
    'load-short': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      rule: 'pour.load.least',
      what: `${showVolume(problem.load, units)} is a short load: plants charge extra below ${showVolume(problem.least, units)}. Have a pier or pad ready to use more.`,
      why: pourRules['pour.load.least'].reason,
    }),
    'too-many-loads': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      what: `${String(problem.loads)} loads are more than the volume needs: ${String(problem.wanted)} carry all of it. Smaller loads are planned, and you pay for each trip.`,
    }),
    'too-few-loads': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      what: `${String(problem.loads)} ${problem.loads === 1 ? 'load does' : 'loads do'} not carry the volume. ${String(problem.wanted)} are planned.`,
    }),
    'temperature-absurd': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      what: `${problem.of === 'air' ? 'Air' : 'Concrete'} at ${degrees(problem.degrees, units)} must be a typo. Check the number and its scale. No pressure is worked until then.`,
    }),
    'too-cold': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      rule: 'pour.mix.coldest',
      what: `Air below ${degrees(COLD_AIR, units)} and concrete at ${degrees(problem.degrees, units)}. Ask the plant for ${degrees(problem.limit, units)} or more, and have blankets ready.`,
      why: pourRules['pour.mix.coldest'].reason,
    }),
    'too-hot': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      rule: 'pour.mix.hottest',
      what: `Concrete at ${degrees(problem.degrees, units)} is over ${degrees(problem.limit, units)}. Pour early, ask for chilled water, or choose another day.`,
      why: pourRules['pour.mix.hottest'].reason,
    }),
    'over-capacity': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      key: [problem.pour, problem.lift],
      rule: 'pour.pressure',
      what: `At this pace ${nameOf(problem.wall)}, lift ${String(problem.lift)}, reaches ${pressure(problem.pressure)}; the form is rated ${pressure(problem.capacity)}. Place slower, use lower lifts, or ask for warmer concrete. The Pressure tab shows the fastest safe pace.`,
    }),
    'day-over-capacity': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      what: `The planned day reaches ${pressure(problem.pressure)} on the forms, over their ${pressure(problem.capacity)}: the hose comes back before the layer below has set. Use lower lifts, or more time between them.`,
    }),
    'whole-head': (problem) => wholeHeadWording(problem, units, nameOf, at(problem.pour)),
    'capacity-too-low': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      what: `Even the slowest pour of this height reaches ${pressure(problem.least)}, over the form’s ${pressure(problem.capacity)}. Check the form’s capacity, or plan lower pours.`,
    }),
    'lift-over-capacity': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      key: [problem.pour, problem.lift],
      rule: 'pour.lifts',
      what: `Lift ${String(problem.lift)} is ${told(problem.depth)} deep: filled in one go it reaches ${pressure(problem.pressure)}, over the form’s ${pressure(problem.capacity)}. Use lower lifts, or keep the hose moving.`,
    }),
    'capacity-unsaid': () => ({
      severity: 'tip',
      place,
      where: 'Pressure',
      what: 'This form has no pressure capacity entered, so pressure is shown but not checked. Take it from the maker’s manual and enter it in Job settings, Forms.',
    }),
    'slump-past-formula': (problem) => ({
      severity: 'check',
      place,
      where: 'Pressure',
      rule: 'pour.mix.slump',
      what: `A slump of ${writeQuantity(problem.slump, 'slump', units)} is over ${writeQuantity(ACI_MOST_SLUMP, 'slump', units)}, where the pressure formula ends: full liquid head is used.`,
    }),
    'dwell-short': (problem) => ({
      severity: 'check',
      place: { ...place, wall: problem.wall },
      where: nameOf(problem.wall),
      rule: 'pour.dwell.least',
      what: `Lift ${String(problem.lift)} fills in ${String(Math.round(problem.seconds))} s. Keep the hose moving.`,
      why: pourRules['pour.dwell.least'].reason,
    }),
    'out-of-reach': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      what: `${problem.walls.join(', ')} ${problem.walls.length === 1 ? 'is' : 'are'} out of reach: ${told(problem.farthest)} away, and it reaches ${told(problem.reach)}. Move it, add hose, or set up twice.`,
    }),
    'over-chute': ({ pour, walls, height, most }) => ({
      severity: 'check',
      ...at(pour),
      rule: 'pour.chute.height',
      what: `${walls.join(', ')} ${walls.length === 1 ? 'is' : 'are'} up to ${told(height)} above the ground outside, and a chute pours over ${told(most)}. Raise the ground for the truck, or use a pump or a conveyor.`,
      why: pourRules['pour.chute.height'].reason,
    }),
    'stand-unreadable': (problem) => ({
      severity: 'check',
      ...at(problem.pour),
      what: `The machine’s position “${problem.text}” cannot be read. Choose a wall, and write how far along and how far out.`,
    }),
    'lift-slow': (problem) => {
      const [sets, waits] = showApart(problem.working, problem.gap);
      return {
        severity: 'check',
        ...at(problem.pour),
        rule: 'pour.work.minutes',
        what: `A layer waits ${waits} for the next and sets in ${sets}: a cold joint. ${problem.trucksWait ? 'The crew is slower than the trucks, so truck spacing will not help. Place faster, add hands, add a retarder, or change the lifts. The rehearsal tries these.' : 'Space trucks closer, place faster, add a retarder, or use fewer lifts.'}`,
      };
    },
    'load-old': (problem) => {
      const [most, age] = showApart(problem.most, problem.age);
      return {
        severity: 'check',
        ...at(problem.pour),
        rule: 'pour.discharge.most',
        what: `A load is ${age} old when the last of it is placed; the limit is ${most}. ${problem.layersWait ? 'Order smaller loads, place faster, or add hands. Spacing trucks farther apart would leave layers waiting.' : 'Space trucks farther apart, or order smaller loads.'}`,
      };
    },
    'trucks-close': (problem) => {
      const [spacing, service] = showApart(problem.spacing, problem.service);
      return {
        severity: 'check',
        ...at(problem.pour),
        rule: 'pour.truck.spacing',
        what: `A load takes the crew ${service} and a truck comes every ${spacing}: each truck waits longer than the last, and its concrete stiffens.`,
      };
    },
    'hole-missing': ({ pour, wall, lift, gap, most }) => ({
      key: [pour, lift],
      severity: 'check',
      place: { wall, ...place },
      where: nameOf(wall),
      rule: 'pour.hole.spacing',
      what: `In lift ${String(lift)} a stretch lies ${told(gap)} from the nearest access hole; the limit is ${told(most)}. No cell stands closer. Fill that stretch from the top, or rod it.`,
    }),
    'holes-for-cells': () => ({
      severity: 'check',
      place,
      where: 'Method',
      rule: 'pour.method',
      what: 'Access holes are for cell blocks. These forms fill from the top.',
      fixes: [{ label: 'Place by pump', edit: { kind: 'set-rule', rule: 'pour.method', value: 'pump' } }],
    }),
  };
}

function topWording(units: UnitSystem, nameOf: (row: string) => string): NoticeTable<TopOffProblem> {
  const inInches = (length: Parameters<typeof showLength>[0]): string =>
    showLength(length, units, { style: 'inches' });
  const told = (length: Parameters<typeof showLength>[0]): string => showLength(length, units);
  const on = (wall: string) => ({ place: { stage: 'pour' as const, wall }, where: nameOf(wall) });
  return {
    'bolt-gap': (problem) => ({
      severity: 'check',
      ...on(problem.wall),
      rule: 'topoff.bolt.spacing',
      what: `No bolt fits between ${told(problem.from)} and ${told(problem.to)} from the first corner: a bar, brace or opening is in the way. Move it, or ask the engineer what holds the plate there.`,
    }),
    'piece-short': (problem) => ({
      severity: 'check',
      ...on(problem.wall),
      rule: 'topoff.bolt.least',
      what: `A ${inInches(problem.length)} piece of plate is too short for its bolts. Splice it elsewhere, or strap it.`,
    }),
    'anchor-on-bar': ({ wall, ledger, at, anchors, clear }) => ({
      key: ledger,
      severity: 'check',
      ...on(wall),
      rule: 'topoff.anchor.bar',
      what: `${ledger}: ${String(anchors)} ${anchors === 1 ? 'anchor is' : 'anchors are'} within ${inInches(clear)} of a bar, the first at ${told(at)}. Tie the bar aside before the pour, or move the anchor an inch.`,
    }),
    'plate-curved': (problem) => ({
      severity: 'tip',
      ...on(problem.wall),
      what: 'Cut this plate from sheets to the curve. Bolts are laid out along its outside face.',
    }),
    'plate-raked': (problem) => ({
      severity: 'check',
      ...on(problem.wall),
      what: `The top slopes for ${told(problem.length)}, measured along it: no plate, bolts or bars are laid out there. Saw the blocks to the line, board the top so that concrete stays on the slope, and set plate, bolts and a bar along it as the drawings say.`,
    }),
    'plate-wide': (problem) => ({
      severity: 'check',
      ...on(problem.wall),
      rule: 'topoff.plate.width',
      what: `The plate is ${inInches(problem.plate)} wide and the wall only ${inInches(problem.wallThick)} thick.`,
    }),
    'no-end-zone': (problem) => ({
      severity: 'stop',
      place: { stage: 'pour' },
      where: 'Anchor bolts',
      rule: 'topoff.bolt.diameters',
      what: `The rules put a bolt at least ${inInches(problem.nearest)} and at most ${inInches(problem.farthest)} from an end: no place is both. Change one of them.`,
    }),
  };
}

/** Everything that is wrong or risky in the pours and at the top of the walls. */
export function pourNotices(
  pour: Pouring,
  topoff: TopOff,
  units: UnitSystem,
  nameOf: (row: string) => string,
): readonly Notice[] {
  const names = new Map(pour.pours.map(({ span }) => [span.pour, span.name]));
  const pourName = (pour: string): string => names.get(pour) ?? 'The pour';
  return [
    ...noticesOf(pour.problems, {
      before: 'pour:',
      stage: 'pour',
      about: ABOUT,
      table: pourWording(units, nameOf, pourName),
    }),
    ...noticesOf(topoff.problems, {
      before: 'pour:top:',
      stage: 'pour',
      about: TOP_ABOUT,
      table: topWording(units, nameOf),
    }),
  ];
}

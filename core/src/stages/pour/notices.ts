import { type UnitSystem, showLength, toCelsius, writeQuantity } from '../../kernel/measure';
import { type Pouring, type PourProblem, COLD_AIR } from '.';
import { ACI_MOST_SLUMP } from './pressure';
import { pourRules } from './rules';
import { showMinutes, showPressure, showQuantity, showVolume } from '../../kernel/figures/explain';
import type { TopOff, TopOffProblem } from '../topoff';
import { type Notice, type NoticeTable, type Told, noticesOf } from '../../kernel/notices';

/** Degrees as the job writes them, the other scale beside it. */
const degrees = (fahrenheit: number, units: UnitSystem): string =>
  units === 'imperial'
    ? `${String(Math.round(fahrenheit))} °F`
    : `${String(Math.round(toCelsius(fahrenheit)))} °C`;

function wholeHeadWording(
  problem: Extract<PourProblem, { kind: 'whole-head' }>,
  units: UnitSystem,
  nameOf: (row: string) => string,
  where: Pick<Notice, 'place' | 'where'>,
): Told {
  const place = `${nameOf(problem.wall)}, lift ${String(problem.lift)}`;
  const head = `the whole head counts, ${showPressure(problem.pressure, units)}`;
  const common = { severity: 'mind' as const, ...where };
  switch (problem.why) {
    case 'rise':
      return {
        ...common,
        rule: 'pour.rise.most',
        what: `${place} rises by ${showQuantity(problem.rise ?? 0, 'rise', units)}: ${head}. Slow the hose down there, or fill it along with other walls.`,
        why: pourRules['pour.rise.most'].reason,
      };
    case 'deep':
      return {
        ...common,
        rule: 'pour.vibrate.deepest',
        what: `Lift ${String(problem.lift)} is ${showLength(problem.depth, units)} deep and vibrated: ${head}. Take more lifts.`,
        why: pourRules['pour.vibrate.deepest'].reason,
      };
    case 'return':
      return {
        ...common,
        rule: 'pour.return.least',
        what: `${place}: the hose is back after ${showMinutes(problem.minutes ?? 0)}; let the layer below stand ${showMinutes(problem.least)}. Until then ${head}. Take fewer lifts, or wait.`,
        why: pourRules['pour.return.least'].reason,
      };
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
      what: `This pour takes ${String(problem.loads)} truckloads; ${String(problem.most)} at most are planned. Split it into several pours, or check its volumes.`,
    }),
    'lift-unreadable': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      key: [problem.pour, problem.lift],
      what: `Lift ${String(problem.lift)} cannot be read: “${problem.text}”. Write a depth such as 30in or 750 mm; a low first lift stands in until then.`,
    }),
    'lift-too-high': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      key: [problem.pour, problem.lift],
      what: `Lift ${String(problem.lift)} is ${told(problem.depth)} deep and ${problem.left > 0 ? `only ${told(problem.left)} of wall is left` : 'no wall is left for it'}. Make it lower, or take it out.`,
    }),
    'lifts-short': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      what: problem.joined
        ? `The lifts end ${told(problem.rest)} under the top; the last one takes that along.`
        : `The lifts end ${told(problem.rest)} under the top; a lift more was added for it.`,
    }),
    'two-lifts-high': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      rule: 'pour.lift.two.most',
      what: `Two lifts for ${told(problem.height)} of wall: they are for walls up to ${told(problem.most)}. Take three, or a low first one.`,
      fixes: [
        {
          label: 'Take three equal lifts',
          edit: { kind: 'set-rule', rule: 'pour.lifts', value: 'three' },
        },
      ],
    }),
    'side-unreadable': (problem) => ({
      severity: 'stop',
      place,
      where: problem.name,
      what: `Its volume cannot be read: “${problem.text}”. Write 2.5 yd³, 1,9 m³, or the box that it fills, 12ft × 8in × 16in. It is left out until then.`,
    }),
    'side-nowhere': (problem) => ({
      severity: 'mind',
      place,
      where: problem.name,
      what: 'Its pour is no longer in the job; choose another, or take it out. It is left out until then.',
    }),
    'load-short': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      rule: 'pour.load.least',
      what: `${showVolume(problem.load, units)} is a short load: plants charge for less than ${showVolume(problem.least, units)}. Have a pier or a pad ready that takes more.`,
      why: pourRules['pour.load.least'].reason,
    }),
    'too-many-loads': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      what: `${String(problem.loads)} loads are more trucks than volume: ${String(problem.wanted)} take all of it. Smaller loads were planned; each is paid for as a trip.`,
    }),
    'too-few-loads': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      what: `${String(problem.loads)} ${problem.loads === 1 ? 'load does' : 'loads do'} not bring the volume: ${String(problem.wanted)} are planned.`,
    }),
    'temperature-absurd': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      what: `${problem.of === 'air' ? 'Air' : 'Concrete'} of ${degrees(problem.degrees, units)}: nobody pours at that. Look at the number and its scale; no pressure is told until then.`,
    }),
    'too-cold': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      rule: 'pour.mix.coldest',
      what: `The air is under ${degrees(COLD_AIR, units)} and the concrete comes at ${degrees(problem.degrees, units)}: ask the plant for ${degrees(problem.limit, units)} or more, and have covers ready.`,
      why: pourRules['pour.mix.coldest'].reason,
    }),
    'too-hot': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      rule: 'pour.mix.hottest',
      what: `The concrete comes at ${degrees(problem.degrees, units)}, over ${degrees(problem.limit, units)}: pour early, ask for cooled water, or another day.`,
      why: pourRules['pour.mix.hottest'].reason,
    }),
    'over-capacity': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      key: [problem.pour, problem.lift],
      rule: 'pour.pressure',
      what: `At this pace the concrete in ${nameOf(problem.wall)}, lift ${String(problem.lift)}, presses with ${pressure(problem.pressure)}; the form is stated for ${pressure(problem.capacity)}. Place slower, in lower lifts, or ask for warmer concrete: the pressure part says how fast stays inside.`,
    }),
    'day-over-capacity': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      what: `The planned day itself comes to ${pressure(problem.pressure)} on the forms, over their ${pressure(problem.capacity)}: somewhere the hose comes back before the layer below has stiffened. Lower lifts, or more time between them.`,
    }),
    'whole-head': (problem) => wholeHeadWording(problem, units, nameOf, at(problem.pour)),
    'capacity-too-low': (problem) => ({
      severity: 'stop',
      ...at(problem.pour),
      what: `Even the slowest pour of this height presses with ${pressure(problem.least)}, over the form’s stated ${pressure(problem.capacity)}. Look at the capacity on the form, or pour in lower pours.`,
    }),
    'lift-over-capacity': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      key: [problem.pour, problem.lift],
      rule: 'pour.lifts',
      what: `Lift ${String(problem.lift)} is ${told(problem.depth)} deep: where the hose dwells it presses with ${pressure(problem.pressure)} before it stiffens, over the form’s ${pressure(problem.capacity)}. Lower lifts, or keep the hose moving.`,
    }),
    'capacity-unsaid': () => ({
      severity: 'tip',
      place,
      where: 'Pressure',
      what: 'The form has no stated capacity: pressure is reported only. Its maker’s manual has the number; the Forms page takes it.',
    }),
    'slump-past-formula': (problem) => ({
      severity: 'mind',
      place,
      where: 'Pressure',
      rule: 'pour.mix.slump',
      what: `Slump of ${writeQuantity(problem.slump, 'slump', units)} is over the ${writeQuantity(ACI_MOST_SLUMP, 'slump', units)} up to which the formula holds: the whole head is taken.`,
    }),
    'dwell-short': (problem) => ({
      severity: 'mind',
      place: { ...place, wall: problem.wall },
      where: nameOf(problem.wall),
      rule: 'pour.dwell.least',
      what: `Lift ${String(problem.lift)} fills it in ${String(Math.round(problem.seconds))} s. Do not dwell there: its whole depth would stand fluid at once.`,
      why: pourRules['pour.dwell.least'].reason,
    }),
    'out-of-reach': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      what: `From where it stands it must reach ${told(problem.farthest)} and reaches ${told(problem.reach)}: ${problem.walls.join(', ')} ${problem.walls.length === 1 ? 'is' : 'are'} out of reach. Move the stand, add hose, or set it up twice.`,
    }),
    'stand-unreadable': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      what: `Where the machine stands cannot be read: “${problem.text}”. Choose a wall, and write how far along and how far out.`,
    }),
    'lift-slow': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      rule: 'pour.work.minutes',
      what: `As planned, a layer waits ${showMinutes(problem.gap)} for the next one and may wait ${showMinutes(problem.working)}: that makes a cold joint. ${problem.trucksWait ? 'The crew is slower than its trucks, so no other spacing helps: a faster way of placing, more hands, a retarder, or other lifts. The rehearsal tries them.' : 'Trucks closer together, a faster way of placing, a retarder, or fewer lifts.'}`,
    }),
    'load-old': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      rule: 'pour.discharge.most',
      what: `As planned, a load is ${showMinutes(problem.age)} old when its last concrete is placed; ${showMinutes(problem.most)} are allowed. ${problem.layersWait ? 'Smaller loads, a faster way of placing, or more hands: trucks farther apart would leave the layers waiting.' : 'Trucks farther apart, or smaller loads.'}`,
    }),
    'trucks-close': (problem) => ({
      severity: 'mind',
      ...at(problem.pour),
      rule: 'pour.truck.spacing',
      what: `A load takes the crew ${showMinutes(problem.service)} and a truck comes every ${showMinutes(problem.spacing)}: each waits longer than the one before it, and stiffens.`,
    }),
    'holes-for-cells': () => ({
      severity: 'mind',
      place,
      where: 'Method',
      rule: 'pour.method',
      what: 'Access holes are for cell blocks; these forms are filled from the top.',
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
      severity: 'mind',
      ...on(problem.wall),
      rule: 'topoff.bolt.spacing',
      what: `No bolt can stand between ${told(problem.from)} and ${told(problem.to)} from its first corner: a bar, a brace or an opening is in the way. Move what can be moved, or ask what holds the plate there.`,
    }),
    'piece-short': (problem) => ({
      severity: 'mind',
      ...on(problem.wall),
      rule: 'topoff.bolt.least',
      what: `A piece of plate of ${inInches(problem.length)} is too short for its bolts. Splice elsewhere, or strap it.`,
    }),
    'plate-curved': (problem) => ({
      severity: 'tip',
      ...on(problem.wall),
      what: 'Its plate is cut to the curve of sheets; the bolts are laid out along its outside face.',
    }),
    'plate-wide': (problem) => ({
      severity: 'mind',
      ...on(problem.wall),
      rule: 'topoff.plate.width',
      what: `The plate is ${inInches(problem.plate)} wide and the wall ${inInches(problem.wallThick)} thick.`,
    }),
    'no-end-zone': (problem) => ({
      severity: 'stop',
      place: { stage: 'pour' },
      where: 'Anchor bolts',
      rule: 'topoff.bolt.diameters',
      what: `A bolt shall stand ${inInches(problem.nearest)} or more from an end and ${inInches(problem.farthest)} or less: no place is both. Change one of the two rules.`,
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
    ...noticesOf('pour:', pour.problems, pourWording(units, nameOf, pourName)),
    ...noticesOf('pour:top:', topoff.problems, topWording(units, nameOf)),
  ];
}

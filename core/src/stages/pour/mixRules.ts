import {
  CUBIC_METRES_PER_CUBIC_YARD,
  KILOGRAMS_PER_CUBIC_METRE_PER_PCF,
  METRES_PER_FOOT,
} from '../../kernel/measure';
import type { ChoiceRule, CountRule, QuantityRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;
const fromMemory = (name: string) => ({ kind: 'standard', name, fromMemory: true }) as const;

/** Rules of the mix and of how long it may wait that are counts. */
export const mixCountRules = {
  'pour.work.minutes': {
    id: 'pour.work.minutes',
    type: 'count',
    statement: 'At 70 °F (21 °C) a layer may wait {value} minutes for the next.',
    reason: 'Crews say 60 to 90; later it makes a cold joint.',
    default: 75,
    least: 15,
    most: 240,
    source: commonPractice,
  },
  'pour.work.retarder': {
    id: 'pour.work.retarder',
    type: 'count',
    statement: 'A retarder extends that by {value} %.',
    reason: 'The plant knows its product.',
    default: 50,
    least: 0,
    most: 300,
    source: ours,
  },
  'pour.discharge.most': {
    id: 'pour.discharge.most',
    type: 'count',
    statement: 'A load is discharged within {value} minutes of batching.',
    reason: 'Unless the buyer agrees otherwise.',
    default: 90,
    least: 30,
    most: 300,
    source: fromMemory('ASTM C94'),
  },
} as const satisfies Record<string, CountRule>;

const yards = (count: number): number => count * CUBIC_METRES_PER_CUBIC_YARD;
const celsius = (degrees: number): number => degrees * 1.8 + 32;
/** A kilogram a cubic metre in pounds a cubic foot. */
const PCF_PER_KILOGRAM = 1 / KILOGRAMS_PER_CUBIC_METRE_PER_PCF;

/** Those that have a unit. */
export const mixQuantityRules = {
  'pour.density': {
    id: 'pour.density',
    type: 'quantity',
    of: 'density',
    statement: 'Fresh concrete weighs {value}.',
    reason: 'Normal weight; the plant knows its own.',
    default: 150,
    metric: 2400 * PCF_PER_KILOGRAM,
    least: 80,
    most: 250,
    source: commonPractice,
  },
  'pour.work.halves': {
    id: 'pour.work.halves',
    type: 'quantity',
    of: 'warming',
    statement: 'Working time halves for every {value} warmer, and doubles for every {value} colder.',
    reason: 'Less when hot, more when cold; an estimate to set from your mix.',
    default: 30,
    metric: 17 * 1.8,
    least: 10,
    most: 100,
    source: ours,
  },
  'pour.mix.temperature': {
    id: 'pour.mix.temperature',
    type: 'quantity',
    of: 'temperature',
    statement: 'Concrete arrives at {value}, unless a pour says otherwise.',
    reason: 'See the ticket. Colder concrete presses longer and can wait longer.',
    default: 65,
    metric: celsius(18),
    least: 40,
    most: 105,
    source: ours,
  },
  'pour.mix.slump': {
    id: 'pour.mix.slump',
    type: 'quantity',
    of: 'slump',
    statement: 'Slump is ordered at {value}.',
    reason:
      '4 in where it can escape at the bottom, 5 to 6 in most walls, 7 in to 8 in through a small line.',
    default: 6,
    metric: 150 / 25.4,
    least: 1,
    most: 11,
    source: commonPractice,
  },
  'pour.mix.slump.within': {
    id: 'pour.mix.slump.within',
    type: 'quantity',
    of: 'slump',
    statement: 'A load is accepted within {value} of the slump ordered.',
    reason: 'Wider, it is another mix.',
    default: 1,
    metric: 25 / 25.4,
    least: 0,
    most: 3,
    source: commonPractice,
  },
  'pour.mix.coldest': {
    id: 'pour.mix.coldest',
    type: 'quantity',
    of: 'temperature',
    statement: 'When the air is under 40 °F (4 °C), concrete arrives at {value} or more.',
    reason: 'Sections under 12 in lose their heat fastest.',
    default: 55,
    metric: celsius(13),
    least: 32,
    most: 90,
    source: fromMemory('ACI 306'),
  },
  'pour.mix.hottest': {
    id: 'pour.mix.hottest',
    type: 'quantity',
    of: 'temperature',
    statement: 'Concrete arrives at {value} or less.',
    reason: 'Hotter, it stiffens in the truck.',
    default: 95,
    metric: celsius(35),
    least: 60,
    most: 120,
    source: fromMemory('ACI 301'),
  },
  'pour.test.yards': {
    id: 'pour.test.yards',
    type: 'quantity',
    of: 'concrete',
    statement: 'Cylinders for every {value}, at least once a day.',
    reason: 'Where the drawings ask for them.',
    default: yards(150),
    metric: 115,
    least: yards(5),
    most: yards(1000),
    source: fromMemory('ACI 318-19 26.12.2'),
  },
  'pour.test.feet': {
    id: 'pour.test.feet',
    type: 'quantity',
    of: 'area',
    statement: 'And for every {value} of wall.',
    reason: 'Thin walls have much face for little concrete.',
    default: 5000,
    metric: 465 / METRES_PER_FOOT ** 2,
    least: 100,
    most: 100_000,
    source: fromMemory('ACI 318-19 26.12.2'),
  },
} as const satisfies Record<string, QuantityRule>;

/** Those that are a choice. */
export const mixChoiceRules = {
  'pour.mix.strength': {
    id: 'pour.mix.strength',
    type: 'choice',
    statement: 'Concrete is {value} at 28 days.',
    reason: 'The drawings say which.',
    default: '3500',
    choices: [
      { value: '2500', label: '2500 psi (17 MPa)' },
      { value: '3000', label: '3000 psi (21 MPa)' },
      { value: '3500', label: '3500 psi (24 MPa)' },
      { value: '4000', label: '4000 psi (28 MPa)' },
      { value: '5000', label: '5000 psi (35 MPa)' },
    ],
    source: commonPractice,
  },
  'pour.mix.stone': {
    id: 'pour.mix.stone',
    type: 'choice',
    statement: 'Its stone is {value}.',
    reason: 'Larger stone hangs on bars and webs.',
    default: '3/8',
    choices: [
      { value: '3/8', label: '3/8 in (10 mm)' },
      { value: '1/2', label: '1/2 in (13 mm) at most' },
      { value: '3/4', label: '3/4 in (20 mm)' },
    ],
    source: commonPractice,
  },
  'pour.mix.admixture': {
    id: 'pour.mix.admixture',
    type: 'choice',
    statement: 'It flows with {value}.',
    reason:
      'Water thins it and costs strength. A reducer does not. One that delays setting counts as a retarder.',
    default: 'reducer',
    choices: [
      { value: 'none', label: 'its own water only' },
      { value: 'reducer', label: 'a mid-range water reducer that does not delay setting' },
      { value: 'retarder', label: 'a water reducer that delays setting, or a retarder' },
    ],
    source: commonPractice,
  },
  'pour.mix.cement': {
    id: 'pour.mix.cement',
    type: 'choice',
    statement: 'Its cement is {value}.',
    reason: 'Blends stay fluid longer and press harder.',
    default: 'plain',
    choices: [
      { value: 'plain', label: 'Type I, II or III' },
      { value: 'blend', label: 'a blend of up to 70 % slag or 40 % fly ash' },
      { value: 'high-blend', label: 'a blend of more than 70 % slag or 40 % fly ash' },
    ],
    source: fromMemory('ACI 347R-14'),
  },
  'pour.mix.air': {
    id: 'pour.mix.air',
    type: 'choice',
    statement: 'It has {value}.',
    reason: 'Where it freezes while wet.',
    default: 'none',
    choices: [
      { value: 'none', label: 'no added air' },
      { value: 'air', label: '5 to 7 % added air' },
    ],
    source: commonPractice,
  },
} as const satisfies Record<string, ChoiceRule>;

declare module '../../kernel/rules/rule' {
  interface CountRules extends Record<keyof typeof mixCountRules, CountRule> {}
  interface QuantityRules extends Record<keyof typeof mixQuantityRules, QuantityRule> {}
  interface ChoiceRules extends Record<keyof typeof mixChoiceRules, ChoiceRule> {}
}

import { CUBIC_METRES_PER_CUBIC_YARD, METRES_PER_FOOT } from '../../kernel/measure';
import type { QuantityRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;
const yards = (count: number): number => count * CUBIC_METRES_PER_CUBIC_YARD;
/** What any crew places in an hour. */
const anyRate = { type: 'quantity', of: 'flow', least: yards(1), most: yards(60) } as const;

/** Rules of the pour that have a unit. */
export const pourQuantityRules = {
  'pour.truck.load': {
    id: 'pour.truck.load',
    type: 'quantity',
    of: 'concrete',
    statement: 'A truck carries {value}.',
    reason: 'Trucks of 7 to 10 yd³, or 5 to 8 m³, are usual.',
    default: yards(9),
    metric: 7,
    least: 0.5,
    most: yards(14),
    source: commonPractice,
  },
  'pour.load.least': {
    id: 'pour.load.least',
    type: 'quantity',
    of: 'concrete',
    statement: 'No load is under {value}.',
    reason: 'Plants charge for short loads: loads are evened out instead.',
    default: yards(1),
    metric: 1,
    least: 0,
    most: yards(5),
    source: commonPractice,
  },
  'pour.rate.pump': {
    id: 'pour.rate.pump',
    ...anyRate,
    statement: 'A pump crew places {value}.',
    reason: 'Thirty yards in just under two hours.',
    default: yards(16),
    metric: 12,
    source: commonPractice,
  },
  'pour.rate.chute': {
    id: 'pour.rate.chute',
    ...anyRate,
    statement: 'Off the chute a crew places {value}.',
    reason: 'It cannot empty a truck of 7 yd³ in half an hour.',
    default: yards(10),
    metric: 8,
    source: commonPractice,
  },
  'pour.rate.conveyor': {
    id: 'pour.rate.conveyor',
    ...anyRate,
    statement: 'A conveyor crew places {value}.',
    reason: '5½ yd³ in about half an hour, on a low wall.',
    default: yards(11),
    metric: 8,
    source: commonPractice,
  },
  'pour.rate.holes': {
    id: 'pour.rate.holes',
    ...anyRate,
    statement: 'Through access holes a crew places {value}.',
    reason: 'Every hole is plugged and glued as it fills.',
    default: yards(6),
    metric: 4.5,
    source: ours,
  },
  'pour.rise.most': {
    id: 'pour.rise.most',
    type: 'quantity',
    of: 'rise',
    statement: 'Where concrete rises faster than {value}, full liquid head counts.',
    reason: 'No pressure formula applies beyond that: nothing has started to set.',
    default: 15 * METRES_PER_FOOT,
    metric: 4.5,
    least: METRES_PER_FOOT,
    most: 15 * METRES_PER_FOOT,
    source: { kind: 'standard', name: 'ACI 347R-14 §4.2.2', fromMemory: true },
  },
  'pour.money.concrete': {
    id: 'pour.money.concrete',
    type: 'quantity',
    of: 'price',
    statement: 'Concrete costs {value}.',
    reason: 'In the job’s currency.',
    default: 180,
    metric: 235 * CUBIC_METRES_PER_CUBIC_YARD,
    least: 0,
    most: 100_000,
    source: ours,
  },
} as const satisfies Record<string, QuantityRule>;

declare module '../../kernel/rules/rule' {
  interface QuantityRules extends Record<keyof typeof pourQuantityRules, QuantityRule> {}
}

import { type UnitSystem, CUBIC_METRES_PER_CUBIC_YARD } from '../../kernel/measure';
import type { PlayedRun } from './rehearsal';
import type { HouseRules } from '../../kernel/rules';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, given, givenCount } from '../../kernel/figures/how';
import { crewOf, crewRule, machineOf } from './method';
import type { PourMethod } from './stops';

/** What a pour costs in the job's money, if it goes as planned. */
export function moneyOf(
  pour: string,
  {
    ordered,
    clock,
    method,
    units,
  }: {
    readonly ordered: Figure;
    readonly clock: PlayedRun;
    readonly method: PourMethod;
    readonly units: UnitSystem;
  },
  rules: HouseRules,
): Figure {
  const count = (name: string, id: Parameters<HouseRules['count']>[0]): How =>
    givenCount(name, rules.count(id));
  const [unit, size] = units === 'imperial' ? ['yd³', CUBIC_METRES_PER_CUBIC_YARD] : ['m³', 1];
  const lead = rules.count('pour.pump.lead');
  const hired = machineOf(method);
  const hours = given('hours, with the lead, to the last brace', 'ratio', (clock.done + lead) / 60);
  const machine = given(
    'hours, with the lead, washed out',
    'ratio',
    (clock.finish + (hired ? rules.count('pour.after.wash') : 0) + lead) / 60,
  );
  const product = (name: string, of: readonly How[]): How => ({ op: 'product', name, unit: 'money', of });
  return figureOf({
    id: `pour.${pour}.money`,
    title: 'What the pour costs as planned',
    how: {
      op: 'sum',
      name: 'money',
      unit: 'money',
      of: [
        product('concrete', [
          {
            op: 'quotient',
            name: `ordered, ${unit}`,
            unit: 'ratio',
            of: [ordered.how, given(`a ${unit}`, 'volume', size)],
          },
          // The rule is in money a cubic yard.
          given(
            `a ${unit}`,
            'ratio',
            (rules.quantity('pour.money.concrete') * size) / CUBIC_METRES_PER_CUBIC_YARD,
          ),
        ]),
        ...(hired
          ? [
              product(hired, [
                {
                  op: 'greatest' as const,
                  name: 'hours paid',
                  unit: 'ratio' as const,
                  of: [machine, count('at least', 'pour.money.pump.hours')],
                },
                count('an hour', 'pour.money.pump'),
              ]),
            ]
          : []),
        product('crew', [
          hours,
          givenCount('people', crewOf(method, rules)),
          count('an hour of one', 'pour.money.crew'),
        ]),
        given('trucks that wait', 'money', clock.waitCost),
      ],
    },
    rules: [
      'pour.money.concrete',
      'pour.money.pump',
      'pour.money.pump.hours',
      crewRule(method),
      'pour.money.crew',
      'pour.money.wait',
    ],
    pieces: {},
  });
}

import type { FileFields } from '../../src/kernel/plan/part';
import { emptyPlan } from '../../src/stages/outline/plan';
import { writePlan } from '../../src/plan';
import fc from 'fast-check';
import { insertOf, openingOf } from './openings';
import { HATCHERY, planOf, withCourses } from './plans';

/** Plans with a bit of everything, small enough to be worked in a few milliseconds: what mutation starts from. */
const seeds: readonly (() => FileFields)[] = [
  () =>
    writePlan(
      planOf(
        [
          [200, 90],
          [150, 90],
          [200, 90],
          [150, 90],
        ],
        {
          pours: [
            {
              id: 'pour-1',
              toCourse: 3,
              top: 'full',
              ground: {
                outside: { to: '20in', with: 'fill' },
                inside: { to: '8in', with: 'slab' },
                walls: { w2: { outside: { to: '4in', with: 'fill' } } },
              },
            },
          ],
          days: { start: '2027-03-01', people: { '2027-03-02': 6 }, off: ['2027-03-03'] },
          edges: { all: { height: '4in', over: 'core' }, walls: { w3: { height: '2in', over: 'both' } } },
          openings: [openingOf({ at: '80in', height: '20in', sill: '16in' })],
          inserts: [
            insertOf({ at: '30in', up: '20in' }),
            insertOf({ id: 'i2', kind: 'ledger', wall: 'w2', at: '20in', length: '80in', spacing: '16in' }),
          ],
          footing: {
            kind: 'forms',
            shots: [
              { id: 's1', wall: 'w1', at: '10in', reading: '4ft' },
              { id: 's2', wall: 'w2', at: '100in', reading: '4ft 1/4in' },
            ],
            pulls: [{ id: 'p1', from: 'w1', to: 'w3', length: '250in' }],
          },
          steel: {
            walls: { w1: { backfill: '3ft', held: 'top' } as never },
            table: {
              name: 'Table',
              rows: [{ height: '8ft', backfill: '4ft', soil: 45, size: '#4', spacing: '24in' }],
            },
          },
          bracing: { planks: [{ length: '12ft' }], uprights: [{ length: '8ft', count: 9 }], wind: 20 },
          pour: {
            pours: { 'pour-1': { air: 50, concrete: 60, lifts: ['24in'], loads: 2 } },
            sides: [{ id: 'x', name: 'Pad', volume: '1 yd3', when: 'first' }],
          },
          rules: { 'steel.vertical.spacing': '24in', 'pour.truck.count': 2 },
        },
      ),
    ),
  () => ({
    ...writePlan({ ...emptyPlan('Curve', 'metric'), ...withCourses(2) }),
    outline: {
      closed: false,
      walk: [
        { length: '2m', turn: 'straight on' },
        { length: '1m', turn: 'straight on', core: '6in', flush: 'inside' },
        { length: '', turn: 'straight on', curve: { radius: '3m', sweep: 'right 90' } },
        {
          length: '1.5m',
          turn: 'right 90',
          footing: [{ at: '50cm', step: 'up 406mm' }],
          rake: {
            how: 'cut',
            points: [
              { at: '0', top: '2 courses' },
              { at: '1.5m', top: '700mm' },
            ],
          },
        },
      ],
    },
  }),
  () => writePlan(planOf(HATCHERY, { ...withCourses(1), family: 'cell-24', core: '6in' })),
];

/** What people, and broken programs, put in the place of a value. */
const ABSURD: readonly unknown[] = [
  '',
  '0',
  '-1ft',
  '0.000001mm',
  '1mm',
  '1in',
  '1/0in',
  '99999 m',
  '1000000m',
  '5-1/2',
  'up 1000ft',
  'out 1000ft',
  'left 179.999',
  'right 0.000001',
  'straight on',
  '999999 m3',
  '60 courses',
  'w1',
  'w9',
  '=1+1',
  '🧱',
  'x'.repeat(60),
  0,
  -1,
  1,
  0.5,
  2,
  40,
  60,
  500,
  1e9,
  1e308,
  -1e308,
  NaN,
  null,
  true,
  [],
  {},
];

type Spot = { readonly holder: Record<string, unknown>; readonly key: string };

/** Every place in a document where something can be put, deep ones too. */
function spotsIn(value: unknown): Spot[] {
  if (typeof value !== 'object' || value === null) return [];
  const holder = value as Record<string, unknown>;
  return Object.keys(holder).flatMap((key) => [{ holder, key }, ...spotsIn(holder[key])]);
}

/** One change to a document: an absurd value, a part gone, a list grown by copies of one of its own. */
type Blow = readonly [spot: number, what: 'put' | 'drop' | 'copy', with_: number];

function strike(document: unknown, [at, what, pick]: Blow): void {
  const spots = spotsIn(document);
  const spot = spots[at % Math.max(spots.length, 1)];
  if (!spot) return;
  const { holder, key } = spot;
  if (what === 'drop') Reflect.deleteProperty(holder, key);
  else if (what === 'copy' && Array.isArray(holder[key]) && holder[key].length > 0) {
    const list = holder[key] as unknown[];
    const copies = [2, 10, 60, 300][pick % 4] ?? 2;
    for (let count = 0; count < copies; count++) {
      const copy: unknown = structuredClone(list[0]);
      if (typeof copy === 'object' && copy !== null) Reflect.deleteProperty(copy, 'id');
      list.push(copy);
    }
  } else {
    // Mostly of the kind that stood there: what is refused at the door says little of the rooms behind it.
    const alike = ABSURD.filter((each) => typeof each === typeof holder[key]);
    const among = pick % 5 === 0 || alike.length === 0 ? ABSURD : alike;
    holder[key] = structuredClone(among[Math.floor(pick / 5) % among.length]);
  }
}

/** A document of the plan format with a few blows to it: most still read, and none may do harm. */
export const struckPlans = (most = 4): fc.Arbitrary<unknown> =>
  fc
    .tuple(
      fc.nat(seeds.length - 1),
      fc.array(
        fc.tuple(
          fc.nat(10_000),
          fc.constantFrom(
            'put' as const,
            'put' as const,
            'put' as const,
            'put' as const,
            'drop' as const,
            'copy' as const,
            'copy' as const,
          ),
          fc.nat(1_000),
        ),
        { minLength: 1, maxLength: most },
      ),
    )
    .map(([seed, blows]) => {
      const document: unknown = structuredClone((seeds[seed] as () => FileFields)());
      for (const blow of blows) strike(document, blow);
      return document;
    });

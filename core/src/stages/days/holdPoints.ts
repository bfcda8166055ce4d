import type { Worked } from '../../kernel/engine/stage';
import { type UnitSystem, showLength } from '../../kernel/measure';
import { type SeenLine, type Signature, type SiteRecord, type Tick, seenOf } from '../../kernel/record';
import type { HouseRules } from '../../kernel/rules';
import { pourSpans } from '../outline';
import type { PourReady } from '../pour';
import { boltsOfPour } from '../topoff';
import type { DayItem } from './buildDays';
import type { ItemKind } from './items';

/** Where work stops until somebody has looked and signed. */
export interface HoldPoint {
  /** `first-course`, `bars:pour-1`. */
  readonly id: string;
  readonly name: string;
  readonly pour: string | null;
  /** The item of the days that comes before it, and the first that waits for it; null at the ends of a job. */
  readonly after: string | null;
  readonly before: string | null;
  readonly lines: readonly SeenLine[];
  /** How far out it may be, in words; null where only looking can tell. */
  readonly tolerance: string | null;
  readonly who: string;
  /** A picture is worth keeping: nobody sees it again. */
  readonly picture: boolean;
}

/** What hold points are made from. */
export type HoldGround = Pick<Worked, 'footing' | 'pour' | 'stacks' | 'levels' | 'placed' | 'topoff'>;

interface HoldInput {
  readonly ground: HoldGround;
  readonly items: readonly Pick<DayItem, 'id' | 'kind' | 'pour' | 'course'>[];
  readonly units: UnitSystem;
  readonly rules: HouseRules;
}

const LEAD = 'lead installer';

/** The lines of the list before the wall, by the hold point that they belong to. */
const FOOTING_LINES: readonly (readonly [point: string, of: RegExp])[] = [
  ['footing', /^(strip|forms:(?!bead)|rock:(clean|bars)|sheet|steps|dowels|level|inspector)/],
  ['square', /^(chalk:|square)/],
  ['first-course', /^(hands|held|ties|after|line|rock:|forms:bead)/],
  ['two-courses', /^glue/],
];

/** Lines of the list before the pump, by groups of it. */
const PUMP_GROUPS: Readonly<Record<'openings' | 'bars' | 'braces' | 'list', readonly PourReady['group'][]>> =
  {
    openings: ['openings'],
    bars: ['steel'],
    braces: ['bracing'],
    list: ['forms', 'top', 'site'],
  };

/**
 * The hold point that a line of the list before the walls belongs to.
 *
 * @example pointOfFooting('glue') // 'two-courses'
 */
export const pointOfFooting = (line: string): string =>
  FOOTING_LINES.find(([, of]) => of.test(line))?.[0] ?? 'footing';

/**
 * The hold point that a line of the list before the pump belongs to.
 *
 * @example pointOfPump('steel', 'pour-1') // 'bars:pour-1'
 */
export function pointOfPump(group: PourReady['group'], pour: string): string {
  const [point = 'list'] = Object.entries(PUMP_GROUPS).find(([, groups]) => groups.includes(group)) ?? [];
  return `${point}:${pour}`;
}

/** Before the walls go up. */
function groundPoints({ ground, items, units, rules }: HoldInput): readonly HoldPoint[] {
  const inches = (id: 'footing.level.limit' | 'footing.shim.step' | 'footing.square.limit'): string =>
    showLength(rules.length(id), units, { style: 'inches' });
  const has = (id: string): string | null => (items.some((item) => item.id === id) ? id : null);
  const lines = (point: string): readonly SeenLine[] =>
    ground.footing.ready.flatMap(({ id, what }) => (pointOfFooting(id) === point ? [{ id, what }] : []));
  const point = (
    id: string,
    name: string,
    rest: Pick<HoldPoint, 'after' | 'before' | 'tolerance'> & Partial<HoldPoint>,
  ): HoldPoint => ({ id, name, pour: null, lines: lines(id), who: LEAD, picture: false, ...rest });
  return [
    point('footing', 'Footing inspected', {
      after: has('strip'),
      before: has('chalk'),
      tolerance: `level within ${inches('footing.level.limit')}`,
      who: 'inspector, where the local code asks for it; lead installer',
      picture: true,
    }),
    point('square', 'Lines square', {
      after: has('chalk'),
      before: has('survey'),
      tolerance: `corners within ${inches('footing.square.limit')}`,
    }),
    point('first-course', 'First course level and straight', {
      after: has('course:1'),
      before: has('course:2'),
      tolerance: `level within ${inches('footing.shim.step')}`,
    }),
    point('two-courses', 'Two courses checked and glued', {
      after: has('course:2') ?? has('course:1'),
      before: has('course:3'),
      tolerance: null,
      lines: [
        ...lines('two-courses'),
        { id: 'cuts', what: 'Every cut of both courses checked, joints staggered, corner hands as planned.' },
      ],
    }),
  ];
}

/** What `pourPoints` goes by. */
interface PourPointsInput extends HoldInput {
  readonly pour: string;
  readonly called: string | null;
  readonly last: boolean;
}

/** Of one pour, from its openings to its backfill. */
function pourPoints({
  ground,
  items,
  units,
  rules,
  pour,
  called,
  last,
}: PourPointsInput): readonly HoldPoint[] {
  const ready = ground.pour.pours.find(({ span }) => span.pour === pour)?.ready ?? [];
  const has = (kind: ItemKind): string | null =>
    items.find((item) => item.kind === kind && item.pour === pour)?.id ?? null;
  const group = (name: keyof typeof PUMP_GROUPS): readonly SeenLine[] =>
    ready.filter((item) => PUMP_GROUPS[name].includes(item.group)).map(({ id, what }) => ({ id, what }));
  const said = (...all: readonly string[]): readonly SeenLine[] =>
    all.map((what, index) => ({ id: String(index + 1), what }));
  const point = (
    id: string,
    name: string,
    lines: readonly SeenLine[],
    rest: Pick<HoldPoint, 'after' | 'before'> & Partial<HoldPoint>,
  ): HoldPoint => ({
    id: `${id}:${pour}`,
    name: called === null ? name : `${name} · ${called}`,
    pour,
    lines,
    tolerance: null,
    who: LEAD,
    picture: false,
    ...rest,
  });
  const straight = showLength(rules.length('bracing.line.limit'), units, { style: 'inches' });
  const hours = (id: 'days.wait.stand' | 'days.wait.braces'): string => String(rules.count(id));
  const ledgers = ground.placed.placed.some(({ kind }) => kind === 'ledger');
  const bolts = ground.topoff.bolts.value > 0;
  const place = (kind: ItemKind): number =>
    items.findIndex((item) => item.kind === kind && item.pour === pour);
  // Forms that are filled around while they stand empty.
  const early = has('pour') !== null && place('backfill') < place('pour');
  // What comes after the pour waits for the fill only where that comes later still.
  const fill = early ? null : has('backfill');
  const backfill =
    has('backfill') === null
      ? []
      : [
          point(
            'backfill',
            'Before backfill',
            said(
              'Floor on, or braces in, before the fill goes over 4 ft on one side (IRC R404.1.7).',
              'Fill clean, brought up evenly in passes; heavy machines kept away from the wall.',
              'Plumbing under the slab in and tested before the slab.',
            ),
            {
              after: early
                ? (has('inserts') ?? has('verticals') ?? has('braces'))
                : (has('floor') ?? has('seal') ?? has('unbrace')),
              before: has('backfill'),
            },
          ),
        ];
  return [
    point('openings', 'Openings marked, bucks square and braced', group('openings'), {
      after: has('bucks'),
      before: has('verticals'),
      tolerance: 'both diagonals of a buck alike',
    }),
    point('bars', 'Bars inspected', group('bars'), {
      after: has('verticals'),
      before: has('inspection'),
      who: 'inspector, where the local code asks for it; lead installer',
      picture: true,
    }),
    point('braces', 'Braces and planks safe', group('braces'), {
      after: has('braces'),
      before: has('straighten'),
    }),
    ...(early ? backfill : []),
    point(
      'straight',
      'Straight and plumb, stood a day',
      said(
        'Corners plumb both ways, wall by wall to its string.',
        `Read again after ${hours('days.wait.stand')} h; what had moved is turned back.`,
      ),
      { after: has('straighten'), before: has('pour'), tolerance: `within ${straight} of the string` },
    ),
    point('list', 'List before the pump', group('list'), { after: has('list'), before: has('pour') }),
    point(
      'soft',
      'After the pour',
      said(
        'Strings sighted again while the concrete was soft, legs turned.',
        'Corners plumb the next day; readings kept.',
        last
          ? 'Top level and clean, bolts at their height.'
          : 'Top clean for the next clips, interlock free of concrete.',
        ...(!last && boltsOfPour(ground.topoff, pour) > 0
          ? ['Where walls end, top level, bolts at their height.']
          : []),
      ),
      { after: has('sight'), before: has('unbrace'), tolerance: `within ${straight} of the string` },
    ),
    point(
      'voids',
      'No voids under sills or behind plugs',
      said('Sills, plugs and the faces beside bucks tapped along; what sounds hollow is opened and patched.'),
      { after: has('pour'), before: has('seal') ?? fill, picture: true },
    ),
    point(
      'braces-off',
      'Braces off',
      said(
        `${hours('days.wait.braces')} h since the pour, longer in the cold.`,
        'Sleeves uncapped, fins off, screw holes closed.',
      ),
      { after: has('unbrace'), before: has('plates') ?? has('seal') ?? fill },
    ),
    ...(last && (ledgers || bolts)
      ? [
          point(
            'plates',
            'Plates, ledger nuts and straps',
            said(
              ...(bolts
                ? ['Plates down, a washer and a nut on every bolt, both sides of each splice held.']
                : []),
              ...(ledgers ? ['Ledger nuts tight against the board, every one.'] : []),
              'Straps and hold-downs as drawn.',
            ),
            { after: has('plates') ?? has('unbrace'), before: has('seal') ?? fill },
          ),
        ]
      : []),
    ...(has('seal') === null
      ? []
      : [
          point(
            'membrane',
            'Membrane, drain, protection board',
            said(
              'Membrane lapped, turned onto the footing, tight at every sleeve.',
              'Drain bedded with its fall, open at its end.',
              'Protection board over all of it.',
            ),
            { after: has('seal'), before: has('floor') ?? fill, picture: true },
          ),
        ]),
    ...(early ? [] : backfill),
  ];
}

/**
 * Every hold point of a job, in the order of its work. Made from the plan: what nothing waits for is left out.
 *
 * @example holdPointsOf({ ground: work(plan), items: work(plan).days.items, units: 'imperial', rules })[0]?.id // 'footing'
 */
export function holdPointsOf(input: HoldInput): readonly HoldPoint[] {
  const { ground, items } = input;
  if (items.length === 0) return [];
  const spans = pourSpans(ground.stacks, ground.levels);
  const points = [
    ...groundPoints(input),
    ...spans.flatMap((span, index) =>
      pourPoints({
        ...input,
        pour: span.pour,
        called: spans.length > 1 ? span.name : null,
        last: index === spans.length - 1,
      }),
    ),
  ];
  return points.filter(({ lines, before, after }) => lines.length > 0 && (before !== null || after !== null));
}

/** A hold point as it stands. */
export interface HoldState extends HoldPoint {
  /**
   * `signed`: looked at as it is now. `fallen`: signed, and the job has changed since. `open`: not signed.
   */
  readonly state: 'open' | 'signed' | 'fallen';
  readonly signature: Signature | null;
  /** Lines ticked as they read now, by their ids. */
  readonly ticked: readonly string[];
  /** What fell off, and why: a line as it read when it was signed or ticked, and how it reads now; null where it is gone. */
  readonly fell: readonly { readonly was: string; readonly now: string | null }[];
}

/** What a line reads now that was seen as something else. */
function fellOff(point: HoldPoint, signature: Signature | undefined, ticks: readonly Tick[]) {
  const now = new Map(point.lines.map(({ id, what }) => [id, what]));
  const shown = new Set(now.values());
  const ticksFell = ticks.flatMap(({ line, what, done }) => {
    const reads = now.get(line);
    return done && reads !== what ? [{ was: what, now: reads ?? null }] : [];
  });
  const seen = new Set(signature?.lines ?? []);
  const gone = (signature?.lines ?? [])
    .filter((line) => !shown.has(line))
    .map((was) => ({ was, now: ticks.find(({ what }) => what === was)?.line ?? null }))
    .map(({ was, now: line }) => ({ was, now: line === null ? null : (now.get(line) ?? null) }));
  const fresh = signature
    ? point.lines.filter(({ what }) => !seen.has(what)).map(({ what }) => ({ was: '', now: what }))
    : [];
  const all = [...ticksFell, ...gone, ...fresh];
  return { all, signed: gone.length > 0 || fresh.length > 0 };
}

/**
 * Hold points as the log has them: signed, or not, or signed for a job that has changed since.
 *
 * @param ticked lines that were ticked before there was a log, by hold point
 * @example holdStates([], undefined) // []
 */
export function holdStates(
  points: readonly HoldPoint[],
  record: Pick<SiteRecord, 'signed' | 'ticks'> | undefined,
  ticked: (point: HoldPoint) => readonly string[] = () => [],
): readonly HoldState[] {
  return points.map((point) => {
    const signature = record?.signed.find((each) => each.point === point.id);
    const ticks = (record?.ticks ?? []).filter((each) => each.point === point.id);
    const { all, signed } = fellOff(point, signature, ticks);
    const seen = seenOf(ticks, ticked(point));
    return {
      ...point,
      state: !signature ? 'open' : signed ? 'fallen' : 'signed',
      signature: signature ?? null,
      ticked: point.lines.flatMap((line) => (seen.done(point.id, line) ? [line.id] : [])),
      fell: all.filter(
        (each, index) => all.findIndex(({ was, now }) => was === each.was && now === each.now) === index,
      ),
    };
  });
}

/**
 * Hold points that are not signed and that an item should wait for: those before it, and before anything that comes ahead of it.
 *
 * @example openBefore([], [], 'course:3') // []
 */
export function openBefore(
  states: readonly HoldState[],
  items: readonly Pick<DayItem, 'id'>[],
  item: string,
): readonly HoldState[] {
  const place = new Map(items.map(({ id }, index) => [id, index]));
  const at = place.get(item);
  if (at === undefined) return [];
  return states.filter(({ state, before }) => {
    const waits = before === null ? undefined : place.get(before);
    return state !== 'signed' && waits !== undefined && waits <= at;
  });
}

import { type Bracing, bracesOfPour } from '../bracing';
import type { Bucks } from '../bucks';
import type { Inserts } from '../inserts';
import { type UnitSystem, showLength } from '../../kernel/measure';
import type { Openings } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import { type Bar, type Steel, standingIn } from '../steel';
import { type TopOff, boltsOfPour } from '../topoff';
import type { PourSpan } from '../outline';
import type { AccessHole } from './holes';
import type { PourMethod } from './stops';

/** Something that must be true before the pump unfolds. */
export interface PourReady {
  readonly id: string;
  readonly group: 'forms' | 'openings' | 'steel' | 'bracing' | 'top' | 'site';
  readonly what: string;
  /** How it is told on paper, where it shares a line with others of its kind: what they have in common, and its own part. */
  readonly line?: { readonly of: string; readonly own: string };
}

interface ReadyInput {
  readonly span: PourSpan;
  readonly method: PourMethod;
  readonly holes: readonly AccessHole[];
  readonly bracing: Bracing;
  readonly openings: Openings;
  readonly bucks: Bucks;
  readonly inserts: Inserts;
  readonly steel: Steel;
  readonly topoff: TopOff;
  readonly watched: readonly { readonly wall: string; readonly name: string; readonly by: string | null }[];
  readonly units: UnitSystem;
  readonly rules: HouseRules;
}

const plural = (count: number, one: string, many = `${one}s`): string =>
  `${String(count)} ${count === 1 ? one : many}`;

/** Whether something lies between the heights of a pour. */
const within = (span: PourSpan, bottom: number, top: number): boolean =>
  bottom < span.top && top > span.bottom;

/** Boards over weak joints, wall by wall. */
function strapItems({ span, bracing, watched }: ReadyInput): readonly PourReady[] {
  return watched.flatMap(({ wall, name }): PourReady[] => {
    const boards = bracing.straps.boards.filter(
      (board) => board.wall === wall && within(span, board.bottom, board.top),
    );
    return boards.length === 0
      ? []
      : [
          {
            id: `straps:${wall}`,
            group: 'forms',
            what: `${name}: ${plural(boards.length, 'weak place')} boarded on both faces.`,
            line: { of: 'Weak places boarded on both faces', own: `${name} ${String(boards.length)}` },
          },
        ];
  });
}

/** Bucks braced and square, and each sill's way in. */
function openingItems({ span, bucks, openings, units }: ReadyInput): readonly PourReady[] {
  return bucks.bucks.flatMap((buck): PourReady[] => {
    const hole = openings.placed.find((each) => each.id === buck.opening)?.concrete;
    if (!hole || !within(span, hole.bottom, hole.top)) return [];
    const { access } = buck;
    const own: PourReady = {
      id: `buck:${buck.opening}`,
      group: 'openings',
      what: `${buck.name}: buck plumb, cross-braced, both diagonals ${showLength(buck.diagonal, units)}.`,
      line: {
        of: 'Bucks plumb, cross-braced, both diagonals',
        own: `${buck.name} ${showLength(buck.diagonal, units)}`,
      },
    };
    // Concrete goes under a sill in the pour that it lies in; later ones find it there.
    if (access.kind === 'open' || hole.bottom <= span.bottom) return [own];
    const way =
      access.kind === 'split'
        ? `open ${showLength(access.gap, units, { style: 'inches' })} along its middle`
        : `${plural(access.count, access.kind === 'slot' ? 'slot' : 'hole')}, the vibrator tried in ${access.count === 1 ? 'it' : 'each'}`;
    return [
      own,
      {
        id: `sill:${buck.opening}`,
        group: 'openings',
        what: `${buck.name}: sill ${way}.`,
        line: { of: 'Sills open, the vibrator tried', own: `${buck.name}, ${way.replace(/,.*$/, '')}` },
      },
    ];
  });
}

/** Sleeves capped wall by wall, boxes and cast anchors fixed. */
function insertItems({ span, inserts }: ReadyInput): readonly PourReady[] {
  const here = inserts.placed.filter(({ rect }) => within(span, rect.bottom, rect.top));
  const walls = [...new Set(here.filter((each) => each.round).map((each) => each.wall))];
  const caps = walls.map((wall): PourReady => {
    const own = here.filter((each) => each.round && each.wall === wall);
    const names = own.map((each) => each.name).join(', ');
    return {
      id: `caps:${wall}`,
      group: 'openings',
      what: `${own[0]?.wallName ?? ''}: ${names} capped tight at both ends, a plate over each.`,
      line: {
        of: 'Capped tight at both ends, a plate over each',
        own: `${own[0]?.wallName ?? ''} ${names}`,
      },
    };
  });
  const others = here.flatMap((insert): PourReady[] => {
    const where = `${insert.name} (${insert.wallName})`;
    if (insert.kind === 'pocket') {
      return [
        {
          id: `pocket:${insert.id}`,
          group: 'openings',
          what: `${where}: box fixed and closed.`,
          line: { of: 'Boxes fixed and closed', own: where },
        },
      ];
    }
    if (insert.fixings.length === 0 || !insert.cast) return [];
    return [
      {
        id: `cast:${insert.id}`,
        group: 'openings',
        what: `${where}: ${String(insert.fixings.length)} cast anchors held from turning, foam cut square round each.`,
      },
    ];
  });
  return [...caps, ...others];
}

function steelItems({ span, steel }: ReadyInput): readonly PourReady[] {
  const countOf = (bars: readonly Bar[]): number => bars.reduce((sum, bar) => sum + bar.count, 0);
  const count = (...uses: readonly string[]): number =>
    countOf(steel.bars.filter((bar) => uses.includes(bar.use) && within(span, bar.bottom, bar.top)));
  const item = (id: string, bars: number, what: string): readonly PourReady[] =>
    bars === 0 ? [] : [{ id: `steel:${id}`, group: 'steel', what }];
  const lying = count('horizontal', 'corner');
  // Those of the pour below stand out of its top; they were looked at with it.
  const standing = countOf(standingIn(steel.bars, span));
  const lintels = count('lintel bottom', 'lintel top');
  return [
    ...item(
      'lying',
      lying,
      `${plural(lying, 'horizontal and corner bar', 'horizontal and corner bars')} in their slots, laps as drawn.`,
    ),
    ...item(
      'standing',
      standing,
      `${plural(standing, 'vertical')} down to the footing or the lap, tied at the top.`,
    ),
    ...item('lintels', lintels, `${plural(lintels, 'lintel bar')} in, stirrups hooked over them.`),
    {
      id: 'steel:caps',
      group: 'steel',
      what: 'Caps on every upright bar anyone could fall on.',
    },
    {
      id: 'steel:inspector',
      group: 'steel',
      what: 'Steel and openings seen by the inspector, where the local code asks for it.',
    },
  ];
}

function braceItems({ span, bracing, units, rules }: ReadyInput): readonly PourReady[] {
  const own = bracesOfPour(bracing, span.pour);
  const items = own.map((wall): PourReady => ({
    id: `braces:${wall.wall}`,
    group: 'bracing',
    what:
      wall.way === 'waler'
        ? `${wall.name}: waler along the top, ${plural(wall.diagonals.length, 'diagonal')} staked.`
        : `${wall.name}: ${plural(wall.braces.length, 'brace')} screwed to every course, plumb, feet staked${wall.guardrail ? ', guardrails on' : ''}.`,
    ...(wall.way === 'waler'
      ? {}
      : {
          line: {
            of: 'Braces screwed to every course, plumb, feet staked',
            own: `${wall.name} ${String(wall.braces.length)}${wall.guardrail ? ' with rails' : ''}`,
          },
        }),
  }));
  const planks = own.some((wall) => wall.planks.length > 0);
  return [
    ...items,
    ...(planks
      ? [
          {
            id: 'braces:planks',
            group: 'bracing' as const,
            what: `Planks lie over their brackets, ends past them by ${showLength(rules.length('bracing.plank.end.least'), units, { style: 'inches' })} at least; the walkway has been walked.`,
          },
        ]
      : []),
    {
      id: 'braces:strings',
      group: 'bracing',
      what: 'Strings up on every wall, read, and the readings kept.',
    },
  ];
}

function topItems({ span, topoff, units, rules }: ReadyInput): readonly PourReady[] {
  const own = topoff.tops.find((top) => top.pour === span.pour);
  const set = boltsOfPour(topoff, span.pour);
  const bolts: readonly PourReady[] =
    set > 0
      ? [
          {
            id: 'top:bolts',
            group: 'top',
            what: `${plural(set, 'anchor bolt')} laid out by the tape sheet, ${showLength(rules.length('topoff.bolt.above'), units, { style: 'inches' })} above the concrete, all alike.`,
          },
        ]
      : [];
  const finish =
    own?.finish === 'half-block'
      ? `Stop line marked halfway up course ${String(span.toCourse)}; interlock and top web taped over.`
      : 'Screed, trowel and boards for the top at hand.';
  return [
    {
      id: 'top:joints',
      group: 'forms',
      what: `Joints of course ${String(span.toCourse)} clipped or glued to the course below, so that it cannot float.`,
    },
    ...bolts,
    { id: 'top:finish', group: 'top', what: finish },
  ];
}

const WITH_PUMP: readonly (readonly [id: string, what: string])[] = [
  ['pump', 'Pump set up level on firm ground, boom and hose clear of every wire.'],
  ['operator', 'Operator briefed: who signals, where to start, when to stop.'],
  [
    'hose',
    'Reducer and a hose of 2 to 3 in on the end; the line is primed, the slurry kept out of the wall.',
  ],
];

const SITE_BY_METHOD: Readonly<Record<PourMethod, readonly (readonly [id: string, what: string])[]>> = {
  pump: WITH_PUMP,
  chute: [
    ['way', 'Way for the truck round the walls firm, clear of the bank and of the braces’ feet.'],
    ['barrows', 'Barrows and planks where the chute does not reach.'],
  ],
  conveyor: [['belt', 'Conveyor set up, sock on its end, its next places marked.']],
  holes: [
    ...WITH_PUMP,
    ['glue', 'Glue, screws and a board for every plug at hand; whoever plugs goes with the hose.'],
  ],
};

function siteItems({ method, watched }: ReadyInput): readonly PourReady[] {
  const item = (id: string, what: string): PourReady => ({ id: `site:${id}`, group: 'site', what });
  const unwatched = watched.filter(({ by }) => by === null).map(({ name }) => name);
  return [
    ...SITE_BY_METHOD[method].map(([id, what]) => item(id, what)),
    item('order', 'Order, spacing and balance confirmed with the plant this morning.'),
    item('wash', 'A place for washing out, away from the walls and from any drain.'),
    item('vibrator', 'Vibrator with a head of 1 in or less running, and a second one at hand.'),
    item('kit', 'Blowout kit out: plywood of 2 ft, 2×4s, screws, two drivers.'),
    item(
      'watch',
      unwatched.length === 0
        ? 'Every wall has its watcher, with driver, screws and plywood.'
        : `A watcher for ${unwatched.join(', ')}, with driver, screws and plywood.`,
    ),
    item('covers', 'Floors and what shall stay clean are covered.'),
    item('weather', 'Weather checked: no lightning, no wind that moves the planks, covers for cold or rain.'),
    item('skin', 'Gloves, glasses, rubber boots, clean water for eyes and skin.'),
  ];
}

/** Access holes cut, wall by wall, each with its plug. */
function holeItems({ holes }: ReadyInput): readonly PourReady[] {
  const walls = [...new Set(holes.map(({ wall }) => wall))];
  return walls.map((wall): PourReady => {
    const own = holes.filter((hole) => hole.wall === wall);
    const name = own[0]?.name ?? wall;
    return {
      id: `holes:${wall}`,
      group: 'forms',
      what: `${name}: ${plural(own.length, 'access hole')} cut, each plug numbered and at its hole.`,
      line: { of: 'Access holes cut, plugs numbered', own: `${name} ${String(own.length)}` },
    };
  });
}

/** The list of what must be true before the pump unfolds, made from this job. */
export function pourReady(input: ReadyInput): readonly PourReady[] {
  return [
    ...strapItems(input),
    ...holeItems(input),
    ...openingItems(input),
    ...insertItems(input),
    ...steelItems(input),
    ...braceItems(input),
    ...topItems(input),
    ...siteItems(input),
  ];
}

import { type Judged, allOf } from '../../kernel/judged';
import type { Pour } from '../outline/plan';
import type { Worked } from '../../kernel/engine/stage';
import type { Bracing } from '../bracing';
import type { Inserts } from '../inserts';
import { type Length, add, inches, subtract, ZERO, nanometres } from '../../kernel/measure';
import type { Openings } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import { type PourSpan, type Wall, endsIn, pourName, pourSpans } from '../outline';
import { type Bar, type Steel, standsUp } from '../steel';
import { type StockPlan, cutStock } from '../../kernel/stock/cutStock';
import { figureOf } from '../../kernel/figures/figure';
import { givenCount } from '../../kernel/figures/how';
import { type Blocked, layBolts } from '../../kernel/stock/layBolts';
import { anchorsOnBars } from './anchorsOnBars';
import { boltRules } from './boltRules';
import { boltsHow } from './bolts';
import { type PlatePiece, type PlateRun, plateRuns, splices } from './plates';
import type { BoltedRun, PourTop, TopOff, TopOffProblem } from './topOff';

/** A saw takes an eighth. [common practice] */
const KERF = inches(1 / 8);

/** What `blockedOn` goes by. */
interface BlockedOnInput {
  readonly run: PlateRun;
  /** Bars that stand in its wall. */
  readonly standing: readonly Bar[];
  readonly bracing: Bracing;
  readonly openings: Openings;
  readonly inserts: Inserts;
  readonly rules: HouseRules;
}

/** Where a wall has no room for a bolt: bars that reach its depth, braces, and what lies in its top. */
function blockedOn({ run, standing, bracing, openings, inserts, rules }: BlockedOnInput): readonly Blocked[] {
  const clear = rules.length('topoff.bolt.clear');
  const brace = rules.length('topoff.bolt.brace');
  const deep = run.top - rules.length('topoff.bolt.embed');
  const about = (from: number, to: number, by: number): Blocked => ({ from: from - by, to: to + by });
  return [
    ...standing
      .filter((bar) => bar.top > deep && bar.bottom < run.top)
      .map((bar) => about(bar.from, bar.to, clear)),
    ...bracing.walls
      .filter((own) => own.wall === run.wall)
      .flatMap((own) => own.braces.map(({ at }) => about(at, at, brace))),
    ...openings.placed
      .filter((each) => each.worked && each.wall === run.wall && each.concrete.top > deep)
      .map(({ concrete }) => about(concrete.from, concrete.to, clear)),
    ...inserts.placed
      .filter((each) => each.wall === run.wall && each.depth > 0 && each.kind !== 'brick-ledge')
      .filter(({ rect }) => rect.top > deep && rect.bottom < run.top)
      .map(({ rect }) => about(rect.from, rect.to, clear)),
  ];
}

/** Bars that stand up, by their wall. */
function standingByWall({ bars }: Steel): ReadonlyMap<string, readonly Bar[]> {
  const found = new Map<string, Bar[]>();
  for (const bar of bars) {
    if (!standsUp(bar)) continue;
    const own = found.get(bar.wall);
    if (own) own.push(bar);
    else found.set(bar.wall, [bar]);
  }
  return found;
}

/** What a piece of a run is cut to. */
const cutOf = ({ from, to, past }: PlateRun, start: Length, end: Length): Length =>
  add(subtract(end, start), start === from ? past.start : ZERO, end === to ? past.end : ZERO);

/** The pour that fills a wall to its top. */
const pourUpTo = (spans: readonly PourSpan[], top: Length): string =>
  (spans.find((span) => endsIn(span)(top)) ?? spans.at(-1))?.pour ?? '';

function boltedRun(
  run: PlateRun & Pick<BoltedRun, 'pour'>,
  blocked: readonly Blocked[],
  rules: HouseRules,
): Judged<BoltedRun, TopOffProblem> {
  const wants = boltRules(rules);
  const ends = splices(run, rules);
  const pieces = ends.map((to, index): Judged<PlatePiece, TopOffProblem> => {
    const from = ends[index - 1] ?? run.from;
    const beside = blocked.filter((each) => each.to > from && each.from < to);
    const laid = layBolts(from, to, beside, wants);
    return {
      value: { from, to, cut: cutOf(run, from, to), bolts: laid.at },
      problems: laid.short
        ? [{ kind: 'piece-short', wall: run.wall, length: subtract(to, from) }]
        : laid.gaps.map((gap) => ({ kind: 'bolt-gap', wall: run.wall, ...gap })),
    };
  });
  const { value, problems } = allOf(pieces);
  return { value: { ...run, pieces: value }, problems };
}

/** How every pour's top is left. */
const topsOf = (pours: readonly Pour[], rules: HouseRules): readonly PourTop[] =>
  pours.map((pour, index) => {
    const last = index === pours.length - 1;
    const half = !last && pour.top === 'half';
    return {
      pour: pour.id,
      name: pourName(pours, pour.id, 'Walls'),
      finish: half ? 'half-block' : last && rules.choice('topoff.top') === 'rough' ? 'rough' : 'trowelled',
      bars: last ? null : rules.length('steel.vertical.projection'),
    };
  });

/** What is to be said of plates before any is bolted: rules that leave no place for an end bolt, walls that a plate does not suit. */
function judgePlates(walls: readonly Wall[], rules: HouseRules): readonly TopOffProblem[] {
  const width = rules.length('topoff.plate.width');
  const { nearest, farthest } = boltRules(rules);
  return [
    ...(nearest > farthest ? [{ kind: 'no-end-zone', nearest, farthest } as const] : []),
    ...walls.flatMap((wall): readonly TopOffProblem[] => [
      ...(wall.curve ? [{ kind: 'plate-curved', wall: wall.id } as const] : []),
      ...(width > wall.thickness
        ? [{ kind: 'plate-wide', wall: wall.id, plate: width, wallThick: wall.thickness } as const]
        : []),
    ]),
  ];
}

/**
 * Sill plates along the middle of every wall's top, cut from stock with their splices, and their anchor bolts clear of verticals,
 * braces, openings and pockets. Ombra tells where they go; size and number are the drawings'. [IRC R403.1.6; from memory]
 */
export function buildTopOff(
  {
    shell,
    levels,
    openings,
    placed: inserts,
    steel,
    bracing,
    edges,
    stacks: pours,
  }: Pick<Worked, 'shell' | 'levels' | 'openings' | 'placed' | 'steel' | 'bracing' | 'edges' | 'stacks'>,
  rules: HouseRules,
): TopOff {
  const walls = shell.loops.flatMap(({ built }) => (built?.walls ?? []).map((wall) => ({ built, wall })));
  const standing = standingByWall(steel);
  const edgeOn = new Map(edges.walls.map((edge) => [edge.wall, edge]));
  const spans = pourSpans(pours, levels);
  const bolted = allOf(
    walls
      .flatMap(({ built, wall }) =>
        built ? plateRuns({ built, wall, levels, openings: openings.placed, rules }) : [],
      )
      .map((run) => {
        const edge = edgeOn.get(run.wall);
        const pour = pourUpTo(spans, run.top);
        return edge ? { ...run, pour, top: add(run.top, edge.height) } : { ...run, pour };
      })
      .map((run) => {
        const bars = standing.get(run.wall) ?? [];
        return boltedRun(run, blockedOn({ run, standing: bars, bracing, openings, inserts, rules }), rules);
      }),
  );
  const runs = bolted.value;
  const width = rules.length('topoff.plate.width');
  const reading = cutStock(
    runs
      .filter((run) => !run.curved)
      .flatMap((run) => run.pieces.map(({ cut }) => ({ length: cut, count: 1 }))),
    rules.length('topoff.plate.stock'),
    KERF,
    'quick',
  );
  const stock: StockPlan = reading.ok ? reading.plan : { pieces: [], bound: 0, proved: true };
  const cores = [...new Set(walls.map(({ wall }) => wall.core))].sort((a, b) => b - a);
  const ledgers = inserts.placed.filter((each) => each.kind === 'ledger');
  const anchors = (cast: boolean): number =>
    ledgers.filter((each) => each.cast === cast).reduce((sum, each) => sum + each.fixings.length, 0);
  return {
    runs,
    stock,
    boards: figureOf({
      id: 'topoff.boards',
      title: 'Boards for sill plates',
      how: givenCount('boards that the pieces are cut of', stock.pieces.length),
      rules: ['topoff.plate.stock', 'topoff.plate.least'],
      pieces: {},
    }),
    bolts: figureOf({
      id: 'topoff.bolts',
      title: 'Anchor bolts',
      how: boltsHow(runs),
      rules: ['topoff.bolt.spacing', 'topoff.bolt.end', 'topoff.bolt.diameters', 'topoff.bolt.least'],
      pieces: {},
    }),
    bands: cores.map((core) => ({
      core,
      from: nanometres(core / 2 - width / 6),
      to: nanometres(core / 2 + width / 6),
    })),
    ledgerAnchors: { cast: anchors(true), drilled: anchors(false) },
    tops: topsOf(pours, rules),
    problems: [
      ...walls.flatMap(({ wall }): readonly TopOffProblem[] => {
        const sloped = (levels.walls[wall.id] ?? []).reduce(
          (sum, { from, to, cut }) => (cut ? sum + Math.hypot(to - from, cut.slope[1] - cut.slope[0]) : sum),
          0,
        );
        return sloped > 0 ? [{ kind: 'plate-raked', wall: wall.id, length: nanometres(sloped) }] : [];
      }),
      ...judgePlates(
        walls.map(({ wall }) => wall),
        rules,
      ),
      ...bolted.problems,
      ...anchorsOnBars(inserts, steel.bars, rules),
    ],
  };
}

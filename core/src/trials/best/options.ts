import type { WallBond } from '../../stages/outline/plan';
import {
  type CutDemand,
  type FullRow,
  type LaidWall,
  type Laying,
  type Parity,
  type RunCuts,
  type WallEnds,
  type WallPiece,
  atRowEnds,
  blocksBeforeCuts,
  cutRun,
  fillWith,
  hidingPlacesOf,
  holesOf,
  judgeRulesOf,
  judgeWall,
  mustBeFresh,
  piecesOfRow,
  reuseRulesOf,
  rowsOfWall,
  runningRow,
  runOf,
  seamHoles,
  seamPieces,
  seamRow,
  snapSeam,
  splits,
  staggerOf,
  takenOf,
} from '../../stages/courses';
import { type Length, type UnitSystem, add, storeLength, subtract } from '../../kernel/measure';
import type { BuiltLoop, Levels, Wall } from '../../stages/outline';

/** Pieces of one core and one height: they can come out of one block. */
export interface ArticleNeed {
  /** Core and height. */
  readonly article: string;
  readonly height: Length;
  readonly whole: number;
  readonly cuts: readonly CutDemand[];
}

/** One way to lay a wall between two corners whose hands are given, and what it costs. */
export interface WallOption {
  /** What the plan must say for it; null is the usual rule. */
  readonly bond: WallBond | null;
  readonly needs: readonly ArticleNeed[];
  readonly cuts: number;
  readonly straps: number;
}

/** What the options of a wall are made from. */
export interface OptionSetting {
  readonly laying: Laying;
  readonly levels: Levels;
  readonly built: BuiltLoop;
}

/** Everything that a wall's pieces ask of the order, by article. */
function needsOf(pieces: readonly WallPiece[], wall: Wall, laying: Laying): readonly ArticleNeed[] {
  const reuse = reuseRulesOf(laying.rules);
  const ends = atRowEnds(pieces);
  const articles = new Map<
    string,
    { height: Length; whole: number; cuts: Map<Length, { fresh: number; reusable: number }> }
  >();
  for (const piece of pieces) {
    const height = subtract(piece.top, piece.bottom);
    const article = `${String(wall.core)}:${String(height)}`;
    const need = articles.get(article) ?? {
      height,
      whole: 0,
      cuts: new Map<Length, { fresh: number; reusable: number }>(),
    };
    articles.set(article, need);
    if (piece.kind === 'straight') {
      need.whole += 1;
      continue;
    }
    const taken = takenOf(piece, laying.cutRules);
    const cut = need.cuts.get(taken) ?? { fresh: 0, reusable: 0 };
    need.cuts.set(taken, cut);
    cut[mustBeFresh(piece, ends, reuse) ? 'fresh' : 'reusable'] += 1;
  }
  return [...articles].map(([article, need]) => ({
    article,
    height: need.height,
    whole: need.whole,
    cuts: [...need.cuts].map(([length, cut]) => ({ length, ...cut })),
  }));
}

/** A wall worked through every course: the slow way, right for steps and tops too. */
function evaluate(laid: LaidWall, bond: WallBond | null, setting: OptionSetting): WallOption {
  const rows = rowsOfWall(setting.built, laid, setting.levels, holesOf(setting.laying, laid.wall.id));
  const pieces = rows.flatMap((row, index) => piecesOfRow(row, laid.wall, index + 1));
  return {
    bond,
    needs: needsOf(pieces, laid.wall, setting.laying),
    cuts: pieces.filter((piece) => piece.kind === 'cut').length,
    straps: judgeWall(laid, rows, setting.laying).weak.length,
  };
}

/** Fills of a row that the search tries: the usual rule, one filler, and every split on a cut mark. */
function fillsOf(run: Length, laying: Laying): readonly RunCuts[] {
  const rules = laying.cutRules;
  const usual = cutRun(run, rules);
  if (usual.rest === 0) return [usual];
  const lists: (readonly Length[])[] = [
    [usual.rest],
    ...(usual.held > 0 ? splits(add(rules.block, usual.rest), rules) : []),
  ];
  const same = (cuts: readonly Length[]): boolean => cuts.join() === usual.cuts.join();
  return [usual, ...lists.filter((cuts) => !same(cuts)).flatMap((cuts) => fillWith(run, cuts, rules) ?? [])];
}

/** A row of one parity with what it adds to the order in a course that must be cut fresh, and in one that need not. */
interface RowNeed {
  readonly row: FullRow;
  readonly whole: number;
  readonly cuts: readonly { readonly length: Length; readonly fresh: boolean }[];
  readonly weak: number;
  readonly places: readonly Length[];
  readonly sound: readonly boolean[];
}

/** How many courses of each parity there are, and how many of them lie below the first that may take offcuts. */
interface Counts {
  readonly all: Readonly<Record<Parity, number>>;
  readonly fresh: Readonly<Record<Parity, number>>;
}

function countsOf(levels: Levels, laying: Laying): Counts {
  const { fromCourse } = reuseRulesOf(laying.rules);
  const count = (top: number) => ({ odd: Math.ceil(top / 2), even: Math.floor(top / 2) });
  return { all: count(levels.courses), fresh: count(Math.min(fromCourse - 1, levels.courses)) };
}

function rowNeed(row: FullRow, laying: Laying): RowNeed {
  const reuse = reuseRulesOf(laying.rules);
  const last = row.pieces.length - 1;
  const bonding = row.joints.filter((joint) => joint.bonds);
  return {
    row,
    whole: row.pieces.filter((piece) => piece.kind === 'straight').length,
    cuts: row.pieces.flatMap((piece, index) =>
      piece.kind === 'cut'
        ? [
            {
              length: takenOf(piece, laying.cutRules),
              fresh:
                index === 0 ||
                index === last ||
                piece.length < reuse.shortest ||
                (piece.cutEnds.start && piece.cutEnds.end),
            },
          ]
        : [],
    ),
    weak: row.joints.filter((joint) => joint.reasons.length > 0).length,
    places: bonding.map((joint) => joint.at),
    sound: bonding.map((joint) => joint.reasons.length === 0),
  };
}

/** Joints that only their nearness to the course below puts on the strap list. */
function crowded(upper: RowNeed, lower: RowNeed, least: Length): number {
  const staggers = staggerOf(upper.places, lower.places);
  return staggers.filter((stagger, index) => stagger < least && upper.sound[index] === true).length;
}

/** What `combine` goes by. */
interface CombineInput {
  readonly odd: RowNeed;
  readonly even: RowNeed;
  readonly bond: WallBond | null;
  readonly wall: Wall;
  readonly counts: Counts;
  readonly setting: OptionSetting;
}

/** A pair of rows in every course of a wall that stands whole from footing to top: the quick way. */
function combine({ odd, even, bond, wall, counts, setting }: CombineInput): WallOption {
  const { laying, levels } = setting;
  const least = laying.rules.length('courses.stagger.least');
  const demand = new Map<Length, { fresh: number; reusable: number }>();
  for (const [parity, need] of [
    ['odd', odd],
    ['even', even],
  ] as const) {
    for (const { length, fresh } of need.cuts) {
      const cut = demand.get(length) ?? { fresh: 0, reusable: 0 };
      demand.set(length, cut);
      const below = fresh ? counts.all[parity] : counts.fresh[parity];
      cut.fresh += below;
      cut.reusable += counts.all[parity] - below;
    }
  }
  const height = laying.system.courseHeight;
  const oddUppers = counts.all.odd - 1;
  return {
    bond,
    needs: [
      {
        article: `${String(wall.core)}:${String(height)}`,
        height,
        whole: odd.whole * counts.all.odd + even.whole * counts.all.even,
        cuts: [...demand].map(([length, cut]) => ({ length, ...cut })),
      },
    ],
    cuts: odd.cuts.length * counts.all.odd + even.cuts.length * counts.all.even,
    straps:
      odd.weak * counts.all.odd +
      even.weak * counts.all.even +
      (levels.courses > 1
        ? crowded(even, odd, least) * counts.all.even + crowded(odd, even, least) * Math.max(0, oddUppers)
        : 0),
  };
}

const textsOf = (cuts: readonly Length[], units: UnitSystem): readonly string[] =>
  cuts.map((cut) => storeLength(cut, units));

/** Whether a wall is the same whole rows from the lowest footing to the job's top. */
function standsWhole(wall: Wall, levels: Levels): boolean {
  const spans = levels.walls[wall.id] ?? [];
  const [only] = spans;
  return spans.length === 1 && only?.bottom === 0 && only.top === levels.tops.at(-1) && levels.rest === null;
}

/** So many of the places that hide a wall's cuts in its openings are tried. */
const PLACES = 4;

/** Of options that ask for the same pieces and cuts, the one with the fewest straps. */
function withoutTwins(options: readonly WallOption[]): readonly WallOption[] {
  const best = new Map<string, WallOption>();
  for (const option of options) {
    const key = JSON.stringify(
      option.needs.map((need) => [
        need.article,
        need.whole,
        [...need.cuts]
          .sort((a, b) => a.length - b.length)
          .map((cut) => [cut.length, cut.fresh, cut.reusable]),
      ]),
    );
    const known = best.get(key);
    if (!known || option.straps < known.straps || (option.straps === known.straps && option.bond === null)) {
      best.set(key, option);
    }
  }
  return [...best.values()];
}

/**
 * Every way to lay a wall between two ends that the search looks at: in running bond every fill of both kinds of row, and
 * common seams at every cut mark of a block's length about the middle.
 */
export function optionsOf(wall: Wall, ends: WallEnds, setting: OptionSetting): readonly WallOption[] {
  const { laying, levels } = setting;
  const { cutRules, units } = laying;
  const odds = runOf(wall, ends.odd);
  const evens = runOf(wall, ends.even);
  if (odds < 0 || evens < 0) return [];
  const judge = judgeRulesOf(laying, wall, null);
  const counts = countsOf(levels, laying);
  const holes = holesOf(laying, wall.id);
  const whole = holes.length === 0 && standsWhole(wall, levels);
  const usual = { odd: cutRun(odds, cutRules), even: cutRun(evens, cutRules) };
  // With openings in the wall the house rule hides the cuts in them: another place has to be said.
  const bondOf = (odd: RunCuts, even: RunCuts, before?: number): WallBond | null => {
    const usualCuts = odd.step !== 0 && even.step !== 0;
    if (usualCuts && before === undefined) return null;
    return {
      kind: 'running',
      ...(before === undefined ? {} : { before }),
      ...(usualCuts ? {} : { cuts: { odd: textsOf(odd.cuts, units), even: textsOf(even.cuts, units) } }),
    };
  };
  const slow = (
    rows: Readonly<Record<Parity, FullRow>>,
    bond: WallBond | null,
    seam: Length | null,
  ): WallOption =>
    evaluate(
      {
        wall,
        rows,
        fill: { wall: wall.id, seam, odd: rows.odd.fill, even: rows.even.fill },
        judge: judgeRulesOf(laying, wall, seam),
      },
      bond,
      setting,
    );

  const running = (): readonly WallOption[] => {
    const fills = { odd: fillsOf(odds, laying), even: fillsOf(evens, laying) };
    if (!whole) {
      const pairs = [
        [usual.odd, usual.even] as const,
        ...fills.odd.flatMap((odd) =>
          fills.even
            .filter((even) => even.cuts.join() === odd.cuts.join())
            .map((even) => [odd, even] as const),
        ),
      ];
      return pairs.flatMap(([odd, even]) => {
        const hiding = hidingPlacesOf(wall, ends, { odd, even }, laying).slice(0, PLACES);
        const places = holes.length === 0 ? [undefined] : [...new Set([...hiding, blocksBeforeCuts(odd)])];
        return places.map((before) => {
          const placed = (cuts: RunCuts): RunCuts => (before === undefined ? cuts : { ...cuts, before });
          return slow(
            {
              odd: runningRow(wall, ends.odd, placed(odd), judge),
              even: runningRow(wall, ends.even, placed(even), judge),
            },
            bondOf(odd, even, before),
            null,
          );
        });
      });
    }
    const needs = (list: readonly RunCuts[], parity: Parity) =>
      list.map((cuts) => ({ cuts, need: rowNeed(runningRow(wall, ends[parity], cuts, judge), laying) }));
    const even = needs(fills.even, 'even');
    return needs(fills.odd, 'odd').flatMap((odd) =>
      even.map((other) =>
        combine({
          odd: odd.need,
          even: other.need,
          bond: bondOf(odd.cuts, other.cuts),
          wall,
          counts,
          setting,
        }),
      ),
    );
  };

  const seams = (): readonly WallOption[] => {
    const fill = {
      wall: wall.id,
      seam: null,
      odd: runningRow(wall, ends.odd, usual.odd, judge).fill,
      even: runningRow(wall, ends.even, usual.even, judge).fill,
    };
    const places = new Set<Length>();
    for (let mark = 0; mark < cutRules.block; mark += cutRules.cutMark) {
      const wanted = (Math.round((wall.length - cutRules.block) / 2 / cutRules.cutMark) * cutRules.cutMark +
        mark) as Length;
      const at = snapSeam({ fill, length: wall.length, wanted, rules: cutRules, within: cutRules.cutMark });
      if (at !== null) places.add(at);
    }
    // And within every opening that has room for one, or on its edge.
    for (const hole of seamHoles(holes)) {
      for (let wanted = hole.from; wanted <= hole.to; wanted = add(wanted, laying.system.webSpacing)) {
        const at = snapSeam({
          fill,
          length: wall.length,
          wanted,
          rules: cutRules,
          within: laying.system.webSpacing,
          holes: [hole],
        });
        if (at !== null) places.add(at);
      }
    }
    return [...places].map((seam): WallOption => {
      const pieces = seamPieces(wall, ends, seam, laying);
      const own = judgeRulesOf(laying, wall, seam);
      const rows = {
        odd: seamRow(wall, ends.odd, pieces.odd, own),
        even: seamRow(wall, ends.even, pieces.even, own),
      };
      const bond: WallBond = { kind: 'seam', at: storeLength(seam, units) };
      return whole
        ? combine({
            odd: rowNeed(rows.odd, laying),
            even: rowNeed(rows.even, laying),
            bond,
            wall,
            counts,
            setting,
          })
        : slow(rows, bond, seam);
    });
  };

  return withoutTwins([...running(), ...seams()]);
}

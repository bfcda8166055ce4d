import type { Courses } from '../courses';
import type { Inserts } from '../inserts';
import { type Length, nanometres, subtract } from '../measure';
import type { Openings, PlacedOpening } from '../openings';
import type { BracingPlan, Stage } from '../plan';
import type { HouseRules } from '../rules';
import type { BuiltLoop, Levels, Wall } from '../shell';
import type { Brace, Lift, WallBraces } from './brace';
import { faceEnds } from './faces';
import { type LaidBraces, type Stood, type Wanted, layBraces } from './layBraces';
import { type Plank, type PlankKind, layPlanks } from './planks';
import type { BracingProblem } from './problem';
import { plankRules, planksAbreast, planksSpanning } from './spacing';
import { type Stock, uprightFor } from './stock';
import type { Strip } from './strips';
import { planWalkway } from './walkway';
import { inTheWay, wantedOn } from './wanted';

/** Everything that bracing a wall looks up. */
export interface Setting {
  readonly levels: Levels;
  readonly courses: Courses;
  readonly openings: Openings;
  readonly inserts: Inserts;
  readonly rules: HouseRules;
  readonly bracing: BracingPlan;
  readonly stages: readonly Stage[];
  readonly uprights: readonly Stock[];
  readonly planks: readonly PlankKind[];
  readonly strips: ReadonlyMap<string, readonly Strip[]>;
  readonly grid: Length;
  readonly spacing: Length;
  readonly tees: ReadonlyMap<string, readonly Length[]>;
  readonly problems: BracingProblem[];
}

/** The side that is braced: as said; else inside, unless its ground holds no stake and that outside does. */
function sideOf(bracing: BracingPlan, wall: string): Pick<WallBraces, 'side' | 'sideWhy' | 'ground'> {
  const own = bracing.walls?.[wall];
  const [inside, outside] = [own?.inside ?? 'firm', own?.outside ?? 'firm'];
  const loose = inside === 'loose' && outside !== 'loose';
  const side = own?.side ?? (loose ? 'outside' : 'inside');
  return {
    side,
    sideWhy: own?.side ? 'said' : loose ? 'loose-inside' : 'usual',
    ground: side === 'inside' ? inside : outside,
  };
}

/** Bays that came out wider than the rule. */
function judgeBays(
  wall: Wall,
  stood: readonly Stood[],
  openings: readonly PlacedOpening[],
  most: Length,
  problems: BracingProblem[],
): void {
  for (const [index, { strip }] of stood.entries()) {
    const next = stood[index + 1]?.strip;
    if (!next || next.at - strip.at <= most) continue;
    const inside = openings.find(({ hole }) => hole.from >= strip.at && hole.to <= next.at);
    problems.push({
      kind: 'bay-wide',
      wall: wall.id,
      from: strip.at,
      to: next.at,
      most,
      opening: inside?.id ?? null,
    });
  }
}

/** The lifts of a wall: one for each pour that reaches above its footing. */
function liftsOf(bottom: Length, height: Length, setting: Setting): readonly Lift[] {
  const { rules, levels, courses } = setting;
  const tops = [...new Set([...setting.stages.map((stage) => stage.toCourse), courses.count])]
    .filter((course) => course > 0 && course <= courses.count)
    .sort((a, b) => a - b);
  return tops.flatMap((toCourse): Lift[] => {
    const top = Math.min(height, subtract(levels.tops[toCourse] ?? (0 as Length), bottom)) as Length;
    if (top <= 0) return [];
    const platform = Math.max(0, top - rules.length('bracing.platform.below')) as Length;
    return [
      {
        toCourse,
        top,
        platform,
        upright: uprightFor(top, courses.courseHeight, setting.uprights, rules),
        guardrail: platform > rules.length('bracing.guardrail.over'),
      },
    ];
  });
}

/** The widest bay that the rule allows; never under the strips' grid, which is told. */
const widestBay = ({ rules, grid }: Setting): Length =>
  Math.max(rules.length('bracing.spacing.most'), grid) as Length;

/** Braces of a wall with the planks over them, and the widest bay that was aimed at. */
interface PlannedWall {
  readonly laid: LaidBraces;
  /** Null where nobody walks on planks, or none make a walkway. */
  readonly planks: readonly Plank[] | null;
  readonly spacing: Length;
}

/** Braces at the widest spacing for which the planks on hand make a walkway; at the widest of all where none does, which is told. */
function planWall(
  wall: Wall,
  strips: readonly Strip[],
  wanted: readonly Wanted[],
  bounds: readonly [from: Length, to: Length],
  setting: Setting,
): PlannedWall {
  const { rules, spacing, grid } = setting;
  const least = rules.length('bracing.apart.least');
  const plain = { laid: layBraces(strips, wanted, spacing, least), planks: null, spacing };
  if (rules.choice('bracing.access') !== 'planks') return plain;
  const ends = plankRules(rules);
  const anchors = layBraces(strips, wanted, Infinity as Length, least);
  // Bays that the planks divide evenly first; else any that the rule allows.
  for (const widest of [spacing, widestBay(setting)]) {
    const walkway = planWalkway(strips, anchors.stood, bounds, setting.planks, widest, least, ends);
    if (walkway) {
      const laid = { stood: walkway.stood, missed: anchors.missed };
      return { laid, planks: walkway.planks, spacing: widest };
    }
  }
  // Where none lie end to end, planks lie back over each other at closer bays.
  for (let tried: number = spacing; tried >= least; tried -= grid) {
    const laid = layBraces(strips, wanted, tried as Length, least);
    const supports = laid.stood.map(({ strip }) => strip.at);
    const planks = supports.length > 1 ? layPlanks(supports, bounds, setting.planks, ends) : null;
    if (planks) return { laid, planks, spacing: tried as Length };
  }
  const [first, last] = [plain.laid.stood[0]?.strip.at, plain.laid.stood.at(-1)?.strip.at];
  const span = subtract(last ?? (0 as Length), first ?? (0 as Length));
  setting.problems.push({
    kind: 'plank-plan-missing',
    wall: wall.id,
    span,
    would: planksSpanning(span, ends),
  });
  return plain;
}

/** One wall held by braces or a waler, and planked. */
export function braceWall(built: BuiltLoop, wall: Wall, setting: Setting): WallBraces | null {
  const { rules, levels, courses, problems } = setting;
  const spans = levels.walls[wall.id] ?? [];
  const rows = courses.rows.filter((row) => row.wall === wall.id);
  if (spans.length === 0 || rows.length === 0) return null;
  const height = Math.max(...spans.map((span) => subtract(span.top, span.bottom))) as Length;
  const chosen = sideOf(setting.bracing, wall.id);
  const ends = faceEnds(built, wall, chosen.side);
  const common = { wall: wall.id, name: wall.name, height, ...chosen, ends, dropped: 0 };
  if (chosen.ground === 'loose') {
    const other = setting.bracing.walls?.[wall.id]?.[chosen.side === 'inside' ? 'outside' : 'inside'];
    problems.push({ kind: 'loose-ground', wall: wall.id, side: chosen.side, other: other !== 'loose' });
  }
  if (chosen.ground === 'bank') problems.push({ kind: 'bank', wall: wall.id, side: chosen.side });
  if (height <= rules.length('bracing.stem.height')) {
    const bays = Math.max(1, Math.ceil(wall.length / rules.length('bracing.stem.spacing')));
    return {
      ...common,
      way: 'waler',
      braces: [],
      spacing: rules.length('bracing.stem.spacing'),
      planks: [],
      abreast: 0,
      platform: 0 as Length,
      guardrail: false,
      lifts: [],
      diagonals: Array.from({ length: bays + 1 }, (_, index) => nanometres((wall.length * index) / bays)),
    };
  }
  const openings = setting.openings.placed.filter((each) => each.worked && each.wall === wall.id);
  const width = rules.length('bracing.upright.width');
  const blocked = inTheWay(
    openings,
    setting.inserts.placed.filter((each) => each.wall === wall.id),
    chosen.side,
    width,
  );
  const coursesAt = (at: Length): number => rows.filter((row) => row.from <= at && at <= row.to).length;
  const share = rules.count('bracing.strip.share') / 100;
  const strips = (setting.strips.get(wall.id) ?? []).filter(
    ({ at, courses: caught }) => !blocked(at) && caught.length >= share * coursesAt(at),
  );
  const wanted = wantedOn(wall, ends, openings, setting.tees.get(wall.id) ?? [], courses, rules);
  const bounds = ends.map((end, index) =>
    end.how === 'inward' || end.how === 'tee' ? end.at : index === 0 ? -Infinity : Infinity,
  ) as [Length, Length];
  const { laid, planks, spacing } = planWall(wall, strips, wanted, bounds, setting);
  for (const missed of laid.missed) {
    problems.push({ kind: 'no-strip', wall: wall.id, at: missed.at, why: missed.why });
  }
  // A rule that no grid can keep is told once, for the job.
  const most = rules.length('bracing.spacing.most');
  if (most >= setting.grid) judgeBays(wall, laid.stood, openings, most, problems);
  const courseHeight = courses.courseHeight;
  const extension = rules.length('bracing.extension');
  const braces = laid.stood.map(({ strip, why, of }): Brace => {
    const span = spans.find((each) => each.from <= strip.at && strip.at <= each.to) ?? spans[0];
    const [bottom, top] = [span?.bottom ?? (0 as Length), span?.top ?? height];
    const upright = uprightFor(subtract(top, bottom), courseHeight, setting.uprights, rules);
    return {
      id: `${wall.id}:${String(strip.at)}`,
      wall: wall.id,
      at: strip.at,
      why,
      ...(of === undefined ? {} : { of }),
      bottom,
      top,
      caught: strip.courses,
      courses: coursesAt(strip.at),
      upright,
    };
  });
  const reach = (brace: Brace): number => brace.upright.length + brace.upright.extensions * extension;
  const short = braces.find((brace) => reach(brace) <= brace.top - brace.bottom - courseHeight);
  if (short) {
    problems.push({
      kind: 'upright-short',
      wall: wall.id,
      wants: subtract(short.top, short.bottom),
      nearest: nanometres(reach(short)),
    });
  }
  const shortest = Math.min(...setting.uprights.map(({ length }) => length)) as Length;
  if (braces.length > 0 && shortest > height + rules.length('bracing.upright.over')) {
    problems.push({ kind: 'upright-long', wall: wall.id, height, shortest });
  }
  const platform = Math.max(0, height - rules.length('bracing.platform.below')) as Length;
  const guardrail = platform > rules.length('bracing.guardrail.over');
  if (guardrail && planks) problems.push({ kind: 'guardrails', wall: wall.id, platform });
  return {
    ...common,
    way: 'braces',
    braces,
    spacing,
    planks: planks ?? [],
    abreast: planksAbreast(rules),
    platform,
    guardrail,
    lifts: liftsOf(Math.min(...spans.map((span) => span.bottom)) as Length, height, setting),
    diagonals: [],
  };
}

import { type Judged, allOf } from '../../kernel/judged';
import type { CourseRow, Courses } from '../courses';
import type { PlacedInsert } from '../inserts';
import { type Length, add, nanometres, subtract, min, ZERO, max } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { WallBracing } from './plan';
import type { HouseRules } from '../../kernel/rules';
import {
  type BuiltLoop,
  type Crossing,
  type HeightSpan,
  type Levels,
  type Wall,
  type WallGround,
  groundAt,
} from '../outline';
import type { Brace, WallBraces } from './brace';
import { faceEnds } from './faces';
import type { Stood } from './layBraces';
import { judgeBays } from './judgeBays';
import { type PlankKind, leftAfter } from './planks';
import { type PlannedStretch, planStretch } from './planStretch';
import type { BracingProblem } from './problem';
import { plankRules, planksAbreast, widestSpacing } from './spacing';
import { type Stock, uprightFor } from './stock';
import type { Strip } from './strips';
import { type StretchEnd, diagonalsOf, stretchesOf } from './stretches';
import { inTheWay, wantedOn } from './wanted';

/** A wall as its braces see it. */
export interface WallToBrace {
  readonly built: BuiltLoop;
  readonly wall: Wall;
  readonly spans: readonly HeightSpan[];
  readonly rows: readonly CourseRow[];
  readonly openings: readonly PlacedOpening[];
  readonly inserts: readonly PlacedInsert[];
  readonly strips: readonly Strip[];
  /** Joints that stand above each other over its height. */
  readonly seams: readonly Length[];
  /** Inside walls that meet it. */
  readonly crossings: readonly Crossing[];
  /** What the plan says of its sides and its ground. */
  readonly said: WallBracing | undefined;
  /** The ground beside it when this pour is braced. */
  readonly ground: WallGround;
  /** Planks that the walls before it left on hand. */
  readonly kinds: readonly PlankKind[];
}

/** Everything that bracing any wall looks up, but for the house rules. */
export interface Setting {
  readonly levels: Levels;
  readonly courses: Pick<Courses, 'count' | 'courseHeight'>;
  /** Up to where the forms stand for this pour, above the lowest footing. */
  readonly top: Length;
  /** Ahead of the ids of its braces, so that those of two pours are kept apart. */
  readonly before: string;
  readonly uprights: readonly Stock[];
  /** Lengths that yards keep. */
  readonly usualPlanks: readonly Length[];
  readonly grid: Length;
}

/** The side that is braced: as said; else inside, unless its ground holds no stake and that outside does. */
function sideOf(own: WallBracing | undefined): Pick<WallBraces, 'side' | 'sideWhy' | 'ground'> {
  const [inside, outside] = [own?.inside ?? 'firm', own?.outside ?? 'firm'];
  const loose = inside === 'loose' && outside !== 'loose';
  const side = own?.side ?? (loose ? 'outside' : 'inside');
  return {
    side,
    sideWhy: own?.side ? 'said' : loose ? 'loose-inside' : 'usual',
    ground: side === 'inside' ? inside : outside,
  };
}

/** The widest bay of a wall of a height: closer where it is taller. */
const widestBay = (height: Length, rules: HouseRules): Length => {
  const usual = rules.length('bracing.spacing.most');
  const tall = height > rules.length('bracing.tall.over');
  return tall ? min(usual, rules.length('bracing.spacing.tall')) : usual;
};

/** The stretches of a wall as one: its braces in order, and its planks over them. */
function joined(
  parts: readonly PlannedStretch[],
  widest: Length,
): Pick<PlannedStretch, 'stood' | 'missed' | 'planks' | 'spacing'> {
  const stood: Stood[] = [];
  const planks = parts.flatMap((part) => {
    const before = stood.length;
    stood.push(...part.stood);
    return part.planks.map((plank) => ({
      ...plank,
      over: [plank.over[0] + before, plank.over[1] + before] as const,
    }));
  });
  return {
    stood,
    planks,
    missed: parts.flatMap(({ missed }) => missed),
    spacing: min(widest, ...parts.map(({ spacing }) => spacing)),
  };
}

/** Whether what lies between two heights is seen somewhere along some spans. */
const seen = (spans: readonly HeightSpan[], bottom: Length, top: Length): boolean =>
  spans.some((span) => bottom < span.top && top > span.bottom);

/** One wall held by braces or a waler for one pour, and planked; a value of null where none of it stands above the ground. */
export function braceWall(
  {
    built,
    wall,
    spans: whole,
    rows: allRows,
    openings: allOpenings,
    inserts: allInserts,
    strips: standing,
    seams,
    crossings,
    said,
    ground,
    kinds,
  }: WallToBrace,
  setting: Setting,
  rules: HouseRules,
): Judged<WallBraces | null, BracingProblem> {
  const { levels, courses } = setting;
  const problems: BracingProblem[] = [];
  const chosen = sideOf(said);
  const raised = ground[chosen.side];
  /** What of the wall stands above the ground on its braced side once this pour's forms are up. */
  const spans = whole
    .map((span) => ({
      ...span,
      bottom: groundAt(raised, span.bottom),
      top: min(span.top, setting.top),
    }))
    .filter(({ bottom, top }) => top > bottom);
  const [lowest, highest] = [min(...spans.map(({ bottom }) => bottom)), max(...spans.map(({ top }) => top))];
  const courseSeen = (course: number): boolean =>
    (levels.tops[course] ?? ZERO) > lowest && (levels.tops[course - 1] ?? ZERO) < highest;
  const rows = allRows.filter(({ course }) => courseSeen(course));
  if (spans.length === 0 || rows.length === 0) return { value: null, problems };
  const openings = allOpenings.filter(({ hole }) => seen(spans, hole.bottom, hole.top));
  const inserts = allInserts.filter(({ rect }) => seen(spans, rect.bottom, rect.top));
  const height = max(...spans.map((span) => subtract(span.top, span.bottom)));
  const ends = faceEnds(built, wall, chosen.side);
  const common = {
    wall: wall.id,
    name: wall.name,
    height,
    on: raised?.with ?? ('footing' as const),
    foot: lowest,
    ...chosen,
    ends,
    dropped: 0,
  };
  if (chosen.ground === 'loose') {
    const other = said?.[chosen.side === 'inside' ? 'outside' : 'inside'];
    problems.push({ kind: 'loose-ground', wall: wall.id, side: chosen.side, other: other !== 'loose' });
  }
  if (chosen.ground === 'bank') problems.push({ kind: 'bank', wall: wall.id, side: chosen.side });
  const width = rules.length('bracing.upright.width');
  const platform = max(ZERO, subtract(height, rules.length('bracing.platform.below')));
  const face = stretchesOf({
    ends,
    crossings,
    side: chosen.side,
    platform: add(lowest, platform),
    held: rules.length('bracing.corner'),
    levels,
  });
  if (height <= rules.length('bracing.stem.height')) {
    const spacing = rules.length('bracing.stem.spacing');
    // A stem wall has no planks to pass under: every inside wall stands in the way of a diagonal.
    const { stretches } = stretchesOf({
      ends,
      crossings,
      side: chosen.side,
      platform: -Infinity as Length,
      held: ZERO,
      levels,
    });
    const value: WallBraces = {
      ...common,
      way: 'waler',
      braces: [],
      spacing,
      planks: [],
      abreast: 0,
      platform: ZERO,
      guardrail: false,
      diagonals: diagonalsOf(stretches, spacing, width),
    };
    return { value, problems };
  }
  const blocked = inTheWay({
    openings,
    inserts,
    across: face.across,
    side: chosen.side,
    width,
  });
  const coursesAt = (at: Length): number => rows.filter((row) => row.from <= at && at <= row.to).length;
  const share = rules.count('bracing.strip.share') / 100;
  const strips = standing
    .map((strip) => ({ ...strip, courses: strip.courses.filter(courseSeen) }))
    .filter(
      ({ at, courses: caught }) =>
        caught.length > 0 && !blocked(at) && caught.length >= share * coursesAt(at),
    );
  const most = widestBay(height, rules);
  const widest = max(most, setting.grid);
  const onGrid = Math.max(setting.grid, Math.floor(widest / setting.grid) * setting.grid) as Length;
  const lengths = kinds.map(({ length }) => length);
  const usable =
    rules.choice('bracing.access') === 'planks'
      ? widestSpacing(lengths, setting.grid, widest, plankRules(rules))
      : null;
  const bound = (end: StretchEnd, beyond: number): Length =>
    end.how === 'outward' || end.how === 'free' || end.how === 'straight' ? (beyond as Length) : end.at;
  const stretched: Judged<PlannedStretch, BracingProblem>[] = [];
  let onHand = kinds;
  for (const stretch of face.stretches) {
    const part = planStretch({
      wall: wall.id,
      strips: strips.filter(({ at }) => at >= stretch.start.at && at <= stretch.end.at),
      wanted: wantedOn({ of: stretch, openings, under: face.under, seams, rules }),
      bounds: [bound(stretch.start, -Infinity), bound(stretch.end, Infinity)],
      spacing: usable?.spacing ?? onGrid,
      most: widest,
      grid: setting.grid,
      kinds: onHand,
      usual: setting.usualPlanks,
      openings: openings.filter(({ hole }) => hole.to > stretch.start.at && hole.from < stretch.end.at),
      rules,
    });
    stretched.push(part);
    onHand = leftAfter(onHand, part.value.planks);
  }
  const { value: planned, problems: inStretches } = allOf(stretched);
  problems.push(...inStretches);
  const laid = joined(planned, widest);
  const { planks } = laid;
  for (const missed of laid.missed) {
    problems.push({ kind: 'no-strip', wall: wall.id, at: missed.at, why: missed.why });
  }
  // A rule that no grid can keep is told once, for the job.
  if (most >= setting.grid) {
    problems.push(...planned.flatMap(({ stood }) => judgeBays({ wall, stood, openings, most })));
  }
  const courseHeight = courses.courseHeight;
  const extension = rules.length('bracing.extension');
  const braces = laid.stood.map(({ strip, why, of }): Brace => {
    const span = spans.find((each) => each.from <= strip.at && strip.at <= each.to) ?? spans[0];
    const [bottom, top] = [span?.bottom ?? lowest, span?.top ?? highest];
    const upright = uprightFor(subtract(top, bottom), courseHeight, setting.uprights, rules);
    return {
      id: `${setting.before}${wall.id}:${String(strip.at)}`,
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
  const shortest = min(...setting.uprights.map(({ length }) => length));
  if (braces.length > 0 && shortest > height + rules.length('bracing.upright.over')) {
    problems.push({ kind: 'upright-long', wall: wall.id, height, shortest });
  }
  const guardrail = platform > rules.length('bracing.guardrail.over');
  if (guardrail && planks.length > 0) {
    problems.push({ kind: 'guardrails', wall: wall.id, platform, on: common.on });
  }
  const value: WallBraces = {
    ...common,
    way: 'braces',
    braces,
    spacing: laid.spacing,
    planks,
    abreast: planksAbreast(rules),
    platform,
    guardrail,
    diagonals: [],
  };
  return { value, problems };
}

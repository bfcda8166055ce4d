import type { Judged } from '../../kernel/judged';
import { type Length, subtract, min, ZERO } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import { type LaidBraces, type Stood, type Wanted, layBraces } from './layBraces';
import { type Plank, type PlankKind, layPlanks } from './planks';
import type { BracingProblem, PlankCure } from './problem';
import { plankRules } from './spacing';
import type { Strip } from './strips';
import { planWalkway } from './walkway';

/** What planning a stretch looks up. */
interface StretchInput {
  readonly wall: string;
  /** Strips that may take a brace, in order. */
  readonly strips: readonly Strip[];
  readonly wanted: readonly Wanted[];
  /** Stations that no plank may pass. */
  readonly bounds: readonly [from: Length, to: Length];
  /** Widest bay that the planks divide evenly, and the widest that the rule allows. */
  readonly spacing: Length;
  readonly most: Length;
  readonly grid: Length;
  readonly kinds: readonly PlankKind[];
  /** Lengths that yards keep, for what would help. */
  readonly usual: readonly Length[];
  readonly openings: readonly PlacedOpening[];
  readonly rules: HouseRules;
}

/** Braces of a stretch with the planks over them. */
export interface PlannedStretch extends LaidBraces {
  readonly planks: readonly Plank[];
  /** The widest bay that was aimed at. */
  readonly spacing: Length;
  /** Wide openings at both sides of which the planks end. */
  readonly parted: readonly string[];
}

const leastApart = (input: StretchInput): Length => input.rules.length('bracing.apart.least');

/** Braces that must stand, and the cheapest walkway over them at a widest bay. */
function tryWalkway(
  input: StretchInput,
  wanted: readonly Wanted[],
  most: Length,
  kinds = input.kinds,
): PlannedStretch | null {
  const anchors = layBraces(input.strips, wanted, Infinity as Length, leastApart(input));
  const walkway = planWalkway({
    strips: input.strips,
    anchors: anchors.stood,
    bounds: input.bounds,
    kinds,
    most,
    least: leastApart(input),
    rules: plankRules(input.rules),
  });
  return walkway && { ...walkway, missed: anchors.missed, spacing: most, parted: [] };
}

/** A way with the fewest braces: at the bays that the planks divide evenly where those take no more than any others. */
function fewest(input: StretchInput, wanted: readonly Wanted[]): PlannedStretch | null {
  const free = tryWalkway(input, wanted, input.most);
  if (!free) return null;
  const even = input.spacing < input.most ? tryWalkway(input, wanted, input.spacing) : null;
  return even && even.stood.length <= free.stood.length ? even : free;
}

/** Places that the brace at an end may take instead, the nearest to where it is wanted first. */
function movedEnds(input: StretchInput, end: Wanted, most: Length): readonly Wanted[] {
  return input.strips
    .filter(({ at }) => at >= end.from && at <= end.to && Math.abs(at - end.face) <= most)
    .sort((a, b) => Math.abs(a.at - end.at) - Math.abs(b.at - end.at))
    .map(({ at }) => ({ ...end, at, from: at, to: at }));
}

/** Strips that are looked at in all, over all places that the end braces are tried at. */
const MOST_LOOKED_AT = 20_000;

/** The walkway that moving the braces at the ends makes, the least moved first; null where none within so far of the ends does. */
function movedWalkway(input: StretchInput, most: Length): PlannedStretch | null {
  const others = input.wanted.filter(({ end }) => end !== true);
  const choices = input.wanted
    .filter(({ end }) => end === true)
    .reduce<readonly { readonly ends: readonly Wanted[]; readonly by: number }[]>(
      (known, end) =>
        known.flatMap(({ ends, by }) =>
          movedEnds(input, end, most).map((moved) => ({
            ends: [...ends, moved],
            by: by + Math.abs(moved.at - end.at),
          })),
        ),
      [{ ends: [], by: 0 }],
    );
  // A long wall has more places than anyone would try: the nearest ones.
  const tries = Math.max(2, Math.floor(MOST_LOOKED_AT / Math.max(1, input.strips.length)));
  for (const { ends } of [...choices].sort((a, b) => a.by - b.by).slice(0, tries)) {
    const found = fewest(input, [...ends, ...others]);
    if (found) return found;
  }
  return null;
}

/** Planks that lie back over each other at closer bays. */
function closerBays(input: StretchInput): PlannedStretch | null {
  const least = leastApart(input);
  const ends = plankRules(input.rules);
  for (let tried: number = input.spacing; tried >= least; tried -= input.grid) {
    const laid = layBraces(input.strips, input.wanted, tried as Length, least);
    const supports = laid.stood.map(({ strip }) => strip.at);
    const planks = supports.length > 1 ? layPlanks(supports, input.bounds, input.kinds, ends) : null;
    if (planks) return { ...laid, planks, spacing: tried as Length, parted: [] };
  }
  return null;
}

/** Openings that no brace can stand in and that are wider than a bay. */
const wideOpenings = ({ openings, most }: StretchInput): readonly PlacedOpening[] =>
  openings.filter(({ hole }) => hole.to - hole.from > most).sort((a, b) => a.hole.from - b.hole.from);

/** Of a whole stretch: the fewest braces, then its end braces moved, then closer bays. */
const wholeWalkway = (input: StretchInput): PlannedStretch | null =>
  fewest(input, input.wanted) ??
  movedWalkway(input, input.rules.length('bracing.corner.most')) ??
  closerBays(input);

/** The stretch in two at a wide opening, each part with its own walkway; null where either has none. */
function partedWalkway(input: StretchInput): PlannedStretch | null {
  for (const { id, hole } of wideOpenings(input)) {
    const part = (from: number, to: number, bounds: StretchInput['bounds']): StretchInput => ({
      ...input,
      bounds,
      strips: input.strips.filter(({ at }) => at >= from && at <= to),
      wanted: input.wanted.filter(({ at }) => at >= from && at <= to),
      openings: input.openings.filter(
        (each) => each.id !== id && each.hole.from >= from && each.hole.to <= to,
      ),
    });
    const [left, right] = [
      part(-Infinity, hole.from, [input.bounds[0], Infinity as Length]),
      part(hole.to, Infinity, [-Infinity as Length, input.bounds[1]]),
    ].map((each) => wholeWalkway(each) ?? partedWalkway(each));
    if (!left || !right) continue;
    const before = left.stood.length;
    return {
      stood: [...left.stood, ...right.stood],
      missed: [...left.missed, ...right.missed],
      planks: [
        ...left.planks,
        ...right.planks.map((plank): Plank => ({
          ...plank,
          over: [plank.over[0] + before, plank.over[1] + before],
        })),
      ],
      spacing: min(left.spacing, right.spacing),
      parted: [...left.parted, id, ...right.parted],
    };
  }
  return null;
}

/** Farthest that a brace at an end is tried to be moved for a cure. */
const FAR = 2;

/** What would make a walkway where nothing on hand does: another length of plank, a brace farther from its end, or a loose scaffold. */
function cureOf(input: StretchInput): PlankCure {
  const own = new Set(input.kinds.map(({ length }) => length));
  const length = input.usual
    .filter((each) => !own.has(each))
    .find((each) =>
      tryWalkway(input, input.wanted, input.most, [...input.kinds, { length: each, left: Infinity }]),
    );
  if (length !== undefined) return { kind: 'plank', length };
  const most = (FAR * input.rules.length('bracing.corner.most')) as Length;
  const moved = movedWalkway(input, most);
  const at = moved && [moved.stood[0]?.strip.at, moved.stood.at(-1)?.strip.at];
  if (at?.[0] !== undefined && at[1] !== undefined) return { kind: 'braces', from: at[0], to: at[1] };
  return { kind: 'scaffold' };
}

/**
 * Braces and planks of one stretch: the fewest braces over which the planks on hand make a walkway. Where none do with the end
 * braces where they are wanted, those are moved within the rule; then bays are closer; then a wide opening parts the walkway.
 * Where nothing does, braces stand at the widest spacing, and the result says what would help.
 */
export function planStretch(input: StretchInput): Judged<PlannedStretch, BracingProblem> {
  const { rules, wanted, spacing, wall } = input;
  const plain: PlannedStretch = {
    ...layBraces(input.strips, wanted, spacing, leastApart(input)),
    planks: [],
    spacing,
    parted: [],
  };
  if (rules.choice('bracing.access') !== 'planks') return { value: plain, problems: [] };
  const found = wholeWalkway(input) ?? partedWalkway(input);
  if (found) {
    return {
      value: found,
      problems: found.parted.map((opening) => ({ kind: 'walkway-parted', wall, opening })),
    };
  }
  const [first, last]: readonly (Stood | undefined)[] = [plain.stood[0], plain.stood.at(-1)];
  const span = subtract(last?.strip.at ?? ZERO, first?.strip.at ?? ZERO);
  return { value: plain, problems: [{ kind: 'plank-plan-missing', wall, span, cure: cureOf(input) }] };
}

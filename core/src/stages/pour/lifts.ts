import { type Length, type UnitSystem, inches, nanometres, readLength, subtract } from '../../kernel/measure';
import type { Judged } from '../../kernel/judged';
import type { HouseRules } from '../../kernel/rules';
import type { PourProblem } from './problem';
import type { PourSpan } from '../outline';

/** One trip round the walls: everything between two heights above the lowest footing. */
export interface LiftSpan {
  readonly bottom: Length;
  readonly top: Length;
}

/** Lifts end on whole inches, or on whole centimetres: what a crew marks on the foam. [ours] */
const MARKS: Readonly<Record<UnitSystem, Length>> = { imperial: inches(1), metric: 10_000_000 as Length };

/** So many lifts of one depth, as near as marks allow. */
function equal(from: Length, to: Length, count: number, units: UnitSystem): readonly LiftSpan[] {
  const mark = MARKS[units];
  const edge = (index: number): Length => {
    if (index === 0 || index === count) return index === 0 ? from : to;
    const exact = from + ((to - from) * index) / count;
    const marked = Math.round(exact / mark) * mark;
    return nanometres(marked > from && marked < to ? marked : exact);
  };
  return Array.from({ length: count }, (_, index) => ({ bottom: edge(index), top: edge(index + 1) }));
}

/** So many lifts of one depth, or fewer, so that none is under the least of the rule. */
function even(
  { bottom, top }: PourSpan,
  count: number,
  units: UnitSystem,
  rules: HouseRules,
): readonly LiftSpan[] {
  const least = rules.length('pour.lift.least');
  const used = Math.max(1, Math.min(count, Math.floor((top - bottom) / least)));
  const marked = equal(bottom, top, used, units);
  if (marked.every((lift) => lift.top - lift.bottom >= least)) return marked;
  // On marks one would come out too low: then just so many parts.
  const edge = (index: number): Length => nanometres(bottom + ((top - bottom) * index) / used);
  return Array.from({ length: used }, (_, index) => ({ bottom: edge(index), top: edge(index + 1) }));
}

/** A low first lift, then as many equal ones as stay under the rule; all of one depth where the others would come out too low. */
function lowFirst(span: PourSpan, units: UnitSystem, rules: HouseRules): readonly LiftSpan[] {
  const { bottom, top } = span;
  const first = rules.length('pour.lift.first');
  if (subtract(top, bottom) <= first) return [{ bottom, top }];
  const begun = nanometres(bottom + first);
  const count = Math.ceil((top - begun) / rules.length('pour.lift.next'));
  const next = equal(begun, top, count, units);
  const least = rules.length('pour.lift.least');
  if (first < least || next.some((lift) => lift.top - lift.bottom < least)) {
    return even(span, count + 1, units, rules);
  }
  return [{ bottom, top: begun }, ...next];
}

/** By what the lifts of a pour are made. */
interface LiftsInput {
  /** Depths from the bottom up, where lifts are set by hand. */
  readonly typed: readonly string[] | undefined;
  readonly units: UnitSystem;
  readonly rules: HouseRules;
}

type Lifts = Judged<readonly LiftSpan[], PourProblem>;

/**
 * Lifts as they were typed, from the bottom up; what is left over the last one is a lift more, what is over the top is cut off. A
 * low first lift and what follows it where one cannot be read.
 */
function byHand(span: PourSpan, { typed = [], units, rules }: LiftsInput): Lifts {
  const least = rules.length('pour.lift.least');
  const problems: PourProblem[] = [];
  const lifts: LiftSpan[] = [];
  let bottom = span.bottom;
  for (const [index, text] of typed.entries()) {
    const reading = readLength(text, units);
    if (!reading.ok || reading.length <= 0) {
      const problem: PourProblem = { kind: 'lift-unreadable', pour: span.pour, lift: index + 1, text };
      return { value: lowFirst(span, units, rules), problems: [...problems, problem] };
    }
    const left = subtract(span.top, bottom);
    if (reading.length > left) {
      problems.push({
        kind: 'lift-too-high',
        pour: span.pour,
        lift: index + 1,
        depth: reading.length,
        left,
      });
    }
    if (left <= 0) break;
    const top = nanometres(Math.min(bottom + reading.length, span.top));
    lifts.push({ bottom, top });
    bottom = top;
  }
  const rest = subtract(span.top, bottom);
  if (rest > 0) {
    const last = lifts.at(-1);
    if (last) problems.push({ kind: 'lifts-short', pour: span.pour, rest, joined: rest < least });
    // A strip over the last lift is no lift of its own.
    if (last && rest < least) lifts.splice(-1, 1, { bottom: last.bottom, top: span.top });
    else lifts.push({ bottom, top: span.top });
  }
  return { value: lifts, problems };
}

/**
 * The lifts of a pour whose footing is poured as one with it: the first fills the footing and half the first course, then it goes on
 * by the job's school. Lifts that were typed stand as they are. [common practice]
 */
export function liftsWithFooting(span: PourSpan, firstCourse: Length, input: LiftsInput): Lifts {
  const middle = nanometres((span.bottom + firstCourse) / 2);
  if (input.rules.choice('pour.lifts') === 'by-hand' || middle <= span.bottom || middle >= span.top) {
    return liftsOf(span, input);
  }
  const above = liftsOf({ ...span, bottom: middle }, input);
  return { ...above, value: [{ bottom: span.bottom, top: middle }, ...above.value] };
}

/**
 * The lifts of a pour by the job's school. Concrete finds its level, so a lift ends at one height all the way round; over a lower
 * footing the first one is deepest.
 */
export function liftsOf(span: PourSpan, input: LiftsInput): Lifts {
  const { units, rules } = input;
  const height = subtract(span.top, span.bottom);
  switch (rules.choice('pour.lifts')) {
    case 'two': {
      const most = rules.length('pour.lift.two.most');
      return {
        value: even(span, 2, units, rules),
        problems: height > most ? [{ kind: 'two-lifts-high', pour: span.pour, height, most }] : [],
      };
    }
    case 'three':
      return { value: even(span, 3, units, rules), problems: [] };
    case 'by-hand':
      return byHand(span, input);
    default:
      return { value: lowFirst(span, units, rules), problems: [] };
  }
}

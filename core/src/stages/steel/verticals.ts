import { type Length, add, nanometres, subtract, max } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type Judged, allOf } from '../../kernel/judged';
import type { Bar, SteelProblem } from './bar';
import { straight } from './cut';
import { widestGap } from './laps';
import { splitRun } from './runs';
import { type CastPour, type Setting, type SteelWall, nothingToLap, sizeOf, standsShort } from './setting';
import type { BarSize } from './sizes';
import { type Stretch, type Upright, stretchesAt, uprightsOf } from './uprights';

/** A pour of a wall with the rules of its verticals and where they stand. */
interface PourOfWall {
  readonly pour: CastPour;
  readonly rules: HouseRules;
  readonly size: BarSize;
  readonly uprights: readonly Upright[];
  /** Height of the joint that it stands on; below everything for the first. */
  readonly joint: Length;
}

/** The pours of a wall: one takes the rules that hold in its first course, since a bar does not change on its way up. */
function poursOfWall(own: SteelWall, setting: Setting): Judged<readonly PourOfWall[], SteelProblem> {
  const known = new Map<HouseRules, Judged<readonly Upright[], SteelProblem>>();
  const pours = setting.pours.map((pour, index): PourOfWall => {
    const rules = setting.rulesIn(own.wall.id, pour.fromCourse);
    const uprights = known.get(rules) ?? uprightsOf(own, rules, setting);
    known.set(rules, uprights);
    return {
      pour,
      rules,
      size: sizeOf(rules.choice('steel.vertical.size')),
      uprights: uprights.value,
      joint: setting.pours[index - 1]?.top ?? (-Infinity as Length),
    };
  });
  return { value: pours, problems: allOf([...known.values()]).problems };
}

/** Cover of the ends and the sides of a pour's verticals. */
const coverOf = ({ rules, size }: PourOfWall): { readonly ends: Length; readonly sides: Length } => {
  const ends = rules.length('steel.cover.end');
  return { ends, sides: nanometres(ends + size.diameter / 2) };
};

/** What `standing` goes by. */
interface StandingInput {
  readonly own: SteelWall;
  readonly upright: Upright;
  readonly stretch: Stretch;
  readonly here: PourOfWall;
  readonly below: PourOfWall | undefined;
  readonly offset: Length;
  readonly setting: Setting;
}

/** Bars of one stretch in one pour, split where it is taller than stock: each stands out of its joint, where the next pour's laps it. */
function standing({ own, upright, stretch, here, below, offset, setting }: StandingInput): readonly Bar[] {
  const { pour, rules, size, joint } = here;
  const from = max(stretch.bottom, joint);
  if (from >= Math.min(stretch.top, pour.top)) return [];
  // What already stands out of the joint up to the top wants no bar above it.
  const reaches =
    stretch.bottom < joint &&
    below?.uprights.some((each) => each.at === upright.at) === true &&
    stretch.top - joint <= below.rules.length('steel.vertical.projection');
  if (reaches) return [];
  const projection = rules.length('steel.vertical.projection');
  const goesOn = stretch.top - pour.top > projection;
  const to = goesOn ? add(pour.top, projection) : stretch.top;
  const set = Math.max(pour.fromCourse, pour.toCourse - rules.count('steel.vertical.set'));
  const { pieces } = splitRun({
    run: subtract(to, from),
    stock: setting.stock,
    lap: setting.lapOf(size),
    keepOff: [],
    second: false,
  });
  return pieces.map((piece, index, all): Bar => {
    return {
      ...straight(subtract(piece.to, piece.from), setting),
      id: `v:${own.wall.id}:${String(upright.at)}:${String(from)}:${String(index)}`,
      use: upright.use,
      size: size.id,
      wall: own.wall.id,
      count: 1,
      course: null,
      set: { course: set, when: 'after' },
      from: upright.at,
      to: upright.at,
      bottom: add(from, piece.from),
      top: add(from, piece.to),
      offset,
      laps: {
        before: piece.laps.before,
        after: goesOn && index === all.length - 1 ? projection : piece.laps.after,
      },
      ...(upright.opening === undefined ? {} : { opening: upright.opening }),
    };
  });
}

/** What `judgeJoint` goes by. */
interface JudgeJointInput {
  readonly own: SteelWall;
  readonly here: PourOfWall;
  readonly below: PourOfWall;
  readonly bars: readonly Bar[];
  readonly setting: Setting;
}

/** Where what stands out of a joint is shorter than a lap, and which bars above find none to lap. */
function judgeJoint({ own, here, below, bars, setting }: JudgeJointInput): readonly SteelProblem[] {
  const starting = bars.filter((bar) => bar.bottom === here.joint && bar.course === null);
  if (starting.length === 0) return [];
  const lap = setting.lapOfTwo(below.size, here.size);
  const out = below.rules.length('steel.vertical.projection');
  const course = below.pour.toCourse;
  const gap = widestGap(lap);
  const goingOn = bars.filter((bar) => bar.bottom < here.joint && bar.top > here.joint);
  const alone = starting.filter((bar) => !goingOn.some((each) => Math.abs(each.from - bar.from) <= gap));
  return [...standsShort(course, out, lap), ...nothingToLap(own, course, alone.length, gap)];
}

/** Verticals and jamb bars of a wall, pour by pour. */
export function uprightBars(
  own: SteelWall,
  offset: Length,
  setting: Setting,
): Judged<readonly Bar[], SteelProblem> {
  const { value: pours, problems } = poursOfWall(own, setting);
  const bars = pours.flatMap((here, index) =>
    here.uprights.flatMap((upright) =>
      stretchesAt(own, upright.at, coverOf(here))
        .filter(({ bottom, top }) => top - bottom >= here.rules.length('steel.stub.least'))
        .flatMap((stretch) =>
          standing({ own, upright, stretch, here, below: pours[index - 1], offset, setting }),
        ),
    ),
  );
  const atJoints = pours.flatMap((here, index) => {
    const below = pours[index - 1];
    return below ? judgeJoint({ own, here, below, bars, setting }) : [];
  });
  return { value: bars, problems: [...problems, ...atJoints] };
}

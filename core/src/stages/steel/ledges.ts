import type { PlacedInsert } from '../inserts';
import { add, nanometres, subtract, ZERO } from '../../kernel/measure';
import type { Bar } from './bar';
import { hookLeg, standardHook } from './bends';
import { bent, straight } from './cut';
import { splitRun } from './runs';
import { type Setting, type SteelWall, sizeOf } from './setting';

const NONE = ZERO;

/** Bars of one brick ledge: bent ones at its webs, from the far side of the core out under the brick, and one along its front. */
function barsOf(own: SteelWall, insert: PlacedInsert, setting: Setting): readonly Bar[] {
  const { rect } = insert;
  // The course whose top carries the brick.
  const course = Math.max(
    1,
    setting.levels.tops.findLastIndex((top) => top <= rect.top),
  );
  const rules = setting.rulesIn(own.wall.id, course);
  const size = sizeOf(rules.choice('steel.ledge.size'));
  const cover = rules.length('steel.cover.end');
  const hook = standardHook(size);
  const height = subtract(rect.top, cover);
  const side = insert.face === 'inside' ? 1 : -1;
  const common = {
    use: 'ledge',
    size: size.id,
    wall: own.wall.id,
    count: 1,
    course,
    set: { course, when: 'in' },
    bottom: height,
    top: height,
  } as const;
  const across = subtract(nanometres(own.wall.core + own.wall.skin + insert.depth), add(cover, cover));
  const legs = [across, hookLeg(size, hook)];
  const outward = own.webs
    .filter((web) => own.coursesOfWebs.get(web)?.has(course) === true)
    .filter((web) => web >= rect.from + cover && web <= rect.to - cover)
    .filter((_, index) => index % rules.count('steel.ledge.webs') === 0)
    .map((at): Bar => ({
      ...common,
      ...bent({ legs, size, bend: hook, cutting: setting }),
      id: `b:${insert.id}:${String(at)}`,
      from: at,
      to: at,
      offset: NONE,
      laps: { before: NONE, after: NONE },
    }));
  const run = subtract(rect.to, add(rect.from, add(cover, cover)));
  if (run <= 0) return outward;
  const out = nanometres(side * (own.wall.core / 2 + own.wall.skin + insert.depth - cover));
  const { pieces } = splitRun({
    run,
    stock: setting.stock,
    lap: setting.lapOf(size),
    keepOff: [],
    second: false,
  });
  const along = pieces.map((piece, index): Bar => {
    return {
      ...common,
      ...straight(subtract(piece.to, piece.from), setting),
      id: `b:${insert.id}:front:${String(index)}`,
      from: nanometres(rect.from + cover + piece.from),
      to: nanometres(rect.from + cover + piece.to),
      offset: out,
      laps: piece.laps,
    };
  });
  return [...outward, ...along];
}

/** Bars of every brick ledge of a wall. [common practice: bent, one to each web or every second] */
export const ledgeBars = (own: SteelWall, setting: Setting): readonly Bar[] =>
  own.inserts
    .filter((insert) => insert.kind === 'brick-ledge')
    .flatMap((insert) => barsOf(own, insert, setting));

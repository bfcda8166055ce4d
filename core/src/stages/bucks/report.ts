import type { Bucks } from './buildBucks';
import type { Inserts } from '../inserts';
import type { Length, UnitSystem } from '../../kernel/measure';
import { type Openings, type Shape, heightOf, widthOf } from '../openings';
import { type Quantity, lengthQuantity } from '../../kernel/figures/quantity';

/** Openings with their three sizes, cut lists and marks, as they are exported. */
export function openingsReport(openings: Openings, bucks: Bucks, units: UnitSystem) {
  const length = (value: Length): Quantity => lengthQuantity(value, units);
  const shape = (each: Shape) => ({
    from: length(each.from),
    bottom: length(each.bottom),
    width: length(widthOf(each)),
    height: length(heightOf(each)),
    rise: length(each.rise),
  });
  const buckOf = new Map(bucks.bucks.map((buck) => [buck.opening, buck]));
  return openings.placed.map((opening) => {
    const buck = buckOf.get(opening.id);
    return {
      id: opening.id,
      name: opening.name,
      kind: opening.kind,
      wall: opening.wall,
      worked: opening.worked,
      buck: opening.buck.kind,
      rough: shape(opening.finished),
      foamHole: shape(opening.hole),
      lintelClearSpan: length(widthOf(opening.concrete)),
      ...(buck
        ? {
            diagonal: length(buck.diagonal),
            fasteners: buck.fasteners.value,
            members: buck.members.map((member) => ({
              part: member.part,
              count: member.count,
              length: length(member.length),
              width: member.width === null ? null : length(member.width),
            })),
          }
        : {}),
    };
  });
}

/** Lumber of all bucks: lengths to buy, what comes out of each, and the bound that proves them. */
export const lumberReport = (bucks: Bucks, units: UnitSystem) =>
  bucks.lumber.map((list) => ({
    material: list.name,
    board: list.board,
    ripped: list.ripped.map((width) => lengthQuantity(width, units)),
    width: list.width === null ? null : lengthQuantity(list.width, units),
    stock: lengthQuantity(list.stock, units),
    kerf: lengthQuantity(list.kerf, units),
    lengths: list.lengths.map((cuts) => cuts.map((cut) => lengthQuantity(cut as Length, units))),
    least: list.bound,
    proved: list.proved,
  }));

/** Sheets of all bucks: how many, the strips that they are ripped to, and what comes out of those. */
export const sheetsReport = (bucks: Bucks, units: UnitSystem) =>
  bucks.sheets.map((list) => ({
    material: list.name,
    length: lengthQuantity(list.length, units),
    width: lengthQuantity(list.width, units),
    sheets: list.sheets,
    strips: list.strips.map(({ width, lengths }) => ({
      width: lengthQuantity(width, units),
      lengths: lengths.map((cuts) => cuts.map((cut) => lengthQuantity(cut as Length, units))),
    })),
  }));

/** Inserts where they lie on their walls. */
export const insertsReport = (inserts: Inserts, units: UnitSystem) =>
  inserts.placed.map((insert) => ({
    id: insert.id,
    name: insert.name,
    kind: insert.kind,
    wall: insert.wall,
    from: lengthQuantity(insert.rect.from, units),
    to: lengthQuantity(insert.rect.to, units),
    bottom: lengthQuantity(insert.rect.bottom, units),
    top: lengthQuantity(insert.rect.top, units),
    fixings: insert.fixings.map(({ at, up }) => ({
      at: lengthQuantity(at, units),
      up: lengthQuantity(up, units),
    })),
  }));

import { withoutKey } from '../../kernel/plan/copies';
import { type Length, type UnitSystem, add, readLength, storeLength, subtract } from '../../kernel/measure';
import type { Opening } from './plan';
import type { OpeningChange } from './edits';
import type { PlacedOpening } from './placeOpenings';

/**
 * What an opening's plan says once it has moved along its wall, away from the wall's first corner, and up. It keeps the
 * corner that it is measured from, and its sill or its head, whichever it is told by; one that stood on the footing gets a
 * sill when it is lifted.
 */
export function moveOpening(
  opening: Opening,
  placed: PlacedOpening,
  { along, up }: { readonly along: Length; readonly up: Length },
  units: UnitSystem,
): OpeningChange {
  const at = readLength(opening.at, units);
  const moved = (text: string): string => {
    const reading = readLength(text, units);
    return reading.ok ? storeLength(add(reading.length, up), units) : text;
  };
  const height = (): OpeningChange => {
    if (up === 0) return {};
    if (opening.head !== undefined && opening.sill === undefined) return { head: moved(opening.head) };
    return {
      sill:
        opening.sill === undefined
          ? storeLength(add(placed.finished.bottom, up), units)
          : moved(opening.sill),
    };
  };
  return {
    ...(along === 0 || !at.ok
      ? {}
      : {
          at: storeLength(
            opening.from === 'start' ? add(at.length, along) : subtract(at.length, along),
            units,
          ),
        }),
    ...height(),
  };
}

/** Copies of an opening further along its wall, so many at a spacing between their middles, away from the corner that it is measured from. */
export function repeated(
  opening: Opening,
  count: number,
  spacing: Length,
  units: UnitSystem,
): readonly Omit<Opening, 'id'>[] {
  const at = readLength(opening.at, units);
  if (!at.ok) return [];
  const { name } = opening;
  return Array.from({ length: count }, (_, index) => ({
    ...withoutKey(opening, 'id'),
    ...(name === undefined ? {} : { name: `${name} ${String(index + 2)}`.slice(0, 60) }),
    at: storeLength(add(at.length, (spacing * (index + 1)) as Length), units),
  }));
}

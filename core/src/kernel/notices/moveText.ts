import { type Length, type UnitSystem, showLength, abs } from '../measure';

/** `3/8″ toward D and 1/16″ away from B`, as far as a tape can tell. */
export function moveText(
  parts: readonly { readonly by: Length; readonly toward: string }[],
  units: UnitSystem,
): string {
  const told = parts.flatMap((part) => {
    const size = showLength(abs(part.by), units, { style: 'inches' });
    return /^0\D*$/.test(size) ? [] : [`${size} ${part.by > 0 ? 'toward' : 'away from'} ${part.toward}`];
  });
  return told.length === 0 ? 'nowhere' : told.join(' and ');
}

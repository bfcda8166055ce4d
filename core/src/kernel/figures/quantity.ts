import {
  type Length,
  type UnitSystem,
  toCubicYards,
  toInches,
  toMillimetres,
  toSquareInches,
} from '../measure';

/** A number with its unit beside it. */
export interface Quantity {
  readonly value: number;
  readonly unit: 'in' | 'mm' | 'in2' | 'm2' | 'yd3' | 'm3';
}

export const lengthQuantity = (length: Length, units: UnitSystem): Quantity =>
  units === 'imperial'
    ? { value: toInches(length), unit: 'in' }
    : { value: toMillimetres(length), unit: 'mm' };

export const areaQuantity = (squareMetres: number, units: UnitSystem): Quantity =>
  units === 'imperial'
    ? { value: toSquareInches(squareMetres), unit: 'in2' }
    : { value: squareMetres, unit: 'm2' };

export const volumeQuantity = (cubicMetres: number, units: UnitSystem): Quantity =>
  units === 'imperial'
    ? { value: toCubicYards(cubicMetres), unit: 'yd3' }
    : { value: cubicMetres, unit: 'm3' };

import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { Alignment, Brace, WallBraces } from '@ombra/core/stages/bracing';

const WHY: Readonly<Record<Brace['why'], string>> = {
  corner: 'corner',
  opening: 'beside',
  seam: 'seam',
  tee: 'tee',
  bulkhead: 'free end',
  between: 'between',
};

/** Why a brace stands where it does: `corner A`, `beside Office window`, `between`. */
export const whyText = (brace: Brace, nameOf: (opening: string) => string): string =>
  brace.of === undefined
    ? WHY[brace.why]
    : `${WHY[brace.why]} ${brace.why === 'opening' ? nameOf(brace.of) : brace.of}`;

/** Why a wall is braced on its side. */
export const sideText = ({ side, sideWhy }: Pick<WallBraces, 'side' | 'sideWhy'>): string =>
  ({
    usual: `${side}: flat and safe, no bank`,
    'loose-inside': `${side}: the ground inside is too loose for stakes; watch the bank`,
    said: `${side}, as you said`,
  })[sideWhy];

/** `10′`, or `10′ and one joint`. */
export function uprightText({ upright }: Pick<Brace, 'upright'>, units: UnitSystem): string {
  const length = showLength(upright.length, units);
  if (upright.extensions === 0) return length;
  return `${length} and ${upright.extensions === 1 ? 'one joint' : `${String(upright.extensions)} joints`}`;
}

const POUNDS_PER_NEWTON = 0.22480894387096;

/** A force as it is told on site: to five pounds, or to hundredths of a kilonewton. */
export function forceText(newtons: number, units: UnitSystem): string {
  if (!Number.isFinite(newtons)) return 'no screw holds';
  return units === 'imperial'
    ? `${String(Math.round((newtons * POUNDS_PER_NEWTON) / 5) * 5)} lb`
    : `${(newtons / 1000).toFixed(2)} kN`;
}

/** `1/4″ toward the braces`, `1/8″ from the braces`, `on its line`. */
export function offText(off: Length, units: UnitSystem): string {
  const size = showLength(Math.abs(off) as Length, units, { style: 'inches' });
  if (/^0\D*$/.test(size)) return 'on its line';
  return `${size} ${off > 0 ? 'toward the braces' : 'from the braces'}`;
}

/** `1/4″ toward the braces; turn longer by 3/8 turn`, or that it is on its line. */
export function readingText({ off, turns }: Alignment, units: UnitSystem): string {
  const turn = turnsText(turns);
  return turn === 'nothing' ? offText(off, units) : `${offText(off, units)}; turn ${turn}`;
}

/** `longer by 1 1/4 turns`; nothing to turn where it is less than an eighth. */
export function turnsText(turns: number): string {
  const eighths = Math.round(Math.abs(turns) * 8);
  if (eighths === 0) return 'nothing';
  const [whole, part] = [Math.floor(eighths / 8), eighths % 8];
  const parts = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'][part] ?? '';
  const told = [whole > 0 ? String(whole) : '', parts].filter((each) => each !== '').join(' ');
  return `${turns > 0 ? 'longer' : 'shorter'} by ${told} ${eighths <= 8 ? 'turn' : 'turns'}`;
}

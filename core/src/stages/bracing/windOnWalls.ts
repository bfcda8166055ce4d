import { type Length, PASCALS_PER_PSF, subtract, toMetres, ZERO } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import type { WallBraces } from './brace';
import { type WindOnBrace, windOnBrace, windPressure } from './wind';

/** Wind on a wall, by its brace that is pressed hardest. */
export interface WindOnWall {
  readonly wall: string;
  readonly brace: string;
  readonly worst: WindOnBrace;
  /** Length of the wall, in metres: nothing but braces holds it from one end to the other. */
  readonly free: number;
}

/**
 * Length of wall that each of its braces holds, in metres: half of the bay on either side; at a free end all the way to it,
 * since nothing else holds it there.
 */
export const sharesOf = ({ braces, ends }: Pick<WallBraces, 'braces' | 'ends'>): readonly number[] =>
  braces.map(({ at }, index) => {
    const side = (other: Length | undefined, end: WallBraces['ends'][0]): number =>
      Math.abs(at - (other ?? end.at)) * (other === undefined && end.how === 'free' ? 1 : 0.5);
    const both = side(braces[index - 1]?.at, ends[0]) + side(braces[index + 1]?.at, ends[1]);
    return toMetres(both as Length);
  });

/** Wind on every wall that braces hold, the freest first. */
export function windOn(
  walls: readonly WallBraces[],
  lengths: ReadonlyMap<string, Length>,
  wind: number,
  rules: HouseRules,
) {
  const pressure = windPressure(wind) * PASCALS_PER_PSF;
  const screws = rules.count('bracing.screws');
  return walls
    .flatMap((wall): WindOnWall[] => {
      const shares = sharesOf(wall);
      const loads = wall.braces.map((brace, index) => {
        const height = toMetres(subtract(brace.top, brace.bottom));
        return {
          brace: brace.id,
          wind: windOnBrace({
            pressure,
            factor: rules.count('bracing.wind.factor') / 100,
            height,
            share: shares[index] ?? 0,
            meets: (height * rules.count('bracing.leg.height')) / 100,
            out: toMetres(rules.length('bracing.leg.out')),
            screws: brace.caught.length * screws,
          }),
        };
      });
      const [worst] = loads.sort((a, b) => b.wind.leg - a.wind.leg);
      if (!worst) return [];
      return [
        {
          wall: wall.wall,
          brace: worst.brace,
          worst: worst.wind,
          free: toMetres(lengths.get(wall.wall) ?? ZERO),
        },
      ];
    })
    .sort((a, b) => b.free * b.worst.force - a.free * a.worst.force);
}

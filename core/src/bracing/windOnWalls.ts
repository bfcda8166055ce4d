import { type Length, subtract, toMetres } from '../measure';
import type { HouseRules } from '../rules';
import type { WallBraces } from './brace';
import { PASCALS_PER_PSF, type WindOnBrace, windOnBrace, windPressure } from './wind';

/** Wind on a wall, by its brace that is pressed hardest. */
export interface WindOnWall {
  readonly wall: string;
  readonly brace: string;
  readonly worst: WindOnBrace;
  /** Longest stretch that nothing but braces holds, in metres: between corners, or to a free end. */
  readonly free: number;
}

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
      const loads = wall.braces.map((brace, index) => {
        const before = wall.braces[index - 1]?.at ?? wall.ends[0].at;
        const after = wall.braces[index + 1]?.at ?? wall.ends[1].at;
        const height = toMetres(subtract(brace.top, brace.bottom));
        return {
          brace: brace.id,
          wind: windOnBrace(
            pressure,
            rules.count('bracing.wind.factor') / 100,
            height,
            Math.abs(after - before) / 2 / 1e9,
            (height * rules.count('bracing.leg.height')) / 100,
            toMetres(rules.length('bracing.leg.out')),
            brace.caught.length * screws,
          ),
        };
      });
      const [worst] = loads.sort((a, b) => b.wind.leg - a.wind.leg);
      if (!worst) return [];
      return [
        {
          wall: wall.wall,
          brace: worst.brace,
          worst: worst.wind,
          free: toMetres(lengths.get(wall.wall) ?? (0 as Length)),
        },
      ];
    })
    .sort((a, b) => b.free * b.worst.force - a.free * a.worst.force);
}

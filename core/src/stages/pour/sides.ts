import type { Worked } from '../../kernel/engine/stage';
import { type UnitSystem, readVolume } from '../../kernel/measure';
import { slabInWall } from '../openings';
import type { SidePour, SideTime } from './plan';
import { wallsOf } from '../outline';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { given } from '../../kernel/figures/how';
import type { Judged } from '../../kernel/judged';
import type { PourProblem } from './problem';
import type { HouseRules } from '../../kernel/rules';
import { edgesBetween } from '../edges';
import type { PourSpan } from '../outline';

/** Concrete beside the walls that shares their trucks. */
export interface SideVolume {
  readonly id: string;
  readonly name: string;
  readonly when: SideTime;
  /** Worked out from the job, and not typed. */
  readonly own: boolean;
  readonly volume: Figure;
}

/** Where the job's own side pours come from. */
type SidesGround = Pick<Worked, 'footing' | 'openings' | 'shell' | 'edges'> & { readonly rules: HouseRules };

/** What the job itself pours beside its walls: a footing that is poured as one with them, the gap on rock, slab concrete over a held-down wall, edges above the foam. */
function ownSides(
  span: PourSpan,
  first: boolean,
  { footing, openings, shell, edges, rules }: SidesGround,
): readonly SideVolume[] {
  const walls = new Map(wallsOf(shell).map((wall) => [wall.id, wall]));
  const poured: readonly SideVolume[] =
    first && footing.bases.withWall && footing.concrete.value > 0
      ? [
          {
            id: 'footing',
            name: 'Footing, poured as one with the walls',
            when: 'first',
            own: true,
            volume: { ...footing.concrete, id: `pour.${span.pour}.side.footing` },
          },
        ]
      : [];
  const { rock } = footing;
  const gap = rock ? rock.fills.value + rock.lost.value : 0;
  // It runs out under the forms before anything stands in them: ordered like the rest, and placed with the first lift.
  const onRock: readonly SideVolume[] =
    first && rock && gap > 0
      ? [
          {
            id: 'rock',
            name: 'Gap between forms and rock',
            when: 'first',
            own: true,
            volume: figureOf({
              id: `pour.${span.pour}.side.rock`,
              title: 'Gap between forms and rock',
              how: {
                op: 'sum',
                name: 'filled and lost on the rock',
                unit: 'volume',
                of: [rock.fills.how, rock.lost.how],
              },
              rules: [],
              pieces: { course: 0 },
            }),
          },
        ]
      : [];
  const slabs = openings.placed.flatMap((opening): SideVolume[] => {
    const { threshold } = opening;
    const wall = walls.get(opening.wall);
    const how = wall ? slabInWall(opening, wall) : null;
    if (!opening.worked || !threshold?.slab || threshold.truck !== 'wall' || !wall || !how) return [];
    const middle = (threshold.slab.bottom + threshold.slab.top) / 2;
    if (middle < span.bottom || middle >= span.top) return [];
    const name = `Slab over the threshold of ${opening.name}`;
    return [
      {
        id: `threshold:${opening.id}`,
        name,
        when: 'last',
        own: true,
        volume: figureOf({
          id: `pour.${span.pour}.side.threshold:${opening.id}`,
          title: name,
          how,
          rules: [],
          pieces: { wall: wall.id },
        }),
      },
    ];
  });
  const onTop = edgesBetween(edges, span, rules).walls.map(({ wall, name, volume }): SideVolume => ({
    id: `edge:${wall}`,
    name: `Exposed edge of ${name}`,
    when: 'last',
    own: true,
    volume: { ...volume, id: `pour.${span.pour}.side.edge:${wall}` },
  }));
  return [...poured, ...onRock, ...slabs, ...onTop];
}

/** Side pours of a pour: the job's own, then those that were typed. Slab concrete is only told where it falls in with this pour. */
export function sidesOf(
  span: PourSpan,
  first: boolean,
  { typed, units }: { readonly typed: readonly SidePour[]; readonly units: UnitSystem },
  ground: SidesGround,
): Judged<readonly SideVolume[], PourProblem> {
  const problems: PourProblem[] = [];
  const read = typed
    .filter((side) => (side.pour === undefined ? first : side.pour === span.pour))
    .flatMap((side): SideVolume[] => {
      const reading = readVolume(side.volume, units);
      if (!reading.ok || reading.cubicMetres <= 0) {
        problems.push({ kind: 'side-unreadable', side: side.id, name: side.name, text: side.volume });
        return [];
      }
      return [
        {
          id: side.id,
          name: side.name,
          when: side.when,
          own: false,
          volume: figureOf({
            id: `pour.${span.pour}.side.${side.id}`,
            title: side.name,
            how: given(`${side.name}, as typed: ${side.volume}`, 'volume', reading.cubicMetres),
            rules: [],
            pieces: {},
          }),
        },
      ];
    });
  return { value: [...ownSides(span, first, ground), ...read], problems };
}

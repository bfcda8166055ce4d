import { said } from '../../kernel/plan/said';
import { storedLengthText } from '../../kernel/plan/storedText';
import type { UnitSystem } from '../../kernel/measure';

/** What of the wall an edge covers besides its core: the foam of neither face, of one, or of both. */
export const EDGE_OVER = ['core', 'outside', 'inside', 'both'] as const;
export type EdgeOver = (typeof EDGE_OVER)[number];

/** Concrete that stands above the foam in a board form: an exposed edge, or a cap of an inch or two. */
export interface Edge {
  /** Above the top of the forms. */
  readonly height: string;
  readonly over: EdgeOver;
}

/** What a job says of exposed edges: of all walls, and by wall where it differs. */
export interface EdgesPlan {
  readonly all?: Edge;
  readonly walls?: Readonly<Record<string, Edge | 'none'>>;
}

/** The edges with one set: of a wall, or of all where none is named; null takes off what was said. */
export function changeEdges(
  edges: EdgesPlan | undefined,
  wall: string | null,
  edge: Edge | 'none' | null,
  units: UnitSystem,
): EdgesPlan {
  const stored =
    edge === null || edge === 'none' ? edge : { ...edge, height: storedLengthText(edge.height, units) };
  if (wall === null) return said({ ...edges, all: stored === 'none' ? null : stored }) as EdgesPlan;
  const others = Object.entries(edges?.walls ?? {}).filter(([id]) => id !== wall);
  const walls = stored === null ? others : [...others, [wall, stored] as const];
  return said({ ...edges, walls: walls.length === 0 ? null : Object.fromEntries(walls) }) as EdgesPlan;
}

/** The edge of a wall as the plan says it; null where it has none. */
export function edgeOf(edges: EdgesPlan | undefined, wall: string): Edge | null {
  const own = edges?.walls?.[wall] ?? edges?.all ?? null;
  return own === 'none' ? null : own;
}

declare module '../../kernel/plan/plan' {
  interface Plan {
    readonly edges?: EdgesPlan;
  }
  interface PlanEdits {
    /** An exposed edge of a wall, or of all walls where none is named. */
    readonly edge: {
      readonly kind: 'edge';
      readonly wall: string | null;
      readonly edge: Edge | 'none' | null;
    };
  }
}

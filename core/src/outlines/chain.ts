import type { FileLine, Vertex } from './found';

/** A piece of a line by itself: a wall’s axis, a line or an arc of a drawing. */
export interface Segment {
  readonly name: string;
  readonly from: Vertex;
  readonly to: Vertex;
}

/** A piece told from its other end. */
const turned = ({ name, from, to }: Segment): Segment => ({
  name,
  from: { x: to.x, y: to.y, ...(from.bulge === undefined ? {} : { bulge: -from.bulge }) },
  to: { x: from.x, y: from.y },
});

/**
 * Pieces joined end to end into lines, as long as exactly one other begins where the last one ends.
 *
 * @param within how far apart two ends may be to be one, in nanometres
 */
export function chained(segments: readonly Segment[], within: number): readonly FileLine[] {
  const near = (a: Vertex, b: Vertex): boolean => Math.hypot(a.x - b.x, a.y - b.y) <= within;
  const left = new Set(segments);
  const lines: FileLine[] = [];
  const next = (end: Vertex): Segment | null => {
    const found = [...left].flatMap((each) => {
      if (near(each.from, end)) return [{ each, told: each }];
      return near(each.to, end) ? [{ each, told: turned(each) }] : [];
    });
    const [only] = found;
    if (!only || found.length > 1) return null;
    left.delete(only.each);
    return only.told;
  };
  for (const first of segments) {
    if (!left.delete(first)) continue;
    const chain: Segment[] = [first];
    const grow = (): void => {
      for (;;) {
        const [start, end] = [chain[0] as Segment, chain.at(-1) as Segment];
        if (chain.length > 2 && near(start.from, end.to)) return;
        const found = next(end.to);
        if (!found) return;
        chain.push(found);
      }
    };
    grow();
    const closedAlready = chain.length > 2 && near((chain[0] as Segment).from, (chain.at(-1) as Segment).to);
    if (!closedAlready) {
      // What comes before the first piece is found by going on from its other end.
      const back = chain.map(turned).reverse();
      chain.splice(0, chain.length, ...back);
      grow();
    }
    const [start, end] = [chain[0] as Segment, chain.at(-1) as Segment];
    const closed = chain.length > 1 && near(start.from, end.to);
    lines.push({
      name: first.name,
      closed,
      vertices: [...chain.map(({ from }) => from), ...(closed ? [] : [{ x: end.to.x, y: end.to.y }])],
    });
  }
  return lines;
}

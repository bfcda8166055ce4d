import {
  type FileHole,
  type FileLine,
  type FileUnit,
  type LeftOut,
  type Segment,
  type Vertex,
  FILE_UNITS,
  chained,
} from '@ombra/core/outlines';
import DxfParser, { type IDxf } from 'dxf-parser';

/** A corner as the parser gives it. */
interface ParsedVertex {
  readonly x: number;
  readonly y: number;
  readonly bulge?: number;
}

/** What is read of an entity, whatever its kind. */
interface ParsedEntity {
  readonly type: string;
  readonly layer?: string;
  readonly vertices?: readonly ParsedVertex[];
  readonly shape?: boolean;
  readonly center?: ParsedVertex;
  readonly radius?: number;
  /** Radians, counterclockwise from the right. */
  readonly startAngle?: number;
  readonly endAngle?: number;
}

/** Units that the head of a drawing may name, by its code. [$INSUNITS of DXF; from memory] */
const UNITS: Readonly<Record<number, FileUnit>> = {
  1: 'in',
  2: 'ft',
  4: 'mm',
  5: 'cm',
  6: 'm',
  21: 'survey-ft',
};

/** Ends of lines this near are one: a millimetre. */
const JOINED = 1_000_000;
/** More pieces of lines than are joined. */
const MOST_PIECES = 4000;
/** Layers whose closed lines are openings. */
const OPENINGS = /open|window|door|ventana|puerta|fen[eê]tre|porte/i;

export interface DrawingRead {
  readonly lines: readonly FileLine[];
  readonly holes: readonly FileHole[];
  readonly leftOut: readonly LeftOut[];
  /** The unit that the file names; null where it names none. */
  readonly unit: FileUnit | null;
}

type DrawingReading =
  | { readonly ok: true; readonly drawing: DrawingRead }
  | { readonly ok: false; readonly where: string; readonly what: string };

/**
 * Whether a text is pairs of a group code and a value, its sections closed, to its end. The parser goes on for ever in one that is cut
 * off, so such a one is not given to it.
 */
function isWhole(text: string): boolean {
  const lines = text.trimEnd().split(/\r\n|\r|\n/);
  let open = false;
  for (let at = 0; at + 1 < lines.length; at += 2) {
    if (!/^\s*-?\d{1,4}\s*$/.test(lines[at] ?? '')) return false;
    const value = (lines[at + 1] ?? '').trim();
    if (Number(lines[at]) !== 0) continue;
    if (value === 'SECTION' || value === 'ENDSEC') {
      if (open === (value === 'SECTION')) return false;
      open = !open;
    }
    if (value === 'EOF') return !open && at + 2 >= lines.length;
  }
  return false;
}

function parsed(text: string): IDxf | null {
  if (!isWhole(text)) return null;
  try {
    return new DxfParser().parseSync(text);
  } catch {
    return null;
  }
}

const whole = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);

/**
 * The lines of a DXF drawing: closed and open polylines by layer, lines and arcs joined end to end.
 *
 * @param asked the unit where the file names none; where it does, that holds
 */
export function dxfLines(text: string, asked: FileUnit): DrawingReading {
  if (text.includes('\u0000')) {
    return {
      ok: false,
      where: 'the file',
      what: 'This drawing is in binary form. Save it as a DXF text file.',
    };
  }
  const dxf = parsed(text);
  if (!dxf || !Array.isArray(dxf.entities)) {
    return {
      ok: false,
      where: 'the file',
      what: 'This is no DXF drawing that can be read. Save it again as DXF.',
    };
  }
  const entities = dxf.entities as unknown as readonly ParsedEntity[];
  const named = UNITS[Number((dxf.header as Record<string, unknown> | undefined)?.['$INSUNITS'])] ?? null;
  const unit = FILE_UNITS[named ?? asked];
  // y runs up in a drawing and down on the plan, so a bulge to the left there is one to the left here: the sign turns over.
  const vertex = ({ x, y, bulge }: ParsedVertex): Vertex | null =>
    whole(x) && whole(y)
      ? { x: x * unit, y: -y * unit, ...(whole(bulge) && bulge !== 0 ? { bulge: -bulge } : {}) }
      : null;
  const lines: FileLine[] = [];
  const holes: FileHole[] = [];
  const pieces = new Map<string, Segment[]>();
  const skipped = new Map<string, number>();
  const skip = (what: string): void => {
    skipped.set(what, (skipped.get(what) ?? 0) + 1);
  };
  const piece = (layer: string, from: Vertex, to: Vertex): void => {
    pieces.set(layer, [...(pieces.get(layer) ?? []), { name: `layer ${layer}, joined lines`, from, to }]);
  };
  for (const entity of entities) {
    const layer = (entity.layer ?? '0').slice(0, 60);
    const vertices = (entity.vertices ?? []).map(vertex);
    if (vertices.some((each) => each === null)) {
      skip(`${entity.type} with coordinates that are no numbers`);
      continue;
    }
    const corners = vertices as readonly Vertex[];
    const [first] = corners;
    const last = corners.at(-1);
    if (entity.type === 'LWPOLYLINE' || entity.type === 'POLYLINE') {
      if (!first || !last || corners.length < 2) {
        skip('polyline of one corner');
        continue;
      }
      const closed =
        entity.shape === true ||
        (corners.length > 3 && Math.hypot(first.x - last.x, first.y - last.y) < JOINED);
      if (closed && OPENINGS.test(layer)) {
        holes.push({ name: layer, points: corners, bottom: null, top: null });
      } else lines.push({ name: `layer ${layer}`, closed, vertices: corners });
    } else if (entity.type === 'LINE' && first && last && corners.length === 2) piece(layer, first, last);
    else if (entity.type === 'ARC') {
      const { center, radius, startAngle, endAngle } = entity;
      if (
        !center ||
        !whole(radius) ||
        !whole(startAngle) ||
        !whole(endAngle) ||
        !whole(center.x) ||
        !whole(center.y)
      ) {
        skip('arc that cannot be read');
        continue;
      }
      const at = (angle: number): Vertex => ({
        x: (center.x + radius * Math.cos(angle)) * unit,
        y: -(center.y + radius * Math.sin(angle)) * unit,
      });
      const sweep = (((endAngle - startAngle) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
      piece(layer, { ...at(startAngle), bulge: -Math.tan(sweep / 4) }, at(endAngle));
    } else skip(entity.type);
  }
  const leftOut: LeftOut[] = [...skipped].map(([what, count]) => ({
    what: `${String(count)} × ${what.slice(0, 60)}`,
    why: 'Only polylines, lines and arcs make an outline.',
  }));
  for (const [layer, own] of pieces) {
    if (own.length > MOST_PIECES) {
      leftOut.push({
        what: `layer ${layer}`,
        why: `It has over ${String(MOST_PIECES)} lines: too many to join.`,
      });
    } else lines.push(...chained(own, JOINED).filter(({ vertices }) => vertices.length > 2));
  }
  return { ok: true, drawing: { lines, holes, leftOut, unit: named } };
}

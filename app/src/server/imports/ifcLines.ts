import { type FileHole, type LeftOut, type Segment, MOST_WALLS, chained } from '@ombra/core/outlines';
import * as WebIFC from 'web-ifc';
import type { DrawingRead } from './dxfLines';

/** Ends of axes this near are one: walls are drawn to meet, not to the hair. */
const JOINED = 20_000_000;
const NANOMETRES = 1e9;

/** A line of the model: attributes by name, each with its value, or a reference to another line. */
type Line = Readonly<Record<string, unknown>>;

const valueOf = (of: unknown): unknown =>
  typeof of === 'object' && of !== null && 'value' in of ? of.value : of;
const listOf = (of: unknown): readonly unknown[] => (Array.isArray(of) ? (of as readonly unknown[]) : []);
function textOf(of: unknown): string {
  const value = valueOf(of);
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** A place on the plan with its direction: x and y in the file's unit, the x axis' heading in radians. */
interface Frame {
  readonly x: number;
  readonly y: number;
  readonly turn: number;
}
const HERE: Frame = { x: 0, y: 0, turn: 0 };

const inFrame = ({ x, y, turn }: Frame, [px, py]: readonly [number, number]): readonly [number, number] => [
  x + px * Math.cos(turn) - py * Math.sin(turn),
  y + px * Math.sin(turn) + py * Math.cos(turn),
];

type IfcReading =
  | { readonly ok: true; readonly drawing: DrawingRead & { readonly ground: number } }
  | { readonly ok: false; readonly where: string; readonly what: string };

const ifcRefused = (what: string): IfcReading => ({ ok: false, where: 'the file', what });

/** Reads the axes of the walls of an IFC model, joined end to end, and the openings that are cut into them. */
export async function ifcLines(bytes: Uint8Array): Promise<IfcReading> {
  const api = new WebIFC.IfcAPI();
  await api.Init();
  api.SetLogLevel(WebIFC.LogLevel.LOG_LEVEL_OFF);
  let model = -1;
  try {
    model = api.OpenModel(bytes);
    if (model < 0)
      return ifcRefused('This is no IFC model that can be read. Save it again as IFC4 or IFC2x3.');
    return readModel(api, model);
  } catch {
    return ifcRefused('This is no IFC model that can be read. Save it again as IFC4 or IFC2x3.');
  } finally {
    if (model >= 0) api.CloseModel(model);
  }
}

function readModel(api: WebIFC.IfcAPI, model: number): IfcReading {
  const line = (of: unknown): Line | null => {
    const id = valueOf(of);
    if (typeof id !== 'number' || id <= 0) return null;
    try {
      return api.GetLine(model, id) as Line | null;
    } catch {
      return null;
    }
  };
  const idsOf = (type: number): readonly number[] => {
    const ids = api.GetLineIDsWithType(model, type);
    return Array.from({ length: ids.size() }, (_, index) => ids.get(index));
  };
  const unit = metresOf(idsOf, line) * NANOMETRES;
  const numbers = (of: Line | null, key: string): readonly number[] =>
    listOf(of?.[key]).map((each) => Number(valueOf(each)));
  const frameOf = (placement: unknown, depth = 0): Frame => {
    const own = line(placement);
    if (!own || depth > 30) return HERE;
    const under = frameOf(own['PlacementRelTo'], depth + 1);
    const axes = line(own['RelativePlacement']);
    const [x = 0, y = 0] = numbers(line(axes?.['Location']), 'Coordinates');
    const [dx = 1, dy = 0] = numbers(line(axes?.['RefDirection']), 'DirectionRatios');
    const [px, py] = inFrame(under, [x, y]);
    return { x: px, y: py, turn: under.turn + Math.atan2(dy, dx) };
  };
  const walls = [...new Set([...idsOf(WebIFC.IFCWALL), ...idsOf(WebIFC.IFCWALLSTANDARDCASE)])];
  if (walls.length === 0) return ifcRefused('There are no walls in this model.');
  if (walls.length > MOST_WALLS) {
    return ifcRefused(
      `This model has ${String(walls.length)} walls; a plan has ${String(MOST_WALLS)} at most.`,
    );
  }
  const leftOut: LeftOut[] = [];
  const segments = walls.flatMap((id): Segment[] => {
    const wall = line(id);
    const name = textOf(wall?.['Name']).slice(0, 60) || `wall #${String(id)}`;
    const shapes = listOf(line(wall?.['Representation'])?.['Representations']).map(line);
    const axis = shapes.find((shape) => textOf(shape?.['RepresentationIdentifier']) === 'Axis');
    const curve = line(listOf(axis?.['Items'])[0]);
    const points = listOf(curve?.['Points']).map((point) => numbers(line(point), 'Coordinates'));
    const [first] = points;
    const last = points.at(-1);
    if (
      !first ||
      !last ||
      points.length !== 2 ||
      [...first, ...last].some((each) => !Number.isFinite(each))
    ) {
      leftOut.push({ what: name, why: 'It has no straight axis of two points.' });
      return [];
    }
    const frame = frameOf(wall?.['ObjectPlacement']);
    const at = ([x = 0, y = 0]: readonly number[]) => {
      const [px, py] = inFrame(frame, [x, y]);
      return { x: px * unit, y: -py * unit };
    };
    return [{ name: 'walls of the model', from: at(first), to: at(last) }];
  });
  const { holes, ground } = holesOf(api, model, idsOf, line);
  return {
    ok: true,
    drawing: { lines: chained(segments, JOINED), holes, leftOut, unit: 'mm', ground },
  };
}

/** The model's unit of length in metres. */
function metresOf(idsOf: (type: number) => readonly number[], line: (of: unknown) => Line | null): number {
  const PREFIXES: Readonly<Record<string, number>> = { MILLI: 1e-3, CENTI: 1e-2, DECI: 0.1 };
  const si = (unit: Line | null): number => PREFIXES[textOf(unit?.['Prefix'])] ?? 1;
  for (const id of idsOf(WebIFC.IFCUNITASSIGNMENT)) {
    for (const each of listOf(line(id)?.['Units'])) {
      const unit = line(each);
      if (textOf(unit?.['UnitType']) !== 'LENGTHUNIT') continue;
      const factor = line(unit?.['ConversionFactor']);
      if (!factor) return si(unit);
      return Number(valueOf(factor['ValueComponent'])) * si(line(factor['UnitComponent']));
    }
  }
  return 1;
}

/** The openings of the model by the corners of their bodies, and the lowest foot of its walls; in nanometres. */
function holesOf(
  api: WebIFC.IfcAPI,
  model: number,
  idsOf: (type: number) => readonly number[],
  line: (of: unknown) => Line | null,
): { readonly holes: readonly FileHole[]; readonly ground: number } {
  /** Points of a body: the reader gives metres, height second, and the plan running down in the third. */
  const pointsOf = (id: number): readonly (readonly [x: number, y: number, up: number])[] => {
    const mesh = api.GetFlatMesh(model, id);
    const points: (readonly [number, number, number])[] = [];
    for (let index = 0; index < mesh.geometries.size(); index += 1) {
      const placed = mesh.geometries.get(index);
      const geometry = api.GetGeometry(model, placed.geometryExpressID);
      const vertices = api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize());
      const m = placed.flatTransformation;
      for (let at = 0; at + 2 < vertices.length; at += 6) {
        const [x = 0, y = 0, z = 0] = [vertices[at], vertices[at + 1], vertices[at + 2]];
        const row = (of: number): number =>
          (m[of] ?? 0) * x + (m[of + 4] ?? 0) * y + (m[of + 8] ?? 0) * z + (m[of + 12] ?? 0);
        points.push([row(0) * NANOMETRES, row(2) * NANOMETRES, row(1) * NANOMETRES]);
      }
    }
    return points;
  };
  const feet = [...idsOf(WebIFC.IFCWALL), ...idsOf(WebIFC.IFCWALLSTANDARDCASE)].flatMap((id) =>
    pointsOf(id).map(([, , up]) => up),
  );
  const ground = feet.reduce((least, up) => Math.min(least, up), feet[0] ?? 0);
  const holes = idsOf(WebIFC.IFCOPENINGELEMENT).flatMap((id): FileHole[] => {
    const points = pointsOf(id);
    if (points.length === 0) return [];
    const heights = points.map(([, , up]) => up);
    return [
      {
        name: textOf(line(id)?.['Name']).slice(0, 60) || `opening #${String(id)}`,
        points: points.map(([x, y]) => ({ x, y })),
        bottom: Math.min(...heights),
        top: Math.max(...heights),
      },
    ];
  });
  return { holes, ground };
}

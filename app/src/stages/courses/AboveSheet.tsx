import type { SheetProps } from '../../frame/stage';
import { rulesOf } from '@ombra/core/rules';
import { barCourses } from '@ombra/core/kernel/forms';
import { step } from '@ombra/core/kernel/geometry';
import { type Angle, type Length, type UnitSystem, normalise, showLength } from '@ombra/core/kernel/measure';
import { type LayingManner, type Piece, type WallPiece, layingOrder } from '@ombra/core/stages/courses';
import { type Wall, alongArc, wallsOf, wallShape, wallStart } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { placeOfPiece } from './describePiece';
import { type PlanFrame, pathOf, planFrame } from '../../drawing/plan/planGeometry';
import { SheetFrame, SheetPage } from '../../frame/sheet/SheetFrame';
import { whatIsMissing } from '../../frame/sheet/missing';

const WIDTH = 720;
const HEIGHT = 560;

interface Placed {
  readonly piece: Piece;
  readonly number: number;
}

/** One course on one page: every piece at its place, numbered as it is laid. */
function CoursePlan({
  worked,
  placed,
  frame,
  strapped,
}: {
  readonly worked: WorkedPlan;
  readonly placed: readonly Placed[];
  readonly frame: PlanFrame;
  readonly strapped: WorkedPlan['courses']['weakJoints'];
}) {
  const places = new Map(
    worked.shell.loops.flatMap(({ built }) =>
      built ? built.walls.map((wall, index) => [wall.id, { wall, index, built }] as const) : [],
    ),
  );
  const corners = worked.shell.loops.flatMap((loop) => loop.built?.corners ?? []);
  const units = worked.units;
  const draw = (wallId: string, [from, to]: readonly [number, number], look: string, key: string) => {
    const place = places.get(wallId);
    if (!place) return null;
    const { wall, index, built } = place;
    return (
      <path
        key={key}
        d={pathOf(frame, wallShape(built, index, from / wall.length, to / wall.length))}
        className={look}
      />
    );
  };
  /** Words at a station of a wall, so far inward of its outside face. */
  const words = (
    wallId: string,
    { at, aside }: { readonly at: number; readonly aside: number },
    text: string,
    { look, size, key }: { readonly look: string; readonly size: number; readonly key: string },
  ) => {
    const place = places.get(wallId);
    const start = place && wallStart(place.built, place.index);
    if (!start) return null;
    const { wall } = place;
    const { curve } = wall;
    const outer = curve
      ? alongArc({
          from: start.outer,
          heading: wall.heading,
          radius: curve.outside,
          sweep: curve.sweep,
          share: at / wall.length,
        })
      : step(start.outer, wall.heading, at);
    const heading = normalise((wall.heading + (curve ? (curve.sweep * at) / wall.length : 0)) as Angle);
    const point = step(outer, heading, 0, aside);
    const upright = wall.heading % 180e6 === 90e6 ? -90 : 0;
    return (
      <text
        key={key}
        x={frame.x(point)}
        y={frame.y(point)}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={size}
        className={look}
        transform={
          upright === 0
            ? undefined
            : `rotate(${String(upright)} ${String(frame.x(point))} ${String(frame.y(point))})`
        }
      >
        {text}
      </text>
    );
  };
  const length = (value: Length): string => showLength(value, units, { style: 'inches', bare: true });
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      className="w-full"
      role="img"
      aria-label={`${String(placed.length)} pieces in laying order`}
    >
      {placed.map(({ piece, number }) => {
        if (piece.kind === 'corner') {
          const look = piece.hand === 'LH' ? 'fill-corner stroke-ink' : 'fill-corner-swapped stroke-ink';
          const before = places.get(piece.wallBefore)?.wall;
          const after = places.get(piece.wallAfter)?.wall;
          if (!before || !after) return null;
          const end = before.length;
          // At an inside corner the piece reaches a thickness back behind the outside face.
          const kind = corners.find((each) => each.letter === piece.corner)?.kind;
          const back = kind === 'inside' && piece.make === 'moulded' ? 1 : 0;
          return (
            <g key={piece.id}>
              {draw(piece.wallBefore, [end - piece.legBefore, end + back * after.thickness], look, 'before')}
              {draw(piece.wallAfter, [-back * before.thickness, piece.legAfter], look, 'after')}
              {piece.make === 'moulded' &&
                words(
                  piece.wallAfter,
                  { at: piece.legAfter * 0.62, aside: after.thickness / 2 },
                  `${String(number)} ${piece.hand}`,
                  { look: 'figures fill-ink', size: 8, key: 'word' },
                )}
            </g>
          );
        }
        const wall = places.get(piece.wall)?.wall;
        if (!wall) return null;
        const cut = piece.kind === 'cut';
        return (
          <g key={piece.id}>
            {draw(
              piece.wall,
              [piece.start, piece.start + piece.length],
              `${cut ? 'fill-cut' : 'fill-foam'} stroke-ink`,
              'slab',
            )}
            {words(
              piece.wall,
              { at: piece.start + piece.length / 2, aside: wall.thickness / 2 },
              String(number),
              { look: 'figures fill-ink', size: 8, key: 'number' },
            )}
            {cut &&
              words(
                piece.wall,
                { at: piece.start + piece.length / 2, aside: -wall.thickness * 0.55 },
                length(piece.length),
                { look: 'felt fill-ink', size: 10, key: 'cut' },
              )}
          </g>
        );
      })}
      {strapped.map((joint) => {
        const wall = places.get(joint.wall)?.wall;
        return wall
          ? words(joint.wall, { at: joint.at, aside: wall.thickness * 1.5 }, '×', {
              look: 'figures fill-ink',
              size: 14,
              key: `${joint.wall}:${String(joint.at)}`,
            })
          : null;
      })}
      {[...places.values()].map(({ wall, index, built }) => {
        const start = wallStart(built, index);
        if (!start) return null;
        const inside = corners.find((each) => each.wallAfter === wall.id)?.kind === 'inside';
        const along = wall.thickness * (inside ? 0.9 : -0.9);
        const point = step(start.outer, wall.heading, along, -wall.thickness * 0.9);
        return (
          <text
            key={wall.id}
            x={frame.x(point)}
            y={frame.y(point)}
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={14}
            className="figures fill-ink font-semibold"
          >
            {wall.from}
          </text>
        );
      })}
    </svg>
  );
}

/** What is sawn in a course: the number that it is laid as, its length, and the block that it comes out of. */
function CutList({
  placed,
  walls,
  units,
}: {
  readonly placed: readonly Placed[];
  readonly walls: readonly Wall[];
  readonly units: UnitSystem;
}) {
  const cuts = placed.filter(
    (each): each is Placed & { readonly piece: WallPiece } => each.piece.kind === 'cut',
  );
  if (cuts.length === 0) return <p>No cut in this course.</p>;
  return (
    <ul className="figures columns-2 gap-6 text-[15px]">
      {cuts.map(({ piece, number }) => {
        const { cutFrom } = piece;
        const partner = cutFrom?.partner ? placeOfPiece(cutFrom.partner, walls) : null;
        return (
          <li key={piece.id} className="break-inside-avoid">
            <span className="text-quiet">{number}</span>{' '}
            <span className="felt">{showLength(piece.length, units, { style: 'inches', bare: true })}</span>{' '}
            {cutFrom?.part === 'offcut'
              ? `offcut of block ${String(cutFrom.block)} (${partner ?? ''})`
              : `block ${String(cutFrom?.block ?? '')}${partner === null ? '' : `; mark the offcut for ${partner}`}`}
            {piece.mitred ? ', mitered' : ''}
          </li>
        );
      })}
    </ul>
  );
}

const MANNERS: Readonly<Record<string, string>> = {
  round: 'around from one corner',
  'corners-first': 'corners first, then toward the middle',
  leads: 'leads at the corners, then fill in',
};

/** Every course from above, a page each: pieces in laying order, cuts in felt pen, hands, straps, and where offcuts come from. */
export function AboveSheet({ worked, asked, ...job }: SheetProps) {
  /** The wall at whose first corner the crew begins; the first wall where it is not set. */
  const from = asked.get('from');
  const { units } = job.plan;
  const walls = wallsOf(worked.shell);
  const rules = rulesOf(job.plan);
  const manner = rules.choice('courses.laying') as LayingManner;
  const frame = planFrame(worked.shell, { width: WIDTH, height: HEIGHT, margin: 44 });
  const first = walls.find((wall) => wall.id === from) ?? walls[0];
  const { family } = worked.shell;
  const bars = family?.kind === 'cell' ? barCourses(family, worked.courses.count) : [];
  const path = `/jobs/${job.jobId}/sheets/above`;
  const stands = worked.courses.count > 0 && frame !== null && first !== undefined;
  return (
    <SheetFrame
      job={job}
      here="above"
      wide
      links={
        <span className="flex flex-wrap items-center gap-1">
          begin at
          {walls.map((wall) => (
            <a
              key={wall.id}
              className="button px-2"
              href={`${path}?from=${encodeURIComponent(wall.id)}`}
              aria-current={wall.id === first?.id ? 'true' : undefined}
            >
              {wall.id === first?.id ? <strong>{wall.from}</strong> : wall.from}
            </a>
          ))}
        </span>
      }
      {...(stands ? {} : { title: 'from above' })}
    >
      {!stands ? (
        <p className="text-lg font-semibold">No courses yet. {whatIsMissing(worked.shell)}</p>
      ) : (
        Array.from({ length: worked.courses.count }, (_, index) => {
          const course = index + 1;
          const placed = layingOrder({
            pieces: worked.courses.pieces,
            course,
            walls,
            manner,
            from: first.id,
          }).map((piece, place): Placed => ({ piece, number: place + 1 }));
          const strapped = worked.courses.weakJoints.filter((joint) => joint.course === course);
          const row = worked.tally.courses[index];
          const pour = worked.tally.pours.find((each) => each.from <= course && course <= each.to);
          const height = ((worked.courses.tops[course] ?? 0) - (worked.courses.tops[index] ?? 0)) as Length;
          return (
            <SheetPage
              key={course}
              job={job}
              label={`Course ${String(course)}`}
              first={index === 0}
              title={`course ${String(course)} from above`}
              line={[
                `top at ${showLength(worked.courses.tops[course] ?? (0 as Length), units)}`,
                ...(height < worked.courses.courseHeight
                  ? [`${showLength(height, units, { style: 'inches' })} high`]
                  : []),
                ...(pour ? [pour.name] : []),
                ...(bars.includes(course) ? ['lay the horizontal bars in this course'] : []),
              ].join(' · ')}
            >
              <CoursePlan worked={worked} placed={placed} frame={frame} strapped={strapped} />
              <p className="figures text-base">
                {row?.straight.value} whole · {row?.cut.value} cut · {row?.cornerLH.value} LH ·{' '}
                {row?.cornerRH.value} RH · laid {MANNERS[manner]}, beginning at {first.from} · × strap both
                faces ({strapped.length})
              </p>
              <h2 className="heading mt-2">Cuts, in laying order</h2>
              <CutList placed={placed} walls={walls} units={units} />
            </SheetPage>
          );
        })
      )}
    </SheetFrame>
  );
}

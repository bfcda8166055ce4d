import { showLength } from '@ombra/core/measure';
import { wallsOf } from '@ombra/core/shell/buildShell';
import type { Wall } from '@ombra/core/shell/shell';
import type { WorkedPlan } from '@ombra/core/work';
import { PlanDrawing } from '../plan/PlanDrawing';
import { OpeningsDrawing } from '../strip/OpeningsDrawing';
import { StripDrawing, StripPatterns } from '../strip/StripDrawing';
import { type StripFrame, courseTop, heightOfCourse, stripFrame, stripSpan } from '../strip/stripGeometry';
import { TallyTable } from '../tally/TallyTable';
import { showVolume } from '@ombra/core/tally/explain';
import { StrapTable } from '../cards/StrapCard';
import { SheetFoot, SheetHead, type SheetJob, SheetLinks } from './SheetHead';

interface CoursesSheetProps extends SheetJob {
  readonly worked: WorkedPlan;
}

/** Width of a letter or A4 sheet between its margins, in CSS pixels. */
const SHEET_WIDTH = 680;
const MARGIN = 46;

/** One wall in elevation, cut out of the strip. */
function WallElevation({
  wall,
  frame,
  worked,
}: {
  readonly wall: Wall;
  readonly frame: StripFrame;
  readonly worked: WorkedPlan;
}) {
  const loop = frame.loops.find((each) => each.id === wall.loop);
  if (!loop) return null;
  const span = stripSpan(frame, loop, wall.station, wall.station + wall.length);
  const clip = `clip-${wall.id}`;
  const pieces = worked.courses.pieces.filter((piece) =>
    piece.kind === 'corner'
      ? piece.wallBefore === wall.id || piece.wallAfter === wall.id
      : piece.wall === wall.id,
  );
  return (
    <figure className="break-inside-avoid">
      <figcaption className="figures text-base font-semibold">
        {wall.name} {showLength(wall.length, worked.units)}
        <span className="font-normal text-quiet"> form face</span>
      </figcaption>
      <svg
        width={span.width + MARGIN + 8}
        height={frame.height + 8}
        role="img"
        aria-label={`Wall ${wall.name} in elevation`}
      >
        <StripPatterns />
        <clipPath id={clip}>
          <rect x={span.x - 1} y={0} width={span.width + 2} height={frame.height + 1} />
        </clipPath>
        {Array.from({ length: frame.courses }, (_, index) => (
          <text
            key={index}
            x={MARGIN - 6}
            y={courseTop(frame, index + 1) + heightOfCourse(frame, index + 1) / 2}
            textAnchor="end"
            dominantBaseline="central"
            className="figures fill-ink"
            fontSize={Math.min(12, heightOfCourse(frame, index + 1) * 0.8)}
          >
            {index + 1}
          </text>
        ))}
        <g transform={`translate(${String(MARGIN - span.x)} 0)`}>
          <g clipPath={`url(#${clip})`}>
            <StripDrawing frame={frame} pieces={pieces} units={worked.units} />
            <OpeningsDrawing
              frame={frame}
              openings={worked.openings.placed.filter((each) => each.wall === wall.id)}
              inserts={worked.inserts.placed.filter((each) => each.wall === wall.id)}
              units={worked.units}
            />
          </g>
        </g>
      </svg>
    </figure>
  );
}

/** The courses on paper: outline, tally, every wall in elevation, and what to mind. Reads well in black and white. */
export function CoursesSheet({ worked, ...job }: CoursesSheetProps) {
  const { plan, jobId } = job;
  const walls = wallsOf(worked.shell);
  const longest = Math.max(...walls.map((wall) => wall.length), 1);
  const laid = worked.courses.pieces.length > 0;
  const frame = stripFrame(worked.shell, worked.courses, (SHEET_WIDTH - MARGIN - 10) / longest, 'inside');
  return (
    <div className="mx-auto max-w-[760px] p-6 print:p-0">
      <SheetLinks jobId={jobId} here="courses" />
      <SheetHead
        job={job}
        title="courses"
        line={`${String(worked.courses.count)} courses, ${showLength(worked.courses.height, plan.units)} high`}
      />
      <main>
        <div className="grid grid-cols-[1fr_300px] gap-6">
          <PlanDrawing
            shell={worked.shell}
            units={plan.units}
            width={430}
            height={270}
            chosen={null}
            dimensions
          />
          {laid ? (
            <TallyTable tally={worked.tally} units={plan.units} course={null} open={null} />
          ) : (
            <p className="text-lg font-semibold">
              No courses yet; the notices below say what the outline still needs.
            </p>
          )}
        </div>
        <p className="mt-2 mb-3 text-sm" hidden={!laid}>
          Walls seen from inside, left to right as walked. Hatched: cut pieces, their length in{' '}
          {plan.units === 'imperial' ? 'inches' : 'millimetres'}. LH, RH: hand of the corner, told from
          outside.
        </p>
        {laid && (
          <div className="flex flex-col gap-3">
            {walls.map((wall) => (
              <WallElevation key={wall.id} wall={wall} frame={frame} worked={worked} />
            ))}
          </div>
        )}
        {worked.notices.length > 0 && (
          <section className="mt-4 break-inside-avoid">
            <h2 className="heading">Notices</h2>
            <ul className="list-disc pl-5 text-sm">
              {worked.notices.map((notice) => (
                <li key={notice.id}>
                  <strong>
                    {notice.severity}, {notice.where}:
                  </strong>{' '}
                  {notice.what}
                </li>
              ))}
            </ul>
          </section>
        )}
        {worked.tally.stages.length > 0 && (
          <section className="mt-4 break-inside-avoid">
            <h2 className="heading">Stages</h2>
            <ul className="figures text-base">
              {worked.tally.stages.map((stage) => (
                <li key={stage.id}>
                  <strong>{stage.name}</strong>, courses {stage.from} to {stage.to}: {stage.straight.value}{' '}
                  whole, {stage.cut.value} cut, {stage.cornerLH.value + stage.cornerRH.value} corners, pour{' '}
                  {showVolume(stage.coreVolume.value, plan.units)}
                  {stage.top === 'half' ? ', to the middle of its last block, bars standing 24 in out' : ''}
                  {stage.then === null ? '' : `; then ${stage.then}`}
                </li>
              ))}
            </ul>
          </section>
        )}
        {worked.courses.weakJoints.length > 0 && (
          <section className="mt-4">
            <h2 className="heading">Strap list: both faces</h2>
            <StrapTable joints={worked.courses.weakJoints} walls={walls} units={plan.units} />
          </section>
        )}
        <SheetFoot />
      </main>
    </div>
  );
}

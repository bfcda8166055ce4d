import { figuresOf } from '@ombra/core/stages/tally';
import { rulesOf } from '@ombra/core/rules';
import type { Figure, PieceSelector } from '@ombra/core/kernel/figures';
import { showLength } from '@ombra/core/kernel/measure';
import { wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Columns3, ListChecks, RulerDimensionLine } from 'lucide-react';
import { PlansCard } from './cards/PlansCard';
import { StrapCard } from './cards/StrapCard';
import { WallCard } from './cards/WallCard';
import type { Card } from '../../job/place';
import type { StageProps } from '../../frame/stage';
import { TallyTable } from '../../frame/figures/TallyTable';
import { WhyCard } from '../../frame/figures/WhyCard';
import { WallView } from '../../frame/WallView';
import { Summary, Working } from '../../frame/StageFrame';
import { OpenNotices } from '../../frame/notices/OpenNotices';
import { useWidth } from '../../ui/useWidth';
import { FromAbove } from './FromAbove';
import { LuckyLengths } from './LuckyLengths';
import { describePiece } from './describePiece';

/** The lowest course in which a wall has a block; null where it has none. */
function lowestCourse(worked: WorkedPlan, wall: string): number | null {
  const rows = worked.courses.rows.filter((row) => row.wall === wall);
  return rows.length === 0 ? null : Math.min(...rows.map((row) => row.course));
}

/** Every block of every course: the strip, one course from above, the tally and its whys. */
export function CoursesStage({ job, place, onPlace, onStage }: StageProps) {
  const { worked, plan, edit } = job;
  const [pointed, setPointed] = useState<PieceSelector | null>(null);
  const { width, element } = useWidth();
  const figure = useMemo(
    () =>
      worked && place.figure !== null
        ? figuresOf(worked.tally).find((each) => each.id === place.figure)
        : undefined,
    [worked, place.figure],
  );
  const rules = useMemo(() => rulesOf(plan), [plan]);
  const count = worked?.courses.count ?? 0;
  useEffect(() => {
    if (count > 0 && place.course > count) onPlace({ course: count, piece: null });
  }, [count, place.course, onPlace]);
  // Whoever comes for the first time sees a course that the first wall has, where it stands on a high footing.
  const untouched = useRef(place.wall === null);
  useEffect(() => {
    if (!worked || !untouched.current) return;
    untouched.current = false;
    const [first] = wallsOf(worked.shell);
    const lowest = lowestCourse(worked, first?.id ?? '');
    if (lowest !== null && lowest > place.course) onPlace({ course: lowest });
  }, [worked, place.course, onPlace]);
  if (!worked) return <Working />;

  const walls = wallsOf(worked.shell);
  const wall = walls.find((each) => each.id === place.wall) ?? walls[0];
  const piece = worked.courses.pieces.find((each) => each.id === place.piece);
  const course = Math.min(place.course, Math.max(count, 1));
  const straps = worked.courses.weakJoints;
  const toggle = (card: Card): void => {
    onPlace({ card: place.card === card ? null : card, figure: null });
  };
  const closeCard = (): void => {
    onPlace({ card: null });
  };
  const openFigure = (next: Figure): void => {
    setPointed(null);
    const closes = next.id === place.figure;
    onPlace({
      card: null,
      figure: closes ? null : next.id,
      ...(next.pieces.course === undefined || closes ? {} : { course: next.pieces.course }),
    });
  };
  const stands = count > 0 && worked.courses.pieces.length > 0;
  return (
    <WallView
      job={job}
      place={place}
      onPlace={onPlace}
      onStage={onStage}
      stage="courses"
      worked={worked}
      walls={walls}
      wall={stands ? wall : undefined}
      aside={{
        heading: 'Walls, form face',
        figure: (each) => showLength(each.length, plan.units),
        below: <LuckyLengths lucky={worked.lucky} units={plan.units} onEdit={edit} />,
      }}
      strip={{ lit: pointed ?? figure?.pieces ?? null, course }}
    >
      {stands && wall ? (
        <>
          <div className="flex flex-wrap items-baseline justify-between gap-x-6">
            <Summary>
              <strong>{worked.tally.total.blocksBought.value}</strong> blocks to buy ·{' '}
              <strong>{worked.tally.total.cut.value}</strong> cuts · <strong>{straps.length}</strong> joints
              to strap
            </Summary>
            <OpenNotices job={job} stage="courses" />
          </div>
          <div className="grid grid-cols-[minmax(0,1fr)_310px] gap-6 max-lg:grid-cols-[minmax(0,1fr)_280px] max-md:grid-cols-1">
            <div className="flex min-w-0 flex-col gap-3">
              {/* A card stands in the place of the course from above, so that the strip stays in view beside it. */}
              {place.card === null && (
                <section aria-label="From above" ref={element}>
                  <h2 className="heading">
                    Course {course}, wall {wall.name}, from above
                  </h2>
                  {!worked.courses.rows.some((row) => row.wall === wall.id && row.course === course) && (
                    <p className="py-3">
                      {wall.name} has no block in course {course}.
                    </p>
                  )}
                  <FromAbove
                    worked={worked}
                    wall={wall}
                    course={course}
                    face={place.face}
                    chosen={place.piece}
                    width={width}
                    onChoose={(id) => {
                      onPlace({ piece: id });
                    }}
                  />
                  <p className="min-h-6 text-sm" aria-live="polite">
                    {piece ? (
                      describePiece(piece, walls, plan.units)
                    ) : (
                      <span className="text-quiet">Tap a block, or use the arrow keys.</span>
                    )}
                  </p>
                </section>
              )}
              {place.card === 'wall' && (
                <WallCard key={wall.id} job={job} worked={worked} wall={wall} onClose={closeCard} />
              )}
              {place.card === 'plans' && <PlansCard plan={plan} onEdit={edit} onClose={closeCard} />}
              {place.card === 'straps' && (
                <StrapCard
                  joints={straps}
                  walls={walls}
                  units={plan.units}
                  kind={worked.shell.family?.kind}
                  onClose={closeCard}
                  onGo={(joint) => {
                    onPlace({ wall: joint.wall, course: joint.course, piece: null });
                  }}
                />
              )}
              {figure && (
                <WhyCard
                  key={figure.id}
                  figure={figure}
                  units={plan.units}
                  rules={rules}
                  onClose={() => {
                    onPlace({ figure: null });
                  }}
                  onPoint={setPointed}
                />
              )}
            </div>
            <section aria-label="Tally">
              <TallyTable
                tally={worked.tally}
                units={plan.units}
                course={course}
                open={figure?.id ?? null}
                onOpen={openFigure}
                onCourse={(next) => {
                  onPlace({ course: next, piece: null });
                }}
              />
              <div className="no-print mt-3 flex flex-wrap gap-1.5">
                {(
                  [
                    ['wall', `Wall ${wall.name}`, 'w', RulerDimensionLine],
                    ['plans', 'Compare plans', 'b', Columns3],
                    ['straps', `Strap list (${String(straps.length)})`, 's', ListChecks],
                  ] as const
                ).map(([card, name, key, Icon]) => (
                  <button
                    key={card}
                    type="button"
                    className={`button ${place.card === card ? 'strong' : ''}`}
                    aria-expanded={place.card === card}
                    aria-keyshortcuts={key}
                    onClick={() => {
                      toggle(card);
                    }}
                  >
                    <Icon aria-hidden="true" size={15} /> {name}
                  </button>
                ))}
                <a className="button" href={`/jobs/${job.id}/sheets/above`}>
                  From above
                </a>
                <a className="button" href={`/jobs/${job.id}/sheets/order`}>
                  Order list
                </a>
              </div>
              <p className="mt-3 text-sm text-quiet">
                A plan to check, not a design. The stamped drawings, the form maker’s manual and the local
                code come first.
              </p>
            </section>
          </div>
        </>
      ) : (
        <div className="p-2">
          <h2 className="text-xl font-semibold">No courses yet</h2>
          <p className="text-quiet">The notices on the left say what is missing.</p>
        </div>
      )}
    </WallView>
  );
}

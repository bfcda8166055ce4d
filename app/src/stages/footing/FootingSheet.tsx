import { recordOf, seenOf } from '@ombra/core/kernel/record';
import { pointOfFooting } from '@ombra/core/stages/days';
import { showVolume } from '@ombra/core/kernel/figures';
import { type Length, type UnitSystem, add, inches, showLength, toInches } from '@ombra/core/kernel/measure';
import { moveText } from '@ombra/core/kernel/notices';
import { type RockStretch, type TapeMark, gapAt } from '@ombra/core/stages/footing';
import { wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import type { ReactNode } from 'react';
import { plankPlace } from './plankPlace';
import { markText } from './markText';
import { TableHead } from '../../ui/TableHead';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import type { SheetProps } from '../../frame/stage';

function Part({ title, children, fresh = false }: { title: string; children: ReactNode; fresh?: boolean }) {
  return (
    <section aria-label={title} className={`mb-4 ${fresh ? 'print:break-before-page' : ''}`}>
      <h2 className="border-b border-ink text-lg font-semibold">{title}</h2>
      {children}
    </section>
  );
}

const Row = ({ cells }: { readonly cells: readonly ReactNode[] }) => (
  <tr className="border-b border-line">
    {cells.map((cell, index) =>
      index === 0 ? (
        <th key={index} scope="row" className="px-1 text-left font-medium">
          {cell}
        </th>
      ) : (
        <td key={index} className="px-1 text-right">
          {cell}
        </td>
      ),
    )}
  </tr>
);

/** Tags to cut out and lay on the footing: one a block, its shims at either end. */
function ShimTags({ worked }: { readonly worked: WorkedPlan }) {
  const { units } = worked;
  const nameOf = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall.name]));
  const bare = (length: Length): string =>
    length === 0 ? '0' : showLength(length, units, { style: 'inches', bare: true });
  return (
    <ul className="mt-2 grid grid-cols-4 gap-2 max-md:grid-cols-2 print:grid-cols-6">
      {(worked.footing.survey?.blocks ?? []).map((block, index) => (
        <li key={index} className="break-inside-avoid border border-dashed border-ink p-1.5">
          <p className="figures flex justify-between text-sm">
            <span className="font-semibold">
              {index + 1} · {nameOf.get(block.wall)}
            </span>
            <span>{showLength(block.places[0]?.at ?? (0 as Length), units)}</span>
          </p>
          <p className="felt flex justify-between text-xl print:text-lg">
            {block.places.map((place) => (
              <span key={place.at}>{bare(place.shim)}</span>
            ))}
          </p>
        </li>
      ))}
    </ul>
  );
}

/** Pixels to an inch of rock on the printed strip: a quarter of true size on paper, the same both ways. */
const QUARTER = 24;
const STRIP_INCHES = 25;
/** Clear pixels before the strip, for the first label. */
const BEFORE = 26;
const MARK_EVERY = 4;

/** The rock under a scribed stretch, cut into strips that fit the page, the gap written every four inches. */
function RockStrip({
  stretch,
  name,
  units,
}: {
  readonly stretch: RockStretch;
  readonly name: string;
  readonly units: UnitSystem;
}) {
  const length = toInches((stretch.to - stretch.from) as Length);
  const strips = Math.max(1, Math.ceil(length / STRIP_INCHES));
  const gapAtInch = (inch: number): number =>
    toInches(gapAt(stretch.profile, add(stretch.from, inches(inch))));
  return Array.from({ length: strips }, (_, strip) => {
    const from = strip * STRIP_INCHES;
    const to = Math.min(length, from + STRIP_INCHES);
    const points = [
      from,
      ...stretch.profile
        .map((point) => toInches((point.at - stretch.from) as Length))
        .filter((inch) => inch > from && inch < to),
      to,
    ];
    const marks = Array.from(
      { length: Math.floor((to - from) / MARK_EVERY) + 1 },
      (_unused, index) => from + index * MARK_EVERY,
    );
    const height = Math.max(toInches(stretch.most), 1) * QUARTER + 34;
    return (
      <figure key={strip} className="my-2 break-inside-avoid">
        <figcaption className="figures text-sm">
          {name}, from {showLength(add(stretch.from, inches(from)), units)}
        </figcaption>
        <svg
          width={STRIP_INCHES * QUARTER + 2 * BEFORE}
          height={height}
          role="img"
          aria-label={`Rock under ${name}, a quarter of true size`}
        >
          <line
            x1={BEFORE}
            x2={BEFORE + (to - from) * QUARTER}
            y1={12}
            y2={12}
            className="stroke-ink"
            strokeWidth={1.5}
          />
          <path
            d={`M${points.map((inch) => `${(BEFORE + (inch - from) * QUARTER).toFixed(1)} ${(12 + gapAtInch(inch) * QUARTER).toFixed(1)}`).join('L')}`}
            className="fill-none stroke-ink"
            strokeWidth={2}
          />
          {marks.map((inch) => (
            <g key={inch}>
              <line
                x1={BEFORE + (inch - from) * QUARTER}
                x2={BEFORE + (inch - from) * QUARTER}
                y1={12}
                y2={12 + gapAtInch(inch) * QUARTER}
                className="stroke-quiet"
                strokeDasharray="2 2"
              />
              <text
                x={BEFORE + (inch - from) * QUARTER}
                y={26 + gapAtInch(inch) * QUARTER}
                textAnchor="middle"
                className="figures fill-ink text-[12px]"
              >
                {showLength(inches(gapAtInch(inch)), units, { style: 'inches' })}
              </text>
            </g>
          ))}
        </svg>
      </figure>
    );
  });
}

/** Everything for the first hours on site: chalk lines, tape, diagonals, shims, forms or rock, and the list before the wall. */
export function FootingSheet({ worked, entries, ...job }: Omit<SheetProps, 'asked'>) {
  const { units } = job.plan;
  const seen = seenOf(recordOf(entries).record.ticks, job.plan.footing?.ready ?? []);
  const { footing } = worked;
  const { bases, square, survey, forms, rock } = footing;
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const walls = wallsOf(worked.shell);
  const nameOf = (id: string): string => walls.find((wall) => wall.id === id)?.name ?? '';
  const moves = footing.adjusted
    .flatMap((loop) => loop.moves)
    .filter((move) => moveText(move.parts, units) !== 'nowhere');
  const spot = (each: { letter: string | null; wall: string; at: Length }): string =>
    each.letter ?? `${showLength(each.at, units)} along ${nameOf(each.wall)}`;
  const diagonals = [...square.rectangles.flatMap((each) => each.diagonals), ...square.diagonals];
  const scribed = (rock?.stretches ?? []).filter((stretch) => stretch.closure === 'scribed');
  return (
    <SheetFrame job={job} here="footing" wide title="footing and layout">
      {walls.length === 0 ? (
        <p className="text-lg font-semibold">Nothing to lay out yet. Finish the outline first.</p>
      ) : (
        <>
          {bases.kind !== 'rock' && (
            <Part title="Chalk lines">
              <table className="figures w-full border-collapse text-[16px]">
                <TableHead
                  names={['wall', 'footing', 'wall thick', 'outer edge to form', 'inner edge to form']}
                />
                <tbody>
                  {bases.loops
                    .flatMap((loop) => loop.walls)
                    .map((base) => (
                      <Row
                        key={base.wall}
                        cells={[
                          base.name,
                          inInches(base.width),
                          inInches(base.thickness),
                          <strong key="outer">{inInches(base.outer)}</strong>,
                          <strong key="inner">{inInches(base.inner)}</strong>,
                        ]}
                      />
                    ))}
                </tbody>
              </table>
              <p className="figures mt-1 text-[16px]">
                Concrete in the footing, {inInches(bases.depth)} deep:{' '}
                {showVolume(footing.concrete.value, units)}
                {footing.firstLift
                  ? `; first lift with half the first course: ${showVolume(footing.firstLift.value, units)}`
                  : ''}
              </p>
            </Part>
          )}
          <Part title="Tape sheet">
            <ol className="figures columns-3 gap-6 text-[15px] max-md:columns-2 print:columns-3">
              {footing.tape.map((mark: TapeMark, index) => (
                <li
                  key={index}
                  className={`flex justify-between gap-2 border-b border-line ${mark.what === 'corner' ? 'font-semibold' : ''}`}
                >
                  <span>{showLength(mark.station, units)}</span>
                  <span>{markText(mark, units)}</span>
                </li>
              ))}
            </ol>
          </Part>
          <Part title="Square">
            <div className="grid grid-cols-2 gap-6 max-md:grid-cols-1 print:grid-cols-2">
              <table className="figures w-full border-collapse text-[16px]">
                <TableHead names={['pull', 'planned', 'on site']} />
                <tbody>
                  {diagonals.map((diagonal, index) => (
                    <Row
                      key={index}
                      cells={[
                        `${spot(diagonal.from)} to ${spot(diagonal.to)}`,
                        <strong key="length">{showLength(diagonal.length, units)}</strong>,
                        <span key="blank" className="inline-block w-24 border-b border-ink"></span>,
                      ]}
                    />
                  ))}
                </tbody>
              </table>
              <table className="figures w-full border-collapse text-[16px]">
                <TableHead names={['corner', 'back', 'on', 'across']} />
                <tbody>
                  {square.corners.map((corner) => (
                    <Row
                      key={`${corner.loop}:${corner.corner}`}
                      cells={[
                        corner.corner,
                        showLength(corner.legBefore, units),
                        showLength(corner.legAfter, units),
                        <strong key="across">{showLength(corner.across, units)}</strong>,
                      ]}
                    />
                  ))}
                </tbody>
              </table>
            </div>
            {moves.length > 0 && (
              <p className="mt-1">
                From the diagonals measured:{' '}
                {moves.map((move) => `move ${move.corner} ${moveText(move.parts, units)}`).join('; ')}.
              </p>
            )}
          </Part>
          {forms && (
            <Part title="Insulated footing forms">
              <table className="figures w-full border-collapse text-[16px]">
                <TableHead names={['planks, long point to long point', 'run', 'whole', 'and cut']} />
                <tbody>
                  {forms.runs.map((run) => (
                    <Row
                      key={`${run.wall}:${run.side}:${String(run.part)}`}
                      cells={[
                        plankPlace(run),
                        showLength(run.length, units),
                        run.whole,
                        <span key="cut" className="felt">
                          {run.cut === null ? '–' : inInches(run.cut)}
                        </span>,
                      ]}
                    />
                  ))}
                </tbody>
              </table>
              <p className="figures mt-1 text-[16px]">
                {forms.planks.value} planks, {forms.ties.value} ties and {forms.splitTies} split ones,{' '}
                {forms.stakes} stakes, {forms.bars.count} bars of {showLength(forms.bars.length, units)}, foam
                bead {showLength(forms.bead, units)}, stone {showVolume(forms.stone.value, units)}.
              </p>
            </Part>
          )}
          {rock && (
            <Part title="On rock" fresh={scribed.length > 0}>
              <table className="figures w-full border-collapse text-[16px]">
                <TableHead names={['stretch', 'gap', 'closed']} />
                <tbody>
                  {rock.stretches.map((stretch) => (
                    <Row
                      key={`${stretch.wall}:${String(stretch.from)}`}
                      cells={[
                        `${nameOf(stretch.wall)}, ${showLength(stretch.from, units)} to ${showLength(stretch.to, units)}`,
                        `${inInches(stretch.least)} to ${inInches(stretch.most)}`,
                        stretch.closure,
                      ]}
                    />
                  ))}
                </tbody>
              </table>
              <p className="figures mt-1 text-[16px]">
                Concrete under the core {showVolume(rock.fills.value, units)}, lost under open panels{' '}
                {showVolume(rock.lost.value, units)}, boards {showLength(rock.boards, units)}.
              </p>
              {rock.blocks.length > 0 && (
                <>
                  <h3 className="heading mt-2">Wood blocks, by place under the webs</h3>
                  <p className="figures text-[16px]">
                    {rock.blocks
                      .map(
                        (block) =>
                          `${nameOf(block.wall)} ${showLength(block.at, units)}: ${inInches(block.height)}`,
                      )
                      .join(' · ')}
                  </p>
                </>
              )}
              {scribed.length > 0 && <h3 className="heading mt-2">Rock to scribe, a quarter of true size</h3>}
              {scribed.map((stretch) => (
                <RockStrip
                  key={`${stretch.wall}:${String(stretch.from)}`}
                  stretch={stretch}
                  name={nameOf(stretch.wall)}
                  units={units}
                />
              ))}
            </Part>
          )}
          {survey?.high && !rock && (
            <Part title="Shims" fresh>
              <p className="figures text-[16px]">
                High point on {nameOf(survey.high.wall)} at {showLength(survey.high.at, units)};{' '}
                {inInches(survey.outOfLevel)} from the lowest to the highest. In all{' '}
                {survey.thicknesses
                  .map(({ shim, places }) => `${inInches(shim)} at ${String(places)}`)
                  .join(', ')}
                . Cut out the tags and lay them at their blocks. Each lists the shims under its block,
                clockwise.
              </p>
              <ShimTags worked={worked} />
            </Part>
          )}
          <Part title="Ready for the wall" fresh>
            <ul>
              {footing.ready.map((item) => (
                <li key={item.id} className="flex gap-2 border-b border-line py-0.5">
                  <span className="figures w-5 font-semibold">
                    {seen.done(pointOfFooting(item.id), item) ? '✓' : '☐'}
                  </span>
                  <span>
                    {item.what}{' '}
                    {item.note !== null && <span className="text-sm text-quiet">{item.note}</span>}
                  </span>
                </li>
              ))}
            </ul>
          </Part>
        </>
      )}
    </SheetFrame>
  );
}

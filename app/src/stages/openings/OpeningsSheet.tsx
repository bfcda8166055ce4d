import { rulesOf } from '@ombra/core/rules';
import { type Length, showLength, subtract } from '@ombra/core/kernel/measure';
import { stateRule } from '@ombra/core/kernel/rules';
import { insertKindName, partsOf } from '@ombra/core/stages/inserts';
import { heightOf, widthOf } from '@ombra/core/stages/openings';
import { wallsOf } from '@ombra/core/stages/outline';
import { TableHead } from '../../ui/TableHead';
import { BuckDrawing } from './BuckDrawing';
import { CutLists, LumberLists } from './BucksPanel';
import { ThresholdDrawing } from './ThresholdDrawing';
import { accessText, courseText } from './openingText';
import { StripPatterns } from '../../drawing/strip/StripDrawing';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import type { SheetProps } from '../../frame/stage';

/** Openings on paper: a marking card for each with its drawing, cut lists, lumber, and the list of inserts. */
export function OpeningsSheet({ worked, ...job }: Omit<SheetProps, 'asked'>) {
  const { plan } = job;
  const { units, openings, bucks, inserts } = worked;
  const rules = rulesOf(plan);
  const walls = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall]));
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const buckOf = new Map(bucks.bucks.map((buck) => [buck.opening, buck]));
  const parts = partsOf(inserts.placed, walls);
  const leftOut = openings.placed.filter((each) => !each.worked);
  const course = (up: Length): string => {
    const index = Math.max(
      0,
      worked.levels.tops.findLastIndex((top) => top <= up),
    );
    return courseText(
      { course: index, plus: subtract(up, worked.levels.tops[index] ?? (0 as Length)) },
      units,
    );
  };
  return (
    <SheetFrame
      job={job}
      here="openings"
      title="openings"
      line={`${String(openings.placed.length)} openings, ${String(inserts.placed.length)} inserts`}
    >
      <svg width={0} height={0} className="absolute" aria-hidden="true">
        <StripPatterns />
      </svg>
      <p className="mb-2 text-sm">
        {stateRule('openings.setting', rules, units)} {stateRule('openings.fastener.spacing', rules, units)}
      </p>
      {openings.placed.length === 0 && <p className="text-lg font-semibold">No openings yet.</p>}
      <ul className="grid grid-cols-2 gap-4 max-sm:grid-cols-1 print:grid-cols-2">
        {openings.placed
          .filter((each) => each.worked)
          .map((opening) => {
            const buck = buckOf.get(opening.id);
            const wall = walls.get(opening.wall);
            return (
              <li key={opening.id} className="break-inside-avoid border border-ink p-2">
                <h2 className="flex justify-between text-lg font-semibold">
                  <span>{opening.name}</span>
                  <span className="figures">{opening.wallName}</span>
                </h2>
                {buck && (
                  <>
                    {buck.marking.from.map((from) => (
                      <p key={from.corner} className="felt text-[15px]">
                        from {from.corner}: {showLength(from.outside, units)} to center, hole from{' '}
                        {showLength(from.hole, units)}
                      </p>
                    ))}
                    <p className="felt text-[15px]">
                      cut {courseText(buck.marking.foot, units)} to {courseText(buck.marking.head, units)}
                    </p>
                    <p className="text-sm">
                      Outside face; inside, from {buck.marking.from[0].corner}{' '}
                      {showLength(buck.marking.from[0].inside, units)}, from {buck.marking.from[1].corner}{' '}
                      {showLength(buck.marking.from[1].inside, units)}. {accessText(buck.access, units)}
                    </p>
                  </>
                )}
                <BuckDrawing
                  opening={opening}
                  buck={buck}
                  braceSpacing={rules.length('openings.brace.spacing')}
                  units={units}
                  width={330}
                  height={220}
                />
                <p className="figures text-[15px]">
                  Rough {inInches(widthOf(opening.finished))} × {inInches(heightOf(opening.finished))} · hole{' '}
                  {inInches(widthOf(opening.hole))} × {inInches(heightOf(opening.hole))} · lintel spans{' '}
                  {inInches(widthOf(opening.concrete))}. {opening.buck.name}.
                </p>
                {opening.threshold && wall && (
                  <ThresholdDrawing threshold={opening.threshold} wall={wall} units={units} />
                )}
              </li>
            );
          })}
      </ul>
      {leftOut.length > 0 && (
        <p className="mt-2 font-semibold">
          Left out, see the notices: {leftOut.map((each) => each.name).join(', ')}.
        </p>
      )}
      {bucks.bucks.length > 0 && (
        <div className="mt-4 grid grid-cols-2 gap-5 print:break-before-page">
          <section aria-label="Cut lists">
            <h2 className="border-b border-ink text-lg font-semibold">Cut lists</h2>
            <CutLists bucks={bucks} units={units} />
          </section>
          <section aria-label="Lumber">
            <h2 className="border-b border-ink text-lg font-semibold">Lumber</h2>
            <LumberLists bucks={bucks} units={units} />
            <p className="figures mt-2 text-[16px]">
              Fasteners: <strong>{bucks.fasteners.value}</strong>
            </p>
          </section>
        </div>
      )}
      {inserts.placed.length > 0 && (
        <section aria-label="Inserts" className="mt-4 break-inside-avoid">
          <h2 className="border-b border-ink text-lg font-semibold">Inserts</h2>
          <table className="figures w-full border-collapse text-[15px]">
            <TableHead
              names={['insert', 'kind', 'wall', 'from', 'to', 'up', 'size', 'face']}
              left={['kind', 'wall']}
            />
            <tbody>
              {inserts.placed.map((insert) => {
                const wall = walls.get(insert.wall);
                return (
                  <tr key={insert.id} className="border-b border-line">
                    <th scope="row" className="px-1 text-left font-medium">
                      {insert.name}
                    </th>
                    <td className="px-1">{insertKindName(insert.kind)}</td>
                    <td className="px-1">
                      {insert.wallName} from {wall?.from}
                    </td>
                    <td className="px-1 text-right">{showLength(insert.rect.from, units)}</td>
                    <td className="px-1 text-right">{showLength(insert.rect.to, units)}</td>
                    <td className="px-1 text-right">{course(insert.rect.bottom)}</td>
                    <td className="px-1 text-right">
                      {inInches(widthOf(insert.rect))}
                      {insert.round ? ' round' : ` × ${inInches(heightOf(insert.rect))}`}
                      {insert.fall === null ? '' : `, fall ${inInches(insert.fall)}`}
                      {insert.kind === 'pocket' ? `, ${inInches(insert.depth)} deep` : ''}
                      {insert.fixings.length === 0
                        ? ''
                        : `, ${String(insert.fixings.length)} ${insert.kind === 'hangers' ? 'plates' : insert.cast ? 'anchors cast' : 'bolts drilled'}`}
                    </td>
                    <td className="px-1 text-right">{insert.round ? 'through' : insert.face}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <p className="mt-1 text-sm">
            {parts.caps > 0 &&
              `${String(parts.caps)} tight caps with a wood plate over each: an uncapped sleeve fills with concrete. `}
            {parts.castAnchors > 0 &&
              'Cut the foam square around each cast anchor so that concrete surrounds it. Keep its head from turning in. '}
            Distances along the outside face of the form; heights by courses.
          </p>
        </section>
      )}
    </SheetFrame>
  );
}

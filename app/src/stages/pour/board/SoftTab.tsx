import { USUAL, showLength } from '@ombra/core/kernel/measure';
import { bracesOfPour } from '@ombra/core/stages/bracing';
import type { WorkedPlan } from '@ombra/core/worked';
import type { Job } from '../../../job/useJob';
import { LengthField } from '../../../ui/LengthField';
import { readingText } from '../../bracing/bracingWords';
import { loadText } from '../pourWords';
import type { BoardProps } from './boardProps';

/** What can still be set right while the concrete is soft: lines, bolts, tops, and what is left in the truck. */
export function SoftTab({
  job,
  worked,
  pour,
  board,
  balance,
  units,
  rules,
  last,
}: BoardProps & { readonly job: Job; readonly worked: WorkedPlan }) {
  const poured = new Set(pour.volumes.walls.map(({ wall }) => wall));
  const braced = bracesOfPour(worked.bracing, pour.span.pour).filter(({ wall }) => poured.has(wall));
  const block = showLength(rules.length('bracing.string.block'), units, { style: 'inches' });
  const waiting = pour.volumes.sides.filter(({ id }) =>
    board.stops.some((stop, index) => stop.side === id && (board.shares[index] ?? 0) < 1 - 1e-6),
  );
  const bolts = worked.topoff.bolts.value;
  const tops: readonly ('trowelled' | 'rough')[] = ['trowelled', 'rough'];
  const note = (what: string): void => {
    job.log.write('note', { what });
  };
  return (
    <>
      <section aria-label="Strings">
        <h2 className="text-[22px] font-semibold">Sight the strings again</h2>
        <p>
          String to wall at every brace, blocks of {block} at the ends. Turn the legs while it is soft; then
          leave the braces for a day.
        </p>
        {braced.length === 0 && <p className="font-semibold">This pour has no braces.</p>}
        {braced.map((wall) => (
          <details key={wall.wall} className="border-t border-ink">
            <summary className="flex min-h-(--target) items-center text-xl font-semibold">
              {wall.name}: {wall.braces.filter(({ id }) => worked.bracing.alignment[id]?.after).length} of{' '}
              {wall.braces.length} read
            </summary>
            <ul className="flex flex-col gap-3 pb-3">
              {wall.braces.map((brace, index) => {
                const after = worked.bracing.alignment[brace.id]?.after;
                return (
                  <li key={brace.id} className="grid grid-cols-2 items-end gap-2">
                    <LengthField
                      usual={USUAL.string}
                      label={`Brace ${String(index + 1)}, ${showLength(brace.at, units)} along`}
                      text={job.plan.bracing?.readings?.[brace.id]?.after ?? ''}
                      units={units}
                      placeholder={block}
                      onType={(text) => {
                        job.edit(
                          {
                            kind: 'bracing',
                            change: {
                              of: 'reading',
                              brace: brace.id,
                              pass: 'after',
                              text: text.trim() === '' ? null : text,
                            },
                          },
                          `reading:${brace.id}:after`,
                        );
                      }}
                      onLeave={job.endMerge}
                    />
                    <span
                      className={after && !after.straight ? 'text-xl font-semibold text-stop' : 'text-xl'}
                    >
                      {after ? readingText(after, units) : 'not read yet'}
                    </span>
                  </li>
                );
              })}
            </ul>
          </details>
        ))}
      </section>
      <section aria-label="Tops" className="flex flex-col gap-2">
        <h2 className="text-[22px] font-semibold">Tops and bolts</h2>
        <p className="text-xl">
          {bolts > 0 ? `Bolts in the plan: ${String(bolts)}, all at one height.` : 'No bolts in the plan.'}
        </p>
        <div role="group" aria-label="How the top is left" className="flex flex-wrap gap-2">
          {tops.map((top) => (
            <button
              key={top}
              type="button"
              className="button grow"
              onClick={() => {
                note(
                  top === 'trowelled'
                    ? 'Top of the walls struck off and trowelled.'
                    : 'Top of the walls left rough: grind it later.',
                );
              }}
            >
              {top === 'trowelled' ? 'Top is trowelled' : 'Top is left rough'}
            </button>
          ))}
          {bolts > 0 && (
            <button
              type="button"
              className="button grow"
              onClick={() => {
                note(`All ${String(bolts)} anchor bolts set as planned.`);
              }}
            >
              All {bolts} bolts are set
            </button>
          )}
        </div>
      </section>
      <section aria-label="Left over" className="flex flex-col gap-2">
        <h2 className="text-[22px] font-semibold">What is left in the truck</h2>
        {waiting.length === 0 ? (
          <p>
            Nothing beside the walls waits for concrete. A pad or a pier form set aside takes half a yard.
          </p>
        ) : (
          <ul>
            {waiting.map(({ id, name, volume }) => (
              <li key={id} className="border-t border-line py-2 text-xl">
                {name}: {loadText(volume.value, units)}
              </li>
            ))}
          </ul>
        )}
        {balance.atHose > 0.05 && <p>About {loadText(balance.atHose, units)} in the truck at the hose.</p>}
        {last && last.order === 0 && <p>Call off the last truck: enough is at hand.</p>}
      </section>
    </>
  );
}

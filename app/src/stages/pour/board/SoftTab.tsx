import { USUAL, showLength } from '@ombra/core/kernel/measure';
import { bracesOfPour } from '@ombra/core/stages/bracing';
import { boltsOfPour } from '@ombra/core/stages/topoff';
import type { WorkedPlan } from '@ombra/core/worked';
import type { Job } from '../../../job/useJob';
import { LengthField } from '../../../ui/LengthField';
import { readingText } from '../../bracing/bracingWords';
import { loadText } from '../pourWords';
import type { BoardProps } from './boardProps';
import { useSay } from './say';

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
  const say = useSay();
  const poured = new Set(pour.volumes.walls.map(({ wall }) => wall));
  // A low wall is held by diagonals: it has no brace at which a string is read.
  const braced = bracesOfPour(worked.bracing, pour.span.pour).filter(
    ({ wall, braces }) => poured.has(wall) && braces.length > 0,
  );
  const block = showLength(rules.length('bracing.string.block'), units, { style: 'inches' });
  const waiting = pour.volumes.sides.filter(({ id }) =>
    board.stops.some((stop, index) => stop.side === id && (board.shares[index] ?? 0) < 1 - 1e-6),
  );
  const bolts = boltsOfPour(worked.topoff, pour.span.pour);
  const tops: readonly ('trowelled' | 'rough')[] = ['trowelled', 'rough'];
  const note = (what: string): void => {
    job.log.write('note', { what });
  };
  return (
    <>
      <section aria-label={say('Strings')}>
        <h2 className="text-[22px] font-semibold">{say('Sight the strings again')}</h2>
        <p>
          {say(
            'String to wall at every brace, blocks of {block} at the ends. Turn the legs while it is soft; then leave the braces for a day.',
            { block },
          )}
        </p>
        {braced.length === 0 && <p className="font-semibold">{say('This pour has no braces.')}</p>}
        {braced.map((wall) => (
          <details key={wall.wall} className="border-t border-ink">
            <summary className="flex min-h-(--target) items-center text-xl font-semibold">
              {say('{wall}: {read} of {count} read', {
                wall: wall.name,
                read: wall.braces.filter(({ id }) => worked.bracing.alignment[id]?.after).length,
                count: wall.braces.length,
              })}
            </summary>
            <ul className="flex flex-col gap-3 pb-3">
              {wall.braces.map((brace, index) => {
                const after = worked.bracing.alignment[brace.id]?.after;
                return (
                  <li key={brace.id} className="grid grid-cols-2 items-end gap-2">
                    <LengthField
                      usual={USUAL.string}
                      label={say('Brace {number}, {length} along', {
                        number: index + 1,
                        length: showLength(brace.at, units),
                      })}
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
                      {after ? readingText(after, units) : say('not read yet')}
                    </span>
                  </li>
                );
              })}
            </ul>
          </details>
        ))}
      </section>
      <section aria-label={say('Tops')} className="flex flex-col gap-2">
        <h2 className="text-[22px] font-semibold">{say('Tops and bolts')}</h2>
        <p className="text-xl">
          {bolts > 0
            ? say('Bolts in this pour: {count}, all at one height.', { count: bolts })
            : say('No bolts in this pour.')}
        </p>
        <div role="group" aria-label={say('How the top is left')} className="flex flex-wrap gap-2">
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
              {top === 'trowelled' ? say('Top is trowelled') : say('Top is left rough')}
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
              {say('All {count} bolts are set', { count: bolts })}
            </button>
          )}
        </div>
      </section>
      <section aria-label={say('Left over')} className="flex flex-col gap-2">
        <h2 className="text-[22px] font-semibold">{say('What is left in the truck')}</h2>
        {waiting.length === 0 ? (
          <p>
            {say(
              'Nothing beside the walls waits for concrete. A pad or a pier form set aside takes half a yard.',
            )}
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
        {balance.atHose > 0.05 && (
          <p>
            {say('About {volume} in the truck at the hose.', { volume: loadText(balance.atHose, units) })}
          </p>
        )}
        {last && last.order === 0 && <p>{say('What is at hand is enough: call off the last truck.')}</p>}
      </section>
    </>
  );
}

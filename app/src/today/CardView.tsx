import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { TodayCard } from '@ombra/core/today';
import { ChevronDown, ChevronUp, OctagonX, PencilRuler } from 'lucide-react';
import { barName } from '../stages/steel/steelWords';
import { barsText, bracesText, pieceText } from './todayWords';

interface CardViewProps {
  readonly jobId: string;
  readonly card: TodayCard;
  readonly walls: readonly { readonly id: string; readonly name: string }[];
  readonly units: UnitSystem;
  /** The piece that comes next; as many as there are pieces once all were called. */
  readonly at: number;
  /** Left out while the plan is still being worked: nothing can be pressed then. */
  readonly onAt?: (at: number) => void;
  readonly onWall?: (wall: string) => void;
  readonly onCourse?: (by: number) => void;
}

/** The piece that comes next, as large as it can be read from the block. */
function NextPiece({ card, units, at }: Pick<CardViewProps, 'card' | 'units' | 'at'>) {
  const piece = card.pieces[at];
  if (!piece)
    return <p className="text-3xl font-semibold">All pieces called. Course {card.course} ends here.</p>;
  const { what, cut, notes } = pieceText(piece, units);
  return (
    <>
      <p className="text-quiet">
        {at + 1} of {card.pieces.length}
      </p>
      <p className="text-4xl leading-tight font-semibold">
        {what}
        {cut !== null && <span className="felt ml-3 text-5xl whitespace-nowrap">{cut}</span>}
      </p>
      <p className="text-xl">{notes.join(' · ')}</p>
    </>
  );
}

/** One wall in one course: what comes next, all its pieces, its bars, its braces, where to stop. */
export function CardView({ jobId, card, walls, units, at, onAt, onWall, onCourse }: CardViewProps) {
  return (
    <div className="flex flex-col gap-4">
      <div className="flex items-stretch gap-2">
        <label className="min-w-0 grow">
          <span className="sr-only">Wall</span>
          <select
            className="field min-h-14 text-2xl font-semibold"
            value={card.wall}
            disabled={!onWall}
            onChange={(event) => onWall?.(event.currentTarget.value)}
          >
            {walls.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <div className="flex items-stretch" role="group" aria-label="Course">
          <button
            type="button"
            className="button min-h-14 min-w-12"
            aria-label="Course below"
            disabled={!onCourse}
            onClick={() => onCourse?.(-1)}
          >
            <ChevronDown aria-hidden="true" />
          </button>
          <p className="figures flex min-w-24 flex-col items-center justify-center border-y border-ink bg-sheet text-2xl leading-none font-semibold">
            <span className="text-sm font-normal text-quiet">course</span>
            {card.course}
          </p>
          <button
            type="button"
            className="button min-h-14 min-w-12"
            aria-label="Course above"
            disabled={!onCourse}
            onClick={() => onCourse?.(1)}
          >
            <ChevronUp aria-hidden="true" />
          </button>
        </div>
      </div>
      {card.hold?.blocks === true && (
        <p role="alert" className="border-l-4 border-stop pl-3 text-lg">
          <OctagonX aria-hidden="true" className="mr-1 inline text-stop" size={20} />
          Stop here: <strong>{card.hold.name}</strong> is not signed. Signs: {card.hold.who}.{' '}
          <a className="underline" href={`/jobs/${jobId}/days?panel=holds`}>
            Look and sign
          </a>
        </p>
      )}
      <section aria-label="Next piece" aria-live="polite" className="lifted p-4">
        {card.laid ? (
          <p className="text-2xl font-semibold text-record">Laid, as the log has it.</p>
        ) : (
          <NextPiece card={card} units={units} at={at} />
        )}
      </section>
      <section aria-label="Pieces">
        <h2 className="heading">In laying order</h2>
        <ol>
          {card.pieces.map((piece, index) => {
            const { what, cut, notes } = pieceText(piece, units);
            return (
              <li key={piece.id} className="border-b border-line">
                <button
                  type="button"
                  className={`flex min-h-12 w-full items-center gap-3 px-1 text-left ${index === at ? 'bg-chalk-wash' : ''} ${index < at ? 'text-quiet line-through' : ''}`}
                  aria-current={index === at ? 'step' : undefined}
                  disabled={!onAt}
                  onClick={() => onAt?.(index)}
                >
                  <span className="figures w-7 shrink-0 text-right text-quiet">{index + 1}</span>
                  <span className="min-w-0 grow">
                    <span className="text-lg">{what}</span>
                    <span className="block text-[15px] leading-tight text-quiet">{notes.join(' · ')}</span>
                  </span>
                  {cut !== null && <span className="felt shrink-0 text-2xl">{cut}</span>}
                </button>
              </li>
            );
          })}
        </ol>
      </section>
      <section aria-label="Bars">
        <h2 className="heading">Bars of this course</h2>
        {card.bars.length === 0 ? (
          <p>None.</p>
        ) : (
          <ul>
            {card.bars.map((bars) => (
              <li
                key={`${bars.mark}${bars.when}${String(bars.slot)}`}
                className="flex min-h-11 items-baseline gap-3 border-b border-line py-1"
              >
                <span className="felt w-14 shrink-0 text-xl">{bars.mark}</span>
                <span className="text-lg">
                  {bars.count} {barName(bars.use, bars.count)}, {bars.size}
                  <span className="block text-[15px] leading-tight text-quiet">
                    {barsText(bars, card.slots)}
                  </span>
                </span>
              </li>
            ))}
          </ul>
        )}
      </section>
      {card.braces && card.braces.at.length > 0 && (
        <section aria-label="Braces">
          <h2 className="heading">Braces of this wall</h2>
          <p className="text-lg">
            {bracesText(card.braces, card.course)} At{' '}
            {card.braces.at.map((each) => showLength(each, units)).join(' · ')} from its first corner.
          </p>
        </section>
      )}
      {card.hold && !card.hold.blocks && (
        <section aria-label="Next hold point">
          <h2 className="heading">Next hold point</h2>
          <p className="text-lg">
            {card.hold.name}. Signs: {card.hold.who}.{' '}
            <a className="underline" href={`/jobs/${jobId}/days?panel=holds`}>
              Look at it
            </a>
          </p>
        </section>
      )}
      <p className="text-quiet">
        <PencilRuler aria-hidden="true" className="mr-1 inline" size={16} />
        Left to right as seen from the inside. A corner’s hand is told from its outer side.
      </p>
    </div>
  );
}

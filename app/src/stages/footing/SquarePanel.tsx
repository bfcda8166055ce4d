import type { Diagonal, Pull, Spot } from '@ombra/core/stages/footing';
import { type Length, showLength, USUAL } from '@ombra/core/kernel/measure';
import { moveText } from '@ombra/core/kernel/notices';
import type { WorkedPlan } from '@ombra/core/work';
import { Plus, X } from 'lucide-react';
import { LengthField } from '../../ui/LengthField';
import type { Job } from '../../job/useJob';
import { ScrollBox } from '../../ui/ScrollBox';
import { SquareDrawing } from './SquareDrawing';
import { TableHead } from '../../ui/TableHead';

interface SquarePanelProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
}

const samePair = (pull: Pull, from: string, to: string): boolean =>
  (pull.from === from && pull.to === to) || (pull.from === to && pull.to === from);

/** Diagonals to pull, what was pulled, and which corner to move by how much. */
export function SquarePanel({ job, worked }: SquarePanelProps) {
  const { plan, edit, endMerge, freshId } = job;
  const { units } = plan;
  const { square, adjusted } = worked.footing;
  const pulls = plan.footing?.pulls ?? [];
  const walls = new Map(
    worked.shell.loops.flatMap((loop) => (loop.built?.walls ?? []).map((wall) => [wall.id, wall] as const)),
  );
  const letterOf = (wall: string): string => walls.get(wall)?.from ?? '?';
  const put = (next: readonly Pull[], merge?: string): void => {
    edit({ kind: 'set-footing', change: { pulls: next } }, merge);
  };
  const setPull = (from: string, to: string, length: string): void => {
    const known = pulls.find((pull) => samePair(pull, from, to));
    if (length.trim() === '') put(pulls.filter((pull) => pull !== known));
    else if (known)
      put(
        pulls.map((pull) => (pull === known ? { ...pull, length } : pull)),
        `pull:${from}:${to}`,
      );
    else put([...pulls, { id: freshId(), from, to, length }], `pull:${from}:${to}`);
  };
  const spotText = (spot: Spot): string =>
    spot.letter ?? `${showLength(spot.at, units)} along ${walls.get(spot.wall)?.name ?? ''}`;
  const judged = adjusted.flatMap((loop) => loop.pulls);
  const suspects = new Set(adjusted.map((loop) => loop.suspect));
  const suggested = [
    ...square.rectangles.flatMap((rectangle) =>
      rectangle.diagonals.map((diagonal) => ({ diagonal, sides: rectangle.sides })),
    ),
    ...square.diagonals.map((diagonal) => ({ diagonal, sides: null })),
  ];
  const isSuggested = (pull: Pull): boolean =>
    suggested.some(
      ({ diagonal: { from, to } }) =>
        from.letter !== null && to.letter !== null && samePair(pull, from.wall, to.wall),
    );
  const others = pulls.filter((pull) => !isSuggested(pull));
  const corners = [...walls.values()];
  const result = (from: string, to: string) => {
    const own = judged.find(
      (pull) =>
        (pull.from === letterOf(from) && pull.to === letterOf(to)) ||
        (pull.from === letterOf(to) && pull.to === letterOf(from)),
    );
    if (!own) return null;
    const by = (own.length - own.planned) as Length;
    const off = showLength(Math.abs(by) as Length, units, { style: 'inches' });
    return (
      <span className={suspects.has(own.id) ? 'font-semibold text-stop' : 'text-record'}>
        {suspects.has(own.id) ? 'measure again ·  ' : ''}
        {/^0\D*$/.test(off) ? 'as planned' : `${off} ${by > 0 ? 'long' : 'short'}`}
      </span>
    );
  };
  const row = ({ from, to, length: planned }: Diagonal, key: string) => {
    const known = pulls.find((pull) => samePair(pull, from.wall, to.wall));
    const corner = from.letter !== null && to.letter !== null;
    return (
      <tr key={key} className="border-b border-line align-middle">
        <th scope="row" className="px-1 text-left font-medium">
          {spotText(from)} to {spotText(to)}
        </th>
        <td className="px-2 text-right font-semibold text-chalk">{showLength(planned, units)}</td>
        <td className="w-32 py-0.5">
          {corner && (
            <LengthField
              usual={USUAL.station}
              label={`Measured from ${spotText(from)} to ${spotText(to)}`}
              text={known?.length ?? ''}
              units={units}
              placeholder="pulled"
              onType={(length) => {
                setPull(from.wall, to.wall, length);
              }}
              onLeave={endMerge}
            />
          )}
        </td>
        <td className="px-2 text-sm">{corner && result(from.wall, to.wall)}</td>
      </tr>
    );
  };
  const moves = adjusted
    .flatMap((loop) => loop.moves)
    .filter((move) => moveText(move.parts, units) !== 'nowhere');
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_300px] gap-6 max-lg:grid-cols-1">
      <div className="min-w-0">
        <ScrollBox label="Pulls" height="max-h-72">
          <table className="figures w-full border-collapse text-[16px]">
            <TableHead names={['pull', 'planned', 'on site', 'off']} left={['on site', 'off']} />
            <tbody>
              {suggested.map(({ diagonal }, index) => row(diagonal, `s${String(index)}`))}
              {others.map((pull, index) => (
                <tr key={pull.id} className="border-b border-line align-middle">
                  <th scope="row" className="px-1 text-left font-medium">
                    <span className="flex items-center gap-1">
                      {(['from', 'to'] as const).map((end) => (
                        <select
                          key={end}
                          className="field w-16"
                          aria-label={`Other diagonal ${String(index + 1)}: ${end}`}
                          value={pull[end]}
                          onChange={(event) => {
                            const corner = event.currentTarget.value;
                            put(pulls.map((each) => (each === pull ? { ...each, [end]: corner } : each)));
                          }}
                        >
                          {corners.map((wall) => (
                            <option key={wall.id} value={wall.id}>
                              {wall.from}
                            </option>
                          ))}
                        </select>
                      ))}
                    </span>
                  </th>
                  <td className="px-2 text-right font-semibold text-chalk">
                    {showLength(judged.find((each) => each.id === pull.id)?.planned ?? (0 as Length), units)}
                  </td>
                  <td className="w-32 py-0.5">
                    <LengthField
                      usual={USUAL.station}
                      label={`Other diagonal ${String(index + 1)}: length`}
                      text={pull.length}
                      units={units}
                      onType={(length) => {
                        put(
                          pulls.map((each) => (each === pull ? { ...each, length } : each)),
                          `pull:${pull.id}`,
                        );
                      }}
                      onLeave={endMerge}
                    />
                  </td>
                  <td className="px-2 text-sm">
                    {result(pull.from, pull.to)}{' '}
                    <button
                      type="button"
                      className="button plain px-1.5"
                      aria-label={`Remove other diagonal ${String(index + 1)}`}
                      onClick={() => {
                        put(pulls.filter((each) => each !== pull));
                      }}
                    >
                      <X aria-hidden="true" size={15} />
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </ScrollBox>
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <button
            type="button"
            className="button"
            disabled={corners.length < 3}
            onClick={() => {
              const [a, b] = corners;
              if (a && b) {
                const planned = worked.shell.loops[0]?.built?.walls[0]?.length ?? (0 as Length);
                put([...pulls, { id: freshId(), from: a.id, to: b.id, length: showLength(planned, units) }]);
              }
            }}
          >
            <Plus aria-hidden="true" size={14} /> Another diagonal
          </button>
          <p className="text-sm" role="status">
            {adjusted.length === 0 ? (
              <span className="text-quiet">
                Enter what the tape reads on the outside face of the forms. Walls not measured count as
                planned.
              </span>
            ) : moves.length === 0 ? (
              <span className="text-record">Every corner is where it should be.</span>
            ) : (
              <span className="text-record">
                {moves.map((move) => (
                  <span key={`${move.loop}:${move.corner}`} className="mr-3 inline-block">
                    Move <strong>{move.corner}</strong> {moveText(move.parts, units)}
                  </span>
                ))}
              </span>
            )}
          </p>
        </div>
        <h3 className="heading mt-3">Corner by corner</h3>
        <ul className="figures flex flex-wrap gap-x-5 text-[16px]">
          {square.corners.map((corner) => (
            <li key={`${corner.loop}:${corner.corner}`}>
              <strong>{corner.corner}</strong>: {showLength(corner.legBefore, units)} back,{' '}
              {showLength(corner.legAfter, units)} on,{' '}
              <span className="text-chalk">{showLength(corner.across, units)} across</span>
            </li>
          ))}
        </ul>
      </div>
      <SquareDrawing worked={worked} suggested={suggested.map(({ diagonal }) => diagonal)} moves={moves} />
    </div>
  );
}

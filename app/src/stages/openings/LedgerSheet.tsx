import { type Length, type UnitSystem, showLength, subtract } from '@ombra/core/kernel/measure';
import type { PlacedInsert } from '@ombra/core/stages/inserts';
import { type Wall, wallsOf } from '@ombra/core/stages/outline';
import { TableHead } from '../../ui/TableHead';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import type { SheetProps } from '../../frame/stage';
import { HangerRow } from './HangerRow';
import { PocketTable } from './PocketTable';

const WIDTH = 700;
const HEIGHT = 64;

/** A ledger as it lies on the ground: its boards, joists crossed, anchors as holes; the measured end on the left. */
function LedgerDrawing({
  ledger,
  along,
}: {
  readonly ledger: PlacedInsert;
  readonly along: (at: Length) => Length;
}) {
  const { layout, rect } = { layout: ledger.ledger, rect: ledger.rect };
  if (!layout) return null;
  const length = subtract(rect.to, rect.from);
  const x = (at: Length): number => (along(at) / length) * (WIDTH - 4) + 2;
  const y = (up: Length): number => 12 + ((rect.top - up) / (rect.top - rect.bottom)) * (HEIGHT - 24);
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      className="w-full"
      role="img"
      aria-label={`${ledger.name} laid out: ${String(layout.boards.length)} boards, ${String(layout.joists.length)} joists, ${String(ledger.fixings.length)} holes`}
    >
      {layout.boards.map(({ from, to }) => (
        <rect
          key={from}
          x={Math.min(x(from), x(to))}
          width={Math.abs(x(to) - x(from))}
          y={12}
          height={HEIGHT - 24}
          className="fill-timber stroke-ink"
          fillOpacity={0.35}
        />
      ))}
      {layout.joists.map((at) => (
        <path
          key={at}
          d={`M${(x(at) - 3).toFixed(1)} 2l6 6m-6 0l6 -6M${x(at).toFixed(1)} 12v${String(HEIGHT - 24)}`}
          className="fill-none stroke-quiet"
        />
      ))}
      {ledger.fixings.map(({ at, up }) => (
        <circle key={`${String(at)}:${String(up)}`} cx={x(at)} cy={y(up)} r={3} className="fill-ink" />
      ))}
    </svg>
  );
}

/** One ledger with everything that is marked on it before it goes up. */
function Ledger({
  ledger,
  wall,
  units,
}: {
  readonly ledger: PlacedInsert;
  readonly wall: Pick<Wall, 'from' | 'to'>;
  readonly units: UnitSystem;
}) {
  const { ledger: layout, rect } = ledger;
  if (!layout) return null;
  const { forward } = layout;
  const along = (at: Length): Length => (forward ? subtract(at, rect.from) : subtract(rect.to, at));
  // Walls are walked clockwise: from inside their first corner is on the left, from outside on the right.
  const fromLeft = (at: Length): Length =>
    ledger.face === 'inside' ? subtract(at, rect.from) : subtract(rect.to, at);
  const [left, right] = ledger.face === 'inside' ? [wall.from, wall.to] : [wall.to, wall.from];
  const end = forward ? wall.from : wall.to;
  const told = (length: Length): string => showLength(length, units);
  const stations = [...new Set(ledger.fixings.map(({ at }) => at))].sort((a, b) => along(a) - along(b));
  const rows = [...new Set(ledger.fixings.map(({ up }) => up))].sort((a, b) => b - a);
  return (
    <section aria-label={ledger.name} className="break-inside-avoid border-b border-ink pb-2">
      <h2 className="text-lg font-semibold">
        {ledger.name} · {ledger.wallName}, {ledger.face} · middle{' '}
        {told(((rect.bottom + rect.top) / 2) as Length)} above the lowest footing
      </h2>
      <LedgerDrawing ledger={ledger} along={fromLeft} />
      <p className="flex justify-between text-sm">
        <span>toward corner {left}</span>
        <span>seen facing the wall</span>
        <span>toward corner {right}</span>
      </p>
      <p className="text-[15px]">
        Measured from its end toward corner {end}. Boards:{' '}
        <strong>{layout.boards.map(({ from, to }) => told(subtract(to, from))).join(' + ')}</strong>.{' '}
        {ledger.cast
          ? 'Anchors are cast in: foam cut square around each, the board held by its nuts.'
          : 'Drilled through once it is stacked: all-thread, a plate and nut on both sides.'}
      </p>
      <table className="figures w-full border-collapse text-[15px]">
        <TableHead
          names={['row', 'up from the lower edge', 'holes, from the measured end']}
          left={['holes, from the measured end']}
        />
        <tbody>
          {rows.map((up, index) => (
            <tr key={up} className="border-b border-line align-top">
              <th scope="row" className="px-1 text-left">
                {index === 0 ? 'top' : index === rows.length - 1 ? 'bottom' : String(index + 1)}
              </th>
              <td className="px-1 text-right whitespace-nowrap">
                {showLength(subtract(up, rect.bottom), units, { style: 'inches' })}
              </td>
              <td className="px-1 font-semibold">
                {stations
                  .filter((at) => ledger.fixings.some((hole) => hole.at === at && hole.up === up))
                  .map((at) => told(along(at)))
                  .join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[15px]">
        Joists, middles: {layout.joists.map((at) => told(along(at))).join(' · ')}.
      </p>
    </section>
  );
}

/** `1 ledger, 2 rows of hanger plates`; what there is none of is left out. */
const counted = (of: readonly (readonly [count: number, one: string, many: string])[]): string =>
  of
    .flatMap(([count, one, many]) => (count === 0 ? [] : [`${String(count)} ${count === 1 ? one : many}`]))
    .join(', ');

/** What carries a floor, laid out: ledgers on the ground with boards, splices, holes and joist marks; plates and pockets as they are marked on the wall. */
export function LedgerSheet({ worked, ...job }: Omit<SheetProps, 'asked'>) {
  const { units } = worked;
  const walls = wallsOf(worked.shell);
  const { placed } = worked.inserts;
  const ledgers = placed.filter(({ ledger }) => ledger !== undefined);
  const rows = placed.filter(({ hangers }) => hangers !== undefined);
  const pockets = placed.filter(({ kind }) => kind === 'pocket');
  const none = ledgers.length + rows.length + pockets.length === 0;
  return (
    <SheetFrame
      job={job}
      here="ledgers"
      title="ledgers, hangers, pockets"
      line={
        none
          ? 'nothing to lay out'
          : `${counted([
              [ledgers.length, 'ledger', 'ledgers'],
              [rows.length, 'row of hanger plates', 'rows of hanger plates'],
              [pockets.length, 'beam pocket', 'beam pockets'],
            ])} laid out`
      }
    >
      {none ? (
        <p className="text-lg font-semibold">
          No ledger, hanger plate or beam pocket in this job. Add one under Openings, Inserts.
        </p>
      ) : (
        <div className="flex flex-col gap-3">
          {ledgers.map((ledger) => {
            const wall = walls.find(({ id }) => id === ledger.wall);
            return wall && <Ledger key={ledger.id} ledger={ledger} wall={wall} units={units} />;
          })}
          {rows.map((row) => {
            const wall = walls.find(({ id }) => id === row.wall);
            return wall && <HangerRow key={row.id} row={row} wall={wall} units={units} />;
          })}
          {pockets.length > 0 && <PocketTable pockets={pockets} walls={walls} units={units} />}
          <p className="text-sm font-semibold">
            Number and size of the anchors are the drawings’. Nuts tightened once the concrete has its
            strength.
          </p>
        </div>
      )}
    </SheetFrame>
  );
}

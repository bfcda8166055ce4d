import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { PlacedInsert } from '@ombra/core/stages/inserts';
import type { Wall } from '@ombra/core/stages/outline';
import { TableHead } from '../../ui/TableHead';

interface PocketTableProps {
  readonly pockets: readonly PlacedInsert[];
  readonly walls: readonly Wall[];
  readonly units: UnitSystem;
}

/** Beam pockets to mark and cut: both sides from the wall's first corner along the outside face, seat and size. */
export function PocketTable({ pockets, walls, units }: PocketTableProps) {
  const told = (length: Length): string => showLength(length, units);
  const inInches = (length: number): string => showLength(length as Length, units, { style: 'inches' });
  return (
    <section aria-label="Beam pockets" className="break-inside-avoid border-b border-ink pb-2">
      <h2 className="text-lg font-semibold">Beam pockets</h2>
      <table className="figures w-full border-collapse text-[15px]">
        <TableHead
          names={['pocket', 'wall, face', 'from corner', 'near side', 'middle', 'far side', 'seat', 'size']}
          left={['pocket', 'wall, face']}
        />
        <tbody>
          {pockets.map(({ id, name, wallName, wall, face, rect, depth }) => (
            <tr key={id} className="border-b border-line align-top">
              <th scope="row" className="px-1 text-left">
                {name}
              </th>
              <td className="px-1">
                {wallName}, {face}
              </td>
              <td className="px-1 text-right">{walls.find((each) => each.id === wall)?.from}</td>
              <td className="px-1 text-right">{told(rect.from)}</td>
              <td className="px-1 text-right font-semibold">{told(((rect.from + rect.to) / 2) as Length)}</td>
              <td className="px-1 text-right">{told(rect.to)}</td>
              <td className="px-1 text-right font-semibold">{told(rect.bottom)}</td>
              <td className="px-1 text-right whitespace-nowrap">
                {inInches(rect.to - rect.from)} × {inInches(rect.top - rect.bottom)}, {inInches(depth)} into
                the core
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-sm">
        Stations along the outside face, seats above the lowest footing. Cut the foam, box the core, and keep
        the box level.
      </p>
    </section>
  );
}

import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { AccessHole } from '@ombra/core/stages/pour';
import { TableHead } from '../../ui/TableHead';

/** Access holes wall by wall and lift by lift: how high, and where along the wall. */
export function HoleList({
  holes,
  units,
}: {
  readonly holes: readonly AccessHole[];
  readonly units: UnitSystem;
}) {
  if (holes.length === 0) return null;
  const rows = new Map<string, AccessHole[]>();
  for (const hole of holes) {
    const key = `${hole.wall}:${String(hole.lift)}`;
    rows.set(key, [...(rows.get(key) ?? []), hole]);
  }
  return (
    <section aria-label="Access holes" className="mt-2 overflow-x-auto">
      <h3 className="heading">
        {holes.length} access holes, each with its plug; the last lift goes in from the top
      </h3>
      <table className="figures w-full border-collapse text-[16px]">
        <TableHead
          names={['wall', 'lift', 'course', 'up', 'cells, from the first corner along the outside face']}
          left={['cells, from the first corner along the outside face']}
        />
        <tbody>
          {[...rows].map(([key, own]) => {
            const [first] = own;
            if (!first) return null;
            return (
              <tr key={key} className="break-inside-avoid border-b border-line align-top">
                <th scope="row" className="px-1 text-left whitespace-nowrap">
                  {first.name}
                </th>
                <td className="px-1 text-right">{first.lift}</td>
                <td className="px-1 text-right">{first.course}</td>
                <td className="px-1 text-right">{showLength(first.up, units)}</td>
                <td className="px-1 font-semibold">
                  {own.map(({ at }) => showLength(at, units)).join(' · ')}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

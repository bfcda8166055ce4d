import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import { type CutLine, type Steel, cutListByCourse, cutListByPour } from '@ombra/core/stages/steel';
import { TableHead } from '../../ui/TableHead';
import { barName, momentText } from './steelWords';

/** Which steel goes in when, with counts. */
export function LayingOrder({ steel }: { readonly steel: Steel }) {
  return (
    <section aria-label="In this order">
      <h3 className="heading">Placing order, whole job</h3>
      <table className="figures w-full border-collapse text-[17px]">
        <TableHead names={['when', 'put in']} left={['put in']} />
        <tbody>
          {steel.sequence.map((step) => (
            <tr key={momentText(step)} className="border-b border-line">
              <th scope="row" className="w-48 px-1 text-left font-medium">
                {momentText(step)}
              </th>
              <td className="px-1">
                {step.what.map(({ use, count }) => (
                  <span key={use} className="mr-4 inline-block">
                    <strong>{count}</strong> {barName(use, count)}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-quiet">
        Set lintel bars and stirrups before the course over the head. Tie verticals only once the wall is
        plumb. Cap every upright bar.
      </p>
    </section>
  );
}

/** How the cut list is parted. */
export type CutPart = 'course' | 'pour';

function partsOf(
  steel: Steel,
  by: CutPart,
): readonly { readonly title: string; readonly lines: readonly CutLine[] }[] {
  if (by === 'course') {
    return cutListByCourse(steel.bars, steel.schedule).map((day) => ({
      title: momentText(day),
      lines: day.lines,
    }));
  }
  return cutListByPour(steel.bars, steel.schedule, steel.pours).map(({ courses, lines }) => ({
    title:
      courses === null
        ? 'for the footing'
        : `for the pour of courses ${String(courses.from)} to ${String(courses.to)}`,
    lines,
  }));
}

/** What is to be cut and bent, in the order in which it is wanted: by course, or by pour. */
export function CutList({
  steel,
  units,
  by,
}: {
  readonly steel: Steel;
  readonly units: UnitSystem;
  readonly by: CutPart;
}) {
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-x-6 gap-y-3">
      {partsOf(steel, by).map(({ title, lines }) => (
        <li key={title} className="break-inside-avoid">
          <h4 className="font-semibold">{title}</h4>
          <ul className="figures text-[16px]">
            {lines.map((line) => (
              <li key={line.mark} className="flex justify-between border-b border-line">
                <span>
                  {line.count} × <span className="felt">{line.mark}</span> {line.size}
                </span>
                <span>
                  {showLength(line.cut, units)}
                  {line.shape === '00' ? '' : `, bent ${line.shape}`}
                </span>
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}

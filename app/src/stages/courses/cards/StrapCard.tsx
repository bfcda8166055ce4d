import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import { type Family, inWordsOf } from '@ombra/core/kernel/forms';
import { type WeakJoint, STRAP_REASONS } from '@ombra/core/stages/courses';
import type { Wall } from '@ombra/core/stages/outline';
import { CardFrame } from './CardFrame';
import { TableHead } from '../../../ui/TableHead';

interface StrapTableProps {
  readonly joints: readonly WeakJoint[];
  readonly walls: readonly Wall[];
  readonly units: UnitSystem;
  /** Kind of form: sets the words for the reasons. */
  readonly kind: Family['kind'] | undefined;
  /** Left out on paper. */
  readonly onGo?: (joint: WeakJoint) => void;
}

/** Joints of one place and one reason over several courses are one line. */
function grouped(joints: readonly WeakJoint[]) {
  const groups = new Map<string, { readonly first: WeakJoint; readonly courses: number[] }>();
  for (const joint of joints) {
    const key = `${joint.wall}|${String(joint.at)}|${joint.reasons.join()}`;
    const group = groups.get(key);
    if (group) group.courses.push(joint.course);
    else groups.set(key, { first: joint, courses: [joint.course] });
  }
  return [...groups.values()];
}

/** `1, 3, 5` or `1 to 7` */
function courseText(courses: readonly number[]): string {
  const first = courses[0] ?? 0;
  const last = courses.at(-1) ?? 0;
  return courses.length > 2 && last - first === courses.length - 1
    ? `${String(first)} to ${String(last)}`
    : courses.join(', ');
}

/** Every joint to strap on both faces: wall, station, courses, and why. */
export function StrapTable({ joints, walls, units, kind, onGo }: StrapTableProps) {
  const ordered = grouped(joints).sort((a, b) => a.first.station - b.first.station);
  return (
    <table className="figures w-full border-collapse text-[16px]">
      <caption className="sr-only">Joints to strap</caption>
      <TableHead
        names={['wall', 'from its first corner', 'courses', 'why']}
        left={['from its first corner', 'courses', 'why']}
      />
      <tbody>
        {walls.flatMap((wall) =>
          ordered
            .filter(({ first }) => first.wall === wall.id)
            .map(({ first, courses }) => (
              <tr
                key={`${wall.id}:${String(first.at)}:${first.reasons.join()}`}
                className="border-t border-line"
              >
                <th scope="row" className="px-1 text-left font-semibold whitespace-nowrap">
                  {wall.name}
                </th>
                <td className="px-1">
                  {onGo ? (
                    <button
                      type="button"
                      className="underline decoration-dotted underline-offset-3"
                      onClick={() => {
                        onGo(first);
                      }}
                    >
                      {showLength(first.at, units)}
                    </button>
                  ) : (
                    showLength(first.at, units)
                  )}
                </td>
                <td className="px-1">{courseText(courses)}</td>
                <td className="px-1">
                  {first.reasons.map((reason) => inWordsOf(kind, STRAP_REASONS[reason])).join('; ')}
                  {first.boards &&
                    `, ${showLength(first.boards.from, units)} to ${showLength(first.boards.to, units)}`}
                </td>
              </tr>
            )),
        )}
      </tbody>
    </table>
  );
}

/** The strap list on screen. */
export function StrapCard(props: StrapTableProps & { readonly onClose: () => void }) {
  const { joints, onClose } = props;
  return (
    <CardFrame title={`Strap list: ${String(joints.length)} joints, both faces`} onClose={onClose}>
      {joints.length === 0 ? <p>No joint needs strapping.</p> : <StrapTable {...props} />}
    </CardFrame>
  );
}

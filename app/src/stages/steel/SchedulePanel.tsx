import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import { type ScheduleLine, SQUARE } from '@ombra/core/stages/steel';
import { ScrollBox } from '../../ui/ScrollBox';
import { TableHead } from '../../ui/TableHead';
import { barName } from './steelWords';

interface SchedulePanelProps {
  readonly schedule: readonly ScheduleLine[];
  readonly units: UnitSystem;
  readonly chosen: string | null;
  readonly onChoose: (mark: string | null) => void;
}

/** A bar's shape, not to scale. */
function Shape({ shape }: { readonly shape: ScheduleLine['shape'] }) {
  const path = {
    '00': 'M3 9h34',
    '11': 'M3 3v12h34',
    '15': 'M3 3l12 12h22',
    '21': 'M3 3v12h34v-12',
    '99': 'M3 3l8 12h18l8 -12',
  }[shape];
  return (
    <svg width={40} height={18} aria-hidden="true">
      <path d={path} fill="none" className="stroke-steel" strokeWidth={2.2} />
    </svg>
  );
}

/** Bends that are not square, in degrees. */
const bendText = ({ bends }: Pick<ScheduleLine, 'bends'>): string => {
  const odd = bends.filter((degrees) => degrees !== SQUARE);
  return odd.length === 0
    ? ''
    : ` ${odd.map((degrees) => `${String(Number(degrees.toFixed(1)))}°`).join(' ')}`;
};

/** The bending schedule as a table; its marks may be pressed where there is something to light. */
export function ScheduleTable({
  schedule,
  units,
  chosen = null,
  onChoose,
}: Pick<SchedulePanelProps, 'schedule' | 'units'> & Partial<SchedulePanelProps>) {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  return (
    <table className="figures w-full border-collapse text-[16px]">
      <TableHead
        names={['mark', 'what', 'size', 'shape', 'legs, out to out', 'cut to', 'bars']}
        left={['what', 'size', 'shape']}
      />
      <tbody>
        {schedule.map((line) => (
          <tr
            key={line.mark}
            className={`border-b border-line ${line.mark === chosen ? 'bg-chalk-wash' : ''}`}
          >
            <th scope="row" className="px-1 text-left">
              {onChoose ? (
                <button
                  type="button"
                  className="felt underline decoration-dotted underline-offset-3"
                  aria-pressed={line.mark === chosen}
                  onClick={() => {
                    onChoose(line.mark === chosen ? null : line.mark);
                  }}
                >
                  {line.mark}
                </button>
              ) : (
                <span className="felt">{line.mark}</span>
              )}
            </th>
            <td className="px-1">{barName(line.use)}</td>
            <td className="px-1">{line.size}</td>
            <td className="px-1">
              <span className="inline-flex items-center gap-1">
                <Shape shape={line.shape} /> {line.shape}
                {bendText(line)}
              </span>
            </td>
            <td className="px-1 text-right">{line.legs.map(inInches).join(' + ')}</td>
            <td className="px-1 text-right font-semibold">{showLength(line.cut, units)}</td>
            <td className="px-1 text-right font-semibold">{line.count}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The bending schedule on screen: pressing a mark lights its bars on the strip. */
export const SchedulePanel = (props: SchedulePanelProps) => (
  <ScrollBox label="Bending schedule" height="max-h-96">
    <ScheduleTable {...props} />
  </ScrollBox>
);

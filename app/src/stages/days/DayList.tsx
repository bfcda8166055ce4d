import { type DayItem, type Days, dayOf, dayText } from '@ombra/core/stages/days';
import { NumberField } from '../../ui/NumberField';
import { TableHead } from '../../ui/TableHead';
import { dayName, hoursName, timeName } from './dayWords';

interface DayListProps {
  readonly days: Days;
  /** People that the plan sets for a day of its own. */
  readonly said: Readonly<Record<string, number>>;
  readonly open: string | null;
  readonly onOpen: (item: DayItem) => void;
  readonly onPeople: (day: string, people: number | null) => void;
}

/** Day by day: who is there, and what is done, with the work it takes and how far it may slide. */
export function DayList({ days, said, open, onOpen, onPeople }: DayListProps) {
  const { items, people, first } = days;
  const shown = people
    .map((there, day) => ({
      day,
      there,
      own: items.filter((item) => dayOf(item.start) <= day && day <= dayOf(item.end - 1)),
    }))
    // Days off are listed too: that is where a helper on a Saturday is written.
    .filter(({ own }) => first !== null || own.length > 0);
  return (
    <div className="flex flex-col gap-4">
      {shown.map(({ day, there, own }) => (
        <section key={day} aria-label={dayName(day, first)} className="border-b border-ink pb-2">
          <div className="flex flex-wrap items-end gap-x-4">
            <h3 className="min-w-32 text-lg font-semibold">{dayName(day, first)}</h3>
            {first === null ? (
              <span className="text-quiet">{there} people</span>
            ) : (
              <div className="w-28">
                <NumberField
                  label="people"
                  value={said[dayText(first + day)] ?? null}
                  placeholder={String(there)}
                  least={0}
                  most={60}
                  whole
                  onSet={(count) => {
                    onPeople(dayText(first + day), count);
                  }}
                />
              </div>
            )}
          </div>
          {own.length === 0 && (
            <p className="text-quiet">{there === 0 ? 'A day off.' : 'A wait; no work to do.'}</p>
          )}
          {own.length > 0 && (
            <table className="figures w-full border-collapse">
              <TableHead
                names={['what', 'from', 'to', 'man-hours', 'may slide']}
                left={['what', 'from', 'to']}
              />
              <tbody>
                {own.map((item) => (
                  <tr key={item.id} className="border-b border-line">
                    <th scope="row" className="px-1 text-left font-semibold">
                      {item.name}
                    </th>
                    <td className="px-1 whitespace-nowrap">{timeName(item.start, first)}</td>
                    <td className="px-1 whitespace-nowrap">{timeName(item.end, first)}</td>
                    <td className="px-1 text-right">
                      {item.work.value > 0 ? (
                        <button
                          type="button"
                          className={`px-1 underline decoration-dotted underline-offset-3 ${open === item.work.id ? 'bg-chalk-wash text-chalk' : ''}`}
                          aria-expanded={open === item.work.id}
                          aria-label={`Work of ${item.name}: ${(item.work.value / 60).toFixed(1)} man-hours. Why?`}
                          onClick={() => {
                            onOpen(item);
                          }}
                        >
                          {(item.work.value / 60).toFixed(1)}
                        </button>
                      ) : (
                        '–'
                      )}
                    </td>
                    <td className={`px-1 text-right ${item.free < 0 ? 'font-semibold text-stop' : ''}`}>
                      {item.free < 0
                        ? `${hoursName(-item.free)} short`
                        : item.free < 1
                          ? 'nothing'
                          : hoursName(item.free)}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
      ))}
    </div>
  );
}

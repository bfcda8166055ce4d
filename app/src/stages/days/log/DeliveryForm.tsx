import { orderOf } from '@ombra/core/orderOf';
import { deliveredOf, type EntryBody } from '@ombra/core/kernel/record';
import { useMemo, useState } from 'react';
import { TableHead } from '../../../ui/TableHead';
import { DayField, LineField, Tick } from './Field';
import type { EntryFormProps } from './formProps';
import { useDay } from './useDay';

type Line = EntryBody<'delivery'>['lines'][number];
type Count = 'counted' | 'broken' | 'short';

/** What came, counted against what was ordered. */
export function DeliveryForm({ job, worked, day: offered, initial, onWrite }: EntryFormProps<'delivery'>) {
  const { planOnSite, log } = job;
  const [day, setDay] = useDay(initial?.day, offered);
  const [ticket, setTicket] = useState(initial?.ticket ?? '');
  const [late, setLate] = useState(initial?.late === true);
  const [lines, setLines] = useState<ReadonlyMap<string, Line>>(
    new Map(initial?.lines.map((line) => [line.article, line])),
  );
  const ordered = useMemo(
    () => orderOf(planOnSite, worked).lines.filter((line) => line.group === 'forms' || line.ordered < 10_000),
    [planOnSite, worked],
  );
  const came = useMemo(
    () => new Map(deliveredOf(log.entries).map((each) => [each.article, each])),
    [log.entries],
  );
  const set = (article: string, field: Count, value: number): void => {
    const before = lines.get(article) ?? { article, counted: 0, broken: 0, short: 0 };
    setLines(new Map(lines).set(article, { ...before, [field]: value }));
  };
  const told = [...lines.values()].filter(({ counted, broken, short }) => counted + broken + short > 0);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onWrite({ day, ticket, lines: told, ...(late ? { late } : {}) });
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <DayField day={day} onDay={setDay} />
        <LineField label="Ticket" text={ticket} onType={setTicket} most={60} />
      </div>
      <Tick label="It came late" done={late} onSet={setLate} />
      <table className="figures my-2 w-full border-collapse">
        <TableHead names={['article', 'ordered', 'so far', 'counted', 'broken', 'short']} />
        <tbody>
          {ordered.map(({ id, article, ordered: wanted }) => {
            const before = came.get(article);
            const left = before ? before.counted - before.broken - wanted : null;
            return (
              <tr key={id} className="border-b border-line">
                <th scope="row" className="px-1 text-left font-medium">
                  {article}
                  {left !== null && (
                    <span className={`block text-sm ${left < 0 ? 'text-stop' : 'text-quiet'}`}>
                      {left < 0
                        ? `${String(-left)} to come or to order again`
                        : `whole on site: ${String(before ? before.counted - before.broken : 0)}`}
                    </span>
                  )}
                </th>
                <td className="px-1 text-right">{wanted}</td>
                <td className="px-1 text-right">{before?.counted ?? '–'}</td>
                {(['counted', 'broken', 'short'] as const).map((field) => (
                  <td key={field} className="w-16 px-0.5">
                    <input
                      type="number"
                      className="field figures px-1! text-right"
                      aria-label={`${article}, ${field}`}
                      min={0}
                      max={100000}
                      value={lines.get(article)?.[field] ?? ''}
                      onChange={(event) => {
                        const { valueAsNumber } = event.currentTarget;
                        set(
                          article,
                          field,
                          Number.isInteger(valueAsNumber) ? Math.min(100_000, Math.max(0, valueAsNumber)) : 0,
                        );
                      }}
                    />
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
      <button type="submit" className="button strong" disabled={told.length === 0 && ticket === ''}>
        Record the delivery
      </button>
    </form>
  );
}

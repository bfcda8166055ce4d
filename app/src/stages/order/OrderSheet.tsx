import { orderOf } from '@ombra/core/orderOf';
import { evaluate, explainLine, showMass } from '@ombra/core/kernel/figures';
import { type Length, type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import { type OrderLine, wholePieces } from '@ombra/core/stages/order';
import { BEFORE, SIGNS } from '../../frame/figures/signs';
import type { SheetProps } from '../../frame/stage';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import { whatIsMissing } from '../../frame/sheet/missing';
import { TableHead } from '../../ui/TableHead';

/** More terms than these are told by their total alone. */
const MOST_TERMS = 16;

const GROUPS = { forms: 'Forms', parts: 'Parts', fixings: 'Fixings' } as const;

/** `182 laid whole + 33 opened for cuts` */
function workedOut(line: OrderLine, units: UnitSystem): string {
  const explained = explainLine(line.needed, units);
  if (!explained) return line.needed.name;
  // Long sums by course are told by their total alone; the tally opens the rest.
  const terms = explained.terms.length > MOST_TERMS ? [] : explained.terms;
  if (terms.length === 0) return '';
  return `${BEFORE[explained.op] ?? ''}${terms.map((term) => `${term.value} ${term.name}`).join(` ${SIGNS[explained.op]} `)}`;
}

function amount(line: OrderLine, value: number, units: UnitSystem): string {
  return line.needed.unit === 'length' ? showLength(value as Length, units) : String(wholePieces(value));
}

/** What to order: articles with spares and bundles, mass, fixings, and where the bundles stand. */
export function OrderSheet({ worked, asked, ...job }: SheetProps) {
  const { pours } = worked.tally;
  /** The pour that is ordered; null for the whole job. */
  const pour = pours.find((each) => each.id === asked.get('pour')) ?? null;
  const order = orderOf(job.plan, worked, pour?.id);
  const { units } = job.plan;
  const path = `/jobs/${job.jobId}/sheets/order`;
  return (
    <SheetFrame
      job={job}
      here="order"
      wide
      links={
        <>
          {pours.length > 1 && (
            <span className="flex flex-wrap items-center gap-1">
              <a className="button" href={path} aria-current={pour === null ? 'page' : undefined}>
                {pour === null ? <strong>Whole job</strong> : 'Whole job'}
              </a>
              {pours.map((each) => (
                <a
                  key={each.id}
                  className="button"
                  href={`${path}?pour=${encodeURIComponent(each.id)}`}
                  aria-current={pour?.id === each.id ? 'page' : undefined}
                >
                  {pour?.id === each.id ? <strong>{each.name}</strong> : each.name}
                </a>
              ))}
            </span>
          )}
        </>
      }
      title="order list"
      line={pour ? `${pour.name}, courses ${String(pour.from)} to ${String(pour.to)}` : 'whole job'}
    >
      {order.lines.length === 0 ? (
        <p className="text-lg font-semibold">Nothing to order yet. {whatIsMissing(worked.shell)}</p>
      ) : (
        <table className="figures w-full border-collapse text-[16px]">
          <TableHead
            names={['article', 'needed', 'spare', 'bundles', 'to order', 'mass', 'here']}
            left={['here']}
          />
          {(['forms', 'parts', 'fixings'] as const).map((group) => {
            const lines = order.lines.filter((line) => line.group === group);
            if (lines.length === 0) return null;
            return (
              <tbody key={group}>
                <tr>
                  <th scope="rowgroup" colSpan={7} className="heading px-1 pt-2 text-left">
                    {GROUPS[group]}
                  </th>
                </tr>
                {lines.map((line) => (
                  <tr key={line.id} className="border-t border-line align-top">
                    <th scope="row" className="px-1 py-0.5 text-left font-semibold">
                      {line.article}
                      {line.core === null
                        ? ''
                        : `, ${showLength(line.core, units, { style: 'inches' })} core`}
                      <span className="block text-sm font-normal text-quiet">{workedOut(line, units)}</span>
                    </th>
                    <td className="px-1 text-right">{amount(line, evaluate(line.needed), units)}</td>
                    <td className="px-1 text-right">{line.spare === 0 ? '' : line.spare}</td>
                    <td className="px-1 text-right">
                      {line.bundles === null ? '' : `${String(line.bundles)} of ${String(line.bundle)}`}
                    </td>
                    <td className="px-1 text-right font-semibold">{amount(line, line.ordered, units)}</td>
                    <td className="px-1 text-right">
                      {line.massKilograms === null ? '' : showMass(line.massKilograms, units)}
                    </td>
                    <td className="px-1">
                      <span aria-hidden="true" className="inline-block size-4 border border-ink" />
                    </td>
                  </tr>
                ))}
              </tbody>
            );
          })}
        </table>
      )}
      {order.massKilograms !== null && order.massKilograms > 0 && (
        <p className="figures mt-2 text-lg">
          All forms <strong>{showMass(order.massKilograms, units)}</strong>
        </p>
      )}
      {order.staging.length > 0 && (
        <section className="mt-4 break-inside-avoid">
          <h2 className="heading">Where to put the bundles before the crew starts</h2>
          <p className="text-sm">
            Inside the walls, {units === 'imperial' ? '6 ft' : '1.8 m'} back from them to leave room for
            bracing; bars and tools there too.
          </p>
          <ul className="figures mt-1 grid grid-cols-[repeat(auto-fill,minmax(130px,1fr))] gap-x-4 text-lg">
            {order.staging.map((each) => (
              <li key={each.wall}>
                <strong>{each.name}</strong> {each.bundles}
              </li>
            ))}
          </ul>
        </section>
      )}
      {pour !== null && (
        <p className="mt-3 text-sm">
          Ordered separately, each pour cuts its own blocks, so the pours together may take a few more than
          the whole job.
          {pour.then === null ? '' : ` Then: ${pour.then}.`}
        </p>
      )}
    </SheetFrame>
  );
}

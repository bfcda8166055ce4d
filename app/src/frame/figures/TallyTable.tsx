import { type Tally, type TallyKey, TALLY_KEYS } from '@ombra/core/stages/tally';
import { type Figure, showVolume } from '@ombra/core/kernel/figures';
import type { UnitSystem } from '@ombra/core/kernel/measure';

interface TallyTableProps {
  readonly tally: Tally;
  readonly units: UnitSystem;
  readonly course: number | null;
  readonly open: string | null;
  /** Left out on paper, where figures cannot be opened. */
  readonly onOpen?: (figure: Figure) => void;
  readonly onCourse?: (course: number) => void;
}

const HEADS: Readonly<Record<TallyKey, string>> = {
  straight: 'straight',
  cut: 'cut',
  cornerLH: 'LH',
  cornerRH: 'RH',
  buckFaces: 'bucks',
  coreVolume: '',
};

const shown = (figure: Figure, units: UnitSystem): string =>
  figure.unit === 'volume' ? showVolume(figure.value, units, 2).replace(/ .*/, '') : String(figure.value);

function FigureCell({
  figure,
  units,
  open,
  onOpen,
  strong,
}: { readonly figure: Figure; readonly strong?: boolean } & Pick<
  TallyTableProps,
  'units' | 'open' | 'onOpen'
>) {
  const text = shown(figure, units);
  return (
    <td className="px-1 text-right">
      {onOpen ? (
        <button
          type="button"
          aria-label={`${figure.title}: ${text}. Why?`}
          aria-expanded={open === figure.id}
          className={`min-w-0! px-0.5 underline decoration-dotted underline-offset-3 ${strong === true ? 'font-semibold' : ''} ${open === figure.id ? 'bg-chalk text-on-chalk' : ''}`}
          onClick={(event) => {
            event.stopPropagation();
            onOpen(figure);
          }}
        >
          {text}
        </button>
      ) : (
        text
      )}
    </td>
  );
}

/** Counts by course, the top course first as on the wall, and in total; every figure opens. */
export function TallyTable({ tally, units, course, open, onOpen, onCourse }: TallyTableProps) {
  // A job without openings has no bucks to count.
  const keys = TALLY_KEYS.filter((key) => key !== 'buckFaces' || tally.total.buckFaces.value > 0);
  const cells = { units, open, ...(onOpen ? { onOpen } : {}) };
  return (
    <table className="figures w-full border-collapse text-[17px]">
      <caption className="sr-only">Tally by course</caption>
      <thead>
        <tr className="text-sm text-quiet">
          <th scope="col" className="px-1 text-left font-medium">
            course
          </th>
          {keys.map((key) => (
            <th key={key} scope="col" className="px-1 text-right font-medium">
              {key === 'coreVolume' ? (units === 'imperial' ? 'yd³' : 'm³') : HEADS[key]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {[...tally.courses].reverse().map((row) => (
          <tr
            key={row.course}
            className={`border-t border-line ${row.course === course ? 'bg-chalk-wash shadow-[inset_4px_0_0_var(--color-chalk)]' : ''}`}
          >
            <th scope="row" className="px-2 text-left font-semibold">
              {onCourse ? (
                <button
                  type="button"
                  className="min-w-0! px-1"
                  aria-label={`Show course ${String(row.course)}`}
                  onClick={() => {
                    onCourse(row.course);
                  }}
                >
                  {row.course}
                </button>
              ) : (
                row.course
              )}
            </th>
            {keys.map((key) => (
              <FigureCell key={key} figure={row[key]} {...cells} />
            ))}
          </tr>
        ))}
      </tbody>
      <tfoot>
        {tally.pours.map((pour, index) => (
          <tr key={pour.id} className={index === 0 ? 'border-t-2 border-ink' : 'border-t border-line'}>
            <th
              scope="row"
              className="max-w-0 truncate px-2 text-left font-medium"
              title={`${pour.name}: courses ${String(pour.from)} to ${String(pour.to)}${pour.top === 'half' ? ', half a block at the top' : ''}${pour.then === null ? '' : `; then ${pour.then}`}`}
            >
              {pour.from}–{pour.to} {pour.name}
            </th>
            {keys.map((key) => (
              <FigureCell key={key} figure={pour[key]} {...cells} />
            ))}
          </tr>
        ))}
        <tr className="border-t-2 border-ink">
          <th scope="row" className="px-2 text-left font-semibold">
            all
          </th>
          {keys.map((key) => (
            <FigureCell key={key} figure={tally.total[key]} {...cells} strong />
          ))}
        </tr>
        <tr>
          <th scope="row" colSpan={keys.length} className="px-2 text-left font-medium">
            Straight blocks to buy
          </th>
          <FigureCell figure={tally.total.blocksBought} {...cells} strong />
        </tr>
      </tfoot>
    </table>
  );
}

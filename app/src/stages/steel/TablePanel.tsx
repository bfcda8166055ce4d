import { showLength, writeQuantity, USUAL } from '@ombra/core/kernel/measure';
import type { Wall } from '@ombra/core/stages/outline';
import {
  type ReinforcementTable,
  type Steel,
  type TableRow,
  BAR_SIZES,
  readTableFile,
} from '@ombra/core/stages/steel';
import { Plus, X } from 'lucide-react';
import { CsvBox } from '../../ui/CsvBox';
import { LengthField } from '../../ui/LengthField';
import { ScrollBox } from '../../ui/ScrollBox';
import { TableHead } from '../../ui/TableHead';
import { TextField } from '../../ui/TextField';
import type { Job } from '../../job/useJob';

interface TablePanelProps {
  readonly job: Job;
  readonly steel: Steel;
  readonly walls: readonly Wall[];
}

/** A row to begin with: an ordinary basement wall, for the user to write over. */
const newRow = (last: TableRow | undefined): TableRow =>
  last ?? { height: '', backfill: '', soil: 45, size: '#5', spacing: '' };

interface RowProps extends Pick<TablePanelProps, 'job'> {
  readonly row: TableRow;
  readonly number: number;
  /** Names of the walls that take it. */
  readonly taken: readonly string[];
  readonly onChange: (change: Partial<TableRow>) => void;
  readonly onRemove: () => void;
}

function Row({ job, row, number, taken, onChange, onRemove }: RowProps) {
  const length = (key: 'height' | 'backfill' | 'spacing', label: string) => (
    <td className="px-1 align-top">
      <LengthField
        usual={USUAL.height}
        label={`${label}, row ${String(number)}`}
        text={row[key]}
        units={job.plan.units}
        onType={(text) => {
          onChange({ [key]: text });
        }}
        onLeave={job.endMerge}
      />
    </td>
  );
  return (
    <tr className={`border-b border-line ${taken.length > 0 ? 'bg-chalk-wash' : ''}`}>
      <th scope="row" className="px-1 text-left align-top">
        {number}
      </th>
      {length('height', 'Wall up to')}
      {length('backfill', 'Soil up to')}
      <td className="px-1 align-top">
        <input
          className="field figures w-20! text-right"
          inputMode="decimal"
          aria-label={`Weight of the soil up to, row ${String(number)}`}
          defaultValue={row.soil}
          onBlur={(event) => {
            const value = Number(event.currentTarget.value.replace(',', '.'));
            if (value > 0) onChange({ soil: value });
            else event.currentTarget.value = String(row.soil);
          }}
        />
      </td>
      <td className="px-1 align-top">
        <select
          className="field"
          aria-label={`Bar, row ${String(number)}`}
          value={row.size}
          onChange={(event) => {
            onChange({ size: event.currentTarget.value });
          }}
        >
          {!BAR_SIZES.some(({ id }) => id === row.size) && <option value={row.size}>{row.size}</option>}
          {BAR_SIZES.map(({ id }) => (
            <option key={id} value={id}>
              {id}
            </option>
          ))}
        </select>
      </td>
      {length('spacing', 'Spacing')}
      <td className="px-1 align-top">{taken.join(', ')}</td>
      <td className="align-top">
        <button
          type="button"
          className="button plain px-1"
          aria-label={`Remove row ${String(number)}`}
          onClick={onRemove}
        >
          <X aria-hidden="true" size={15} />
        </button>
      </td>
    </tr>
  );
}

/** The table of a code or a form maker: its rows, which walls take which, and the walls that none covers. */
export function TablePanel({ job, steel, walls }: TablePanelProps) {
  const { plan, edit } = job;
  const { units } = plan;
  const table: ReinforcementTable = plan.steel?.table ?? { name: '', rows: [] };
  const put = (change: Partial<ReinforcementTable>, merge?: string): void => {
    edit({ kind: 'put-table', table: { ...table, ...change } }, merge);
  };
  const nameOf = (id: string): string => walls.find((wall) => wall.id === id)?.name ?? id;
  const takers = (row: number): readonly string[] =>
    steel.picks.filter((pick) => pick.row?.number === row).map((pick) => nameOf(pick.wall));
  const without = steel.picks.filter((pick) => pick.row === null);
  return (
    <div className="flex flex-col gap-4">
      <p className="max-w-[72ch] text-sm text-quiet">
        Type or paste the table of your code or form maker. Each row covers walls up to a height, a soil
        height and a soil weight, and gives a bar and a spacing. Every wall takes the tightest row that covers
        it. A zone with its own verticals comes first. Ombra ships no table: the code in force and the
        engineer decide.
      </p>
      {plan.steel?.table && (
        <>
          <div className="flex flex-wrap items-end gap-2">
            <div className="w-80">
              <span className="heading mb-0.5 block" aria-hidden="true">
                Name of the table, edition and page
              </span>
              <TextField
                label="Name of the table, edition and page"
                text={table.name}
                onType={(name) => {
                  put({ name }, 'table:name');
                }}
                onLeave={job.endMerge}
              />
            </div>
            <button
              type="button"
              className="button"
              onClick={() => {
                edit({ kind: 'put-table', table: null });
              }}
            >
              <X aria-hidden="true" size={14} /> Remove the table
            </button>
          </div>
          <ScrollBox label="Code table" height="max-h-96">
            <table className="figures w-full min-w-[680px] border-collapse text-[16px]">
              <TableHead
                names={['row', 'wall up to', 'soil up to', 'lb/ft³ up to', 'bar', 'every', 'used by', '']}
                left={['wall up to', 'soil up to', 'lb/ft³ up to', 'bar', 'every', 'used by']}
              />
              <tbody>
                {table.rows.map((row, index) => (
                  <Row
                    key={index}
                    job={job}
                    row={row}
                    number={index + 1}
                    taken={takers(index + 1)}
                    onChange={(change) => {
                      put(
                        {
                          rows: table.rows.map((each, at) => (at === index ? { ...each, ...change } : each)),
                        },
                        `table:${String(index)}:${Object.keys(change).join()}`,
                      );
                    }}
                    onRemove={() => {
                      put({ rows: table.rows.filter((_, at) => at !== index) });
                    }}
                  />
                ))}
              </tbody>
            </table>
          </ScrollBox>
          {without.length > 0 && (
            <ul className="text-sm">
              {without.map((pick) => (
                <li key={pick.wall}>
                  <strong className="figures">{nameOf(pick.wall)}</strong>:{' '}
                  {pick.backfill === null
                    ? 'its soil height is missing; enter 0 where there is none.'
                    : `no row covers ${showLength(pick.height, units)} of wall with ${showLength(pick.backfill, units)} of soil at ${writeQuantity(pick.soil, 'fluid-weight', units)}: ask the engineer.`}
                </li>
              ))}
            </ul>
          )}
        </>
      )}
      <button
        type="button"
        className="button self-start"
        onClick={() => {
          put({ rows: [...table.rows, newRow(table.rows.at(-1))] });
        }}
      >
        <Plus aria-hidden="true" size={14} /> Row
      </button>
      <CsvBox
        label="A whole table: wall height, backfill, soil, size, spacing"
        placeholder={'wall height, backfill, soil, size, spacing (in)\n9ft, 7ft, 45, #5, 24'}
        what="code table"
        onTake={(text) => {
          const reading = readTableFile(text, units);
          if (!reading.ok) return { problems: reading.problems };
          put({ rows: reading.rows });
          return { taken: `${String(reading.rows.length)} rows read. They replace the old ones.` };
        }}
        {...(table.rows.length > 0 ? { href: `/api/jobs/${job.id}/reinforcement.csv` } : {})}
      />
    </div>
  );
}

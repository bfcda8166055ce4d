import { type Length, USUAL, readLength, showLength } from '@ombra/core/kernel/measure';
import {
  type Opening,
  type OpeningChange,
  type PlacedOpening,
  type WallEndName,
  heightOf,
  openingKindName,
  openingNames,
  widthOf,
} from '@ombra/core/stages/openings';
import type { Wall } from '@ombra/core/stages/outline';
import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { useState } from 'react';
import { LengthField } from '../../ui/LengthField';
import { ScrollBox } from '../../ui/ScrollBox';
import type { Job } from '../../job/useJob';
import { NewOpening } from './NewOpening';

/** What is usual for each length of an opening. */
const USUAL_OF = {
  at: USUAL.station,
  width: USUAL.opening,
  height: USUAL.opening,
  sill: USUAL.up,
  head: USUAL.up,
} as const;

interface OpeningTableProps {
  readonly job: Job;
  readonly walls: readonly Wall[];
  readonly placed: readonly PlacedOpening[];
  readonly chosen: string | null;
  readonly wall: Wall;
  readonly onChoose: (opening: string, wall: string) => void;
}

const COLUMNS = [
  { id: 'name', name: 'name' },
  { id: 'wall', name: 'wall' },
  { id: 'at', name: 'from corner, to, distance' },
  { id: 'width', name: 'width' },
  { id: 'height', name: 'height' },
  { id: 'sill', name: 'sill' },
  { id: 'head', name: 'head' },
  { id: 'hole', name: 'hole in foam' },
  { id: 'lintel', name: 'lintel' },
] as const;
type Column = (typeof COLUMNS)[number]['id'];

interface SelectProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly { readonly value: Value; readonly label: string }[];
  readonly onChoose: (value: Value) => void;
}

/** A short list to choose from, in a cell. */
export function CellSelect<Value extends string>({ label, value, options, onChoose }: SelectProps<Value>) {
  return (
    <select
      className="field figures px-0.5! text-[16px]"
      aria-label={label}
      value={value}
      onChange={(event) => {
        onChoose(event.currentTarget.value as Value);
      }}
    >
      {options.map((option) => (
        <option key={option.value} value={option.value}>
          {option.label}
        </option>
      ))}
    </select>
  );
}

/** Corners of a wall to measure from, by their letters. */
export const endOptions = (wall: Wall | undefined): SelectProps<WallEndName>['options'] => [
  { value: 'start', label: wall?.from ?? 'start' },
  { value: 'end', label: wall?.to ?? 'end' },
];

/** All openings, every number editable; pressing a heading sorts, the field above filters. The last line adds one. */
export function OpeningTable({ job, walls, placed, chosen, wall, onChoose }: OpeningTableProps) {
  const { plan, edit, endMerge } = job;
  const { units } = plan;
  const openings = plan.openings ?? [];
  const [sort, setSort] = useState<{ readonly by: Column; readonly down: boolean } | null>(null);
  const [filter, setFilter] = useState('');
  const names = openingNames(openings);
  const placedOf = new Map(placed.map((each) => [each.id, each]));
  const wallOf = (id: string): Wall | undefined => walls.find((each) => each.id === id);
  const set = (opening: Opening, change: OpeningChange, merge?: string): void => {
    edit(
      { kind: 'set-opening', opening: opening.id, change },
      merge === undefined ? undefined : `${opening.id}:${merge}`,
    );
  };
  const keyOf = (opening: Opening, by: Column): number | string => {
    const own = placedOf.get(opening.id);
    const length = (text: string | undefined): number => {
      const reading = readLength(text ?? '', units);
      return reading.ok ? reading.length : Number.MAX_SAFE_INTEGER;
    };
    switch (by) {
      case 'name':
        return names.get(opening.id) ?? '';
      case 'wall':
        return wallOf(opening.wall)?.name ?? '~';
      case 'at':
      case 'width':
      case 'height':
        return length(opening[by]);
      case 'sill':
        return own?.finished.bottom ?? Number.MAX_SAFE_INTEGER;
      case 'head':
        return own?.finished.top ?? Number.MAX_SAFE_INTEGER;
      case 'hole':
        return own ? widthOf(own.hole) : Number.MAX_SAFE_INTEGER;
      case 'lintel':
        return own ? widthOf(own.concrete) : Number.MAX_SAFE_INTEGER;
    }
  };
  const wanted = filter.trim().toLowerCase();
  const shown = openings.filter((opening) =>
    [
      names.get(opening.id),
      wallOf(opening.wall)?.name,
      openingKindName(opening.kind),
      placedOf.get(opening.id)?.buck.name,
    ].some((text) => text?.toLowerCase().replace('–', '-').includes(wanted.replace('–', '-')) === true),
  );
  const sorted = sort
    ? [...shown].sort((a, b) => {
        const [one, other] = [keyOf(a, sort.by), keyOf(b, sort.by)];
        const order =
          typeof one === 'number' && typeof other === 'number'
            ? one - other
            : String(one).localeCompare(String(other));
        return sort.down ? -order : order;
      })
    : shown;
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const lengthCell = (
    opening: Opening,
    field: 'at' | 'width' | 'height' | 'sill' | 'head',
    what: string,
    placeholder = '',
  ) => (
    <LengthField
      usual={USUAL_OF[field]}
      label={`${names.get(opening.id) ?? ''}: ${what}`}
      text={opening[field] ?? ''}
      units={units}
      placeholder={placeholder}
      onType={(text) => {
        set(opening, { [field]: text }, field);
      }}
      onLeave={endMerge}
    />
  );
  return (
    <section aria-label="Openings" className="min-w-0">
      <ScrollBox label="List of openings" height="max-h-60">
        <table className="w-full min-w-[880px] border-collapse">
          <thead className="sticky top-0 z-10 bg-paper">
            <tr className="border-b border-ink text-sm text-quiet">
              {COLUMNS.map((column) => (
                <th
                  key={column.id}
                  scope="col"
                  className="px-0.5 text-left font-medium"
                  aria-sort={sort?.by === column.id ? (sort.down ? 'descending' : 'ascending') : undefined}
                >
                  <button
                    type="button"
                    className="hover:underline"
                    onClick={() => {
                      setSort((before) =>
                        before?.by !== column.id
                          ? { by: column.id, down: false }
                          : before.down
                            ? null
                            : { by: column.id, down: true },
                      );
                    }}
                  >
                    {column.name}
                    {sort?.by === column.id &&
                      (sort.down ? (
                        <ArrowDown aria-hidden="true" size={12} className="inline" />
                      ) : (
                        <ArrowUp aria-hidden="true" size={12} className="inline" />
                      ))}
                  </button>
                  {column.id === 'name' && openings.length > 1 && (
                    <input
                      className="ml-2 min-h-(--target) w-26 border-b border-line bg-transparent px-1"
                      aria-label="Show openings by name, wall or kind"
                      placeholder={
                        wanted === '' ? 'show …' : `${String(shown.length)} of ${String(openings.length)}`
                      }
                      value={filter}
                      onChange={(event) => {
                        setFilter(event.currentTarget.value);
                      }}
                    />
                  )}
                </th>
              ))}
              <td />
            </tr>
          </thead>
          <tbody>
            {sorted.map((opening) => {
              const own = placedOf.get(opening.id);
              const name = names.get(opening.id) ?? '';
              const isChosen = opening.id === chosen;
              return (
                <tr
                  key={opening.id}
                  aria-selected={isChosen}
                  className={`border-b border-line ${isChosen ? 'bg-chalk-wash' : ''}`}
                  onFocus={() => {
                    if (!isChosen) onChoose(opening.id, opening.wall);
                  }}
                >
                  <td className="w-44 pr-0.5">
                    <input
                      className="field"
                      aria-label={`Name of ${name}`}
                      maxLength={60}
                      placeholder={name}
                      value={opening.name ?? ''}
                      onChange={(event) => {
                        set(opening, { name: event.currentTarget.value }, 'name');
                      }}
                      onBlur={endMerge}
                    />
                  </td>
                  <td className="w-16 pr-0.5">
                    <CellSelect
                      label={`Wall of ${name}`}
                      value={opening.wall}
                      options={[
                        ...walls.map((each) => ({ value: each.id, label: each.name })),
                        ...(wallOf(opening.wall) ? [] : [{ value: opening.wall, label: 'gone' }]),
                      ]}
                      onChoose={(id) => {
                        set(opening, { wall: id });
                        onChoose(opening.id, id);
                      }}
                    />
                  </td>
                  <td className="w-60">
                    <div className="grid grid-cols-[48px_76px_1fr] gap-0.5 pr-0.5">
                      <CellSelect
                        label={`Corner that ${name} is measured from`}
                        value={opening.from}
                        options={endOptions(wallOf(opening.wall))}
                        onChoose={(from) => {
                          set(opening, { from });
                        }}
                      />
                      <CellSelect
                        label={`To which part of ${name}`}
                        value={opening.to}
                        options={[
                          { value: 'near', label: 'near side' },
                          { value: 'centre', label: 'center' },
                        ]}
                        onChoose={(to) => {
                          set(opening, { to });
                        }}
                      />
                      {lengthCell(opening, 'at', 'distance from its corner')}
                    </div>
                  </td>
                  <td className="w-22 pr-0.5">
                    {lengthCell(opening, 'width', 'width of the rough opening')}
                  </td>
                  <td className="w-22 pr-0.5">
                    {lengthCell(opening, 'height', 'height of the rough opening')}
                  </td>
                  <td className="w-22 pr-0.5">
                    {lengthCell(
                      opening,
                      'sill',
                      'sill above the lowest footing',
                      own ? showLength(own.finished.bottom, units) : '',
                    )}
                  </td>
                  <td className="w-22 pr-0.5">
                    {lengthCell(
                      opening,
                      'head',
                      'head above the lowest footing',
                      own ? showLength(own.finished.top, units) : '',
                    )}
                  </td>
                  <td className="figures px-1 text-[16px] whitespace-nowrap">
                    {own ? `${inInches(widthOf(own.hole))} × ${inInches(heightOf(own.hole))}` : '–'}
                  </td>
                  <td className="figures px-1 text-[16px] whitespace-nowrap">
                    {own ? inInches(widthOf(own.concrete)) : '–'}
                    {own && !own.worked && <span className="ml-1 font-semibold text-stop">left out</span>}
                  </td>
                  <td className="w-9">
                    <button
                      type="button"
                      className="button plain px-1.5"
                      aria-label={`Remove ${name}`}
                      onClick={() => {
                        edit({ kind: 'remove-opening', opening: opening.id });
                      }}
                    >
                      <X aria-hidden="true" size={15} />
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </ScrollBox>
      <NewOpening job={job} walls={walls} wall={wall} onAdded={onChoose} />
    </section>
  );
}

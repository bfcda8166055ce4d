import {
  type Insert,
  type InsertChange,
  type InsertKind,
  type PlacedInsert,
  copiedInsert,
  INSERT_KINDS,
  insertKindName,
  insertNames,
  isRun,
} from '@ombra/core/stages/inserts';
import { type Usual, USUAL, feet, readLength } from '@ombra/core/kernel/measure';
import type { Wall } from '@ombra/core/stages/outline';
import { Copy, Plus, X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { LengthField } from '../../ui/LengthField';
import { ScrollBox } from '../../ui/ScrollBox';
import { TableHead } from '../../ui/TableHead';
import type { Job } from '../../job/useJob';
import { CellSelect, endOptions } from './OpeningTable';

interface InsertsPanelProps {
  readonly job: Job;
  readonly walls: readonly Wall[];
  readonly wall: Wall;
  readonly placed: readonly PlacedInsert[];
  readonly chosen: string | null;
  readonly onChoose: (insert: string, wall: string) => void;
}

type LengthKey = 'at' | 'up' | 'size' | 'height' | 'depth' | 'length' | 'spacing' | 'fall';

/** What is usual for each length of an insert. */
const USUAL_OF: Readonly<Record<LengthKey, Usual>> = {
  at: USUAL.station,
  up: USUAL.up,
  size: USUAL.thickness,
  height: USUAL.thickness,
  depth: USUAL.thickness,
  length: USUAL.wall,
  spacing: USUAL.spacing,
  fall: USUAL.step,
};

/** How much further on a copy is put. */
const COPY_BY = feet(2);

/** What can be said of each kind, with the word for it. */
const DETAILS: Readonly<Record<InsertKind, readonly (readonly [LengthKey, string])[]>> = {
  sleeve: [
    ['size', 'bore'],
    ['fall', 'fall'],
  ],
  conduit: [['size', 'bore']],
  pocket: [
    ['size', 'wide'],
    ['height', 'high'],
    ['depth', 'deep'],
  ],
  ledger: [
    ['length', 'long'],
    ['height', 'high'],
    ['spacing', 'anchors every'],
  ],
  hangers: [
    ['length', 'long'],
    ['spacing', 'every'],
    ['height', 'plate high'],
  ],
  'brick-ledge': [
    ['length', 'long'],
    ['depth', 'sticks out'],
    ['height', 'high'],
  ],
  'hold-down': [['size', 'wide']],
};

/** What `up` runs to, for each kind. */
const UP_TO: Readonly<Record<InsertKind, string>> = {
  sleeve: 'middle up',
  conduit: 'middle up',
  pocket: 'seat up',
  ledger: 'middle up',
  hangers: 'middle up',
  'brick-ledge': 'top up',
  'hold-down': 'middle up',
};

/** What else goes through the walls, into them or onto them: a list with every number editable, and a line to add one. */
export function InsertsPanel({ job, walls, wall, placed, chosen, onChoose }: InsertsPanelProps) {
  const { plan, edit, endMerge, freshId } = job;
  const { units } = plan;
  const inserts = plan.inserts ?? [];
  const names = insertNames(inserts);
  const placedIds = new Set(placed.map((each) => each.id));
  const wallOf = (id: string): Wall | undefined => walls.find((each) => each.id === id);
  const set = (insert: Insert, change: InsertChange, merge?: string): void => {
    edit(
      { kind: 'set-insert', insert: insert.id, change },
      merge === undefined ? undefined : `${insert.id}:${merge}`,
    );
  };
  const lengthCell = (insert: Insert, key: LengthKey, word: string, placeholder = word): ReactNode => (
    <LengthField
      usual={USUAL_OF[key]}
      label={`${names.get(insert.id) ?? ''}: ${word}`}
      text={insert[key] ?? ''}
      units={units}
      placeholder={placeholder}
      onType={(text) => {
        set(insert, { [key]: text }, key);
      }}
      onLeave={endMerge}
    />
  );
  return (
    <section aria-label="Inserts" className="min-w-0">
      <ScrollBox label="List of inserts" height="max-h-72">
        <table className="w-full min-w-[900px] border-collapse">
          <TableHead
            names={['name', 'kind', 'wall', 'from corner', 'up', 'sizes', 'face']}
            left={['kind', 'wall', 'from corner', 'up', 'sizes', 'face']}
            bare={1}
          />
          <tbody>
            {inserts.map((insert) => {
              const name = names.get(insert.id) ?? '';
              const isChosen = insert.id === chosen;
              return (
                <tr
                  key={insert.id}
                  aria-selected={isChosen}
                  className={`border-b border-line ${isChosen ? 'bg-chalk-wash' : ''}`}
                  onFocus={() => {
                    if (!isChosen) onChoose(insert.id, insert.wall);
                  }}
                >
                  <td className="w-40 pr-0.5">
                    <input
                      className="field"
                      aria-label={`Name of ${name}`}
                      maxLength={60}
                      placeholder={name}
                      value={insert.name ?? ''}
                      onChange={(event) => {
                        set(insert, { name: event.currentTarget.value }, 'name');
                      }}
                      onBlur={endMerge}
                    />
                    {!placedIds.has(insert.id) && (
                      <span className="text-sm font-semibold text-stop">left out</span>
                    )}
                  </td>
                  <td className="w-28 pr-0.5">
                    <CellSelect<InsertKind>
                      label={`Kind of ${name}`}
                      value={insert.kind}
                      options={INSERT_KINDS.map((kind) => ({ value: kind, label: insertKindName(kind) }))}
                      onChoose={(kind) => {
                        set(insert, { kind });
                      }}
                    />
                  </td>
                  <td className="w-16 pr-0.5">
                    <CellSelect
                      label={`Wall of ${name}`}
                      value={insert.wall}
                      options={[
                        ...walls.map((each) => ({ value: each.id, label: each.name })),
                        ...(wallOf(insert.wall) ? [] : [{ value: insert.wall, label: 'gone' }]),
                      ]}
                      onChoose={(id) => {
                        set(insert, { wall: id });
                      }}
                    />
                  </td>
                  <td className="w-36">
                    <div className="grid grid-cols-[48px_1fr] gap-0.5 pr-0.5">
                      <CellSelect
                        label={`Corner that ${name} is measured from`}
                        value={insert.from}
                        options={endOptions(wallOf(insert.wall))}
                        onChoose={(from) => {
                          set(insert, { from });
                        }}
                      />
                      {lengthCell(insert, 'at', isRun(insert.kind) ? 'to its near end' : 'to its middle')}
                    </div>
                  </td>
                  <td className="w-24 pr-0.5">{lengthCell(insert, 'up', UP_TO[insert.kind])}</td>
                  <td>
                    <div className="grid grid-cols-3 gap-0.5 pr-0.5">
                      {DETAILS[insert.kind].map(([key, word]) => (
                        <div key={key}>{lengthCell(insert, key, word)}</div>
                      ))}
                    </div>
                  </td>
                  <td className="w-36">
                    <div className="grid grid-cols-2 gap-0.5">
                      <CellSelect<'inside' | 'outside'>
                        label={`Face of ${name}`}
                        value={insert.face ?? (insert.kind === 'brick-ledge' ? 'outside' : 'inside')}
                        options={[
                          { value: 'inside', label: 'inside' },
                          { value: 'outside', label: 'outside' },
                        ]}
                        onChoose={(face) => {
                          set(insert, { face });
                        }}
                      />
                      {insert.kind === 'ledger' && (
                        <CellSelect<'cast' | 'drilled'>
                          label={`Anchors of ${name}`}
                          value={insert.fixing ?? 'cast'}
                          options={[
                            { value: 'cast', label: 'cast' },
                            { value: 'drilled', label: 'drilled' },
                          ]}
                          onChoose={(fixing) => {
                            set(insert, { fixing });
                          }}
                        />
                      )}
                    </div>
                  </td>
                  <td className="w-18 whitespace-nowrap">
                    <button
                      type="button"
                      className="button plain px-1"
                      aria-label={`Copy ${name}`}
                      onClick={() => {
                        const copy = copiedInsert(insert, COPY_BY, units);
                        edit({ kind: 'add-inserts', inserts: [{ ...copy, id: freshId() }] });
                      }}
                    >
                      <Copy aria-hidden="true" size={14} />
                    </button>
                    <button
                      type="button"
                      className="button plain px-1"
                      aria-label={`Remove ${name}`}
                      onClick={() => {
                        edit({ kind: 'remove-insert', insert: insert.id });
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
      <NewInsert
        job={job}
        walls={walls}
        wall={wall}
        onAdd={(insert) => {
          const id = freshId();
          edit({ kind: 'add-inserts', inserts: [{ ...insert, id }] });
          onChoose(id, insert.wall);
        }}
      />
    </section>
  );
}

/** A line to type an insert in; what is not said follows the house rules. */
function NewInsert({
  job,
  walls,
  wall,
  onAdd,
}: Pick<InsertsPanelProps, 'job' | 'walls' | 'wall'> & {
  readonly onAdd: (insert: Omit<Insert, 'id'>) => void;
}) {
  const { units } = job.plan;
  const [kind, setKind] = useState<InsertKind>('sleeve');
  const [own, setOwn] = useState<string | null>(null);
  const [from, setFrom] = useState<Insert['from']>('start');
  const [at, setAt] = useState('');
  const [up, setUp] = useState('');
  const [name, setName] = useState('');
  const on = walls.find((each) => each.id === own) ?? wall;
  const ready = readLength(at, units).ok && readLength(up, units).ok;
  return (
    <form
      aria-label="New insert"
      className="mt-1 flex flex-wrap items-start gap-0.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (!ready) return;
        onAdd({ kind, wall: on.id, from, at, up, ...(name.trim() === '' ? {} : { name: name.trim() }) });
        setAt('');
        setName('');
      }}
    >
      <div className="w-32">
        <CellSelect<InsertKind>
          label="New insert: kind"
          value={kind}
          options={INSERT_KINDS.map((each) => ({ value: each, label: insertKindName(each) }))}
          onChoose={setKind}
        />
      </div>
      <div className="w-18">
        <CellSelect
          label="New insert: wall"
          value={on.id}
          options={walls.map((each) => ({ value: each.id, label: each.name }))}
          onChoose={setOwn}
        />
      </div>
      <div className="w-13">
        <CellSelect label="New insert: corner" value={from} options={endOptions(on)} onChoose={setFrom} />
      </div>
      <div className="w-28">
        <LengthField
          usual={USUAL.station}
          label="New insert: distance from the corner"
          text={at}
          units={units}
          placeholder={isRun(kind) ? 'to near end' : 'to its middle'}
          onType={setAt}
        />
      </div>
      <div className="w-28">
        <LengthField
          usual={USUAL.up}
          label="New insert: how far up"
          text={up}
          units={units}
          placeholder={UP_TO[kind]}
          onType={setUp}
        />
      </div>
      <input
        className="field w-40!"
        aria-label="New insert: name"
        placeholder="name, if any"
        maxLength={60}
        value={name}
        onChange={(event) => {
          setName(event.currentTarget.value);
        }}
      />
      <button type="submit" className="button" disabled={!ready}>
        <Plus aria-hidden="true" size={14} /> Insert
      </button>
    </form>
  );
}

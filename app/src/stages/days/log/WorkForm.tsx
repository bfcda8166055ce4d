import { rulesOf } from '@ombra/core/rules';
import type { LaidRowRecord } from '@ombra/core/kernel/record';
import { rowOnSite } from '@ombra/core/stages/courses';
import { type DayItem, openBefore, quantityOfShare, ratesOfItem } from '@ombra/core/stages/days';
import { type Wall, wallsOf } from '@ombra/core/stages/outline';
import { facesOf } from '@ombra/core/today';
import { useEffect, useMemo, useState } from 'react';
import { asLaid } from './asLaid';
import { CountInput, DayField, LineField, SelectField, Tick } from './Field';
import type { EntryFormProps } from './formProps';
import type { Tapping } from './useTapping';
import { useDay } from './useDay';

type WorkFormProps = EntryFormProps<'work'> & {
  readonly tapping: Tapping;
  /** Opens the hold points. */
  readonly onHolds: () => void;
};

/** Where a course was laid otherwise than planned: corners with the other hand, cuts that were moved. */
function Otherwise({
  walls,
  corners,
  turned,
  onTurned,
  before,
  onBefore,
}: {
  readonly walls: readonly Wall[];
  readonly corners: readonly { readonly letter: string; readonly wallAfter: string }[];
  readonly turned: ReadonlySet<string>;
  readonly onTurned: (wall: string) => void;
  readonly before: Readonly<Record<string, number>>;
  readonly onBefore: (wall: string, count: number | null) => void;
}) {
  return (
    <details className="my-2 border border-line p-2">
      <summary className="min-h-(--target) cursor-pointer font-medium">Laid otherwise than planned</summary>
      <fieldset className="my-2">
        <legend className="heading">Corners laid with the other hand</legend>
        <div className="flex flex-wrap gap-x-4">
          {corners.map(({ letter, wallAfter }) => (
            <Tick
              key={letter}
              label={`Corner ${letter}`}
              done={turned.has(wallAfter)}
              onSet={() => {
                onTurned(wallAfter);
              }}
            />
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="heading">Cuts moved: whole blocks before them, from the first corner</legend>
        <div className="grid grid-cols-3 gap-2">
          {walls.map(({ id, name }) => (
            <CountInput
              key={id}
              label={name}
              value={before[id] ?? null}
              most={200}
              placeholder="as planned"
              onSet={(count) => {
                onBefore(id, count === null ? null : Math.round(count));
              }}
            />
          ))}
        </div>
      </fieldset>
      <p className="mt-1 text-sm text-quiet">Courses above are planned again from what stands.</p>
    </details>
  );
}

/** Work on an item: how much of it, what it took, and what was laid, tapped on the strip or here. */
export function WorkForm({ job, worked, day: offered, initial, onWrite, tapping, onHolds }: WorkFormProps) {
  const { items, holds } = worked.days;
  // Work goes on after what was done last.
  const last = items.findLastIndex(({ done }) => done > 0);
  const open = items.filter(({ done, kind }, index) => done < 1 && kind !== 'inspection' && index >= last);
  const [id, setId] = useState(initial?.item ?? open[0]?.id ?? items[0]?.id ?? '');
  const [day, setDay] = useDay(initial?.day, offered);
  const [hours, setHours] = useState<number | null>(
    typeof initial?.manMinutes === 'number' ? Math.round((initial.manMinutes / 60) * 100) / 100 : null,
  );
  const [part, setPart] = useState<number | null>(initial ? Math.round(initial.share * 100) : 100);
  const [first, setFirst] = useState(initial?.first === true);
  const [crew, setCrew] = useState(initial?.crew ?? '');
  const [anyway, setAnyway] = useState(false);
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const [before, setBefore] = useState<Readonly<Record<string, number>>>({});
  const [busy, setBusy] = useState(false);
  const item: DayItem | undefined = items.find((each) => each.id === id);
  const course = item?.course ?? null;
  const faces = course === null ? null : facesOf(worked.courses.rows, course);
  const there = faces && [...faces.keys()].join(' ');
  const walls = useMemo(() => wallsOf(worked.shell), [worked.shell]);
  const laid = job.log.onSite?.laid.rows;
  const { begin, chosen, tap } = tapping;
  // A course begins with the walls that do not stand yet: one press records all of it.
  useEffect(() => {
    if (there === null) begin(null, []);
    else {
      const all = there.split(' ');
      const stands = new Set(laid?.flatMap((row) => (row.course === course ? [row.wall] : [])));
      const left = all.filter((wall) => !stands.has(wall));
      begin(course, left.length > 0 ? left : all);
    }
    return () => {
      begin(null, []);
    };
  }, [there, course, laid, begin]);
  if (!item) return <p>There is nothing to work on yet. Draw the outline first.</p>;
  const all = faces ? [...faces.values()].reduce((sum, face) => sum + face, 0) : 0;
  const tapped = faces ? [...faces].reduce((sum, [wall, face]) => sum + (chosen.has(wall) ? face : 0), 0) : 0;
  const share = faces ? (all > 0 ? tapped / all : 0) : (part ?? 0) / 100;
  const unsigned = openBefore(holds, items, id);
  const expected = item.work.value * share;
  const again = item.done + share > 1 + 1e-9 && initial === null;
  const rowsOf = async (): Promise<readonly LaidRowRecord[]> => {
    if (course === null) return [];
    const own = walls.map((wall) => wall.id).filter((wall) => chosen.has(wall) && faces?.has(wall));
    return turned.size > 0 || Object.keys(before).length > 0
      ? asLaid(job.planOnSite, { course, walls: own, turned: [...turned], before })
      : own.flatMap((wall) => rowOnSite(worked, wall, course) ?? []);
  };
  const record = async (): Promise<void> => {
    setBusy(true);
    const rows = await rowsOf();
    setBusy(false);
    onWrite({
      day,
      item: id,
      kind: item.kind,
      name: item.name,
      share,
      quantity: quantityOfShare(item, share),
      manMinutes: hours === null ? null : hours * 60,
      planned: expected,
      rates: ratesOfItem(item, rulesOf(job.plan)),
      ...(first ? { first } : {}),
      ...(crew.trim() === '' ? {} : { crew: crew.trim() }),
      ...(rows.length > 0 ? { rows: [...rows] } : {}),
      ...(unsigned.length > 0 ? { anyway: unsigned.map((each) => each.id) } : {}),
    });
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void record();
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="Work"
          value={id}
          options={items.map((each): readonly [string, string] => [
            each.id,
            `${each.name}${each.done >= 1 ? ' (done)' : each.done > 0 ? ` (${String(Math.round(each.done * 100))} %)` : ''}`,
          ])}
          onChoose={(next) => {
            setId(next);
            setTurned(new Set());
            setBefore({});
          }}
        />
        <DayField day={day} onDay={setDay} />
        <CountInput
          label="Man-hours"
          value={hours}
          step={0.25}
          most={2000}
          placeholder={`planned ${(expected / 60).toFixed(1)}`}
          onSet={setHours}
        />
        <LineField label="Crew, where there are several" text={crew} most={80} onType={setCrew} />
        {course === null && <CountInput label="Share of it, %" value={part} most={100} onSet={setPart} />}
      </div>
      {faces && (
        <fieldset className="my-2">
          <legend className="heading">Laid: tap here or on the strip</legend>
          <div className="flex flex-wrap gap-1">
            {walls
              .filter(({ id: wall }) => faces.has(wall))
              .map(({ id: wall, name }) => (
                <button
                  key={wall}
                  type="button"
                  className={`button figures ${chosen.has(wall) ? 'border-record! bg-record! text-sheet!' : ''}`}
                  aria-pressed={chosen.has(wall)}
                  onClick={() => {
                    tap(wall);
                  }}
                >
                  {name}
                </button>
              ))}
          </div>
          <p className="text-sm text-quiet">{Math.round(share * 100)} % of the course’s face</p>
        </fieldset>
      )}
      <Tick label="Somebody new to this work was in it" done={first} onSet={setFirst} />
      {course !== null && (
        <Otherwise
          walls={walls.filter(({ id: wall }) => faces?.has(wall))}
          corners={worked.shell.loops.flatMap(({ built }) => built?.corners ?? [])}
          turned={turned}
          onTurned={(wall) => {
            const next = new Set(turned);
            if (!next.delete(wall)) next.add(wall);
            setTurned(next);
          }}
          before={before}
          onBefore={(wall, count) => {
            const others = Object.fromEntries(Object.entries(before).filter(([each]) => each !== wall));
            setBefore(count === null ? others : { ...others, [wall]: count });
          }}
        />
      )}
      {again && (
        <p role="status" className="text-check">
          The log has {Math.round(item.done * 100)} % of this already. Record it again only if it was done
          twice.
        </p>
      )}
      {unsigned.length > 0 && (
        <div role="group" aria-label="Hold points not signed" className="my-2 border-l-4 border-check pl-2">
          <p>
            Not signed: <strong>{unsigned.map(({ name }) => name).join(', ')}</strong>.{' '}
            <button type="button" className="underline" onClick={onHolds}>
              Look at them
            </button>
          </p>
          <Tick label="Gone on anyway: recorded with the work" done={anyway} onSet={setAnyway} />
        </div>
      )}
      <button
        type="submit"
        className="button strong"
        disabled={busy || share <= 0 || (unsigned.length > 0 && !anyway)}
      >
        Record {item.name}
      </button>
    </form>
  );
}

import { USUAL, readLength } from '@ombra/core/kernel/measure';
import { type Opening, type OpeningKind, OPENING_KINDS, openingKindName } from '@ombra/core/stages/openings';
import type { Wall } from '@ombra/core/stages/outline';
import { Plus } from 'lucide-react';
import { useLayoutEffect, useRef, useState } from 'react';
import { LengthField } from '../../ui/LengthField';
import type { Job } from '../../job/useJob';
import { CellSelect, endOptions } from './OpeningTable';
import { NEW_OPENING, wasAskedFor } from './openingAsked';

/** What is usual for each length of a new opening. */
const USUAL_OF = {
  at: USUAL.station,
  width: USUAL.opening,
  height: USUAL.opening,
  up: USUAL.up,
} as const;

interface NewOpeningProps {
  readonly job: Job;
  readonly walls: readonly Wall[];
  /** The wall that is looked at: where a new one goes when nothing else is said. */
  readonly wall: Wall;
  readonly onAdded: (opening: string, wall: string) => void;
}

/** A line to type an opening in: kind, wall, corner, distance, width, height, sill or head, name; Enter adds it. */
export function NewOpening({ job, walls, wall, onAdded }: NewOpeningProps) {
  const { units } = job.plan;
  const [kind, setKind] = useState<OpeningKind>('window');
  const [own, setOwn] = useState<string | null>(null);
  const [from, setFrom] = useState<Opening['from']>('start');
  const [to, setTo] = useState<Opening['to']>('centre');
  const [upTo, setUpTo] = useState<'sill' | 'head' | 'footing'>('head');
  const [texts, setTexts] = useState({ at: '', width: '', height: '', up: '', name: '' });
  const first = useRef<HTMLSelectElement>(null);
  useLayoutEffect(() => {
    if (wasAskedFor()) first.current?.focus();
  }, []);
  const on = walls.find((each) => each.id === own) ?? wall;
  const type = (key: keyof typeof texts) => (text: string) => {
    setTexts((before) => ({ ...before, [key]: text }));
  };
  const readable = (text: string): boolean => readLength(text, units).ok;
  const ready =
    readable(texts.at) &&
    readable(texts.width) &&
    readable(texts.height) &&
    (upTo === 'footing' || readable(texts.up));
  const add = (): void => {
    if (!ready) return;
    const id = job.freshId();
    const { at, width, height, up, name } = texts;
    job.edit({
      kind: 'add-openings',
      openings: [
        {
          id,
          kind,
          wall: on.id,
          from,
          to,
          at,
          width,
          height,
          ...(upTo === 'footing' ? {} : { [upTo]: up }),
          ...(name.trim() === '' ? {} : { name: name.trim() }),
        },
      ],
    });
    setTexts({ at: '', width: '', height: '', up, name: '' });
    setOwn(null);
    onAdded(id, on.id);
    first.current?.focus();
  };
  const length = (key: 'at' | 'width' | 'height' | 'up', label: string, placeholder: string) => (
    <LengthField
      usual={USUAL_OF[key]}
      label={`New opening: ${label}`}
      text={texts[key]}
      units={units}
      placeholder={placeholder}
      onType={type(key)}
    />
  );
  return (
    <form
      aria-label="New opening"
      className="mt-1 grid grid-cols-[104px_66px_48px_76px_minmax(70px,1fr)_minmax(64px,1fr)_minmax(64px,1fr)_76px_minmax(64px,1fr)_minmax(90px,1.4fr)_auto] items-start gap-0.5 max-xl:grid-cols-4"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <select
        ref={first}
        id={NEW_OPENING}
        className="field figures px-0.5! text-[16px]"
        aria-label="New opening: kind"
        value={kind}
        onChange={(event) => {
          const next = event.currentTarget.value as OpeningKind;
          setKind(next);
          if (next === 'door' || next === 'garage') setUpTo('footing');
          else if (upTo === 'footing') setUpTo('head');
        }}
      >
        {OPENING_KINDS.map((each) => (
          <option key={each} value={each}>
            {openingKindName(each)}
          </option>
        ))}
      </select>
      <CellSelect
        label="New opening: wall"
        value={on.id}
        options={walls.map((each) => ({ value: each.id, label: each.name }))}
        onChoose={setOwn}
      />
      <CellSelect label="New opening: corner" value={from} options={endOptions(on)} onChoose={setFrom} />
      <CellSelect
        label="New opening: measured to"
        value={to}
        options={[
          { value: 'near', label: 'near side' },
          { value: 'centre', label: 'center' },
        ]}
        onChoose={setTo}
      />
      {length('at', 'distance from the corner', `from ${from === 'start' ? on.from : on.to}`)}
      {length('width', 'width', 'wide')}
      {length('height', 'height', 'high')}
      <CellSelect
        label="New opening: height given by"
        value={upTo}
        options={[
          { value: 'sill', label: 'sill at' },
          { value: 'head', label: 'head at' },
          { value: 'footing', label: 'on footing' },
        ]}
        onChoose={setUpTo}
      />
      {upTo === 'footing' ? (
        <span className="figures self-center px-1 text-sm text-quiet">on the footing</span>
      ) : (
        length('up', upTo, 'up')
      )}
      <input
        className="field"
        aria-label="New opening: name"
        placeholder="name, if any"
        maxLength={60}
        value={texts.name}
        onChange={(event) => {
          type('name')(event.currentTarget.value);
        }}
      />
      <button type="submit" className="button" disabled={!ready}>
        <Plus aria-hidden="true" size={14} /> Opening
      </button>
    </form>
  );
}

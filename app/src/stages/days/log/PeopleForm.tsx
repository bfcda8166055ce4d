import { type EntryBody, ofKind, standingEntries } from '@ombra/core/kernel/record';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { rulesOf } from '@ombra/core/rules';
import { DayField } from './Field';
import type { EntryFormProps } from './formProps';
import { useDay } from './useDay';

type Person = EntryBody<'people'>['people'][number];

/** Who was there, and for how long. The people of the last time are offered again. */
export function PeopleForm({ job, day: offered, initial, onWrite }: EntryFormProps<'people'>) {
  const hours = rulesOf(job.plan).count('days.hours');
  const last = ofKind(standingEntries(job.log.entries), 'people').at(-1)?.body.people ?? [];
  const [day, setDay] = useDay(initial?.day, offered);
  const [people, setPeople] = useState<readonly Person[]>(
    initial?.people ?? (last.length > 0 ? last : [{ name: '', hours }]),
  );
  const change = (at: number, part: Partial<Person>): void => {
    setPeople(people.map((each, index) => (index === at ? { ...each, ...part } : each)));
  };
  const named = people.filter(({ name }) => name.trim() !== '');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onWrite({ day, people: named.map((each) => ({ ...each, name: each.name.trim() })) });
      }}
    >
      <DayField day={day} onDay={setDay} />
      <ul className="my-2 flex flex-col gap-1">
        {people.map((person, index) => (
          <li key={index} className="grid grid-cols-[minmax(0,1fr)_70px_auto_auto] items-center gap-2">
            <input
              className="field"
              aria-label={`Name ${String(index + 1)}`}
              placeholder="name"
              maxLength={80}
              autoComplete="off"
              value={person.name}
              onChange={(event) => {
                change(index, { name: event.currentTarget.value });
              }}
            />
            <input
              type="number"
              className="field figures"
              aria-label={`Hours of ${person.name || `person ${String(index + 1)}`}`}
              min={0}
              max={24}
              step={0.25}
              value={person.hours}
              onChange={(event) => {
                const { valueAsNumber } = event.currentTarget;
                if (valueAsNumber >= 0 && valueAsNumber <= 24) change(index, { hours: valueAsNumber });
              }}
            />
            <label className="flex min-h-(--target) items-center gap-1 text-sm">
              <input
                type="checkbox"
                className="size-5 accent-record"
                aria-label={`${person.name || `Person ${String(index + 1)}`} is new to this work`}
                checked={person.first === true}
                onChange={(event) => {
                  const { checked } = event.currentTarget;
                  setPeople(
                    people.map((each, at) => {
                      if (at !== index) return each;
                      const { name, hours: worked } = each;
                      return checked ? { name, hours: worked, first: true } : { name, hours: worked };
                    }),
                  );
                }}
              />
              new
            </label>
            <button
              type="button"
              className="button plain px-1"
              aria-label={`Leave out ${person.name || `person ${String(index + 1)}`}`}
              onClick={() => {
                setPeople(people.filter((_, at) => at !== index));
              }}
            >
              <X aria-hidden="true" size={15} />
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="button"
          onClick={() => {
            setPeople([...people, { name: '', hours }]);
          }}
        >
          <Plus aria-hidden="true" size={14} /> Person
        </button>
        <button type="submit" className="button strong">
          Record {named.length} {named.length === 1 ? 'person' : 'people'}
        </button>
      </div>
    </form>
  );
}

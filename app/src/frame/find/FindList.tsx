import { Command } from 'cmdk';
import { useMemo, useState } from 'react';
import { everything } from './found';
import type { FindProps } from './Find';

/** Every word that was typed stands in the name, or in what else it goes by: names count more. */
function fit(name: string, search: string, words: readonly string[] = []): number {
  const wanted = search.toLowerCase().split(/\s+/).filter(Boolean);
  const own = name.slice(name.indexOf('\n') + 1).toLowerCase();
  if (wanted.every((word) => own.includes(word))) return own.startsWith(wanted[0] ?? '') ? 1 : 0.8;
  const all = `${own} ${words.join(' ').toLowerCase()}`;
  return wanted.every((word) => all.includes(word)) ? 0.4 : 0;
}

/** Groups that are listed before anything is typed; house rules are too many for that. */
const LISTED = new Set(['Stages', 'Sheets to print', 'Walls']);

/** A field and, under it, what fits; arrow keys choose, Enter goes there. */
export function FindList({ onClose, ...props }: FindProps) {
  const [search, setSearch] = useState('');
  const groups = useMemo(() => everything(props), [props]);
  return (
    <Command label="Find anything" filter={fit} className="w-[min(33rem,calc(100vw-3rem))]">
      <Command.Input
        // eslint-disable-next-line jsx-a11y/no-autofocus -- whoever asks for it wants to type
        autoFocus
        className="field text-lg"
        placeholder="lap, Bracing, B–C, pour card …"
        value={search}
        onValueChange={setSearch}
      />
      <Command.List className="mt-2 h-96 max-h-[60vh] overflow-y-auto">
        <Command.Empty className="p-2 text-quiet">Nothing has these words.</Command.Empty>
        {groups
          .filter(({ name }) => search.trim() !== '' || LISTED.has(name))
          .map(({ name, found }) => (
            <Command.Group key={name} heading={<span className="heading px-2">{name}</span>}>
              {found.map((each) => (
                <Command.Item
                  key={each.id}
                  value={`${each.id}\n${each.name}`}
                  {...(each.words === undefined ? {} : { keywords: [each.words] })}
                  className="flex min-h-(--target) cursor-pointer items-center px-2 data-[selected=true]:bg-chalk-wash"
                  onSelect={() => {
                    onClose();
                    each.go();
                  }}
                >
                  {each.name}
                </Command.Item>
              ))}
            </Command.Group>
          ))}
      </Command.List>
    </Command>
  );
}

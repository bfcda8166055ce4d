import { type Entry, type EntryKind, dayOfEntry, standingEntries } from '@ombra/core/kernel/record';
import { wallsOf } from '@ombra/core/stages/outline';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import type { SheetProps } from '../../frame/stage';
import { type EntryWords, KIND_NAMES, entryText, placeText } from './log/entryWords';

/** Ticks stand with their hold points; where the hose was and what stood how high, on the record of the pour. */
const ELSEWHERE: ReadonlySet<EntryKind> = new Set(['tick', 'hose', 'rise', 'side']);

const dayOf = (entry: Entry): string => ('day' in entry.body ? entry.body.day : dayOfEntry(entry));

/** The log on paper, a day after the other, or the one that its address asks for (`?day=2027-04-06`); with room to sign. */
export function LogSheet({ worked, entries, asked, ...job }: SheetProps) {
  const { units, shell } = worked;
  const walls = wallsOf(shell);
  const words: EntryWords = { units, wallName: (id) => walls.find((wall) => wall.id === id)?.name ?? null };
  const standing = standingEntries(entries).filter(({ entry }) => !ELSEWHERE.has(entry.kind));
  const all = [...new Set(standing.map(({ entry }) => dayOf(entry)))].sort();
  const only = asked.get('day');
  const days = only === null ? all : all.filter((day) => day === only);
  return (
    <SheetFrame
      job={job}
      here="log"
      title="daily sheet"
      line={`${String(standing.length)} ${standing.length === 1 ? 'entry' : 'entries'}`}
      links={all.map((day) => (
        <a key={day} className="button figures" href={`/jobs/${job.jobId}/sheets/log?day=${day}`}>
          {day}
        </a>
      ))}
    >
      {days.length === 0 && (
        <p className="text-lg font-semibold">
          {only === null ? 'Nothing is recorded yet.' : `Nothing is recorded of ${only.slice(0, 20)}.`}
        </p>
      )}
      {days.map((day) => (
        <section key={day} className="mb-4 break-inside-avoid-page">
          <h2 className="border-b border-ink text-lg font-semibold">{day}</h2>
          <table className="w-full border-collapse text-[15px]">
            <tbody>
              {standing
                .filter(({ entry }) => dayOf(entry) === day)
                .map(({ entry, before }) => (
                  <tr key={entry.id} className="border-b border-line align-top">
                    <td className="figures w-14 px-1">{entry.at.slice(11, 16)}</td>
                    <th scope="row" className="w-32 px-1 text-left font-semibold">
                      {KIND_NAMES[entry.kind]}
                    </th>
                    <td className="px-1">
                      {entryText(entry, words)}
                      {placeText(entry, words) === null ? '' : ` (${placeText(entry, words) ?? ''})`}
                      {before.length > 0 ? ' · corrected' : ''}
                    </td>
                    <td className="w-20 px-1 text-right">{entry.who}</td>
                  </tr>
                ))}
            </tbody>
          </table>
          <p className="mt-3 flex gap-8 text-sm">
            <span className="grow border-t border-ink">signed, lead installer</span>
            <span className="grow border-t border-ink">signed, for the owner</span>
          </p>
        </section>
      ))}
    </SheetFrame>
  );
}

import { FilePlus2 } from 'lucide-react';
import { useState } from 'react';
import { useAlive } from './useAlive';

/** Plans that ship, to look at and to change; each is opened as a job of one's own. */
const EXAMPLES = [
  {
    file: 'pump-house',
    name: 'Pump house',
    about: 'one low pour, a door, a louver and a sleeve; feet and inches',
  },
  { file: 'cider-press', name: 'Cider press', about: 'an L in two pours, with a wide door; metric' },
  {
    file: 'boathouse',
    name: 'Boathouse',
    about: 'a footing stepped by two courses, soil on three sides, a slab between its pours',
  },
  {
    file: 'kennel',
    name: 'Kennel',
    about: 'long foam-cement elements filled through access holes, with a ledger',
  },
  {
    file: 'observatory',
    name: 'Observatory',
    about: 'two courses on insulated footing forms with exposed concrete above; metric',
  },
] as const;

/** Example plans, a press each. @param onOpen makes a job of a plan file's text */
export function Examples({ onOpen }: { readonly onOpen: (text: string) => Promise<void> }) {
  const alive = useAlive();
  const [failed, setFailed] = useState(false);
  const open = async (file: string): Promise<void> => {
    try {
      const answer = await fetch(`/examples/${file}.json`);
      if (!answer.ok) throw new Error(String(answer.status));
      setFailed(false);
      await onOpen(await answer.text());
    } catch {
      setFailed(true);
    }
  };
  return (
    <section aria-label="Examples" className="mt-8">
      <h2 className="heading">Examples to open and change</h2>
      <ul className="mt-1 flex flex-col gap-1">
        {EXAMPLES.map(({ file, name, about }) => (
          <li key={file} className="flex flex-wrap items-center gap-x-3">
            <button type="button" className="button" disabled={!alive} onClick={() => void open(file)}>
              <FilePlus2 aria-hidden="true" size={16} /> {name}
            </button>
            <span className="text-quiet">{about}</span>
          </li>
        ))}
      </ul>
      {failed && (
        <p role="alert" className="mt-1 text-stop">
          The server did not answer. Try again.
        </p>
      )}
    </section>
  );
}

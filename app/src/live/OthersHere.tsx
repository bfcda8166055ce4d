import { Users } from 'lucide-react';

/** Names that are shown; more are counted. */
const SHOWN = 2;

/** Who else has the job open: there to be seen, and no more. */
export function OthersHere({ names }: { readonly names: readonly string[] }) {
  if (names.length === 0) return null;
  const left = names.length - SHOWN;
  return (
    <p
      className="figures flex items-center text-[15px] text-quiet"
      title={`Open here too: ${names.join(', ')}`}
    >
      <Users aria-hidden="true" size={15} className="mr-1 shrink-0" />
      <span className="sr-only">Open here too: </span>
      <span className="max-w-36 truncate">
        {names.slice(0, SHOWN).join(', ')}
        {left > 0 && ` and ${String(left)} more`}
      </span>
    </p>
  );
}

import { Undo2 } from 'lucide-react';
import { useSay } from './say';

/** Choices for a tap that comes late, in minutes. */
const AGO = [0, 2, 5, 10, 15, 20, 30, 45, 60] as const;

interface TapFooterProps {
  /** Taps that the server has not taken yet. */
  readonly waiting: number;
  /** The newest tap from here, in words; null where there is none. */
  readonly last: string | null;
  /** Minutes by which the next tap comes late. */
  readonly late: number;
  readonly onLate: (minutes: number) => void;
  readonly onTakeBack: () => void;
}

/** What was tapped last from here, how late the next tap comes, and the way back: always in reach of a thumb. */
export function TapFooter({ waiting, last, late, onLate, onTakeBack }: TapFooterProps) {
  const say = useSay();
  return (
    <footer className="sticky bottom-0 flex flex-wrap items-center justify-end gap-x-2 border-t-2 border-ink bg-sheet px-3 py-1">
      <p className="min-w-0 grow basis-64 truncate" role="status">
        {waiting > 0 ? `${say('{count} waiting for the server', { count: waiting })} · ` : ''}
        {last ?? say('No tap yet from here')}
      </p>
      <select
        aria-label={say('When the next tap was')}
        className={`field h-14 w-auto! shrink-0 ${late > 0 ? 'border-record! font-semibold text-record' : ''}`}
        value={String(late)}
        onChange={(event) => {
          onLate(Number(event.currentTarget.value));
        }}
      >
        {AGO.map((minutes) => (
          <option key={minutes} value={String(minutes)}>
            {minutes === 0 ? say('tapped now') : say('{minutes} min ago', { minutes })}
          </option>
        ))}
      </select>
      <button type="button" className="button shrink-0" disabled={last === null} onClick={onTakeBack}>
        <Undo2 aria-hidden="true" /> {say('Take back')}
      </button>
    </footer>
  );
}

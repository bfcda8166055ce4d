import { formatDistanceStrict } from 'date-fns';

const HOUR = 3_600_000;

/** How far a clock is off, in words: `1 day behind`. */
function offText(ahead: number): string {
  // To the hour where it is hours: a day less a second is a day.
  const far = Math.abs(ahead) > 1.5 * HOUR ? Math.round(Math.abs(ahead) / HOUR) * HOUR : Math.abs(ahead);
  const words = formatDistanceStrict(0, far);
  return `${words} ${ahead > 0 ? 'behind' : 'ahead'}`;
}

/** Says that the clock of this device is off. @param off milliseconds that the server's is ahead */
export default function ClockAlert({ off }: { readonly off: number }) {
  return (
    <p role="status" className="border-b border-line bg-sheet p-3">
      The clock of this device is {offText(off)}. What you write carries the server’s time; set the clock
      right.
    </p>
  );
}

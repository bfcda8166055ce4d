import { format, formatDistanceToNow, parseISO } from 'date-fns';
import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** When a job was last changed, in words; pointing at it tells the hour here. The server, elsewhere perhaps, leaves it to the browser. */
export function ChangedAt({ at }: { readonly at: string }) {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const time = parseISO(at);
  return (
    <time dateTime={at} className="text-quiet" title={here ? format(time, 'PPPp') : undefined}>
      {here ? formatDistanceToNow(time, { addSuffix: true }) : ''}
    </time>
  );
}

import { useState } from 'react';

/**
 * The day of an entry: the one that is offered, until another is chosen. What is offered comes with the log, which may be there
 * later than the form.
 *
 * @param kept the day of the entry that is being corrected
 */
export function useDay(kept: string | undefined, offered: string) {
  const [chosen, choose] = useState(kept ?? null);
  return [chosen ?? offered, choose] as const;
}

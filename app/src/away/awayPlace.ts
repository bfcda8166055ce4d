/** What an address shows, as far as it can be shown without signal. */
export type AwayPlace =
  | { readonly kind: 'list' }
  | { readonly kind: 'today'; readonly job: string }
  | { readonly kind: 'board'; readonly job: string; readonly number: number }
  | { readonly kind: 'sheet'; readonly job: string; readonly sheet: string }
  | { readonly kind: 'stage'; readonly job: string; readonly stage: string; readonly panel?: string };

/**
 * What an address shows; null where that takes the server.
 *
 * @example placeOf('/jobs/shed/pours/2/board') // { kind: 'board', job: 'shed', number: 2 }
 */
export function placeOf(path: string): AwayPlace | null {
  const [first = '', job = '', ...rest] = path.split('/').filter((part) => part !== '');
  if (first === '') return { kind: 'list' };
  if (first !== 'jobs' || job === '') return null;
  const [stage = 'outline', second = '', third = ''] = rest;
  if (stage === 'today' && rest.length === 1) return { kind: 'today', job };
  if (stage === 'pours' && third === 'board' && /^[1-9]\d{0,2}$/.test(second))
    return { kind: 'board', job, number: Number(second) };
  if (stage === 'sheets' && rest.length === 2) return { kind: 'sheet', job, sheet: second };
  if (stage === 'days' && second === 'log') return { kind: 'stage', job, stage, panel: 'log' };
  return rest.length <= 1 && stage !== 'paper' ? { kind: 'stage', job, stage } : null;
}

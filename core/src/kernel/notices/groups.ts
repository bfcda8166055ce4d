import type { Notice, Severity } from './notice';

/** Worst first. */
export const SEVERITIES: readonly Severity[] = ['stop', 'check', 'tip'];

/** Notices of one cause: a line that opens to its places. */
export interface NoticeGroup {
  /** Stable for the same cause. */
  readonly id: string;
  readonly severity: Severity;
  /** The view that deals with it; none for what belongs to the whole job. */
  readonly stage: string | undefined;
  readonly about: string;
  /** One at least, the worst first. */
  readonly notices: readonly [Notice, ...Notice[]];
}

/**
 * Notices by their cause, worst cause first; those of one severity in the order they came in.
 *
 * @example noticeGroups([]) // []
 */
export function noticeGroups(notices: readonly Notice[]): readonly NoticeGroup[] {
  const groups = new Map<string, [Notice, ...Notice[]]>();
  for (const notice of notices) {
    const id = [notice.place.stage ?? '', notice.severity, notice.kind].join(':');
    const group = groups.get(id);
    if (group) group.push(notice);
    else groups.set(id, [notice]);
  }
  return [...groups]
    .map(([id, own]): NoticeGroup => {
      const [{ severity, place, about }] = own;
      return { id, severity, stage: place.stage, about, notices: own };
    })
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}

/** The places of a group, each once: `C–D, D–E`. */
export const placesOf = ({ notices }: NoticeGroup): string =>
  [...new Set(notices.map(({ where }) => where))].join(', ');

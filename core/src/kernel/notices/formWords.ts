import { type Family, inWordsOf } from '../forms';
import type { Notice } from './notice';

/** Notices in the words of the job's forms. */
export const inFormWords = (
  kind: Family['kind'] | undefined,
  notices: readonly Notice[],
): readonly Notice[] =>
  kind !== 'cell'
    ? notices
    : notices.map((notice) => ({
        ...notice,
        about: inWordsOf(kind, notice.about),
        what: inWordsOf(kind, notice.what),
        ...(notice.why === undefined ? {} : { why: inWordsOf(kind, notice.why) }),
      }));

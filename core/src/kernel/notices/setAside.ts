import { type SetAside, MOST_KEPT_OF_NOTICE } from '../plan/plan';
import type { Notice } from './notice';

/** Whether a notice may be set aside: a stop stays until it is mended. */
export const canSetAside = ({ severity }: Notice): boolean => severity !== 'stop';

/** A notice as it is set aside: a sentence that names hundreds of walls is compared by its beginning. */
export const asSeen = ({ id, what }: Notice): Pick<SetAside, 'notice' | 'what'> => ({
  notice: id.slice(0, MOST_KEPT_OF_NOTICE.id),
  what: what.slice(0, MOST_KEPT_OF_NOTICE.what),
});

/**
 * Notices that are open, and those that were set aside as they now stand, with the word given for each. One whose figures have
 * changed since is open again, and so is one that has become a stop.
 */
export function withoutAside(
  notices: readonly Notice[],
  setAside: readonly SetAside[] = [],
): {
  readonly open: readonly Notice[];
  readonly aside: readonly { readonly notice: Notice; readonly word: string }[];
} {
  const words = new Map(setAside.map(({ notice, what, word }) => [`${notice}\n${what}`, word]));
  const wordFor = (each: Notice): string | undefined => {
    const { notice, what } = asSeen(each);
    return canSetAside(each) ? words.get(`${notice}\n${what}`) : undefined;
  };
  return {
    open: notices.filter((notice) => wordFor(notice) === undefined),
    aside: notices.flatMap((notice) => {
      const word = wordFor(notice);
      return word === undefined ? [] : [{ notice, word }];
    }),
  };
}

import type { SetAside } from '../plan/plan';
import type { Notice } from './notice';

/** Whether a notice may be set aside: a stop stays until it is mended. */
export const canSetAside = ({ severity }: Notice): boolean => severity !== 'stop';

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
  const wordFor = (notice: Notice): string | undefined =>
    canSetAside(notice) ? words.get(`${notice.id}\n${notice.what}`) : undefined;
  return {
    open: notices.filter((notice) => wordFor(notice) === undefined),
    aside: notices.flatMap((notice) => {
      const word = wordFor(notice);
      return word === undefined ? [] : [{ notice, word }];
    }),
  };
}

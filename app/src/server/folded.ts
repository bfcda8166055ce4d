/** A name as it is searched: case and accents do not count, in any language. */
export const folded = (text: string): string =>
  text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase().slice(0, 200);

/** A number from 0 to 1 that a text always gives again, for stand-ins that invent. [FNV-1a, and the last steps of MurmurHash3] */
export function chanceOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const letter of text) hash = Math.imul(hash ^ letter.charCodeAt(0), 0x01000193);
  // Texts that differ in one letter only: the bits are stirred once more.
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
  return ((hash ^ (hash >>> 16)) >>> 0) / 0x100000000;
}

/** The day that a request asks for, or today where it names none; null where that is no date. */
export function askedDay(url: URL): Date | null {
  const asked = url.searchParams.get('date');
  if (asked === null) return new Date();
  const day = new Date(`${asked}T12:00:00Z`);
  return /^\d{4}-\d{2}-\d{2}$/.test(asked) && !Number.isNaN(day.getTime()) ? day : null;
}

import { deflateRawSync, inflateRawSync } from 'node:zlib';

/** Bytes ahead of a packed difference: how much of the base it begins and ends with. */
const HEAD = 8;

/** How many bytes two texts have in common from the front. */
function commonStart(a: Buffer, b: Buffer): number {
  const most = Math.min(a.length, b.length);
  let count = 0;
  while (count < most && a[count] === b[count]) count++;
  return count;
}

function commonEnd(a: Buffer, b: Buffer, from: number): number {
  const most = Math.min(a.length, b.length) - from;
  let count = 0;
  while (count < most && a[a.length - 1 - count] === b[b.length - 1 - count]) count++;
  return count;
}

/**
 * A text compressed for keeping: by itself, or as its difference from another one. An edit of a plan changes one place of its
 * text, so front and end are that of the base, and the middle is compressed with the base's middle as dictionary.
 *
 * @example unpack(pack(text, base), base) === text
 */
export function pack(text: string, base: string | null): Buffer {
  const whole = Buffer.from(text);
  if (base === null) return deflateRawSync(whole, { level: 9 });
  const old = Buffer.from(base);
  const start = commonStart(whole, old);
  const end = commonEnd(whole, old, start);
  const head = Buffer.alloc(HEAD);
  head.writeUInt32LE(start, 0);
  head.writeUInt32LE(end, 4);
  const middle = deflateRawSync(whole.subarray(start, whole.length - end), {
    level: 9,
    ...dictionary(old, start, end),
  });
  return Buffer.concat([head, middle]);
}

/** The text that was packed; the base must be that of the packing. */
export function unpack(packed: Uint8Array, base: string | null): string {
  if (base === null) return inflateRawSync(packed).toString('utf8');
  const old = Buffer.from(base);
  const bytes = Buffer.from(packed);
  const [start, end] = [bytes.readUInt32LE(0), bytes.readUInt32LE(4)];
  const middle = inflateRawSync(bytes.subarray(HEAD), dictionary(old, start, end));
  return Buffer.concat([old.subarray(0, start), middle, old.subarray(old.length - end)]).toString('utf8');
}

/** What zlib may copy from: the part of the base that was replaced. Left out where that is nothing, which zlib refuses. */
const dictionary = (old: Buffer, start: number, end: number): { dictionary?: Buffer } => {
  const replaced = old.subarray(start, old.length - end);
  return replaced.length === 0 ? {} : { dictionary: replaced };
};

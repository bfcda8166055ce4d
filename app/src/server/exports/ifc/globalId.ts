import { createHash } from 'node:crypto';

const SIGNS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz_$';

/**
 * The 22 signs by which IFC knows a thing: 128 bits, six to a sign and two to the first [ISO 16739, IfcGloballyUniqueId]. Made from the
 * thing's own id, so that the same thing has the same one in every export.
 */
export function globalId(...of: readonly string[]): string {
  let bits = BigInt(`0x${createHash('sha256').update(of.join('\n')).digest('hex').slice(0, 32)}`);
  let text = '';
  for (let sign = 0; sign < 22; sign += 1) {
    text = `${SIGNS.charAt(Number(bits & 63n))}${text}`;
    bits >>= 6n;
  }
  return text;
}

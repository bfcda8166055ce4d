import type { LoadStep } from '../../../kernel/record';
import type { TimedTap } from './taps';

/** A load of concrete as it went so far; times in minutes from the start, null where they are not known. */
export interface BoardLoad {
  readonly number: number;
  /** Cubic metres: by its ticket, as it was ordered, or as the plan has it. */
  readonly volume: number;
  readonly ticket: string | null;
  readonly ordered: number | null;
  readonly batched: number | null;
  readonly arrived: number | null;
  readonly tested: number | null;
  /** Inches, and degrees Fahrenheit. */
  readonly slump: number | null;
  readonly temperature: number | null;
  readonly began: number | null;
  readonly ended: number | null;
  /** What was sent back with it, in cubic metres; null where it was emptied. */
  readonly back: number | null;
  /** A full load of the plan, or one that was called for on the day. */
  readonly extra: boolean;
  readonly stands: 'to-come' | 'waits' | 'at-hose' | 'gone';
}

/** A tap that cannot be right beside the others: how it was read instead is in its words. */
export type OddTap =
  | { readonly kind: 'empty-first'; readonly tap: string; readonly load: number }
  | { readonly kind: 'not-emptied'; readonly tap: string; readonly load: number; readonly next: number }
  | { readonly kind: 'falls'; readonly tap: string; readonly wall: string }
  | { readonly kind: 'nowhere'; readonly tap: string }
  | { readonly kind: 'after-done'; readonly tap: string }
  /** By so many cubic metres. */
  | { readonly kind: 'more-placed'; readonly over: number };

type LoadTap = TimedTap & { readonly tap: { readonly kind: 'load' } };

const isLoad = (timed: TimedTap): timed is LoadTap => timed.tap.kind === 'load';

/** What went into the forms of a load, in cubic metres. */
export const placedOf = ({ volume, back }: BoardLoad): number => Math.max(0, volume - (back ?? 0));

/**
 * The loads of a pour as they were tapped. Of a step that two people tapped the first tap counts; a load that was emptied without
 * having come, came when it was first seen; one that another took the place of at the hose was empty by then.
 *
 * @param planned cubic metres of the loads of the plan
 * @param road minutes from the plant's loading to the site, for a load whose ticket nobody read
 */
export function loadsOfBoard(
  taps: readonly TimedTap[],
  planned: readonly number[],
  road: number,
): { readonly loads: readonly BoardLoad[]; readonly odd: readonly OddTap[] } {
  const odd: OddTap[] = [];
  const byLoad = new Map<number, LoadTap[]>();
  for (const timed of taps) {
    if (!isLoad(timed)) continue;
    const own = byLoad.get(timed.tap.body.load);
    if (own) own.push(timed);
    else byLoad.set(timed.tap.body.load, [timed]);
  }
  const numbers = [...new Set([...planned.map((_, index) => index + 1), ...byLoad.keys()])].sort(
    (a, b) => a - b,
  );
  const loads = numbers.map((number): { readonly tap: string; readonly load: BoardLoad } => {
    const own = byLoad.get(number) ?? [];
    const step = (which: LoadStep): LoadTap | undefined => own.find(({ tap }) => tap.body.step === which);
    const said = <Key extends 'volumeM3' | 'slumpIn' | 'temperatureF' | 'ticket' | 'batched'>(
      key: Key,
      among: readonly LoadTap[] = own,
    ) => among.findLast(({ tap }) => tap.body[key] !== undefined)?.tap.body[key];
    const [arrivedTap, testedTap, beganTap] = [step('arrived'), step('tested'), step('placing')];
    const endTap = [step('empty'), step('back')].flatMap((each) => each ?? []).sort((a, b) => a.at - b.at)[0];
    const ended = endTap?.at ?? null;
    const seen = [arrivedTap, testedTap, beganTap].flatMap((each) => (each ? [each.at] : []));
    const before = ended === null ? seen : seen.filter((at) => at <= ended);
    if (endTap && before.length < seen.length + (seen.length === 0 ? 1 : 0)) {
      odd.push({ kind: 'empty-first', tap: endTap.tap.id, load: number });
    }
    const arrived = before.length > 0 ? Math.min(...before) : ended;
    const sentBack = endTap?.tap.body.step === 'back';
    const tapped = beganTap && (ended === null || beganTap.at <= ended) ? beganTap.at : null;
    // Emptied, so it was at the hose: since it came, where nobody said more.
    const began = tapped ?? (ended === null || sentBack ? null : arrived);
    const brought = said(
      'volumeM3',
      own.filter(({ tap }) => tap.body.step !== 'back' && tap.body.step !== 'empty'),
    );
    const volume = brought ?? planned[number - 1] ?? 0;
    const ticketed = said('batched');
    const batched =
      arrived === null
        ? null
        : arrivedTap && ticketed !== undefined
          ? Math.min(
              arrived,
              arrivedTap.at - (Date.parse(arrivedTap.tap.body.time) - Date.parse(ticketed)) / 60_000,
            )
          : arrived - road;
    return {
      tap: beganTap?.tap.id ?? '',
      load: {
        number,
        volume,
        ticket: said('ticket') ?? null,
        ordered: step('ordered')?.at ?? null,
        batched,
        arrived,
        tested: testedTap?.at ?? null,
        slump: said('slumpIn') ?? null,
        temperature: said('temperatureF') ?? null,
        began,
        ended,
        back: sentBack ? Math.min(volume, endTap.tap.body.volumeM3 ?? (began === null ? volume : 0)) : null,
        extra: number > planned.length,
        stands: ended !== null ? 'gone' : began !== null ? 'at-hose' : arrived !== null ? 'waits' : 'to-come',
      },
    };
  });
  // One truck is at the hose at a time.
  const inOrder = loads
    .filter(({ load }) => load.began !== null)
    .sort((a, b) => (a.load.began ?? 0) - (b.load.began ?? 0));
  const emptied = new Map<number, number>();
  for (const [index, { load }] of inOrder.entries()) {
    const next = inOrder[index + 1];
    if (!next || load.ended !== null) continue;
    odd.push({ kind: 'not-emptied', tap: next.tap, load: load.number, next: next.load.number });
    emptied.set(load.number, next.load.began ?? 0);
  }
  return {
    loads: loads.map(({ load }) => {
      const ended = emptied.get(load.number);
      return ended === undefined ? load : { ...load, ended, stands: 'gone' };
    }),
    odd,
  };
}

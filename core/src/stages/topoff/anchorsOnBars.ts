import type { HouseRules } from '../../kernel/rules';
import type { Inserts } from '../inserts';
import type { Bar } from '../steel';
import type { TopOffProblem } from './topOff';

/** Ledger anchors that meet bars: within the clear distance of a vertical, or of a horizontal along which they lie. */
export function anchorsOnBars(
  inserts: Pick<Inserts, 'placed'>,
  bars: readonly Bar[],
  rules: HouseRules,
): readonly TopOffProblem[] {
  const clear = rules.length('topoff.anchor.bar');
  return inserts.placed.flatMap((insert): readonly TopOffProblem[] => {
    if (insert.kind !== 'ledger') return [];
    const { rect } = insert;
    const own = bars.filter(
      (bar) =>
        bar.wall === insert.wall &&
        bar.from - clear < rect.to &&
        bar.to + clear > rect.from &&
        bar.bottom - clear < rect.top &&
        bar.top + clear > rect.bottom,
    );
    const met = insert.fixings.filter(({ at, up }) =>
      own.some(
        (bar) =>
          at > bar.from - clear && at < bar.to + clear && up > bar.bottom - clear && up < bar.top + clear,
      ),
    );
    const [first] = [...met].sort((a, b) => a.at - b.at);
    return first
      ? [
          {
            kind: 'anchor-on-bar',
            wall: insert.wall,
            ledger: insert.name,
            at: first.at,
            anchors: met.length,
            clear,
          },
        ]
      : [];
  });
}

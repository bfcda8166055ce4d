import { type Length, inches } from '../../kernel/measure';
import { cutStock } from '../../kernel/stock/cutStock';
import { type How, givenCount } from '../../kernel/figures/how';
/** A saw's kerf, and the unit that runs are told in when stock is cut. */
const EIGHTH = inches(1 / 8);

/** Stock pieces that runs take: whole ones end to end, and the rests cut out of as few as can be, kerf and all. */
export function stockFor(name: string, runs: readonly Length[], stock: Length): How {
  const whole = runs.reduce((total, run) => total + Math.floor(run / stock), 0);
  const rests = runs.map((run) => Math.ceil((run % stock) / EIGHTH)).filter((rest) => rest > 0);
  const plan = cutStock(
    rests.map((length) => ({ length, count: 1 })),
    Math.floor(stock / EIGHTH),
    1,
  );
  return {
    op: 'sum',
    name,
    unit: 'count',
    of: [
      givenCount('whole ones end to end', whole),
      givenCount('cut for the rests', plan.ok ? plan.plan.pieces.length : rests.length),
    ],
  };
}

import type { Plan } from './plan';

/** Rules that had another name once, and how what was said of them is written now. */
const RENAMED: ReadonlyMap<string, readonly [id: string, unit?: string]> = new Map<
  string,
  readonly [id: string, unit?: string]
>([
  ['pour.truck.yards', ['pour.truck.load', 'yd3']],
  ['pour.truck.metres', ['pour.truck.load', 'm3']],
  ['pour.rounds', ['pour.lifts']],
  ['pour.round.first', ['pour.lift.first']],
  ['pour.round.next', ['pour.lift.next']],
  ['pour.round.least', ['pour.lift.least']],
  ['pour.round.two.most', ['pour.lift.two.most']],
]);

/** A plan's rules under the names that they have now; what is said under a new name stands. */
export function renamedRules(rules: Plan['rules']): Plan['rules'] {
  const told = Object.entries(rules).map(([id, value]): readonly [string, string | number, boolean] => {
    const now = RENAMED.get(id);
    if (!now) return [id, value, false];
    const [name, unit] = now;
    return [name, unit === undefined ? value : `${String(value)} ${unit}`, true];
  });
  return Object.fromEntries(
    told.filter(([id, , renamed]) => !renamed || !Object.hasOwn(rules, id)).map(([id, value]) => [id, value]),
  );
}

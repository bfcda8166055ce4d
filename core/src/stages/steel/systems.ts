import type { ChoiceRuleId, HouseRules } from '../../kernel/rules';
import { type BarSystem, BAR_SIZES, barSize } from './sizes';

/** The rules that name a size of bar. */
const SIZE_RULES = [
  'steel.horizontal.size',
  'steel.vertical.size',
  'steel.dowel.size',
  'steel.lintel.size',
  'steel.lintel.top.size',
  'steel.stirrup.size',
  'steel.ledge.size',
] as const satisfies readonly ChoiceRuleId[];

/** A size may have so much less steel than the one that it stands for: what is told as less begins there. */
const ALIKE = 0.98;

/** The smallest size of a system with no less steel than a bar has; the largest where none has as much. */
export function sizeInSystem(id: string, system: BarSystem): string {
  const own = barSize(id);
  const sizes = BAR_SIZES.filter((size) => size.system === system).sort((a, b) => a.area - b.area);
  const found = sizes.find((size) => size.area >= ALIKE * (own?.area ?? 0)) ?? sizes.at(-1);
  return own?.system === system ? id : (found?.id ?? id);
}

/** The systems in which a job's bars are named. */
export const systemsIn = (rules: HouseRules): ReadonlySet<BarSystem> =>
  new Set(
    SIZE_RULES.flatMap((id) => {
      const size = barSize(rules.choice(id));
      return size ? [size.system] : [];
    }),
  );

/** All sizes of a job in one system: rule by rule, what it is set to. Sizes told by those of other bars stay so. */
export const sizesOfSystem = (
  rules: HouseRules,
  system: BarSystem,
): readonly (readonly [(typeof SIZE_RULES)[number], string])[] =>
  SIZE_RULES.flatMap((id) => {
    const now = rules.choice(id);
    return barSize(now) ? [[id, sizeInSystem(now, system)] as const] : [];
  });
